package boldsatchel.log;

import boldsatchel.log.Layout.Column;
import boldsatchel.log.Layout.Role;
import boldsatchel.quantity.Quantity;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a log's layout seems to be, from its first lines. The builder has the last word. */
public final class LayoutGuess {

    /** As many lines are looked at. */
    private static final int LOOKED_AT = 200;

    private static final int LONGEST_LINE = 20_000;
    private static final int LONGEST_NAME = 80;
    private static final char[] SEPARATORS = {'\t', ';', '|', ',', ' '};
    private static final Pattern BRACKETS = Pattern.compile("^(.*?)\\s*[\\[({]\\s*([^\\])}]+?)\\s*[\\])}]\\s*$");
    private static final Pattern BEHIND = Pattern.compile("^(.*?)\\s*[/_,: ]\\s*([^/_,: ]+)$");
    private static final Pattern NUMBER_AND_UNIT = Pattern.compile("^[-+−]?[0-9.,]+\\s*([A-Za-zµΩ°/%²³]+)$");

    /** Units that more than one quantity has, and which is meant on a bench; and what is looked through for the others. */
    private static final List<Quantity> MEASURED = List.of(
            Quantity.VOLTAGE,
            Quantity.CURRENT,
            Quantity.POWER,
            Quantity.CHARGE,
            Quantity.ENERGY,
            Quantity.RESISTANCE,
            Quantity.TEMPERATURE,
            Quantity.MASS,
            Quantity.FREQUENCY,
            Quantity.SOUND,
            Quantity.SHARE,
            Quantity.SHORT_TIME,
            Quantity.TIME);

    /** What a column's name begins with, where it says no unit. */
    private static final Map<String, Quantity> NAMES = Map.ofEntries(
            Map.entry("volt", Quantity.VOLTAGE),
            Map.entry("spannung", Quantity.VOLTAGE),
            Map.entry("amp", Quantity.CURRENT),
            Map.entry("current", Quantity.CURRENT),
            Map.entry("strom", Quantity.CURRENT),
            Map.entry("power", Quantity.POWER),
            Map.entry("watt", Quantity.POWER),
            Map.entry("leistung", Quantity.POWER),
            Map.entry("temp", Quantity.TEMPERATURE),
            Map.entry("capacity", Quantity.CHARGE),
            Map.entry("charge", Quantity.CHARGE),
            Map.entry("energy", Quantity.ENERGY),
            Map.entry("mass", Quantity.MASS),
            Map.entry("weight", Quantity.MASS));

    private static final List<String> TIMES = List.of("time", "date", "elapsed", "stamp", "zeit", "datum", "sec");
    private static final double MILLISECONDS_SINCE_1970 = 1e11;

    private final String text;
    private final List<int[]> lines = new ArrayList<>();

    private LayoutGuess(String text) {
        this.text = text;
        int from = 0;
        while (from < text.length() && lines.size() < LOOKED_AT) {
            int end = LogReader.endOfLine(text, from);
            int to = end > from && text.charAt(end - 1) == '\r' ? end - 1 : end;
            lines.add(new int[] {from, Math.min(to, from + LONGEST_LINE)});
            from = end + 1;
        }
    }

    /** The text of a file: UTF-8 or UTF-16 with their marks, UTF-8 without, or else Latin-1, which every byte is a letter of. */
    public static String text(byte[] bytes) {
        if (bytes.length > 1 && (bytes[0] & 0xff) == 0xff && (bytes[1] & 0xff) == 0xfe) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16LE);
        }
        if (bytes.length > 1 && (bytes[0] & 0xff) == 0xfe && (bytes[1] & 0xff) == 0xff) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16BE);
        }
        String utf8 = new String(bytes, StandardCharsets.UTF_8);
        String read = utf8.indexOf('\ufffd') < 0 ? utf8 : new String(bytes, StandardCharsets.ISO_8859_1);
        return read.startsWith("\ufeff") ? read.substring(1) : read;
    }

    /**
     * What the layout seems to be.
     *
     * @throws LogFault where the text is no log
     */
    public static Layout of(String text) throws LogFault {
        if (text.isBlank()) {
            throw new LogFault("There is nothing in this file.");
        }
        if (text.substring(0, Math.min(text.length(), LONGEST_LINE)).indexOf('\0') >= 0) {
            throw new LogFault("This is no text. Have the logger write CSV or text, and import that.");
        }
        return new LayoutGuess(text).layout();
    }

    private Layout layout() throws LogFault {
        char separator = ',';
        int best = -1;
        for (char candidate : SEPARATORS) {
            int fits = fits(candidate);
            if (fits > best) {
                best = fits;
                separator = candidate;
            }
        }
        char decimal = decimal(separator);
        int first = firstData(separator, decimal);
        if (first < 0) {
            throw new LogFault("No line of this file holds readings: none of the first " + lines.size()
                    + " is mostly numbers. Is it the file of a log, as text?");
        }
        List<Column> columns = columns(separator, decimal, first);
        return new Layout(separator, decimal, first + 1, monthFirst(separator, first), columns);
    }

    private List<String> cells(int line, char separator) {
        int[] at = lines.get(line);
        return new Cells(separator).of(text, at[0], at[1]);
    }

    /** How many cells of lines that have as many as most are times or numbers. */
    private int fits(char separator) {
        Map<Integer, Integer> lengths = new java.util.HashMap<>();
        Map<Integer, Integer> good = new java.util.HashMap<>();
        Numbers point = new Numbers('.');
        Numbers comma = new Numbers(',');
        Stamps stamps = new Stamps(false);
        for (int i = 0; i < lines.size(); i++) {
            List<String> cells = cells(i, separator);
            if (cells.size() < 2 || cells.size() > LogReader.MOST_COLUMNS) {
                continue;
            }
            int numbers = 0;
            for (String cell : cells) {
                boolean reads = !Double.isNaN(point.of(cell, 0, cell.length()))
                        || (separator != ',' && !Double.isNaN(comma.of(cell, 0, cell.length())))
                        || !Double.isNaN(stamps.of(cell, 0, cell.length()))
                        || NUMBER_AND_UNIT.matcher(cell).matches();
                numbers += reads ? 2 : cell.isEmpty() ? 0 : -1;
            }
            lengths.merge(cells.size(), 1, Integer::sum);
            good.merge(cells.size(), numbers, Integer::sum);
        }
        return lengths.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(e -> good.getOrDefault(e.getKey(), 0))
                .orElse(0);
    }

    /** A comma where cells have one that stands for no thousands, and no cell has a point that could only be one. */
    private char decimal(char separator) {
        if (separator == ',') {
            return '.';
        }
        int commas = 0;
        int points = 0;
        for (int i = 0; i < lines.size(); i++) {
            for (String cell : cells(i, separator)) {
                if (cell.matches("[-+−]?\\d*,\\d+([eE][-+]?\\d+)?\\s*\\p{L}*|[-+−]?\\d{1,3}(\\.\\d{3})+,\\d+")) {
                    commas++;
                } else if (cell.matches(
                        "[-+−]?\\d*\\.\\d+([eE][-+]?\\d+)?\\s*\\p{L}*|[-+−]?\\d{1,3}(,\\d{3})+\\.\\d+")) {
                    points++;
                }
            }
        }
        return commas > points ? ',' : '.';
    }

    /** The first line that is mostly numbers and times, as the next is that is no remark; negative without. */
    private int firstData(char separator, char decimal) {
        int alone = -1;
        for (int i = 0; i < lines.size(); i++) {
            if (isData(i, separator, decimal)) {
                int next = i + 1;
                while (next < lines.size() && isRemark(next)) {
                    next++;
                }
                if (next == lines.size() || isData(next, separator, decimal)) {
                    return i;
                }
                alone = alone < 0 ? i : alone;
            }
        }
        return alone;
    }

    /** Blank, or said to be none of the readings. */
    private boolean isRemark(int line) {
        int[] at = lines.get(line);
        String plain = text.substring(at[0], at[1]).strip();
        return plain.isEmpty() || plain.startsWith("#");
    }

    private boolean isData(int line, char separator, char decimal) {
        if (isRemark(line)) {
            return false;
        }
        Numbers numbers = new Numbers(decimal);
        Stamps stamps = new Stamps(false);
        int good = 0;
        int filled = 0;
        for (String cell : cells(line, separator)) {
            filled += cell.isEmpty() ? 0 : 1;
            good += !Double.isNaN(numbers.of(cell, 0, cell.length()))
                            || !Double.isNaN(stamps.of(cell, 0, cell.length()))
                            || NUMBER_AND_UNIT.matcher(cell).matches()
                    ? 1
                    : 0;
        }
        return good > 0 && 2 * good >= filled;
    }

    private boolean monthFirst(char separator, int first) {
        boolean month = false;
        for (int i = first; i < lines.size(); i++) {
            for (String cell : cells(i, separator)) {
                Matcher date =
                        Pattern.compile("^(\\d{1,2})/(\\d{1,2})/\\d{2,4}.*").matcher(cell);
                if (date.matches()) {
                    if (Integer.parseInt(date.group(1)) > 12) {
                        return false;
                    }
                    month |= Integer.parseInt(date.group(2)) > 12
                            || cell.toUpperCase(Locale.ROOT).endsWith("M");
                }
            }
        }
        return month;
    }

    private List<Column> columns(char separator, char decimal, int first) {
        List<String> data = cells(first, separator);
        int count = data.size();
        for (int i = first; i < lines.size(); i++) {
            count = Math.max(
                    count,
                    Math.min(LogReader.MOST_COLUMNS + 1, cells(i, separator).size()));
        }
        Optional<Integer> units = above(first, separator, count)
                .filter(line -> cells(line, separator).stream().allMatch(c -> c.isEmpty() || unit(c).isPresent()));
        Optional<Integer> names =
                units.isPresent() ? above(units.get(), separator, count) : above(first, separator, count);
        List<Column> columns = new ArrayList<>();
        boolean timed = false;
        boolean dated = false;
        for (int i = 0; i < count; i++) {
            int place = i;
            String header = names.map(n -> cells(n, separator))
                    .filter(c -> place < c.size())
                    .map(c -> c.get(place))
                    .orElse("");
            Optional<String> unit = units.map(u -> cells(u, separator))
                    .filter(c -> place < c.size())
                    .map(c -> c.get(place));
            Column column = column(header, unit, data, decimal, place);
            if (column.role() == Role.TIME) {
                Stamps.Kind kind = kind(data, place);
                boolean pair = dated && kind == Stamps.Kind.CLOCK;
                if (timed && !pair) {
                    column = column.as(Role.LEFT_OUT, column.quantity(), column.factor());
                }
                timed = true;
                dated |= kind == Stamps.Kind.DATE;
            }
            columns.add(column);
        }
        return timed ? columns : withTime(columns, decimal, separator, first);
    }

    /** A first column without name or unit that only grows is the time. */
    private List<Column> withTime(List<Column> columns, char decimal, char separator, int first) {
        if (columns.size() < 2 || columns.getFirst().role() != Role.LEFT_OUT) {
            return columns;
        }
        Numbers numbers = new Numbers(decimal);
        double last = Double.NEGATIVE_INFINITY;
        int seen = 0;
        for (int i = first; i < lines.size(); i++) {
            List<String> cells = cells(i, separator);
            double now = cells.isEmpty()
                    ? Double.NaN
                    : numbers.of(cells.getFirst(), 0, cells.getFirst().length());
            if (Double.isNaN(now)) {
                continue;
            }
            if (now <= last) {
                return columns;
            }
            last = now;
            seen++;
        }
        if (seen < 2) {
            return columns;
        }
        List<Column> timed = new ArrayList<>(columns);
        timed.set(0, columns.getFirst().as(Role.TIME, Quantity.SHORT_TIME, last > MILLISECONDS_SINCE_1970 ? 1e-3 : 1));
        return timed;
    }

    /** The line above that is no comment and no blank, if it has about as many cells. */
    private Optional<Integer> above(int line, char separator, int count) {
        for (int i = line - 1; i >= 0; i--) {
            List<String> cells = cells(i, separator);
            boolean blank = cells.stream().allMatch(String::isEmpty);
            if (!blank) {
                return cells.size() > 1 && Math.abs(cells.size() - count) <= 1 ? Optional.of(i) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    private static Stamps.Kind kind(List<String> data, int place) {
        Stamps stamps = new Stamps(false);
        String cell = place < data.size() ? data.get(place) : "";
        stamps.of(cell, 0, cell.length());
        return stamps.kind();
    }

    private static Column column(String header, Optional<String> unitLine, List<String> data, char decimal, int place) {
        String brief = header.substring(0, Math.min(header.length(), LONGEST_NAME));
        String plain = brief.startsWith("#") ? brief.substring(1).strip() : brief;
        String name = plain;
        Optional<Unit> unit = unitLine.flatMap(LayoutGuess::unit);
        for (Pattern pattern : List.of(BRACKETS, BEHIND)) {
            Matcher m = pattern.matcher(plain);
            if (unit.isEmpty() && m.matches()) {
                unit = unit(m.group(2));
                name = unit.isPresent() && !m.group(1).isBlank() ? m.group(1).strip() : name;
            }
        }
        String cell = place < data.size() ? data.get(place) : "";
        Matcher written = NUMBER_AND_UNIT.matcher(cell);
        if (unit.isEmpty() && written.matches()) {
            unit = unit(written.group(1));
        }
        if (unit.isEmpty()) {
            unit = unit(plain)
                    .filter(u -> u.quantity().units().contains(plain))
                    .filter(u -> u.quantity() != Quantity.SHORT_TIME && u.quantity() != Quantity.TIME);
        }
        String shown = name.isBlank() ? "column " + (place + 1) : name;
        String lower = plain.toLowerCase(Locale.ROOT);
        boolean stamped = kind(data, place) != Stamps.Kind.NEITHER;
        boolean named = TIMES.stream().anyMatch(lower::contains) || lower.equals("t") || lower.equals("s");
        Optional<Quantity> byName = NAMES.entrySet().stream()
                .filter(e -> lower.startsWith(e.getKey()))
                .map(Map.Entry::getValue)
                .findFirst();
        boolean timed = unit.map(u -> u.quantity() == Quantity.SHORT_TIME || u.quantity() == Quantity.TIME)
                .orElse(named && byName.isEmpty());
        if (stamped || timed) {
            return new Column(shown, Role.TIME, Quantity.SHORT_TIME, seconds(unit, cell, decimal));
        }
        if (unit.isPresent()) {
            return new Column(
                    shown, Role.VALUE, unit.get().quantity(), unit.get().factor());
        }
        return byName.map(q -> new Column(shown, Role.VALUE, q, 1))
                .orElseGet(() -> new Column(shown, Role.LEFT_OUT, Quantity.COUNT, 1));
    }

    /** Seconds in what a time is counted in; milliseconds since 1970 are told by their size. */
    private static double seconds(Optional<Unit> unit, String cell, char decimal) {
        double hours = unit.filter(u -> u.quantity() == Quantity.TIME)
                .map(u -> u.factor() * 3600)
                .orElse(1.0);
        double factor = unit.filter(u -> u.quantity() == Quantity.SHORT_TIME)
                .map(Unit::factor)
                .orElse(hours);
        double value = new Numbers(decimal).of(cell, 0, cell.length());
        return unit.isEmpty() && value > MILLISECONDS_SINCE_1970 ? 1e-3 : factor;
    }

    /** A unit and what it measures. */
    private record Unit(Quantity quantity, double factor) {}

    private static Optional<Unit> unit(String symbol) {
        String plain = symbol.strip()
                .replace("Deg", "°")
                .replace("deg", "°")
                .replace("º", "°")
                .replace("hour", "h")
                .replaceAll("^(seconds?|sec)$", "s")
                .replaceAll("^(minutes?)$", "min")
                .replaceAll("^(volts?|Volts?)$", "V")
                .replaceAll("^(amps?|Amps?|amperes?)$", "A")
                .replaceAll("^(watts?|Watts?)$", "W");
        return MEASURED.stream()
                .flatMap(q -> q.factor(plain).map(f -> new Unit(q, f)).stream())
                .findFirst();
    }
}
