package boldsatchel.cables;

import boldsatchel.cables.CablesResult.Meeting;
import boldsatchel.fit.Obstacle;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * What a cable in a tray has to go round.
 *
 * @param shell the tray
 * @param closed whether something closes its top
 * @param things what is solid in it, in any posture
 */
record Obstacles(Shell shell, boolean closed, List<Obstacle> things) {

    /** A cable gives way by so much, mm. */
    private static final double GIVES_MM = 0.3;

    static Obstacles of(Casing casing, Shell shell, List<Placed> placed) {
        boolean joined = casing.joints().stream()
                .anyMatch(j -> j.on().equals(shell.id()) || j.carries().equals(shell.id()));
        return new Obstacles(shell, !shell.openTop() || joined, Obstacle.in(casing, shell, placed));
    }

    /**
     * Finds what a leg is in one place with: each thing once, the deepest.
     *
     * @param radius half of its thickness
     * @param side the way along which something flat is wide; of length zero for what is round
     */
    void meet(Way way, int leg, double radius, Vec side, List<Meeting> found) {
        Vec a = way.knots().get(leg).at();
        Vec b = way.knots().get(leg + 1).at();
        // A strip as thin as a line, to which half of its thickness is added all round.
        Vec half = side.times(Math.max(0, way.lead().girth().wideMm() / 2 - radius));
        Box bounds = Box.between(a, b);
        if (half.dot(half) > 0) {
            bounds = Box.between(a.plus(half), b.minus(half)).around(Box.between(a.minus(half), b.plus(half)));
        }
        double beyond = beyond(bounds) + radius;
        if (beyond > GIVES_MM) {
            found.add(new Meeting(leg, shell.id(), beyond, ""));
        }
        boolean square = isSquare(b.minus(a));
        List<Meeting> met = new ArrayList<>(0);
        for (Obstacle thing : things) {
            double boxes = bounds.signedDistance(thing.bounds());
            if (boxes > radius - GIVES_MM
                    || isOwnEnd(way, leg, thing.id())
                    || (!square && passes(a, b, half, radius, thing.bounds()))) {
                continue;
            }
            double depth = radius
                    - (square && thing.isBox()
                            ? boxes
                            : apart(
                                    Convex.of(List.of(a.plus(half), a.minus(half), b.plus(half), b.minus(half))),
                                    thing));
            if (depth > GIVES_MM) {
                boolean deeper = met.removeIf(m -> m.by().equals(thing.id()) && m.depthMm() < depth);
                if (deeper || met.stream().noneMatch(m -> m.by().equals(thing.id()))) {
                    met.add(new Meeting(leg, thing.id(), depth, thing.posture()));
                }
            }
        }
        found.addAll(met);
    }

    /** Whether a slanted leg is clear of a box that is larger by all that is added to the leg. */
    private static boolean passes(Vec a, Vec b, Vec half, double radius, Box box) {
        Vec more = new Vec(Math.abs(half.x()) + radius, Math.abs(half.y()) + radius, Math.abs(half.z()) + radius);
        double[] inside = Box.between(
                        box.lowCorner().minus(more), box.highCorner().plus(more))
                .crossed(a, b.minus(a));
        return inside.length == 0 || inside[0] > 1 || inside[1] < 0;
    }

    private static boolean isSquare(Vec way) {
        return (way.x() == 0 ? 0 : 1) + (way.y() == 0 ? 0 : 1) + (way.z() == 0 ? 0 : 1) <= 1;
    }

    private static double apart(Convex strip, Obstacle thing) {
        double least = Double.POSITIVE_INFINITY;
        for (Convex piece : thing.pieces()) {
            least = Math.min(least, Separation.between(strip, piece));
        }
        return least;
    }

    /** What begins at a part without a plug touches it. */
    private static boolean isOwnEnd(Way way, int leg, String id) {
        return (leg == 0 && way.lead().one().part().equals(id))
                || (leg == way.legs() - 1 && way.lead().other().part().equals(id));
    }

    private double beyond(Box bounds) {
        double beyond = Double.NEGATIVE_INFINITY;
        for (Face face : Face.ALL) {
            if (face != Face.TOP || closed) {
                beyond = Math.max(
                        beyond, face.sign() * (bounds.end(face) - shell.cavity().end(face)));
            }
        }
        return beyond;
    }
}
