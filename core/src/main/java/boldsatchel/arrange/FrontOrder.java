package boldsatchel.arrange;

import boldsatchel.fit.Placed;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.stow.Item;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** What stays before what: a pointing device that lies before the keys is reached by the thumbs from there, and behind them by nobody who types. Nobody changes one. */
final class FrontOrder {

    private final List<Pair> pairs = new ArrayList<>();
    /** By item, where it ends at most to the back, for keys that do not move, mm. */
    private final double[] before;
    /** By item, where it begins at most to the front, for a pointing device that does not move, mm. */
    private final double[] behind;

    /** Two items, by their numbers. */
    private record Pair(int front, int back) {}

    private FrontOrder(int items) {
        before = new double[items];
        behind = new double[items];
        Arrays.fill(before, Double.POSITIVE_INFINITY);
        Arrays.fill(behind, Double.NEGATIVE_INFINITY);
    }

    /** As they lie now. */
    static FrontOrder of(Build build, List<Item> items) {
        FrontOrder order = new FrontOrder(items.size());
        List<Placed> lying = Placed.all(build);
        for (Placed pointer : lying) {
            for (Placed keys : lying) {
                boolean isBefore = pointer.part().family() == Family.POINTER
                        && keys.part().family() == Family.KEYBOARD
                        && pointer.shell().equals(keys.shell())
                        && pointer.bounds().high(1) <= keys.bounds().low(1);
                int front = number(items, pointer.id());
                int back = number(items, keys.id());
                if (isBefore && front >= 0 && back >= 0 && front != back) {
                    order.pairs.add(new Pair(front, back));
                } else if (isBefore && front >= 0 && back < 0) {
                    order.before[front] =
                            Math.min(order.before[front], keys.bounds().low(1));
                } else if (isBefore && back >= 0 && front < 0) {
                    order.behind[back] =
                            Math.max(order.behind[back], pointer.bounds().high(1));
                }
            }
        }
        return order;
    }

    private static int number(List<Item> items, String part) {
        return IntStream.range(0, items.size())
                .filter(i -> items.get(i).ids().contains(part))
                .findFirst()
                .orElse(-1);
    }

    /** Where an item may begin at most to the front, mm. */
    double least(int item, Packed packed) {
        double least = behind[item];
        for (Pair pair : pairs) {
            double[] at = pair.back == item ? packed.at(pair.front) : null;
            least = at == null
                    ? least
                    : Math.max(least, at[1] + packed.lying(pair.front).sizeMm(1));
        }
        return least;
    }

    /** Where it may end at most to the back, mm. */
    double most(int item, Packed packed) {
        double most = before[item];
        for (Pair pair : pairs) {
            double[] at = pair.front == item ? packed.at(pair.back) : null;
            most = at == null ? most : Math.min(most, at[1]);
        }
        return most;
    }
}
