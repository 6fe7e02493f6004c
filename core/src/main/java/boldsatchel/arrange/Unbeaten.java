package boldsatchel.arrange;

import java.util.ArrayList;
import java.util.List;

/**
 * Arrangements of which none is beaten by another: what one is better in, it pays for elsewhere. Of more than are looked at, one of the two that are most alike goes. Not to be
 * shared by threads.
 */
final class Unbeaten {

    /** More are not looked at. */
    static final int MOST = 12;

    private final List<Proposal> kept = new ArrayList<>();

    /** Takes one that nothing kept beats or reads like; says whether. */
    boolean offer(Proposal offered) {
        Merit merit = offered.merit();
        if (kept.stream().anyMatch(k -> k.merit().beats(merit) || k.merit().readsLike(merit))) {
            return false;
        }
        kept.removeIf(k -> merit.beats(k.merit()));
        kept.add(offered);
        if (kept.size() > MOST) {
            kept.remove(crowded());
        }
        return kept.contains(offered);
    }

    /** Those that are kept, in the order in which they came. */
    List<Proposal> all() {
        return List.copyOf(kept);
    }

    /** Of the two that are most alike the later one; none that is the best of all in something. */
    private Proposal crowded() {
        List<double[]> seen = kept.stream().map(k -> k.merit().good()).toList();
        double[] low = seen.getFirst().clone();
        double[] high = seen.getFirst().clone();
        for (double[] s : seen) {
            for (int i = 0; i < s.length; i++) {
                low[i] = Math.min(low[i], s[i]);
                high[i] = Math.max(high[i], s[i]);
            }
        }
        int goes = kept.size() - 1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < kept.size(); i++) {
            for (int j = 0; j < i; j++) {
                double apart = apart(seen.get(i), seen.get(j), low, high);
                if (apart < least && !isBest(i, seen, high)) {
                    least = apart;
                    goes = i;
                }
            }
        }
        return kept.get(goes);
    }

    /** Whether it alone is the best in something. */
    private static boolean isBest(int one, List<double[]> seen, double[] high) {
        for (int i = 0; i < high.length; i++) {
            int k = i;
            if (seen.get(one)[k] == high[k]
                    && seen.stream().filter(s -> s[k] == high[k]).count() == 1) {
                return true;
            }
        }
        return false;
    }

    private static double apart(double[] a, double[] b, double[] low, double[] high) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            double span = high[i] - low[i];
            sum += span > 0 ? Math.abs(a[i] - b[i]) / span : 0;
        }
        return sum;
    }
}
