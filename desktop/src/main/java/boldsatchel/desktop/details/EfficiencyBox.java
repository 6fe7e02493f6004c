package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.machine.Facet;
import boldsatchel.power.Efficiencies;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A converter's losses from the efficiencies of its data sheet: two or three points are typed, and its figures follow. */
final class EfficiencyBox extends VBox {

    private static final int POINTS = 3;

    private final List<Row> rows = new ArrayList<>();
    private final Label said = Ui.words("", "soft");

    private static final class Row {
        private Optional<Double> inV = Optional.empty();
        private Optional<Double> outA = Optional.empty();
        private Optional<Double> share = Optional.empty();

        private boolean isEmpty() {
            return inV.isEmpty() && outA.isEmpty() && share.isEmpty();
        }
    }

    /**
     * A box.
     *
     * @param now the converter as it is on show
     * @param change takes what is to be done to it
     */
    EfficiencyBox(Supplier<Optional<Facet.Converts>> now, Consumer<UnaryOperator<Facet.Converts>> change) {
        super(4);
        getChildren().add(Ui.words("Losses from the data sheet's efficiencies", "group-name"));
        for (int i = 0; i < POINTS; i++) {
            Row row = new Row();
            rows.add(row);
            getChildren()
                    .add(new HBox(
                            4,
                            field("in-" + i, Quantity.VOLTAGE, "at, V in", v -> row.inV = v),
                            field("out-" + i, Quantity.CURRENT, "A out", v -> row.outA = v),
                            field("share-" + i, Quantity.SHARE, "efficiency", v -> row.share = v)));
        }
        getChildren()
                .addAll(
                        Ui.button(
                                "efficiency-fit",
                                "Work the losses out",
                                "Quiet power, loss voltage and loss resistance by least squares",
                                () -> fit(now, change)),
                        said);
    }

    private static UnitField field(String id, Quantity quantity, String prompt, Consumer<Optional<Double>> accept) {
        UnitField field = UnitField.optional("efficiency-" + id, quantity, accept)
                .prompt(prompt)
                .wide(6);
        field.setMaxWidth(84);
        return field;
    }

    private void fit(Supplier<Optional<Facet.Converts>> now, Consumer<UnaryOperator<Facet.Converts>> change) {
        try {
            List<Efficiencies.Point> points = rows.stream()
                    .filter(r -> !r.isEmpty())
                    .map(EfficiencyBox::point)
                    .toList();
            now.get().map(c -> Efficiencies.fitted(c, points)).ifPresent(with -> {
                said.setText("They give "
                        + points.stream()
                                .map(p -> Units.format(100 * Efficiencies.at(with, p.inV(), p.outA()), 1, "%"))
                                .collect(Collectors.joining(", "))
                        + " there.");
                change.accept(c -> Efficiencies.fitted(c, points));
            });
        } catch (IllegalArgumentException e) {
            said.setText("Not yet: " + e.getMessage() + ".");
        }
    }

    private static Efficiencies.Point point(Row row) {
        if (row.inV.isEmpty() || row.outA.isEmpty() || row.share.isEmpty()) {
            throw new IllegalArgumentException(
                    "each point needs an input voltage, an output current and an efficiency");
        }
        return new Efficiencies.Point(row.inV.get(), row.outA.get(), row.share.get());
    }
}
