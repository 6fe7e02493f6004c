package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** Everything about a rung that is no part, to be read and changed. */
final class RungDetails extends VBox {
    private static final List<String> COLOURS =
            List.of("red", "black", "blue", "white", "yellow", "green", "orange", "brown", "grey", "violet");

    private final Desk desk;
    private Rung rung;
    private final Label title = Ui.label("", "panel-title");
    private final Label note = Ui.words("", "soft");
    private final GridPane special = Ui.form();
    private final RecordForm form;

    RungDetails(Desk desk, Rung rung) {
        super(8);
        this.desk = desk;
        this.rung = rung;
        form = new RecordForm(
                        "rung",
                        rung.stage().getClass(),
                        (what, f) -> form(what, this.rung.stage().getClass(), f))
                .only(f -> !f.needed()
                        && !f.name().equals("awg")
                        && !f.name().equals("finish")
                        && !f.name().equals("charger"));
        getChildren().addAll(title, note, special, form);
        show(rung);
    }

    boolean isOf(Rung other) {
        return rung.id().equals(other.id())
                && rung.stage().getClass() == other.stage().getClass();
    }

    /** Shows the rung as it is now. */
    void show(Rung now) {
        boolean again = !special.getChildren().isEmpty() && now.equals(rung);
        rung = now;
        form.show(now.stage());
        if (again) {
            return;
        }
        special.getChildren().clear();
        switch (now.stage()) {
            case Rung.Wire wire -> wire(wire);
            case Rung.Contact contact -> title(contact.kind().words(), "");
            case Rung.Diode diode ->
                title(
                        diode.kneeV().value() == 0 ? "Ideal diode" : "Diode",
                        "Lets current through one way: a source behind it cannot be charged by another.");
            case Rung.Capacitor capacitor ->
                title(
                        "Capacitor across the rail",
                        "Bridges a gap in the supply. Fill it through a resistor, or the rush trips the source; a charged"
                                + " one can weld a screwdriver.");
            case Rung.Charging charging -> charging(charging);
            case Rung.Join join -> join(join);
            case Rung.Socket socket -> socket(socket);
            case Rung.OfPart part -> {
                // A part shows its own details.
            }
        }
    }

    private Build build() {
        return desk.session().shown();
    }

    private void title(String words, String about) {
        title.setText(words);
        note.setText(about);
        note.setVisible(!about.isEmpty());
        note.setManaged(!about.isEmpty());
    }

    private <S extends Rung.Stage> void form(String what, Class<S> kind, UnaryOperator<Object> change) {
        change(what, kind, s -> kind.cast(change.apply(s)));
    }

    private <S extends Rung.Stage> void change(String what, Class<S> kind, UnaryOperator<S> change) {
        desk.session().does(ChainEdits.change(what, rung.id(), kind, change));
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
                int awg = Units.parseGauge(gauge.getText());
                change("gauge", Rung.Wire.class, w -> w.gauge(awg));
            } catch (Units.UnreadableException x) {
                wrong.setText(x.getMessage());
            }
        });
        Ui.row(special, "gauge", new VBox(gauge, wrong));
        Rung.Finish finish = wire.finish().orElse(Rung.Finish.USUAL);
        Ui.row(special, "plus", colour("wire-plus", finish.plus(), c -> finish(w -> w.plus(c))));
        Ui.row(special, "minus", colour("wire-minus", finish.minus(), c -> finish(w -> w.minus(c))));
        CheckBox sleeved = new CheckBox("joints sleeved and held");
        sleeved.setId("wire-sleeved");
        sleeved.setSelected(finish.sleeved());
        sleeved.setOnAction(e -> {
            boolean is = sleeved.isSelected();
            finish(w -> w.sleeved(is));
        });
        Ui.across(special, sleeved);
        if (wire.finish().isEmpty()) {
            Ui.across(special, Ui.words("Colours and joints are not said yet; these would be usual.", "soft"));
        }
    }

    private ComboBox<String> colour(String id, String chosen, java.util.function.Consumer<String> accept) {
        ComboBox<String> box = Ui.choice(id, COLOURS.toArray(String[]::new), chosen, c -> c);
        box.setOnAction(e -> accept.accept(box.getValue()));
        return box;
    }

    private void finish(UnaryOperator<Rung.Finish> change) {
        change("colours and joints of the wire", Rung.Wire.class, w -> w.finished(change));
    }

    private void charging(Rung.Charging charging) {
        title(
                "Charger",
                "Charge lithium cells attended and on a surface that cannot burn. Damaged or swollen cells go to a collection"
                        + " point; the cell maker's limits stand above these figures.");
        ComboBox<Part> store = Ui.choice("charging-store", Part::name);
        store.getItems()
                .setAll(build().parts().list().stream().filter(Part::isSource).toList());
        build().part(charging.store()).ifPresent(store::setValue);
        store.setOnAction(e -> {
            String filled = store.getValue().id();
            change("what is charged", Rung.Charging.class, c -> new Rung.Charging(c.charger(), filled));
        });
        Ui.row(special, "fills", store);
        Optional<Part> charger = charging.charger().flatMap(build()::part);
        Ui.across(
                special,
                charger.<javafx.scene.Node>map(c -> Ui.button(
                                "show-charger",
                                c.name(),
                                "Show the charger's figures",
                                () -> desk.session().selection().set(c.id())))
                        .orElseGet(() -> Ui.words("By its own charger.", "soft")));
    }

    private void socket(Rung.Socket socket) {
        title("Socket", "Feeds what is plugged in, with what its part makes or passes on.");
        Optional<Part> owner = build().part(socket.part());
        ComboBox<String> plugged = Ui.choice(
                "plugged-into",
                id -> owner.flatMap(p -> p.port(id)).map(Port::words).orElse(id));
        owner.ifPresent(p -> {
            p.outlet(socket.port())
                    .ifPresent(o -> plugged.getItems().add(o.port().id()));
            ChainEdits.freeOutlets(build(), p)
                    .forEach(o -> plugged.getItems().add(o.port().id()));
        });
        plugged.setValue(socket.port());
        plugged.setOnAction(e -> desk.session().does(ChainEdits.plug(rung.id(), plugged.getValue())));
        Ui.row(special, "plugged into", plugged);
        build().outlet(rung).ifPresent(o -> {
            Ui.row(
                    special,
                    "gives at most",
                    Ui.label(Units.format(Quantity.CURRENT, o.gives().amps())));
            Ui.row(
                    special,
                    "voltage",
                    Ui.label(o.madeV()
                            .map(v -> Units.format(Quantity.VOLTAGE, v))
                            .orElse("as its part is fed")));
            o.rail().ifPresent(r -> {
                Ui.row(
                        special,
                        "rail",
                        Ui.label(r.name() + ", " + Units.format(Quantity.CURRENT, r.amps()) + " together"));
                Ui.row(special, "live when its part is", Ui.label(r.live().words()));
            });
        });
        owner.ifPresent(p -> Ui.across(
                special,
                Ui.button(
                        "show-owner",
                        p.name(),
                        "Show the part whose socket it is",
                        () -> desk.session().selection().set(p.id()))));
    }

    private void join(Rung.Join join) {
        title("Sources joined", "Each source comes by its own row. A diode in the row keeps one from feeding another.");
        for (Rung source : join.sources()) {
            Ui.across(
                    special,
                    Ui.button(
                            "take-out-" + source.id(),
                            "Take out " + source.name(build()),
                            "Take this source and its row out of the chain",
                            () -> ChainEdits.removeSource(desk.session().build(), source.id())
                                    .allowed()
                                    .ifPresent(desk.session()::does)));
        }
    }
}
