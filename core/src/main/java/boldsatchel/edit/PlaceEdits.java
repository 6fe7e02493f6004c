package boldsatchel.edit;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.stow.FreePlace;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Places that are worked out: against a wall, in the middle, in line with another part, on the other side. What is locked stays. */
public final class PlaceEdits {

    private PlaceEdits() {}

    /** Puts a part against a wall of its tray, or on its floor. */
    public static Edit against(Part part, Face wall) {
        return along(
                "put against the " + wall.words() + ": ",
                part,
                wall.axis(),
                (box, tray) -> tray.end(wall) - box.end(wall));
    }

    /** Puts a part in the middle of its tray, along one axis. */
    public static Edit centred(Part part, Axis axis) {
        int a = axis.ordinal();
        return along(
                "centre ",
                part,
                a,
                (box, tray) -> tray.centre().along(a) - box.centre().along(a));
    }

    /** Puts a part midway between what lies on either side of it: its neighbours along one axis, or the walls. */
    public static Edit between(Part part, Axis axis) {
        int a = axis.ordinal();
        return moved("even the gaps beside ", part, b -> {
            Optional<Box> box = Placed.of(b, part.id()).map(Placed::bounds);
            Optional<Shell> tray = b.placement(part.id()).flatMap(p -> b.shell(p.shell()));
            return box.flatMap(mine -> tray.map(t -> Vec.on(a, toTheMiddle(b, t, part.id(), mine, a))));
        });
    }

    private static double toTheMiddle(Build build, Shell tray, String id, Box mine, int axis) {
        double before = tray.cavity().low(axis);
        double after = tray.cavity().high(axis);
        for (Placed other : Placed.in(tray, Placed.all(build))) {
            Box its = other.bounds();
            if (!other.id().equals(id) && isBeside(mine, its, axis)) {
                if (its.high(axis) <= mine.low(axis)) {
                    before = Math.max(before, its.high(axis));
                } else if (its.low(axis) >= mine.high(axis)) {
                    after = Math.min(after, its.low(axis));
                }
            }
        }
        return (before + after) / 2 - mine.centre().along(axis);
    }

    /** Whether one would meet the other on its way along an axis. */
    private static boolean isBeside(Box a, Box b, int along) {
        for (int axis = 0; axis < 3; axis++) {
            if (axis != along && (a.high(axis) <= b.low(axis) || b.high(axis) <= a.low(axis))) {
                return false;
            }
        }
        return true;
    }

    /** Puts a part on the other side of the middle of its tray. It is not turned: a board and its mirror image are two boards. */
    public static Edit mirrored(Part part, Axis axis) {
        int a = axis.ordinal();
        return along(
                "mirror ",
                part,
                a,
                (box, tray) -> 2 * (tray.centre().along(a) - box.centre().along(a)));
    }

    private static Edit along(String name, Part part, int axis, BiFunction<Box, Box, Double> by) {
        return moved(
                name,
                part,
                b -> b.placement(part.id())
                        .flatMap(p -> b.shell(p.shell()))
                        .flatMap(s ->
                                Placed.of(b, part.id()).map(p -> Vec.on(axis, by.apply(p.bounds(), s.cavity())))));
    }

    /** Brings a side of a part in line with the same side of another in its tray. */
    public static Edit inLine(Part part, Part other, Face side) {
        return with(part, other, side.axis(), (mine, its) -> its.end(side) - mine.end(side));
    }

    /** Brings the middle of a part in line with that of another in its tray. */
    public static Edit middles(Part part, Part other, Axis axis) {
        int a = axis.ordinal();
        return with(
                part,
                other,
                a,
                (mine, its) -> its.centre().along(a) - mine.centre().along(a));
    }

    private static Edit with(Part part, Part other, int axis, BiFunction<Box, Box, Double> by) {
        return moved("line up ", part, b -> {
            boolean together = b.placement(part.id())
                    .map(Placement::shell)
                    .equals(b.placement(other.id()).map(Placement::shell));
            Optional<Box> mine = Placed.of(b, part.id()).map(Placed::bounds);
            Optional<Box> its = Placed.of(b, other.id()).map(Placed::bounds);
            return together && mine.isPresent() && its.isPresent()
                    ? Optional.of(Vec.on(axis, by.apply(mine.get(), its.get())))
                    : Optional.empty();
        });
    }

    private static Edit moved(String name, Part part, Function<Build, Optional<Vec>> by) {
        return new Edit(
                name + part.name(),
                b -> by.apply(b)
                        .map(v -> Edits.move(part, at -> at.plus(v)).change().apply(b))
                        .orElse(b));
    }

    /** Lets a part move together with another one of its tray from now on. */
    public static Edit together(Part part, Part other) {
        return new Edit("group " + part.name() + " and " + other.name(), b -> {
            Optional<Placement> mine = b.placement(part.id());
            Optional<Placement> its = b.placement(other.id())
                    .filter(o -> mine.filter(m -> m.shell().equals(o.shell())).isPresent());
            if (mine.isEmpty() || its.isEmpty()) {
                return b;
            }
            String group = its.get().group().or(mine.get()::group).orElseGet(() -> freeGroup(b));
            Build grouped = b;
            for (String id : List.of(part.id(), other.id())) {
                for (Placement p : b.layout().together(id)) {
                    grouped = grouped.with(p.grouped(Optional.of(group)));
                }
            }
            return grouped;
        });
    }

    private static String freeGroup(Build build) {
        Set<String> taken = build.layout().placements().stream()
                .flatMap(p -> p.group().stream())
                .collect(Collectors.toSet());
        int n = 1;
        while (taken.contains("group " + n)) {
            n++;
        }
        return "group " + n;
    }

    /** Lets a part move alone again; a group of one is none. */
    public static Edit apart(Part part) {
        return new Edit("take " + part.name() + " out of its group", b -> {
            List<Placement> others = b.layout().together(part.id()).stream()
                    .filter(p -> !p.part().equals(part.id()))
                    .toList();
            Build alone = Edits.lying("", part, p -> p.grouped(Optional.empty()))
                    .change()
                    .apply(b);
            return others.size() == 1 ? alone.with(others.getFirst().grouped(Optional.empty())) : alone;
        });
    }

    /** Locks a part in its place, or lets it go. */
    public static Edit lock(Part part, boolean lock) {
        return Edits.lying(lock ? "lock " : "unlock ", part, p -> p.locked(lock));
    }

    /** A part that comes from elsewhere, at the nearest free place of a tray; on the table where there is none. */
    public static Edit paste(Part part, Optional<Shell> tray) {
        return new Edit("paste " + part.name(), b -> {
            Part own = part.withId(b.freeId(part.id()));
            Build with = b.with(own);
            return tray.flatMap(t -> b.shell(t.id()))
                    .filter(s -> !own.staysOutside() && !own.isLed())
                    .flatMap(s -> new FreePlace(with, s, b.brief().limits().gapMm()).of(own))
                    .map(with::with)
                    .orElse(with);
        });
    }

    /** Another of the same, turned like it, at the nearest free place of its tray; on the table where there is none. */
    public static Edit copy(Part part) {
        return new Edit("duplicate " + part.name(), b -> {
            String id = b.freeId(part.id());
            Build with = Edits.duplicate(part).change().apply(b);
            Optional<Placement> place = b.placement(part.id())
                    .flatMap(p -> b.shell(p.shell()))
                    .flatMap(s -> with.part(id)
                            .flatMap(p ->
                                    new FreePlace(with, s, b.brief().limits().gapMm()).of(p)));
            return place.map(with::with).orElse(with);
        });
    }
}
