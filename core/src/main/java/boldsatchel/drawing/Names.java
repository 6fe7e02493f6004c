package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Puts names on a picture so that none lies on another. What is painted is kept on a grid, so that it is known what of each thing can be seen. A name
 * that has room on what is seen of its thing stands there; the others stand in columns beside the picture, in the order of their things from
 * above, each with a line to it, so that no two lines cross.
 */
final class Names {

    /** Cells of the grid along the longer side. */
    private static final int CELLS = 360;

    /** Letters on a line of a column: as many as there is room for, and no fewer or more than these. */
    private static final int LETTERS = 14;

    private static final int MOST_LETTERS = 24;
    private static final int MOST_LINES = 3;
    /** Height of what stands over the left column, in letters' sizes. */
    private static final double CHOICE = 2.6;

    private static final int NOBODY = -1;

    private final double cell;
    private final int across;
    private final int down;
    private final int[] owner;
    private final List<String> subjects = new ArrayList<>();
    private final Map<String, Integer> index = new HashMap<>();
    /** Where each subject was painted: no cell of it is outside. */
    private final List<Reach> reaches = new ArrayList<>();

    /** Columns and rows, both ends among them. */
    private static final class Reach {
        int left = Integer.MAX_VALUE;
        int right = -1;
        int top = Integer.MAX_VALUE;
        int bottom = -1;

        void add(int row, int from, int to) {
            left = Math.min(left, from);
            right = Math.max(right, to);
            top = Math.min(top, row);
            bottom = Math.max(bottom, row);
        }
    }

    /** A picture of a size on its sheet. */
    Names(double widthMm, double heightMm) {
        cell = Math.max(widthMm, heightMm) / CELLS;
        across = (int) Math.ceil(widthMm / cell);
        down = (int) Math.ceil(heightMm / cell);
        owner = new int[Math.max(1, across * down)];
        Arrays.fill(owner, NOBODY);
    }

    /** Something is painted over all that was before; points of the sheet. */
    void paint(String subject, List<Point> corners) {
        int id = index.computeIfAbsent(subject, s -> {
            subjects.add(s);
            reaches.add(new Reach());
            return subjects.size() - 1;
        });
        double low = corners.stream().mapToDouble(Point::y).min().orElse(0);
        double high = corners.stream().mapToDouble(Point::y).max().orElse(0);
        double[] crossings = new double[corners.size()];
        for (int row = Math.max(0, (int) (low / cell)); row < Math.min(down, high / cell + 1); row++) {
            double y = (row + 0.5) * cell;
            int n = 0;
            Point before = corners.getLast();
            for (Point c : corners) {
                if (c.y() > y != before.y() > y) {
                    crossings[n++] = before.x() + (c.x() - before.x()) * (y - before.y()) / (c.y() - before.y());
                }
                before = c;
            }
            Arrays.sort(crossings, 0, n);
            for (int k = 0; k + 1 < n; k += 2) {
                int from = Math.max(0, (int) Math.ceil(crossings[k] / cell - 0.5));
                int to = Math.min(across - 1, (int) Math.floor(crossings[k + 1] / cell - 0.5));
                if (from <= to) {
                    Arrays.fill(owner, row * across + from, row * across + to + 1, id);
                    reaches.get(id).add(row, from, to);
                }
            }
        }
    }

    /** What is on top at a point of the sheet; empty where nothing is. */
    String at(double x, double y) {
        int column = (int) (x / cell);
        int row = (int) (y / cell);
        boolean on = column >= 0 && column < across && row >= 0 && row < down;
        int id = on ? owner[row * across + column] : NOBODY;
        return id == NOBODY ? "" : subjects.get(id);
    }

    /**
     * A name to be put.
     *
     * @param ink of the ground that it is written on where it stands on its thing
     */
    record Name(String subject, String text, boolean bold, Ink ink) {}

    /** A name in its place: lines of text, each of so many letters at most, and a line to its thing where it stands aside. */
    private record Beside(Name name, int most, List<String> lines, Point at) {

        /** On a line less. */
        Beside shorter() {
            return new Beside(name, most, Names.lines(name.text(), lines.size() - 1, most), at);
        }

        int letters() {
            return lines.stream().mapToInt(String::length).sum();
        }
    }

    /**
     * Writes the names.
     *
     * @param letterMm size of letters on the sheet
     * @param left where the left column ends; nothing stands there where it is too narrow
     * @param right where the right column begins
     * @param aside whether all stand aside
     */
    void write(List<Mark> marks, List<Name> names, double letterMm, double left, double right, boolean aside) {
        boolean both = left > columnLetters() * letterMm - cell;
        double column = Math.min(both ? left : across * cell, across * cell - right) / letterMm - 1;
        int most = (int) Math.clamp(column / Sketch.LETTER_WIDTH, LETTERS, MOST_LETTERS);
        List<Beside> beside = new ArrayList<>();
        for (Name name : names) {
            Integer id = index.get(name.subject());
            if (id == null) {
                continue;
            }
            double[] seen = middle(id);
            if (seen.length == 0) {
                continue;
            }
            double wide = name.text().length() * letterMm * Sketch.LETTER_WIDTH;
            double[] room = aside ? new double[0] : room(id, wide + letterMm * 0.6, letterMm * 1.3, seen);
            if (room.length > 0) {
                on(marks, name, new Point(room[0], room[1]), letterMm, wide);
            } else {
                Point at = new Point(seen[0], seen[1]);
                beside.add(new Beside(name, most, lines(name.text(), MOST_LINES, most), at));
            }
        }
        columns(marks, beside, letterMm, both ? left : 0, right);
    }

    private static void on(List<Mark> marks, Name name, Point at, double letterMm, double wide) {
        double x = at.x() - wide / 2 - letterMm * 0.25;
        double y = at.y() - letterMm * 0.62;
        double w = wide + letterMm * 0.5;
        double h = letterMm * 1.24;
        marks.add(new Mark.Fill(
                List.of(new Point(x, y), new Point(x + w, y), new Point(x + w, y + h), new Point(x, y + h)),
                name.ink(),
                0.85,
                name.subject()));
        marks.add(Mark.Text.free(
                new Point(at.x(), at.y() + letterMm * 0.36),
                letterMm,
                Align.CENTRE,
                name.bold(),
                Ink.INK,
                name.text(),
                name.subject()));
    }

    /** Each to the nearer side; a side that is full gives to the other. */
    private void columns(List<Mark> marks, List<Beside> all, double letterMm, double left, double right) {
        double middle = left > 0 ? (left + right) / 2 : 0;
        List<Beside> sorted = new ArrayList<>(all);
        sorted.sort(Comparator.comparingDouble(b -> b.at().x()));
        double height = down * cell;
        List<Beside> ofLeft = new ArrayList<>();
        List<Beside> ofRight = new ArrayList<>();
        for (Beside b : sorted) {
            (b.at().x() < middle ? ofLeft : ofRight).add(b);
        }
        // At the top left is the choice of what is shown.
        double choice = CHOICE * letterMm;
        while (taken(ofLeft, letterMm) > height - choice
                && taken(ofRight, letterMm) < taken(ofLeft, letterMm) - letterMm * 3) {
            ofRight.addFirst(ofLeft.removeLast());
        }
        while (left > 0
                && taken(ofRight, letterMm) > height
                && taken(ofLeft, letterMm) < taken(ofRight, letterMm) - letterMm * 3) {
            ofLeft.add(ofRight.removeFirst());
        }
        column(marks, fitting(ofLeft, height - choice, letterMm), letterMm, left - letterMm * 0.8, choice, Align.RIGHT);
        column(marks, fitting(ofRight, height, letterMm), letterMm, right + letterMm * 0.8, 0, Align.LEFT);
    }

    /** Where there is no room for all lines, names are cut one after the other, first those of which the least is lost. */
    private static List<Beside> fitting(List<Beside> side, double height, double letterMm) {
        List<Beside> shorter = new ArrayList<>(side);
        while (taken(shorter, letterMm) > height) {
            Optional<Beside> next = shorter.stream()
                    .filter(b -> b.lines().size() > 1)
                    .min(Comparator.comparingInt(
                            b -> b.name().text().length() - b.shorter().letters()));
            if (next.isEmpty()) {
                break;
            }
            shorter.replaceAll(b -> b.equals(next.get()) ? b.shorter() : b);
        }
        return shorter;
    }

    private static String cut(String text, int letters) {
        return text.length() <= letters ? text : text.substring(0, letters - 1).strip() + "…";
    }

    private static double taken(List<Beside> side, double letterMm) {
        return side.stream().mapToDouble(b -> high(b, letterMm)).sum();
    }

    private static double high(Beside b, double letterMm) {
        return heightLetters(b.lines().size()) * letterMm;
    }

    /** As near to the height of its thing as the others let it, from above. */
    private void column(List<Mark> marks, List<Beside> side, double letterMm, double x, double from, Align align) {
        side.sort(Comparator.comparingDouble(b -> b.at().y()));
        double[] tops = new double[side.size()];
        double next = from;
        for (int i = 0; i < tops.length; i++) {
            double wanted = side.get(i).at().y() - high(side.get(i), letterMm) / 2;
            tops[i] = Math.max(next, wanted);
            next = tops[i] + high(side.get(i), letterMm);
        }
        double end = Math.max(down * cell, from + taken(side, letterMm));
        for (int i = tops.length - 1; i >= 0; i--) {
            tops[i] = Math.min(tops[i], end - high(side.get(i), letterMm));
            end = tops[i];
        }
        double sign = align == Align.RIGHT ? 1 : -1;
        for (int i = 0; i < tops.length; i++) {
            Beside b = side.get(i);
            double lineY = tops[i] + high(b, letterMm) / 2;
            marks.add(new Mark.Line(
                    List.of(new Point(x + sign * letterMm * 0.3, lineY), new Point(x + sign * letterMm, lineY), b.at()),
                    false,
                    Sketch.NARROW,
                    false,
                    Ink.SOFT,
                    b.name().subject()));
            dot(marks, b, letterMm);
            double y = lineY - (b.lines().size() - 1) * 1.15 * letterMm / 2 + letterMm * 0.36;
            for (String line : b.lines()) {
                marks.add(Mark.Text.free(
                        new Point(x, y),
                        letterMm,
                        align,
                        b.name().bold(),
                        Ink.INK,
                        line,
                        b.name().subject()));
                y += 1.15 * letterMm;
            }
        }
    }

    private static void dot(List<Mark> marks, Beside b, double letterMm) {
        List<Point> ring = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            double angle = 2 * Math.PI * i / 10;
            ring.add(new Point(
                    b.at().x() + letterMm * 0.17 * Math.cos(angle), b.at().y() + letterMm * 0.17 * Math.sin(angle)));
        }
        marks.add(new Mark.Fill(ring, Ink.INK, 1, b.name().subject()));
    }

    /** A name on several lines where it is long, none of them much longer than the others; what is still too long is cut. */
    private static List<String> lines(String text, int most, int letters) {
        List<String> best = broken(text, most, letters);
        for (int fewer = letters - 1; fewer > 0; fewer--) {
            List<String> narrower = broken(text, most, fewer);
            if (narrower.size() > best.size() || !String.join(" ", narrower).equals(text)) {
                break;
            }
            best = narrower;
        }
        return best;
    }

    private static List<String> broken(String text, int most, int letters) {
        List<String> lines = new ArrayList<>();
        String rest = text;
        while (rest.length() > letters && lines.size() < most - 1) {
            int space = rest.lastIndexOf(' ', letters);
            String line = space > 0 ? rest.substring(0, space) : rest.substring(0, letters);
            lines.add(line);
            rest = rest.substring(line.length()).strip();
        }
        lines.add(cut(rest, letters));
        return lines;
    }

    /** Height that a name of so many lines takes in a column, in letters' sizes. */
    static double heightLetters(int lines) {
        return lines * 1.15 + 0.45;
    }

    /** Width that a column of names takes at least, in letters' sizes. */
    static double columnLetters() {
        return LETTERS * Sketch.LETTER_WIDTH + 1;
    }

    /** The seen cell that is nearest to the middle of all seen cells; nothing where nothing is seen. */
    private double[] middle(int id) {
        Reach reach = reaches.get(id);
        double x = 0;
        double y = 0;
        int n = 0;
        for (int row = reach.top; row <= reach.bottom; row++) {
            for (int column = reach.left; column <= reach.right; column++) {
                if (owner[row * across + column] == id) {
                    x += column;
                    y += row;
                    n++;
                }
            }
        }
        double[] best = new double[0];
        double least = Double.POSITIVE_INFINITY;
        for (int row = reach.top; row <= reach.bottom; row++) {
            for (int column = reach.left; column <= reach.right; column++) {
                if (owner[row * across + column] == id) {
                    double off = square(column - x / n) + square(row - y / n);
                    if (off < least) {
                        least = off;
                        best = new double[] {(column + 0.5) * cell, (row + 0.5) * cell};
                    }
                }
            }
        }
        return best;
    }

    private static double square(double d) {
        return d * d;
    }

    /** The middle of a free rectangle of seen cells, nearest to a point; nothing where there is none. */
    private double[] room(int id, double wide, double high, double[] near) {
        int w = (int) Math.ceil(wide / cell);
        int h = (int) Math.ceil(high / cell);
        Reach reach = reaches.get(id);
        if (reach.right - reach.left + 1 < w || reach.bottom - reach.top + 1 < h) {
            return new double[0];
        }
        int columns = reach.right - reach.left + 1;
        int[] runs = new int[columns * (reach.bottom - reach.top + 1)];
        for (int row = reach.top; row <= reach.bottom; row++) {
            int run = 0;
            for (int column = 0; column < columns; column++) {
                run = owner[row * across + reach.left + column] == id ? run + 1 : 0;
                runs[(row - reach.top) * columns + column] = run;
            }
        }
        double[] best = new double[0];
        double least = Double.POSITIVE_INFINITY;
        for (int column = w - 1; column < columns; column++) {
            int run = 0;
            for (int row = reach.top; row <= reach.bottom; row++) {
                run = runs[(row - reach.top) * columns + column] >= w ? run + 1 : 0;
                if (run >= h) {
                    double x = (reach.left + column + 1 - w / 2.0) * cell;
                    double y = (row + 1 - h / 2.0) * cell;
                    double off = square(x - near[0]) + square(y - near[1]);
                    if (off < least) {
                        least = off;
                        best = new double[] {x, y};
                    }
                }
            }
        }
        return best;
    }
}
