package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;

/**
 * What the fit engine found.
 *
 * @param placed parts where they lie, each in its shell's frame
 * @param onTheTable ids of parts that are not placed
 * @param clashes solids in the same place
 * @param gaps the smallest gaps between solids that are not meant to touch, smallest first
 * @param outside parts through a wall
 * @param intrusions solids in space that must stay free
 * @param stranded sockets that do not reach their wall
 * @param covered vents with something in front
 * @param tightest the least gap anywhere, mm; minus the deepest clash when there is one; absent with nothing to compare
 */
public record FitResult(
        List<Placed> placed,
        List<String> onTheTable,
        List<Clash> clashes,
        List<Gap> gaps,
        List<Outside> outside,
        List<Intrusion> intrusions,
        List<Stranded> stranded,
        List<Covered> covered,
        Optional<Spread> tightest) {

    /** Where a meeting happens. */
    public enum Where {
        /** Inside one shell. */
        SHELL,
        /** Between base and closed lid; boxes are in the base's frame. */
        CLOSED_LID
    }

    /**
     * Two solids in the same place.
     *
     * @param a id of a part
     * @param b id of the other part, or of the shell whose rib it is
     * @param where inside a shell or at the closed lid
     * @param shell id of the shell whose frame the box is in
     * @param overlap the shared box
     * @param depthMm the least move that would free it
     */
    public record Clash(String a, String b, Where where, String shell, Box overlap, double depthMm) {}

    /**
     * The space between two solids.
     *
     * @param a id of a part
     * @param b id of the other part, or of the shell
     * @param where inside a shell or at the closed lid
     * @param gapMm straight distance
     */
    public record Gap(String a, String b, Where where, double gapMm) {}

    /**
     * A part through a wall.
     *
     * @param part its id
     * @param shell which
     * @param byMm how far
     */
    public record Outside(String part, Shell shell, double byMm) {}

    /**
     * A solid in space that must stay free.
     *
     * @param owner id of the part whose space it is
     * @param by id of the part, or shell, that is in it
     * @param kind of space
     * @param depthMm how far it reaches in
     */
    public record Intrusion(String owner, String by, Zone.Kind kind, double depthMm) {}

    /**
     * A socket that should open through a wall and does not reach it.
     *
     * @param part its id
     * @param port the socket
     * @param byMm distance from its mouth to the inside of the wall
     */
    public record Stranded(String part, Port port, double byMm) {}

    /**
     * A vent with something in front.
     *
     * @param shell its id
     * @param vent its name
     * @param by id of the part
     * @param gapMm air left in front of it
     */
    public record Covered(String shell, String vent, String by, double gapMm) {}

    /** The part where it lies, if it is placed. */
    public Optional<Placed> placed(String part) {
        return placed.stream().filter(p -> p.id().equals(part)).findFirst();
    }
}
