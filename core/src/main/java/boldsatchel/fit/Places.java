package boldsatchel.fit;

import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where things meet, for who asks: the engine only tells how near they are. Of boxes that face each other it is the middle of what does, of what
 * is in the same place the middle of what boxes share, else a point of both.
 */
public final class Places {

    private final Build build;
    private final Map<String, Placed> placed = new HashMap<>();
    private final Map<FitResult.Where, Sight> sights = new HashMap<>();

    /** Of what the engine found in a build. */
    public Places(Build build, FitResult fit) {
        this.build = build;
        fit.placed().forEach(p -> placed.put(p.id(), p));
    }

    /**
     * A place.
     *
     * @param tray id of the tray in whose frame the points are, mm: x from the left, y from the front, z from the floor; where two trays meet, of
     *     the one that stands
     * @param onA point of the first of both
     * @param onB point of the other; the same where they are in the same place
     */
    public record Place(String tray, Vec onA, Vec onB) {}

    /** Where a meeting is; of what meets on the way, where it first does. Absent where the build is not the one that it is of. */
    public Optional<Place> of(FitResult.Meeting meeting) {
        List<Separation.Near> candidates = switch (meeting) {
            case FitResult.Outside out -> walls(out.part(), out.shell());
            case FitResult.Below below -> table(sight(below.where()).shape(below.subject()));
            case FitResult.Hit hit -> hit(hit);
            case FitResult.Clash clash -> met(clash);
            case FitResult.Gap gap -> met(gap);
        };
        double wanted = meeting instanceof FitResult.Hit ? -FitEngine.CONTACT_MM : meeting.mm();
        return candidates.stream()
                .min(Comparator.comparingDouble(n -> Math.abs(n.mm() - wanted)))
                .flatMap(n -> frame(meeting).map(tray -> new Place(tray, n.onA(), n.onB())));
    }

    private Optional<String> frame(FitResult.Meeting meeting) {
        return meeting.where().inTray()
                ? Optional.ofNullable(placed.get(meeting.a()))
                        .map(p -> p.shell().id())
                : build.casing().standing().map(Shell::id);
    }

    private Sight sight(FitResult.Where where) {
        return sights.computeIfAbsent(where, place -> Sight.of(build, placed, place));
    }

    /** Two in a tray or a posture; inside a tray its walls are met too. */
    private List<Separation.Near> met(FitResult.Meeting meeting) {
        Sight sight = sight(meeting.where());
        List<Separation.Near> all = sight.shape(meeting.a()).near(sight.shape(meeting.b()));
        if (meeting.where().inTray() && !placed.containsKey(meeting.b())) {
            build.shell(meeting.b()).ifPresent(shell -> all.addAll(walls(meeting.a(), shell)));
        }
        return all;
    }

    private List<Separation.Near> hit(FitResult.Hit hit) {
        Sight sight = new Sight(build, placed, onTheWay(build.casing(), hit));
        Shape moves = sight.shape(hit.a());
        return hit.b().equals(FitResult.TABLE) ? table(moves) : moves.near(sight.shape(hit.b()));
    }

    /** How the joints stand where something first hits something: one moves after the other. */
    private static Optional<Posture> onTheWay(Casing casing, FitResult.Hit hit) {
        Optional<Posture> from = Sight.posture(casing, hit.from());
        Optional<Posture> to = Sight.posture(casing, hit.to());
        if (from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        Posture now = from.get();
        for (Joint joint : casing.joints()) {
            if (joint.id().equals(hit.joint())) {
                return Optional.of(now.with(joint.id(), hit.amount()));
            }
            now = now.with(joint.id(), to.get().amount(joint));
        }
        return Optional.empty();
    }

    /** From the end of each solid of a part to the inside of each wall; negative beyond it. */
    private List<Separation.Near> walls(String part, Shell shell) {
        List<Separation.Near> all = new ArrayList<>();
        for (Solid solid :
                Optional.ofNullable(placed.get(part)).map(Placed::solids).orElse(List.of())) {
            for (Face face : Face.ALL) {
                if (face == Face.TOP && shell.openTop()) {
                    continue;
                }
                double wall = shell.cavity().end(face);
                double space = face.sign() * (wall - solid.bounds().end(face));
                Vec end = solid.tip(face);
                all.add(new Separation.Near(space, end, end.with(face.axis(), wall)));
            }
        }
        return all;
    }

    /** From the lowest point of each piece down to the table. */
    private List<Separation.Near> table(Shape shape) {
        double tableZ = build.casing().tableZ();
        List<Separation.Near> all = new ArrayList<>();
        for (Convex piece : shape.pieces()) {
            Vec low = piece.tip(Face.BOTTOM);
            all.add(new Separation.Near(low.z() - tableZ, low, low.with(2, tableZ)));
        }
        return all;
    }
}
