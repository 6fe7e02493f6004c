package boldsatchel.heat;

import boldsatchel.engine.Lazy;
import boldsatchel.geometry.Face;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** One use in its network, worked out as far as somebody looks: solved for the mean, the swing added, read off. */
final class UseHeat {

    /** m³. */
    private static final double LITRE = 1e-3;

    private static final double SECONDS_PER_MINUTE = 60;
    /** Rises smaller than this have no ratio. */
    private static final double LEAST_RISE_K = 1e-6;

    private final HeatModel model;
    private final Warmth use;
    private final HeatResult.When when;
    private final Set<String> charged;
    private final List<Cycle.Leg> legs;
    /** Nodes that fans that start and stop keep from getting warmer, °C. */
    private final Map<Integer, Double> heldC;

    private final Optional<HeatResult.Waiting> waiting;
    /** Mean heat put into each node, the sun included, W. */
    private final double[] meanW;

    private final Lazy<HeatNetwork.Steady> mean;
    private final Lazy<Effects> effects;
    private final Lazy<Peak> peak;

    /**
     * A use.
     *
     * @param inputs gives each its place
     * @param use what is put in
     * @param charged ids of parts that are charged in it
     * @param heldC nodes that get no warmer, °C
     * @param waiting fans that do not run all the time in it
     */
    UseHeat(
            Inputs inputs,
            HeatModel model,
            Warmth use,
            HeatResult.When when,
            Set<String> charged,
            Map<Integer, Double> heldC,
            Optional<HeatResult.Waiting> waiting) {
        this.model = model;
        this.heldC = heldC;
        this.waiting = waiting;
        this.use = use;
        this.when = when;
        this.charged = charged;
        legs = new ArrayList<>(use.steps().size());
        for (Warmth.Step step : use.steps()) {
            legs.add(new Cycle.Leg(step.use().minutes() * SECONDS_PER_MINUTE, model.watts(step)));
        }
        meanW = Cycle.mean(legs);
        mean = Lazy.of(() -> heldC.isEmpty() ? model.network.settle(meanW) : model.network.settle(meanW, heldC));
        effects = Lazy.of(() -> model.effects(inputs, mean.get(), use));
        peak = Lazy.of(this::reach);
    }

    /** The same use in another network of the same nodes. */
    UseHeat in(Inputs inputs, HeatModel other, Map<Integer, Double> nodesC, HeatResult.Waiting fans) {
        return new UseHeat(inputs, other, use, when, charged, nodesC, Optional.of(fans));
    }

    /** The highest temperature of a node, °C. */
    double highestC(int node) {
        return peak.get().nodesC[node];
    }

    /** No temperature of a node is lower than this, °C: where it settles with no more than the least that is ever put into each. */
    double lowestC(int node) {
        if (legs.size() == 1) {
            return mean.get().celsius()[node];
        }
        double[] least = meanW.clone();
        for (Cycle.Leg leg : legs) {
            for (int i = 0; i < least.length; i++) {
                least[i] = Math.min(least[i], leg.watts()[i]);
            }
        }
        return model.network.settle(least).celsius()[node];
    }

    /** At its hottest. */
    private static final class Peak {
        private final Cycle.Peaks nodes;
        /** What each node reaches, °C. */
        private final double[] nodesC;
        /** What each watched spot reaches, °C. */
        private final double[] spotsC;
        /** What is left to its limit, K. */
        private final double[] marginsK;
        /** Which of them is nearest to its limit, or furthest beyond; negative without limits. */
        private final int closest;

        Peak(Cycle.Peaks nodes, double[] nodesC, double[] spotsC, double[] marginsK) {
            this.nodes = nodes;
            this.nodesC = nodesC;
            this.spotsC = spotsC;
            this.marginsK = marginsK;
            int nearest = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < marginsK.length; i++) {
                if (marginsK[i] < least) {
                    least = marginsK[i];
                    nearest = i;
                }
            }
            closest = nearest;
        }
    }

    private Peak reach() {
        Cycle.Peaks nodes = Cycle.peaks(model.network, legs, meanW, mean.get());
        double[] nodesC = nodes.celsius().clone();
        heldC.forEach((node, most) -> nodesC[node] = most);
        double[] spotsC = new double[spots()];
        double[] marginsK = new double[spotsC.length];
        for (int i = 0; i < spotsC.length; i++) {
            spotsC[i] = model.watched.get(i).celsius(nodesC);
            marginsK[i] = limitC(i) - spotsC[i];
        }
        return new Peak(nodes, nodesC, spotsC, marginsK);
    }

    HeatResult.When when() {
        return when;
    }

    List<String> loose() {
        return model.loose;
    }

    /** How many spots are watched; as many in all uses. */
    int spots() {
        return model.watched.size();
    }

    /** All heat put in, mean, W. */
    double putInW() {
        return use.meanW();
    }

    /**
     * Whether no spot can be nearer to its limit in another use: heat only ever warms, so that what puts no more into any node at any time
     * than this does on average gets nowhere hotter.
     */
    boolean outdoes(UseHeat other) {
        if (model != other.model || !heldC.isEmpty() || !charged.containsAll(other.charged)) {
            return false;
        }
        for (Cycle.Leg leg : other.legs) {
            for (int i = 0; i < meanW.length; i++) {
                if (leg.watts()[i] > meanW[i]) {
                    return false;
                }
            }
        }
        return true;
    }

    boolean limited() {
        return closest() >= 0;
    }

    /** The spot that is nearest to its limit, or furthest beyond; negative without limits. */
    int closest() {
        return peak.get().closest;
    }

    double leastK() {
        return marginK(closest());
    }

    double marginK(int which) {
        return peak.get().marginsK[which];
    }

    /**
     * A margin and what moves it: what warms the spot takes from it.
     *
     * @param which of the watched spots
     */
    Spread.Candidate margin(int which) {
        Peak at = peak.get();
        int node = model.watched.get(which).node();
        double meanC = mean.get().celsius()[node];
        double place = rises(at.spotsC[which], at.nodesC[node]);
        double links = rises(at.spotsC[which], meanC);
        Cycle.Echo echo = Cycle.echo(model.network, legs, mean.get(), at.nodes, node);
        return new Spread.Candidate(at.marginsK[which], effects.get().on(node, -links, -place, echo));
    }

    /** Ratio of two rises above the surroundings. */
    private double rises(double ofC, double toC) {
        double to = toC - model.network.ambientC();
        return to > LEAST_RISE_K ? (ofC - model.network.ambientC()) / to : 1;
    }

    private double limitC(int which) {
        return model.limitC(model.watched.get(which), charged);
    }

    HeatResult.Spot spot(int which) {
        HeatModel.Watched w = model.watched.get(which);
        return new HeatResult.Spot(
                w.kind(),
                w.subject(),
                w.name(),
                w.wall(),
                peak.get().spotsC[which],
                w.celsius(mean.get().celsius()),
                limitC(which),
                putIn(w));
    }

    HeatResult.Use read() {
        double heat = use.meanWiresW();
        for (HeatModel.Watched w : model.watched) {
            heat += putIn(w);
        }
        return new HeatResult.Use(
                when,
                use.minutes(),
                use.steps().size() > 1,
                heat,
                model.network.heatIn(),
                Lazy.of(this::partsMeanC),
                Lazy.of(this::allSpots),
                Lazy.of(() -> new HeatResult.Inside(
                        airs(), dry(), model.beside(meanW, mean.get().celsius()))),
                Lazy.of(() -> model.ways(meanW, mean.get().celsius(), heldC.keySet())),
                waiting);
    }

    /** Mean temperature of each part by its id, °C. */
    private Map<String, Double> partsMeanC() {
        Map<String, Double> parts = new HashMap<>();
        for (HeatModel.Watched w : model.watched) {
            if (w.kind() == HeatResult.Kind.PART) {
                parts.put(w.subject(), mean.get().celsius()[w.node()]);
            }
        }
        return parts;
    }

    private List<HeatResult.Spot> allSpots() {
        List<HeatResult.Spot> spots = new ArrayList<>(spots());
        for (int i = 0; i < spots(); i++) {
            spots.add(spot(i));
        }
        return spots;
    }

    /** Mean heat of a part, W. */
    private double putIn(HeatModel.Watched watched) {
        return watched.kind() == HeatResult.Kind.PART ? meanW[watched.node()] : 0;
    }

    private List<HeatResult.ShellAir> airs() {
        List<HeatResult.ShellAir> airs = new ArrayList<>();
        double[] meanC = mean.get().celsius();
        double ambient = model.network.ambientC();
        for (HeatRoom room : model.rooms.values()) {
            double vent = room.vented
                    .map(l -> l.watts(meanC[l.from()], meanC[l.to()]))
                    .orElse(0.0);
            double rise = meanC[room.air] - ambient;
            List<Double> outLs =
                    room.outM3s(vent, rise).stream().map(q -> q / LITRE).toList();
            airs.add(new HeatResult.ShellAir(
                    room.shell.id(),
                    meanC[room.air],
                    outLs.stream().mapToDouble(q -> Math.max(0, q)).sum(),
                    outLs,
                    room.again(),
                    room.insideM3s() / LITRE,
                    room.fans(),
                    room.fins(meanC),
                    vent,
                    wallMean(room, meanC),
                    room.fanFlowM3s() > 0,
                    room.shell.vents().isEmpty()));
        }
        return airs;
    }

    private List<HeatResult.DryPipe> dry() {
        double[] meanC = mean.get().celsius();
        List<HeatResult.DryPipe> dry = new ArrayList<>();
        for (HeatModel.Piped piped : model.pipes) {
            Link.Pipe pipe = piped.pipe();
            double watts = pipe.watts(meanC[pipe.from()], meanC[pipe.to()]);
            if (watts > pipe.mostW()) {
                dry.add(new HeatResult.DryPipe(piped.part(), piped.to(), watts, pipe.mostW()));
            }
        }
        return dry;
    }

    private static double wallMean(HeatRoom room, double[] meanC) {
        double sum = 0;
        double area = 0;
        for (Face face : Face.ALL) {
            double a = room.shell.cavity().area(face);
            sum += a * meanC[room.outside(face)];
            area += a;
        }
        return sum / area;
    }
}
