package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.CoolEdits;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Pads, sheets and pipes that lead a part's heat to walls; nothing where it has none. */
final class WaysBox extends VBox {

    private final Desk desk;
    private final List<RecordForm> forms = new ArrayList<>();

    WaysBox(Desk desk) {
        super(6);
        this.desk = desk;
    }

    /** Shows those of a part; what is being written stays. */
    void show(Part part) {
        List<HeatPath> ways = CoolEdits.ways(desk.session().shown(), part.id());
        if (ways.size() != forms.size()) {
            layOut(part, ways.size());
        }
        for (int i = 0; i < forms.size(); i++) {
            forms.get(i).show(ways.get(i));
        }
    }

    private void layOut(Part part, int many) {
        forms.clear();
        getChildren().clear();
        for (int i = 0; i < many; i++) {
            int which = i;
            RecordForm form = new RecordForm(
                            "way-" + i,
                            HeatPath.class,
                            (what, f) -> desk.session()
                                    .does(CoolEdits.way(what, part, which, way -> (HeatPath) f.apply(way))))
                    .only(f -> !f.needed());
            forms.add(form);
            Button remove = Ui.button(
                    "remove-way-" + i,
                    "×",
                    "Take it out",
                    () -> desk.session().does(CoolEdits.withoutWay(part, which)));
            remove.getStyleClass().add("small");
            getChildren().addAll(new HBox(8, Ui.label("Leads heat to a wall", "section"), Ui.spring(), remove), form);
        }
    }
}
