package boldsatchel.desktop.document;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** Where an exported book lands: all of its files or none of them, and over others only when told to. */
public final class BookStore {

    private BookStore() {}

    /** Hears how far the writing is, and may stop it. */
    @FunctionalInterface
    public interface Progress {
        /**
         * A file is about to be written.
         *
         * @param name of the file
         * @param done files before it
         * @return whether to go on
         */
        boolean next(String name, int done);
    }

    /** Which of the names are there already. */
    public static List<String> taken(Path folder, Set<String> names) {
        return names.stream().filter(n -> Files.exists(folder.resolve(n))).toList();
    }

    /**
     * Writes all files beside the folder and moves them into place when they are all there.
     *
     * @return where they are now; nothing when the writing was stopped
     * @throws BuildStore.StoreException when they cannot be written; what was there before is still whole
     */
    public static List<Path> write(Path folder, Map<String, byte[]> files, Progress progress)
            throws BuildStore.StoreException {
        try {
            Files.createDirectories(folder);
            Path aside = Files.createTempDirectory(folder, ".export");
            try {
                int done = 0;
                for (Map.Entry<String, byte[]> file : files.entrySet()) {
                    if (!progress.next(file.getKey(), done++)) {
                        return List.of();
                    }
                    Files.write(aside.resolve(file.getKey()), file.getValue());
                }
                List<Path> written = new ArrayList<>();
                for (String name : files.keySet()) {
                    written.add(Files.move(
                            aside.resolve(name),
                            folder.resolve(name),
                            StandardCopyOption.ATOMIC_MOVE,
                            StandardCopyOption.REPLACE_EXISTING));
                }
                return written;
            } finally {
                remove(aside);
            }
        } catch (IOException e) {
            throw new BuildStore.StoreException(
                    folder + ": cannot be written (" + e.getMessage() + "). Choose another folder.", e);
        }
    }

    private static void remove(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
        }
    }
}
