package boldsatchel.benchmarks;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long packing takes: heaps of parts, a lid on its way, a picture. */
@State(Scope.Thread)
@BenchmarkMode(org.openjdk.jmh.annotations.Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class PackBenchmark {

    private Build forty = Build.empty("forty");
    private Build fourHundred = Build.empty("four hundred");
    private Build laptop = Build.empty("laptop");
    private Evaluation drawn = Evaluator.evaluate(laptop);

    /** Builds what is measured. */
    @Setup
    public void build() {
        forty = heap(40, 300);
        fourHundred = heap(400, 900);
        laptop = Library.demo("orchard-ledger").orElseThrow();
        drawn = Evaluator.evaluate(laptop);
    }

    private static Build heap(int parts, double side) {
        Random random = new Random(1);
        Shell tray = Shell.plain(
                "tray",
                "Tray",
                new boldsatchel.geometry.Box(0, 0, 0, side, side, 60),
                Figure.measured(2),
                Material.PLASTIC,
                Shell.Making.PRINTED,
                true);
        List<Part> all = new ArrayList<>();
        List<Placement> places = new ArrayList<>();
        for (int i = 0; i < parts; i++) {
            Body body = Body.block(
                    Figure.measured(5 + 30 * random.nextDouble()),
                    Figure.measured(5 + 30 * random.nextDouble()),
                    Figure.measured(3 + 15 * random.nextDouble()));
            Part like = Library.shipped().parts().getFirst();
            all.add(like.withId("p" + i).withBody(body));
            places.add(new Placement(
                    "p" + i,
                    "tray",
                    new Vec(side * random.nextDouble(), side * random.nextDouble(), 40 * random.nextDouble()),
                    Orientation.AS_DRAWN,
                    Set.of()));
        }
        return Build.empty("heap")
                .with(Casing.of(List.of(tray), Figure.measured(0)))
                .with(new Parts(all))
                .with(new Layout(places));
    }

    /** Fit of forty parts. */
    @Benchmark
    public FitResult fitOfForty() {
        return FitEngine.evaluate(forty);
    }

    /** Fit of four hundred parts. */
    @Benchmark
    public FitResult fitOfFourHundred() {
        return FitEngine.evaluate(fourHundred);
    }

    /** Fit of a laptop in its postures and on the way between them. */
    @Benchmark
    public FitResult fitOfLaptop() {
        return FitEngine.evaluate(laptop);
    }

    /** A plan as it is drawn while a part is dragged. */
    @Benchmark
    public Drawing plan() {
        return draw(PackView.PLAN);
    }

    /** An exploded view. */
    @Benchmark
    public Drawing exploded() {
        return draw(PackView.EXPLODED);
    }

    private Drawing draw(PackView view) {
        return PackDrawings.of(drawn, new PackDrawings.Look(view, "base", Posture.CLOSED))
                .in(Room.window(780, 380));
    }
}
