package boldsatchel.fit;

import boldsatchel.engine.Lazy;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * What hits what on the way from each posture to the next. One joint moves after the other, in their order; what it carries moves as one body.
 *
 * <p>Most pairs can be told apart at once: on a hinge two bodies never meet whose distances from the axis, places along it or angles about it
 * do not overlap. The others are moved towards one another by as much as they are surely free to go — their distance over the speed of the
 * fastest point (conservative advancement: Mirtich, <i>Impulse-based Dynamic Simulation</i>, Berkeley 1996) — and by {@link #LEAST_STEP} of
 * the way at least, so that it comes to an end. Of a pair that meets the way is looked at in steps to its end for the deepest place. Costs a
 * comparison for each pair of pieces, and some tens of distances for each that comes near.
 */
final class Sweep {

    /** Degrees or mm of a smallest step; between two steps nothing deeper than what this moves is passed over. */
    static final double LEAST_STEP = 0.25;

    /** How exactly it is told where they meet, degrees or mm. */
    private static final double EXACT = 0.01;

    private static final double DEEPEST_STEP = 1;
    private static final double TOUCHING_MM = 1e-6;
    private static final double TOUCHING_DEG = 1e-6;
    /** Distances worked out for one pair of pieces at most. */
    private static final int MOST_STEPS = 4_000;

    private final Hung hung;
    private final Meetings meetings;
    private final Map<List<String>, FitResult.Hit> hits = new LinkedHashMap<>();
    private int steps;

    Sweep(Hung hung, Meetings meetings) {
        this.hung = hung;
        this.meetings = meetings;
    }

    /** Finds the first hit of each pair on each way. */
    void look() {
        List<Posture> looks = hung.casing().looks();
        for (int i = 1; i < looks.size(); i++) {
            way(looks.get(i - 1), looks.get(i));
        }
        hits.values().forEach(meetings::add);
    }

    private void way(Posture from, Posture to) {
        Posture now = from;
        for (Joint joint : hung.casing().joints()) {
            double start = from.amount(joint);
            double end = to.amount(joint);
            if (start != end) {
                new Move(from, to, now, joint, start, end).look();
                now = now.with(joint.id(), end);
            }
        }
    }

    /** One joint on its way, all others as they are. */
    private final class Move {
        private final Posture from;
        private final Posture to;
        private final Posture before;
        private final Joint joint;
        private final double start;
        private final double end;
        private final Pose outer;

        Move(Posture from, Posture to, Posture before, Joint joint, double start, double end) {
            this.from = from;
            this.to = to;
            this.before = before;
            this.joint = joint;
            this.start = start;
            this.end = end;
            this.outer = hung.casing().pose(joint.on(), before);
        }

        void look() {
            List<Hung.Tray> still = new ArrayList<>();
            List<Hung.Tray> moving = new ArrayList<>();
            for (Hung.Tray tray : hung.trays()) {
                (hung.casing().path(tray.id()).contains(joint) ? moving : still).add(tray);
            }
            List<Body> stays = bodies(still);
            List<Body> moves = bodies(moving);
            for (Body a : moves) {
                for (Body b : stays) {
                    if (meetings.isNew(a.thing.id(), b.thing.id())
                            && a.thing.concerns(b.thing, a.tray.isNested(b.tray))
                            && !a.thing.mayTouch(b.thing)) {
                        meet(a, b);
                    }
                }
                if (meetings.isNew(a.thing.id(), FitResult.TABLE)
                        && from.held() == Posture.Held.TABLE
                        && to.held() == Posture.Held.TABLE) {
                    table(a);
                }
            }
        }

        private List<Body> bodies(List<Hung.Tray> trays) {
            List<Body> bodies = new ArrayList<>();
            for (Hung.Tray tray : trays) {
                Pose pose = hung.pose(tray, before);
                for (Hung.Thing thing : tray.things()) {
                    bodies.add(new Body(tray, thing, Lazy.of(() -> pieces(thing, pose))));
                }
            }
            return bodies;
        }

        private List<Piece> pieces(Hung.Thing thing, Pose pose) {
            List<Piece> pieces = new ArrayList<>();
            for (Solid solid : thing.solids()) {
                for (Convex piece : solid.pieces()) {
                    pieces.add(piece(piece.posed(pose)));
                }
            }
            return pieces;
        }

        private Piece piece(Convex convex) {
            return new Piece(
                    convex,
                    convex.bounds(),
                    joint.hinge().map(h -> About.of(convex, outer.apply(joint.at()), outer.direction(h.axis()))));
        }

        private void meet(Body a, Body b) {
            for (Piece x : a.pieces.get()) {
                for (Piece y : b.pieces.get()) {
                    if (mayMeet(x, y)) {
                        advance(a, b.thing.id(), t -> Separation.between(moved(x, t), y.convex), speed(x));
                    }
                }
            }
        }

        /** On its way over the table. */
        private void table(Body a) {
            double tableZ = hung.casing().tableZ();
            for (Piece x : a.pieces.get()) {
                double reach = x.about.map(About::most).orElse(Double.POSITIVE_INFINITY);
                double middle = outer.apply(joint.at()).z();
                if (x.about.isEmpty() ? slideBelow(x, tableZ) : middle - reach < tableZ) {
                    advance(a, FitResult.TABLE, t -> moved(x, t).bounds().z() - tableZ, speed(x));
                }
            }
        }

        private boolean slideBelow(Piece x, double tableZ) {
            return x.bounds.z() + Math.min(0, travel(end).z() - travel(start).z()) < tableZ;
        }

        /** How far a point of the piece moves for one degree or mm at most. */
        private double speed(Piece x) {
            return x.about.map(a -> Math.toRadians(a.most())).orElse(1.0);
        }

        private Vec travel(double amount) {
            return outer.direction(joint.way().move(joint.at(), amount).apply(Vec.ZERO));
        }

        /** A piece as it is at the start, moved on. */
        private Convex moved(Piece x, double amount) {
            Pose on = joint.hinge()
                    .map(h -> Pose.about(outer.apply(joint.at()), outer.direction(h.axis()), amount - start))
                    .orElseGet(() -> Pose.moved(travel(amount).minus(travel(start))));
            return x.convex.posed(on);
        }

        private boolean mayMeet(Piece x, Piece y) {
            if (x.about.isPresent() && y.about.isPresent()) {
                return x.about.get().mayMeet(y.about.get(), Math.min(0, end - start), Math.max(0, end - start));
            }
            Vec by = travel(end).minus(travel(start));
            return x.bounds.around(x.bounds.moved(by)).signedDistance(y.bounds) < 0;
        }

        private void advance(Body a, String other, DoubleUnaryOperator distance, double speed) {
            double sign = Math.signum(end - start);
            double length = Math.abs(end - start);
            double at = 0;
            steps = 0;
            double mm = distance.applyAsDouble(start);
            boolean inAlready = mm < -FitEngine.CONTACT_MM;
            while (at < length && steps++ < MOST_STEPS) {
                at = Math.min(length, at + Math.max(LEAST_STEP, speed > 0 ? mm / speed : length));
                mm = distance.applyAsDouble(start + sign * at);
                if (mm < -FitEngine.CONTACT_MM && !inAlready) {
                    double meets =
                            meets(t -> distance.applyAsDouble(start + sign * t), Math.max(0, at - LEAST_STEP), at);
                    found(a.thing.id(), other, start + sign * meets, deepest(distance, sign, at, length));
                    return;
                }
                inAlready &= mm < -FitEngine.CONTACT_MM;
            }
        }

        /** Where between a place that is free and one that is not they come into one another, by halves. */
        private double meets(DoubleUnaryOperator distance, double free, double in) {
            double low = free;
            double high = in;
            while (high - low > EXACT && steps++ < MOST_STEPS) {
                double middle = (low + high) / 2;
                if (distance.applyAsDouble(middle) < -FitEngine.CONTACT_MM) {
                    high = middle;
                } else {
                    low = middle;
                }
            }
            return high;
        }

        private double deepest(DoubleUnaryOperator distance, double sign, double from, double length) {
            double deepest = 0;
            for (double at = from; at <= length && steps++ < MOST_STEPS; at += DEEPEST_STEP) {
                deepest = Math.max(deepest, -distance.applyAsDouble(start + sign * at));
            }
            return deepest;
        }

        /** Of several pieces of one pair, the first hit counts, and the deepest depth. */
        private void found(String a, String b, double amount, double depth) {
            FitResult.Hit hit = new FitResult.Hit(a, b, from.name(), to.name(), joint.id(), amount, depth);
            hits.merge(List.of(a, b, from.name(), to.name(), joint.id()), hit, (known, other) -> {
                boolean sooner = Math.abs(other.amount() - start) < Math.abs(known.amount() - start);
                return new FitResult.Hit(
                        a,
                        b,
                        from.name(),
                        to.name(),
                        joint.id(),
                        sooner ? other.amount() : known.amount(),
                        Math.max(known.depthMm(), other.depthMm()));
            });
        }
    }

    /** Something that moves or stays; its pieces are worked out when it comes to be looked at. */
    private record Body(Hung.Tray tray, Hung.Thing thing, Lazy<List<Piece>> pieces) {}

    /** A convex piece where it is before a joint moves. */
    private record Piece(Convex convex, Box bounds, Optional<About> about) {}

    /**
     * How a piece lies about an axis.
     *
     * @param low along the axis
     * @param high along the axis
     * @param least a distance from the axis that all of it keeps
     * @param most the distance of what is furthest
     * @param from angle about the axis where it begins, degrees
     * @param to angle where it ends; a whole turn on where the axis may go through it
     */
    private record About(double low, double high, double least, double most, double from, double to) {

        static About of(Convex convex, Vec through, Vec axis) {
            Vec along = axis.times(1 / axis.length());
            Vec across = along.cross(Math.abs(along.x()) < 0.9 ? new Vec(1, 0, 0) : new Vec(0, 1, 0));
            across = across.times(1 / across.length());
            Vec up = along.cross(across);
            List<Vec> corners = convex.hull();
            double low = Double.POSITIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            double most = 0;
            double u = 0;
            double v = 0;
            for (Vec corner : corners) {
                Vec from = corner.minus(through);
                low = Math.min(low, from.dot(along));
                high = Math.max(high, from.dot(along));
                u += from.dot(across);
                v += from.dot(up);
                most = Math.max(most, away(from.dot(across), from.dot(up)));
            }
            double middle = Math.atan2(v, u);
            double cos = Math.cos(middle);
            double sin = Math.sin(middle);
            double least = Double.POSITIVE_INFINITY;
            double left = 0;
            double right = 0;
            for (Vec corner : corners) {
                Vec from = corner.minus(through);
                double x = from.dot(across);
                double y = from.dot(up);
                if (away(x, y) < TOUCHING_MM) {
                    least = Math.min(least, 0);
                    continue;
                }
                double ahead = x * cos + y * sin;
                least = Math.min(least, ahead);
                double angle = Math.atan2(y * cos - x * sin, ahead);
                left = Math.min(left, angle);
                right = Math.max(right, angle);
            }
            // What only touches the axis lies in a wedge from it.
            return least > -TOUCHING_MM
                    ? new About(
                            low,
                            high,
                            Math.max(0, least),
                            most,
                            Math.toDegrees(middle + left),
                            Math.toDegrees(middle + right))
                    : new About(low, high, 0, most, 0, 360);
        }

        private static double away(double x, double y) {
            return Math.sqrt(x * x + y * y);
        }

        /** Whether it may come to another that stays, turned from one angle to another. */
        boolean mayMeet(About still, double least, double greatest) {
            boolean apart = low >= still.high || high <= still.low || this.least >= still.most || most <= still.least;
            return !apart && overlaps(from + least, to + greatest, still.from, still.to);
        }

        /** Whether two ranges of angles share one, round about. */
        private static boolean overlaps(double from, double to, double from2, double to2) {
            double turn = 360 * Math.ceil((from - to2 + TOUCHING_DEG) / 360);
            return to - from >= 360 || to2 - from2 >= 360 || from2 + turn < to - TOUCHING_DEG;
        }
    }
}
