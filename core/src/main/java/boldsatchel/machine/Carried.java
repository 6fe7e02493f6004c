package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * A signal on a socket.
 *
 * @param signal what
 * @param way whether the part takes it or gives it
 * @param lanes how many lanes; of single pins, how many lines
 * @param duty of a signal that is taken, what the part needs it for: {@code picture}, {@code touch}; any socket that is taken for a duty
 *     will do, and an empty one is welcome but not needed. Of a signal that is given, the duty it is passed on from, as hubs and
 *     adapters do; empty where the part makes it
 * @param pins its pins on a header, by number; several signals may claim one pin, which then serves one of them
 * @param volts logic level: what it drives, and the most it bears at its inputs
 * @param hertz clock, where the part has one of its own
 */
public record Carried(
        @Label("signal") Signal signal,
        @Label("way") Way way,

        @Label(value = "lanes or lines", absent = 1, least = 1, most = 64)
        int lanes,

        @Label("for") String duty,
        @Label("pins") List<Integer> pins,

        @Label(value = "logic level", in = Quantity.VOLTAGE) Optional<Double> volts,

        @Label(value = "clock", in = Quantity.FREQUENCY) Optional<Double> hertz) {

    /** Which way a signal goes. */
    public enum Way {
        /** Made or passed on by the part: a host, an output, a bus master. */
        GIVES("gives"),
        /** Wanted by the part: a device, an input. */
        TAKES("takes");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /** Copies the list. */
    public Carried {
        pins = List.copyOf(pins);
    }

    /** Whether it is given. */
    public boolean given() {
        return way == Way.GIVES;
    }

    /** Whether it is taken for a duty. */
    public boolean takenFor(String wanted) {
        return way == Way.TAKES && duty.equals(wanted);
    }

    /** The most data it carries by itself, bit/s: its clock, where it has one, times its lanes. */
    public double bitsPerSecond() {
        return hertz.orElse(signal.bitsPerSecond()) * lanes;
    }
}
