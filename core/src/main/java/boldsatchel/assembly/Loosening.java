package boldsatchel.assembly;

/**
 * A change to the plan that lets something out which was held for ever.
 *
 * @param kind what is changed
 * @param subject id of the wire, lead, part, joint or tray
 * @param index of the rib among those of its tray; 0 for all else
 */
public record Loosening(Kind kind, String subject, int index) {

    /** What can be changed. */
    public enum Kind {
        /** A plug and socket in soldered wires. */
        CONNECTOR(15),
        /** A longer lead, so that its part can be taken aside with the lead still plugged in. */
        LONGER_LEAD(10),
        /** Clips in place of screws that no driver gets at. */
        CLIPS(15),
        /** Screws in place of glue. */
        NO_GLUE(20),
        /** A rib is left out. */
        NO_RIB(25);

        private final double minutes;

        Kind(double minutes) {
            this.minutes = minutes;
        }

        /** What it costs to do so, in minutes of work: a guess by which ways out are ranked. */
        public double minutes() {
            return minutes;
        }
    }

    /** One that needs no index. */
    static Loosening of(Kind kind, String subject) {
        return new Loosening(kind, subject, 0);
    }
}
