package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.Mark.Point;
import java.util.ArrayList;
import java.util.List;

/** What all who put marks down share. */
public final class Marks {

    /** Length of a dash of a broken line. */
    public static final double DASH_MM = 2;

    /** Space between dashes. */
    public static final double SPACE_MM = 1.2;

    /** Smaller letters cannot be read on paper. */
    private static final double LEAST_LETTER_MM = 2.2;

    private Marks() {}

    /**
     * A drawing's marks put down elsewhere, smaller or larger, pens and letters with them.
     */
    static List<Mark> placed(Drawing drawing, double x, double y, double scale) {
        List<Mark> placed = new ArrayList<>();
        for (Mark mark : drawing.marks()) {
            placed.add(
                    switch (mark) {
                        case Mark.Line l ->
                            new Mark.Line(
                                    points(l.points(), x, y, scale),
                                    l.closed(),
                                    l.widthMm() * scale,
                                    l.dashed(),
                                    l.ink(),
                                    l.subject());
                        case Mark.Fill f ->
                            new Mark.Fill(points(f.points(), x, y, scale), f.ink(), f.opacity(), f.subject());
                        case Mark.Text t ->
                            new Mark.Text(
                                    new Point(x + t.at().x() * scale, y + t.at().y() * scale),
                                    Math.max(t.sizeMm() * scale, Math.min(t.sizeMm(), LEAST_LETTER_MM)),
                                    t.align(),
                                    t.bold(),
                                    t.ink(),
                                    t.text(),
                                    t.roomMm() * scale,
                                    t.subject());
                    });
        }
        return placed;
    }

    private static List<Point> points(List<Point> points, double x, double y, double scale) {
        return points.stream()
                .map(p -> new Point(x + p.x() * scale, y + p.y() * scale))
                .toList();
    }
}
