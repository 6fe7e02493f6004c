package boldsatchel.heat;

import boldsatchel.geometry.Face;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;

/**
 * The steady state.
 *
 * @param spots everything with a temperature
 * @param shells air and flows of each shell
 * @param heatW all heat put in
 * @param margin least distance of any spot from its limit, K; absent when nothing has a limit
 * @param hottest the spot of the least margin
 */
public record HeatResult(
        List<Spot> spots, List<ShellAir> shells, double heatW, Optional<Spread> margin, Optional<Spot> hottest) {

    /**
     * Something with a temperature.
     *
     * @param kind part or wall
     * @param subject id of the part, or of the shell
     * @param name for people
     * @param wall which wall, if it is one
     * @param celsius temperature; of a wall its outside
     * @param limitC the most it may reach; infinite when nothing is known
     * @param heatW put in here
     */
    public record Spot(
            Kind kind, String subject, String name, Optional<Face> wall, double celsius, double limitC, double heatW) {
        /** Distance to the limit, K. */
        public double marginK() {
            return limitC - celsius;
        }
    }

    /** Kinds of spot. */
    public enum Kind {
        /** A part. */
        PART,
        /** The outside of a wall. */
        WALL
    }

    /**
     * Air inside a shell.
     *
     * @param shell its id
     * @param airC mean temperature of the air
     * @param flowLs through vents, driven by warmth or a fan
     * @param ventW heat that leaves with it
     * @param wallMeanC outside walls, mean by area
     * @param fan whether a fan drives it
     * @param sealed whether it has no vents
     */
    public record ShellAir(
            String shell, double airC, double flowLs, double ventW, double wallMeanC, boolean fan, boolean sealed) {}

    /** The part's spot, if it has one. */
    public Optional<Spot> part(String id) {
        return spots.stream()
                .filter(s -> s.kind() == Kind.PART && s.subject().equals(id))
                .findFirst();
    }

    /** Air of a shell. */
    public Optional<ShellAir> shell(String id) {
        return shells.stream().filter(s -> s.shell().equals(id)).findFirst();
    }
}
