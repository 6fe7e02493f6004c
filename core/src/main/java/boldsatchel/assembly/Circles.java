package boldsatchel.assembly;

import boldsatchel.cables.CablesResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.Function;

/** Pieces that keep each other in, and the cheapest change that lets them out. */
final class Circles {

    /** So many sets of changes are tried at most. */
    private static final int MOST_TRIED = 600;

    /** Of a large machine fewer, since each costs a look at every pair of pieces; but so many at least. */
    private static final int LEAST_TRIED = 24;

    private static final int MOST_PAIRS = 200_000;
    /** Of more pieces than this that are stuck no smallest circle is looked for: they are told as one. */
    private static final int MOST_STUCK = 24;

    private Circles() {}

    /**
     * Of what nothing can leave, smallest circles: each is held by its own members and what never goes, and would come out if any one of them
     * were gone. One piece alone is held by its tray. Of a heap of many all are one circle.
     */
    static List<BitSet> of(Takedown takedown, BitSet stuck) {
        List<BitSet> circles = new ArrayList<>();
        BitSet left = left(takedown, stuck);
        while (!left.isEmpty()) {
            BitSet circle = left.cardinality() > MOST_STUCK ? left : least(takedown, left);
            circles.add(circle);
            BitSet others = (BitSet) left.clone();
            others.andNot(circle);
            left = left(takedown, others);
        }
        return circles;
    }

    private static BitSet least(Takedown takedown, BitSet stuck) {
        BitSet circle = stuck;
        for (int i = stuck.nextSetBit(0); i >= 0; i = stuck.nextSetBit(i + 1)) {
            if (circle.get(i)) {
                BitSet without = (BitSet) circle.clone();
                without.clear(i);
                BitSet left = left(takedown, without);
                circle = left.isEmpty() ? circle : left;
            }
        }
        return circle;
    }

    private static BitSet left(Takedown takedown, BitSet present) {
        BitSet left = (BitSet) present.clone();
        takedown.takeAll(left);
        return left;
    }

    /**
     * The cheapest changes after which all comes out: sets of them in the order of what they cost. Costs a take-down for each set that is
     * tried; there are {@link #MOST_TRIED} at most.
     *
     * @param takedown of the build with some changes
     */
    static Optional<AssemblyResult.WayOut> cheapest(
            List<Loosening> possible, Function<List<Loosening>, Takedown> takedown) {
        record Tried(List<Loosening> changes, int last, double minutes) {}
        PriorityQueue<Tried> next = new PriorityQueue<>(Comparator.comparingDouble(Tried::minutes));
        next.add(new Tried(List.of(), -1, 0));
        int most = MOST_TRIED;
        for (int tried = 0; tried < most && !next.isEmpty(); tried++) {
            Tried now = next.remove();
            Takedown changed = takedown.apply(now.changes());
            int pieces = changed.pieces().size();
            most = Math.clamp(MOST_PAIRS / (pieces * pieces), LEAST_TRIED, MOST_TRIED);
            if (left(changed, changed.whole()).isEmpty()) {
                return Optional.of(new AssemblyResult.WayOut(now.changes(), true));
            }
            for (int i = now.last() + 1; i < possible.size(); i++) {
                List<Loosening> more = new ArrayList<>(now.changes());
                more.add(possible.get(i));
                next.add(new Tried(
                        more, i, now.minutes() + possible.get(i).kind().minutes()));
            }
        }
        return next.isEmpty() || possible.size() > LEAST_TRIED ? Optional.empty() : pruned(possible, takedown);
    }

    /** All changes, without those that are not needed. */
    private static Optional<AssemblyResult.WayOut> pruned(
            List<Loosening> possible, Function<List<Loosening>, Takedown> takedown) {
        List<Loosening> kept = new ArrayList<>(possible);
        if (!lets(kept, takedown)) {
            return Optional.empty();
        }
        for (Loosening change : possible) {
            List<Loosening> without = new ArrayList<>(kept);
            without.remove(change);
            if (lets(without, takedown)) {
                kept = without;
            }
        }
        return Optional.of(new AssemblyResult.WayOut(kept, false));
    }

    private static boolean lets(List<Loosening> changes, Function<List<Loosening>, Takedown> takedown) {
        Takedown changed = takedown.apply(changes);
        return left(changed, changed.whole()).isEmpty();
    }

    /**
     * Changes that bear on what is stuck.
     *
     * @param kept whether glue has set
     */
    static List<Loosening> possible(Build build, CablesResult cables, Takedown takedown, BitSet stuck, boolean kept) {
        Set<Loosening> possible = new LinkedHashSet<>();
        for (Ties.Soldered s : takedown.ties().fast().toList()) {
            if (stuck.get(s.one()) || stuck.get(s.other())) {
                possible.add(Loosening.of(Loosening.Kind.CONNECTOR, s.lead()));
            }
        }
        for (Ties.Tight t : takedown.ties().tight()) {
            if (stuck.get(t.one()) || stuck.get(t.other())) {
                possible.add(Loosening.of(Loosening.Kind.LONGER_LEAD, t.lead()));
            }
        }
        Set<Shell> trays = new LinkedHashSet<>();
        for (int i = 0; i < takedown.placed().size(); i++) {
            if (stuck.get(i)) {
                var part = takedown.placed().get(i);
                trays.add(part.shell());
                Optional<Fixing.By> by = part.placement().fixing().map(Fixing::by);
                if (by.filter(b -> b == Fixing.By.SCREWS).isPresent()) {
                    possible.add(Loosening.of(Loosening.Kind.CLIPS, part.id()));
                }
                if (kept && by.filter(b -> b == Fixing.By.GLUE).isPresent()) {
                    possible.add(Loosening.of(Loosening.Kind.NO_GLUE, part.id()));
                }
            }
        }
        if (kept) {
            build.casing().joints().forEach(j -> possible.add(Loosening.of(Loosening.Kind.NO_GLUE, j.id())));
        }
        for (Shell tray : trays) {
            for (int rib = 0; rib < tray.ribs().size(); rib++) {
                possible.add(new Loosening(Loosening.Kind.NO_RIB, tray.id(), rib));
            }
        }
        return List.copyOf(possible);
    }
}
