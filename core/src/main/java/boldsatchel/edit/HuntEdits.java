package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** What is written down of hunts for faults. */
public final class HuntEdits {

    private HuntEdits() {}

    /** An id that no hunt of a build has. */
    public static String freeId(Build build) {
        int n = 1;
        while (find(build, "hunt-" + n)) {
            n++;
        }
        return "hunt-" + n;
    }

    private static boolean find(Build build, String id) {
        return build.journal().hunts().stream().anyMatch(h -> h.id().equals(id));
    }

    /** Begins a hunt. */
    public static Edit begin(Journal.Hunted hunt) {
        return Edits.journal("begin a hunt", j -> {
            List<Journal.Hunted> more = new ArrayList<>(j.hunts());
            more.add(hunt);
            return j.withHunts(more);
        });
    }

    /** Takes a hunt out. */
    public static Edit forget(String id) {
        return Edits.journal(
                "take out a hunt",
                j -> j.withHunts(
                        j.hunts().stream().filter(h -> !h.id().equals(id)).toList()));
    }

    /**
     * Changes a hunt.
     *
     * @param name of the step, for undo
     */
    public static Edit change(String name, String id, UnaryOperator<Journal.Hunted> change) {
        return Edits.journal(
                name,
                j -> j.withHunts(j.hunts().stream()
                        .map(h -> h.id().equals(id) ? change.apply(h) : h)
                        .toList()));
    }
}
