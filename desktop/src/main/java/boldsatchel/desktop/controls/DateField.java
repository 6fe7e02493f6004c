package boldsatchel.desktop.controls;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** A day, typed as 2026-05-31 or picked; may be left empty. What is no day is said below, and the day before stays. */
public final class DateField extends VBox {

    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");
    private static final double WIDE = 132;

    private final DatePicker picker = new DatePicker();
    private final Label problem = Ui.words("", "field-error");
    private boolean showing;

    /**
     * A field.
     *
     * @param accept hears what somebody typed or picked
     */
    public DateField(String id, Consumer<Optional<LocalDate>> accept) {
        super(2);
        picker.setId(id);
        picker.setPromptText("no day yet");
        picker.setTooltip(new Tooltip("A day, as 2026-05-31"));
        picker.setPrefWidth(WIDE);
        picker.setConverter(new StringConverter<>() {
            @Override
            public String toString(@Nullable LocalDate day) {
                return day == null ? "" : day.toString();
            }

            @Override
            public @Nullable LocalDate fromString(@Nullable String text) {
                return read(text);
            }
        });
        picker.valueProperty().addListener((o, was, is) -> {
            if (!showing) {
                accept.accept(Optional.ofNullable(is));
            }
        });
        picker.getEditor().focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                picker.setValue(read(picker.getEditor().getText()));
            }
        });
        tell("");
        getChildren().addAll(picker, problem);
    }

    private @Nullable LocalDate read(@Nullable String text) {
        try {
            LocalDate day = text == null || text.isBlank() ? null : LocalDate.parse(text.strip());
            tell("");
            return day;
        } catch (DateTimeParseException e) {
            tell("“" + e.getParsedString() + "” is no day; write it as 2026-05-31.");
            return picker.getValue();
        }
    }

    private void tell(String what) {
        problem.setText(what);
        problem.setVisible(!what.isEmpty());
        problem.setManaged(!what.isEmpty());
        picker.getEditor().pseudoClassStateChanged(WRONG, !what.isEmpty());
    }

    /** Shows a day without reporting it. */
    public void show(Optional<LocalDate> day) {
        showing = true;
        picker.setValue(day.orElse(null));
        showing = false;
    }
}
