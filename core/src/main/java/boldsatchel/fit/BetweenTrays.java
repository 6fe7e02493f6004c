package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What of different trays meets in the postures. Two trays are looked at once for each way they lie to one another: a posture that moves neither
 * of them to the other says nothing new.
 */
final class BetweenTrays {

    /** Room that must stay free when trays are closed on one another too; no finger is in it then, its air is the air inside, and its radio mostly off. */
    private static final Set<Zone.Kind> CLOSED = EnumSet.of(Zone.Kind.PLUG, Zone.Kind.SWELL, Zone.Kind.KEEPOUT);

    private final Hung hung;
    private final Meetings meetings;
    private final List<FitResult.Below> below = new ArrayList<>();

    BetweenTrays(Hung hung, Meetings meetings) {
        this.hung = hung;
        this.meetings = meetings;
    }

    List<FitResult.Below> below() {
        return below;
    }

    void look() {
        List<Hung.Tray> trays = hung.trays();
        for (int i = 0; i < trays.size(); i++) {
            for (int j = i + 1; j < trays.size(); j++) {
                Set<List<Double>> seen = new HashSet<>();
                for (Posture posture : hung.casing().looks()) {
                    if (seen.add(hung.between(trays.get(i), trays.get(j), posture))) {
                        look(trays.get(i), trays.get(j), posture);
                    }
                }
            }
        }
        for (Posture posture : hung.casing().looks()) {
            if (posture.held() == Posture.Held.TABLE) {
                trays.forEach(t -> table(t, posture));
            }
        }
    }

    private void table(Hung.Tray tray, Posture posture) {
        Pose pose = hung.pose(tray, posture);
        double tableZ = hung.tableZ();
        if (pose.around(tray.reach()).z() > tableZ - FitEngine.CONTACT_MM) {
            return;
        }
        for (Hung.Thing thing : tray.things()) {
            double lowest = Double.POSITIVE_INFINITY;
            for (Solid solid : thing.solids()) {
                for (var piece : solid.pieces()) {
                    lowest = Math.min(lowest, piece.posed(pose).bounds().z());
                }
            }
            boolean told = below.stream()
                    .anyMatch(b -> b.subject().equals(thing.id()) && b.posture().equals(posture.name()));
            if (tableZ - lowest > FitEngine.CONTACT_MM && !told) {
                below.add(new FitResult.Below(thing.id(), posture.name(), tableZ - lowest));
            }
        }
    }

    private void look(Hung.Tray a, Hung.Tray b, Posture posture) {
        Pose ofA = hung.pose(a, posture);
        Pose ofB = hung.pose(b, posture);
        Box reachA = ofA.around(a.reach());
        Box reachB = ofB.around(b.reach());
        if (reachA.signedDistance(reachB) > FitEngine.NEAR_MM) {
            return;
        }
        FitResult.Where where = new FitResult.Where(posture.name());
        boolean nested = hung.nested(a, b);
        List<Seen> ofOther = seen(b, ofB, reachA);
        for (Seen x : seen(a, ofA, reachB)) {
            for (Seen y : ofOther) {
                if (x.thing.concerns(y.thing, nested) && x.box.signedDistance(y.box) <= FitEngine.NEAR_MM) {
                    meet(x, y, where);
                }
            }
        }
        if (ofA.isSquare() && ofB.isSquare()) {
            rooms(a, ofA, b, ofB);
        }
    }

    /** Something where it is in a posture, and a box around it. */
    private record Seen(Hung.Thing thing, Pose pose, Box box) {
        Shape shape() {
            return Shape.of(thing.solids(), pose);
        }
    }

    private static List<Seen> seen(Hung.Tray tray, Pose pose, Box other) {
        List<Seen> seen = new ArrayList<>();
        for (Hung.Thing thing : tray.things()) {
            Box around = pose.around(thing.bounds());
            if (around.signedDistance(other) <= FitEngine.NEAR_MM) {
                seen.add(new Seen(thing, pose, around));
            }
        }
        return seen;
    }

    private void meet(Seen x, Seen y, FitResult.Where where) {
        Shape.Distance distance = x.shape().to(y.shape());
        boolean parts = x.thing.part().isPresent() && y.thing.part().isPresent();
        // Rims lie on one another and parts on floors: only two parts that touch without being meant to are news.
        boolean mayTouch = parts
                ? x.thing.mayTouch(y.thing)
                : distance.mm() < FitEngine.CONTACT_MM
                        || (x.thing.part().isEmpty() && y.thing.part().isEmpty());
        boolean turned = x.thing.part().isEmpty();
        meetings.record(
                (turned ? y : x).thing.id(),
                (turned ? x : y).thing.id(),
                where,
                hung.casing().standing().orElseThrow().id(),
                distance.mm(),
                distance.at(),
                mayTouch);
    }

    /** Free rooms of the parts of one tray, and what of the other is in them. */
    private void rooms(Hung.Tray a, Pose ofA, Hung.Tray b, Pose ofB) {
        List<Placed> first = new ArrayList<>(a.parts());
        first.replaceAll(p -> p.posed(ofA));
        List<Placed> second = new ArrayList<>(b.parts());
        second.replaceAll(p -> p.posed(ofB));
        for (Placed x : first) {
            for (Placed y : second) {
                meetings.intrude(x, y, CLOSED);
                meetings.intrude(y, x, CLOSED);
            }
        }
        fixed(first, b, ofB);
        fixed(second, a, ofA);
    }

    private void fixed(List<Placed> parts, Hung.Tray other, Pose pose) {
        List<Box> solids = new ArrayList<>();
        for (Hung.Thing thing : other.things()) {
            if (thing.part().isEmpty()) {
                thing.solids().forEach(s -> solids.add(s.bounds().posed(pose)));
            }
        }
        for (Placed part : parts) {
            for (Zone zone : part.zones()) {
                double depth = 0;
                for (Box solid : CLOSED.contains(zone.kind()) ? solids : List.<Box>of()) {
                    depth = Math.max(depth, -zone.box().signedDistance(solid));
                }
                meetings.intrusion(part.id(), other.id(), zone.kind(), depth);
            }
        }
    }
}
