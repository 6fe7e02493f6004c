package boldsatchel.balance;

import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Each tray with what lies in it as one rigid body in its own frame, made of weights that are each known with an error of their own. What has
 * no place of its own, as screws, wires that are not laid and parts that are not placed yet, is taken to be in the middle of the tray that stands; without a
 * case it only weighs. What lies beside the machine is no part of it.
 */
final class Bodies {
    private static final int LOOSE = -1;

    private final Casing casing;
    private final List<Shell> trays = new ArrayList<>();
    private final List<Weight> weights = new ArrayList<>();
    /** How each tray lies in a posture that was asked for. */
    private final Map<Posture, List<Pose>> known = new HashMap<>();
    /** One a tray, in its own frame. */
    private final List<Mass> masses = new ArrayList<>();

    /**
     * One thing that weighs.
     *
     * @param sigmaG how its mass moves when its input moves by one standard deviation
     * @param tray index of the tray it lies in
     * @param sizes where it would be with one of its sizes moved by a standard deviation
     */
    private record Weight(Input input, double g, double sigmaG, Vec at, int tray, List<Elsewhere> sizes) {
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

    private Bodies(Casing casing) {
        this.casing = casing;
        for (Shell shell : casing.shells()) {
            if (casing.belongs(shell.id())) {
                trays.add(shell);
            }
        }
    }

    static Bodies of(Build build, Weights known) {
        Bodies bodies = new Bodies(build.casing());
        Optional<Shell> standing = build.casing().standing();
        int loose = standing.map(bodies::index).orElse(LOOSE);
        Vec somewhere = standing.map(s -> s.outside().centre()).orElse(Vec.ZERO);
        bodies.weights.add(weight(known.sundries(), somewhere, loose));
        for (Weights.OfPart part : known.parts()) {
            bodies.weights.add(bodies.weight(build, part, somewhere, loose));
        }
        for (Weights.OfShell shell : known.shells()) {
            bodies.weights.add(bodies.weight(shell));
        }
        for (int i = 0; i < bodies.trays.size(); i++) {
            Mass mass = bodies.together(i);
            bodies.masses.add(i == loose ? mass.and(new Mass(known.wiresG(), somewhere)) : mass);
        }
        if (loose != LOOSE) {
            build.layout().cables().forEach(c -> bodies.layWires(build, c, somewhere, loose));
        }
        return bodies;
    }

    /** Wires that are laid weigh where they lie, not in the middle. */
    private void layWires(Build build, Laid laid, Vec somewhere, int loose) {
        Optional<Rung> rung = laid.bends().isEmpty() ? Optional.empty() : build.rung(laid.what());
        if (rung.isPresent() && rung.get().stage() instanceof Rung.Wire wire) {
            Laid.Bend middle = laid.middle().orElseThrow();
            int tray = build.shell(middle.shell()).map(this::index).orElse(LOOSE);
            double g = Copper.pairMassG(wire.awg(), wire.lengthMm());
            if (tray != LOOSE) {
                masses.set(loose, masses.get(loose).and(new Mass(-g, somewhere)));
                masses.set(tray, masses.get(tray).and(new Mass(g, middle.at())));
            }
        }
    }

    private int index(Shell shell) {
        for (int i = 0; i < trays.size(); i++) {
            if (trays.get(i).id().equals(shell.id())) {
                return i;
            }
        }
        return LOOSE;
    }

    private Mass together(int tray) {
        List<Mass> all = new ArrayList<>(weights.size());
        for (Weight w : weights) {
            if (w.tray == tray) {
                all.add(new Mass(w.g, w.at));
            }
        }
        return Mass.together(all);
    }

    private static Weight weight(Input massG, Vec at, int tray) {
        return new Weight(massG, massG.figure().value(), massG.figure().sigma(), at, tray, List.of());
    }

    private Weight weight(Build build, Weights.OfPart known, Vec somewhere, int loose) {
        Input mass = known.massG();
        Optional<Placement> placement = build.placement(known.part().id());
        Optional<Shell> shell = placement.flatMap(p -> build.shell(p.shell()));
        if (shell.isEmpty()) {
            Optional<Laid.Bend> middle = known.part().isLed()
                    ? build.layout().laid(known.part().id()).flatMap(Laid::middle)
                    : Optional.empty();
            int tray =
                    middle.flatMap(m -> build.shell(m.shell())).map(this::index).orElse(LOOSE);
            return tray == LOOSE
                    ? weight(mass, somewhere, loose)
                    : weight(mass, middle.orElseThrow().at(), tray);
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
        return new Weight(mass, mass.figure().value(), mass.figure().sigma(), centre, index(shell.get()), sizes);
    }

    private Weight weight(Weights.OfShell known) {
        List<Elsewhere> others = new ArrayList<>(known.others().size());
        for (Weights.Off other : known.others()) {
            others.add(new Elsewhere(other.input(), other.at(), other.moreG()));
        }
        Shell shell = known.shell();
        return new Weight(shell.input("wallMm", shell.wallMm()), known.g(), 0, known.at(), index(shell), others);
    }

    /** The whole machine in a posture, in the frame of the tray that stands. */
    Mass centre(Posture posture) {
        return Mass.together(posed(poses(posture)));
    }

    /** What a joint carries in a posture, itself and all that hangs on it; and all the rest. */
    record Parted(Mass carried, Mass rest) {}

    Parted parted(Joint joint, Posture posture) {
        List<Mass> all = posed(poses(posture));
        List<Mass> carried = new ArrayList<>();
        List<Mass> rest = new ArrayList<>();
        for (int i = 0; i < trays.size(); i++) {
            boolean hangs = casing.path(trays.get(i).id()).contains(joint);
            (hangs ? carried : rest).add(all.get(i));
        }
        return new Parted(Mass.together(carried), Mass.together(rest));
    }

    private List<Pose> poses(Posture posture) {
        return known.computeIfAbsent(posture, this::worked);
    }

    private List<Pose> worked(Posture posture) {
        List<Pose> poses = new ArrayList<>(trays.size());
        for (Shell tray : trays) {
            poses.add(casing.pose(tray.id(), posture));
        }
        return poses;
    }

    private List<Mass> posed(List<Pose> poses) {
        List<Mass> posed = new ArrayList<>(poses.size());
        for (int i = 0; i < poses.size(); i++) {
            posed.add(masses.get(i).posed(poses.get(i)));
        }
        return posed;
    }

    /**
     * The range of the tip margin in a posture: each weight and where it is are moved in turn, and the centre follows without adding all up
     * again.
     *
     * @param others what it stands on with each measure of the base off by a standard deviation
     */
    Spread marginRange(Support support, Map<Input, Support> others, Posture posture) {
        List<Pose> poses = poses(posture);
        List<Mass> posed = posed(poses);
        List<Mass> rest = new ArrayList<>(posed.size());
        for (int i = 0; i < posed.size(); i++) {
            List<Mass> without = new ArrayList<>(posed);
            without.remove(i);
            rest.add(Mass.together(without));
        }
        Vec centre = Mass.together(posed).at();
        double nominal = support.marginDeg(centre);
        Inputs inputs = new Inputs();
        Inputs.Effects effects = inputs.new Effects();
        others.forEach((input, other) -> effects.add(input, other.marginDeg(centre) - nominal));
        for (Weight w : weights) {
            if (w.tray == LOOSE) {
                continue;
            }
            Mass body = masses.get(w.tray);
            Pose pose = poses.get(w.tray);
            if (w.sigmaG != 0) {
                Mass changed = body.and(w.more()).posed(pose);
                effects.add(
                        w.input, support.marginDeg(rest.get(w.tray).and(changed).at()) - nominal);
            }
            for (Elsewhere e : w.sizes) {
                Mass changed = w.shifting(body, e).posed(pose);
                effects.add(
                        e.input, support.marginDeg(rest.get(w.tray).and(changed).at()) - nominal);
            }
        }
        return Spread.ofEffects(nominal, inputs, effects.byPlace());
    }
}
