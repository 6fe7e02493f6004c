package boldsatchel.desktop.controls;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;

/**
 * A field for whole numbers or names in a row, with commas between. What cannot be read is said below, and what was there before stays in
 * force.
 */
final class ListField extends VBox {

    private final TextField text = new TextField();
    private final Wrong error = new Wrong(text);
    private final boolean numbers;
    private final Function<Object, String> words;
    private final Consumer<List<Object>> accept;
    private String shown = "";

    /**
     * A field.
     *
     * @param numbers whether they are whole numbers, decimal or as 0x20; else names
     * @param words how one is written
     */
    ListField(String id, boolean numbers, Function<Object, String> words, Consumer<List<Object>> accept) {
        this.numbers = numbers;
        this.words = words;
        this.accept = accept;
        text.setId(id);
        text.setPrefColumnCount(9);
        text.setPromptText("commas between");
        getStyleClass().add("unit-field");
        getChildren().addAll(text, error);
        Ui.whenWritten(text, this::commit);
        text.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                text.setText(shown);
                error.clear();
            }
        });
    }

    /** Shows a list without reporting it. */
    void show(List<?> list) {
        shown = list.stream().map(words).collect(Collectors.joining(", "));
        text.setText(shown);
        error.clear();
    }

    private void commit() {
        if (text.getText().equals(shown)) {
            error.clear();
            return;
        }
        try {
            accept.accept(read(text.getText()));
        } catch (IllegalArgumentException e) {
            error.say("That cannot be: " + e.getMessage() + ".");
        }
    }

    private List<Object> read(String written) {
        List<Object> all = new ArrayList<>();
        for (String word : written.strip().split(numbers ? "[,;\\s]+" : "\\s*,\\s*")) {
            if (!word.isEmpty()) {
                all.add(numbers ? whole(word) : word);
            }
        }
        return all;
    }

    private static Integer whole(String word) {
        try {
            return Integer.decode(word);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("“" + word + "” is no whole number; write 3, 5 or 0x20", e);
        }
    }
}
