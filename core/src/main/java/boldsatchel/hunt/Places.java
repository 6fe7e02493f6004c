package boldsatchel.hunt;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which part of a build is meant. */
final class Places {

    private Places() {}

    /** Where a check is done: the subject if it is of that kind, else what feeds it, else the first of that kind anywhere. */
    static Optional<Part> of(Build build, Part subject, String at) {
        if (at.equals(Check.SUBJECT)) {
            return Optional.of(subject);
        }
        Trait trait = Trait.of(at).orElseThrow(() -> new IllegalArgumentException(at));
        return near(build, subject).stream().filter(p -> trait.of(build, p)).findFirst();
    }

    /** The part with such a facet that feeds the subject, or is it, or the first there is. */
    static Optional<Part> feeding(Build build, Part subject, Class<? extends Facet> facet) {
        return near(build, subject).stream()
                .filter(p -> p.facet(facet).isPresent())
                .findFirst();
    }

    /** All parts, the nearest first: the subject, what feeds it from near to far, what it feeds, the others. */
    private static List<Part> near(Build build, Part subject) {
        List<Part> parts = new ArrayList<>(List.of(subject));
        parts.addAll(above(build, subject));
        for (Rung root : chains(build, subject)) {
            root.ofPart(subject.id()).stream()
                    .flatMap(Rung::walk)
                    .forEach(r -> build.partOf(r).ifPresent(parts::add));
        }
        parts.addAll(build.parts().list());
        return parts.stream().distinct().toList();
    }

    /** Parts of the chain between a source and a part, the nearest first. */
    static List<Part> above(Build build, Part part) {
        List<Part> above = new ArrayList<>();
        for (Rung root : chains(build, part)) {
            root.pathToPart(part.id()).reversed().forEach(r -> build.partOf(r).ifPresent(above::add));
            root.sources().forEach(r -> build.partOf(r).ifPresent(above::add));
        }
        return above;
    }

    /** Chains that feed the subject, or that it feeds. */
    static List<Rung> chains(Build build, Part subject) {
        return build.wiring().chain().stream()
                .filter(root -> root.ofPart(subject.id()).isPresent())
                .toList();
    }

    /** Ids of the rungs of a chain that the subject hangs on, its own and those that it feeds. */
    static Set<String> concerned(Rung root, Part subject) {
        Set<String> ids = new HashSet<>();
        root.walk()
                .filter(r -> r.part().filter(subject.id()::equals).isPresent())
                .forEach(at -> {
                    root.pathTo(at.id()).forEach(r -> ids.add(r.id()));
                    root.sources().forEach(r -> ids.add(r.id()));
                    at.walk().forEach(r -> ids.add(r.id()));
                });
        return ids;
    }
}
