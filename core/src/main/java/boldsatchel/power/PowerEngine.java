package boldsatchel.power;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Power: operating points, run time, what ends it, start-up. Sources form trees of wires, converters and loads; each tree is
 * reduced to a network, solved for the high-voltage operating point, and read off rung by rung.
 */
public final class PowerEngine implements Engine<PowerResult> {

    /** How well the level down to which it starts is known. */
    private static final double START_CLOSE = 1e-4;
    /** Where "nearly empty" is shown. */
    private static final double NEARLY_EMPTY = 0.05;

    /** An engine; all are alike. */
    public PowerEngine() {}

    @Override
    public String about() {
        return "the power chain";
    }

    @Override
    public Class<PowerResult> result() {
        return PowerResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.WIRING);
    }

    @Override
    public PowerResult work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public PowerResult nothing() {
        return new PowerResult(List.of(), List.of(), Spread.exact(Double.NaN), List.of(), List.of());
    }

    /** Evaluates every chain of a build. */
    public static PowerResult evaluate(Build build) {
        List<PowerResult.ChainResult> chains = new ArrayList<>();
        List<Network> networks = new ArrayList<>();
        Optional<Spread> spread = Optional.empty();
        double hours = Double.POSITIVE_INFINITY;
        Reading.Recorder recorder = new Reading.Recorder();
        for (Rung root : build.wiring().chain()) {
            Optional<Network> network = Network.of(build, root, recorder);
            if (network.isPresent()) {
                PowerResult.ChainResult chain = CannotAnswer.at(List.of(root.id()), () -> chain(build, network.get()));
                chains.add(chain);
                networks.add(network.get());
                if (chain.run().hours() < hours) {
                    hours = chain.run().hours();
                    spread = network.map(n -> RunSpread.of(build, n, chain.run(), recorder.inputs()));
                }
            }
        }
        Function<Rung, Optional<Network>> plugged = Network.plugged(build);
        List<Warmth> warmths = Warmth.all(
                build,
                networks,
                chains.stream().map(PowerResult.ChainResult::points).toList(),
                plugged);
        Spread range = spread.orElse(Spread.exact(chains.isEmpty() ? 0 : hours));
        return new PowerResult(chains, unfed(build), range, Charge.all(build, plugged), warmths);
    }

    private static PowerResult.ChainResult chain(Build build, Network network) {
        UseProfile profile = build.brief().profile();
        List<OperatingPoint> points = profile.steps().stream()
                .map(step -> network.solve(0.5, Demand.of(step)))
                .toList();
        Demand hardest = hardest(profile);
        Map<String, PowerResult.Profiled> others = new LinkedHashMap<>();
        build.brief().profiles().stream().skip(1).forEach(p -> {
            Discharge run = Discharge.run(network, p);
            others.put(p.name(), new PowerResult.Profiled(run.hours(), run.end()));
        });
        return new PowerResult.ChainResult(
                network.root(),
                points,
                network.solve(1, hardest),
                network.solve(0.5, hardest),
                network.solve(NEARLY_EMPTY, hardest),
                network.solve(1, Demand.of(Mode.START)),
                network.solve(1, Demand.of(Mode.SLEEP)),
                Discharge.run(network, profile),
                others,
                startsDownTo(network),
                offDays(build, network),
                withoutOne(build, network));
    }

    /** What a profile's hardest step asks for. */
    public static Demand hardest(UseProfile profile) {
        return profile.steps().stream()
                .max(Comparator.comparing(UseProfile.Step::mode).thenComparingDouble(UseProfile.Step::brightness))
                .map(Demand::of)
                .orElse(Demand.of(Mode.BUSY));
    }

    /** Days on the shelf: what is drawn when off, what charger boards take back, and what the cells lose by themselves. */
    static double offDays(Build build, Network network) {
        Network.Circuit off = network.at(Demand.of(Mode.OFF));
        Network.Terminals at = off.terminals(0.5);
        double perHour = 0;
        List<Supply.Branch> branches = network.supply().branches();
        for (int k = 0; k < branches.size(); k++) {
            Supply.Branch branch = branches.get(k);
            double amps = at.flow().collapsed() ? 0 : Math.max(0, at.flow().amps()[k]);
            amps += build.rung(branch.source())
                    .flatMap(Rung::part)
                    .map(id -> backA(build, id))
                    .orElse(0.0);
            double drained = amps == 0 ? 0 : 1 / branch.store().hoursAt(amps);
            perHour = Math.max(perHour, drained + 1 / branch.store().selfHours());
        }
        return 1 / perHour / 24;
    }

    private static double backA(Build build, String store) {
        return build.rungs()
                .flatMap(r -> r.stage() instanceof Rung.Charging c && c.store().equals(store)
                        ? c.charger().stream()
                        : java.util.stream.Stream.empty())
                .flatMap(id -> build.part(id).stream())
                .flatMap(p -> p.facet(Facet.Charges.class).stream())
                .mapToDouble(c -> c.backA().value())
                .sum();
    }

    private static Optional<Double> withoutOne(Build build, Network network) {
        if (!network.supply().isJoined()) {
            return Optional.empty();
        }
        Rung root = build.rung(network.root()).orElseThrow();
        return root.sources().stream()
                .filter(r -> build.partOf(r).filter(Part::isSource).isPresent())
                .flatMap(r -> Network.without(build, root, r, Reading.NOMINAL).stream())
                .map(n -> Discharge.coarse(n, build.brief().profile()).hours())
                .min(Comparator.naturalOrder());
    }

    /** Scans down from full for the last state of charge at which the start-up peak is met. */
    static Optional<Double> startsDownTo(Network network) {
        Network.Circuit start = network.at(Demand.of(Mode.START));
        if (start.terminals(1).stop().isPresent()) {
            return Optional.empty();
        }
        double good = 1;
        for (int i = 19; i >= 0; i--) {
            double level = i / 20.0;
            Optional<Breach> stop = start.terminals(level).stop();
            if (stop.isPresent()) {
                return Optional.of(Crossing.between(start, level, stop.get(), good, START_CLOSE)
                        .level());
            }
            good = level;
        }
        return Optional.of(good);
    }

    private static List<String> unfed(Build build) {
        Set<String> fed = build.rungs().flatMap(r -> r.part().stream()).collect(Collectors.toSet());
        return build.parts().list().stream()
                .filter(p -> p.facet(Facet.DrawsPower.class).isPresent())
                .map(Part::id)
                .filter(id -> !fed.contains(id))
                .toList();
    }
}
