package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * A round post on the floor that takes a screw.
 *
 * @param xMm its middle, in the tray's frame
 * @param yMm its middle
 * @param heightMm above the floor
 * @param diameterMm outside
 * @param thread what is screwed in
 */
public record Boss(
        @Label(value = "from the left", in = Quantity.LENGTH, absent = 10)
        double xMm,

        @Label(value = "from the front", in = Quantity.LENGTH, absent = 10)
        double yMm,

        @Label(value = "height", in = Quantity.LENGTH, absent = 5, least = 0)
        double heightMm,

        @Label(value = "diameter", in = Quantity.LENGTH, absent = 6, least = 0.5, most = 100)
        double diameterMm,

        @Label(value = "thread", absent = 1) ScrewThread thread) {

    /** What it takes; the bore is left out. */
    public double volumeMm3() {
        return Math.PI / 4 * diameterMm * diameterMm * heightMm;
    }

    /** The same elsewhere. */
    public Boss moved(double byX, double byY) {
        return new Boss(xMm + byX, yMm + byY, heightMm, diameterMm, thread);
    }

    /** The square post around it. */
    public Box post() {
        return new Box(xMm - diameterMm / 2, yMm - diameterMm / 2, 0, diameterMm, diameterMm, heightMm);
    }
}
