package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Passage;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.reach.ReachEngine;
import boldsatchel.stow.FreePlace;
import java.util.Optional;

/** Puts parts elsewhere: aside, where they lie before something, into the case, where they lie beside it, or out of it. */
public final class Aside {

    private Aside() {}

    /**
     * Moves a part from before a button or a picture to the next free place of its tray; nothing where there is none.
     *
     * @param part id of what is to be moved
     * @param before id of the part that has the button or picture
     * @param what name of the button, or {@link Passage#PICTURE}
     */
    public static Optional<Edit> from(Build build, String part, String before, String what) {
        return build.part(part)
                .filter(p -> found(build, part, before, what).isPresent())
                .map(p -> new Edit(
                        "move " + p.name() + " aside",
                        b -> found(b, part, before, what).map(b::with).orElse(b)));
    }

    private static Optional<Placement> found(Build build, String id, String before, String what) {
        Optional<Part> part = build.part(id);
        Optional<Placement> lies = build.placement(id).filter(l -> !l.locked());
        Optional<Shell> shell = lies.flatMap(l -> build.shell(l.shell()));
        Optional<Passage> way = shell.flatMap(s ->
                build.part(before).flatMap(p -> build.placement(before).flatMap(l -> Passage.of(s, p, what, l))));
        return way.flatMap(w -> new FreePlace(
                                build.with(build.layout().without(id)),
                                shell.orElseThrow(),
                                build.brief().limits().gapMm())
                        .keeping(w.before(shell.orElseThrow(), ReachEngine.BESIDE_MM))
                        .of(part.orElseThrow()))
                .map(free -> lies.orElseThrow().at(free.at()).turned(free.orientation()));
    }

    /** Takes a part out of the case, to lie or be worn beside the machine. */
    public static Edit out(Part part) {
        return new Edit(
                "take " + part.name() + " out",
                b -> b.part(part.id())
                        .map(p -> Edits.unplace(p).change().apply(b.with(p.withFacet(new Facet.StaysBeside()))))
                        .orElse(b));
    }

    /** Puts a part that stays beside the machine into the first of its trays that has room; nothing where none has. */
    public static Optional<Edit> into(Build build, Part part) {
        Part inside = part.without(Facet.StaysBeside.class);
        for (Shell shell : build.casing().shells()) {
            Optional<Placement> free = build.casing().belongs(shell.id())
                    ? new FreePlace(build, shell, build.brief().limits().gapMm()).of(inside)
                    : Optional.empty();
            if (free.isPresent()) {
                return Optional.of(new Edit(
                        "put " + part.name() + " into " + shell.name(),
                        b -> Edits.place(inside, shell).change().apply(b.with(inside))));
            }
        }
        return Optional.empty();
    }
}
