package boldsatchel.desktop.begin;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.machine.Part;
import boldsatchel.plan.Likeness;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** One thing that somebody has: off the shelf, or like something there with a few measures of one's own. */
final class PieceRow extends VBox {

    private final ComboBox<Optional<Part>> choice;
    private final ToggleButton measured = new ToggleButton("measured …");
    private final HBox measures = new HBox(6);
    private final Runnable changed;
    private Likeness.Measured said = Likeness.Measured.NOTHING;

    /**
     * A row.
     *
     * @param id prefix of its fields' ids
     * @param none what is said when there is no such thing
     * @param draws whether its power can be measured
     */
    PieceRow(String id, String name, String none, boolean draws, Runnable changed) {
        super(3);
        this.changed = changed;
        choice = Ui.choice("begin-" + id, p -> p.map(Part::name).orElse(none));
        choice.getItems().add(Optional.empty());
        choice.setValue(Optional.empty());
        choice.setMaxWidth(Double.MAX_VALUE);
        choice.valueProperty().addListener((o, was, is) -> chosen());
        HBox.setHgrow(choice, Priority.ALWAYS);
        measured.setId("begin-" + id + "-measured");
        measured.setMinWidth(USE_PREF_SIZE);
        measured.setTooltip(new Tooltip("It is only like this one: type what you measured, the rest stays a guess"));
        measured.setDisable(true);
        measured.setOnAction(e -> chosen());
        measures.setAlignment(Pos.TOP_LEFT);
        measures.getChildren()
                .addAll(
                        field(
                                id + "-width",
                                "width",
                                v -> said(v, said.depthMm(), said.heightMm(), said.massG(), said.watts())),
                        field(
                                id + "-depth",
                                "depth",
                                v -> said(said.widthMm(), v, said.heightMm(), said.massG(), said.watts())),
                        field(
                                id + "-height",
                                "height",
                                v -> said(said.widthMm(), said.depthMm(), v, said.massG(), said.watts())),
                        field(
                                id + "-mass",
                                Quantity.MASS,
                                "mass",
                                v -> said(said.widthMm(), said.depthMm(), said.heightMm(), v, said.watts())));
        if (draws) {
            measures.getChildren()
                    .add(field(
                            id + "-watts",
                            Quantity.POWER,
                            "busy power",
                            v -> said(said.widthMm(), said.depthMm(), said.heightMm(), said.massG(), v)));
        }
        Label label = Ui.label(name, "field-name");
        label.setLabelFor(choice);
        label.setMinWidth(70);
        HBox row = new HBox(8, label, choice, measured);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(row, measures);
        chosen();
    }

    private UnitField field(String id, String prompt, Consumer<Optional<Double>> accept) {
        return field(id, Quantity.LENGTH, prompt, accept);
    }

    private UnitField field(String id, Quantity quantity, String prompt, Consumer<Optional<Double>> accept) {
        UnitField field = UnitField.optional("begin-" + id, quantity, v -> {
                    accept.accept(v);
                    changed.run();
                })
                .prompt(prompt)
                .wide(7);
        field.setMaxWidth(96);
        return field;
    }

    private void said(
            Optional<Double> width,
            Optional<Double> depth,
            Optional<Double> height,
            Optional<Double> mass,
            Optional<Double> watts) {
        said = new Likeness.Measured(width, depth, height, mass, watts);
    }

    private void chosen() {
        measured.setDisable(choice.getValue().isEmpty());
        boolean own = measured.isSelected() && choice.getValue().isPresent();
        measures.setVisible(own);
        measures.setManaged(own);
        changed.run();
    }

    /** What can be chosen. */
    void offer(List<Part> parts) {
        parts.forEach(p -> choice.getItems().add(Optional.of(p)));
    }

    /** What there is. */
    Optional<Part> part() {
        return choice.getValue().map(p -> measured.isSelected() ? Likeness.of(p, said) : p);
    }
}
