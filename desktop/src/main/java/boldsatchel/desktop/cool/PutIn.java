package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.FinEdits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Reliefs;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;

/** What can be put in against heat: pulled from here onto the picture, where all verdicts show what it does before it is let go of. */
final class PutIn extends HBox {

    private final Desk desk;
    private final ViewPane view;
    private final Supplier<Optional<Shell>> tray;
    private final Function<Shell, Pose> pose;
    private final ComboBox<Part> fans = Ui.choice("fan-kind", Part::name);
    private final ComboBox<Double> pipes = Ui.choice("pipe-kind", mm -> Units.format(mm, 0, "mm"));
    /** The build and what was found of it, before something was pulled. */
    private Optional<Evaluation> before = Optional.empty();

    private boolean puts;

    /** Makes an edit of a place on the picture; nothing where it cannot be put there. */
    private interface Tool {
        Optional<Edit> at(Evaluation base, Shell tray, Vec at, Optional<String> subject);
    }

    /**
     * Tools for a picture.
     *
     * @param tray that is shown
     * @param pose in which it is shown
     */
    PutIn(Desk desk, ViewPane view, Supplier<Optional<Shell>> tray, Function<Shell, Pose> pose) {
        super(6);
        this.desk = desk;
        this.view = view;
        this.tray = tray;
        this.pose = pose;
        setAlignment(Pos.CENTER_LEFT);
        fans.setPrefWidth(100);
        fans.setTooltip(new Tooltip("The fan that is put in"));
        pipes.setPrefWidth(82);
        pipes.setTooltip(new Tooltip("Diameter of the pipe, before it is pressed flat"));
        pipes.getItems().setAll(CoolEdits.PIPES_MM);
        pipes.setValue(CoolEdits.PIPE_MM);
        getChildren()
                .addAll(
                        Ui.label("Pull in:", "field-name"),
                        tool("put-vent", "Vent", "onto a wall", this::vent),
                        tool("put-fan", "Fan", "to a wall", this::fan),
                        fans,
                        tool("put-pad", "Pad", "onto a part: to the wall that is nearest", this::pad),
                        tool(
                                "put-sheet",
                                "Sheet",
                                "onto a part: aluminium along the wall that is nearest",
                                this::sheet),
                        tool(
                                "put-pipe",
                                "Pipe",
                                "onto a wall or onto fins: a heat pipe from the selected part, or the hottest",
                                this::pipe),
                        pipes);
    }

    /** Offers the fans of the shelf. */
    void fill() {
        if (fans.getItems().isEmpty()) {
            fans.getItems()
                    .setAll(desk.library().parts().stream()
                            .filter(Reliefs::isFan)
                            .toList());
            fans.getSelectionModel().selectFirst();
        }
    }

    private Label tool(String id, String words, String where, Tool tool) {
        Label label = Ui.label(words, "tool");
        label.setId(id);
        label.setMinWidth(USE_PREF_SIZE);
        label.setCursor(Cursor.OPEN_HAND);
        label.setTooltip(new Tooltip("Pull it " + where));
        label.setOnMousePressed(e ->
                before = Optional.of(desk.session().evaluation().get())
                        .filter(b -> b.build().equals(desk.session().build())));
        label.setOnMouseDragged(e -> pulled(tool, e));
        label.setOnMouseReleased(e -> letGo());
        return label;
    }

    private void pulled(Tool tool, MouseEvent e) {
        DrawingView drawing = view.drawing();
        Point2D local = drawing.sceneToLocal(e.getSceneX(), e.getSceneY());
        boolean over = drawing.contains(local) && view.view().isSquare();
        Optional<Edit> edit = over
                ? before.flatMap(b -> tray.get()
                        .flatMap(t -> b.build().shell(t.id()))
                        .flatMap(t -> tool.at(b, t, inTray(t, local), drawing.subjectAt(local.getX(), local.getY()))))
                : Optional.empty();
        puts = edit.isPresent();
        if (edit.isPresent()) {
            Build base = before.orElseThrow().build();
            desk.session()
                    .drags(new Edit(edit.get().name(), b -> edit.get().change().apply(base)));
        } else {
            desk.session().givesUp();
        }
    }

    private void letGo() {
        if (puts) {
            desk.session().dropped();
        } else {
            desk.session().givesUp();
        }
        puts = false;
        before = Optional.empty();
    }

    /** A point of the picture in the frame of the tray, half way through it where the picture does not say. */
    private Vec inTray(Shell shell, Point2D local) {
        Point2D at = view.drawing().toFrame(local.getX(), local.getY());
        Vec middle = pose.apply(shell).apply(shell.cavity().centre());
        int across = view.view().across();
        int up = view.view().up();
        double[] xyz = {middle.x(), middle.y(), middle.z()};
        xyz[across] = at.getX();
        xyz[up] = at.getY();
        return pose.apply(shell).back().apply(new Vec(xyz[0], xyz[1], xyz[2]));
    }

    /** The wall next to a point, of those that the picture shows from the side. */
    private Face wall(Shell shell, Vec at) {
        Box inside = shell.cavity();
        return Face.ALL.stream()
                .filter(f -> f.axis() == view.view().across()
                        || f.axis() == view.view().up())
                .min(Comparator.comparingDouble(f -> f.sign() * (inside.end(f) - at.along(f.axis()))))
                .orElse(Face.BACK);
    }

    private Optional<Edit> vent(Evaluation base, Shell shell, Vec at, Optional<String> subject) {
        Vec there = view.view() == PackView.PLAN ? new Vec(at.x(), at.y(), CoolEdits.nextHeightMm(shell)) : at;
        return Optional.of(CoolEdits.vent(shell, CoolEdits.slotsAt(shell, wall(shell, at), there)));
    }

    /** Standing before its wall, or where the tray is too low for that, lying. */
    private Optional<Edit> fan(Evaluation base, Shell shell, Vec at, Optional<String> subject) {
        Face wall = wall(shell, at);
        Part fan = fans.getValue();
        if (fan == null || wall.axis() == Face.TOP.axis()) {
            return Optional.empty();
        }
        double middle = at.along(1 - wall.axis());
        return CoolEdits.ways(fan, wall).stream()
                .flatMap(way -> CoolEdits.fanAt(shell, fan, wall, way, middle).stream())
                .findFirst()
                .map(place -> CoolEdits.fan(shell, fan, wall, place));
    }

    private Optional<Placed> placed(Evaluation base, Optional<String> id) {
        return base.of(FitResult.class).placed().stream()
                .filter(p -> id.filter(p.id()::equals).isPresent())
                .findFirst();
    }

    private static Face nearest(Placed part) {
        return Face.ALL.stream()
                .min(Comparator.comparingDouble(f -> CoolEdits.gapMm(part, f)))
                .orElseThrow();
    }

    private Optional<Edit> pad(Evaluation base, Shell shell, Vec at, Optional<String> subject) {
        return placed(base, subject).flatMap(p -> CoolEdits.pad(base.build(), p, nearest(p)));
    }

    /** A pad between the selected part and a wall. */
    Optional<Edit> pad(Face wall) {
        Evaluation now = desk.session().evaluation().get();
        return placed(now, Optional.of(desk.session().selection().get()))
                .flatMap(p -> CoolEdits.pad(now.build(), p, wall));
    }

    private Optional<Edit> sheet(Evaluation base, Shell shell, Vec at, Optional<String> subject) {
        return placed(base, subject).flatMap(p -> CoolEdits.sheet(base.build(), p, nearest(p)));
    }

    private Optional<Edit> pipe(Evaluation base, Shell shell, Vec at, Optional<String> subject) {
        Optional<String> hottest = base.of(HeatResult.class).worst().stream()
                .filter(w -> w.spot().kind() == HeatResult.Kind.PART)
                .min(Comparator.comparingDouble(w -> w.spot().marginK()))
                .map(w -> w.spot().subject());
        Optional<Placed> fins = placed(base, subject).filter(p -> FinEdits.hasFins(p.part()));
        return placed(base, Optional.of(desk.session().selection().get()))
                .or(() -> placed(base, hottest))
                .filter(p -> p.shell().id().equals(shell.id()))
                .flatMap(p -> fins.filter(f -> !f.id().equals(p.id()))
                        .map(f -> FinEdits.bridge(base.build(), p, f, pipes.getValue()))
                        .orElseGet(() -> CoolEdits.pipe(base.build(), p, wall(shell, at), pipes.getValue())));
    }
}
