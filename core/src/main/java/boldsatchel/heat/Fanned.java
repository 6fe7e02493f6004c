package boldsatchel.heat;

import boldsatchel.engine.Lazy;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Inputs;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The networks of a machine in one posture: with all its fans running, and with those standing that start only when a board gets warm. Where
 * these start and stop again and again, or run or stand by what went before, what is told is a bound: with the fans standing and the board no warmer than where they start, nothing
 * else can get warmer, as heat only ever warms and moving air only ever cools.
 */
final class Fanned {

    private final HeatModel running;
    private final List<Switched> switched;
    private final Lazy<HeatModel> standing;

    /**
     * Of a posture.
     *
     * @param switched fans that start and stop
     * @param network with the fans of some ids standing
     */
    Fanned(List<Switched> switched, Function<Set<String>, HeatModel> network) {
        running = network.apply(Set.of());
        this.switched = switched.stream()
                .filter(s -> running.node(s.watches()).isPresent())
                .toList();
        standing = Lazy.of(() -> network.apply(fans()));
    }

    /** Ids of the fans that start and stop. */
    Set<String> fans() {
        return switched.stream().map(Switched::fan).collect(Collectors.toUnmodifiableSet());
    }

    private int node(Switched fan) {
        return running.node(fan.watches()).orElseThrow();
    }

    /** A use of the machine, with fans as they are in it. */
    UseHeat use(Inputs inputs, Warmth warmth, HeatResult.When when, Set<String> charged) {
        UseHeat run = new UseHeat(inputs, running, warmth, when, charged, Map.of(), Optional.empty());
        if (switched.isEmpty()) {
            return run;
        }
        UseHeat stand = waiting(inputs, run, Map.of());
        if (switched.stream().allMatch(s -> stand.highestC(node(s)) < s.onC())) {
            return stand;
        }
        if (switched.stream().allMatch(s -> run.highestC(node(s)) >= s.onC() && run.lowestC(node(s)) >= s.offC())) {
            return run;
        }
        return waiting(inputs, run, held(stand::highestC, run::highestC));
    }

    private UseHeat waiting(Inputs inputs, UseHeat run, Map<Integer, Double> heldC) {
        return run.in(
                inputs,
                standing.get(),
                heldC,
                new HeatResult.Waiting(
                        switched.stream().map(Switched::fan).toList(), !heldC.isEmpty(), Lazy.of(run::leastK)));
    }

    /** How warm boards get at most whose fans start and stop, °C. */
    private Map<Integer, Double> held(Function<Integer, Double> stand, Function<Integer, Double> run) {
        Map<Integer, Double> held = new HashMap<>();
        for (Switched s : switched) {
            double most = Math.min(stand.apply(node(s)), Math.max(s.onC(), run.apply(node(s))));
            held.merge(node(s), most, Math::max);
        }
        return held;
    }

    /**
     * Where it settles.
     *
     * @param model as fans are there
     */
    record Settled(HeatModel model, HeatNetwork.Steady state) {}

    /** Where it settles with heat put in that stays as it is. */
    Settled settle(double[] watts) {
        if (switched.isEmpty()) {
            return new Settled(running, running.network.settle(watts));
        }
        HeatModel still = standing.get();
        HeatNetwork.Steady stand = still.network.settle(watts);
        if (switched.stream().allMatch(s -> stand.celsius()[node(s)] < s.onC())) {
            return new Settled(still, stand);
        }
        HeatNetwork.Steady run = running.network.settle(watts);
        return switched.stream().allMatch(s -> run.celsius()[node(s)] >= s.onC())
                ? new Settled(running, run)
                : new Settled(still, still.network.settle(watts, held(i -> stand.celsius()[i], i -> run.celsius()[i])));
    }
}
