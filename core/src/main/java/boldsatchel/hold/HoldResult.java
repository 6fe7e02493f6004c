package boldsatchel.hold;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.ScrewThread;
import java.util.List;
import java.util.Optional;

/**
 * What holds the parts.
 *
 * @param loose ids of parts that nothing holds
 * @param unsaid ids of parts of which nobody said what holds them
 * @param holes what each mounting hole of a part held by screws meets, and each screw that holds a tray
 * @param unscrewable ids of parts held by screws that have no hole in the right direction, or lie on no boss, and of trays held by screws that no boss takes
 * @param tapes parts on foam tape that is too small for their weight
 * @param glued ids of parts that wear out and are glued in
 * @param hollow keyboards of which corners are borne by nothing
 * @param closed joints of glue and what wears out behind each
 * @param magnets trays that are held by magnets
 */
public record HoldResult(
        List<String> loose,
        List<String> unsaid,
        List<Screwed> holes,
        List<String> unscrewable,
        List<Taped> tapes,
        List<String> glued,
        List<Hollow> hollow,
        List<Closed> closed,
        List<Magnetic> magnets) {

    /** Nothing is known. */
    public static final HoldResult NOTHING = new HoldResult(
            List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

    /** Copies the lists. */
    public HoldResult {
        loose = List.copyOf(loose);
        unsaid = List.copyOf(unsaid);
        holes = List.copyOf(holes);
        unscrewable = List.copyOf(unscrewable);
        tapes = List.copyOf(tapes);
        glued = List.copyOf(glued);
        hollow = List.copyOf(hollow);
        closed = List.copyOf(closed);
        magnets = List.copyOf(magnets);
    }

    /**
     * A screw over a boss.
     *
     * @param part id of the part, or of the tray that is screwed on
     * @param hole place of the hole among those of the part; of a tray, of the boss among those of its tray
     * @param thread of the boss
     * @param asideMm between their middles
     * @param mayMm that the hole leaves
     * @param clampedMm from under the head to the top of the boss
     * @param boredMm depth that the boss and the floor below it have
     * @param lengthMm of the screw, where one was chosen
     */
    public record Screwed(
            String part,
            int hole,
            ScrewThread thread,
            double asideMm,
            double mayMm,
            double clampedMm,
            double boredMm,
            Optional<Double> lengthMm) {

        /** Thread that should hold, mm: one and a half diameters in plastic or in an insert, a rule of thumb. */
        public double wantedMm() {
            return 1.5 * thread.diameterMm();
        }

        /** Thread that holds, mm; not a number while no screw was chosen. */
        public double engagedMm() {
            return lengthMm.map(l -> Math.min(l - clampedMm, boredMm)).orElse(Double.NaN);
        }

        /** How far the tip comes out under the floor, mm; not a number while no screw was chosen. */
        public double throughMm() {
            return lengthMm.map(l -> l - clampedMm - boredMm).orElse(Double.NaN);
        }

        /** Whether the screw meets its boss. */
        public boolean meets() {
            return asideMm <= mayMm;
        }
    }

    /**
     * A part on foam tape.
     *
     * @param part its id
     * @param massG its mass
     * @param bearsG what its footprint bears for long
     */
    public record Taped(String part, double massG, double bearsG) {}

    /**
     * A keyboard that is not borne at its corners.
     *
     * @param part its id
     * @param corners its outermost keys that nothing bears, on its underside in the frame of its tray
     * @param overMm the furthest of them from what bears it; endless where nothing does
     */
    public record Hollow(String part, List<Vec> corners, double overMm) {}

    /**
     * A joint of glue.
     *
     * @param joint its id
     * @param parts ids of what wears out behind it
     */
    public record Closed(String joint, List<String> parts) {}

    /**
     * A tray that is held by magnets.
     *
     * @param joint its id
     * @param shell id of the tray
     * @param count of magnets
     * @param eachN what one holds; not a number while nobody said which they are
     * @param massG of the tray with all that is in it and hangs on it
     */
    public record Magnetic(String joint, String shell, int count, double eachN, double massG) {

        /** Turned over and shaken it pulls with some times its weight; a guess. */
        private static final double SHAKEN = 3;

        private static final double G_MS2 = 9.80665;

        /** What all hold together, N. */
        public double holdsN() {
            return count * eachN;
        }

        /** What they should hold, N. */
        public double wantedN() {
            return SHAKEN * massG / 1e3 * G_MS2;
        }
    }
}
