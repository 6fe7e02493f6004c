package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.Copper;
import boldsatchel.power.OperatingPoint;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The power chain as a ladder. */
public final class PowerDrawings {

    /** Height of a row, mm. */
    public static final double ROW = 6.4;

    private static final double INDENT = 5;
    private static final double NAME_WIDTH = 104;
    private static final double[] COLUMNS = {121, 137, 154, 171};
    private static final double FILL_LEFT = 179;
    private static final double FILL_WIDTH = 34;
    private static final double WIDTH = 220;
    private static final double TEXT = 3.5;

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

        /** Draws a rung, before it the sources it joins, and what it feeds; returns the next free row. */
        int rung(Rung rung, int firstRow, int depth) {
            int row = firstRow;
            double spineX = 3 + INDENT / 2;
            for (Rung source : rung.joined()) {
                int end = rung(source, row, depth + 1);
                double lastY = -ROW * end + ROW / 2;
                s.line(spineX, lastY, 3 + (end - row + depth) * INDENT, lastY, 0.35, false, Ink.INK, "");
                row = end;
            }
            if (row > firstRow) {
                double top = -ROW * (firstRow + rung.joined().getFirst().row().size()) + ROW / 2;
                s.line(spineX, top, spineX, -ROW * (row + 1) + ROW - 1.6, 0.35, false, Ink.INK, "");
            }
            double y = -ROW * (row + 1);
            double x = 3 + depth * INDENT;
            boolean chosen = rung.id().equals(selected);
            Optional<Breach> breach = point.breaches().stream()
                    .filter(b -> b.rung().equals(rung.id()))
                    .findFirst();
            Ink edge =
                    breach.map(b -> b.kind().endsRun() ? Ink.STOP : Ink.WATCH).orElse(chosen ? Ink.ACCENT : Ink.INK);
            s.line(2, y - 0.4, WIDTH - 2, y - 0.4, 0.12, false, Ink.FAINT, rung.id());
            s.fill(x, y + 0.3, NAME_WIDTH - x + 2, ROW - 1.4, tint(rung), 1, rung.id());
            s.frame(
                    x,
                    y + 0.3,
                    NAME_WIDTH - x + 2,
                    ROW - 1.4,
                    chosen || breach.isPresent() ? 0.8 : Sketch.NARROW,
                    false,
                    edge,
                    rung.id());
            s.fitted(
                    x + 2,
                    y + 1.9,
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
                s.line(spine, y + 0.3, spine, childY, 0.35, false, Ink.INK, "");
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
                s.text(COLUMNS[i], y + 1.9, TEXT, Align.RIGHT, false, Ink.INK, texts[i], rung.id());
            }
            if (breach.isPresent()) {
                s.fitted(
                        FILL_LEFT,
                        y + 1.9,
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
                s.frame(FILL_LEFT, y + 1.4, FILL_WIDTH * 0.62, 3, Sketch.NARROW, false, Ink.SOFT, rung.id());
                s.fill(
                        FILL_LEFT,
                        y + 1.4,
                        FILL_WIDTH * 0.62 * Math.min(1, share),
                        3,
                        share > 0.9 ? Ink.WATCH : Ink.SOFT,
                        0.8,
                        rung.id());
                s.text(
                        FILL_LEFT + FILL_WIDTH,
                        y + 1.9,
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
                case Rung.Wire w -> Optional.of(state.ampsIn() / Copper.closedCaseAmps(w.awg()));
                case Rung.Contact c -> Optional.of(state.ampsIn() / c.ratedA());
                case Rung.Diode d -> Optional.of(state.ampsIn() / d.ratedA());
                case Rung.OfPart of -> build.part(of.part()).flatMap(p -> limitA(p, state));
                case Rung.Socket plug ->
                    build.outlet(rung).map(o -> state.ampsOut() / o.gives().amps());
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

    /** Whether a point of the ladder's frame is near the upper edge of its row: dropped there, a piece goes before the row's rung. */
    public static boolean isUpperEdge(double y) {
        double inRow = (-y / ROW) - Math.floor(-y / ROW);
        return inRow < 0.3;
    }

    /** Id of the rung whose row is at a point of the ladder's frame. */
    public static Optional<String> rungAt(Rung source, double y) {
        List<Rung> rows = rows(source).toList();
        int row = (int) Math.floor(-y / ROW);
        return row >= 0 && row < rows.size() ? Optional.of(rows.get(row).id()) : Optional.empty();
    }

    /** Rungs in the order they are drawn: the sources of a joint before the joint. */
    private static Stream<Rung> rows(Rung rung) {
        return Stream.of(
                        rung.joined().stream().flatMap(PowerDrawings::rows),
                        Stream.of(rung),
                        rung.feeds().stream().flatMap(PowerDrawings::rows))
                .flatMap(s -> s);
    }

    /** Upper edge of the row at a point of the ladder's frame, mm. */
    public static double upperEdge(double y) {
        return -ROW * Math.floor(-y / ROW);
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
