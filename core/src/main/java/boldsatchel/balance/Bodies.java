package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Base and lid as two rigid bodies, each in its own frame, made of weights that are each known with an error of their own. What has no
 * place of its own, as wires, screws and parts that are not placed yet, is taken to be in the middle of the base; without a case it
 * only weighs.
 */
final class Bodies {
    private final List<Weight> weights;
    private final Mass base;
    private final Mass lid;

    /** Where a weight belongs. */
    private enum Where {
        BASE,
        LID,
        LOOSE
    }

    /**
     * One thing that weighs.
     *
     * @param sigmaG how its mass moves when its input moves by one standard deviation
     * @param sizes where it would be with one of its sizes moved by a standard deviation
     */
    private record Weight(Input input, double g, double sigmaG, Vec at, Where where, List<Elsewhere> sizes) {
        Mass more() {
            return new Mass(sigmaG, at);
        }

        /** A body that has it, with it elsewhere. */
        Mass shifting(Mass body, Elsewhere to) {
            double share = body.g() > 0 ? g / body.g() : 0;
            Vec by = new Vec(share * (to.at.x() - at.x()), share * (to.at.y() - at.y()), share * (to.at.z() - at.z()));
            Mass moved = new Mass(body.g(), body.at().plus(by));
            return to.moreG == 0 ? moved : moved.and(new Mass(to.moreG, to.at));
        }
    }

    /** Where a weight is with an input moved, and how much more it is then. */
    private record Elsewhere(Input input, Vec at, double moreG) {}

    private Bodies(List<Weight> weights, Mass wires, boolean inBase) {
        this.weights = weights;
        this.base = inBase ? together(Where.BASE).and(wires) : together(Where.BASE);
        this.lid = together(Where.LID);
    }

    private Mass together(Where where) {
        List<Mass> masses = new ArrayList<>(weights.size());
        for (Weight w : weights) {
            if (w.where == where) {
                masses.add(new Mass(w.g, w.at));
            }
        }
        return Mass.together(masses);
    }

    static Bodies of(Build build, Weights known) {
        List<Weight> weights = new ArrayList<>();
        Optional<Vec> middle = build.casing().standing().map(s -> s.outside().centre());
        Where loose = middle.isPresent() ? Where.BASE : Where.LOOSE;
        Vec somewhere = middle.orElse(Vec.ZERO);
        weights.add(weight(known.sundries(), somewhere, loose));
        for (Weights.OfPart part : known.parts()) {
            weights.add(weight(build, part, somewhere, loose));
        }
        for (Weights.OfShell shell : known.shells()) {
            weights.add(weight(build, shell));
        }
        return new Bodies(weights, new Mass(known.wiresG(), somewhere), middle.isPresent());
    }

    private static Weight weight(Input massG, Vec at, Where where) {
        return new Weight(massG, massG.figure().value(), massG.figure().sigma(), at, where, List.of());
    }

    private static Weight weight(Build build, Weights.OfPart known, Vec somewhere, Where loose) {
        Input mass = known.massG();
        Optional<Placement> placement = build.placement(known.part().id());
        Optional<Shell> shell = placement.flatMap(p -> build.shell(p.shell()));
        if (shell.isEmpty()) {
            return weight(mass, somewhere, loose);
        }
        Placement lies = placement.orElseThrow();
        Body body = known.part().body();
        Vec centre = lies.place(body.centreOfMass().orElse(body.bounds().centre()), body.bounds());
        List<Elsewhere> sizes = new ArrayList<>(3);
        for (int axis = 0; axis < 3; axis++) {
            Input size = known.sizes().get(axis);
            double sigma = size.figure().sigma();
            if (sigma > 0) {
                int along = lies.orientation().axis(axis);
                double further = (centre.along(along) - lies.at().along(along))
                        * sigma
                        / size.figure().value();
                sizes.add(new Elsewhere(size, centre.plus(Vec.on(along, further)), 0));
            }
        }
        return new Weight(mass, mass.figure().value(), mass.figure().sigma(), centre, where(build, shell.get()), sizes);
    }

    private static Weight weight(Build build, Weights.OfShell known) {
        List<Elsewhere> others = new ArrayList<>(known.others().size());
        for (Weights.Off other : known.others()) {
            others.add(new Elsewhere(other.input(), other.at(), other.moreG()));
        }
        Shell shell = known.shell();
        return new Weight(shell.input("wallMm", shell.wallMm()), known.g(), 0, known.at(), where(build, shell), others);
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

    /** Both bodies as one with the lid at an angle, in the base's frame. */
    Mass centre(Optional<Hinge> hinge, double angleDeg) {
        return hinge.map(h -> base.and(new Mass(lid.g(), h.toBase(lid.at(), angleDeg))))
                .orElse(base);
    }

    /**
     * The range of the tip margin at a lid angle: each weight and where it is are moved in turn, and the centre follows without adding all
     * up again.
     *
     * @param others what it stands on with each measure of the base off by a standard deviation
     */
    Spread marginRange(Support support, Map<Input, Support> others, Optional<Hinge> hinge, double angleDeg) {
        UnaryOperator<Vec> turn = hinge.map(h -> h.toBase(angleDeg)).orElse(UnaryOperator.identity());
        Mass turned = new Mass(hinge.isPresent() ? lid.g() : 0, turn.apply(lid.at()));
        Vec centre = base.and(turned).at();
        double nominal = support.marginDeg(centre);
        Inputs inputs = new Inputs();
        Inputs.Effects effects = inputs.new Effects();
        others.forEach((input, other) -> effects.add(input, other.marginDeg(centre) - nominal));
        for (Weight w : weights) {
            if (w.where == Where.LOOSE || (w.where == Where.LID && hinge.isEmpty())) {
                continue;
            }
            Mass body = w.where == Where.LID ? lid : base;
            if (w.sigmaG != 0) {
                double moved = marginDeg(support, w.where, body.and(w.more()), turned, turn);
                effects.add(w.input, moved - nominal);
            }
            for (Elsewhere e : w.sizes) {
                double moved = marginDeg(support, w.where, w.shifting(body, e), turned, turn);
                effects.add(e.input, moved - nominal);
            }
        }
        return Spread.ofEffects(nominal, inputs, effects.byPlace());
    }

    /** The margin with one of the bodies changed. */
    private double marginDeg(Support support, Where where, Mass changed, Mass turned, UnaryOperator<Vec> turn) {
        Mass all = where == Where.LID ? base.and(new Mass(changed.g(), turn.apply(changed.at()))) : changed.and(turned);
        return support.marginDeg(all.at());
    }
}
