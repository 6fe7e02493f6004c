package boldsatchel.means;

import java.util.List;

/**
 * Something that the build asks for and the builder has not.
 *
 * @param kind what
 * @param subjects ids of what asks for it, the first culprit first
 * @param size what is too large, mm
 * @param limit what there is, mm
 */
public record Lack(Kind kind, List<String> subjects, double size, double limit) {

    /** Copies the list. */
    public Lack {
        subjects = List.copyOf(subjects);
    }

    /** Kinds of lack. */
    public enum Kind {
        /** A printed tray, and no printer. */
        NO_PRINTER,
        /** A printed tray larger than the bed. */
        BED,
        /** A tray of sheet, and nothing to cut it. */
        NO_CUTTER,
        /** Openings in a found box of metal, and no drill. */
        NO_DRILL,
        /** Cells to be welded, and no spot welder. */
        NO_WELDER,
        /** Joints to be soldered, and no iron. */
        NO_IRON
    }
}
