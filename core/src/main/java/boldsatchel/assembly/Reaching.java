package boldsatchel.assembly;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * The least that has to be taken out to have a part in hand. Looked at is only what may be in the way of the part, or of what may be in its way.
 * Sets of one step, of two and so on are looked at until the part has left; where there are too many, all that comes out
 * is taken until it has, and whatever was not needed is left in again. Which order they are taken in does not
 * matter, so that a set is looked at once, whichever parts are asked for. Of sets of as many steps the quickest is taken. Costs a look at
 * each move for each set, but for what was free before; {@link #MOST_SETS} at most for a part, and no more moves than {@link #MOST_TRIED}.
 */
final class Reaching {

    private static final int MOST_SETS = 400;
    private static final int MOST_TRIED = 6_000;

    private final Takedown takedown;
    private final ToDoubleFunction<Removal> minutes;
    private final Map<BitSet, State> states = new HashMap<>();

    /**
     * @param minutes how long a step takes
     */
    Reaching(Takedown takedown, ToDoubleFunction<Removal> minutes) {
        this.takedown = takedown;
        this.minutes = minutes;
    }

    /** A way and whether there is surely no shorter one. */
    record Found(List<Removal> steps, boolean least) {}

    /** What is still there, and what is known of it. */
    private static final class State {
        private final BitSet present;
        /** Moves that were looked at, by {@link Takedown.Move#first}. */
        private final BitSet looked = new BitSet();
        /** Those of them that can be made, as long as what they take is there. */
        private final BitSet free = new BitSet();

        State(BitSet present) {
            this.present = present;
        }

        /** What was free before something was taken out is free afterwards. */
        void goesOnFrom(State before) {
            looked.or(before.free);
            free.or(before.free);
        }
    }

    /** A state, and the move that led to it from another. */
    private record Reached(State state, Optional<Reached> from, Optional<Takedown.Move> by) {
        List<Takedown.Move> moves() {
            List<Takedown.Move> moves = from.map(Reached::moves).orElseGet(ArrayList::new);
            by.ifPresent(moves::add);
            return moves;
        }
    }

    /** The least steps after which a part is out; nothing where it never comes out. */
    Optional<Found> of(int part) {
        List<Takedown.Move> bearing = Bearing.on(takedown, part);
        List<Reached> level = List.of(new Reached(state(takedown.whole()), Optional.empty(), Optional.empty()));
        Set<State> seen = new HashSet<>();
        int looked = 0;
        while (!level.isEmpty()) {
            List<List<Takedown.Move>> done = new ArrayList<>();
            List<Reached> next = new ArrayList<>();
            for (Reached at : level) {
                looked++;
                if (looked > MOST_SETS || looked * bearing.size() > MOST_TRIED) {
                    return some(bearing, part);
                }
                for (Takedown.Move move : bearing) {
                    if (isFree(move, at.state())) {
                        Reached then = new Reached(after(move, at.state()), Optional.of(at), Optional.of(move));
                        if (!then.state().present.get(part)) {
                            done.add(then.moves());
                        } else if (seen.add(then.state())) {
                            next.add(then);
                        }
                    }
                }
            }
            if (!done.isEmpty()) {
                return quickest(done).or(() -> some(bearing, part));
            }
            level = next;
        }
        return Optional.empty();
    }

    private Optional<Found> quickest(List<List<Takedown.Move>> ways) {
        return ways.stream()
                .map(this::replayed)
                .filter(steps -> !steps.isEmpty())
                .min(Comparator.comparingDouble(
                        s -> s.stream().mapToDouble(minutes).sum()))
                .map(s -> new Found(s, true));
    }

    private State state(BitSet present) {
        return states.computeIfAbsent(present, State::new);
    }

    private State after(Takedown.Move move, State before) {
        BitSet left = (BitSet) before.present.clone();
        left.andNot(move.takes());
        State after = state(left);
        if (move.kind() != Removal.Kind.OPEN) {
            after.goesOnFrom(before);
        }
        return after;
    }

    private boolean isFree(Takedown.Move move, State at) {
        if (!move.takes().intersects(at.present)) {
            return false;
        }
        if (!at.looked.get(move.first())) {
            at.looked.set(move.first());
            at.free.set(move.first(), takedown.tried(move, at.present, false).isPresent());
        }
        return at.free.get(move.first());
    }

    /** A way of which nothing can be spared, where there are too many sets to look at; nothing where the part stays in. */
    private Optional<Found> some(List<Takedown.Move> bearing, int part) {
        List<Takedown.Move> needed = new ArrayList<>();
        BitSet present = takedown.whole();
        boolean any = true;
        while (any && present.get(part)) {
            any = false;
            for (Takedown.Move move : bearing) {
                if (present.get(part) && takedown.tried(move, present, false).isPresent()) {
                    present.andNot(move.takes());
                    needed.add(move);
                    any = true;
                }
            }
        }
        if (present.get(part)) {
            return Optional.empty();
        }
        for (int i = needed.size() - 2; i >= 0; i--) {
            List<Takedown.Move> without = new ArrayList<>(needed);
            without.remove(i);
            needed = isWay(without, part) ? without : needed;
        }
        return Optional.of(new Found(replayed(needed), false));
    }

    private boolean isWay(List<Takedown.Move> moves, int part) {
        return !replayed(moves).isEmpty()
                && moves.stream().anyMatch(m -> m.takes().get(part));
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
        return done;
    }
}
