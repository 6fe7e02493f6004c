package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.heat.HeatPlace;
import boldsatchel.heat.HeatRun;
import boldsatchel.heat.HeatRun.Moment;
import boldsatchel.heat.HeatRun.Spot;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Temperatures over a run of use, with what happens in it. */
public final class HeatDrawings {

    private static final double TEXT = 3.4;
    private static final double LEFT = 14;
    private static final double WIDTH = 104;
    private static final double RIGHT = 76;
    private static final double HEIGHT = 58;
    private static final double STRIP = 10;
    private static final double GAP = 5;
    private static final double ABOVE = 8;
    /** Curves that can be told apart. */
    private static final int MOST_CURVES = 7;

    private static final double LEAST_SPAN_K = 20;
    private static final double MINUTES_UP_TO_HOURS = 1.5;

    private HeatDrawings() {}

    /** Hours at a point of the run's frame; negative left of the axis. */
    public static double hoursAt(HeatRun run, double x) {
        return x / WIDTH * run.hours();
    }

    /**
     * The spots that come nearest to what they may reach, with their limits, and below them the charge that is left and the share of the work that
     * boards do.
     *
     * @param selected id of a part whose curve is shown in any case; empty for none
     * @param at the moment to point out, if one is chosen
     */
    public static Drawing overTime(HeatRun run, String selected, Optional<Moment> at) {
        Sketch s = new Sketch(-LEFT, HEIGHT + GAP + STRIP + ABOVE);
        double wide = LEFT + WIDTH + RIGHT;
        double high = ABOVE + HEIGHT + GAP + STRIP + 8;
        if (run.hours() <= 0) {
            s.text(
                    4,
                    HEIGHT / 2,
                    TEXT * 1.2,
                    Align.LEFT,
                    true,
                    Ink.STOP,
                    "does not run: " + run.end().map(e -> e.kind().words()).orElse("no time passes"),
                    "");
            return s.done("Temperatures over time", wide, high);
        }
        Plot plot = new Plot(s, run, curves(run, selected));
        plot.temperatures();
        plot.strip();
        plot.hours();
        plot.events();
        at.ifPresent(plot::moment);
        return s.done("Temperatures over time", wide, high);
    }

    /** What is shown of a run: least room to its limit first, then the warmest, each place once. */
    private static List<Integer> curves(HeatRun run, String selected) {
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < run.spots().size(); i++) {
            all.add(i);
        }
        all.sort(Comparator.comparing((Integer i) -> !isOf(run.spots().get(i), selected))
                .thenComparingDouble(i -> run.spots().get(i).limitC() - run.highestC(i))
                .thenComparingDouble(i -> -run.highestC(i)));
        List<Integer> curves = new ArrayList<>();
        for (int i : all) {
            HeatPlace place = run.spots().get(i).place();
            if (curves.size() < MOST_CURVES
                    && curves.stream().noneMatch(c -> run.spots().get(c).place().equals(place))) {
                curves.add(i);
            }
        }
        return curves;
    }

    private static boolean isOf(Spot spot, String part) {
        return spot.place().kind() == HeatPlace.Kind.PART
                && spot.place().subject().equals(part);
    }

    private record Plot(Sketch s, HeatRun run, List<Integer> curves, Scale scale) {

        private static final List<Ink> INKS = List.of(Ink.STOP, Ink.ACCENT, Ink.INK, Ink.WATCH, Ink.FINE, Ink.SOFT);

        Plot(Sketch s, HeatRun run, List<Integer> curves) {
            this(s, run, curves, scale(run, curves));
        }

        private static Scale scale(HeatRun run, List<Integer> curves) {
            double low = Double.POSITIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            for (int c : curves) {
                for (Moment moment : run.moments()) {
                    low = Math.min(low, moment.celsius().get(c));
                    high = Math.max(high, moment.celsius().get(c));
                }
                double limit = run.spots().get(c).limitC();
                high = limit < high + LEAST_SPAN_K ? Math.max(high, limit) : high;
            }
            double pad = Math.max(LEAST_SPAN_K - (high - low), (high - low) * 0.06);
            return new Scale(low - (high - low) * 0.03, high + pad, STRIP + GAP, HEIGHT);
        }

        private double x(double hours) {
            return hours / run.hours() * WIDTH;
        }

        private Ink ink(int place) {
            return INKS.get(place % INKS.size());
        }

        void temperatures() {
            s.frame(0, STRIP + GAP, WIDTH, HEIGHT, Sketch.NARROW, false, Ink.SOFT, "");
            scale.grid(s, "°C", WIDTH);
            List<Integer> fromAbove = new ArrayList<>();
            for (int k = 0; k < curves.size(); k++) {
                fromAbove.add(k);
            }
            fromAbove.sort(Comparator.comparingDouble(
                    k -> -run.moments().getLast().celsius().get(curves.get(k))));
            double next = Double.POSITIVE_INFINITY;
            for (int k : fromAbove) {
                next = curve(k, next) - TEXT * 1.25;
            }
        }

        /** A curve, its limit, and at its end its name, no higher than may be; returns where that stands. */
        private double curve(int k, double highest) {
            int c = curves.get(k);
            Spot spot = run.spots().get(c);
            List<Point> points = run.moments().stream()
                    .map(m -> s.point(x(m.hours()), scale.y(m.celsius().get(c))))
                    .toList();
            String subject = spot.place().subject();
            s.curve(points, 0.55, ink(k), subject);
            if (spot.limitC() <= scale.high()) {
                s.line(0, scale.y(spot.limitC()), WIDTH, scale.y(spot.limitC()), 0.3, true, ink(k), subject);
            }
            double last = run.moments().getLast().celsius().get(c);
            double y = Math.min(highest, scale.y(last) - TEXT * 0.35);
            s.line(WIDTH, scale.y(last), WIDTH + 3, y + TEXT * 0.35, 0.2, false, ink(k), subject);
            String most = run.highestC(c) > last + 0.5 ? ", at most " + Units.format(run.highestC(c), 0, "°C") : "";
            s.fitted(
                    WIDTH + 3.5,
                    y,
                    TEXT,
                    RIGHT - 4,
                    Align.LEFT,
                    false,
                    ink(k),
                    Units.format(last, 0, "°C") + "  " + spot.name() + most,
                    subject);
            return y;
        }

        /** Charge and work. */
        void strip() {
            s.frame(0, 0, WIDTH, STRIP, Sketch.NARROW, false, Ink.SOFT, "");
            boolean slows = run.moments().stream().anyMatch(m -> m.work() < 1);
            boolean runsDown = run.moments().stream().anyMatch(m -> !Double.isNaN(m.level()));
            if (!slows && !runsDown) {
                s.text(
                        WIDTH + 3.5,
                        STRIP / 2 - 1.2,
                        TEXT,
                        Align.LEFT,
                        false,
                        Ink.SOFT,
                        "nothing runs down or slows down",
                        "");
            }
            if (runsDown) {
                s.curve(
                        run.moments().stream()
                                .map(m -> s.point(x(m.hours()), m.level() * STRIP))
                                .toList(),
                        0.5,
                        Ink.INK,
                        "");
                s.text(WIDTH + 3.5, 0.6, TEXT, Align.LEFT, false, Ink.INK, "charge left", "");
            }
            if (slows) {
                s.curve(
                        run.moments().stream()
                                .map(m -> s.point(x(m.hours()), m.work() * STRIP))
                                .toList(),
                        0.4,
                        Ink.WATCH,
                        "");
                s.text(
                        WIDTH + 3.5,
                        STRIP - 3,
                        TEXT,
                        Align.LEFT,
                        false,
                        Ink.WATCH,
                        "work done, mean " + Units.format(run.work() * 100, 0, "%"),
                        "");
            }
            s.text(-1.5, STRIP - 2.6, TEXT, Align.RIGHT, false, Ink.SOFT, "100 %", "");
        }

        void hours() {
            boolean minutes = run.hours() < MINUTES_UP_TO_HOURS;
            double unit = minutes ? 1 / 60.0 : 1;
            double step = PowerDrawings.niceStep(run.hours() / unit / 7);
            for (double at = 0; at * unit <= run.hours() * 1.0001; at += step) {
                s.line(x(at * unit), 0, x(at * unit), -1, 0.25, false, Ink.SOFT, "");
                s.text(x(at * unit), -5, TEXT, Align.CENTRE, false, Ink.SOFT, Units.format(at), "");
            }
            s.text(WIDTH + 3.5, -5, TEXT, Align.LEFT, false, Ink.SOFT, minutes ? "min" : "h", "");
        }

        /** What happens, numbered above the plot, so that a list beside it can say what. */
        void events() {
            double top = STRIP + GAP + HEIGHT;
            double free = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < run.events().size(); i++) {
                double x = x(run.events().get(i).hours());
                s.line(x, 0, x, top + 1.5, 0.3, true, Ink.SOFT, "");
                double at = Math.max(x, free);
                s.text(at, top + 2.4, TEXT, Align.CENTRE, true, Ink.INK, Integer.toString(i + 1), "");
                free = at + TEXT * 1.1;
            }
        }

        void moment(Moment moment) {
            double x = x(moment.hours());
            double top = STRIP + GAP + HEIGHT;
            s.line(x, 0, x, top, 0.5, false, Ink.ACCENT, "");
            for (int k = 0; k < curves.size(); k++) {
                double y = scale.y(moment.celsius().get(curves.get(k)));
                s.fill(x - 0.7, y - 0.7, 1.4, 1.4, ink(k), 1, "");
            }
        }
    }
}
