package boldsatchel.verdict;

import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One chain and what was found about it: what the rules of power look at.
 *
 * @param build it belongs to
 * @param root its first rung
 * @param chain its result
 * @param sheet where findings go
 */
record Line(Build build, Rung root, ChainResult chain, Words.Sheet sheet) {

    /** Voltages that a rung is offered. */
    record Rail(double lowV, double highV, Optional<Rung> converter) {}

    /** What feeds a rung: the converter nearest above it, or the sources. */
    Rail rail(String rung) {
        return root.pathTo(rung).reversed().stream()
                .filter(r -> !r.id().equals(rung))
                .flatMap(r ->
                        build
                                .partOf(r)
                                .flatMap(p -> p.facet(Facet.Converts.class).map(c -> rail(r, p, c)))
                                .stream())
                .findFirst()
                .orElseGet(this::sourceRail);
    }

    private static Rail rail(Rung rung, Part part, Facet.Converts c) {
        double tolerance =
                part.facet(Facet.Holds.class).map(Facet.Holds::tolerance).orElse(0.0);
        return new Rail(
                c.outV() * (1 - tolerance), Math.max(c.noLoadV(), c.outV() * (1 + tolerance)), Optional.of(rung));
    }

    /** Terminal voltages from empty to full on the charger. */
    Rail sourceRail() {
        return new Rail(
                sourceParts().stream().mapToDouble(Part::feedsLowV).min().orElse(0),
                sourceParts().stream().mapToDouble(Part::feedsHighV).max().orElse(0),
                Optional.empty());
    }

    List<Part> sourceParts() {
        return root.sources().stream().flatMap(s -> build.partOf(s).stream()).toList();
    }

    /** The sources that store energy. */
    List<Part> stores() {
        return sourceParts().stream().filter(Part::isSource).toList();
    }

    /** What the brief's hardest step asks for. */
    Demand hardest() {
        return PowerEngine.hardest(build.brief().profile());
    }

    /** Most amps through a rung while working. */
    double steadyA(String rung) {
        return List.of(chain.full(), chain.half(), chain.low()).stream()
                .flatMap(p -> p.rung(rung).stream())
                .mapToDouble(OperatingPoint.RungState::ampsIn)
                .max()
                .orElse(0);
    }

    /** Most amps through a rung while starting up. */
    double startA(String rung) {
        return chain.starting().rung(rung).map(OperatingPoint.RungState::ampsIn).orElse(0.0);
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
