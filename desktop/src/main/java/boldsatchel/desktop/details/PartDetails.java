package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.PartDrawing;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Units;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Everything about a part, to be read and changed: its body, its money, and what it does. */
final class PartDetails extends VBox {
    private static final Set<String> MONEY = Set.of("massG", "price", "standing");
    private static final Set<String> NAME = Set.of("name", "family", "note");

    /** What is to be known beside the figures. */
    private static final Map<Class<?>, String> NOTES = Map.of(
            Facet.Adapter.class,
            "Only ready-made certified adapters; anything else on the mains is a licensed electrician's work.",
            Facet.StaysBeside.class,
            "It needs no place and is not carried.",
            Facet.Thermal.class,
            "What is not said of its way to the air is computed from its free faces.",
            Facet.Radiates.class,
            "Metal around it matters.");

    private final Desk desk;
    private Part part;
    private final Label title = Ui.words("", "panel-title");
    private final Label kind = Ui.words("", "soft");
    private final DrawingView drawing = new DrawingView().atMost(2.2);
    private final RecordForm money;
    private final RecordForm name;
    private final RecordForm body;
    private final RecordForm purchase;
    private final AlterBox altered;
    private final RecordForm lies;
    private final Label fixing = Ui.label("In its place", "section");
    private final WaysBox ways;
    private final VBox sockets = new VBox(6);
    private final VBox abilities = new VBox(8);
    private final Map<Class<?>, RecordForm> forms = new HashMap<>();
    private final ComboBox<Facet.Offer> asked =
            Ui.choice("asked", x -> Units.format(x.volts(), 1, "V") + ", " + Units.format(x.amps(), 2, "A"));
    private boolean choosing;

    PartDetails(Desk desk, Part part) {
        super(8);
        this.desk = desk;
        this.part = part;
        asked.setOnAction(e -> {
            Facet.Offer chosen = asked.getValue();
            if (!choosing && chosen != null) {
                change("voltage asked", p -> p.asked(chosen));
            }
        });
        drawing.setPrefHeight(130);
        drawing.setMaxHeight(150);
        money = new RecordForm("part", Part.class, (what, f) -> change(what, p -> (Part) f.apply(p)))
                .only(f -> MONEY.contains(f.name()))
                .in(desk.session().shown().brief().currency());
        name = new RecordForm("part", Part.class, (what, f) -> change(what, p -> (Part) f.apply(p)))
                .only(f -> NAME.contains(f.name()));
        body = new RecordForm(
                "body",
                Body.class,
                (what, f) -> change(what, p -> p.withBody(Body.inProportion(p.body(), (Body) f.apply(p.body())))));
        purchase = new RecordForm(
                        "purchase",
                        Purchase.class,
                        (what, f) -> change(what, p -> p.standing(p.standing(), (Purchase) f.apply(p.purchase()))))
                .in(desk.session().shown().brief().currency());
        altered = new AlterBox(desk);
        ways = new WaysBox(desk);
        lies = new RecordForm(
                        "lies",
                        Placement.class,
                        (what, f) -> desk.session()
                                .does(Edits.lying("change what holds ", this.part, at -> (Placement) f.apply(at))))
                .only(f -> f.name().equals("fixing"));
        getChildren()
                .addAll(
                        title,
                        kind,
                        drawing,
                        ways,
                        Ui.label("Mass and money", "section"),
                        money,
                        purchase,
                        Ui.label("Body", "section"),
                        body,
                        fixing,
                        lies,
                        sockets,
                        abilities,
                        altered,
                        Ui.label("Name", "section"),
                        name);
        show(part);
    }

    boolean isOf(Part other) {
        return part.id().equals(other.id());
    }

    /** Shows the part as it is now; what is being written stays. */
    void show(Part now) {
        part = now;
        title.setText(now.name());
        kind.setText(now.family().words() + (now.note().isEmpty() ? "" : ". " + now.note()));
        drawing.show(PartDrawing.of(now), desk.dark().get());
        money.show(now);
        name.show(now);
        body.show(now.body());
        purchase.show(now.purchase());
        altered.show(now);
        ways.show(now);
        Optional<Placement> at = desk.session().shown().placement(now.id());
        List.of(fixing, lies).forEach(n -> {
            n.setVisible(at.isPresent());
            n.setManaged(at.isPresent());
        });
        at.ifPresent(lies::show);
        showSockets(now.body().ports());
        List<Class<?>> kinds =
                now.facets().stream().<Class<?>>map(Object::getClass).toList();
        if (!kinds.equals(abilities.getUserData())) {
            abilities.setUserData(kinds);
            layOut(now);
        }
        now.facets().forEach(f -> Optional.ofNullable(forms.get(f.getClass())).ifPresent(form -> form.show(f)));
        chooseAsked(now);
    }

    /** What this build does with each socket: asked for more often than where the socket is. */
    private void showSockets(List<Port> ports) {
        if (ports.equals(sockets.getUserData())) {
            return;
        }
        sockets.setUserData(ports);
        sockets.getChildren().clear();
        if (!ports.isEmpty()) {
            sockets.getChildren().add(Ui.label("Sockets in this build", "section"));
        }
        for (int i = 0; i < ports.size(); i++) {
            String id = ports.get(i).id();
            ComboBox<Port.Use> use =
                    Ui.choice("port-" + i, Port.Use.values(), ports.get(i).use(), Port.Use::words);
            use.setOnAction(e -> {
                Port.Use chosen = use.getValue();
                change("sockets", p -> p.withBody(p.body().using(id, chosen)));
            });
            sockets.getChildren().add(new HBox(8, Ui.label(ports.get(i).name()), Ui.spring(), use));
        }
    }

    private void change(String what, UnaryOperator<Part> change) {
        desk.session().does(Edits.changePart(what, part, change));
    }

    private void layOut(Part now) {
        forms.clear();
        abilities.getChildren().clear();
        for (Facet facet : now.facets()) {
            Class<? extends Facet> kindOf = facet.getClass();
            RecordForm form = new RecordForm(
                    id(kindOf),
                    kindOf,
                    (what, f) -> change(
                            what,
                            p -> p.facet(kindOf)
                                    .map(old -> p.withFacet((Facet) f.apply(old)))
                                    .orElse(p)));
            forms.put(kindOf, form);
            Button remove = Ui.button(
                    "remove-" + id(kindOf),
                    "×",
                    "It does not do this",
                    () -> change("what it does", p -> p.without(kindOf)));
            remove.getStyleClass().add("small");
            HBox head = new HBox(8, Ui.label(Form.of(kindOf).label(), "section"), Ui.spring(), remove);
            abilities.getChildren().addAll(head, form);
            if (facet instanceof Facet.Offers) {
                abilities.getChildren().add(new HBox(8, Ui.label("asked for"), Ui.spring(), asked));
            }
            if (facet instanceof Facet.Converts) {
                abilities
                        .getChildren()
                        .add(new EfficiencyBox(
                                () -> part.facet(Facet.Converts.class),
                                f -> change(
                                        "losses",
                                        p -> p.facet(Facet.Converts.class)
                                                .map(c -> p.withFacet(f.apply(c)))
                                                .orElse(p))));
            }
            if (NOTES.containsKey(kindOf)) {
                abilities.getChildren().add(Ui.words(NOTES.get(kindOf), "soft"));
            }
        }
        abilities.getChildren().add(more(now));
    }

    private static String id(Class<?> facet) {
        return "facet-" + facet.getSimpleName();
    }

    /** Which of its voltages it is asked for. */
    private void chooseAsked(Part now) {
        choosing = true;
        if (!asked.getItems().equals(now.offers())) {
            asked.getItems().setAll(now.offers());
        }
        now.offer().ifPresent(asked::setValue);
        choosing = false;
    }

    /** What else a part could do. */
    private MenuButton more(Part now) {
        MenuButton add = new MenuButton("It also …");
        add.setId("add-facet");
        kinds().filter(k -> now.facet(k).isEmpty()).forEach(k -> {
            MenuItem item = new MenuItem(Form.of(k).label());
            item.setId("add-" + id(k));
            item.setOnAction(e ->
                    change("what it does", p -> p.withFacet(k.cast(Form.of(k).absent()))));
            add.getItems().add(item);
        });
        return add;
    }

    private static Stream<Class<? extends Facet>> kinds() {
        return Arrays.stream(Facet.class.getPermittedSubclasses()).map(c -> c.asSubclass(Facet.class));
    }
}
