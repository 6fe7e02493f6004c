package boldsatchel.shelf;

import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Reading;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is picked does the job, at both ends of the voltages it was picked for. */
public class PicksTest {

    @DataProvider
    Object[][] jobs() {
        Random random = new Random(11);
        double[][] inputs = {{2.8, 4.2}, {9, 12.6}, {12, 16.8}, {13.5, 21}, {5, 5}, {10, 14.6}, {20, 20}};
        double[] outputs = {3.3, 5.1, 9, 12, 19};
        Object[][] jobs = new Object[60][];
        for (int i = 0; i < jobs.length; i++) {
            double[] in = inputs[random.nextInt(inputs.length)];
            double out = outputs[random.nextInt(outputs.length)];
            jobs[i] = new Object[] {
                new Picks.Conversion(in[0], in[1], out * 0.93, out, out * 1.07, 1 + random.nextDouble() * 14)
            };
        }
        return jobs;
    }

    @Test(dataProvider = "jobs")
    public void aConverterCarriesItsLoadAtBothEnds(Picks.Conversion job) {
        Part converter = Picks.converter(job);
        for (double volts : new double[] {job.lowInV(), job.highInV()}) {
            Part supply = part("supply", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(volts, 100, exact(0)));
            Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(job.watts(), job.leastV(), job.mostV()));
            Build build = chain(
                    rung("supply", rung("converter", rung("board"))), 25, supply, converter.withId("converter"), board);
            OperatingPoint point = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                    .orElseThrow()
                    .solve(1, Demand.of(Mode.BUSY));
            assertThat(point.breaches())
                    .as(converter.name() + " at " + volts + " V")
                    .isEmpty();
        }
    }

    @Test(dataProvider = "jobs")
    public void aGuessSaysThatItIsOne(Picks.Conversion job) {
        Part converter = Picks.converter(job);
        boolean shelf = Picks.shelf().parts().contains(converter);
        assertThat(converter.name().endsWith("to be chosen")).isEqualTo(!shelf);
        assertThat(converter.massG().basis() == Basis.GUESS).isEqualTo(!shelf);
    }

    @Test
    public void aChargerSuitsThePackAndNeverPushesTooMuch() {
        for (Facet.Chemistry chemistry : Facet.Chemistry.values()) {
            for (int series = 1; series <= 6; series++) {
                for (double bears : new double[] {0.5, 1, 2, 5}) {
                    Facet.Cells cells = boldsatchel.Samples.cells(chemistry, series, 2, 3, 0.03, 0.01, 3);
                    Facet.Charges charges = Picks.charger(cells, bears)
                            .facet(Facet.Charges.class)
                            .orElseThrow();
                    assertThat(charges.series()).isEqualTo(series);
                    assertThat(charges.chemistry()).isEqualTo(chemistry);
                    assertThat(charges.amps().value()).isLessThanOrEqualTo(bears * 1.001);
                }
            }
        }
    }

    @Test
    public void anAdapterGivesThePowerInsideTheRange() {
        for (double watts = 5; watts < 120; watts += 11) {
            Facet.Offer offer = Picks.adapter(9, 21, watts).offer().orElseThrow();
            assertThat(offer.volts()).isBetween(9.0, 21.0);
            assertThat(offer.watts()).isGreaterThanOrEqualTo(watts);
        }
    }

    @Test
    public void aBankIsAskedForAVoltageItOffersOrThereIsNone() {
        Part bank = Picks.bank(11, 13, 20).orElseThrow();
        assertThat(bank.offer().orElseThrow().volts()).isEqualTo(12);
        assertThat(Picks.bank(11, 13, 500)).isEmpty();
        assertThat(Picks.bank(30, 40, 5)).isEmpty();
    }

    @Test
    public void theGaugeOfTheShelfTellsTheComputer() {
        assertThat(Picks.gauge().facet(Facet.ShowsLevel.class).orElseThrow().toComputer())
                .isTrue();
        assertThat(Picks.shelf()).isSameAs(Picks.shelf());
    }
}
