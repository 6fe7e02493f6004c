package boldsatchel.standins;

import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A bench on which everything comes out as planned: what the hold points of a build ask for, done. */
public final class AsPlanned {

    private AsPlanned() {}

    /** The build with all tests done that its hold points ask for. */
    public static Build tested(Build build, LocalDate on) {
        Evaluation evaluation = Evaluator.evaluate(build);
        Measurand.Known known = Measurand.Known.of(build, evaluation.results(), BenchTest.USUAL_C);
        List<Journal.Tested> tests = new ArrayList<>(build.journal().tests());
        for (Step step : evaluation.of(PlanResult.class).plan().get().steps()) {
            Optional<BenchTest> test = step.test().flatMap(BenchTests::test);
            for (String subject : step.subjects()) {
                Optional<Part> part = build.part(subject);
                if (test.isPresent() && part.isPresent()) {
                    tests.add(done(test.get(), part.get(), known, on));
                }
            }
        }
        return build.with(build.journal().withTests(tests));
    }

    private static Journal.Tested done(BenchTest test, Part part, Measurand.Known known, LocalDate on) {
        List<Journal.Taken> readings = test.measurands().stream()
                .map(m -> new Journal.Taken(
                        m.id(),
                        Figure.measured(m.expected(part, known)
                                .filter(Expectation::isFinite)
                                .map(Expectation::value)
                                .orElse(1.0))))
                .toList();
        return new Journal.Tested(Optional.of(on), test.id(), part.id(), "multimeter", BenchTest.USUAL_C, readings, "");
    }
}
