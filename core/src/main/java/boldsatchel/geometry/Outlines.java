package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Closed outlines in a plane: corners in order, the last joined to the first. */
public final class Outlines {

    /** Straight pieces of a quarter of a circle. They lie inside the circle, so that nothing is thought to fit into a round corner that does not. */
    private static final int ARC_PIECES = 6;

    private static final GeometryFactory FACTORY = new GeometryFactory();
    /** Corners nearer than this are one, mm. */
    private static final double SAME_MM = 1e-9;

    private Outlines() {}

    /** Refuses what is no outline: too few or too many corners, numbers that are none, no area. */
    static void refuse(List<Flat> corners) {
        if (corners.size() < 3 || corners.size() > Prism.MOST_CORNERS) {
            throw new IllegalArgumentException(
                    "an outline has 3 to " + Prism.MOST_CORNERS + " corners, not " + corners.size());
        }
        if (!(area(corners) > 0) || Double.isInfinite(area(corners))) {
            throw new IllegalArgumentException("an outline has corners that are not all in one line");
        }
    }

    /** Whether it goes round once without crossing or touching itself: n corners, n·log n. */
    public static boolean isSimple(List<Flat> corners) {
        return polygon(corners).isValid();
    }

    /** Area, mm² (the shoelace rule). */
    public static double area(List<Flat> corners) {
        return Math.abs(signedArea(corners));
    }

    static double signedArea(List<Flat> corners) {
        double twice = 0;
        Flat before = corners.getLast();
        for (Flat corner : corners) {
            twice += before.across() * corner.up() - corner.across() * before.up();
            before = corner;
        }
        return twice / 2;
    }

    /** Least across, least up, most across, most up. */
    static double[] extent(List<Flat> corners) {
        double[] extent = {
            Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY
        };
        for (Flat c : corners) {
            extent[0] = Math.min(extent[0], c.across());
            extent[1] = Math.min(extent[1], c.up());
            extent[2] = Math.max(extent[2], c.across());
            extent[3] = Math.max(extent[3], c.up());
        }
        return extent;
    }

    /** Whether a point is inside (the rule of an odd number of crossings). */
    public static boolean holds(List<Flat> corners, double across, double up) {
        boolean inside = false;
        Flat before = corners.getLast();
        for (Flat c : corners) {
            if ((c.up() > up) != (before.up() > up)
                    && across < (before.across() - c.across()) * (up - c.up()) / (before.up() - c.up()) + c.across()) {
                inside = !inside;
            }
            before = c;
        }
        return inside;
    }

    /** Where a line crosses the outline, as times its way, in order; a corner counts for one of its two sides. */
    public static double[] crossings(List<Flat> corners, Flat from, Flat way) {
        List<Double> all = new ArrayList<>();
        Flat before = corners.getLast();
        double sideBefore = side(before, from, way);
        for (Flat c : corners) {
            double side = side(c, from, way);
            if (side > 0 != sideBefore > 0) {
                double share = sideBefore / (sideBefore - side);
                double across = before.across() + share * (c.across() - before.across()) - from.across();
                double up = before.up() + share * (c.up() - before.up()) - from.up();
                all.add((across * way.across() + up * way.up()) / (way.across() * way.across() + way.up() * way.up()));
            }
            before = c;
            sideBefore = side;
        }
        return all.stream().mapToDouble(d -> d).sorted().toArray();
    }

    /** On which side of a line a point is. */
    private static double side(Flat point, Flat from, Flat way) {
        return way.across() * (point.up() - from.up()) - way.up() * (point.across() - from.across());
    }

    /**
     * Convex pieces: the triangles between its corners, each joined to a neighbour where what comes of it is convex (after Hertel and
     * Mehlhorn, FCT 1983, 207).
     */
    static List<List<Flat>> convex(List<Flat> corners) {
        if (isConvex(corners)) {
            return List.of(corners);
        }
        List<List<Flat>> pieces = new ArrayList<>();
        Geometry triangles = PolygonTriangulator.triangulate(polygon(corners));
        for (int i = 0; i < triangles.getNumGeometries(); i++) {
            Coordinate[] ring = triangles.getGeometryN(i).getCoordinates();
            List<Flat> triangle = new ArrayList<>(3);
            for (int k = 0; k < 3; k++) {
                triangle.add(new Flat(ring[k].x, ring[k].y));
            }
            if (area(triangle) > 0) {
                pieces.add(signedArea(triangle) > 0 ? triangle : List.copyOf(triangle.reversed()));
            }
        }
        return joined(pieces);
    }

    /** Joins pieces over shared sides while they stay convex; each side is looked at once. */
    private static List<List<Flat>> joined(List<List<Flat>> pieces) {
        record Edge(Flat from, Flat to) {}
        Map<Edge, Integer> owners = new HashMap<>();
        List<List<Flat>> done = new ArrayList<>();
        for (List<Flat> next : pieces) {
            List<Flat> piece = next;
            int place = done.size();
            for (int i = 0; i < next.size(); i++) {
                Integer owner = owners.get(new Edge(next.get((i + 1) % next.size()), next.get(i)));
                if (owner == null || owner == place) {
                    continue;
                }
                List<Flat> both = over(done.get(owner), next.get((i + 1) % next.size()), next.get(i), next);
                if (isConvex(both)) {
                    piece = both;
                    place = owner;
                    break;
                }
            }
            if (place == done.size()) {
                done.add(piece);
            } else {
                done.set(place, piece);
            }
            for (int i = 0; i < piece.size(); i++) {
                owners.put(new Edge(piece.get(i), piece.get((i + 1) % piece.size())), place);
            }
        }
        return done;
    }

    /** A ring with the far corners of a triangle put in between two that follow each other. */
    private static List<Flat> over(List<Flat> ring, Flat from, Flat to, List<Flat> triangle) {
        List<Flat> all = new ArrayList<>(ring.size() + 1);
        for (int i = 0; i < ring.size(); i++) {
            all.add(ring.get(i));
            if (ring.get(i).equals(from) && ring.get((i + 1) % ring.size()).equals(to)) {
                triangle.stream().filter(f -> !f.equals(from) && !f.equals(to)).forEach(all::add);
            }
        }
        return all;
    }

    private static boolean isConvex(List<Flat> corners) {
        int n = corners.size();
        int turns = 0;
        double angle = 0;
        for (int i = 0; i < n; i++) {
            Flat a = corners.get(i);
            Flat b = corners.get((i + 1) % n);
            Flat c = corners.get((i + 2) % n);
            double ux = b.across() - a.across();
            double uy = b.up() - a.up();
            double vx = c.across() - b.across();
            double vy = c.up() - b.up();
            double cross = ux * vy - uy * vx;
            double size = Math.hypot(ux, uy) * Math.hypot(vx, vy);
            if (Math.abs(cross) > SAME_MM * size) {
                int turn = cross > 0 ? 1 : -1;
                if (turns != 0 && turn != turns) {
                    return false;
                }
                turns = turn;
            }
            angle += Math.atan2(cross, ux * vx + uy * vy);
        }
        // Round once: a star turns the same way at every corner too.
        return Math.abs(Math.abs(angle) - 2 * Math.PI) < 1e-6;
    }

    /**
     * A quarter of a circle, the way that a clock does not go.
     *
     * @param x of its middle
     * @param y of its middle
     * @param turns quarters that it begins after the one to the right
     */
    public static List<Flat> quarter(double x, double y, double radius, int turns) {
        return quarter(x, y, radius, turns, ARC_PIECES);
    }

    private static List<Flat> quarter(double x, double y, double radius, int turns, int pieces) {
        List<Flat> quarter = new ArrayList<>(pieces + 1);
        for (int i = 0; i <= pieces; i++) {
            double angle = Math.PI / 2 * (turns + (double) i / pieces);
            quarter.add(new Flat(x + radius * Math.cos(angle), y + radius * Math.sin(angle)));
        }
        return quarter;
    }

    /**
     * A rectangle with its corners rounded.
     *
     * @param box whose extent along x and y it is
     * @param radius of its corners; none where it is zero
     */
    public static List<Flat> rounded(Box box, double radius) {
        return rounded(box, radius, ARC_PIECES);
    }

    /**
     * A rectangle with its corners rounded.
     *
     * @param pieces straight ones of each corner
     */
    public static List<Flat> rounded(Box box, double radius, int pieces) {
        List<Flat> outline = new ArrayList<>(4 * pieces + 4);
        for (int turns = 0; turns < 4; turns++) {
            double x = turns == 0 || turns == 3 ? box.high(0) - radius : box.x() + radius;
            double y = turns < 2 ? box.high(1) - radius : box.y() + radius;
            outline.addAll(radius > 0 ? quarter(x, y, radius, turns, pieces) : List.of(new Flat(x, y)));
        }
        return outline;
    }

    /**
     * A circle, the way that a clock does not go.
     *
     * @param sides of the polygon that stands for it, even: the lowest and the highest of them lie level
     * @param around whether the polygon lies around the circle, so that what fits the circle fits the polygon, or within it
     */
    public static List<Flat> circle(Flat middle, double radius, int sides, boolean around) {
        double reach = around ? radius / Math.cos(Math.PI / sides) : radius;
        List<Flat> circle = new ArrayList<>(sides);
        for (int i = 0; i < sides; i++) {
            double angle = Math.PI * (2 * i + 1) / sides + (sides % 4 == 0 ? 0 : Math.PI / sides);
            circle.add(middle.plus(reach * Math.cos(angle), reach * Math.sin(angle)));
        }
        return circle;
    }

    /** How far a point is from the hull of others, mm; 0 inside, endless where there are none. */
    public static double fromHull(List<Flat> points, Flat at) {
        Coordinate[] all =
                points.stream().map(f -> new Coordinate(f.across(), f.up())).toArray(Coordinate[]::new);
        Geometry hull = FACTORY.createMultiPointFromCoords(all).convexHull();
        return hull.isEmpty()
                ? Double.POSITIVE_INFINITY
                : hull.distance(FACTORY.createPoint(new Coordinate(at.across(), at.up())));
    }

    private static Polygon polygon(List<Flat> corners) {
        Coordinate[] ring = new Coordinate[corners.size() + 1];
        for (int i = 0; i < corners.size(); i++) {
            ring[i] = new Coordinate(corners.get(i).across(), corners.get(i).up());
        }
        ring[corners.size()] = ring[0].copy();
        return FACTORY.createPolygon(ring);
    }
}
