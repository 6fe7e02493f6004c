package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.Arrays;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;

/** One question and its answer. It stays and says something else after an edit: what is not new is not painted, and focus stays. */
final class VerdictCard extends VBox {

    private static final double RANGE_WIDTH = 34;
    private static final List<String> STATES =
            Arrays.stream(State.values()).map(State::words).toList();

    private final StackPane mark = new StackPane();
    private final Label state = Ui.label("", "verdict-state");
    private final Label value = Ui.label("", "verdict-value");
    private final Label limit = Ui.label("", "verdict-limit");
    private final Line rangeBar = line("range-bar");
    private final Line rangeValue = line("range-value");
    private final Line rangeLimit = line("range-limit");
    private final Tooltip tip = new Tooltip();

    VerdictCard(Verdict.Kind kind, Runnable open) {
        super(1);
        HBox head = new HBox(6, mark, Ui.label(kind.title(), "verdict-title"), Ui.spring(), state);
        head.setAlignment(Pos.CENTER_LEFT);
        value.setMinWidth(USE_PREF_SIZE);
        value.setId("verdict-" + kind.id());
        Pane range = new Pane(rangeBar, rangeValue, rangeLimit);
        range.setMinSize(RANGE_WIDTH, 14);
        range.setMaxSize(RANGE_WIDTH, 14);
        VBox right = new VBox(range, limit);
        right.setAlignment(Pos.BOTTOM_RIGHT);
        HBox body = new HBox(2, value, Ui.spring(), right);
        body.setAlignment(Pos.BOTTOM_LEFT);
        getChildren().addAll(head, body);
        getStyleClass().add("verdict");
        setId("card-" + kind.id());
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        Tooltip.install(this, tip);
        setOnMouseClicked(e -> open.run());
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                open.run();
            }
        });
        HBox.setHgrow(this, Priority.ALWAYS);
    }

    /** Shows an answer; the currency stands before an amount of money. */
    void show(Verdict v, String currency) {
        Verdict.Kind kind = v.kind();
        String words = v.state().words();
        if (!state.getText().equals(words)) {
            mark.getChildren().setAll(StateMark.of(v.state(), 13));
            restyle(getStyleClass(), words);
            restyle(state.getStyleClass(), words);
            state.setText(words);
        }
        value.setText(currency + kind.format(v.value()));
        limit.setText(
                v.limit().isPresent()
                        ? (kind.moreIsBetter() ? "≥ " : "≤ ")
                                + kind.format(v.limit().getAsDouble())
                        : "no limit");
        setAccessibleText(kind.title() + ", " + words + ", " + kind.format(v.value()));
        tip.setText(v.sentence() + "\nLikely " + kind.format(v.low()) + " to " + kind.format(v.high())
                + ". Open the working.");
        range(v);
    }

    private static void restyle(List<String> styles, String state) {
        styles.removeAll(STATES);
        styles.add(state);
    }

    /** The likely range as a bar with the value on it and the limit as a tick. */
    private void range(Verdict v) {
        boolean known = Double.isFinite(v.low()) && Double.isFinite(v.high());
        rangeBar.setVisible(known);
        rangeValue.setVisible(known);
        rangeLimit.setVisible(known && v.limit().isPresent());
        if (!known) {
            return;
        }
        double wanted = v.limit().orElse(v.value());
        double low = Math.min(v.low(), wanted);
        double high = Math.max(v.high(), wanted);
        double pad = Math.max(1e-6, (high - low) * 0.12);
        double from = low - pad;
        double width = high + pad - from;
        double a = (v.low() - from) / width * RANGE_WIDTH;
        double b = (v.high() - from) / width * RANGE_WIDTH;
        double x = (v.value() - from) / width * RANGE_WIDTH;
        double l = (wanted - from) / width * RANGE_WIDTH;
        place(rangeBar, a, 8, Math.max(b, a + 2), 8);
        place(rangeValue, x, 3, x, 13);
        place(rangeLimit, l, 1, l, 14);
    }

    private static Line line(String style) {
        Line line = new Line();
        line.getStyleClass().add(style);
        return line;
    }

    private static void place(Line line, double x1, double y1, double x2, double y2) {
        line.setStartX(x1);
        line.setStartY(y1);
        line.setEndX(x2);
        line.setEndY(y2);
    }
}
