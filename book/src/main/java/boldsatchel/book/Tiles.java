package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import java.util.ArrayList;
import java.util.List;

/**
 * A drawing at full size on as many A4 pages as it takes. Neighbours share a strip of {@link #LAP_MM}, with crosses to lay one on the other by; on each page is a
 * square to see whether the printer kept the size.
 */
final class Tiles {

    /** Side of the square to check by, mm. */
    static final double CHECK_MM = 50;

    private static final double LAP_MM = 10;
    private static final double LEFT = 15;
    private static final double TOP = 15;
    private static final double WIDE = Flow.WIDTH - 2 * LEFT;
    private static final double HIGH = Flow.HEIGHT - TOP - CHECK_MM - 27;
    private static final double CROSS_MM = 4;
    private static final double PEN_MM = 0.2;
    private static final double LETTER_MM = 3.2;

    private Tiles() {}

    /** Its pages: from left to right, then down. */
    static List<Drawing> of(Drawing drawing) {
        int across = count(drawing.widthMm(), WIDE);
        int down = count(drawing.heightMm(), HIGH);
        List<Drawing> pages = new ArrayList<>();
        for (int row = 0; row < down; row++) {
            for (int column = 0; column < across; column++) {
                List<Mark> marks = new ArrayList<>();
                double x = column * (WIDE - LAP_MM);
                double y = row * (HIGH - LAP_MM);
                drawing.marks().forEach(m -> put(m, x, y, marks));
                boolean[] joins = {column > 0, column + 1 < across, row > 0, row + 1 < down};
                crosses(joins, marks);
                String place = across * down == 1
                        ? "on one page"
                        : "page " + (pages.size() + 1) + " of " + across * down + ": column " + (column + 1) + " of "
                                + across + ", row " + (row + 1) + " of " + down;
                foot(drawing.title(), place, across * down > 1, marks);
                pages.add(new Drawing(drawing.title() + ", " + place, Flow.WIDTH, Flow.HEIGHT, 0, 0, marks));
            }
        }
        return pages;
    }

    private static int count(double size, double page) {
        return (int) Math.max(1, Math.ceil((size - LAP_MM) / (page - LAP_MM) - 1e-9));
    }

    /** What of a mark is on a page that begins at a place of the drawing. */
    private static void put(Mark mark, double x, double y, List<Mark> into) {
        switch (mark) {
            case Mark.Line line -> {
                List<Point> points = new ArrayList<>(line.points());
                if (line.closed()) {
                    points.add(points.getFirst());
                }
                for (int i = 0; i + 1 < points.size(); i++) {
                    List<Point> left = clipped(points.get(i), points.get(i + 1), x, y);
                    if (!left.isEmpty()) {
                        into.add(new Mark.Line(left, false, line.widthMm(), line.dashed(), line.ink(), ""));
                    }
                }
            }
            case Mark.Fill fill -> {
                List<Point> left = clipped(fill.points(), x, y);
                if (left.size() >= 3) {
                    into.add(new Mark.Fill(left, fill.ink(), fill.opacity(), ""));
                }
            }
            case Mark.Text t -> {
                if (isOn(t.at(), x, y)) {
                    into.add(new Mark.Text(
                            placed(t.at(), x, y), t.sizeMm(), t.align(), t.bold(), t.ink(), t.text(), t.roomMm(), ""));
                }
            }
        }
    }

    private static Point placed(Point at, double x, double y) {
        return new Point(at.x() - x + LEFT, at.y() - y + TOP);
    }

    private static boolean isOn(Point at, double x, double y) {
        return at.x() >= x && at.x() <= x + WIDE && at.y() >= y && at.y() <= y + HIGH;
    }

    /** What of a line is on a page (Liang and Barsky, 1984); empty where nothing is. */
    private static List<Point> clipped(Point a, Point b, double x, double y) {
        double[] p = {a.x() - b.x(), b.x() - a.x(), a.y() - b.y(), b.y() - a.y()};
        double[] q = {a.x() - x, x + WIDE - a.x(), a.y() - y, y + HIGH - a.y()};
        double from = 0;
        double to = 1;
        for (int i = 0; i < 4; i++) {
            if (p[i] == 0 && q[i] < 0) {
                return List.of();
            }
            if (p[i] < 0) {
                from = Math.max(from, q[i] / p[i]);
            } else if (p[i] > 0) {
                to = Math.min(to, q[i] / p[i]);
            }
        }
        return from < to ? List.of(placed(along(a, b, from), x, y), placed(along(a, b, to), x, y)) : List.of();
    }

    private static Point along(Point a, Point b, double share) {
        return new Point(a.x() + share * (b.x() - a.x()), a.y() + share * (b.y() - a.y()));
    }

    /** What of a polygon is on a page (Sutherland and Hodgman, 1974). */
    private static List<Point> clipped(List<Point> polygon, double x, double y) {
        List<Point> left = polygon;
        for (int side = 0; side < 4 && !left.isEmpty(); side++) {
            List<Point> next = new ArrayList<>();
            for (int i = 0; i < left.size(); i++) {
                Point a = left.get((i + left.size() - 1) % left.size());
                Point b = left.get(i);
                double outA = beyond(a, side, x, y);
                double outB = beyond(b, side, x, y);
                if (outA > 0 != outB > 0) {
                    next.add(along(a, b, outA / (outA - outB)));
                }
                if (outB <= 0) {
                    next.add(b);
                }
            }
            left = next;
        }
        return left.stream().map(p -> placed(p, x, y)).toList();
    }

    private static double beyond(Point at, int side, double x, double y) {
        return switch (side) {
            case 0 -> x - at.x();
            case 1 -> at.x() - x - WIDE;
            case 2 -> y - at.y();
            default -> at.y() - y - HIGH;
        };
    }

    /** In the middle of each strip that a neighbour has too, near both of its ends. */
    private static void crosses(boolean[] joins, List<Mark> into) {
        double lap = LAP_MM / 2;
        for (double up : List.of(HIGH * 0.1, HIGH * 0.9)) {
            if (joins[0]) {
                cross(LEFT + lap, TOP + up, into);
            }
            if (joins[1]) {
                cross(LEFT + WIDE - lap, TOP + up, into);
            }
        }
        for (double across : List.of(WIDE * 0.1, WIDE * 0.9)) {
            if (joins[2]) {
                cross(LEFT + across, TOP + lap, into);
            }
            if (joins[3]) {
                cross(LEFT + across, TOP + HIGH - lap, into);
            }
        }
    }

    private static void cross(double x, double y, List<Mark> into) {
        into.add(line(new Point(x - CROSS_MM, y), new Point(x + CROSS_MM, y)));
        into.add(line(new Point(x, y - CROSS_MM), new Point(x, y + CROSS_MM)));
    }

    private static Mark.Line line(Point a, Point b) {
        return new Mark.Line(List.of(a, b), false, PEN_MM, false, Ink.ACCENT, "");
    }

    private static void foot(String title, String place, boolean several, List<Mark> into) {
        double top = TOP + HIGH + 6;
        into.add(new Mark.Line(
                List.of(
                        new Point(LEFT, top),
                        new Point(LEFT + CHECK_MM, top),
                        new Point(LEFT + CHECK_MM, top + CHECK_MM),
                        new Point(LEFT, top + CHECK_MM)),
                true,
                PEN_MM,
                false,
                Ink.ACCENT,
                ""));
        double x = LEFT + CHECK_MM + 6;
        double y = top + 6;
        List<String> words = new ArrayList<>();
        words.add(title + ", full size, " + place + ".");
        words.add("The square is 50.0 mm wide and high: measure it before you cut.");
        words.add("If it is not, print again at 100 %, without “fit to page”.");
        if (several) {
            words.add("Lay crosses on crosses; neighbours share a strip of 10 mm.");
        }
        for (String line : words) {
            for (String wrapped : Flow.wrap(line, LETTER_MM, false, Flow.WIDTH - LEFT - x)) {
                into.add(Mark.Text.free(new Point(x, y), LETTER_MM, Align.LEFT, false, Ink.INK, wrapped, ""));
                y += LETTER_MM * 1.6;
            }
        }
    }
}
