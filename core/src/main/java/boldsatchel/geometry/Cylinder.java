package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import java.util.List;

/**
 * What is round about an axis: the cylinder that just fills a box, elliptic where the box is not square across the axis.
 *
 * @param along its axis
 * @param box that it fills
 */
public record Cylinder(
        @Label(value = "round about", absent = 2) Axis along,
        @Label("fills the box") Box box) implements Solid {

    /** A round one, standing on a point of its axis. */
    public static Cylinder upright(Vec foot, double radiusMm, double highMm) {
        return new Cylinder(
                Axis.Z,
                new Box(foot.x() - radiusMm, foot.y() - radiusMm, foot.z(), 2 * radiusMm, 2 * radiusMm, highMm));
    }

    @Override
    public Box bounds() {
        return box;
    }

    @Override
    public double volume() {
        return Math.PI / 4 * box.volume();
    }

    @Override
    public Cylinder moved(Vec by) {
        return new Cylinder(along, box.moved(by));
    }

    @Override
    public Cylinder posed(Pose pose) {
        return new Cylinder(pose.turned(along), box.posed(pose));
    }

    @Override
    public Cylinder stretched(int axis, double times, double from) {
        return new Cylinder(along, box.stretched(axis, times, from));
    }

    @Override
    public List<Convex> pieces() {
        return List.of(Convex.round(
                box.centre(),
                half(along.ordinal()),
                half(along.across().ordinal()),
                half(along.up().ordinal())));
    }

    private Vec half(int axis) {
        return Vec.on(axis, box.size(axis) / 2);
    }

    /** With its half widths as units across it, a circle of radius one: a quadratic. */
    @Override
    public double[] crossed(Vec from, Vec way) {
        double[] range = Solid.between(
                box.low(along.ordinal()),
                box.high(along.ordinal()),
                from.along(along.ordinal()),
                way.along(along.ordinal()));
        double u = unit(along.across().ordinal(), from, true);
        double v = unit(along.up().ordinal(), from, true);
        double du = unit(along.across().ordinal(), way, false);
        double dv = unit(along.up().ordinal(), way, false);
        double a = du * du + dv * dv;
        double c = u * u + v * v - 1;
        if (a == 0) {
            return c <= 0 && range[0] <= range[1] ? range : new double[0];
        }
        double b = u * du + v * dv;
        double root = b * b - a * c;
        if (root < 0) {
            return new double[0];
        }
        double in = Math.max(range[0], (-b - Math.sqrt(root)) / a);
        double out = Math.min(range[1], (-b + Math.sqrt(root)) / a);
        return in <= out ? new double[] {in, out} : new double[0];
    }

    private double unit(int axis, Vec v, boolean point) {
        double half = Math.max(1e-12, box.size(axis) / 2);
        return (v.along(axis) - (point ? box.low(axis) + box.size(axis) / 2 : 0)) / half;
    }
}
