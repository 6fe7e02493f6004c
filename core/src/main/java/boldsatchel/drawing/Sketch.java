package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts marks on a sheet in the frame of what is drawn: first axis to the right, second axis up. Line weights follow ISO 128: wide
 * outlines, narrow hatching and dimensions, in the ratio 2 to 1.
 */
final class Sketch {

    static final double WIDE = 0.5;
    static final double NARROW = 0.25;

    /** On something very large the lines of a hatching move apart. */
    private static final int MOST_HATCHES = 400;

    private final List<Mark> marks = new ArrayList<>();
    private final double left;
    private final double top;

    /**
     * Starts a sketch.
     *
     * @param left of the sheet in the drawn frame
     * @param top of the sheet in the drawn frame
     */
    Sketch(double left, double top) {
        this.left = left;
        this.top = top;
    }

    Point point(double x, double y) {
        return new Point(x - left, top - y);
    }

    private List<Point> corners(double x, double y, double w, double h) {
        return List.of(point(x, y), point(x + w, y), point(x + w, y + h), point(x, y + h));
    }

    Sketch fill(double x, double y, double w, double h, Ink ink, double opacity, String subject) {
        marks.add(new Mark.Fill(corners(x, y, w, h), ink, opacity, subject));
        return this;
    }

    Sketch frame(double x, double y, double w, double h, double pen, boolean dashed, Ink ink, String subject) {
        marks.add(new Mark.Line(corners(x, y, w, h), true, pen, dashed, ink, subject));
        return this;
    }

    Sketch polygon(List<Point> points, Ink ink, double opacity, String subject) {
        marks.add(new Mark.Fill(points, ink, opacity, subject));
        return this;
    }

    Sketch outline(List<Point> points, double pen, boolean dashed, Ink ink, String subject) {
        marks.add(new Mark.Line(points, true, pen, dashed, ink, subject));
        return this;
    }

    Sketch line(double x1, double y1, double x2, double y2, double pen, boolean dashed, Ink ink, String subject) {
        marks.add(new Mark.Line(List.of(point(x1, y1), point(x2, y2)), false, pen, dashed, ink, subject));
        return this;
    }

    /** A line through points of the drawn frame whose second axis runs down. */
    Sketch line(List<double[]> down, double pen, boolean dashed, Ink ink, String subject) {
        List<Point> points = down.stream().map(p -> point(p[0], -p[1])).toList();
        marks.add(new Mark.Line(points, false, pen, dashed, ink, subject));
        return this;
    }

    Sketch curve(List<Point> points, double pen, Ink ink, String subject) {
        marks.add(new Mark.Line(points, false, pen, false, ink, subject));
        return this;
    }

    Sketch text(double x, double y, double size, Align align, boolean bold, Ink ink, String text, String subject) {
        marks.add(Mark.Text.free(point(x, y), size, align, bold, ink, text, subject));
        return this;
    }

    /** Text that is cut to a width by whoever puts it down and knows how wide letters are. */
    Sketch fitted(
            double x,
            double y,
            double size,
            double width,
            Align align,
            boolean bold,
            Ink ink,
            String text,
            String subject) {
        marks.add(new Mark.Text(point(x, y), size, align, bold, ink, text, width, subject));
        return this;
    }

    /** Mean width of a letter of the face, as a share of its size; a little wide, to be safe. */
    static final double LETTER_WIDTH = 0.58;

    /** Parallel lines across a rectangle, clipped to it. */
    Sketch hatch(
            double x,
            double y,
            double w,
            double h,
            double degrees,
            double spacing,
            double pen,
            Ink ink,
            String subject) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double reach = Math.hypot(w, h) / 2;
        double cx = x + w / 2;
        double cy = y + h / 2;
        double apart = Math.max(spacing, 2 * reach / MOST_HATCHES);
        for (double offset = -Math.floor(reach / apart) * apart; offset <= reach; offset += apart) {
            clipped(x, y, w, h, cx - sin * offset, cy + cos * offset, cos, sin, pen, ink, subject);
        }
        return this;
    }

    /** Parallel lines across a polygon, clipped to it; its points are on the sheet. */
    Sketch hatch(List<Point> corners, double degrees, double spacing, double pen, Ink ink, String subject) {
        List<Flat> outline = corners.stream().map(p -> new Flat(p.x(), -p.y())).toList();
        Flat way = new Flat(Math.cos(Math.toRadians(degrees)), Math.sin(Math.toRadians(degrees)));
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (Flat corner : outline) {
            double off = corner.up() * way.across() - corner.across() * way.up();
            low = Math.min(low, off);
            high = Math.max(high, off);
        }
        double apart = Math.max(spacing, (high - low) / MOST_HATCHES);
        // Lines of one hatch run on from side to side, wherever a side begins.
        for (double off = Math.ceil(low / apart) * apart; off < high; off += apart) {
            Flat from = new Flat(-off * way.up(), off * way.across());
            double[] crossings = Outlines.crossings(outline, from, way);
            for (int i = 0; i + 1 < crossings.length; i += 2) {
                Flat a = from.plus(crossings[i] * way.across(), crossings[i] * way.up());
                Flat b = from.plus(crossings[i + 1] * way.across(), crossings[i + 1] * way.up());
                List<Point> line = List.of(new Point(a.across(), -a.up()), new Point(b.across(), -b.up()));
                marks.add(new Mark.Line(line, false, pen, false, ink, subject));
            }
        }
        return this;
    }

    /** The part of a line inside a rectangle (Liang and Barsky, 1984). */
    private void clipped(
            double x,
            double y,
            double w,
            double h,
            double px,
            double py,
            double dx,
            double dy,
            double pen,
            Ink ink,
            String subject) {
        double from = -1e9;
        double to = 1e9;
        double[] p = {-dx, dx, -dy, dy};
        double[] q = {px - x, x + w - px, py - y, y + h - py};
        for (int i = 0; i < 4; i++) {
            if (Math.abs(p[i]) < 1e-12) {
                if (q[i] < 0) {
                    return;
                }
            } else if (p[i] < 0) {
                from = Math.max(from, q[i] / p[i]);
            } else {
                to = Math.min(to, q[i] / p[i]);
            }
        }
        if (from < to) {
            line(px + from * dx, py + from * dy, px + to * dx, py + to * dy, pen, false, ink, subject);
        }
    }

    /** A dimension between two points along one axis: arrows at the ends, the number, if any, beside. */
    Sketch dimension(double x1, double y1, double x2, double y2, String text, double size, Ink ink) {
        line(x1, y1, x2, y2, NARROW, false, ink, "");
        double length = Math.hypot(x2 - x1, y2 - y1);
        if (length > 0) {
            double ux = (x2 - x1) / length * size * 0.6;
            double uy = (y2 - y1) / length * size * 0.6;
            arrow(x1, y1, ux, uy, ink);
            arrow(x2, y2, -ux, -uy, ink);
        }
        if (text.isEmpty()) {
            return this;
        }
        boolean upright = Math.abs(x2 - x1) < Math.abs(y2 - y1);
        return upright
                ? text((x1 + x2) / 2 + size * 0.4, (y1 + y2) / 2 - size * 0.35, size, Align.LEFT, false, ink, text, "")
                : text((x1 + x2) / 2, Math.max(y1, y2) + size * 0.4, size, Align.CENTRE, false, ink, text, "");
    }

    /** A thick arrow from one point to another. */
    Sketch arrow(double x1, double y1, double x2, double y2, double head, Ink ink) {
        double length = Math.max(1e-9, Math.hypot(x2 - x1, y2 - y1));
        double ux = (x1 - x2) / length * head;
        double uy = (y1 - y2) / length * head;
        line(x1, y1, x2 + ux, y2 + uy, head * 0.25, false, ink, "");
        arrow(x2, y2, ux, uy, ink);
        return this;
    }

    private void arrow(double x, double y, double ux, double uy, Ink ink) {
        marks.add(new Mark.Fill(
                List.of(
                        point(x, y),
                        point(x + ux - uy * 0.35, y + uy + ux * 0.35),
                        point(x + ux + uy * 0.35, y + uy - ux * 0.35)),
                ink,
                1,
                ""));
    }

    /** The mark of a centre of mass: a circle quartered black and white. */
    Sketch centreOfMass(double x, double y, double radius) {
        for (int quarter = 0; quarter < 4; quarter++) {
            List<Point> sector = new ArrayList<>(List.of(point(x, y)));
            for (int i = 0; i <= 6; i++) {
                double angle = Math.PI / 2 * (quarter + i / 6.0);
                sector.add(point(x + radius * Math.cos(angle), y + radius * Math.sin(angle)));
            }
            polygon(sector, quarter % 2 == 0 ? Ink.INK : Ink.PAPER, 1, "");
        }
        List<Point> ring = new ArrayList<>();
        for (int i = 0; i < 24; i++) {
            ring.add(point(x + radius * Math.cos(Math.PI * i / 12), y + radius * Math.sin(Math.PI * i / 12)));
        }
        return outline(ring, NARROW, false, Ink.INK, "");
    }

    /** Marks so far, to be added to. */
    List<Mark> marks() {
        return marks;
    }

    Drawing done(String title, double width, double height) {
        return new Drawing(title, width, height, -left, top, marks);
    }
}
