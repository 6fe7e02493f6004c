package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.sheet.Table;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How the machine meets hands and eyes in the posture on show. */
final class HandsPane extends Region {

    private final VBox rows = new VBox(6);
    private final ScrollPane scroll = Ui.scroll(rows);

    HandsPane() {
        setId("hands-pane");
        setPrefWidth(250);
        setMinWidth(250);
        getChildren().add(scroll);
    }

    void show(Table table) {
        rows.getChildren().setAll(Ui.label(table.title(), "section"));
        for (List<String> row : table.rows()) {
            rows.getChildren().add(entry(row.getFirst(), row.getLast()));
        }
        rows.getChildren()
                .add(Ui.words(
                        table.rows().isEmpty() ? "Nothing is seen, typed on or held in this posture." : table.note(),
                        "soft"));
    }

    private static Node entry(String what, String how) {
        return new VBox(1, Ui.words(what, "panel-title"), Ui.words(how, "body"));
    }

    @Override
    protected void layoutChildren() {
        scroll.resizeRelocate(0, 0, getWidth(), getHeight());
    }
}
