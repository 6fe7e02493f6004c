package boldsatchel.heat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How far above its mean each node swings in a cycle of legs that repeats for ever. The swing is the answer of the network about its
 * mean state, the sum of its answers to the {@link Pulse}s by which the legs differ from the first. Convection and radiation carry more the hotter it gets: a swing is bent down so that it meets the steady
 * state of the warmest leg where that lasts long enough.
 */
final class Cycle {

    /** Times at which a leg is looked at, the later the further apart, as what has just been switched changes fastest. */
    private static final int LOOKS = 8;

    private static final double GROWTH = 2;
    /** The last step towards the state a swing is bent to; what is left after it is a tenth of it at most. */
    private static final double BEND_K = 0.5;
    /** A difference that nobody sees, K. */
    private static final double LEAST_K = 0.02;

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
    private final Elimination.Factors answers;
    private final int size;

    private Cycle(HeatNetwork network, List<Leg> legs, double[] meanW, HeatNetwork.Steady mean) {
        this.network = network;
        this.legs = legs;
        this.meanW = meanW;
        this.meanC = mean.celsius();
        this.size = network.size();
        this.answers = mean.answers();
    }

    /** Mean of what is put into each node, W. */
    static double[] mean(List<Leg> legs) {
        if (legs.size() == 1) {
            return legs.getFirst().watts();
        }
        double[] mean = new double[legs.getFirst().watts().length];
        double seconds = 0;
        for (Leg leg : legs) {
            seconds += leg.seconds();
        }
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
     * @param mean the steady state at that mean
     */
    static double[] peaks(HeatNetwork network, List<Leg> legs, double[] meanW, HeatNetwork.Steady mean) {
        return legs.size() < 2 ? mean.celsius() : new Cycle(network, legs, meanW, mean).peaks();
    }

    private double[] peaks() {
        double[] swing = swing();
        Leg warmest = legs.getFirst();
        for (Leg leg : legs) {
            warmest = sum(leg.watts()) > sum(warmest.watts()) ? leg : warmest;
        }
        double[] straight = answers.to(over(warmest, meanW));
        double[] steady =
                network.settle(warmest.watts(), plus(meanC, straight), BEND_K).celsius();
        double[] peaks = new double[size];
        peaks[0] = meanC[0];
        for (int i = 1; i < size; i++) {
            double bend = straight[i] > LEAST_K ? 1 - (steady[i] - meanC[i]) / straight[i] : 0;
            double part = straight[i] > LEAST_K ? Math.min(1, swing[i] / straight[i]) : 0;
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

    private double[] over(Leg leg, double[] watts) {
        double[] over = new double[size];
        for (int i = 1; i < size; i++) {
            over[i] = leg.watts()[i] - watts[i];
        }
        return over;
    }

    /** The highest of each node about its mean, K. */
    private double[] swing() {
        double whole = 0;
        for (Leg leg : legs) {
            whole += leg.seconds();
        }
        Leg first = legs.getFirst();
        List<Pulse> pulses = new ArrayList<>();
        double begins = first.seconds();
        for (Leg leg : legs.subList(1, legs.size())) {
            double[] more = over(leg, first.watts());
            pulses.add(new Pulse(answers, network.capacities(), more, begins, leg.seconds(), whole));
            begins += leg.seconds();
        }
        double[] most = new double[size];
        double[] swing = new double[size];
        begins = 0;
        for (Leg leg : legs) {
            for (int look = 0; look < LOOKS; look++) {
                Arrays.fill(swing, 0);
                for (Pulse pulse : pulses) {
                    pulse.addTo(swing, begins + leg.seconds() / Math.pow(GROWTH, look));
                }
                for (int i = 1; i < size; i++) {
                    most[i] = Math.max(most[i], swing[i]);
                }
            }
            begins += leg.seconds();
        }
        return most;
    }
}
