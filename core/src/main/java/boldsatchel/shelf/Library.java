package boldsatchel.shelf;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.LibraryFormat;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Parts and cases to take from. Those that ship with the program are all made up, with figures as such parts usually have.
 *
 * @param parts what can be added to a build
 * @param cases what it can be packed in
 */
public record Library(List<Part> parts, List<Case> cases) {

    /** Names of the demo builds. */
    public static final List<String> DEMOS = List.of("cave-survey", "orchard-ledger", "harbour-watch");

    /** Copies the lists; every part knows its entry. */
    public Library {
        parts = parts.stream().map(Part::onShelf).toList();
        cases = List.copyOf(cases);
    }

    /** The library as shipped. */
    public static Library shipped() {
        List<Part> parts = new ArrayList<>();
        for (Family family : Family.values()) {
            String name = family.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
            parts.addAll(LibraryFormat.readTrusted(resource(name + ".json")).parts());
        }
        return new Library(
                parts, LibraryFormat.readTrusted(resource("cases.json")).cases());
    }

    /** The contents of a library file as a library. */
    public static Library of(LibraryFormat.Contents contents) {
        return new Library(contents.parts(), contents.cases());
    }

    /** Both, the other one first; what it has under the same id or name stands for both. */
    public Library and(Library other) {
        List<Part> all = new ArrayList<>(other.parts);
        parts.stream().filter(p -> other.part(p.id()).isEmpty()).forEach(all::add);
        List<Case> both = new ArrayList<>(other.cases);
        cases.stream()
                .filter(c -> other.cases.stream().noneMatch(o -> o.name().equals(c.name())))
                .forEach(both::add);
        return new Library(all, both);
    }

    /** The part with an id. */
    public Optional<Part> part(String id) {
        return parts.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /** Parts whose name, family or note holds every word. */
    public List<Part> search(String words) {
        List<Part> found = new ArrayList<>(parts);
        for (String word : words.toLowerCase(java.util.Locale.ROOT).split("\\s+")) {
            found.removeIf(p -> !(p.name() + " " + p.family().words() + " " + p.note())
                    .toLowerCase(java.util.Locale.ROOT)
                    .contains(word));
        }
        return found;
    }

    /**
     * A demo build.
     *
     * @param name one of {@link #DEMOS}
     * @return nothing for another name
     */
    public static Optional<Build> demo(String name) {
        if (!DEMOS.contains(name)) {
            return Optional.empty();
        }
        return Optional.of(BuildFormat.readTrusted(resource(name + ".satchel.json")));
    }

    private static String resource(String name) {
        try (InputStream in = Library.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("the program was built without its " + name);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
