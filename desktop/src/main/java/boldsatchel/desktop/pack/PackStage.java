package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.CoreSample;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Snap;
import boldsatchel.fit.Stack;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Plan and front section of the case, to scale; parts are dragged, nudged with the arrow keys, or put by typed position. */
public final class PackStage implements WorkStage {

    private static final double STEP_MM = 0.5;
    private static final double LONG_STEP_MM = 5;

    private final Desk desk;
    private final VBox content = new VBox(6);
    private final DrawingView plan = new DrawingView().atMost(6);
    private final DrawingView front = new DrawingView().atMost(6);
    private final LinkedViews linked = new LinkedViews(plan, front);
    private final DrawingView side = new DrawingView().atMost(6);
    private final ComboBox<Shell> shells = Ui.choice("shells", PackStage::inside);
    private final MenuButton place = new MenuButton("Place");
    private final UnitField x =
            UnitField.required("pack-x", Quantity.LENGTH, v -> typed(0, v)).wide(6);
    private final UnitField y =
            UnitField.required("pack-y", Quantity.LENGTH, v -> typed(1, v)).wide(6);
    private final UnitField z =
            UnitField.required("pack-z", Quantity.LENGTH, v -> typed(2, v)).wide(6);
    private final Label chosen = Ui.label("", "part-chosen");
    private final HBox position = new HBox(6);
    private final Slider lid = new Slider(0, 180, 110);
    private final Label lidText = Ui.label("", "soft");
    private final HBox lidBox = new HBox(6, Ui.label("lid", "soft"), lid, lidText);
    private final ToggleButton core = new ToggleButton("Core sample");
    private final Label empty = Ui.words(
            "There is no case yet. Take one on the Shelf (“Take another case”), then place parts here.", "soft");
    private Point2D probe = new Point2D(60, 60);
    private Optional<Grab> grab = Optional.empty();
    private boolean filling;

    /** A part held by the mouse. */
    private record Grab(String part, Vec start, Point2D from, int upAxis) {}

    /** The stage on a desk. */
    public PackStage(Desk desk) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        shells.setOnAction(e -> show());
        place.setId("place");
        place.setMinWidth(Region.USE_PREF_SIZE);
        shells.setPrefWidth(230);
        core.setId("core-sample");
        core.setOnAction(e -> show());
        lid.setId("lid-angle");
        lid.setPrefWidth(110);
        lid.valueProperty().addListener((o, was, is) -> lidMoved());
        lid.setOnMouseReleased(e -> desk.session().dropped());
        lidBox.setAlignment(Pos.CENTER_LEFT);
        Button figures = Ui.button(
                "case-figures",
                "Case …",
                "Sizes, walls, vents and hinge of this tray",
                () -> shell().map(Shell::id).ifPresent(desk.session().selection()::set));
        HBox top = new HBox(8, shells, figures, place, Ui.spring(), lidBox, core);
        top.setAlignment(Pos.CENTER_LEFT);
        position.getChildren()
                .addAll(
                        chosen,
                        Ui.spring(),
                        Ui.label("x", "axis"),
                        x,
                        Ui.label("y", "axis"),
                        y,
                        Ui.label("z", "axis"),
                        z,
                        Ui.button("turn", "Turn", "A quarter turn seen from above (R)", this::turn),
                        Ui.button("tumble", "Tumble", "The next face up (T)", this::tumble),
                        Ui.button("unplace", "Take out", "Back on the table", this::takeOut));
        position.setAlignment(Pos.TOP_LEFT);
        position.setMinHeight(34);
        prepare(plan, "plan", 1);
        prepare(front, "front", 2);
        side.setId("side");
        side.setOnMousePressed(
                e -> side.subjectAt(e.getX(), e.getY()).ifPresent(desk.session().selection()::set));
        HBox views = new HBox(6, linked, side);
        HBox.setHgrow(linked, Priority.ALWAYS);
        HBox.setHgrow(side, Priority.SOMETIMES);
        linked.setPrefWidth(560);
        side.setPrefWidth(250);
        VBox.setVgrow(views, Priority.ALWAYS);
        content.getChildren().addAll(top, position, empty, views);
        desk.keepShowing(content, this::show);
    }

    @Override
    public String title() {
        return "Pack";
    }

    @Override
    public String purpose() {
        return "what lies where";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public State standing(Evaluation evaluation) {
        State packs = evaluation.verdict(Verdict.Kind.PACKS).state();
        State stands = evaluation.verdict(Verdict.Kind.STANDS).state();
        return packs.compareTo(stands) > 0 ? packs : stands;
    }

    private static String inside(Shell shell) {
        return shell.name() + ", " + Units.format(shell.widthMm().value()) + " × "
                + Units.format(shell.depthMm().value()) + " × "
                + Units.format(shell.heightMm().value()) + " mm inside";
    }

    private Optional<Shell> shell() {
        return Optional.ofNullable(shells.getValue());
    }

    private Optional<Part> part() {
        return desk.session().selectedPart();
    }

    private Optional<Placement> placement() {
        return part().flatMap(p -> desk.session().shown().placement(p.id()));
    }

    private void show() {
        if (filling) {
            return;
        }
        filling = true;
        Build build = desk.session().shown();
        String current = shell().map(Shell::id).orElse("");
        if (!shells.getItems().equals(build.casing().shells())) {
            shells.getItems().setAll(build.casing().shells());
        }
        shells.setValue(build.shell(current)
                .orElse(
                        build.casing().shells().isEmpty()
                                ? null
                                : build.casing().shells().getFirst()));
        boolean cased = !build.casing().shells().isEmpty();
        for (Node node : List.of(plan, front, side)) {
            node.setVisible(cased);
        }
        empty.setVisible(!cased);
        empty.setManaged(!cased);
        fillPlace(build);
        showLid(build);
        showPosition();
        shell().ifPresent(this::draw);
        filling = false;
    }

    private void draw(Shell shell) {
        Evaluation evaluation = desk.session().evaluation().get();
        boolean dark = desk.dark().get();
        String selected = part().map(Part::id).orElse("");
        plan.show(PackDrawings.plan(evaluation, shell.id(), selected), dark);
        front.show(PackDrawings.front(evaluation, shell.id(), selected), dark);
        linked.requestLayout();
        side.show(
                core.isSelected()
                        ? CoreSample.of(
                                evaluation.build(),
                                Stack.at(
                                        evaluation.build(),
                                        evaluation.of(FitResult.class),
                                        shell.id(),
                                        probe.getX(),
                                        probe.getY()),
                                probe.getX(),
                                probe.getY())
                        : PackDrawings.side(evaluation),
                dark);
    }

    private void fillPlace(Build build) {
        List<Part> loose = build.loose();
        boolean cased = !build.casing().shells().isEmpty();
        if (List.of(loose, cased).equals(place.getUserData())) {
            return;
        }
        place.setUserData(List.of(loose, cased));
        place.setText(loose.isEmpty() ? "All parts are placed" : "Place one of " + loose.size());
        place.setDisable(loose.isEmpty() || !cased);
        place.getItems()
                .setAll(loose.stream()
                        .map(p -> {
                            MenuItem item = new MenuItem(p.name());
                            item.setOnAction(e -> shell().ifPresent(s -> {
                                desk.session().does(Edits.place(p, s));
                                desk.session().selection().set(p.id());
                            }));
                            return item;
                        })
                        .toList());
    }

    private void showLid(Build build) {
        Optional<Hinge> hinge = build.casing().hinge();
        lidBox.setVisible(hinge.isPresent());
        lidBox.setManaged(hinge.isPresent());
        hinge.ifPresent(h -> {
            lid.setMax(h.maxAngleDeg());
            lid.setValue(h.useAngleDeg());
            lidText.setText(Units.format(h.useAngleDeg(), 0, "°"));
        });
    }

    private void lidMoved() {
        if (!filling) {
            desk.session().drags(Edits.lidAngle(Math.rint(lid.getValue())));
        }
    }

    private void showPosition() {
        Optional<Placement> at = placement();
        position.getChildren().stream().skip(1).forEach(n -> {
            n.setVisible(at.isPresent());
            n.setManaged(at.isPresent());
        });
        chosen.setText(part().map(p ->
                        p.name() + at.map(a -> ", " + a.orientation().words()).orElse(", on the table"))
                .orElse("Drag a part, or select one and use the arrow keys, Page Up and Page Down; Shift moves 5 mm."));
        at.ifPresent(a -> {
            x.show(a.at().x());
            y.show(a.at().y());
            z.show(a.at().z());
        });
    }

    private void typed(int axis, double value) {
        part().ifPresent(p -> desk.session().does(Edits.move(p, at -> with(at, axis, value))));
    }

    private static Vec with(Vec v, int axis, double value) {
        return new Vec(axis == 0 ? value : v.x(), axis == 1 ? value : v.y(), axis == 2 ? value : v.z());
    }

    private void turn() {
        part().ifPresent(p -> desk.session().does(Edits.turn(p, Orientation::turned)));
    }

    private void tumble() {
        part().ifPresent(p -> desk.session().does(Edits.turn(p, Orientation::tumbled)));
    }

    private void takeOut() {
        part().ifPresent(p -> desk.session().does(Edits.unplace(p)));
    }

    private void prepare(DrawingView view, String id, int upAxis) {
        view.setId(id);
        view.setFocusTraversable(true);
        view.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> press(view, e, upAxis));
        view.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> drag(view, e));
        view.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            grab = Optional.empty();
            desk.session().dropped();
        });
        view.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(e, upAxis));
    }

    private void press(DrawingView view, MouseEvent e, int upAxis) {
        view.requestFocus();
        Point2D at = view.toFrame(e.getX(), e.getY());
        if (core.isSelected() && upAxis == 1) {
            probe = at;
            show();
        }
        Build build = desk.session().build();
        Optional<String> subject =
                view.subjectAt(e.getX(), e.getY()).filter(id -> build.part(id).isPresent());
        desk.session().selection().set(subject.orElse(""));
        grab = subject.flatMap(build::placement)
                .filter(p -> shell().map(Shell::id).equals(Optional.of(p.shell())))
                .map(p -> new Grab(p.part(), p.at(), at, upAxis));
    }

    private void drag(DrawingView view, MouseEvent e) {
        grab.ifPresent(g -> {
            Point2D now = view.toFrame(e.getX(), e.getY());
            double across = now.getX() - g.from().getX();
            double up = now.getY() - g.from().getY();
            Vec wanted = with(
                    with(g.start(), 0, g.start().x() + across),
                    g.upAxis(),
                    g.start().along(g.upAxis()) + up);
            Build build = desk.session().build();
            Vec rest = e.isAltDown()
                    ? wanted
                    : Snap.near(build, desk.session().evaluation().get().of(FitResult.class), g.part(), wanted);
            build.part(g.part()).ifPresent(p -> desk.session().drags(Edits.move(p, rest)));
        });
    }

    private void key(KeyEvent e, int upAxis) {
        double step = e.isShiftDown() ? LONG_STEP_MM : STEP_MM;
        KeyCode code = e.getCode();
        switch (code) {
            case LEFT -> nudge(0, -step);
            case RIGHT -> nudge(0, step);
            case UP -> nudge(upAxis, step);
            case DOWN -> nudge(upAxis, -step);
            case PAGE_UP -> nudge(2, step);
            case PAGE_DOWN -> nudge(2, -step);
            case R -> turn();
            case T -> tumble();
            case N -> selectNext();
            case DELETE -> takeOut();
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void nudge(int axis, double by) {
        part().ifPresent(p -> desk.session().drags(Edits.move(p, at -> with(at, axis, at.along(axis) + by))));
    }

    /** The next part of this shell, so that everything can be reached without a mouse. */
    private void selectNext() {
        List<String> here = desk.session().build().layout().placements().stream()
                .filter(p -> shell().map(Shell::id).equals(Optional.of(p.shell())))
                .map(Placement::part)
                .toList();
        if (!here.isEmpty()) {
            int at = here.indexOf(part().map(Part::id).orElse(""));
            desk.session().selection().set(here.get((at + 1) % here.size()));
        }
    }
}
