package boldsatchel.power;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.RandomBuilds;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Reading;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

/**
 * Over a whole discharge what the cells give at their rest voltage, Q·∫OCV ds, is what all rungs turn into heat. The one side is known from
 * the levels alone, the other from the operating points alone.
 */
public class EnergyBalanceTest {

    private static final int CHAINS = 1200;

    @Test
    public void overAWholeDischargeOfRandomChainsEnergyInIsEnergyOut() {
        int run = 0;
        int joined = 0;
        for (long seed = 0; run < CHAINS; seed++) {
            Build build = switch ((int) (seed % 3)) {
                case 0 -> RandomBuilds.joined(seed);
                case 1 -> RandomBuilds.plugged(seed);
                default -> RandomBuilds.of(seed);
            };
            Network network = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                    .orElseThrow();
            Discharge discharge = Discharge.run(network, build.brief().profile());
            if (discharge.hours() == 0 || Double.isInfinite(discharge.hours())) {
                continue;
            }
            run++;
            joined += build.wiring().chain().getFirst().joined().isEmpty() ? 0 : 1;
            assertThat(Ledger.of(network, build.brief().profile()).total())
                    .as("seed " + seed)
                    .isCloseTo(given(build, discharge), Percentage.withPercentage(0.1));
        }
        assertThat(joined).as("chains with several sources").isGreaterThan(200);
    }

    private static double given(Build build, Discharge discharge) {
        List<Rung> sources = build.wiring().chain().getFirst().sources();
        List<Double> left = discharge.samples().getLast().levels();
        double sum = 0;
        for (int k = 0; k < sources.size(); k++) {
            double level = Supply.left(left.get(k));
            sum += given(
                    build.partOf(sources.get(k))
                            .orElseThrow()
                            .facet(Facet.Cells.class)
                            .orElseThrow(),
                    level);
        }
        return sum;
    }

    private static double given(Facet.Cells cells, double level) {
        int intervals = 2000;
        double sum = 0;
        for (int i = 0; i < intervals; i++) {
            double s = level + (1 - level) * (i + 0.5) / intervals;
            sum += CellCurve.restVolts(cells.chemistry(), s) * (1 - level) / intervals;
        }
        return sum * cells.series() * cells.parallel() * cells.capacityAh().value();
    }
}
