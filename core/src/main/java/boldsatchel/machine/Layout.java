package boldsatchel.machine;

import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import java.util.List;
import java.util.Optional;

/**
 * Section: where the parts lie. Apart from the case, so that a drag changes nothing but this.
 *
 * @param placements one a part; a part without one is still on the table
 * @param cables how cables and wires are laid; one that is not named is laid somehow
 */
public record Layout(
        @Label("places") List<Placement> placements,
        @Label("cables") List<Laid> cables) {

    /** Everything on the table. */
    public static final Layout NONE = new Layout(List.of(), List.of());

    /** Copies the lists. */
    public Layout {
        placements = List.copyOf(placements);
        cables = List.copyOf(cables);
    }

    /** Places, and cables that are laid somehow. */
    public Layout(List<Placement> placements) {
        this(placements, List.of());
    }

    /** How a cable or a pair of wires is laid. */
    public Optional<Laid> laid(String what) {
        for (Laid laid : cables) {
            if (laid.what().equals(what)) {
                return Optional.of(laid);
            }
        }
        return Optional.empty();
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
        return new Layout(Section.replaced(placements, p -> p.part().equals(placement.part()), placement), cables);
    }

    /** Those that move when a part is moved: itself, and its group. */
    public List<Placement> together(String part) {
        Optional<Placement> at = of(part);
        return placements.stream()
                .filter(p -> p.part().equals(part) || at.filter(p::movesWith).isPresent())
                .toList();
    }

    /** The same with a part in another place of its tray, and its group as far from where it was. What is locked stays, and so does its group. */
    public Layout moved(String part, Vec to) {
        Optional<Placement> from = of(part);
        List<Placement> together = together(part);
        if (from.isEmpty() || together.stream().anyMatch(Placement::locked)) {
            return this;
        }
        Vec by = to.minus(from.get().at());
        Layout moved = this;
        for (Placement p : together) {
            moved = moved.with(p.part().equals(part) ? p.at(to) : p.at(p.at().plus(by)));
        }
        return moved;
    }

    /** The same places of other parts. */
    public Layout withPlacements(List<Placement> newPlacements) {
        return new Layout(newPlacements, cables);
    }

    /** The same with a cable laid so, in place of how it was laid before. */
    public Layout with(Laid laid) {
        return new Layout(placements, Section.replaced(cables, c -> c.what().equals(laid.what()), laid));
    }

    /** The same with a cable laid somehow again. */
    public Layout withoutCable(String what) {
        return new Layout(
                placements, cables.stream().filter(c -> !c.what().equals(what)).toList());
    }

    /** The same with a part back on the table, or a cable in no place; nothing touches it any more. */
    public Layout without(String partId) {
        return withoutCable(partId)
                .withPlacements(placements.stream()
                        .filter(p -> !p.part().equals(partId))
                        .map(p -> p.touching(partId, false))
                        .toList());
    }
}
