package boldsatchel.drawing;

import boldsatchel.bench.PackFit;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.log.Log;
import boldsatchel.log.Thinning;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** A log over time: each channel in a strip of its own, and what a fit says drawn over it, with what it leaves. */
public final class LogDrawing {

    private static final double TEXT = 3.6;
    private static final double LEFT = 14;
    private static final double WIDTH = 190;
    private static final double RIGHT = 24;
    private static final double GAP = 7;
    private static final double STRIP = 26;
    private static final double LOW_STRIP = 13;
    private static final int MOST_CHANNELS = 4;
    /** A pixel each on a wide window. */
    private static final int COLUMNS = 900;

    private static final double SECONDS_PER_HOUR = 3600;
    private static final double MILLI = 1000;

    private LogDrawing() {}

    /**
     * Draws a log.
     *
     * @param fit of the discharge in it, if it is one
     */
    public static Drawing of(Log log, Optional<PackFit.Result> fit) {
        List<Log.Channel> channels = log.channels().stream()
                .filter(c -> c.read() > 0)
                .limit(MOST_CHANNELS)
                .toList();
        double height = channels.size() * (STRIP + GAP) + (fit.isPresent() ? LOW_STRIP + GAP : 0) - GAP;
        Sketch s = new Sketch(-LEFT, height + 8);
        Plot plot = new Plot(s, log, Math.max(log.lasts(), 1) / SECONDS_PER_HOUR);
        double base = height;
        for (Log.Channel channel : channels) {
            base -= STRIP;
            plot.channel(channel, base, channel.quantity() == Quantity.VOLTAGE ? fit : Optional.empty());
            base -= GAP;
        }
        fit.ifPresent(f -> plot.residual(f, 0));
        plot.hours();
        return s.done("Log", WIDTH + LEFT + RIGHT, height + 16);
    }

    private record Plot(Sketch s, Log log, double most) {

        private double x(double hours) {
            return hours / most * WIDTH;
        }

        void channel(Log.Channel channel, double base, Optional<PackFit.Result> fit) {
            Thinning thin = Thinning.of(log, channel, 0, log.lasts(), COLUMNS);
            double low = Double.POSITIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < thin.size(); i++) {
                low = Math.min(low, channel.at(thin.moment(i)));
                high = Math.max(high, channel.at(thin.moment(i)));
            }
            double pad = Math.max((high - low) * 0.1, Math.max(1e-9, Math.abs(high) * 1e-3));
            Scale scale = new Scale(low - pad, high + pad, base, STRIP);
            s.frame(0, base, WIDTH, STRIP, Sketch.NARROW, false, Ink.SOFT, "");
            scale.grid(s, channel.quantity().unit(), WIDTH);
            List<Point> points = new ArrayList<>(thin.size());
            for (int i = 0; i < thin.size(); i++) {
                int m = thin.moment(i);
                points.add(s.point(x(log.second(m) / SECONDS_PER_HOUR), scale.y(channel.at(m))));
            }
            if (points.size() > 1) {
                s.curve(points, 0.35, Ink.ACCENT, "");
            }
            s.text(1.5, base + STRIP + 1.5, TEXT, Align.LEFT, false, Ink.ACCENT, channel.name() + ", as read", "");
            fit.ifPresent(f -> {
                curve(f.fitted(), PackFit.Fitted::model, scale, 0.5, Ink.INK);
                s.text(60, base + STRIP + 1.5, TEXT, Align.LEFT, false, Ink.INK, "as the fitted pack would do", "");
            });
        }

        private void curve(
                List<PackFit.Fitted> fitted, ToDoubleFunction<PackFit.Fitted> value, Scale scale, double pen, Ink ink) {
            List<Point> points = fitted.stream()
                    .map(f -> s.point(x(f.hours()), scale.y(value.applyAsDouble(f))))
                    .toList();
            s.curve(points, pen, ink, "");
        }

        /** What the fit leaves, in millivolts, with twice the noise of a reading marked. */
        void residual(PackFit.Result fit, double base) {
            double most = 4 * fit.noiseV();
            for (PackFit.Fitted f : fit.fitted()) {
                most = Math.max(most, Math.abs(f.volts() - f.model()));
            }
            Scale scale = new Scale(-MILLI * most, MILLI * most, base, LOW_STRIP);
            s.frame(0, base, WIDTH, LOW_STRIP, Sketch.NARROW, false, Ink.SOFT, "");
            double band = 2 * MILLI * fit.noiseV();
            s.fill(0, scale.y(-band), WIDTH, scale.y(band) - scale.y(-band), Ink.FAINT, 0.35, "");
            s.line(0, scale.y(0), WIDTH, scale.y(0), 0.2, false, Ink.SOFT, "");
            curve(fit.fitted(), f -> MILLI * (f.volts() - f.model()), scale, 0.25, Ink.WATCH);
            s.text(1.5, base + LOW_STRIP + 1.5, TEXT, Align.LEFT, false, Ink.WATCH, "read less fitted", "");
            s.text(
                    WIDTH + 1.5,
                    scale.y(0) - 1.2,
                    TEXT,
                    Align.LEFT,
                    false,
                    Ink.SOFT,
                    "± " + Units.format(MILLI * most, 0, "mV"),
                    "");
        }

        void hours() {
            boolean minutes = most < 1;
            double whole = minutes ? most * 60 : most;
            double step = PowerDrawings.niceStep(whole / 9);
            for (double t = 0; t <= whole * 1.0001; t += step) {
                double at = t / whole * WIDTH;
                s.line(at, 0, at, -1, 0.25, false, Ink.SOFT, "");
                s.text(at, -5, TEXT, Align.CENTRE, false, Ink.SOFT, Units.format(t), "");
            }
            s.text(WIDTH + 5, -5, TEXT, Align.LEFT, false, Ink.SOFT, minutes ? "min" : "h", "");
        }
    }
}
