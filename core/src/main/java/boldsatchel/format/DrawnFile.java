package boldsatchel.format;

import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Prism;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;

/** Reads the shape of a part: outlines from DXF and SVG, bounding shapes from STL and OBJ. Millimetres, unless the file says otherwise. */
public final class DrawnFile {

    /** Endings of the names of files that can be read. */
    public static final List<String> ENDINGS = List.of(".dxf", ".svg", ".stl", ".obj");

    /** A larger file is refused: no part needs more, and one that does can be thinned out. */
    public static final int MOST_BYTES = 64_000_000;

    private static final double LEAST_MM = 0.5;
    private static final double MOST_MM = 3000;
    /** Corners that lie on a line to this are left out, mm. */
    private static final double EXACT_MM = 0.02;

    private static final int MOST_SIMPLER = 12;

    private DrawnFile() {}

    /** Whether a file is one of these, by its name. */
    public static boolean isDrawn(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return ENDINGS.stream().anyMatch(lower::endsWith);
    }

    /**
     * Reads.
     *
     * @param name of the file; its ending says what it is
     * @throws FormatException with what is wrong and where
     */
    public static Drawn read(String name, byte[] bytes) throws FormatException {
        if (bytes.length > MOST_BYTES) {
            throw wrong(0, "the file is larger than " + MOST_BYTES / 1_000_000 + " MB; thin it out first");
        }
        String lower = name.toLowerCase(Locale.ROOT);
        if (lower.endsWith(".dxf")) {
            return placed(Dxf.read(bytes));
        }
        if (lower.endsWith(".svg")) {
            return placed(Svg.read(bytes));
        }
        if (lower.endsWith(".stl")) {
            return placed(Meshes.stl(bytes));
        }
        if (lower.endsWith(".obj")) {
            return placed(Meshes.obj(bytes));
        }
        throw wrong(0, "its name ends in none of " + String.join(", ", ENDINGS));
    }

    static FormatException wrong(int line, String message) {
        return new FormatException(List.of(new FormatException.Problem(line, "", message)));
    }

    /** As much of a text of the file as a message bears. */
    static String cut(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    /** With its low corner at nothing, without corners that say nothing, and only as large as parts are. */
    private static Drawn placed(Drawn drawn) throws FormatException {
        double left = drawn.outline().stream().mapToDouble(Flat::across).min().orElse(0);
        double front = drawn.outline().stream().mapToDouble(Flat::up).min().orElse(0);
        List<Flat> moved = drawn.outline().stream()
                .map(f -> new Flat(f.across() - left, f.up() - front))
                .toList();
        size("wide", moved.stream().mapToDouble(Flat::across).max().orElse(0));
        size("deep", moved.stream().mapToDouble(Flat::up).max().orElse(0));
        if (drawn.heightMm().isPresent()) {
            size("high", drawn.heightMm().getAsDouble());
        }
        List<Drawn.Bore> bores = drawn.bores().stream()
                .map(b -> new Drawn.Bore(new Flat(b.at().across() - left, b.at().up() - front), b.diameterMm()))
                .toList();
        List<Flat> simple = simpler(moved);
        if (!(Outlines.area(simple) > 0) || !Outlines.isSimple(simple)) {
            throw wrong(0, "its outline crosses itself; draw it as one closed line");
        }
        return new Drawn(simple, drawn.heightMm(), bores);
    }

    private static void size(String word, double mm) throws FormatException {
        if (!(mm >= LEAST_MM && mm <= MOST_MM)) {
            throw wrong(
                    0,
                    "it is " + (float) mm + " mm " + word + ", and parts are " + LEAST_MM + " to " + (int) MOST_MM
                            + " mm; perhaps it is in another unit: scale it and read it again");
        }
    }

    private static List<Flat> simpler(List<Flat> outline) throws FormatException {
        GeometryFactory factory = new GeometryFactory();
        Coordinate[] ring = new Coordinate[outline.size() + 1];
        for (int i = 0; i < outline.size(); i++) {
            ring[i] = new Coordinate(outline.get(i).across(), outline.get(i).up());
        }
        ring[outline.size()] = ring[0].copy();
        double exact = EXACT_MM;
        for (int i = 0; i < MOST_SIMPLER; i++) {
            Coordinate[] kept = TopologyPreservingSimplifier.simplify(factory.createPolygon(ring), exact)
                    .getCoordinates();
            if (kept.length - 1 <= Prism.MOST_CORNERS) {
                List<Flat> simple = new ArrayList<>(kept.length);
                for (int k = 0; k + 1 < kept.length; k++) {
                    simple.add(new Flat(kept[k].x, kept[k].y));
                }
                return simple.size() < 3 ? outline : simple;
            }
            exact *= 2;
        }
        throw wrong(0, "its outline has more than " + Prism.MOST_CORNERS + " corners; draw it simpler");
    }

    /** A mesh as the outline around all that it has, seen from above, and its height. */
    static Drawn around(List<Flat> seen, double low, double high) {
        Coordinate[] points = new Coordinate[seen.size()];
        for (int i = 0; i < points.length; i++) {
            points[i] = new Coordinate(seen.get(i).across(), seen.get(i).up());
        }
        Coordinate[] hull =
                new ConvexHull(points, new GeometryFactory()).getConvexHull().getCoordinates();
        List<Flat> outline = new ArrayList<>();
        for (int i = 0; i + 1 < hull.length; i++) {
            outline.add(new Flat(hull[i].x, hull[i].y));
        }
        return new Drawn(outline, OptionalDouble.of(high - low), List.of());
    }
}
