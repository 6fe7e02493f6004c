package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.Optional;

/**
 * Section: where the parts lie. Apart from the case, so that a drag changes nothing but this.
 *
 * @param placements one a part; a part without one is still on the table
 */
public record Layout(@Label("places") List<Placement> placements) {

    /** Everything on the table. */
    public static final Layout NONE = new Layout(List.of());

    /** Copies the list. */
    public Layout {
        placements = List.copyOf(placements);
    }

    /** Where a part lies. A plain loop: engines ask this often. */
    public Optional<Placement> of(String partId) {
        for (Placement placement : placements) {
            if (placement.part().equals(partId)) {
                return Optional.of(placement);
            }
        }
        return Optional.empty();
    }

    /** The same with a part placed, in place of where it lay before. */
    public Layout with(Placement placement) {
        return new Layout(Section.replaced(placements, p -> p.part().equals(placement.part()), placement));
    }

    /** The same with a part back on the table; nothing touches it any more. */
    public Layout without(String partId) {
        return new Layout(placements.stream()
                .filter(p -> !p.part().equals(partId))
                .map(p -> p.touching(partId, false))
                .toList());
    }
}
