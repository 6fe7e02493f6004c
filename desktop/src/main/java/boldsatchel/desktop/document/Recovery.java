package boldsatchel.desktop.document;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The copy of unsaved work that survives a kill: written after edits, taken away by a save or an orderly end. */
public final class Recovery {

    private static final Logger LOG = LoggerFactory.getLogger(Recovery.class);

    private Recovery() {}

    private static Path file() {
        return AppFolders.state().resolve("recovered" + BuildStore.ENDING);
    }

    /** Keeps the state of unsaved work. */
    public static void keep(Build build, Extras extras) {
        try {
            Files.createDirectories(AppFolders.state());
            BuildStore.replace(file(), BuildFormat.write(new BuildFormat.Document(build, extras)));
        } catch (IOException e) {
            LOG.warn("the recovery copy cannot be written", e);
        }
    }

    /** Unsaved work of a run that did not end in order. */
    public static Optional<BuildFormat.Document> found() {
        try {
            return Files.exists(file()) ? Optional.of(BuildFormat.read(Files.readString(file()))) : Optional.empty();
        } catch (IOException | FormatException e) {
            LOG.warn("the recovery copy cannot be read", e);
            return Optional.empty();
        }
    }

    /** Nothing is unsaved any more. */
    public static void forget() {
        try {
            Files.deleteIfExists(file());
        } catch (IOException e) {
            LOG.warn("the recovery copy cannot be removed", e);
        }
    }
}
