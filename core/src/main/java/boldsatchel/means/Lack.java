package boldsatchel.means;

import java.util.List;

/**
 * Something that the build asks for and the builder has not.
 *
 * @param kind what
 * @param subjects ids of what asks for it, the first culprit first
 * @param words name of a program, where one asks
 * @param size what is too large, mm
 * @param limit what there is, mm
 */
public record Lack(Kind kind, List<String> subjects, String words, double size, double limit) {

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
        NO_IRON,
        /** No board runs a program as it is. */
        OTHER_PROCESSOR,
        /** It is not known what the boards can run. */
        UNKNOWN_PROCESSOR
    }
}
