package boldsatchel.power;

import boldsatchel.course.NoEnd;
import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
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
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Power: run time and what ends it, with cells as warm as the use makes them; where a full chain does not bear the use with cells as they
 * begin, no warmth that comes later helps it. Sources form trees of wires, converters and loads; each tree is reduced to a network, solved
 * for the high-voltage operating point, and read off rung by rung.
 */
public final class PowerEngine implements Engine<PowerResult> {

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
    public Set<Class<?>> needs() {
        return Set.of(Points.class, CellTemperatures.class);
    }

    @Override
    public PowerResult work(Build build, Results results) {
        return evaluate(build, results.of(Points.class), results.of(CellTemperatures.class));
    }

    @Override
    public PowerResult nothing() {
        return new PowerResult(
                List.of(),
                List.of(),
                Spread.exact(Double.NaN),
                Optional.empty(),
                List.of(),
                new CellTemperatures(Double.NaN, Map.of()));
    }

    /** Evaluates every chain of a build with cells as warm as they begin. */
    public static PowerResult evaluate(Build build) {
        return evaluate(build, PointsEngine.evaluate(build), CellTemperatures.begin(build));
    }

    /**
     * Evaluates every chain of a build.
     *
     * @param points how the chains begin
     * @param cells how warm their cells get
     */
    public static PowerResult evaluate(Build build, Points points, CellTemperatures cells) {
        List<PowerResult.ChainResult> chains = new ArrayList<>();
        Optional<Spread> spread = Optional.empty();
        double hours = Double.POSITIVE_INFINITY;
        Optional<Cliff> cliff = Optional.empty();
        for (Points.Chain begun : points.chains()) {
            CellTemperatures warmed = begun.begins() ? cells : CellTemperatures.begin(build);
            Rung root = build.rung(begun.source()).orElseThrow();
            Reading.Recorder recorder = new Reading.Recorder();
            Network network = Network.of(build, root, recorder, warmed).orElseThrow();
            PowerResult.ChainResult chain =
                    CannotAnswer.at(List.of(begun.source()), () -> chain(build, begun, network, warmed));
            chains.add(chain);
            Optional<Cliff> here = Cliff.of(
                    build.brief().profile(), network, recorder.inputs(), r -> Network.of(build, root, r, warmed));
            cliff = Stream.of(cliff, here).flatMap(Optional::stream).max(Comparator.comparingDouble(Cliff::chance));
            if (chain.run().hours() < hours) {
                hours = chain.run().hours();
                spread = Optional.of(RunSpread.of(build, warmed, network, chain.run(), recorder.inputs()));
            }
        }
        Spread range = spread.orElse(Spread.exact(chains.isEmpty() ? 0 : hours));
        return new PowerResult(
                chains, unfed(build), cliff.map(c -> c.in(range)).orElse(range), cliff, points.charges(), cells);
    }

    private static PowerResult.ChainResult chain(
            Build build, Points.Chain begun, Network network, CellTemperatures cells) {
        return new PowerResult.ChainResult(
                begun,
                cells,
                Discharge.run(network, build.brief().profile()),
                Lazy.of(() -> others(build, network)),
                offDays(build, network),
                withoutOne(build, network, cells));
    }

    private static Map<String, PowerResult.Profiled> others(Build build, Network network) {
        Map<String, PowerResult.Profiled> others = new LinkedHashMap<>();
        List<UseProfile> profiles = build.brief().profiles();
        for (UseProfile profile : profiles.subList(1, profiles.size())) {
            try {
                Discharge run = Discharge.run(network, profile);
                others.put(profile.name(), new PowerResult.Profiled(run.hours(), run.end()));
            } catch (NoEnd e) {
                others.remove(profile.name());
            }
        }
        return others;
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

    private static Optional<Double> withoutOne(Build build, Network network, CellTemperatures cells) {
        if (!network.supply().isJoined()) {
            return Optional.empty();
        }
        Rung root = build.rung(network.root()).orElseThrow();
        return root.sources().stream()
                .filter(r -> build.partOf(r).filter(Part::isSource).isPresent())
                .flatMap(r -> Network.without(build, root, r, cells).stream())
                .map(n -> Discharge.coarse(n, build.brief().profile()).hours())
                .min(Comparator.naturalOrder());
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
