package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.heat.HeatPlace;
import boldsatchel.heat.HeatWays;
import boldsatchel.heat.HeatWays.Flow;
import boldsatchel.machine.Build;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The way heat takes, from the left to the right: bands whose widths are watts. */
public final class WaysDrawing {

    private static final double TEXT = 3.4;
    private static final double WIDTH = 250;
    private static final double HEIGHT = 66;
    private static final double BAR = 3.2;
    private static final double ABOVE = 8;
    private static final double NAMES = 48;
    /** What is less than this of all heat is left out. */
    private static final double LEAST_SHARE = 0.015;

    private static final int CURVE_POINTS = 16;
    private static final int ROUNDS = 6;

    private final Sketch s = new Sketch(0, HEIGHT + ABOVE);
    private final Build build;
    private final List<Flow> flows;
    private final Map<HeatPlace, Bar> bars = new LinkedHashMap<>();
    private final double allW;
    private final HeatMap heat;

    /** A place: its column, and how much comes in and goes out. */
    private static final class Bar {
        private final HeatPlace place;
        private int column;
        private double in;
        private double out;
        private double put;
        private double y;
        private double high;
        private double x;

        Bar(HeatPlace place) {
            this.place = place;
        }

        double watts() {
            return Math.max(in + put, out);
        }
    }

    private WaysDrawing(Build build, HeatWays ways, HeatMap heat) {
        this.build = build;
        this.heat = heat;
        allW = ways.sources().stream().mapToDouble(HeatWays.Source::watts).sum();
        flows = ways.flows().stream()
                .filter(f -> f.watts() >= LEAST_SHARE * allW)
                .toList();
        for (Flow flow : flows) {
            bar(flow.from()).out += flow.watts();
            bar(flow.to()).in += flow.watts();
        }
        ways.sources().stream()
                .filter(source -> bars.containsKey(source.at()))
                .forEach(source -> bar(source.at()).put += source.watts());
    }

    private Bar bar(HeatPlace place) {
        return bars.computeIfAbsent(place, Bar::new);
    }

    /**
     * The ways of a use.
     *
     * @param heat temperatures that bars are tinted by
     */
    public static Drawing of(Build build, HeatWays ways, HeatMap heat) {
        return new WaysDrawing(build, ways, heat).drawn();
    }

    private Drawing drawn() {
        if (flows.isEmpty()) {
            s.text(4, HEIGHT / 2, TEXT * 1.2, Align.LEFT, false, Ink.SOFT, "Nothing warms in this use.", "");
            return s.done("The way of the heat", WIDTH, HEIGHT + ABOVE + 4);
        }
        columns();
        double perWatt = place();
        bands(perWatt);
        bars.values().forEach(this::name);
        s.text(
                0,
                HEIGHT + 3,
                TEXT,
                Align.LEFT,
                false,
                Ink.SOFT,
                "Heat set free, " + Units.format(allW, 1, "W") + ", and where it goes; ways of less than "
                        + Units.format(LEAST_SHARE * allW, 2, "W") + " are left out",
                "");
        return s.done("The way of the heat", WIDTH, HEIGHT + ABOVE + 4);
    }

    /** Each place stands right of all it has heat from; what goes round in a ring counts once. */
    private void columns() {
        for (HeatPlace place : bars.keySet()) {
            depth(place, new HashSet<>());
        }
        int last = bars.values().stream().mapToInt(b -> b.column).max().orElse(0);
        bars.values().forEach(b -> b.column = b.place.kind() == HeatPlace.Kind.SURROUNDINGS ? last : b.column);
    }

    private int depth(HeatPlace place, Set<HeatPlace> above) {
        Bar bar = bar(place);
        if (bar.column > 0 || !above.add(place)) {
            return bar.column;
        }
        int deepest = 0;
        for (Flow flow : flows) {
            if (flow.to().equals(place) && !above.contains(flow.from())) {
                deepest = Math.max(deepest, depth(flow.from(), above) + 1);
            }
        }
        above.remove(place);
        bar.column = deepest;
        return deepest;
    }

    /** Puts the bars, those of a column below one another and near to what they have to do with; returns mm a watt. */
    private double place() {
        int last = bars.values().stream().mapToInt(b -> b.column).max().orElse(0);
        List<List<Bar>> columns = new ArrayList<>();
        for (int c = 0; c <= last; c++) {
            int column = c;
            List<Bar> here = new ArrayList<>(bars.values().stream()
                    .filter(b -> b.column == column)
                    .sorted(Comparator.comparingDouble(b -> -b.watts()))
                    .toList());
            columns.add(here);
        }
        double perWatt = Double.POSITIVE_INFINITY;
        for (List<Bar> column : columns) {
            double watts = column.stream().mapToDouble(Bar::watts).sum();
            double gaps = Math.min(HEIGHT * 0.6, (column.size() - 1) * TEXT);
            perWatt = Math.min(perWatt, (HEIGHT - gaps) / Math.max(1e-9, watts));
        }
        for (int c = 0; c <= last; c++) {
            for (Bar bar : columns.get(c)) {
                bar.high = bar.watts() * perWatt;
                bar.x = last == 0 ? 0 : c * (WIDTH - NAMES) / last;
            }
            stack(columns.get(c));
        }
        for (int round = 0; round < ROUNDS; round++) {
            for (List<Bar> column : columns) {
                Map<Bar, Double> wanted = new HashMap<>();
                column.forEach(b -> wanted.put(b, middle(b)));
                column.sort(Comparator.comparingDouble(b -> wanted.getOrDefault(b, 0.0)));
                stack(column);
            }
        }
        return perWatt;
    }

    /** Mean height of what a bar has to do with, by watts. */
    private double middle(Bar bar) {
        double sum = 0;
        double watts = 0;
        for (Flow flow : flows) {
            boolean from = flow.from().equals(bar.place);
            if (from || flow.to().equals(bar.place)) {
                Bar other = bar(from ? flow.to() : flow.from());
                sum += flow.watts() * (other.y + other.high / 2);
                watts += flow.watts();
            }
        }
        return watts > 0 ? sum / watts : bar.y;
    }

    /** One below the other with equal gaps over the whole height; the first lowest. */
    private static void stack(List<Bar> column) {
        double taken = column.stream().mapToDouble(b -> b.high).sum();
        double gap = (HEIGHT - taken) / (column.size() + 1);
        double y = gap;
        for (Bar bar : column) {
            bar.y = y;
            y += bar.high + gap;
        }
    }

    private void bands(double perWatt) {
        Map<HeatPlace, Double> outFrom = new HashMap<>();
        Map<HeatPlace, Double> inFrom = new HashMap<>();
        List<Flow> sorted = new ArrayList<>(flows);
        sorted.sort(Comparator.comparingDouble((Flow f) -> bar(f.to()).y).thenComparingDouble(f -> bar(f.from()).y));
        for (Flow flow : sorted) {
            Bar from = bar(flow.from());
            Bar to = bar(flow.to());
            double high = flow.watts() * perWatt;
            double start = from.y + outFrom.merge(flow.from(), high, Double::sum) - high;
            double end = to.y + inFrom.merge(flow.to(), high, Double::sum) - high;
            band(from.x + BAR, start, to.x, end, high, flow);
        }
    }

    private void band(double x1, double y1, double x2, double y2, double high, Flow flow) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i <= CURVE_POINTS; i++) {
            points.add(on(x1, y1, x2, y2, i));
        }
        for (int i = CURVE_POINTS; i >= 0; i--) {
            points.add(on(x1, y1 + high, x2, y2 + high, i));
        }
        Ink tint = heat.ink(flow.from()).orElse(Ink.OTHER);
        s.polygon(points, tint, 0.75, flow.from().subject());
        s.outline(points, 0.12, false, Ink.SOFT, flow.from().subject());
    }

    private Point on(double x1, double y1, double x2, double y2, int i) {
        double share = i / (double) CURVE_POINTS;
        double smooth = share * share * (3 - 2 * share);
        return s.point(x1 + share * (x2 - x1), y1 + smooth * (y2 - y1));
    }

    private void name(Bar bar) {
        s.fill(bar.x, bar.y, BAR, bar.high, heat.ink(bar.place).orElse(Ink.PAPER), 1, bar.place.subject());
        s.frame(bar.x, bar.y, BAR, bar.high, Sketch.NARROW, false, Ink.INK, bar.place.subject());
        String name = switch (bar.place.kind()) {
            case PART -> build.part(bar.place.subject()).map(p -> p.name()).orElse(bar.place.subject());
            case AIR -> "air in " + tray(bar.place.subject());
            case WALL ->
                tray(bar.place.subject()) + ", "
                        + bar.place.wall().map(w -> w.words()).orElse("");
            case SURROUNDINGS -> "surroundings";
        };
        String words = Units.format(bar.watts(), 1, "W") + "  " + name;
        double room = NAMES - BAR - 2;
        double wide = Math.min(room, words.length() * TEXT * Sketch.LETTER_WIDTH);
        double y = bar.y + bar.high / 2 - TEXT * 0.35;
        s.fill(bar.x + BAR + 0.6, y - TEXT * 0.25, wide + 1, TEXT * 1.2, Ink.PAPER, 0.7, bar.place.subject());
        s.fitted(
                bar.x + BAR + 1.2,
                y,
                TEXT,
                room,
                Align.LEFT,
                bar.place.kind() == HeatPlace.Kind.SURROUNDINGS,
                Ink.INK,
                words,
                bar.place.subject());
    }

    private String tray(String id) {
        return build.shell(id).map(t -> t.name()).orElse(id);
    }
}
