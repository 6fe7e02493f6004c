package boldsatchel.arrange;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.stow.Item;
import boldsatchel.stow.Lying;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;

/**
 * Looks for one change that makes room in a tray in which not everything has a place, or something is in the way: a part on another side, or another of its family in its place.
 * For each an arrangement is sought by itself; those of which one is found are told.
 */
public final class RoomMaking {

    /** How often each change is tried at most, and how often more once it has been found to do. */
    private static final int ROUNDS = 300;

    private static final int MORE = 60;
    /** How often the parts as they are, before anything is changed. */
    private static final int FIRST = 1500;

    /** What is smaller by less than this makes no room, mm. */
    private static final double SMALLER_MM = 0.5;

    private final Evaluation was;
    private final Wish wish;
    private final Onlooker onlooker;
    private final long most;
    private final AtomicLong rounds = new AtomicLong();
    private final List<Proposal> found = new ArrayList<>();

    private RoomMaking(Evaluation was, Wish wish, long most, Onlooker onlooker) {
        this.was = was;
        this.wish = wish;
        this.most = most;
        this.onlooker = onlooker;
    }

    /**
     * Looks for such changes.
     *
     * @param wish rounds, if fewer, are those of each change
     * @param shelf what may be taken instead
     * @return an arrangement for each change that does, the least ill first; one of the parts as they are where no change is needed; none where the build packs as it is, where
     *     nothing was found, or nobody wants any more
     */
    public static List<Proposal> find(Build build, Wish wish, List<Part> shelf, Onlooker onlooker) {
        Evaluation was = Evaluator.evaluate(build);
        Start asItIs = Start.of(was, Change.NONE, wish);
        if (asItIs.now().merit().isSound() || asItIs.items().isEmpty()) {
            return List.of();
        }
        List<Change> changes = changes(build, asItIs.items(), shelf);
        int first = Math.min(FIRST, wish.rounds());
        int each = Math.min(ROUNDS, wish.rounds());
        RoomMaking making = new RoomMaking(was, wish, first + (long) each * changes.size(), onlooker);
        Optional<Proposal> unchanged = making.tried(Change.NONE, 0, first);
        List<Proposal> all = unchanged.isPresent()
                ? unchanged.stream().toList()
                : Workers.on(wish.threads(), changes.size(), i -> making.tried(changes.get(i), i + 1, each)).stream()
                        .flatMap(Optional::stream)
                        .toList();
        Pain pain = asItIs.pain();
        return onlooker.isCancelled()
                ? List.of()
                : all.stream()
                        .sorted(Comparator.comparingDouble(p -> pain.of(p.merit())))
                        .toList();
    }

    /** Why none is told, in words. */
    public static String whyNone(Build build, Wish wish) {
        Start asItIs = Start.of(Evaluator.evaluate(build), Change.NONE, wish);
        if (asItIs.items().isEmpty()) {
            return Start.ALL_LOCKED;
        }
        return asItIs.now().merit().isSound()
                ? "Everything has a place and nothing is in the way: no room has to be made."
                : "No single part was found that, on another side or replaced from the shelf, lets all go in."
                        + " There may be one all the same: lock fewer parts, or let the walls be elsewhere.";
    }

    /** Each part that may be moved on another side; then each by others of its family that are smaller in some way, the nearest in size before the others. */
    private static List<Change> changes(Build build, List<Item> movable, List<Part> shelf) {
        List<Change> changes = new ArrayList<>();
        movable.stream()
                .filter(i -> i.ids().size() == 1)
                .flatMap(i -> parts(build, i))
                .filter(p -> Lying.facesUp(p) || !Lying.isTumbled(p))
                .forEach(p -> changes.add(Change.turned(p)));
        for (Part part : movable.stream().flatMap(i -> parts(build, i)).toList()) {
            shelf.stream()
                    .filter(by -> by.family() == part.family() && isSmaller(by, part))
                    .sorted(Comparator.comparingDouble(by -> -by.body().bounds().volume()))
                    .forEach(by -> changes.add(Change.replaced(part, by, shelf)));
        }
        return changes;
    }

    private static Stream<Part> parts(Build build, Item item) {
        return item.ids().stream().flatMap(id -> build.part(id).stream());
    }

    /** Whether it takes less room, and less along one of its sides at least. */
    private static boolean isSmaller(Part by, Part part) {
        double[] its = sides(by);
        double[] mine = sides(part);
        boolean less = false;
        for (int i = 0; i < mine.length; i++) {
            less |= its[i] < mine[i] - SMALLER_MM;
        }
        return less && by.body().bounds().volume() < part.body().bounds().volume();
    }

    private static double[] sides(Part part) {
        Box box = part.body().bounds();
        double[] sides = {box.dx(), box.dy(), box.dz()};
        Arrays.sort(sides);
        return sides;
    }

    /** The least ill arrangement that is found with a change; nothing where it does not do, or brings something that says stop by itself. */
    private Optional<Proposal> tried(Change change, int number, int most) {
        if (isOver() || (change.edit().isPresent() && bringsStop(change))) {
            told(most);
            return Optional.empty();
        }
        Start start = Start.of(was, change, wish);
        Pain pain = start.pain();
        AtomicInteger left = new AtomicInteger(most);
        AtomicInteger tried = new AtomicInteger();
        List<Proposal> sound = start.seeker(
                        new SplittableRandom(wish.seed() * (number + 1)),
                        p -> left.set(Math.min(left.get(), tried.get() + MORE)))
                .seek(most, () -> {
                    tried.incrementAndGet();
                    told(1);
                    return tried.get() > left.get() || isOver();
                });
        told(most - Math.min(most, tried.get()));
        Optional<Proposal> best = sound.stream()
                .min(Comparator.comparingDouble(p -> pain.of(p.merit())))
                .map(p -> start.relaid(p, onlooker))
                .filter(p -> p.merit().isSound());
        best.ifPresent(this::found);
        return best;
    }

    private boolean bringsStop(Change change) {
        return Evaluator.evaluate(change.of(was.build())).beyond(was).stream()
                .anyMatch(f -> f.severity() == Severity.STOP && !Merit.isHard(f));
    }

    private boolean isOver() {
        return onlooker.isEnough() || onlooker.isCancelled();
    }

    private void told(int more) {
        onlooker.tried(rounds.addAndGet(more), most);
    }

    private synchronized void found(Proposal proposal) {
        found.add(proposal);
        onlooker.found(List.copyOf(found));
    }
}
