package boldsatchel.desktop.controls;

import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;

/** The line below a field that says what is wrong with what was written there. */
final class Wrong extends Label {

    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final TextField field;

    Wrong(TextField field) {
        this.field = field;
        getStyleClass().add("field-error");
        setWrapText(true);
        setMinHeight(USE_PREF_SIZE);
        clear();
    }

    void say(String message) {
        setText(message);
        show(true);
    }

    void clear() {
        show(false);
    }

    private void show(boolean shown) {
        setVisible(shown);
        setManaged(shown);
        field.pseudoClassStateChanged(WRONG, shown);
    }
}
