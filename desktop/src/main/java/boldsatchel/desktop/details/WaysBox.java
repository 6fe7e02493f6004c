package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.FinEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Pads, sheets and pipes that lead a part's heat to walls and to other parts; nothing where it has none. */
final class WaysBox extends VBox {

    private final Desk desk;
    private final List<RecordForm> forms = new ArrayList<>();
    /** Of which part they are, and where they lead. */
    private List<String> laidOut = List.of();

    WaysBox(Desk desk) {
        super(6);
        this.desk = desk;
    }

    /** Shows those of a part; what is being written stays. */
    void show(Part part) {
        Build build = desk.session().shown();
        List<HeatPath> ways = CoolEdits.ways(build, part.id());
        List<HeatBridge> bridges = FinEdits.bridges(build, part.id());
        List<String> now = new ArrayList<>(List.of(part.id()));
        ways.forEach(way -> now.add("a wall"));
        bridges.forEach(
                bridge -> now.add(build.part(bridge.to()).map(Part::name).orElse(bridge.to())));
        if (!now.equals(laidOut)) {
            laidOut = now;
            layOut(part, ways.size(), bridges.size());
        }
        for (int i = 0; i < forms.size(); i++) {
            forms.get(i).show(i < ways.size() ? ways.get(i) : bridges.get(i - ways.size()));
        }
    }

    private void layOut(Part part, int ways, int bridges) {
        forms.clear();
        getChildren().clear();
        for (int i = 0; i < ways; i++) {
            int which = i;
            RecordForm form = new RecordForm(
                    "way-" + i,
                    HeatPath.class,
                    (what, f) -> desk.session().does(CoolEdits.way(what, part, which, way -> (HeatPath) f.apply(way))));
            add(form, "remove-way-" + i, CoolEdits.withoutWay(part, which));
        }
        for (int i = 0; i < bridges; i++) {
            int which = i;
            RecordForm form = new RecordForm(
                    "bridge-" + i,
                    HeatBridge.class,
                    (what, f) -> desk.session()
                            .does(FinEdits.bridge(what, part, which, bridge -> (HeatBridge) f.apply(bridge))));
            add(form, "remove-bridge-" + i, FinEdits.withoutBridge(part, which));
        }
    }

    private void add(RecordForm form, String remove, Edit takesOut) {
        forms.add(form.only(f -> !f.needed()));
        Button button =
                Ui.button(remove, "×", "Take it out", () -> desk.session().does(takesOut));
        button.getStyleClass().add("small");
        String title = "Leads heat to " + laidOut.get(forms.size());
        getChildren().addAll(new HBox(8, Ui.label(title, "section"), Ui.spring(), button), form);
    }
}
