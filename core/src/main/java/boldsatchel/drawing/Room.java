package boldsatchel.drawing;

/**
 * How much room a drawing has, and how large letters are on it, in one unit: pixels of a window or mm of a page. A drawing is made for its room,
 * since names and numbers keep their size while what is drawn shrinks.
 *
 * @param width of the room
 * @param height of the room
 * @param letter size of letters
 * @param most units a millimetre takes at most
 * @param oneSided whether names stand at the right only, or at both sides
 * @param filled whether the sheet is as large as the room, with what is drawn in its middle; otherwise no larger than it needs
 */
public record Room(double width, double height, double letter, double most, boolean oneSided, boolean filled) {

    /** Letters of a window, pixels. */
    private static final double LETTER_PX = 11;
    /** A millimetre takes no more pixels than this. */
    private static final double MOST_PX = 40;
    /** Letters of a page, mm. */
    private static final double LETTER_MM = 2.6;

    private static final double LEAST = 120;

    /** A place in a window. */
    public static Room window(double width, double height) {
        return new Room(Math.max(LEAST, width), Math.max(LEAST, height), LETTER_PX, MOST_PX, false, true);
    }

    /** A place on a page, mm; nothing is drawn larger than it is. */
    public static Room page(double widthMm, double heightMm) {
        return new Room(widthMm, heightMm, LETTER_MM, 1, false, false);
    }

    /** The same where a millimetre takes no more than so many units. */
    public Room atMost(double units) {
        return new Room(width, height, letter, units, oneSided, filled);
    }

    /** The same with names at the right only. */
    Room withOneSide() {
        return new Room(width, height, letter, most, true, filled);
    }

    /**
     * Units a millimetre takes where something of a size and letters beside it fill the room.
     *
     * @param lettersAcross width taken by what is written, in letter sizes
     * @param lettersUp height taken by what is written, in letter sizes
     */
    double scale(double widthMm, double heightMm, double lettersAcross, double lettersUp) {
        double across = Math.max(width / 4, width - lettersAcross * letter) / Math.max(1, widthMm);
        double up = Math.max(height / 4, height - lettersUp * letter) / Math.max(1, heightMm);
        return Math.min(most, Math.min(across, up));
    }
}
