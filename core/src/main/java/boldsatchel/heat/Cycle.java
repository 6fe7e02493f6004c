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
    /** Directions that an echo is followed in: what is put in near by is felt most, and found first. */
    private static final int ECHO_DIRECTIONS = 4;
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
    private final HeatNetwork.Steady mean;
    private final double[] meanC;
    private final double[] meanW;
    private final Elimination.Factors answers;
    private final int size;

    private Cycle(HeatNetwork network, List<Leg> legs, double[] meanW, HeatNetwork.Steady mean) {
        this.network = network;
        this.legs = legs;
        this.meanW = meanW;
        this.mean = mean;
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

    /** The highest of each node in the cycle. */
    static final class Peaks {
        private final double[] celsius;
        /** When it is reached, s after the start of the cycle. */
        private final double[] seconds;
        /** What a kelvin more of a straight swing adds to it. */
        private final double[] bent;

        private Peaks(double[] celsius, double[] seconds, double[] bent) {
            this.celsius = celsius;
            this.seconds = seconds;
            this.bent = bent;
        }

        /** Temperatures, °C. */
        double[] celsius() {
            return celsius;
        }
    }

    /**
     * How far above its mean a node is at its highest, for a watt more anywhere in a leg.
     */
    static final class Echo {
        /** Of what does not swing. */
        static final Echo NONE = new Echo(new double[0][], new double[0][]);
        /** By leg, how much of each direction. */
        private final double[][] by;

        private final double[][] directions;

        private Echo(double[][] by, double[][] directions) {
            this.by = by;
            this.directions = directions;
        }

        /** For heat put into a node during a leg, K/W. */
        double kelvinPerWatt(int leg, int node) {
            double sum = 0;
            if (leg < by.length) {
                for (int j = 0; j < by[leg].length; j++) {
                    sum += by[leg][j] * directions[j][node];
                }
            }
            return sum;
        }
    }

    /**
     * The highest temperature of each node in the cycle.
     *
     * @param meanW mean of what is put in
     * @param mean the steady state at that mean
     */
    static Peaks peaks(HeatNetwork network, List<Leg> legs, double[] meanW, HeatNetwork.Steady mean) {
        double[] celsius = mean.celsius();
        return legs.size() < 2
                ? new Peaks(celsius, new double[celsius.length], new double[celsius.length])
                : new Cycle(network, legs, meanW, mean).peaks();
    }

    /**
     * What heat in any leg does to a node at its highest, beside what it does to the mean. A network answers at one node to heat at another
     * as it does at the other to heat at the one, so that the answer to heat at this node tells it of all (reciprocity).
     */
    static Echo echo(HeatNetwork network, List<Leg> legs, HeatNetwork.Steady mean, Peaks peaks, int node) {
        if (legs.size() < 2) {
            return Echo.NONE;
        }
        double[] unit = new double[network.size()];
        unit[node] = peaks.bent[node];
        Modes modes = new Modes(mean.answers(), network.capacities(), unit, ECHO_DIRECTIONS);
        double whole = length(legs);
        double[][] by = new double[legs.size()][];
        double begins = 0;
        for (int k = 0; k < by.length; k++) {
            by[k] = new Pulse(modes, begins, legs.get(k).seconds(), whole).at(peaks.seconds[node]);
            begins += legs.get(k).seconds();
        }
        return new Echo(by, modes.directions);
    }

    private static double length(List<Leg> legs) {
        double whole = 0;
        for (Leg leg : legs) {
            whole += leg.seconds();
        }
        return whole;
    }

    private Peaks peaks() {
        double[] seconds = new double[size];
        double[] swing = swing(seconds);
        Leg warmest = legs.getFirst();
        for (Leg leg : legs) {
            warmest = sum(leg.watts()) > sum(warmest.watts()) ? leg : warmest;
        }
        double[] straight = answers.to(over(warmest, meanW));
        double[] steady = network.settle(mean, warmest.watts(), plus(meanC, straight), BEND_K)
                .celsius();
        double[] peaks = new double[size];
        double[] bent = new double[size];
        peaks[0] = meanC[0];
        for (int i = 1; i < size; i++) {
            double bend = straight[i] > LEAST_K ? 1 - (steady[i] - meanC[i]) / straight[i] : 0;
            double part = straight[i] > LEAST_K ? Math.min(1, swing[i] / straight[i]) : 0;
            bent[i] = 1 - bend * part;
            peaks[i] = meanC[i] + swing[i] * bent[i];
        }
        return new Peaks(peaks, seconds, bent);
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

    /**
     * The highest of each node about its mean, K.
     *
     * @param when takes when each is reached, s
     */
    private double[] swing(double[] when) {
        double whole = length(legs);
        Leg first = legs.getFirst();
        List<Pulse> pulses = new ArrayList<>();
        double begins = first.seconds();
        for (Leg leg : legs.subList(1, legs.size())) {
            double[] more = over(leg, first.watts());
            Modes modes = new Modes(answers, network.capacities(), more, Modes.MOST);
            pulses.add(new Pulse(modes, begins, leg.seconds(), whole));
            begins += leg.seconds();
        }
        double[] most = new double[size];
        double[] swing = new double[size];
        begins = 0;
        for (Leg leg : legs) {
            for (int look = 0; look < LOOKS; look++) {
                Arrays.fill(swing, 0);
                double seconds = begins + leg.seconds() / Math.pow(GROWTH, look);
                for (Pulse pulse : pulses) {
                    pulse.addTo(swing, seconds);
                }
                for (int i = 1; i < size; i++) {
                    if (swing[i] > most[i]) {
                        most[i] = swing[i];
                        when[i] = seconds;
                    }
                }
            }
            begins += leg.seconds();
        }
        return most;
    }
}
