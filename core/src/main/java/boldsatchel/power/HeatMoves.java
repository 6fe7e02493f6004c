package boldsatchel.power;

import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.List;
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
     * What an input does.
     *
     * @param rung id of the rung
     * @param store whether it is what the rung charges that it warms, and not the rung itself
     * @param watts heat for a change of one of the input; of several moves of one input at one rung their sum counts
     */
    record Move(Input input, String rung, boolean store, double watts) {}

    private final List<Move> moves = new ArrayList<>();

    /**
     * Tells of heat in a rung that moves with a number.
     *
     * @param num the number
     * @param watts heat for a change of one of it
     * @param up what carries it
     */
    void add(Num num, double watts, String rung, @Nullable Upstream up) {
        num.tell(watts, (input, by) -> add(input, by, rung, up));
    }

    /**
     * Tells of heat in a rung that moves with an input.
     *
     * @param watts heat for a change of one of it
     * @param up what carries it
     */
    void add(Input input, double watts, String rung, @Nullable Upstream up) {
        double drawn = watts;
        moves.add(new Move(input, rung, false, watts));
        for (Upstream u = up; u != null; u = u.above()) {
            double more = u.slope() * drawn;
            moves.add(new Move(input, u.rung(), false, more));
            drawn += more;
        }
    }

    /** Tells of heat in what a rung charges: no wire has to carry it again. */
    void addToStore(Num num, String rung) {
        num.tell(1, (input, by) -> moves.add(new Move(input, rung, true, by)));
    }

    /** All of them. */
    List<Move> all() {
        return moves;
    }
}
