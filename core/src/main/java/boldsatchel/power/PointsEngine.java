package boldsatchel.power;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Operating points of the chains, charging, and where the power goes as heat, all with cells as warm as they begin. */
public final class PointsEngine implements Engine<Points> {

    private static final double NEARLY_EMPTY = 0.05;
    private static final double START_CLOSE = 1e-4;

    /** An engine; all are alike. */
    public PointsEngine() {}

    @Override
    public String about() {
        return "the operating points";
    }

    @Override
    public Class<Points> result() {
        return Points.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.WIRING);
    }

    @Override
    public Points work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public Points nothing() {
        return new Points(List.of(), List.of(), List.of());
    }

    /** Evaluates every chain of a build. */
    public static Points evaluate(Build build) {
        List<Points.Chain> chains = new ArrayList<>();
        List<Network> networks = new ArrayList<>();
        for (Rung root : build.wiring().chain()) {
            Network.of(build, root, Reading.NOMINAL).ifPresent(network -> {
                chains.add(CannotAnswer.at(
                        List.of(root.id()), () -> chain(build.brief().profile(), network)));
                networks.add(network);
            });
        }
        Function<Rung, Optional<Network>> plugged = Network.plugged(build, networks);
        List<Warmth> warmths = Warmth.all(
                build, networks, chains.stream().map(Points.Chain::points).toList(), plugged);
        return new Points(chains, Charge.all(build, plugged), warmths);
    }

    private static Points.Chain chain(UseProfile profile, Network network) {
        List<OperatingPoint> points = profile.steps().stream()
                .map(step -> network.solve(0.5, Demand.of(step)))
                .toList();
        Demand hardest = hardest(profile);
        return new Points.Chain(
                network.root(),
                points,
                network.solve(1, hardest),
                network.solve(0.5, hardest),
                network.solve(NEARLY_EMPTY, hardest),
                network.solve(1, Demand.of(Mode.START)),
                network.solve(1, Demand.of(Mode.SLEEP)),
                startsDownTo(network),
                profile.steps().stream()
                        .map(Demand::of)
                        .distinct()
                        .allMatch(d -> network.at(d).terminals(1).stop().isEmpty()));
    }

    /** What a profile's hardest step asks for. */
    public static Demand hardest(UseProfile profile) {
        return profile.steps().stream()
                .max(Comparator.comparing(UseProfile.Step::mode).thenComparingDouble(UseProfile.Step::brightness))
                .map(Demand::of)
                .orElse(Demand.of(Mode.BUSY));
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
}
