package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * One of the round magnets by which a tray is held; opposite lies another like it, or steel.
 *
 * @param diameterMm of it
 * @param thickMm of it
 * @param gapMm between the two, walls and glue among it
 * @param onSteel whether a plate of steel lies opposite
 */
public record Magnet(
        @Label(value = "diameter", in = Quantity.LENGTH, absent = 8, least = 1, most = 100)
        double diameterMm,

        @Label(value = "thickness", in = Quantity.LENGTH, absent = 3, least = 0.2, most = 100)
        double thickMm,

        @Label(value = "gap to what it holds", in = Quantity.LENGTH, absent = 0.4, least = 0, most = 50)
        double gapMm,

        @Label("on steel") boolean onSteel) {

    /** What is mostly bought, behind a layer or two of print. */
    public static final Magnet USUAL = new Magnet(8, 3, 0.4, false);
}
