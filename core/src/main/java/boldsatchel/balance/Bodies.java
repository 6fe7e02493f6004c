package boldsatchel.balance;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Base and lid as two rigid bodies, each in its own frame, made of weights that are each known with an error of their own. What has no
 * place of its own, as wires, screws and parts that are not placed yet, is taken to be in the middle of the base; without a case it
 * only weighs.
 */
final class Bodies {
    private final List<Weight> weights;
    private final Mass base;
    private final Mass lid;
    private final double looseG;

    /** Where a weight belongs. */
    private enum Where {
        BASE,
        LID,
        LOOSE
    }

    /** One thing that weighs, and how its mass moves when its input moves by one standard deviation. */
    private record Weight(Input input, double g, double sigmaG, Vec at, Where where) {}

    private Bodies(List<Weight> weights, Mass wires, boolean inBase) {
        this.weights = weights;
        this.base = inBase ? together(Where.BASE).and(wires) : together(Where.BASE);
        this.lid = together(Where.LID);
        this.looseG = (inBase ? 0 : wires.g())
                + weights.stream()
                        .filter(w -> w.where == Where.LOOSE)
                        .mapToDouble(Weight::g)
                        .sum();
    }

    private Mass together(Where where) {
        return Mass.together(weights.stream()
                .filter(w -> w.where == where)
                .map(w -> new Mass(w.g, w.at))
                .toList());
    }

    static Bodies of(Build build) {
        List<Weight> weights = new ArrayList<>();
        Optional<Vec> middle = build.casing().standing().map(s -> s.outside().centre());
        Where loose = middle.isPresent() ? Where.BASE : Where.LOOSE;
        Vec somewhere = middle.orElse(Vec.ZERO);
        weights.add(weight(build.casing().sundriesInput(), somewhere, loose));
        for (Part part : build.parts().list()) {
            if (!part.staysOutside()) {
                weights.add(weight(build, part, somewhere, loose));
            }
        }
        for (Shell shell : build.casing().shells()) {
            weights.add(weight(build, shell));
        }
        return new Bodies(weights, new Mass(wireG(build), somewhere), middle.isPresent());
    }

    private static Weight weight(Input massG, Vec at, Where where) {
        return new Weight(massG, massG.figure().value(), massG.figure().sigma(), at, where);
    }

    private static Weight weight(Build build, Part part, Vec somewhere, Where loose) {
        Input mass = part.input(Part.class, "massG", part.massG());
        Optional<Placement> placement = build.placement(part.id());
        Optional<Shell> shell = placement.flatMap(p -> build.shell(p.shell()));
        if (shell.isEmpty()) {
            return weight(mass, somewhere, loose);
        }
        Box bounds = part.body().bounds();
        Vec at = placement.get().place(part.body().centreOfMass().orElse(bounds.centre()), bounds);
        return weight(mass, at, where(build, shell.get()));
    }

    private static Weight weight(Build build, Shell shell) {
        Input input = shell.weighedG()
                .map(weighed -> shell.input("weighedG", weighed))
                .orElseGet(() -> shell.input("wallMm", shell.wallMm()));
        double g = shellG(shell, Reading.NOMINAL);
        double moved = shellG(shell, Reading.shifted(input, input.figure().sigma()));
        return new Weight(input, g, moved - g, shell.outside().centre(), where(build, shell));
    }

    private static Where where(Build build, Shell shell) {
        return build.casing().isLid(shell) ? Where.LID : Where.BASE;
    }

    Mass base() {
        return base;
    }

    Mass lid() {
        return lid;
    }

    double totalG() {
        return base.g() + lid.g() + looseG;
    }

    /** The range of the mass: a sum moves by what its parts move. */
    Spread massRange() {
        Map<Input, Double> effects = new LinkedHashMap<>();
        weights.forEach(w -> effects.merge(w.input, w.sigmaG, Double::sum));
        return Spread.ofEffects(totalG(), effects);
    }

    /** Both bodies as one with the lid at an angle, in the base's frame. */
    Mass centre(Optional<Hinge> hinge, double angleDeg) {
        return together(base, lid, hinge, angleDeg);
    }

    private static Mass together(Mass base, Mass lid, Optional<Hinge> hinge, double angleDeg) {
        return hinge.map(h -> base.and(new Mass(lid.g(), h.toBase(lid.at(), angleDeg))))
                .orElse(base);
    }

    /** The range of the tip margin at a lid angle: each weight is moved in turn, and the centre follows without adding all up again. */
    Spread marginRange(Support support, Optional<Hinge> hinge, double angleDeg) {
        double nominal = support.marginDeg(centre(hinge, angleDeg).at());
        Map<Input, Double> effects = new LinkedHashMap<>();
        for (Weight w : weights) {
            if (w.where != Where.LOOSE && w.sigmaG != 0) {
                Mass more = new Mass(w.sigmaG, w.at);
                Mass centre = w.where == Where.LID
                        ? together(base, lid.and(more), hinge, angleDeg)
                        : together(base.and(more), lid, hinge, angleDeg);
                effects.merge(w.input, support.marginDeg(centre.at()) - nominal, Double::sum);
            }
        }
        return Spread.ofEffects(nominal, effects);
    }

    /** Mass of a shell from its walls: outside less inside, less the vents, times density; or as weighed. */
    static double shellG(Shell shell, Reading reading) {
        if (shell.weighedG().isPresent()) {
            return reading.of(shell.input("weighedG", shell.weighedG().get()));
        }
        double wall = reading.of(shell.input("wallMm", shell.wallMm()));
        double w = shell.widthMm();
        double d = shell.depthMm();
        double h = shell.heightMm();
        double outer = (w + 2 * wall) * (d + 2 * wall) * (h + wall + (shell.openTop() ? 0 : wall));
        double ribs =
                shell.ribs().stream().mapToDouble(b -> b.dx() * b.dy() * b.dz()).sum();
        double holes = shell.vents().stream().mapToDouble(v -> v.areaMm2()).sum() * wall;
        return (outer - w * d * h + ribs - holes) * 1e-9 * shell.material().densityKgM3() * 1e3;
    }

    /** Mass of the wires of the power chain, both ways, g. */
    static double wireG(Build build) {
        return build.rungs()
                .filter(r -> r.stage() instanceof Rung.Wire)
                .map(r -> (Rung.Wire) r.stage())
                .mapToDouble(w -> Copper.pairMassG(w.awg(), w.lengthMm()))
                .sum();
    }
}
