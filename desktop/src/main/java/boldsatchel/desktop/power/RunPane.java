package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.machine.Build;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;

/** The discharge, with a moment of it picked by dragging across or by the arrow keys. */
final class RunPane extends StackPane {

    private static final double STEP_SHARE = 0.02;

    private final Desk desk;
    private final DrawingView curve = new DrawingView().atMost(4.4);
    private final Consumer<Optional<Discharge.Sample>> scrubbed;
    private final Latest drawing = Latest.following();
    private Optional<ChainResult> chain = Optional.empty();
    private Optional<Double> hours = Optional.empty();

    RunPane(Desk desk, Consumer<Optional<Discharge.Sample>> scrubbed) {
        this.desk = desk;
        this.scrubbed = scrubbed;
        curve.setId("discharge");
        curve.setFocusTraversable(true);
        curve.setOnMousePressed(e -> scrub(e.getX(), e.getY()));
        curve.setOnMouseDragged(e -> scrub(e.getX(), e.getY()));
        curve.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        getChildren().add(curve);
    }

    /** Shows a chain's run; drawn beside the window, as the ends of all profiles have to be found for it. */
    void show(Build build, Optional<ChainResult> result) {
        chain = result;
        curve.setVisible(result.isPresent());
        Optional<Discharge.Sample> at = sample();
        result.ifPresent(r -> drawing.ask(
                () -> build.rung(r.source())
                        .flatMap(root -> Network.of(build, root, Reading.NOMINAL, r.cells()))
                        .map(n -> RunDrawings.discharge(
                                build, r, n, build.brief().limits().hours(), at)),
                d -> d.ifPresent(x -> curve.show(x, desk.dark().get()))));
    }

    /** The moment picked, if one is. */
    Optional<Discharge.Sample> sample() {
        return hours.flatMap(h -> chain.flatMap(c ->
                c.run().samples().stream().min(Comparator.comparingDouble(s -> Math.abs(s.hours() - h)))));
    }

    void forget() {
        hours = Optional.empty();
    }

    private void scrub(double x, double y) {
        curve.requestFocus();
        chain.filter(c -> c.run().hours() > 0 && Double.isFinite(c.run().hours()))
                .ifPresent(c -> pick(RunDrawings.hoursAt(
                        c,
                        desk.session().shown().brief().limits().hours(),
                        curve.toFrame(x, y).getX())));
    }

    private void pick(double h) {
        chain.ifPresent(c -> {
            hours = Optional.of(Math.clamp(h, 0, c.run().hours()));
            scrubbed.accept(sample());
        });
    }

    private void key(KeyEvent e) {
        double step = chain.map(c -> c.run().hours() * STEP_SHARE).orElse(0.0);
        if (e.getCode() == KeyCode.RIGHT || e.getCode() == KeyCode.LEFT) {
            pick(hours.orElse(0.0) + (e.getCode() == KeyCode.RIGHT ? step : -step));
            e.consume();
        } else if (e.getCode() == KeyCode.ESCAPE) {
            forget();
            scrubbed.accept(Optional.empty());
            e.consume();
        }
    }
}
