package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Mesh;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Vec;
import boldsatchel.made.Panel;
import boldsatchel.made.Printed;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Pieces as they are made: one to print as it lies on the bed, looked at from the front and above; one to cut as it lies flat. */
public final class MadeDrawings {

    private static final double MARGIN = 8;
    private static final double LETTER = 3.4;
    private static final int SIDES = 48;
    /** Faces that meet at a flatter angle than this have no edge between them, as the cosine. */
    private static final double FLAT = Math.cos(Math.toRadians(20));
    /** From where it is looked at: turned so far, and from so far above. */
    private static final double TURNED = Math.toRadians(-30);

    private static final double ABOVE = Math.toRadians(38);

    private static final Vec TO_EYE =
            new Vec(-Math.sin(TURNED) * Math.cos(ABOVE), -Math.cos(TURNED) * Math.cos(ABOVE), Math.sin(ABOVE));

    private MadeDrawings() {}

    /** A larger triangle is painted in pieces, mm: what is nearer hides what is behind it only where neither is large. */
    private static final double PIECE = 22;

    private static final double HAIR = 0.2;

    /** An edge is painted as if it were so much nearer, mm, or the faces beside it would hide half of it. */
    private static final double AHEAD = 1;

    /**
     * Something that is seen: a piece of a face, or of an edge where it has two corners.
     *
     * @param near how near it is; what is nearer is painted later
     */
    private record Facing(List<Vec> corners, boolean level, double near) {}

    /** A piece to print. Painted from the back to the front. */
    public static Drawing of(Printed piece) {
        Mesh mesh = piece.mesh();
        Map<List<Integer>, Vec> beside = new HashMap<>();
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec normal = normal(mesh, t);
            beside.put(List.of(t.a(), t.b()), normal);
            beside.put(List.of(t.b(), t.c()), normal);
            beside.put(List.of(t.c(), t.a()), normal);
        }
        List<Facing> facing = new ArrayList<>();
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec normal = normal(mesh, t);
            if (normal.dot(TO_EYE) > 0) {
                int[] at = {t.a(), t.b(), t.c()};
                List<Vec> corners = new ArrayList<>();
                List<Boolean> edges = new ArrayList<>();
                for (int i = 0; i < 3; i++) {
                    corners.add(mesh.corners().get(at[i]));
                    Vec other = beside.getOrDefault(List.of(at[(i + 1) % 3], at[i]), Vec.ZERO);
                    edges.add(other.dot(normal) < FLAT);
                }
                parted(corners, edges, normal.z() > 0.7, facing);
            }
        }
        facing.sort(Comparator.comparingDouble(Facing::near));
        List<Point> flat = mesh.corners().stream().map(MadeDrawings::seen).toList();
        double left = flat.stream().mapToDouble(Point::x).min().orElse(0) - MARGIN;
        double right = flat.stream().mapToDouble(Point::x).max().orElse(0) + MARGIN;
        double top = flat.stream().mapToDouble(Point::y).max().orElse(0) + MARGIN;
        double bottom = flat.stream().mapToDouble(Point::y).min().orElse(0) - MARGIN;
        Sketch sketch = new Sketch(left, top);
        facing.forEach(f -> paint(sketch, f));
        return sketch.done(piece.name(), right - left, top - bottom);
    }

    private static void paint(Sketch sketch, Facing facing) {
        List<Point> points = facing.corners.stream()
                .map(MadeDrawings::seen)
                .map(p -> sketch.point(p.x(), p.y()))
                .toList();
        if (points.size() == 2) {
            sketch.curve(points, Sketch.NARROW, Ink.INK, "");
            return;
        }
        Ink ink = facing.level ? Ink.PAPER : Ink.WALL;
        sketch.polygon(points, ink, 1, "");
        // A hair of the same, so that no ground shows between neighbours.
        sketch.outline(points, HAIR, false, ink, "");
    }

    private static Vec normal(Mesh mesh, Mesh.Triangle t) {
        Vec a = mesh.corners().get(t.a());
        Vec across = mesh.corners()
                .get(t.b())
                .minus(a)
                .cross(mesh.corners().get(t.c()).minus(a));
        double size = across.length();
        return size > 0 ? across.times(1 / size) : Vec.ZERO;
    }

    /** A triangle in pieces, its longest side halved until it is short. */
    private static void parted(List<Vec> corners, List<Boolean> edges, boolean level, List<Facing> into) {
        int longest = 0;
        for (int i = 1; i < 3; i++) {
            if (side(corners, i) > side(corners, longest)) {
                longest = i;
            }
        }
        if (side(corners, longest) <= PIECE) {
            into.add(new Facing(corners, level, near(corners)));
            for (int i = 0; i < 3; i++) {
                if (edges.get(i)) {
                    List<Vec> ends = List.of(corners.get(i), corners.get((i + 1) % 3));
                    into.add(new Facing(ends, level, near(ends) + AHEAD));
                }
            }
            return;
        }
        Vec from = corners.get(longest);
        Vec to = corners.get((longest + 1) % 3);
        Vec far = corners.get((longest + 2) % 3);
        Vec half = from.plus(to).times(0.5);
        boolean edge = edges.get(longest);
        parted(List.of(from, half, far), List.of(edge, false, edges.get((longest + 2) % 3)), level, into);
        parted(List.of(half, to, far), List.of(edge, edges.get((longest + 1) % 3), false), level, into);
    }

    private static double near(List<Vec> corners) {
        return corners.stream().mapToDouble(c -> c.dot(TO_EYE)).average().orElse(0);
    }

    private static double side(List<Vec> corners, int i) {
        return corners.get((i + 1) % 3).minus(corners.get(i)).length();
    }

    private static Point seen(Vec at) {
        double x = at.x() * Math.cos(TURNED) - at.y() * Math.sin(TURNED);
        double deep = at.x() * Math.sin(TURNED) + at.y() * Math.cos(TURNED);
        return new Point(x, at.z() * Math.cos(ABOVE) + deep * Math.sin(ABOVE));
    }

    /** A flat piece: what is cut, and broken lines where it bends up. */
    public static Drawing of(Panel panel) {
        Sketch sketch = new Sketch(-MARGIN, panel.highMm() + MARGIN);
        sketch.polygon(points(sketch, panel.outline()), Ink.WALL, 1, "");
        sketch.outline(points(sketch, panel.outline()), Sketch.WIDE, false, Ink.INK, "");
        for (Panel.Hole hole : panel.holes()) {
            List<Flat> outline =
                    hole.round() ? Outlines.circle(hole.middle(), hole.wideMm() / 2, SIDES, false) : hole.corners();
            sketch.polygon(points(sketch, outline), Ink.PAPER, 1, "");
            sketch.outline(points(sketch, outline), Sketch.NARROW, false, Ink.INK, "");
        }
        for (Panel.Bend bend : panel.bends()) {
            sketch.line(
                    bend.from().across(),
                    bend.from().up(),
                    bend.to().across(),
                    bend.to().up(),
                    Sketch.NARROW,
                    true,
                    Ink.ACCENT,
                    "");
        }
        if (!panel.bends().isEmpty()) {
            Panel.Bend first = panel.bends().getFirst();
            sketch.text(
                    first.from().across() + 2,
                    (first.from().up() + first.to().up()) / 2,
                    LETTER,
                    Align.LEFT,
                    false,
                    Ink.ACCENT,
                    "broken lines: up 90°",
                    "");
        }
        String size = Units.format(panel.wideMm(), 1, "") + " × " + Units.format(panel.highMm(), 1, "") + " × "
                + Units.format(panel.thickMm(), 1, "mm");
        sketch.text(0, -LETTER * 1.5, LETTER, Align.LEFT, false, Ink.SOFT, size, "");
        return sketch.done(panel.name(), panel.wideMm() + 2 * MARGIN, panel.highMm() + 2 * MARGIN);
    }

    private static List<Point> points(Sketch sketch, List<Flat> outline) {
        return outline.stream().map(f -> sketch.point(f.across(), f.up())).toList();
    }
}
