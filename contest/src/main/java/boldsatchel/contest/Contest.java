package boldsatchel.contest;

import boldsatchel.arrange.BoxSearch;
import boldsatchel.arrange.Piece;
import boldsatchel.geometry.Vec;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.IntPredicate;

/** Our search for boxes against a general solver: the same boxes, seconds and threads. Prints a table. */
public final class Contest {

    private static final int[] COUNTS = {8, 12, 20, 30};
    private static final double[] FILLS = {0.70, 0.80, 0.87, 0.95, 1.00};
    private static final double NANOS = 1e-9;
    /** Solved before the first that counts. */
    private static final int WARM = 20;

    private Contest() {}

    /**
     * Runs it.
     *
     * @param args seconds for each, seeds of each kind of cut, threads, then “ours” to leave the other out; as 10 3 2 where nothing is said. With a count and a fill after these only that
     */
    public static void main(String[] args) {
        double seconds = args.length > 0 ? Double.parseDouble(args[0]) : 10;
        int seeds = args.length > 1 ? Integer.parseInt(args[1]) : 3;
        int threads = args.length > 2 ? Integer.parseInt(args[2]) : 2;
        boolean both = args.length <= 3 || !args[3].equals("ours");
        if (both) {
            GeneralSolver.load();
        }
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        warm(seconds, threads, both);
        out.println("| boxes | fill | ours: solved | median s | slowest s | general solver: solved | median s |"
                + " ours ahead at most | behind at most |");
        out.println("|---|---|---|---|---|---|---|---|---|");
        for (int count : COUNTS) {
            for (double fill : FILLS) {
                boolean isAsked = args.length < 6
                        || (count == Integer.parseInt(args[4]) && fill == Double.parseDouble(args[5]));
                if (isAsked) {
                    row(out, count, fill, seconds, seeds, threads, both);
                }
            }
        }
    }

    private static void row(PrintWriter out, int count, double fill, double seconds, int seeds, int threads, boolean both) {
        List<Boxes> all = new ArrayList<>();
        for (int seed = 0; seed < seeds; seed++) {
            all.add(Boxes.cut(1000L * count + seed, count, fill, true));
            all.add(Boxes.cut(1000L * count + 500 + seed, count, fill, false));
        }
        List<Double> ours = timed(all.size(), i -> isSolved(all.get(i), seconds, threads, i));
        List<Double> others =
                both ? timed(all.size(), i -> GeneralSolver.solves(all.get(i), seconds, threads, i)) : List.of();
        out.printf(
                Locale.ROOT,
                "| %d | %.0f %% | %d of %d | %s | %s | %s | %s | %s | %s |%n",
                count,
                100 * fill,
                ours.size(),
                all.size(),
                median(ours),
                ours.isEmpty() ? "–" : String.format(Locale.ROOT, "%.2f", ours.getLast()),
                both ? others.size() + " of " + all.size() : "–",
                median(others),
                both ? ahead(ours, others) : "–",
                both ? ahead(others, ours) : "–");
    }

    /** The first few are slow in a program that has just started, whoever solves them. */
    private static void warm(double seconds, int threads, boolean both) {
        for (int i = 0; i < WARM; i++) {
            Boxes boxes = Boxes.cut(i, COUNTS[1], FILLS[1], true);
            isSolved(boxes, seconds, threads, i);
            if (both) {
                GeneralSolver.solves(boxes, seconds, threads, i);
            }
        }
    }

    /** Of all times by which both could have been stopped, that at which the first has solved most more than the other. */
    private static String ahead(List<Double> one, List<Double> other) {
        int most = 0;
        double at = 0;
        for (int i = 0; i < one.size(); i++) {
            double time = one.get(i);
            int by = i + 1 - (int) other.stream().filter(t -> t <= time).count();
            if (by > most) {
                most = by;
                at = time;
            }
        }
        return most == 0 ? "never" : String.format(Locale.ROOT, "%d after %.2f s", most, at);
    }

    /** Seconds of those that were solved, the quickest first. */
    private static List<Double> timed(int count, IntPredicate solves) {
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            long start = System.nanoTime();
            if (solves.test(i)) {
                times.add((System.nanoTime() - start) * NANOS);
            }
        }
        times.sort(Double::compare);
        return times;
    }

    private static String median(List<Double> times) {
        return times.isEmpty() ? "–" : String.format(Locale.ROOT, "%.2f", times.get(times.size() / 2));
    }

    /** Each thread with a seed of its own; the first that has all in ends it. */
    private static boolean isSolved(Boxes boxes, double seconds, int threads, int seed) {
        List<Piece> pieces = boxes.sizes().stream().map(Contest::piece).toList();
        Vec room = new Vec(Boxes.ROOM[0], Boxes.ROOM[1], Boxes.ROOM[2]);
        long start = System.nanoTime();
        AtomicBoolean done = new AtomicBoolean();
        try (ExecutorService workers = Executors.newFixedThreadPool(threads)) {
            List<CompletableFuture<Void>> running = new ArrayList<>();
            for (int i = 0; i < threads; i++) {
                BoxSearch search = new BoxSearch(room, List.of(), pieces, (long) seed * threads + i);
                running.add(CompletableFuture.runAsync(
                        () -> {
                            search.search(
                                    Long.MAX_VALUE,
                                    () -> done.get() || (System.nanoTime() - start) * NANOS > seconds);
                            done.compareAndSet(false, search.isWhole());
                        },
                        workers));
            }
            running.forEach(CompletableFuture::join);
        }
        return done.get();
    }

    /** In all six ways to lie. */
    private static Piece piece(int[] size) {
        int[][] ways = {{0, 1, 2}, {0, 2, 1}, {1, 0, 2}, {1, 2, 0}, {2, 0, 1}, {2, 1, 0}};
        Set<Piece.Turn> turns = new LinkedHashSet<>();
        for (int[] w : ways) {
            turns.add(new Piece.Turn(new Vec(size[w[0]], size[w[1]], size[w[2]]), Set.of()));
        }
        return new Piece(List.copyOf(turns));
    }
}
