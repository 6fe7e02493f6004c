package boldsatchel.balance;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
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
    static final double GRAVITY = 9.80665;

    private static final double SWEEP_STEP_DEG = 5;

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
                0,
                List.of(),
                Optional.empty(),
                0,
                false,
                false,
                Optional.empty());
    }

    /** Evaluates a build. */
    public static BalanceResult evaluate(Build build) {
        return evaluate(build, WeightsEngine.evaluate(build), FootingEngine.evaluate(build.casing()));
    }

    private static BalanceResult evaluate(Build build, Weights weights, Footing footing) {
        Bodies bodies = Bodies.of(build, weights);
        Optional<Shell> base = build.casing().standing();
        Optional<Hinge> hinge = build.casing().hinge();
        List<BalanceResult.Margin> sweep = new ArrayList<>();
        Optional<Support> support = footing.support();
        support.ifPresent(s -> sweep.addAll(sweep(bodies, s, hinge)));
        double worst = sweep.stream()
                .min(Comparator.comparingDouble(BalanceResult.Margin::marginDeg))
                .map(BalanceResult.Margin::angleDeg)
                .orElse(0.0);
        double use = hinge.map(Hinge::useAngleDeg).orElse(0.0);
        Vec centre = bodies.centre(hinge, use).at();
        Optional<Spread> margin = support.map(s -> bodies.marginRange(s, footing.others(), hinge, worst));
        double torque = hinge.map(h -> lidTorque(bodies, h)).orElse(0.0);
        double friction = hinge.map(h -> h.frictionNm().value()).orElse(0.0);
        return new BalanceResult(
                weights.massG(),
                weights.items(),
                centre,
                support.map(Support::corners).orElse(List.of()),
                margin,
                worst,
                List.copyOf(sweep),
                hinge.flatMap(h -> support.map(s -> push(build, bodies, s, h))),
                torque,
                hinge.isEmpty() || friction >= torqueAt(bodies, hinge.get(), use),
                hinge.isPresent() && friction > baseMoment(bodies, hinge.get()),
                support.flatMap(s -> counterweight(build, bodies, s, base.orElseThrow(), hinge, sweep)));
    }

    private static List<BalanceResult.Margin> sweep(Bodies bodies, Support support, Optional<Hinge> hinge) {
        List<BalanceResult.Margin> sweep = new ArrayList<>();
        double most = hinge.map(Hinge::maxAngleDeg).orElse(0.0);
        for (double angle = 0; angle < most; angle += SWEEP_STEP_DEG) {
            sweep.add(margin(bodies, support, hinge, angle));
        }
        sweep.add(margin(bodies, support, hinge, most));
        return sweep;
    }

    private static BalanceResult.Margin margin(Bodies bodies, Support support, Optional<Hinge> hinge, double angle) {
        return new BalanceResult.Margin(
                angle, support.marginDeg(bodies.centre(hinge, angle).at()));
    }

    /** Horizontal force at the lid's far edge that lifts the front: moments about the back edge of the support. */
    private static double push(Build build, Bodies bodies, Support support, Hinge hinge) {
        Mass all = bodies.centre(Optional.of(hinge), hinge.useAngleDeg());
        double far = build.shell(hinge.lidShell()).map(s -> s.outside().high(1)).orElse(0.0);
        double height = hinge.toBase(new Vec(0, far, hinge.lidAxisZMm()), hinge.useAngleDeg())
                        .z()
                - support.tableZ();
        double distance = support.backY() - all.at().y();
        return height <= 0 ? Double.POSITIVE_INFINITY : all.g() * 1e-3 * GRAVITY * distance / height;
    }

    /** Torque of the lid about the hinge at an angle, N·m; positive where it wants to fall either way. */
    private static double torqueAt(Bodies bodies, Hinge hinge, double angleDeg) {
        Vec centre = hinge.toBase(bodies.lid().at(), angleDeg);
        return bodies.lid().g() * 1e-3 * GRAVITY * Math.abs(centre.y() - hinge.axisYMm()) * 1e-3;
    }

    private static double lidTorque(Bodies bodies, Hinge hinge) {
        double y = bodies.lid().at().y() - hinge.lidAxisYMm();
        double z = bodies.lid().at().z() - hinge.lidAxisZMm();
        return bodies.lid().g() * 1e-3 * GRAVITY * Math.hypot(y, z) * 1e-3;
    }

    private static double baseMoment(Bodies bodies, Hinge hinge) {
        return bodies.base().g()
                * 1e-3
                * GRAVITY
                * (hinge.axisYMm() - bodies.base().at().y())
                * 1e-3;
    }

    /** The most that any lid angle needs; nothing when a weight in front mends none of them. */
    private static Optional<Double> counterweight(
            Build build,
            Bodies bodies,
            Support support,
            Shell base,
            Optional<Hinge> hinge,
            List<BalanceResult.Margin> sweep) {
        double wanted = build.brief().limits().tipMarginDeg();
        double most = 0;
        for (BalanceResult.Margin margin : sweep) {
            if (margin.marginDeg() < wanted) {
                double mass = counterweight(bodies.centre(hinge, margin.angleDeg()), support, base, wanted);
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
    private static double counterweight(Mass all, Support support, Shell base, double wantedDeg) {
        double tangent = Math.tan(Math.toRadians(wantedDeg));
        double d = support.backY() - all.at().y();
        double h = all.at().z() - support.tableZ();
        double dc = support.backY() - 10;
        double hc = base.floor().value() + 5;
        double lever = dc - hc * tangent;
        return lever <= 0 ? -1 : all.g() * (h * tangent - d) / lever;
    }
}
