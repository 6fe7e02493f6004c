package boldsatchel.heat;

import boldsatchel.engine.Lazy;
import boldsatchel.geometry.Face;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the heat engine found.
 *
 * @param margin least distance of any spot from its limit in any use, K; absent when nothing has a limit
 * @param hottest the spot of the least margin
 * @param when the use it is in, the gravest; absent without a case
 * @param worst each spot in the use where it is nearest to its limit, or furthest beyond
 * @param uses every use of the machine: each profile, with the lid open and closed where it has steps of both, and with all supplies
 *     plugged in
 * @param loose ids of parts that warm and are placed nowhere: they count as lying in the first shell
 */
public record HeatResult(
        Optional<Spread> margin,
        Optional<Spot> hottest,
        Optional<When> when,
        List<At> worst,
        List<Use> uses,
        List<String> loose) {

    /** Nothing is known. */
    static final HeatResult NOTHING =
            new HeatResult(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), List.of());

    /**
     * Which use it is.
     *
     * @param place among all uses
     * @param profile the name of the use profile
     * @param pluggedIn whether all supplies are plugged in and chargers charge
     * @param closed whether the lid is closed
     */
    public record When(int place, String profile, boolean pluggedIn, boolean closed) {}

    /**
     * A spot in one of the uses.
     *
     * @param when which use
     * @param spot its temperature there
     */
    public record At(When when, Spot spot) {}

    /**
     * One use, gone on for so long that it repeats itself.
     *
     * @param when which it is
     * @param minutes of the profile that are spent so
     * @param swings whether it has several steps, so that temperatures swing about their mean
     * @param heatW mean of all heat that is set free inside
     * @param sunW what the sun adds on the outside
     * @param partsMeanC mean temperature of each part by its id, °C; worked out when somebody first looks
     * @param allSpots parts, walls, and where parts warm walls; read off the network when somebody first looks
     * @param inside likewise
     * @param ways that the heat takes, at the mean; read off when somebody first looks
     * @param waiting fans that do not run all the time in it
     */
    public record Use(
            When when,
            double minutes,
            boolean swings,
            double heatW,
            double sunW,
            Lazy<Map<String, Double>> partsMeanC,
            Lazy<List<Spot>> allSpots,
            Lazy<Inside> inside,
            Lazy<HeatWays> ways,
            Optional<Waiting> waiting) {
        /** Name of its profile. */
        public String profile() {
            return when.profile();
        }

        /** Parts, walls, and where parts warm walls. */
        public List<Spot> spots() {
            return allSpots.get();
        }

        /** The air inside, at the mean. */
        public List<ShellAir> shells() {
            return inside.get().shells();
        }

        /** Heat pipes of which more is asked than they carry, at the mean. */
        public List<DryPipe> dry() {
            return inside.get().dry();
        }
    }

    /**
     * Fans that start only when a board gets warm, in a use where they do not run all the time.
     *
     * @param fans ids of what has them
     * @param byTurns whether they start and stop again and again: temperatures told are bounds then; else they stand
     * @param runningK what the least margin would be if they ran all the time, K
     */
    public record Waiting(List<String> fans, boolean byTurns, Lazy<Double> runningK) {
        /** Copies the list. */
        public Waiting {
            fans = List.copyOf(fans);
        }
    }

    /**
     * What goes on inside in a use, at the mean.
     *
     * @param shells the air
     * @param dry heat pipes of which more is asked than they carry
     * @param beside of each source that a part warms, the one that warms it most
     */
    public record Inside(List<ShellAir> shells, List<DryPipe> dry, List<Beside> beside) {

        /** Copies the lists. */
        public Inside {
            shells = List.copyOf(shells);
            dry = List.copyOf(dry);
            beside = List.copyOf(beside);
        }

        /** What warms a source most, if a part does. */
        public Optional<Beside> beside(String source) {
            return beside.stream().filter(b -> b.source().equals(source)).findFirst();
        }
    }

    /**
     * A heat pipe of which more is asked than it carries.
     *
     * @param part id of the part that it cools
     * @param to where it leads
     * @param watts that cross it, along its walls too
     * @param mostW that it carries as it lies
     */
    public record DryPipe(String part, HeatPlace to, double watts, double mostW) {}

    /**
     * What warms a source of power most.
     *
     * @param source its id
     * @param from id of the part that does
     * @param watts from there
     * @param allW that the source gets from all sides and sets free itself
     */
    public record Beside(String source, String from, double watts, double allW) {}

    /**
     * A fan before the vent that it drives.
     *
     * @param part id of what has the fan
     * @param vent place of the vent in its shell
     * @param apartMm between both
     */
    public record FanAt(String part, int vent, double apartMm) {}

    /**
     * Fins.
     *
     * @param part id of what has them
     * @param flowLs of air that is driven through them
     * @param out whether it leaves by a vent at once
     * @param watts that they give off between them, at the mean
     */
    public record FinsAt(String part, double flowLs, boolean out, double watts) {}

    /**
     * Something with a temperature.
     *
     * @param kind part or wall
     * @param subject id of the part, or of the shell
     * @param name for people
     * @param wall which wall, if it is one
     * @param celsius the highest temperature in the use; of a wall its outside
     * @param meanC mean temperature over the use
     * @param limitC the most it may reach; infinite when nothing is known
     * @param heatW put in here, mean
     */
    public record Spot(
            Kind kind,
            String subject,
            String name,
            Optional<Face> wall,
            double celsius,
            double meanC,
            double limitC,
            double heatW) {
        /** Where it is. */
        public HeatPlace place() {
            return new HeatPlace(kind == Kind.PART ? HeatPlace.Kind.PART : HeatPlace.Kind.WALL, subject, wall);
        }

        /** Distance to the limit, K. */
        public double marginK() {
            return limitC - celsius;
        }
    }

    /** Kinds of spot. */
    public enum Kind {
        /** A part. */
        PART,
        /** The outside of a wall, or of the place in it that a part warms. */
        WALL
    }

    /**
     * Air inside a shell.
     *
     * @param shell its id
     * @param airC mean temperature of the air
     * @param flowLs through vents, driven by warmth or a fan
     * @param outLs by vent of the shell, what goes out; negative where air comes in
     * @param again share of what comes in that has just gone out, an estimate
     * @param insideLs what fans move that goes round inside
     * @param fans those that drive a vent
     * @param fins what goes through fins of parts
     * @param ventW heat of this air that leaves with it
     * @param wallMeanC outside walls, mean by area
     * @param fan whether a fan drives it
     * @param sealed whether it has no vents
     */
    public record ShellAir(
            String shell,
            double airC,
            double flowLs,
            List<Double> outLs,
            double again,
            double insideLs,
            List<FanAt> fans,
            List<FinsAt> fins,
            double ventW,
            double wallMeanC,
            boolean fan,
            boolean sealed) {}

    /** The use with the least margin; absent without a case. */
    public Optional<Use> gravest() {
        return when.map(this::use);
    }

    /** A use. */
    public Use use(When which) {
        return uses.get(which.place());
    }

    /** All spots of the gravest use. */
    public List<Spot> spots() {
        return gravest().map(Use::spots).orElse(List.of());
    }

    /** The air of the gravest use. */
    public List<ShellAir> shells() {
        return gravest().map(Use::shells).orElse(List.of());
    }

    /** Heat set free inside in the gravest use, W. */
    public double heatW() {
        return gravest().map(Use::heatW).orElse(0.0);
    }

    /** The part's spot in the gravest use, if it has one. */
    public Optional<Spot> part(String id) {
        return spots().stream()
                .filter(s -> s.kind() == Kind.PART && s.subject().equals(id))
                .findFirst();
    }

    /** Air of a shell in the gravest use. */
    public Optional<ShellAir> shell(String id) {
        return shells().stream().filter(s -> s.shell().equals(id)).findFirst();
    }
}
