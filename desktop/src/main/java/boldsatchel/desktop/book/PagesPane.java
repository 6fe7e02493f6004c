package boldsatchel.desktop.book;

import boldsatchel.book.Book;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.Drawing;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The book as it will be printed, page by page. */
final class PagesPane extends VBox {

    private final DrawingView page = new DrawingView().asOnPaper();
    private final Label number = Ui.label("", "soft");
    private final ComboBox<Book.Entry> chapter = Ui.choice("chapter", Book.Entry::title);
    private List<Drawing> pages = List.of();
    private int at;
    private boolean filling;

    PagesPane(Desk desk) {
        super(8);
        HBox tools = new HBox(
                8,
                Ui.button("page-back", "‹ Back", "The page before", () -> turn(-1)),
                Ui.button("page-on", "On ›", "The next page", () -> turn(1)),
                number,
                chapter);
        tools.setAlignment(Pos.CENTER_LEFT);
        number.setId("book-page");
        chapter.setAccessibleText("Chapter");
        chapter.valueProperty().addListener((o, was, is) -> {
            if (!filling && is != null) {
                turn(is.page() - at);
            }
        });
        page.setId("page");
        StackPane sheet = new StackPane(page);
        sheet.getStyleClass().add("sheet");
        page.prefHeightProperty().bind(sheet.widthProperty().multiply(Math.sqrt(2)));
        page.minHeightProperty().bind(page.prefHeightProperty());
        ScrollPane scroll = Ui.scroll(sheet);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().setAll(tools, scroll);
        desk.keepShowing(this, Book::preview, this::refresh);
    }

    private void refresh(Book.Preview preview) {
        filling = true;
        pages = preview.pages();
        chapter.getItems().setAll(preview.entries());
        filling = false;
        turn(0);
    }

    private void turn(int by) {
        if (pages.isEmpty()) {
            return;
        }
        at = Math.clamp(at + by, 0, pages.size() - 1);
        page.show(pages.get(at), false);
        number.setText("page " + (at + 1) + " of " + pages.size());
        filling = true;
        chapter.getItems().stream()
                .filter(o -> o.page() <= at)
                .reduce((a, b) -> b)
                .ifPresent(chapter::setValue);
        filling = false;
    }
}
