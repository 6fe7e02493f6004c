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
    private final Heat[] heats;
    /** As many places as its inputs have at most. */
    private final int places;

    /**
     * What an input does that moves a link.
     *
     * @param place of the input among all
     * @param from the node that gives
     * @param to the node that takes
     * @param watts more that go there
     */
    private record Leaves(int place, int from, int to, double watts) {}

    /** What an input does that moves the heat, by its place among all. */
    private record Heat(int place, Warmed warmed) {}

    /**
     * What one input, moved by a standard deviation, does to the heat.
     *
     * @param node where it is put in
     * @param leg of the cycle, in which it is
     * @param share of the cycle's time that the leg has
     * @param watts put in more meanwhile
     */
    record Warmed(Input input, int node, int leg, double share, double watts) {}

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
                    inputs.place(m.input()), m.link().from(), m.link().to(), m.moreW(t));
        }
        heats = new Heat[warmed.size()];
        for (int k = 0; k < heats.length; k++) {
            heats[k] = new Heat(inputs.place(warmed.get(k).input()), warmed.get(k));
        }
        places = inputs.size();
    }

    /**
     * On the highest temperature of a node, K for a standard deviation of each input, by its place. What moves links moves a peak as it moves the mean,
     * rise for rise; what moves the heat of a leg moves how far the node swings as well.
     *
     * @param rises what a kelvin more in the mean by a link is worth at the peak; negative for what it takes from a margin
     * @param place what a kelvin more at the node is worth where it is hottest; likewise
     * @param echo how it swings above its mean for heat in any leg
     */
    double[] on(int node, double rises, double place, Cycle.Echo echo) {
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
        for (Heat h : heats) {
            Warmed w = h.warmed;
            effects[h.place] += place * w.watts * (w.share * kelvinPerWatt[w.node] + echo.kelvinPerWatt(w.leg, w.node));
        }
        return effects;
    }
}
