package boldsatchel.desktop.power;

import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.TrialBox;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.plan.Suggestion;
import boldsatchel.plan.Supplies;
import java.util.Optional;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A chain worked out for the loads, with the reason for every rung, before it is taken. */
final class SuggestPane extends VBox {

    SuggestPane(Desk desk, Runnable back) {
        super(10);
        setId("suggest-pane");
        getChildren().add(Ui.label("A chain for the loads you have", "panel-title"));
        Optional<Suggestion> suggestion = Supplies.suggest(desk.session().build());
        if (suggestion.isEmpty()) {
            getChildren()
                    .addAll(
                            Ui.words(
                                    "Nothing in the build draws power yet. Add a board or a screen on the Shelf first."),
                            Ui.button("suggest-back", "Back to the chain", "Leave everything as it is", back));
            return;
        }
        VBox reasons = new VBox(7);
        suggestion.get().reasons().forEach(r -> reasons.getChildren().add(Ui.words("· " + r)));
        reasons.getChildren()
                .add(Ui.words(
                        "It takes the place of the chain as it stands, converters and chargers included. What it adds stays on the"
                                + " table until it is packed.",
                        "soft"));
        var scroll = Ui.scroll(reasons);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        TrialBox trial = new TrialBox(
                desk.session().evaluation().get(),
                suggestion.get().edit(),
                () -> {
                    desk.session().does(suggestion.get().edit());
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
