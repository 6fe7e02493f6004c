package boldsatchel.geometry;

import java.util.List;

/** The six faces of a box or walls of a shell; x runs right, y to the back, z up. */
public enum Face {
    /** At low x. */
    LEFT(0, -1),
    /** At high x. */
    RIGHT(0, 1),
    /** At low y. */
    FRONT(1, -1),
    /** At high y. */
    BACK(1, 1),
    /** At low z. */
    BOTTOM(2, -1),
    /** At high z. */
    TOP(2, 1);

    /** All six, in this order. */
    public static final List<Face> ALL = List.of(values());

    private final int axis;
    private final int sign;
    private final String words = name().toLowerCase(java.util.Locale.ROOT);

    Face(int axis, int sign) {
        this.axis = axis;
        this.sign = sign;
    }

    /** 0 for x, 1 for y, 2 for z. */
    public int axis() {
        return axis;
    }

    /** −1 at the low end of the axis, +1 at the high end. */
    public int sign() {
        return sign;
    }

    /** The face that looks along an axis. */
    public static Face of(int axis, int sign) {
        return ALL.get(2 * axis + (sign > 0 ? 1 : 0));
    }

    /** The face across. */
    public Face opposite() {
        return of(axis, -sign);
    }

    /** As written in a sentence. */
    public String words() {
        return words;
    }
}
