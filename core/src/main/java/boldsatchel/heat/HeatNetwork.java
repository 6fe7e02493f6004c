package boldsatchel.heat;

import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Nodes with heat put in, and links between them. The steady state is found by Newton's method on the heat balance of every node; node
 * 0 is the surroundings and stays as it is. The matrix of slopes is symmetric and diagonally dominant, so that elimination needs no
 * pivoting (Golub and Van Loan, Matrix Computations, 4.1); nodes with few links go first, which keeps nearly all of it zero: walls and
 * parts hang on the air like twigs, and a solution costs little more than a visit to each link.
 */
final class HeatNetwork {
    private static final int MOST_STEPS = 60;
    /** The last step taken; what is left after it is of the order of its square. */
    private static final double CLOSE_ENOUGH_K = 1e-5;

    /** The first step taken at most; later ones may go as far as was gone already. */
    private static final double LARGEST_STEP_K = 60;

    /** Steps after which one that leaves more heat piled up than it found is halved. */
    private static final int PATIENCE = 20;

    private static final double LEAST_PIVOT = 1e-12;

    private final double ambientC;
    private final List<Double> heatW = new ArrayList<>(List.of(0.0));
    private final List<Link> links = new ArrayList<>();
    private final List<Moved> moved = new ArrayList<>();
    private final List<Warmed> warmed = new ArrayList<>();
    /** Made for the nodes and links there are when it is first asked for. */
    private Optional<Elimination> elimination = Optional.empty();

    /** A link, and what it would be with one input moved by a standard deviation. */
    private record Moved(Input input, Link link, Link then) {}

    /** What one input, moved by a standard deviation, puts into a node more, W. */
    private record Warmed(Input input, int node, double watts) {}

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

    /** Says what a link would be with an input moved by a standard deviation. */
    void moves(Input input, Link link, Link then) {
        if (input.figure().sigma() > 0) {
            moved.add(new Moved(input, link, then));
        }
    }

    /** Says what an input moved by a standard deviation puts into a node more, W. */
    void warms(Input input, int node, double watts) {
        if (input.figure().sigma() > 0) {
            warmed.add(new Warmed(input, node, watts));
        }
    }

    int size() {
        return heatW.size();
    }

    double heatIn() {
        return heatW.stream().mapToDouble(Double::doubleValue).sum();
    }

    /** Heat flowing over the links that a test accepts, at given temperatures. */
    double flow(double[] celsius, Predicate<Link> which) {
        return links.stream()
                .filter(which)
                .mapToDouble(l -> l.watts(celsius[l.from()], celsius[l.to()]))
                .sum();
    }

    /**
     * Temperatures of all nodes, °C.
     *
     * @throws Unsettled when the iteration comes to no end
     * @throws IllegalStateException when a node is linked to nothing
     */
    double[] solve() {
        int n = size();
        double[] t = new double[n];
        Arrays.fill(t, ambientC + 10);
        t[0] = ambientC;
        Elimination elimination = elimination();
        for (int step = 0; step < MOST_STEPS; step++) {
            double[] change = elimination.at(t).solve(residual(t));
            double largest = 0;
            double gone = LARGEST_STEP_K;
            for (int i = 1; i < n; i++) {
                largest = Math.max(largest, Math.abs(change[i]));
                gone = Math.max(gone, Math.abs(t[i] - ambientC));
            }
            double share = Math.min(1, gone / largest);
            t = step < PATIENCE ? moved(t, change, share) : downhill(t, change, share);
            if (largest < CLOSE_ENOUGH_K) {
                return t;
            }
        }
        double[] left = residual(t);
        throw new Unsettled(IntStream.range(1, n)
                .boxed()
                .max(Comparator.comparingDouble(i -> Math.abs(left[i])))
                .orElse(0));
    }

    /** The temperatures come to no end; most heat is left over at a node. */
    static final class Unsettled extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final int node;

        Unsettled(int node) {
            super("the temperatures do not settle");
            this.node = node;
        }

        int node() {
            return node;
        }
    }

    private static double[] moved(double[] t, double[] change, double share) {
        double[] to = t.clone();
        for (int i = 1; i < to.length; i++) {
            to[i] += share * change[i];
        }
        return to;
    }

    /** Moves so far that less heat is left piled up: where a link changes its kind, whole steps could go to and fro for ever. */
    private double[] downhill(double[] t, double[] change, double most) {
        double before = piledUp(t);
        double share = most;
        double[] to = moved(t, change, share);
        while (share > most / 1000 && !(piledUp(to) < before)) {
            share /= 2;
            to = moved(t, change, share);
        }
        return to;
    }

    private double piledUp(double[] t) {
        return Arrays.stream(residual(t)).map(Math::abs).sum();
    }

    /** Heat that would pile up in each node, W; the surroundings take any. */
    double[] residual(double[] t) {
        double[] r = new double[size()];
        for (int i = 1; i < r.length; i++) {
            r[i] = heatW.get(i);
        }
        for (Link link : links) {
            double q = link.watts(t[link.from()], t[link.to()]);
            r[link.from()] -= q;
            r[link.to()] += q;
        }
        r[0] = 0;
        return r;
    }

    /**
     * What each input, moved by one standard deviation, does to the temperature of a node, K: the residual that it leaves at the links
     * and nodes that hold it, times the node's answer to heat put in anywhere. One solution serves all inputs (adjoint method).
     *
     * @param t the steady state
     */
    Map<Input, Double> effects(double[] t, int node) {
        double[] unit = new double[size()];
        unit[node] = 1;
        double[] kelvinPerWatt = elimination().at(t).solve(unit);
        Map<Input, Double> effects = new LinkedHashMap<>();
        for (Moved m : moved) {
            double from = t[m.link.from()];
            double to = t[m.link.to()];
            double more = m.then.watts(from, to) - m.link.watts(from, to);
            effects.merge(m.input, more * (kelvinPerWatt[m.link.to()] - kelvinPerWatt[m.link.from()]), Double::sum);
        }
        for (Warmed w : warmed) {
            effects.merge(w.input, w.watts * kelvinPerWatt[w.node], Double::sum);
        }
        return effects;
    }

    private Elimination elimination() {
        Elimination ready = elimination.filter(e -> e.place.length == size()).orElseGet(Elimination::new);
        elimination = Optional.of(ready);
        return ready;
    }

    /** Solves for the changes of temperature that answer to heat put in, about given temperatures. */
    private final class Elimination {
        private final int[] order;
        private final int[] place;
        private final double[][] matrix;
        /** By column, the rows below the diagonal that are not zero once all before them are eliminated. */
        private final int[][] below;

        Elimination() {
            int[] degree = new int[size()];
            for (Link link : links) {
                degree[link.from()]++;
                degree[link.to()]++;
            }
            List<Integer> nodes = new ArrayList<>();
            for (int i = 1; i < degree.length; i++) {
                if (degree[i] == 0) {
                    throw new IllegalStateException("a node of the heat network is linked to nothing");
                }
                nodes.add(i);
            }
            nodes.sort(Comparator.comparingInt(i -> degree[i]));
            order = nodes.stream().mapToInt(Integer::intValue).toArray();
            place = new int[size()];
            Arrays.fill(place, -1);
            for (int k = 0; k < order.length; k++) {
                place[order[k]] = k;
            }
            matrix = new double[order.length][order.length];
            below = pattern();
        }

        /** The links, and what elimination fills in: the rows of a column are handed on to the first of them. */
        private int[][] pattern() {
            int n = order.length;
            BitSet[] columns = new BitSet[n];
            Arrays.setAll(columns, k -> new BitSet(n));
            for (Link link : links) {
                int i = place[link.from()];
                int j = place[link.to()];
                if (i >= 0 && j >= 0 && i != j) {
                    columns[Math.min(i, j)].set(Math.max(i, j));
                }
            }
            int[][] rows = new int[n][];
            for (int k = 0; k < n; k++) {
                rows[k] = columns[k].stream().toArray();
                if (rows[k].length > 1) {
                    columns[rows[k][0]].or(columns[k]);
                    columns[rows[k][0]].clear(rows[k][0]);
                }
            }
            return rows;
        }

        /** Takes the slopes at these temperatures and eliminates. */
        Elimination at(double[] t) {
            for (double[] row : matrix) {
                Arrays.fill(row, 0);
            }
            for (Link link : links) {
                double slope = link.slope(t[link.from()], t[link.to()]);
                int i = place[link.from()];
                int j = place[link.to()];
                add(i, i, slope);
                add(j, j, slope);
                add(Math.max(i, j), Math.min(i, j), -slope);
            }
            eliminate();
            return this;
        }

        private void add(int row, int column, double value) {
            if (row >= 0 && column >= 0) {
                matrix[row][column] += value;
            }
        }

        /** Root-free Cholesky on the lower half (Golub and Van Loan, 4.1), only where the pattern is. */
        private void eliminate() {
            for (int k = 0; k < matrix.length; k++) {
                double pivot = matrix[k][k];
                if (!(pivot > LEAST_PIVOT)) {
                    throw new IllegalStateException("part of the heat network is cut off from the surroundings");
                }
                int[] rows = below[k];
                for (int a = 0; a < rows.length; a++) {
                    double[] row = matrix[rows[a]];
                    double factor = row[k] / pivot;
                    for (int b = 0; b <= a; b++) {
                        row[rows[b]] -= factor * matrix[rows[b]][k];
                    }
                }
            }
        }

        /** Changes of temperature by node, K, for heat put in by node, W. */
        double[] solve(double[] watts) {
            int n = matrix.length;
            double[] x = new double[n];
            for (int k = 0; k < n; k++) {
                x[k] = watts[order[k]];
            }
            for (int k = 0; k < n; k++) {
                double share = x[k] / matrix[k][k];
                for (int i : below[k]) {
                    x[i] -= matrix[i][k] * share;
                }
            }
            for (int k = n - 1; k >= 0; k--) {
                double sum = x[k];
                for (int i : below[k]) {
                    sum -= matrix[i][k] * x[i];
                }
                x[k] = sum / matrix[k][k];
            }
            double[] change = new double[size()];
            for (int k = 0; k < n; k++) {
                change[order[k]] = x[k];
            }
            return change;
        }
    }
}
