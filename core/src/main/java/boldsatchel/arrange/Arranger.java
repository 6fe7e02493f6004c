package boldsatchel.arrange;

import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Bundle;
import boldsatchel.stow.FreePlace;
import boldsatchel.stow.Item;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;

/**
 * Places for all that lies on the table, beside what lies in a tray. Parts are put one after another into the first free place, as by hand; where that is not enough, boxes are
 * searched for ({@link PartBoxes}) and parts taken out and put in again ({@link Packer}), and the engines judge between what comes of it.
 */
public final class Arranger {

    /** How often some parts are taken out and put in again while one has no place: a second or two. */
    private static final int MOST_ROUNDS = 4000;

    private static final long SEED = 1;

    /** Read of each: how much is to be said against it. */
    private static final List<Reading> SAID = List.of(Reading.STOPS, Reading.WATCHES);

    private static final Comparator<Merit> LEAST_ILL = Comparator.comparingDouble(Merit::looseMm3)
            .thenComparingInt(Merit::wrong)
            .thenComparing(Merit::values, (a, b) -> Arrays.compare(plain(a), plain(b)));

    private Arranger() {}

    /** Places all that is on the table in a tray, as far as there is room. */
    public static Edit place(Shell shell, BooleanSupplier stop) {
        return Edit.searched(
                "place all in " + shell.name(),
                b -> b.shell(shell.id()).map(s -> placed(b, s, stop)).orElse(b));
    }

    private static Build placed(Build build, Shell shell, BooleanSupplier stop) {
        Evaluation was = Evaluator.evaluate(build);
        Build best = rest(build, shell);
        Merit least = Merit.of(Evaluator.evaluate(best), was, SAID);
        if (least.looseMm3() == 0 && least.wrong() <= Merit.of(was, was, SAID).wrong()) {
            return best;
        }
        Build boxes = rest(PartBoxes.placed(build, shell, SEED, stop), shell);
        Build again = rest(again(build, shell, stop), shell);
        for (Build other : List.of(boxes, again)) {
            Merit merit = Merit.of(Evaluator.evaluate(other), was, SAID);
            if (LEAST_ILL.compare(merit, least) < 0) {
                best = other;
                least = merit;
            }
        }
        return best;
    }

    private static double[] plain(List<Double> values) {
        return values.stream().mapToDouble(v -> v).toArray();
    }

    /** Taken out and put in again by chance, until all have a place. */
    private static Build again(Build build, Shell shell, BooleanSupplier stop) {
        List<Item> items = build.loose().stream()
                .map(p -> Item.of(build, Bundle.loose(p, shell), List.of(shell)).flatOnly())
                .toList();
        Packed best = Packed.of(build, Frame.of(build, List.of(shell), List.of()), items);
        Packer packer = new Packer(
                items,
                build.brief().limits().gapMm(),
                FrontOrder.of(build, items),
                Optional.empty(),
                false,
                new SplittableRandom(SEED));
        for (int round = 0; round < MOST_ROUNDS && best.loose() > 0 && !stop.getAsBoolean(); round++) {
            Packed next = packer.changed(best).orElse(best);
            best = next.loose() <= best.loose() ? next : best;
        }
        return best.built();
    }

    /** The largest first. */
    private static Build rest(Build build, Shell shell) {
        List<Part> loose = new ArrayList<>(build.loose());
        loose.sort(Comparator.comparingDouble(p -> -p.body().bounds().volume()));
        Build placed = build;
        for (Part part : loose) {
            placed = new FreePlace(placed, shell, build.brief().limits().gapMm())
                    .of(part)
                    .map(placed::with)
                    .orElse(placed);
        }
        return placed;
    }
}
