package boldsatchel.assembly;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

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
     * @param back what is done when the machine is taken apart, of a step that puts something into or on the case; of those each comes after
     *     the ones that were drafted before it
     */
    record Draft(Step step, String tray, Set<String> needs, Optional<Removal> back) {
        Draft {
            needs = new HashSet<>(needs);
        }

        String id() {
            return step.id();
        }
    }

    private final List<Trade.Rule> rules;
    private final List<Draft> pending;
    /** What each step needs, done or not. */
    private final Map<String, Set<String>> needed;

    private Order(List<Draft> drafts, List<Trade.Rule> rules) {
        this.rules = rules;
        this.pending = new ArrayList<>(drafts);
        this.needed = needed(drafts);
    }

    static List<Draft> of(List<Draft> drafts, List<Trade.Rule> rules) {
        return new Order(drafts, rules).row();
    }

    /** What each step needs of what there is; steps that go into the case need those before them in the row that do. */
    private static Map<String, Set<String>> needed(List<Draft> drafts) {
        Set<String> known = new HashSet<>();
        drafts.forEach(d -> known.add(d.id()));
        Map<String, Set<String>> needed = new HashMap<>();
        Set<String> inside = new HashSet<>();
        for (Draft draft : drafts) {
            Set<String> needs = new HashSet<>(draft.needs());
            needs.retainAll(known);
            if (draft.back().isPresent()) {
                needs.addAll(inside);
                inside.add(draft.id());
            }
            needed.put(draft.id(), needs);
        }
        return needed;
    }

    private List<Draft> row() {
        List<Draft> row = new ArrayList<>();
        Set<String> done = new HashSet<>();
        while (!pending.isEmpty()) {
            Draft next = next(d -> done.containsAll(needs(d)));
            pending.remove(next);
            done.add(next.id());
            row.add(next);
        }
        return row;
    }

    private Set<String> needs(Draft draft) {
        return needed.getOrDefault(draft.id(), Set.of());
    }

    private Draft next(Predicate<Draft> ready) {
        Draft best = null;
        long least = Long.MAX_VALUE;
        for (Draft draft : pending) {
            if (ready.test(draft)) {
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
        return !one.id().equals(other.id())
                && one.step().traits().contains(rule.first())
                && other.step().traits().contains(rule.then())
                && !other.step().traits().contains(rule.first())
                && (!rule.inOneTray() || one.tray().equals(other.tray()))
                && !needs(one).contains(other.id());
    }

    /** Rules that a row does not keep: for each step that comes too early, the first one that should have come before it. */
    static List<Plan.Broken> broken(List<Draft> row, List<Trade.Rule> rules) {
        Order order = new Order(row, rules);
        List<Plan.Broken> broken = new ArrayList<>();
        for (int i = 0; i < row.size(); i++) {
            Draft early = row.get(i);
            List<Draft> later = row.subList(i + 1, row.size());
            for (Trade.Rule rule : rules) {
                later.stream()
                        .filter(late -> order.comesFirst(rule, late, early))
                        .findFirst()
                        .ifPresent(late -> broken.add(new Plan.Broken(rule, early.id(), late.id())));
            }
        }
        return broken;
    }
}
