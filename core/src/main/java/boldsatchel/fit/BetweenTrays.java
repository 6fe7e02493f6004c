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

    BetweenTrays(Hung hung, Meetings meetings) {
        this.hung = hung;
        this.meetings = meetings;
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
        double tableZ = hung.casing().tableZ();
        if (pose.around(tray.reach()).z() > tableZ - FitEngine.CONTACT_MM) {
            return;
        }
        for (Hung.Thing thing : tray.things()) {
            if (!meetings.isNew(thing.id())) {
                continue;
            }
            double lowest = Double.POSITIVE_INFINITY;
            boolean part = thing.part().isPresent();
            for (Solid solid :
                    part ? thing.solids() : List.<Solid>of(tray.shell().outside())) {
                for (var piece : solid.pieces()) {
                    lowest = Math.min(lowest, piece.posed(pose).bounds().z());
                }
            }
            // A tray is looked at once, as its walls.
            if (tableZ - lowest > FitEngine.CONTACT_MM && thing.kind() != Hung.Kind.FLOOR) {
                meetings.add(new FitResult.Below(thing.id(), posture.name(), tableZ - lowest));
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
        boolean nested = a.isNested(b);
        List<Seen> ofOther = seen(b, ofB, reachA);
        for (Seen x : seen(a, ofA, reachB)) {
            for (Seen y : ofOther) {
                if (meetings.isNew(x.thing.id(), y.thing.id())
                        && x.thing.concerns(y.thing, nested)
                        && x.box.signedDistance(y.box) <= FitEngine.NEAR_MM) {
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
        for (Placed x : a.parts()) {
            for (Placed y : b.parts()) {
                if (meetings.isNew(x.id(), y.id()) && (keeps(x) || keeps(y))) {
                    Placed first = x.posed(ofA);
                    Placed second = y.posed(ofB);
                    meetings.intrude(first, second, CLOSED);
                    meetings.intrude(second, first, CLOSED);
                }
            }
        }
        fixed(a, ofA, b, ofB);
        fixed(b, ofB, a, ofA);
    }

    /** Whether a part has free rooms that count when trays are closed on one another. */
    private static boolean keeps(Placed part) {
        for (Zone zone : part.zones()) {
            if (CLOSED.contains(zone.kind())) {
                return true;
            }
        }
        return false;
    }

    private void fixed(Hung.Tray of, Pose pose, Hung.Tray other, Pose otherPose) {
        for (Placed part : of.parts()) {
            if (!meetings.isNew(part.id(), other.id()) || !keeps(part)) {
                continue;
            }
            for (Zone zone : part.zones()) {
                double depth = 0;
                Box room = zone.box().posed(pose);
                for (Hung.Thing thing : CLOSED.contains(zone.kind()) ? other.things() : List.<Hung.Thing>of()) {
                    for (Solid solid : thing.part().isEmpty() ? thing.solids() : List.<Solid>of()) {
                        depth = Math.max(depth, -room.signedDistance(solid.posed(otherPose)));
                    }
                }
                meetings.intrusion(part.id(), other.id(), zone.kind(), depth);
            }
        }
    }
}
