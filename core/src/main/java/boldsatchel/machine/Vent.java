package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * An opening in a wall for air.
 *
 * @param name for people
 * @param wall it is in
 * @param box its extent in the shell's frame; flat along the wall's axis
 * @param kind how it is made
 * @param openShare of that extent, 0 to 1; 0 for what its kind usually leaves open
 * @param filterPa what a filter over its extent takes of the pressure where air comes through at 1 m/s; 0 without one
 */
public record Vent(
        @Label("name") String name,
        @Label("wall") Face wall,
        @Label("extent") Box box,
        @Label(value = "made as", absent = 1) Kind kind,

        @Label(value = "open share, if known", in = Quantity.SHARE)
        double openShare,

        @Label(value = "filter, at 1 m/s", in = Quantity.PRESSURE)
        double filterPa) {

    /** One opening of which so much is free. */
    public Vent(String name, Face wall, Box box, double openShare) {
        this(name, wall, box, Kind.OPEN, openShare);
    }

    /** Without a filter. */
    public Vent(String name, Face wall, Box box, Kind kind, double openShare) {
        this(name, wall, box, kind, openShare, 0);
    }

    private static final double USUAL_MM = 8;
    private static final double USUAL_SHARE = 0.7;

    /**
     * A vent as it is usually cut: over much of a wall's length, low or high in it; in the middle of a floor or cover.
     *
     * @param inside of the tray
     * @param above high in the wall
     */
    public static Vent usual(String name, Face wall, Box inside, boolean above, Kind kind) {
        double end = inside.end(wall);
        if (wall.axis() == Face.TOP.axis()) {
            double wide = inside.dx() * (1 - USUAL_SHARE);
            double deep = inside.dy() * (1 - USUAL_SHARE);
            return new Vent(
                    name,
                    wall,
                    new Box(inside.dx() * USUAL_SHARE / 2, inside.dy() * USUAL_SHARE / 2, end, wide, deep, 0),
                    kind,
                    0);
        }
        double high = Math.min(USUAL_MM, inside.dz() / 4);
        double z = above ? inside.dz() - 1.5 * high : high / 2;
        int along = 1 - wall.axis();
        double from = inside.size(along) * (1 - USUAL_SHARE) / 2;
        double wide = inside.size(along) * USUAL_SHARE;
        Box extent = along == 0 ? new Box(from, end, z, wide, 0, high) : new Box(end, from, z, 0, wide, high);
        return new Vent(name, wall, extent, kind, 0);
    }

    /** The vent next to something, the first of several as near: the one that a fan there is taken to drive. */
    public static Optional<Vent> nearest(List<Vent> vents, Box to) {
        return vents.stream().min(Comparator.comparingDouble(v -> {
            double square = 0;
            for (int axis = 0; axis < 3; axis++) {
                double gap = Math.max(0, v.box.gapAlong(axis, to));
                square += gap * gap;
            }
            return square;
        }));
    }

    /** The same of another extent. */
    public Vent with(Box newBox) {
        return new Vent(name, wall, newBox, kind, openShare, filterPa);
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

    /** Its extent, mm². */
    public double extentMm2() {
        double area = 1;
        for (int axis = 0; axis < 3; axis++) {
            area *= axis == wall.axis() ? 1 : box.size(axis);
        }
        return area;
    }

    /** Free area, mm². */
    public double areaMm2() {
        return extentMm2() * share();
    }
}
