package boldsatchel.assembly;

/**
 * Something that has to be out, off or open before what is behind it can be reached.
 *
 * @param kind what it is
 * @param id of the part, of the tray, or of the joint
 */
public record Piece(Kind kind, String id) {

    /** What keeps others in. */
    public enum Kind {
        /** A part that lies in a tray. */
        PART,
        /** The cover of a tray that is closed on all sides. */
        COVER,
        /** A hinge or slide that is closed. */
        SHUT,
        /** A tray that hangs on another one. */
        TRAY
    }
}
