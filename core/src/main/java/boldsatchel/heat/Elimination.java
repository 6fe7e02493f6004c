package boldsatchel.heat;

import java.util.Arrays;
import java.util.List;

/**
 * Solves for the changes of temperature that answer to heat put in. The matrix of slopes is symmetric and diagonally dominant, so that
 * elimination needs no pivoting (Golub and Van Loan, Matrix Computations, 4.1); nodes with few links go first, which keeps nearly all of
 * it zero: walls and parts hang on the air like twigs, and a solution costs little more than a visit to each link. Where what is found
 * once for a set of links: the order, and what elimination fills in.
 */
final class Elimination {

    private static final double LEAST_PIVOT = 1e-12;

    /** Nodes in the order in which they go. */
    private final int[] order;
    /** By column, the nodes below the diagonal that are not zero once all before them are eliminated, one column after the other. */
    private final int[] rows;
    /** Where the rows of each column begin, and where the last end. */
    private final int[] begins;
    /** By column, for each pair of its rows the place of the one in the column of the other, one column after the other. */
    private final int[] where;
    /** Three a link: its two nodes, and its place in the column of the earlier; one beyond all at the surroundings. */
    private final int[] slots;

    /**
     * For nodes and links; node 0 is the surroundings.
     *
     * @throws IllegalStateException when a node is linked to nothing
     */
    Elimination(int nodes, List<Link> links) {
        int[] degree = new int[nodes];
        for (Link link : links) {
            degree[link.from()]++;
            degree[link.to()]++;
        }
        order = byDegree(degree);
        int[] place = new int[nodes];
        place[0] = -1;
        for (int k = 0; k < order.length; k++) {
            place[order[k]] = k;
        }
        int[][] below = pattern(place, links);
        begins = new int[below.length + 1];
        for (int k = 0; k < below.length; k++) {
            begins[k + 1] = begins[k] + below[k].length;
        }
        rows = new int[begins[below.length]];
        int pairs = 0;
        for (int k = 0; k < below.length; k++) {
            System.arraycopy(below[k], 0, rows, begins[k], below[k].length);
            pairs += below[k].length * (below[k].length - 1) / 2;
        }
        where = new int[pairs];
        int first = 0;
        for (int[] column : below) {
            for (int b = 0; b < column.length; b++) {
                int at = begins[column[b]];
                for (int a = b + 1; a < column.length; a++) {
                    while (rows[at] < column[a]) {
                        at++;
                    }
                    where[first + a * (a - 1) / 2 + b] = at;
                }
            }
            first += column.length * (column.length - 1) / 2;
        }
        slots = new int[3 * links.size()];
        for (int l = 0; l < links.size(); l++) {
            Link link = links.get(l);
            int early = Math.min(place[link.from()], place[link.to()]);
            int late = Math.max(place[link.from()], place[link.to()]);
            slots[3 * l] = link.from();
            slots[3 * l + 1] = link.to();
            slots[3 * l + 2] = early < 0 || early == late
                    ? rows.length
                    : Arrays.binarySearch(rows, begins[early], begins[early + 1], late);
        }
        for (int a = 0; a < rows.length; a++) {
            rows[a] = order[rows[a]];
        }
    }

    /** Nodes with few links first, by counting. */
    private static int[] byDegree(int[] degree) {
        int most = 0;
        for (int i = 1; i < degree.length; i++) {
            if (degree[i] == 0) {
                throw new IllegalStateException("a node of the heat network is linked to nothing");
            }
            most = Math.max(most, degree[i]);
        }
        int[] order = new int[degree.length - 1];
        int next = 0;
        for (int d = 1; d <= most; d++) {
            for (int i = 1; i < degree.length; i++) {
                if (degree[i] == d) {
                    order[next++] = i;
                }
            }
        }
        return order;
    }

    int size() {
        return order.length + 1;
    }

    /** The links, and what elimination fills in: the rows of a column are handed on to the first of them. */
    private int[][] pattern(int[] place, List<Link> links) {
        int n = order.length;
        int words = (n + Long.SIZE - 1) / Long.SIZE;
        long[] columns = new long[n * words];
        for (Link link : links) {
            int i = place[link.from()];
            int j = place[link.to()];
            if (i >= 0 && j >= 0 && i != j) {
                int row = Math.max(i, j);
                columns[Math.min(i, j) * words + row / Long.SIZE] |= 1L << row;
            }
        }
        int[][] rows = new int[n][];
        for (int k = 0; k < n; k++) {
            rows[k] = places(columns, k * words, words);
            if (rows[k].length > 1) {
                int first = rows[k][0];
                for (int w = 0; w < words; w++) {
                    columns[first * words + w] |= columns[k * words + w];
                }
                columns[first * words + first / Long.SIZE] &= ~(1L << first);
            }
        }
        return rows;
    }

    private static int[] places(long[] sets, int begin, int words) {
        int count = 0;
        for (int w = 0; w < words; w++) {
            count += Long.bitCount(sets[begin + w]);
        }
        int[] places = new int[count];
        int next = 0;
        for (int w = 0; w < words; w++) {
            for (long left = sets[begin + w]; left != 0; left &= left - 1) {
                places[next++] = w * Long.SIZE + Long.numberOfTrailingZeros(left);
            }
        }
        return places;
    }

    /**
     * Eliminates.
     *
     * @param slopes of each link, W/K
     * @throws IllegalStateException when some nodes are cut off from the surroundings
     */
    Factors of(double[] slopes) {
        Factors factors = factors();
        factors.take(slopes);
        return factors;
    }

    /** Room for what is eliminated, nothing in it yet. */
    Factors factors() {
        return new Factors();
    }

    /** The matrix, eliminated. */
    final class Factors {
        /** By node, one over its pivot. */
        private final double[] inverse = new double[size()];
        /** By place in the rows, and one for what is nowhere. */
        private final double[] lower = new double[rows.length + 1];

        private Factors() {}

        /** Eliminates again with other slopes; as above. */
        void take(double[] slopes) {
            Arrays.fill(inverse, 0);
            Arrays.fill(lower, 0);
            for (int l = 0; l < slopes.length; l++) {
                double slope = slopes[l];
                inverse[slots[3 * l]] += slope;
                inverse[slots[3 * l + 1]] += slope;
                lower[slots[3 * l + 2]] -= slope;
            }
            eliminate();
        }

        /** Root-free Cholesky on the lower half (Golub and Van Loan, 4.1), only where the pattern is. */
        private void eliminate() {
            int next = 0;
            for (int k = 0; k < order.length; k++) {
                int node = order[k];
                if (!(inverse[node] > LEAST_PIVOT)) {
                    throw new IllegalStateException("part of the heat network is cut off from the surroundings");
                }
                double one = 1 / inverse[node];
                for (int a = begins[k]; a < begins[k + 1]; a++) {
                    double factor = lower[a] * one;
                    for (int b = begins[k]; b < a; b++) {
                        lower[where[next++]] -= factor * lower[b];
                    }
                    inverse[rows[a]] -= factor * lower[a];
                }
                inverse[node] = one;
            }
        }

        /** Changes of temperature by node, K, for heat put in by node, W. */
        double[] to(double[] watts) {
            double[] change = watts.clone();
            answer(change);
            return change;
        }

        /**
         * Puts an answer in the place of what it answers to.
         *
         * @param x by node, heat put in, W; takes the changes of temperature, K
         */
        void answer(double[] x) {
            x[0] = 0;
            for (int k = 0; k < order.length; k++) {
                double share = x[order[k]] * inverse[order[k]];
                for (int a = begins[k]; a < begins[k + 1]; a++) {
                    x[rows[a]] -= lower[a] * share;
                }
            }
            for (int k = order.length - 1; k >= 0; k--) {
                double sum = x[order[k]];
                for (int a = begins[k]; a < begins[k + 1]; a++) {
                    sum -= lower[a] * x[rows[a]];
                }
                x[order[k]] = sum * inverse[order[k]];
            }
        }
    }
}
