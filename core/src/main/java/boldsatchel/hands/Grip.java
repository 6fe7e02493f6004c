package boldsatchel.hands;

import boldsatchel.balance.BalanceResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.hands.HandsResult.Bearer;
import boldsatchel.hands.HandsResult.Load;
import boldsatchel.hands.HandsResult.Reach;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Key;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.User;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A machine that is held in two hands, hangs from a handle, or is worn. */
public record Grip(Build build, BalanceResult.InPosture in) {

    /** From the front edge to the middle of the palms, if nobody said; half a hand's breadth. */
    private static final double PALM_MM = 45;
    /** From the forehead back to the joint of head and neck, mm. */
    private static final double NECK_MM = 100;
    /** From the elbow to where something is worn on the forearm, mm. */
    private static final double WORN_MM = 150;
    /** Across a keyboard and down it, this many places are tried. */
    private static final int PLACES = 5;

    /** Where it is held in a posture: where it was said, and else where two hands usually hold. */
    public static Optional<Vec> at(Casing casing, Posture posture) {
        return posture.at()
                .or(() ->
                        posture.held() == Posture.Held.HANDS ? casing.standing().map(Grip::usual) : Optional.empty());
    }

    private static Vec usual(Shell standing) {
        Box out = standing.outside();
        return new Vec(
                out.high(0),
                Math.min(out.y() + PALM_MM, out.centre().y()),
                out.centre().z());
    }

    /** The roots of both thumbs: the right one where it is held, the left one across. */
    public static List<Vec> thumbs(Casing casing, Vec right) {
        Box out = casing.standing().orElseThrow().outside();
        return List.of(right, new Vec(2 * out.centre().x() - right.x(), right.y(), right.z()));
    }

    /** How far a thumb of the user works from its root, mm. */
    public static double thumbMm(User user) {
        return Stature.of(user).thumb();
    }

    /** How far before the eyes, along the ground, the user still types, mm. */
    public static double armsMm(User user) {
        return Stature.of(user).eyesBehindFarFingers();
    }

    private Optional<Vec> at() {
        return at(build.casing(), in.posture());
    }

    boolean isKnown() {
        return switch (in.posture().held()) {
            case HANDLE, HEAD -> in.posture().at().isPresent();
            default -> true;
        };
    }

    List<Load> loads() {
        double half = in.weightN() / 2;
        double forearm = Stature.of(user()).elbowToGrip() * 1e-3;
        return switch (in.posture().held()) {
            case HANDS -> {
                double lever = Math.abs(at().orElseThrow().y() - in.centre().y()) * 1e-3;
                yield List.of(Effort.wrist(half * lever), Effort.elbow(Bearer.ELBOW, half * forearm));
            }
            case ARM -> List.of(Effort.elbow(Bearer.WEARING_ELBOW, in.weightN() * WORN_MM * 1e-3));
            case HEAD ->
                at().map(a -> {
                            Vec off = in.centre().minus(a);
                            return List.of(Effort.neck(in.weightN() * (NECK_MM + Math.hypot(off.y(), off.z())) * 1e-3));
                        })
                        .orElse(List.of());
            case TABLE, LAP, HANDLE, WORN, STOWED -> List.of();
        };
    }

    private User user() {
        return build.brief().user().orElse(User.USUAL);
    }

    /** Between the upright and the line from the centre of mass to the handle. */
    Optional<Double> hangsDeg() {
        if (in.posture().held() != Posture.Held.HANDLE || at().isEmpty()) {
            return Optional.empty();
        }
        Vec up = at().get().minus(in.centre());
        return Optional.of(Math.toDegrees(Math.acos(Math.clamp(up.z() / Math.max(1e-9, up.length()), -1, 1))));
    }

    /** Buttons, pointers and keys on the side that the thumbs work on. */
    List<Reach> reaches(Posed posed) {
        List<Reach> reaches = new ArrayList<>();
        if (in.posture().held() != Posture.Held.HANDS) {
            return reaches;
        }
        List<Vec> thumbs = thumbs(build.casing(), at().orElseThrow());
        Vec out = posed.main().map(Posed.Screen::out).orElse(Vec.on(2, 1));
        for (Placement placement : build.layout().placements()) {
            Optional<Part> part = build.part(placement.part());
            if (part.filter(Grip::isWorked).isPresent() && build.casing().belongs(placement.shell())) {
                Pose pose = placement
                        .pose(part.get().body().bounds())
                        .within(build.casing().pose(placement.shell(), in.posture()));
                controls(part.get(), pose, out, thumbs, reaches);
            }
        }
        return reaches;
    }

    /** Whether a thumb has something to do on it. */
    private static boolean isWorked(Part part) {
        return part.family() == Family.KEYBOARD
                || part.family() == Family.POINTER
                || !part.body().keys().isEmpty();
    }

    private void controls(Part part, Pose pose, Vec out, List<Vec> thumbs, List<Reach> reaches) {
        for (Key key : part.body().keys()) {
            if (isBefore(key.face(), pose, out)) {
                reaches.add(new Reach(part.id(), key.name(), beyond(pose.apply(key.at()), thumbs)));
            }
        }
        boolean isWhole = part.family() == Family.KEYBOARD
                || (part.family() == Family.POINTER && part.body().keys().isEmpty());
        if (isWhole && isBefore(Face.TOP, pose, out)) {
            reaches.add(new Reach(part.id(), part.name(), farthest(part, pose, thumbs)));
        }
    }

    private static boolean isBefore(Face face, Pose pose, Vec out) {
        return pose.direction(Vec.on(face.axis(), face.sign())).dot(out) > 0.5;
    }

    /** Of a keyboard the key that is farthest from both thumbs. */
    private double farthest(Part part, Pose pose, List<Vec> thumbs) {
        Box b = part.body().bounds();
        double farthest = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < PLACES; i++) {
            for (int j = 0; j < PLACES; j++) {
                Vec at = new Vec(b.dx() * (i + 0.5) / PLACES, b.dy() * (j + 0.5) / PLACES, b.dz());
                farthest = Math.max(farthest, beyond(pose.apply(at), thumbs));
            }
        }
        return farthest;
    }

    private double beyond(Vec control, List<Vec> thumbs) {
        double nearest = Double.POSITIVE_INFINITY;
        for (Vec thumb : thumbs) {
            nearest = Math.min(nearest, control.minus(thumb).length());
        }
        return nearest - thumbMm(user());
    }
}
