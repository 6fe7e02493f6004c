package boldsatchel.desktop;

import java.util.function.Consumer;
import javafx.application.Application;
import javafx.stage.Stage;
import org.slf4j.LoggerFactory;

/** The JavaFX entry; the command line says what it is to do once the toolkit runs. */
public final class Launcher extends Application {

    private static final int FAILED = 3;

    private static Consumer<Stage> then = stage -> {};
    private static boolean pictures;

    /** Called by JavaFX. */
    public Launcher() {}

    /** Starts the toolkit, and with it a job; returns when the window is closed. */
    static void launch(Consumer<Stage> job) {
        then = job;
        Application.launch(Launcher.class);
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
