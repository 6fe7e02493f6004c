package boldsatchel.desktop.document;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.FormatException;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;

/**
 * Build files on disk. A save writes beside the file, forces it to the disk and moves it into place, so that a reader and a crash see
 * the old file or the new one, whole; the file before stays as a backup ending in {@code .bak}.
 */
public final class BuildStore {

    /** What names of build files end in. */
    public static final String ENDING = ".satchel.json";

    private static final String FRESH = ".new";
    private static final long MEGA = 1L << 20;
    /** A build of a thousand parts takes about one. */
    private static final long MOST_BYTES = 16 * MEGA;

    private BuildStore() {}

    /** The file cannot be read or written; the message says which, why and what to do. */
    public static final class StoreException extends Exception {
        private static final long serialVersionUID = 1;

        private final String words;

        StoreException(String words) {
            super(words);
            this.words = words;
        }

        StoreException(String words, Throwable cause) {
            super(words, cause);
            this.words = words;
        }

        @Override
        public String getMessage() {
            return words;
        }
    }

    /** Somebody changed the file since it was read. */
    public static final class ChangedOnDiskException extends Exception {
        private static final long serialVersionUID = 1;

        private final String words;

        ChangedOnDiskException(Path file) {
            this.words = file.getFileName()
                    + " was changed on disk since it was opened here. Save under another name, or say that it may be overwritten.";
        }

        @Override
        public String getMessage() {
            return words;
        }
    }

    /**
     * An opened file.
     *
     * @param document what it holds
     * @param text what it said, to tell whether it changed
     */
    public record Opened(BuildFormat.Document document, String text) {}

    /**
     * Opens a file.
     *
     * @throws StoreException with the file, and line and field where it is wrong
     */
    public static Opened open(Path file) throws StoreException {
        String text = text(file, "build file", ENDING);
        try {
            return new Opened(BuildFormat.read(text), text);
        } catch (FormatException e) {
            throw new StoreException(file + ": " + e.getMessage(), e);
        }
    }

    /**
     * What a file says.
     *
     * @param what it should be, for people
     * @param ending of the names of such files
     * @throws StoreException where there is none, or it is no text, or larger than any such file
     */
    static String text(Path file, String what, String ending) throws StoreException {
        try {
            if (Files.exists(file) && !Files.isRegularFile(file)) {
                throw new StoreException(
                        file + ": this is no file but a folder or a device. Choose a file ending in " + ending + ".");
            }
            if (Files.size(file) > MOST_BYTES) {
                throw new StoreException(file + ": this is larger than any " + what + " (over " + MOST_BYTES / MEGA
                        + " MB). Choose a file ending in " + ending + ".");
            }
            return Files.readString(file, StandardCharsets.UTF_8);
        } catch (NoSuchFileException e) {
            throw new StoreException(file + ": there is no such file. Check the name.", e);
        } catch (MalformedInputException e) {
            throw new StoreException(file + ": this is no text file. Choose a file ending in " + ending + ".", e);
        } catch (IOException e) {
            throw new StoreException(file + ": cannot be read (" + reason(e) + ").", e);
        }
    }

    /**
     * Saves a document.
     *
     * @param known what the file said when it was last read or written here; empty when it should not be there yet
     * @param overwrite whether to write even if it says something else now
     * @return what the file says now
     * @throws ChangedOnDiskException when it says something else and may not be overwritten
     * @throws StoreException when it cannot be written; the old file is still whole
     */
    public static String save(Path file, BuildFormat.Document document, Optional<String> known, boolean overwrite)
            throws StoreException, ChangedOnDiskException {
        String text = BuildFormat.write(document);
        // In one program a monitor, between programs a lock: of two savers at once the second is told.
        synchronized (BuildStore.class) {
            try {
                Path real = Files.exists(file) ? file.toRealPath() : file.toAbsolutePath();
                Files.createDirectories(real.getParent());
                // Closing the channel releases the lock, however it ends.
                try (FileChannel channel =
                        FileChannel.open(lockOf(real), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
                    channel.lock();
                    saveLocked(file, real, text, known, overwrite);
                }
                return text;
            } catch (IOException e) {
                throw new StoreException(
                        file + ": cannot be written (" + reason(e) + "). Choose another folder; nothing was lost.", e);
            }
        }
    }

    private static void saveLocked(Path file, Path real, String text, Optional<String> known, boolean overwrite)
            throws IOException, ChangedOnDiskException {
        if (Files.exists(real)) {
            byte[] there = Files.readAllBytes(real);
            boolean asKnown = known.map(k -> Arrays.equals(k.getBytes(StandardCharsets.UTF_8), there))
                    .orElse(false);
            if (!overwrite && !asKnown) {
                throw new ChangedOnDiskException(file);
            }
            if (isReadOnly(real)) {
                throw new IOException("it is read-only");
            }
            replace(backup(real), there);
        }
        replace(real, text.getBytes(StandardCharsets.UTF_8));
        unfinished(real);
    }

    /** Nobody may write it, not even its owner. */
    private static boolean isReadOnly(Path file) throws IOException {
        PosixFileAttributeView view = Files.getFileAttributeView(file, PosixFileAttributeView.class);
        return view == null
                ? !Files.isWritable(file)
                : !view.readAttributes().permissions().contains(PosixFilePermission.OWNER_WRITE);
    }

    /** What a saver that was killed left beside the file; no other saver is at work while it is locked. */
    private static void unfinished(Path file) throws IOException {
        String name = file.getFileName().toString();
        try (DirectoryStream<Path> left = Files.newDirectoryStream(
                file.getParent(),
                p -> p.getFileName().toString().startsWith(name)
                        && p.getFileName().toString().endsWith(FRESH))) {
            for (Path path : left) {
                Files.deleteIfExists(path);
            }
        }
    }

    private static Path lockOf(Path real) throws IOException {
        Path locks = AppFolders.state().resolve("locks");
        Files.createDirectories(locks);
        return locks.resolve(UUID.nameUUIDFromBytes(real.toString().getBytes(StandardCharsets.UTF_8)) + ".lock");
    }

    /** Where the file before the last save is kept. */
    public static Path backup(Path file) {
        return file.resolveSibling(file.getFileName() + ".bak");
    }

    /** Writes a whole file or nothing; it keeps the mode that it had. */
    static void replace(Path file, byte[] bytes) throws IOException {
        Path fresh = file.toAbsolutePath().resolveSibling(file.getFileName() + "." + UUID.randomUUID() + FRESH);
        try {
            Files.write(fresh, bytes, StandardOpenOption.CREATE_NEW);
            PosixFileAttributeView before = Files.getFileAttributeView(file, PosixFileAttributeView.class);
            if (before != null && Files.exists(file)) {
                Files.setPosixFilePermissions(fresh, before.readAttributes().permissions());
            }
            try (FileChannel channel = FileChannel.open(fresh, StandardOpenOption.WRITE)) {
                channel.force(true);
            }
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    private static String reason(IOException e) {
        return e instanceof java.nio.file.AccessDeniedException ? "permission denied" : String.valueOf(e.getMessage());
    }
}
