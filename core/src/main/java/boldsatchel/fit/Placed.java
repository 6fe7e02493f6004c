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
        Body body = part.body()
                .resized(
                        read(reading, part, "widthMm", part.body().widthMm()),
                        read(reading, part, "depthMm", part.body().depthMm()),
                        read(reading, part, "heightMm", part.body().heightMm()));
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
        List<Box> solids =
                body.solidBoxes().stream().map(b -> placement.place(b, bounds)).toList();
        return new Placed(part, placement, shell, placement.place(bounds, bounds), solids, List.copyOf(zones));
    }

    private static Figure read(Reading reading, Part part, String field, Figure figure) {
        double value = reading.of(part.input(Body.class, field, figure));
        return value == figure.value() ? figure : new Figure(Math.max(1e-3, value), 0, figure.basis());
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
