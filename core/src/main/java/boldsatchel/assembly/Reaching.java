package boldsatchel.assembly;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * The least that has to be taken out to have a part in hand. First all that comes out is taken until the part has left, and whatever was not
 * needed is left in again; then sets of one step, of two and so on are looked at, for fewer ones. Which order they are taken in does not
 * matter, so that a set is looked at once. Of sets of as many steps the quickest is taken. Costs a look at each move for each set;
 * {@link #MOST_SETS} at most.
 */
final class Reaching {

    private static final int MOST_SETS = 400;

    private final Takedown takedown;
    private final ToDoubleFunction<Removal> minutes;
    private final int target;

    private Reaching(Takedown takedown, ToDoubleFunction<Removal> minutes, int target) {
        this.takedown = takedown;
        this.minutes = minutes;
        this.target = target;
    }

    /** A way and whether there is surely no shorter one. */
    record Found(List<Removal> steps, boolean least) {}

    private record Reached(BitSet present, List<Removal> steps) {}

    /** The least steps after which a part is out; nothing where it never comes out. */
    static Optional<Found> of(Takedown takedown, String part, ToDoubleFunction<Removal> minutes) {
        return takedown.index(part).flatMap(i -> new Reaching(takedown, minutes, i).found());
    }

    private Optional<Found> found() {
        List<Takedown.Move> some = some();
        if (some.isEmpty()) {
            return Optional.empty();
        }
        Deque<Reached> level = new ArrayDeque<>(List.of(new Reached(takedown.whole(), List.of())));
        Set<BitSet> seen = new HashSet<>();
        int looked = 0;
        for (int steps = 1; steps <= some.size(); steps++) {
            List<List<Removal>> done = new ArrayList<>();
            Deque<Reached> next = new ArrayDeque<>();
            for (Reached at : level) {
                if (looked++ > MOST_SETS) {
                    return Optional.of(new Found(replayed(some), false));
                }
                for (Takedown.Move move : takedown.moves()) {
                    takedown.tried(move, at.present(), false).ifPresent(removal -> {
                        BitSet left = (BitSet) at.present().clone();
                        left.andNot(move.takes());
                        List<Removal> so = new ArrayList<>(at.steps());
                        so.add(removal);
                        if (!left.get(target)) {
                            done.add(so);
                        } else if (seen.add(left)) {
                            next.add(new Reached(left, so));
                        }
                    });
                }
            }
            if (!done.isEmpty()) {
                return done.stream()
                        .min(Comparator.comparingDouble(
                                s -> s.stream().mapToDouble(minutes).sum()))
                        .map(s -> new Found(s, true));
            }
            level = next;
        }
        return Optional.of(new Found(replayed(some), true));
    }

    /** Moves that get the part out, none of which can be spared; empty where it stays in. */
    private List<Takedown.Move> some() {
        List<Takedown.Move> needed = new ArrayList<>();
        BitSet present = takedown.whole();
        boolean any = true;
        while (any && present.get(target)) {
            any = false;
            for (Takedown.Move move : takedown.moves()) {
                if (present.get(target) && takedown.tried(move, present, false).isPresent()) {
                    present.andNot(move.takes());
                    needed.add(move);
                    any = true;
                }
            }
        }
        if (present.get(target)) {
            return List.of();
        }
        for (int i = needed.size() - 2; i >= 0; i--) {
            List<Takedown.Move> without = new ArrayList<>(needed);
            without.remove(i);
            needed = replayed(without).isEmpty() ? needed : without;
        }
        return needed;
    }

    /** Moves done one after the other; empty where one of them cannot be. */
    private List<Removal> replayed(List<Takedown.Move> moves) {
        List<Removal> done = new ArrayList<>();
        BitSet present = takedown.whole();
        for (Takedown.Move move : moves) {
            Optional<Removal> removal = takedown.tried(move, present, false);
            if (removal.isEmpty()) {
                return List.of();
            }
            done.add(removal.get());
            present.andNot(move.takes());
        }
        return present.get(target) ? List.of() : done;
    }
}
