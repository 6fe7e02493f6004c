package boldsatchel.means;

import java.util.List;

/**
 * What the builder has not.
 *
 * @param list the lacks
 */
public record Lacks(List<Lack> list) {
    /** Copies the list. */
    public Lacks {
        list = List.copyOf(list);
    }
}
