package boldsatchel.heat;

import boldsatchel.geometry.Face;
import java.util.Optional;

/**
 * Where heat is, or goes: what a builder would point at.
 *
 * @param kind of it
 * @param subject id of the part, or of the tray; empty for the surroundings
 * @param wall of the tray, if it is one
 */
public record HeatPlace(Kind kind, String subject, Optional<Face> wall) {

    /** Kinds of place, from the inside outwards. */
    public enum Kind {
        /** A part. */
        PART,
        /** The air in a tray. */
        AIR,
        /** A wall. */
        WALL,
        /** All about the machine. */
        SURROUNDINGS
    }

    /** All about the machine. */
    static final HeatPlace SURROUNDINGS = new HeatPlace(Kind.SURROUNDINGS, "", Optional.empty());

    /** A part by its id. */
    public static HeatPlace part(String id) {
        return new HeatPlace(Kind.PART, id, Optional.empty());
    }

    /** The air in a tray by its id. */
    public static HeatPlace air(String tray) {
        return new HeatPlace(Kind.AIR, tray, Optional.empty());
    }

    /** A wall of a tray by its id. */
    public static HeatPlace wall(String tray, Face face) {
        return new HeatPlace(Kind.WALL, tray, Optional.of(face));
    }
}
