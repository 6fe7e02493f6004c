package boldsatchel.geometry;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.TopologyException;
import org.locationtech.jts.noding.NodedSegmentString;
import org.locationtech.jts.noding.SegmentString;
import org.locationtech.jts.noding.snapround.SnapRoundingNoder;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/**
 * A body put together from upright pieces, added and cut away one after the other, and its surface as a closed mesh. A piece stands between two heights and
 * has an outline that may lean: its corners go straight from where they are below to where they are above. So round holes through upright
 * walls are as true as round posts.
 *
 * <p>How: between two neighbouring heights at which anything begins, ends or turns, all cross-sections have the same corners. Each is worked
 * out once, half way up, on a grid of {@link #GRID_MM}, and its corners are led to where they are below and above. Where two layers meet, the
 * outlines of both are cut at each other's corners before anything is made of them, so that no side of a triangle ends on another. A corner
 * where a leaning outline crosses another one stays where it is half way up.
 *
 * <p>The same pieces give the same mesh, triangle for triangle. Cost: an overlay for each layer and each piece in it, n·log n in its corners.
 */
public final class Layered {

    /** Corners lie on a grid so fine, mm. */
    private static final double GRID_MM = 1e-4;

    private static final PrecisionModel GRID = new PrecisionModel(Math.rint(1 / GRID_MM));
    private static final GeometryFactory FACTORY = new GeometryFactory(GRID);

    /** What coincides by chance may be moved so far, mm: less than any printer or saw can tell. */
    private static final double HAIR_MM = 5e-3;

    private static final int ATTEMPTS = 4;

    private final List<Piece> pieces = new ArrayList<>();
    private boolean loose;
    private int groups;

    /**
     * One piece.
     *
     * @param adds or cuts away
     * @param group what is moved with it, where it has to be moved by a hair; 0 for what stays
     * @param lies level axis that it goes along; 2 for what stands
     * @param low outline below
     * @param high outline above, with as many corners
     */
    private record Piece(boolean adds, int group, int lies, double from, double to, List<Flat> low, List<Flat> high) {
        /** The same moved by a hair, along a level axis of its own where it lies along the other. */
        Piece nudged(int attempt) {
            if (group == 0) {
                return this;
            }
            double a = hair(group, attempt);
            double b = hair(group, attempt + ATTEMPTS);
            return switch (lies) {
                case 0 -> new Piece(adds, group, lies, from + b, to + b, moved(low, 0, a), moved(high, 0, a));
                case 1 -> new Piece(adds, group, lies, from + b, to + b, moved(low, a, 0), moved(high, a, 0));
                default -> new Piece(adds, group, lies, from, to, moved(low, a, b), moved(high, a, b));
            };
        }

        private static List<Flat> moved(List<Flat> outline, double across, double up) {
            return outline.stream().map(f -> f.plus(across, up)).toList();
        }

        /** Some multiple of the grid between minus and plus {@link #HAIR_MM}, the same for the same numbers. */
        private static double hair(int group, int attempt) {
            int steps = (int) Math.rint(HAIR_MM / GRID_MM);
            return (Math.floorMod(group * 7919 + attempt * 104_729, 2 * steps + 1) - steps) * GRID_MM;
        }

        boolean isStraight() {
            return low.equals(high);
        }

        Coordinate corner(int i, double z) {
            double share = (z - from) / (to - from);
            Flat a = low.get(i);
            Flat b = high.get(i);
            return on(a.across() + share * (b.across() - a.across()), a.up() + share * (b.up() - a.up()));
        }

        Polygon at(double z) {
            Coordinate[] ring = new Coordinate[low.size() + 1];
            for (int i = 0; i < low.size(); i++) {
                ring[i] = corner(i, z);
            }
            ring[low.size()] = ring[0].copy();
            return FACTORY.createPolygon(ring);
        }
    }

    /** Adds an upright piece. */
    public Layered add(double from, double to, List<Flat> outline) {
        groups++;
        return put(true, 2, from, to, outline, outline);
    }

    /** Cuts an upright piece away. */
    public Layered cut(double from, double to, List<Flat> outline) {
        groups++;
        return put(false, 2, from, to, outline, outline);
    }

    /** Cuts a piece away that leans. */
    public Layered cut(double from, double to, List<Flat> low, List<Flat> high) {
        groups++;
        return put(false, 2, from, to, low, high);
    }

    /**
     * Cuts a hole that lies: along x or y.
     *
     * @param axis that it goes along, 0 or 1
     * @param begins along that axis
     * @param ends along that axis
     * @param outline its cross-section, convex: along the other level axis, and upwards
     */
    public Layered cutAlong(int axis, double begins, double ends, List<Flat> outline) {
        groups++;
        TreeSet<Double> heights = new TreeSet<>();
        outline.forEach(f -> heights.add(rounded(f.up())));
        double below = Double.NaN;
        for (double above : heights) {
            if (!Double.isNaN(below)) {
                put(
                        false,
                        axis,
                        below,
                        above,
                        lying(axis, begins, ends, span(outline, below, above, below)),
                        lying(axis, begins, ends, span(outline, below, above, above)));
            }
            below = above;
        }
        return this;
    }

    /** From where to where a convex outline goes at a height within a strip of it that has no corner. */
    private static double[] span(List<Flat> outline, double below, double above, double z) {
        double middle = (below + above) / 2;
        double[] span = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        Flat before = outline.getLast();
        for (Flat corner : outline) {
            double low = Math.min(before.up(), corner.up());
            double high = Math.max(before.up(), corner.up());
            if (low < middle && middle < high) {
                double across = across(before, corner, z);
                span[0] = Math.min(span[0], across);
                span[1] = Math.max(span[1], across);
            }
            before = corner;
        }
        return span;
    }

    /** Where a side is at a height; at a corner just there, so that strips meet. */
    private static double across(Flat from, Flat to, double z) {
        if (z == rounded(from.up())) {
            return from.across();
        }
        if (z == rounded(to.up())) {
            return to.across();
        }
        return from.across() + (z - from.up()) / (to.up() - from.up()) * (to.across() - from.across());
    }

    private static List<Flat> lying(int axis, double begins, double ends, double[] span) {
        return axis == 0 ? rectangle(begins, span[0], ends, span[1]) : rectangle(span[0], begins, span[1], ends);
    }

    private static List<Flat> rectangle(double x0, double y0, double x1, double y1) {
        return List.of(new Flat(x0, y0), new Flat(x1, y0), new Flat(x1, y1), new Flat(x0, y1));
    }

    /**
     * From here on what is added or cut may be moved by a hair ({@link #HAIR_MM}) where it touches something by chance along an edge only, so that
     * no closed surface could be made otherwise.
     */
    public Layered loose() {
        loose = true;
        return this;
    }

    private Layered put(boolean adds, int lies, double from, double to, List<Flat> low, List<Flat> high) {
        double below = rounded(from);
        double above = rounded(to);
        if (above > below) {
            pieces.add(new Piece(adds, loose ? groups : 0, lies, below, above, List.copyOf(low), List.copyOf(high)));
        }
        return this;
    }

    /** On the grid; zero has no sign there, so that two corners in one place are equal. */
    private static double rounded(double mm) {
        return GRID.makePrecise(mm) + 0.0;
    }

    private static Coordinate on(double x, double y) {
        return new Coordinate(rounded(x), rounded(y));
    }

    /** Its surface. */
    public Mesh mesh() {
        return mesh(Optional.empty());
    }

    /** The surface of what of it lies within a box, whatever the box's height. */
    public Mesh mesh(Box within) {
        return mesh(Optional.of(
                FACTORY.toGeometry(new Envelope(within.low(0), within.high(0), within.low(1), within.high(1)))));
    }

    private Mesh mesh(Optional<Geometry> within) {
        Mesh last = new Mesh(List.of(), List.of());
        for (int attempt = 0; attempt < ATTEMPTS; attempt++) {
            int at = attempt;
            List<Piece> now = attempt == 0
                    ? pieces
                    : pieces.stream().map(p -> p.nudged(at)).toList();
            try {
                last = mesh(now, within);
                if (last.isClosed()) {
                    return last;
                }
            } catch (TopologyException e) {
                // Corners on the grid that the overlay cannot bring into order; a hair beside it can.
            }
        }
        return last;
    }

    private static Mesh mesh(List<Piece> pieces, Optional<Geometry> within) {
        TreeSet<Double> heights = new TreeSet<>();
        for (Piece piece : pieces) {
            heights.add(piece.from);
            heights.add(piece.to);
        }
        List<Double> levels = List.copyOf(heights);
        List<Layer> layers = new ArrayList<>();
        for (int i = 0; i + 1 < levels.size(); i++) {
            layers.add(layer(pieces, levels.get(i), levels.get(i + 1), within));
        }
        Mesh.Builder mesh = new Mesh.Builder();
        Layer nothing = new Layer(List.of());
        for (int i = 0; i < levels.size(); i++) {
            Layer under = i == 0 ? nothing : layers.get(i - 1);
            Layer over = i == layers.size() ? nothing : layers.get(i);
            new Level(levels.get(i), under, over).close(mesh);
        }
        for (int i = 0; i < layers.size(); i++) {
            for (Edge edge : layers.get(i).edges) {
                edge.wall(levels.get(i), levels.get(i + 1), mesh);
            }
        }
        return mesh.mesh();
    }

    /** Cross-section between two heights. */
    private static Layer layer(List<Piece> pieces, double from, double to, Optional<Geometry> within) {
        double middle = (from + to) / 2;
        Map<Coordinate, Led> led = new HashMap<>();
        Geometry area = FACTORY.createPolygon();
        List<Geometry> alike = new ArrayList<>();
        boolean adds = true;
        for (Piece piece : pieces) {
            if (piece.from <= from && piece.to >= to) {
                if (piece.adds != adds) {
                    area = with(area, alike, adds);
                    alike.clear();
                    adds = piece.adds;
                }
                alike.add(piece.at(middle));
                if (!piece.isStraight()) {
                    for (int i = 0; i < piece.low.size(); i++) {
                        led.put(piece.corner(i, middle), new Led(piece.corner(i, from), piece.corner(i, to)));
                    }
                }
            }
        }
        area = with(area, alike, adds);
        if (within.isPresent()) {
            area = OverlayNG.overlay(area, within.get(), OverlayNG.INTERSECTION, GRID);
        }
        List<Edge> edges = new ArrayList<>();
        for (int i = 0; i < area.getNumGeometries(); i++) {
            if (area.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
                // Rings of an overlay go round the way of a clock outside, and holes the other way.
                edges(p.getExteriorRing(), led, edges);
                for (int h = 0; h < p.getNumInteriorRing(); h++) {
                    edges(p.getInteriorRingN(h), led, edges);
                }
            }
        }
        return new Layer(edges);
    }

    private static Geometry with(Geometry area, List<Geometry> pieces, boolean adds) {
        if (pieces.isEmpty()) {
            return area;
        }
        Geometry all = UnaryUnionNG.union(pieces, FACTORY, GRID);
        return OverlayNG.overlay(area, all, adds ? OverlayNG.UNION : OverlayNG.DIFFERENCE, GRID);
    }

    private static void edges(LineString ring, Map<Coordinate, Led> led, List<Edge> into) {
        Coordinate[] corners = ring.getCoordinates();
        for (int i = corners.length - 1; i > 0; i--) {
            into.add(new Edge(led(corners[i], led), led(corners[i - 1], led)));
        }
    }

    private static Led led(Coordinate corner, Map<Coordinate, Led> led) {
        Coordinate at = on(corner.x, corner.y);
        return led.getOrDefault(at, new Led(at, at));
    }

    /** A corner: where it is below and above. */
    private record Led(Coordinate low, Coordinate high) {}

    /** A side of a cross-section, what is solid to its left; cut at what it meets below and above. */
    private static final class Edge {
        private final Led from;
        private final Led to;
        private List<Coordinate> below = List.of();
        private List<Coordinate> above = List.of();

        Edge(Led from, Led to) {
            this.from = from;
            this.to = to;
        }

        /** The upright surface on it, between the corners that it was cut at. */
        void wall(double low, double high, Mesh.Builder mesh) {
            int b = 0;
            int a = 0;
            while (b + 1 < below.size() || a + 1 < above.size()) {
                Coordinate under = below.get(b);
                Coordinate over = above.get(a);
                boolean up =
                        b + 1 == below.size() || (a + 1 < above.size() && share(above, a + 1) < share(below, b + 1));
                if (up) {
                    a++;
                    mesh.add(vec(under, low), vec(above.get(a), high), vec(over, high));
                } else {
                    b++;
                    mesh.add(vec(under, low), vec(below.get(b), low), vec(over, high));
                }
            }
        }

        private static double share(List<Coordinate> chain, int i) {
            double all = chain.getFirst().distance(chain.getLast());
            return all == 0 ? 1 : chain.getFirst().distance(chain.get(i)) / all;
        }
    }

    private record Layer(List<Edge> edges) {}

    private static Vec vec(Coordinate at, double z) {
        return new Vec(at.x, at.y, z);
    }

    /** Where two layers meet. */
    private static final class Level {
        private final double z;
        private final Layer under;
        private final Layer over;

        /** One side of an outline at this height. */
        private record Line(Edge edge, boolean under) {
            Coordinate from() {
                return under ? edge.from.high : edge.from.low;
            }

            Coordinate to() {
                return under ? edge.to.high : edge.to.low;
            }
        }

        Level(double z, Layer under, Layer over) {
            this.z = z;
            this.under = under;
            this.over = over;
        }

        /** Cuts the outlines of both layers at each other and closes what is solid in one of them only. */
        void close(Mesh.Builder mesh) {
            List<Line> lines = new ArrayList<>();
            under.edges.forEach(e -> lines.add(new Line(e, true)));
            over.edges.forEach(e -> lines.add(new Line(e, false)));
            Map<Line, List<Coordinate>> cut = cut(lines);
            for (Line line : lines) {
                List<Coordinate> chain = cut.getOrDefault(line, List.of(line.from()));
                if (line.under) {
                    line.edge.above = chain;
                } else {
                    line.edge.below = chain;
                }
            }
            List<Polygon> faces = faces(cut.values());
            int[] solid = new Sides(cut, faces).solid();
            for (int i = 0; i < solid.length; i++) {
                for (int k = Math.abs(solid[i]); k > 0; k--) {
                    put(faces.get(i), /* up= */ solid[i] > 0, mesh);
                }
            }
        }

        /** Which faces are solid under and over the level: told by going from face to face over their sides, without measuring anything. */
        private static final class Sides {
            private static final int OUTSIDE = -1;

            /** A side of a face, the face to its left. */
            private record Side(Coordinate from, Coordinate to) {
                Side back() {
                    return new Side(to, from);
                }
            }

            private final Map<Side, Integer> left = new HashMap<>();
            /** By how much more is solid to its left, under less over. */
            private final Map<Side, Integer> more = new HashMap<>();

            private final List<List<Side>> sides = new ArrayList<>();

            Sides(Map<Line, List<Coordinate>> cut, List<Polygon> faces) {
                cut.forEach((line, chain) -> {
                    for (int i = 0; i + 1 < chain.size(); i++) {
                        Side side = new Side(chain.get(i), chain.get(i + 1));
                        int by = line.under ? 1 : -1;
                        more.merge(side, by, Integer::sum);
                        more.merge(side.back(), -by, Integer::sum);
                    }
                });
                for (int f = 0; f < faces.size(); f++) {
                    List<Side> of = new ArrayList<>();
                    Polygon face = faces.get(f);
                    around(face.getExteriorRing(), /* leftIsIn= */ true, of);
                    for (int h = 0; h < face.getNumInteriorRing(); h++) {
                        around(face.getInteriorRingN(h), /* leftIsIn= */ false, of);
                    }
                    int at = f;
                    of.forEach(s -> left.put(s, at));
                    sides.add(of);
                }
            }

            private static void around(LineString ring, boolean leftIsIn, List<Side> into) {
                Coordinate[] c = ring.getCoordinates();
                boolean turns = Orientation.isCCW(c) != leftIsIn;
                for (int i = 0; i + 1 < c.length; i++) {
                    Side side = new Side(on(c[i].x, c[i].y), on(c[i + 1].x, c[i + 1].y));
                    into.add(turns ? side.back() : side);
                }
            }

            /** For each face how often it is solid under the level less how often over it. */
            int[] solid() {
                int[] solid = new int[sides.size()];
                boolean[] known = new boolean[sides.size()];
                Deque<Integer> next = new ArrayDeque<>();
                for (int f = 0; f < sides.size(); f++) {
                    for (Side side : sides.get(f)) {
                        if (!known[f] && left.getOrDefault(side.back(), OUTSIDE) == OUTSIDE) {
                            solid[f] = more.getOrDefault(side, 0);
                            known[f] = true;
                            next.add(f);
                        }
                    }
                }
                while (!next.isEmpty()) {
                    int f = next.remove();
                    for (Side side : sides.get(f)) {
                        int other = left.getOrDefault(side.back(), OUTSIDE);
                        if (other != OUTSIDE && !known[other]) {
                            solid[other] = solid[f] - more.getOrDefault(side, 0);
                            known[other] = true;
                            next.add(other);
                        }
                    }
                }
                return solid;
            }
        }

        private static Map<Line, List<Coordinate>> cut(List<Line> lines) {
            List<SegmentString> strings = new ArrayList<>();
            for (Line line : lines) {
                if (!line.from().equals2D(line.to())) {
                    strings.add(new NodedSegmentString(
                            new Coordinate[] {line.from().copy(), line.to().copy()}, line));
                }
            }
            SnapRoundingNoder noder = new SnapRoundingNoder(GRID);
            noder.computeNodes(strings);
            Map<Line, Set<Coordinate>> nodes = new HashMap<>();
            for (Object o : noder.getNodedSubstrings()) {
                SegmentString string = (SegmentString) o;
                Set<Coordinate> of = nodes.computeIfAbsent((Line) string.getData(), k -> new HashSet<>());
                for (Coordinate node : string.getCoordinates()) {
                    of.add(on(node.x, node.y));
                }
            }
            Map<Line, List<Coordinate>> cut = new HashMap<>();
            nodes.forEach((line, of) -> {
                List<Coordinate> chain = new ArrayList<>(of);
                chain.sort((a, b) ->
                        Double.compare(line.from().distance(a), line.from().distance(b)));
                cut.put(line, chain);
            });
            return cut;
        }

        private static List<Polygon> faces(Collection<List<Coordinate>> chains) {
            record Bit(Coordinate a, Coordinate b) {}
            Set<Bit> bits = new HashSet<>();
            for (List<Coordinate> chain : chains) {
                for (int i = 0; i + 1 < chain.size(); i++) {
                    Coordinate a = chain.get(i);
                    Coordinate b = chain.get(i + 1);
                    bits.add(a.compareTo(b) < 0 ? new Bit(a, b) : new Bit(b, a));
                }
            }
            Polygonizer polygonizer = new Polygonizer();
            for (Bit bit : bits) {
                polygonizer.add(FACTORY.createLineString(new Coordinate[] {bit.a, bit.b}));
            }
            List<Polygon> faces = new ArrayList<>();
            for (Object face : polygonizer.getPolygons()) {
                faces.add((Polygon) ((Polygon) face).norm());
            }
            // They come in no order.
            faces.sort((a, b) -> a.compareTo(b));
            return faces;
        }

        private void put(Polygon face, boolean up, Mesh.Builder mesh) {
            Geometry triangles = PolygonTriangulator.triangulate(face);
            for (int i = 0; i < triangles.getNumGeometries(); i++) {
                Coordinate[] t = triangles.getGeometryN(i).getCoordinates();
                double turn = (t[1].x - t[0].x) * (t[2].y - t[0].y) - (t[1].y - t[0].y) * (t[2].x - t[0].x);
                if (turn > 0 == up) {
                    mesh.add(vec(t[0], z), vec(t[1], z), vec(t[2], z));
                } else {
                    mesh.add(vec(t[0], z), vec(t[2], z), vec(t[1], z));
                }
            }
        }
    }
}
