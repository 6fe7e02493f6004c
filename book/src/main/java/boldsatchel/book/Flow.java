package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import java.text.BreakIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Lays text, tables and drawings down A4 pages, one below the other, and turns the page when it is full. */
final class Flow {

    static final double WIDTH = 210;
    static final double HEIGHT = 297;
    static final double LEFT = 18;
    static final double RIGHT = WIDTH - 18;
    private static final double TOP = 18;
    private static final double BOTTOM = HEIGHT - 18;

    private static final int KEPT_LINES = 6;

    /** Before a column there is so much room, mm. */
    private static final double GUTTER = 2;
    /** A mark of a state takes so much, mm. */
    private static final double STATE_MM = 6;
    /** A drawing beside words is no wider, mm. */
    private static final double BESIDE_MM = 62;

    private static final double SMALL = 3;

    private final String footer;
    private final List<Drawing> pages = new ArrayList<>();
    private List<Mark> marks = new ArrayList<>();
    private double y = TOP;

    Flow(String footer) {
        this.footer = footer;
    }

    /** Turns the page unless there is room for so much more. */
    void room(double mm) {
        if (y + mm > BOTTOM) {
            turn();
        }
    }

    void turn() {
        if (marks.isEmpty()) {
            return;
        }
        int number = pages.size() + 1;
        Point corner = new Point(LEFT, HEIGHT - 10);
        marks.add(new Mark.Text(corner, 2.8, Align.LEFT, false, Ink.SOFT, footer, RIGHT - LEFT - 16, ""));
        marks.add(
                Mark.Text.free(new Point(RIGHT, HEIGHT - 10), 2.8, Align.RIGHT, false, Ink.SOFT, "page " + number, ""));
        pages.add(new Drawing("Page " + number, WIDTH, HEIGHT, 0, 0, marks));
        marks = new ArrayList<>();
        y = TOP;
    }

    /** Pages that are full. */
    int turned() {
        return pages.size();
    }

    List<Drawing> done() {
        turn();
        return List.copyOf(pages);
    }

    void space(double mm) {
        y += mm;
    }

    /** Begins a chapter. */
    void chapter(String text) {
        space(4);
        marks.add(Mark.Text.free(new Point(LEFT, y), 6.4, Align.LEFT, true, Ink.INK, text, ""));
        y += 2.4;
        marks.add(new Mark.Line(List.of(new Point(LEFT, y), new Point(RIGHT, y)), false, 0.5, false, Ink.INK, ""));
        y += 6.5;
    }

    /** A heading never stands at the foot of a page. */
    void heading(String text) {
        room(42);
        space(marks.isEmpty() ? 3 : 5);
        marks.add(Mark.Text.free(new Point(LEFT, y), 4.4, Align.LEFT, true, Ink.INK, text, ""));
        y += 2;
        marks.add(new Mark.Line(List.of(new Point(LEFT, y), new Point(RIGHT, y)), false, 0.2, false, Ink.SOFT, ""));
        y += 5;
    }

    void title(String text) {
        y += 6;
        for (String line : wrap(text, 8, true, RIGHT - LEFT)) {
            room(12);
            marks.add(Mark.Text.free(new Point(LEFT, y), 8, Align.LEFT, true, Ink.INK, line, ""));
            y += 10;
        }
        y -= 3;
    }

    /** A short one stays on one page. */
    void paragraph(String text, double size, boolean bold, Ink ink, double indent) {
        List<String> lines = wrap(text, size, bold, RIGHT - LEFT - indent);
        if (lines.size() <= KEPT_LINES) {
            room(lines.size() * size * 1.5);
        }
        for (String line : lines) {
            room(size * 1.5);
            marks.add(Mark.Text.free(new Point(LEFT + indent, y), size, Align.LEFT, bold, ink, line, ""));
            y += size * 1.5;
        }
    }

    /**
     * A row of a table; cells wrap, the row is as high as its highest cell.
     *
     * @param edges x of each column's edge: the left one for text, the right one for numbers
     */
    void row(
            List<String> cells,
            List<Double> edges,
            List<Double> widths,
            List<Align> aligns,
            double size,
            boolean bold) {
        List<List<String>> wrapped = new ArrayList<>();
        int lines = 1;
        for (int i = 0; i < cells.size(); i++) {
            List<String> cell = wrap(cells.get(i), size, bold, widths.get(i));
            wrapped.add(cell);
            lines = Math.max(lines, cell.size());
        }
        room(lines * size * 1.4 + 2);
        for (int i = 0; i < cells.size(); i++) {
            for (int k = 0; k < wrapped.get(i).size(); k++) {
                marks.add(Mark.Text.free(
                        new Point(edges.get(i), y + k * size * 1.4),
                        size,
                        aligns.get(i),
                        bold,
                        Ink.INK,
                        wrapped.get(i).get(k),
                        ""));
            }
        }
        y += (lines - 1) * size * 1.4 + 1.6;
        marks.add(new Mark.Line(List.of(new Point(LEFT, y), new Point(RIGHT, y)), false, 0.1, false, Ink.FAINT, ""));
        y += size * 1.25;
    }

    /** A mark of a state at the left of the next line: a disc, a diamond, a square, never by colour alone. */
    void stateMark(boldsatchel.verdict.State state, double x) {
        double r = 1.6;
        double cy = y - 1.1;
        List<Point> shape = new ArrayList<>();
        int corners = switch (state) {
            case FINE -> 20;
            case WATCH, STOP -> 4;
        };
        double turn = state == boldsatchel.verdict.State.STOP ? Math.PI / 4 : 0;
        for (int i = 0; i < corners; i++) {
            double a = turn + 2 * Math.PI * i / corners;
            shape.add(new Point(x + r * Math.cos(a), cy + r * Math.sin(a)));
        }
        marks.add(new Mark.Fill(shape, ink(state), 1, ""));
    }

    static Ink ink(boldsatchel.verdict.State state) {
        return switch (state) {
            case FINE -> Ink.FINE;
            case WATCH -> Ink.WATCH;
            case STOP -> Ink.STOP;
        };
    }

    /** A table: its heads, then its rows, with marks of states before those that tell of one. */
    void rows(Block.Rows table) {
        boolean marked = table.rows().stream().anyMatch(r -> r.state().isPresent());
        double left = LEFT + (marked ? STATE_MM : 0);
        double all = table.shares().stream().mapToInt(s -> s).sum();
        List<Double> edges = new ArrayList<>();
        List<Double> widths = new ArrayList<>();
        List<Align> aligns = new ArrayList<>();
        double x = left;
        for (int i = 0; i < table.shares().size(); i++) {
            double width = (RIGHT - left) * table.shares().get(i) / all;
            boolean number = table.numbers().contains(i);
            edges.add(number ? x + width - GUTTER : x);
            widths.add(width - GUTTER);
            aligns.add(number ? Align.RIGHT : Align.LEFT);
            x += width;
        }
        row(table.columns(), edges, widths, aligns, SMALL, true);
        for (Block.Row row : table.rows()) {
            row.state().ifPresent(s -> {
                room(14);
                stateMark(s, LEFT + 2);
            });
            row(row.cells(), edges, widths, aligns, SMALL, false);
        }
    }

    /** A small drawing with words to its right. */
    void beside(Block.Beside beside) {
        double picture = beside.drawing().isPresent() ? BESIDE_MM : 0;
        double left = LEFT + (picture > 0 ? picture + 5 : 0);
        double width = RIGHT - left;
        double words = 0;
        for (Block.Words w : beside.words()) {
            double size = size(w.tone());
            words += wrap(w.text(), size, w.tone() == Block.Tone.STRONG, width).size() * size * 1.5;
        }
        double scale = beside.drawing()
                .map(d -> Math.min(picture / d.widthMm(), BESIDE_MM * 0.7 / d.heightMm()))
                .orElse(1.0);
        double drawn = beside.drawing().map(d -> d.heightMm() * scale).orElse(0.0);
        room(Math.min(BOTTOM - TOP, Math.max(words, drawn) + 4));
        double top = y;
        beside.drawing().ifPresent(d -> marks.addAll(Marks.placed(d, LEFT, top - 4, scale)));
        for (Block.Words w : beside.words()) {
            double size = size(w.tone());
            for (String line : wrap(w.text(), size, w.tone() == Block.Tone.STRONG, width)) {
                room(size * 1.5);
                marks.add(Mark.Text.free(
                        new Point(left, y), size, Align.LEFT, w.tone() == Block.Tone.STRONG, ink(w.tone()), line, ""));
                y += size * 1.5;
            }
        }
        y = Math.max(y, y < top ? y : top - 4 + drawn + 2) + 3;
    }

    static double size(Block.Tone tone) {
        return tone == Block.Tone.SOFT ? SMALL : 3.3;
    }

    static Ink ink(Block.Tone tone) {
        return tone == Block.Tone.SOFT ? Ink.SOFT : Ink.INK;
    }

    /** A drawing at the largest usual scale that fits, with the scale written below. */
    void drawing(Drawing drawing) {
        double[] scales = {1, 1 / 1.25, 1 / 1.5, 0.5, 0.4, 0.25, 0.2, 0.1};
        double scale = 0.1;
        for (double s : scales) {
            if (drawing.widthMm() * s <= RIGHT - LEFT && drawing.heightMm() * s <= BOTTOM - TOP - 14) {
                scale = s;
                break;
            }
        }
        room(drawing.heightMm() * scale + 8);
        marks.addAll(Marks.placed(drawing, LEFT, y - 4, scale));
        y += drawing.heightMm() * scale;
        String ratio =
                scale == 1 ? "1 : 1" : "1 : " + boldsatchel.quantity.Units.format(Math.round(100 / scale) / 100.0);
        marks.add(Mark.Text.free(
                new Point(LEFT, y), 3, Align.LEFT, false, Ink.SOFT, drawing.title() + ", scale " + ratio + ", mm", ""));
        y += 7;
    }

    /** Lines no wider than asked: broken at spaces, and within a word only where it is wider than a line, as words without spaces are. */
    static List<String> wrap(String text, double size, boolean bold, double width) {
        Typeface face = bold ? Typeface.BOLD : Typeface.REGULAR;
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (face.width(longer, size) <= width) {
                line = new StringBuilder(longer);
                continue;
            }
            if (!line.isEmpty()) {
                lines.add(line.toString());
            }
            line = new StringBuilder();
            for (String letter : letters(word)) {
                if (!line.isEmpty() && face.width(line + letter, size) > width) {
                    lines.add(line.toString());
                    line = new StringBuilder();
                }
                line.append(letter);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** Letters with the marks that belong to them. */
    private static List<String> letters(String word) {
        BreakIterator ends = BreakIterator.getCharacterInstance(Locale.ROOT);
        ends.setText(word);
        List<String> letters = new ArrayList<>();
        for (int from = ends.first(), to = ends.next(); to != BreakIterator.DONE; from = to, to = ends.next()) {
            letters.add(word.substring(from, to));
        }
        return letters;
    }
}
