package boldsatchel.format;

import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Prism;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Hole;
import boldsatchel.machine.ScrewThread;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/**
 * The shape of a part, read from a drawing or a mesh, its low corner at nothing.
 *
 * @param outline as seen from above, mm
 * @param heightMm of a mesh; absent of a flat drawing, which has the thickness of the part
 * @param bores round holes in it
 */
public record Drawn(List<Flat> outline, OptionalDouble heightMm, List<Bore> bores) {

    /** A round hole as large as this, to either side, is a mounting hole of the thread whose clearance it is, mm. */
    private static final double SAME_BORE_MM = 0.35;

    /** Copies the lists. */
    public Drawn {
        outline = List.copyOf(outline);
        bores = List.copyOf(bores);
    }

    /**
     * A round hole.
     *
     * @param at its middle
     * @param diameterMm of it
     */
    public record Bore(Flat at, double diameterMm) {}

    /** Width of the outline, mm. */
    public double widthMm() {
        return outline.stream().mapToDouble(Flat::across).max().orElse(0);
    }

    /** Depth of the outline, mm. */
    public double depthMm() {
        return outline.stream().mapToDouble(Flat::up).max().orElse(0);
    }

    /** A body of this shape; sockets, rooms and buttons stay where they are in proportion, mounting holes are those that were drawn. */
    public Body shaped(Body before) {
        double high = heightMm.orElse(before.heightMm().value());
        Body sized = before.resized(
                Figure.dataSheet(widthMm()),
                Figure.dataSheet(depthMm()),
                heightMm.isPresent() ? Figure.dataSheet(high) : before.heightMm());
        List<Hole> holes = new ArrayList<>(bores.isEmpty() ? sized.holes() : List.of());
        for (Bore bore : bores) {
            Stream.of(ScrewThread.values())
                    .filter(t -> Math.abs(t.clearanceMm() - bore.diameterMm()) <= SAME_BORE_MM)
                    .min(Comparator.comparingDouble(t -> Math.abs(t.clearanceMm() - bore.diameterMm())))
                    .ifPresent(t -> holes.add(new Hole(
                            t,
                            false,
                            Face.TOP,
                            new Vec(bore.at().across(), bore.at().up(), high))));
        }
        return new Body(
                sized.widthMm(),
                sized.depthMm(),
                sized.heightMm(),
                List.of(new Prism(Axis.Z, outline, 0, high)),
                sized.zones(),
                sized.ports(),
                holes,
                sized.keys(),
                sized.centreOfMass());
    }
}
