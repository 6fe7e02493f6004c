package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
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
 * @param solids its solid boxes
 * @param zones what must stay free, plug room included
 */
public record Placed(Part part, Placement placement, Shell shell, Box bounds, List<Box> solids, List<Zone> zones) {

    private static final double LEAST_MM = 1e-3;

    /** Copies the lists. */
    public Placed {
        solids = List.copyOf(solids);
        zones = List.copyOf(zones);
    }

    /** All placed parts of a build, in the build's order. */
    public static List<Placed> all(Build build) {
        List<Placed> all = new ArrayList<>();
        for (Placement placement : build.layout().placements()) {
            Optional<Part> part = build.part(placement.part());
            Optional<Shell> shell = build.shell(placement.shell());
            if (part.isPresent() && shell.isPresent()) {
                all.add(of(part.get(), placement, shell.get()));
            }
        }
        return all;
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

    private static List<Box> solids(Body body, Placement placement) {
        Box bounds = body.bounds();
        List<Box> solids = new ArrayList<>();
        for (Box solid : body.solidBoxes()) {
            solids.add(placement.place(solid, bounds));
        }
        return solids;
    }

    /**
     * Its solids with one of its sizes changed: what is inside keeps its proportions, and its low corner its place.
     *
     * @param axis of the part as it is drawn
     */
    List<Box> solids(int axis, double byMm) {
        int along = placement.orientation().axis(axis);
        double size = bounds.size(along);
        double times = Math.max(LEAST_MM, size + byMm) / size;
        List<Box> changed = new ArrayList<>(solids.size());
        for (Box solid : solids) {
            changed.add(solid.stretched(along, times, bounds.low(along)));
        }
        return changed;
    }

    /** Id of the part. */
    public String id() {
        return part.id();
    }

    boolean mayTouch(Placed other) {
        return placement.touches().contains(other.id())
                || other.placement.touches().contains(id());
    }

    /** The same part seen from the base's frame with the lid closed. */
    Placed closed(boldsatchel.machine.Hinge hinge) {
        List<Zone> closed = new ArrayList<>(zones.size());
        for (Zone zone : zones) {
            closed.add(new Zone(zone.kind(), hinge.closed(zone.box())));
        }
        return new Placed(part, placement, shell, hinge.closed(bounds), Trays.closed(hinge, solids), closed);
    }
}
