package boldsatchel.arrange;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import java.util.Optional;

/**
 * What is changed of a build before its parts are laid otherwise.
 *
 * @param words what is other then, as shown; empty where nothing is
 * @param edit that does it, where it is more than how parts lie
 * @param turned id of a part that may lie in any way then, if one may
 */
public record Change(String words, Optional<Edit> edit, Optional<String> turned) {

    /** The parts as they are. */
    public static final Change NONE = new Change("", Optional.empty(), Optional.empty());

    /** One more part, which lies nowhere yet. */
    public static Change more(Part part) {
        return new Change("with " + part.name(), Optional.of(Edits.addPart(part)), Optional.empty());
    }

    /** Another part in the place of one. */
    static Change replaced(Part old, Part by) {
        return new Change(old.name() + " → " + by.name(), Optional.of(Edits.replacePart(old, by)), Optional.empty());
    }

    /** A part on whichever side, or turned in plan where it is looked at or pressed. */
    static Change turned(Part part) {
        return new Change(
                part.name() + (Lying.facesUp(part) ? " turned" : " on another side"),
                Optional.empty(),
                Optional.of(part.id()));
    }

    /** A build with it done. */
    Build of(Build build) {
        return edit.map(e -> e.change().apply(build)).orElse(build);
    }
}
