package boldsatchel.book;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Packs files into one. */
final class Zips {

    /** Nothing of the time at which it was packed is in it, so that the same files give the same bytes; 1 January 1980 is the first day there is. */
    private static final java.time.LocalDateTime NO_DAY = java.time.LocalDateTime.of(1980, 1, 1, 0, 0);

    private Zips() {}

    static void write(OutputStream to, Map<String, byte[]> files) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                ZipEntry entry = new ZipEntry(file.getKey());
                entry.setTimeLocal(NO_DAY);
                zip.putNextEntry(entry);
                zip.write(file.getValue());
                zip.closeEntry();
            }
        }
    }
}
