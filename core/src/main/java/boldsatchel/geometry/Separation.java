package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * How far two convex bodies are apart, or how deep one is in the other. Apart: the nearest point to the origin of the body of all
 * differences, approached over ever better simplexes (Gilbert, Johnson and Keerthi, IEEE J. Robotics and Automation 4, 1988, 193; nearest
 * points of simplexes after Ericson, <i>Real-Time Collision Detection</i>, 2005, ch. 5). In one another: the face of the same body that is
 * nearest to the origin, found by growing a polytope towards it (van den Bergen, Game Developers Conference 2001). Both answers are exact for
 * corners and sides, and to {@link #EXACT_MM} for what is round; both end after a fixed number of steps. Not to be shared by threads.
 */
public final class Separation {

    /** How exact an answer about round things is, mm. */
    public static final double EXACT_MM = 1e-4;

    private static final int MOST_STEPS = 64;
    private static final int MOST_FACES = 400;
    /** Nearer than this is touching, mm. */
    private static final double TOUCHING_MM = 1e-9;
    /** A simplex this flat, as a share of what it could hold, is taken for one of fewer corners. */
    private static final double FLAT = 1e-12;

    private final Convex a;
    private final Convex b;
    /** Corners of the simplex: points of the body of differences a − b, and the point of a that each came from. */
    private final double[][] corner = new double[4][3];

    private final double[][] ofA = new double[4][3];
    private final double[] weight = new double[4];
    private int size;
    private final double[] nearest = new double[3];
    private final double[] far = new double[3];
    /** The nearest points that were known before the last corner. */
    private final double[] before = new double[3];

    private final double[] onA = new double[3];

    private Separation(Convex a, Convex b) {
        this.a = a;
        this.b = b;
    }

    /** Straight distance when apart, minus the least way out when in the same place, mm; the least over all pairs of pieces. */
    static double between(List<Convex> some, List<Convex> others) {
        double least = Double.POSITIVE_INFINITY;
        for (Convex x : some) {
            for (Convex y : others) {
                least = Math.min(least, between(x, y));
            }
        }
        return least;
    }

    /** Straight distance when apart, minus the least way out when in the same place, mm. */
    public static double between(Convex a, Convex b) {
        Separation s = new Separation(a, b);
        return s.apart() ? length(s.nearest) : -s.depth();
    }

    /**
     * The nearest points of two bodies, or a point in both.
     *
     * @param mm signed distance
     * @param onA nearest point of the first
     * @param onB nearest point of the second
     */
    public record Near(double mm, Vec onA, Vec onB) {}

    /** Where two bodies are nearest. */
    public static Near near(Convex a, Convex b) {
        Separation s = new Separation(a, b);
        boolean apart = s.apart();
        Vec onA = new Vec(s.onA[0], s.onA[1], s.onA[2]);
        if (!apart) {
            return new Near(-s.depth(), onA, onA);
        }
        return new Near(length(s.nearest), onA, onA.minus(new Vec(s.nearest[0], s.nearest[1], s.nearest[2])));
    }

    /** Where two solids are nearest: of boxes the middle of what faces the other, or of what both share. */
    public static Near near(Solid a, Solid b) {
        if (a instanceof Box some && b instanceof Box other) {
            return new Near(some.signedDistance(other), some.towards(other), other.towards(some));
        }
        Near nearest = new Near(Double.POSITIVE_INFINITY, Vec.ZERO, Vec.ZERO);
        for (Convex x : a.pieces()) {
            for (Convex y : b.pieces()) {
                Near near = near(x, y);
                nearest = near.mm() < nearest.mm() ? near : nearest;
            }
        }
        return nearest;
    }

    private static double dot(double[] u, double[] v) {
        return u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
    }

    private static double length(double[] v) {
        return Math.sqrt(dot(v, v));
    }

    /** The furthest point of the body of differences in a direction. */
    private void furthest(double x, double y, double z, double[] difference, double[] pointOfA) {
        a.furthest(x, y, z, pointOfA);
        b.furthest(-x, -y, -z, far);
        for (int i = 0; i < 3; i++) {
            difference[i] = pointOfA[i] - far[i];
        }
    }

    /** Finds the nearest point to the origin; false where the origin is inside, or as near as makes no difference. */
    private boolean apart() {
        a.inside(nearest);
        b.inside(far);
        for (int i = 0; i < 3; i++) {
            nearest[i] -= far[i];
        }
        if (dot(nearest, nearest) == 0) {
            nearest[0] = 1;
        }
        size = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int step = 0; step < MOST_STEPS; step++) {
            furthest(-nearest[0], -nearest[1], -nearest[2], corner[size], ofA[size]);
            double now = dot(nearest, nearest);
            // No corner is nearer along this way than what is known: done. A first direction is only a guess.
            if (size > 0 && (now - dot(nearest, corner[size]) <= 1e-12 * now || known(corner[size]))) {
                return true;
            }
            size++;
            System.arraycopy(nearest, 0, before, 0, 3);
            reduce();
            double after = dot(nearest, nearest);
            if (size == 4 || after <= TOUCHING_MM * TOUCHING_MM) {
                witness();
                return false;
            }
            if (after >= least) {
                // Rounding: the point before was as near as can be told.
                System.arraycopy(before, 0, nearest, 0, 3);
                return true;
            }
            least = after;
            witness();
        }
        return true;
    }

    /** The point of the first body that belongs to the nearest point of the simplex. */
    private void witness() {
        for (int k = 0; k < 3; k++) {
            onA[k] = 0;
            for (int i = 0; i < size; i++) {
                onA[k] += weight[i] * ofA[i][k];
            }
        }
    }

    private boolean known(double[] point) {
        for (int i = 0; i < size; i++) {
            if (corner[i][0] == point[0] && corner[i][1] == point[1] && corner[i][2] == point[2]) {
                return true;
            }
        }
        return false;
    }

    /** Keeps the corners that hold the nearest point; four are kept when the origin is inside them. */
    private void reduce() {
        double[] best = new double[4];
        switch (size) {
            case 1 -> best[0] = 1;
            case 2 -> segment(0, 1, best);
            case 3 -> triangle(0, 1, 2, best);
            default -> tetrahedron(best);
        }
        int kept = 0;
        for (int i = 0; i < size; i++) {
            if (best[i] > 0) {
                weight[kept] = best[i];
                swap(kept, i);
                kept++;
            }
        }
        size = kept;
        for (int k = 0; k < 3; k++) {
            nearest[k] = 0;
            for (int i = 0; i < size; i++) {
                nearest[k] += weight[i] * corner[i][k];
            }
        }
    }

    private void swap(int i, int j) {
        if (i != j) {
            double[] c = corner[i];
            corner[i] = corner[j];
            corner[j] = c;
            double[] p = ofA[i];
            ofA[i] = ofA[j];
            ofA[j] = p;
        }
    }

    private void segment(int i, int j, double[] out) {
        double[] p = corner[i];
        double[] q = corner[j];
        double length = 0;
        double along = 0;
        for (int k = 0; k < 3; k++) {
            length += (q[k] - p[k]) * (q[k] - p[k]);
            along -= p[k] * (q[k] - p[k]);
        }
        double t = length == 0 ? 0 : Math.clamp(along / length, 0, 1);
        out[i] = 1 - t;
        out[j] = t;
    }

    /** The nearest point of a triangle: on its face, where it is over it, or on one of its sides. */
    private void triangle(int i, int j, int k, double[] out) {
        double[] p = corner[i];
        double[] ab = minus(corner[j], p);
        double[] ac = minus(corner[k], p);
        double[] n = cross(ab, ac);
        double area = dot(n, n);
        if (area > FLAT * dot(ab, ab) * dot(ac, ac)) {
            double v = -dot(cross(p, ac), n) / area;
            double w = dot(cross(p, ab), n) / area;
            if (v > 0 && w > 0 && v + w < 1) {
                out[i] = 1 - v - w;
                out[j] = v;
                out[k] = w;
                return;
            }
        }
        double least = Double.POSITIVE_INFINITY;
        int[][] sides = {{i, j}, {i, k}, {j, k}};
        for (int[] side : sides) {
            double[] tried = new double[4];
            segment(side[0], side[1], tried);
            double distance = distance(tried);
            if (distance < least) {
                least = distance;
                System.arraycopy(tried, 0, out, 0, 4);
            }
        }
    }

    /** Square of the distance of a point of the simplex, told by its weights. */
    private double distance(double[] weights) {
        double sum = 0;
        for (int k = 0; k < 3; k++) {
            double at = 0;
            for (int i = 0; i < 4; i++) {
                at += weights[i] == 0 ? 0 : weights[i] * corner[i][k];
            }
            sum += at * at;
        }
        return sum;
    }

    private void tetrahedron(double[] out) {
        if (holds()) {
            for (int[] face : FACES) {
                out[face[3]] = share(face);
            }
            return;
        }
        double least = Double.POSITIVE_INFINITY;
        for (int[] face : FACES) {
            double[] tried = new double[4];
            triangle(face[0], face[1], face[2], tried);
            double distance = distance(tried);
            if (distance < least) {
                least = distance;
                System.arraycopy(tried, 0, out, 0, 4);
            }
        }
    }

    /** Whether the origin is inside the tetrahedron; one that is flat holds nothing. */
    private boolean holds() {
        for (int[] face : FACES) {
            double[] p = corner[face[0]];
            double[] u = minus(corner[face[1]], p);
            double[] v = minus(corner[face[2]], p);
            double[] n = cross(u, v);
            double[] w = minus(corner[face[3]], p);
            double other = dot(n, w);
            if (Math.abs(other) <= FLAT * length(u) * length(v) * length(w) || -dot(n, p) * other < 0) {
                return false;
            }
        }
        return true;
    }

    /** The weight of the corner across from a face in the origin inside; never nothing, so that all four are kept. */
    private double share(int[] face) {
        double[] p = corner[face[0]];
        double[] n = cross(minus(corner[face[1]], p), minus(corner[face[2]], p));
        return Math.max(Double.MIN_NORMAL, -dot(n, p) / dot(n, minus(corner[face[3]], p)));
    }

    private static final int[][] FACES = {{0, 1, 2, 3}, {0, 2, 3, 1}, {0, 3, 1, 2}, {1, 3, 2, 0}};

    private static double[] minus(double[] u, double[] v) {
        return new double[] {u[0] - v[0], u[1] - v[1], u[2] - v[2]};
    }

    private static double[] cross(double[] u, double[] v) {
        return new double[] {u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]};
    }

    /** A face of the growing polytope; its corners go round anticlockwise seen from outside. */
    private static final class Facet {
        private final double[][] points;
        private final double[] normal;
        private final double mm;

        Facet(double[] p, double[] q, double[] r) {
            points = new double[][] {p, q, r};
            double[] n = cross(minus(q, p), minus(r, p));
            double length = length(n);
            normal = length > 0 ? new double[] {n[0] / length, n[1] / length, n[2] / length} : n;
            mm = length > 0 ? Math.max(0, dot(normal, p)) : Double.POSITIVE_INFINITY;
        }

        boolean sees(double[] point) {
            return dot(normal, point) - mm > 1e-10;
        }
    }

    /** The least way out, mm; zero for what only touches. */
    private double depth() {
        if (!solid()) {
            return 0;
        }
        List<Facet> faces = new ArrayList<>();
        for (int[] f : FACES) {
            faces.add(outward(corner[f[0]], corner[f[1]], corner[f[2]], corner[f[3]]));
        }
        double[] point = new double[3];
        double[] from = new double[3];
        double best = 0;
        for (int step = 0; step < MOST_STEPS && faces.size() < MOST_FACES; step++) {
            Facet nearestFace = faces.getFirst();
            for (Facet face : faces) {
                nearestFace = face.mm < nearestFace.mm ? face : nearestFace;
            }
            best = nearestFace.mm;
            furthest(nearestFace.normal[0], nearestFace.normal[1], nearestFace.normal[2], point, from);
            if (dot(nearestFace.normal, point) - best < EXACT_MM / 10) {
                return best;
            }
            if (!grow(faces, point.clone())) {
                return best;
            }
        }
        return best;
    }

    /** A first face, turned away from the corner across from it. */
    private static Facet outward(double[] p, double[] q, double[] r, double[] across) {
        Facet face = new Facet(p, q, r);
        return dot(face.normal, minus(across, p)) > 0 ? new Facet(p, r, q) : face;
    }

    /** Takes away what a new point sees and joins it to the rim that is left. */
    private static boolean grow(List<Facet> faces, double[] point) {
        List<double[][]> rim = new ArrayList<>();
        for (int i = faces.size() - 1; i >= 0; i--) {
            Facet face = faces.get(i);
            if (face.sees(point)) {
                faces.remove(i);
                for (int k = 0; k < 3; k++) {
                    edge(rim, face.points[k], face.points[(k + 1) % 3]);
                }
            }
        }
        for (double[][] side : rim) {
            faces.add(new Facet(side[0], side[1], point));
        }
        return !rim.isEmpty() && !faces.isEmpty();
    }

    /** A side seen from both its faces is inside. Corners are told apart as objects: two faces share them. */
    @SuppressWarnings("ReferenceEquality")
    private static void edge(List<double[][]> rim, double[] from, double[] to) {
        for (int i = 0; i < rim.size(); i++) {
            if (rim.get(i)[0] == to && rim.get(i)[1] == from) {
                rim.remove(i);
                return;
            }
        }
        rim.add(new double[][] {from, to});
    }

    /** Makes the simplex a tetrahedron with the origin inside or on it; false where the body of differences is flat there. */
    private boolean solid() {
        for (int step = 0; size < 4 && step < 4; step++) {
            if (!another()) {
                return false;
            }
        }
        double[] n = cross(minus(corner[1], corner[0]), minus(corner[2], corner[0]));
        return size == 4 && Math.abs(dot(n, minus(corner[3], corner[0]))) > 1e-12;
    }

    /** Adds a corner off the point, line or plane that the simplex is. */
    private boolean another() {
        for (double[] way : ways()) {
            for (int sign = 1; sign >= -1; sign -= 2) {
                furthest(sign * way[0], sign * way[1], sign * way[2], corner[size], ofA[size]);
                if (offBy(corner[size]) > 1e-9) {
                    size++;
                    return true;
                }
            }
        }
        return false;
    }

    private double[][] ways() {
        double[][] all = {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
        if (size == 2) {
            double[] line = minus(corner[1], corner[0]);
            return new double[][] {cross(line, all[0]), cross(line, all[1]), cross(line, all[2])};
        }
        if (size == 3) {
            return new double[][] {cross(minus(corner[1], corner[0]), minus(corner[2], corner[0]))};
        }
        return all;
    }

    /** How far a point is off what the simplex spans. */
    private double offBy(double[] point) {
        double[] to = minus(point, corner[0]);
        if (size == 1) {
            return length(to);
        }
        double[] line = minus(corner[1], corner[0]);
        if (size == 2) {
            return length(cross(line, to)) / Math.max(1e-12, length(line));
        }
        double[] n = cross(line, minus(corner[2], corner[0]));
        return Math.abs(dot(n, to)) / Math.max(1e-12, length(n));
    }
}
