package boldsatchel.power;

/**
 * A limit that does not hold.
 *
 * @param kind which
 * @param rung id of the rung
 * @param value what is
 * @param limit what may be
 */
public record Breach(Kind kind, String rung, double value, double limit) {

    /** Kinds of limit; whether one ends a run. */
    public enum Kind {
        /** No voltage satisfies the loads. */
        COLLAPSE("the voltage collapses", true, true),
        /** A cell is down to its cut-off. */
        CELL_CUTOFF("the cells reach their cut-off", true, true),
        /** The protection trips. */
        OVER_CURRENT("the pack's protection trips on over-current", true, false),
        /** The source cannot give the current. */
        SOURCE_LIMIT("the source is at its current limit", true, false),
        /** A load sees too little. */
        BELOW_WINDOW("the voltage falls below what it needs", true, true),
        /** A load sees too much. */
        ABOVE_WINDOW("the voltage is above what it bears", false, false),
        /** A converter is at its current limit. */
        CONVERTER_LIMIT("the converter is at its current limit", true, false),
        /** A converter has too little input. */
        DROPOUT("the converter has too little input left", true, true),
        /** A converter's input is above its range. */
        ABOVE_INPUT("the converter's input is above its range", false, false),
        /** A step-up converter has more at its input than it puts out: it passes straight through. */
        ABOVE_OUTPUT("more comes in than the converter puts out, and passes through", false, false),
        /** A socket is asked for more than it gives. */
        SOCKET_LIMIT("a socket is asked for more current than it gives", true, false),
        /** The sockets of one rail are asked for more than it gives. */
        RAIL_LIMIT("sockets are asked for more current together than their rail gives", true, false),
        /** A wire, fuse, switch or plug carries more than it is made for. */
        OVER_RATING("it carries more than it is made for", false, false),
        /** A power bank sees too little load. */
        SHUTS_OFF("the power bank takes the load for nothing and switches off", true, true),
        /** Nothing is left. */
        EMPTY("the energy is used up", true, true);

        private final String words;
        private final boolean endsRun;
        private final boolean least;

        Kind(String words, boolean endsRun, boolean least) {
            this.words = words;
            this.endsRun = endsRun;
            this.least = least;
        }

        /** How far a value is from a limit of this kind, in its unit; negative beyond it. */
        public double margin(double value, double limit) {
            return least ? value - limit : limit - value;
        }

        /** Whether it is a voltage that must not fall. */
        boolean ofVolts() {
            return least && this != SHUTS_OFF && this != EMPTY;
        }

        /** As said in a sentence. */
        public String words() {
            return words;
        }

        /** Whether the machine stops there. */
        public boolean endsRun() {
            return endsRun;
        }
    }
}
