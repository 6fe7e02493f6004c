package boldsatchel.drawing;

import java.util.List;

/**
 * A drawing: a sheet and the marks on it, in mm.
 *
 * @param title for people
 * @param widthMm of the sheet
 * @param heightMm of the sheet
 * @param originX where the drawn frame's origin lies on the sheet
 * @param originY where the drawn frame's origin lies on the sheet; the drawn frame's second axis runs up from there
 * @param marks later ones on top
 */
public record Drawing(String title, double widthMm, double heightMm, double originX, double originY, List<Mark> marks) {

    /** Copies the list. */
    public Drawing {
        marks = List.copyOf(marks);
    }
}
