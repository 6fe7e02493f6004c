package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * A flat side of a solid.
 *
 * @param corners in order
 * @param outward which way it looks, of length one
 * @param edge whether it begins a side of its own: the many narrow sides of what is round do not, and have no lines between them
 */
public record Side(List<Vec> corners, Vec outward, boolean edge) {

    /** Sides of what is round. */
    private static final int ROUND = 32;
    /** An outline that turns by less goes on round. */
    private static final double ROUND_DEG = 20;

    /** Copies the list. */
    public Side {
        corners = List.copyOf(corners);
    }

    /** The sides of a solid, in a frame that has it posed so. */
    public static List<Side> of(Solid solid, Pose pose) {
        List<Side> all = new ArrayList<>();
        switch (solid) {
            case Box box -> box(box, pose, all);
            case Cylinder round -> {
                List<Flat> outline = new ArrayList<>(ROUND);
                Box box = round.box();
                int across = round.along().across().ordinal();
                int up = round.along().up().ordinal();
                for (int i = 0; i < ROUND; i++) {
                    double angle = 2 * Math.PI * i / ROUND;
                    outline.add(new Flat(
                            box.centre().along(across) + box.size(across) / 2 * Math.cos(angle),
                            box.centre().along(up) + box.size(up) / 2 * Math.sin(angle)));
                }
                int along = round.along().ordinal();
                prism(round.along(), outline, box.low(along), box.high(along), false, pose, all);
            }
            case Prism prism ->
                prism(
                        prism.along(),
                        prism.outline(),
                        prism.fromMm(),
                        prism.fromMm() + prism.thickMm(),
                        true,
                        pose,
                        all);
        }
        return all;
    }

    private static void box(Box box, Pose pose, List<Side> all) {
        for (Face face : Face.ALL) {
            all.add(of(box, face).posed(pose));
        }
    }

    /** One side of a box, anticlockwise as seen from outside. */
    public static Side of(Box box, Face face) {
        int u = (face.axis() + 1) % 3;
        int v = (face.axis() + 2) % 3;
        Vec from =
                Vec.on(face.axis(), box.end(face)).plus(Vec.on(u, box.low(u))).plus(Vec.on(v, box.low(v)));
        Vec du = Vec.on(u, box.size(u));
        Vec dv = Vec.on(v, box.size(v));
        Vec second = face.sign() > 0 ? du : dv;
        Vec last = face.sign() > 0 ? dv : du;
        return new Side(
                List.of(from, from.plus(second), from.plus(du).plus(dv), from.plus(last)),
                Vec.on(face.axis(), face.sign()),
                true);
    }

    private static void prism(
            Axis along, List<Flat> outline, double low, double high, boolean edges, Pose pose, List<Side> all) {
        List<Vec> below = new ArrayList<>(outline.size());
        List<Vec> above = new ArrayList<>(outline.size());
        for (Flat corner : outline) {
            below.add(Prism.at(along, corner, low));
            above.add(Prism.at(along, corner, high));
        }
        Vec way = Vec.on(along.ordinal(), 1);
        all.add(new Side(below, way.times(-1), true).posed(pose));
        all.add(new Side(above, way, true).posed(pose));
        double turn = Outlines.signedArea(outline) > 0 ? 1 : -1;
        for (int i = 0; i < outline.size(); i++) {
            int next = (i + 1) % outline.size();
            Vec side = below.get(next).minus(below.get(i));
            // The plane across y is left-handed: x before z.
            Vec out = side.cross(way).times(along == Axis.Y ? -turn : turn);
            if (out.length() > 0) {
                boolean edge = edges && !isRound(outline, i);
                List<Vec> corners = List.of(below.get(i), below.get(next), above.get(next), above.get(i));
                all.add(new Side(corners, out.times(1 / out.length()), edge).posed(pose));
            }
        }
    }

    /** Whether an outline hardly turns where a side of it begins or ends: it is one of many that make something round. */
    private static boolean isRound(List<Flat> outline, int side) {
        int n = outline.size();
        return turnDeg(outline, (side + n - 1) % n) < ROUND_DEG || turnDeg(outline, side) < ROUND_DEG;
    }

    /** By how much an outline turns at the end of a side. */
    private static double turnDeg(List<Flat> outline, int side) {
        int n = outline.size();
        Flat a = outline.get(side);
        Flat b = outline.get((side + 1) % n);
        Flat c = outline.get((side + 2) % n);
        double before = Math.atan2(b.up() - a.up(), b.across() - a.across());
        double after = Math.atan2(c.up() - b.up(), c.across() - b.across());
        return Math.abs(Math.toDegrees(Math.IEEEremainder(after - before, 2 * Math.PI)));
    }

    /** The same in another frame. */
    public Side posed(Pose pose) {
        return new Side(corners.stream().map(pose::apply).toList(), pose.direction(outward), edge);
    }

    /** Whether it can be seen from there. */
    public boolean faces(Viewpoint from) {
        return outward.dot(from.toward()) > 1e-9;
    }
}
