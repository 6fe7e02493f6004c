package boldsatchel.heat;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.power.Charge;
import boldsatchel.power.Points;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Heat: temperatures of parts, air and walls in each use, at their highest once the use has gone on long enough to repeat itself. Model,
 * solve for the mean, add the swing, read off.
 */
public final class HeatEngine implements Engine<HeatResult> {

    private static final double SECONDS_PER_MINUTE = 60;
    /** Rises smaller than this have no ratio. */
    private static final double LEAST_RISE_K = 1e-6;
    /** As many spots that may have the least margin are looked at. */
    private static final int MOST_SPOTS = 6;

    /** An engine; all are alike. */
    public HeatEngine() {}

    @Override
    public String about() {
        return "the temperatures";
    }

    @Override
    public Class<HeatResult> result() {
        return HeatResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT, Section.COOLING);
    }

    @Override
    public Set<Class<?>> needs() {
        return Set.of(FitResult.class, Points.class);
    }

    @Override
    public HeatResult work(Build build, Results results) {
        return evaluate(build, results.of(FitResult.class), results.of(Points.class));
    }

    @Override
    public HeatResult nothing() {
        return HeatResult.NOTHING;
    }

    /**
     * Evaluates a build.
     *
     * @param fit where its parts lie
     * @param points what heats them
     */
    public static HeatResult evaluate(Build build, FitResult fit, Points points) {
        if (build.casing().shells().isEmpty()) {
            return HeatResult.NOTHING;
        }
        Set<String> warm = new HashSet<>();
        for (Warmth warmth : points.warmths()) {
            warmth.steps().forEach(s -> warm.addAll(s.byPart().keySet()));
        }
        Set<String> charged =
                points.charges().stream().map(Charge.Result::store).collect(Collectors.toSet());
        boolean closes = build.casing().hinge().isPresent();
        Optional<HeatModel> open = Optional.empty();
        Optional<HeatModel> shut = Optional.empty();
        List<Solved> all = new ArrayList<>();
        for (Warmth warmth : points.warmths()) {
            Set<String> full = warmth.pluggedIn() ? charged : Set.of();
            Optional<Warmth> lidOpen = closes ? warmth.with(false) : Optional.of(warmth);
            Optional<Warmth> lidShut = closes ? warmth.with(true) : Optional.empty();
            if (lidOpen.isPresent()) {
                open = open.or(() -> Optional.of(new HeatModel(build, fit.placed(), warm, false)));
                all.add(new Solved(open.get(), lidOpen.get(), false, full));
            }
            if (lidShut.isPresent()) {
                shut = shut.or(() -> Optional.of(new HeatModel(build, fit.placed(), warm, true)));
                all.add(new Solved(shut.get(), lidShut.get(), true, full));
            }
        }
        return result(build, all);
    }

    private static HeatResult result(Build build, List<Solved> all) {
        Optional<Solved> gravest = all.stream()
                .filter(Solved::limited)
                .min(Comparator.comparingDouble(Solved::leastK))
                .or(() -> all.stream().findFirst());
        List<HeatResult.Use> uses = all.stream().map(s -> s.read(build)).toList();
        return new HeatResult(
                uses,
                gravest.map(s -> uses.get(all.indexOf(s))),
                gravest.map(s -> margin(s, all)),
                gravest.flatMap(Solved::hottest),
                all.stream().findFirst().map(s -> List.copyOf(s.model.loose)).orElse(List.of()));
    }

    /**
     * Range of the least margin of all spots: one that is behind at the best estimates may well be the least. Each is looked at in its
     * gravest use, as in others it moves alike.
     */
    private static Spread margin(Solved gravest, List<Solved> all) {
        Spread.Candidate least = gravest.margin(gravest.closest);
        double reach = least.nominal() + Spread.REACH * Math.sqrt(least.variance());
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (int i = 0; i < gravest.highestC.length && candidates.size() < MOST_SPOTS; i++) {
            Solved worst = gravest;
            for (Solved solved : all) {
                worst = solved.marginK(i) < worst.marginK(i) ? solved : worst;
            }
            if (i != gravest.closest && worst.marginK(i) < reach) {
                candidates.add(worst.margin(i));
            }
        }
        return Spread.least(candidates);
    }

    /** One use, solved. */
    private static final class Solved {
        private final HeatModel model;
        private final Warmth use;
        private final boolean closed;
        private final Set<String> charged;
        private final double[] meanC;
        private final Lazy<Effects> effects;
        private final double[] peakC;
        private final Map<String, Double> heatW;
        /** What each watched spot reaches, °C. */
        private final double[] highestC;
        /** Which of them is nearest to its limit, or furthest beyond; negative without limits. */
        private final int closest;

        private final double leastK;

        Solved(HeatModel model, Warmth use, boolean closed, Set<String> charged) {
            this.model = model;
            this.use = use;
            this.closed = closed;
            this.charged = charged;
            List<Cycle.Leg> legs = new ArrayList<>(use.steps().size());
            for (Warmth.Step step : use.steps()) {
                legs.add(new Cycle.Leg(step.use().minutes() * SECONDS_PER_MINUTE, model.watts(step)));
            }
            double[] meanW = Cycle.mean(legs);
            HeatNetwork.Steady mean = model.network.settle(meanW);
            meanC = mean.celsius();
            effects = Lazy.of(() -> model.effects(mean, use));
            peakC = Cycle.peaks(model.network, legs, meanW, mean);
            heatW = model.heat(use);
            highestC = new double[model.watched.size()];
            int nearest = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < highestC.length; i++) {
                highestC[i] = model.watched.get(i).celsius(peakC);
                double margin = marginK(i);
                if (margin < least) {
                    least = margin;
                    nearest = i;
                }
            }
            closest = nearest;
            leastK = least;
        }

        boolean limited() {
            return closest >= 0;
        }

        double leastK() {
            return leastK;
        }

        /** The spot nearest to its limit, or furthest beyond. */
        Optional<HeatResult.Spot> hottest() {
            return limited() ? Optional.of(spot(closest)) : Optional.empty();
        }

        /**
         * A margin and what moves it: what warms the spot takes from it.
         *
         * @param which of the watched spots
         */
        Spread.Candidate margin(int which) {
            int node = model.watched.get(which).node();
            double place = rises(highestC[which], peakC[node]);
            double links = rises(highestC[which], meanC[node]);
            return new Spread.Candidate(
                    marginK(which), effects.get().on(node, -links, -place, peakC[node] - meanC[node]));
        }

        /** Ratio of two rises above the surroundings. */
        private double rises(double ofC, double toC) {
            double to = toC - model.network.ambientC();
            return to > LEAST_RISE_K ? (ofC - model.network.ambientC()) / to : 1;
        }

        double marginK(int which) {
            return model.limitC(model.watched.get(which), charged) - highestC[which];
        }

        private HeatResult.Spot spot(int which) {
            HeatModel.Watched w = model.watched.get(which);
            return new HeatResult.Spot(
                    w.kind(),
                    w.subject(),
                    w.name(),
                    w.wall(),
                    highestC[which],
                    w.celsius(meanC),
                    model.limitC(w, charged),
                    w.kind() == HeatResult.Kind.PART ? heatW.getOrDefault(w.subject(), 0.0) : 0);
        }

        HeatResult.Use read(Build build) {
            double heat = use.meanWiresW();
            for (double inPart : heatW.values()) {
                heat += inPart;
            }
            List<HeatResult.Spot> spots = new ArrayList<>();
            for (int i = 0; i < highestC.length; i++) {
                spots.add(spot(i));
            }
            return new HeatResult.Use(
                    use.profile(),
                    use.pluggedIn(),
                    closed,
                    use.minutes(),
                    use.steps().size() > 1,
                    heat,
                    model.network.heatIn(),
                    List.copyOf(spots),
                    airs(build));
        }

        private List<HeatResult.ShellAir> airs(Build build) {
            List<HeatResult.ShellAir> airs = new ArrayList<>();
            double ambient = build.brief().surroundings().ambientC();
            for (HeatModel.Room room : model.rooms.values()) {
                double vent = model.network.flow(meanC, l -> l.from() == room.air && l.to() == 0);
                double rise = meanC[room.air] - ambient;
                airs.add(new HeatResult.ShellAir(
                        room.shell.id(),
                        meanC[room.air],
                        rise > 1e-9 ? vent / Air.carried(1) / rise * 1e3 : 0,
                        vent,
                        wallMean(room),
                        room.fanFlowM3s > 0,
                        room.shell.vents().isEmpty()));
            }
            return List.copyOf(airs);
        }

        private double wallMean(HeatModel.Room room) {
            double sum = 0;
            double area = 0;
            for (Face face : Face.values()) {
                double a = room.shell.cavity().area(face);
                sum += a * meanC[room.outside(face)];
                area += a;
            }
            return sum / area;
        }
    }
}
