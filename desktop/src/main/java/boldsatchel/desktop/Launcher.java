package boldsatchel.desktop;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.slf4j.LoggerFactory;

/** The JavaFX entry; the command line says what it is to do once the toolkit runs. */
public final class Launcher extends Application {

    private static final int FAILED = 3;

    private static Consumer<Stage> then = stage -> {};
    private static Optional<String> problem = Optional.empty();
    private static boolean pictures;

    /** Called by JavaFX. */
    public Launcher() {}

    /**
     * Starts the toolkit, and with it a job; returns when the window is closed.
     *
     * @return why it ended, when that was a problem
     */
    static Optional<String> launch(Consumer<Stage> job) {
        then = job;
        try {
            Application.launch(Launcher.class);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(Launcher.class).error("the window cannot be opened", e);
            return Optional.of(
                    "No window can be opened: " + reason(e)
                            + ". The commands check and export need none; ./satchel starts a virtual display where there is none.");
        }
        return problem;
    }

    private static String reason(Throwable e) {
        Throwable deepest = e;
        while (deepest.getCause() != null && !deepest.getCause().equals(deepest)) {
            deepest = deepest.getCause();
        }
        return String.valueOf(deepest.getMessage());
    }

    /** Closes the window and ends the program with a problem to be told. */
    static void endsWith(String words) {
        problem = Optional.of(words);
        Platform.exit();
    }

    @Override
    public void start(Stage stage) {
        Thread.currentThread().setUncaughtExceptionHandler(Launcher::failed);
        then.accept(stage);
    }

    /** A defect of the program must not end it: it is written down, and unsaved work has its recovery copy. */
    private static void failed(Thread thread, Throwable problem) {
        LoggerFactory.getLogger(Launcher.class).error("unexpected", problem);
        if (pictures) {
            System.exit(FAILED);
        }
    }

    /** From here on nobody watches the window: a defect ends the program. */
    static void takesPictures() {
        pictures = true;
    }
}
