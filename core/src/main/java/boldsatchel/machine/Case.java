package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.Optional;

/**
 * A case on the shelf.
 *
 * @param name for people
 * @param note what it is
 * @param shells its trays
 * @param hinge joining them, if it has a lid
 */
public record Case(
        @Label("name") String name,
        @Label("note") String note,
        @Label("trays") List<Shell> shells,
        @Label("hinge") Optional<Hinge> hinge) {
    /** Copies the list. */
    public Case {
        shells = List.copyOf(shells);
    }
}
