package boldsatchel.abilities;

import boldsatchel.machine.Function;
import java.util.List;
import java.util.Optional;

/**
 * Something that the machine will not do for its user, or not as it should, though everything fits, is fed and talks.
 *
 * @param kind what
 * @param subjects ids of the parts, the culprit first
 * @param function of the board that it is about, if any
 * @param words name of a program or socket, where one is meant
 * @param is the figure that is wrong
 * @param may what it may be
 */
public record Gap(Kind kind, List<String> subjects, Optional<Function> function, String words, double is, double may) {

    /** Copies the list. */
    public Gap {
        subjects = List.copyOf(subjects);
    }

    /** Kinds of gap. */
    public enum Kind {
        /** Nothing reaches a network without a wire. */
        NO_NETWORK,
        /** Nothing is heard. */
        NO_SOUND,
        /** Nothing moves a pointer. */
        NO_POINTER,
        /** Nothing keeps files. */
        NO_STORAGE,
        /** Programs and files take more than there is. */
        STORAGE,
        /** The system starts from something slow. */
        SLOW_STORAGE,
        /** A program takes more memory than any board has. */
        MEMORY,
        /** A program runs by emulation, slower than it may. */
        EMULATED,
        /** No board runs a program at all. */
        OTHER_PROCESSOR,
        /** It is not known what the boards can run. */
        UNKNOWN_PROCESSOR,
        /** A function of a board fails under the system. */
        FAILS,
        /** It works in part. */
        PARTLY,
        /** Nobody knows. */
        UNTRIED,
        /** Picture and touch are turned differently. */
        TURNED,
        /** No way in once the case is shut and the picture stays away. */
        NO_WAY_IN,
        /** Nobody knows which pin is which. */
        UNMARKED,
        /** A screen stays lit when the board is asleep or off. */
        STAYS_LIT,
        /** Keys without diodes: three at once show a fourth. */
        GHOST_KEYS,
        /** More current than a pin gives. */
        PIN_CURRENT,
        /** More current than all pins of a board give together. */
        PINS_CURRENT,
        /** A loudspeaker's impedance is too low for its amplifier. */
        OVERLOAD,
        /** An amplifier gives more than its loudspeaker bears. */
        TOO_STRONG,
        /** Hardly heard. */
        QUIET,
        /** One of two channels is lost. */
        ONE_CHANNEL,
        /** The loudspeaker goes on while headphones are in. */
        BOTH_PLAY
    }
}
