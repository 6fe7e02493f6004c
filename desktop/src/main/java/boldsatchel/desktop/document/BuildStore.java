package boldsatchel.desktop.document;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.FormatException;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/**
 * Build files on disk. A save writes beside the file, forces it to the disk and moves it into place, so that a reader and a crash see
 * the old file or the new one, whole; the file before stays as a backup ending in {@code .bak}.
 */
public final class BuildStore {

    /** What names of build files end in. */
    public static final String ENDING = ".satchel.json";

    private BuildStore() {}

    /** The file cannot be read or written; the message says which, why and what to do. */
    public static final class StoreException extends Exception {
        private static final long serialVersionUID = 1;

        private final String words;

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
        try {
            String text = Files.readString(file, StandardCharsets.UTF_8);
            return new Opened(BuildFormat.read(text), text);
        } catch (NoSuchFileException e) {
            throw new StoreException(file + ": there is no such file. Check the name.", e);
        } catch (MalformedInputException e) {
            throw new StoreException(file + ": this is no text file. Choose a file ending in " + ENDING + ".", e);
        } catch (IOException e) {
            throw new StoreException(file + ": cannot be read (" + reason(e) + ").", e);
        } catch (FormatException e) {
            throw new StoreException(file + ": " + e.getMessage(), e);
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
        try {
            if (!overwrite
                    && Files.exists(file)
                    && !Optional.of(Files.readString(file)).equals(known)) {
                throw new ChangedOnDiskException(file);
            }
            Path folder = file.toAbsolutePath().getParent();
            Files.createDirectories(folder);
            if (Files.exists(file)) {
                replace(backup(file), Files.readString(file));
            }
            replace(file, text);
            return text;
        } catch (IOException e) {
            throw new StoreException(
                    file + ": cannot be written (" + reason(e) + "). Choose another folder; nothing was lost.", e);
        }
    }

    /** Where the file before the last save is kept. */
    public static Path backup(Path file) {
        return file.resolveSibling(file.getFileName() + ".bak");
    }

    /** Writes a whole file or nothing. */
    static void replace(Path file, String text) throws IOException {
        Path folder = file.toAbsolutePath().getParent();
        Path fresh = Files.createTempFile(folder, file.getFileName().toString(), ".new");
        try {
            Files.writeString(fresh, text, StandardCharsets.UTF_8);
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
