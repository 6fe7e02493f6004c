package boldsatchel.power;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Usual;
import java.util.OptionalInt;

/** The small sums that decide what a chain is made of. */
public final class Sizing {

    private static final int THINNEST = 30;
    private static final int THICKEST = 8;
    private static final double[] FUSES_A = {0.5, 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40};
    private static final double[] FARADS = {
        1e-3, 2.2e-3, 4.7e-3, 0.01, 0.022, 0.047, 0.1, 0.22, 0.47, 1, 1.5, 2.2, 3.3, 4.7, 10, 22, 47
    };

    private Sizing() {}

    /**
     * The thinnest gauge that carries a current inside a closed case with headroom and loses no more than a voltage.
     *
     * @param amps carried, A
     * @param lengthMm one way
     * @param mostDropV there and back
     * @return nothing when not even the thickest usual gauge will do
     */
    public static OptionalInt gauge(double amps, double lengthMm, double mostDropV) {
        for (int awg = THINNEST; awg >= THICKEST; awg -= 2) {
            boolean cool = Copper.closedCaseAmps(awg) >= Usual.HEADROOM * amps;
            boolean stiff = Copper.loopOhms(awg, lengthMm, 20) * amps <= mostDropV;
            if (cool && stiff) {
                return OptionalInt.of(awg);
            }
        }
        return OptionalInt.empty();
    }

    /**
     * The smallest usual fuse that holds.
     *
     * @param steadyA longest-lasting current, taken with headroom
     * @param peakA of starting up, taken as it is: fuses are slow
     * @return A
     */
    public static double fuse(double steadyA, double peakA) {
        double least = Math.max(Usual.HEADROOM * steadyA, peakA);
        for (double rating : FUSES_A) {
            if (rating >= least) {
                return rating;
            }
        }
        return Math.ceil(least / 10) * 10;
    }

    /**
     * Capacity that carries a constant power over a gap: ½·C·(V₁² − V₂²) = P·t (energy of a capacitor).
     *
     * @param watts drawn during the gap
     * @param seconds its length
     * @param fromV voltage before it
     * @param toV least voltage at its end
     * @return F; infinite when there is no voltage to give
     */
    public static double holdUpFarads(double watts, double seconds, double fromV, double toV) {
        return fromV > toV ? 2 * watts * seconds / (fromV * fromV - toV * toV) : Double.POSITIVE_INFINITY;
    }

    /** The next larger usual capacitor, F. */
    public static double usualFarads(double least) {
        for (double farads : FARADS) {
            if (farads >= least) {
                return farads;
            }
        }
        return Math.ceil(least / 10) * 10;
    }

    /** Voltage at the end of a gap; 0 when the capacitor is drained before. */
    public static double afterGapV(double farads, double watts, double seconds, double fromV) {
        return Math.sqrt(Math.max(0, fromV * fromV - 2 * watts * seconds / farads));
    }

    /**
     * Most output power of a step-up at its switch limit: V·I − q − v·I − r·I² (power balance of the converter).
     *
     * @param volts at its input
     * @return W, zero or more
     */
    public static double stepUpMostWatts(Facet.Converts c, double volts) {
        double i = c.limitA();
        return Math.max(
                0,
                volts * i
                        - c.quietW().value()
                        - c.dropV().value() * i
                        - c.lossOhms().value() * i * i);
    }

    /** Loss of a converter at an output current, W: q + v·I + r·I² with the inductor current I. */
    public static double lossWatts(Facet.Converts c, double inV, double outA) {
        double inductorA = switch (c.kind()) {
            case STEP_DOWN, LINEAR -> outA;
            case STEP_UP -> outA * c.outV() / inV;
            case STEP_UP_DOWN -> Math.max(outA, outA * c.outV() / inV);
        };
        double burnt = c.kind() == Facet.ConverterKind.LINEAR ? (inV - c.outV()) * outA : 0;
        return c.quietW().value()
                + c.dropV().value() * inductorA
                + c.lossOhms().value() * inductorA * inductorA
                + burnt;
    }
}
