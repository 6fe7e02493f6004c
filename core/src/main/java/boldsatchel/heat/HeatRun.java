package boldsatchel.heat;

import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.Breach;
import boldsatchel.power.Points;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A profile run from full, charge and temperatures together: warm cells have less resistance, cold ones less charge; a board that is at the
 * most it may reach does less, draws less and warms less; and the run ends when something of the chain ends it.
 *
 * @param profile its name
 * @param spots what is watched, parts, air and walls
 * @param moments on the way, in the order of time, at least the first and the last
 * @param events what happens, each for the first time
 * @param end what ends it; absent where it repeats itself, or was followed no further
 * @param work share of what is asked of the boards that they do over all of it, 0 to 1
 * @param heat where the heat of the whole run went
 */
public record HeatRun(
        String profile,
        List<Spot> spots,
        List<Moment> moments,
        List<Event> events,
        Optional<Breach> end,
        double work,
        Balance heat) {

    /** No run is followed further, h. */
    public static final double MOST_HOURS = 24;

    /** Copies the lists. */
    public HeatRun {
        spots = List.copyOf(spots);
        moments = List.copyOf(moments);
        events = List.copyOf(events);
    }

    /**
     * Something whose temperature is told.
     *
     * @param place where it is
     * @param name for people
     * @param limitC the most it may reach; infinite when nothing is known
     */
    public record Spot(HeatPlace place, String name, double limitC) {}

    /**
     * A moment.
     *
     * @param hours since the start
     * @param step of the profile
     * @param celsius of each spot
     * @param level charge left, mean of all sources, 0 to 1; not a number without any
     * @param work share of what is asked of the boards that they do, 0 to 1
     * @param heatW set free inside
     */
    public record Moment(double hours, int step, List<Double> celsius, double level, double work, double heatW) {
        /** Copies the list. */
        public Moment {
            celsius = List.copyOf(celsius);
        }
    }

    /** Kinds of event. */
    public enum Kind {
        /** A spot is at the most it may reach. */
        LIMIT("reaches its limit"),
        /** Cells are as warm as they age fast, and may not be charged. */
        CELLS_WARM("is so warm that cells age fast and may not be charged"),
        /** A board is so warm that a fan starts. */
        FAN("is so warm that the fan starts"),
        /** A board slows down. */
        SLOWS("slows down to stay below its limit"),
        /** The run ends. */
        END("ends the run");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As said in a sentence, after a name. */
        public String words() {
            return words;
        }
    }

    /**
     * Something that happens.
     *
     * @param hours since the start
     * @param kind of it
     * @param spot at which of the spots; negative where at none
     * @param celsius there; not a number where at none
     */
    public record Event(double hours, Kind kind, int spot, double celsius) {}

    /**
     * Where the heat of a run went.
     *
     * @param putInJ set free, the sun included
     * @param storedJ in parts, air and walls at the end, more than at the start
     * @param givenOffJ to the surroundings
     */
    public record Balance(double putInJ, double storedJ, double givenOffJ) {}

    /**
     * Runs a profile; nothing without a case, or without a source of power.
     *
     * @param fit where the parts lie
     * @param points what warms them
     * @param pluggedIn whether all supplies are plugged in and chargers charge, as when half full, for ever
     */
    public static Optional<HeatRun> of(
            Build build, FitResult fit, Points points, UseProfile profile, boolean pluggedIn) {
        return Outing.of(build, fit, points, pluggedIn).map(outing -> outing.run(profile));
    }

    /** How long it takes, h. */
    public double hours() {
        return moments.getLast().hours();
    }

    /** The highest temperature of a spot on the way, °C. */
    public double highestC(int spot) {
        double highest = Double.NEGATIVE_INFINITY;
        for (Moment moment : moments) {
            highest = Math.max(highest, moment.celsius().get(spot));
        }
        return highest;
    }

    /** The moment next to a time. */
    public Moment at(double hours) {
        return moments.stream()
                .min(Comparator.comparingDouble(m -> Math.abs(m.hours() - hours)))
                .orElseThrow();
    }
}
