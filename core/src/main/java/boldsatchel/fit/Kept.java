package boldsatchel.fit;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What is known from before a small change.
 *
 * @param known it
 * @param moved ids of parts that lie elsewhere now, and of trays whose openings do: how these meet anything is not known any more
 * @param about these and all parts in such trays: what is said of one by itself is not known any more
 * @param uncut whether all openings are where they were
 */
record Kept(FitResult known, Set<String> moved, Set<String> about, boolean uncut) {

    /**
     * After a change.
     *
     * @param placed the parts now
     * @param parts ids of those that lie elsewhere
     * @param recut ids of trays whose openings do
     */
    static Kept of(FitResult known, List<Placed> placed, Set<String> parts, Set<String> recut) {
        if (recut.isEmpty()) {
            return new Kept(known, parts, parts, true);
        }
        Set<String> moved = new HashSet<>(parts);
        moved.addAll(recut);
        Set<String> about = new HashSet<>(moved);
        for (Placed part : placed) {
            if (recut.contains(part.shell().id())) {
                about.add(part.id());
            }
        }
        return new Kept(known, moved, about, false);
    }
}
