package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Shell;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.control.Label;
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
        getChildren().addAll(title, shellForm, hingeBox, Ui.label("Small things", "section"), sundries);
    }

    boolean isOf(Shell other) {
        return shellId.equals(other.id());
    }

    /** Shows the case as it is now. */
    void show(Casing casing) {
        casing.shell(shellId).ifPresent(s -> {
            title.setText(s.name());
            shellForm.show(s);
        });
        boolean hinged = casing.hinge()
                .filter(h -> h.baseShell().equals(shellId) || h.lidShell().equals(shellId))
                .isPresent();
        hingeBox.setVisible(hinged);
        hingeBox.setManaged(hinged);
        casing.hinge().filter(h -> hinged).ifPresent(hingeForm::show);
        sundries.show(casing);
    }

    private void change(String what, UnaryOperator<Casing> change) {
        desk.session().does(Edits.casing("change " + what, change));
    }
}
