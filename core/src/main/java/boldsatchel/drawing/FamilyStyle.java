package boldsatchel.drawing;

import boldsatchel.machine.Family;

/**
 * How a family of parts looks: a tint and a hatch, so that families are told apart without colour too.
 *
 * @param tint fill
 * @param degrees of the hatch
 * @param spacingMm of the hatch; zero for none
 */
public record FamilyStyle(Ink tint, double degrees, double spacingMm) {

    /** The style of a family. */
    public static FamilyStyle of(Family family) {
        return switch (family) {
            case X86_BOARD, SINGLE_BOARD -> new FamilyStyle(Ink.BOARD, 45, 5);
            case SCREEN -> new FamilyStyle(Ink.SCREEN, 0, 0);
            case KEYBOARD -> new FamilyStyle(Ink.KEYS, 90, 6);
            case POINTER -> new FamilyStyle(Ink.KEYS, 0, 6);
            case BATTERY -> new FamilyStyle(Ink.ENERGY, 135, 4);
            case CHARGER -> new FamilyStyle(Ink.POWER, 45, 3);
            case CONVERTER -> new FamilyStyle(Ink.POWER, 135, 3);
            case COOLING -> new FamilyStyle(Ink.AIR, 90, 3);
            case HUB -> new FamilyStyle(Ink.OTHER, 0, 3);
            case DRIVE -> new FamilyStyle(Ink.OTHER, 45, 4);
            case RADIO -> new FamilyStyle(Ink.OTHER, 135, 6);
            case SOUND -> new FamilyStyle(Ink.OTHER, 90, 4);
            case CONTROL -> new FamilyStyle(Ink.KEYS, 45, 3);
            case MICROCONTROLLER -> new FamilyStyle(Ink.BOARD, 135, 4);
            case CABLE -> new FamilyStyle(Ink.OTHER, 45, 2);
            case ELECTRICAL -> new FamilyStyle(Ink.POWER, 0, 3);
            case MECHANICS -> new FamilyStyle(Ink.WALL, 45, 2.5);
        };
    }
}
