package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Label;

/**
 * Space around a part that must stay free.
 *
 * @param kind why
 * @param box where, in the part's frame; may reach beyond the part
 */
public record Zone(@Label("kind") Kind kind, @Label("box") Box box) {

    /** Whether something is in it at times: fingers, air and radio pass through walls, what swells and what is plugged in does not. */
    public boolean isFilled() {
        return kind == Kind.PLUG || kind == Kind.SWELL;
    }

    /** Why a zone must stay free. */
    public enum Kind {
        /** A plug and the bend of its cable. */
        PLUG("plug room"),
        /** Air has to move here. */
        AIR("air room"),
        /** A finger has to reach. */
        FINGER("finger room"),
        /** No metal in front of an antenna. */
        ANTENNA("antenna field"),
        /** Pouch cells grow. */
        SWELL("swelling room"),
        /** Anything else. */
        KEEPOUT("keep-out");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As written in a sentence. */
        public String words() {
            return words;
        }
    }
}
