package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A part where it lies, in its shell's frame.
 *
 * @param part the part
 * @param placement where it lies
 * @param shell what it lies in
 * @param bounds its bounding box
 * @param solids what is solid of it
 * @param zones what must stay free, plug room included
 */
public record Placed(Part part, Placement placement, Shell shell, Box bounds, List<Solid> solids, List<Zone> zones) {

    private static final double LEAST_MM = 1e-3;

    /** Copies the lists. */
    public Placed {
        solids = List.copyOf(solids);
        zones = List.copyOf(zones);
    }

    /** All placed parts of a build, in the build's order. */
    public static List<Placed> all(Build build) {
        return all(build, List.of());
    }

    /**
     * All placed parts of a build, in the build's order.
     *
     * @param known some as they were: those that are as they were are kept
     */
    @SuppressWarnings("ReferenceEquality") // An edit shares what it did not change.
    static List<Placed> all(Build build, List<Placed> known) {
        List<Placed> all = new ArrayList<>();
        for (Placement placement : build.layout().placements()) {
            Optional<Part> part = build.part(placement.part());
            Optional<Shell> shell = build.shell(placement.shell());
            if (part.isPresent() && shell.isPresent()) {
                Placed before = all.size() < known.size() ? known.get(all.size()) : null;
                all.add(
                        before != null && before.placement == placement && before.part == part.get()
                                ? before.in(shell.get())
                                : of(part.get(), placement, shell.get()));
            }
        }
        return all;
    }

    /** The same after its shell changed: where it lies in that does not depend on it. */
    @SuppressWarnings("ReferenceEquality") // As above.
    private Placed in(Shell now) {
        return now == shell ? this : new Placed(part, placement, now, bounds, solids, zones);
    }

    /** Those that lie in a shell. */
    public static List<Placed> in(Shell shell, List<Placed> placed) {
        List<Placed> inside = new ArrayList<>();
        for (Placed p : placed) {
            if (p.shell().id().equals(shell.id())) {
                inside.add(p);
            }
        }
        return inside;
    }

    /** A part by its id among some. */
    public static Optional<Placed> of(List<Placed> placed, String part) {
        return placed.stream().filter(p -> p.id().equals(part)).findFirst();
    }

    /** A part of a build where it lies; nothing where it is not placed. */
    public static Optional<Placed> of(Build build, String part) {
        return build.placement(part)
                .flatMap(at ->
                        build.part(part).flatMap(p -> build.shell(at.shell()).map(tray -> of(p, at, tray))));
    }

    /** One part where it lies. */
    public static Placed of(Part part, Placement placement, Shell shell) {
        Body body = part.body();
        Box bounds = body.bounds();
        List<Zone> zones = new ArrayList<>();
        for (Zone zone : body.zones()) {
            zones.add(new Zone(zone.kind(), placement.place(zone.box(), bounds)));
        }
        for (Port port : body.ports()) {
            if (port.connector().roomMm(port.use()) > 0) {
                zones.add(new Zone(Zone.Kind.PLUG, placement.place(port.plugRoom(), bounds)));
            }
        }
        return new Placed(part, placement, shell, placement.place(bounds, bounds), solids(body, placement), zones);
    }

    private static List<Solid> solids(Body body, Placement placement) {
        Pose pose = placement.pose(body.bounds());
        List<Solid> solids = new ArrayList<>();
        for (Solid solid : body.whole()) {
            solids.add(solid.posed(pose));
        }
        return solids;
    }

    /**
     * Its solids with one of its sizes changed: what is inside keeps its proportions, and its low corner its place.
     *
     * @param axis of the part as it is drawn
     */
    List<Solid> solids(int axis, double byMm) {
        int along = placement.orientation().axis(axis);
        double size = bounds.size(along);
        double times = Math.max(LEAST_MM, size + byMm) / size;
        List<Solid> changed = new ArrayList<>(solids.size());
        for (Solid solid : solids) {
            changed.add(solid.stretched(along, times, bounds.low(along)));
        }
        return changed;
    }

    /** Whether a plug in it, or what swells of it, reaches into a box of its tray. */
    public boolean fills(Box box) {
        return zones.stream().anyMatch(z -> z.isFilled() && z.box().signedDistance(box) < 0);
    }

    /** Whether air goes through between its fins along an axis of its tray. */
    public boolean isOpenAlong(int axis) {
        return part.facet(Facet.Fins.class)
                .filter(fins -> placement.orientation().turn(fins.through()).axis() == axis)
                .isPresent();
    }

    /** Id of the part. */
    public String id() {
        return part.id();
    }

    boolean mayTouch(Placed other) {
        return placement.touches().contains(other.id())
                || other.placement.touches().contains(id());
    }

    /**
     * The same part seen from another frame.
     *
     * @param pose of its shell in that frame, square
     */
    public Placed posed(Pose pose) {
        List<Zone> seen = new ArrayList<>(zones.size());
        for (Zone zone : zones) {
            seen.add(new Zone(zone.kind(), zone.box().posed(pose)));
        }
        return new Placed(part, placement, shell, bounds.posed(pose), posed(solids, pose), seen);
    }

    static List<Solid> posed(List<? extends Solid> solids, Pose pose) {
        List<Solid> seen = new ArrayList<>(solids.size());
        for (Solid solid : solids) {
            seen.add(solid.posed(pose));
        }
        return seen;
    }
}
