package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Session;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Orientation;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** The selected part and where it lies, to be typed; what turns it and takes it out. */
final class PositionRow extends HBox {

    private static final String NOTHING =
            "Drag a part, or select one and use the arrow keys; the wheel cuts deeper, with Ctrl it comes nearer.";

    private final Session session;
    private final Label chosen = Ui.label("", "part-chosen");
    private final UnitField x =
            UnitField.required("pack-x", Quantity.LENGTH, v -> typed(0, v)).wide(6);
    private final UnitField y =
            UnitField.required("pack-y", Quantity.LENGTH, v -> typed(1, v)).wide(6);
    private final UnitField z =
            UnitField.required("pack-z", Quantity.LENGTH, v -> typed(2, v)).wide(6);

    /**
     * A row that shows nothing yet.
     *
     * @param more what else can be done to the part
     */
    PositionRow(Session session, Node more) {
        super(6);
        this.session = session;
        List.of(x, y, z).forEach(f -> f.setMinWidth(Region.USE_PREF_SIZE));
        setAlignment(Pos.TOP_LEFT);
        setMinHeight(34);
        getChildren()
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
                        more);
    }

    void show(Optional<Part> part, Optional<Placement> at) {
        getChildren().stream().skip(1).forEach(n -> {
            n.setVisible(at.isPresent());
            n.setManaged(at.isPresent());
        });
        chosen.setText(part.map(p -> p.name() + where(p, at)).orElse(NOTHING));
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
        session.selectedPart().ifPresent(p -> session.does(Edits.move(p, at -> at.with(axis, value))));
    }

    void turn() {
        session.selectedPart().ifPresent(p -> session.does(Edits.turn(p, Orientation::turned)));
    }

    void tumble() {
        session.selectedPart().ifPresent(p -> session.does(Edits.turn(p, Orientation::tumbled)));
    }

    void takeOut() {
        session.selectedPart().ifPresent(p -> session.does(Edits.unplace(p)));
    }
}
