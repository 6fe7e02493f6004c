package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The surface of a body as triangles, whose corners go round the way that a clock does not when looked at from outside.
 *
 * @param corners each once, mm
 * @param triangles places of their corners
 */
public record Mesh(List<Vec> corners, List<Triangle> triangles) {

    /** Copies the lists. */
    public Mesh {
        corners = List.copyOf(corners);
        triangles = List.copyOf(triangles);
    }

    /** Places of three corners. */
    public record Triangle(int a, int b, int c) {}

    /** Gathers triangles; corners in one place are one corner. */
    static final class Builder {
        private final List<Vec> corners = new ArrayList<>();
        private final List<Triangle> triangles = new ArrayList<>();
        private final Map<Vec, Integer> index = new HashMap<>();

        /** Adds a triangle; one that has two corners in one place is none. */
        void add(Vec a, Vec b, Vec c) {
            int i = at(a);
            int j = at(b);
            int k = at(c);
            if (i != j && j != k && k != i) {
                triangles.add(new Triangle(i, j, k));
            }
        }

        private int at(Vec corner) {
            return index.computeIfAbsent(corner, c -> {
                corners.add(c);
                return corners.size() - 1;
            });
        }

        Mesh mesh() {
            return new Mesh(corners, triangles);
        }
    }

    /** What it encloses, mm³ (the divergence theorem). */
    public double volumeMm3() {
        double six = 0;
        for (Triangle t : triangles) {
            six += corners.get(t.a).dot(corners.get(t.b).cross(corners.get(t.c)));
        }
        return six / 6;
    }

    /** The box around it; nothing at the origin where it has no corner. */
    public Box bounds() {
        if (corners.isEmpty()) {
            return new Box(0, 0, 0, 0, 0, 0);
        }
        double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
        double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
        for (Vec corner : corners) {
            for (int axis = 0; axis < 3; axis++) {
                low[axis] = Math.min(low[axis], corner.along(axis));
                high[axis] = Math.max(high[axis], corner.along(axis));
            }
        }
        return new Box(low[0], low[1], low[2], high[0] - low[0], high[1] - low[1], high[2] - low[2]);
    }

    /**
     * Whether each side of each triangle is that of just one other, which goes along it the other way: closed, turned outwards, no sheet on
     * another. Nothing is not closed.
     */
    public boolean isClosed() {
        if (triangles.isEmpty()) {
            return false;
        }
        record Side(int from, int to) {}
        Map<Side, Integer> sides = new HashMap<>();
        for (Triangle t : triangles) {
            for (Side side : List.of(new Side(t.a, t.b), new Side(t.b, t.c), new Side(t.c, t.a))) {
                sides.merge(side, 1, Integer::sum);
            }
        }
        return sides.entrySet().stream()
                .allMatch(e ->
                        e.getValue() == 1 && sides.getOrDefault(new Side(e.getKey().to, e.getKey().from), 0) == 1);
    }

    /** The same body standing elsewhere. */
    public Mesh moved(Vec by) {
        return new Mesh(corners.stream().map(c -> c.plus(by)).toList(), triangles);
    }

    /** The same body so many times as large. */
    public Mesh scaled(double times) {
        return new Mesh(corners.stream().map(c -> c.times(times)).toList(), triangles);
    }
}
