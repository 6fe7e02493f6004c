package boldsatchel.verdict;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Lazy;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Something the builder should know. What a rule found stands here; sentence, working and remedies are worked out when somebody looks.
 *
 * @param code stable name, room before the dot: {@code fit.clash}
 * @param severity how much it matters
 * @param subjects ids of the parts, shells or rungs it is about, the culprit first
 * @param numbers by name with the unit in it: {@code depthMm}
 * @param said in words, with the numbers
 * @param worked how its numbers and the first remedy came about; empty where the message says it all
 * @param cured what could be done, the most promising first
 */
public record Finding(
        String code,
        Severity severity,
        List<String> subjects,
        Map<String, Double> numbers,
        Lazy<String> said,
        Lazy<List<Working.Step>> worked,
        Lazy<List<Remedy>> cured) {

    /** Copies the collections; the order of the numbers stays. */
    public Finding {
        subjects = List.copyOf(subjects);
        numbers = Collections.unmodifiableMap(new LinkedHashMap<>(numbers));
    }

    /** A finding whose words are worked out when somebody looks. */
    public static Finding of(
            String code,
            Severity severity,
            List<String> subjects,
            Map<String, Double> numbers,
            Supplier<String> message,
            Supplier<List<Working.Step>> working,
            Supplier<List<Remedy>> remedies) {
        return new Finding(
                code, severity, subjects, numbers, Lazy.of(message), Lazy.of(working), Lazy.of(() -> tried(remedies)));
    }

    /** Cures are tried on the build, and what they make of it may have no answer; the finding stands all the same. */
    private static List<Remedy> tried(Supplier<List<Remedy>> remedies) {
        try {
            return remedies.get();
        } catch (CannotAnswer e) {
            return List.of(Remedy.advice("No cure could be tried: " + e.getMessage()));
        }
    }

    /** In words, with the numbers. */
    public String message() {
        return said.get();
    }

    /** How its numbers and the first remedy came about; empty where the message says it all. */
    public List<Working.Step> working() {
        return worked.get();
    }

    /** What could be done, the most promising first. */
    public List<Remedy> remedies() {
        return cured.get();
    }
}
