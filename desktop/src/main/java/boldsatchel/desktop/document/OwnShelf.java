package boldsatchel.desktop.document;

import boldsatchel.desktop.document.BuildStore.StoreException;
import boldsatchel.format.FormatException;
import boldsatchel.format.LibraryFormat;
import boldsatchel.format.LibraryFormat.Contents;
import boldsatchel.machine.Case;
import boldsatchel.machine.Part;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The user's own shelf: parts and cases kept in one library file in the program's folder. The shelf that ships is never changed; a file that
 * cannot be read is never written over.
 */
public final class OwnShelf {

    private OwnShelf() {}

    /**
     * What was found.
     *
     * @param contents as far as it could be read
     * @param problem why it could not, with file, line, field and what to do
     */
    public record Loaded(Contents contents, Optional<String> problem) {}

    /** Where it is kept; it may not exist yet. */
    public static Path file() {
        return AppFolders.state().resolve("own" + LibraryFormat.ENDING);
    }

    /** What is on it; nothing, and the reason, where it cannot be read. */
    public static Loaded load() {
        if (!Files.exists(file())) {
            return new Loaded(Contents.NONE, Optional.empty());
        }
        try {
            return new Loaded(read(file()), Optional.empty());
        } catch (StoreException e) {
            return new Loaded(Contents.NONE, Optional.of(e.getMessage()));
        }
    }

    /**
     * Reads a library file.
     *
     * @throws StoreException with the file, and line and field where it is wrong
     */
    public static Contents read(Path from) throws StoreException {
        try {
            return LibraryFormat.read(BuildStore.text(from, "library file", LibraryFormat.ENDING));
        } catch (FormatException e) {
            throw new StoreException(from + ": " + e.getMessage(), e);
        }
    }

    /**
     * Puts a part on it, under an id of its own; one of the same name gives way.
     *
     * @return the part as it is on the shelf
     * @throws StoreException when what is there cannot be read, or nothing can be written
     */
    public static Part keep(Part part) throws StoreException {
        Contents now = readable();
        String id = "own-"
                + part.name()
                        .toLowerCase(Locale.ROOT)
                        .replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-|-$", "");
        Part kept = part.withId(id).onShelf();
        List<Part> parts = new ArrayList<>(now.parts());
        parts.removeIf(p -> p.id().equals(id));
        parts.add(kept);
        write(file(), new Contents(parts, now.cases()));
        return kept;
    }

    /**
     * Puts a case on it; one of the same name gives way.
     *
     * @throws StoreException when what is there cannot be read, or nothing can be written
     */
    public static void keep(Case kept) throws StoreException {
        Contents now = readable();
        List<Case> cases = new ArrayList<>(now.cases());
        cases.removeIf(c -> c.name().equals(kept.name()));
        cases.add(kept);
        write(file(), new Contents(now.parts(), cases));
    }

    /**
     * Puts all of a library file on it; what is there under the same id or name gives way.
     *
     * @return how many parts and cases came in
     * @throws StoreException when one of the two cannot be read, or nothing can be written
     */
    public static int takeIn(Path from) throws StoreException {
        Contents now = readable();
        Contents more = read(from);
        List<Part> parts = new ArrayList<>(now.parts());
        more.parts().forEach(p -> {
            parts.removeIf(old -> old.id().equals(p.id()));
            parts.add(p);
        });
        List<Case> cases = new ArrayList<>(now.cases());
        more.cases().forEach(c -> {
            cases.removeIf(old -> old.name().equals(c.name()));
            cases.add(c);
        });
        write(file(), new Contents(parts, cases));
        return more.parts().size() + more.cases().size();
    }

    /**
     * Writes all of it to a file.
     *
     * @throws StoreException when it cannot be read or written
     */
    public static void export(Path to) throws StoreException {
        write(to, readable());
    }

    private static Contents readable() throws StoreException {
        Loaded loaded = load();
        if (loaded.problem().isPresent()) {
            throw new StoreException(loaded.problem().get()
                    + " Mend it, or move it away and a new one is begun; it is not written over.");
        }
        return loaded.contents();
    }

    private static void write(Path to, Contents contents) throws StoreException {
        try {
            Path real = Files.exists(to) ? to.toRealPath() : to.toAbsolutePath();
            Files.createDirectories(real.getParent());
            if (Files.exists(real)) {
                BuildStore.replace(BuildStore.backup(real), Files.readAllBytes(real));
            }
            BuildStore.replace(real, LibraryFormat.write(contents).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new StoreException(to + ": cannot be written (" + e.getMessage() + "). Nothing was lost.", e);
        }
    }
}
