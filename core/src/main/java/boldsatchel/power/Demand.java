package boldsatchel.power;

import boldsatchel.build.Mode;
import boldsatchel.build.UseProfile;

/**
 * What all loads are asked for.
 *
 * @param mode of all loads
 * @param brightness of backlights, 0 to 1
 */
public record Demand(Mode mode, double brightness) {

    /** Full brightness. */
    public static Demand of(Mode mode) {
        return new Demand(mode, mode == Mode.OFF || mode == Mode.SLEEP ? 0 : 1);
    }

    /** What a step of a profile asks for. */
    public static Demand of(UseProfile.Step step) {
        return new Demand(step.mode(), step.brightness());
    }
}
