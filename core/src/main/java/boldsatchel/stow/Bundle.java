package boldsatchel.stow;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Parts that lie as one: a board with what is plugged into it, a group, or a part alone.
 *
 * @param lies its parts where they lie, each in the tray's frame
 * @param isPlaced whether they lie there, or lie nowhere yet
 */
public record Bundle(List<Placed> lies, boolean isPlaced) {

    /** What moves air is at a vent so near to its wall, mm. A guess. */
    private static final double BEFORE_MM = 6;

    /** Copies the list. */
    public Bundle {
        lies = List.copyOf(lies);
    }

    /** All that lies in a tray: what is meant to touch, or is in one group, together. */
    public static List<Bundle> in(Build build, Shell shell) {
        List<Placed> left = new ArrayList<>(Placed.in(shell, Placed.all(build)));
        List<Bundle> bundles = new ArrayList<>();
        while (!left.isEmpty()) {
            Set<Placed> together = new LinkedHashSet<>(List.of(left.removeFirst()));
            boolean grows = true;
            while (grows) {
                List<Placed> more = left.stream()
                        .filter(p -> together.stream().anyMatch(t -> isOne(p.placement(), t.placement())))
                        .toList();
                grows = together.addAll(more);
                left.removeAll(more);
            }
            bundles.add(new Bundle(List.copyOf(together), true));
        }
        return bundles;
    }

    /** A part that lies nowhere yet. */
    public static Bundle loose(Part part, Shell shell) {
        Placement drawn = new Placement(part.id(), shell.id(), Vec.ZERO, Orientation.AS_DRAWN, Set.of());
        return new Bundle(List.of(Placed.of(part, drawn, shell)), false);
    }

    private static boolean isOne(Placement a, Placement b) {
        return a.touches().contains(b.part())
                || b.touches().contains(a.part())
                || (a.group().isPresent() && a.group().equals(b.group()));
    }

    /** Whether one of it is locked. */
    public boolean isLocked() {
        return lies.stream().anyMatch(p -> p.placement().locked());
    }

    /** The vents before which a part of it lies that moves air. */
    List<Vent> vents(Placed p) {
        return isPlaced && p.part().facet(Facet.MovesAir.class).isPresent() ? before(p) : List.of();
    }

    /** Whether it moves air through a vent. */
    boolean isAtVent() {
        return lies.stream().anyMatch(p -> !vents(p).isEmpty());
    }

    private static List<Vent> before(Placed p) {
        return p.shell().vents().stream()
                .filter(v ->
                        Math.abs(p.bounds().end(v.wall()) - p.shell().cavity().end(v.wall())) <= BEFORE_MM)
                .filter(v -> Face.ALL.stream()
                        .map(Face::axis)
                        .filter(axis -> axis != v.wall().axis())
                        .allMatch(axis -> p.bounds().gapAlong(axis, v.box()) < 0))
                .toList();
    }

    /** Names its parts. */
    public List<String> ids() {
        return lies.stream().map(Placed::id).toList();
    }

    /** A box around all of its parts. */
    public Box bounds() {
        Box all = lies.getFirst().bounds();
        for (Placed p : lies) {
            all = all.around(p.bounds());
        }
        return all;
    }

    /** A quarter turn anticlockwise in plan; its low corner stays. */
    Bundle turned() {
        Box all = bounds();
        List<Placed> turned = new ArrayList<>(lies.size());
        for (Placed p : lies) {
            Box box = p.bounds();
            Vec at = new Vec(all.x() + all.high(1) - box.high(1), all.y() + box.x() - all.x(), box.z());
            Placement was = p.placement();
            turned.add(
                    Placed.of(p.part(), was.turned(was.orientation().turned()).at(at), p.shell()));
        }
        return new Bundle(turned, isPlaced);
    }

    /** A part alone with another face up; of several none is tumbled. */
    Bundle tumbled(Orientation orientation) {
        Placed only = lies.getFirst();
        return new Bundle(
                List.of(Placed.of(only.part(), only.placement().turned(orientation), only.shell())), isPlaced);
    }

    /** The same parts in another tray. */
    Bundle within(Shell shell) {
        return new Bundle(
                lies.stream()
                        .map(p -> Placed.of(p.part(), p.placement().within(shell.id()), shell))
                        .toList(),
                isPlaced);
    }

    /** The tray that it lies in. */
    Shell shell() {
        return lies.getFirst().shell();
    }

    /** Where its parts lie once its low corner is there. */
    public List<Placement> at(Vec corner) {
        Vec by = corner.minus(bounds().lowCorner());
        return lies.stream()
                .map(p -> p.placement().at(p.placement().at().plus(by)))
                .toList();
    }
}
