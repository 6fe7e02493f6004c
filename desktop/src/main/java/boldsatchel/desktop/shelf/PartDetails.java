package boldsatchel.desktop.shelf;

import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.FigureField;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.power.RungDetails;
import boldsatchel.drawing.PartDrawing;
import boldsatchel.edit.Edits;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** Everything about the selected part, to be read and changed. */
public final class PartDetails extends VBox {

    private final Desk desk;
    private final Part part;

    private PartDetails(Desk desk, Part part) {
        super(8);
        this.desk = desk;
        this.part = part;
        DrawingView drawing = new DrawingView().atMost(2.2);
        drawing.setPrefHeight(130);
        drawing.setMaxHeight(150);
        drawing.show(PartDrawing.of(part), desk.dark().get());
        getChildren()
                .addAll(
                        Ui.words(part.name(), "panel-title"),
                        Ui.words(part.family().words() + (part.note().isEmpty() ? "" : ". " + part.note()), "soft"),
                        drawing);
        general();
        part.facets().forEach(this::facet);
        if (!part.body().ports().isEmpty()) {
            ports();
        }
    }

    /** Details of what is selected, or what to do when nothing is. */
    public static Node of(Desk desk) {
        Optional<Part> part = desk.session().selectedPart();
        String id = desk.session().selection().get();
        Optional<Rung> rung =
                desk.session().build().rungs().filter(r -> r.id().equals(id)).findFirst();
        VBox box = new VBox(12);
        rung.filter(r -> r.part().isEmpty()).ifPresent(r -> box.getChildren().add(new RungDetails(desk, r)));
        part.ifPresent(p -> box.getChildren().add(new PartDetails(desk, p)));
        if (box.getChildren().isEmpty()) {
            box.getChildren().add(Ui.words("Select a part or a rung to see and change its figures.", "soft"));
        }
        return box;
    }

    private GridPane section(String title) {
        GridPane form = Ui.form();
        getChildren().addAll(Ui.label(title, "section"), form);
        return form;
    }

    private void figure(GridPane form, String name, Quantity quantity, Figure figure, Function<Figure, Part> changed) {
        String id = "figure-" + name.replace(' ', '-').replace(",", "");
        Ui.across(
                form,
                new FigureField(
                        id,
                        name,
                        quantity,
                        figure,
                        f -> desk.session().does(Edits.changePart(name, changed.apply(f)))));
    }

    private Part with(Figure mass, Figure price, Part.Standing standing) {
        return new Part(
                part.id(), part.name(), part.family(), part.note(), mass, price, standing, part.body(), part.facets());
    }

    private void general() {
        Body b = part.body();
        GridPane form = section("Body and money");
        figure(
                form,
                "width",
                Quantity.LENGTH,
                b.widthMm(),
                f -> part.withBody(b.resized(f, b.depthMm(), b.heightMm())));
        figure(
                form,
                "depth",
                Quantity.LENGTH,
                b.depthMm(),
                f -> part.withBody(b.resized(b.widthMm(), f, b.heightMm())));
        figure(
                form,
                "height",
                Quantity.LENGTH,
                b.heightMm(),
                f -> part.withBody(b.resized(b.widthMm(), b.depthMm(), f)));
        figure(form, "mass", Quantity.MASS, part.massG(), f -> with(f, part.price(), part.standing()));
        figure(form, "price", Quantity.MONEY, part.price(), f -> with(part.massG(), f, part.standing()));
        ComboBox<Part.Standing> standing =
                Ui.choice("standing", Part.Standing.values(), part.standing(), Part.Standing::words);
        standing.setOnAction(e -> desk.session()
                .does(Edits.changePart("standing", with(part.massG(), part.price(), standing.getValue()))));
        Ui.row(form, "to be had", standing);
    }

    private void facet(Facet facet) {
        switch (facet) {
            case Facet.DrawsPower d -> {
                GridPane form = section("Draws power, " + window(d.lowV(), d.highV()));
                figure(
                        form,
                        "asleep",
                        Quantity.POWER,
                        d.sleepW(),
                        f -> draws(d, f, d.idleW(), d.busyW(), d.startW(), d.backlightW()));
                figure(
                        form,
                        "idle",
                        Quantity.POWER,
                        d.idleW(),
                        f -> draws(d, d.sleepW(), f, d.busyW(), d.startW(), d.backlightW()));
                figure(
                        form,
                        "busy",
                        Quantity.POWER,
                        d.busyW(),
                        f -> draws(d, d.sleepW(), d.idleW(), f, d.startW(), d.backlightW()));
                figure(
                        form,
                        "starting",
                        Quantity.POWER,
                        d.startW(),
                        f -> draws(d, d.sleepW(), d.idleW(), d.busyW(), f, d.backlightW()));
                if (d.backlightW().value() > 0) {
                    figure(
                            form,
                            "backlight",
                            Quantity.POWER,
                            d.backlightW(),
                            f -> draws(d, d.sleepW(), d.idleW(), d.busyW(), d.startW(), f));
                }
            }
            case Facet.Cells c -> {
                GridPane form = section(c.series() + "S" + c.parallel() + "P "
                        + c.chemistry().words() + ", " + Units.format(c.nominalWh()) + " Wh");
                figure(
                        form,
                        "cell capacity",
                        Quantity.CHARGE,
                        c.capacityAh(),
                        f -> cells(c, f, c.cellOhms(), c.packOhms(), c.health()));
                figure(
                        form,
                        "cell resistance",
                        Quantity.RESISTANCE,
                        c.cellOhms(),
                        f -> cells(c, c.capacityAh(), f, c.packOhms(), c.health()));
                figure(
                        form,
                        "pack resistance",
                        Quantity.RESISTANCE,
                        c.packOhms(),
                        f -> cells(c, c.capacityAh(), c.cellOhms(), f, c.health()));
                figure(
                        form,
                        "health",
                        Quantity.SHARE,
                        c.health(),
                        f -> cells(c, c.capacityAh(), c.cellOhms(), c.packOhms(), f));
            }
            case Facet.PowerBank b -> {
                GridPane form =
                        section("Power bank, " + Units.format(b.outV()) + " V " + Units.format(b.outA()) + " A");
                figure(
                        form,
                        "rated energy",
                        Quantity.ENERGY,
                        b.ratedWh(),
                        f -> part.withFacet(b.rated(f)));
                figure(
                        form,
                        "efficiency",
                        Quantity.SHARE,
                        b.efficiency(),
                        f -> part.withFacet(b.efficient(f)));
            }
            case Facet.Converts c -> {
                GridPane form = section(c.kind().words() + " to " + Units.format(c.outV()) + " V, "
                        + window(c.lowV(), c.highV()) + " in");
                figure(form, "quiet power", Quantity.POWER, c.quietW(), f -> converts(c, f, c.dropV(), c.lossOhms()));
                figure(
                        form,
                        "loss voltage",
                        Quantity.VOLTAGE,
                        c.dropV(),
                        f -> converts(c, c.quietW(), f, c.lossOhms()));
                figure(
                        form,
                        "loss resistance",
                        Quantity.RESISTANCE,
                        c.lossOhms(),
                        f -> converts(c, c.quietW(), c.dropV(), f));
            }
            case Facet.Thermal t -> {
                GridPane form = section("Heat, at most " + Units.format(t.limitC()) + " °C");
                t.stillKW()
                        .ifPresent(still -> figure(
                                form,
                                "to still air",
                                Quantity.THERMAL_RESISTANCE,
                                still,
                                f -> part.withFacet(new Facet.Thermal(t.limitC(), Optional.of(f), t.fanKW()))));
                t.fanKW()
                        .ifPresent(fan -> figure(
                                form,
                                "to moving air",
                                Quantity.THERMAL_RESISTANCE,
                                fan,
                                f -> part.withFacet(new Facet.Thermal(t.limitC(), t.stillKW(), Optional.of(f)))));
                if (form.getChildren().isEmpty()) {
                    getChildren().add(Ui.words("Its way to the air is computed from its free faces.", "soft"));
                }
            }
            case Facet.MovesAir m -> {
                GridPane form = section("Moves air");
                figure(
                        form,
                        "free flow",
                        Quantity.AIR_FLOW,
                        m.freeLs(),
                        f -> part.withFacet(new Facet.MovesAir(f, m.shutOffPa())));
                figure(
                        form,
                        "shut-off pressure",
                        Quantity.PRESSURE,
                        m.shutOffPa(),
                        f -> part.withFacet(new Facet.MovesAir(m.freeLs(), f)));
            }
            case Facet.ShowsPicture p ->
                getChildren()
                        .add(Ui.words(
                                "Shows " + p.widthPx() + " × " + p.heightPx() + " pixels on "
                                        + Units.format(p.picture().dx()) + " × "
                                        + Units.format(p.picture().dy()) + " mm.",
                                "soft"));
            case Facet.Manages m ->
                getChildren()
                        .add(Ui.words(
                                (m.balances() ? "Balances its cells" : "Does not balance its cells")
                                        + (m.reports() ? ", tells the computer its level" : ", tells nobody its level")
                                        + ", takes at most "
                                        + Units.format(Quantity.CURRENT, m.maxChargeA()) + " of charge.",
                                "soft"));
            case Facet.Offers o -> {
                GridPane form = section("Can be asked for");
                ComboBox<Facet.Offer> asked = Ui.choice(
                        "asked",
                        o.offers().toArray(Facet.Offer[]::new),
                        part.offer().orElse(o.offers().getFirst()),
                        x -> Units.format(x.volts(), 1, "V") + ", " + Units.format(x.amps(), 2, "A"));
                asked.setOnAction(
                        e -> desk.session().does(Edits.changePart("voltage asked", part.asked(asked.getValue()))));
                Ui.row(form, "voltage", asked);
            }
            case Facet.Adapter a ->
                getChildren()
                        .add(Ui.words(
                                "Mains adapter, " + Units.format(Quantity.VOLTAGE, a.outV()) + ", "
                                        + Units.format(Quantity.CURRENT, a.outA())
                                        + ". Only ready-made certified adapters; anything else on the mains is a licensed"
                                        + " electrician's work.",
                                "soft"));
            case Facet.StaysBeside b ->
                getChildren().add(Ui.words("Stands beside the machine: it needs no place and is not carried.", "soft"));
            case Facet.Recharges r -> {
                GridPane form = section("Its own charger");
                figure(
                        form,
                        "charge power",
                        Quantity.POWER,
                        r.watts(),
                        f -> part.withFacet(new Facet.Recharges(f, r.efficiency(), r.gapSeconds())));
                figure(
                        form,
                        "output gap when plugged",
                        Quantity.SHORT_TIME,
                        r.gapSeconds(),
                        f -> part.withFacet(new Facet.Recharges(r.watts(), r.efficiency(), f)));
            }
            case Facet.Charges c -> {
                GridPane form = section("Charges " + c.series() + "S "
                        + c.chemistry().words() + ", " + window(c.lowV(), c.highV()) + " in");
                figure(
                        form,
                        "charge current",
                        Quantity.CURRENT,
                        c.amps(),
                        f -> charges(c, f, c.efficiency(), c.backA()));
                if (!c.linear()) {
                    figure(
                            form,
                            "charge efficiency",
                            Quantity.SHARE,
                            c.efficiency(),
                            f -> charges(c, c.amps(), f, c.backA()));
                }
                figure(
                        form,
                        "taken back unplugged",
                        Quantity.CURRENT,
                        c.backA(),
                        f -> charges(c, c.amps(), c.efficiency(), f));
            }
            case Facet.ShowsLevel l ->
                getChildren()
                        .add(Ui.words(
                                l.toComputer()
                                        ? "Tells the computer how full the battery is."
                                        : "Shows how full the battery is, by the voltmeter table.",
                                "soft"));
            case Facet.Refreshes r -> {
                GridPane form = section("Paper-like panel");
                figure(
                        form,
                        "energy a refresh",
                        Quantity.PULSE,
                        r.joules(),
                        f -> part.withFacet(new Facet.Refreshes(f, r.mostPerMinute())));
            }
            case Facet.SwitchesOff o -> {
                GridPane form = section("Can be switched off");
                figure(
                        form,
                        "leakage when off",
                        Quantity.POWER,
                        o.offW(),
                        f -> part.withFacet(new Facet.SwitchesOff(f)));
            }
            case Facet.Holds h ->
                getChildren()
                        .add(Ui.words(
                                "Holds its voltage within ± " + Units.format(Quantity.SHARE, h.tolerance()) + ".",
                                "soft"));
            case Facet.Radiates r -> getChildren().add(Ui.words("Sends or receives: keep metal away.", "soft"));
        }
    }

    private static String window(double low, double high) {
        return Units.format(low) + "–" + Units.format(high) + " V";
    }

    private Part draws(Facet.DrawsPower d, Figure sleep, Figure idle, Figure busy, Figure start, Figure backlight) {
        return part.withFacet(new Facet.DrawsPower(
                d.lowV(),
                d.nominalV(),
                d.highV(),
                d.kind(),
                d.offW(),
                sleep,
                idle,
                busy,
                start,
                d.startSeconds(),
                backlight));
    }

    private Part cells(Facet.Cells c, Figure capacity, Figure cellOhms, Figure packOhms, Figure health) {
        return part.withFacet(new Facet.Cells(
                c.chemistry(),
                c.series(),
                c.parallel(),
                capacity,
                c.nominalV(),
                cellOhms,
                packOhms,
                c.cutoffV(),
                c.maxDischargeA(),
                c.tripA(),
                c.ownCutoff(),
                health));
    }

    private Part charges(Facet.Charges c, Figure amps, Figure efficiency, Figure back) {
        return part.withFacet(
                new Facet.Charges(c.chemistry(), c.series(), amps, efficiency, c.linear(), c.lowV(), c.highV(), back));
    }

    private Part converts(Facet.Converts c, Figure quiet, Figure drop, Figure ohms) {
        return part.withFacet(new Facet.Converts(
                c.kind(), c.outV(), quiet, drop, ohms, c.limitA(), c.dropoutV(), c.lowV(), c.highV(), c.noLoadV()));
    }

    private void ports() {
        GridPane form = section("Sockets in this build");
        List<Port> ports = part.body().ports();
        for (int i = 0; i < ports.size(); i++) {
            int index = i;
            Port port = ports.get(i);
            ComboBox<Port.Use> use = Ui.choice("port-" + i, Port.Use.values(), port.use(), Port.Use::words);
            use.setOnAction(e -> {
                List<Port> changed = new ArrayList<>(ports);
                changed.set(index, port.withUse(use.getValue()));
                desk.session()
                        .does(Edits.changePart(
                                "sockets", part.withBody(part.body().withPorts(changed))));
            });
            Ui.row(form, port.name(), use);
        }
    }
}
