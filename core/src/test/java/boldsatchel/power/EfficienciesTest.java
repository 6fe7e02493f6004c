package boldsatchel.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Reading;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class EfficienciesTest {

    private static Facet.Converts converter(ConverterKind kind, double outV) {
        return Samples.converter(kind, outV, 0.3, 0.3, 0.3, 8, 0.4);
    }

    private static Efficiencies.Point point(double inV, double outA, double percent) {
        return new Efficiencies.Point(inV, outA, percent / 100);
    }

    @DataProvider
    Object[][] sheets() {
        return new Object[][] {
            {converter(ConverterKind.STEP_DOWN, 5.1), List.of(point(14, 0.3, 88), point(14, 2, 94), point(14, 5, 91))},
            {converter(ConverterKind.STEP_DOWN, 3.3), List.of(point(12, 0.1, 72), point(12, 1, 89), point(12, 3, 84))},
            {
                converter(ConverterKind.STEP_UP, 12),
                List.of(point(3.7, 0.1, 84), point(3.7, 0.5, 90), point(3.7, 1.2, 84))
            },
            {converter(ConverterKind.STEP_UP, 5.1), List.of(point(3.6, 0.2, 91), point(3.6, 1, 93), point(3.6, 3, 86))},
            {converter(ConverterKind.STEP_UP_DOWN, 12), List.of(point(14, 0.2, 85), point(14, 1, 92), point(14, 3, 90))
            },
            {converter(ConverterKind.STEP_DOWN, 5.1), List.of(point(14, 0.5, 90), point(14, 4, 92))},
        };
    }

    @Test(dataProvider = "sheets")
    public void efficienciesComeBack(Facet.Converts converter, List<Efficiencies.Point> points) {
        Facet.Converts fitted = Efficiencies.fitted(converter, points);
        for (Efficiencies.Point p : points) {
            assertThat(Efficiencies.at(fitted, p.inV(), p.outA())).isCloseTo(p.efficiency(), within(0.005));
        }
        assertThat(List.of(
                        fitted.quietW().value(),
                        fitted.dropV().value(),
                        fitted.lossOhms().value()))
                .allSatisfy(x -> assertThat(x).isGreaterThanOrEqualTo(0));
    }

    /** What the network loses in it is what the efficiency says. */
    @Test
    public void theNetworkLosesAsMuch() {
        Facet.Converts fitted = Efficiencies.fitted(
                converter(ConverterKind.STEP_DOWN, 5),
                List.of(point(14.8, 0.3, 88), point(14.8, 2, 94), point(14.8, 5, 91)));
        Part load = Samples.part("load", Family.HUB, 9, 9, 9, 9, Samples.load(10, 4, 6));
        Part step = Samples.part("step", Family.CONVERTER, 9, 9, 9, 9, fitted);
        Part mains = Samples.part("mains", Family.CHARGER, 9, 9, 9, 9, new Facet.Adapter(14.8, 5, Samples.exact(0)));
        Build build = Build.empty("x")
                .with(new Parts(List.of(mains, step, load)))
                .withChain(List.of(Samples.rung("mains", Samples.rung("step", Samples.rung("load")))));
        OperatingPoint point = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow()
                .solve(1, Demand.of(Mode.BUSY));
        assertThat(10 / point.watts()).isCloseTo(0.94, within(0.005));
    }

    @Test
    public void whatCannotBeIsRefused() {
        Facet.Converts c = converter(ConverterKind.STEP_DOWN, 5);
        assertThatThrownBy(() -> Efficiencies.fitted(c, List.of(point(12, 1, 90))))
                .hasMessageContaining("two currents");
        assertThatThrownBy(() -> point(12, 1, 101)).hasMessageContaining("less than 100 %");
        assertThatThrownBy(() -> Efficiencies.fitted(
                        converter(ConverterKind.LINEAR, 5), List.of(point(12, 1, 40), point(12, 2, 40))))
                .hasMessageContaining("linear");
    }
}
