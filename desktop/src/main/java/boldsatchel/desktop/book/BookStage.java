package boldsatchel.desktop.book;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.time.LocalDate;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** What is handed on: the book, its revisions, the pieces to make, and what the next builder should know. */
public final class BookStage implements WorkStage {

    private final VBox content = new VBox(8);
    private final ToggleButton revising;
    private final ToggleButton making;

    /**
     * The stage on a desk.
     *
     * @param today the day
     * @param export asks where to and writes all of it
     * @param publish asks where to and writes what is passed on
     */
    public BookStage(Desk desk, Supplier<LocalDate> today, Runnable export, Runnable publish) {
        content.getStyleClass().add("stage");
        ToggleGroup tabs = new ToggleGroup();
        ToggleButton reading = Ui.tab("Pages", new PagesPane(desk), tabs);
        making = Ui.tab("Pieces to make", new PiecesPane(desk), tabs);
        revising = Ui.tab("Revisions", new RevisionsPane(desk, today, publish), tabs);
        ToggleButton telling = Ui.tab("For the next builder", Ui.scroll(new TellingPane(desk)), tabs);
        HBox bar = new HBox(
                reading,
                making,
                revising,
                telling,
                Ui.spring(),
                Ui.button(
                        "export",
                        "Export to a folder",
                        "Write the book, drawings, lists, pieces and an archive (Ctrl E)",
                        export));
        bar.getStyleClass().add("side-tabs");
        bar.setAlignment(Pos.CENTER_LEFT);
        StackPane pane = new StackPane();
        VBox.setVgrow(pane, Priority.ALWAYS);
        Ui.keepShowing(tabs, pane, () -> {});
        content.getChildren().setAll(bar, pane);
    }

    @Override
    public String title() {
        return "Book";
    }

    @Override
    public String purpose() {
        return "preview, pieces, revisions";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public void addCommands(Commands commands) {
        commands.add("Book: name a revision, compare, publish", () -> revising.setSelected(true));
        commands.add("Book: pieces to print, cut and drill", () -> making.setSelected(true));
    }

    @Override
    public State standing(Evaluation evaluation) {
        return evaluation.stops() ? State.WATCH : State.FINE;
    }
}
