package boldsatchel.power;

import boldsatchel.quantity.Input;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How the heat of rungs moves with the inputs of a network at a solution. What a rung turns into heat more, all between it and the source
 * has to carry, and warms by it too.
 */
final class HeatMoves {

    /**
     * A rung that carries what is drawn below it.
     *
     * @param above the next one towards the source
     * @param rung its id
     * @param slope heat in it more, for each watt drawn more below it
     */
    record Upstream(@Nullable Upstream above, String rung, double slope) {}

    /**
     * An input and what it warms.
     *
     * @param rung id of the rung
     * @param store whether it is what the rung charges, and not the rung itself
     */
    record Of(Input input, String rung, boolean store) {}

    private final Map<Of, Double> perUnit = new LinkedHashMap<>();

    /**
     * Tells of heat in a rung that moves with a number.
     *
     * @param num the number
     * @param watts heat for a change of one of it
     * @param up what carries it
     */
    void add(Num num, double watts, String rung, @Nullable Upstream up) {
        num.tell(watts, (input, by) -> {
            double drawn = by;
            perUnit.merge(new Of(input, rung, false), by, Double::sum);
            for (Upstream u = up; u != null; u = u.above()) {
                double more = u.slope() * drawn;
                perUnit.merge(new Of(input, u.rung(), false), more, Double::sum);
                drawn += more;
            }
        });
    }

    /** Tells of heat in what a rung charges: no wire has to carry it again. */
    void addToStore(Num num, String rung) {
        num.tell(1, (input, by) -> perUnit.merge(new Of(input, rung, true), by, Double::sum));
    }

    /** Heat for a change of one of each input, W. */
    Map<Of, Double> perUnit() {
        return perUnit;
    }
}
