package boldsatchel.desktop.controls;

import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A field for a figure: value with unit, how it came to be known, and the range that gives. */
public final class FigureField extends VBox {

    /** Makes a field; every accepted change is reported as a whole figure. */
    public FigureField(String id, String name, Quantity quantity, Figure figure, Consumer<Figure> accept) {
        getStyleClass().add("figure-field");
        UnitField value = UnitField.required(id, quantity, v -> accept.accept(figure.withValue(v)))
                .wide(8);
        value.show(figure.value());
        ComboBox<Basis> basis = Ui.choice(id + "-basis", Basis.values(), figure.basis(), Basis::words);
        basis.setOnAction(e -> accept.accept(Figure.of(figure.value(), basis.getValue())));
        Label range = new Label("± " + Units.format(quantity, figure.plusMinus()));
        range.getStyleClass().addAll("soft", "trust-" + figure.basis().name().toLowerCase(java.util.Locale.ROOT));
        HBox head = new HBox(6, Ui.label(name), Ui.spring(), range);
        HBox row = new HBox(6, value, basis);
        HBox.setHgrow(value, Priority.ALWAYS);
        basis.setMinWidth(116);
        getChildren().addAll(head, row);
    }
}
