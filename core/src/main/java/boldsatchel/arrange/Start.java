package boldsatchel.arrange;

import boldsatchel.machine.Build;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Layings;
import boldsatchel.stow.Bundle;
import boldsatchel.stow.Item;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Where a search begins.
 *
 * @param now the build as it is
 * @param change made of it first
 * @param items that may be moved
 * @param front what stays before what
 * @param packed as they lie, cables left out
 * @param laid those cables
 * @param stepMm by what steps walls may be elsewhere, if they may
 * @param lines whether parts are moved into line
 */
record Start(
        Proposal now,
        Change change,
        List<Item> items,
        FrontOrder front,
        Packed packed,
        List<Laid> laid,
        Optional<Double> stepMm,
        boolean lines) {

    /** Why nothing is looked for where nothing may be moved. */
    static final String ALL_LOCKED = "Nothing may be moved in it: all that lies there is locked.";

    static Start of(Evaluation was, Change change, Wish wish) {
        Build build = change.of(was.build());
        List<Shell> trays = trays(build, wish);
        List<Item> items = items(build, trays, change);
        Build bare = build.with(new Layout(build.layout().placements()));
        Frame frame = Frame.of(
                bare, trays, items.stream().flatMap(i -> i.ids().stream()).toList());
        return new Start(
                Proposal.of(was, was, Change.NONE, Reading.all(was, wish.aims())),
                change,
                items,
                FrontOrder.of(bare, items),
                Packed.of(bare, frame, items),
                build.layout().cables(),
                step(wish, trays),
                wish.aims().stream().anyMatch(Aim::isOfLines));
    }

    static List<Shell> trays(Build build, Wish wish) {
        return wish.trays().stream()
                .map(id -> build.shell(id).orElseThrow(() -> new IllegalArgumentException("no tray " + id)))
                .toList();
    }

    static Optional<Double> step(Wish wish, List<Shell> trays) {
        return wish.stepMm().filter(s -> trays.stream().anyMatch(Start::isMade));
    }

    private static boolean isMade(Shell tray) {
        return tray.making() != Shell.Making.FOUND;
    }

    /** The walls that may be elsewhere, if some may. */
    Optional<Packer.Walls> walls() {
        List<Frame.Tray> trays = packed.frame().trays();
        List<Integer> made = IntStream.range(0, trays.size())
                .filter(i -> isMade(trays.get(i).shell()))
                .boxed()
                .toList();
        Set<Integer> along = made.stream()
                .filter(i -> made.stream().anyMatch(j -> j < i && packed.frame().goesAlong(i, j)))
                .collect(Collectors.toSet());
        return stepMm.map(step -> new Packer.Walls(packed.frame(), made, along, !packs(), step));
    }

    /** What may be moved in some trays: no bundle with a locked part, and all that is on the table. */
    static List<Item> items(Build build, List<Shell> trays, Change change) {
        List<Item> items = new ArrayList<>();
        for (Shell tray : trays) {
            for (Bundle bundle : Bundle.in(build, tray)) {
                if (!bundle.isLocked()) {
                    items.add(item(build, bundle, trays, change));
                }
            }
        }
        for (Part part : build.loose()) {
            items.add(item(build, Bundle.loose(part, trays.getFirst()), trays, change));
        }
        return items;
    }

    private static Item item(Build build, Bundle bundle, List<Shell> trays, Change change) {
        boolean isTurned =
                change.turned().filter(bundle.ids().getFirst()::equals).isPresent();
        return isTurned ? Item.otherwise(build, bundle, trays) : Item.of(build, bundle, trays);
    }

    /** Whether what is found may be held against the build as it is: it is one with the same parts that packs. */
    private boolean isCompared() {
        return now.merit().isSound() && change.equals(Change.NONE);
    }

    /** Whether everything has a place and nothing is in the way as it is. */
    boolean packs() {
        return now.merit().isSound() && packed.loose() == 0;
    }

    /** Wanted between parts, mm. */
    double gapMm() {
        return now.build().brief().limits().gapMm();
    }

    /** What nothing beats, with the build as it is in it where that may be compared. */
    Unbeaten begun() {
        Unbeaten begun = new Unbeaten();
        if (isCompared()) {
            begun.offer(now);
        }
        return begun;
    }

    /** What was found of it. */
    List<Proposal> foundIn(Unbeaten unbeaten) {
        return unbeaten.all().stream().filter(p -> !p.equals(now)).toList();
    }

    /** One that looks, with chances of its own. */
    Seeker seeker(SplittableRandom random, Consumer<Proposal> found) {
        return new Seeker(this, random, found);
    }

    /** What is to be borne with an arrangement against the build as it is. */
    Pain pain() {
        return Pain.even(now.merit());
    }

    /** An arrangement, judged. */
    Proposal proposal(Evaluation evaluation) {
        return Proposal.of(now.evaluation(), evaluation, change, now.readings());
    }

    /** Cables that were laid are laid again where their ends are now. */
    Proposal relaid(Proposal proposal, Onlooker onlooker) {
        Build build = proposal.build();
        for (Laid cable : laid) {
            build = Layings.laid(build, cable.what(), onlooker::isCancelled);
        }
        return laid.isEmpty() || onlooker.isCancelled() ? proposal : proposal(Evaluator.evaluate(build));
    }
}
