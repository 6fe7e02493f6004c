package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** The convex hull of what a machine stands on, and how far its centre of mass is from tipping over an edge of it. */
final class Support {

    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Coordinate[] ring;
    private final double[][] edges;
    private final double tableZ;

    private final List<Vec> feet;

    Support(List<Vec> feet) {
        this.feet = List.copyOf(feet);
        Coordinate[] points = new Coordinate[feet.size()];
        Coordinate middle = new Coordinate();
        double lowest = feet.isEmpty() ? 0 : Double.POSITIVE_INFINITY;
        for (int i = 0; i < points.length; i++) {
            Vec foot = feet.get(i);
            points[i] = new Coordinate(foot.x(), foot.y());
            middle.x += foot.x() / points.length;
            middle.y += foot.y() / points.length;
            lowest = Math.min(lowest, foot.z());
        }
        ring = new ConvexHull(points, FACTORY).getConvexHull().getCoordinates();
        edges = edges(ring, middle);
        tableZ = lowest;
    }

    List<Vec> corners() {
        return Arrays.stream(ring)
                .limit(Math.max(0, ring.length - 1L))
                .map(c -> new Vec(c.x, c.y, tableZ))
                .toList();
    }

    /** Angle the machine can be tilted before it tips over the nearest edge, degrees; negative when it tips by itself. */
    double marginDeg(Vec centre) {
        double height = centre.z() - tableZ;
        double nearest = Double.POSITIVE_INFINITY;
        for (double[] edge : edges) {
            nearest = Math.min(nearest, edge[0] * centre.x() + edge[1] * centre.y() - edge[2]);
        }
        return edges.length == 0 ? 90 : Math.min(90, Math.toDegrees(Math.atan2(nearest, height)));
    }

    /** Of each edge the inward normal and its offset, so that a point's distance inside is one product. */
    private static double[][] edges(Coordinate[] ring, Coordinate middle) {
        double[][] edges = new double[Math.max(0, ring.length - 1)][];
        for (int i = 0; i < edges.length; i++) {
            double dx = ring[i + 1].x - ring[i].x;
            double dy = ring[i + 1].y - ring[i].y;
            double length = Math.max(1e-12, Math.hypot(dx, dy));
            double nx = -dy / length;
            double ny = dx / length;
            double offset = nx * ring[i].x + ny * ring[i].y;
            double side = nx * middle.x + ny * middle.y < offset ? -1 : 1;
            edges[i] = new double[] {side * nx, side * ny, side * offset};
        }
        return edges;
    }

    double backY() {
        double most = ring.length == 0 ? 0 : Double.NEGATIVE_INFINITY;
        for (Coordinate corner : ring) {
            most = Math.max(most, corner.y);
        }
        return most;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Support s && feet.equals(s.feet);
    }

    @Override
    public int hashCode() {
        return feet.hashCode();
    }

    double tableZ() {
        return tableZ;
    }
}
