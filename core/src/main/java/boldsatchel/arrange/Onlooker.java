package boldsatchel.arrange;

import java.util.List;

/** Looks on while arrangements are looked for, and says when it is enough; asked and told on any thread. */
public interface Onlooker {

    /** Looks at nothing and lets it go on to the end. */
    Onlooker NONE = new Onlooker() {};

    /**
     * One more was tried.
     *
     * @param rounds of all threads until now
     * @param most that will be tried
     */
    default void tried(long rounds, long most) {}

    /** What was found so far and nothing beats; cables are not laid in them yet. */
    default void found(List<Proposal> proposals) {}

    /** Whether it is enough: what was found until then counts. */
    default boolean isEnough() {
        return false;
    }

    /** Whether nobody wants anything any more: it ends at once, with nothing. */
    default boolean isCancelled() {
        return false;
    }
}
