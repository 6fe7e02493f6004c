package boldsatchel.standins;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.bench.BenchFault;
import boldsatchel.bench.Meter;
import boldsatchel.bench.PackFit;
import boldsatchel.log.Log;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.shelf.Library;
import java.util.List;
import org.testng.annotations.Test;

/** Discharges on the stand-in bench, with its pack otherwise than planned, its noise and its lasting errors. */
public class PackFitTest {

    private static final double NINETY = 1.645;

    /** The wall's clock of a test goes on when it is told to. */
    private double wall;

    /** Charged to the end, a quarter of its charge an hour with half a minute of rest every half hour, to its cut-off. */
    private Log discharged(StandInBench bench, Part battery, Facet.Cells plan, double everyS) {
        Instrument load = bench.instruments().getFirst();
        load.line("BENC:HOOK " + battery.id());
        double amps = plan.capacityAh().value() * plan.parallel() / 4;
        load.line("SOUR:VOLT:CUT " + plan.cutoffV() * plan.series());
        load.line("SOUR:CURR " + amps + ";:INP ON");
        double[][] read = new double[3][100_000];
        int n = 0;
        boolean resting = false;
        while (n < read[0].length) {
            wall += everyS;
            String[] said =
                    load.line("MEAS:VOLT?;MEAS:CURR?;INP?").orElseThrow().split(";");
            read[0][n] = n * everyS;
            read[1][n] = Double.parseDouble(said[0]);
            read[2][n] = Double.parseDouble(said[1]);
            n++;
            if (!resting && said[2].equals("0")) {
                break;
            }
            boolean rest = n * everyS % 1800 < 30;
            if (rest != resting) {
                load.line(rest ? "INP OFF" : "INP ON");
                resting = rest;
            }
        }
        return new Log(
                java.util.Arrays.copyOf(read[0], n),
                List.of(
                        new Log.Channel("V", Quantity.VOLTAGE, java.util.Arrays.copyOf(read[1], n)),
                        new Log.Channel("A", Quantity.CURRENT, java.util.Arrays.copyOf(read[2], n))));
    }

    private static boolean covers(Figure figure, double truth) {
        return Math.abs(figure.value() - truth) <= NINETY * figure.sigma();
    }

    @Test
    public void capacityAndResistanceAreFoundWithinAPercentAndTheRangeIsHonest() throws BenchFault {
        int seeds = 50;
        for (String demo : List.of("cave-survey", "harbour-watch")) {
            Build plan = Library.demo(demo).orElseThrow();
            Part battery = plan.parts().list().stream()
                    .filter(p -> p.facet(Facet.Cells.class).isPresent())
                    .findFirst()
                    .orElseThrow();
            Facet.Cells cells = battery.facet(Facet.Cells.class).orElseThrow();
            double celsius = plan.brief().surroundings().packC();
            int chargeCovered = 0;
            int ohmsCovered = 0;
            double worstCharge = 0;
            double worstOhms = 0;
            for (int seed = 0; seed < seeds; seed++) {
                wall = 0;
                StandInBench bench = new StandInBench(plan, seed, 1, () -> wall);
                PackFit.Result fit = PackFit.of(discharged(bench, battery, cells, 5), cells, celsius, Meter.CHEAP);
                Facet.Cells truth = bench.truth()
                        .part(battery.id())
                        .flatMap(p -> p.facet(Facet.Cells.class))
                        .orElseThrow();
                TruePack pack = new TruePack(truth, celsius, 1);
                worstCharge = Math.max(worstCharge, Math.abs(fit.chargeAh().value() / pack.chargeAh() - 1));
                worstOhms = Math.max(worstOhms, Math.abs(fit.ohms().value() / pack.ohms() - 1));
                chargeCovered += covers(fit.chargeAh(), pack.chargeAh()) ? 1 : 0;
                ohmsCovered += covers(fit.ohms(), pack.ohms()) ? 1 : 0;
            }
            assertThat(worstCharge).as(demo).isLessThan(0.01);
            assertThat(worstOhms).as(demo).isLessThan(0.01);
            assertThat(chargeCovered).as(demo).isBetween(40, 49);
            assertThat(ohmsCovered).as(demo).isBetween(40, 49);
        }
    }
}
