package boldsatchel.links;

import boldsatchel.machine.Signal;
import java.util.Optional;
import java.util.Set;

/**
 * Something a part needs from another: a screen its picture, a drive somebody to read it.
 *
 * @param part its id
 * @param duty what it is for
 * @param kinds of signal that would do
 * @param wantsBits the least rate it works as it should with, bit/s; 0 where any does
 * @param route how it is met, if it is
 * @param why it is not, {@link Why#MET} if it is
 * @param givers sockets in the build that give a signal of such a kind
 * @param free those of them that nothing is plugged into, or that take several
 */
public record Need(
        String part,
        String duty,
        Set<Signal.Kind> kinds,
        double wantsBits,
        Optional<Route> route,
        Why why,
        int givers,
        int free) {

    /** How a need stands. */
    public enum Why {
        /** It is met. */
        MET,
        /** Nothing is plugged into its sockets. */
        UNPLUGGED,
        /** What is plugged in carries no such signal. */
        NO_DATA,
        /** What is plugged in leads nowhere yet. */
        LEADS_NOWHERE,
        /** It is left open on purpose. */
        WAIVED
    }

    /** Whether something is still to be done about it. */
    public boolean open() {
        return why != Why.MET && why != Why.WAIVED;
    }

    /** Whether it is open only because nobody has plugged it in yet. */
    public boolean pluggable() {
        return why == Why.UNPLUGGED && free > 0;
    }

    /** Whether it is met, but slower than it wants. */
    public boolean slow() {
        return route.filter(r -> r.bitsPerSecond() < wantsBits).isPresent();
    }
}
