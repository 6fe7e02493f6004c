package boldsatchel.assembly;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Puts steps in a row: each after all that it needs, and of those that can be done next the one before which fewest are left that by a rule of
 * the trade should come first; of several the first as they were drafted. A rule is broken only where what a step needs leaves no choice. Costs
 * a look at each pair of steps and rule for each place in the row.
 */
final class Order {

    /**
     * A step that has no place yet.
     *
     * @param tray id of the tray it goes on in; empty for none
     * @param needs ids of steps that come before it, whatever rules say
     */
    record Draft(Step step, String tray, Set<String> needs) {
        Draft {
            needs = new HashSet<>(needs);
        }
    }

    private final List<Trade.Rule> rules;
    private final List<Draft> pending;
    /** What each step needs, done or not. */
    private final Map<String, Set<String>> needed = new HashMap<>();

    private final List<Step> done = new ArrayList<>();
    private final List<Plan.Broken> broken = new ArrayList<>();

    private Order(List<Draft> drafts, List<Trade.Rule> rules) {
        this.rules = rules;
        this.pending = new ArrayList<>(drafts);
    }

    static Plan of(List<Draft> drafts, List<Trade.Rule> rules) {
        return new Order(drafts, rules).plan();
    }

    private Plan plan() {
        Map<String, Draft> known = new HashMap<>();
        pending.forEach(d -> known.put(d.step().id(), d));
        pending.forEach(d -> d.needs().retainAll(known.keySet()));
        pending.forEach(d -> needed.put(d.step().id(), Set.copyOf(d.needs())));
        while (!pending.isEmpty()) {
            Draft next = next();
            pending.remove(next);
            for (Trade.Rule rule : rules) {
                pending.stream()
                        .filter(other -> comesFirst(rule, other, next))
                        .findFirst()
                        .ifPresent(other -> broken.add(new Plan.Broken(
                                rule, next.step().id(), other.step().id())));
            }
            pending.forEach(d -> d.needs().remove(next.step().id()));
            done.add(next.step());
        }
        return new Plan(done, broken, List.of());
    }

    private Draft next() {
        Draft best = null;
        long least = Long.MAX_VALUE;
        for (Draft draft : pending) {
            if (draft.needs().isEmpty()) {
                long before = before(draft);
                if (before < least) {
                    least = before;
                    best = draft;
                }
            }
        }
        // Steps that need one another in a circle: the first as drafted, so that none is lost.
        return best == null ? pending.getFirst() : best;
    }

    private long before(Draft draft) {
        long before = 0;
        for (Trade.Rule rule : rules) {
            for (Draft other : pending) {
                before += comesFirst(rule, other, draft) ? 1 : 0;
            }
        }
        return before;
    }

    /** Whether by a rule one step comes before another that it does not itself wait for. */
    private boolean comesFirst(Trade.Rule rule, Draft one, Draft other) {
        return !one.step().id().equals(other.step().id())
                && one.step().traits().contains(rule.first())
                && other.step().traits().contains(rule.then())
                && !other.step().traits().contains(rule.first())
                && (!rule.inOneTray() || one.tray().equals(other.tray()))
                && !needed.getOrDefault(one.step().id(), Set.of())
                        .contains(other.step().id());
    }
}
