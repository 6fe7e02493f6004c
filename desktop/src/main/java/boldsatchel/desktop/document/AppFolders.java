package boldsatchel.desktop.document;

import dev.dirs.ProjectDirectories;
import java.nio.file.Path;

/** Where the program keeps what is its own: the log and the recovery copy. */
public final class AppFolders {

    /** System property that puts the folder elsewhere, for tests. */
    public static final String STATE_PROPERTY = "boldsatchel.state";

    private AppFolders() {}

    /** The state folder; it may not exist yet. */
    public static Path state() {
        String elsewhere = System.getProperty(STATE_PROPERTY);
        return elsewhere != null
                ? Path.of(elsewhere)
                : Path.of(ProjectDirectories.from("", "", "bold-satchel").dataLocalDir);
    }
}
