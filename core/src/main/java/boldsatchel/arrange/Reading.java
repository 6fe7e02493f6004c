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
 * @param words a value with its unit
 */
public record Reading(
        String id,
        String title,
        boolean moreIsBetter,
        OptionalDouble limit,
        ToDoubleFunction<Evaluation> of,
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
                    kind::format));
        }
        all.add(new Reading(
                "outside",
                "Takes outside",
                false,
                OptionalDouble.empty(),
                e -> e.build().casing().outsideMm3() / MM3_PER_L,
                v -> Units.format(v, 3, "l")));
        all.add(counted(Severity.STOP, "Findings: stop"));
        all.add(counted(Severity.WATCH, "Findings: watch"));
        return all;
    }

    private static Reading counted(Severity severity, String title) {
        return new Reading(
                severity.words(),
                title,
                false,
                OptionalDouble.empty(),
                e -> e.findings().stream().filter(f -> f.severity() == severity).count(),
                v -> String.valueOf(Math.round(v)));
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
        double by = merit(is) - merit(was);
        return (int) Math.signum(moreIsBetter ? by : -by);
    }

    /** More than the wanted gap is worth nothing. */
    private double merit(Evaluation evaluation) {
        double value = of.applyAsDouble(evaluation);
        boolean isGap = id.equals(Verdict.Kind.PACKS.id());
        return isGap && limit.isPresent() ? Math.min(value, limit.getAsDouble()) : value;
    }
}
