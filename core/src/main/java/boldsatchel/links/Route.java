package boldsatchel.links;

import boldsatchel.machine.Carried;
import boldsatchel.machine.Link;
import java.util.List;

/**
 * The way a signal takes from the part that makes it to the one that needs it.
 *
 * @param hops from the part that needs it on: one, and one more for each hub or adapter between
 * @param through ids of cables, hubs and adapters on the way, from the taker on
 * @param bitsPerSecond the slowest of all on the way
 * @param lengthMm longest run of cable between two parts that make the signal anew
 */
public record Route(List<Hop> hops, List<String> through, double bitsPerSecond, double lengthMm) {

    /** Copies the lists; there is at least one hop. */
    public Route {
        hops = List.copyOf(hops);
        through = List.copyOf(through);
    }

    /**
     * From one part that makes a signal to the next that takes it, cables between.
     *
     * @param taker socket it arrives at
     * @param taken what that socket takes
     * @param giver socket it comes from
     * @param given what that socket gives
     */
    public record Hop(Link.End taker, Carried taken, Link.End giver, Carried given) {}

    /** What arrives at the part that needs it. */
    public Carried taken() {
        return hops.getFirst().taken();
    }

    /** Socket of the part that makes it. */
    public Link.End giver() {
        return hops.getLast().giver();
    }

    /** What that socket gives. */
    public Carried given() {
        return hops.getLast().given();
    }
}
