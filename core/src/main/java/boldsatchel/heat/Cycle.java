package boldsatchel.heat;

import java.util.ArrayList;
import java.util.List;

/**
 * How far above its mean each node swings in a cycle of steps that repeats for ever. The swing is followed as the answer of the network
 * about its mean state, by Alexander's stiffly accurate implicit rule of second order (Hairer and Wanner, Solving Ordinary Differential
 * Equations II, IV.6), in steps that grow within each part of the cycle, as what has just been switched changes fastest; round after
 * round until it closes. Convection and radiation carry more the hotter it gets: a
 * swing is bent down so that it meets the steady state of the warmest part of the cycle where that part lasts long enough.
 */
final class Cycle {

    private static final double GAMMA = 1 - Math.sqrt(0.5);
    private static final int STEPS = 6;
    private static final double GROWTH = 2;
    private static final double FIRST_SHARE = (GROWTH - 1) / (Math.pow(GROWTH, STEPS) - 1);
    private static final double CLOSED_K = 0.02;
    private static final int MOST_ROUNDS = 40;
    /** Settling as slow as this is foreseen no further. */
    private static final double SLOWEST = 0.9;

    /** A part of the cycle. */
    static final class Leg {
        private final double seconds;
        private final double[] watts;

        /**
         * A part of the cycle.
         *
         * @param seconds it lasts
         * @param watts put into each node; kept as it is
         */
        Leg(double seconds, double[] watts) {
            this.seconds = seconds;
            this.watts = watts;
        }

        double seconds() {
            return seconds;
        }

        double[] watts() {
            return watts;
        }
    }

    private final HeatNetwork network;
    private final List<Leg> legs;
    private final double[] meanC;
    private final double[] meanW;
    private final double[] slopes;
    private final int size;

    private Cycle(HeatNetwork network, List<Leg> legs, double[] meanW, double[] meanC) {
        this.network = network;
        this.legs = legs;
        this.meanW = meanW;
        this.meanC = meanC;
        this.size = network.size();
        this.slopes = network.slopes(meanC);
    }

    /** Mean of what is put into each node, W. */
    static double[] mean(List<Leg> legs) {
        double[] mean = new double[legs.getFirst().watts().length];
        double seconds = legs.stream().mapToDouble(Leg::seconds).sum();
        for (Leg leg : legs) {
            for (int i = 0; i < mean.length; i++) {
                mean[i] += leg.watts()[i] * leg.seconds() / seconds;
            }
        }
        return mean;
    }

    /**
     * The highest temperature of each node in the cycle, °C.
     *
     * @param meanW mean of what is put in
     * @param meanC the steady state at that mean
     */
    static double[] peaks(HeatNetwork network, List<Leg> legs, double[] meanW, double[] meanC) {
        return legs.size() < 2 ? meanC : new Cycle(network, legs, meanW, meanC).peaks();
    }

    private double[] peaks() {
        double[] swing = swing();
        Leg warmest = legs.getFirst();
        for (Leg leg : legs) {
            warmest = sum(leg.watts()) > sum(warmest.watts()) ? leg : warmest;
        }
        double[] straight = network.elimination().of(slopes, new double[size]).to(over(warmest));
        double[] steady = network.solve(warmest.watts(), plus(meanC, straight));
        double[] peaks = new double[size];
        peaks[0] = meanC[0];
        for (int i = 1; i < size; i++) {
            double bend = straight[i] > CLOSED_K ? 1 - (steady[i] - meanC[i]) / straight[i] : 0;
            double part = straight[i] > CLOSED_K ? Math.min(1, swing[i] / straight[i]) : 0;
            peaks[i] = meanC[i] + swing[i] * (1 - bend * part);
        }
        return peaks;
    }

    private static double[] plus(double[] a, double[] b) {
        double[] sum = new double[a.length];
        for (int i = 0; i < sum.length; i++) {
            sum[i] = a[i] + b[i];
        }
        return sum;
    }

    private static double sum(double[] watts) {
        double sum = 0;
        for (double w : watts) {
            sum += w;
        }
        return sum;
    }

    private double[] over(Leg leg) {
        double[] over = new double[size];
        for (int i = 1; i < size; i++) {
            over[i] = leg.watts()[i] - meanW[i];
        }
        return over;
    }

    /** One step of a leg. */
    private final class Step {
        private final double seconds;
        private final double[] over;
        private final Elimination.Factors factors;
        private final double[] held = new double[size];

        Step(double seconds, double[] over) {
            this.seconds = seconds;
            this.over = over;
            for (int i = 1; i < size; i++) {
                held[i] = network.capacity(i) / (GAMMA * seconds);
            }
            factors = network.elimination().of(slopes, held);
        }

        /** Goes on from a state, and adds what the step has to the mean, times its seconds. */
        double[] from(double[] x, double[] mean) {
            double[] first = stage(x);
            double[] y = new double[size];
            for (int i = 1; i < size; i++) {
                y[i] = x[i] + (1 - GAMMA) / GAMMA * (first[i] - x[i]);
            }
            double[] last = stage(y);
            for (int i = 1; i < size; i++) {
                mean[i] += seconds * ((1 - GAMMA) * first[i] + GAMMA * last[i]);
            }
            return last;
        }

        private double[] stage(double[] x) {
            double[] put = new double[size];
            for (int i = 1; i < size; i++) {
                put[i] = over[i] + held[i] * x[i];
            }
            return factors.to(put);
        }
    }

    /**
     * The mean of a swing is nought, so what a round shows as its mean is taken from the start of the next: that ends at once what
     * settles slower than a round, and what settles faster ends by itself; what is left by the ratio of two rounds is foreseen (Aitken).
     */
    private double[] swing() {
        List<Step> steps = new ArrayList<>();
        double whole = 0;
        for (Leg leg : legs) {
            double[] over = over(leg);
            double seconds = leg.seconds() * FIRST_SHARE;
            whole += leg.seconds();
            for (int k = 0; k < STEPS; k++) {
                steps.add(new Step(seconds, over));
                seconds *= GROWTH;
            }
        }
        double[] start = new double[size];
        double[] before = new double[size];
        double[] most = new double[size];
        for (int round = 0; round < MOST_ROUNDS; round++) {
            most = new double[size];
            double[] mean = new double[size];
            double[] x = start;
            for (Step step : steps) {
                x = step.from(x, mean);
                for (int i = 1; i < size; i++) {
                    most[i] = Math.max(most[i], x[i]);
                }
            }
            double[] move = new double[size];
            double moved = 0;
            double along = 0;
            double square = 0;
            for (int i = 1; i < size; i++) {
                move[i] = x[i] - mean[i] / whole - start[i];
                moved = Math.max(moved, Math.abs(move[i]));
                along += move[i] * before[i];
                square += before[i] * before[i];
            }
            if (moved < CLOSED_K) {
                return most;
            }
            double left = square > 0 ? Math.clamp(along / square, 0, SLOWEST) : 0;
            double[] next = new double[size];
            for (int i = 1; i < size; i++) {
                next[i] = start[i] + move[i] / (1 - left);
            }
            before = left > 0 ? new double[size] : move;
            start = next;
        }
        return most;
    }
}
