package boldsatchel.desktop.pack;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.Lead;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.machine.Build;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Layings;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.CablesSheet;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** All that is led from part to part, how it is laid, and the bends of the one that is selected. */
final class CablesPane extends Region {

    private final Desk desk;
    private final VBox rows = new VBox(8);
    private final ScrollPane scroll = Ui.scroll(rows);
    private final Button all;
    private final Searching searching;
    private final VBox list = new VBox(8);
    private List<Object> shown = List.of();

    CablesPane(Desk desk) {
        this.desk = desk;
        setId("cables-pane");
        setPrefWidth(270);
        setMinWidth(270);
        searching = new Searching(desk, "lay", "Looking for ways …");
        all = Ui.button(
                "lay-all",
                "Lay all",
                "Finds a way for each that is not laid yet, the thickest first",
                () -> searching.search(Layings.layAll()));
        HBox head = new HBox(6, all, searching);
        rows.getChildren().setAll(Ui.label("Cables and wires", "section"), head, list);
        getChildren().add(scroll);
    }

    /** Shows how they are laid. */
    void show(CablesResult cables, String selected) {
        Build build = desk.session().shown();
        List<Object> now = List.of(cables, selected, build.casing().shells());
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        all.setDisable(cables.unlaid().isEmpty());
        List<Node> entries = new ArrayList<>();
        for (Lead lead : cables.leads()) {
            entries.add(entry(build, cables, lead, lead.id().equals(selected)));
        }
        if (cables.leads().isEmpty()) {
            entries.add(Ui.words("Nothing is connected yet. Connect parts in Links, and wire them in Power.", "soft"));
        }
        list.getChildren().setAll(entries);
    }

    private Node entry(Build build, CablesResult cables, Lead lead, boolean selected) {
        Optional<Laying> laying = cables.laying(lead.id());
        Button name = Ui.button(
                "cable-" + lead.id(),
                lead.name(),
                "Shows where it lies",
                () -> desk.session().selection().set(selected ? "" : lead.id()));
        name.getStyleClass().add("link");
        name.setWrapText(true);
        name.setMinWidth(0);
        name.setPrefWidth(240);
        VBox box = new VBox(2, name, Ui.words(ends(build, lead), "soft"), Ui.words(told(lead, laying), "body"));
        HBox does = new HBox(6);
        does.getChildren()
                .add(Ui.button(
                        "lay-" + lead.id(),
                        laying.isPresent() ? "Lay anew" : "Lay it",
                        "Finds a way for it",
                        () -> searching.search(laying.isPresent() ? Layings.anew(lead.id()) : Layings.lay(lead.id()))));
        if (laying.isPresent()) {
            does.getChildren()
                    .add(Ui.button(
                            "take-up-" + lead.id(),
                            "Take up",
                            "Forgets how it is laid",
                            () -> desk.session().does(Layings.takeUp(lead.id()))));
        }
        if (selected && laying.isPresent()) {
            does.getChildren()
                    .add(Ui.button(
                            "add-bend",
                            "Add a bend",
                            "In the middle of its longest leg; drag it in a view",
                            () -> desk.session().does(Layings.bend(lead.id()))));
        }
        does.getChildren().forEach(b -> b.getStyleClass().add("small"));
        box.getChildren().add(does);
        if (selected) {
            build.layout().laid(lead.id()).ifPresent(l -> bends(build, l).forEach(box.getChildren()::add));
        }
        return box;
    }

    private static String ends(Build build, Lead lead) {
        return name(build, lead.one()) + " – " + name(build, lead.other());
    }

    private static String name(Build build, Lead.End end) {
        return build.part(end.part()).map(p -> p.name()).orElse(end.part());
    }

    private static String told(Lead lead, Optional<Laying> laying) {
        String own = lead.lengthMm().isPresent() ? mm(lead.lengthMm().getAsDouble()) + " long" : "length not known";
        if (laying.isEmpty()) {
            return "Not laid; " + own + ".";
        }
        List<String> told = new ArrayList<>();
        told.add(own + ", its way " + mm(laying.get().lengthMm()));
        for (CablesSheet.Remark remark : CablesSheet.remarks(laying.get())) {
            told.add((remark.grave() ? "✗ " : "! ") + remark.words());
        }
        return String.join("; ", told) + ".";
    }

    private static String mm(double value) {
        return Units.format(value, 0, "mm");
    }

    private List<Node> bends(Build build, Laid laid) {
        List<Node> nodes = new ArrayList<>();
        for (int i = 0; i < laid.bends().size(); i++) {
            int index = i;
            Laid.Bend bend = laid.bends().get(i);
            HBox row = new HBox(3);
            for (int axis = 0; axis < 3; axis++) {
                int along = axis;
                UnitField field = UnitField.required(
                                "bend-" + i + "-" + "xyz".charAt(axis),
                                Quantity.LENGTH,
                                v -> desk.session()
                                        .does(Layings.move(
                                                laid.what(), index, bend.at().with(along, v))))
                        .wide(5);
                field.show(bend.at().along(axis));
                row.getChildren().add(field);
            }
            Button out = Ui.button(
                    "bend-" + i + "-out",
                    "×",
                    "Takes this bend out",
                    () -> desk.session().does(Layings.straighten(laid.what(), index)));
            out.getStyleClass().add("small");
            row.getChildren().add(out);
            String tray = build.shell(bend.shell()).map(Shell::name).orElse(bend.shell());
            nodes.add(new VBox(1, Ui.label("Bend " + (i + 1) + " in " + tray + ": x, y, z", "soft"), row));
        }
        return nodes;
    }

    @Override
    protected void layoutChildren() {
        scroll.resizeRelocate(0, 0, getWidth(), getHeight());
    }
}
