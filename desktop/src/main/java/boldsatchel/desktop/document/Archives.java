package boldsatchel.desktop.document;

import boldsatchel.book.Archive;
import boldsatchel.book.Book;
import boldsatchel.desktop.document.BuildStore.StoreException;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Journal;
import boldsatchel.verdict.Evaluation;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** A build, its pictures and its book in one file: packed from where they lie, and unpacked beside it. */
public final class Archives {

    private static final long MOST_BYTES = 512L << 20;
    private static final int MOST_NAMES = 1000;

    private Archives() {}

    /** Whether a file is an archive, by its name. */
    public static boolean isArchive(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(Archive.ENDING);
    }

    /**
     * Every file of the book, and the archive of all.
     *
     * @param file of the build, beside which its pictures lie; nothing where it has none
     * @throws StoreException where a picture cannot be read
     */
    public static Map<String, byte[]> book(BuildFormat.Document document, Evaluation evaluation, Optional<Path> file)
            throws StoreException {
        Map<String, byte[]> files = new LinkedHashMap<>(Book.files(evaluation));
        files.put(stem(document) + Archive.ENDING, Archive.pack(document, pictures(document, file), files));
        return files;
    }

    /**
     * The archive alone, named after a revision.
     *
     * @throws StoreException where a picture cannot be read
     */
    public static Map<String, byte[]> published(
            BuildFormat.Document document, Evaluation evaluation, Optional<Path> file, String revision)
            throws StoreException {
        String name = stem(document) + "-" + plain(revision) + Archive.ENDING;
        return Map.of(name, Archive.pack(document, pictures(document, file), Book.files(evaluation)));
    }

    private static String stem(BuildFormat.Document document) {
        return plain(document.build().name());
    }

    /** A name for a file from words; never empty. */
    private static String plain(String words) {
        String plain =
                words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9.]+", "-").replaceAll("^[-.]+|[-.]+$", "");
        return plain.isEmpty() ? "build" : plain.substring(0, Math.min(plain.length(), 48));
    }

    private static Map<String, byte[]> pictures(BuildFormat.Document document, Optional<Path> file)
            throws StoreException {
        Map<String, byte[]> pictures = new LinkedHashMap<>();
        for (Journal.Picture picture : document.build().journal().pictures()) {
            Optional<Path> lies = file.flatMap(f -> Pictures.file(f, picture));
            if (lies.isPresent()) {
                try {
                    pictures.put(picture.file(), Files.readAllBytes(lies.get()));
                } catch (IOException e) {
                    throw new StoreException(lies.get() + ": cannot be read (" + e.getMessage() + ").", e);
                }
            }
        }
        return pictures;
    }

    /**
     * The build in an archive.
     *
     * @throws StoreException with what is wrong and where
     */
    public static BuildFormat.Document read(Path archive) throws StoreException {
        return read(archive, unpacked(archive));
    }

    private static BuildFormat.Document read(Path archive, Archive unpacked) throws StoreException {
        try {
            return BuildFormat.read(unpacked.build());
        } catch (FormatException e) {
            throw new StoreException(archive + ": the build in it: " + e.getMessage(), e);
        }
    }

    private static Archive unpacked(Path archive) throws StoreException {
        try {
            if (Files.size(archive) > MOST_BYTES) {
                throw new StoreException(archive + ": this is larger than any archive of a build.");
            }
            return Archive.unpack(Files.readAllBytes(archive));
        } catch (Archive.NoArchiveException e) {
            throw new StoreException(archive + ": " + e.getMessage() + ".", e);
        } catch (IOException e) {
            throw new StoreException(archive + ": cannot be read (" + e.getMessage() + "). Check the name.", e);
        }
    }

    /**
     * Unpacks an archive beside itself: a build file, and a folder with its pictures. What is there already stays; the new one gets a
     * number then.
     *
     * @return the build file
     * @throws StoreException with what is wrong; nothing is written then
     */
    public static Path unpack(Path archive) throws StoreException {
        Archive unpacked = unpacked(archive);
        read(archive, unpacked);
        String name = String.valueOf(archive.getFileName());
        String stem = name.substring(0, name.length() - Archive.ENDING.length());
        for (int n = 1; n < MOST_NAMES; n++) {
            Path file = archive.resolveSibling((n == 1 ? stem : stem + "-" + n) + BuildStore.ENDING);
            if (!Files.exists(file) && !Files.exists(Pictures.folder(file))) {
                return write(file, unpacked);
            }
        }
        throw new StoreException(archive + ": there are too many builds of this name beside it. Move it elsewhere.");
    }

    /** Pictures first: the build file is there when all of it is. */
    private static Path write(Path file, Archive unpacked) throws StoreException {
        try {
            Path folder = Pictures.folder(file);
            for (Map.Entry<String, byte[]> picture : unpacked.pictures().entrySet()) {
                Files.createDirectories(folder);
                BuildStore.replace(folder.resolve(picture.getKey()), picture.getValue());
            }
            BuildStore.replace(file, unpacked.build().getBytes(java.nio.charset.StandardCharsets.UTF_8));
            return file;
        } catch (IOException e) {
            throw new StoreException(
                    file + ": cannot be written (" + e.getMessage() + "). Move the archive to a folder of your own.",
                    e);
        }
    }
}
