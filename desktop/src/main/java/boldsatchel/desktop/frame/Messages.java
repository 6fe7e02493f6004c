package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.Ui;
import javafx.animation.PauseTransition;
import javafx.concurrent.Task;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** A band under the top bar: what happened, what went wrong, what is to be decided. Nothing blocks the window. */
final class Messages extends VBox {

    private static final Duration READ = Duration.seconds(6);

    private final PauseTransition gone = new PauseTransition(READ);

    Messages() {
        setId("messages");
        getStyleClass().add("messages");
        clear();
        gone.setOnFinished(e -> clear());
    }

    private void clear() {
        gone.stop();
        getChildren().clear();
        setVisible(false);
        setManaged(false);
    }

    private void put(javafx.scene.Node... nodes) {
        gone.stop();
        HBox row = new HBox(12, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().setAll(row);
        setVisible(true);
        setManaged(true);
    }

    private static Label text(String id, String words, String... styles) {
        Label label = Ui.words(words, styles);
        label.setId(id);
        HBox.setHgrow(label, javafx.scene.layout.Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        return label;
    }

    /** Says something that needs no answer. */
    void tell(String words) {
        put(text("message-text", words));
        gone.playFromStart();
    }

    /** Says what went wrong; stays until it is dismissed. */
    void complain(String title, String words) {
        put(
                new VBox(2, Ui.label(title, "message-title"), text("message-text", words)),
                Ui.spring(),
                Ui.button("message-close", "Understood", "Dismiss this message", this::clear));
    }

    /** Asks for a decision. */
    void ask(String words, String yes, Runnable onYes, String no, Runnable onNo) {
        put(text("message-text", words), decision("message-yes", yes, onYes), decision("message-no", no, onNo));
    }

    private Button decision(String id, String words, Runnable action) {
        return Ui.button(id, words, words, () -> {
            clear();
            action.run();
        });
    }

    /** Shows long work with a way to cancel it. */
    void working(Task<?> task) {
        ProgressBar bar = new ProgressBar();
        bar.progressProperty().bind(task.progressProperty());
        Label words = text("message-text", "");
        words.textProperty().bind(task.messageProperty());
        put(bar, words, Ui.button("message-cancel", "Cancel", "Stop writing", task::cancel));
        task.setOnCancelled(e -> tell("Cancelled."));
    }
}
