package boldsatchel.build;

import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * All that is known of one machine. Immutable: an edit makes a new one.
 *
 * @param name for people
 * @param variant which of the alternatives this is
 * @param brief what it is for
 * @param parts what goes in
 * @param shells the case
 * @param hinge joins lid to base, if there is a lid
 * @param placements where the parts lie; a part without one is still on the table
 * @param chain the power chain, one tree a source
 * @param heatPaths pads and pipes
 * @param sundriesG screws, glue, tape, sleeves
 */
public record Build(
        String name,
        String variant,
        Brief brief,
        List<Part> parts,
        List<Shell> shells,
        Optional<Hinge> hinge,
        List<Placement> placements,
        List<Rung> chain,
        List<HeatPath> heatPaths,
        Figure sundriesG) {

    /** Copies the lists. */
    public Build {
        parts = List.copyOf(parts);
        shells = List.copyOf(shells);
        placements = List.copyOf(placements);
        chain = List.copyOf(chain);
        heatPaths = List.copyOf(heatPaths);
    }

    /** A build with nothing in it. */
    public static Build empty(String name) {
        return new Build(
                name,
                "first",
                Brief.empty(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                Figure.guess(0));
    }

    /** The part with an id. */
    public Optional<Part> part(String id) {
        return first(parts, id, Part::id);
    }

    /** The shell with an id. */
    public Optional<Shell> shell(String id) {
        return first(shells, id, Shell::id);
    }

    /** Where a part lies. */
    public Optional<Placement> placement(String partId) {
        return first(placements, partId, Placement::part);
    }

    /** A plain loop: engines ask this thousands of times an evaluation. */
    private static <T> Optional<T> first(List<T> list, String id, Function<T, String> idOf) {
        for (T element : list) {
            if (idOf.apply(element).equals(id)) {
                return Optional.of(element);
            }
        }
        return Optional.empty();
    }

    /** Whether a shell is the lid. */
    public boolean isLid(Shell shell) {
        return hinge.filter(h -> h.lidShell().equals(shell.id())).isPresent();
    }

    /** All rungs of all chains, from the sources down. */
    public Stream<Rung> rungs() {
        return chain.stream().flatMap(Rung::walk);
    }

    /** The rung with an id. */
    public Optional<Rung> rung(String id) {
        return rungs().filter(r -> r.id().equals(id)).findFirst();
    }

    /** The rung that is a part of the chain as a source, converter or load. */
    public Optional<Rung> rungOf(String partId) {
        return rungs().filter(r -> r.part().filter(partId::equals).isPresent()).findFirst();
    }

    /** The part a rung is. */
    public Optional<Part> partOf(Rung rung) {
        return rung.part().flatMap(this::part);
    }

    /** An id that no part and no rung has yet, made from a wish. */
    public String freeId(String wish) {
        String id = wish;
        for (int n = 2; isTaken(id); n++) {
            id = wish + "-" + n;
        }
        return id;
    }

    private boolean isTaken(String id) {
        return part(id).isPresent() || rungs().anyMatch(r -> r.id().equals(id));
    }

    /** The same build with another brief. */
    public Build withBrief(Brief newBrief) {
        return new Build(name, variant, newBrief, parts, shells, hinge, placements, chain, heatPaths, sundriesG);
    }

    /** The same build with other parts. */
    public Build withParts(List<Part> newParts) {
        return new Build(name, variant, brief, newParts, shells, hinge, placements, chain, heatPaths, sundriesG);
    }

    /** The same build with other shells. */
    public Build withShells(List<Shell> newShells) {
        return new Build(name, variant, brief, parts, newShells, hinge, placements, chain, heatPaths, sundriesG);
    }

    /** The same build with another hinge. */
    public Build withHinge(Optional<Hinge> newHinge) {
        return new Build(name, variant, brief, parts, shells, newHinge, placements, chain, heatPaths, sundriesG);
    }

    /** The same build with other placements. */
    public Build withPlacements(List<Placement> newPlacements) {
        return new Build(name, variant, brief, parts, shells, hinge, newPlacements, chain, heatPaths, sundriesG);
    }

    /** The same build with another power chain. */
    public Build withChain(List<Rung> newChain) {
        return new Build(name, variant, brief, parts, shells, hinge, placements, newChain, heatPaths, sundriesG);
    }

    /** The same build with other heat paths. */
    public Build withHeatPaths(List<HeatPath> newPaths) {
        return new Build(name, variant, brief, parts, shells, hinge, placements, chain, newPaths, sundriesG);
    }

    /** The same build with one part put in place of the part of the same id. */
    public Build withPart(Part part) {
        return withParts(replaced(parts, p -> p.id().equals(part.id()), part));
    }

    /** The same build with a part placed, in place of where it lay before. */
    public Build withPlacement(Placement placement) {
        return withPlacements(replaced(placements, p -> p.part().equals(placement.part()), placement));
    }

    private static <T> List<T> replaced(List<T> list, java.util.function.Predicate<T> which, T with) {
        List<T> changed = new ArrayList<>(list);
        int at = list.stream().filter(which).findFirst().map(list::indexOf).orElse(-1);
        if (at >= 0) {
            changed.set(at, with);
        } else {
            changed.add(with);
        }
        return changed;
    }
}
