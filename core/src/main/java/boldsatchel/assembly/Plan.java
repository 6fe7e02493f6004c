package boldsatchel.assembly;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The work, step by step.
 *
 * @param steps in their order
 * @param broken rules of the trade that this order does not keep, since it cannot
 * @param unwired ids of parts that want power or signals and that nothing is planned to lead to: their wires are in no step
 */
public record Plan(List<Step> steps, List<Broken> broken, List<String> unwired) {

    /** No work. */
    public static final Plan NONE = new Plan(List.of(), List.of(), List.of());

    /** Copies the lists. */
    public Plan {
        steps = List.copyOf(steps);
        broken = List.copyOf(broken);
        unwired = List.copyOf(unwired);
    }

    /**
     * A rule that is not kept.
     *
     * @param early id of the step that comes too early
     * @param late id of the first step that should have come before it
     */
    public record Broken(Trade.Rule rule, String early, String late) {}

    /** Parts that lie in the case after a step; before any does those that the step is about. */
    public Set<String> inPlace(int index) {
        Set<String> there = new HashSet<>();
        for (Step step : steps.subList(0, index + 1)) {
            step.groups().forEach(g -> there.addAll(g.parts()));
        }
        return there.isEmpty() ? Set.copyOf(steps.get(index).subjects()) : there;
    }

    /** All work, minutes; waiting is not in it. */
    public double minutes() {
        return steps.stream().mapToDouble(Step::minutes).sum();
    }
}
