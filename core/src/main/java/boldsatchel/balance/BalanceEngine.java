package boldsatchel.balance;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Balance: mass, centre of mass, whether it stands. Statics of rigid bodies: a machine tips over an edge of its support polygon
 * when its weight's line leaves it, so the margin is the angle at that edge between the vertical and the centre of mass.
 */
public final class BalanceEngine implements Engine<BalanceResult> {

    /** Standard acceleration of gravity, m/s² (3rd CGPM, 1901). */
    public static final double GRAVITY = 9.80665;

    /** Degrees or mm between two amounts that are looked at. */
    private static final double SWEEP_STEP = 5;

    private static final int SWEEP_STEPS = 72;
    /** A hinge this near to a detent is in it. */
    private static final double DETENT_DEG = 2;

    /** An engine; all are alike. */
    public BalanceEngine() {}

    @Override
    public String about() {
        return "mass and balance";
    }

    @Override
    public Class<BalanceResult> result() {
        return BalanceResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public Set<Class<?>> needs() {
        return Set.of(Weights.class, Footing.class);
    }

    @Override
    public BalanceResult work(Build build, Results results) {
        return evaluate(build, results.of(Weights.class), results.of(Footing.class));
    }

    @Override
    public BalanceResult nothing() {
        return new BalanceResult(
                Spread.exact(Double.NaN),
                List.of(),
                new Vec(0, 0, 0),
                List.of(),
                Optional.empty(),
                BalanceResult.Margin.NONE,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty());
    }

    /** Evaluates a build. */
    public static BalanceResult evaluate(Build build) {
        return evaluate(build, WeightsEngine.evaluate(build), FootingEngine.evaluate(build.casing()));
    }

    private static BalanceResult evaluate(Build build, Weights weights, Footing footing) {
        return new Asked(build, Bodies.of(build, weights), footing).answered(weights);
    }

    /** What is asked of one build. */
    private record Asked(Build build, Casing casing, Bodies bodies, Footing footing, Optional<Support> support) {

        Asked(Build build, Bodies bodies, Footing footing) {
            this(build, build.casing(), bodies, footing, footing.support());
        }

        BalanceResult answered(Weights weights) {
            List<BalanceResult.InPosture> postures = new ArrayList<>();
            for (Posture posture : casing.looks()) {
                postures.add(inPosture(posture));
            }
            List<Stance> sweep = sweep();
            List<Stance> all = new ArrayList<>(sweep);
            for (BalanceResult.InPosture p : postures) {
                if (!Double.isNaN(p.marginDeg())) {
                    BalanceResult.Margin margin = new BalanceResult.Margin(p.posture(), "", 0, p.marginDeg());
                    all.add(new Stance(margin, new Mass(p.massG(), p.centre())));
                }
            }
            Optional<BalanceResult.Margin> worst =
                    all.stream().map(Stance::margin).min(Comparator.comparingDouble(BalanceResult.Margin::marginDeg));
            return new BalanceResult(
                    weights.massG(),
                    weights.items(),
                    bodies.centre(casing.inUse()).at(),
                    support.map(Support::corners).orElse(List.of()),
                    worst.map(w -> bodies.marginRange(support.orElseThrow(), footing.others(), w.whole())),
                    worst.orElse(BalanceResult.Margin.NONE),
                    sweep.stream().map(Stance::margin).toList(),
                    List.copyOf(postures),
                    joints(),
                    worst.flatMap(w -> counterweight(all)));
        }

        private BalanceResult.InPosture inPosture(Posture posture) {
            Mass all = bodies.centre(posture);
            boolean stands = posture.held().stands() && support.isPresent();
            return new BalanceResult.InPosture(
                    posture,
                    all.g(),
                    all.at(),
                    stands ? support.get().marginDeg(all.at()) : Double.NaN,
                    stands ? push(posture, all) : Optional.empty());
        }

        /** A way to stand, and the mass that stands so. */
        private record Stance(BalanceResult.Margin margin, Mass all) {}

        private List<Stance> sweep() {
            Posture used = casing.inUse();
            if (support.isEmpty() || !used.held().stands()) {
                return List.of();
            }
            List<Stance> sweep = new ArrayList<>();
            for (Joint joint : casing.joints()) {
                double most = joint.way().most();
                if (most == 0) {
                    continue;
                }
                // What it carries moves as one body: only that body's centre has to be followed.
                Bodies.Parted closed = bodies.parted(joint, used.with(joint.id(), 0));
                Pose outer = casing.pose(joint.on(), used);
                Vec centre = outer.back().apply(closed.carried().at());
                double step = Math.max(SWEEP_STEP, most / SWEEP_STEPS);
                for (double amount = 0; amount < most + step; amount += step) {
                    double at = Math.min(most, amount);
                    Vec carried = outer.apply(joint.way().move(joint.at(), at).apply(centre));
                    Mass all = closed.rest().and(new Mass(closed.carried().g(), carried));
                    double margin = support.get().marginDeg(all.at());
                    sweep.add(new Stance(new BalanceResult.Margin(used, joint.id(), at, margin), all));
                }
            }
            return sweep;
        }

        /** Horizontal force at the highest edge of what carries a screen that lifts the front: moments about the back edge of the support. */
        private Optional<Double> push(Posture posture, Mass all) {
            Support on = support.orElseThrow();
            double height = Double.NEGATIVE_INFINITY;
            for (Joint joint : casing.joints()) {
                Optional<Shell> carried = casing.shell(joint.carries());
                if (carried.isPresent() && posture.amount(joint) > 0 && hasScreen(carried.get())) {
                    Box out = casing.pose(joint.carries(), posture)
                            .around(carried.get().outside());
                    height = Math.max(height, out.high(2) - on.tableZ());
                }
            }
            double distance = on.backY() - all.at().y();
            return height > 0 ? Optional.of(all.g() * 1e-3 * GRAVITY * distance / height) : Optional.empty();
        }

        /** Whether a screen is in a tray; of a case without any screen every tray may have one. */
        private boolean hasScreen(Shell shell) {
            boolean any = false;
            for (Part part : build.parts().list()) {
                if (part.facet(Facet.ShowsPicture.class).isPresent()) {
                    Optional<String> in = build.placement(part.id()).map(Placement::shell);
                    any |= in.isPresent();
                    if (in.filter(shell.id()::equals).isPresent()) {
                        return true;
                    }
                }
            }
            return !any;
        }

        private List<BalanceResult.OfJoint> joints() {
            List<BalanceResult.OfJoint> all = new ArrayList<>();
            for (Joint joint : casing.joints()) {
                joint.hinge().ifPresent(h -> all.add(hinge(joint, h)));
            }
            return List.copyOf(all);
        }

        private BalanceResult.OfJoint hinge(Joint joint, Joint.Hinged hinge) {
            List<String> sags = new ArrayList<>();
            for (Posture posture : casing.looks()) {
                double amount = posture.amount(joint);
                boolean free = amount > 0 && amount < hinge.opensDeg();
                if (free
                        && posture.held() != Posture.Held.STOWED
                        && holds(hinge, amount) < about(joint, hinge, posture)) {
                    sags.add(posture.name());
                }
            }
            Posture closed = casing.inUse().with(joint.id(), 0);
            Bodies.Parted parted = bodies.parted(joint, closed);
            Vec rest = lever(joint, closed, parted.rest());
            Vec axis = axis(joint, hinge, closed);
            double resists = -axis.dot(rest.cross(weight(parted.rest())));
            double torque = weight(parted.carried()).length() * across(axis, lever(joint, closed, parted.carried()));
            boolean lifts = casing.inUse().held().stands() && hinge.frictionNm().value() > resists;
            return new BalanceResult.OfJoint(
                    joint.id(), torque * Math.hypot(axis.x(), axis.y()), List.copyOf(sags), lifts);
        }

        /** Torque that a hinge holds at an angle, N·m: its friction, or what takes it out of the detent it is in. */
        private static double holds(Joint.Hinged hinge, double amount) {
            double most = hinge.frictionNm().value();
            for (Joint.Detent detent : hinge.detents()) {
                if (Math.abs(detent.atDeg() - amount) <= DETENT_DEG) {
                    most = Math.max(most, detent.holdsNm());
                }
            }
            return most;
        }

        /** Torque of what a hinge carries about its axis, N·m, either way. */
        private double about(Joint joint, Joint.Hinged hinge, Posture posture) {
            Mass carried = bodies.parted(joint, posture).carried();
            return Math.abs(axis(joint, hinge, posture)
                    .dot(lever(joint, posture, carried).cross(weight(carried))));
        }

        private Vec axis(Joint joint, Joint.Hinged hinge, Posture posture) {
            Vec axis = casing.pose(joint.on(), posture).direction(hinge.axis());
            return axis.times(1 / axis.length());
        }

        /** From a point of the axis to a centre of mass, m. */
        private Vec lever(Joint joint, Posture posture, Mass mass) {
            return mass.at()
                    .minus(casing.pose(joint.on(), posture).apply(joint.at()))
                    .times(1e-3);
        }

        /** Distance of a point from the axis, m. */
        private static double across(Vec axis, Vec lever) {
            return lever.minus(axis.times(axis.dot(lever))).length();
        }

        /** Weight, N. */
        private static Vec weight(Mass mass) {
            return new Vec(0, 0, -mass.g() * 1e-3 * GRAVITY);
        }

        /** The most that any way to stand needs; nothing when a weight in front mends none of them. */
        private Optional<Double> counterweight(List<Stance> stances) {
            double wanted = build.brief().limits().tipMarginDeg();
            double most = 0;
            for (Stance stance : stances) {
                if (stance.margin().marginDeg() < wanted) {
                    double mass = counterweight(stance.all(), wanted);
                    if (mass <= 0) {
                        return Optional.empty();
                    }
                    most = Math.max(most, mass);
                }
            }
            return Optional.of(most);
        }

        /**
         * Moments about the back edge with a mass m added at the middle of the front edge of the floor: the margin is restored when M·d +
         * m·dc = (M·h + m·hc)·tan α. Only backward tipping is mended by a weight in front; the result is negative otherwise.
         */
        private double counterweight(Mass all, double wantedDeg) {
            Support on = support.orElseThrow();
            double tangent = Math.tan(Math.toRadians(wantedDeg));
            double d = on.backY() - all.at().y();
            double h = all.at().z() - on.tableZ();
            double dc = on.backY() - 10;
            double hc = casing.standing().orElseThrow().floor().value() + 5;
            double lever = dc - hc * tangent;
            return lever <= 0 ? -1 : all.g() * (h * tangent - d) / lever;
        }
    }
}
