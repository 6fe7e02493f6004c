package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;

/**
 * A box with faces along the axes.
 *
 * @param x low corner, mm
 * @param y low corner, mm
 * @param z low corner, mm
 * @param dx size along x, mm, zero or more
 * @param dy size along y, mm, zero or more
 * @param dz size along z, mm, zero or more
 */
public record Box(
        @Label(value = "from the left", in = Quantity.LENGTH)
        double x,

        @Label(value = "from the front", in = Quantity.LENGTH)
        double y,

        @Label(value = "from below", in = Quantity.LENGTH) double z,
        @Label(value = "width", in = Quantity.LENGTH) double dx,
        @Label(value = "depth", in = Quantity.LENGTH) double dy,
        @Label(value = "height", in = Quantity.LENGTH) double dz)
        implements Solid {

    /** Refuses negative sizes. */
    public Box {
        if (!(dx >= 0 && dy >= 0 && dz >= 0)) {
            throw new IllegalArgumentException("a box has sizes of zero or more, not " + dx + " × " + dy + " × " + dz);
        }
    }

    /** The box between two opposite corners, in any order. */
    public static Box between(Vec a, Vec b) {
        return new Box(
                Math.min(a.x(), b.x()),
                Math.min(a.y(), b.y()),
                Math.min(a.z(), b.z()),
                Math.abs(a.x() - b.x()),
                Math.abs(a.y() - b.y()),
                Math.abs(a.z() - b.z()));
    }

    /** Lower end along an axis. */
    public double low(int axis) {
        return axis == 0 ? x : axis == 1 ? y : z;
    }

    /** Upper end along an axis. */
    public double high(int axis) {
        return low(axis) + size(axis);
    }

    /** Size along an axis. */
    public double size(int axis) {
        return axis == 0 ? dx : axis == 1 ? dy : dz;
    }

    /** Where the box ends on the side of a face. */
    public double end(Face face) {
        return face.sign() < 0 ? low(face.axis()) : high(face.axis());
    }

    /** Low corner. */
    public Vec lowCorner() {
        return new Vec(x, y, z);
    }

    /** High corner. */
    public Vec highCorner() {
        return new Vec(x + dx, y + dy, z + dz);
    }

    /** Middle. */
    public Vec centre() {
        return new Vec(x + dx / 2, y + dy / 2, z + dz / 2);
    }

    /** Area of a face, mm². */
    public double area(Face face) {
        return dx * dy * dz == 0 ? 0 : dx * dy * dz / size(face.axis());
    }

    @Override
    public Box bounds() {
        return this;
    }

    @Override
    public double volume() {
        return dx * dy * dz;
    }

    @Override
    public Box moved(Vec by) {
        return new Box(x + by.x(), y + by.y(), z + by.z(), dx, dy, dz);
    }

    /** What is left of it where another is taken out: up to six boxes; itself where they share nothing. */
    public List<Box> without(Box hole) {
        if (signedDistance(hole) >= 0) {
            return List.of(this);
        }
        List<Box> left = new ArrayList<>(4);
        Box rest = this;
        for (int axis = 0; axis < 3; axis++) {
            double from = Math.max(rest.low(axis), hole.low(axis));
            double to = Math.min(rest.high(axis), hole.high(axis));
            left.add(rest.slice(axis, rest.low(axis), from));
            left.add(rest.slice(axis, to, rest.high(axis)));
            rest = rest.slice(axis, from, to);
        }
        left.removeIf(b -> b.volume() == 0);
        return left;
    }

    /** The two boxes that a plane square to an axis makes of it; itself where the plane passes it by. */
    public List<Box> parted(int axis, double at) {
        return low(axis) < at && at < high(axis)
                ? List.of(slice(axis, low(axis), at), slice(axis, at, high(axis)))
                : List.of(this);
    }

    private Box slice(int axis, double from, double to) {
        return between(
                lowCorner().plus(Vec.on(axis, from - low(axis))), highCorner().plus(Vec.on(axis, to - high(axis))));
    }

    /** Smallest box around both. */
    public Box around(Box other) {
        return between(
                new Vec(Math.min(x, other.x), Math.min(y, other.y), Math.min(z, other.z)),
                new Vec(
                        Math.max(high(0), other.high(0)),
                        Math.max(high(1), other.high(1)),
                        Math.max(high(2), other.high(2))));
    }

    /** The space between the boxes along an axis; negative where they overlap on it. */
    public double gapAlong(int axis, Box other) {
        return Math.max(low(axis), other.low(axis)) - Math.min(high(axis), other.high(axis));
    }

    /** The space between the boxes along an axis; where there is none, minus the way along it that parts them. */
    public double awayAlong(int axis, Box other) {
        return Math.max(low(axis) - other.high(axis), other.low(axis) - high(axis));
    }

    /** The point of it that is nearest to another: where many are, and where they share room, the middle of those. */
    Vec towards(Box other) {
        Vec at = Vec.ZERO;
        for (int axis = 0; axis < 3; axis++) {
            double from = Math.max(low(axis), Math.min(other.low(axis), high(axis)));
            double to = Math.min(high(axis), Math.max(other.high(axis), low(axis)));
            at = at.with(axis, (from + to) / 2);
        }
        return at;
    }

    /** Straight distance when apart, minus the least way out along an axis when in the same place, mm. */
    public double signedDistance(Box other) {
        double alongX = Math.max(x - other.x - other.dx, other.x - x - dx);
        double alongY = Math.max(y - other.y - other.dy, other.y - y - dy);
        double alongZ = Math.max(z - other.z - other.dz, other.z - z - dz);
        double deepest = Math.max(alongX, Math.max(alongY, alongZ));
        return deepest > 0 ? Math.sqrt(square(alongX) + square(alongY) + square(alongZ)) : deepest;
    }

    private static double square(double gap) {
        return gap > 0 ? gap * gap : 0;
    }

    @Override
    public Box posed(Pose pose) {
        return between(pose.apply(lowCorner()), pose.apply(highCorner()));
    }

    @Override
    public List<Convex> pieces() {
        return List.of(Convex.of(corners()));
    }

    /** Its eight corners. */
    public List<Vec> corners() {
        List<Vec> corners = new ArrayList<>(8);
        for (int i = 0; i < 8; i++) {
            corners.add(new Vec(high(0, i & 1), high(1, i & 2), high(2, i & 4)));
        }
        return corners;
    }

    private double high(int axis, int bit) {
        return bit == 0 ? low(axis) : high(axis);
    }

    @Override
    public double[] crossed(Vec from, Vec way) {
        double in = Double.NEGATIVE_INFINITY;
        double out = Double.POSITIVE_INFINITY;
        for (int axis = 0; axis < 3; axis++) {
            double[] range = Solid.between(low(axis), high(axis), from.along(axis), way.along(axis));
            in = Math.max(in, range[0]);
            out = Math.min(out, range[1]);
        }
        return in <= out ? new double[] {in, out} : new double[0];
    }

    @Override
    public Box stretched(int axis, double times, double from) {
        return new Box(
                axis == 0 ? from + (x - from) * times : x,
                axis == 1 ? from + (y - from) * times : y,
                axis == 2 ? from + (z - from) * times : z,
                dx * (axis == 0 ? times : 1),
                dy * (axis == 1 ? times : 1),
                dz * (axis == 2 ? times : 1));
    }
}
