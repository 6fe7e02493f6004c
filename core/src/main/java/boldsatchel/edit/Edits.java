package boldsatchel.edit;

import boldsatchel.build.Brief;
import boldsatchel.build.Build;
import boldsatchel.build.HeatPath;
import boldsatchel.build.Hinge;
import boldsatchel.build.Orientation;
import boldsatchel.build.Part;
import boldsatchel.build.Placement;
import boldsatchel.build.Shell;
import boldsatchel.build.UseProfile;
import boldsatchel.build.Vec;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** The edits there are. */
public final class Edits {

    private Edits() {}

    /** Changes the brief. */
    public static Edit brief(String name, UnaryOperator<Brief> change) {
        return new Edit(name, b -> b.withBrief(change.apply(b.brief())));
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
        return new Edit("add " + part.name(), b -> {
            List<Part> parts = new ArrayList<>(b.parts());
            parts.add(part.withId(b.freeId(part.id())));
            return b.withParts(parts);
        });
    }

    /** Takes a part out, with its place, its heat paths and its rung; what hung on the rung hangs on the one above. */
    public static Edit removePart(Part part) {
        return new Edit("remove " + part.name(), b -> {
            String id = part.id();
            List<Placement> placements = b.placements().stream()
                    .filter(p -> !p.part().equals(id))
                    .map(p -> withoutTouch(p, id))
                    .toList();
            List<HeatPath> paths =
                    b.heatPaths().stream().filter(p -> !p.part().equals(id)).toList();
            return b.withParts(
                            b.parts().stream().filter(p -> !p.id().equals(id)).toList())
                    .withPlacements(placements)
                    .withHeatPaths(paths)
                    .withChain(Chains.withoutPart(b.chain(), id));
        });
    }

    private static Placement withoutTouch(Placement p, String id) {
        return new Placement(
                p.part(),
                p.shell(),
                p.at(),
                p.orientation(),
                Set.copyOf(p.touches().stream().filter(t -> !t.equals(id)).toList()));
    }

    /** Puts another part in the place of one: same id, so its place, rung and neighbours stay. */
    public static Edit replacePart(Part old, Part by) {
        return new Edit("replace " + old.name() + " by " + by.name(), b -> b.withPart(by.withId(old.id())));
    }

    /** Changes a figure or a word of a part. */
    public static Edit changePart(String what, Part changed) {
        return new Edit("change " + what + " of " + changed.name(), b -> b.withPart(changed));
    }

    /** Lays a part somewhere. */
    public static Edit move(Part part, Vec to) {
        return new Edit(
                "move " + part.name(),
                b -> b.placement(part.id()).map(p -> b.withPlacement(p.at(to))).orElse(b));
    }

    /** Turns a part; its low corner stays. */
    public static Edit turn(Part part, Orientation orientation) {
        return new Edit(
                "turn " + part.name(),
                b -> b.placement(part.id())
                        .map(p -> b.withPlacement(p.turned(orientation)))
                        .orElse(b));
    }

    /** Takes a part from the table into a shell. */
    public static Edit place(Part part, Shell shell) {
        return new Edit(
                "place " + part.name(),
                b -> b.withPlacement(
                        new Placement(part.id(), shell.id(), new Vec(0, 0, 0), Orientation.AS_DRAWN, Set.of())));
    }

    /** Puts a part back on the table. */
    public static Edit unplace(Part part) {
        return new Edit(
                "take out " + part.name(),
                b -> b.withPlacements(b.placements().stream()
                        .filter(p -> !p.part().equals(part.id()))
                        .toList()));
    }

    /** Says that two parts are meant to touch, or not. */
    public static Edit touch(Part part, String other, boolean touches) {
        return new Edit(
                "let " + part.name() + " touch",
                b -> b.placement(part.id())
                        .map(p -> {
                            Set<String> all = new java.util.TreeSet<>(p.touches());
                            if (touches) {
                                all.add(other);
                            } else {
                                all.remove(other);
                            }
                            return b.withPlacement(new Placement(p.part(), p.shell(), p.at(), p.orientation(), all));
                        })
                        .orElse(b));
    }

    /** Takes another case; parts stay where they are in shells of the same id, the others go back on the table. */
    public static Edit takeCase(Library.Case taken) {
        return new Edit("take " + taken.name(), b -> {
            Set<String> ids = taken.shells().stream().map(Shell::id).collect(Collectors.toSet());
            return b.withShells(taken.shells())
                    .withHinge(taken.hinge())
                    .withPlacements(b.placements().stream()
                            .filter(p -> ids.contains(p.shell()))
                            .toList());
        });
    }

    /** Changes the hinge. */
    public static Edit changeHinge(String what, Hinge hinge) {
        return new Edit("change " + what, b -> b.withHinge(Optional.of(hinge)));
    }

    /** Renames the build. */
    public static Edit rename(String name) {
        return new Edit(
                "rename the build",
                b -> new Build(
                        name,
                        b.variant(),
                        b.brief(),
                        b.parts(),
                        b.shells(),
                        b.hinge(),
                        b.placements(),
                        b.chain(),
                        b.heatPaths(),
                        b.sundriesG()));
    }
}
