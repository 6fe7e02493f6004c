package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.exact;
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
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Small chains whose solution can be written down. */
public class PowerClosedFormTest {

    private static final Demand BUSY = Demand.of(Mode.BUSY);

    private static Part bank(double volts, double ohms, double shutOffA) {
        return part(
                "bank",
                Family.BATTERY,
                10,
                10,
                10,
                10,
                new Facet.PowerBank(exact(37), exact(0.87), volts, 3, exact(ohms), shutOffA));
    }

    private static OperatingPoint solve(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow()
                .solve(0.5, BUSY);
    }

    @Test
    public void constantPowerBehindAResistanceSettlesAtTheUpperRoot() {
        Build build = chain(
                rung("bank", rung("load")),
                25,
                bank(5, 0.5, 0),
                part("load", Family.SCREEN, 1, 1, 1, 1, load(8, 1, 6)));
        double upper = (5 + Math.sqrt(25 - 4 * 0.5 * 8)) / 2;
        assertThat(solve(build).terminalVolts()).isCloseTo(upper, within(1e-9));
    }

    @Test
    public void justBeyondTheMostThatCanBeDrawnTheVoltageCollapses() {
        double most = 5 * 5 / (4 * 0.5);
        for (double share : new double[] {0.999, 1.001}) {
            Build build = chain(
                    rung("bank", rung("load")),
                    25,
                    bank(5, 0.5, 0),
                    part("load", Family.SCREEN, 1, 1, 1, 1, load(most * share, 1, 6)));
            assertThat(solve(build).collapsed()).isEqualTo(share > 1);
        }
    }

    @Test
    public void aCollapseIsReportedAndNeverANumber() {
        Build build = chain(
                rung("bank", rung("load")),
                25,
                bank(5, 0.5, 0),
                part("load", Family.SCREEN, 1, 1, 1, 1, load(20, 1, 6)));
        OperatingPoint point = solve(build);
        assertThat(point.amps()).isNaN();
        assertThat(point.stop().orElseThrow().kind()).isEqualTo(Breach.Kind.COLLAPSE);
        assertThat(PowerEngine.evaluate(build).hours().nominal()).isZero();
    }

    @Test
    public void aResistiveLoadDividesTheVoltage() {
        Facet.DrawsPower heater = new Facet.DrawsPower(
                1,
                5,
                6,
                Facet.LoadKind.RESISTANCE,
                exact(0),
                exact(0),
                exact(0),
                exact(10),
                exact(10),
                exact(1),
                exact(0));
        Build build = chain(
                rung("bank", rung("load")), 25, bank(5, 0.5, 0), part("load", Family.COOLING, 1, 1, 1, 1, heater));
        assertThat(solve(build).terminalVolts()).isCloseTo(5 * 2.5 / 3.0, within(1e-9));
    }

    @Test
    public void aConstantCurrentLoadDropsOhmsTimesAmps() {
        Facet.DrawsPower led = new Facet.DrawsPower(
                1, 5, 6, Facet.LoadKind.CURRENT, exact(0), exact(0), exact(0), exact(5), exact(5), exact(1), exact(0));
        Build build =
                chain(rung("bank", rung("load")), 25, bank(5, 0.5, 0), part("load", Family.SCREEN, 1, 1, 1, 1, led));
        assertThat(solve(build).terminalVolts()).isCloseTo(4.5, within(1e-9));
    }

    @Test
    public void aStepUpDrawsTheSmallerRootOfItsPowerBalance() {
        Part up = part("up", Family.CONVERTER, 1, 1, 1, 1, converter(ConverterKind.STEP_UP, 12, 0.1, 0.05, 0.06, 9, 0));
        Build build = chain(
                rung("bank", rung("up", rung("load"))),
                25,
                bank(5, 0, 0),
                up,
                part("load", Family.SCREEN, 1, 1, 1, 1, load(6, 11, 13)));
        double u = 5 - 0.05;
        double amps = (u - Math.sqrt(u * u - 4 * 0.06 * 6.1)) / (2 * 0.06);
        assertThat(solve(build).amps()).isCloseTo(amps, within(1e-9));
    }

    @Test
    public void aStepUpStopsAtItsSwitchLimit() {
        Part up = part("up", Family.CONVERTER, 1, 1, 1, 1, converter(ConverterKind.STEP_UP, 12, 0.1, 0.05, 0.06, 2, 0));
        double most = 5 * 2 - 0.1 - 0.05 * 2 - 0.06 * 4;
        for (double share : new double[] {0.99, 1.01}) {
            Build build = chain(
                    rung("bank", rung("up", rung("load"))),
                    25,
                    bank(5, 0, 0),
                    up,
                    part("load", Family.SCREEN, 1, 1, 1, 1, load(most * share, 11, 13)));
            boolean limited = solve(build).breaches().stream().anyMatch(b -> b.kind() == Breach.Kind.CONVERTER_LIMIT);
            assertThat(limited).isEqualTo(share > 1);
        }
    }

    @DataProvider
    Object[][] converterKinds() {
        return new Object[][] {{ConverterKind.STEP_DOWN}, {ConverterKind.STEP_UP_DOWN}, {ConverterKind.LINEAR}};
    }

    @Test(dataProvider = "converterKinds")
    public void whatGoesIntoAConverterComesOutOrWarmsIt(ConverterKind kind) {
        Part down = part("down", Family.CONVERTER, 1, 1, 1, 1, converter(kind, 5, 0.1, 0.05, 0.06, 9, 0.3));
        Build build = chain(
                rung("bank", rung("down", rung("load"))),
                25,
                bank(12, 0, 0),
                down,
                part("load", Family.SCREEN, 1, 1, 1, 1, load(6, 4, 6)));
        OperatingPoint.RungState state = solve(build).rung("r-down").orElseThrow();
        double in = state.voltsIn() * state.ampsIn();
        assertThat(in).isCloseTo(state.voltsOut() * state.ampsOut() + state.heatW(), within(1e-9));
        double loss = kind == ConverterKind.LINEAR ? 12 * (1.2 + 0.1 / 5) - 6 : 0.1 + 0.05 * 1.2 + 0.06 * 1.2 * 1.2;
        assertThat(state.heatW()).isCloseTo(loss, within(1e-9));
    }

    @Test
    public void aDiodeTakesItsKneeAndItsSlope() {
        Rung diode = Rung.of("d", new Rung.Diode(exact(0.3), exact(0.04), 5), rung("load"));
        Facet.DrawsPower led = new Facet.DrawsPower(
                1,
                5,
                6,
                Facet.LoadKind.CURRENT,
                exact(0),
                exact(0),
                exact(0),
                exact(10),
                exact(10),
                exact(1),
                exact(0));
        Build build = chain(rung("bank", diode), 25, bank(5, 0, 0), part("load", Family.SCREEN, 1, 1, 1, 1, led));
        assertThat(solve(build).rung("r-load").orElseThrow().voltsIn()).isCloseTo(5 - 0.3 - 0.08, within(1e-9));
    }

    @Test
    public void rungsInARowShareOneCurrentAndAddTheirDrops() {
        Rung row = Rung.of(
                "fuse",
                new Rung.Contact(Rung.ContactKind.FUSE, exact(0.1), 5),
                Rung.of("switch", new Rung.Contact(Rung.ContactKind.SWITCH, exact(0.2), 5), rung("load")));
        Build build =
                chain(rung("bank", row), 25, bank(5, 0, 0), part("load", Family.SCREEN, 1, 1, 1, 1, load(4, 1, 6)));
        OperatingPoint point = solve(build);
        double volts = (5 + Math.sqrt(25 - 4 * 0.3 * 4)) / 2;
        assertThat(point.rung("r-load").orElseThrow().voltsIn()).isCloseTo(volts, within(1e-9));
        assertThat(point.rung("fuse").orElseThrow().ampsIn())
                .isCloseTo(point.rung("switch").orElseThrow().ampsIn(), within(1e-12));
    }

    @Test
    public void aPowerBankGivesItsRatedEnergyTimesItsEfficiency() {
        Build build = chain(
                rung("bank", rung("load")), 25, bank(5, 0, 0), part("load", Family.SCREEN, 1, 1, 1, 1, load(5, 4, 6)));
        assertThat(PowerEngine.evaluate(build).hours().nominal())
                .isCloseTo(37 * 0.87 / 5, Percentage.withPercentage(0.01));
    }

    @Test
    public void aPowerBankWithTooLittleLoadSwitchesOff() {
        Build build = chain(
                rung("bank", rung("load")),
                25,
                bank(5, 0, 0.5),
                part("load", Family.SCREEN, 1, 1, 1, 1, load(1, 4, 6)));
        assertThat(PowerEngine.evaluate(build).chains().getFirst().run().end().kind())
                .isEqualTo(Breach.Kind.SHUTS_OFF);
    }

    @Test
    public void cellCurvesMeetTheirPointsAndRunStraightBetween() {
        assertThat(CellCurve.restVolts(Chemistry.LI_ION, 0.5)).isEqualTo(3.72);
        assertThat(CellCurve.restVolts(Chemistry.LI_ION, 0.55)).isCloseTo(3.765, within(1e-12));
        assertThat(CellCurve.restVolts(Chemistry.LIFEPO4, 1)).isEqualTo(3.40);
        assertThat(CellCurve.restVolts(Chemistry.NIMH, 0)).isEqualTo(1.00);
        assertThat(CellCurve.capacityFactor(-30)).isEqualTo(0.65);
        assertThat(CellCurve.capacityFactor(12.5)).isCloseTo(0.95, within(1e-12));
        assertThat(CellCurve.capacityFactor(40)).isEqualTo(1);
        assertThat(CellCurve.resistanceFactor(0.5, 25)).isCloseTo(1, within(1e-12));
        assertThat(CellCurve.resistanceFactor(0, 25)).isCloseTo(1.6, within(1e-12));
        assertThat(CellCurve.resistanceFactor(0.5, 0)).isGreaterThan(1.9);
    }

    @Test
    public void wiresFollowTheGaugeTable() {
        assertThat(Copper.diameterMm(36)).isCloseTo(0.127, within(1e-9));
        assertThat(Copper.diameterMm(24)).isCloseTo(0.511, within(0.001));
        assertThat(Copper.openAirAmps(24)).isEqualTo(3.5);
        assertThat(Copper.closedCaseAmps(24)).isEqualTo(1.75);
        assertThat(Copper.openAirAmps(23)).isBetween(3.5, 7.0);
        assertThat(Copper.openAirAmps(14)).isGreaterThan(16);
        assertThat(Copper.openAirAmps(34)).isLessThan(0.86);
        assertThat(Copper.loopOhms(24, 200, 20)).isCloseTo(2 * Copper.loopOhms(24, 100, 20), within(1e-12));
        assertThat(Copper.loopOhms(24, 100, 45)).isGreaterThan(Copper.loopOhms(24, 100, 20));
    }

    private static Build alternating(double cycleMinutes) {
        Part pack = part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 1, 3.0, 0.035, 0.02, 3.0));
        Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(20, 11, 19));
        UseProfile profile = new UseProfile(
                "half and half",
                List.of(
                        new UseProfile.Step("work", Mode.BUSY, cycleMinutes / 2, 1),
                        new UseProfile.Step("wait", Mode.IDLE, cycleMinutes / 2, 1)));
        Build build = chain(rung("pack", rung("board")), 25, pack, board);
        return build.with(build.brief().withProfiles(List.of(profile)));
    }

    @Test
    public void shortCyclesRunLikeTheirMean() {
        double cycled = PowerEngine.evaluate(alternating(2)).hours().nominal();
        assertThat(cycled)
                .isCloseTo(PowerEngine.evaluate(alternating(4)).hours().nominal(), Percentage.withPercentage(1));
    }

    @Test
    public void aLongFirstStepIsWalkedNotAveraged() {
        // Three hours of work first: the pack is flat within them, as if there were no waiting at all.
        double walked = PowerEngine.evaluate(alternating(360)).hours().nominal();
        Build always = alternating(2);
        always = always.with(always.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))));
        assertThat(walked).isCloseTo(PowerEngine.evaluate(always).hours().nominal(), Percentage.withPercentage(0.1));
    }

    @Test
    public void timeGoesOnWhileNothingIsDrawn() {
        UseProfile profile = new UseProfile(
                "mostly off",
                List.of(new UseProfile.Step("work", Mode.BUSY, 30, 1), new UseProfile.Step("off", Mode.OFF, 90, 0)));
        Build build = alternating(2);
        Build mostlyOff = build.with(build.brief().withProfiles(List.of(profile)));
        Build always = build.with(build.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))));
        double work = PowerEngine.evaluate(always).hours().nominal();
        double cycles = Math.floor(work / 0.5);
        assertThat(PowerEngine.evaluate(mostlyOff).hours().nominal()).isCloseTo(work + cycles * 1.5, within(0.01));
    }

    @Test
    public void samplesRunFromFullToTheEndInOrder() {
        Discharge run =
                PowerEngine.evaluate(alternating(30)).chains().getFirst().run();
        assertThat(run.samples().getFirst().level()).isEqualTo(1);
        assertThat(run.samples().getLast().hours()).isCloseTo(run.hours(), within(1e-9));
        for (int i = 1; i < run.samples().size(); i++) {
            assertThat(run.samples().get(i).hours())
                    .isGreaterThanOrEqualTo(run.samples().get(i - 1).hours());
            assertThat(run.samples().get(i).level())
                    .isLessThanOrEqualTo(run.samples().get(i - 1).level());
        }
    }

    /**
     * At −10 °C the resistance is exp(2300·(1/263.15 − 1/298.15)) times that at 25 °C; a start-up current of 2 A through 0.1 Ω times
     * that leaves 3.2 V from a rest voltage of 3.2 + 0.2·2.790 = 3.758 V, which the cell has at 54.2 %.
     */
    @Test
    public void inTheColdTheStartPeakIsMetOnlyByAFullerCell() {
        double factor = Math.exp(2300 * (1 / 263.15 - 1 / 298.15));
        double rest = 3.2 + 2 * 0.1 * factor;
        double level = 0.5 + 0.1 * (rest - 3.72) / (3.81 - 3.72);
        Facet.DrawsPower draws = new Facet.DrawsPower(
                3.2,
                4,
                5,
                Facet.LoadKind.CURRENT,
                exact(0),
                exact(0),
                exact(0.4),
                exact(0.8),
                exact(8),
                exact(1),
                exact(0));
        Build build = chain(
                rung("pack", rung("board")),
                -10,
                part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 1, 1, 3, 0.1, 0, 2.8)),
                part("board", Family.SINGLE_BOARD, 1, 1, 1, 1, draws));
        assertThat(PowerEngine.evaluate(build)
                        .chains()
                        .getFirst()
                        .startsDownTo()
                        .orElseThrow())
                .isCloseTo(level, within(2e-4));
    }

    @Test
    public void nothingDrawnLastsForEver() {
        Part pack = part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 1, 3.0, 0.035, 0.02, 3.0));
        PowerResult result = PowerEngine.evaluate(chain(rung("pack"), 25, pack));
        assertThat(result.hours().nominal()).isInfinite();
    }

    @Test
    public void loadsOnNoRungAreNamed() {
        Part pack = part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 1, 3.0, 0.035, 0.02, 3.0));
        Part lost = part("lost", Family.HUB, 1, 1, 1, 1, load(1, 4, 6));
        assertThat(PowerEngine.evaluate(chain(rung("pack"), 25, pack, lost)).unfed())
                .containsExactly("lost");
    }

    private static final int LEVELS = 40;
    private static final double SEGMENT_OHMS = 0.01;

    /** Loads one behind another, each fed through the last by a contact: each level is to be solved once, not once a level above. */
    private static Build daisyChain(double volts, Facet.LoadKind kind, double watts) {
        List<Part> parts = new ArrayList<>(List.of(bank(volts, 0, 0)));
        Rung[] below = {};
        for (int k = LEVELS; k >= 1; k--) {
            Facet draws = Form.of(Facet.DrawsPower.class).field("kind").with(load(watts, 1, 9), kind);
            parts.add(part("load-" + k, Family.SCREEN, 1, 1, 1, 1, draws));
            Rung.Contact contact = new Rung.Contact(Rung.ContactKind.SWITCH, exact(SEGMENT_OHMS), 100);
            below = new Rung[] {Rung.of("segment-" + k, contact, rung("load-" + k, below))};
        }
        return chain(rung("bank", below), 25, parts.toArray(Part[]::new));
    }

    private static double voltsAt(OperatingPoint point, int level) {
        return point.rung("r-load-" + level).orElseThrow().voltsIn();
    }

    @Test
    public void currentsInADaisyChainAddUpTowardsTheSource() {
        double amps = 0.25 / 5;
        OperatingPoint point = solve(daisyChain(5, Facet.LoadKind.CURRENT, 0.25));
        double volts = 5;
        for (int k = 1; k <= LEVELS; k++) {
            volts -= SEGMENT_OHMS * amps * (LEVELS - k + 1);
            assertThat(voltsAt(point, k)).as("level " + k).isCloseTo(volts, within(1e-6));
        }
    }

    /** Worked from the far end, where the voltage is chosen: V(k−1) = V(k) + R·Σ P/V(j) over all j from k on. */
    @Test
    public void powersInADaisyChainSettleWhereTheFarEndSaysTheyDo() {
        double[] volts = new double[LEVELS + 1];
        volts[LEVELS] = 4.2;
        double amps = 0;
        for (int k = LEVELS; k >= 1; k--) {
            amps += 0.25 / volts[k];
            volts[k - 1] = volts[k] + SEGMENT_OHMS * amps;
        }
        Build build = daisyChain(volts[0], Facet.LoadKind.POWER, 0.25);
        OperatingPoint point = solve(build);
        for (int k = 1; k <= LEVELS; k++) {
            assertThat(voltsAt(point, k)).as("level " + k).isCloseTo(volts[k], within(1e-6));
        }
        assertThat(Evaluator.evaluate(build)
                        .of(PowerResult.class)
                        .chains()
                        .getFirst()
                        .run()
                        .hours())
                .isCloseTo(37 * 0.87 / (volts[0] * amps), Percentage.withPercentage(0.1));
    }
}
