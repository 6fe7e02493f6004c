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
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
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
        Inputs inputs = new Inputs();
        Map<Boolean, HeatModel> models = new HashMap<>();
        List<Solved> all = new ArrayList<>();
        for (Warmth warmth : points.warmths()) {
            for (boolean closed : closes ? List.of(false, true) : List.of(false)) {
                (closes ? warmth.with(closed) : Optional.of(warmth)).ifPresent(use -> {
                    HeatModel model =
                            models.computeIfAbsent(closed, shut -> new HeatModel(build, fit.placed(), warm, shut));
                    HeatResult.When when =
                            new HeatResult.When(all.size(), warmth.profile(), warmth.pluggedIn(), closed);
                    all.add(new Solved(inputs, model, use, when, warmth.pluggedIn() ? charged : Set.of()));
                });
            }
        }
        return result(build, inputs, all);
    }

    private static HeatResult result(Build build, Inputs inputs, List<Solved> all) {
        if (all.isEmpty()) {
            return HeatResult.NOTHING;
        }
        Optional<Solved> gravest = all.stream().filter(Solved::limited).min(Comparator.comparingDouble(Solved::leastK));
        Solved[] worst = worst(all);
        List<HeatResult.At> spots = new ArrayList<>(worst.length);
        for (int i = 0; i < worst.length; i++) {
            spots.add(new HeatResult.At(worst[i].when, worst[i].spot(i)));
        }
        return new HeatResult(
                gravest.map(s -> margin(inputs, s, worst)),
                gravest.map(s -> s.spot(s.closest)),
                gravest.or(() -> Optional.of(all.getFirst())).map(s -> s.when),
                List.copyOf(spots),
                all.stream().map(s -> s.read(build)).toList(),
                List.copyOf(all.getFirst().model.loose));
    }

    /** By spot, the use where it is nearest to its limit; all uses have the same spots. */
    private static Solved[] worst(List<Solved> all) {
        Solved[] worst = new Solved[all.getFirst().highestC.length];
        Arrays.fill(worst, all.getFirst());
        for (Solved solved : all) {
            for (int i = 0; i < worst.length; i++) {
                worst[i] = solved.marginsK[i] < worst[i].marginsK[i] ? solved : worst[i];
            }
        }
        return worst;
    }

    /**
     * Range of the least margin of all spots: one that is behind at the best estimates may well be the least. Each is looked at in its
     * gravest use, as in others it moves alike.
     */
    private static Spread margin(Inputs inputs, Solved gravest, Solved[] worst) {
        Spread.Candidate least = gravest.margin(gravest.closest);
        double reach = least.nominal() + Spread.REACH * Math.sqrt(least.variance());
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (int i = 0; i < worst.length && candidates.size() < MOST_SPOTS; i++) {
            if (i != gravest.closest && worst[i].marginsK[i] < reach) {
                candidates.add(worst[i].margin(i));
            }
        }
        return Spread.least(inputs, candidates);
    }

    /** One use, solved. */
    private static final class Solved {
        private final HeatModel model;
        private final Warmth use;
        private final HeatResult.When when;
        private final Set<String> charged;
        private final double[] meanC;
        private final Lazy<Effects> effects;
        private final double[] peakC;
        /** Mean heat put into each node, the sun included, W. */
        private final double[] meanW;
        /** What each watched spot reaches, °C. */
        private final double[] highestC;
        /** What is left to its limit, K. */
        private final double[] marginsK;
        /** Which of them is nearest to its limit, or furthest beyond; negative without limits. */
        private final int closest;

        private final double leastK;

        Solved(Inputs inputs, HeatModel model, Warmth use, HeatResult.When when, Set<String> charged) {
            this.model = model;
            this.use = use;
            this.when = when;
            this.charged = charged;
            List<Cycle.Leg> legs = new ArrayList<>(use.steps().size());
            for (Warmth.Step step : use.steps()) {
                legs.add(new Cycle.Leg(step.use().minutes() * SECONDS_PER_MINUTE, model.watts(step)));
            }
            meanW = Cycle.mean(legs);
            HeatNetwork.Steady mean = model.network.settle(meanW);
            meanC = mean.celsius();
            effects = Lazy.of(() -> model.effects(inputs, mean, use));
            peakC = Cycle.peaks(model.network, legs, meanW, mean);
            highestC = new double[model.watched.size()];
            marginsK = new double[highestC.length];
            int nearest = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < highestC.length; i++) {
                highestC[i] = model.watched.get(i).celsius(peakC);
                marginsK[i] = limitC(i) - highestC[i];
                if (marginsK[i] < least) {
                    least = marginsK[i];
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
                    marginsK[which], effects.get().on(node, -links, -place, peakC[node] - meanC[node]));
        }

        /** Ratio of two rises above the surroundings. */
        private double rises(double ofC, double toC) {
            double to = toC - model.network.ambientC();
            return to > LEAST_RISE_K ? (ofC - model.network.ambientC()) / to : 1;
        }

        private double limitC(int which) {
            return model.limitC(model.watched.get(which), charged);
        }

        HeatResult.Spot spot(int which) {
            HeatModel.Watched w = model.watched.get(which);
            return new HeatResult.Spot(
                    w.kind(),
                    w.subject(),
                    w.name(),
                    w.wall(),
                    highestC[which],
                    w.celsius(meanC),
                    limitC(which),
                    putIn(w));
        }

        HeatResult.Use read(Build build) {
            double heat = use.meanWiresW();
            for (HeatModel.Watched w : model.watched) {
                heat += putIn(w);
            }
            return new HeatResult.Use(
                    when,
                    use.minutes(),
                    use.steps().size() > 1,
                    heat,
                    model.network.heatIn(),
                    Lazy.of(() -> new HeatResult.Temperatures(spots(), airs(build))));
        }

        private List<HeatResult.Spot> spots() {
            List<HeatResult.Spot> spots = new ArrayList<>(highestC.length);
            for (int i = 0; i < highestC.length; i++) {
                spots.add(spot(i));
            }
            return List.copyOf(spots);
        }

        /** Mean heat of a part, W. */
        private double putIn(HeatModel.Watched watched) {
            return watched.kind() == HeatResult.Kind.PART ? meanW[watched.node()] : 0;
        }

        private List<HeatResult.ShellAir> airs(Build build) {
            List<HeatResult.ShellAir> airs = new ArrayList<>();
            double ambient = build.brief().surroundings().ambientC();
            for (HeatModel.Room room : model.rooms.values()) {
                double vent = room.vented
                        .map(l -> l.watts(meanC[l.from()], meanC[l.to()]))
                        .orElse(0.0);
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
