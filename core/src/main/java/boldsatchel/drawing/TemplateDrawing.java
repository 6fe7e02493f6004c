package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.made.Panel;
import boldsatchel.made.Template;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;

/** What is drilled and cut in a wall of a found box, at full size, to be glued on from outside. */
public final class TemplateDrawing {

    private static final double MARGIN_MM = 6;
    private static final double LETTER_MM = 3;
    /** Cross-hairs go so far over a hole, mm. */
    private static final double OVER_MM = 4;

    private static final int SIDES = 72;
    /** The words need so much, mm. */
    private static final double LEAST_MM = 150;

    private TemplateDrawing() {}

    /** The wall with its holes, and below it what each of them is. */
    public static Drawing of(Template template) {
        double words = (template.holes().size() + 1) * LETTER_MM * 1.6 + MARGIN_MM;
        Sketch sketch = new Sketch(-MARGIN_MM, template.highMm() + MARGIN_MM);
        sketch.frame(0, 0, template.wideMm(), template.highMm(), Sketch.WIDE, false, Ink.INK, "");
        List<String> told = new ArrayList<>();
        told.add("Seen from outside. Each hole from the left and the lower edge of the wall, its middle:");
        for (int i = 0; i < template.holes().size(); i++) {
            Panel.Hole hole = template.holes().get(i);
            draw(sketch, hole, "" + (i + 1));
            told.add((i + 1) + "  " + hole.name() + ": "
                    + (hole.round()
                            ? "drill " + Units.format(hole.wideMm(), 1, "mm")
                            : "cut " + Units.format(hole.wideMm(), 1, "") + " × " + Units.format(hole.highMm(), 1, "mm")
                                    + ", drill inside its corners and file")
                    + "; " + Units.format(hole.middle().across(), 1, "") + " and "
                    + Units.format(hole.middle().up(), 1, "mm"));
        }
        double y = -MARGIN_MM;
        for (String line : told) {
            sketch.text(0, y, LETTER_MM, Align.LEFT, false, Ink.INK, line, "");
            y -= LETTER_MM * 1.6;
        }
        return sketch.done(
                template.name(),
                Math.max(template.wideMm(), LEAST_MM) + 2 * MARGIN_MM,
                template.highMm() + MARGIN_MM + words);
    }

    private static void draw(Sketch sketch, Panel.Hole hole, String number) {
        double x = hole.middle().across();
        double y = hole.middle().up();
        double right = hole.wideMm() / 2 + OVER_MM;
        double up = hole.highMm() / 2 + OVER_MM;
        List<Flat> outline =
                hole.round() ? Outlines.circle(hole.middle(), hole.wideMm() / 2, SIDES, false) : hole.corners();
        List<Point> points =
                outline.stream().map(f -> sketch.point(f.across(), f.up())).toList();
        sketch.outline(points, Sketch.NARROW, false, Ink.INK, "");
        sketch.line(x - right, y, x + right, y, Sketch.NARROW, false, Ink.ACCENT, "");
        sketch.line(x, y - up, x, y + up, Sketch.NARROW, false, Ink.ACCENT, "");
        sketch.text(x + hole.wideMm() / 2 + 1, y + 1, LETTER_MM, Align.LEFT, true, Ink.INK, number, "");
    }
}
