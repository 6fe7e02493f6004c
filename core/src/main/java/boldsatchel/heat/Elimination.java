package boldsatchel.heat;

import java.util.ArrayList;
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

    /** As many are kept as one machine has: with its lid open, and closed. */
    private static final int KEPT = 2;

    private static volatile List<Elimination> last = List.of();

    /**
     * For nodes and links; node 0 is the surroundings. A part that is dragged changes how much goes where, but seldom what hangs on what:
     * where that is as it was last time, order and fill are those of last time.
     *
     * @throws IllegalStateException when a node is linked to nothing
     */
    static Elimination of(int nodes, Ways ways) {
        List<Elimination> before = last;
        for (Elimination known : before) {
            if (known.size() == nodes && known.joins(ways)) {
                return known;
            }
        }
        List<Elimination> kept = new ArrayList<>(before);
        kept.addFirst(new Elimination(nodes, ways));
        last = List.copyOf(kept.subList(0, Math.min(kept.size(), KEPT)));
        return kept.getFirst();
    }

    private boolean joins(Ways ways) {
        boolean same = slots.length == 3 * ways.size();
        for (int l = 0; same && l < ways.size(); l++) {
            same = slots[3 * l] == ways.from(l) && slots[3 * l + 1] == ways.to(l);
        }
        return same;
    }

    private Elimination(int nodes, Ways ways) {
        int[] degree = new int[nodes];
        for (int l = 0; l < ways.size(); l++) {
            degree[ways.from(l)]++;
            degree[ways.to(l)]++;
        }
        order = byDegree(degree);
        int[] place = new int[nodes];
        place[0] = -1;
        for (int k = 0; k < order.length; k++) {
            place[order[k]] = k;
        }
        Sets below = pattern(place, ways);
        begins = new int[order.length + 1];
        int pairs = 0;
        for (int k = 0; k < order.length; k++) {
            int size = below.size(k);
            begins[k + 1] = begins[k] + size;
            pairs += size * (size - 1) / 2;
        }
        rows = new int[begins[order.length]];
        where = new int[pairs];
        int next = 0;
        for (int k = 0; k < order.length; k++) {
            below.copy(k, rows, begins[k]);
            for (int a = begins[k]; a < begins[k + 1]; a++) {
                for (int b = begins[k]; b < a; b++) {
                    where[next++] = begins[rows[b]] + below.before(rows[b], rows[a]);
                }
            }
        }
        slots = new int[3 * ways.size()];
        for (int l = 0; l < ways.size(); l++) {
            int early = Math.min(place[ways.from(l)], place[ways.to(l)]);
            int late = Math.max(place[ways.from(l)], place[ways.to(l)]);
            slots[3 * l] = ways.from(l);
            slots[3 * l + 1] = ways.to(l);
            slots[3 * l + 2] = early < 0 || early == late ? rows.length : begins[early] + below.before(early, late);
        }
        for (int a = 0; a < rows.length; a++) {
            rows[a] = order[rows[a]];
        }
    }

    /** Nodes with few links first, by counting. */
    private static int[] byDegree(int[] degree) {
        int[] next = new int[Arrays.stream(degree).max().orElse(0) + 2];
        for (int i = 1; i < degree.length; i++) {
            if (degree[i] == 0) {
                throw new IllegalStateException("a node of the heat network is linked to nothing");
            }
            next[degree[i] + 1]++;
        }
        for (int d = 1; d < next.length; d++) {
            next[d] += next[d - 1];
        }
        int[] order = new int[degree.length - 1];
        for (int i = 1; i < degree.length; i++) {
            order[next[degree[i]]++] = i;
        }
        return order;
    }

    /** A set of places for each column. */
    private static final class Sets {
        private final int words;
        private final long[] bits;

        Sets(int columns) {
            words = (columns + Long.SIZE - 1) / Long.SIZE;
            bits = new long[columns * words];
        }

        void add(int column, int place) {
            bits[column * words + place / Long.SIZE] |= 1L << place;
        }

        /** Adds all of one column's to another's, but for the other itself. */
        void hand(int column, int on) {
            for (int w = 0; w < words; w++) {
                bits[on * words + w] |= bits[column * words + w];
            }
            bits[on * words + on / Long.SIZE] &= ~(1L << on);
        }

        int size(int column) {
            int size = 0;
            for (int w = 0; w < words; w++) {
                size += Long.bitCount(bits[column * words + w]);
            }
            return size;
        }

        /** The least; as many as there are words times bits when there are none. */
        int first(int column) {
            int w = 0;
            while (w < words && bits[column * words + w] == 0) {
                w++;
            }
            return w * Long.SIZE + (w < words ? Long.numberOfTrailingZeros(bits[column * words + w]) : 0);
        }

        /** How many of a column's are less than a place. */
        int before(int column, int place) {
            int word = place / Long.SIZE;
            int count = Long.bitCount(bits[column * words + word] & ((1L << place) - 1));
            for (int w = 0; w < word; w++) {
                count += Long.bitCount(bits[column * words + w]);
            }
            return count;
        }

        /** Writes a column's in rising order. */
        void copy(int column, int[] to, int begin) {
            int next = begin;
            for (int w = 0; w < words; w++) {
                for (long left = bits[column * words + w]; left != 0; left &= left - 1) {
                    to[next++] = w * Long.SIZE + Long.numberOfTrailingZeros(left);
                }
            }
        }
    }

    int size() {
        return order.length + 1;
    }

    /** The links, and what elimination fills in: the rows of a column are handed on to the first of them. */
    private Sets pattern(int[] place, Ways ways) {
        Sets below = new Sets(order.length);
        for (int l = 0; l < ways.size(); l++) {
            int i = place[ways.from(l)];
            int j = place[ways.to(l)];
            if (i >= 0 && j >= 0 && i != j) {
                below.add(Math.min(i, j), Math.max(i, j));
            }
        }
        for (int k = 0; k < order.length; k++) {
            int first = below.first(k);
            if (first < order.length) {
                below.hand(k, first);
            }
        }
        return below;
    }

    /**
     * Eliminates.
     *
     * @param slopes of each link, W/K
     * @throws IllegalStateException when some nodes are cut off from the surroundings
     */
    Factors of(double[] slopes) {
        Factors factors = factors();
        factors.take(slopes, new double[size()]);
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

        /**
         * Eliminates again with other slopes; as above.
         *
         * @param held by node, what goes nowhere but is held there, W/K
         */
        void take(double[] slopes, double[] held) {
            System.arraycopy(held, 0, inverse, 0, inverse.length);
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
