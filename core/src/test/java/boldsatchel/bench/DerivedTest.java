package boldsatchel.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.BenchEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.power.Charge;
import boldsatchel.power.Points;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** What is worked out to be measured, against closed forms and against what the engines say. */
public class DerivedTest {

    private static final double BENCH_C = 22;

    private final Build demo = Library.demo("orchard-ledger").orElseThrow();
    private final Evaluation evaluation = Evaluator.evaluate(demo);

    private Optional<Expectation> expected(Build build, String what, String part) {
        Evaluation e = build.equals(demo) ? evaluation : Evaluator.evaluate(build);
        return Measurand.of(what)
                .orElseThrow()
                .expected(build.part(part).orElseThrow(), Measurand.Known.of(build, e.results(), BENCH_C));
    }

    private Expectation of(String what, String part) {
        return expected(demo, what, part).orElseThrow();
    }

    private static Build taken(Build build, String part, String what, Figure value) {
        Journal.Tested test = new Journal.Tested(
                Optional.empty(), "", part, "", BENCH_C, List.of(new Journal.Taken(what, value)), "");
        return BenchEdits.takeOver(build, test)
                .map(e -> e.change().apply(build))
                .orElse(build);
    }

    /** What is sent less what is lost is what arrives, between the source and what hangs on it by wires only. */
    @Test
    public void whatIsSentLessWhatIsLostArrives() {
        Expectation sent = of("supply.sourceV", "mainboard");
        Expectation lost = of("supply.lostV", "mainboard");
        Expectation arrives = of("supply.farEndV", "mainboard");
        assertThat(lost.value()).isPositive();
        assertThat(sent.value() - lost.value()).isCloseTo(arrives.value(), within(0.02));
        assertThat(of("supply.idleV", "mainboard").value()).isGreaterThan(arrives.value());
    }

    @Test
    public void aPartThatHangsOnNothingHasNoVolts() {
        Build unfed = demo.withChain(List.of());
        for (String what : List.of("supply.farEndV", "supply.idleV", "supply.lostV", "supply.sourceV")) {
            assertThat(expected(unfed, what, "mainboard")).as(what).isEmpty();
        }
    }

    @Test
    public void chargingIsWhatTheChargerSays() {
        Charge.Result charge = evaluation.of(Points.class).charges().stream()
                .filter(c -> c.store().equals("battery"))
                .findFirst()
                .orElseThrow();
        assertThat(of("charge.hours", "battery").value()).isEqualTo(charge.off().hours());
        assertThat(of("charge.amps", "battery").value())
                .isEqualTo(charge.asked().amps());
        assertThat(expected(demo, "charge.hours", "mainboard")).isEmpty();
    }

    @Test
    public void aConverterLosesAsItsFiguresSay() {
        Facet.Converts c = demo.part("converter")
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        for (double share : new double[] {0.5, 1}) {
            double amps = share * c.limitA();
            double closed =
                    c.quietW().value() + c.dropV().value() * amps + c.lossOhms().value() * amps * amps;
            String what = share == 1 ? "converter.lossFullW" : "converter.lossHalfW";
            assertThat(of(what, "converter").value()).isCloseTo(closed, within(1e-12));
        }
        Part linear = demo.part("converter")
                .map(p ->
                        p.withFacet(Form.of(Facet.Converts.class).field("kind").with(c, Facet.ConverterKind.LINEAR)))
                .orElseThrow();
        assertThat(expected(demo.with(linear), "converter.lossFullW", "converter"))
                .isEmpty();
    }

    /** Losses that go together with no such converter change nothing but the quiet power. */
    @Test
    public void lossesThatCannotBeAreNotTakenOver() {
        Facet.Converts was = demo.part("converter")
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        Journal.Tested test = new Journal.Tested(
                Optional.empty(),
                "converter-loaded",
                "converter",
                "",
                BENCH_C,
                List.of(
                        new Journal.Taken("Converts.quietW", new Figure(0.2, 0.01, Basis.MEASURED)),
                        new Journal.Taken("converter.lossHalfW", new Figure(3, 0.1, Basis.MEASURED)),
                        new Journal.Taken("converter.lossFullW", new Figure(2, 0.1, Basis.MEASURED))),
                "");
        Facet.Converts is = BenchEdits.takeOver(demo, test)
                .orElseThrow()
                .change()
                .apply(demo)
                .part("converter")
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        assertThat(is.quietW().value()).isEqualTo(0.2);
        assertThat(is.dropV()).isEqualTo(was.dropV());
        assertThat(is.lossOhms()).isEqualTo(was.lossOhms());
    }

    /** 41 °C over air of 22 °C at the busy watts: so many kelvins a watt, with the doubts of both. */
    @Test
    public void aSoakGivesTheWayToTheAir() {
        Part board = demo.part("mainboard").orElseThrow();
        Figure busy = board.facet(Facet.DrawsPower.class).orElseThrow().busyW();
        Build after = taken(demo, "mainboard", "part.looseCelsius", new Figure(63, 1, Basis.MEASURED));
        Figure way = after.part("mainboard")
                .flatMap(p -> p.facet(Facet.Thermal.class))
                .flatMap(Facet.Thermal::stillKW)
                .orElseThrow();
        assertThat(way.value()).isCloseTo(41 / busy.value(), within(1e-12));
        double off = Math.hypot(1 / busy.value(), 41 / busy.value() * busy.plusMinus() / busy.value());
        assertThat(way.plusMinus()).isCloseTo(off, within(1e-12));
        assertThat(way.basis()).isEqualTo(Basis.MEASURED);
        assertThat(expected(after, "part.looseCelsius", "mainboard")
                        .orElseThrow()
                        .value())
                .isCloseTo(63, within(1e-9));
    }

    @Test
    public void whatIsCountedHasNoDoubt() {
        int sockets = demo.part("mainboard").orElseThrow().body().ports().size();
        Expectation ports = of("ports.work", "mainboard");
        assertThat(ports.value()).isEqualTo(sockets);
        assertThat(ports.differs(new Figure(sockets, 0, Basis.MEASURED))).isFalse();
        assertThat(ports.differs(new Figure(sockets - 1, 0, Basis.MEASURED))).isTrue();
        assertThat(of("bus.seen", "mainboard").value()).isEqualTo(1);
        assertThat(Measurand.of("ports.work").orElseThrow().canBeTaken()).isFalse();
    }

    @Test
    public void aNameThatNothingHasMeasuresNothing() {
        for (String none : List.of("", "volts", "DrawsPower.", "DrawsPower.lowV", "Nothing.idleW", ".idleW")) {
            assertThat(Measurand.of(none)).as(none).isEmpty();
        }
        assertThat(Measurand.of("DrawsPower.idleW")).isPresent();
    }

    @Test
    public void eachKindOfMeterHasAWiderOrNarrowerRange() {
        assertThat(Meter.ALL)
                .extracting(Meter::id)
                .doesNotHaveDuplicates()
                .first()
                .isEqualTo("cheap");
        assertThat(Meter.BENCH.ampsShare()).isLessThan(Meter.CHEAP.ampsShare());
        assertThat(Meter.UNKNOWN.ampsShare()).isGreaterThan(Meter.CHEAP.ampsShare());
    }
}
