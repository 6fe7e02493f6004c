package boldsatchel.benchmarks;

import boldsatchel.arrange.Arrangements;
import boldsatchel.arrange.BoxSearch;
import boldsatchel.arrange.Onlooker;
import boldsatchel.arrange.Piece;
import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.Wish;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Layout;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long looking for arrangements takes: until the first proposal, a round with all engines, and a whole packing of boxes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 5)
@Measurement(iterations = 5, time = 3)
public class ArrangeBenchmark {

    private static final int ROUNDS = 200;
    private static final int TRIES = 500;

    /** Which demo, and which of its trays. */
    @Param({"cave-survey slab", "orchard-ledger base", "harbour-watch base"})
    public String demo = "";

    private Build build = Build.empty("");
    private String tray = "";
    private List<Piece> pieces = List.of();

    /** Makes the build ready, without its cables: they are laid once at the end, not in each round. */
    @Setup
    public void prepare() {
        String[] words = demo.split(" ", -1);
        Build whole = Library.demo(words[0]).orElseThrow();
        build = whole.with(new Layout(whole.layout().placements()));
        tray = words[1];
        SplittableRandom random = new SplittableRandom(1);
        List<Piece> all = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            double a = 20 + random.nextInt(60);
            double b = 15 + random.nextInt(40);
            double c = 10 + random.nextInt(20);
            all.add(new Piece(List.of(
                    new Piece.Turn(new Vec(a, b, c), Set.of()),
                    new Piece.Turn(new Vec(b, a, c), Set.of()),
                    new Piece.Turn(new Vec(c, b, a), Set.of()))));
        }
        pieces = all;
    }

    /** Until there is a proposal. */
    @Benchmark
    public List<Proposal> first() {
        boolean[] found = {false};
        return Arrangements.find(build, new Wish(tray, Optional.empty(), 1, 1, 100_000), new Onlooker() {
            @Override
            public void found(List<Proposal> proposals) {
                found[0] = true;
            }

            @Override
            public boolean isEnough() {
                return found[0];
            }
        });
    }

    /** One round: some taken out, put in again, judged by all engines. */
    @Benchmark
    @OperationsPerInvocation(ROUNDS)
    public List<Proposal> round() {
        return Arrangements.find(build, new Wish(tray, Optional.empty(), 1, 1, ROUNDS), Onlooker.NONE);
    }

    /** One whole packing of twenty boxes. */
    @Benchmark
    @OperationsPerInvocation(TRIES)
    public List<BoxSearch.Spot> packing() {
        return new BoxSearch(new Vec(240, 150, 60), List.of(), pieces, 1).search(TRIES, () -> false);
    }
}
