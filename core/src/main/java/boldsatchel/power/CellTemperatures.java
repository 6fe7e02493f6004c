package boldsatchel.power;

import boldsatchel.machine.Build;
import java.util.Map;

/**
 * How warm cells are while the machine is used, so that run time and heat speak of the same cells. What is not known to be warmed stays
 * as the brief says it begins.
 *
 * @param beginC when it begins, °C
 * @param byPart in the brief's first profile once it has gone on for long, by id of the part that holds them, °C
 */
public record CellTemperatures(double beginC, Map<String, Double> byPart) {

    /** Copies the map. */
    public CellTemperatures {
        byPart = Map.copyOf(byPart);
    }

    /** As a build begins. */
    public static CellTemperatures begin(Build build) {
        return new CellTemperatures(build.brief().surroundings().packC(), Map.of());
    }

    /** Of the cells of a part, °C. */
    public double of(String part) {
        return byPart.getOrDefault(part, beginC);
    }
}
