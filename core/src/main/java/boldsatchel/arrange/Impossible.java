package boldsatchel.arrange;

import boldsatchel.fit.Placed;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import boldsatchel.stow.Item;
import boldsatchel.stow.Lying;
import java.util.List;
import java.util.Optional;

/**
 * Proofs that a tray of that size takes what is to go in on no account: a part is larger in every way in which it may lie, two have no room on any side of one another, or
 * all together are more than the room. Where none is found there may still be no way.
 */
final class Impossible {

    private static final double TINY_MM = 1e-6;
    private static final double MM3_PER_L = 1e6;

    private Impossible() {}

    /** The reason, in words; nothing where nothing is proved. */
    static Optional<String> why(Build build, List<Shell> trays) {
        // Of several trays together nothing is proved.
        return trays.size() == 1 ? why(build, trays.getFirst()) : Optional.empty();
    }

    private static Optional<String> why(Build build, Shell tray) {
        double gap = build.brief().limits().gapMm();
        List<Item> items = Start.items(build, List.of(tray), Change.NONE);
        for (Item item : items) {
            if (item.ways().stream().noneMatch(w -> fits(w, tray))) {
                return Optional.of(name(build, item) + " is too large for " + tray.name() + ", " + size(tray)
                        + " inside, in every way in which it may lie.");
            }
        }
        for (int i = 0; i < items.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (!areBoth(items.get(i), items.get(j), tray, gap)) {
                    return Optional.of("%s and %s have no room beside or above one another in %s, %s inside."
                            .formatted(name(build, items.get(j)), name(build, items.get(i)), tray.name(), size(tray)));
                }
            }
        }
        double needed = items.stream().mapToDouble(i -> takes(i, gap)).sum();
        double room = (tray.cavity().dx() + gap)
                * (tray.cavity().dy() + gap)
                * (tray.cavity().dz() + gap);
        return needed > room
                ? Optional.of("With %s between them the parts take %s, and %s has %s."
                        .formatted(
                                Units.format(gap, 1, "mm"),
                                Units.format(needed / MM3_PER_L, 3, "l"),
                                tray.name(),
                                Units.format(room / MM3_PER_L, 3, "l")))
                : Optional.empty();
    }

    private static String size(Shell tray) {
        return Units.format(tray.cavity().dx(), 0, "mm") + " × "
                + Units.format(tray.cavity().dy(), 0, "mm") + " × "
                + Units.format(tray.cavity().dz(), 0, "mm");
    }

    private static String name(Build build, Item item) {
        return item.ids().stream()
                .flatMap(id -> build.part(id).stream())
                .map(p -> p.name())
                .reduce((a, b) -> a + " with " + b)
                .orElse("A part");
    }

    private static double size(Lying way, int axis) {
        return way.high(axis) - way.low(axis);
    }

    private static boolean fits(Lying way, Shell tray) {
        boolean fits = true;
        for (int axis = 0; axis < 3; axis++) {
            fits &= size(way, axis) <= tray.cavity().size(axis) + TINY_MM;
        }
        return fits;
    }

    /** Whether two have room side by side in some of their ways; what may lie in a hollow of another always has. */
    private static boolean areBoth(Item a, Item b, Shell tray, double gap) {
        if (!isBox(a) || !isBox(b)) {
            return true;
        }
        for (Lying one : a.ways()) {
            for (Lying other : b.ways()) {
                for (int axis = 0; axis < 3; axis++) {
                    double both = size(one, axis) + size(other, axis) + gap;
                    if (fits(one, tray)
                            && fits(other, tray)
                            && both <= tray.cavity().size(axis) + TINY_MM) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** A part alone that is nothing but the box around it. */
    private static boolean isBox(Item item) {
        List<Placed> lies = item.ways().getFirst().bundle().lies();
        return lies.size() == 1 && lies.getFirst().part().body().solids().isEmpty();
    }

    /** The least of the room that it takes, with its gap where it is a box, mm³. */
    private static double takes(Item item, double gap) {
        if (isBox(item)) {
            var box = item.ways().getFirst().bundle().bounds();
            return (box.dx() + gap) * (box.dy() + gap) * (box.dz() + gap);
        }
        return item.ways().getFirst().bundle().lies().stream()
                .mapToDouble(p ->
                        p.solids().stream().mapToDouble(s -> s.volume()).max().orElse(0))
                .sum();
    }
}
