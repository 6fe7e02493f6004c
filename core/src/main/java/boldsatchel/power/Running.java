package boldsatchel.power;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The chains of a build while they are used: where the power goes at the charge that is left and with cells as warm as they are, and how
 * fast the charge goes. It knows no time; who runs it says how long something is done. Not safe on several threads.
 */
public final class Running {

    /** Cells are solved anew when one is as much warmer or colder, K: their resistance changes by some hundredths. */
    private static final double STEP_K = 1;
    /** Charge of what is plugged in. */
    private static final double HALF = 0.5;

    private final Build build;
    private final boolean plugged;
    private final Map<String, Rung> rungs = new HashMap<>();
    private final List<Chain> chains = new ArrayList<>();
    private CellTemperatures cells;

    private static final class Chain {
        private final Rung root;
        private Network network;
        private final double[] levels;

        Chain(Rung root, Network network, double level) {
            this.root = root;
            this.network = network;
            this.levels = network.supply().levels(level);
        }
    }

    /**
     * What goes on at a moment.
     *
     * @param byPart heat of each part by its id, W
     * @param wiresW heat in wires, contacts and diodes, W
     * @param perHour by chain and source, share of its charge that it gains an hour
     * @param stop what ends the run there
     */
    public record Moment(Map<String, Double> byPart, double wiresW, List<List<Double>> perHour, Optional<Breach> stop) {
        /** All heat, W. */
        public double heatW() {
            double sum = wiresW;
            for (double heat : byPart.values()) {
                sum += heat;
            }
            return sum;
        }

        /** Share of the fullest store's charge that goes an hour at most. */
        public double quickest() {
            double most = 0;
            for (List<Double> chain : perHour) {
                for (double rate : chain) {
                    most = Math.max(most, Math.abs(rate));
                }
            }
            return most;
        }

        /** Nothing goes on, in the same chains. */
        public Moment nothing() {
            return new Moment(
                    Map.of(),
                    0,
                    perHour.stream()
                            .map(chain -> chain.stream().map(rate -> 0.0).toList())
                            .toList(),
                    stop);
        }

        /** Between this, where all that is asked for is done, and another: what a share of it takes; of more than one, beyond this. */
        public Moment towards(Moment other, double share) {
            Map<String, Double> heat = new HashMap<>();
            byPart.forEach((part, watts) -> heat.merge(part, share * watts, Double::sum));
            other.byPart.forEach((part, watts) -> heat.merge(part, (1 - share) * watts, Double::sum));
            List<List<Double>> rates = new ArrayList<>();
            for (int c = 0; c < perHour.size(); c++) {
                List<Double> chain = new ArrayList<>();
                for (int i = 0; i < perHour.get(c).size(); i++) {
                    chain.add(share * perHour.get(c).get(i)
                            + (1 - share) * other.perHour.get(c).get(i));
                }
                rates.add(chain);
            }
            return new Moment(heat, share * wiresW + (1 - share) * other.wiresW, rates, stop.or(other::stop));
        }
    }

    private Running(Build build, boolean plugged) {
        this.build = build;
        this.plugged = plugged;
        this.cells = CellTemperatures.begin(build);
        build.rungs().forEach(r -> rungs.put(r.id(), r));
        for (Rung root : build.wiring().chain()) {
            network(root).ifPresent(n -> chains.add(new Chain(root, n, plugged ? HALF : 1)));
        }
    }

    /** The chains of a build, all full, with cells as warm as they begin. */
    public static Running full(Build build) {
        return new Running(build, false);
    }

    /** The chains of a build with everything plugged in: all stays half full, and what charges goes on charging. */
    public static Running plugged(Build build) {
        return new Running(build, true);
    }

    private Optional<Network> network(Rung root) {
        return plugged
                ? Network.plugged(build, root, Reading.NOMINAL)
                : Network.of(build, root, Reading.NOMINAL, cells);
    }

    /** Whether something gives anything. */
    public boolean hasSource() {
        return !chains.isEmpty();
    }

    /**
     * Says how warm the cells are.
     *
     * @return whether that changes what goes on
     */
    public boolean warmed(CellTemperatures now) {
        boolean same = plugged
                || build.parts().list().stream()
                        .filter(Part::isSource)
                        .allMatch(p -> Math.abs(now.of(p.id()) - cells.of(p.id())) < STEP_K);
        if (same) {
            return false;
        }
        cells = now;
        for (Chain chain : chains) {
            chain.network = network(chain.root).orElseThrow();
        }
        return true;
    }

    /** What goes on when the loads are asked for something. */
    public Moment at(Demand demand) {
        Warmth.Sum sum = new Warmth.Sum(rungs);
        List<List<Double>> perHour = new ArrayList<>();
        Optional<Breach> stop = Optional.empty();
        for (Chain chain : chains) {
            Network.Circuit circuit = chain.network.at(demand);
            double[] rates = new double[chain.levels.length];
            Drain.Seen seen = new Drain.Joined(circuit).at(chain.levels, rates);
            circuit.solve(chain.levels).rungs().forEach(sum::add);
            List<Double> each = new ArrayList<>(rates.length);
            for (double rate : rates) {
                each.add(plugged || Double.isNaN(rate) ? 0.0 : rate);
            }
            perHour.add(each);
            stop = stop.or(seen::stop);
        }
        return new Moment(Map.copyOf(sum.byPart()), sum.wiresW(), perHour, stop);
    }

    /** Takes what goes on for some hours from the charge. */
    public void spend(Moment moment, double hours) {
        for (int c = 0; c < chains.size(); c++) {
            double[] levels = chains.get(c).levels;
            for (int i = 0; i < levels.length; i++) {
                if (!Supply.isOut(levels[i])) {
                    levels[i] = Math.clamp(levels[i] + moment.perHour().get(c).get(i) * hours, 0, 1);
                }
            }
        }
    }

    /** Charge of each source, by chain; for going back. */
    public List<double[]> levels() {
        return chains.stream().map(c -> c.levels.clone()).toList();
    }

    /** Goes back to a charge. */
    public void back(List<double[]> levels) {
        for (int c = 0; c < chains.size(); c++) {
            System.arraycopy(levels.get(c), 0, chains.get(c).levels, 0, levels.get(c).length);
        }
    }

    /** Charge left in all sources that are not taken out, their mean, 0 to 1; not a number without a source, or plugged in. */
    public double level() {
        double sum = 0;
        int sources = 0;
        for (Chain chain : chains) {
            for (double level : chain.levels) {
                sum += Supply.left(level);
                sources++;
            }
        }
        return sources == 0 || plugged ? Double.NaN : sum / sources;
    }
}
