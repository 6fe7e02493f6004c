package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.CaseDrawing;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Openings;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Everything about one tray of the case, its hinge and its screws, to be read and changed. */
final class CaseDetails extends VBox {
    private final Desk desk;
    private final String shellId;
    private final Label title = Ui.words("", "panel-title");
    private final RecordForm shellForm;
    private final RecordForm jointForm;
    /** What belongs to the whole case. */
    private static final Set<String> SMALL = Set.of("sundriesG", "feet", "postures");

    private final RecordForm sundries;
    private final VBox jointBox;
    private final MenuButton opening = new MenuButton("Opening …");
    private final MenuButton joining = new MenuButton("Join it …");
    private Optional<RecordForm> wayForm = Optional.empty();
    private final DrawingView drawing = new DrawingView().atMost(2.2);

    CaseDetails(Desk desk, Shell shell) {
        super(8);
        this.desk = desk;
        this.shellId = shell.id();
        shellForm = new RecordForm(
                "shell",
                Shell.class,
                (what, f) -> change(
                        what + " of " + shell.name(),
                        c -> c.shell(shellId)
                                .map(s -> c.withShell((Shell) f.apply(s)))
                                .orElse(c)));
        shellForm.only(f -> !f.needed());
        jointForm = new RecordForm(
                "joint",
                Joint.class,
                (what, f) ->
                        joint().ifPresent(j -> change(what + " of " + j.name(), c -> c.withJoint((Joint) f.apply(j)))));
        jointForm.only(f -> !f.needed());
        sundries = new RecordForm("case", Casing.class, (what, f) -> change(what, c -> (Casing) f.apply(c)))
                .only(f -> SMALL.contains(f.name()));
        jointBox = new VBox(8);
        joining.setId("tray-join");
        join("tray-hinge", "Hinge it as a lid", CaseEdits::hinge);
        join("tray-drawer", "Slide it out as a drawer", CaseEdits::drawer);
        join("tray-screw", "Screw it on top", CaseEdits::screwOn);
        join("tray-unjoin", "Take it off", CaseEdits::unjoin);
        MenuButton vent = new MenuButton("Vent in …");
        vent.setId("tray-vent");
        for (Face wall : Face.ALL) {
            boolean upright = wall.axis() != Face.TOP.axis();
            for (boolean above : upright ? new boolean[] {false, true} : new boolean[] {true}) {
                MenuItem item = new MenuItem(wall.words() + (upright ? above ? ", high" : ", low" : ""));
                item.setOnAction(
                        e -> shell().map(s -> CaseEdits.vent(s, wall, above)).ifPresent(desk.session()::does));
                vent.getItems().add(item);
            }
        }
        opening.setId("tray-opening");
        FlowPane trays = new FlowPane(
                6,
                6,
                Ui.button(
                        "tray-add",
                        "Add a tray",
                        "Another tray of this size, empty",
                        () -> shell().map(CaseEdits::another).ifPresent(desk.session()::does)),
                joining,
                Ui.button(
                        "tray-remove",
                        "Remove this tray",
                        "What lies in it goes back on the table",
                        () -> shell().map(CaseEdits::remove).ifPresent(desk.session()::does)));
        drawing.setPrefHeight(190);
        drawing.setMinHeight(170);
        getChildren()
                .addAll(
                        title,
                        drawing,
                        new FlowPane(6, 6, vent, opening),
                        shellForm,
                        jointBox,
                        Ui.label("Small things", "section"),
                        sundries,
                        trays);
    }

    /** For each socket that has none, and plain ones. */
    private void fillOpenings() {
        opening.getItems().clear();
        FitResult fit = desk.session().evaluation().get().of(FitResult.class);
        shell().ifPresent(s -> {
            Openings.without(desk.session().build(), fit, s)
                    .forEach(m -> opens(
                            "for " + m.port().words(),
                            Openings.cut(m.part(), m.port().id())));
            Face.ALL.forEach(wall -> opens("plain, " + wall.words(), Openings.plain(s, wall)));
        });
    }

    private void opens(String words, Edit edit) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> desk.session().does(edit));
        opening.getItems().add(item);
    }

    private Optional<Shell> shell() {
        return desk.session().build().shell(shellId);
    }

    boolean isOf(Shell other) {
        return shellId.equals(other.id());
    }

    /** Shows the case as it is now. */
    void show(Casing casing) {
        casing.shell(shellId).ifPresent(s -> {
            title.setText(s.name());
            drawing.show(CaseDrawing.of(s), desk.dark().get());
            shellForm.show(s);
        });
        Optional<Joint> joint = casing.carrying(shellId);
        jointBox.setVisible(joint.isPresent());
        jointBox.setManaged(joint.isPresent());
        joint.ifPresent(this::show);
        fillOpenings();
        sundries.show(casing);
        joining.getItems().forEach(i -> i.setDisable(edit(i.getId()).isEmpty()));
    }

    private final Map<String, BiFunction<Build, Shell, Optional<Edit>>> joins = new HashMap<>();

    private void join(String id, String words, BiFunction<Build, Shell, Optional<Edit>> edit) {
        MenuItem item = new MenuItem(words);
        item.setId(id);
        joins.put(id, edit);
        item.setOnAction(e -> edit(id).ifPresent(desk.session()::does));
        joining.getItems().add(item);
    }

    private Optional<Edit> edit(String id) {
        return shell().flatMap(s -> Optional.ofNullable(joins.get(id))
                .flatMap(f -> f.apply(desk.session().build(), s)));
    }

    private Optional<Joint> joint() {
        return desk.session().build().casing().carrying(shellId);
    }

    /** The form of what the joint does is of that kind of joint. */
    private void show(Joint joint) {
        RecordForm form = wayForm.filter(f -> f.isFor(joint.way().getClass())).orElseGet(() -> {
            RecordForm made = new RecordForm(
                    "way",
                    joint.way().getClass(),
                    (what, f) -> joint().ifPresent(j ->
                            change(what + " of " + j.name(), c -> c.withJoint(j.with((Joint.Way) f.apply(j.way()))))));
            wayForm = Optional.of(made);
            return made;
        });
        String on = desk.session().build().shell(joint.on()).map(Shell::name).orElse(joint.on());
        jointBox.getChildren()
                .setAll(
                        Ui.label(
                                joint.name() + " on " + on + ", a "
                                        + joint.way().words(),
                                "section"),
                        jointForm,
                        form);
        jointForm.show(joint);
        form.show(joint.way());
    }

    private void change(String what, UnaryOperator<Casing> change) {
        desk.session().does(Edits.casing("change " + what, change));
    }
}
