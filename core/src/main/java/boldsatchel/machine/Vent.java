package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * An opening in a wall for air.
 *
 * @param name for people
 * @param wall it is in
 * @param box its extent in the shell's frame; flat along the wall's axis
 * @param openShare of that extent, 0 to 1
 */
public record Vent(
        @Label("name") String name,
        @Label("wall") Face wall,
        @Label("extent") Box box,

        @Label(value = "open share", in = Quantity.SHARE, absent = 0.5)
        double openShare) {

    /** Free area, mm². */
    public double areaMm2() {
        double area = 1;
        for (int axis = 0; axis < 3; axis++) {
            area *= axis == wall.axis() ? 1 : box.size(axis);
        }
        return area * openShare;
    }
}
