package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * The range of the least gap: the tightest meetings again, with the sizes of their parts moved. What touches is put where it touches,
 * whatever its size, and is in no range.
 */
final class Tightest {

    /** About how far a place varies: the tightest may be the one that is known best. */
    private static final double USUAL_MM = 0.2;
    /** As many of the tightest meetings are looked at for the range of the least. */
    static final int MOST_MEETINGS = 8;

    /** One of a part's sizes, and its solids with more and with less of it. */
    private record Moved(Input input, List<Solid> more, List<Solid> less) {}

    private final Build build;
    private final Map<String, List<Moved>> moved = new HashMap<>();
    private final Map<String, Placed> placed = new HashMap<>();
    private final Map<String, List<MovedTray>> trays = new HashMap<>();
    private final List<FitResult.Meeting> meetings = new ArrayList<>();
    private final Inputs inputs = new Inputs();
    private final Map<FitResult.Where, Sight> sights = new HashMap<>();

    Tightest(Build build, List<Placed> placed) {
        this.build = build;
        for (Placed part : placed) {
            this.placed.put(part.id(), part);
        }
    }

    void add(FitResult.Meeting meeting) {
        meetings.add(meeting);
    }

    /** The range; nothing where nothing meets. */
    Optional<Spread> range() {
        if (meetings.isEmpty()) {
            return Optional.empty();
        }
        meetings.sort(Comparator.comparingDouble(FitResult.Meeting::mm));
        Spread.Candidate least = candidate(meetings.getFirst());
        double reach = least.nominal() + Spread.REACH * Math.max(USUAL_MM, Math.sqrt(least.variance()));
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (int i = 1; i < Math.min(meetings.size(), MOST_MEETINGS); i++) {
            if (meetings.get(i).mm() < reach) {
                candidates.add(candidate(meetings.get(i)));
            }
        }
        return Optional.of(Spread.least(inputs, candidates));
    }

    /** A meeting with each size of its parts moved both ways; another side may come to count on either. */
    private Spread.Candidate candidate(FitResult.Meeting meeting) {
        Inputs.Effects effects = inputs.new Effects();
        if (meeting instanceof FitResult.Hit || meeting instanceof FitResult.Below) {
            // What is met on the way, or below, is as near as it is said to be: its range is not looked at.
            return new Spread.Candidate(meeting.mm(), effects.byPlace());
        }
        Sight sight = sight(meeting.where());
        Shape a = sight.shape(meeting.a());
        Shape b = sight.shape(meeting.b());
        if (meeting instanceof FitResult.Clash && a.isBoxes() && b.isBoxes()) {
            return clash(meeting, sight, a.boxes(), b.boxes());
        }
        Optional<Shell> tray = meeting.where().inTray() && !placed.containsKey(meeting.b())
                ? build.shell(meeting.b())
                : Optional.empty();
        Set<Face> walls = tray.map(t -> Trays.apart(a.solids(), t)).orElse(Set.of());
        ToDoubleFunction<Shape> ofFirst = shape -> distance(meeting, tray, walls, shape, b);
        double base = ofFirst.applyAsDouble(a);
        move(meeting.a(), sight, base, ofFirst, effects);
        move(meeting.b(), sight, base, shape -> distance(meeting, tray, walls, a, shape), effects);
        tray.ifPresent(t -> moveTray(
                t, base, other -> distance(meeting, Optional.of(other), walls, a, sight.shape(other)), effects));
        return new Spread.Candidate(meeting.mm(), effects.byPlace());
    }

    /** A tray with one of the measures of its inside off by a standard deviation, both ways. */
    private record MovedTray(Input input, Shell more, Shell less) {}

    /** Moves the measures of a tray. */
    private void moveTray(Shell tray, double base, ToDoubleFunction<Shell> distance, Inputs.Effects effects) {
        for (MovedTray other : trays.computeIfAbsent(tray.id(), id -> moved(tray))) {
            double up = distance.applyAsDouble(other.more()) - base;
            double down = base - distance.applyAsDouble(other.less());
            if (up != 0 || down != 0) {
                effects.add(other.input(), both(up, down));
            }
        }
    }

    private static List<MovedTray> moved(Shell tray) {
        List<MovedTray> moved = new ArrayList<>(3);
        for (Shell.Measure measure : tray.doubtfulInside()) {
            double sigma = measure.input().figure().sigma();
            moved.add(new MovedTray(measure.input(), measure.off(tray, sigma), measure.off(tray, -sigma)));
        }
        return moved;
    }

    /** What a standard deviation does, of what it does up and down. */
    private static double both(double up, double down) {
        return Math.copySign(Math.sqrt((up * up + down * down) / 2), up + down);
    }

    /** Two that are in the same place are so by the least of their depths along the axes, each of which varies by itself. */
    private Spread.Candidate clash(FitResult.Meeting meeting, Sight sight, List<Box> a, List<Box> b) {
        int first = 0;
        int second = 0;
        double deepest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < a.size(); i++) {
            for (int j = 0; j < b.size(); j++) {
                double apart = a.get(i).signedDistance(b.get(j));
                if (apart < deepest) {
                    deepest = apart;
                    first = i;
                    second = j;
                }
            }
        }
        int i = first;
        int j = second;
        List<Spread.Candidate> axes = new ArrayList<>(3);
        for (int k = 0; k < 3; k++) {
            int axis = k;
            double apart = a.get(i).awayAlong(axis, b.get(j));
            Inputs.Effects effects = inputs.new Effects();
            move(meeting.a(), sight, apart, s -> s.boxes().get(i).awayAlong(axis, b.get(j)), effects);
            move(
                    meeting.b(),
                    sight,
                    apart,
                    s -> a.get(i).awayAlong(axis, s.boxes().get(j)),
                    effects);
            axes.add(new Spread.Candidate(apart, effects.byPlace()));
        }
        return Spread.greatest(inputs, axes);
    }

    /**
     * Moves the sizes of one of both.
     *
     * @param base the distance at the best estimates
     * @param distance with other solids of the part
     */
    private void move(String id, Sight sight, double base, ToDoubleFunction<Shape> distance, Inputs.Effects effects) {
        Placed part = placed.get(id);
        if (part == null) {
            return;
        }
        for (Moved size : moved.computeIfAbsent(id, known -> moved(part))) {
            double up = distance.applyAsDouble(sight.shape(part, size.more())) - base;
            double down = base - distance.applyAsDouble(sight.shape(part, size.less()));
            effects.add(size.input(), both(up, down));
        }
    }

    /** The doubtful sizes of a part, and its solids with each of them moved by a standard deviation. */
    private static List<Moved> moved(Placed part) {
        List<Moved> moved = new ArrayList<>(3);
        List<Input> sizes = part.part().sizes();
        for (int axis = 0; axis < sizes.size(); axis++) {
            double sigma = sizes.get(axis).figure().sigma();
            if (sigma > 0) {
                moved.add(new Moved(sizes.get(axis), part.solids(axis, sigma), part.solids(axis, -sigma)));
            }
        }
        return moved;
    }

    /** Whoever sees all that meets in one place sees it by the same poses. */
    private Sight sight(FitResult.Where where) {
        return sights.computeIfAbsent(where, place -> Sight.of(build, placed, place));
    }

    /** Signed distance; negative for the depth of a clash, or for how far a part is through the walls of its tray. */
    private static double distance(FitResult.Meeting meeting, Optional<Shell> tray, Set<Face> walls, Shape a, Shape b) {
        if (meeting instanceof FitResult.Outside) {
            return tray.isPresent() ? -Trays.outsideBy(a.solids(), tray.get()) : 0;
        }
        double toWall = tray.isPresent() ? Trays.toWall(a.solids(), tray.get(), walls) : Double.POSITIVE_INFINITY;
        return b.isNothing() ? toWall : Math.min(toWall, a.to(b).mm());
    }
}
