package boldsatchel.cables;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The way that something is led: out of one socket as far as its plug reaches, straight from bend to bend, and into the other. Wires of which
 * nobody says where they are joined begin where their part is nearest.
 *
 * @param lead what is led
 * @param knots its points, ends among them
 */
public record Way(Lead lead, List<Knot> knots) {

    /** Shorter than this is no leg, mm. */
    private static final double TINY_MM = 1e-6;
    /** Turned by less than this it is not bent. */
    private static final double STRAIGHT_DEG = 1;
    /** Of a corner between the flat side and the edge, the side that it is nearer to. */
    private static final double OVER_FLAT = Math.cos(Math.toRadians(45));

    /** What a point of a way is. */
    public enum Kind {
        /** The mouth of a socket, or where wires are joined to a part. */
        END,
        /** Where a plug ends; the bend there is in the room that a plug takes. */
        PLUG,
        /** A bend. */
        BEND
    }

    /**
     * A point of a way.
     *
     * @param shell id of the tray it is in
     * @param at in the frame of that tray
     */
    public record Knot(String shell, Vec at, Kind kind) {}

    /**
     * Where it is bent.
     *
     * @param knot index of the point
     * @param degrees from straight on
     * @param radiusMm the widest that the legs beside it have room for
     * @param fold whether something flat is turned sideways there, which it can only by being folded over itself
     */
    public record Corner(int knot, double degrees, double radiusMm, boolean fold) {}

    /** Copies the list. */
    public Way {
        knots = List.copyOf(knots);
    }

    /** The way of a lead between two parts where they lie; with its bends, or straight. */
    static Way of(Lead lead, Placed one, Placed other, List<Laid.Bend> bends) {
        List<Knot> middle = new ArrayList<>();
        bends.forEach(b -> middle.add(new Knot(b.shell(), b.at(), Kind.BEND)));
        List<Knot> knots = new ArrayList<>();
        Knot towards =
                middle.isEmpty() ? new Knot(other.shell().id(), other.bounds().centre(), Kind.BEND) : middle.getFirst();
        knots.addAll(ends(lead.one(), one, towards));
        knots.addAll(middle);
        knots.addAll(ends(lead.other(), other, knots.getLast()).reversed());
        return new Way(lead, knots);
    }

    /** From end to end straight when all is closed, plugs among it, mm: what it takes at least where a wire may go everywhere. */
    public static double straightMm(Lead lead, Placed one, Placed other, Casing casing) {
        return of(lead, one, other, List.of()).lengthMm(casing, Posture.CLOSED);
    }

    /** From the part outwards. */
    private static List<Knot> ends(Lead.End end, Placed part, Knot towards) {
        String shell = part.shell().id();
        if (end.port().isEmpty()) {
            Vec to =
                    towards.shell().equals(shell) ? towards.at() : part.bounds().centre();
            return List.of(new Knot(shell, nearest(part.bounds(), to), Kind.END));
        }
        Port port = end.port().get();
        Vec mouth = mouth(part, port);
        Vec out = outward(part, port);
        double room = plugMm(port);
        Knot first = new Knot(shell, mouth, Kind.END);
        return room > 0 ? List.of(first, new Knot(shell, mouth.plus(out.times(room)), Kind.PLUG)) : List.of(first);
    }

    /** How far a plug reaches out of a socket, mm. A lead leaves its part where it is fixed. Where nobody said how something is plugged in, the plug is taken for a short one. */
    private static double plugMm(Port port) {
        boolean straight = port.use() == Port.Use.INSIDE_STRAIGHT || port.use() == Port.Use.OUTSIDE;
        return port.plug() ? 0 : port.connector().roomMm(straight ? Port.Use.INSIDE_STRAIGHT : Port.Use.INSIDE_ANGLED);
    }

    /** Whether a point that is no bend is of the first end, not of the other. */
    public boolean isOfFirst(int knot) {
        boolean plugged = lead.one().port().filter(p -> plugMm(p) > 0).isPresent();
        return knot < (plugged ? 2 : 1);
    }

    private static Vec mouth(Placed part, Port port) {
        return part.placement().place(port.at(), part.part().body().bounds());
    }

    private static Vec outward(Placed part, Port port) {
        Face face = part.placement().orientation().turn(port.face());
        return Vec.on(face.axis(), face.sign());
    }

    /** Where a way begins when it goes from a part towards a point of its tray: at the end of the plug, or where the part is nearest. */
    public static Knot end(Lead.End end, Placed part, Vec to) {
        return ends(end, part, new Knot(part.shell().id(), to, Kind.BEND)).getLast();
    }

    /** The way along which a socket is wide, in the tray's frame. */
    static Vec across(Placed part, Port port) {
        return Vec.on(part.placement().orientation().axis(Opening.across(port.face())), 1);
    }

    private static Vec nearest(Box box, Vec to) {
        return new Vec(
                Math.clamp(to.x(), box.x(), box.high(0)),
                Math.clamp(to.y(), box.y(), box.high(1)),
                Math.clamp(to.z(), box.z(), box.high(2)));
    }

    /** Whether both ends of a leg are in one tray. */
    public boolean isInside(int leg) {
        return knots.get(leg).shell().equals(knots.get(leg + 1).shell());
    }

    /** Whether a leg is what a plug takes up. */
    public boolean isPlug(int leg) {
        Kind a = knots.get(leg).kind();
        Kind b = knots.get(leg + 1).kind();
        return (a == Kind.END && b == Kind.PLUG) || (a == Kind.PLUG && b == Kind.END);
    }

    int legs() {
        return knots.size() - 1;
    }

    /** Both ends of each leg that lies in a tray, plugs left out. */
    public List<Vec[]> legsIn(String shell) {
        List<Vec[]> legs = new ArrayList<>();
        for (int leg = 0; leg < legs(); leg++) {
            if (isInside(leg) && !isPlug(leg) && knots.get(leg).shell().equals(shell)) {
                legs.add(new Vec[] {knots.get(leg).at(), knots.get(leg + 1).at()});
            }
        }
        return legs;
    }

    /** Length of a leg in one tray, mm. */
    public double legMm(int leg) {
        return knots.get(leg + 1).at().minus(knots.get(leg).at()).length();
    }

    /** Whether it goes from tray to tray. */
    boolean crosses() {
        return knots.stream().map(Knot::shell).distinct().count() > 1;
    }

    /** Length from end to end with the joints set so, from corner to corner, mm. */
    double lengthMm(Casing casing, Posture posture) {
        double sum = 0;
        for (int leg = 0; leg < legs(); leg++) {
            Knot a = knots.get(leg);
            Knot b = knots.get(leg + 1);
            sum += isInside(leg)
                    ? legMm(leg)
                    : posed(casing, posture, b).minus(posed(casing, posture, a)).length();
        }
        return sum;
    }

    private static Vec posed(Casing casing, Posture posture, Knot knot) {
        Pose pose = casing.pose(knot.shell(), posture);
        return pose.apply(knot.at());
    }

    /**
     * Its corners inside trays. A leg between two corners is shared so that both have the same radius; of a leg that ends in a plug or at a
     * part the corner has all.
     */
    List<Corner> corners(Optional<Vec> across) {
        int n = knots.size();
        double[] tangents = new double[n];
        double[] degrees = new double[n];
        for (int i = 1; i < n - 1; i++) {
            if (isInside(i - 1) && isInside(i)) {
                degrees[i] = turn(i);
                tangents[i] = Math.tan(Math.toRadians(degrees[i]) / 2);
            }
        }
        List<Corner> corners = new ArrayList<>();
        Optional<Vec> wide = across;
        for (int i = 1; i < n - 1; i++) {
            if (degrees[i] < STRAIGHT_DEG) {
                continue;
            }
            Vec before = direction(i - 1);
            Vec after = direction(i);
            boolean fold = false;
            if (wide.isPresent()) {
                Vec axis = before.cross(after);
                double along = axis.length() < TINY_MM
                        ? 1
                        : Math.abs(axis.times(1 / axis.length()).dot(wide.get()));
                fold = along < OVER_FLAT;
                // Folded over itself it is as wide along where it came from as it was across it.
                wide = Optional.of(fold ? before : wide.get());
            }
            double radius = Math.min(share(i, i - 1, tangents), share(i, i + 1, tangents)) / tangents[i];
            corners.add(new Corner(i, degrees[i], radius, fold));
        }
        return corners;
    }

    /** The way along which it is wide on each leg of a flat one, from how it is at its first end. */
    List<Vec> wide(Vec across) {
        List<Vec> wide = new ArrayList<>();
        Vec now = across;
        List<Corner> corners = corners(Optional.of(across));
        for (int leg = 0; leg < legs(); leg++) {
            boolean folded = isFolded(corners, leg);
            now = folded ? direction(leg - 1) : now;
            wide.add(now);
        }
        return wide;
    }

    /**
     * Where one side of a flat one looks to on its last leg: a bend turns it with the way, a fold turns it over.
     *
     * @param across the way along which it is wide at its first end
     * @param side where that side looks to there
     */
    Vec carried(Vec across, Vec side) {
        List<Vec> wide = wide(across);
        List<Corner> corners = corners(Optional.of(across));
        Vec now = side;
        for (int leg = 1; leg < legs(); leg++) {
            boolean folded = isFolded(corners, leg);
            Vec flat = wide.get(leg).cross(direction(leg));
            Vec before = wide.get(leg - 1).cross(direction(leg - 1));
            double sign = folded ? -now.dot(flat) : now.dot(before);
            now = flat.times(sign < 0 ? -1 : 1);
        }
        return now;
    }

    private static boolean isFolded(List<Corner> corners, int knot) {
        return corners.stream().anyMatch(c -> c.knot() == knot && c.fold());
    }

    /** What a corner has of the leg to the point beside it. */
    private double share(int corner, int beside, double[] tangents) {
        double length = legMm(Math.min(corner, beside));
        boolean shared =
                knots.get(beside).kind() == Kind.BEND && knots.get(corner).kind() == Kind.BEND;
        return shared ? length * tangents[corner] / (tangents[corner] + tangents[beside]) : length;
    }

    /** The way of a leg, of length one; of one that is no way at all, nothing. */
    public Vec direction(int leg) {
        Vec way = knots.get(leg + 1).at().minus(knots.get(leg).at());
        double length = way.length();
        return length < TINY_MM ? Vec.ZERO : way.times(1 / length);
    }

    private double turn(int knot) {
        Vec before = direction(knot - 1);
        Vec after = direction(knot);
        if (before.equals(Vec.ZERO) || after.equals(Vec.ZERO)) {
            return 0;
        }
        return Math.toDegrees(Math.acos(Math.clamp(before.dot(after), -1, 1)));
    }

    /** Length that lies in a tray, mm; of a leg between two trays each has half. */
    double insideMm(String shell) {
        double sum = 0;
        for (int leg = 0; leg < legs(); leg++) {
            if (isInside(leg) && knots.get(leg).shell().equals(shell)) {
                sum += legMm(leg);
            }
        }
        return sum;
    }
}
