package boldsatchel.desktop.controls;

import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A field for a figure: value with unit, how it came to be known, and the range that gives. */
public final class FigureField extends VBox {
    private final Quantity quantity;
    private final UnitField value;
    private final ComboBox<Basis> basis;
    private final Label range = new Label();
    private boolean showing;

    /** Makes a field; every accepted change is reported as what it does to the figure. */
    public FigureField(String id, String name, Quantity quantity, Consumer<UnaryOperator<Figure>> accept) {
        this.quantity = quantity;
        getStyleClass().add("figure-field");
        value = UnitField.required(id, quantity, v -> accept.accept(f -> f.withValue(v)))
                .wide(8);
        basis = Ui.choice(id + "-basis", Basis.values(), Basis.GUESS, Basis::words);
        basis.setOnAction(e -> {
            if (!showing) {
                Basis chosen = basis.getValue();
                accept.accept(f -> Figure.of(f.value(), chosen));
            }
        });
        HBox head = new HBox(6, Ui.label(name), Ui.spring(), range);
        HBox row = new HBox(6, value, basis);
        HBox.setHgrow(value, Priority.ALWAYS);
        basis.setMinWidth(116);
        getChildren().addAll(head, row);
    }

    /** Shows a figure without reporting it. */
    public void show(Figure figure) {
        showing = true;
        value.show(figure.value());
        basis.setValue(figure.basis());
        range.setText("± " + Units.format(quantity, figure.plusMinus()));
        range.getStyleClass()
                .setAll("label", "soft", "trust-" + figure.basis().name().toLowerCase(Locale.ROOT));
        showing = false;
    }
}
