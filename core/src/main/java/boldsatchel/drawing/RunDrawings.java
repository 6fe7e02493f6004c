package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.Charge;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What happens over time: the discharge, the charge, the cycle of use; and the voltmeter table that comes of it. */
public final class RunDrawings {

    private static final double TEXT = 3.6;
    private static final double LEFT = 14;
    private static final double WIDTH = 190;
    private static final double RIGHT = 22;
    private static final double VOLTS_HEIGHT = 30;
    private static final double LEVEL_HEIGHT = 17;
    private static final double GAP = 6;
    private static final int RAIL_POINTS = 40;

    private RunDrawings() {}

    /** Hours at a point of the discharge's frame; negative left of the axis. */
    public static double hoursAt(ChainResult chain, Optional<Double> wantedHours, double x) {
        return x / WIDTH * most(chain, wantedHours);
    }

    private static double most(ChainResult chain, Optional<Double> wantedHours) {
        return Math.max(chain.run().hours(), wantedHours.orElse(0.0)) * 1.04;
    }

    /**
     * Voltages above, level and current below, over time, with what ends the run, where it starts no more and where a warning would come.
     *
     * @param network of the chain, for the voltages of its rails
     * @param scrubbed the moment to point out, if one is chosen
     */
    public static Drawing discharge(
            Build build,
            ChainResult chain,
            Network network,
            Optional<Double> wantedHours,
            Optional<Discharge.Sample> scrubbed) {
        Discharge run = chain.run();
        double height = VOLTS_HEIGHT + GAP + LEVEL_HEIGHT;
        Sketch s = new Sketch(-LEFT, height + 8);
        double wide = WIDTH + LEFT + RIGHT;
        if (run.samples().size() < 2 || Double.isInfinite(run.hours()) || run.hours() <= 0) {
            String words = Double.isInfinite(run.hours())
                    ? "goes on for more than a year"
                    : "does not run: " + run.end().kind().words();
            s.text(4, height / 2, TEXT * 1.2, Align.LEFT, true, Ink.STOP, words, "");
            return s.done("Discharge", wide, height + 16);
        }
        Run drawn = new Run(s, build, chain, network, most(chain, wantedHours));
        drawn.volts();
        drawn.levelAndAmps();
        drawn.marks(wantedHours);
        scrubbed.ifPresent(drawn::scrubbed);
        return s.done("Discharge", wide, height + 16);
    }

    private record Run(Sketch s, Build build, ChainResult chain, Network network, double most) {

        private double x(double hours) {
            return hours / most * WIDTH;
        }

        void volts() {
            double base = LEVEL_HEIGHT + GAP;
            List<Discharge.Sample> samples = chain.run().samples();
            List<Rung> rails = chain.half().rungs().keySet().stream()
                    .flatMap(id -> build.rung(id).stream())
                    .filter(r -> build.partOf(r)
                            .flatMap(p -> p.facet(Facet.Converts.class))
                            .isPresent())
                    .toList();
            double high =
                    samples.stream().mapToDouble(Discharge.Sample::volts).max().orElse(1);
            double low =
                    samples.stream().mapToDouble(Discharge.Sample::volts).min().orElse(0);
            for (Rung rail : rails) {
                double v = chain.half().rung(rail.id()).orElseThrow().voltsOut();
                high = Math.max(high, v);
                low = Math.min(low, v);
            }
            double pad = Math.max(0.1, (high - low) * 0.12);
            Scale scale = new Scale(Math.max(0, low - pad), high + pad, base, VOLTS_HEIGHT);
            frame(base, VOLTS_HEIGHT);
            scale.grid(s, "V", WIDTH);
            double lastY = Double.NEGATIVE_INFINITY;
            for (Rung rail : rails) {
                List<Point> curve = new ArrayList<>();
                for (int i = 0; i <= RAIL_POINTS; i++) {
                    Discharge.Sample sample = samples.get((samples.size() - 1) * i / RAIL_POINTS);
                    double v = rung(sample, rail.id());
                    if (!Double.isNaN(v)) {
                        curve.add(s.point(x(sample.hours()), scale.y(v)));
                    }
                }
                if (curve.size() > 1) {
                    s.curve(curve, 0.45, Ink.INK, rail.id());
                    double y =
                            scale.y(chain.half().rung(rail.id()).orElseThrow().voltsOut());
                    if (Math.abs(y - lastY) > TEXT) {
                        s.text(
                                WIDTH + 1.5,
                                y - 1.2,
                                TEXT,
                                Align.LEFT,
                                false,
                                Ink.INK,
                                Units.format(
                                                chain.half()
                                                        .rung(rail.id())
                                                        .orElseThrow()
                                                        .voltsOut(),
                                                1,
                                                "V") + " rail",
                                rail.id());
                        lastY = y;
                    }
                }
            }
            List<Point> terminals = samples.stream()
                    .map(sm -> s.point(x(sm.hours()), scale.y(sm.volts())))
                    .toList();
            s.curve(terminals, 0.8, Ink.ACCENT, chain.source());
            s.text(
                    1.5,
                    base + VOLTS_HEIGHT + 1.5,
                    TEXT,
                    Align.LEFT,
                    false,
                    Ink.ACCENT,
                    "at the source's terminals",
                    "");
        }

        private double rung(Discharge.Sample sample, String id) {
            int step = Math.min(sample.step(), build.brief().profile().steps().size() - 1);
            Demand demand = Demand.of(build.brief().profile().steps().get(step));
            return network.solve(sample.levels(), demand)
                    .rung(id)
                    .map(r -> r.voltsOut())
                    .orElse(Double.NaN);
        }

        void levelAndAmps() {
            List<Discharge.Sample> samples = chain.run().samples();
            frame(0, LEVEL_HEIGHT);
            for (int percent : new int[] {0, 50, 100}) {
                double y = percent / 100.0 * LEVEL_HEIGHT;
                s.line(0, y, WIDTH, y, 0.12, false, Ink.FAINT, "");
                s.text(-1.5, y - 1.2, TEXT, Align.RIGHT, false, Ink.SOFT, percent + " %", "");
            }
            double mostA =
                    samples.stream().mapToDouble(Discharge.Sample::amps).max().orElse(1) * 1.1;
            List<Point> amps = samples.stream()
                    .map(sm -> s.point(x(sm.hours()), sm.amps() / mostA * LEVEL_HEIGHT))
                    .toList();
            s.curve(amps, 0.35, Ink.WATCH, "");
            s.text(
                    WIDTH + 1.5,
                    samples.getLast().amps() / mostA * LEVEL_HEIGHT - 1.2,
                    TEXT,
                    Align.LEFT,
                    false,
                    Ink.WATCH,
                    Units.format(samples.getLast().amps(), 1, "A"),
                    "");
            List<Point> level = samples.stream()
                    .map(sm -> s.point(x(sm.hours()), sm.level() * LEVEL_HEIGHT))
                    .toList();
            s.curve(level, 0.6, Ink.INK, "");
            s.text(1.5, LEVEL_HEIGHT + 1.5, TEXT, Align.LEFT, false, Ink.INK, "charge left", "");
            s.text(24, LEVEL_HEIGHT + 1.5, TEXT, Align.LEFT, false, Ink.WATCH, "and current drawn", "");
            double step = PowerDrawings.niceStep(most / 9);
            for (double h = 0; h <= most; h += step) {
                s.line(x(h), 0, x(h), -1, 0.25, false, Ink.SOFT, "");
                s.text(x(h), -5, TEXT, Align.CENTRE, false, Ink.SOFT, Units.format(h), "");
            }
            s.text(WIDTH + 4, -5, TEXT, Align.LEFT, false, Ink.SOFT, "h", "");
        }

        private void frame(double base, double height) {
            s.frame(0, base, WIDTH, height, Sketch.NARROW, false, Ink.SOFT, "");
        }

        void marks(Optional<Double> wantedHours) {
            double top = LEVEL_HEIGHT + GAP + VOLTS_HEIGHT;
            Discharge run = chain.run();
            double end = x(run.hours());
            wantedHours.ifPresent(wanted -> {
                s.line(x(wanted), 0, x(wanted), top, Sketch.WIDE, true, Ink.INK, "");
                s.text(
                        x(wanted) - 1.5,
                        LEVEL_HEIGHT + 1.5,
                        TEXT,
                        Align.RIGHT,
                        false,
                        Ink.INK,
                        "wanted " + Units.format(wanted, 1, "h"),
                        "");
            });
            crossing(VoltTable.warnLevel(run), "a warning belongs here", VOLTS_HEIGHT - 5);
            chain.startsDownTo()
                    .filter(l -> l > run.endLevel() + 0.03)
                    .ifPresent(
                            l -> crossing(l, "does not start below " + Math.round(l * 100) + " %", VOLTS_HEIGHT - 10));
            s.line(end, 0, end, top, 0.7, false, Ink.STOP, "");
            s.text(
                    end,
                    top + 1.5,
                    TEXT,
                    Align.RIGHT,
                    true,
                    Ink.STOP,
                    Units.format(run.hours(), 2, "h") + ": " + run.end().kind().words(),
                    "");
        }

        private void crossing(double level, String words, double up) {
            chain.run().samples().stream()
                    .filter(sm -> sm.level() <= level)
                    .findFirst()
                    .ifPresent(sm -> {
                        double x = x(sm.hours());
                        s.line(x, 0, x, LEVEL_HEIGHT + GAP + VOLTS_HEIGHT, Sketch.WIDE, true, Ink.WATCH, "");
                        s.text(x - 1.5, LEVEL_HEIGHT + GAP + up, TEXT, Align.RIGHT, false, Ink.WATCH, words, "");
                    });
        }

        void scrubbed(Discharge.Sample at) {
            double x = x(at.hours());
            double top = LEVEL_HEIGHT + GAP + VOLTS_HEIGHT;
            s.line(x, 0, x, top + 2, 0.5, false, Ink.ACCENT, "");
            s.fill(x - 1.6, top + 1, 3.2, 2.6, Ink.ACCENT, 1, "");
            boolean left = x > WIDTH * 0.6;
            s.text(
                    left ? x - 3 : x + 3,
                    LEVEL_HEIGHT + GAP + 2,
                    TEXT,
                    left ? Align.RIGHT : Align.LEFT,
                    true,
                    Ink.ACCENT,
                    Units.format(at.hours(), 2, "h") + " · " + Math.round(at.level() * 100) + " % · "
                            + Units.format(at.volts(), 2, "V") + " · " + Units.format(at.amps(), 2, "A"),
                    "");
        }
    }

    /** Current into the cells and level over time, machine off and running. */
    public static Drawing charge(Charge.Result charge) {
        double height = 50;
        Sketch s = new Sketch(-LEFT, height + 8);
        double wide = WIDTH * 0.62;
        Charge.Curve off = charge.off();
        if (!Double.isFinite(off.hours()) || off.samples().size() < 2) {
            s.text(4, height / 2, TEXT * 1.2, Align.LEFT, true, Ink.STOP, "never full from this supply", "");
            return s.done("Charge", wide + LEFT + RIGHT, height + 16);
        }
        boolean alsoRunning =
                Double.isFinite(charge.running().hours()) && charge.running().hours() > off.hours() * 1.01;
        double most = (alsoRunning ? Math.min(charge.running().hours(), off.hours() * 4) : off.hours()) * 1.05;
        double mostA =
                off.samples().stream().mapToDouble(Discharge.Sample::amps).max().orElse(1) * 1.15;
        s.frame(0, 0, wide, height, Sketch.NARROW, false, Ink.SOFT, "");
        double step = PowerDrawings.niceStep(most / 7);
        for (double h = 0; h <= most; h += step) {
            double x = h / most * wide;
            s.line(x, 0, x, height, 0.12, false, Ink.FAINT, "");
            s.text(x, -5, TEXT, Align.CENTRE, false, Ink.SOFT, Units.format(h), "");
        }
        s.text(wide + 3, -5, TEXT, Align.LEFT, false, Ink.SOFT, "h", "");
        for (int percent : new int[] {0, 50, 100}) {
            double y = percent / 100.0 * height * 0.95;
            s.line(0, y, wide, y, 0.12, false, Ink.FAINT, "");
            s.text(-1.5, y - 1.2, TEXT, Align.RIGHT, false, Ink.SOFT, percent + " %", "");
        }
        if (alsoRunning) {
            s.curve(level(s, charge.running(), most, wide, height), 0.5, Ink.SOFT, "");
            s.text(wide - 2, 4, TEXT, Align.RIGHT, false, Ink.SOFT, "thin: while it runs", "");
        }
        s.curve(level(s, off, most, wide, height), 0.8, Ink.ACCENT, "");
        List<Point> amps = off.samples().stream()
                .map(sm -> s.point(sm.hours() / most * wide, sm.amps() / mostA * height))
                .toList();
        s.curve(amps, 0.5, Ink.WATCH, "");
        s.text(1.5, height + 2, TEXT, Align.LEFT, false, Ink.ACCENT, "charge", "");
        s.text(
                18,
                height + 2,
                TEXT,
                Align.LEFT,
                false,
                Ink.WATCH,
                "and current, at first " + Units.format(off.samples().getFirst().amps(), 2, "A"),
                "");
        return s.done("Charge", wide + LEFT + RIGHT, height + 16);
    }

    private static List<Point> level(Sketch s, Charge.Curve curve, double most, double wide, double height) {
        return curve.samples().stream()
                .filter(sm -> sm.hours() <= most)
                .map(sm -> s.point(sm.hours() / most * wide, sm.level() * height * 0.95))
                .toList();
    }

    /** One cycle of a profile as a band: each step as long as it lasts, as high as it works, as light as its screen. */
    public static Drawing cycle(UseProfile profile, int selected) {
        double height = 16;
        double wide = WIDTH + RIGHT;
        Sketch s = new Sketch(-2, height + 6);
        double total = profile.minutes();
        double at = 0;
        for (int k = 0; k < profile.steps().size(); k++) {
            UseProfile.Step step = profile.steps().get(k);
            double width = step.minutes() / total * wide;
            String id = "step-" + k;
            double tall = height
                    * (step.mode() == Mode.OFF
                            ? 0.2
                            : step.mode() == Mode.SLEEP ? 0.35 : step.mode() == Mode.IDLE ? 0.65 : 1);
            s.fill(at, 0, width, height, Ink.PAPER, 1, id);
            s.fill(
                    at,
                    0,
                    width,
                    tall,
                    step.brightness() > 0.5 ? Ink.ENERGY : step.brightness() > 0 ? Ink.POWER : Ink.OTHER,
                    1,
                    id);
            s.frame(
                    at,
                    0,
                    width,
                    height,
                    k == selected ? 0.9 : Sketch.NARROW,
                    false,
                    k == selected ? Ink.ACCENT : Ink.INK,
                    id);
            s.fitted(at + 1.5, 9, TEXT, width - 3, Align.LEFT, k == selected, Ink.INK, step.name(), id);
            s.fitted(
                    at + 1.5,
                    4,
                    TEXT,
                    width - 3,
                    Align.LEFT,
                    false,
                    Ink.INK,
                    Units.format(step.minutes()) + " min " + step.mode().words() + ", screen "
                            + Math.round(step.brightness() * 100) + " %",
                    id);
            at += width;
        }
        s.text(
                0,
                height + 1.5,
                TEXT,
                Align.LEFT,
                false,
                Ink.SOFT,
                "one cycle of " + Units.format(total)
                        + " min, over and over; drag an edge to change how long a step lasts",
                "");
        return s.done("Cycle of use", wide + 4, height + 8);
    }

    /** Step whose end is near a point of the cycle's frame; nothing elsewhere. */
    public static Optional<Integer> edgeAt(UseProfile profile, double x) {
        double at = 0;
        for (int k = 0; k < profile.steps().size() - 1; k++) {
            at += profile.steps().get(k).minutes() / profile.minutes() * (WIDTH + RIGHT);
            if (Math.abs(x - at) < 2) {
                return Optional.of(k);
            }
        }
        return Optional.empty();
    }

    /** Minutes from the cycle's start at a point of its frame. */
    public static double minutesAt(UseProfile profile, double x) {
        return Math.clamp(x / (WIDTH + RIGHT), 0, 1) * profile.minutes();
    }

    /** The voltmeter table as a card to stick on the case, 1:1. */
    public static Drawing voltCard(String name, VoltTable table) {
        double wide = 62;
        double row = 4.6;
        Sketch s = new Sketch(-1, 14);
        s.frame(0, -row * table.rows().size() - 8, wide, row * table.rows().size() + 21, 0.5, false, Ink.INK, "");
        s.fitted(3, 7.5, 4, wide - 6, Align.LEFT, true, Ink.INK, name, "");
        double[] columns = {13, 28, 43, 58};
        String[] heads = {"left", "off", "idle", "busy"};
        for (int i = 0; i < columns.length; i++) {
            s.text(columns[i], 2, 3.2, Align.RIGHT, false, Ink.SOFT, heads[i], "");
        }
        int n = 0;
        for (VoltTable.Row r : table.rows()) {
            double y = -row * (n + 1) + 1;
            boolean warn = r.level() <= table.warnLevel();
            s.line(2, y + row - 1.2, wide - 2, y + row - 1.2, 0.12, false, Ink.FAINT, "");
            String[] texts = {Math.round(r.level() * 100) + " %", volts(r.restV()), volts(r.idleV()), volts(r.busyV())};
            for (int i = 0; i < texts.length; i++) {
                s.text(columns[i], y, 3.4, Align.RIGHT, i == 0 || warn, warn ? Ink.STOP : Ink.INK, texts[i], "");
            }
            n++;
        }
        s.text(3, -row * n - 4.5, 3, Align.LEFT, false, Ink.STOP, "bold: save and shut down", "");
        return s.done("Voltmeter table", wide + 2, row * n + 23);
    }

    private static String volts(double v) {
        return Double.isNaN(v) ? "stops" : Units.format(v, 2, "V");
    }
}
