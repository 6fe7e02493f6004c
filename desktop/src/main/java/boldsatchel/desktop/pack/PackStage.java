package boldsatchel.desktop.pack;

import boldsatchel.cables.CablesResult;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.fit.Ruler;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.ChangesSheet;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
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
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Two views of the case, to scale; parts are dragged, nudged with the arrow keys, or put by typed position. */
public final class PackStage implements WorkStage {

    private static final double STEP_MM = 0.5;
    private static final double LONG_STEP_MM = 5;
    private static final double CUT_STEP = 0.03;

    private final Desk desk;
    private final VBox content = new VBox(6);
    private final ViewPane first;
    private final ViewPane second;
    private final LinkedViews linked;
    private final CorePane sample;
    private final ComboBox<Shell> shells = Ui.choice("shells", PackStage::inside);
    private final ComboBox<String> posture = Ui.choice("posture", name -> name);
    private final MenuButton place = new MenuButton("Place");
    private final UnitField x =
            UnitField.required("pack-x", Quantity.LENGTH, v -> typed(0, v)).wide(6);
    private final UnitField y =
            UnitField.required("pack-y", Quantity.LENGTH, v -> typed(1, v)).wide(6);
    private final UnitField z =
            UnitField.required("pack-z", Quantity.LENGTH, v -> typed(2, v)).wide(6);
    private final Label chosen = Ui.label("", "part-chosen");
    private final Label apart = Ui.label("", "soft");
    private final HBox position = new HBox(6);
    private final HBox joints = new HBox(8);
    private final ToggleButton core = new ToggleButton("Core sample");
    private final ToggleButton hands = new ToggleButton("Hands");
    private final PartMenu more;
    private final HandsPane handsPane = new HandsPane();
    private final ToggleButton cables = new ToggleButton("Cables");
    private final CablesPane cablesPane;
    private final ComparePane compare;
    private final Label empty = Ui.words(
            "There is no case yet. Take one on the Shelf (“Take another case”), then place parts here.", "soft");
    private final Latest drawn = Latest.following();
    private final Dragging dragging;
    private boolean filling;

    /** A joint's slider in the row above the views. */
    private record Opener(String joint, Slider slider, Label text) {}

    private final List<Opener> openers = new ArrayList<>();

    /** The stage on a desk. */
    public PackStage(Desk desk) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        more = new PartMenu(desk, this::show);
        cablesPane = new CablesPane(desk);
        compare = new ComparePane(desk, this::show);
        dragging = new Dragging(desk, this::back);
        sample = new CorePane(desk, this::back);
        first = new ViewPane(Ui.choice("view-first", PackView::words), PackView.PLAN, this::draw);
        second = new ViewPane(Ui.choice("view-second", PackView::words), PackView.FRONT, this::draw);
        linked = new LinkedViews(first, second);
        shells.setOnAction(e -> show());
        posture.setOnAction(e -> show());
        posture.setTooltip(new Tooltip("How the machine is held and opened in the views"));
        place.setId("place");
        place.setMinWidth(Region.USE_PREF_SIZE);
        shells.setPrefWidth(170);
        shells.setMinWidth(90);
        posture.setPrefWidth(140);
        posture.setMinWidth(90);
        core.setId("core-sample");
        core.setMinWidth(Region.USE_PREF_SIZE);
        core.setOnAction(e -> show());
        hands.setId("hands");
        hands.setMinWidth(Region.USE_PREF_SIZE);
        hands.setTooltip(new Tooltip("How it meets hands and eyes in this posture"));
        hands.setOnAction(e -> show());
        cables.setId("cables");
        cables.setMinWidth(Region.USE_PREF_SIZE);
        cables.setTooltip(new Tooltip("How cables and wires are laid, and whether they are long enough"));
        cables.setOnAction(e -> show());
        joints.setAlignment(Pos.CENTER_LEFT);
        Button figures = Ui.button(
                "case-figures",
                "Case …",
                "Sizes, walls, vents and joints of this tray, and the postures",
                () -> shell().map(Shell::id).ifPresent(desk.session().selection()::set));
        figures.setMinWidth(Region.USE_PREF_SIZE);
        // What has no room in a narrow window goes into a second row.
        FlowPane top = new FlowPane(
                16, 6, row(shells, figures, place), row(posture, joints), row(compare.button(), cables, hands, core));
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
                        Ui.button("unplace", "Take out", "Back on the table", this::takeOut),
                        more.button());
        List.of(x, y, z).forEach(f -> f.setMinWidth(Region.USE_PREF_SIZE));
        apart.setId("apart");
        position.setAlignment(Pos.TOP_LEFT);
        position.setMinHeight(34);
        prepare(first);
        prepare(second);
        HBox views = new HBox(6, linked, sample, handsPane, cablesPane, compare);
        HBox.setHgrow(linked, Priority.ALWAYS);
        VBox.setVgrow(views, Priority.ALWAYS);
        content.getChildren().addAll(top, position, apart, empty, views);
        desk.keepShowing(content, this::show);
    }

    private static HBox row(Node... nodes) {
        HBox row = new HBox(8, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
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

    /** The posture on show: the one chosen, or closed. */
    private Posture posture() {
        return desk.session().shown().casing().looks().stream()
                .filter(p -> p.name().equals(posture.getValue()))
                .findFirst()
                .orElse(Posture.CLOSED);
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
        linked.setVisible(cased);
        sample.setVisible(cased && core.isSelected());
        sample.setManaged(core.isSelected());
        handsPane.setVisible(cased && hands.isSelected());
        handsPane.setManaged(hands.isSelected());
        compare.setVisible(compare.isOn());
        compare.setManaged(compare.isOn());
        cablesPane.setVisible(cased && cables.isSelected());
        cablesPane.setManaged(cables.isSelected());
        if (cables.isSelected()) {
            cablesPane.show(
                    desk.session().evaluation().get().of(CablesResult.class),
                    desk.session().selection().get());
        }
        empty.setVisible(!cased);
        empty.setManaged(!cased);
        fillPlace(build);
        fillPostures(build.casing());
        fillJoints(build.casing());
        showPosition();
        filling = false;
        draw();
    }

    /** What is to be drawn, taken from the window before it is worked out beside it. */
    private record Asked(
            Evaluation evaluation,
            PackDrawings.Look first,
            Room firstRoom,
            PackDrawings.Look second,
            Room secondRoom,
            boolean oneScale,
            Optional<Point2D> probe,
            boolean hands,
            Optional<Part> before) {

        Pictures pictures() {
            PackDrawings.Picture a = PackDrawings.of(evaluation, first);
            PackDrawings.Picture b = PackDrawings.of(evaluation, second);
            List<Drawing> drawn = oneScale
                    ? PackDrawings.atOneScale(a, firstRoom, b, secondRoom)
                    : List.of(a.in(firstRoom), b.in(secondRoom));
            return new Pictures(
                    drawn.getFirst(),
                    drawn.getLast(),
                    a.extent(),
                    b.extent(),
                    probe.map(at -> CorePane.Core.of(evaluation, first.shell(), first.posture(), at)),
                    table(),
                    ruler(),
                    changes());
        }

        /** How far the selected part is from the one that was selected before it. */
        private Optional<String> ruler() {
            Casing casing = evaluation.build().casing();
            FitResult fit = evaluation.of(FitResult.class);
            return before.flatMap(b -> Ruler.between(casing, fit, first.posture(), first.selected(), b.id())
                    .map(r -> "To " + b.name() + ": " + Units.format(r.straight(), 1, "mm") + " (x "
                            + Units.format(r.x(), 1, "") + ", y " + Units.format(r.y(), 1, "") + ", z "
                            + Units.format(r.z(), 1, "") + "; minus: side by side). "));
        }

        private List<ChangesSheet.Row> changes() {
            return first.against()
                    .map(before -> ChangesSheet.of(before, evaluation.build()))
                    .orElse(List.of());
        }

        private Optional<Table> table() {
            return hands ? Optional.of(Sheets.hands(evaluation, first.posture().name())) : Optional.empty();
        }
    }

    private record Pictures(
            Drawing first,
            Drawing second,
            Flat ofFirst,
            Flat ofSecond,
            Optional<CorePane.Core> core,
            Optional<Table> hands,
            Optional<String> ruler,
            List<ChangesSheet.Row> changes) {}

    private void draw() {
        if (filling || shell().isEmpty() || content.getScene() == null) {
            return;
        }
        Evaluation evaluation = desk.session().evaluation().get();
        if (evaluation.build().shell(shell().get().id()).isEmpty()) {
            return;
        }
        Asked asked = new Asked(
                evaluation,
                look(first),
                first.room(),
                look(second),
                second.room(),
                first.view().isInLineWith(second.view())
                        && first.isFitted()
                        && second.isFitted()
                        && first.getWidth() == second.getWidth(),
                core.isSelected() ? Optional.of(sample.probe()) : Optional.empty(),
                hands.isSelected(),
                more.before());
        drawn.ask(asked::pictures, this::show);
    }

    private PackDrawings.Look look(ViewPane pane) {
        String selected = part().map(Part::id).orElse(desk.session().selection().get());
        return new PackDrawings.Look(
                pane.view(),
                shell().orElseThrow().id(),
                posture(),
                pane.depth(),
                selected,
                pane == first,
                more.hidden(),
                compare.against(),
                more.grid());
    }

    private void show(Pictures pictures) {
        boolean dark = desk.dark().get();
        linked.arrange(pictures.ofFirst(), pictures.ofSecond());
        first.show(pictures.first(), dark);
        second.show(pictures.second(), dark);
        pictures.core().ifPresent(c -> sample.show(c, dark));
        pictures.hands().ifPresent(handsPane::show);
        compare.show(pictures.changes(), desk.session().shown());
        apart.setText(pictures.ruler().orElse("") + more.told());
        apart.setVisible(!apart.getText().isEmpty());
        apart.setManaged(apart.isVisible());
    }

    private void fillPlace(Build build) {
        List<Part> loose = build.loose();
        boolean cased = !build.casing().shells().isEmpty();
        if (List.of(loose, cased).equals(place.getUserData())) {
            return;
        }
        place.setUserData(List.of(loose, cased));
        place.setText(loose.isEmpty() ? "All placed" : "Place one of " + loose.size());
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

    private void fillPostures(Casing casing) {
        List<String> names = casing.looks().stream().map(Posture::name).toList();
        if (!posture.getItems().equals(names)) {
            String now = posture.getValue();
            posture.getItems().setAll(names);
            posture.setValue(now != null && names.contains(now) ? now : names.getFirst());
        }
        boolean several = names.size() > 1;
        posture.setVisible(several);
        posture.setManaged(several);
    }

    /** A slider for each joint that moves; closed is closed. */
    private void fillJoints(Casing casing) {
        List<Joint> moving =
                casing.joints().stream().filter(j -> j.way().most() > 0).toList();
        if (!openers.stream()
                .map(Opener::joint)
                .toList()
                .equals(moving.stream().map(Joint::id).toList())) {
            openers.clear();
            joints.getChildren().clear();
            moving.forEach(j -> joints.getChildren().add(opener(j)));
        }
        Posture now = posture();
        boolean fixed = now.equals(Posture.CLOSED);
        for (int i = 0; i < openers.size(); i++) {
            Joint joint = moving.get(i);
            Opener opener = openers.get(i);
            opener.slider().setMax(joint.way().most());
            opener.slider().setDisable(fixed);
            opener.slider().setValue(now.amount(joint));
            opener.text()
                    .setText(Units.format(now.amount(joint), 0, joint.hinge().isPresent() ? "°" : "mm"));
        }
        joints.setVisible(!moving.isEmpty());
        joints.setManaged(!moving.isEmpty());
    }

    private Node opener(Joint joint) {
        Slider slider = new Slider(0, joint.way().most(), 0);
        slider.setId("joint-" + joint.id());
        slider.setPrefWidth(76);
        slider.setMinWidth(50);
        Label text = Ui.label("", "soft");
        text.setMinWidth(38);
        slider.setTooltip(new Tooltip("How far “" + joint.name() + "” is open in this posture"));
        slider.valueProperty().addListener((o, was, is) -> {
            if (!filling) {
                desk.session()
                        .build()
                        .casing()
                        .joint(joint.id())
                        .ifPresent(
                                j -> desk.session().drags(CaseEdits.open(j, posture(), Math.rint(is.doubleValue()))));
            }
        });
        slider.setOnMouseReleased(e -> desk.session().dropped());
        openers.add(new Opener(joint.id(), slider, text));
        Label name = Ui.label(joint.name(), "soft");
        name.setMinWidth(Region.USE_PREF_SIZE);
        HBox box = new HBox(4, name, slider, text);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private void showPosition() {
        Optional<Placement> at = placement();
        position.getChildren().stream().skip(1).forEach(n -> {
            n.setVisible(at.isPresent());
            n.setManaged(at.isPresent());
        });
        chosen.setText(
                part().map(p -> p.name() + where(p, at))
                        .orElse(
                                "Drag a part, or select one and use the arrow keys; the wheel cuts deeper, with Ctrl it comes nearer."));
        at.ifPresent(a -> {
            x.show(a.at().x());
            y.show(a.at().y());
            z.show(a.at().z());
        });
    }

    private static String where(Part part, Optional<Placement> at) {
        return at.map(a -> ", " + a.orientation().words() + (a.locked() ? ", locked" : "")
                        + a.group().map(g -> ", in " + g).orElse(""))
                .orElse(part.isLed() ? "" : part.staysOutside() ? ", beside the machine" : ", on the table");
    }

    private void typed(int axis, double value) {
        part().ifPresent(p -> desk.session().does(Edits.move(p, at -> at.with(axis, value))));
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

    private void prepare(ViewPane pane) {
        DrawingView view = pane.drawing();
        view.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> press(pane, e));
        view.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> dragging.drag(pane, e));
        view.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> dragging.release());
        view.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(pane, e));
    }

    private void press(ViewPane pane, MouseEvent e) {
        DrawingView view = pane.drawing();
        view.requestFocus();
        Point2D at = view.toFrame(e.getX(), e.getY());
        if (core.isSelected() && pane.view() == PackView.PLAN) {
            sample.drill(at);
            draw();
        }
        dragging.press(pane, e);
    }

    /** From the frame that a view is drawn in to that of a tray. */
    private Pose back(ViewPane pane, String tray) {
        return pane.view() == PackView.PLAN ? Pose.NONE : back(tray);
    }

    /** From the frame of the tray on show to that of another. */
    private Pose back(String tray) {
        boolean same = shell().filter(s -> s.id().equals(tray)).isPresent();
        return same
                ? Pose.NONE
                : desk.session().build().casing().pose(tray, posture()).back();
    }

    private void key(ViewPane pane, KeyEvent e) {
        if (e.isShortcutDown() ? !shortcut(e.getCode()) : !plain(pane, e)) {
            return;
        }
        e.consume();
    }

    private boolean shortcut(KeyCode code) {
        switch (code) {
            case C -> more.take();
            case V -> more.paste(shell());
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean plain(ViewPane pane, KeyEvent e) {
        double step = e.isShiftDown() ? LONG_STEP_MM : STEP_MM;
        switch (e.getCode()) {
            case LEFT -> nudge(pane, pane.view().across(), -step);
            case RIGHT -> nudge(pane, pane.view().across(), step);
            case UP -> nudge(pane, pane.view().up(), step);
            case DOWN -> nudge(pane, pane.view().up(), -step);
            case PAGE_UP -> nudge(pane, 2, step);
            case PAGE_DOWN -> nudge(pane, 2, -step);
            case R -> turn();
            case T -> tumble();
            case N -> selectNext();
            case Z -> nearer(pane);
            case HOME -> {
                pane.fit();
                draw();
            }
            case COMMA -> pane.deeper(-CUT_STEP);
            case PERIOD -> pane.deeper(CUT_STEP);
            case DELETE -> takeOut();
            case M -> more.mirror();
            case D -> more.copy();
            case L -> more.lock();
            case G -> {
                if (e.isShiftDown()) {
                    more.toggleGrid();
                } else {
                    more.group();
                }
            }
            case H -> {
                if (e.isShiftDown()) {
                    more.showAll();
                } else {
                    more.hide();
                }
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private void nudge(ViewPane pane, int axis, double by) {
        placement().ifPresent(at -> {
            Vec way = back(pane, at.shell()).direction(Vec.on(axis, by));
            part().ifPresent(p -> desk.session().drags(Edits.move(p, from -> from.plus(way))));
        });
    }

    /** Comes near to what is selected. */
    private void nearer(ViewPane pane) {
        Optional<Placed> at = part().flatMap(p ->
                desk.session().evaluation().get().of(FitResult.class).placed(p.id()));
        at.filter(p -> pane.view().isSquare()).ifPresent(p -> {
            Box b = back(pane, p.shell().id()).back().around(p.bounds());
            int across = pane.view().across();
            int up = pane.view().up();
            pane.near(b.low(across), b.low(up), b.size(across), b.size(up));
        });
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
