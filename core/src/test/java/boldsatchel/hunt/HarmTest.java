package boldsatchel.hunt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.bench.Measurand;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.power.Breach;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import org.testng.annotations.Test;

/** What a cause does to the figures of a build, and what is read then. */
public class HarmTest {

    private final Build demo = Library.demo("orchard-ledger").orElseThrow();

    private Part part(String id) {
        return demo.part(id).orElseThrow();
    }

    private static double reads(Build build, String what, String part) {
        Evaluation evaluation = Evaluator.evaluate(build);
        return Measurand.of(what)
                .orElseThrow()
                .expected(build.part(part).orElseThrow(), Measurand.Known.of(build, evaluation.results(), 25))
                .orElseThrow()
                .value();
    }

    /** A joint that takes an eighth to a quarter of the volts, busy, by Ohm's law: the source sags a little less for it. */
    @Test
    public void aJointTakesItsShareOfTheVolts() {
        Part blower = part("blower");
        double before = reads(demo, "supply.lostV", "blower");
        double volts = blower.facet(Facet.DrawsPower.class).orElseThrow().nominalV();
        double last = before;
        for (double gravity : new double[] {0, 0.5, 1}) {
            double lost = reads(Harm.JOINT.on(demo, blower, gravity), "supply.lostV", "blower");
            assertThat(lost).as("gravity %s", gravity).isGreaterThan(last);
            last = lost;
            // A load of constant power draws more at less: share s of V²/P loses V·(1 − √(1 − 4s))/2.
            double share = 0.08 + 0.17 * gravity;
            double closed = volts * (1 - Math.sqrt(Math.max(0, 1 - 4 * share))) / 2;
            assertThat(lost - before).as("gravity %s", gravity).isBetween(0.5 * closed, 1.3 * closed);
        }
    }

    @Test
    public void tiredCellsRunShorterInProportionAndWeakOnesShowInTheirResistance() {
        Part battery = part("battery");
        double charge = reads(demo, "pack.chargeAh", "battery");
        assertThat(reads(Harm.TIRED.on(demo, battery, 0), "pack.chargeAh", "battery"))
                .isCloseTo(0.7 * charge, within(1e-9));
        assertThat(reads(Harm.TIRED.on(demo, battery, 1), "pack.chargeAh", "battery"))
                .isCloseTo(0.3 * charge, within(1e-9));
        double hours = reads(demo, "run.hours", "battery");
        assertThat(reads(Harm.TIRED.on(demo, battery, 0), "run.hours", "battery"))
                .isBetween(0.6 * hours, 0.75 * hours);
        assertThat(reads(Harm.WEAK_CELLS.on(demo, battery, 1), "pack.ohms", "battery"))
                .isGreaterThan(3 * reads(demo, "pack.ohms", "battery"));
        assertThat(reads(Harm.DRAWS_MORE.on(demo, battery, 0), "run.hours", "battery"))
                .isLessThan(0.75 * hours);
    }

    @Test
    public void aConverterSetWrongShowsAtItsOutputAndAtWhatItFeeds() {
        Part blower = part("blower");
        double noLoad = reads(demo, "converter.noLoadV", "converter");
        double far = reads(demo, "supply.farEndV", "blower");
        Build low = Harm.CONVERTER_LOW.on(demo, blower, 1);
        assertThat(reads(low, "converter.noLoadV", "converter")).isCloseTo(0.75 * noLoad, within(1e-9));
        assertThat(reads(low, "supply.farEndV", "blower")).isBetween(0.7 * far, 0.77 * far);
        Build high = Harm.CONVERTER_HIGH.on(demo, blower, 0);
        assertThat(reads(high, "converter.noLoadV", "converter")).isCloseTo(1.08 * noLoad, within(1e-9));
    }

    @Test
    public void whatGoesOnDrawingIsTheHungriestAndWhatHasNoPlaceLeavesTheBuildAsItWas() {
        Build drained = Harm.OFF_DRAIN.on(demo, part("battery"), 1);
        List<String> changed = demo.parts().list().stream()
                .filter(p -> !drained.part(p.id()).orElseThrow().equals(p))
                .map(Part::id)
                .toList();
        assertThat(changed).hasSize(1);
        Facet.DrawsPower was =
                part(changed.getFirst()).facet(Facet.DrawsPower.class).orElseThrow();
        Facet.DrawsPower is = drained.part(changed.getFirst())
                .flatMap(p -> p.facet(Facet.DrawsPower.class))
                .orElseThrow();
        assertThat(is.offW().value()).isCloseTo(0.3 * was.idleW().value(), within(1e-9));
        assertThat(demo.parts().list())
                .allMatch(p -> p.facet(Facet.DrawsPower.class)
                        .map(d -> d.idleW().value() <= was.idleW().value())
                        .orElse(true));
        Build empty = Build.empty("nothing");
        for (Harm harm : Harm.values()) {
            assertThat(harm.on(empty, part("antenna"), 0.5)).as(harm.name()).isEqualTo(empty);
        }
    }

    /** Every limit is told, passed or not; those that are passed are the breaches of the same point. */
    @Test
    public void limitsThatArePassedAreTheBreaches() {
        for (String name : Library.DEMOS) {
            Build build = Library.demo(name).orElseThrow();
            for (Mode mode : List.of(Mode.SLEEP, Mode.IDLE, Mode.BUSY, Mode.START)) {
                for (double level : new double[] {1, 0.5, 0.05}) {
                    build.wiring()
                            .chain()
                            .forEach(root -> Network.of(build, root, Reading.NOMINAL)
                                    .ifPresent(n -> {
                                        OperatingPoint point = n.solve(level, Demand.of(mode));
                                        List<Breach> limits = n.limits(level, Demand.of(mode));
                                        assertThat(limits.stream()
                                                        .filter(b -> b.kind().margin(b.value(), b.limit()) < 0)
                                                        .toList())
                                                .as("%s, %s at %s", name, mode, level)
                                                .isEqualTo(point.breaches());
                                        assertThat(limits.size())
                                                .isGreaterThanOrEqualTo(
                                                        point.breaches().size());
                                    }));
                }
            }
        }
    }

    @Test
    public void bandsOfAReadingLieSideBySideAboutThePlan() {
        for (double value : new double[] {0, 1e-6, 0.04, 5, 19, 240}) {
            for (double off : new double[] {0, 0.01, 0.3}) {
                var plan = new boldsatchel.bench.Expectation(value, value * (1 - off), value * (1 + off), "");
                Band.Range planned = Band.PLANNED.range(plan);
                assertThat(planned.high()).isGreaterThan(planned.low());
                assertThat(Band.LOW.range(plan).high()).isEqualTo(planned.low());
                assertThat(Band.HIGH.range(plan).low()).isEqualTo(planned.high());
                assertThat(Band.NOTHING.range(plan).high())
                        .isEqualTo(Band.LOW.range(plan).low());
                assertThat(value).isBetween(Math.min(value, planned.low()), planned.high());
                for (Band band : Band.values()) {
                    assertThat(band.range(plan).high())
                            .as("%s of %s", band, value)
                            .isGreaterThan(band.range(plan).low());
                    assertThat(Band.of(band.id())).contains(band);
                }
            }
        }
    }
}
