package boldsatchel.desktop;

import java.util.function.Consumer;
import javafx.application.Application;
import javafx.stage.Stage;

/** The JavaFX entry; the command line says what it is to do once the toolkit runs. */
public final class Launcher extends Application {

    private static Consumer<Stage> then = stage -> {};

    /** Called by JavaFX. */
    public Launcher() {}

    /** Starts the toolkit, and with it a job; returns when the window is closed. */
    static void launch(Consumer<Stage> job) {
        then = job;
        Application.launch(Launcher.class);
    }

    @Override
    public void start(Stage stage) {
        then.accept(stage);
    }
}
