package boldsatchel.heat;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
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
 * Heat: temperatures of parts, air and walls in each use, at their highest once the use has gone on long enough to repeat itself, and the
 * use and spot that are gravest.
 */
public final class HeatEngine implements Engine<HeatResult> {

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
        boolean closes = build.casing().lid().isPresent();
        Inputs inputs = new Inputs();
        List<Switched> switched = Switched.of(build);
        Map<Boolean, Fanned> models = new HashMap<>();
        List<UseHeat> all = new ArrayList<>();
        for (Warmth warmth : points.warmths()) {
            for (boolean closed : closes ? List.of(false, true) : List.of(false)) {
                (closes ? warmth.with(closed) : Optional.of(warmth)).ifPresent(use -> {
                    Fanned model = models.computeIfAbsent(
                            closed,
                            shut -> new Fanned(
                                    switched, standing -> new HeatModel(build, fit.placed(), warm, shut, standing)));
                    HeatResult.When when =
                            new HeatResult.When(all.size(), warmth.profile(), warmth.pluggedIn(), closed);
                    all.add(model.use(inputs, use, when, warmth.pluggedIn() ? charged : Set.of()));
                });
            }
        }
        return all.isEmpty() ? HeatResult.NOTHING : result(inputs, all);
    }

    private static HeatResult result(Inputs inputs, List<UseHeat> all) {
        List<UseHeat> grave = grave(all);
        Optional<UseHeat> gravest =
                grave.stream().filter(UseHeat::limited).min(Comparator.comparingDouble(UseHeat::leastK));
        UseHeat[] worst = worst(grave);
        List<HeatResult.At> spots = new ArrayList<>(worst.length);
        for (int i = 0; i < worst.length; i++) {
            spots.add(new HeatResult.At(worst[i].when(), worst[i].spot(i)));
        }
        return new HeatResult(
                gravest.map(s -> margin(inputs, s, worst)),
                gravest.map(s -> s.spot(s.closest())),
                gravest.or(() -> Optional.of(all.getFirst())).map(UseHeat::when),
                List.copyOf(spots),
                all.stream().map(UseHeat::read).toList(),
                List.copyOf(all.getFirst().loose()));
    }

    /** The uses that may be the gravest for some spot, hottest first; the others are worked out when somebody looks at them. */
    private static List<UseHeat> grave(List<UseHeat> all) {
        List<UseHeat> sorted = new ArrayList<>(all);
        sorted.sort(Comparator.comparingDouble(UseHeat::putInW).reversed());
        List<UseHeat> grave = new ArrayList<>();
        for (UseHeat use : sorted) {
            if (grave.stream().noneMatch(hotter -> hotter.outdoes(use))) {
                grave.add(use);
            }
        }
        return grave;
    }

    /** By spot, the use where it is nearest to its limit; all uses have the same spots. */
    private static UseHeat[] worst(List<UseHeat> uses) {
        UseHeat[] worst = new UseHeat[uses.getFirst().spots()];
        Arrays.fill(worst, uses.getFirst());
        for (UseHeat use : uses) {
            for (int i = 0; i < worst.length; i++) {
                worst[i] = use.marginK(i) < worst[i].marginK(i) ? use : worst[i];
            }
        }
        return worst;
    }

    /**
     * Range of the least margin of all spots: one that is behind at the best estimates may well be the least. Each is looked at in its
     * gravest use, as in others it moves alike.
     */
    private static Spread margin(Inputs inputs, UseHeat gravest, UseHeat[] worst) {
        Spread.Candidate least = gravest.margin(gravest.closest());
        double reach = least.nominal() + Spread.REACH * Math.sqrt(least.variance());
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (int i = 0; i < worst.length && candidates.size() < MOST_SPOTS; i++) {
            if (i != gravest.closest() && worst[i].marginK(i) < reach) {
                candidates.add(worst[i].margin(i));
            }
        }
        return Spread.least(inputs, candidates);
    }
}
