package boldsatchel.drawing;

import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.power.Breach;
import boldsatchel.power.Discharge;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The power chain as a ladder, and the discharge as a curve. */
public final class PowerDrawings {

    private static final double ROW = 9;
    private static final double INDENT = 7;
    private static final double NAME_WIDTH = 92;
    private static final double[] COLUMNS = {112, 132, 152, 172};
    private static final double FILL_LEFT = 180;
    private static final double FILL_WIDTH = 34;
    private static final double WIDTH = 220;
    private static final double TEXT = 3.6;

    private PowerDrawings() {}

    /**
     * The ladder: one row a rung from the source down, with volts, amps, watts and heat, and how full its limit is.
     *
     * @param point at which everything is shown
     * @param selected id of the rung to point out; empty for none
     */
    public static Drawing ladder(Build build, Rung source, OperatingPoint point, String selected) {
        int rows = (int) source.walk().count();
        Sketch s = new Sketch(0, ROW * 1.4);
        String[] heads = {"in, V", "A", "W", "heat, W"};
        for (int i = 0; i < heads.length; i++) {
            s.text(COLUMNS[i], 3, TEXT, Align.RIGHT, false, Ink.SOFT, heads[i], "");
        }
        s.text(FILL_LEFT, 3, TEXT, Align.LEFT, false, Ink.SOFT, "of its limit", "");
        new Ladder(s, build, point, selected).rung(source, 0, 0);
        return s.done("Power chain", WIDTH, ROW * (rows + 1.4) + 2);
    }

    private record Ladder(Sketch s, Build build, OperatingPoint point, String selected) {

        /** Draws a rung and what it feeds; returns the next free row. */
        int rung(Rung rung, int row, int depth) {
            double y = -ROW * (row + 1);
            double x = 3 + depth * INDENT;
            boolean chosen = rung.id().equals(selected);
            Optional<Breach> breach = point.breaches().stream()
                    .filter(b -> b.rung().equals(rung.id()))
                    .findFirst();
            Ink edge =
                    breach.map(b -> b.kind().endsRun() ? Ink.STOP : Ink.WATCH).orElse(chosen ? Ink.ACCENT : Ink.INK);
            s.line(2, y - 0.6, WIDTH - 2, y - 0.6, 0.12, false, Ink.FAINT, rung.id());
            s.fill(x, y + 0.6, NAME_WIDTH - x + 2, ROW - 2.2, tint(rung), 1, rung.id());
            s.frame(
                    x,
                    y + 0.6,
                    NAME_WIDTH - x + 2,
                    ROW - 2.2,
                    chosen || breach.isPresent() ? 0.8 : Sketch.NARROW,
                    false,
                    edge,
                    rung.id());
            s.fitted(
                    x + 2,
                    y + 2.6,
                    TEXT,
                    NAME_WIDTH - x - 3,
                    Align.LEFT,
                    depth == 0,
                    Ink.INK,
                    rung.name(build),
                    rung.id());
            point.rung(rung.id()).ifPresent(state -> numbers(rung, state, y, breach));
            int next = row + 1;
            for (Rung fed : rung.feeds()) {
                double childY = -ROW * (next + 1) + ROW / 2;
                double spine = x + INDENT / 2;
                s.line(spine, y + 0.6, spine, childY, 0.35, false, Ink.INK, "");
                s.line(spine, childY, x + INDENT, childY, 0.35, false, Ink.INK, "");
                next = rung(fed, next, depth + 1);
            }
            return next;
        }

        private void numbers(Rung rung, OperatingPoint.RungState state, double y, Optional<Breach> breach) {
            String[] texts = {
                Units.format(state.voltsIn(), 2, ""),
                Units.format(state.ampsIn(), 2, ""),
                Units.format(state.voltsIn() * state.ampsIn(), 2, ""),
                Units.format(state.heatW(), 2, "")
            };
            for (int i = 0; i < texts.length; i++) {
                s.text(COLUMNS[i], y + 2.6, TEXT, Align.RIGHT, false, Ink.INK, texts[i], rung.id());
            }
            if (breach.isPresent()) {
                s.fitted(
                        FILL_LEFT,
                        y + 2.6,
                        TEXT,
                        WIDTH - FILL_LEFT,
                        Align.LEFT,
                        true,
                        breach.get().kind().endsRun() ? Ink.STOP : Ink.WATCH,
                        (breach.get().kind().endsRun() ? "stop " : "watch ")
                                + Units.format(breach.get().value()) + "/"
                                + Units.format(breach.get().limit()),
                        rung.id());
                return;
            }
            fullness(rung, state).ifPresent(share -> {
                s.frame(FILL_LEFT, y + 2, FILL_WIDTH * 0.62, 3.6, Sketch.NARROW, false, Ink.SOFT, rung.id());
                s.fill(
                        FILL_LEFT,
                        y + 2,
                        FILL_WIDTH * 0.62 * Math.min(1, share),
                        3.6,
                        share > 0.9 ? Ink.WATCH : Ink.SOFT,
                        0.8,
                        rung.id());
                s.text(
                        FILL_LEFT + FILL_WIDTH,
                        y + 2.6,
                        TEXT,
                        Align.RIGHT,
                        false,
                        Ink.INK,
                        Math.round(share * 100) + " %",
                        rung.id());
            });
        }

        /** Share of the current limit that is used. */
        private Optional<Double> fullness(Rung rung, OperatingPoint.RungState state) {
            return switch (rung.stage()) {
                case Rung.Wire w -> Optional.of(state.ampsIn() / boldsatchel.power.Copper.closedCaseAmps(w.awg()));
                case Rung.Contact c -> Optional.of(state.ampsIn() / c.ratedA());
                case Rung.Diode d -> Optional.of(state.ampsIn() / d.ratedA());
                case Rung.OfPart of -> build.part(of.part()).flatMap(p -> limitA(p, state));
                case Rung.Capacitor c -> Optional.empty();
                case Rung.Charging c -> Optional.empty();
                case Rung.Join j -> Optional.empty();
            };
        }

        private static Optional<Double> limitA(Part part, OperatingPoint.RungState state) {
            Optional<Double> converter = part.facet(Facet.Converts.class)
                    .map(c ->
                            (c.kind() == Facet.ConverterKind.STEP_UP ? state.ampsIn() : state.ampsOut()) / c.limitA());
            return converter
                    .or(() -> part.facet(Facet.Cells.class).map(c -> state.ampsIn() / c.maxDischargeA()))
                    .or(() -> part.offer().map(o -> state.ampsIn() / o.amps()));
        }

        private Ink tint(Rung rung) {
            return rung.part()
                    .flatMap(build::part)
                    .map(p -> FamilyStyle.of(p.family()).tint())
                    .orElse(Ink.PAPER);
        }
    }

    /** Terminal voltage and level over time, with what ends the run. */
    public static Drawing discharge(ChainResult chain, String endWords, Optional<Double> wantedHours) {
        double left = 14;
        double width = 196;
        double height = 58;
        Discharge run = chain.run();
        Sketch s = new Sketch(-left, height + 8);
        List<Discharge.Sample> samples = run.samples();
        if (samples.size() < 2 || Double.isInfinite(run.hours()) || run.hours() <= 0) {
            s.text(4, height / 2, TEXT * 1.2, Align.LEFT, true, Ink.STOP, endWords, "");
            return s.done("Discharge", width + left + 10, height + 22);
        }
        double most = Math.max(run.hours(), wantedHours.orElse(0.0)) * 1.04;
        double high =
                samples.stream().mapToDouble(Discharge.Sample::volts).max().orElse(1);
        double low = samples.stream().mapToDouble(Discharge.Sample::volts).min().orElse(0);
        double pad = Math.max(0.1, (high - low) * 0.15);
        double bottom = Math.max(0, low - pad);
        double top = high + pad;
        double hourStep = niceStep(most / 8);
        for (double h = 0; h <= most; h += hourStep) {
            double x = h / most * width;
            s.line(x, 0, x, height, 0.12, false, Ink.FAINT, "");
            s.text(x, -5, TEXT, Align.CENTRE, false, Ink.SOFT, Units.format(h), "");
        }
        s.text(width + 4, -5, TEXT, Align.LEFT, false, Ink.SOFT, "h", "");
        double voltStep = niceStep((top - bottom) / 5);
        for (double v = Math.ceil(bottom / voltStep) * voltStep; v <= top; v += voltStep) {
            double y = (v - bottom) / (top - bottom) * height;
            s.line(0, y, width, y, 0.12, false, Ink.FAINT, "");
            s.text(-1.5, y - 1.2, TEXT, Align.RIGHT, false, Ink.SOFT, Units.format(v), "");
        }
        s.text(-left + 1, height + 3, TEXT, Align.LEFT, false, Ink.SOFT, "V at the terminals", "");
        s.frame(0, 0, width, height, Sketch.NARROW, false, Ink.SOFT, "");
        List<Point> volts = new ArrayList<>();
        List<Point> levels = new ArrayList<>();
        for (Discharge.Sample sample : samples) {
            double x = sample.hours() / most * width;
            volts.add(s.point(x, (sample.volts() - bottom) / (top - bottom) * height));
            levels.add(s.point(x, sample.level() * height));
        }
        s.curve(levels, 0.3, Ink.SOFT, "");
        s.curve(volts, 0.8, Ink.ACCENT, "");
        Point half = levels.get(levels.size() / 2);
        s.text(
                half.x() - left - 2,
                height + 8 - half.y() - 5.5,
                TEXT,
                Align.RIGHT,
                false,
                Ink.SOFT,
                "charge left, full height is 100 %",
                "");
        double end = run.hours() / most * width;
        s.line(end, 0, end, height, 0.7, false, Ink.STOP, "");
        s.text(
                end - 2,
                height - 5,
                TEXT,
                Align.RIGHT,
                true,
                Ink.STOP,
                Units.format(run.hours(), 2, "h") + ": " + endWords,
                "");
        wantedHours.ifPresent(wanted -> {
            double x = wanted / most * width;
            s.line(x, 0, x, height, Sketch.WIDE, true, Ink.INK, "");
            s.text(x - 1.5, 2, TEXT, Align.RIGHT, false, Ink.INK, "wanted " + Units.format(wanted, 1, "h"), "");
        });
        chain.startsDownTo().filter(l -> l > run.endLevel() + 0.03).ifPresent(level -> {
            samples.stream().filter(sm -> sm.level() <= level).findFirst().ifPresent(sm -> {
                double x = sm.hours() / most * width;
                s.line(x, 0, x, height, Sketch.WIDE, true, Ink.WATCH, "");
                s.text(
                        x - 1.5,
                        8,
                        TEXT,
                        Align.RIGHT,
                        false,
                        Ink.WATCH,
                        "does not start below " + Math.round(level * 100) + " %",
                        "");
            });
        });
        return s.done("Discharge", width + left + 10, height + 22);
    }

    /** A step of 1, 2 or 5 times a power of ten, not below a least one. */
    static double niceStep(double least) {
        double ten = Math.pow(10, Math.floor(Math.log10(least)));
        for (double factor : new double[] {1, 2, 5}) {
            if (ten * factor >= least) {
                return ten * factor;
            }
        }
        return ten * 10;
    }
}
