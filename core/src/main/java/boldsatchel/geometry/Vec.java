package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * A point or a displacement in a frame of a part or a shell.
 *
 * @param x to the right, mm
 * @param y to the back, mm
 * @param z up, mm
 */
public record Vec(
        @Label(value = "from the left", in = Quantity.LENGTH)
        double x,

        @Label(value = "from the front", in = Quantity.LENGTH)
        double y,

        @Label(value = "from below", in = Quantity.LENGTH) double z) {

    /** The origin. */
    public static final Vec ZERO = new Vec(0, 0, 0);

    /** A way along one axis. */
    public static Vec on(int axis, double mm) {
        return new Vec(axis == 0 ? mm : 0, axis == 1 ? mm : 0, axis == 2 ? mm : 0);
    }

    /** Difference. */
    public Vec minus(Vec other) {
        return new Vec(x - other.x, y - other.y, z - other.z);
    }

    /** Sum. */
    public Vec plus(Vec other) {
        return new Vec(x + other.x, y + other.y, z + other.z);
    }

    /** So many times as long. */
    public Vec times(double factor) {
        return new Vec(x * factor, y * factor, z * factor);
    }

    /** The product that is zero for what stands across one another. */
    public double dot(Vec other) {
        return x * other.x + y * other.y + z * other.z;
    }

    /** The way that stands across both. */
    public Vec cross(Vec other) {
        return new Vec(y * other.z - z * other.y, z * other.x - x * other.z, x * other.y - y * other.x);
    }

    /** Length, mm. */
    public double length() {
        return Math.sqrt(dot(this));
    }

    /** The same but for one axis. */
    public Vec with(int axis, double mm) {
        return new Vec(axis == 0 ? mm : x, axis == 1 ? mm : y, axis == 2 ? mm : z);
    }

    /** Along an axis: 0 x, 1 y, 2 z. */
    public double along(int axis) {
        return axis == 0 ? x : axis == 1 ? y : z;
    }
}
