package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.machine.Build;
import boldsatchel.plan.Suggestion;
import boldsatchel.plan.Supplies;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A chain worked out for the loads, with the reason for every rung, before it is taken. */
final class SuggestPane extends VBox {
    private final Latest working = Latest.only();

    SuggestPane(Desk desk, Runnable back) {
        super(10);
        setId("suggest-pane");
        getChildren().add(Ui.label("A chain for the loads you have", "panel-title"));
        Label waiting = Ui.words("Working out a chain …", "soft");
        getChildren().add(waiting);
        Build build = desk.session().shown();
        working.ask(() -> Supplies.suggest(build), found -> {
            getChildren().remove(waiting);
            found.ifPresentOrElse(s -> show(desk, s, back), () -> nothing(back));
        });
    }

    private void nothing(Runnable back) {
        getChildren()
                .addAll(
                        Ui.words("Nothing in the build draws power yet. Add a board or a screen on the Shelf first."),
                        Ui.button("suggest-back", "Back to the chain", "Leave everything as it is", back));
    }

    private void show(Desk desk, Suggestion suggestion, Runnable back) {
        VBox reasons = new VBox(7);
        suggestion.reasons().forEach(r -> reasons.getChildren().add(Ui.words("· " + r)));
        reasons.getChildren()
                .add(Ui.words(
                        "It takes the place of the chain as it stands, converters and chargers included. What it adds stays on the"
                                + " table until it is packed.",
                        "soft"));
        var scroll = Ui.scroll(reasons);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        TrialBox trial = new TrialBox(
                desk.session().evaluation().get(),
                suggestion.edit(),
                () -> {
                    desk.session().does(suggestion.edit());
                    back.run();
                },
                back);
        trial.setMinWidth(270);
        trial.setMaxWidth(270);
        trial.setMaxHeight(USE_PREF_SIZE);
        HBox sides = new HBox(16, scroll, trial);
        VBox.setVgrow(sides, Priority.ALWAYS);
        getChildren().add(sides);
    }
}
