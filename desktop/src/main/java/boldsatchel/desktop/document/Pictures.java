package boldsatchel.desktop.document;

import boldsatchel.desktop.document.BuildStore.StoreException;
import boldsatchel.machine.Journal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reference pictures: files in a folder beside the build file and named like it, so that the build file stays small and can be read. */
public final class Pictures {

    /** What a picture's name may end in. */
    public static final List<String> ENDINGS = List.of(".png", ".jpg", ".jpeg", ".gif", ".bmp");

    private static final String FOLDER = ".pictures";
    private static final long MEGA = 1L << 20;
    private static final long MOST_BYTES = 50 * MEGA;

    private Pictures() {}

    /** The folder of a build file; it may not exist yet. */
    public static Path folder(Path buildFile) {
        String name = buildFile.getFileName().toString();
        String stem =
                name.endsWith(BuildStore.ENDING) ? name.substring(0, name.length() - BuildStore.ENDING.length()) : name;
        return buildFile.resolveSibling(stem + FOLDER);
    }

    /** Where a picture lies; nothing when its name leads out of the folder, or there is no such file. */
    public static Optional<Path> file(Path buildFile, Journal.Picture picture) {
        Path folder = folder(buildFile);
        Path file = folder.resolve(picture.file()).normalize();
        return folder.equals(file.getParent()) && Files.isRegularFile(file) ? Optional.of(file) : Optional.empty();
    }

    /**
     * Copies a picture into the folder of a build file; one of the same name that is there stays, and the new one gets a number.
     *
     * @return the name it has there
     * @throws StoreException when it is no picture, is too large, or cannot be copied
     */
    public static String add(Path buildFile, Path picture) throws StoreException {
        String name = picture.getFileName().toString();
        int dot = Math.max(0, name.lastIndexOf('.'));
        if (!ENDINGS.contains(name.substring(dot).toLowerCase(Locale.ROOT))) {
            throw new StoreException(
                    picture + ": this is no picture. Choose a file ending in " + String.join(", ", ENDINGS) + ".");
        }
        try {
            if (Files.size(picture) > MOST_BYTES) {
                throw new StoreException(
                        picture + ": larger than " + MOST_BYTES / MEGA + " MB. Make it smaller first.");
            }
            Path folder = Files.createDirectories(folder(buildFile));
            Path to = folder.resolve(name);
            for (int n = 2; Files.exists(to); n++) {
                to = folder.resolve(name.substring(0, dot) + "-" + n + name.substring(dot));
            }
            Files.copy(picture, to);
            return to.getFileName().toString();
        } catch (IOException e) {
            throw new StoreException(picture + ": cannot be copied (" + e.getMessage() + ").", e);
        }
    }

    /**
     * Takes the pictures along when a build is saved elsewhere; what is there already stays.
     *
     * @throws StoreException when one cannot be copied
     */
    public static void carry(Path from, Path to, List<Journal.Picture> pictures) throws StoreException {
        for (Journal.Picture picture : pictures) {
            Optional<Path> file = file(from, picture);
            Path there = folder(to).resolve(picture.file());
            if (file.isPresent() && !Files.exists(there)) {
                try {
                    Files.createDirectories(there.getParent());
                    Files.copy(file.get(), there);
                } catch (IOException e) {
                    throw new StoreException(
                            file.get() + ": cannot be copied to " + there.getParent() + " (" + e.getMessage() + ").",
                            e);
                }
            }
        }
    }
}
