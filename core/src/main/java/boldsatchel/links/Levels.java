package boldsatchel.links;

import boldsatchel.machine.Carried;
import boldsatchel.machine.Signal;
import java.util.Optional;

/** What two sides of a link bear of one another: logic levels, and length. */
public final class Levels {

    /** An input bears this much above its own supply: the usual absolute maximum of CMOS inputs (JEDEC JESD8C). */
    private static final double ABOVE_V = 0.3;

    /** A CMOS input sees a high from this share of its supply on (JEDEC JESD8C). */
    private static final double HIGH_SHARE = 0.7;

    private Levels() {}

    /**
     * A level that does not suit the input it drives.
     *
     * @param byTaker whether it is the part that takes the signal which drives it
     * @param high whether it is too high, and may destroy; else it may not be seen
     * @param drivesV what is driven
     * @param ofV supply of the input
     */
    record Clash(boolean byTaker, boolean high, double drivesV, double ofV) {}

    /** Whether each side can be driven by the other. */
    public static boolean agree(Carried taken, Carried given) {
        return clash(taken, given).isEmpty();
    }

    /** The worse of what is wrong between the levels of two sides; nothing where one of them is not known. */
    static Optional<Clash> clash(Carried taken, Carried given) {
        Signal.Kind kind = taken.signal().kind();
        if (!kind.logic() || taken.volts().isEmpty() || given.volts().isEmpty()) {
            return Optional.empty();
        }
        double part = taken.volts().get();
        double host = given.volts().get();
        Optional<Clash> down = kind == Signal.Kind.ANALOGUE ? Optional.empty() : drives(false, host, part);
        Optional<Clash> up = kind == Signal.Kind.PWM ? Optional.empty() : drives(true, part, host);
        return down.filter(Clash::high)
                .or(() -> up.filter(Clash::high))
                .or(() -> down)
                .or(() -> up);
    }

    private static Optional<Clash> drives(boolean byTaker, double drivesV, double ofV) {
        boolean high = drivesV > ofV + ABOVE_V;
        return high || drivesV < HIGH_SHARE * ofV
                ? Optional.of(new Clash(byTaker, high, drivesV, ofV))
                : Optional.empty();
    }

    /** How long passive cable between two sides may be, mm: what the slower one bears, for it sets the rate. */
    public static double bearsMm(Carried taken, Carried given) {
        return taken.bitsPerSecond() <= given.bitsPerSecond()
                ? taken.signal().bearsMm()
                : given.signal().bearsMm();
    }
}
