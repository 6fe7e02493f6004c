package boldsatchel.assembly;

import boldsatchel.machine.Journal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A row of steps in which some are moved by hand: a move is followed where all that each step needs still comes before it, and the machine can
 * be taken apart the other way round. What was moved may go in another way than before. Costs a take-down for each move; no more than
 * {@link #MOST} are looked at.
 */
final class MovedSteps {

    /** Of more moves than this the last are not looked at. */
    static final int MOST = 1000;

    private final Takedown takedown;
    private final Set<String> byHand = new LinkedHashSet<>();
    private final List<Plan.Refused> refused = new ArrayList<>();
    private List<Order.Draft> row;
    private List<Removal> out;

    /**
     * @param row of steps as they come by themselves
     * @param out what is taken out then, one after the other
     */
    MovedSteps(Takedown takedown, List<Order.Draft> row, List<Removal> out) {
        this.takedown = takedown;
        this.row = row;
        this.out = out;
    }

    /** Follows moves, one after the other. */
    void follow(List<Journal.Moved> moves) {
        for (int i = 0; i < moves.size(); i++) {
            Journal.Moved move = moves.get(i);
            Optional<String> why =
                    i < MOST ? follow(move) : Optional.of("More than " + MOST + " moves are not followed.");
            if (why.isPresent()) {
                refused.add(new Plan.Refused(move, why.get()));
            } else {
                byHand.add(move.step());
            }
        }
    }

    /** Steps that were moved. */
    Set<String> byHand() {
        return byHand;
    }

    /** MovedSteps that were not followed. */
    List<Plan.Refused> refused() {
        return refused;
    }

    /** What is taken out, one after the other, of the row as it is now. */
    List<Removal> out() {
        return out;
    }

    /** The same steps drafted anew, in the row as it is now. */
    List<Order.Draft> row(List<Order.Draft> anew) {
        Map<String, Integer> place = new HashMap<>();
        row.forEach(d -> place.put(d.id(), place.size()));
        List<Order.Draft> sorted = new ArrayList<>(anew);
        sorted.sort((a, b) ->
                Integer.compare(place.getOrDefault(a.id(), row.size()), place.getOrDefault(b.id(), row.size())));
        return sorted;
    }

    /** Follows a move, or says why not. */
    private Optional<String> follow(Journal.Moved move) {
        Optional<Order.Draft> moved = draft(move.step());
        Optional<Order.Draft> before = draft(move.before());
        if (moved.isEmpty() || (before.isEmpty() && !move.before().isEmpty())) {
            return Optional.of("The plan has no such step any more.");
        }
        if (move.step().equals(move.before())) {
            return Optional.of("No step comes before itself.");
        }
        List<Order.Draft> wanted = new ArrayList<>(row);
        wanted.remove(moved.get());
        wanted.add(before.map(wanted::indexOf).orElse(wanted.size()), moved.get());
        Optional<String> needs = lacking(wanted);
        if (needs.isPresent()) {
            return needs;
        }
        Optional<List<Removal>> apart = apart(wanted);
        if (apart.isEmpty()) {
            return Optional.of("In this order not everything goes in any more.");
        }
        row = wanted;
        out = apart.get();
        return Optional.empty();
    }

    private Optional<Order.Draft> draft(String id) {
        return row.stream().filter(d -> d.id().equals(id)).findFirst();
    }

    /** What one of the steps needs that comes after it. */
    private static Optional<String> lacking(List<Order.Draft> wanted) {
        Set<String> later = new HashSet<>();
        for (Order.Draft draft : wanted.reversed()) {
            for (Order.Draft other : wanted) {
                if (later.contains(other.id()) && draft.needs().contains(other.id())) {
                    return Optional.of(needs(draft, other));
                }
            }
            later.add(draft.id());
        }
        return Optional.empty();
    }

    private static String needs(Order.Draft draft, Order.Draft other) {
        return "“" + draft.step().brief() + "” needs “" + other.step().brief() + "” done before.";
    }

    /** What is taken out when the steps are undone, the last one first; nothing where one of them cannot be. */
    private Optional<List<Removal>> apart(List<Order.Draft> wanted) {
        BitSet present = takedown.whole();
        List<Removal> apart = new ArrayList<>();
        for (Order.Draft draft : wanted.reversed()) {
            if (draft.back().isPresent()) {
                Takedown.Move move = takedown.move(draft.back().get());
                Optional<Removal> removal = takedown.tried(move, present);
                if (removal.isEmpty()) {
                    return Optional.empty();
                }
                apart.add(removal.get());
                present.andNot(move.takes());
            }
        }
        return Optional.of(apart);
    }

    /** Of each step of a row but the last why it cannot change places with the next one; empty where it can. */
    static List<String> bounds(Takedown takedown, List<Order.Draft> row) {
        List<String> bounds = new ArrayList<>();
        BitSet present = takedown.whole();
        for (int i = row.size() - 1; i > 0; i--) {
            Order.Draft one = row.get(i - 1);
            Order.Draft next = row.get(i);
            bounds.add(bound(takedown, present, one, next));
            next.back().ifPresent(r -> present.andNot(takedown.move(r).takes()));
        }
        Collections.reverse(bounds);
        return bounds;
    }

    private static String bound(Takedown takedown, BitSet present, Order.Draft one, Order.Draft next) {
        if (next.needs().contains(one.id())) {
            return needs(next, one);
        }
        boolean bars = one.back().isPresent()
                && next.back().isPresent()
                && takedown.tried(takedown.move(one.back().get()), present).isEmpty();
        return bars
                ? "After “" + next.step().brief() + "” there is no way in for “"
                        + one.step().brief() + "” any more."
                : "";
    }
}
