package boldsatchel.heat;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Heat: steady temperatures of parts, air and walls at the mean power of the brief's profile. Model, solve, read off.
 */
public final class HeatEngine implements Engine<HeatResult> {

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
        return Set.of(FitResult.class, PowerResult.class);
    }

    @Override
    public HeatResult work(Build build, Results results) {
        return evaluate(build, results.of(FitResult.class), results.of(PowerResult.class));
    }

    @Override
    public HeatResult nothing() {
        return new HeatResult(List.of(), List.of(), Double.NaN, Optional.empty(), Optional.empty());
    }

    /**
     * Evaluates a build.
     *
     * @param fit where its parts lie
     * @param power what heats them
     */
    public static HeatResult evaluate(Build build, FitResult fit, PowerResult power) {
        HeatModel model = new HeatModel(build, fit.placed(), power);
        double[] celsius = settled(model);
        List<HeatResult.Spot> spots = model.watched.stream()
                .map(w -> new HeatResult.Spot(
                        w.kind(), w.subject(), w.name(), w.wall(), celsius[w.node()], w.limitC(), w.heatW()))
                .toList();
        Optional<HeatModel.Watched> closest = model.watched.stream()
                .filter(w -> Double.isFinite(w.limitC()))
                .min(Comparator.comparingDouble(w -> w.limitC() - celsius[w.node()]));
        return new HeatResult(
                spots,
                airs(build, model, celsius),
                model.network.heatIn(),
                closest.map(w -> margin(model, celsius, w)),
                closest.map(w -> spots.get(model.watched.indexOf(w))));
    }

    private static double[] settled(HeatModel model) {
        try {
            return model.network.solve();
        } catch (HeatNetwork.Unsettled e) {
            List<String> there = model.watched.stream()
                    .filter(w -> w.node() == e.node())
                    .map(HeatModel.Watched::subject)
                    .distinct()
                    .toList();
            throw new CannotAnswer(e.getMessage() + ": a figure near it cannot be", there);
        }
    }

    /** Range of the least margin: what warms the spot takes from its margin. */
    private static Spread margin(HeatModel model, double[] celsius, HeatModel.Watched spot) {
        Map<Input, Double> effects = model.network.effects(celsius, spot.node());
        effects.replaceAll((input, kelvin) -> -kelvin);
        return Spread.ofEffects(spot.limitC() - celsius[spot.node()], effects);
    }

    private static List<HeatResult.ShellAir> airs(Build build, HeatModel model, double[] celsius) {
        List<HeatResult.ShellAir> airs = new ArrayList<>();
        double ambient = build.brief().surroundings().ambientC();
        for (HeatModel.Room room : model.rooms.values()) {
            double vent = model.network.flow(celsius, l -> l.from() == room.air && l.to() == 0);
            double rise = celsius[room.air] - ambient;
            airs.add(new HeatResult.ShellAir(
                    room.shell.id(),
                    celsius[room.air],
                    rise > 1e-9 ? vent / Air.carried(1) / rise * 1e3 : 0,
                    vent,
                    wallMean(room, celsius),
                    room.fanFlowM3s > 0,
                    room.shell.vents().isEmpty()));
        }
        return List.copyOf(airs);
    }

    private static double wallMean(HeatModel.Room room, double[] celsius) {
        double sum = 0;
        double area = 0;
        for (Face face : Face.values()) {
            double a = room.shell.cavity().area(face);
            sum += a * celsius[room.outside(face)];
            area += a;
        }
        return sum / area;
    }
}
