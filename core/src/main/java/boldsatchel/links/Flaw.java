package boldsatchel.links;

import java.util.List;

/**
 * Something about the links that will not work, or not as it should, though everything is plugged in.
 *
 * @param kind what
 * @param subjects ids of the parts, the culprit first
 * @param duty of the need it is about; what is in doubt where it is about none
 * @param is the figure that is wrong
 * @param may what it may be
 */
public record Flaw(Kind kind, List<String> subjects, String duty, double is, double may) {

    /** Copies the list. */
    public Flaw {
        subjects = List.copyOf(subjects);
    }

    /** Kinds of flaw. */
    public enum Kind {
        /** A link to a socket that its part no longer has, or that does not fit. */
        BROKEN,
        /** Two plugs in one socket. */
        TWICE,
        /** More screens at once than the board drives. */
        SCREENS,
        /** More pixels a second than the board makes. */
        PIXELS,
        /** A picture with fewer frames a second than the screen is made for. */
        FRAMES,
        /** More pictures a second than a paper-like panel can show. */
        REFRESH,
        /** Slower than the part could be. */
        SLOW,
        /** A higher logic level than the other side bears. */
        LEVEL_HIGH,
        /** A logic level too low to be seen. */
        LEVEL_LOW,
        /** Two parts with one address on a bus. */
        ADDRESS,
        /** One pin for two things. */
        PIN,
        /** Fewer pins than are needed. */
        NO_PINS,
        /** Longer than the signal bears. */
        LENGTH,
        /** A bus without resistors that pull it up, as far as anybody said. */
        NO_PULL_UPS,
        /** A bus that rises too slowly for its clock. */
        RISE,
        /** Resistors that ask an output of a bus for too much. */
        PULL_STRONG,
        /** More than half of a radio's power lost on the way to its antenna. */
        RADIO_LOSS,
        /** Too many hubs one behind the other. */
        TIERS,
        /** Sockets with a cable in them that keep no room free for its plug. */
        NO_ROOM,
        /** Cables and hubs that are plugged into nothing. */
        SPARE,
        /** The chain feeds one part by a socket that another is plugged into. */
        FEEDS_OTHER
    }
}
