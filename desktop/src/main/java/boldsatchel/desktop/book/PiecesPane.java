package boldsatchel.desktop.book;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.MadeDrawings;
import boldsatchel.drawing.TemplateDrawing;
import boldsatchel.geometry.Box;
import boldsatchel.made.Made;
import boldsatchel.made.Panel;
import boldsatchel.made.Printed;
import boldsatchel.made.Template;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What is printed, cut and drilled: a list of the pieces, and each as it is made. */
final class PiecesPane extends HBox {

    private static final double LIST_WIDTH = 300;

    private final Desk desk;
    private final ListView<Row> list = new ListView<>();
    private final DrawingView drawing = new DrawingView().atMost(4);
    private final VBox notes = new VBox(4);

    /**
     * A piece.
     *
     * @param how it is made, as a heading
     * @param facts in a few words
     */
    private record Row(String how, String name, String facts, List<String> notes, Drawing drawing) {}

    PiecesPane(Desk desk) {
        super(12);
        this.desk = desk;
        list.setId("pieces");
        list.setAccessibleText("Pieces to make");
        list.setMinWidth(LIST_WIDTH);
        list.setPrefWidth(LIST_WIDTH);
        list.setCellFactory(l -> new Cell());
        list.setPlaceholder(Ui.words(
                "Nothing to make yet. Trays that are printed, cut or found come here by themselves: take a case on the Shelf.",
                "soft"));
        list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> chosen());
        drawing.setId("piece");
        drawing.setMinSize(120, 120);
        notes.setId("piece-notes");
        VBox right = new VBox(8, drawing, notes);
        VBox.setVgrow(drawing, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        getChildren().setAll(list, right);
        desk.keepShowing(this, PiecesPane::rows, this::show);
    }

    private static List<Row> rows(Evaluation evaluation) {
        Made made = Made.of(evaluation.build());
        List<Row> rows = new ArrayList<>();
        for (Printed piece : made.printed()) {
            Box size = piece.mesh().bounds();
            List<String> notes = new ArrayList<>(piece.notes());
            if (!piece.isSound()) {
                notes.addFirst(
                        "Its surface touches itself along an edge, or is open: let the slicer mend it, and look at it.");
            }
            rows.add(new Row(
                    "Print",
                    piece.name(),
                    Units.format(size.dx(), 1, "") + " × " + Units.format(size.dy(), 1, "") + " × "
                            + Units.format(size.dz(), 1, "mm") + ", "
                            + Units.format(piece.mesh().volumeMm3() / 1000, 1, "cm³"),
                    notes,
                    MadeDrawings.of(piece)));
        }
        for (Panel panel : made.panels()) {
            rows.add(new Row(
                    "Cut from sheet",
                    panel.name(),
                    panel.material() + ", " + Units.format(panel.thickMm(), 1, "mm") + ", "
                            + Units.format(panel.wideMm(), 1, "") + " × " + Units.format(panel.highMm(), 1, "mm"),
                    panel.notes(),
                    MadeDrawings.of(panel)));
        }
        for (Template template : made.templates()) {
            rows.add(new Row(
                    "Drill and cut",
                    template.name(),
                    template.holes().size() == 1 ? "1 hole" : template.holes().size() + " holes",
                    List.of("Print templates.pdf at 100 %, measure the square on it, glue it on from outside."),
                    TemplateDrawing.of(template)));
        }
        return rows;
    }

    private void show(List<Row> rows) {
        int at = Math.max(0, list.getSelectionModel().getSelectedIndex());
        list.getItems().setAll(rows);
        if (!rows.isEmpty()) {
            list.getSelectionModel().select(Math.min(at, rows.size() - 1));
        }
        chosen();
    }

    private void chosen() {
        notes.getChildren().clear();
        Row row = list.getSelectionModel().getSelectedItem();
        if (row != null) {
            drawing.show(row.drawing(), desk.dark().get());
            row.notes().forEach(n -> notes.getChildren().add(Ui.words(n)));
        }
        drawing.setVisible(row != null);
    }

    private static final class Cell extends ListCell<Row> {
        @Override
        protected void updateItem(Row row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            if (empty || row == null) {
                setGraphic(null);
                return;
            }
            int before = getIndex() - 1;
            boolean opens =
                    before < 0 || !getListView().getItems().get(before).how().equals(row.how());
            VBox lines = new VBox(2, Ui.words(row.name()), Ui.words(row.facts(), "soft"));
            lines.getChildren().forEach(n -> n.setMouseTransparent(true));
            lines.setPrefWidth(LIST_WIDTH - 40);
            if (opens) {
                lines.getChildren().addFirst(Ui.label(row.how(), "step-phase"));
            }
            setGraphic(lines);
            setAccessibleText(row.how() + ": " + row.name() + ", " + row.facts());
        }
    }
}
