package boldsatchel.hunt;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Signal;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.BiPredicate;

/**
 * What a part, or a build, must be for something to be asked of it. Written as the name of a facet, {@code Converts}; as a family,
 * {@code family:SOUND}; as a kind of signal, {@code link:USB}; as what is taken through a socket, {@code duty:touch};
 * or as {@code case}, {@code join}, {@code series}, {@code contact:FUSE} of
 * the build.
 *
 * @param words as written
 * @param test whether a part of a build is so
 */
record Trait(String words, BiPredicate<Build, Part> test) {

    /** The trait of a name; nothing where there is no such thing. */
    static Optional<Trait> of(String words) {
        int colon = words.indexOf(':');
        String kind = colon < 0 ? words : words.substring(0, colon);
        String name = words.substring(colon + 1);
        return switch (kind) {
            case "family" -> constant(Family.values(), name).map(f -> new Trait(words, (b, p) -> p.family() == f));
            case "link" -> constant(Signal.Kind.values(), name).map(s -> new Trait(words, (b, p) -> carries(p, s)));
            case "duty" ->
                Optional.of(new Trait(words, (b, p) -> p.body().ports().stream().anyMatch(port -> port.takes(name))));
            case "contact" ->
                constant(Rung.ContactKind.values(), name)
                        .map(c -> new Trait(words, (b, p) -> b.rungs().anyMatch(r -> isContact(r, c))));
            case "case" ->
                Optional.of(new Trait(words, (b, p) -> !b.casing().shells().isEmpty()));
            case "join" ->
                Optional.of(new Trait(words, (b, p) -> b.rungs().anyMatch(r -> r.stage() instanceof Rung.Join)));
            case "series" ->
                Optional.of(new Trait(
                        words,
                        (b, p) -> p.facet(Facet.Cells.class)
                                .filter(c -> c.series() > 1)
                                .isPresent()));
            case "feeding" ->
                of(name).map(t ->
                        new Trait(words, (b, p) -> Places.above(b, p).stream().anyMatch(f -> t.of(b, f))));
            default ->
                Arrays.stream(Facet.class.getPermittedSubclasses())
                        .filter(f -> f.getSimpleName().equals(words))
                        .findFirst()
                        .map(f -> new Trait(words, (b, p) -> p.facets().stream().anyMatch(f::isInstance)));
        };
    }

    private static <E extends Enum<E>> Optional<E> constant(E[] all, String name) {
        return Arrays.stream(all).filter(e -> e.name().equals(name)).findFirst();
    }

    private static boolean carries(Part part, Signal.Kind kind) {
        return part.body().ports().stream()
                .anyMatch(
                        port -> port.carries().stream().anyMatch(c -> c.signal().kind() == kind));
    }

    private static boolean isContact(Rung rung, Rung.ContactKind kind) {
        return rung.stage() instanceof Rung.Contact contact && contact.kind() == kind;
    }

    /** Whether a part is so. */
    boolean of(Build build, Part part) {
        return test.test(build, part);
    }

    /** Whether a build has it for a part that is in trouble: any of its parts is so, or, of what feeds, the part's own. */
    boolean isFor(Build build, Part subject) {
        return words.startsWith("feeding:")
                ? test.test(build, subject)
                : build.parts().list().stream().anyMatch(p -> test.test(build, p));
    }
}
