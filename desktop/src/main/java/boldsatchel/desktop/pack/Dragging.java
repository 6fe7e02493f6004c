package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.CableLines;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Snap;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Laid;
import boldsatchel.plan.Layings;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.geometry.Point2D;
import javafx.scene.input.MouseEvent;

/** What the mouse has hold of in a view: a part, the bend of a cable, or the ground, which moves the picture in its frame. */
final class Dragging {

    private final Desk desk;
    private final BiFunction<ViewPane, String, Pose> back;
    private Optional<Grab> grab = Optional.empty();
    private Optional<Point2D> panned = Optional.empty();

    /** Makes a drag of what was taken hold of. */
    private interface Move {
        Optional<Edit> to(Vec wanted, boolean freely);
    }

    /**
     * Something held by the mouse.
     *
     * @param start where it was, in its tray
     * @param from where it was taken, in the drawn frame
     * @param back from the drawn frame to that of its tray
     */
    private record Grab(Move move, Vec start, Point2D from, PackView view, Pose back) {
        Vec wanted(Point2D now) {
            Vec by = Vec.on(view.across(), now.getX() - from.getX()).plus(Vec.on(view.up(), now.getY() - from.getY()));
            return start.plus(back.direction(by));
        }
    }

    /**
     * A drag on a desk.
     *
     * @param back from the frame that a view is drawn in to that of a tray
     */
    Dragging(Desk desk, BiFunction<ViewPane, String, Pose> back) {
        this.desk = desk;
        this.back = back;
    }

    /** Takes hold of what is there, and selects it. */
    void press(ViewPane pane, MouseEvent e) {
        Point2D at = pane.drawing().toFrame(e.getX(), e.getY());
        Optional<String> subject = pane.drawing().subjectAt(e.getX(), e.getY());
        Optional<CableLines.Handle> bend = subject.flatMap(CableLines.Handle::of);
        Build build = desk.session().build();
        Optional<String> id = subject.filter(s -> bend.isEmpty()).filter(s -> isAny(build, s));
        if (bend.isEmpty()) {
            desk.session().selection().set(id.orElse(""));
        }
        boolean ground = id.isEmpty() && bend.isEmpty();
        panned = ground ? Optional.of(new Point2D(e.getScreenX(), e.getScreenY())) : Optional.empty();
        grab = pane.view().isSquare()
                ? bend.flatMap(b -> bend(pane, b, at)).or(() -> id.flatMap(i -> part(pane, i, at)))
                : Optional.empty();
    }

    private static boolean isAny(Build build, String id) {
        return build.part(id).isPresent() || build.layout().laid(id).isPresent();
    }

    private Optional<Grab> part(ViewPane pane, String part, Point2D at) {
        return desk.session()
                .build()
                .placement(part)
                .map(p -> new Grab(
                        (wanted, freely) -> move(part, wanted, freely),
                        p.at(),
                        at,
                        pane.view(),
                        back.apply(pane, p.shell())));
    }

    private Optional<Edit> move(String part, Vec wanted, boolean freely) {
        Build build = desk.session().build();
        Vec rest = freely
                ? wanted
                : Snap.near(build, desk.session().evaluation().get().of(FitResult.class), part, wanted);
        return build.part(part).map(p -> Edits.move(p, rest));
    }

    private Optional<Grab> bend(ViewPane pane, CableLines.Handle handle, Point2D at) {
        Optional<Laid> laid = desk.session().build().layout().laid(handle.what());
        return laid.filter(l -> handle.index() < l.bends().size())
                .map(l -> l.bends().get(handle.index()))
                .map(bend -> new Grab(
                        (wanted, freely) -> Optional.of(Layings.move(handle.what(), handle.index(), wanted)),
                        bend.at(),
                        at,
                        pane.view(),
                        back.apply(pane, bend.shell())));
    }

    /** Follows the mouse. */
    void drag(ViewPane pane, MouseEvent e) {
        panned.ifPresent(from -> {
            Point2D now = new Point2D(e.getScreenX(), e.getScreenY());
            pane.pan(now.subtract(from));
            panned = Optional.of(now);
        });
        grab.ifPresent(g -> {
            Vec wanted = g.wanted(pane.drawing().toFrame(e.getX(), e.getY()));
            g.move().to(wanted, e.isAltDown()).ifPresent(desk.session()::drags);
        });
    }

    /** Lets go. */
    void release() {
        grab = Optional.empty();
        panned = Optional.empty();
        desk.session().dropped();
    }
}
