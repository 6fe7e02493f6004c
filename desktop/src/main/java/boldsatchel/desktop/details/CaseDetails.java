package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.CaseDrawing;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Shell;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
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
    private final RecordForm hingeForm;
    /** What belongs to the whole case. */
    private static final Set<String> SMALL = Set.of("sundriesG", "feet");

    private final RecordForm sundries;
    private final VBox hingeBox;
    private final Button hinging;
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
        hingeForm = new RecordForm(
                "hinge",
                Hinge.class,
                (what, f) -> change(
                        what + " of the hinge", c -> c.withHinge(c.hinge().map(h -> (Hinge) f.apply(h)))));
        hingeForm.only(f -> !f.needed());
        sundries = new RecordForm("case", Casing.class, (what, f) -> change(what, c -> (Casing) f.apply(c)))
                .only(f -> SMALL.contains(f.name()));
        hingeBox = new VBox(8, Ui.label("Hinge", "section"), hingeForm);
        hinging = Ui.button(
                "tray-hinge",
                "Hinge it as a lid",
                "A lid on a hinge along the back of the first tray",
                () -> shell().flatMap(s -> CaseEdits.hinge(desk.session().build(), s))
                        .ifPresent(desk.session()::does));
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
        FlowPane trays = new FlowPane(
                6,
                6,
                Ui.button(
                        "tray-add",
                        "Add a tray",
                        "Another tray of this size, empty",
                        () -> shell().map(CaseEdits::another).ifPresent(desk.session()::does)),
                hinging,
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
                        vent,
                        shellForm,
                        hingeBox,
                        Ui.label("Small things", "section"),
                        sundries,
                        trays);
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
        boolean hinged = casing.hinge()
                .filter(h -> h.baseShell().equals(shellId) || h.lidShell().equals(shellId))
                .isPresent();
        hingeBox.setVisible(hinged);
        hingeBox.setManaged(hinged);
        casing.hinge().filter(h -> hinged).ifPresent(hingeForm::show);
        sundries.show(casing);
        hinging.setDisable(casing.hinge().isPresent() || casing.shells().size() < 2);
    }

    private void change(String what, UnaryOperator<Casing> change) {
        desk.session().does(Edits.casing("change " + what, change));
    }
}
