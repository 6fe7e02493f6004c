package boldsatchel.edit;

import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.stow.FreePlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** The edits there are. */
public final class Edits {

    private Edits() {}

    /** Changes the brief. */
    public static Edit brief(String name, UnaryOperator<Brief> change) {
        return new Edit(name, b -> b.with(change.apply(b.brief())));
    }

    /** Changes the profile that verdicts are about. */
    public static Edit judgedProfile(String name, UnaryOperator<UseProfile> change) {
        return brief(name, b -> {
            List<UseProfile> profiles = new ArrayList<>(b.profiles());
            profiles.set(0, change.apply(b.profile()));
            return b.withProfiles(profiles);
        });
    }

    /** Adds a part to the table, under a free id. */
    public static Edit addPart(Part part) {
        return new Edit("add " + part.name(), b -> b.with(b.parts().and(part.withId(b.freeId(part.id())))));
    }

    /** Adds another of the same, on the table. */
    public static Edit duplicate(Part part) {
        return new Edit(
                "duplicate " + part.name(),
                b -> b.part(part.id())
                        .map(p -> b.with(b.parts().and(p.withId(b.freeId(p.id())))))
                        .orElse(b));
    }

    /** Takes a part out, with its place, its heat paths and its rung; what hung on the rung hangs on the one above. */
    public static Edit removePart(Part part) {
        String id = part.id();
        return new Edit(
                "remove " + part.name(),
                b -> stillSpent(b, id)
                        .with(b.parts().without(id))
                        .with(b.layout().without(id))
                        .with(b.cooling().without(id))
                        .with(b.wiring()
                                .without(id)
                                .withChain(Chains.withoutPart(b.wiring().chain(), id))));
    }

    /** Puts another part in the place of one: same id, so its place, rung and neighbours stay. */
    public static Edit replacePart(Part old, Part by) {
        return new Edit(
                "replace " + old.name() + " by " + by.name(),
                b -> stillSpent(b, old.id()).with(by.withId(old.id())));
    }

    /** What a part that goes has cost stays spent: it is a reject now. */
    private static Build stillSpent(Build build, String id) {
        return build.part(id)
                .filter(p -> p.standing().spent() && p.price().value() > 0)
                .map(p -> build.with(build.money().rejecting(p)))
                .orElse(build);
    }

    /** Changes something of a part, as it is then. */
    public static Edit changePart(String what, Part part, UnaryOperator<Part> change) {
        return part("change " + what + " of ", part, change);
    }

    /** Does something to a part, as it is then; the part's name is said behind the name of the edit. */
    static Edit part(String name, Part part, UnaryOperator<Part> change) {
        return new Edit(
                name + part.name(),
                b -> b.part(part.id()).map(p -> b.with(change.apply(p))).orElse(b));
    }

    /** Lays a part somewhere, and what moves together with it as far from there; one that is locked stays. */
    public static Edit move(Part part, Vec to) {
        return move(part, at -> to);
    }

    /** Moves a part, and what moves together with it, from where it lies then. */
    public static Edit move(Part part, UnaryOperator<Vec> change) {
        return new Edit(
                "move " + part.name(),
                b -> b.placement(part.id())
                        .map(p -> b.with(b.layout().moved(part.id(), change.apply(p.at()))))
                        .orElse(b));
    }

    /** Turns a part from how it lies then; its low corner stays. */
    public static Edit turn(Part part, UnaryOperator<Orientation> change) {
        return lying("turn ", part, p -> p.locked() ? p : p.turned(change.apply(p.orientation())));
    }

    /** Changes how a part lies, from how it lies then; its name is said behind the name of the edit. */
    public static Edit lying(String name, Part part, UnaryOperator<Placement> change) {
        return new Edit(
                name + part.name(),
                b -> b.placement(part.id()).map(p -> b.with(change.apply(p))).orElse(b));
    }

    /** Takes a part from the table into a shell, where there is room; into its corner when there is none. */
    public static Edit place(Part part, Shell shell) {
        return new Edit(
                "place " + part.name(),
                b -> b.with(b.shell(shell.id())
                        .flatMap(s -> new FreePlace(b, s, b.brief().limits().gapMm()).of(part))
                        .orElse(new Placement(
                                part.id(), shell.id(), new Vec(0, 0, 0), Orientation.AS_DRAWN, Set.of()))));
    }

    /** Puts a part back on the table. */
    public static Edit unplace(Part part) {
        return new Edit("take out " + part.name(), b -> b.with(b.layout().without(part.id())));
    }

    /** Says that two parts are meant to touch, or not. */
    public static Edit touch(Part part, String other, boolean touches) {
        return new Edit(
                "let " + part.name() + " touch",
                b -> b.placement(part.id())
                        .map(p -> b.with(p.touching(other, touches)))
                        .orElse(b));
    }

    /** Changes the case. */
    public static Edit casing(String name, UnaryOperator<Casing> change) {
        return new Edit(name, b -> b.with(change.apply(b.casing())));
    }

    /** Changes what the builder writes down. */
    public static Edit journal(String name, UnaryOperator<Journal> change) {
        return new Edit(name, b -> b.with(change.apply(b.journal())));
    }

    /** Changes the builder's notes. */
    public static Edit notes(String notes) {
        return journal("change the notes", j -> j.noting(notes));
    }

    /** Renames the build. */
    public static Edit rename(String name) {
        return new Edit("rename the build", b -> b.named(name));
    }
}
