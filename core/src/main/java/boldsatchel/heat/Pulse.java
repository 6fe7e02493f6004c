package boldsatchel.heat;

import java.util.Arrays;
import org.apache.commons.math3.linear.EigenDecomposition;

/**
 * How a network swings about its mean state when heat is switched on for one part of each cycle. The answer of C·x' + K·x = q is
 * followed in the few directions that q reaches first, those of Lanczos for K⁻¹C in the measure of K (Golub and Van Loan, Matrix
 * Computations, 10.1): the first is the steady answer itself, so that what settles at once is exact, and those after it find the slowest
 * time constants first. In them the network falls apart into modes that each follow one exponential, of which the state after endless
 * rounds is known in closed form.
 */
final class Pulse {

    /** Directions followed at most: with eight a swing of tens of kelvin is within a tenth of one with forty. */
    private static final int MOST = 8;
    /** A new direction as small as this, beside the steady answer, is rounding. */
    private static final double NOTHING_NEW = 1e-9;
    /** No mode is taken for faster, s. */
    private static final double FASTEST_S = 1e-6;

    private final double begins;
    private final double lasts;
    private final double whole;
    private final double share;
    /** By direction, its rise at each node, K. */
    private final double[][] directions = new double[MOST][];
    /** How many of them there are. */
    private int count;
    /** By mode its time constant, s. */
    private double[] slow = {};
    /** By mode, how much of each direction its steady answer has. */
    private double[][] shares = {};
    /** By mode, what is missing of its steady answer when the pulse begins. */
    private double[] missing = {};
    /** By mode, what there is of its steady answer when the pulse ends. */
    private double[] reached = {};

    /**
     * A pulse.
     *
     * @param answers of the network to small changes about its mean state
     * @param joulesPerK capacities of its nodes
     * @param watts switched on by it, by node; nothing at the surroundings
     * @param begins after the start of the cycle, s
     * @param lasts how long it is on, s
     * @param whole how long the cycle is, s
     */
    Pulse(Elimination.Factors answers, double[] joulesPerK, double[] watts, double begins, double lasts, double whole) {
        this.begins = begins;
        this.lasts = lasts;
        this.whole = whole;
        this.share = lasts / whole;
        double[] steady = answers.to(watts);
        double size = Math.sqrt(dot(steady, watts));
        if (size > 0) {
            split(reach(answers, joulesPerK, steady, watts, size), size);
        }
    }

    /** The directions, at right angles to one another in the measure of K; returns diagonal and neighbours of K⁻¹C in them. */
    private double[][] reach(
            Elimination.Factors answers, double[] joulesPerK, double[] steady, double[] watts, double size) {
        double[][] flows = new double[MOST][];
        double[] diagonal = new double[MOST];
        double[] beside = new double[MOST];
        double[] rise = steady;
        double[] flow = watts;
        double length = size;
        while (count < MOST && length > NOTHING_NEW * size) {
            directions[count] = scaled(rise, 1 / length);
            flows[count] = scaled(flow, 1 / length);
            flow = product(joulesPerK, directions[count]);
            rise = answers.to(flow);
            for (int j = count; j >= 0; j--) {
                double shared = dot(flow, directions[j]);
                diagonal[count] = j == count ? shared : diagonal[count];
                add(rise, -shared, directions[j]);
                add(flow, -shared, flows[j]);
            }
            length = Math.sqrt(Math.max(0, dot(rise, flow)));
            beside[count++] = length;
        }
        return new double[][] {Arrays.copyOf(diagonal, count), Arrays.copyOf(beside, count - 1)};
    }

    private void split(double[][] tridiagonal, double size) {
        EigenDecomposition modes = new EigenDecomposition(tridiagonal[0], tridiagonal[1]);
        slow = modes.getRealEigenvalues();
        shares = new double[count][];
        missing = new double[count];
        reached = new double[count];
        for (int k = 0; k < count; k++) {
            slow[k] = Math.max(FASTEST_S, slow[k]);
            double[] mode = modes.getEigenvector(k).toArray();
            shares[k] = scaled(mode, size * mode[0]);
            double round = Math.expm1(-whole / slow[k]);
            missing[k] = Math.expm1(-(whole - lasts) / slow[k]) / round;
            reached[k] = Math.expm1(-lasts / slow[k]) / round;
        }
    }

    /**
     * Adds what the pulse does about its mean at a time of the cycle, K.
     *
     * @param seconds since the cycle's start
     */
    void addTo(double[] swing, double seconds) {
        double since = seconds < begins ? seconds - begins + whole : seconds - begins;
        double[] by = new double[count];
        for (int k = 0; k < count; k++) {
            double on = since <= lasts
                    ? 1 - missing[k] * Math.exp(-since / slow[k])
                    : reached[k] * Math.exp(-(since - lasts) / slow[k]);
            add(by, on - share, shares[k]);
        }
        for (int j = 0; j < count; j++) {
            add(swing, by[j], directions[j]);
        }
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private static double[] product(double[] a, double[] b) {
        double[] product = new double[a.length];
        for (int i = 0; i < a.length; i++) {
            product[i] = a[i] * b[i];
        }
        return product;
    }

    private static double[] scaled(double[] a, double by) {
        double[] scaled = new double[a.length];
        for (int i = 0; i < a.length; i++) {
            scaled[i] = a[i] * by;
        }
        return scaled;
    }

    private static void add(double[] to, double times, double[] what) {
        for (int i = 0; i < to.length; i++) {
            to[i] += times * what[i];
        }
    }
}
