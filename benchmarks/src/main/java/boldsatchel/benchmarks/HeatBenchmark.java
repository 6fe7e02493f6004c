package boldsatchel.benchmarks;

import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatEngine;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.heat.Sustained;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.plan.Relief;
import boldsatchel.plan.Reliefs;
import boldsatchel.power.Points;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long heat takes: steady in all uses, a run from full to its end (some hours: docs/benchmarks.md says how many), what goes on for ever, what would help. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
public class HeatBenchmark {

    /** Which demo. */
    @Param({"cave-survey", "orchard-ledger", "harbour-watch"})
    public String demo = "";

    private Evaluation now = Evaluator.evaluate(Build.empty(""));
    private List<Part> shelf = List.of();

    /** Makes the build ready. */
    @Setup
    public void prepare() {
        now = Evaluator.evaluate(Library.demo(demo).orElseThrow());
        shelf = Library.shipped().parts();
    }

    /** Every use, in its steady state. */
    @Benchmark
    public HeatResult steady() {
        return HeatEngine.evaluate(now.build(), now.of(FitResult.class), now.of(Points.class));
    }

    /** The first profile, from full to its end. */
    @Benchmark
    public Optional<HeatRun> run() {
        return HeatRun.of(
                now.build(),
                now.of(FitResult.class),
                now.of(Points.class),
                now.build().brief().profile(),
                false);
    }

    /** What can go on for ever, and how long more can. */
    @Benchmark
    public Optional<Sustained> sustained() {
        return Sustained.of(
                now.build(),
                now.of(FitResult.class),
                now.of(Points.class),
                now.build().brief().profile(),
                false);
    }

    /** What would help, ranked. */
    @Benchmark
    public List<Relief> help() {
        return Reliefs.of(now, shelf, () -> false);
    }
}
