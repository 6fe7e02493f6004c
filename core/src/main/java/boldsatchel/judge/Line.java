package boldsatchel.judge;

import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PointsEngine;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Remedy;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** One chain and what was found about it: what the rules of power look at. Safe on any thread. */
final class Line {
    private final Build build;
    private final Rung root;
    private final ChainResult chain;
    private final List<Part> sourceParts;
    private final Rail sourceRail;
    /** Rules ask for the same rails over and over. */
    private final Map<String, Rail> rails = new ConcurrentHashMap<>();

    /**
     * A chain.
     *
     * @param build it belongs to
     * @param root its first rung
     * @param chain its result
     */
    Line(Build build, Rung root, ChainResult chain) {
        this.build = build;
        this.root = root;
        this.chain = chain;
        this.sourceParts =
                root.sources().stream().flatMap(s -> build.partOf(s).stream()).toList();
        this.sourceRail = new Rail(
                sourceParts.stream().mapToDouble(Part::feedsLowV).min().orElse(0),
                sourceParts.stream().mapToDouble(Part::feedsHighV).max().orElse(0),
                Optional.empty());
    }

    Build build() {
        return build;
    }

    Rung root() {
        return root;
    }

    ChainResult chain() {
        return chain;
    }

    /** Voltages that a rung is offered. */
    record Rail(double lowV, double highV, Optional<Rung> converter) {}

    /** What feeds a rung: the converter nearest above it, a socket of another load, or the sources. */
    Rail rail(String rung) {
        return rails.computeIfAbsent(rung, this::railOf);
    }

    private Rail railOf(String rung) {
        Rail rail = sourceRail;
        Optional<Facet.DrawsPower> draws = build.rung(rung).flatMap(this::draws);
        List<Rung> path = root.pathTo(rung);
        for (int i = 0; i + 1 < path.size(); i++) {
            rail = after(path.get(i), path.get(i + 1), rail, draws);
        }
        return rail;
    }

    /** The voltages behind a rung, on the way to the next. */
    private Rail after(Rung above, Rung next, Rail before, Optional<Facet.DrawsPower> draws) {
        Optional<Part> part = build.partOf(above);
        Optional<Facet.Converts> converts = part.flatMap(p -> p.facet(Facet.Converts.class));
        if (converts.isPresent()) {
            return rail(above, part.orElseThrow(), converts.get());
        }
        if (above.stage() instanceof Rung.Socket) {
            return build.outlet(above)
                    .flatMap(Part.Outlet::madeV)
                    .map(v -> new Rail(v, v, Optional.of(above)))
                    .orElse(before);
        }
        boolean unsaid = !(next.stage() instanceof Rung.Socket)
                && draws(above)
                        .filter(o -> draws.filter(o::converts).isPresent())
                        .isPresent();
        return unsaid
                ? draws.map(d -> new Rail(d.nominalV(), d.nominalV(), Optional.empty()))
                        .orElse(before)
                : before;
    }

    private Optional<Facet.DrawsPower> draws(Rung rung) {
        return build.partOf(rung).flatMap(p -> p.facet(Facet.DrawsPower.class));
    }

    private static Rail rail(Rung rung, Part part, Facet.Converts c) {
        double tolerance =
                part.facet(Facet.Holds.class).map(Facet.Holds::tolerance).orElse(0.0);
        return new Rail(
                c.outV() * (1 - tolerance), Math.max(c.noLoadV(), c.outV() * (1 + tolerance)), Optional.of(rung));
    }

    /** Terminal voltages from empty to full on the charger. */
    Rail sourceRail() {
        return sourceRail;
    }

    List<Part> sourceParts() {
        return sourceParts;
    }

    /** The sources that store energy. */
    List<Part> stores() {
        return sourceParts().stream().filter(Part::isSource).toList();
    }

    /** The wires between the sources and a rung. */
    Stream<Rung> wiresTo(String rung) {
        return root.pathTo(rung).stream().filter(r -> r.stage() instanceof Rung.Wire);
    }

    /** Voltage lost in wires and contacts between the sources and a rung, V. */
    double lostOnTheWay(String rung, OperatingPoint at) {
        return root.pathTo(rung).stream()
                .filter(r -> !(r.stage() instanceof Rung.OfPart) && !(r.stage() instanceof Rung.Join))
                .flatMap(r -> at.rung(r.id()).stream())
                .mapToDouble(s -> s.voltsIn() - s.voltsOut())
                .sum();
    }

    /** The converters whose input current rises as the battery falls and that may run into their limit. */
    Stream<Rung> steppingUp() {
        return root.walk()
                .filter(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.Converts.class))
                        .filter(c -> c.kind() != Facet.ConverterKind.STEP_DOWN)
                        .isPresent());
    }

    /** What the brief's hardest step asks for. */
    Demand hardest() {
        return PointsEngine.hardest(build.brief().profile());
    }

    /** Most amps through a rung while working. */
    double steadyA(String rung) {
        return Math.max(amps(chain.full(), rung), Math.max(amps(chain.half(), rung), amps(chain.low(), rung)));
    }

    /** Most amps through a rung while starting up. */
    double startA(String rung) {
        return amps(chain.starting(), rung);
    }

    private static double amps(OperatingPoint at, String rung) {
        return at.rung(rung).map(OperatingPoint.RungState::ampsIn).orElse(0.0);
    }

    /** The remedies that let the machine run and start first, in the order given otherwise. */
    List<Remedy> ranked(List<Remedy> remedies) {
        return remedies.stream()
                .sorted(Comparator.comparing(r -> !r.edit().map(this::cures).orElse(false)))
                .toList();
    }

    private boolean cures(Edit edit) {
        Build after = edit.change().apply(build);
        return after.wiring().chain().stream()
                .filter(r -> r.walk().anyMatch(x -> x.id().equals(root.id()))
                        || root.walk().anyMatch(x -> x.id().equals(r.id())))
                .findFirst()
                .flatMap(r -> Network.of(after, r, Reading.NOMINAL))
                .filter(n -> n.solve(0.5, hardest()).breaches().isEmpty())
                .filter(n -> n.solve(1, Demand.of(Mode.START)).stop().isEmpty())
                .isPresent();
    }
}
