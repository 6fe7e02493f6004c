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
 * The least that has to be taken out to have a part in hand. Looked at is only what may be in the way of the part, or of what may be in its way.
 * Sets of one step, of two and so on are looked at until the part has left; where there are too many, all that comes out
 * is taken until it has, and whatever was not needed is left in again. Which order they are taken in does not
 * matter, so that a set is looked at once. Of sets of as many steps the quickest is taken. Costs a look at each move for each set;
 * {@link #MOST_SETS} at most, and no more moves than {@link #MOST_TRIED}.
 */
final class Reaching {

    private static final int MOST_SETS = 400;
    private static final int MOST_TRIED = 6_000;

    private final Takedown takedown;
    private final ToDoubleFunction<Removal> minutes;
    private final int target;
    private final List<Takedown.Move> moves;

    private Reaching(Takedown takedown, ToDoubleFunction<Removal> minutes, int target) {
        this.takedown = takedown;
        this.minutes = minutes;
        this.target = target;
        this.moves = Bearing.on(takedown, target);
    }

    /** A way and whether there is surely no shorter one. */
    record Found(List<Removal> steps, boolean least) {}

    private record Reached(BitSet present, List<Removal> steps) {}

    /** The least steps after which a part is out; nothing where it never comes out. */
    static Optional<Found> of(Takedown takedown, int part, ToDoubleFunction<Removal> minutes) {
        return new Reaching(takedown, minutes, part).found();
    }

    private Optional<Found> found() {
        Deque<Reached> level = new ArrayDeque<>(List.of(new Reached(takedown.whole(), List.of())));
        Set<BitSet> seen = new HashSet<>();
        int looked = 0;
        while (!level.isEmpty()) {
            List<List<Removal>> done = new ArrayList<>();
            Deque<Reached> next = new ArrayDeque<>();
            for (Reached at : level) {
                looked++;
                if (looked > MOST_SETS || looked * moves.size() > MOST_TRIED) {
                    return some();
                }
                for (Takedown.Move move : moves) {
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
        return Optional.empty();
    }

    /** A way of which nothing can be spared, where there are too many sets to look at; nothing where the part stays in. */
    private Optional<Found> some() {
        List<Takedown.Move> needed = new ArrayList<>();
        BitSet present = takedown.whole();
        boolean any = true;
        while (any && present.get(target)) {
            any = false;
            for (Takedown.Move move : moves) {
                if (present.get(target) && takedown.tried(move, present, false).isPresent()) {
                    present.andNot(move.takes());
                    needed.add(move);
                    any = true;
                }
            }
        }
        if (present.get(target)) {
            return Optional.empty();
        }
        for (int i = needed.size() - 2; i >= 0; i--) {
            List<Takedown.Move> without = new ArrayList<>(needed);
            without.remove(i);
            needed = replayed(without).isEmpty() ? needed : without;
        }
        return Optional.of(new Found(replayed(needed), false));
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
