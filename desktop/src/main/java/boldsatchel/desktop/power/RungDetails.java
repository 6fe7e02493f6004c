package boldsatchel.desktop.power;

import boldsatchel.build.Rung;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.FigureField;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.edit.Edits;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** A wire, contact or diode of the chain, to be read and changed. */
public final class RungDetails extends VBox {

    private final Desk desk;
    private final Rung rung;

    /** Details of a rung that is no part. */
    public RungDetails(Desk desk, Rung rung) {
        super(8);
        this.desk = desk;
        this.rung = rung;
        GridPane form = Ui.form();
        switch (rung.stage()) {
            case Rung.Wire wire -> wire(form, wire);
            case Rung.Contact contact -> contact(form, contact);
            case Rung.Diode diode -> diode(form, diode);
            case Rung.OfPart part -> {
                // A part shows its own details.
            }
        }
        getChildren().add(form);
    }

    private void change(String what, Rung.Stage stage) {
        desk.session().does(Edits.changeRung(what, rung.id(), stage));
    }

    private void wire(GridPane form, Rung.Wire wire) {
        getChildren().add(Ui.label("Wire, there and back", "panel-title"));
        TextField gauge = new TextField("AWG " + wire.awg());
        gauge.setId("wire-gauge");
        Label wrong = Ui.words("", "field-error");
        gauge.setOnAction(e -> {
            try {
                change("gauge", new Rung.Wire(Units.parseGauge(gauge.getText()), wire.lengthMm()));
            } catch (Units.UnreadableException x) {
                wrong.setText(x.getMessage());
            }
        });
        Ui.row(form, "gauge", new VBox(gauge, wrong));
        UnitField length = UnitField.required(
                        "wire-length", Quantity.LENGTH, v -> change("length of wire", new Rung.Wire(wire.awg(), v)))
                .wide(8);
        length.show(wire.lengthMm());
        Ui.row(form, "length, one way", length);
        getChildren()
                .add(Ui.words(
                        "Resistance "
                                + Units.format(Quantity.RESISTANCE, Copper.loopOhms(wire.awg(), wire.lengthMm(), 20))
                                + " at 20 °C; usual current inside a closed case "
                                + Units.format(Quantity.CURRENT, Copper.closedCaseAmps(wire.awg()))
                                + ". Local codes stand above this.",
                        "soft"));
    }

    private void contact(GridPane form, Rung.Contact contact) {
        getChildren().add(Ui.label(contact.kind().words(), "panel-title"));
        UnitField rated = UnitField.required(
                        "contact-rated",
                        Quantity.CURRENT,
                        v -> change(contact.kind().words(), new Rung.Contact(contact.kind(), contact.ohms(), v)))
                .wide(8);
        rated.show(contact.ratedA());
        Ui.row(form, "rated for", rated);
        Ui.across(
                form,
                new FigureField(
                        "contact-ohms",
                        "resistance",
                        Quantity.RESISTANCE,
                        contact.ohms(),
                        f -> change(contact.kind().words(), new Rung.Contact(contact.kind(), f, contact.ratedA()))));
    }

    private void diode(GridPane form, Rung.Diode diode) {
        getChildren().add(Ui.label("Diode", "panel-title"));
        Ui.across(
                form,
                new FigureField(
                        "diode-knee",
                        "knee voltage",
                        Quantity.VOLTAGE,
                        diode.kneeV(),
                        f -> change("diode", new Rung.Diode(f, diode.ohms(), diode.ratedA()))));
        Ui.across(
                form,
                new FigureField(
                        "diode-ohms",
                        "resistance",
                        Quantity.RESISTANCE,
                        diode.ohms(),
                        f -> change("diode", new Rung.Diode(diode.kneeV(), f, diode.ratedA()))));
    }
}
