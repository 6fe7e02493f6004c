package boldsatchel.desktop.book;

import boldsatchel.book.Book;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal.Revision;
import boldsatchel.revise.Changes;
import boldsatchel.revise.Difference;
import boldsatchel.revise.Revisions;
import boldsatchel.revise.Standing;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Names for the build as it was, what is otherwise between any two of them, and whether it may be passed on. */
final class RevisionsPane extends HBox {

    private static final double LEFT_WIDTH = 310;
    private static final double MARK = 12;
    private static final double LINE_MARGIN = 40;

    private static final int MOST_LACKS = 12;

    private final Desk desk;
    private final Supplier<LocalDate> today;
    private final TextField name = new TextField();
    private final TextField words = new TextField();
    private final Label refused = Ui.words("", "problem");
    private final HBox standing = new HBox(6);
    private final VBox lacking = new VBox(3);
    private final Button publish;
    private final Button back;
    private final ComboBox<Side> from = Ui.choice("compare-from", Side::title);
    private final ComboBox<Side> to = Ui.choice("compare-to", Side::title);
    private final VBox verdicts = new VBox(3);
    private final ListView<Difference> list = new ListView<>();
    private final Latest comparing = Latest.following();
    private Optional<Edit> goingBack = Optional.empty();
    private boolean filling;

    /** What is compared: a revision, or the build as it is. */
    private record Side(Optional<Revision> revision) {
        String title() {
            return revision.map(r -> "Revision " + r.name()
                            + r.on().map(LocalDate::toString).map(d -> ", " + d).orElse(""))
                    .orElse("The build as it is");
        }
    }

    /** What is told of the build. */
    private record Told(Build build, Standing standing) {}

    /**
     * What came of comparing, or why nothing did.
     *
     * @param back to the revision that was compared from, where there is one
     */
    private record Compared(List<String> lines, List<Difference> figures, Optional<Edit> back) {}

    RevisionsPane(Desk desk, Supplier<LocalDate> today, Runnable publishing) {
        super(14);
        this.desk = desk;
        this.today = today;
        name.setId("revision-name");
        name.setPromptText("A");
        name.setPrefColumnCount(5);
        words.setId("revision-words");
        words.setPromptText("what is new in it");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setOnAction(e -> nameIt());
        name.setOnAction(e -> words.requestFocus());
        refused.setId("revision-refused");
        publish = Ui.button(
                "publish",
                "Publish …",
                "Write the archive with the book and the build to a folder, to be passed on",
                publishing);
        back = Ui.button(
                "revision-back",
                "Go back to it",
                "Makes the build what the revision on the left was; the journal stays. Can be undone",
                () -> goingBack.ifPresent(desk.session()::does));
        standing.setAlignment(Pos.CENTER_LEFT);
        standing.setId("revision-standing");
        lacking.setId("revision-lacks");
        VBox left = new VBox(
                8,
                Ui.label("Name it as it is", "step-phase"),
                new HBox(6, name, words),
                Ui.button(
                        "revision-add",
                        "Name this revision",
                        "Keeps the build as it is now under this name",
                        this::nameIt),
                refused,
                Ui.label("May it be passed on?", "step-phase"),
                standing,
                lacking,
                publish);
        Ui.present(refused, false);
        ScrollPane scroll = Ui.scroll(left);
        scroll.setMinWidth(LEFT_WIDTH);
        scroll.setMaxWidth(LEFT_WIDTH);
        GridPane sides = Ui.form();
        from.setMaxWidth(Double.MAX_VALUE);
        to.setMaxWidth(Double.MAX_VALUE);
        GridPane.setHgrow(from, Priority.ALWAYS);
        GridPane.setHgrow(to, Priority.ALWAYS);
        sides.addRow(0, Ui.label("from", "soft"), from, back);
        sides.addRow(1, Ui.label("to", "soft"), to);
        from.setAccessibleText("Compare from");
        to.setAccessibleText("Compare to");
        from.valueProperty().addListener((o, was, is) -> compare());
        to.valueProperty().addListener((o, was, is) -> compare());
        list.setId("differences");
        list.setAccessibleText("What is otherwise, figure by figure");
        list.setPlaceholder(Ui.words("Nothing is otherwise.", "soft"));
        list.setCellFactory(l -> new Line());
        verdicts.setId("differences-verdicts");
        VBox right = new VBox(8, Ui.label("What is otherwise", "step-phase"), sides, verdicts, list);
        VBox.setVgrow(list, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        getChildren().setAll(scroll, right);
        desk.keepShowing(this, RevisionsPane::told, this::show);
    }

    /** Where something is otherwise, and what it was and is. */
    private final class Line extends ListCell<Difference> {
        @Override
        protected void updateItem(Difference d, boolean empty) {
            super.updateItem(d, empty);
            setText(null);
            if (empty || d == null) {
                setGraphic(null);
                return;
            }
            String change = d.before().isEmpty()
                    ? "new: " + d.now()
                    : d.now().isEmpty() ? "gone: " + d.before() : d.before() + " → " + d.now();
            VBox words = new VBox(1, Ui.words(d.where(), "soft"), Ui.words(change));
            words.prefWidthProperty().bind(list.widthProperty().subtract(LINE_MARGIN));
            setGraphic(words);
            setAccessibleText(d.where() + ": " + change);
        }
    }

    private static Told told(Evaluation evaluation) {
        return new Told(evaluation.build(), Revisions.standing(evaluation));
    }

    private void show(Told told) {
        String is = told.standing()
                .current()
                .map(r -> "It is revision " + r.name() + ".")
                .orElse("It is a draft: no revision is like it.");
        boolean tested = told.standing().isTested();
        List<String> lacks = told.standing().lacks();
        standing.getChildren()
                .setAll(
                        StateMark.of(tested ? State.FINE : State.WATCH, MARK),
                        Ui.words(is
                                + (tested
                                        ? " It is tested and may be passed on."
                                        : " It may not be passed on as tested:")));
        lacking.getChildren().clear();
        lacks.stream().limit(MOST_LACKS).forEach(l -> lacking.getChildren().add(Ui.words("· " + l, "soft")));
        if (lacks.size() > MOST_LACKS) {
            lacking.getChildren().add(Ui.words("and " + (lacks.size() - MOST_LACKS) + " more", "soft"));
        }
        publish.setDisable(!tested);
        List<Side> sides = new ArrayList<>();
        told.build().journal().revisions().forEach(r -> sides.add(new Side(Optional.of(r))));
        sides.add(new Side(Optional.empty()));
        filling = true;
        // The last revision against the build, until somebody chooses otherwise.
        Side last = sides.get(Math.max(0, sides.size() - 2));
        fill(from, sides, last);
        fill(to, sides, sides.getLast());
        filling = false;
        compare();
    }

    /** What was chosen stays, where it is still there; what nobody chose is the last there is. */
    private static void fill(ComboBox<Side> box, List<Side> sides, Side otherwise) {
        Side chosen = box.getValue();
        boolean stays = chosen != null
                && sides.contains(chosen)
                && (chosen.revision().isPresent() || otherwise.revision().isEmpty());
        box.getItems().setAll(sides);
        box.setValue(stays ? chosen : otherwise);
    }

    private void nameIt() {
        try {
            Revision revision = Revisions.named(desk.session().build(), name.getText(), today.get(), words.getText());
            desk.session().does(Edits.journal("name revision " + revision.name(), j -> j.and(revision)));
            name.clear();
            words.clear();
            refused.setText("");
        } catch (IllegalArgumentException e) {
            refused.setText(e.getMessage());
        }
        Ui.present(refused, !refused.getText().isEmpty());
    }

    private void compare() {
        Side one = from.getValue();
        Side other = to.getValue();
        if (filling || one == null || other == null) {
            return;
        }
        back.setDisable(true);
        Evaluation now = desk.session().evaluation().get();
        comparing.ask(() -> compared(one, other, now), compared -> {
            verdicts.getChildren().clear();
            compared.lines().forEach(l -> verdicts.getChildren().add(Ui.words(l)));
            list.getItems().setAll(compared.figures());
            goingBack = compared.back();
            back.setDisable(goingBack.isEmpty());
        });
    }

    private static Compared compared(Side one, Side other, Evaluation now) {
        try {
            Evaluation before = judged(one, now);
            Evaluation after = judged(other, now);
            Changes changes = Changes.between(before, after);
            List<String> lines = new ArrayList<>(changes.verdicts());
            List<String> redrawn = Book.redrawn(before, after);
            if (!redrawn.isEmpty()) {
                lines.add("Drawings that are otherwise: " + String.join("; ", redrawn));
            }
            return new Compared(lines, changes.figures(), one.revision().map(r -> Revisions.backTo(r, before.build())));
        } catch (FormatException e) {
            return new Compared(
                    List.of("This revision cannot be read any more: " + e.getMessage()), List.of(), Optional.empty());
        }
    }

    private static Evaluation judged(Side side, Evaluation now) throws FormatException {
        return side.revision().isPresent()
                ? Evaluator.evaluate(Revisions.read(side.revision().get()))
                : now;
    }
}
