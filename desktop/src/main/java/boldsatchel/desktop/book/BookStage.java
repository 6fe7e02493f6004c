package boldsatchel.desktop.book;

import boldsatchel.book.Book;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.frame.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The build sheet as it will be printed, page by page, and its export. */
public final class BookStage implements WorkStage {

    private final Desk desk;
    private final VBox content = new VBox(8);
    private final DrawingView page = new DrawingView();
    private final DrawingView facing = new DrawingView();
    private final Label number = Ui.label("", "soft");
    private List<Drawing> pages = List.of();
    private int at;

    /** The stage on a desk; export asks where to. */
    public BookStage(Desk desk, Runnable export) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        HBox tools = new HBox(
                8,
                Ui.button("page-back", "‹ Back", "The pages before", () -> turn(-2)),
                Ui.button("page-on", "On ›", "The next pages", () -> turn(2)),
                number,
                Ui.spring(),
                Ui.label("build sheet (PDF), every drawing (SVG), parts list (CSV)", "soft"),
                Ui.button("export", "Export to a folder", "Write the whole book (Ctrl E)", export));
        tools.setAlignment(Pos.CENTER_LEFT);
        page.setId("page");
        HBox spread = new HBox(14, sheet(page), sheet(facing));
        VBox.setVgrow(spread, Priority.ALWAYS);
        content.getChildren().addAll(tools, spread);
        desk.session().evaluation().addListener((o, was, is) -> refresh());
        desk.dark().addListener((o, was, is) -> refresh());
        content.sceneProperty().addListener((o, was, is) -> refresh());
    }

    private static StackPane sheet(DrawingView view) {
        StackPane sheet = new StackPane(view);
        sheet.getStyleClass().add("sheet");
        HBox.setHgrow(sheet, Priority.ALWAYS);
        sheet.setPrefWidth(400);
        return sheet;
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

    /** Pages are laid out only while they can be seen: a drag elsewhere does not pay for them. */
    private void refresh() {
        if (content.getScene() != null) {
            pages = Book.sheet(desk.session().evaluation().get());
            turn(0);
        }
    }

    private void turn(int by) {
        int last = (pages.size() - 1) / 2 * 2;
        at = Math.max(0, Math.min(last, at + by));
        page.show(pages.get(at), false);
        boolean two = at + 1 < pages.size();
        facing.setVisible(two);
        if (two) {
            facing.show(pages.get(at + 1), false);
        }
        number.setText("pages " + (at + 1) + (two ? " and " + (at + 2) : "") + " of " + pages.size());
    }
}
