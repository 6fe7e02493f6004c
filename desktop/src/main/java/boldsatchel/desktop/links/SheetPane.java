package boldsatchel.desktop.links;

import boldsatchel.book.Tables;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.Drawing;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One table as it will be printed: the wire list, the pin map, addresses, settings. */
final class SheetPane extends VBox {

    /** What is shown: a table and its pages; neither where it would be empty. */
    private record Shown(Optional<Table> table, List<Drawing> pages) {}

    private final Desk desk;
    private final VBox pages = new VBox(10);
    private final Label about = Ui.label("", "soft");
    private final Button print;
    private final Latest latest;
    private volatile String chosen = Sheets.WIRED.getFirst();
    private Shown shown = new Shown(Optional.empty(), List.of());

    SheetPane(Desk desk, Consumer<Table> print) {
        super(6);
        this.desk = desk;
        this.print = Ui.button(
                "print-sheet",
                "Print: PDF, SVG, CSV",
                "Put this table where it can be printed from",
                () -> shown.table.ifPresent(print));
        about.setId("sheet-about");
        pages.setAlignment(Pos.TOP_CENTER);
        pages.setId("sheet-pages");
        HBox tools = new HBox(8, about, Ui.spring(), this.print);
        tools.setAlignment(Pos.CENTER_LEFT);
        ScrollPane scroll = Ui.scroll(pages);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(tools, scroll);
        latest = desk.keepShowing(this, this::made, this::show);
    }

    void choose(String id) {
        chosen = id;
        Evaluation evaluation = desk.session().evaluation().get();
        latest.ask(() -> made(evaluation), this::show);
    }

    private Shown made(Evaluation evaluation) {
        Optional<Table> table = Sheets.all(evaluation).stream()
                .filter(t -> t.id().equals(chosen))
                .findFirst();
        return new Shown(
                table, table.map(t -> Tables.pages(evaluation.build(), t)).orElse(List.of()));
    }

    private void show(Shown now) {
        shown = now;
        print.setDisable(now.table.isEmpty());
        about.setText(now.table
                .map(t -> t.rows().size() + (t.rows().size() == 1 ? " row" : " rows"))
                .orElse("Nothing to list yet: connect the parts first."));
        pages.getChildren().setAll(now.pages.stream().map(this::paper).toList());
    }

    private StackPane paper(Drawing page) {
        DrawingView view = new DrawingView().asOnPaper();
        StackPane paper = new StackPane(view);
        paper.getStyleClass().add("sheet");
        view.prefHeightProperty().bind(paper.widthProperty().multiply(page.heightMm() / page.widthMm()));
        view.minHeightProperty().bind(view.prefHeightProperty());
        view.show(page, false);
        return paper;
    }
}
