package boldsatchel.arrange;

import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.FreePlace;
import boldsatchel.machine.Build;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;

/**
 * Arranges a tray: places for all parts that lie on the table, or better ones for what lies in it. Boxes are searched for ({@link PartBoxes}), parts are put one after another
 * into the first free place, and taken out and put in again in other orders; the engines judge between what comes of it.
 */
public final class Arranger {

    /** How often some parts are taken out and put in again while one has no place: some seconds. */
    private static final int MOST_ROUNDS = 400;
    /** All have places, and so many rounds brought nothing better: it is good enough. */
    private static final int STALE = 80;

    private static final long SEED = 1;

    private Arranger() {}

    /** Places all that is on the table in a tray, as far as there is room. */
    public static Edit place(Shell shell, BooleanSupplier stop) {
        return Edit.searched("place all in " + shell.name(), b -> placed(b, shell.id(), stop));
    }

    /**
     * Looks for another arrangement of a tray of which less ill is to be said; what is locked, in a group, or meant to touch another, stays. The build stays as it is where
     * none is found.
     */
    public static Edit better(Shell shell, BooleanSupplier stop) {
        return Edit.searched("arrange " + shell.name() + " anew", b -> bettered(b, shell.id(), stop));
    }

    /**
     * What speaks against an arrangement; less is better, and what comes first counts first.
     *
     * @param loose what has no place, mm³
     * @param wrong clashes and the like
     * @param stops findings of any kind that say stop
     * @param watches those that say watch
     */
    private record Ill(double loose, int wrong, long stops, long watches) implements Comparable<Ill> {

        private static final Comparator<Ill> ORDER = Comparator.comparingDouble(Ill::loose)
                .thenComparingInt(Ill::wrong)
                .thenComparingLong(Ill::stops)
                .thenComparingLong(Ill::watches);

        static Ill of(Build build) {
            Evaluation evaluation = Evaluator.evaluate(build);
            return new Ill(
                    volume(build),
                    Arranger.wrong(evaluation.of(FitResult.class)),
                    count(evaluation, Severity.STOP),
                    count(evaluation, Severity.WATCH));
        }

        private static long count(Evaluation evaluation, Severity severity) {
            return evaluation.findings().stream()
                    .filter(f -> f.severity() == severity)
                    .count();
        }

        @Override
        public int compareTo(Ill other) {
            return ORDER.compare(this, other);
        }
    }

    private static int wrong(FitResult fit) {
        return fit.clashes().size() + fit.outside().size() + fit.intrusions().size();
    }

    /** What has no place, mm³. */
    private static double volume(Build build) {
        return build.loose().stream()
                .mapToDouble(p -> p.body().bounds().volume())
                .sum();
    }

    /** The build with as many of its loose parts as were found places for; of two ways that place as many the one in which less is in the way. */
    private static Build placed(Build build, String shellId, BooleanSupplier stop) {
        return build.shell(shellId)
                .map(shell -> {
                    Build one = rest(build, shell);
                    if (one.loose().isEmpty() && wrong(FitEngine.evaluate(one)) <= wrong(FitEngine.evaluate(build))) {
                        return one;
                    }
                    Build other = rest(PartBoxes.placed(build, shell, SEED, stop), shell);
                    Build found = Ill.of(other).compareTo(Ill.of(one)) < 0 ? other : one;
                    return again(build, found, build.loose(), shell, false, stop);
                })
                .orElse(build);
    }

    private static Build bettered(Build build, String shellId, BooleanSupplier stop) {
        return build.shell(shellId)
                .map(shell -> {
                    List<Part> ours = new ArrayList<>(build.loose());
                    build.layout().placements().stream()
                            .filter(at -> mayMove(at, shell))
                            .forEach(at -> build.part(at.part()).ifPresent(ours::add));
                    Build anew = lying(build, placed(without(build, ours), shellId, stop), ours);
                    boolean isBetter = Ill.of(anew).compareTo(Ill.of(build)) < 0;
                    return again(build, isBetter ? anew : build, ours, shell, true, stop);
                })
                .orElse(build);
    }

    /** What is meant to touch another is in its slot, or under it: it is not moved from there. */
    private static boolean mayMove(Placement at, Shell shell) {
        return at.shell().equals(shell.id())
                && !at.locked()
                && at.group().isEmpty()
                && at.touches().isEmpty();
    }

    /** A build in which some parts lie as they do in another; what holds them stays said. */
    private static Build lying(Build build, Build like, List<Part> parts) {
        Build lying = build;
        for (Part part : parts) {
            Optional<Placement> to = like.placement(part.id());
            Optional<Placement> was = lying.placement(part.id());
            if (to.isPresent()) {
                Placement at = to.get();
                lying = lying.with(
                        was.map(p -> p.at(at.at()).turned(at.orientation())).orElse(at));
            } else if (was.isPresent()) {
                lying = without(lying, List.of(part));
            }
        }
        return lying;
    }

    private static Build without(Build build, List<Part> parts) {
        Layout thinned = build.layout();
        for (Part part : parts) {
            thinned = thinned.without(part.id());
        }
        return build.with(thinned);
    }

    /**
     * Some that were put in are taken out and go in again in another order, those without a place first; what is no worse is gone on from, and the least ill is kept (ruin and
     * recreate: Schrimpf, Schneider, Stamm-Wilbrandt and Dueck, J. Comput. Phys. 159, 2000, 139).
     *
     * @param build before anything was moved
     * @param ours what may be moved
     * @param further whether to go on once all have places
     */
    private static Build again(
            Build build, Build found, List<Part> ours, Shell shell, boolean further, BooleanSupplier stop) {
        SplittableRandom random = new SplittableRandom(SEED);
        Build best = found;
        Build from = found;
        Ill least = Ill.of(found);
        int since = 0;
        for (int round = 0; round < MOST_ROUNDS && !stop.getAsBoolean(); round++) {
            if (least.loose() == 0 && since++ >= (further ? STALE : 0)) {
                break;
            }
            List<Part> order = new ArrayList<>(from.loose());
            List<Part> out = new ArrayList<>();
            double share = random.nextDouble();
            for (Part part : shuffled(ours, random)) {
                if (!order.contains(part) && random.nextDouble() < share) {
                    out.add(part);
                }
            }
            order.addAll(out);
            Build tried = lying(build, inTurn(without(from, out), shell, order), ours);
            if (volume(tried) <= least.loose()) {
                Ill ill = Ill.of(tried);
                int than = ill.compareTo(least);
                from = than <= 0 ? tried : from;
                best = than < 0 ? tried : best;
                least = than < 0 ? ill : least;
                since = than < 0 ? 0 : since;
            }
        }
        return best;
    }

    private static List<Part> shuffled(List<Part> parts, SplittableRandom random) {
        List<Part> shuffled = new ArrayList<>(parts);
        for (int i = shuffled.size() - 1; i > 0; i--) {
            Collections.swap(shuffled, i, random.nextInt(i + 1));
        }
        return shuffled;
    }

    /** The largest first. */
    private static Build rest(Build build, Shell shell) {
        List<Part> loose = new ArrayList<>(build.loose());
        loose.sort((a, b) ->
                Double.compare(b.body().bounds().volume(), a.body().bounds().volume()));
        return inTurn(build, shell, loose);
    }

    /** Each in its turn where there is room. */
    private static Build inTurn(Build build, Shell shell, List<Part> order) {
        Build placed = build;
        for (Part part : order) {
            placed = new FreePlace(placed, shell, build.brief().limits().gapMm())
                    .of(part)
                    .map(placed::with)
                    .orElse(placed);
        }
        return placed;
    }
}
