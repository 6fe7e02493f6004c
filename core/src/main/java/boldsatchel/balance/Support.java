package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** The convex hull of what a machine stands on, and how far its centre of mass is from tipping over an edge of it. */
final class Support {

    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Coordinate[] ring;
    private final Coordinate middle;
    private final double tableZ;

    Support(List<Vec> feet) {
        Coordinate[] points =
                feet.stream().map(f -> new Coordinate(f.x(), f.y())).toArray(Coordinate[]::new);
        ring = new ConvexHull(points, FACTORY).getConvexHull().getCoordinates();
        middle = new Coordinate(
                Arrays.stream(points).mapToDouble(c -> c.x).average().orElse(0),
                Arrays.stream(points).mapToDouble(c -> c.y).average().orElse(0));
        tableZ = feet.stream().mapToDouble(Vec::z).min().orElse(0);
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
        double least = 90;
        for (int i = 0; i + 1 < ring.length; i++) {
            least = Math.min(least, Math.toDegrees(Math.atan2(inside(i, centre), height)));
        }
        return least;
    }

    /** Distance of a point's foot from edge i, positive inside. */
    private double inside(int i, Vec p) {
        Coordinate foot = new Coordinate(p.x(), p.y());
        int side = Orientation.index(ring[i], ring[i + 1], foot);
        int inner = Orientation.index(ring[i], ring[i + 1], middle);
        double distance = Distance.pointToLinePerpendicular(foot, ring[i], ring[i + 1]);
        return side == inner || side == Orientation.COLLINEAR ? distance : -distance;
    }

    double backY() {
        return Arrays.stream(ring).mapToDouble(c -> c.y).max().orElse(0);
    }

    double tableZ() {
        return tableZ;
    }
}
