package boldsatchel.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.bench.BenchFault;
import boldsatchel.bench.Meter;
import boldsatchel.bench.PackFit;
import boldsatchel.log.LayoutGuess;
import boldsatchel.log.Log;
import boldsatchel.log.LogFault;
import boldsatchel.log.LogReader;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Discharges on the stand-in bench, with its pack otherwise than planned, its noise and its lasting errors. */
public class PackFitTest {

    private static final double NINETY = 1.645;

    private static Log discharged(Build plan, Part battery, long seed) {
        String text = SampleLog.discharge(plan, battery.id(), seed, 2);
        try {
            return LogReader.read(text, LayoutGuess.of(text)).log();
        } catch (LogFault e) {
            throw new IllegalStateException(e);
        }
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
            double celsius = StandInBench.ROOM_C;
            int chargeCovered = 0;
            int ohmsCovered = 0;
            double worstCharge = 0;
            double worstOhms = 0;
            for (int seed = 0; seed < seeds; seed++) {
                StandInBench bench = new StandInBench(plan, seed, 1, () -> 0);
                PackFit.Result fit = PackFit.of(discharged(plan, battery, seed), cells, celsius, Meter.CHEAP);
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
            assertThat(chargeCovered).as(demo).isBetween(40, 48);
            assertThat(ohmsCovered).as(demo).isBetween(40, 48);
        }
    }

    @Test
    public void aLogThatTellsTooLittleIsRefusedInWords() throws LogFault {
        Build plan = Library.demo("cave-survey").orElseThrow();
        Facet.Cells cells =
                plan.part("battery").flatMap(p -> p.facet(Facet.Cells.class)).orElseThrow();
        for (String text : List.of(
                "t,V\n0,16\n1,15.9\n2,15.8\n",
                "t,A\n0,1\n1,1\n2,1\n",
                "t,V,A\n0,16,1\n1,15.9,1\n2,15.8,1\n",
                "t,V,A\n" + "0,16,0\n".repeat(100))) {
            Log log = LogReader.read(text, LayoutGuess.of(text)).log();
            assertThatThrownBy(() -> PackFit.of(log, cells, 25, Meter.CHEAP))
                    .isInstanceOf(BenchFault.class)
                    .hasMessageMatching("(?s)\\p{Lu}.*[.?]");
        }
    }

    @Test
    public void aDischargeThatWasBrokenOffSaysSoAndIsLessSure() throws BenchFault {
        Build plan = Library.demo("cave-survey").orElseThrow();
        Part battery = plan.part("battery").orElseThrow();
        Facet.Cells cells = battery.facet(Facet.Cells.class).orElseThrow();
        Log whole = discharged(plan, battery, 3);
        int half = whole.size() / 2;
        Log part = new Log(
                IntStream.range(0, half).mapToDouble(whole::second).toArray(),
                whole.channels().stream()
                        .map(c -> new Log.Channel(c.name(), c.quantity(), Arrays.copyOf(c.values(), half)))
                        .toList());
        PackFit.Result all = PackFit.of(whole, cells, StandInBench.ROOM_C, Meter.CHEAP);
        PackFit.Result some = PackFit.of(part, cells, StandInBench.ROOM_C, Meter.CHEAP);
        assertThat(all.notes()).isEmpty();
        assertThat(some.notes()).anyMatch(n -> n.contains("% left"));
        assertThat(some.chargeAh().plusMinus()).isGreaterThan(all.chargeAh().plusMinus());
        assertThat(Math.abs(some.chargeAh().value() - all.chargeAh().value()))
                .isLessThan(1.5 * some.chargeAh().plusMinus());
    }
}
