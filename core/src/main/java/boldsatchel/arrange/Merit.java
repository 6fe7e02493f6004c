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
 * @param stops findings of any kind that say stop
 * @param watches those that say watch
 * @param outsideMm3 of all trays that belong to the machine, closed
 * @param verdicts the answers to a builder's questions
 */
public record Merit(
        double looseMm3,
        int wrong,
        boolean packs,
        long stops,
        long watches,
        double outsideMm3,
        List<Verdict> verdicts) {

    /** Volumes nearer than this share read the same. */
    private static final double SAME_VOLUME = 1e-3;

    /** A verdict without a value is worse than any. */
    private static final double UNKNOWN = -1e6;

    /** What nobody can build: what does not go through, is not reached, or has a cable led through it. */
    private static final List<String> HARD = List.of("fit.", "reach.", "cable.");

    /**
     * Of one.
     *
     * @param was the build before, of which nothing that is said already is held against it
     */
    static Merit of(Evaluation evaluation, Evaluation was) {
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
                count(evaluation, Severity.STOP),
                count(evaluation, Severity.WATCH),
                build.casing().outsideMm3(),
                evaluation.verdicts());
    }

    /** Whether nobody can build it so. */
    static boolean isHard(Finding finding) {
        return finding.severity() == Severity.STOP && HARD.stream().anyMatch(finding.code()::startsWith);
    }

    private static long count(Evaluation evaluation, Severity severity) {
        return evaluation.findings().stream()
                .filter(f -> f.severity() == severity)
                .count();
    }

    /** Whether it is a proposal at all: everything has a place and nothing is in the way. */
    public boolean isSound() {
        return looseMm3 == 0 && packs;
    }

    /** Whether it is no worse in anything that a builder reads, and better in something. */
    boolean beats(Merit other) {
        return against(other).anyMatch(s -> s > 0) && against(other).noneMatch(s -> s < 0);
    }

    /** Whether both read the same. */
    boolean readsLike(Merit other) {
        return against(other).allMatch(s -> s == 0);
    }

    /** For all that is read whether it is better (1), worse (−1) or the same. */
    private IntStream against(Merit other) {
        double[] mine = read();
        double[] its = other.read();
        return IntStream.range(0, mine.length).map(i -> {
            double same = i == mine.length - 1 ? SAME_VOLUME * other.outsideMm3 : 0;
            double by = mine[i] - its[i];
            return by > same ? 1 : by < -same ? -1 : 0;
        });
    }

    /** All that a builder reads, more being better: verdicts, findings that say stop and watch, and the volume outside last. */
    double[] read() {
        double[] read = new double[verdicts.size() + 3];
        for (int i = 0; i < verdicts.size(); i++) {
            read[i] = Math.max(UNKNOWN, good(verdicts.get(i)));
        }
        read[read.length - 3] = -stops;
        read[read.length - 2] = -watches;
        read[read.length - 1] = -outsideMm3;
        return read;
    }

    /** A verdict's value as it is read, more being better; a gap beyond the wanted one is no merit. */
    static double good(Verdict verdict) {
        Verdict.Kind kind = verdict.kind();
        if (Double.isNaN(verdict.value())) {
            return Double.NEGATIVE_INFINITY;
        }
        double scale = Math.pow(10, kind.decimals());
        double value = Math.rint(verdict.value() * scale) / scale;
        boolean enough = kind.equals(Verdict.Kind.PACKS)
                && verdict.limit().isPresent()
                && value > verdict.limit().getAsDouble();
        return enough ? verdict.limit().getAsDouble() : kind.moreIsBetter() ? value : -value;
    }
}
