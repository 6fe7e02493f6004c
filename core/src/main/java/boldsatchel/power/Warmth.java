package boldsatchel.power;

import boldsatchel.engine.Lazy;
import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * Where the power of a use goes as heat. What comes in from cells and supplies and is not stored again stays in the machine: loads turn
 * all they draw into heat, converters, wires and cells their losses, chargers what does not reach the cells (first law; Kirchhoff's
 * laws hold at each solution, so that the sums agree).
 *
 * @param profile the name of the use profile
 * @param pluggedIn whether all supplies are plugged in and chargers charge
 * @param steps one a step of the profile
 */
public record Warmth(String profile, boolean pluggedIn, List<Step> steps) {

    /** Where the sources stand while it is taken: half full. */
    private static final double LEVEL = 0.5;

    /** Copies the list. */
    public Warmth {
        steps = List.copyOf(steps);
    }

    /**
     * One step of a profile.
     *
     * @param use the step
     * @param inW from cells, supplies and power banks, losses inside them included
     * @param storedW of that, put into cells
     * @param byPart heat in each part by its id, W
     * @param wiresW heat in wires, contacts and diodes, W
     * @param doubted what moves the heat, worked out when somebody first looks
     */
    public record Step(
            UseProfile.Step use,
            double inW,
            double storedW,
            Map<String, Double> byPart,
            double wiresW,
            Lazy<List<Doubt>> doubted) {
        /** What moves the heat. */
        public List<Doubt> doubts() {
            return doubted.get();
        }

        /** All heat, W. */
        public double heatW() {
            double sum = wiresW;
            for (double heat : byPart.values()) {
                sum += heat;
            }
            return sum;
        }
    }

    /**
     * What an input does to the heat of a part.
     *
     * @param input the input
     * @param part id of the part; nothing for wires, contacts and diodes
     * @param watts heat more when the input is moved by a standard deviation
     */
    public record Doubt(Input input, Optional<String> part, double watts) {}

    /** Mean heat over the profile, W. */
    public double meanW() {
        return mean(Step::heatW);
    }

    /** Those of its steps with the lid closed, or open, as a use of their own; nothing when there are none. */
    public Optional<Warmth> with(boolean closed) {
        List<Step> those = new ArrayList<>(steps);
        those.removeIf(s -> s.use().closed() != closed);
        return those.isEmpty() ? Optional.empty() : Optional.of(new Warmth(profile, pluggedIn, those));
    }

    /** Mean heat of each part over the profile, W. */
    public Map<String, Double> meanByPart() {
        double minutes = minutes();
        Map<String, Double> mean = new HashMap<>();
        for (Step step : steps) {
            step.byPart()
                    .forEach((part, heat) -> mean.merge(part, heat * step.use().minutes() / minutes, Double::sum));
        }
        return mean;
    }

    /** Mean heat of wires, contacts and diodes, W. */
    public double meanWiresW() {
        return mean(Step::wiresW);
    }

    private double mean(ToDoubleFunction<Step> of) {
        double sum = 0;
        for (Step step : steps) {
            sum += of.applyAsDouble(step) * step.use().minutes();
        }
        return sum / minutes();
    }

    /** How long the steps take, minutes. */
    public double minutes() {
        double minutes = 0;
        for (Step step : steps) {
            minutes += step.use().minutes();
        }
        return minutes;
    }

    /** Where heat goes by the operating points of a profile's steps, one list a chain. */
    private static Warmth of(
            Map<String, Rung> rungs,
            UseProfile profile,
            boolean pluggedIn,
            List<Network> networks,
            List<List<OperatingPoint>> chains) {
        List<Step> steps = new ArrayList<>();
        for (int k = 0; k < profile.steps().size(); k++) {
            Sum sum = new Sum(rungs);
            for (List<OperatingPoint> points : chains) {
                points.get(k).rungs().forEach(sum::add);
            }
            UseProfile.Step step = profile.steps().get(k);
            steps.add(new Step(
                    step,
                    sum.in,
                    sum.stored,
                    Map.copyOf(sum.byPart),
                    sum.wires,
                    Lazy.of(() -> doubts(rungs, networks, Demand.of(step)))));
        }
        return new Warmth(profile.name(), pluggedIn, steps);
    }

    /** An input, and the part whose heat it moves. */
    private record Warmed(Input input, Optional<String> part) {}

    /** Chains are solved again for it, one after the other whoever looks. */
    private static List<Doubt> doubts(Map<String, Rung> rungs, List<Network> networks, Demand demand) {
        Map<Warmed, Double> doubts = new LinkedHashMap<>();
        for (Network network : networks) {
            HeatMoves moves;
            synchronized (network) {
                moves = network.at(demand).moves(network.supply().levels(LEVEL));
            }
            for (HeatMoves.Move move : moves.all()) {
                double sigma = move.input().figure().sigma();
                if (sigma > 0 && move.watts() != 0) {
                    doubts.merge(new Warmed(move.input(), partOf(rungs, move)), move.watts() * sigma, Double::sum);
                }
            }
        }
        List<Doubt> all = new ArrayList<>(doubts.size());
        doubts.forEach((warmed, watts) -> all.add(new Doubt(warmed.input(), warmed.part(), watts)));
        return List.copyOf(all);
    }

    private static Optional<String> partOf(Map<String, Rung> rungs, HeatMoves.Move move) {
        Rung rung = Objects.requireNonNull(rungs.get(move.rung()));
        return rung.stage() instanceof Rung.Charging c
                ? Optional.of(move.store() ? c.store() : c.charger().orElse(c.store()))
                : rung.warms();
    }

    /**
     * Every use of a build: each profile on its own, and, where something charges or takes over from the cells, the warmest of them with
     * everything plugged in.
     *
     * @param solved the points of the first profile, by chain, as they are known already
     * @param plugged a first rung's chain with everything plugged in
     */
    static List<Warmth> all(
            Build build,
            List<Network> networks,
            List<List<OperatingPoint>> solved,
            Function<Rung, Optional<Network>> plugged) {
        List<Warmth> all = new ArrayList<>();
        Map<String, Rung> rungs = new HashMap<>();
        build.rungs().forEach(r -> rungs.put(r.id(), r));
        List<UseProfile> profiles = build.brief().profiles();
        for (int i = 0; i < profiles.size(); i++) {
            UseProfile profile = profiles.get(i);
            all.add(of(rungs, profile, false, networks, i == 0 ? solved : points(networks, profile)));
        }
        if (rungs.values().stream().anyMatch(r -> supplies(build, r))) {
            int warmest = 0;
            for (int i = 1; i < all.size(); i++) {
                warmest = all.get(i).meanW() > all.get(warmest).meanW() ? i : warmest;
            }
            List<Network> chains = build.wiring().chain().stream()
                    .flatMap(root -> plugged.apply(root).stream())
                    .toList();
            UseProfile profile = profiles.get(warmest);
            all.add(of(rungs, profile, true, chains, points(chains, profile)));
        }
        return all;
    }

    private static boolean supplies(Build build, Rung rung) {
        return rung.stage() instanceof Rung.Charging
                || build.partOf(rung)
                        .filter(p -> p.offer().isPresent() && !p.isSource())
                        .isPresent();
    }

    private static List<List<OperatingPoint>> points(List<Network> networks, UseProfile profile) {
        return networks.stream()
                .map(n -> profile.steps().stream()
                        .map(step -> n.solve(LEVEL, Demand.of(step)))
                        .toList())
                .toList();
    }

    /** Adds rungs up by the part they are. */
    static final class Sum {
        private final Map<String, Rung> rungs;
        private final Map<String, Double> byPart = new HashMap<>();
        private double wires;
        private double in;
        private double stored;

        Sum(Map<String, Rung> rungs) {
            this.rungs = rungs;
        }

        /** Heat of each part by its id, W. */
        Map<String, Double> byPart() {
            return byPart;
        }

        /** Heat in wires, contacts and diodes, W. */
        double wiresW() {
            return wires;
        }

        void add(String id, OperatingPoint.RungState state) {
            Rung rung = Objects.requireNonNull(rungs.get(id));
            in += state.sourceW();
            stored += state.storedW();
            if (rung.stage() instanceof Rung.Charging c) {
                byPart.merge(c.store(), state.storeHeatW(), Double::sum);
                byPart.merge(c.charger().orElse(c.store()), state.heatW(), Double::sum);
            } else if (rung.warms().isPresent()) {
                byPart.merge(rung.warms().get(), state.heatW(), Double::sum);
            } else {
                wires += state.heatW();
            }
        }
    }
}
