package boldsatchel.arrange;

import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;

/**
 * A number by which arrangements are compared: the answer to a question, what the machine takes outside, how much is to be said against it.
 *
 * @param id stable name
 * @param title as shown
 * @param moreIsBetter whether more of it is better
 * @param limit that it has to keep to, if there is one
 * @param of how it is read
 * @param good how good it is as it is read, more being better
 * @param words a value with its unit
 */
public record Reading(
        String id,
        String title,
        boolean moreIsBetter,
        OptionalDouble limit,
        ToDoubleFunction<Evaluation> of,
        ToDoubleFunction<Evaluation> good,
        DoubleFunction<String> words) {

    private static final double MM3_PER_L = 1e6;

    /** All that is read of an evaluation, verdicts first. */
    public static List<Reading> all(Evaluation like) {
        List<Reading> all = new ArrayList<>();
        for (Verdict verdict : like.verdicts()) {
            Verdict.Kind kind = verdict.kind();
            all.add(new Reading(
                    kind.id(),
                    kind.title(),
                    kind.moreIsBetter(),
                    verdict.limit(),
                    e -> e.verdict(kind).value(),
                    e -> Merit.good(e.verdict(kind)),
                    kind::format));
        }
        all.add(lessIsBetter(
                "outside", "Outside", e -> e.build().casing().outsideMm3() / MM3_PER_L, v -> Units.format(v, 3, "l")));
        all.add(counted(Severity.STOP, "Findings: stop"));
        all.add(counted(Severity.WATCH, "Findings: watch"));
        return all;
    }

    private static Reading counted(Severity severity, String title) {
        return lessIsBetter(
                severity.words(),
                title,
                e -> e.findings().stream().filter(f -> f.severity() == severity).count(),
                v -> String.valueOf(Math.round(v)));
    }

    private static Reading lessIsBetter(
            String id, String title, ToDoubleFunction<Evaluation> of, DoubleFunction<String> words) {
        return new Reading(id, title, false, OptionalDouble.empty(), of, e -> -of.applyAsDouble(e), words);
    }

    /** How it reads. */
    public String read(Evaluation evaluation) {
        return words.apply(of.applyAsDouble(evaluation));
    }

    /** 1 where it is better than before, −1 where worse, 0 where both read the same or more of it is no merit. */
    public int better(Evaluation was, Evaluation is) {
        if (read(was).equals(read(is))) {
            return 0;
        }
        return (int) Math.signum(good.applyAsDouble(is) - good.applyAsDouble(was));
    }
}
