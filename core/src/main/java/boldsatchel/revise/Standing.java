package boldsatchel.revise;

import boldsatchel.machine.Journal.Revision;
import java.util.List;
import java.util.Optional;

/**
 * How a build stands to its revisions.
 *
 * @param current the revision that it is: the last one that has all but the journal like it; nothing for one that was changed since
 * @param lacks what is missing before it may be passed on as tested, in words. A test counts when it was done to this thing: one that an
 *     earlier revision has already, while the thing was changed since, is to be done again
 */
public record Standing(Optional<Revision> current, List<String> lacks) {

    /** Copies the list. */
    public Standing {
        lacks = List.copyOf(lacks);
    }

    /** Whether it may be passed on as tested; it is a revision then. */
    public boolean isTested() {
        return lacks.isEmpty();
    }
}
