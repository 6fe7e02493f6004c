package boldsatchel.desktop.pack;

import boldsatchel.cables.CablesResult;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
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
    private final ComboBox<Tray> trays = Ui.choice("trays", Tray::words);
    private final ComboBox<String> posture = Ui.choice("posture", name -> name);
    private final PlaceMenu place;
    private final Label apart = Ui.label("", "soft");
    private final PositionRow position;
    private final JointRow joints;
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

    /** The stage on a desk. */
    public PackStage(Desk desk) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        more = new PartMenu(desk, this::show);
        place = new PlaceMenu(desk, this::shell);
        cablesPane = new CablesPane(desk);
        compare = new ComparePane(desk, this::show);
        dragging = new Dragging(desk, this::back);
        sample = new CorePane(desk, this::back);
        first = new ViewPane(Ui.choice("view-first", PackView::words), PackView.PLAN, this::draw);
        second = new ViewPane(Ui.choice("view-second", PackView::words), PackView.FRONT, this::draw);
        linked = new LinkedViews(first, second);
        trays.setOnAction(e -> show());
        posture.setOnAction(e -> show());
        posture.setTooltip(new Tooltip("How the machine is held and opened in the views"));
        trays.setPrefWidth(170);
        trays.setMinWidth(90);
        posture.setPrefWidth(140);
        posture.setMinWidth(90);
        toggle(core, "core-sample", "The stack at a point of the plan, like a drilled core", this::show);
        toggle(hands, "hands", "How it meets hands and eyes in this posture", this::show);
        toggle(cables, "cables", "How cables and wires are laid, and whether they are long enough", this::show);
        joints = new JointRow(desk.session());
        Button figures = Ui.button(
                "case-figures",
                "Case …",
                "Sizes, walls, vents and joints of this tray, and the postures",
                () -> shell().map(Shell::id).ifPresent(desk.session().selection()::set));
        figures.setMinWidth(Region.USE_PREF_SIZE);
        // What has no room in a narrow window goes into a second row.
        FlowPane top = new FlowPane(
                16, 6, row(trays, figures, place), row(posture, joints), row(compare.button(), cables, hands, core));
        position = new PositionRow(desk.session(), more.button());
        apart.setId("apart");
        prepare(first);
        prepare(second);
        HBox views = new HBox(6, linked, sample, handsPane, cablesPane, compare);
        HBox.setHgrow(linked, Priority.ALWAYS);
        VBox.setVgrow(views, Priority.ALWAYS);
        content.getChildren().addAll(top, position, apart, empty, views);
        desk.keepShowing(content, this::show);
    }

    private static ToggleButton toggle(ToggleButton button, String id, String about, Runnable changed) {
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(about));
        button.setOnAction(e -> changed.run());
        return button;
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

    /** What the choice of a tray tells; a drag moves openings of the tray, and the choice stays the same. */
    private record Tray(String id, String words) {
        static Tray of(Shell shell) {
            return new Tray(
                    shell.id(),
                    shell.name() + ", " + Units.format(shell.widthMm().value()) + " × "
                            + Units.format(shell.depthMm().value()) + " × "
                            + Units.format(shell.heightMm().value()) + " mm inside");
        }
    }

    /** The tray on show. */
    private Optional<Shell> shell() {
        return Optional.ofNullable(trays.getValue())
                .flatMap(tray -> desk.session().shown().shell(tray.id()));
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
        fillTrays(build.casing());
        boolean cased = !build.casing().shells().isEmpty();
        linked.setVisible(cased);
        Ui.present(sample, cased && core.isSelected());
        Ui.present(handsPane, cased && hands.isSelected());
        Ui.present(compare, compare.isOn());
        Ui.present(cablesPane, cased && cables.isSelected());
        if (cables.isSelected()) {
            cablesPane.show(
                    desk.session().evaluation().get().of(CablesResult.class),
                    desk.session().selection().get());
        }
        Ui.present(empty, !cased);
        place.show(build);
        fillPostures(build.casing());
        joints.show(build.casing(), posture());
        position.show(part(), placement());
        filling = false;
        draw();
    }

    private void draw() {
        if (filling || shell().isEmpty() || content.getScene() == null) {
            return;
        }
        Asked asked = new Asked(
                desk.session().evaluation().get(),
                look(first),
                first.room(),
                look(second),
                second.room(),
                first.view().isInLineWith(second.view())
                        && first.isFitted()
                        && second.isFitted()
                        && first.getWidth() == second.getWidth(),
                linked.split(),
                linked.getWidth(),
                linked.getHeight(),
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
                more.grid(),
                Optional.empty());
    }

    private void show(Asked.Pictures pictures) {
        boolean dark = desk.dark().get();
        linked.divide(pictures.split());
        first.show(pictures.first(), dark);
        second.show(pictures.second(), dark);
        pictures.core().ifPresent(c -> sample.show(c, dark));
        pictures.hands().ifPresent(handsPane::show);
        compare.show(pictures.changes(), desk.session().shown());
        apart.setText(pictures.ruler().orElse("") + more.told());
        Ui.present(apart, !apart.getText().isEmpty());
    }

    /** Filled anew only where it reads otherwise: that has the whole window painted. */
    private void fillTrays(Casing casing) {
        List<Tray> now = casing.shells().stream().map(Tray::of).toList();
        if (!trays.getItems().equals(now)) {
            Optional<String> chosen = shell().map(Shell::id);
            trays.getItems().setAll(now);
            trays.setValue(now.stream()
                    .filter(t -> chosen.equals(Optional.of(t.id())))
                    .findFirst()
                    .or(() -> now.stream().findFirst())
                    .orElse(null));
        }
    }

    private void fillPostures(Casing casing) {
        List<String> names = casing.looks().stream().map(Posture::name).toList();
        if (!posture.getItems().equals(names)) {
            String now = posture.getValue();
            posture.getItems().setAll(names);
            posture.setValue(now != null && names.contains(now) ? now : names.getFirst());
        }
        Ui.present(posture, names.size() > 1);
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
            case R -> position.turn();
            case T -> position.tumble();
            case N -> selectNext();
            case Z -> nearer(pane);
            case HOME -> {
                pane.fit();
                draw();
            }
            case COMMA -> pane.deeper(-CUT_STEP);
            case PERIOD -> pane.deeper(CUT_STEP);
            case DELETE -> position.takeOut();
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
