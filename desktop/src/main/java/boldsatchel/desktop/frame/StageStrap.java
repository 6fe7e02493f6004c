package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.verdict.State;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/** The stages as a strap with a buckle for each: closed when the stage stands fine, with its state beside its name. */
final class StageStrap extends VBox {

    private static final String BUCKLE_OPEN = "M2 0 H22 V16 H2 Z M5 3 V13 H19 V3 Z M11 6 H13 V1 H11 Z";
    private static final String BUCKLE_CLOSED =
            "M2 0 H22 V16 H2 Z M5 3 V13 H19 V3 Z M11 7 H13 V16 H11 Z M0 6 H5 V10 H0 Z M19 6 H24 V10 H19 Z";

    /** Under this key a button keeps the state it shows. */
    private static final String STATE = "state";

    private final ToggleGroup group = new ToggleGroup();

    StageStrap(Desk desk, List<WorkStage> stages, Consumer<WorkStage> open) {
        getStyleClass().add("strap");
        for (int i = 0; i < stages.size(); i++) {
            WorkStage stage = stages.get(i);
            ToggleButton button = new ToggleButton();
            button.setId("stage-" + stage.title().toLowerCase(java.util.Locale.ROOT));
            button.setToggleGroup(group);
            button.getStyleClass().add("strap-button");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setAccessibleText(stage.title() + ", " + stage.purpose());
            int key = key(i);
            desk.session().evaluation().subscribe(e -> {
                State state = stage.standing(e);
                if (!state.equals(button.getProperties().put(STATE, state))) {
                    button.setGraphic(graphic(stage, key, state));
                }
            });
            button.setOnAction(e -> open.accept(stage));
            button.setUserData(stage);
            getChildren().add(button);
        }
    }

    /** The digit that opens a stage: 1 for the first, 0 for the tenth. */
    static int key(int place) {
        return (place + 1) % 10;
    }

    /** Marks the stage that is open; none while there is something else in its place. */
    void select(Optional<WorkStage> stage) {
        group.selectToggle(group.getToggles().stream()
                .filter(t -> stage.filter(s -> s.equals(t.getUserData())).isPresent())
                .findFirst()
                .orElse(null));
    }

    private static HBox graphic(WorkStage stage, int key, State state) {
        SVGPath buckle = new SVGPath();
        buckle.setContent(state == State.FINE ? BUCKLE_CLOSED : BUCKLE_OPEN);
        buckle.setFillRule(javafx.scene.shape.FillRule.EVEN_ODD);
        buckle.getStyleClass().add("buckle");
        StackPane plate = new StackPane(buckle);
        plate.setMinWidth(28);
        VBox words = new VBox(Ui.label(stage.title(), "strap-title"));
        HBox standing = new HBox(4, StateMark.of(state, 9), Ui.label(state.words(), "strap-state"));
        standing.setAlignment(Pos.CENTER_LEFT);
        words.getChildren().add(standing);
        HBox box = new HBox(8, plate, words, Ui.spring(), Ui.label("Alt " + key, "strap-key"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }
}
