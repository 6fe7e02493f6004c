package boldsatchel.drawing;

import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How far trays and parts are lifted in an exploded view: each straight out of the open side of its tray, those that lie on others further, so that
 * what is above another stays above it, and those that come out downwards until they are seen below their tray; trays that close on one another along
 * the way between them, closed as they are when nothing is open.
 */
final class Explosion {

    /** Between what lies on one another, and between trays, as shares of the depth of a tray: what is below is seen from above and aside. */
    private static final double STEP = 0.1;

    private static final double TRAY = 0.36;

    /** A part or a tray where it is drawn. */
    record Lifted(Pose pose, Vec by) {}

    private final Map<String, Lifted> trays = new HashMap<>();
    private final Map<String, Lifted> parts = new HashMap<>();

    private Explosion() {}

    static Explosion of(Casing casing, FitResult fit) {
        Explosion all = new Explosion();
        double below = 0;
        double above = Double.NEGATIVE_INFINITY;
        List<Shell> shells = casing.shells().stream()
                .filter(s -> casing.belongs(s.id()))
                .sorted(Comparator.comparingDouble(s ->
                        casing.pose(s.id(), Posture.CLOSED).around(s.outside()).z()))
                .toList();
        for (Shell shell : shells) {
            Pose closed = casing.pose(shell.id(), Posture.CLOSED);
            Vec out = closed.direction(new Vec(0, 0, 1));
            List<Placed> inside = fit.placed().stream()
                    .filter(p -> p.shell().id().equals(shell.id()))
                    .sorted(Comparator.comparingDouble(p -> p.bounds().z()))
                    .toList();
            Map<String, Double> lifts = lifts(shell, inside);
            Box outside = closed.around(shell.outside());
            if (out.z() < 0) {
                double seen = inside.stream()
                        .mapToDouble(p -> hidden(outside, closed.around(p.bounds())))
                        .max()
                        .orElse(0);
                lifts.replaceAll((part, lift) -> lift + seen);
            }
            Box reach = outside;
            for (Placed p : inside) {
                Box at = closed.around(p.bounds()).moved(out.times(lifts.getOrDefault(p.id(), 0.0)));
                reach = reach.around(at);
            }
            below = above == Double.NEGATIVE_INFINITY
                    ? 0
                    : Math.max(0, above + TRAY * shell.outside().dy() - reach.z());
            Vec tray = new Vec(0, 0, below);
            above = reach.high(2) + below;
            all.trays.put(shell.id(), new Lifted(closed.within(Pose.moved(tray)), tray));
            for (Placed p : inside) {
                Vec by = tray.plus(out.times(lifts.getOrDefault(p.id(), 0.0)));
                all.parts.put(
                        p.id(), new Lifted(closed.within(Pose.moved(by)), out.times(lifts.getOrDefault(p.id(), 0.0))));
            }
        }
        return all;
    }

    /** How far below the rim of its tray a part has to be until the eye sees its nearest corner past it. */
    private static double hidden(Box tray, Box part) {
        Vec eye = PackView.EXPLODED.from().toward();
        double past = Double.POSITIVE_INFINITY;
        for (int axis = 0; axis < 2; axis++) {
            double way = eye.along(axis);
            double inside = way > 0 ? tray.high(axis) - part.high(axis) : part.low(axis) - tray.low(axis);
            past = way == 0 ? past : Math.min(past, inside / Math.abs(way));
        }
        return eye.z() * Math.max(0, past);
    }

    /** Each part clear of the rim, and of all that it lies on by a step. */
    private static Map<String, Double> lifts(Shell shell, List<Placed> fromBelow) {
        Map<String, Double> lifts = new HashMap<>();
        List<Placed> done = new ArrayList<>();
        double step = STEP * shell.outside().dy();
        double rim = shell.cavity().dz() + (shell.openTop() ? 0 : shell.wallMm().value());
        for (Placed p : fromBelow) {
            double lift = rim + step - p.bounds().z();
            for (Placed other : done) {
                boolean over =
                        p.bounds().gapAlong(0, other.bounds()) < 0 && p.bounds().gapAlong(1, other.bounds()) < 0;
                if (over) {
                    double top = other.bounds().high(2) + lifts.getOrDefault(other.id(), 0.0);
                    lift = Math.max(lift, top + step - p.bounds().z());
                }
            }
            lifts.put(p.id(), lift);
            done.add(p);
        }
        return lifts;
    }

    Lifted tray(Shell shell) {
        return trays.getOrDefault(shell.id(), new Lifted(Pose.NONE, Vec.ZERO));
    }

    Lifted part(Placed placed) {
        return parts.getOrDefault(placed.id(), new Lifted(Pose.NONE, Vec.ZERO));
    }

    /** Whether a tray is part of the machine. */
    boolean has(Shell shell) {
        return trays.containsKey(shell.id());
    }
}
