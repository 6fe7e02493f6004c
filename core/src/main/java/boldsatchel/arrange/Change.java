package boldsatchel.arrange;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.stow.Lying;
import java.util.List;
import java.util.Optional;

/**
 * What is changed of a build before its parts are laid otherwise.
 *
 * @param lines what is other then, as shown, what goes before what comes; none where nothing is
 * @param edit that does it, where it is more than how parts lie
 * @param turned id of a part alone that lies then as its kind usually does not, if one does
 */
public record Change(List<String> lines, Optional<Edit> edit, Optional<String> turned) {

    /** Copies the list. */
    public Change {
        lines = List.copyOf(lines);
    }

    /** The parts as they are. */
    public static final Change NONE = new Change(List.of(), Optional.empty(), Optional.empty());

    /** One more part, which lies nowhere yet. */
    public static Change more(Part part) {
        return new Change(List.of("with " + part.name()), Optional.of(Edits.addPart(part)), Optional.empty());
    }

    /** Another part in the place of one, connected anew from a shelf; what is looked at or pressed ends as high as the old one did. */
    static Change replaced(Part old, Part by, List<Part> shelf) {
        Edit swap = LinkPlanner.swap(old, by, shelf);
        return new Change(
                List.of(old.name(), "→ " + by.name()),
                Optional.of(
                        Edit.searched(swap.name(), b -> level(b, swap.change().apply(b), old.id()))),
                Optional.empty());
    }

    private static Build level(Build was, Build is, String id) {
        Optional<Double> raised = top(was, id).flatMap(old -> top(is, id).map(now -> old - now));
        return raised.filter(by -> is.part(id).filter(Lying::facesUp).isPresent())
                .map(by -> is.with(is.layout()
                        .moved(id, is.placement(id).orElseThrow().at().plus(Vec.on(2, by)))))
                .orElse(is);
    }

    /** Where a part ends in its tray, mm, if it lies in one. */
    private static Optional<Double> top(Build build, String id) {
        return Placed.all(build).stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .map(p -> p.bounds().high(2));
    }

    /** A part on whichever side, or turned in plan where it is looked at or pressed. */
    static Change turned(Part part) {
        return new Change(
                List.of(part.name() + (Lying.facesUp(part) ? " turned" : " on another side")),
                Optional.empty(),
                Optional.of(part.id()));
    }

    /** What is other then, in one line; empty where nothing is. */
    public String words() {
        return String.join(" ", lines);
    }

    /** A build with it done. */
    Build of(Build build) {
        return edit.map(e -> e.change().apply(build)).orElse(build);
    }
}
