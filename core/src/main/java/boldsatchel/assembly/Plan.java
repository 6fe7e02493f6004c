package boldsatchel.assembly;

import java.util.List;

/**
 * The work, step by step.
 *
 * @param steps in their order
 * @param broken rules of the trade that this order does not keep, since it cannot
 */
public record Plan(List<Step> steps, List<Broken> broken) {

    /** No work. */
    public static final Plan NONE = new Plan(List.of(), List.of());

    /** Copies the lists. */
    public Plan {
        steps = List.copyOf(steps);
        broken = List.copyOf(broken);
    }

    /**
     * A rule that is not kept.
     *
     * @param early id of the step that comes too early
     * @param late id of the first step that should have come before it
     */
    public record Broken(Trade.Rule rule, String early, String late) {}

    /** All work, minutes; waiting is not in it. */
    public double minutes() {
        return steps.stream().mapToDouble(Step::minutes).sum();
    }
}
