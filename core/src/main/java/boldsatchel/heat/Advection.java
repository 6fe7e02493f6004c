package boldsatchel.heat;

import java.util.ArrayList;
import java.util.List;

/**
 * Heat that air takes up on its way: what fins give to air that is driven out leaves with it at once, and what they give to air that comes in warms the
 * room. It goes by the temperature of the air that comes to them, and arrives elsewhere: what a node gets depends on others than those that get from it.
 * The matrix of a network with such ways is that of its links and one product of two vectors for each, which the inverse takes up one after the other
 * (Sherman and Morrison; Golub and Van Loan, Matrix Computations, 2.1.4).
 */
final class Advection {

    /**
     * What goes on.
     *
     * @param link its place among the links of the network
     * @param over the link itself
     * @param to node where it arrives in place of the link's end
     * @param share of what crosses the link that does
     */
    record Way(int link, Link over, int to, double share) {
        double watts(double[] t) {
            return share * over.watts(t[over.from()], t[over.to()]);
        }

        /** How much more crosses for small changes, over the slope of the link. */
        private double more(double[] change) {
            return share * (rise(over.from(), change) - rise(over.to(), change));
        }

        private static double rise(int node, double[] change) {
            return node == 0 ? 0 : change[node];
        }
    }

    private final List<Way> ways = new ArrayList<>();

    void add(Way way) {
        ways.add(way);
    }

    List<Way> ways() {
        return ways;
    }

    /** Takes it from where the links left it to where it arrives. */
    void cross(double[] t, double[] left) {
        for (Way way : ways) {
            double watts = way.watts(t);
            left[way.over.to()] -= watts;
            left[way.to] += watts;
        }
    }

    /** How much more of it goes into the surroundings after small changes, W. */
    double moreGivenOff(double[] slopes, double[] change) {
        double more = 0;
        for (Way way : ways) {
            double here = slopes[way.link] * way.more(change);
            more += way.to == 0 ? here : way.over.to() == 0 ? -here : 0;
        }
        return more;
    }

    /**
     * Makes the answer of the links alone that of the whole.
     *
     * @param answers of the links alone
     * @param slopes of the links, W/K
     * @param change changes of temperature by node
     */
    void answer(Elimination.Factors answers, double[] slopes, double[] change) {
        double[][] reach = new double[ways.size()][];
        double[] gain = new double[ways.size()];
        for (int k = 0; k < ways.size(); k++) {
            Way way = ways.get(k);
            reach[k] = new double[change.length];
            reach[k][way.over.to()] += 1;
            reach[k][way.to] -= 1;
            answers.answer(reach[k]);
            for (int j = 0; j < k; j++) {
                take(reach[j], gain[j] * ways.get(j).more(reach[k]), reach[k]);
            }
            gain[k] = slopes[way.link] / (1 + slopes[way.link] * way.more(reach[k]));
            take(reach[k], gain[k] * way.more(change), change);
        }
    }

    private static void take(double[] what, double times, double[] from) {
        for (int i = 1; i < from.length; i++) {
            from[i] -= times * what[i];
        }
    }
}
