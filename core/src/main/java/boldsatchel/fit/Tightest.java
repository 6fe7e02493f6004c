package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The range of the least gap: the tightest meetings again, with the sizes of their parts moved. What touches is put where it touches,
 * whatever its size, and is in no range.
 */
final class Tightest {

    /** About how far a place varies: the tightest may be the one that is known best. */
    private static final double USUAL_MM = 0.2;
    /** As many of the tightest meetings are looked at for the range of the least. */
    private static final int MOST_MEETINGS = 8;

    /**
     * A meeting of a part with another, or with its tray.
     *
     * @param a id of the part
     * @param b id of the other part, or of the tray
     * @param mm signed distance
     */
    private record Meeting(String a, String b, FitResult.Where where, double mm, boolean outside) {}

    private final Build build;
    private final Map<String, Placed> placed = new HashMap<>();
    private final List<Meeting> meetings = new ArrayList<>();

    Tightest(Build build, List<Placed> placed) {
        this.build = build;
        for (Placed part : placed) {
            this.placed.put(part.id(), part);
        }
    }

    void add(FitResult.Outside out) {
        meetings.add(new Meeting(out.part(), out.shell().id(), FitResult.Where.SHELL, -out.byMm(), true));
    }

    void add(FitResult.Clash clash) {
        meetings.add(new Meeting(clash.a(), clash.b(), clash.where(), -clash.depthMm(), false));
    }

    void add(FitResult.Gap gap) {
        meetings.add(new Meeting(gap.a(), gap.b(), gap.where(), gap.gapMm(), false));
    }

    /** The range; nothing where nothing meets. */
    Optional<Spread> range() {
        if (meetings.isEmpty()) {
            return Optional.empty();
        }
        meetings.sort(Comparator.comparingDouble(Meeting::mm));
        Spread.Candidate least = candidate(meetings.getFirst());
        double reach = least.nominal() + Spread.REACH * Math.max(USUAL_MM, Math.sqrt(least.variance()));
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (int i = 1; i < Math.min(meetings.size(), MOST_MEETINGS); i++) {
            if (meetings.get(i).mm() < reach) {
                candidates.add(candidate(meetings.get(i)));
            }
        }
        return Optional.of(Spread.least(candidates));
    }

    /** A meeting with each size of its parts moved both ways; another side may come to count on either. */
    private Spread.Candidate candidate(Meeting meeting) {
        Map<Input, Double> effects = new LinkedHashMap<>();
        List<Box> a = solids(meeting.a(), meeting.where());
        List<Box> b = solids(meeting.b(), meeting.where());
        double base = distance(meeting, a, b);
        for (boolean first : new boolean[] {true, false}) {
            Placed part = placed.get(first ? meeting.a() : meeting.b());
            List<Input> sizes = part == null ? List.of() : part.part().sizes();
            for (int axis = 0; axis < sizes.size(); axis++) {
                Input size = sizes.get(axis);
                double sigma = size.figure().sigma();
                if (part != null && sigma > 0) {
                    List<Box> larger = seen(part, part.solids(axis, sigma), meeting.where());
                    List<Box> smaller = seen(part, part.solids(axis, -sigma), meeting.where());
                    double up = (first ? distance(meeting, larger, b) : distance(meeting, a, larger)) - base;
                    double down = base - (first ? distance(meeting, smaller, b) : distance(meeting, a, smaller));
                    effects.merge(size, Math.copySign(Math.hypot(up, down) / Math.sqrt(2), up + down), Double::sum);
                }
            }
        }
        return new Spread.Candidate(meeting.mm(), effects);
    }

    /** Of a part, or what of a tray parts can hit. */
    private List<Box> solids(String id, FitResult.Where where) {
        Placed part = placed.get(id);
        return part != null
                ? seen(part, part.solids(), where)
                : build.shell(id).map(shell -> shellSolids(shell, where)).orElse(List.of());
    }

    private List<Box> shellSolids(Shell shell, FitResult.Where where) {
        return where == FitResult.Where.SHELL ? shell.ribs() : seen(shell, Trays.solidsWithFloor(shell));
    }

    private List<Box> seen(Placed part, List<Box> solids, FitResult.Where where) {
        return where == FitResult.Where.SHELL ? solids : seen(part.shell(), solids);
    }

    /** With the lid closed, in the base's frame. */
    private List<Box> seen(Shell shell, List<Box> solids) {
        return build.casing().isLid(shell) ? Trays.closed(build.casing().hinge().orElseThrow(), solids) : solids;
    }

    /** Signed distance; negative for the depth of a clash, or for how far a part is through its wall. */
    private double distance(Meeting meeting, List<Box> a, List<Box> b) {
        Optional<Shell> tray = meeting.where() == FitResult.Where.SHELL && !placed.containsKey(meeting.b())
                ? build.shell(meeting.b())
                : Optional.empty();
        if (meeting.outside()) {
            return tray.map(shell -> -Trays.outsideBy(a, shell)).orElse(0.0);
        }
        double least = tray.map(shell -> Trays.toWall(a, shell)).orElse(Double.POSITIVE_INFINITY);
        for (Box x : a) {
            for (Box y : b) {
                least = Math.min(least, x.signedDistance(y));
            }
        }
        return least;
    }
}
