package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
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
    public static List<Placed> all(Build build, Reading reading) {
        List<Placed> all = new ArrayList<>();
        for (Placement placement : build.layout().placements()) {
            Optional<Part> part = build.part(placement.part());
            Optional<Shell> shell = build.shell(placement.shell());
            if (part.isPresent() && shell.isPresent()) {
                all.add(of(part.get(), placement, shell.get(), reading));
            }
        }
        return all;
    }

    /** One part where it lies. */
    public static Placed of(Part part, Placement placement, Shell shell, Reading reading) {
        Body body = read(part, reading);
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

    /** One part where it lies, without what must stay free around it: for the distances of solids. */
    static Placed bare(Part part, Placement placement, Shell shell, Reading reading) {
        Body body = read(part, reading);
        Box bounds = body.bounds();
        return new Placed(part, placement, shell, placement.place(bounds, bounds), solids(body, placement), List.of());
    }

    private static List<Box> solids(Body body, Placement placement) {
        Box bounds = body.bounds();
        List<Box> solids = new ArrayList<>();
        for (Box solid : body.solidBoxes()) {
            solids.add(placement.place(solid, bounds));
        }
        return solids;
    }

    /** The body at the sizes read; itself where they are the best estimates. */
    private static Body read(Part part, Reading reading) {
        Body body = part.body();
        List<Input> sizes = part.sizes();
        double width = read(reading, sizes.get(0));
        double depth = read(reading, sizes.get(1));
        double height = read(reading, sizes.get(2));
        boolean same = width == body.widthMm().value()
                && depth == body.depthMm().value()
                && height == body.heightMm().value();
        return same ? body : body.resized(Figure.measured(width), Figure.measured(depth), Figure.measured(height));
    }

    private static double read(Reading reading, Input size) {
        return Math.max(LEAST_MM, reading.of(size));
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
        return new Placed(
                part,
                placement,
                shell,
                hinge.closed(bounds),
                solids.stream().map(hinge::closed).toList(),
                zones.stream()
                        .map(z -> new Zone(z.kind(), hinge.closed(z.box())))
                        .toList());
    }
}
