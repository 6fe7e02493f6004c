package boldsatchel.benchmarks;

import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long a builder waits for a verdict. */
@State(Scope.Benchmark)
@BenchmarkMode(org.openjdk.jmh.annotations.Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class EvaluationBenchmark {

    /** Which demo. */
    @Param({"cave-survey", "orchard-ledger", "harbour-watch"})
    public String demo = "";

    private Build build = Build.empty("");
    private Network network = network(Library.demo("cave-survey").orElseThrow());

    /** Called by the harness. */
    public EvaluationBenchmark() {}

    private static Network network(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL).orElseThrow();
    }

    /** Reads the demo. */
    @Setup
    public void read() {
        build = Library.demo(demo).orElseThrow();
        network = network(build);
    }

    /** Everything: engines, ranges, verdicts, findings. */
    @Benchmark
    public Evaluation wholeEvaluation() {
        return Evaluator.evaluate(build);
    }

    /** One operating point, read off rung by rung. */
    @Benchmark
    public OperatingPoint operatingPoint() {
        return network.solve(0.5, Demand.of(Mode.BUSY));
    }

    /** One run from full to its end. */
    @Benchmark
    public Discharge discharge() {
        return Discharge.run(network, build.brief().profile());
    }
}
