package boldsatchel.desktop.document;

import boldsatchel.desktop.document.BuildStore.StoreException;
import boldsatchel.hunt.HuntFault;
import boldsatchel.hunt.Knowledge;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** The user's own symptoms, checks and causes: a file in the program's folder, beside those that ship. It is only read. */
public final class OwnFaults {

    private static final String ENDING = ".faults.json";

    private OwnFaults() {}

    /**
     * What was found.
     *
     * @param knowledge what ships, with what could be read
     * @param problem why the file could not, with what is wrong and where
     */
    public record Loaded(Knowledge knowledge, Optional<String> problem) {}

    /** Where it is kept; it may not exist. */
    public static Path file() {
        return AppFolders.state().resolve("own" + ENDING);
    }

    /** What is known; only what ships, and the reason, where the file cannot be read. */
    public static Loaded load() {
        if (!Files.exists(file())) {
            return new Loaded(Knowledge.shipped(), Optional.empty());
        }
        try {
            return new Loaded(read(file()), Optional.empty());
        } catch (StoreException e) {
            return new Loaded(Knowledge.shipped(), Optional.of(e.getMessage()));
        }
    }

    /**
     * Reads a file of faults.
     *
     * @return what ships, with what it holds
     * @throws StoreException with the file and all that is wrong in it
     */
    public static Knowledge read(Path from) throws StoreException {
        try {
            return Knowledge.shipped().and(BuildStore.text(from, "file of faults", ENDING));
        } catch (HuntFault e) {
            throw new StoreException(from + ": " + e.getMessage(), e);
        }
    }
}
