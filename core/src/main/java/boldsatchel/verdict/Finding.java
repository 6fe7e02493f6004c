package boldsatchel.verdict;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Something the builder should know.
 *
 * @param code stable name, room before the dot: {@code fit.clash}
 * @param severity how much it matters
 * @param subjects ids of the parts, shells or rungs it is about, the culprit first
 * @param message in words, with the numbers
 * @param numbers by name with the unit in it: {@code depthMm}
 * @param working how its numbers and the first remedy came about; empty where the message says it all
 * @param remedies what could be done, the most promising first
 */
public record Finding(
        String code,
        Severity severity,
        List<String> subjects,
        String message,
        Map<String, Double> numbers,
        List<Working.Step> working,
        List<Remedy> remedies) {

    /** Copies the collections; the order of the numbers stays. */
    public Finding {
        subjects = List.copyOf(subjects);
        numbers = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(numbers));
        working = List.copyOf(working);
        remedies = List.copyOf(remedies);
    }
}
