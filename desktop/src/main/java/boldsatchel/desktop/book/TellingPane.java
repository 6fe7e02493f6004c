package boldsatchel.desktop.book;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Journal.Credit;
import boldsatchel.machine.Journal.Lesson;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the next builder should know: what would be done otherwise, who helped, and what may be done with the book. */
final class TellingPane extends VBox {

    private final Desk desk;
    private final TextField licence = new TextField();

    TellingPane(Desk desk) {
        super(10);
        this.desk = desk;
        licence.setId("licence");
        licence.setPromptText("as a sentence ends: Creative Commons BY 4.0");
        licence.setAccessibleText("Licence of the book");
        Ui.whenWritten(licence, () -> {
            String now = licence.getText().strip();
            if (!now.equals(journal().licence())) {
                desk.session().does(Edits.journal("licence of the book", j -> j.under(now)));
            }
        });
        VBox lessons = pairs(
                "lesson",
                "To be done otherwise the next time",
                "what",
                "because",
                Journal::lessons,
                l -> l.why().isBlank() ? l.what() : l.what() + ", because " + l.why(),
                Lesson::new,
                Journal::withLessons);
        VBox credits = pairs(
                "credit",
                "Credits",
                "who",
                "for what, and under which licence",
                Journal::credits,
                c -> c.what().isBlank() ? c.who() : c.who() + ": " + c.what(),
                Credit::new,
                Journal::withCredits);
        getChildren().setAll(lessons, credits, Ui.label("This book may be passed on under", "step-phase"), licence);
        desk.keepShowing(this, () -> {
            if (!licence.isFocused()) {
                licence.setText(journal().licence());
            }
        });
    }

    private Journal journal() {
        return desk.session().build().journal();
    }

    /** A list of things said in two fields each, with a line to add one. */
    private <T> VBox pairs(
            String id,
            String title,
            String first,
            String second,
            Function<Journal, List<T>> list,
            Function<T, String> words,
            BiFunction<String, String, T> make,
            BiFunction<Journal, List<T>, Journal> with) {
        VBox lines = new VBox(4);
        lines.setId(id + "s");
        TextField one = field(id + "-first", first);
        TextField other = field(id + "-second", second);
        Runnable add = () -> {
            if (!one.getText().isBlank()) {
                T made = make.apply(one.getText().strip(), other.getText().strip());
                List<T> more = new ArrayList<>(list.apply(journal()));
                more.add(made);
                desk.session().does(Edits.journal("add to “" + title + "”", j -> with.apply(j, more)));
                one.clear();
                other.clear();
                one.requestFocus();
            }
        };
        one.setOnAction(e -> other.requestFocus());
        other.setOnAction(e -> add.run());
        desk.keepShowing(lines, () -> {
            lines.getChildren().clear();
            List<T> now = list.apply(journal());
            for (int i = 0; i < now.size(); i++) {
                int place = i;
                Label line = Ui.words("· " + words.apply(now.get(i)));
                HBox.setHgrow(line, Priority.ALWAYS);
                HBox row = new HBox(8, line, Ui.button(id + "-remove-" + i, "Remove", "Takes this line out", () -> {
                    List<T> left = new ArrayList<>(list.apply(journal()));
                    left.remove(place);
                    desk.session().does(Edits.journal("remove from “" + title + "”", j -> with.apply(j, left)));
                }));
                row.setAlignment(Pos.CENTER_LEFT);
                lines.getChildren().add(row);
            }
        });
        return new VBox(
                6,
                Ui.label(title, "step-phase"),
                lines,
                new HBox(6, one, other, Ui.button(id + "-add", "Add", "Adds this line", add)));
    }

    private static TextField field(String id, String prompt) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText(prompt);
        field.setAccessibleText(prompt);
        HBox.setHgrow(field, Priority.ALWAYS);
        return field;
    }
}
