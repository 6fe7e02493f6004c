package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Session;
import boldsatchel.edit.CaseEdits;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** A slider for each joint that moves, by which it is opened in the posture on show; closed is closed. */
final class JointRow extends HBox {

    private final Session session;
    private final List<Opener> openers = new ArrayList<>();
    private Posture posture = Posture.CLOSED;
    private boolean filling;

    private record Opener(String joint, Slider slider, Label text) {}

    JointRow(Session session) {
        super(8);
        this.session = session;
        setAlignment(Pos.CENTER_LEFT);
    }

    /** Shows how far all is open in a posture. */
    void show(Casing casing, Posture now) {
        filling = true;
        posture = now;
        List<Joint> moving =
                casing.joints().stream().filter(j -> j.way().most() > 0).toList();
        List<String> shown = openers.stream().map(Opener::joint).toList();
        if (!shown.equals(moving.stream().map(Joint::id).toList())) {
            openers.clear();
            getChildren().setAll(moving.stream().map(this::opener).toList());
        }
        for (int i = 0; i < openers.size(); i++) {
            Joint joint = moving.get(i);
            Opener opener = openers.get(i);
            opener.slider().setMax(joint.way().most());
            opener.slider().setDisable(now.equals(Posture.CLOSED));
            opener.slider().setValue(now.amount(joint));
            opener.text()
                    .setText(Units.format(now.amount(joint), 0, joint.hinge().isPresent() ? "°" : "mm"));
        }
        setVisible(!moving.isEmpty());
        setManaged(!moving.isEmpty());
        filling = false;
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
                opened(joint.id(), Math.rint(is.doubleValue()));
            }
        });
        slider.setOnMouseReleased(e -> session.dropped());
        openers.add(new Opener(joint.id(), slider, text));
        Label name = Ui.label(joint.name(), "soft");
        name.setMinWidth(Region.USE_PREF_SIZE);
        HBox box = new HBox(4, name, slider, text);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private void opened(String joint, double amount) {
        session.build().casing().joint(joint).ifPresent(j -> session.drags(CaseEdits.open(j, posture, amount)));
    }
}
