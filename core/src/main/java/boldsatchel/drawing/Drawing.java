package boldsatchel.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * A drawing: a sheet and the marks on it, in mm.
 *
 * @param title for people
 * @param widthMm of the sheet
 * @param heightMm of the sheet
 * @param originX where the drawn frame's origin lies on the sheet
 * @param originY where the drawn frame's origin lies on the sheet; the drawn frame's second axis runs up from there
 * @param marks later ones on top
 */
public record Drawing(String title, double widthMm, double heightMm, double originX, double originY, List<Mark> marks) {

    /** Copies the list. */
    public Drawing {
        marks = List.copyOf(marks);
    }

    /** The same without anything written: for a picture too small to read. */
    public Drawing wordless() {
        return new Drawing(
                title,
                widthMm,
                heightMm,
                originX,
                originY,
                marks.stream().filter(m -> !(m instanceof Mark.Text)).toList());
    }

    /** Only what is within what it fills, without anything written: for a picture beside words. */
    public Drawing trimmed() {
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Mark mark : marks) {
            if (mark instanceof Mark.Fill fill) {
                for (Mark.Point p : fill.points()) {
                    left = Math.min(left, p.x());
                    top = Math.min(top, p.y());
                    right = Math.max(right, p.x());
                    bottom = Math.max(bottom, p.y());
                }
            }
        }
        if (left > right) {
            return wordless();
        }
        List<Mark> kept = new ArrayList<>();
        for (Mark mark : marks) {
            switch (mark) {
                case Mark.Fill f ->
                    kept.add(new Mark.Fill(moved(f.points(), left, top), f.ink(), f.opacity(), f.subject()));
                case Mark.Line l -> {
                    double x0 = left;
                    double y0 = top;
                    double x1 = right;
                    double y1 = bottom;
                    if (l.points().stream().allMatch(p -> p.x() >= x0 && p.x() <= x1 && p.y() >= y0 && p.y() <= y1)) {
                        kept.add(new Mark.Line(
                                moved(l.points(), left, top),
                                l.closed(),
                                l.widthMm(),
                                l.dashed(),
                                l.ink(),
                                l.subject()));
                    }
                }
                case Mark.Text t -> {
                    // Too small to be read.
                }
            }
        }
        return new Drawing(title, right - left, bottom - top, originX - left, originY - top, kept);
    }

    private static List<Mark.Point> moved(List<Mark.Point> points, double left, double top) {
        return points.stream()
                .map(p -> new Mark.Point(p.x() - left, p.y() - top))
                .toList();
    }
}
