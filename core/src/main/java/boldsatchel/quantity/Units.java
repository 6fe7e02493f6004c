package boldsatchel.quantity;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads and writes numbers with units as people write them: {@code 5 in}, {@code 1 lb 4 oz}, {@code 12-19 V}. */
public final class Units {

    private static final String NUMBER = "[+-]?(?:\\d+(?:[.,]\\d*)?|[.,]\\d+)(?:[eE][+-]?\\d+)?";
    private static final Pattern TERM =
            Pattern.compile("\\s*(" + NUMBER + ")\\s*([^\\d\\s+.,-][^\\s\\d]*(?:2O|2|3/h)?)?\\s*");
    private static final Pattern RANGE = Pattern.compile(
            "\\s*(" + NUMBER + ")\\s*([^\\d\\s.,–-]*)\\s*(?:-|–|to|…|\\.\\.)\\s*(" + NUMBER + ")\\s*(.*?)\\s*");
    private static final Pattern GAUGE = Pattern.compile("(?i)\\s*(?:AWG\\s*(\\d{1,2})|(\\d{1,2})\\s*AWG)\\s*");

    private Units() {}

    /** What was written cannot be read; the message says what would be right. */
    public static final class UnreadableException extends Exception {
        private static final long serialVersionUID = 1;

        private final String words;

        UnreadableException(String words) {
            super(words);
            this.words = words;
        }

        @Override
        public String getMessage() {
            return words;
        }
    }

    /**
     * A range of one quantity.
     *
     * @param low lower end, stored unit
     * @param high upper end, stored unit, not below the lower
     */
    public record Range(double low, double high) {}

    /**
     * Reads one value, or a sum of terms in falling units such as {@code 1 lb 4 oz}. A number without a unit is taken in
     * the stored unit.
     *
     * @return the value in the stored unit of the quantity
     * @throws UnreadableException saying what was wrong and what would be right
     */
    public static double parse(Quantity quantity, String text) throws UnreadableException {
        if (text.isBlank()) {
            throw new UnreadableException("Nothing is written here; write for example " + quantity.example() + ".");
        }
        Matcher term = TERM.matcher(text);
        double sum = 0;
        int at = 0;
        while (at < text.length()) {
            if (!term.find(at) || term.start() != at) {
                throw new UnreadableException("“" + text.strip() + "” is not a number with a unit; write for example "
                        + quantity.example() + ".");
            }
            String symbol = Optional.ofNullable(term.group(2)).orElse(quantity.unit());
            double factor = symbol.isEmpty() ? 1 : factor(quantity, symbol);
            sum += Double.parseDouble(term.group(1).replace(',', '.')) * factor;
            at = term.end();
        }
        return sum;
    }

    private static double factor(Quantity quantity, String symbol) throws UnreadableException {
        Optional<Double> factor = quantity.factor(symbol);
        if (factor.isEmpty()) {
            String known = quantity.units().isEmpty()
                    ? "write the number alone"
                    : "write it in " + String.join(", ", quantity.units());
            throw new UnreadableException("“" + symbol + "” is no unit for this field; " + known + ".");
        }
        return factor.get();
    }

    /**
     * Reads a range such as {@code 12-19 V}; a single value is a range of no width.
     *
     * @throws UnreadableException saying what was wrong and what would be right
     */
    public static Range parseRange(Quantity quantity, String text) throws UnreadableException {
        Matcher range = RANGE.matcher(text);
        if (!range.matches()) {
            double value = parse(quantity, text);
            return new Range(value, value);
        }
        String unit = range.group(4);
        double low = parse(quantity, range.group(1) + (range.group(2).isEmpty() ? unit : range.group(2)));
        double high = parse(quantity, range.group(3) + unit);
        if (low > high) {
            throw new UnreadableException("The range runs backwards; write the smaller value first, for example "
                    + format(high) + "–" + format(low) + " " + quantity.unit() + ".");
        }
        return new Range(low, high);
    }

    /**
     * Reads a wire gauge, {@code AWG 24} or {@code 24 AWG} or {@code 24}.
     *
     * @throws UnreadableException when it is no gauge from 0 to 40
     */
    public static int parseGauge(String text) throws UnreadableException {
        Matcher gauge = GAUGE.matcher(text.strip().matches("\\d{1,2}") ? "AWG " + text.strip() : text);
        if (gauge.matches()) {
            int number = Integer.parseInt(Optional.ofNullable(gauge.group(1)).orElse(gauge.group(2)));
            if (number <= 40) {
                return number;
            }
        }
        throw new UnreadableException("“" + text.strip() + "” is no wire gauge; write for example AWG 24 (0 to 40).");
    }

    /** Rounded to so many decimals, halves away from zero; a format would do the same at many times the cost. */
    private static BigDecimal rounded(double value, int decimals) {
        return BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP);
    }

    /** The number alone with about four significant digits, no trailing zeros. */
    public static String format(double stored) {
        if (!Double.isFinite(stored)) {
            return stored > 0 ? "∞" : stored < 0 ? "−∞" : "–";
        }
        double size = Math.abs(stored);
        int decimals = size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : size >= 0.1 ? 3 : size == 0 ? 0 : 4;
        return rounded(stored, decimals).stripTrailingZeros().toPlainString().replace('-', '−');
    }

    /** Number and unit, in percent for shares. */
    public static String format(Quantity quantity, double stored) {
        double shown = quantity == Quantity.SHARE ? stored * 100 : stored;
        return withUnit(format(shown), quantity.unit());
    }

    /** Number with a fixed count of decimals and the unit, so that columns align. */
    public static String format(double value, int decimals, String unit) {
        if (!Double.isFinite(value)) {
            return withUnit(format(value), unit);
        }
        return withUnit(rounded(value, decimals).toPlainString().replace('-', '−'), unit);
    }

    /** A time as people say it: seconds, minutes or hours, whichever are few. */
    public static String duration(double hours) {
        double minutes = hours * 60;
        return minutes < 1.5
                ? format(minutes * 60, 0, "s")
                : minutes < 90 ? format(minutes, 0, "min") : format(hours, 1, "h");
    }

    private static String withUnit(String number, String unit) {
        return unit.isEmpty() ? number : unit.equals("°") ? number + "°" : number + " " + unit;
    }

    /** A figure with its range, as shown in a working: {@code 24 ± 2.4 W}. */
    public static String format(Quantity quantity, Figure figure) {
        double scale = quantity == Quantity.SHARE ? 100 : 1;
        return withUnit(format(figure.value() * scale) + " ± " + format(figure.plusMinus() * scale), quantity.unit());
    }
}
