package boldsatchel.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.balance.BalanceResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.shelf.Library;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every part on the shelf could exist. */
public class LibraryPlausibleTest {

    @DataProvider
    Object[][] parts() {
        return Library.shipped().parts().stream().map(p -> new Object[] {p}).toArray(Object[][]::new);
    }

    @Test
    public void theShelfIsWide() {
        Library shipped = Library.shipped();
        assertThat(shipped.parts()).hasSizeGreaterThan(120);
        assertThat(shipped.parts().stream().map(Part::family).distinct()).hasSize(Family.values().length);
        assertThat(shipped.parts().stream().map(Part::id).distinct()).hasSameSizeAs(shipped.parts());
        assertThat(shipped.cases()).hasSizeGreaterThanOrEqualTo(8);
    }

    @Test(dataProvider = "parts")
    public void everyPartCostsAndWeighsSomething(Part part) {
        assertThat(part.price().value()).isGreaterThanOrEqualTo(part.standing().costs() ? 0.1 : 0);
        assertThat(part.massG().value()).isPositive();
        assertThat(part.name()).isNotBlank();
    }

    /** Usual current of one contact pair of such plugs, A. */
    private static double usualA(Connector connector) {
        return switch (connector) {
            case USB_C, BARREL -> 5;
            case USB_A, PIN_HEADER -> 3;
            case USB_MICRO -> 1.8;
            case EDP, FLAT_CABLE -> 1;
            default -> 0.5;
        };
    }

    @Test(dataProvider = "parts")
    public void socketsGiveWhatTheirPlugBears(Part part) {
        for (Part.Outlet outlet : part.outlets()) {
            assertThat(outlet.gives().amps())
                    .as(outlet.port().name())
                    .isBetween(0.05, usualA(outlet.port().connector()));
            assertThat(outlet.rail()).as(outlet.gives().rail()).isPresent();
            assertThat(outlet.gives().amps())
                    .isLessThanOrEqualTo(outlet.rail().orElseThrow().amps());
        }
        assertThat(part.body().ports().stream().map(Port::name).distinct())
                .hasSameSizeAs(part.body().ports());
    }

    @Test(dataProvider = "parts")
    public void solidsLieInsideTheBounds(Part part) {
        Box bounds = part.body().bounds();
        for (Solid whole : part.body().whole()) {
            Box solid = whole.bounds();
            for (int axis = 0; axis < 3; axis++) {
                assertThat(solid.low(axis)).isGreaterThanOrEqualTo(0);
                assertThat(solid.high(axis)).isLessThanOrEqualTo(bounds.high(axis) + 1e-9);
            }
        }
    }

    @Test(dataProvider = "parts")
    public void socketsOpenOnTheFaceTheyName(Part part) {
        Box bounds = part.body().bounds();
        for (Port port : part.body().ports()) {
            double mouth = port.at().along(port.face().axis());
            // A top face may be lower than the tallest thing beside it.
            double reach = port.face().axis() == 2 ? 4 : 1e-9;
            assertThat(Math.abs(mouth - bounds.end(port.face())))
                    .as(port.name())
                    .isLessThanOrEqualTo(reach);
        }
    }

    @Test(dataProvider = "parts")
    public void loadsAskMoreTheMoreTheyDoAndWorkInsideTheirWindow(Part part) {
        part.facet(Facet.DrawsPower.class).ifPresent(d -> {
            assertThat(d.lowV()).isLessThan(d.nominalV());
            assertThat(d.nominalV()).isLessThanOrEqualTo(d.highV());
            double last = 0;
            for (Mode mode : Mode.values()) {
                assertThat(d.watts(mode).value()).as(mode.words()).isGreaterThanOrEqualTo(last);
                last = d.watts(mode).value();
            }
        });
    }

    @Test(dataProvider = "parts")
    public void densityIsThatOfThingsPeopleBuildWith(Part part) {
        double solid = part.body().whole().stream().mapToDouble(Solid::volume).sum();
        double gramsPerCm3 = part.massG().value() / solid * 1000;
        assertThat(gramsPerCm3).as(part.name()).isBetween(0.1, metal(part) ? 9.0 : 5.0);
    }

    /** Copper and magnets are denser than anything with a board in it. */
    private static boolean metal(Part part) {
        return part.facets().isEmpty() && (part.family() == Family.COOLING || part.family() == Family.MECHANICS);
    }

    @Test(dataProvider = "parts")
    public void convertersKeepTheirWordOnPaper(Part part) {
        part.facet(Facet.Converts.class).ifPresent(c -> {
            assertThat(c.lowV()).isLessThan(c.highV());
            if (c.kind() == Facet.ConverterKind.STEP_DOWN) {
                assertThat(c.lowV()).isGreaterThanOrEqualTo(c.outV());
            }
            double amps = c.limitA() / 2;
            double loss =
                    c.quietW().value() + c.dropV().value() * amps + c.lossOhms().value() * amps * amps;
            double out = c.outV() * amps;
            if (c.kind() != Facet.ConverterKind.LINEAR) {
                assertThat(out / (out + loss)).as("efficiency").isBetween(0.85, 0.99);
            }
        });
    }

    @Test(dataProvider = "parts")
    public void everyPartCanJoinADemoAndBeJudged(Part part) {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Build more = boldsatchel.edit.Edits.addPart(part).change().apply(build);
        Evaluation evaluation = Evaluator.evaluate(more);
        if (part.staysOutside()) {
            assertThat(evaluation.of(BalanceResult.class).massG().nominal())
                    .isEqualTo(Evaluator.evaluate(build)
                            .of(BalanceResult.class)
                            .massG()
                            .nominal());
            return;
        }
        assertThat(evaluation.of(BalanceResult.class).massG().nominal())
                .isGreaterThan(Evaluator.evaluate(build)
                        .of(BalanceResult.class)
                        .massG()
                        .nominal());
        // A cable is led between parts and lies nowhere.
        assertThat(evaluation.findings().stream().anyMatch(f -> f.code().equals("fit.on-the-table")))
                .isEqualTo(!part.isLed());
    }
}
