package boldsatchel.heat;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.machine.Usual;
import boldsatchel.power.CellTemperatures;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How warm cells are in the brief's first profile, for their charge and resistance. To half a kelvin, which run times do not feel, so
 * that they need not be worked out anew for every move of a part.
 */
public final class CellsEngine implements Engine<CellTemperatures> {

    private static final double STEP_K = 0.5;

    /** An engine; all are alike. */
    public CellsEngine() {}

    @Override
    public String about() {
        return "the temperature of the cells";
    }

    @Override
    public Class<CellTemperatures> result() {
        return CellTemperatures.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(HeatResult.class);
    }

    /** A move changes temperatures, but seldom those of the cells by half a kelvin. */
    @Override
    public boolean keepsEqual() {
        return true;
    }

    @Override
    public CellTemperatures work(Build build, Results results) {
        return evaluate(build, results.of(HeatResult.class));
    }

    @Override
    public CellTemperatures nothing() {
        return new CellTemperatures(Double.NaN, Map.of());
    }

    /** Reads the cells' temperatures off; what is hotter than cells may be gains nothing by it. */
    public static CellTemperatures evaluate(Build build, HeatResult heat) {
        Map<String, Double> byPart = new HashMap<>();
        for (Part part : build.parts().list()) {
            if (part.isSource()) {
                meanC(heat, build.brief().profile().name(), part.id())
                        .ifPresent(c ->
                                byPart.put(part.id(), Math.rint(Math.min(c, Usual.CELLS_MOST_C) / STEP_K) * STEP_K));
            }
        }
        return new CellTemperatures(build.brief().surroundings().packC(), byPart);
    }

    private static Optional<Double> meanC(HeatResult heat, String profile, String part) {
        double sum = 0;
        double minutes = 0;
        for (HeatResult.Use use : heat.uses()) {
            Double here = use.profile().equals(profile) && !use.when().pluggedIn()
                    ? use.partsMeanC().get().get(part)
                    : null;
            if (here != null) {
                sum += here * use.minutes();
                minutes += use.minutes();
            }
        }
        return minutes > 0 ? Optional.of(sum / minutes) : Optional.empty();
    }
}
