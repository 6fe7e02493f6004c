package boldsatchel.heat;

import boldsatchel.engine.Lazy;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Substance;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** A tray in the thermal network of a build: the nodes of its air, parts and walls, and the air that goes through it. */
final class HeatRoom {

    private static final double LITRE = 1e-3;
    private static final double MM2 = 1e-6;

    /** A wall's nodes and what is known of it. */
    record Wall(int inside, int outside, double areaM2, Link.Along.Wall plate, Input thick) {}

    /** Fins of a part, the air through them, and the ways of their heat. */
    record Finned(String part, Openings.Through air, List<Link.Finned> links) {
        HeatResult.FinsAt at(double[] t) {
            return new HeatResult.FinsAt(
                    part,
                    air.m3s() / LITRE,
                    air.vent().isPresent() && air.out(),
                    links.stream()
                            .mapToDouble(l -> l.watts(t[l.from()], t[l.to()]))
                            .sum());
        }
    }

    final Shell shell;
    final int air;
    final List<Placed> parts;
    /** The node of each. */
    final int[] partNodes;

    final Faces faces;
    final Openings openings;
    /** How much heavier its walls are than computed. */
    private final double weighed;

    final Map<Face, Wall> walls = new EnumMap<>(Face.class);
    /** By which its air leaves. */
    Optional<Link> vented = Optional.empty();

    /** Fins in it, and what goes through them. */
    final List<Finned> finned = new ArrayList<>();

    /** What fans drive through it. */
    Optional<Openings.Driven> driven = Optional.empty();
    /** The same with each of the fans' figures moved by a standard deviation. */
    final Map<Input, Lazy<Openings.Driven>> drivenMoved = new LinkedHashMap<>();

    HeatRoom(Shell shell, Box out, int air, List<Placed> parts, List<Placed> inside, Openings openings) {
        this.shell = shell;
        this.air = air;
        weighed = weighed(shell, out);
        this.parts = parts;
        this.partNodes = new int[parts.size()];
        this.faces = new Faces(parts, inside);
        this.openings = openings;
    }

    /** Heat capacity of a wall, J/(m²·K). */
    double wallJKm2(Face face) {
        Substance of = shell.substance();
        return weighed * shell.wall(face).value() * of.densityKgM3() * of.heatJgK();
    }

    Wall wall(Face face) {
        return Objects.requireNonNull(walls.get(face));
    }

    /** Air that fans drive through it, m³/s. */
    double fanFlowM3s() {
        return driven.map(Openings.Driven::throughM3s).orElse(0.0);
    }

    /**
     * What leaves by each vent, m³/s; negative where air comes in.
     *
     * @param carriedW heat that leaves with it
     * @param riseK of its air over the surroundings
     */
    List<Double> outM3s(double carriedW, double riseK) {
        return driven.map(Openings.Driven::outM3s)
                .orElseGet(() -> openings.risen(riseK > 1e-9 ? carriedW / Air.carried(1) / riseK : 0));
    }

    /** Air that fans move and that goes round inside, m³/s. */
    double insideM3s() {
        return openings.insideM3s(driven);
    }

    /** Those that drive a vent. */
    List<HeatResult.FanAt> fans() {
        return openings.fans();
    }

    /** Fins in it. */
    List<HeatResult.FinsAt> fins(double[] t) {
        return finned.stream().map(f -> f.at(t)).toList();
    }

    /** Share of what comes in that has just gone out. */
    double again() {
        return driven.map(Openings.Driven::again).orElse(0.0);
    }

    /** Node of a wall's outside. */
    int outside(Face face) {
        return wall(face).outside();
    }
    /** How much heavier the walls are than computed; 1 where nobody weighed them. */
    private static double weighed(Shell shell, Box out) {
        double computedG = 0;
        for (Face face : Face.ALL) {
            computedG += out.area(face)
                    * MM2
                    * shell.wall(face).value()
                    * shell.substance().densityKgM3();
        }
        double all = Math.max(1e-9, computedG);
        return shell.weighedG().map(g -> g.value() / all).orElse(1.0);
    }
}
