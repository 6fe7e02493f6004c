package boldsatchel.log;

import boldsatchel.log.Layout.Column;
import boldsatchel.log.Layout.Role;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Reads the text of a log as its layout says. No reading is lost without a word: what has no time, goes back in time or is no number is
 * kept as far as it can be, and told with the line it was first met in.
 */
public final class LogReader {

    /** Longer texts are refused, characters. */
    public static final int MOST_CHARS = 200_000_000;

    /** More columns are refused. */
    public static final int MOST_COLUMNS = 64;

    /** A clock that goes back by no more than this was only set right, s. */
    private static final double SET_RIGHT_S = 1;

    private static final int DAY_SECONDS = 86_400;

    private final String text;
    private final Layout layout;
    private final Cells cells;
    private final Numbers numbers;
    private final Stamps stamps;
    private final List<String> notes = new ArrayList<>();
    private final double[][] values;
    private final Column[] columns;
    private final int[] slots;
    private final boolean timed;
    private final Counted noNumbers = new Counted();
    private final Counted noTime = new Counted();
    private final Counted setRight = new Counted();
    private final Counted anew = new Counted();
    private final Counted words = new Counted();
    private double[] seconds = new double[1024];
    private int size;
    private double ahead;
    private double zero = Double.NaN;
    private double clockTime;
    private double dayTime;
    private double plainTime;

    /**
     * A log and what is to be known about how it was read.
     *
     * @param log what was read
     * @param notes in words, each a sentence
     */
    public record Read(Log log, List<String> notes) {
        /** Copies the list. */
        public Read {
            notes = List.copyOf(notes);
        }
    }

    /** How often something was met, and where first. */
    private static final class Counted {
        private int times;
        private int firstLine;
        private String first = "";

        void meet(int line, String what) {
            if (times == 0) {
                firstLine = line;
                first = what.length() > 24 ? what.substring(0, 24) + "…" : what;
            }
            times++;
        }
    }

    private LogReader(String text, Layout layout) {
        this.text = text;
        this.layout = layout;
        cells = new Cells(layout.separator());
        numbers = new Numbers(layout.decimal());
        stamps = new Stamps(layout.monthFirst());
        columns = layout.columns().toArray(Column[]::new);
        timed = layout.columns().stream().anyMatch(c -> c.role() == Role.TIME);
        slots = new int[columns.length];
        int count = 0;
        for (int i = 0; i < slots.length; i++) {
            slots[i] = columns[i].role() == Role.VALUE ? count++ : -1;
        }
        values = new double[count][1024];
    }

    /**
     * Reads a log.
     *
     * @throws LogFault where there is no reading in it
     */
    public static Read read(String text, Layout layout) throws LogFault {
        check(text, layout);
        return new LogReader(text, layout).read();
    }

    private static void check(String text, Layout layout) throws LogFault {
        if (text.length() > MOST_CHARS) {
            throw new LogFault("This log is longer than " + MOST_CHARS / 1_000_000
                    + " million characters. Cut it into pieces, or have the logger write less often.");
        }
        if (layout.columns().size() > MOST_COLUMNS) {
            throw new LogFault("This has " + layout.columns().size() + " columns; a log has " + MOST_COLUMNS
                    + " at most. Is another mark between the cells?");
        }
        if (layout.columns().stream().noneMatch(c -> c.role() == Role.VALUE)) {
            throw new LogFault("No column is taken for a reading. Say which column holds what.");
        }
    }

    private Read read() throws LogFault {
        int line = 1;
        int from = 0;
        while (from < text.length()) {
            int end = endOfLine(text, from);
            if (line >= layout.firstLine() && !isBlank(from, end)) {
                row(line, from, end);
            }
            from = end + 1;
            line++;
        }
        if (size == 0) {
            throw new LogFault(
                    noTime.times > 0
                            ? "No line has a time that can be read, the first being “" + noTime.first + "” in line "
                                    + noTime.firstLine
                                    + ". Write times as 14:03:22, 2026-11-20 14:03:22 or seconds, or take "
                                    + "another column for the time."
                            : "There is no line with readings from line " + layout.firstLine()
                                    + " on. Is it the file of a log, as text?");
        }
        notes();
        List<Log.Channel> channels = new ArrayList<>();
        for (int i = 0; i < slots.length; i++) {
            if (slots[i] >= 0) {
                Column column = columns[i];
                channels.add(new Log.Channel(column.name(), column.quantity(), Arrays.copyOf(values[slots[i]], size)));
            }
        }
        return new Read(new Log(Arrays.copyOf(seconds, size), channels), notes);
    }

    /** Where a line ends: at its last character, be it followed by LF, by CR LF or by nothing. */
    static int endOfLine(String text, int from) {
        int end = text.indexOf('\n', from);
        return end < 0 ? text.length() : end;
    }

    private boolean isBlank(int from, int end) {
        int at = from;
        while (at < end && text.charAt(at) <= ' ') {
            at++;
        }
        return at == end || text.charAt(at) == '#';
    }

    private void row(int line, int from, int lineEnd) {
        int end = lineEnd > from && text.charAt(lineEnd - 1) == '\r' ? lineEnd - 1 : lineEnd;
        if (size == seconds.length) {
            grow();
        }
        for (double[] channel : values) {
            channel[size] = Double.NaN;
        }
        clockTime = Double.NaN;
        dayTime = Double.NaN;
        plainTime = Double.NaN;
        boolean any = false;
        String oddCell = "";
        boolean odd = false;
        int column = 0;
        int at = cells.start(text, from, end);
        while (at <= end && column < slots.length) {
            int to = cells.end(text, at, end);
            if (slots[column] >= 0) {
                double value = value(columns[column], at, to);
                values[slots[column]][size] = value;
                any |= !Double.isNaN(value);
                if (Double.isNaN(value) && !isBlankCell(at, to)) {
                    odd = true;
                    oddCell = oddCell.isEmpty() ? Cells.plain(text, at, to) : oddCell;
                }
            } else if (columns[column].role() == Role.TIME) {
                time(columns[column], at, to);
            }
            at = cells.next(text, to, end);
            column++;
        }
        double time = time();
        if (!any && Double.isNaN(time)) {
            words.meet(line, text.substring(from, end).strip());
        } else if (Double.isNaN(time)) {
            noTime.meet(line, text.substring(from, end).strip());
        } else {
            if (odd) {
                noNumbers.meet(line, oddCell);
            }
            take(line, time);
        }
    }

    private void grow() {
        int more = size + (size >> 1);
        seconds = Arrays.copyOf(seconds, more);
        for (int i = 0; i < values.length; i++) {
            values[i] = Arrays.copyOf(values[i], more);
        }
    }

    private boolean isBlankCell(int from, int to) {
        for (int i = from; i < to; i++) {
            char c = text.charAt(i);
            if (c > ' ' && c != '-' && c != '"') {
                return false;
            }
        }
        return true;
    }

    /** A reading in its stored unit; a unit written in the cell itself counts. */
    private double value(Column column, int from, int to) {
        double plain = numbers.of(text, from, to);
        if (!Double.isNaN(plain)) {
            return plain * column.factor();
        }
        String cell = Cells.plain(text, from, to);
        int unit = 0;
        while (unit < cell.length() && !Character.isLetter(cell.charAt(unit)) && cell.charAt(unit) != '°') {
            unit++;
        }
        double before = numbers.of(cell, 0, unit);
        return Double.isNaN(before)
                ? Double.NaN
                : column.quantity()
                        .factor(cell.substring(unit).strip())
                        .map(f -> before * f)
                        .orElse(Double.NaN);
    }

    private void time(Column column, int from, int to) {
        double stamp = stamps.of(text, from, to);
        switch (stamps.kind()) {
            case CLOCK -> clockTime = stamp;
            case DATE -> dayTime = stamp;
            case BOTH -> plainTime = stamp;
            case NEITHER -> {
                double number = numbers.of(text, from, to);
                plainTime = Double.isNaN(plainTime) ? number * column.factor() : plainTime;
            }
        }
    }

    /** Seconds of the line that was read last. */
    private double time() {
        if (!timed) {
            return size;
        }
        if (!Double.isNaN(dayTime) && !Double.isNaN(clockTime)) {
            return dayTime + clockTime;
        }
        return !Double.isNaN(plainTime) ? plainTime : !Double.isNaN(clockTime) ? clockTime : dayTime;
    }

    private void take(int line, double time) {
        if (Double.isNaN(zero)) {
            zero = time;
        }
        double now = time - zero + ahead;
        double last = size == 0 ? 0 : seconds[size - 1];
        if (now < last) {
            boolean midnight = !Double.isNaN(clockTime) && Double.isNaN(dayTime) && last - now > DAY_SECONDS / 2.0;
            if (midnight) {
                ahead += DAY_SECONDS * Math.ceil((last - now) / DAY_SECONDS);
                now = time - zero + ahead;
            } else if (last - now <= SET_RIGHT_S) {
                setRight.meet(line, "");
                now = last;
            } else {
                anew.meet(line, "");
                double step = size > 1 ? seconds[size - 1] - seconds[size - 2] : 0;
                ahead += last + step - now;
                now = last + step;
            }
        }
        seconds[size++] = now;
    }

    private void notes() {
        if (!timed) {
            notes.add("No column says when: one reading a second is taken.");
        }
        note(noTime, "line has no time that can be read and is left out", "lines have no time and are left out");
        note(noNumbers, "line has a cell that is no number", "lines have cells that are no numbers");
        note(
                setRight,
                "line is a little before the one above; it is taken at its moment",
                "lines are a little before the one above; they are taken at its moment");
        note(
                anew,
                "time the clock starts anew; the log goes on from there",
                "times the clock starts anew; the log goes on from there");
        note(
                words,
                "line among the readings is none and is left out",
                "lines among the readings are none and are left out");
    }

    private void note(Counted counted, String one, String many) {
        if (counted.times > 0) {
            String first = counted.first.isEmpty() ? "" : " (“" + counted.first + "”)";
            notes.add(String.format(
                    Locale.ROOT,
                    "%d %s: %s line %d%s.",
                    counted.times,
                    counted.times == 1 ? one : many,
                    counted.times == 1 ? "in" : "first in",
                    counted.firstLine,
                    first));
        }
    }
}
