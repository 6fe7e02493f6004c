package boldsatchel.heat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Nodes with heat put in, and links between them. The steady state is found by Newton's method on the heat balance of every node,
 * with the links' slopes taken by small differences; node 0 is the surroundings and stays as it is.
 */
final class HeatNetwork {

    private static final int MOST_STEPS = 60;
    private static final double CLOSE_ENOUGH_K = 1e-6;
    private static final double LARGEST_STEP_K = 60;
    private static final double SLOPE_STEP_K = 1e-3;

    private final double ambientC;
    private final List<Double> heatW = new ArrayList<>(List.of(0.0));
    private final List<Link> links = new ArrayList<>();

    HeatNetwork(double ambientC) {
        this.ambientC = ambientC;
    }

    /** Adds a node. */
    int node(double watts) {
        heatW.add(watts);
        return heatW.size() - 1;
    }

    void heat(int node, double watts) {
        heatW.set(node, heatW.get(node) + watts);
    }

    void link(Link link) {
        links.add(link);
    }

    int size() {
        return heatW.size();
    }

    double heatIn() {
        return heatW.stream().mapToDouble(Double::doubleValue).sum();
    }

    /** Heat flowing over the links that a test accepts, at given temperatures. */
    double flow(double[] celsius, java.util.function.Predicate<Link> which) {
        return links.stream()
                .filter(which)
                .mapToDouble(l -> l.watts(celsius[l.from()], celsius[l.to()]))
                .sum();
    }

    /**
     * Temperatures of all nodes, °C.
     *
     * @throws IllegalStateException when a node is linked to nothing, or the iteration does not settle
     */
    double[] solve() {
        int n = size();
        if (links.stream()
                        .flatMapToInt(l -> IntStream.of(l.from(), l.to()))
                        .filter(i -> i > 0)
                        .distinct()
                        .count()
                < n - 1L) {
            throw new IllegalStateException("a node of the heat network is linked to nothing");
        }
        double[] t = new double[n];
        java.util.Arrays.fill(t, ambientC + 10);
        t[0] = ambientC;
        for (int step = 0; step < MOST_STEPS; step++) {
            DMatrixRMaj jacobian = new DMatrixRMaj(n - 1, n - 1);
            DMatrixRMaj balance = new DMatrixRMaj(n - 1, 1, true, residual(t));
            slopes(t, jacobian);
            DMatrixRMaj change = new DMatrixRMaj(n - 1, 1);
            if (!CommonOps_DDRM.solve(jacobian, balance, change)) {
                throw new IllegalStateException("part of the heat network is cut off from the surroundings");
            }
            double largest = CommonOps_DDRM.elementMaxAbs(change);
            double damping = Math.min(1, LARGEST_STEP_K / largest);
            for (int i = 1; i < n; i++) {
                t[i] -= damping * change.get(i - 1);
            }
            if (largest < CLOSE_ENOUGH_K) {
                return t;
            }
        }
        throw new IllegalStateException("the temperatures do not settle after " + MOST_STEPS + " steps");
    }

    /** Heat that would pile up in each node but the surroundings, W. */
    double[] residual(double[] t) {
        double[] r = new double[size() - 1];
        for (int i = 1; i < size(); i++) {
            r[i - 1] = heatW.get(i);
        }
        for (Link link : links) {
            double q = link.watts(t[link.from()], t[link.to()]);
            if (link.from() > 0) {
                r[link.from() - 1] -= q;
            }
            if (link.to() > 0) {
                r[link.to() - 1] += q;
            }
        }
        return r;
    }

    private void slopes(double[] t, DMatrixRMaj jacobian) {
        for (Link link : links) {
            int i = link.from();
            int j = link.to();
            double q = link.watts(t[i], t[j]);
            double byFrom = (link.watts(t[i] + SLOPE_STEP_K, t[j]) - q) / SLOPE_STEP_K;
            double byTo = (link.watts(t[i], t[j] + SLOPE_STEP_K) - q) / SLOPE_STEP_K;
            add(jacobian, i, i, -byFrom);
            add(jacobian, i, j, -byTo);
            add(jacobian, j, i, byFrom);
            add(jacobian, j, j, byTo);
        }
    }

    private static void add(DMatrixRMaj m, int row, int column, double value) {
        if (row > 0 && column > 0) {
            m.add(row - 1, column - 1, value);
        }
    }

    /**
     * How each node's heat moves the temperature of one node, K/W: one solution of the transposed system serves every input, since
     * the change of a temperature is this vector times the change of the residual.
     */
    double[] sensitivity(double[] t, int node) {
        int n = size() - 1;
        DMatrixRMaj jacobian = new DMatrixRMaj(n, n);
        slopes(t, jacobian);
        CommonOps_DDRM.transpose(jacobian);
        DMatrixRMaj unit = new DMatrixRMaj(n, 1);
        unit.set(node - 1, 0, -1);
        DMatrixRMaj result = new DMatrixRMaj(n, 1);
        CommonOps_DDRM.solve(jacobian, unit, result);
        return result.data;
    }
}
