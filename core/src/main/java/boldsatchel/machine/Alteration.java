package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * What was done to a part that was bought: its figures since then stand in the part, those before here.
 *
 * @param name in the builder's words
 * @param kind what was done
 * @param reversible whether the part can be put back as it was
 * @param beforeG its mass before
 * @param before its body before
 */
public record Alteration(
        @Label("name") String name,
        @Label("what was done") Kind kind,
        @Label("can be put back") boolean reversible,

        @Label(value = "mass before", in = Quantity.MASS) Figure beforeG,

        @Label("body before") Body before) {

    /** What is done to bought parts. */
    public enum Kind {
        /** Its housing is taken off. */
        SHELL_OFF("shell off", true),
        /** A socket is desoldered. */
        SOCKET_OFF("socket off", false),
        /** A lead is cut or shortened. */
        CABLE_CUT("cable cut", false),
        /** Holes are bored. */
        BORED("holes bored", false),
        /** Wires are soldered on. */
        WIRES_ON("wires soldered on", true),
        /** Lacquered or dipped all round. */
        COATED("coated all round", false),
        /** In a sleeve of heat shrink. */
        SLEEVED("sleeved in heat shrink", true),
        /** A film or label on its upper side. */
        COVERED("film or label on it", true),
        /** Anything else. */
        OTHER("otherwise altered", false);

        private final String words;
        private final boolean usuallyReversible;

        Kind(String words, boolean usuallyReversible) {
            this.words = words;
            this.usuallyReversible = usuallyReversible;
        }

        /** As written in a list. */
        public String words() {
            return words;
        }

        /** Whether such a thing can mostly be undone at the bench. */
        public boolean usuallyReversible() {
            return usuallyReversible;
        }

        /** Whether an iron, or something as hot, is needed for it. */
        public boolean solders() {
            return this == SOCKET_OFF || this == WIRES_ON;
        }
    }
}
