package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.edit.Edit;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import java.util.List;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** An edit tried out: what it would do to every verdict and finding, before it is taken. */
public final class TrialBox extends VBox {

    private static final double NOTHING = 5e-3;

    private final Latest trying = Latest.only();

    /** Tries an edit on what is evaluated now, beside the window. */
    public TrialBox(Evaluation now, Edit edit, Runnable take, Runnable leave) {
        super(4);
        setId("trial");
        getStyleClass().add("trial");
        HBox choice = new HBox(
                8,
                Ui.button("take", "Take it", "Do this; it can be undone", take),
                Ui.button("leave", "Leave it", "Change nothing", leave));
        choice.setAlignment(Pos.CENTER_LEFT);
        Label waiting = Ui.label("Working it out …", "soft");
        waiting.visibleProperty().bind(trying.pending());
        getChildren().addAll(Ui.words("Tried: " + edit.name(), "step-what"), choice, waiting);
        trying.ask(
                () -> Evaluator.evaluate(edit.change().apply(now.build())),
                then -> getChildren().setAll(getChildren().get(0), choice, verdicts(now, then), findings(now, then)));
    }

    private static GridPane verdicts(Evaluation now, Evaluation then) {
        GridPane grid = new GridPane();
        grid.setHgap(6);
        ColumnConstraints name = new ColumnConstraints();
        name.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(name, right(), right(), right());
        for (Verdict before : now.verdicts()) {
            Verdict after = then.verdict(before.kind());
            boolean same = Double.compare(before.value(), after.value()) == 0
                    || Math.abs(before.value() - after.value()) < NOTHING;
            HBox head = new HBox(
                    5, StateMark.of(after.state(), 10), Ui.label(before.kind().title()));
            head.setAlignment(Pos.CENTER_LEFT);
            Label to = Ui.label(same ? "same" : before.kind().format(after.value()), same ? "soft" : "step-result");
            to.setMinWidth(USE_PREF_SIZE);
            grid.addRow(
                    grid.getRowCount(),
                    head,
                    Ui.label(before.kind().format(before.value()), "soft"),
                    Ui.label(same ? "" : "→", "soft"),
                    to);
        }
        return grid;
    }

    private static ColumnConstraints right() {
        ColumnConstraints c = new ColumnConstraints();
        c.setHalignment(HPos.RIGHT);
        return c;
    }

    private static Label findings(Evaluation now, Evaluation then) {
        List<String> before = now.findings().stream().map(TrialBox::key).toList();
        List<String> after = then.findings().stream().map(TrialBox::key).toList();
        long gone = before.stream().filter(k -> !after.contains(k)).count();
        List<String> come = then.findings().stream()
                .filter(f -> !before.contains(key(f)))
                .map(Finding::message)
                .toList();
        String words = gone
                + (gone == 1 ? " finding goes" : " findings go")
                + (come.isEmpty()
                        ? ", none comes."
                        : ", " + come.size() + (come.size() == 1 ? " comes: " : " come, first: ") + come.getFirst());
        return Ui.words(words, come.isEmpty() ? "soft" : "trial-comes");
    }

    /** A finding stays the same when only its numbers change. */
    private static String key(Finding f) {
        return f.code() + f.subjects();
    }
}
