package boldsatchel.desktop.assemble;

import boldsatchel.assembly.Plan;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.StepDrawing;
import boldsatchel.verdict.Evaluation;
import java.util.Optional;
import javafx.scene.layout.StackPane;

/** What the case looks like after a step, from a side that can be chosen. Drawn beside the window. */
final class StepPicture extends StackPane {

    private final Desk desk;
    private final ViewPane view;
    private final boolean named;
    private final Latest drawing = Latest.following();
    private Optional<Shown> shown = Optional.empty();

    private record Shown(Evaluation evaluation, Plan plan, int index) {}

    /**
     * A picture of nothing yet.
     *
     * @param id of the choice of sides
     * @param named whether it says what is what, and how large
     */
    StepPicture(Desk desk, String id, boolean named) {
        this.desk = desk;
        this.named = named;
        view = new ViewPane(Ui.choice(id, PackView::words), PackView.PLAN, this::draw);
        getChildren().setAll(view);
    }

    /**
     * Shows the case after a step.
     *
     * @param index of the step in the plan
     */
    void show(Evaluation evaluation, Plan plan, int index) {
        shown = Optional.of(new Shown(evaluation, plan, index));
        draw();
    }

    private void draw() {
        PackView as = view.view();
        Room room = view.room();
        shown.ifPresent(s -> drawing.ask(
                () -> named
                        ? StepDrawing.of(s.evaluation(), s.plan(), s.index(), as, room)
                        : StepDrawing.bare(s.evaluation(), s.plan(), s.index(), as),
                found -> found.ifPresent(d -> view.show(d, desk.dark().get()))));
    }
}
