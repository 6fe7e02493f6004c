package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.edit.Edit;
import boldsatchel.heat.Sustained;
import boldsatchel.machine.Part;
import boldsatchel.plan.Relief;
import boldsatchel.plan.Reliefs;
import boldsatchel.plan.Sealing;
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

/** What would help, ranked, each with its price, to be tried and taken; and the machine sealed and open, side by side. */
final class HelpPane extends StackPane {

    private final Desk desk;
    private final VBox list = new VBox(8);
    private final Latest reckoning = Latest.only();
    private final Label waiting = Ui.label("Trying what could help …", "soft");
    private Optional<Evaluation> of = Optional.empty();

    private record Found(Evaluation of, List<Relief> reliefs, Optional<Sealing> sealing) {}

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
                        now, Reliefs.of(now, shelf, () -> of.filter(now::equals).isEmpty()), Sealing.of(now)),
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
        found.sealing().ifPresent(s -> list.getChildren().add(sealing(found, s)));
    }

    private VBox sealing(Found found, Sealing sealing) {
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(4);
        side(grid, found, "Sealed", sealing.sealed());
        side(grid, found, "Open", sealing.open());
        VBox box = new VBox(4, Ui.label("Sealed or open", "field-name"), grid);
        box.setId("heat-sealing");
        sealing.givenUpW()
                .map(w -> w > 0.05
                        ? "Keeping water out gives up " + Units.format(w, 1, "W") + " that could go on for ever."
                        : "Sealing it gives up nothing.")
                .ifPresent(words -> box.getChildren().add(Ui.words(words)));
        return box;
    }

    private void side(GridPane grid, Found found, String name, Sealing.Side side) {
        int row = grid.getRowCount();
        grid.addRow(
                row,
                Ui.label(name),
                Ui.label(Units.format(side.marginK(), 0, "K") + " left"),
                Ui.label(side.sustained()
                        .map(Sustained::watts)
                        .map(w -> Units.format(w, 1, "W") + " for ever")
                        .orElse("")),
                Ui.words(side.words(), "soft"));
        side.edit()
                .ifPresent(e -> grid.add(
                        Ui.button(
                                "try-" + name.toLowerCase(java.util.Locale.ROOT),
                                "Try",
                                "See what it does to every verdict before it is taken",
                                () -> tried(found, e)),
                        4,
                        row));
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
