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
}
