package boldsatchel.arrange;

import boldsatchel.verdict.Verdict;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/**
 * One number for what is to be borne with an arrangement, to go by while looking; less is better. Verdicts are weighted, each beyond its limit more with each step, on this side
 * of it less and less.
 */
final class Pain {

    /** For what has no place, against all else. */
    private static final double LOOSE = 1000;

    private static final double WRONG = 30;
    private static final double STOP = 2;
    private static final double WATCH = 0.5;
    /** For the whole volume. */
    private static final double VOLUME = 40;

    private static final double MOST_STEPS = 20;
    private static final double LEAST_WEIGHT = 0.2;
    private static final double MOST_WEIGHT = 2.2;
    /** A step of a verdict in K or degrees, and of others as a share of the limit. */
    private static final double STEP = 10;

    private static final double SHARE = 0.1;

    private final Merit was;
    private final double volume;
    private final double[] weights;

    private Pain(Merit was, double volume, double[] weights) {
        this.was = was;
        this.volume = volume;
        this.weights = weights;
    }

    /**
     * All verdicts alike.
     *
     * @param was as the build is
     * @param sized whether volume counts
     */
    static Pain even(Merit was, boolean sized) {
        double[] weights = new double[was.verdicts().size()];
        Arrays.fill(weights, 1);
        return new Pain(was, sized ? VOLUME : 0, weights);
    }

    /** With weights by chance. */
    Pain otherwise(SplittableRandom random) {
        double[] other = new double[weights.length];
        for (int i = 0; i < other.length; i++) {
            other[i] = LEAST_WEIGHT + (MOST_WEIGHT - LEAST_WEIGHT) * random.nextDouble();
        }
        return new Pain(was, volume * random.nextDouble(), other);
    }

    /** Of an arrangement in which something has no place, mm³: it is not judged, as all with places are better. */
    static double loose(double mm3) {
        return LOOSE + mm3;
    }

    double of(Merit merit) {
        List<Verdict> verdicts = merit.verdicts();
        double pain = merit.looseMm3() > 0 ? loose(merit.looseMm3()) : 0;
        pain += WRONG * merit.wrong() + (merit.packs() ? 0 : WRONG);
        pain += STOP * merit.stops() + WATCH * merit.watches();
        pain += was.outsideMm3() > 0 ? volume * merit.outsideMm3() / was.outsideMm3() : 0;
        for (int i = 0; i < weights.length; i++) {
            pain += weights[i] * of(verdicts.get(i), was.verdicts().get(i));
        }
        return pain;
    }

    private static double of(Verdict verdict, Verdict was) {
        Verdict.Kind kind = verdict.kind();
        double limit = verdict.limit().orElse(Double.isNaN(was.value()) ? 0 : was.value());
        double value = Double.isNaN(verdict.value()) ? Double.NEGATIVE_INFINITY : verdict.value();
        double step = kind.equals(Verdict.Kind.KEEPS_COOL) || kind.equals(Verdict.Kind.STANDS)
                ? STEP
                : Math.max(1e-3, SHARE * Math.abs(limit));
        double margin = (kind.moreIsBetter() ? value - limit : limit - value) / step;
        if (kind.equals(Verdict.Kind.PACKS)) {
            // More than the wanted gap is worth nothing.
            margin = Math.min(0, margin);
        }
        return margin < 0 ? 1 - Math.max(-MOST_STEPS, margin) : Math.exp(-margin);
    }
}
