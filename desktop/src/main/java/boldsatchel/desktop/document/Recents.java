package boldsatchel.desktop.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The build files that were opened or saved last, newest first. Losing this list loses nobody's work: what cannot be read is none. */
public final class Recents {

    private static final Logger LOG = LoggerFactory.getLogger(Recents.class);
    private static final int MOST = 8;

    private Recents() {}

    private static Path list() {
        return AppFolders.state().resolve("recent.txt");
    }

    /** Those that are still there. */
    public static List<Path> all() {
        List<Path> found = new ArrayList<>();
        try {
            for (String line : Files.readAllLines(list(), StandardCharsets.UTF_8)) {
                Path file = Path.of(line);
                if (Files.isRegularFile(file)) {
                    found.add(file);
                }
            }
        } catch (IOException | InvalidPathException e) {
            LOG.debug("no recent builds: {}", e.getMessage());
        }
        return List.copyOf(found);
    }

    /** Puts a file first. */
    public static void remember(Path file) {
        Path whole = file.toAbsolutePath().normalize();
        List<Path> files = new ArrayList<>(all());
        files.remove(whole);
        files.addFirst(whole);
        String text =
                String.join("\n", files.stream().limit(MOST).map(Path::toString).toList()) + "\n";
        try {
            Files.createDirectories(list().getParent());
            BuildStore.replace(list(), text.getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            LOG.info("recent builds cannot be kept: {}", e.getMessage());
        }
    }
}
