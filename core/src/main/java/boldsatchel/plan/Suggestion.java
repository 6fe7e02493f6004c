package boldsatchel.plan;

import boldsatchel.edit.Edit;
import java.util.List;

/**
 * A chain worked out for the loads of a build.
 *
 * @param edit that takes it over, in one step
 * @param reasons one a rung: what was chosen and why, with the numbers
 */
public record Suggestion(Edit edit, List<String> reasons) {

    /** Copies the list. */
    public Suggestion {
        reasons = List.copyOf(reasons);
    }
}
