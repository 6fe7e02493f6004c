package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Reading;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Results worked out independently for whole chains, held within 1 %. */
public class PowerReferenceTest {

    private static final Percentage ONE_PERCENT = Percentage.withPercentage(1);

    private static PowerResult.ChainResult only(Build build) {
        return PowerEngine.evaluate(build).chains().getFirst();
    }

    @DataProvider
    Object[][] seriesPackStraightIntoABoard() {
        return new Object[][] {{24, 25, 1.813}, {10, 25, 4.437}, {40, 25, 1.064}, {24, 0, 1.582}};
    }

    @Test(dataProvider = "seriesPackStraightIntoABoard")
    public void aSeriesPackStraightIntoAWideInputBoardRunsUntilItsCellsAreDown(
            double watts, double celsius, double hours) {
        Part pack =
                part("pack", Family.BATTERY, 80, 70, 20, 200, cells(Chemistry.LI_ION, 4, 1, 3.0, 0.035, 0.020, 3.0));
        Part board = part("board", Family.X86_BOARD, 100, 70, 15, 100, load(watts, 12, 19));
        Discharge run =
                only(chain(rung("pack", rung("board")), celsius, pack, board)).run();
        assertThat(run.hours()).isCloseTo(hours, ONE_PERCENT);
        assertThat(run.end().kind()).isIn(Breach.Kind.CELL_CUTOFF, Breach.Kind.BELOW_WINDOW);
    }

    private static Build stepUp(double watts, double startWatts) {
        Part pack =
                part("pack", Family.BATTERY, 40, 70, 20, 100, cells(Chemistry.LI_ION, 1, 2, 3.5, 0.040, 0.010, 2.8));
        Part up = part(
                "up", Family.CONVERTER, 20, 20, 5, 5, converter(ConverterKind.STEP_UP, 5.1, 0.05, 0.05, 0.06, 4.0, 0));
        Part board = part("board", Family.SINGLE_BOARD, 85, 56, 15, 50, load(watts, startWatts, 4.7, 5.4));
        Rung root = rung("pack", Rung.of("wire", new Rung.Wire(24, 150), rung("up", rung("board"))));
        return chain(root, 25, pack, up, board);
    }

    @Test
    public void aStepUpChainRunsAndShowsTheExpectedTerminalsHalfFull() {
        Build build = stepUp(4.2, 4.2);
        assertThat(only(build).run().hours()).isCloseTo(5.858, ONE_PERCENT);
        OperatingPoint half = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow()
                .solve(0.5, Demand.of(Mode.BUSY));
        assertThat(half.terminalVolts()).isCloseTo(3.684, within(0.002));
        assertThat(half.amps()).isCloseTo(1.204, ONE_PERCENT);
    }

    @DataProvider
    Object[][] startPeaks() {
        return new Object[][] {{9.5, 0.0}, {11, 0.045}, {12, 0.172}, {13, 0.56}};
    }

    @Test(dataProvider = "startPeaks")
    public void aStartPeakIsMetDownToAStateOfChargeAndNoFurther(double watts, double level) {
        assertThat(only(stepUp(4.2, watts)).startsDownTo().orElseThrow()).isCloseTo(level, within(0.006));
    }

    @DataProvider
    Object[][] cableLoads() {
        return new Object[][] {{0.9, 4.849}, {1.5, 4.743}, {2.5, 4.554}};
    }

    @Test(dataProvider = "cableLoads")
    public void aLongThinCableDropsTheVoltageOfARemoteScreen(double watts, double volts) {
        Part bank = part(
                "bank",
                Family.BATTERY,
                60,
                100,
                20,
                200,
                new Facet.PowerBank(
                        boldsatchel.Samples.exact(37),
                        boldsatchel.Samples.exact(0.87),
                        5.0,
                        3,
                        boldsatchel.Samples.exact(0),
                        0));
        Part screen = part("screen", Family.SCREEN, 120, 70, 8, 100, load(watts, 4.0, 5.5));
        Build build = chain(rung("bank", Rung.of("wire", new Rung.Wire(30, 1200), rung("screen"))), 25, bank, screen);
        OperatingPoint.RungState state = only(build).busiest().rung("r-screen").orElseThrow();
        assertThat(state.voltsIn()).isCloseTo(volts, within(0.001));
        assertThat(Copper.loopOhms(30, 1200, 20)).isCloseTo(0.8125, within(0.0005));
    }

    @DataProvider
    Object[][] stepDowns() {
        return new Object[][] {
            {5.1, 0.12, 0.08, 0.035, 15, 9.943, Breach.Kind.CELL_CUTOFF},
            {12.0, 0.15, 0.10, 0.030, 20, 7.083, Breach.Kind.DROPOUT}
        };
    }

    @Test(dataProvider = "stepDowns")
    public void anIronPhosphatePackBehindAStepDownEndsAsItsVoltageAllows(
            double outV, double q, double v, double r, double watts, double hours, Breach.Kind end) {
        Part pack =
                part("pack", Family.BATTERY, 80, 70, 40, 900, cells(Chemistry.LIFEPO4, 4, 2, 6.0, 0.008, 0.015, 2.5));
        Part down = part(
                "down", Family.CONVERTER, 20, 20, 5, 5, converter(ConverterKind.STEP_DOWN, outV, q, v, r, 10, 0.4));
        Part board = part("board", Family.X86_BOARD, 100, 70, 15, 100, load(watts, outV * 0.9, outV * 1.1));
        Discharge run = only(chain(rung("pack", rung("down", rung("board"))), 25, pack, down, board))
                .run();
        assertThat(run.hours()).isCloseTo(hours, ONE_PERCENT);
        assertThat(run.end().kind()).isEqualTo(end);
        if (end == Breach.Kind.DROPOUT) {
            assertThat(run.endLevel()).isCloseTo(0.082, within(0.002));
        }
    }
}
