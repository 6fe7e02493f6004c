package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.CoreSample;
import boldsatchel.drawing.Drawing;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Stack;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.verdict.Evaluation;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Point2D;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/** The stack under a point of the plan; its layers are drawn up and down. */
final class CorePane extends Region {

    private final Desk desk;
    private final Function<String, Pose> back;
    private final DrawingView sample = new DrawingView().atMost(6);
    private Point2D probe = new Point2D(60, 60);
    private double scale = 1;
    private Optional<Grab> grab = Optional.empty();

    /**
     * A layer that is held by the mouse.
     *
     * @param start where its part was
     * @param fromY where it was taken, pixels
     * @param mm of a pixel, as it was drawn when it was taken
     * @param up in the frame of its tray
     */
    private record Grab(String part, Vec start, double fromY, double mm, Vec up) {}

    /**
     * A sample and its scale.
     *
     * @param drawing of it
     * @param scale of its layers
     */
    record Core(Drawing drawing, double scale) {
        static Core of(Evaluation evaluation, String shell, Posture posture, Point2D at) {
            Build build = evaluation.build();
            Stack stack = Stack.at(build, evaluation.of(FitResult.class), shell, posture, at.getX(), at.getY());
            return new Core(CoreSample.of(build, stack, at.getX(), at.getY()), CoreSample.scale(stack));
        }
    }

    /**
     * A pane on a desk.
     *
     * @param back from the frame of the tray on show to that of another
     */
    CorePane(Desk desk, Function<String, Pose> back) {
        this.desk = desk;
        this.back = back;
        sample.setId("sample");
        setPrefWidth(210);
        setMinWidth(210);
        getChildren().add(sample);
        sample.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
        sample.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        sample.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            grab = Optional.empty();
            desk.session().dropped();
        });
    }

    /** Where it is drilled, in the tray on show. */
    Point2D probe() {
        return probe;
    }

    /** Drills elsewhere. */
    void drill(Point2D at) {
        probe = at;
    }

    void show(Core core, boolean dark) {
        sample.show(core.drawing(), dark);
        scale = core.scale();
    }

    private void press(MouseEvent e) {
        Optional<String> subject = sample.subjectAt(e.getX(), e.getY());
        subject.ifPresent(desk.session().selection()::set);
        grab = subject.flatMap(id -> desk.session()
                .build()
                .placement(id)
                .map(p -> new Grab(
                        id,
                        p.at(),
                        e.getY(),
                        1 / (sample.scale() * scale),
                        back.apply(p.shell()).direction(Vec.on(2, 1)))));
    }

    private void drag(MouseEvent e) {
        grab.ifPresent(g -> {
            double mm = (g.fromY() - e.getY()) * g.mm();
            desk.session()
                    .build()
                    .part(g.part())
                    .ifPresent(p -> desk.session().drags(Edits.move(p, g.start().plus(g.up().times(mm)))));
        });
    }

    @Override
    protected void layoutChildren() {
        sample.resizeRelocate(0, 0, getWidth(), getHeight());
    }
}
