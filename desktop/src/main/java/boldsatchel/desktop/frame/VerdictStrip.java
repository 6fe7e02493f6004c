package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;

/** The builder's questions and their answers, always in sight; each opens its working. */
final class VerdictStrip extends HBox {

    private static final PseudoClass PENDING = PseudoClass.getPseudoClass("pending");
    private static final double RANGE_WIDTH = 78;

    private final Desk desk;
    private List<Verdict> shown = List.of();

    VerdictStrip(Desk desk) {
        this.desk = desk;
        getStyleClass().add("verdict-strip");
        desk.session().pending().subscribe(late -> pseudoClassStateChanged(PENDING, late));
        desk.session().evaluation().subscribe(e -> show(e.verdicts()));
    }

    /** Only a card whose verdict changed is made anew: a drag touches few. */
    private void show(List<Verdict> verdicts) {
        if (verdicts.size() != shown.size()) {
            getChildren().setAll(verdicts.stream().map(this::card).toList());
        } else {
            for (int i = 0; i < verdicts.size(); i++) {
                if (!says(verdicts.get(i)).equals(says(shown.get(i)))) {
                    getChildren().set(i, card(verdicts.get(i)));
                }
            }
        }
        shown = verdicts;
    }

    private static List<Object> says(Verdict v) {
        return List.of(v.kind(), v.state(), v.value(), v.low(), v.high(), v.limit(), v.sentence());
    }

    private void open(Verdict.Kind kind) {
        desk.working().set(Optional.empty());
        desk.working().set(Optional.of(kind));
    }

    private VBox card(Verdict v) {
        String currency = v.kind().equals(Verdict.Kind.COSTS)
                ? desk.session().shown().brief().currency() + " "
                : "";
        HBox head = new HBox(
                6,
                StateMark.of(v.state(), 13),
                Ui.label(v.kind().title(), "verdict-title"),
                Ui.spring(),
                Ui.label(v.state().words(), "verdict-state", v.state().words()));
        head.setAlignment(Pos.CENTER_LEFT);
        var value = Ui.label(currency + v.kind().format(v.value()), "verdict-value");
        value.setMinWidth(USE_PREF_SIZE);
        value.setId("verdict-" + v.kind().id());
        String limit = v.limit().isPresent()
                ? (v.kind().moreIsBetter() ? "at least " : "at most ")
                        + v.kind().format(v.limit().getAsDouble())
                : "no limit set";
        VBox right = new VBox(range(v), Ui.label(limit, "verdict-limit"));
        right.setAlignment(Pos.BOTTOM_RIGHT);
        HBox body = new HBox(6, value, Ui.spring(), right);
        body.setAlignment(Pos.BOTTOM_LEFT);
        VBox card = new VBox(1, head, body);
        card.getStyleClass().addAll("verdict", v.state().words());
        card.setId("card-" + v.kind().id());
        card.setFocusTraversable(true);
        card.setAccessibleRole(AccessibleRole.BUTTON);
        card.setAccessibleText(
                v.kind().title() + ", " + v.state().words() + ", " + v.kind().format(v.value()));
        Tooltip.install(
                card,
                new Tooltip(v.sentence() + "\nLikely " + v.kind().format(v.low()) + " to "
                        + v.kind().format(v.high()) + ". Open the working."));
        card.setOnMouseClicked(e -> open(v.kind()));
        card.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                open(v.kind());
            }
        });
        HBox.setHgrow(card, Priority.ALWAYS);
        return card;
    }

    /** The likely range as a bar with the value on it and the limit as a tick. */
    private static Pane range(Verdict v) {
        Pane pane = new Pane();
        pane.setMinSize(RANGE_WIDTH, 14);
        pane.setMaxSize(RANGE_WIDTH, 14);
        if (!Double.isFinite(v.low()) || !Double.isFinite(v.high())) {
            return pane;
        }
        double limit = v.limit().orElse(v.value());
        double low = Math.min(v.low(), limit);
        double high = Math.max(v.high(), limit);
        double pad = Math.max(1e-6, (high - low) * 0.12);
        double from = low - pad;
        double width = high + pad - from;
        double a = (v.low() - from) / width * RANGE_WIDTH;
        double b = (v.high() - from) / width * RANGE_WIDTH;
        double x = (v.value() - from) / width * RANGE_WIDTH;
        Line bar = line(a, 8, Math.max(b, a + 2), 8, "range-bar");
        Line mark = line(x, 3, x, 13, "range-value");
        pane.getChildren().addAll(bar, mark);
        if (v.limit().isPresent()) {
            double l = (limit - from) / width * RANGE_WIDTH;
            pane.getChildren().add(line(l, 1, l, 14, "range-limit"));
        }
        return pane;
    }

    private static Line line(double x1, double y1, double x2, double y2, String style) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().add(style);
        return line;
    }
}
