package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * Where a tray is made of two pieces: a plane straight across it.
 *
 * @param way which pieces it parts it into
 * @param atMm from the inside of the left or front wall
 */
public record Seam(
        @Label("parts it into") Way way,

        @Label(value = "at", in = Quantity.LENGTH, absent = 50)
        double atMm) {

    /** Which pieces a seam makes. */
    public enum Way {
        /** A left piece and a right one. */
        LEFT_RIGHT("left and right", 0),
        /** A front piece and a back one. */
        FRONT_BACK("front and back", 1);

        private final String words;
        private final int axis;

        Way(String words, int axis) {
            this.words = words;
            this.axis = axis;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }

        /** Axis that it is square to. */
        public int axis() {
            return axis;
        }
    }

    /** Whether it runs through something that is not to be parted, or passes it by less than that. */
    public boolean meets(Box what, double byMm) {
        return what.low(way.axis()) - byMm < atMm && atMm < what.high(way.axis()) + byMm;
    }
}
