package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.power.Charge;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** How each store is filled, from each supply, machine off and running. */
final class ChargePane extends HBox {

    private final Desk desk;
    private final DrawingView curve = new DrawingView().atMost(4.4);
    private final ComboBox<Charge.Result> which;
    private final VBox words = new VBox(4);

    ChargePane(Desk desk) {
        super(12);
        this.desk = desk;
        which = Ui.choice("which-charge", r -> name(r.store()) + " from " + name(r.supply()));
        which.setOnAction(e -> show());
        curve.setId("charge");
        HBox.setHgrow(curve, Priority.ALWAYS);
        curve.setPrefWidth(10_000);
        which.setMaxWidth(290);
        ScrollPane scroll = Ui.scroll(words);
        scroll.setMinWidth(306);
        scroll.setPrefWidth(306);
        getChildren().addAll(curve, scroll);
    }

    private String name(String part) {
        return desk.session().shown().part(part).map(Part::name).orElse(part);
    }

    /** Shows what charges. */
    void show(Build build, List<Charge.Result> results) {
        int chosen = Math.max(0, which.getSelectionModel().getSelectedIndex());
        which.getItems().setAll(results);
        if (!results.isEmpty()) {
            which.getSelectionModel().select(Math.min(chosen, results.size() - 1));
        }
        show();
    }

    private void show() {
        words.getChildren().clear();
        Optional<Charge.Result> result = Optional.ofNullable(which.getValue());
        curve.setVisible(result.isPresent());
        if (result.isEmpty()) {
            words.getChildren()
                    .add(Ui.words(
                            "Nothing charges the battery yet. Add a mains adapter with “Add”: it begins a chain of its own, and a"
                                    + " charger hangs on it.",
                            "soft"));
            return;
        }
        Charge.Result r = result.get();
        curve.show(RunDrawings.charge(r), desk.dark().get());
        words.getChildren()
                .addAll(
                        which,
                        Ui.words("Machine off: " + hours(r.off().hours()) + ". While “"
                                + desk.session().shown().brief().profile().name() + "” goes on: "
                                + hours(r.running().hours()) + "."),
                        Ui.words("Into the cells in the hardest step: " + Units.format(r.cellsA(), 2, "A") + "."));
        for (Charge.OfferHours o : r.byOffer().get()) {
            words.getChildren()
                    .add(Ui.words(
                            "from " + Units.format(o.offer().volts(), 1, "V") + " "
                                    + Units.format(o.offer().amps(), 2, "A") + ": " + hours(o.hours()),
                            "soft"));
        }
        words.getChildren()
                .add(Ui.words(
                        "Charge attended, on a surface that cannot burn, between 0 and 45 °C; the cell maker's word stands"
                                + " above this.",
                        "soft"));
    }

    private static String hours(double hours) {
        return Double.isFinite(hours) ? "full in " + Units.format(hours, 1, "h") : "never full";
    }
}
