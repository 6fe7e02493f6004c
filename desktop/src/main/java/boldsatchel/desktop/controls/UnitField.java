package boldsatchel.desktop.controls;

import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;

/**
 * A field for a number with its unit. It takes what people write, shows it in the stored unit once accepted, and says below what is wrong
 * and what would be right; what was there before stays in force until then.
 */
public final class UnitField extends VBox {

    private final Quantity quantity;
    private final boolean mayBeEmpty;
    private final TextField text = new TextField();
    private final Wrong error = new Wrong(text);
    private final Consumer<Optional<Double>> accept;
    private Optional<Double> value = Optional.empty();

    private UnitField(String id, Quantity quantity, boolean mayBeEmpty, Consumer<Optional<Double>> accept) {
        this.quantity = quantity;
        this.mayBeEmpty = mayBeEmpty;
        this.accept = accept;
        getStyleClass().add("unit-field");
        text.setId(id);
        text.setPromptText(mayBeEmpty ? "not said" : quantity.example());
        getChildren().addAll(text, error);
        Ui.whenWritten(text, this::commit);
        text.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                show(value);
            }
        });
    }

    /** A field that must hold a number. */
    public static UnitField required(String id, Quantity quantity, Consumer<Double> accept) {
        return new UnitField(id, quantity, false, v -> v.ifPresent(accept));
    }

    /** A field that may be left empty. */
    public static UnitField optional(String id, Quantity quantity, Consumer<Optional<Double>> accept) {
        return new UnitField(id, quantity, true, accept);
    }

    /** What the empty field says. */
    public UnitField prompt(String words) {
        text.setPromptText(words);
        return this;
    }

    /** Width of the text field in letters. */
    public UnitField wide(int letters) {
        text.setPrefColumnCount(letters);
        return this;
    }

    /** Shows a value without reporting it. */
    public void show(Optional<Double> shown) {
        value = shown;
        text.setText(shown.map(v -> Units.format(quantity, v)).orElse(""));
        error.clear();
    }

    /** Shows a value without reporting it. */
    public void show(double shown) {
        show(Optional.of(shown));
    }

    private void commit() {
        String written = text.getText();
        if (written.equals(value.map(v -> Units.format(quantity, v)).orElse(""))) {
            error.clear();
            return;
        }
        if (written.isBlank() && mayBeEmpty) {
            value = Optional.empty();
            error.clear();
            accept.accept(value);
            return;
        }
        try {
            double read = Units.parse(quantity, written.replace('−', '-'));
            if (quantity == Quantity.SHARE && !written.contains("%") && read > 1) {
                read /= 100;
            }
            quantity.check("it", read, quantity.least(), quantity.most());
            Optional<Double> before = value;
            show(read);
            try {
                accept.accept(value);
            } catch (IllegalArgumentException e) {
                show(before);
                text.setText(written);
                throw e;
            }
        } catch (Units.UnreadableException e) {
            error.say(e.getMessage());
        } catch (IllegalArgumentException e) {
            error.say("That cannot be: " + e.getMessage() + ".");
        }
    }
}
