package boldsatchel.heat;

import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import java.util.List;

/**
 * What each input, moved by one standard deviation, does to the temperatures of a network about a steady state: the residual that it
 * leaves at the links and nodes that hold it, times a node's answer to heat put in anywhere. One solution serves all inputs of a node
 * (adjoint method), and what inputs leave is worked out once for all nodes.
 */
final class Effects {

    private final Elimination.Factors answers;
    private final int size;
    /** The place of what all convection goes with. */
    private final int convection;
    /** By node, what convection brings into it, times a standard deviation of its factor, W. */
    private final double[] convectedW;

    private final Leaves[] links;
    private final Leaves[] heats;
    /** As many places as its inputs have at most. */
    private final int places;

    /**
     * What an input does.
     *
     * @param place of the input among all
     * @param from the node that gives, if it is a link that is moved
     * @param to the node that takes
     * @param watts more that go there
     * @param swing of how far nodes swing above their mean, the share by which it grows
     */
    private record Leaves(int place, int from, int to, double watts, double swing) {}

    /**
     * What one input, moved by a standard deviation, does to the heat.
     *
     * @param watts put into a node more, mean
     * @param swing share by which nodes swing further above their mean
     */
    record Warmed(Input input, int node, double watts, double swing) {}

    /**
     * About a steady state.
     *
     * @param inputs gives each its place
     * @param convection a factor on all convection
     * @param warmed inputs of the heat itself
     */
    Effects(Inputs inputs, HeatNetwork network, HeatNetwork.Steady steady, Input convection, List<Warmed> warmed) {
        double[] t = steady.celsius();
        this.answers = steady.answers();
        this.size = network.size();
        this.convection = inputs.place(convection);
        convectedW = network.convectedW(t, convection.figure().sigma());
        List<HeatNetwork.Moved> moved = network.moved();
        links = new Leaves[moved.size()];
        for (int k = 0; k < links.length; k++) {
            HeatNetwork.Moved m = moved.get(k);
            links[k] = new Leaves(
                    inputs.place(m.input()), m.link().from(), m.link().to(), m.moreW(t), 0);
        }
        heats = new Leaves[warmed.size()];
        for (int k = 0; k < heats.length; k++) {
            Warmed w = warmed.get(k);
            heats[k] = new Leaves(inputs.place(w.input()), 0, w.node(), w.watts(), w.swing());
        }
        places = inputs.size();
    }

    /**
     * On the highest temperature of a node, K for a standard deviation of each input, by its place. What moves links moves a peak as it moves the mean,
     * rise for rise; what moves the heat of the warmest step moves how far the node swings as well.
     *
     * @param rises what a kelvin more in the mean by a link is worth at the peak; negative for what it takes from a margin
     * @param place what a kelvin more at the node is worth where it is hottest; likewise
     * @param swingK how far it swings above its mean
     */
    double[] on(int node, double rises, double place, double swingK) {
        double[] unit = new double[size];
        unit[node] = 1;
        double[] kelvinPerWatt = answers.to(unit);
        double[] effects = new double[places];
        for (int i = 1; i < size; i++) {
            effects[convection] += rises * convectedW[i] * kelvinPerWatt[i];
        }
        for (Leaves l : links) {
            effects[l.place] += rises * l.watts * (kelvinPerWatt[l.to] - kelvinPerWatt[l.from]);
        }
        for (Leaves h : heats) {
            effects[h.place] += place * (h.watts * kelvinPerWatt[h.to] + h.swing * swingK);
        }
        return effects;
    }
}
