package boldsatchel.arrange;

import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What is to be said for and against an arrangement.
 *
 * @param looseMm3 of parts without a place
 * @param wrong clashes, parts outside and rooms that are not free
 * @param packs whether nothing is in the way of anything, in no posture, and no opening, button or cable is where it cannot be that was not so before
 * @param readings what is read
 * @param values as read, in that order
 */
public record Merit(double looseMm3, int wrong, boolean packs, List<Reading> readings, List<Double> values) {

    /** What has no value is worse than any. */
    private static final double UNKNOWN = -1e6;

    /** What nobody can build: what does not go through, is not reached, has a cable led through it, or never goes together. */
    private static final List<String> HARD = List.of("fit.", "reach.", "cable.", "assembly.");

    /** Copies the lists. */
    public Merit {
        readings = List.copyOf(readings);
        values = List.copyOf(values);
    }

    /**
     * Of one.
     *
     * @param was the build before, of which nothing that is said already is held against it
     * @param readings what is read
     */
    static Merit of(Evaluation evaluation, Evaluation was, List<Reading> readings) {
        Build build = evaluation.build();
        FitResult fit = evaluation.of(FitResult.class);
        double depth = evaluation.verdict(Verdict.Kind.PACKS).value();
        int wrong =
                fit.clashes().size() + fit.outside().size() + fit.intrusions().size();
        return new Merit(
                build.loose().stream()
                        .mapToDouble(p -> p.body().bounds().volume())
                        .sum(),
                wrong,
                wrong == 0 && !(depth < 0) && evaluation.beyond(was).stream().noneMatch(Merit::isHard),
                readings,
                readings.stream().map(r -> r.of().applyAsDouble(evaluation)).toList());
    }

    /** Whether nobody can build it so. */
    static boolean isHard(Finding finding) {
        return finding.severity() == Severity.STOP && HARD.stream().anyMatch(finding.code()::startsWith);
    }

    /** Whether it is a proposal at all: everything has a place and nothing is in the way. */
    public boolean isSound() {
        return looseMm3 == 0 && packs;
    }

    /** Whether it is no worse in anything that is read, and better in something. */
    boolean beats(Merit other) {
        return against(other).anyMatch(s -> s > 0) && against(other).noneMatch(s -> s < 0);
    }

    /** Whether both read the same. */
    boolean readsLike(Merit other) {
        return against(other).allMatch(s -> s == 0);
    }

    /** For all that is read whether it is better (1), worse (−1) or the same. */
    private IntStream against(Merit other) {
        double[] mine = good();
        double[] its = other.good();
        return IntStream.range(0, mine.length).map(i -> Double.compare(mine[i], its[i]));
    }

    /** How good all is that is read, more being better. */
    double[] good() {
        return IntStream.range(0, values.size())
                .mapToDouble(i -> Math.max(UNKNOWN, readings.get(i).good(values.get(i))))
                .toArray();
    }
}
