package boldsatchel.desktop.bench;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.instruments.Recording;
import boldsatchel.log.Log;
import boldsatchel.machine.Facet;
import boldsatchel.power.CellCurve;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** An electronic load that discharges a pack while its volts and amps are watched. */
final class LoadBox extends VBox {

    private static final double C_RATE = 0.25;
    private static final double REST_EVERY_S = 1800;
    private static final double REST_S = 30;
    private static final Duration PAUSE = Duration.ofSeconds(2);
    private static final Duration CALL_AGAIN = Duration.ofSeconds(1);
    private static final double LOOK_MS = 400;

    private final LogPane logPane;
    private final Supplier<Optional<Discharge>> chosen;
    private final Runnable changed;
    private final TextField address = new TextField();
    private final Button run = Ui.button(
            "run-load",
            "Run",
            "Discharge the pack to its cut-off, with half a minute of rest every half hour",
            this::run);
    private final Label words = Ui.words("", "soft");
    private final Timeline look = new Timeline(new KeyFrame(javafx.util.Duration.millis(LOOK_MS), e -> look()));
    private Optional<Running> running = Optional.empty();
    private boolean allowed;

    /** A run, and what it is the discharge of. */
    private record Running(Discharge what, Recording recording) {}

    /**
     * A box.
     *
     * @param chosen what a run would discharge
     * @param changed told when a run begins or ends
     */
    LoadBox(LogPane logPane, Supplier<Optional<Discharge>> chosen, Runnable changed) {
        super(3);
        this.logPane = logPane;
        this.chosen = chosen;
        this.changed = changed;
        address.setId("load-address");
        address.setPromptText("127.0.0.1:5025");
        address.setPrefColumnCount(14);
        address.textProperty().subscribe(t -> showWhatNext());
        words.setId("load-words");
        look.setCycleCount(Animation.INDEFINITE);
        Label name = Ui.label("Load at");
        name.setLabelFor(address);
        HBox row = new HBox(8, name, address, run);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(row, words);
        showWhatNext();
    }

    /** Whether all that has to be looked at before has been. */
    void mayRun(boolean may) {
        allowed = may;
        showWhatNext();
    }

    /** What is being discharged, if something is. */
    Optional<Discharge> discharging() {
        return running.map(Running::what);
    }

    private void showWhatNext() {
        run.setText(running.isPresent() ? "Stop" : "Run");
        run.setDisable(running.isEmpty() && (!allowed || address.getText().isBlank()));
        address.setDisable(running.isPresent());
        words.setManaged(!words.getText().isEmpty());
    }

    private void run() {
        if (running.isPresent()) {
            running.get().recording().close();
            return;
        }
        chosen.get().ifPresent(d -> {
            Facet.Cells c = d.cells();
            running = Optional.of(new Running(
                    d,
                    Recording.start(new Recording.Plan(
                            address.getText(),
                            d.part().id(),
                            C_RATE * c.capacityAh().value() * c.parallel(),
                            c.cutoffV() * c.series(),
                            CellCurve.restVolts(c.chemistry(), 1) * c.series(),
                            REST_EVERY_S,
                            REST_S,
                            PAUSE,
                            CALL_AGAIN))));
            changed.run();
            look.play();
            look();
        });
    }

    private void look() {
        running.ifPresent(r -> {
            boolean goesOn = r.recording().isRunning();
            Log log = r.recording().log();
            words.setText(r.what().part().name() + ": " + r.recording().words());
            if (goesOn) {
                logPane.follow(log, r.what());
            } else {
                look.stop();
                running = Optional.empty();
                changed.run();
                if (log.size() > 0) {
                    logPane.take(log, r.what());
                }
            }
        });
        showWhatNext();
    }

    /** The window goes: the load is switched off first. */
    void end() {
        look.stop();
        running.ifPresent(r -> r.recording().closeNow());
    }
}
