package boldsatchel.heat;

import java.util.Arrays;
import org.apache.commons.math3.linear.EigenDecomposition;

/**
 * What a network about its mean state answers with when heat is switched on in it. The answer of C·x' + K·x = q is
 * followed in the few directions that q reaches first, those of Lanczos for K⁻¹C in the measure of K (Golub and Van Loan, Matrix
 * Computations, 10.1): the first is the steady answer itself, so that what settles at once is exact, and those after it find the slowest
 * time constants first. In them the network falls apart into modes that each follow one exponential.
 */
final class Modes {

    /** Directions followed at most: with eight a swing of tens of kelvin is within a tenth of one with forty. */
    static final int MOST = 8;
    /** A new direction as small as this, beside the steady answer, is rounding. */
    private static final double NOTHING_NEW = 1e-9;
    /** No mode is taken for faster, s. */
    private static final double FASTEST_S = 1e-6;

    /** By direction, its rise at each node, K. */
    final double[][] directions;
    /** How many of them there are. */
    private int count;
    /** By mode its time constant, s. */
    double[] slow = {};
    /** By mode, how much of each direction its steady answer has. */
    double[][] shares = {};

    /**
     * The answer to heat.
     *
     * @param answers of the network to small changes about its mean state
     * @param joulesPerK capacities of its nodes
     * @param watts switched on, by node; nothing at the surroundings
     * @param most directions to follow
     */
    Modes(Elimination.Factors answers, double[] joulesPerK, double[] watts, int most) {
        directions = new double[most][];
        double[] steady = answers.to(watts);
        double size = Math.sqrt(dot(steady, watts));
        if (size > 0) {
            split(reach(answers, joulesPerK, steady, watts, size), size);
        }
    }

    /** How many there are. */
    int count() {
        return count;
    }

    /** The directions, at right angles to one another in the measure of K; returns diagonal and neighbours of K⁻¹C in them. */
    private double[][] reach(
            Elimination.Factors answers, double[] joulesPerK, double[] steady, double[] watts, double size) {
        int most = directions.length;
        double[][] flows = new double[most][];
        double[] diagonal = new double[most];
        double[] beside = new double[most];
        double[] rise = steady;
        double[] flow = watts;
        double length = size;
        while (count < most && length > NOTHING_NEW * size) {
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
        for (int k = 0; k < count; k++) {
            slow[k] = Math.max(FASTEST_S, slow[k]);
            double[] mode = modes.getEigenvector(k).toArray();
            shares[k] = scaled(mode, size * mode[0]);
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

    static void add(double[] to, double times, double[] what) {
        for (int i = 0; i < to.length; i++) {
            to[i] += times * what[i];
        }
    }
}
