package boldsatchel.build;

/**
 * An opening in a wall for air.
 *
 * @param name for people
 * @param wall it is in
 * @param box its extent in the shell's frame; flat along the wall's axis
 * @param openShare of that extent, 0 to 1
 */
public record Vent(String name, Face wall, Box box, double openShare) {

    /** Free area, mm². */
    public double areaMm2() {
        double area = 1;
        for (int axis = 0; axis < 3; axis++) {
            area *= axis == wall.axis() ? 1 : box.size(axis);
        }
        return area * openShare;
    }
}
