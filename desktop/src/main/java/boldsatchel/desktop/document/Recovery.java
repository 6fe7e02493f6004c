package boldsatchel.desktop.document;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The copy of a window's unsaved work that survives a kill. Each build that a window has open has a copy of its own, marked as live by a
 * lock that ends with the program, however it ends. A copy goes only when its work was saved or undone, or when somebody took it or threw it
 * away; what no live window holds is {@link #left}. Used on the window's thread.
 */
public final class Recovery {

    private static final Logger LOG = LoggerFactory.getLogger(Recovery.class);
    private static final String PREFIX = "recovered";
    private static final String LOCK = ".lock";

    private Optional<Held> held = Optional.empty();

    /** Keeps nothing yet. */
    public Recovery() {}

    private record Held(Path file, Path lockFile, FileChannel channel, FileLock lock) {}

    /**
     * Unsaved work that no window has open.
     *
     * @param file where it is kept
     * @param at when it was written
     */
    public record Kept(Path file, Instant at) {
        /**
         * What it holds.
         *
         * @throws BuildStore.StoreException when it cannot be read; it stays where it is
         */
        public BuildFormat.Document open() throws BuildStore.StoreException {
            return BuildStore.open(file).document();
        }

        /** Name of the build; of the file where it cannot be read. */
        public String name() {
            try {
                return open().build().name();
            } catch (BuildStore.StoreException e) {
                return file.getFileName().toString();
            }
        }

        /**
         * Throws it away.
         *
         * @throws BuildStore.StoreException when it cannot be removed
         */
        public void throwAway() throws BuildStore.StoreException {
            try {
                Files.deleteIfExists(file);
                Files.deleteIfExists(lockOf(file));
            } catch (IOException e) {
                throw new BuildStore.StoreException(file + ": cannot be removed (" + e.getMessage() + ").", e);
            }
        }
    }

    private static Path folder() {
        return AppFolders.state();
    }

    private static Path lockOf(Path file) {
        return file.resolveSibling(file.getFileName() + LOCK);
    }

    /**
     * Keeps the state of unsaved work.
     *
     * @throws BuildStore.StoreException when it cannot be written; work is then safe only in a file
     */
    public void keep(Build build, Extras extras) throws BuildStore.StoreException {
        try {
            Held here = held.isPresent() ? held.get() : hold();
            held = Optional.of(here);
            BuildStore.replace(
                    here.file(),
                    BuildFormat.write(new BuildFormat.Document(build, extras)).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new BuildStore.StoreException(
                    "No copy of the unsaved work can be kept in " + folder() + " (" + e.getMessage()
                            + "). Save it to a file soon.",
                    e);
        }
    }

    private static Held hold() throws IOException {
        Files.createDirectories(folder());
        Path file = folder().resolve(PREFIX + "-" + UUID.randomUUID() + BuildStore.ENDING);
        Path lockFile = lockOf(file);
        FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        return new Held(file, lockFile, channel, channel.lock());
    }

    /** Nothing is unsaved any more: this build's copy goes. */
    public void forget() {
        held.ifPresent(h -> {
            try {
                Files.deleteIfExists(h.file());
            } catch (IOException e) {
                LOG.warn("a recovery copy cannot be removed", e);
            }
        });
        release();
    }

    /** The window turns to another build, or closes: a copy that is there stays for later. */
    public void release() {
        held.ifPresent(h -> {
            try {
                h.lock().close();
                h.channel().close();
                Files.deleteIfExists(h.lockFile());
            } catch (IOException e) {
                LOG.warn("the lock of a recovery copy cannot be released", e);
            }
        });
        held = Optional.empty();
    }

    /** What windows that are gone left behind, newest first. */
    public static List<Kept> left() {
        List<Kept> all = new ArrayList<>();
        try (Stream<Path> files = Files.exists(folder()) ? Files.list(folder()) : Stream.empty()) {
            for (Path file : files.toList()) {
                String name = file.getFileName().toString();
                if (name.startsWith(PREFIX) && name.endsWith(BuildStore.ENDING) && !isLive(file)) {
                    FileTime at = Files.getLastModifiedTime(file);
                    all.add(new Kept(file, at.toInstant()));
                }
            }
        } catch (IOException e) {
            LOG.warn("the folder of recovery copies cannot be read", e);
        }
        all.sort(Comparator.comparing(Kept::at).reversed());
        return List.copyOf(all);
    }

    private static boolean isLive(Path file) throws IOException {
        Path lockFile = lockOf(file);
        if (!Files.exists(lockFile)) {
            return false;
        }
        try (FileChannel channel = FileChannel.open(lockFile, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock == null;
        } catch (OverlappingFileLockException e) {
            return true;
        }
    }
}
