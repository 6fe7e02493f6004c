package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** How long it takes to read from the drives, one alone and all at once: behind one hub they share its way up. */
public final class Copies {

    private static final double BITS_PER_MB = 8e6;
    private static final double TEN_GB_IN_MB = 10_000;

    private Copies() {}

    /**
     * One drive.
     *
     * @param part its id
     * @param aloneMbS alone
     * @param togetherMbS while all others are read as well
     */
    public record Copy(String part, double aloneMbS, double togetherMbS) {
        /** Seconds to read 10 GB at a rate, MB/s. */
        public static double seconds(double mbS) {
            return TEN_GB_IN_MB / mbS;
        }
    }

    /** All drives of a build that somebody reads. */
    public static List<Copy> all(Build build, LinksResult links) {
        List<Need> drives = new ArrayList<>();
        List<Double> alone = new ArrayList<>();
        for (Need need : links.needs()) {
            build.part(need.part())
                    .flatMap(p -> p.facet(Facet.Stores.class))
                    .flatMap(s -> need.route().map(r -> Math.min(s.readMbS() * BITS_PER_MB, r.bitsPerSecond())))
                    .ifPresent(bits -> {
                        drives.add(need);
                        alone.add(bits);
                    });
        }
        double[] together = share(drives, alone);
        List<Copy> copies = new ArrayList<>();
        for (int i = 0; i < together.length; i++) {
            copies.add(new Copy(drives.get(i).part(), alone.get(i) / BITS_PER_MB, together[i] / BITS_PER_MB));
        }
        return copies;
    }

    /** Max-min fair: all grow alike until each is held by itself or by a way that is full (Bertsekas and Gallager, Data Networks, 6.5). */
    private static double[] share(List<Need> drives, List<Double> most) {
        int n = drives.size();
        double[] rate = new double[n];
        boolean[] held = new boolean[n];
        Map<Link.End, Double> left = new HashMap<>();
        Map<Link.End, List<Integer>> users = new HashMap<>();
        for (int i = 0; i < n; i++) {
            for (Route.Hop hop : drives.get(i).route().orElseThrow().hops()) {
                left.put(
                        hop.taker(),
                        Math.min(hop.taken().bitsPerSecond(), hop.given().bitsPerSecond()));
                users.computeIfAbsent(hop.taker(), e -> new ArrayList<>()).add(i);
            }
        }
        for (int round = 0; round <= n + left.size(); round++) {
            double step = Double.POSITIVE_INFINITY;
            for (int i = 0; i < n; i++) {
                step = held[i] ? step : Math.min(step, most.get(i) - rate[i]);
            }
            for (Map.Entry<Link.End, List<Integer>> way : users.entrySet()) {
                long growing = way.getValue().stream().filter(i -> !held[i]).count();
                step = growing == 0 ? step : Math.min(step, left.getOrDefault(way.getKey(), 0.0) / growing);
            }
            if (!Double.isFinite(step)) {
                break;
            }
            grow(step, rate, held, left, users);
            hold(most, rate, held, left, users);
        }
        return rate;
    }

    private static void grow(
            double step,
            double[] rate,
            boolean[] held,
            Map<Link.End, Double> left,
            Map<Link.End, List<Integer>> users) {
        users.forEach((way, on) ->
                left.merge(way, -step * on.stream().filter(i -> !held[i]).count(), Double::sum));
        for (int i = 0; i < rate.length; i++) {
            rate[i] += held[i] ? 0 : step;
        }
    }

    private static void hold(
            List<Double> most,
            double[] rate,
            boolean[] held,
            Map<Link.End, Double> left,
            Map<Link.End, List<Integer>> users) {
        for (int i = 0; i < rate.length; i++) {
            held[i] |= rate[i] >= most.get(i) * (1 - 1e-12);
        }
        users.forEach((way, on) -> {
            if (left.getOrDefault(way, 0.0) <= 1) {
                on.forEach(i -> held[i] = true);
            }
        });
    }
}
