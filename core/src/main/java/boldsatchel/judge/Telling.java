package boldsatchel.judge;

import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Puts what rules find into words and works out what would cure it, from code, subjects and numbers; asked only when somebody looks. */
interface Telling {

    /**
     * What a rule found.
     *
     * @param code stable name
     * @param subjects ids, the culprit first
     * @param numbers by name
     */
    record Noted(String code, List<String> subjects, Map<String, Double> numbers) {

        /** The culprit. */
        String first() {
            return subjects.getFirst();
        }

        /** A number; not a number when the rule gave none of that name. */
        double number(String name) {
            return numbers.getOrDefault(name, Double.NaN);
        }

        /** A number as written in a sentence. */
        String n(String name) {
            return Words.n(number(name));
        }
    }

    /** The sentence, with the numbers. */
    String sentence(Noted noted);

    /** How its numbers came about; empty where the sentence says it all. */
    default List<Working.Step> working(Noted noted) {
        return List.of();
    }

    /** What could be done, the most promising first. */
    List<Remedy> cures(Noted noted);

    /** A code that rules and telling do not agree on: an error of the program. */
    static IllegalStateException unknown(Noted noted) {
        return new IllegalStateException("nobody knows how to tell " + noted.code());
    }

    /** Collects what rules find, with the telling that belongs to them. */
    record Sheet(List<Finding> findings, Telling telling) {

        Sheet(Telling telling) {
            this(new ArrayList<>(), telling);
        }

        void add(String code, Severity severity, List<String> subjects, Map<String, Double> numbers) {
            Noted noted = new Noted(code, subjects, numbers);
            findings.add(Finding.of(
                    code,
                    severity,
                    subjects,
                    numbers,
                    () -> telling.sentence(noted),
                    () -> telling.working(noted),
                    () -> telling.cures(noted)));
        }
    }
}
