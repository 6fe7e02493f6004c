package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * The shape of a part. Its frame starts at the low corner of the bounding box.
 *
 * @param widthMm bounding box along x
 * @param depthMm bounding box along y
 * @param heightMm bounding box along z
 * @param solids what is really solid inside the bounding box; empty when all of it is
 * @param zones what must stay free around it
 * @param ports its sockets
 * @param holes for screws
 * @param keys buttons and switches
 * @param centreOfMass if it is not the middle of the box
 */
public record Body(
        @Label(value = "width", in = Quantity.LENGTH, absent = 10, least = 0.01)
        Figure widthMm,

        @Label(value = "depth", in = Quantity.LENGTH, absent = 10, least = 0.01)
        Figure depthMm,

        @Label(value = "height", in = Quantity.LENGTH, absent = 10, least = 0.01)
        Figure heightMm,

        @Label("solids") List<Solid> solids,
        @Label("rooms to keep free") List<Zone> zones,
        @Label("sockets") List<Port> ports,
        @Label("mounting holes") List<Hole> holes,
        @Label("buttons") List<Key> keys,
        @Label("centre of mass") Optional<Vec> centreOfMass) {

    /** Copies the lists; sizes must be positive. */
    public Body {
        for (Figure size : List.of(widthMm, depthMm, heightMm)) {
            if (size.value() <= 0) {
                throw new IllegalArgumentException("a part's width, depth and height are more than zero");
            }
        }
        solids = List.copyOf(solids);
        zones = List.copyOf(zones);
        ports = List.copyOf(Port.identified(ports));
        holes = List.copyOf(holes);
        keys = List.copyOf(keys);
    }

    /** Without holes and buttons. */
    public Body(
            Figure widthMm,
            Figure depthMm,
            Figure heightMm,
            List<Solid> solids,
            List<Zone> zones,
            List<Port> ports,
            Optional<Vec> centreOfMass) {
        this(widthMm, depthMm, heightMm, solids, zones, ports, List.of(), List.of(), centreOfMass);
    }

    /** A plain block. */
    public static Body block(Figure widthMm, Figure depthMm, Figure heightMm) {
        return new Body(widthMm, depthMm, heightMm, List.of(), List.of(), List.of(), Optional.empty());
    }

    /** The bounding box at the best estimates. */
    public Box bounds() {
        return new Box(0, 0, 0, widthMm.value(), depthMm.value(), heightMm.value());
    }

    /** All that is solid at the best estimates; never empty. */
    public List<Solid> whole() {
        return solids.isEmpty() ? List.of(bounds()) : solids;
    }

    /** The same shape with other sizes; solids and zones keep their proportions. */
    public Body resized(Figure width, Figure depth, Figure height) {
        double sx = width.value() / widthMm.value();
        double sy = depth.value() / depthMm.value();
        double sz = height.value() / heightMm.value();
        return new Body(
                width,
                depth,
                height,
                solids.stream().map(b -> scaled(b, sx, sy, sz)).toList(),
                zones.stream()
                        .map(z -> new Zone(z.kind(), scaled(z.box(), sx, sy, sz)))
                        .toList(),
                ports.stream().map(p -> p.at(scaled(p.at(), sx, sy, sz))).toList(),
                holes.stream().map(h -> h.at(scaled(h.at(), sx, sy, sz))).toList(),
                keys.stream().map(k -> k.at(scaled(k.at(), sx, sy, sz))).toList(),
                centreOfMass.map(v -> scaled(v, sx, sy, sz)));
    }

    /** A changed shape; where its sizes changed, what is inside keeps its proportions. */
    public static Body inProportion(Body before, Body after) {
        boolean sized = before.widthMm.value() != after.widthMm.value()
                || before.depthMm.value() != after.depthMm.value()
                || before.heightMm.value() != after.heightMm.value();
        return sized ? before.resized(after.widthMm, after.depthMm, after.heightMm) : after;
    }

    /** The same shape with one of its sockets used differently. */
    public Body using(String port, Port.Use use) {
        List<Port> changed = ports.stream()
                .map(p -> p.id().equals(port) ? p.withUse(use) : p)
                .toList();
        return new Body(widthMm, depthMm, heightMm, solids, zones, changed, holes, keys, centreOfMass);
    }

    private static Box scaled(Box b, double sx, double sy, double sz) {
        return new Box(b.x() * sx, b.y() * sy, b.z() * sz, b.dx() * sx, b.dy() * sy, b.dz() * sz);
    }

    private static Solid scaled(Solid s, double sx, double sy, double sz) {
        return s.stretched(0, sx, 0).stretched(1, sy, 0).stretched(2, sz, 0);
    }

    private static Vec scaled(Vec v, double sx, double sy, double sz) {
        return new Vec(v.x() * sx, v.y() * sy, v.z() * sz);
    }
}
