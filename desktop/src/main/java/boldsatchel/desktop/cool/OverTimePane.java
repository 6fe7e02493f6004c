package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.HeatDrawings;
import boldsatchel.heat.HeatRun;
import boldsatchel.quantity.Units;
import java.util.Optional;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;

/** Temperatures over a run, with a moment picked by dragging across or by the arrow keys, and beside it what happens. */
final class OverTimePane extends BorderPane {

    private static final double STEP_SHARE = 0.02;
    private static final double EVENTS_WIDTH = 250;

    private final Desk desk;
    private final Runnable scrubbed;
    private final DrawingView curve = new DrawingView().atMost(4.4);
    private final VBox events = new VBox(3);
    private final Label why = Ui.words("", "soft");
    private Optional<Followed> followed = Optional.empty();
    private Optional<Double> hours = Optional.empty();

    OverTimePane(Desk desk, Runnable scrubbed) {
        this.desk = desk;
        this.scrubbed = scrubbed;
        curve.setId("heat-over-time");
        curve.setFocusTraversable(true);
        curve.setOnMousePressed(e -> scrub(e.getX(), e.getY()));
        curve.setOnMouseDragged(e -> scrub(e.getX(), e.getY()));
        curve.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        events.setId("heat-events");
        why.setId("heat-why");
        ScrollPane list = Ui.scroll(events);
        list.setPrefWidth(EVENTS_WIDTH);
        list.setMinWidth(EVENTS_WIDTH);
        setCenter(curve);
        setRight(list);
        setTop(why);
    }

    void show(Followed now) {
        followed = Optional.of(now);
        why.setText(now.why());
        Ui.present(why, !now.why().isEmpty());
        curve.setVisible(now.run().isPresent());
        events.getChildren().clear();
        now.run().ifPresent(run -> {
            curve.show(
                    HeatDrawings.overTime(run, desk.session().selection().get(), moment()),
                    desk.dark().get());
            events.getChildren().add(Ui.label("What happens", "field-name"));
            for (int i = 0; i < run.events().size(); i++) {
                events.getChildren().add(event(run, i));
            }
            if (run.end().isEmpty()) {
                events.getChildren().add(Ui.words(unended(run, now.use().when().pluggedIn()), "soft"));
            }
        });
    }

    private static String unended(HeatRun run, boolean plugged) {
        String until = run.hours() < HeatRun.MOST_HOURS
                ? "After " + Units.duration(run.hours()) + " it repeats itself."
                : "Followed for " + Units.duration(run.hours()) + "; nothing ends it until then.";
        return until + (plugged ? " Charging is taken to go on as when half full." : "");
    }

    private Hyperlink event(HeatRun run, int which) {
        HeatRun.Event event = run.events().get(which);
        Hyperlink link = new Hyperlink((which + 1) + "  " + Units.duration(event.hours()) + ": " + words(run, event));
        link.setId("heat-event-" + (which + 1));
        link.setWrapText(true);
        link.setOnAction(e -> pick(event.hours()));
        return link;
    }

    private static String words(HeatRun run, HeatRun.Event event) {
        if (event.spot() < 0) {
            return run.end().map(e -> e.kind().words()).orElse(event.kind().words());
        }
        return run.spots().get(event.spot()).name() + " " + event.kind().words() + ", "
                + Units.format(event.celsius(), 0, "°C");
    }

    /** When the moment picked is, if one is. */
    Optional<Double> hours() {
        return hours;
    }

    /** The moment picked, if one is. */
    Optional<HeatRun.Moment> moment() {
        return hours.flatMap(h -> followed.flatMap(Followed::run).map(r -> r.at(h)));
    }

    void forget() {
        hours = Optional.empty();
    }

    private void scrub(double x, double y) {
        curve.requestFocus();
        followed.flatMap(Followed::run)
                .ifPresent(run ->
                        pick(HeatDrawings.hoursAt(run, curve.toFrame(x, y).getX())));
    }

    private void pick(double at) {
        followed.flatMap(Followed::run).ifPresent(run -> {
            hours = Optional.of(Math.clamp(at, 0, run.hours()));
            scrubbed.run();
        });
    }

    private void key(KeyEvent e) {
        double step =
                followed.flatMap(Followed::run).map(r -> r.hours() * STEP_SHARE).orElse(0.0);
        if (e.getCode() == KeyCode.RIGHT || e.getCode() == KeyCode.LEFT) {
            pick(hours.orElse(0.0) + (e.getCode() == KeyCode.RIGHT ? step : -step));
            e.consume();
        } else if (e.getCode() == KeyCode.ESCAPE) {
            forget();
            scrubbed.run();
            e.consume();
        }
    }
}
