package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Part;
import boldsatchel.plan.Relief;
import boldsatchel.plan.Reliefs;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** What would help, ranked, each with its price, to be tried and taken. */
final class HelpPane extends StackPane {

    private final Desk desk;
    private final VBox list = new VBox(8);
    private final Latest reckoning = Latest.only();
    private final Label waiting = Ui.label("Trying what could help …", "soft");
    private volatile Optional<Evaluation> of = Optional.empty();

    private record Found(Evaluation of, List<Relief> reliefs) {}

    HelpPane(Desk desk) {
        this.desk = desk;
        list.setId("heat-help");
        waiting.visibleProperty().bind(reckoning.pending());
        getChildren().addAll(Ui.scroll(list), waiting);
    }

    /** Works out what would help in an evaluation, once. */
    void show(Evaluation now) {
        if (of.filter(now::equals).isPresent()) {
            return;
        }
        of = Optional.of(now);
        List<Part> shelf = desk.library().parts();
        reckoning.ask(
                () -> new Found(
                        now, Reliefs.of(now, shelf, () -> of.filter(now::equals).isEmpty())),
                this::show);
    }

    private void show(Found found) {
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(5);
        ColumnConstraints right = new ColumnConstraints();
        right.setHalignment(HPos.RIGHT);
        right.setMinWidth(USE_PREF_SIZE);
        ColumnConstraints wide = new ColumnConstraints();
        wide.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(right, right, wide);
        if (!found.reliefs().isEmpty()) {
            grid.addRow(
                    0,
                    Ui.label("helps by", "soft"),
                    Ui.label("then left", "soft"),
                    Ui.label("what is done, and its price", "soft"));
        }
        for (int i = 0; i < found.reliefs().size(); i++) {
            Relief relief = found.reliefs().get(i);
            VBox words = new VBox(Ui.words(relief.words()));
            if (!relief.price().isEmpty()) {
                words.getChildren().add(Ui.words(String.join(" · ", relief.price()), "soft"));
            }
            grid.addRow(
                    i + 1,
                    Ui.label(Units.format(relief.gainK(), 0, "K"), "step-result"),
                    Ui.label(Units.format(relief.marginK(), 0, "K")),
                    words,
                    Ui.button(
                            "try-help-" + i,
                            "Try",
                            "See what it does to every verdict before it is taken",
                            () -> tried(found, relief.edit())));
        }
        list.getChildren().setAll(grid);
        if (found.reliefs().isEmpty()) {
            list.getChildren().setAll(Ui.words("Nothing that is known here keeps it cooler.", "soft"));
        }
    }

    private void tried(Found found, Edit edit) {
        list.getChildren()
                .setAll(new TrialBox(
                        found.of(),
                        edit,
                        () -> {
                            of = Optional.empty();
                            desk.session().does(edit);
                        },
                        () -> show(found)));
    }
}
