package boldsatchel.desktop.power;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.FigureField;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.edit.ChainEdits;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** A wire, contact, diode, capacitor, charger or joint of the chain, to be read and changed. */
public final class RungDetails extends VBox {

    private static final List<String> COLOURS =
            List.of("red", "black", "blue", "white", "yellow", "green", "orange", "brown", "grey", "violet");

    private final Desk desk;
    private final Rung rung;
    private final GridPane form = Ui.form();

    /** Details of a rung that is no part. */
    public RungDetails(Desk desk, Rung rung) {
        super(8);
        this.desk = desk;
        this.rung = rung;
        switch (rung.stage()) {
            case Rung.Wire wire -> wire(wire);
            case Rung.Contact contact -> contact(contact);
            case Rung.Diode diode -> diode(diode);
            case Rung.Capacitor capacitor -> capacitor(capacitor);
            case Rung.Charging charging -> charging(charging);
            case Rung.Join join -> join(join);
            case Rung.OfPart part -> {
                // A part shows its own details.
            }
        }
        getChildren().add(form);
    }

    private Build build() {
        return desk.session().build();
    }

    private void change(String what, Rung.Stage stage) {
        desk.session().does(ChainEdits.change(what, rung.id(), stage));
    }

    private void title(String words, String note) {
        getChildren().add(Ui.label(words, "panel-title"));
        if (!note.isEmpty()) {
            getChildren().add(Ui.words(note, "soft"));
        }
    }

    private void wire(Rung.Wire wire) {
        title(
                "Wire, there and back",
                "Resistance "
                        + Units.format(Quantity.RESISTANCE, Copper.loopOhms(wire.awg(), wire.lengthMm(), 20))
                        + " at 20 °C; usual current inside a closed case "
                        + Units.format(Quantity.CURRENT, Copper.closedCaseAmps(wire.awg()))
                        + ". Local codes stand above this.");
        TextField gauge = new TextField("AWG " + wire.awg());
        gauge.setId("wire-gauge");
        Label wrong = Ui.words("", "field-error");
        wrong.managedProperty().bind(wrong.textProperty().isNotEmpty());
        gauge.setOnAction(e -> {
            try {
                change("gauge", wire.gauge(Units.parseGauge(gauge.getText())));
            } catch (Units.UnreadableException x) {
                wrong.setText(x.getMessage());
            }
        });
        Ui.row(form, "gauge", new VBox(gauge, wrong));
        UnitField length = UnitField.required(
                        "wire-length",
                        Quantity.LENGTH,
                        v -> change("length of wire", new Rung.Wire(wire.awg(), v, wire.finish())))
                .wide(8);
        length.show(wire.lengthMm());
        Ui.row(form, "length, one way", length);
        Rung.Finish finish = wire.finish().orElse(Rung.Finish.USUAL);
        Ui.row(
                form,
                "plus",
                colour(
                        "wire-plus",
                        finish.plus(),
                        c -> finish(wire, new Rung.Finish(c, finish.minus(), finish.sleeved()))));
        Ui.row(
                form,
                "minus",
                colour(
                        "wire-minus",
                        finish.minus(),
                        c -> finish(wire, new Rung.Finish(finish.plus(), c, finish.sleeved()))));
        CheckBox sleeved = new CheckBox("joints sleeved and held");
        sleeved.setId("wire-sleeved");
        sleeved.setSelected(finish.sleeved());
        sleeved.setOnAction(e -> finish(wire, new Rung.Finish(finish.plus(), finish.minus(), sleeved.isSelected())));
        Ui.across(form, sleeved);
        if (wire.finish().isEmpty()) {
            Ui.across(form, Ui.words("Colours and joints are not said yet; these would be usual.", "soft"));
        }
    }

    private ComboBox<String> colour(String id, String chosen, java.util.function.Consumer<String> accept) {
        ComboBox<String> box = Ui.choice(id, COLOURS.toArray(String[]::new), chosen, c -> c);
        box.setOnAction(e -> accept.accept(box.getValue()));
        return box;
    }

    private void finish(Rung.Wire wire, Rung.Finish finish) {
        change("colours and joints of the wire", new Rung.Wire(wire.awg(), wire.lengthMm(), Optional.of(finish)));
    }

    private void contact(Rung.Contact contact) {
        title(contact.kind().words(), "");
        ComboBox<Rung.ContactKind> kind =
                Ui.choice("contact-kind", Rung.ContactKind.values(), contact.kind(), Rung.ContactKind::words);
        kind.setOnAction(e -> change("contact", new Rung.Contact(kind.getValue(), contact.ohms(), contact.ratedA())));
        Ui.row(form, "kind", kind);
        rated(contact.ratedA(), v -> new Rung.Contact(contact.kind(), contact.ohms(), v));
        ohms(contact.ohms(), f -> new Rung.Contact(contact.kind(), f, contact.ratedA()));
    }

    private void rated(double amps, java.util.function.DoubleFunction<Rung.Stage> changed) {
        UnitField rated = UnitField.required(
                        "contact-rated", Quantity.CURRENT, v -> change("rated current", changed.apply(v)))
                .wide(8);
        rated.show(amps);
        Ui.row(form, "rated for", rated);
    }

    private void ohms(Figure ohms, java.util.function.Function<Figure, Rung.Stage> changed) {
        Ui.across(
                form,
                new FigureField(
                        "contact-ohms",
                        "resistance",
                        Quantity.RESISTANCE,
                        ohms,
                        f -> change("resistance", changed.apply(f))));
    }

    private void diode(Rung.Diode diode) {
        title(
                diode.kneeV().value() == 0 ? "Ideal diode" : "Diode",
                "Lets current through one way: a source behind it cannot be charged by another.");
        rated(diode.ratedA(), v -> new Rung.Diode(diode.kneeV(), diode.ohms(), v));
        Ui.across(
                form,
                new FigureField(
                        "diode-knee",
                        "knee voltage",
                        Quantity.VOLTAGE,
                        diode.kneeV(),
                        f -> change("diode", new Rung.Diode(f, diode.ohms(), diode.ratedA()))));
        ohms(diode.ohms(), f -> new Rung.Diode(diode.kneeV(), f, diode.ratedA()));
    }

    private void capacitor(Rung.Capacitor capacitor) {
        title(
                "Capacitor across the rail",
                "Bridges a gap in the supply. Fill it through a resistor, or the rush trips the source; a charged one can"
                        + " weld a screwdriver.");
        Ui.across(
                form,
                new FigureField(
                        "capacitor-farads",
                        "capacity",
                        Quantity.CAPACITANCE,
                        capacitor.farads(),
                        f -> change("capacitor", new Rung.Capacitor(f))));
    }

    private void charging(Rung.Charging charging) {
        title(
                "Charger",
                "Charge lithium cells attended and on a surface that cannot burn. Damaged or swollen cells go to a collection"
                        + " point; the cell maker's limits stand above these figures.");
        ComboBox<Part> store = Ui.choice("charging-store", Part::name);
        store.getItems().setAll(build().parts().list().stream().filter(Part::isSource).toList());
        build().part(charging.store()).ifPresent(store::setValue);
        store.setOnAction(e -> change(
                "what is charged",
                new Rung.Charging(charging.charger(), store.getValue().id())));
        Ui.row(form, "fills", store);
        charging.charger()
                .flatMap(build()::part)
                .ifPresentOrElse(
                        c -> Ui.across(
                                form,
                                Ui.button(
                                        "show-charger",
                                        c.name(),
                                        "Show the charger's figures",
                                        () -> desk.session().selection().set(c.id()))),
                        () -> Ui.across(form, Ui.words("By its own charger.", "soft")));
    }

    private void join(Rung.Join join) {
        title("Sources joined", "Each source comes by its own row. A diode in the row keeps one from feeding another.");
        for (Rung source : join.sources()) {
            Ui.across(
                    form,
                    Ui.button(
                            "take-out-" + source.id(),
                            "Take out " + source.name(build()),
                            "Take this source and its row out of the chain",
                            () -> ChainEdits.removeSource(build(), source.id())
                                    .allowed()
                                    .ifPresent(desk.session()::does)));
        }
    }
}
