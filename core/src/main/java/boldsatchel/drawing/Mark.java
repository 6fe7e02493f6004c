package boldsatchel.drawing;

import java.util.List;

/**
 * One mark of a drawing, in mm on the sheet; x to the right, y down. Three kinds are enough for all drawings: the window, SVG and PDF
 * each know how to put them down, so that what is on screen is what is in the book.
 */
public sealed interface Mark {

    /** Id of the part, shell or rung it stands for; empty for none. */
    String subject();

    /** A point on the sheet. */
    record Point(double x, double y) {}

    /**
     * A line through points.
     *
     * @param points at least two
     * @param closed whether it returns to the first
     * @param widthMm of the pen
     * @param dashed whether it is broken
     * @param ink its colour
     * @param subject what it stands for
     */
    record Line(List<Point> points, boolean closed, double widthMm, boolean dashed, Ink ink, String subject)
            implements Mark {}

    /**
     * A filled polygon.
     *
     * @param points at least three
     * @param ink its colour
     * @param opacity 0 to 1
     * @param subject what it stands for
     */
    record Fill(List<Point> points, Ink ink, double opacity, String subject) implements Mark {}

    /** Where a text's point is. */
    enum Align {
        /** At its left end. */
        LEFT,
        /** In its middle. */
        CENTRE,
        /** At its right end. */
        RIGHT
    }

    /**
     * A line of text.
     *
     * @param at on the baseline
     * @param sizeMm height of the face
     * @param align where the point is
     * @param bold weight
     * @param ink its colour
     * @param text what it says
     * @param roomMm width it may take, beyond which it is cut; infinite when it may run on
     * @param subject what it stands for
     */
    record Text(Point at, double sizeMm, Align align, boolean bold, Ink ink, String text, double roomMm, String subject)
            implements Mark {

        /** A text that may run on. */
        public static Text free(
                Point at, double sizeMm, Align align, boolean bold, Ink ink, String text, String subject) {
            return new Text(at, sizeMm, align, bold, ink, text, Double.POSITIVE_INFINITY, subject);
        }
    }
}
