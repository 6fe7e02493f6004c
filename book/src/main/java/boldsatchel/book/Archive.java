package boldsatchel.book;

import boldsatchel.format.BuildFormat;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/**
 * All of a build in one file, a ZIP: the build file with its revisions, its pictures, and the book in a folder. It opens again as the build; the book in it is for people who have
 * only a browser.
 *
 * @param build text of the build file
 * @param pictures by their names
 */
public record Archive(String build, Map<String, byte[]> pictures) {

    /** What names of archives end in. */
    public static final String ENDING = ".satchel.zip";

    private static final String BUILD = "build.satchel.json";
    private static final String PICTURES = "pictures/";
    private static final String BOOK = "book/";

    /** More of a file than this is not unpacked: it would be no archive of ours, and could fill the memory. */
    private static final long MOST_BYTES = 512L << 20;

    private static final int MOST_FILES = 5_000;
    private static final int PIECE = 1 << 16;

    /** Copies the map. */
    public Archive {
        pictures = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(pictures));
    }

    /** The file cannot be read as an archive; the message says why and what to do. */
    public static final class NoArchiveException extends Exception {
        private static final long serialVersionUID = 1;

        private final String words;

        NoArchiveException(String words) {
            super(words);
            this.words = words;
        }

        @Override
        public String getMessage() {
            return words;
        }
    }

    /**
     * Packs a build.
     *
     * @param pictures by their names
     * @param book its files by their names
     */
    public static byte[] pack(BuildFormat.Document document, Map<String, byte[]> pictures, Map<String, byte[]> book) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put(BUILD, BuildFormat.write(document).getBytes(StandardCharsets.UTF_8));
        pictures.forEach((name, bytes) -> files.put(PICTURES + name, bytes));
        book.forEach((name, bytes) -> files.put(BOOK + name, bytes));
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Zips.write(out, files);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Unpacks what the program needs of an archive; its book is left in it.
     *
     * @throws NoArchiveException where it is none, is damaged, or is larger than any
     */
    public static Archive unpack(byte[] zip) throws NoArchiveException {
        Optional<String> build = Optional.empty();
        Map<String, byte[]> pictures = new LinkedHashMap<>();
        long left = MOST_BYTES;
        int count = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (++count > MOST_FILES) {
                    throw new NoArchiveException("there are more files in it than in any archive of a build");
                }
                String name = entry.getName();
                boolean picture = name.startsWith(PICTURES) && isPlain(name.substring(PICTURES.length()));
                if (name.equals(BUILD) || picture) {
                    byte[] bytes = read(in, left);
                    left -= bytes.length;
                    if (picture) {
                        pictures.put(name.substring(PICTURES.length()), bytes);
                    } else {
                        build = Optional.of(new String(bytes, StandardCharsets.UTF_8));
                    }
                } else {
                    left -= skipped(in, left);
                }
            }
        } catch (ZipException e) {
            throw new NoArchiveException("it is damaged (" + e.getMessage() + "). Take another copy of it");
        } catch (IOException | IllegalArgumentException e) {
            throw new NoArchiveException("it ends too soon or is damaged. Take another copy of it");
        }
        return new Archive(
                build.orElseThrow(() -> new NoArchiveException(
                        "there is no " + BUILD + " in it. Choose an archive that this program wrote")),
                pictures);
    }

    /** A name that leads nowhere else. */
    private static boolean isPlain(String name) {
        return !name.isEmpty()
                && !name.contains("/")
                && !name.contains("\\")
                && !name.contains(":")
                && !name.startsWith(".")
                && !name.toLowerCase(Locale.ROOT).equals("con");
    }

    private static byte[] read(ZipInputStream in, long most) throws IOException, NoArchiveException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        copied(in, most, bytes);
        return bytes.toByteArray();
    }

    private static long skipped(ZipInputStream in, long most) throws IOException, NoArchiveException {
        return copied(in, most, OutputStream.nullOutputStream());
    }

    private static long copied(ZipInputStream in, long most, OutputStream to) throws IOException, NoArchiveException {
        byte[] piece = new byte[PIECE];
        long all = 0;
        for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
            all += n;
            if (all > most) {
                throw new NoArchiveException("it is larger than any archive of a build");
            }
            to.write(piece, 0, n);
        }
        return all;
    }
}
