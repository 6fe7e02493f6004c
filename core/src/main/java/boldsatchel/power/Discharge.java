package boldsatchel.power;

import boldsatchel.machine.UseProfile;
import java.util.List;
import java.util.Optional;

/**
 * A run from full to the first thing that ends it. Of a single source the current of each step of the profile is tabulated over the state
 * of charge, and time follows from dt = Q·ds/I(s); joined sources are solved anew on the way.
 *
 * @param hours until the end; infinite when nothing is drawn
 * @param end what ends it
 * @param endLevel state of charge left
 * @param samples along the way, from full to the end
 * @param meanWatts mean power out of the terminals
 */
public record Discharge(double hours, Breach end, double endLevel, List<Sample> samples, double meanWatts) {

    /** Intervals of the level; a multiple of 20, so that no kink of a rest-voltage curve falls inside one. */
    static final int FINE = 40;

    /** Intervals for the many runs behind a range. */
    static final int COARSE = 8;

    static final int MOST_SAMPLES = 240;
    static final double FOREVER_HOURS = 24 * 365.0;

    /**
     * One moment.
     *
     * @param hours since the start
     * @param level state of charge; the mean of joined sources
     * @param volts at the terminals, or at the rail of joined sources
     * @param amps from the terminals
     * @param levels of each source; −1 − level for one that was taken out with a level left
     * @param step of the profile
     */
    public record Sample(double hours, double level, double volts, double amps, List<Double> levels, int step) {
        /** A moment of a single source. */
        public Sample(double hours, double level, double volts, double amps) {
            this(hours, level, volts, amps, List.of(level), 0);
        }

        /** Copies the list. */
        public Sample {
            levels = List.copyOf(levels);
        }
    }

    /** Copies the list. */
    public Discharge {
        samples = List.copyOf(samples);
    }

    /** Runs a profile down. */
    public static Discharge run(Network network, UseProfile profile) {
        return run(network, profile, FINE, Optional.empty());
    }

    /** Runs a profile down in few steps: for comparing many runs with one another. */
    public static Discharge coarse(Network network, UseProfile profile) {
        return run(network, profile, COARSE, Optional.empty());
    }

    /** Hears of every piece of a run, so that what happens in it can be added up. */
    @FunctionalInterface
    interface Witness {
        /**
         * A piece.
         *
         * @param circuit what is on
         * @param levels of each source in the middle of the piece
         * @param hours that it lasts
         */
        void piece(Network.Circuit circuit, double[] levels, double hours);
    }

    static Discharge run(Network network, UseProfile profile, int intervals, Optional<Witness> witness) {
        return new Run(network, profile, intervals, witness).run();
    }

    static Discharge forever(Network network, double level, List<Sample> samples) {
        return new Discharge(
                Double.POSITIVE_INFINITY, new Breach(Breach.Kind.EMPTY, network.root(), 0, 0), level, samples, 0);
    }
}
