package boldsatchel.arrange;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/** One number for what is to be borne with an arrangement, to go by while looking; less is better. All that is read is weighted. */
final class Pain {

    /** For what has no place, against all else. */
    private static final double LOOSE = 1000;

    private static final double WRONG = 30;
    private static final double LEAST_WEIGHT = 0.2;
    private static final double MOST_WEIGHT = 2.2;

    private final Merit was;
    private final double[] weights;

    private Pain(Merit was, double[] weights) {
        this.was = was;
        this.weights = weights;
    }

    /**
     * All alike.
     *
     * @param was as the build is
     */
    static Pain even(Merit was) {
        double[] weights = new double[was.readings().size()];
        Arrays.fill(weights, 1);
        return new Pain(was, weights);
    }

    /** With weights by chance on all but what is said against it; a volume may weigh nothing. */
    Pain otherwise(SplittableRandom random) {
        List<Reading> readings = was.readings();
        double[] other = new double[weights.length];
        for (int i = 0; i < other.length; i++) {
            other[i] = switch (readings.get(i).burden().counts()) {
                case EACH -> 1;
                case SHARE -> random.nextDouble();
                case STEPS -> LEAST_WEIGHT + (MOST_WEIGHT - LEAST_WEIGHT) * random.nextDouble();
            };
        }
        return new Pain(was, other);
    }

    /** Of an arrangement in which something has no place, mm³: it is not judged, as all with places are better. */
    static double loose(double mm3) {
        return LOOSE + mm3;
    }

    double of(Merit merit) {
        double pain = merit.looseMm3() > 0 ? loose(merit.looseMm3()) : 0;
        pain += WRONG * merit.wrong() + (merit.packs() ? 0 : WRONG);
        for (int i = 0; i < weights.length; i++) {
            Reading reading = merit.readings().get(i);
            pain += weights[i]
                    * reading.burden()
                            .of(reading, merit.values().get(i), was.values().get(i));
        }
        return pain;
    }
}
