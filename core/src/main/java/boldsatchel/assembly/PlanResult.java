package boldsatchel.assembly;

import boldsatchel.engine.Lazy;

/**
 * The work that a machine takes.
 *
 * @param plan step by step
 */
public record PlanResult(Lazy<Plan> plan) {

    /** No work. */
    public static final PlanResult NOTHING = new PlanResult(Lazy.known(Plan.NONE));
}
