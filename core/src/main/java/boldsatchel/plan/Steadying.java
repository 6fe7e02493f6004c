package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.stow.FreePlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/** What keeps a machine from tipping: a stop for what opens too far, a move, a weight in front; and hinges as stiff as they should be. */
public final class Steadying {

    /** Whether a machine stands as its brief wants. */
    public static final Predicate<Build> STANDS = build -> BalanceEngine.evaluate(build)
            .tipMarginDeg()
            .filter(m -> m.nominal() >= build.brief().limits().tipMarginDeg())
            .isPresent();

    /** A lid that opens less than this is of little use, degrees. */
    private static final double USEFUL_DEG = 60;
    /** Density of mild steel, g/mm³ (EN 1993-1-1). */
    private static final double STEEL = 7.85e-3;

    private static final double BAR_DEEP_MM = 12;
    private static final double BAR_WIDE = 0.45;
    private static final int MOST_TRIES = 8;

    /** Of the torque it bears a hinge is to hold that much, or as much less as does. */
    private static final double HOLDS = 1.25;

    private static final double HOLDS_LEAST = 0.1;
    private static final double HOLDS_STEP = 0.05;
    private static final double HEAVIER = 1.25;

    private Steadying() {}

    /** The widest angle of the joint that tips it at which the margin still is what is wanted; nothing where that is of little use. */
    public static Optional<Double> stopDeg(Build build, BalanceResult balance) {
        double wanted = build.brief().limits().tipMarginDeg();
        String joint = balance.worst().joint();
        double widest = 0;
        for (BalanceResult.Margin margin : balance.sweep()) {
            if (margin.joint().equals(joint)) {
                if (margin.marginDeg() < wanted) {
                    break;
                }
                widest = margin.amount();
            }
        }
        boolean hinge = build.casing().joint(joint).flatMap(Joint::hinge).isPresent();
        return hinge && widest >= USEFUL_DEG ? Optional.of(widest) : Optional.empty();
    }

    /** Gives the joint that tips it a stop there. */
    public static Edit stop() {
        return new Edit("stop the lid earlier", b -> {
            BalanceResult balance = BalanceEngine.evaluate(b);
            Optional<Joint> joint = b.casing().joint(balance.worst().joint());
            return stopDeg(b, balance)
                    .flatMap(stop -> joint.map(j -> b.with(b.casing().withJoint(stopped(j, stop)))))
                    .orElse(b);
        });
    }

    private static Joint stopped(Joint joint, double stop) {
        return joint.hinge()
                .map(h -> joint.with(new Joint.Hinged(h.axis(), stop, h.frictionNm(), h.detents())))
                .orElse(joint);
    }

    /** Friction of a hinge at which it neither sags nor lifts what it is on, N·m; nothing where there is none. */
    public static OptionalDouble friction(Build build, String hinge) {
        double torque = BalanceEngine.evaluate(build).joints().stream()
                .filter(j -> j.joint().equals(hinge))
                .mapToDouble(BalanceResult.OfJoint::torqueNm)
                .max()
                .orElse(0);
        for (double share = HOLDS; share > HOLDS_LEAST && torque > 0; share -= HOLDS_STEP) {
            double friction = Math.ceil(torque * share * 100) / 100;
            boolean holds = BalanceEngine.evaluate(
                            hinged(hinge, friction).change().apply(build))
                    .joints()
                    .stream()
                    .filter(j -> j.joint().equals(hinge))
                    .allMatch(j -> j.sags().isEmpty() && !j.lifts());
            if (holds) {
                return OptionalDouble.of(friction);
            }
        }
        return OptionalDouble.empty();
    }

    /** Takes hinges of another friction for a joint. */
    public static Edit hinged(String joint, double frictionNm) {
        return Edits.casing(
                "take other hinges",
                c -> c.joint(joint)
                        .map(j -> c.withJoint(j.withFriction(Figure.planned(frictionNm))))
                        .orElse(c));
    }

    /** A build with a bar of steel at the front of the tray that stands, as heavy as it takes where there is room for it; nothing where there is none. */
    public static Optional<Build> weighted(Build build) {
        return weighted(build, BalanceEngine.evaluate(build).counterweightG().orElse(0.0), STANDS);
    }

    /**
     * The same for something else that a weight in front is to mend.
     *
     * @param leastG where to begin
     * @param enough whether it is mended
     */
    public static Optional<Build> weighted(Build build, double leastG, Predicate<Build> enough) {
        Optional<Shell> base = build.casing().standing();
        double grams = leastG;
        for (int i = 0; i < MOST_TRIES && grams > 0 && base.isPresent(); i++) {
            Part bar = bar(build, base.get(), grams);
            Optional<Placement> place =
                    new FreePlace(build, base.get(), build.brief().limits().gapMm()).of(bar);
            if (place.isEmpty()) {
                return Optional.empty();
            }
            Build with = build.with(bar).with(place.get());
            if (enough.test(with)) {
                return Optional.of(with);
            }
            grams *= HEAVIER;
        }
        return Optional.empty();
    }

    /**
     * A part moved within its tray so that the machine stands.
     *
     * @param way it moves, as its tray is drawn
     */
    public record Shift(Part part, Face way, double mm) {
        /** In words. */
        public String words() {
            return "Move " + part.name() + " by " + Math.round(mm) + " mm to the " + way.words();
        }
    }

    /** Of all parts that could move alone the one for which least mass goes least far; nothing where none is enough. */
    public static Optional<Shift> shift(Build build) {
        return shift(build, STANDS);
    }

    /** The same for something else that a move is to mend. */
    public static Optional<Shift> shift(Build build, Predicate<Build> enough) {
        double gap = build.brief().limits().gapMm();
        FitResult now = FitEngine.evaluate(build);
        List<Placed> placed = now.placed();
        Optional<Shift> best = Optional.empty();
        double least = Double.POSITIVE_INFINITY;
        for (Placed p : placed) {
            for (Face way : List.of(Face.FRONT, Face.BACK, Face.LEFT, Face.RIGHT)) {
                double room = isFixed(p) ? 0 : Math.floor(room(p, way, placed, gap));
                double high = firstEnough(build, p, way, room, enough);
                if (Double.isNaN(high)) {
                    continue;
                }
                double effort = p.part().massG().value() * high;
                boolean fits = FreeMove.wrong(FitEngine.evaluate(shifted(build, p, way, high), build, now))
                        <= FreeMove.wrong(now);
                if (fits && effort < least) {
                    least = effort;
                    best = Optional.of(new Shift(p.part(), way, high));
                }
            }
        }
        return best;
    }

    /** Gone too far it would tip to the other side: the first place that is enough is looked for in steps, then to a millimetre. */
    private static double firstEnough(Build build, Placed p, Face way, double room, Predicate<Build> enough) {
        double before = 0;
        for (int step = 1; step <= MOST_TRIES && room >= 1; step++) {
            double at = Math.min(room, Math.ceil(room * step / MOST_TRIES));
            if (enough.test(shifted(build, p, way, at))) {
                double high = at;
                while (high - before > 1) {
                    double middle = Math.floor((before + high) / 2);
                    boolean mended = enough.test(shifted(build, p, way, middle));
                    high = mended ? middle : high;
                    before = mended ? before : middle;
                }
                return high;
            }
            before = at;
        }
        return Double.NaN;
    }

    private static boolean isFixed(Placed p) {
        return p.placement().locked() || p.part().body().ports().stream().anyMatch(o -> o.use() == Port.Use.OUTSIDE);
    }

    /** Moves a part as far. */
    public static Edit edit(Shift shift) {
        return Edits.move(shift.part(), at -> at.plus(way(shift.way(), shift.mm())));
    }

    private static Vec way(Face way, double mm) {
        return Vec.on(way.axis(), way.sign() * mm);
    }

    private static Build shifted(Build build, Placed p, Face way, double mm) {
        return build.with(build.layout().moved(p.id(), p.placement().at().plus(way(way, mm))));
    }

    /** How far a part is free to go: to a wall of its tray or to the next thing that is beside its way. */
    private static double room(Placed p, Face way, List<Placed> placed, double gap) {
        int axis = way.axis();
        double free = way.sign() * (p.shell().cavity().end(way) - p.bounds().end(way)) - gap;
        List<Box> others = new ArrayList<>();
        p.shell().solids().forEach(s -> others.add(s.bounds()));
        Placed.in(p.shell(), placed).stream()
                .filter(o -> !o.id().equals(p.id()))
                .forEach(o -> others.add(o.bounds()));
        for (Box other : others) {
            boolean beside = false;
            for (int a = 0; a < 3; a++) {
                beside |= a != axis && p.bounds().gapAlong(a, other) >= gap;
            }
            double ahead = way.sign() > 0
                    ? other.low(axis) - p.bounds().high(axis)
                    : p.bounds().low(axis) - other.high(axis);
            if (!beside && ahead > -gap) {
                free = Math.min(free, ahead - gap);
            }
        }
        return free;
    }

    private static Part bar(Build build, Shell base, double grams) {
        double rounded = Math.ceil(grams / 5) * 5;
        double wide = base.widthMm().value() * BAR_WIDE;
        double high = rounded / (STEEL * wide * BAR_DEEP_MM);
        return new Part(
                build.freeId("counterweight"),
                "Counterweight, steel bar, " + Math.round(rounded) + " g",
                Family.MECHANICS,
                "Cut from flat bar; weigh it.",
                Figure.guess(rounded),
                Figure.guess(0),
                Part.Standing.TO_BUY,
                Body.block(Figure.guess(wide), Figure.guess(BAR_DEEP_MM), Figure.guess(high)),
                List.of());
    }
}
