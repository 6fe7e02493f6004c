package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * A convex body, told by how far it reaches in every direction: the hull of some points, or a cylinder about any axis. Immutable, for any
 * thread.
 */
public final class Convex {

    /** Corners that reach so nearly equally far do, mm. */
    private static final double EVEN_MM = 1e-6;

    /** Corners one after another, three numbers each; of a cylinder its middle, half its axis and its two half widths. */
    private final double[] numbers;

    private final boolean round;

    private Convex(double[] numbers, boolean round) {
        this.numbers = numbers;
        this.round = round;
    }

    /** The hull of points. */
    public static Convex of(List<Vec> points) {
        double[] numbers = new double[3 * points.size()];
        for (int i = 0; i < points.size(); i++) {
            put(numbers, 3 * i, points.get(i));
        }
        return new Convex(numbers, false);
    }

    /** A cylinder, elliptic where its half widths differ. The three ways stand across one another. */
    static Convex round(Vec middle, Vec halfAxis, Vec halfAcross, Vec halfUp) {
        double[] numbers = new double[12];
        put(numbers, 0, middle);
        put(numbers, 3, halfAxis);
        put(numbers, 6, halfAcross);
        put(numbers, 9, halfUp);
        return new Convex(numbers, true);
    }

    private static void put(double[] numbers, int at, Vec v) {
        numbers[at] = v.x();
        numbers[at + 1] = v.y();
        numbers[at + 2] = v.z();
    }

    /** The same, posed. */
    public Convex posed(Pose pose) {
        double[] posed = new double[numbers.length];
        for (int i = 0; i < numbers.length; i += 3) {
            pose.put(numbers, posed, i, !round || i == 0);
        }
        return new Convex(posed, round);
    }

    /**
     * The point that reaches furthest in a direction.
     *
     * @param out three numbers, filled
     */
    void furthest(double x, double y, double z, double[] out) {
        if (round) {
            furthestOfRound(x, y, z, out);
            return;
        }
        int best = 0;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < numbers.length; i += 3) {
            double reach = numbers[i] * x + numbers[i + 1] * y + numbers[i + 2] * z;
            if (reach > most) {
                most = reach;
                best = i;
            }
        }
        out[0] = numbers[best];
        out[1] = numbers[best + 1];
        out[2] = numbers[best + 2];
    }

    /** The point that reaches furthest towards a face; where corners or ends reach equally far, their middle. */
    public Vec tip(Face face) {
        Vec way = Vec.on(face.axis(), face.sign());
        if (round) {
            double[] at = new double[3];
            double along = dot(3, way.x(), way.y(), way.z());
            ofRound(Math.abs(along) < EVEN_MM ? 0 : Math.signum(along), way.x(), way.y(), way.z(), at);
            return new Vec(at[0], at[1], at[2]);
        }
        double most = Double.NEGATIVE_INFINITY;
        for (Vec corner : hull()) {
            most = Math.max(most, corner.dot(way));
        }
        Vec sum = Vec.ZERO;
        int ends = 0;
        for (Vec corner : hull()) {
            if (corner.dot(way) > most - EVEN_MM) {
                sum = sum.plus(corner);
                ends++;
            }
        }
        return sum.times(1.0 / ends);
    }

    private void furthestOfRound(double x, double y, double z, double[] out) {
        ofRound(dot(3, x, y, z) < 0 ? -1 : 1, x, y, z, out);
    }

    /**
     * The point of what is round that reaches furthest across its axis.
     *
     * @param along how far from its middle to one end, −1 to 1
     */
    private void ofRound(double along, double x, double y, double z, double[] out) {
        double u = dot(6, x, y, z);
        double v = dot(9, x, y, z);
        double length = Math.hypot(u, v);
        double across = length > 0 ? u / length : 0;
        double up = length > 0 ? v / length : 0;
        for (int i = 0; i < 3; i++) {
            out[i] = numbers[i] + along * numbers[3 + i] + across * numbers[6 + i] + up * numbers[9 + i];
        }
    }

    private double dot(int at, double x, double y, double z) {
        return numbers[at] * x + numbers[at + 1] * y + numbers[at + 2] * z;
    }

    /** Somewhere inside. */
    void inside(double[] out) {
        if (round) {
            System.arraycopy(numbers, 0, out, 0, 3);
            return;
        }
        out[0] = 0;
        out[1] = 0;
        out[2] = 0;
        for (int i = 0; i < numbers.length; i++) {
            out[i % 3] += numbers[i] * 3 / numbers.length;
        }
    }

    /** Points whose hull holds it: its corners, of what is round those of the box about it. */
    public List<Vec> hull() {
        List<Vec> points = new ArrayList<>();
        for (int i = 0; i < (round ? 8 : numbers.length / 3); i++) {
            points.add(
                    round
                            ? corner(i & 1, i & 2, i & 4)
                            : new Vec(numbers[3 * i], numbers[3 * i + 1], numbers[3 * i + 2]));
        }
        return points;
    }

    private Vec corner(int along, int across, int up) {
        double[] p = new double[3];
        for (int k = 0; k < 3; k++) {
            p[k] = numbers[k]
                    + (along == 0 ? -1 : 1) * numbers[3 + k]
                    + (across == 0 ? -1 : 1) * numbers[6 + k]
                    + (up == 0 ? -1 : 1) * numbers[9 + k];
        }
        return new Vec(p[0], p[1], p[2]);
    }

    /** The smallest box around it. */
    public Box bounds() {
        double[] low = new double[3];
        double[] high = new double[3];
        double[] at = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            furthest(axis == 0 ? 1 : 0, axis == 1 ? 1 : 0, axis == 2 ? 1 : 0, at);
            high[axis] = at[axis];
            furthest(axis == 0 ? -1 : 0, axis == 1 ? -1 : 0, axis == 2 ? -1 : 0, at);
            low[axis] = at[axis];
        }
        return Box.between(new Vec(low[0], low[1], low[2]), new Vec(high[0], high[1], high[2]));
    }
}
