package boldsatchel.heat;

import java.util.List;

/** The links of a network in a row, as they are visited again and again. */
final class Ways {

    private final Link[] links;
    private final int[] from;
    private final int[] to;

    Ways(List<Link> list) {
        links = list.toArray(Link[]::new);
        from = new int[links.length];
        to = new int[links.length];
        for (int k = 0; k < links.length; k++) {
            from[k] = links[k].from();
            to[k] = links[k].to();
        }
    }

    int size() {
        return links.length;
    }

    /** The node where a link begins. */
    int from(int link) {
        return from[link];
    }

    /** The node where it ends. */
    int to(int link) {
        return to[link];
    }

    /** What each link carries for a kelvin where it bears a difference above the surroundings, W/K. */
    double[] perK(double ambientC, double differenceK) {
        Link.Flow flow = new Link.Flow();
        double[] perK = new double[links.length];
        for (int k = 0; k < links.length; k++) {
            links[k].cross(ambientC + differenceK, ambientC, flow);
            perK[k] = flow.watts / differenceK;
        }
        return perK;
    }

    /**
     * What crosses all links at given temperatures.
     *
     * @param t temperatures of the nodes
     * @param left heat at each node; takes what comes in and loses what goes out, W
     * @param slopes takes how the heat over each link grows, W/K
     */
    void cross(double[] t, double[] left, double[] slopes) {
        Link.Flow flow = new Link.Flow();
        for (int k = 0; k < links.length; k++) {
            links[k].cross(t[from[k]], t[to[k]], flow);
            left[from[k]] -= flow.watts;
            left[to[k]] += flow.watts;
            slopes[k] = flow.slope;
        }
    }

    /**
     * How much more crosses into the surroundings after small changes, W.
     *
     * @param slopes of each link, W/K
     * @param change of each node, K
     */
    double moreGivenOff(double[] slopes, double[] change) {
        double more = 0;
        for (int k = 0; k < links.length; k++) {
            if (to[k] == 0) {
                more += slopes[k] * change[from[k]];
            }
        }
        return more;
    }
}
