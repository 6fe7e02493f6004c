package boldsatchel.desktop.book;

import boldsatchel.book.Book;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The build sheet as it will be printed, page by page, and its export. */
public final class BookStage implements WorkStage {

    private final VBox content = new VBox(8);
    private final DrawingView page = new DrawingView().asOnPaper();
    private final Label number = Ui.label("", "soft");
    private List<Drawing> pages = List.of();
    private int at;

    /** The stage on a desk; export asks where to. */
    public BookStage(Desk desk, Runnable export) {
        content.getStyleClass().add("stage");
        HBox tools = new HBox(
                8,
                Ui.button("page-back", "‹ Back", "The page before", () -> turn(-1)),
                Ui.button("page-on", "On ›", "The next page", () -> turn(1)),
                number,
                Ui.spring(),
                Ui.label("build sheet (PDF), drawings and tables (SVG), lists (CSV)", "soft"),
                Ui.button("export", "Export to a folder", "Write the whole book (Ctrl E)", export));
        tools.setAlignment(Pos.CENTER_LEFT);
        page.setId("page");
        StackPane sheet = new StackPane(page);
        sheet.getStyleClass().add("sheet");
        page.prefHeightProperty().bind(sheet.widthProperty().multiply(Math.sqrt(2)));
        page.minHeightProperty().bind(page.prefHeightProperty());
        ScrollPane scroll = Ui.scroll(sheet);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        content.getChildren().addAll(tools, scroll);
        desk.keepShowing(content, Book::pages, this::refresh);
    }

    @Override
    public String title() {
        return "Book";
    }

    @Override
    public String purpose() {
        return "preview and export";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public State standing(Evaluation evaluation) {
        return evaluation.stops() ? State.WATCH : State.FINE;
    }

    private void refresh(List<Drawing> sheet) {
        pages = sheet;
        turn(0);
    }

    private void turn(int by) {
        if (pages.isEmpty()) {
            return;
        }
        at = Math.clamp(at + by, 0, pages.size() - 1);
        page.show(pages.get(at), false);
        number.setText("page " + (at + 1) + " of " + pages.size());
    }
}
