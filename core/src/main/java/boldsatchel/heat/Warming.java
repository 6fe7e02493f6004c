package boldsatchel.heat;

import boldsatchel.engine.CannotAnswer;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * A network on its way through time. Each step is implicit, of two stages and second order, and damps at once what is faster than it
 * (Alexander, Diagonally implicit Runge–Kutta methods for stiff O.D.E.'s, SIAM Journal on Numerical Analysis 14, 1977), so that nodes that hold
 * no heat are where they settle and slow ones decide how long a step is. What is put in is what is taken up and given off, to the rounding of
 * each stage.
 */
final class Warming {

    /** Of the step, the first stage and the weight of the second. */
    private static final double GAMMA = 1 - Math.sqrt(0.5);
    /** How far the bend of a step may be from a straight line, K. */
    private static final double BEND_K = 0.6;

    /** A step after what is put in has changed, first tried. */
    private static final double FIRST_S = 4;
    /** It is no longer than this, as within it nobody knows how fast things warm at its beginning, s. */
    private static final double MOST_FIRST_S = 16;
    /** A step as short as this may bend as it likes. */
    private static final double SHORT_S = 0.25;

    private static final double LEAST_S = 1e-4;
    private static final double MOST_GROWTH = 3;
    private static final double CAREFUL = 0.9;
    /** Halvings until a place within a step is known. */
    private static final int HALVINGS = 30;

    private final double[] joulesPerK;
    private final double[] held;
    private double[] celsius;
    /** How fast each node warms, K/s. */
    private double[] rate;
    /** How long the next step may be, s. */
    private double reach = FIRST_S;
    /** How long one may be right after what is put in has changed, by the last such, s. */
    private double reachThen = FIRST_S;

    private boolean jolted = true;

    private double putInJ;
    private double givenOffJ;

    /**
     * A network, or several of the same nodes.
     *
     * @param startC temperatures it begins with
     * @param joulesPerK capacities of its nodes
     */
    Warming(double[] startC, double[] joulesPerK) {
        this.celsius = startC.clone();
        this.joulesPerK = joulesPerK.clone();
        this.held = new double[startC.length];
        this.rate = new double[startC.length];
    }

    /** A step that was tried. */
    static final class Step {
        /** That it takes, s. */
        final double seconds;
        /** Where it begins and ends, °C. */
        final double[] from;

        final double[] to;
        /** How fast each node warms there, K/s. */
        private final double[] rateFrom;

        private final double[] rateTo;
        private final double givenOffJ;
        private final double putInJ;
        private final double bendK;

        private Step(
                double seconds,
                double[] from,
                double[] to,
                double[] rateFrom,
                double[] rateTo,
                double putInJ,
                double givenOffJ,
                double bendK) {
            this.seconds = seconds;
            this.from = from;
            this.to = to;
            this.rateFrom = rateFrom;
            this.rateTo = rateTo;
            this.putInJ = putInJ;
            this.givenOffJ = givenOffJ;
            this.bendK = bendK;
        }

        /**
         * A node's temperature within the step, by the cubic that has its ends and their rates (Hermite).
         *
         * @param share of the step, 0 to 1
         */
        double at(int node, double share) {
            double rest = 1 - share;
            double straight = from[node] + share * (to[node] - from[node]);
            double by = to[node] - from[node];
            double bend = rest * (rateFrom[node] * seconds - by) - share * (rateTo[node] * seconds - by);
            return straight + share * rest * bend;
        }

        /** All temperatures within the step, °C. */
        private double[] at(double share) {
            double[] t = new double[to.length];
            for (int i = 0; i < t.length; i++) {
                t[i] = at(i, share);
            }
            return t;
        }

        /**
         * When something reaches a temperature that it is below at the beginning and not at the end.
         *
         * @param of the temperatures of all nodes
         * @return share of the step, 0 to 1
         */
        double reaches(ToDoubleFunction<double[]> of, double limitC) {
            double low = 0;
            double high = 1;
            for (int i = 0; i < HALVINGS; i++) {
                double middle = (low + high) / 2;
                if (of.applyAsDouble(at(middle)) < limitC) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return high;
        }
    }

    /** Temperatures now, °C; not to be changed. */
    double[] celsius() {
        return celsius;
    }

    /** How long the next step may well be, s. */
    double reach() {
        return reach;
    }

    /** What is put in changes at once: the next step is a short one. */
    void jolt() {
        reach = reachThen;
        jolted = true;
    }

    /** All that was put in so far, J. */
    double putInJ() {
        return putInJ;
    }

    /** All that went into the surroundings, J. */
    double givenOffJ() {
        return givenOffJ;
    }

    /**
     * Tries a step, and shorter ones until one bends little enough.
     *
     * @param watts put into each node
     * @param most how long it may be, s
     * @throws CannotAnswer when not even the shortest comes to an end
     */
    Step tried(HeatNetwork network, Elimination.Factors answers, double[] watts, double most) {
        double seconds = Math.min(most, reach);
        while (true) {
            Step step = exactly(network, answers, watts, seconds);
            boolean found = !Double.isNaN(step.givenOffJ);
            if (found && (step.bendK <= BEND_K || seconds <= SHORT_S)) {
                return step;
            }
            if (seconds < LEAST_S) {
                throw new CannotAnswer("the temperatures do not follow: a figure near them cannot be", List.of());
            }
            seconds *= found ? Math.max(0.2, CAREFUL * Math.sqrt(BEND_K / step.bendK)) : 0.25;
        }
    }

    /**
     * Tries a step of just so long.
     *
     * @param watts put into each node
     */
    Step exactly(HeatNetwork network, Elimination.Factors answers, double[] watts, double seconds) {
        int n = celsius.length;
        double piece = GAMMA * seconds;
        double[] first = new double[n];
        for (int i = 0; i < n; i++) {
            held[i] = joulesPerK[i] / piece;
            first[i] = celsius[i] + rate[i] * piece;
        }
        double given = network.hold(new HeatNetwork.Taken(watts, held, celsius), first, answers);
        double[] base = new double[n];
        double[] second = new double[n];
        double[] rateFirst = new double[n];
        for (int i = 0; i < n; i++) {
            rateFirst[i] = joulesPerK[i] > 0 ? (first[i] - celsius[i]) / piece : 0;
            base[i] = celsius[i] + (1 - GAMMA) * seconds * rateFirst[i];
            second[i] = base[i] + piece * rateFirst[i];
        }
        double givenLast = network.hold(new HeatNetwork.Taken(watts, held, base), second, answers);
        double[] rateLast = new double[n];
        double bend = 0;
        double put = 0;
        for (int i = 1; i < n; i++) {
            rateLast[i] = joulesPerK[i] > 0 ? (second[i] - base[i]) / piece : 0;
            bend = Math.max(bend, Math.abs(rateLast[i] - rateFirst[i]) * piece);
            put += watts[i];
        }
        return new Step(
                seconds,
                celsius,
                second,
                rate,
                rateLast,
                put * seconds,
                seconds * ((1 - GAMMA) * given + GAMMA * givenLast),
                bend);
    }

    /** Goes on to where a step ends. */
    void take(Step step) {
        celsius = step.to;
        rate = step.rateTo;
        putInJ += step.putInJ;
        givenOffJ += step.givenOffJ;
        double grow = step.bendK > 0 ? CAREFUL * Math.sqrt(BEND_K / step.bendK) : MOST_GROWTH;
        reach = Math.max(SHORT_S, step.seconds * Math.clamp(grow, 0.2, MOST_GROWTH));
        reachThen = jolted ? Math.min(reach, MOST_FIRST_S) : reachThen;
        jolted = false;
    }
}
