package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Reading;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The level at which a limit is passed, against the straight pieces of the rest voltage worked out by hand. */
public class CrossingTest {

    /** One Li-ion cell of 50 mΩ and a load that draws one ampere whatever the voltage, down to a least voltage. */
    private static Network.Circuit cell(double cutoffV, double loadLowV) {
        Part pack =
                part("cell", Family.BATTERY, 10, 10, 10, 50, cells(Facet.Chemistry.LI_ION, 1, 1, 3, 0.05, 0, cutoffV));
        Part load = part(
                "load",
                Family.HUB,
                10,
                10,
                5,
                5,
                new Facet.DrawsPower(
                        loadLowV,
                        1,
                        9,
                        Facet.LoadKind.CURRENT,
                        exact(0),
                        exact(0),
                        exact(1),
                        exact(1),
                        exact(1),
                        exact(1),
                        exact(0)));
        Build build =
                Build.empty("cell").with(new Parts(List.of(pack, load))).withChain(List.of(rung("cell", rung("load"))));
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow()
                .at(Demand.of(Mode.BUSY));
    }

    @DataProvider
    Object[][] voltages() {
        // Under one ampere the terminals show 50 mV less than the rest voltage; above 30 % the resistance is steady.
        return new Object[][] {
            {3.65, 0.4 + 0.1 * (3.70 - 3.66) / (3.72 - 3.66)},
            {3.60, 0.3 + 0.1 * (3.65 - 3.62) / (3.66 - 3.62)},
            {3.80, 0.6 - 0.1 * (3.81 - 3.85) / (3.90 - 3.81)},
            {4.00, 0.8 + 0.1 * (4.05 - 3.99) / (4.08 - 3.99)}
        };
    }

    @Test(dataProvider = "voltages")
    public void aCutOffIsPassedWhereTheRestVoltageSays(double cutoffV, double level) {
        Network.Circuit circuit = cell(cutoffV, 1);
        Breach breach = circuit.terminals(0.05).stop().orElseThrow();
        Crossing crossing = Crossing.between(circuit, 0.05, breach, 1, 1e-7);
        assertThat(crossing.level()).isCloseTo(level, within(1e-6));
        assertThat(crossing.breach().kind()).isEqualTo(Breach.Kind.CELL_CUTOFF);
        assertThat(circuit.terminals(crossing.level()).stop())
                .as("it still runs there")
                .isEmpty();
    }

    @Test(dataProvider = "voltages")
    public void aLoadsLeastVoltageIsPassedAtTheSameLevel(double lowV, double level) {
        Network.Circuit circuit = cell(2.5, lowV);
        Breach breach = circuit.terminals(0.05).stop().orElseThrow();
        Crossing crossing = Crossing.between(circuit, 0.05, breach, 1, 1e-7);
        assertThat(crossing.level()).isCloseTo(level, within(1e-6));
        assertThat(crossing.breach().kind()).isEqualTo(Breach.Kind.BELOW_WINDOW);
        assertThat(crossing.breach().rung()).isEqualTo("r-load");
    }

    /** Both limits are passed between the ends; the one that is met first on the way down counts. */
    @Test
    public void ofTwoLimitsTheHigherLevelEndsTheRun() {
        Network.Circuit circuit = cell(3.65, 3.80);
        Breach atTheBottom = circuit.terminals(0.05).stop().orElseThrow();
        Crossing crossing = Crossing.between(circuit, 0.05, atTheBottom, 1, 1e-7);
        assertThat(atTheBottom.kind())
                .as("what the bottom says is the other one")
                .isEqualTo(Breach.Kind.CELL_CUTOFF);
        assertThat(crossing.breach().kind()).isEqualTo(Breach.Kind.BELOW_WINDOW);
        assertThat(crossing.level()).isCloseTo(0.6 - 0.1 * (3.81 - 3.85) / (3.90 - 3.81), within(1e-6));
    }

    @Test
    public void aMarginIsWhatIsLeftBeforeTheLimit() {
        Network.Circuit circuit = cell(3.65, 1);
        Breach breach = circuit.terminals(0.05).stop().orElseThrow();
        assertThat(circuit.margin(breach, 0.5)).isCloseTo(3.72 - 0.05 - 3.65, within(1e-9));
        assertThat(circuit.margin(breach, 0.4)).isCloseTo(3.66 - 0.05 - 3.65, within(1e-9));
        assertThat(circuit.margin(new Breach(Breach.Kind.DROPOUT, "nowhere", 0, 0), 0.5))
                .isNaN();
    }
}
