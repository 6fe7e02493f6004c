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

    private MadeDrawings() {}

    private record Facing(Mesh.Triangle triangle, Vec normal, double near) {}

    /** A piece to print. */
    public static Drawing of(Printed piece) {
        Mesh mesh = piece.mesh();
        Vec away = new Vec(-Math.sin(TURNED) * Math.cos(ABOVE), -Math.cos(TURNED) * Math.cos(ABOVE), Math.sin(ABOVE));
        List<Facing> facing = new ArrayList<>();
        Map<List<Integer>, Vec> beside = new HashMap<>();
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec a = mesh.corners().get(t.a());
            Vec b = mesh.corners().get(t.b());
            Vec c = mesh.corners().get(t.c());
            Vec across = b.minus(a).cross(c.minus(a));
            double size = across.length();
            if (size > 0) {
                Vec normal = across.times(1 / size);
                beside.put(List.of(t.a(), t.b()), normal);
                beside.put(List.of(t.b(), t.c()), normal);
                beside.put(List.of(t.c(), t.a()), normal);
                if (normal.dot(away) > 0) {
                    facing.add(new Facing(t, normal, a.plus(b).plus(c).dot(away) / 3));
                }
            }
        }
        facing.sort(Comparator.comparingDouble(Facing::near));
        List<Point> flat = mesh.corners().stream().map(MadeDrawings::seen).toList();
        double left = flat.stream().mapToDouble(Point::x).min().orElse(0) - MARGIN;
        double right = flat.stream().mapToDouble(Point::x).max().orElse(0) + MARGIN;
        double top = flat.stream().mapToDouble(Point::y).max().orElse(0) + MARGIN;
        double bottom = flat.stream().mapToDouble(Point::y).min().orElse(0) - MARGIN;
        Sketch sketch = new Sketch(left, top);
        for (Facing f : facing) {
            int[] corners = {f.triangle.a(), f.triangle.b(), f.triangle.c()};
            List<Point> points = new ArrayList<>();
            for (int corner : corners) {
                points.add(sketch.point(flat.get(corner).x(), flat.get(corner).y()));
            }
            sketch.polygon(points, f.normal.z() > 0.7 ? Ink.PAPER : Ink.WALL, 1, "");
            // A hair of the same, so that no ground shows between neighbours.
            sketch.outline(points, 0.1, false, f.normal.z() > 0.7 ? Ink.PAPER : Ink.WALL, "");
            for (int i = 0; i < 3; i++) {
                Vec other = beside.getOrDefault(List.of(corners[(i + 1) % 3], corners[i]), Vec.ZERO);
                if (other.dot(f.normal) < FLAT) {
                    sketch.curve(List.of(points.get(i), points.get((i + 1) % 3)), Sketch.NARROW, Ink.INK, "");
                }
            }
        }
        return sketch.done(piece.name(), right - left, top - bottom);
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
