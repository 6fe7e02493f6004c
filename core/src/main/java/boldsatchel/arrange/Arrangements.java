package boldsatchel.arrange;

import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Bundle;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicLong;

/** Looks for arrangements of one tray or several that nothing beats, on several threads; each is judged by all engines before anybody sees it. */
public final class Arrangements {

    private Arrangements() {}

    /**
     * Looks for arrangements of the parts as they are.
     *
     * @return those that nothing beats, not the build as it is either, the least ill first; none where none was found, or nobody wants any more
     */
    public static List<Proposal> find(Build build, Wish wish, Onlooker onlooker) {
        return find(build, Change.NONE, wish, onlooker);
    }

    /**
     * Looks for arrangements of a build that is changed first.
     *
     * @return those that nothing beats, the least ill first; read against the build as it is, which beats none that has other parts
     */
    public static List<Proposal> find(Build build, Change change, Wish wish, Onlooker onlooker) {
        Start start = Start.of(Evaluator.evaluate(build), change, wish);
        if (start.items().isEmpty()) {
            return List.of();
        }
        Together together = new Together(start, (long) wish.threads() * wish.rounds(), onlooker);
        List<List<Proposal>> sought = Workers.on(wish.threads(), wish.threads(), i -> {
            SplittableRandom random = new SplittableRandom(wish.seed() * wish.threads() + i);
            return start.seeker(random, together::offer).seek(wish.rounds(), together::isOver);
        });
        Unbeaten merged = start.begun();
        sought.forEach(found -> found.forEach(merged::offer));
        List<Proposal> bare = start.foundIn(merged);
        Unbeaten all = start.begun();
        Workers.on(wish.threads(), bare.size(), i -> start.relaid(bare.get(i), onlooker)).stream()
                .filter(p -> p.merit().isSound())
                .forEach(all::offer);
        Pain pain = start.pain();
        return onlooker.isCancelled()
                ? List.of()
                : start.foundIn(all).stream()
                        .sorted(Comparator.comparingDouble(p -> pain.of(p.merit())))
                        .toList();
    }

    /** The tray in which most may be moved; nothing where there is none. */
    public static Optional<Shell> fullest(Build build) {
        return build.casing().shells().stream()
                .max(Comparator.comparingInt(s -> Bundle.in(build, s).size()));
    }

    /** Why nothing is proposed, in words: proved where it can be, else what was looked for. */
    public static String whyNone(Build build, Change change, Wish wish) {
        Build changed = change.of(build);
        List<Shell> trays = Start.trays(changed, wish);
        if (Start.items(changed, trays, change).isEmpty()) {
            return Start.ALL_LOCKED;
        }
        Evaluation now = Evaluator.evaluate(changed);
        Optional<String> proved =
                Start.step(wish, trays).isPresent() ? Optional.empty() : Impossible.why(changed, trays);
        return proved.orElseGet(() -> Merit.of(now, now, List.of()).isSound()
                ? "Nothing that was found is better in anything than the build as it is."
                : "No arrangement was found in which everything has a place and nothing is in the way of"
                        + " anything. There may be one all the same: look for longer, lock fewer parts, or"
                        + " let the walls be elsewhere.");
    }

    /** What all threads found so far. */
    private static final class Together {
        private final Start start;
        private final long most;
        private final Onlooker onlooker;
        private final Unbeaten unbeaten;
        private final AtomicLong rounds = new AtomicLong();

        Together(Start start, long most, Onlooker onlooker) {
            this.start = start;
            this.most = most;
            this.onlooker = onlooker;
            unbeaten = start.begun();
        }

        boolean isOver() {
            onlooker.tried(rounds.getAndIncrement(), most);
            return onlooker.isEnough() || onlooker.isCancelled();
        }

        synchronized void offer(Proposal proposal) {
            if (unbeaten.offer(proposal)) {
                onlooker.found(start.foundIn(unbeaten));
            }
        }
    }
}
