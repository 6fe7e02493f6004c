package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.edit.Edit;
import boldsatchel.heat.Sustained;
import boldsatchel.plan.Sealing;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The machine sealed and open, side by side. */
final class SealingPane extends StackPane {

    private final Desk desk;
    private final VBox box = new VBox(8);
    private final Latest reckoning = Latest.only();
    private Optional<Evaluation> of = Optional.empty();

    private record Found(Evaluation of, Optional<Sealing> sealing) {}

    SealingPane(Desk desk) {
        this.desk = desk;
        box.setId("heat-sealing");
        getChildren().add(Ui.scroll(box));
    }

    /** Works both sides of an evaluation out, once. */
    void show(Evaluation now) {
        if (of.filter(now::equals).isEmpty()) {
            of = Optional.of(now);
            reckoning.ask(() -> new Found(now, Sealing.of(now)), this::show);
        }
    }

    private void show(Found found) {
        box.getChildren().setAll(Ui.words("There is no tray that could be sealed yet.", "soft"));
        found.sealing().ifPresent(s -> {
            GridPane grid = new GridPane();
            grid.setHgap(16);
            grid.setVgap(8);
            grid.addRow(
                    0,
                    Ui.label("", "soft"),
                    Ui.label("left to the first limit", "soft"),
                    Ui.label("can go on for ever", "soft"),
                    Ui.label("how", "soft"));
            side(grid, found, "Sealed", s.sealed());
            side(grid, found, "Open", s.open());
            box.getChildren().setAll(grid);
            s.givenUpW()
                    .map(SealingPane::given)
                    .ifPresent(w -> box.getChildren().add(Ui.words(w)));
            box.getChildren()
                    .add(Ui.words(
                            "Vents let rain, dust and salt in. Against splashes a grille under a roof helps; what is to be dipped has to be sealed.",
                            "soft"));
        });
    }

    private static String given(double watts) {
        return watts > 0.05
                ? "Keeping water out gives up " + Units.format(watts, 1, "W") + " that could go on for ever."
                : "Sealing it gives up nothing.";
    }

    private void side(GridPane grid, Found found, String name, Sealing.Side side) {
        int row = grid.getRowCount();
        grid.addRow(
                row,
                Ui.label(name, "step-what"),
                Ui.label(Units.format(side.marginK(), 0, "K")),
                Ui.label(side.sustained()
                        .map(Sustained::watts)
                        .map(w -> Units.format(w, 1, "W"))
                        .orElse("not known without a source")),
                Ui.words(side.words(), "soft"));
        side.edit()
                .ifPresent(e -> grid.add(
                        Ui.button(
                                "try-" + name.toLowerCase(Locale.ROOT),
                                "Try",
                                "See what it does to every verdict before it is taken",
                                () -> tried(found, e)),
                        4,
                        row));
    }

    private void tried(Found found, Edit edit) {
        box.getChildren()
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
