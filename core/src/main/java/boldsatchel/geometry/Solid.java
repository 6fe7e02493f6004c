package boldsatchel.geometry;

import java.util.List;

/**
 * Something solid, square to the axes of its frame. How far two are apart is exact for boxes, and to a thousandth of a millimetre for what
 * is round or follows an outline.
 */
public sealed interface Solid permits Box, Cylinder, Prism {

    /** The smallest box around it. */
    Box bounds();

    /** What it holds, mm³. */
    double volume();

    /** The same elsewhere. */
    Solid moved(Vec by);

    /**
     * The same where another frame has it.
     *
     * @param pose a square one
     */
    Solid posed(Pose pose);

    /**
     * The same, stretched along an axis.
     *
     * @param axis 0 x, 1 y, 2 z
     * @param from what keeps its place on that axis
     */
    Solid stretched(int axis, double times, double from);

    /** Convex pieces that together are the same. */
    List<Convex> pieces();

    /** The same with its bounding box made this one. */
    default Solid fitting(Box other) {
        Box now = bounds();
        Solid made = this;
        for (int axis = 0; axis < 3; axis++) {
            if (now.size(axis) > 0) {
                made = made.stretched(axis, other.size(axis) / now.size(axis), now.low(axis));
            }
        }
        return made.moved(other.lowCorner().minus(now.lowCorner()));
    }

    /**
     * Straight distance when apart, minus the least way out when in the same place, mm. Of what has several pieces the way out is that of the
     * piece that is deepest: no less is enough.
     */
    default double signedDistance(Solid other) {
        if (this instanceof Box a && other instanceof Box b) {
            return a.signedDistance(b);
        }
        return Separation.between(pieces(), other.pieces());
    }

    /** The point that reaches furthest towards a face; the middle of a side that does. */
    default Vec tip(Face face) {
        Vec furthest = pieces().getFirst().tip(face);
        for (Convex piece : pieces()) {
            Vec end = piece.tip(face);
            furthest = face.sign() * (end.along(face.axis()) - furthest.along(face.axis())) > 0 ? end : furthest;
        }
        return furthest;
    }

    /**
     * Where a line runs inside it: pairs of how many times the way from its start it comes in and goes out, in order; empty where it misses.
     *
     * @param from start of the line
     * @param way its direction, of any length but zero
     */
    double[] crossed(Vec from, Vec way);

    /** Where on its way a line is between two planes across an axis; an empty range, its end before its start, where it never is. */
    static double[] between(double low, double high, double at, double way) {
        if (way == 0) {
            boolean inside = at >= low && at <= high;
            return inside
                    ? new double[] {Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY}
                    : new double[] {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        }
        double first = (low - at) / way;
        double second = (high - at) / way;
        return first <= second ? new double[] {first, second} : new double[] {second, first};
    }
}
