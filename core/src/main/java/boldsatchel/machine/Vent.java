package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * An opening in a wall for air.
 *
 * @param name for people
 * @param wall it is in
 * @param box its extent in the shell's frame; flat along the wall's axis
 * @param kind how it is made
 * @param openShare of that extent, 0 to 1; 0 for what its kind usually leaves open
 */
public record Vent(
        @Label("name") String name,
        @Label("wall") Face wall,
        @Label("extent") Box box,
        @Label(value = "made as", absent = 1) Kind kind,

        @Label(value = "open share, if known", in = Quantity.SHARE)
        double openShare) {

    /** One opening of which so much is free. */
    public Vent(String name, Face wall, Box box, double openShare) {
        this(name, wall, box, Kind.OPEN, openShare);
    }

    /** How a vent is made. */
    public enum Kind {
        /** One hole without anything in it. */
        OPEN("one opening", 1),
        /** Long slots beside one another. */
        SLOTS("slots", 0.5),
        /** Rows of round holes. */
        HOLES("holes", 0.35),
        /** A grille or mesh. */
        GRILLE("grille", 0.6);

        private final String words;
        private final double usualShare;

        Kind(String words, double usualShare) {
            this.words = words;
            this.usualShare = usualShare;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }

        /** What it usually leaves open. */
        public double usualShare() {
            return usualShare;
        }
    }

    /** What of its extent is open, 0 to 1. */
    public double share() {
        return openShare > 0 ? openShare : kind.usualShare;
    }

    /** Free area, mm². */
    public double areaMm2() {
        double area = 1;
        for (int axis = 0; axis < 3; axis++) {
            area *= axis == wall.axis() ? 1 : box.size(axis);
        }
        return area * share();
    }
}
