package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Mark;
import boldsatchel.geometry.Flat;
import boldsatchel.made.Panel;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * Writes DXF as text, as of release 12, which every program for cutting reads: polylines, circles, lines and texts, in mm, true to size. What is cut,
 * bent and marked lies on layers of its own.
 */
final class DxfWriter {

    /** Outlines and holes. */
    static final String CUT = "CUT";
    /** Lines to bend along. */
    static final String BEND = "BEND";
    /** What is only to be read. */
    static final String MARK = "MARK";

    /** A layer's colour by its number in the index of colours: black or white, red, blue. */
    private static final Map<String, Integer> COLOURS = new TreeMap<>(Map.of(CUT, 7, BEND, 1, MARK, 5));

    private static final double LETTER_MM = 3;

    private final StringBuilder text = new StringBuilder();

    private DxfWriter() {}

    /** A panel as it is cut. */
    static String dxf(Panel panel) {
        DxfWriter out = new DxfWriter();
        out.begin(panel.wideMm(), panel.highMm());
        out.polyline(CUT, panel.outline(), true);
        for (Panel.Hole hole : panel.holes()) {
            if (hole.round()) {
                out.circle(CUT, hole.middle(), hole.wideMm() / 2);
            } else {
                out.polyline(CUT, hole.corners(), true);
            }
        }
        panel.bends().forEach(b -> out.line(BEND, b.from(), b.to()));
        out.text(
                MARK,
                new Flat(0, -2 * LETTER_MM),
                LETTER_MM,
                0,
                panel.name() + ", " + panel.material() + ", "
                        + boldsatchel.quantity.Units.format(panel.thickMm(), 2, "mm"));
        return out.end();
    }

    /** A drawing: its lines, the edges of what is filled, and its words. */
    static String dxf(Drawing drawing) {
        DxfWriter out = new DxfWriter();
        out.begin(drawing.widthMm(), drawing.heightMm());
        double high = drawing.heightMm();
        for (Mark mark : drawing.marks()) {
            switch (mark) {
                case Mark.Line line ->
                    out.polyline(line.dashed() ? BEND : CUT, flat(line.points(), high), line.closed());
                case Mark.Fill fill -> out.polyline(MARK, flat(fill.points(), high), true);
                case Mark.Text t ->
                    out.text(
                            MARK,
                            new Flat(t.at().x(), high - t.at().y()),
                            t.sizeMm(),
                            switch (t.align()) {
                                case LEFT -> 0;
                                case CENTRE -> 1;
                                case RIGHT -> 2;
                            },
                            t.text());
            }
        }
        return out.end();
    }

    private static List<Flat> flat(List<Mark.Point> points, double high) {
        return points.stream().map(p -> new Flat(p.x(), high - p.y())).toList();
    }

    private void begin(double wide, double high) {
        pair(0, "SECTION");
        pair(2, "HEADER");
        pair(9, "$ACADVER");
        pair(1, "AC1009");
        pair(9, "$INSUNITS");
        pair(70, "4");
        pair(9, "$EXTMIN");
        at(10, new Flat(0, 0));
        pair(9, "$EXTMAX");
        at(10, new Flat(wide, high));
        pair(0, "ENDSEC");
        pair(0, "SECTION");
        pair(2, "TABLES");
        pair(0, "TABLE");
        pair(2, "LAYER");
        pair(70, "" + COLOURS.size());
        COLOURS.forEach((layer, colour) -> {
            pair(0, "LAYER");
            pair(2, layer);
            pair(70, "0");
            pair(62, "" + colour);
            pair(6, "CONTINUOUS");
        });
        pair(0, "ENDTAB");
        pair(0, "ENDSEC");
        pair(0, "SECTION");
        pair(2, "ENTITIES");
    }

    private String end() {
        pair(0, "ENDSEC");
        pair(0, "EOF");
        return text.toString();
    }

    private void polyline(String layer, List<Flat> points, boolean closed) {
        pair(0, "POLYLINE");
        pair(8, layer);
        pair(66, "1");
        at(10, new Flat(0, 0));
        pair(70, closed ? "1" : "0");
        for (Flat point : points) {
            pair(0, "VERTEX");
            pair(8, layer);
            at(10, point);
        }
        pair(0, "SEQEND");
        pair(8, layer);
    }

    private void circle(String layer, Flat middle, double radius) {
        pair(0, "CIRCLE");
        pair(8, layer);
        at(10, middle);
        pair(40, n(radius));
    }

    private void line(String layer, Flat from, Flat to) {
        pair(0, "LINE");
        pair(8, layer);
        at(10, from);
        at(11, to);
    }

    /** Letters beyond those that every program reads are written by their number. */
    private void text(String layer, Flat from, double size, int align, String words) {
        StringBuilder plain = new StringBuilder();
        Typeface.onOneLine(words)
                .codePoints()
                .forEach(
                        c -> plain.append(c < 127 ? Character.toString(c) : String.format(Locale.ROOT, "\\U+%04X", c)));
        pair(0, "TEXT");
        pair(8, layer);
        at(10, from);
        pair(40, n(size));
        pair(1, plain.toString());
        pair(72, "" + align);
        at(11, from);
    }

    private void at(int code, Flat point) {
        pair(code, n(point.across()));
        pair(code + 10, n(point.up()));
    }

    private void pair(int code, String value) {
        text.append(code).append("\r\n").append(value).append("\r\n");
    }

    private static String n(double value) {
        return String.format(Locale.ROOT, "%.6f", value);
    }
}
