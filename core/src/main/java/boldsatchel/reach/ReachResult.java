package boldsatchel.reach;

import boldsatchel.machine.Opening;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Shell;
import java.util.List;
import java.util.Optional;

/**
 * What fingers and eyes get at through the walls.
 *
 * @param all buttons and pictures of the parts that lie in the case
 * @param idle openings that serve nothing any more
 */
public record ReachResult(List<Access> all, List<Idle> idle) {

    /** Nothing is to be reached. */
    public static final ReachResult NOTHING = new ReachResult(List.of(), List.of());

    /** Copies the lists. */
    public ReachResult {
        all = List.copyOf(all);
        idle = List.copyOf(idle);
    }

    /** What is to be got at. */
    public enum Kind {
        /** A button, switch or wheel. */
        BUTTON,
        /** What a screen shows. */
        PICTURE
    }

    /**
     * A button or a picture, and what is before it.
     *
     * @param part its id
     * @param what name of the button; of a picture the word that openings use
     * @param shell the tray
     * @param wall words of the side it looks to
     * @param behindMm of it from the outside of that wall; negative where it stands out
     * @param gapMm of it from the inside of that wall
     * @param open whether there is no wall
     * @param opening the one before it, if there is one
     * @param lacksMm by how much that is too small; negative for the room that is left; not a number without one
     * @param pastMm by how much the opening before a picture goes beyond the screen; negative for what of the screen is behind the wall
     * @param covered id of the part that lies before it, if one does
     * @param travelMm how far it is pressed
     * @param feelsPressure whether what rests on it is felt
     * @param sealed whether tape or glue closes what is between it and the wall
     */
    public record Access(
            String part,
            String what,
            Kind kind,
            Shell shell,
            String wall,
            double behindMm,
            double gapMm,
            boolean open,
            Optional<Opening> opening,
            double lacksMm,
            double pastMm,
            Optional<String> covered,
            double travelMm,
            boolean feelsPressure,
            boolean sealed) {

        private static final double EXACT_MM = 0.01;
        /** A fingertip goes into a hole this wide, mm, usual; and so far. */
        private static final double FINGER_MM = 14;

        private static final double FINGER_DEEP_MM = 6;
        private static final double FLUSH_MM = 1;

        /** Whether a wall is before all of it. */
        public boolean isShut() {
            return !open && opening.isEmpty();
        }

        /** How deep it may lie to be pressed through its opening without a peg, mm. */
        public double mayMm() {
            return opening.filter(o -> Math.min(o.wideMm(), o.highMm()) < FINGER_MM)
                            .isPresent()
                    ? FLUSH_MM
                    : FINGER_DEEP_MM;
        }

        /** Whether it lies deeper than a finger presses, and no peg helps. */
        public boolean isDeep() {
            return kind == Kind.BUTTON
                    && !open
                    && opening.filter(o -> !o.peg()).isPresent()
                    && behindMm > mayMm() + EXACT_MM;
        }

        /** Whether a hole as large as itself needs a peg. */
        public boolean needsPeg() {
            return behindMm > FLUSH_MM;
        }

        /** Length of a peg from it through the wall, its stroke among it, mm. */
        public double pegMm() {
            return Math.max(0, behindMm) + travelMm + Peg.PROUD_MM;
        }

        /** What happens when the peg in its opening is pressed; nothing where nobody said how that is made. */
        public Optional<Press> press() {
            return kind == Kind.BUTTON && !open
                    ? opening.flatMap(Opening::made).map(p -> new Press(p, behindMm, mayMm(), travelMm))
                    : Optional.empty();
        }

        /** Whether one looks past the screen into the case, and its light comes out beside it. */
        public boolean isPast() {
            return kind == Kind.PICTURE && !open && pastMm > EXACT_MM;
        }

        /** Whether one who looks aslant, by 45°, sees past the rim of the screen, and light beside it: it lies farther behind the wall than that covers of it. */
        public boolean isPastAslant() {
            return kind == Kind.PICTURE
                    && !open
                    && !sealed
                    && gapMm > EXACT_MM
                    && pastMm <= EXACT_MM
                    && gapMm + pastMm > EXACT_MM;
        }

        /** Whether its opening hides some of it. */
        public boolean isCut() {
            return lacksMm > EXACT_MM;
        }
    }

    /**
     * An opening whose socket, button or picture is not there any more.
     *
     * @param shell id of the tray
     * @param found whether the tray was found, and what is cut into it stays
     */
    public record Idle(String shell, Opening opening, boolean found) {}
}
