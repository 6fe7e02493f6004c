package boldsatchel.desktop.instruments;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What instruments answer. */
final class Answers {

    /** A number, with a unit behind it or without: {@code +3.712E+00}, {@code 3.712 V}. */
    private static final Pattern NUMBER = Pattern.compile(
            "([-+]?(?:\\d{1,15}(?:\\.\\d{0,15})?|\\.\\d{1,15})(?:[eE][-+]?\\d{1,3})?)\\s*[A-Za-z%]{0,6}");

    /** SCPI-1999, 7.2.1.4 and 7.2.1.5: infinity is 9.9E37, not a number 9.91E37. */
    private static final double INFINITY = 9.9e37;

    private static final int BRIEF = 40;

    private Answers() {}

    /** The number that an answer is, if it is one that was measured. */
    static Optional<Double> number(String answer) {
        Matcher m = NUMBER.matcher(answer.strip());
        if (!m.matches()) {
            return Optional.empty();
        }
        double value = Double.parseDouble(m.group(1));
        return Math.abs(value) < INFINITY ? Optional.of(value) : Optional.empty();
    }

    /** Whether it says that there is more than it can show. */
    static boolean isOverload(String answer) {
        String plain = answer.strip().toUpperCase(Locale.ROOT);
        return plain.startsWith("OL") || plain.startsWith("OVER") || plain.matches("[-+]?9\\.9\\d*E\\+?37");
    }

    /** As much of it as fits into a sentence. */
    static String brief(String answer) {
        return answer.length() > BRIEF ? answer.substring(0, BRIEF) + "…" : answer;
    }
}
