package boldsatchel.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.BenchEdits;
import boldsatchel.format.BuildFormat;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** Plan against measured, and the plan once it was taken over. */
public class BenchEngineTest {

    private static final double CELSIUS = 10;

    private static Build demo(String name) {
        return Library.demo(name).orElseThrow();
    }

    private static Measurand.Known known(Build build) {
        Evaluation evaluation = Evaluator.evaluate(build);
        return Measurand.Known.of(build, evaluation.results(), CELSIUS);
    }

    private static Part pack(Build build) {
        return build.parts().list().stream()
                .filter(p -> p.facet(Facet.Cells.class).isPresent())
                .findFirst()
                .orElseThrow();
    }

    private static double hours(Evaluation evaluation) {
        return evaluation.of(PowerResult.class).shortest().orElseThrow().run().hours();
    }

    private static Journal.Tested tested(String test, Part part, String what, double value, double plusMinus) {
        return new Journal.Tested(
                Optional.of(LocalDate.of(2026, 11, 27)),
                test,
                part.id(),
                "load",
                CELSIUS,
                List.of(new Journal.Taken(what, new Figure(value, plusMinus, Basis.MEASURED))),
                "");
    }

    private static Build with(Build build, Journal.Tested test) {
        return BenchEdits.record("a test", test).change().apply(build);
    }

    @Test
    public void everyTestOfTheListCanBeDoneAndReadsWhatThereIs() {
        assertThat(BenchTests.all()).extracting(BenchTest::id).doesNotHaveDuplicates();
        for (BenchTest test : BenchTests.all()) {
            assertThat(test.onSomething()).as(test.id()).isTrue();
            assertThat(test.measurands()).as(test.id()).isNotEmpty();
            assertThat(test.steps()).as(test.id()).isNotEmpty();
            assertThat(test.purpose()).as(test.id()).endsWith(".");
            assertThat(test.minutes()).as(test.id()).isPositive();
            assertThat(test.needs()).as(test.id()).isNotEmpty();
        }
        Build build = demo("orchard-ledger");
        Measurand.Known known = known(build);
        for (BenchTest test : BenchTests.all()) {
            for (Part part : BenchTests.parts(build, test)) {
                for (Measurand m : test.measurands()) {
                    boolean fed = build.rungs().anyMatch(r -> r.part().equals(Optional.of(part.id())));
                    // Not every part is fed, has a way to the air or sockets; the brief names no program.
                    boolean open = !fed
                            || List.of("part.looseCelsius", "part.celsius", "ports.work")
                                    .contains(m.id())
                            || m.id().startsWith("program.");
                    assertThat(open || m.expected(part, known).isPresent())
                            .as(test.id() + " of " + part.id() + ": " + m.id())
                            .isTrue();
                }
            }
        }
    }

    /** A converter of known q, v and r loses as the formula says; from three losses the figures come back, with their doubts. */
    @Test
    public void threeLossesOfAConverterGiveItsFigures() {
        Build build = demo("orchard-ledger");
        Part part = build.part("converter").orElseThrow();
        double amps = part.facet(Facet.Converts.class).orElseThrow().limitA();
        double q = 0.15;
        double v = 0.11;
        double r = 0.07;
        Journal.Tested test = new Journal.Tested(
                Optional.empty(),
                "converter-loaded",
                part.id(),
                "",
                CELSIUS,
                List.of(
                        new Journal.Taken("Converts.quietW", new Figure(q, 0.01, Basis.MEASURED)),
                        new Journal.Taken(
                                "converter.lossHalfW",
                                new Figure(q + v * amps / 2 + r * amps * amps / 4, 0.02, Basis.MEASURED)),
                        new Journal.Taken(
                                "converter.lossFullW",
                                new Figure(q + v * amps + r * amps * amps, 0.04, Basis.MEASURED))),
                "");
        Facet.Converts taken = BenchEdits.takeOver(build, test)
                .orElseThrow()
                .change()
                .apply(build)
                .part(part.id())
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        assertThat(taken.quietW().value()).isCloseTo(q, within(1e-12));
        assertThat(taken.dropV().value()).isCloseTo(v, within(1e-9));
        assertThat(taken.lossOhms().value()).isCloseTo(r, within(1e-9));
        assertThat(taken.dropV().plusMinus())
                .isCloseTo(Math.sqrt(16 * 0.0004 + 0.0016 + 9 * 0.0001) / amps, within(1e-9));
        assertThat(taken.lossOhms().plusMinus())
                .isCloseTo(2 * Math.sqrt(4 * 0.0004 + 0.0016 + 0.0001) / amps / amps, within(1e-9));
    }

    @Test
    public void whatIsTakenOverIsWhatThePlanExpectsFromThenOn() {
        Build build = demo("cave-survey");
        for (BenchTest test : BenchTests.all()) {
            for (Part part : BenchTests.parts(build, test)) {
                for (Measurand m : test.measurands()) {
                    Optional<Expectation> before = m.expected(part, known(build));
                    if (before.isEmpty() || !m.canBeTaken()) {
                        continue;
                    }
                    double measured = before.get().value() * 0.97;
                    Build taken = BenchEdits.takeOver(build, tested("", part, m.id(), measured, 0.001 * measured))
                            .map(e -> e.change().apply(build))
                            .orElse(build);
                    Expectation after = m.expected(taken.part(part.id()).orElseThrow(), known(taken))
                            .orElseThrow();
                    assertThat(after.value()).as(part.id() + " " + m.id()).isCloseTo(measured, within(1e-9));
                }
            }
        }
    }

    @Test
    public void aPackThatIsLessThanItsLabelIsToldAndTakenOver() {
        Build build = demo("cave-survey");
        Part pack = pack(build);
        Measurand charge = Measurand.of("pack.chargeAh").orElseThrow();
        Expectation planned = charge.expected(pack, known(build)).orElseThrow();
        double poor = 0.7 * planned.value();
        Build measured = with(build, tested("discharge", pack, charge.id(), poor, 0.005 * poor));
        Evaluation evaluation = Evaluator.evaluate(measured);
        Finding finding = evaluation.findings().stream()
                .filter(f -> f.code().equals("bench.differs"))
                .findFirst()
                .orElseThrow();
        assertThat(finding.subjects()).containsExactly(pack.id());
        assertThat(finding.message()).contains("charge from full to empty").contains("planned");
        Remedy first = finding.remedies().getFirst();
        Build taken = first.edit().orElseThrow().change().apply(measured);
        Evaluation after = Evaluator.evaluate(taken);
        assertThat(after.findings()).noneMatch(f -> f.code().equals("bench.differs"));
        assertThat(hours(after) / hours(evaluation))
                .as("run time goes with the charge")
                .isCloseTo(0.7, within(0.04));
        Facet.Cells cells = pack(taken).facet(Facet.Cells.class).orElseThrow();
        assertThat(cells.capacityAh().basis()).isEqualTo(Basis.MEASURED);
    }

    @Test
    public void whatBothDoubtsExplainIsNoFinding() {
        Build build = demo("cave-survey");
        Part pack = pack(build);
        Expectation planned = Measurand.of("pack.chargeAh")
                .orElseThrow()
                .expected(pack, known(build))
                .orElseThrow();
        double side = planned.high() - planned.value();
        for (double off : List.of(-0.99, 0.99)) {
            assertThat(planned.differs(new Figure(planned.value() + off * side, 0, Basis.MEASURED)))
                    .isFalse();
            assertThat(planned.differs(new Figure(planned.value() + Math.signum(off) * 1.01 * side, 0, Basis.MEASURED)))
                    .isTrue();
            assertThat(planned.differs(new Figure(planned.value() + 1.35 * off * side, side, Basis.MEASURED)))
                    .isFalse();
        }
        Build fine = with(build, tested("discharge", pack, "pack.chargeAh", planned.value() + 0.9 * side, 0));
        assertThat(Evaluator.evaluate(fine).findings()).noneMatch(f -> f.code().startsWith("bench."));
    }

    @Test
    public void theLastReadingCountsAndAllAreKept() {
        Build build = demo("cave-survey");
        Part pack = pack(build);
        double planned = Measurand.of("pack.chargeAh")
                .orElseThrow()
                .expected(pack, known(build))
                .orElseThrow()
                .value();
        Build twice = with(
                with(build, tested("discharge", pack, "pack.chargeAh", planned / 2, 0)),
                tested("discharge", pack, "pack.chargeAh", planned, 0));
        BenchResult result = Evaluator.evaluate(twice).of(BenchResult.class);
        assertThat(result.compared()).extracting(BenchResult.Compared::latest).containsExactly(false, true);
        assertThat(Evaluator.evaluate(twice).findings()).noneMatch(f -> f.code().startsWith("bench."));
        assertThat(result.latest(pack.id(), "pack.chargeAh")
                        .orElseThrow()
                        .taken()
                        .value()
                        .value())
                .isEqualTo(planned);
    }

    @Test
    public void testsSurviveAFile() throws Exception {
        Build build =
                with(demo("cave-survey"), tested("discharge", pack(demo("cave-survey")), "something.newX", 3.5, 0.1));
        BuildFormat.Document read =
                BuildFormat.read(BuildFormat.write(new BuildFormat.Document(build, boldsatchel.format.Extras.NONE)));
        assertThat(read.build().journal()).isEqualTo(build.journal());
        assertThat(Evaluator.evaluate(read.build())
                        .of(BenchResult.class)
                        .compared()
                        .getFirst()
                        .measurand())
                .isEmpty();
    }
}
