package boldsatchel.arrange;

import boldsatchel.machine.Build;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Layings;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.IntFunction;

/** Looks for arrangements of a tray that nothing beats, on several threads; each is judged by all engines before anybody sees it. */
public final class Arrangements {

    private Arrangements() {}

    /**
     * Looks for arrangements.
     *
     * @return those that nothing beats, not the build as it is either, the least ill first; none where none was found, or nobody wants any more
     */
    public static List<Proposal> find(Build build, Wish wish, Onlooker onlooker) {
        Shell tray = build.shell(wish.tray()).orElseThrow(() -> new IllegalArgumentException("no tray " + wish.tray()));
        List<Item> items = items(build, tray);
        if (items.isEmpty()) {
            return List.of();
        }
        Evaluation was = Evaluator.evaluate(build);
        Proposal now = Proposal.of(was, was);
        List<Laid> laid = build.layout().cables();
        Build bare = build.with(new Layout(build.layout().placements()));
        Frame frame = Frame.of(
                bare, tray, items.stream().flatMap(i -> i.ids().stream()).toList());
        Packed packed = Packed.of(bare, frame, items);
        boolean sized = isSized(wish, tray);
        Together together = new Together(now, onlooker);
        List<List<Proposal>> sought = on(wish.threads(), wish.threads(), i -> {
            SplittableRandom random = new SplittableRandom(wish.seed() * wish.threads() + i);
            return new Seeker(packed, items, now, sized, random, together::offer).seek(wish.rounds(), together::isOver);
        });
        Unbeaten merged = together.begun();
        sought.forEach(found -> found.forEach(merged::offer));
        List<Proposal> bareOnes = new ArrayList<>(merged.all());
        bareOnes.remove(now);
        Unbeaten all = together.begun();
        on(wish.threads(), bareOnes.size(), i -> relaid(bareOnes.get(i), laid, onlooker)).stream()
                .filter(p -> p.merit().isSound())
                .forEach(all::offer);
        List<Proposal> found = new ArrayList<>(all.all());
        found.remove(now);
        Pain pain = Pain.even(now.merit(), sized);
        found.sort(Comparator.comparingDouble(p -> pain.of(p.merit())));
        return onlooker.isCancelled() ? List.of() : found;
    }

    /** Does some work on some threads; answers in the order of the work, whatever came first. */
    private static <T> List<T> on(int threads, int count, IntFunction<T> work) {
        try (ExecutorService workers = Executors.newFixedThreadPool(threads)) {
            List<CompletableFuture<T>> done = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                int one = i;
                done.add(CompletableFuture.supplyAsync(() -> work.apply(one), workers));
            }
            return done.stream().map(CompletableFuture::join).toList();
        }
    }

    /** The tray in which most may be moved; nothing where there is none. */
    public static Optional<Shell> fullest(Build build) {
        return build.casing().shells().stream()
                .max(Comparator.comparingInt(s -> Bundle.in(build, s).size()));
    }

    /** Why nothing is proposed, in words: proved where it can be, else what was looked for. */
    public static String whyNone(Build build, Wish wish) {
        Shell tray = build.shell(wish.tray()).orElseThrow();
        if (items(build, tray).isEmpty()) {
            return "Nothing may be moved in it: all that lies there is locked.";
        }
        Evaluation now = Evaluator.evaluate(build);
        Optional<String> proved = isSized(wish, tray) ? Optional.empty() : Impossible.why(build, tray);
        return proved.orElseGet(() -> Merit.of(now, now).isSound()
                ? "Nothing that was found is better in anything than the build as it is."
                : "No arrangement was found in which everything has a place and nothing is in the way of"
                        + " anything. There may be one all the same: look for longer, lock fewer parts, or"
                        + " let the walls be elsewhere.");
    }

    private static boolean isSized(Wish wish, Shell tray) {
        return wish.sized() && tray.making() != Shell.Making.FOUND;
    }

    /** What may be moved: no bundle with a locked part, and all that is on the table. */
    static List<Item> items(Build build, Shell tray) {
        List<Item> items = new ArrayList<>();
        for (Bundle bundle : Bundle.in(build, tray)) {
            if (!bundle.isLocked()) {
                items.add(Item.of(build, bundle));
            }
        }
        for (Part part : build.loose()) {
            items.add(Item.of(build, Bundle.loose(part, tray)));
        }
        return items;
    }

    /** Cables that were laid are laid again where their ends are now. */
    private static Proposal relaid(Proposal proposal, List<Laid> laid, Onlooker onlooker) {
        Build build = proposal.build();
        for (Laid cable : laid) {
            build = onlooker.isCancelled()
                    ? build
                    : Layings.lay(cable.what()).change().apply(build);
        }
        return laid.isEmpty() ? proposal : Proposal.of(proposal.was(), Evaluator.evaluate(build));
    }

    /** What all threads found so far. */
    private static final class Together {
        private final Proposal now;
        private final Onlooker onlooker;
        private final Unbeaten unbeaten;
        private final AtomicLong rounds = new AtomicLong();

        Together(Proposal now, Onlooker onlooker) {
            this.now = now;
            this.onlooker = onlooker;
            unbeaten = begun();
        }

        /** The build as it is, where it may be compared. */
        Unbeaten begun() {
            Unbeaten begun = new Unbeaten();
            if (now.merit().isSound()) {
                begun.offer(now);
            }
            return begun;
        }

        boolean isOver() {
            onlooker.tried(rounds.getAndIncrement());
            return onlooker.isEnough() || onlooker.isCancelled();
        }

        synchronized void offer(Proposal proposal) {
            if (unbeaten.offer(proposal)) {
                List<Proposal> found = new ArrayList<>(unbeaten.all());
                found.remove(now);
                onlooker.found(found);
            }
        }
    }
}
