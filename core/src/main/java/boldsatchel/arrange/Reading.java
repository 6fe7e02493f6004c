package boldsatchel.arrange;

import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;

/**
 * A number by which arrangements are compared: the answer to a question, what the machine takes outside, how much is to be said against it, what else is wished for.
 *
 * @param id stable name
 * @param title as shown
 * @param sense which way it is better
 * @param limit that it has to keep to, if there is one
 * @param decimals as it is read
 * @param of how it is read; not a number where there is nothing to read
 * @param words a value with its unit
 * @param burden what it adds to what is to be borne
 */
public record Reading(
        String id,
        String title,
        Sense sense,
        OptionalDouble limit,
        int decimals,
        ToDoubleFunction<Evaluation> of,
        DoubleFunction<String> words,
        Burden burden) {

    /** Which way a number is better. */
    public enum Sense {
        /** More of it. */
        MORE,
        /** More of it, up to its limit: beyond that it is no merit. */
        ENOUGH,
        /** Less of it. */
        LESS
    }

    /** Findings that say stop. */
    static final Reading STOPS = counted(Severity.STOP, "Findings: stop", 2);

    /** Findings that say watch. */
    static final Reading WATCHES = counted(Severity.WATCH, "Findings: watch", 0.5);

    private static final double MM3_PER_L = 1e6;

    /** For the whole volume. */
    private static final double VOLUME = 40;
    /** A step of a verdict in K or degrees. */
    private static final double STEP = 10;

    /** All that is read of an evaluation, verdicts first, what else is wished for last. */
    public static List<Reading> all(Evaluation like, Set<Aim> aims) {
        List<Reading> all = new ArrayList<>();
        like.verdicts().forEach(v -> all.add(of(v)));
        all.add(new Reading(
                "outside",
                "Outside",
                Sense.LESS,
                OptionalDouble.empty(),
                3,
                e -> e.build().casing().outsideMm3() / MM3_PER_L,
                v -> Units.format(v, 3, "l"),
                new Burden(Burden.Counts.SHARE, VOLUME)));
        all.add(STOPS);
        all.add(WATCHES);
        Aim.ALL.stream().filter(aims::contains).map(Aim::reading).forEach(all::add);
        return List.copyOf(all);
    }

    private static Reading of(Verdict like) {
        Verdict.Kind kind = like.kind();
        boolean isEnough = kind.equals(Verdict.Kind.PACKS) && like.limit().isPresent();
        boolean isStepped = kind.equals(Verdict.Kind.KEEPS_COOL) || kind.equals(Verdict.Kind.STANDS);
        return new Reading(
                kind.id(),
                kind.title(),
                isEnough ? Sense.ENOUGH : kind.moreIsBetter() ? Sense.MORE : Sense.LESS,
                like.limit(),
                kind.decimals(),
                e -> e.verdict(kind).value(),
                kind::format,
                new Burden(Burden.Counts.STEPS, isStepped ? STEP : 0));
    }

    private static Reading counted(Severity severity, String title, double burden) {
        return new Reading(
                severity.words(),
                title,
                Sense.LESS,
                OptionalDouble.empty(),
                0,
                e -> e.findings().stream().filter(f -> f.severity() == severity).count(),
                v -> String.valueOf(Math.round(v)),
                new Burden(Burden.Counts.EACH, burden));
    }

    /** Whether more of it is better, as far as it matters. */
    public boolean moreIsBetter() {
        return sense != Sense.LESS;
    }

    /** How it reads. */
    public String read(Evaluation evaluation) {
        return words.apply(of.applyAsDouble(evaluation));
    }

    /** How it reads before and after, the unit of both told once. */
    public String change(Evaluation was, Evaluation is) {
        String before = read(was);
        String after = read(is);
        int unit = before.lastIndexOf(' ');
        boolean isSame = unit > 0 && after.endsWith(before.substring(unit));
        return (isSame ? before.substring(0, unit) : before) + " → " + after;
    }

    /** How good a value is as it is read, more being better; least of all without a value. */
    double good(double value) {
        if (Double.isNaN(value)) {
            return Double.NEGATIVE_INFINITY;
        }
        double scale = Math.pow(10, decimals);
        double read = Math.rint(value * scale) / scale;
        double counted = sense == Sense.ENOUGH ? Math.min(read, limit.orElse(read)) : read;
        return moreIsBetter() ? counted : -counted;
    }

    /** 1 where it is better than before, −1 where worse, 0 where both read the same or more of it is no merit. */
    public int better(Evaluation was, Evaluation is) {
        return Double.compare(good(of.applyAsDouble(is)), good(of.applyAsDouble(was)));
    }
}
