package boldsatchel.benchmarks;

import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Vec;
import boldsatchel.heat.HeatEngine;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Points;
import boldsatchel.power.PointsEngine;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
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
@BenchmarkMode(org.openjdk.jmh.annotations.Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 5, time = 5)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class EvaluationBenchmark {

    /** It takes some forty seconds until all of an evaluation is compiled. */
    private static final int WARM = 12;

    /** Which demo. */
    @Param({"cave-survey", "orchard-ledger", "harbour-watch"})
    public String demo = "";

    private Build build = Build.empty("");
    private Build moved = Build.empty("");
    private Build recut = Build.empty("");
    private Build unplugged = Build.empty("");
    private boolean there;
    private final Evaluator evaluator = new Evaluator();
    private FitResult fit = FitEngine.evaluate(Build.empty(""));
    private Points points = PointsEngine.evaluate(Build.empty(""));
    private Network network = network(Library.demo("cave-survey").orElseThrow());

    /** Called by the harness. */
    public EvaluationBenchmark() {}

    private static Network network(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
    }

    private static final List<String> SIXTY = List.of(
            "x86-wide",
            "arm-core",
            "arm-card",
            "wifi-m2",
            "gauge-bus",
            "hub-7*3",
            "usb-drive*3",
            "trackball*3",
            "kb-40*3",
            "mcu-stick*3",
            "clock-cell*2",
            "pin-extender*2",
            "gnss*3",
            "card-128*2",
            "amp-3w*2",
            "speakers*2",
            "touch-7*3",
            "button-12*8",
            "encoder-knob*3",
            "antenna-flat*2",
            "button-four*6",
            "stick-click*2",
            "direction-pad*3");

    private final Build sixty = sixty();

    /** Sixty parts off the shelf with nothing plugged in; all can be connected. */
    private static Build sixty() {
        Build build = Build.empty("sixty");
        for (String entry : SIXTY) {
            int star = entry.indexOf('*');
            Part part = Picks.shelf()
                    .part(star < 0 ? entry : entry.substring(0, star))
                    .orElseThrow();
            int count = star < 0 ? 1 : Integer.parseInt(entry.substring(star + 1));
            for (int i = 0; i < count; i++) {
                build = build.with(build.parts().and(part.withId(build.freeId(part.id()))));
            }
        }
        return build;
    }

    /** Reads the demo. */
    @Setup
    public void read() {
        build = Library.demo(demo).orElseThrow();
        network = network(build);
        unplugged = build.with(build.wiring().withLinks(List.of()));
        fit = FitEngine.evaluate(build);
        points = PointsEngine.evaluate(build);
        moved = moved(fit.placed().getFirst().id());
        recut = moved(build.casing().shells().stream()
                .flatMap(s -> s.openings().stream())
                .flatMap(o -> o.serves().stream())
                .map(Opening.Serves::part)
                .findFirst()
                .orElseThrow());
    }

    private Build moved(String id) {
        Part part = build.part(id).orElseThrow();
        Vec at = build.placement(id).orElseThrow().at();
        return Edits.move(part, at.plus(new Vec(0.5, 0, 0))).change().apply(build);
    }

    /** Everything: engines, ranges, verdicts, findings. */
    @Benchmark
    @Warmup(iterations = WARM, time = 5)
    public Evaluation wholeEvaluation() {
        return Evaluator.evaluate(build);
    }

    /** After an edit that only moves a part: there and back, half a millimetre. */
    @Benchmark
    @Warmup(iterations = WARM, time = 5)
    public Evaluation moveOnly() {
        there = !there;
        return evaluator.judge(there ? moved : build);
    }

    /** The same of a part that openings follow: the case is cut anew each time. */
    @Benchmark
    @Warmup(iterations = WARM, time = 5)
    public Evaluation moveOpenings() {
        there = !there;
        return evaluator.judge(there ? recut : build);
    }

    /** The power chain with the range of its run time. */
    @Benchmark
    public PowerResult powerWithRange() {
        return PowerEngine.evaluate(build);
    }

    /** Temperatures with the range of the least margin. */
    @Benchmark
    public HeatResult heatWithRange() {
        return HeatEngine.evaluate(build, fit, points);
    }

    /** All links found anew, as by “Connect for me”. */
    @Benchmark
    public LinkPlanner.Proposal connect() {
        return LinkPlanner.connect(unplugged);
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

    /** Everything of sixty parts connected, from nothing plugged in; the demo does not matter. */
    @Benchmark
    public LinkPlanner.Proposal connectSixty() {
        return LinkPlanner.connect(sixty);
    }
}
