package boldsatchel.desktop.shelf;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.PartDrawing;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Feature;
import boldsatchel.machine.Part;
import boldsatchel.machine.ScrewThread;
import boldsatchel.quantity.Quantity;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * The selected part, drawn large from three sides: sockets, holes, buttons, solids and free rooms are put on it by pointing, and moved by
 * drag, arrows or typed numbers. What each is in detail stands in the panel on the right.
 */
final class PartSheet extends VBox {

    private static final double STEP_MM = 0.5;
    private static final double LONG_STEP_MM = 5;
    private static final double USUAL_INSET_MM = 3.5;

    private final Desk desk;
    private final DrawingView drawing = new DrawingView().atMost(14);
    private final ToggleGroup tools = new ToggleGroup();
    private final Label told = Ui.words("", "soft");
    private final HBox place = new HBox(6);
    private final Label name = Ui.label("", "part-chosen");
    private final UnitField[] at = new UnitField[3];
    private final ComboBox<ScrewThread> screw =
            Ui.choice("sheet-screw", ScrewThread.values(), ScrewThread.M2_5, ScrewThread::words);
    private final UnitField inset = UnitField.required("sheet-inset", Quantity.LENGTH, v -> this.insetMm = v)
            .wide(5);
    private final Node empty = Ui.words(
            "Select a part of this build on the left, or make one with “New part”: it is drawn here as you type its measures.",
            "soft");
    private double insetMm = USUAL_INSET_MM;
    private Optional<Feature> chosen = Optional.empty();
    private String partShown = "";
    private Optional<Grab> grab = Optional.empty();

    /** A feature held by the mouse. */
    private record Grab(Feature feature, PartDrawing.View view, Vec start, Point2D from) {}

    PartSheet(Desk desk) {
        super(8);
        this.desk = desk;
        FlowPane bar = new FlowPane(6, 6);
        for (Feature.Kind kind : Feature.Kind.values()) {
            ToggleButton tool = new ToggleButton("+ " + kind.words());
            tool.setId("sheet-" + kind.name().toLowerCase(java.util.Locale.ROOT));
            tool.setUserData(kind);
            tool.setToggleGroup(tools);
            tool.setOnAction(e -> show());
            bar.getChildren().add(tool);
        }
        inset.show(insetMm);
        HBox pattern = new HBox(
                6,
                Ui.button(
                        "sheet-four-holes", "Four holes", "One in each corner, so far from the sides", this::fourHoles),
                screw,
                inset,
                Ui.label("in", "soft"));
        pattern.setAlignment(Pos.CENTER_LEFT);
        place.setAlignment(Pos.TOP_LEFT);
        for (int axis = 0; axis < at.length; axis++) {
            int k = axis;
            String letter = "xyz".substring(axis, axis + 1);
            at[axis] = UnitField.required("sheet-" + letter, Quantity.LENGTH, v -> typed(k, v))
                    .wide(6);
            place.getChildren().addAll(Ui.label(letter, "axis"), at[axis]);
        }
        place.getChildren().add(Ui.button("sheet-remove", "Remove", "Take it off the part (Delete)", this::remove));
        drawing.setId("sheet-drawing");
        drawing.setFocusTraversable(true);
        drawing.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
        drawing.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        drawing.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            grab = Optional.empty();
            desk.session().dropped();
        });
        drawing.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        VBox.setVgrow(drawing, Priority.ALWAYS);
        getChildren().addAll(bar, pattern, told, drawing, name, place, empty);
    }

    private Optional<Part> part() {
        return desk.session().selectedPart();
    }

    private Optional<Feature.Kind> tool() {
        return Optional.ofNullable(tools.getSelectedToggle()).map(t -> (Feature.Kind) t.getUserData());
    }

    /** Shows the selected part as it is now. */
    void show() {
        Optional<Part> part = part();
        String id = part.map(Part::id).orElse("");
        if (!id.equals(partShown)) {
            partShown = id;
            chosen = Optional.empty();
        }
        chosen = chosen.filter(f -> part.filter(p -> f.in(p.body())).isPresent());
        for (Node child : getChildren()) {
            boolean shown = child.equals(empty) ? part.isEmpty() : part.isPresent();
            child.setVisible(shown);
            child.setManaged(shown);
        }
        part.ifPresent(p -> {
            drawing.show(
                    PartDrawing.of(p, chosen.map(Feature::id).orElse("")),
                    desk.dark().get());
            showPlace(p.body());
        });
        told.setText(
                tool().map(k -> "Point at the drawing where the " + k.words().toLowerCase(java.util.Locale.ROOT)
                                + " is: above from the top, below from the front and from the right.")
                        .orElse(
                                "Choose what to add, or click what is there to move it: by drag, arrow keys (Shift: 5 mm), or by numbers."));
    }

    private void showPlace(Body body) {
        name.setText(chosen.map(f -> f.kind().words() + ": " + f.name(body)).orElse(""));
        name.setVisible(chosen.isPresent());
        place.setVisible(chosen.isPresent());
        chosen.ifPresent(f -> {
            for (int axis = 0; axis < at.length; axis++) {
                at[axis].show(f.at(body).along(axis));
            }
        });
    }

    private void change(String what, UnaryOperator<Body> change) {
        part().ifPresent(p -> desk.session().does(Edits.changePart(what, p, q -> q.withBody(change.apply(q.body())))));
    }

    private void drags(Feature feature, UnaryOperator<Vec> change) {
        part().ifPresent(p -> desk.session()
                .drags(Edits.changePart(
                        feature.kind().words().toLowerCase(java.util.Locale.ROOT),
                        p,
                        q -> feature.in(q.body())
                                ? q.withBody(feature.moved(q.body(), change.apply(feature.at(q.body()))))
                                : q)));
    }

    private void press(MouseEvent e) {
        drawing.requestFocus();
        Point2D point = drawing.toFrame(e.getX(), e.getY());
        Optional<PartDrawing.Pointed> pointed = part().flatMap(p -> PartDrawing.pointed(p, point.getX(), point.getY()));
        if (tool().isPresent() && pointed.isPresent()) {
            add(tool().get(), pointed.get());
            return;
        }
        chosen = drawing.subjectAt(e.getX(), e.getY()).flatMap(Feature::of);
        grab = chosen.flatMap(f ->
                part().map(p -> new Grab(f, PartDrawing.view(p, point.getX(), point.getY()), f.at(p.body()), point)));
        show();
    }

    private void add(Feature.Kind kind, PartDrawing.Pointed pointed) {
        part().ifPresent(p -> {
            boolean onFace = kind == Feature.Kind.SOCKET || kind == Feature.Kind.BUTTON || kind == Feature.Kind.ROOM;
            Face face = onFace ? pointed.face(p.body()) : pointed.view().face();
            Vec on = pointed.on(face, p.body());
            chosen = Optional.of(new Feature(kind, Feature.count(p.body(), kind)));
            tools.selectToggle(null);
            change(kind.words().toLowerCase(java.util.Locale.ROOT), b -> Feature.added(b, kind, face, on));
        });
    }

    private void drag(MouseEvent e) {
        grab.ifPresent(g -> {
            Point2D now = drawing.toFrame(e.getX(), e.getY());
            Vec to = g.view()
                    .moved(
                            g.start(),
                            now.getX() - g.from().getX(),
                            now.getY() - g.from().getY());
            drags(g.feature(), was -> rounded(to));
        });
    }

    private static Vec rounded(Vec v) {
        return new Vec(tenth(v.x()), tenth(v.y()), tenth(v.z()));
    }

    private static double tenth(double mm) {
        return Math.rint(mm * 10) / 10;
    }

    private void typed(int axis, double value) {
        chosen.ifPresent(f -> change(
                "place",
                b -> f.in(b)
                        ? f.moved(b, f.at(b).plus(Vec.on(axis, value - f.at(b).along(axis))))
                        : b));
    }

    private void key(KeyEvent e) {
        double step = e.isShiftDown() ? LONG_STEP_MM : STEP_MM;
        switch (e.getCode()) {
            case LEFT -> nudge(0, -step);
            case RIGHT -> nudge(0, step);
            case UP -> nudge(1, step);
            case DOWN -> nudge(1, -step);
            case PAGE_UP -> nudge(2, step);
            case PAGE_DOWN -> nudge(2, -step);
            case DELETE, BACK_SPACE -> remove();
            case N -> next();
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void nudge(int axis, double by) {
        chosen.ifPresent(f -> drags(f, was -> was.plus(Vec.on(axis, by))));
    }

    /** The next thing on the part, so that all can be reached without a mouse. */
    private void next() {
        part().ifPresent(p -> {
            var all = Feature.all(p.body());
            if (!all.isEmpty()) {
                int now = chosen.map(all::indexOf).orElse(-1);
                chosen = Optional.of(all.get((now + 1) % all.size()));
                show();
            }
        });
    }

    private void remove() {
        chosen.ifPresent(f -> {
            chosen = Optional.empty();
            change(f.kind().words().toLowerCase(java.util.Locale.ROOT), b -> f.in(b) ? f.removed(b) : b);
        });
    }

    private void fourHoles() {
        part().ifPresent(p -> {
            try {
                Feature.fourHoles(p.body(), screw.getValue(), insetMm);
                change("holes", b -> Feature.fourHoles(b, screw.getValue(), insetMm));
            } catch (IllegalArgumentException e) {
                told.setText("That cannot be: " + e.getMessage() + ".");
            }
        });
    }
}
