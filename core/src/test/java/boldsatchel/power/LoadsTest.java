package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
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
import boldsatchel.machine.UseProfile.Program;
import boldsatchel.machine.UseProfile.Step;
import boldsatchel.quantity.Reading;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** What loads draw: programs, paper-like panels, and what goes on drawing when all is off. */
public class LoadsTest {

    private static final Part PACK =
            part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 1, 2, 3, 0.05, 0, 2.8));

    /** Idle 5 W, busy 10 W. */
    private static Part board(Family family) {
        return part("board", family, 1, 1, 1, 1, load(10, 2, 5));
    }

    private static Network network(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
    }

    private static double watts(Build build, Demand demand, String rung) {
        OperatingPoint.RungState state =
                network(build).solve(0.8, demand).rung(rung).orElseThrow();
        return state.voltsIn() * state.ampsIn();
    }

    private static Demand running(Program program) {
        return Demand.of(new Step("play", Mode.BUSY, 5, 0).running(Optional.of(program)));
    }

    @Test
    public void aProgramDrawsWhatWasReadForIt() {
        Build build = chain(rung("pack", rung("board")), 25, PACK, board(Family.X86_BOARD));
        assertThat(watts(build, running(new Program("old game", 35, 0.9, 0.6, Optional.of(exact(7.3)))), "r-board"))
                .isCloseTo(7.3, within(1e-6));
    }

    @Test
    public void withoutAReadingItsLoadsSayHowFarFromIdleToBusyItIs() {
        Build build = chain(rung("pack", rung("board")), 25, PACK, board(Family.X86_BOARD));
        // 5 W + (0.7 · 0.5 + 0.3 · 0.2) · 5 W.
        assertThat(watts(build, running(new Program("editor", 0, 0.5, 0.2, Optional.empty())), "r-board"))
                .isCloseTo(7.05, within(1e-6));
        assertThat(watts(build, running(new Program("all", 0, 1, 1, Optional.empty())), "r-board"))
                .isCloseTo(10, within(1e-6));
    }

    @Test
    public void aProgramIsTheBoardsAffairAndNotTheScreens() {
        Build build = chain(rung("pack", rung("board")), 25, PACK, board(Family.SCREEN));
        assertThat(watts(build, running(new Program("editor", 0, 0.1, 0, Optional.empty())), "r-board"))
                .isCloseTo(10, within(1e-6));
    }

    @Test
    public void impossibleLoadsAreRefused() {
        assertThatThrownBy(() -> new Program("x", 0, 1.2, 0, Optional.empty())).hasMessageContaining("0 to 100 %");
        assertThatThrownBy(() -> new Program("x", -1, 0.2, 0, Optional.empty()))
                .hasMessageContaining("frames a second");
        assertThatThrownBy(() -> new Step("x", Mode.IDLE, 1, 0).refreshing(Optional.of(-1.0)))
                .hasMessageContaining("refreshes a minute");
    }

    @Test
    public void aPaperLikePanelDrawsByTheRefreshUpToWhatItCanDo() {
        Part paper = part("paper", Family.SCREEN, 1, 1, 1, 1, load(0.2, 2, 5), new Facet.Refreshes(exact(1.2), 30));
        Build build = chain(rung("pack", rung("paper")), 25, PACK, paper);
        Step reading = new Step("read", Mode.BUSY, 5, 0);
        assertThat(watts(build, Demand.of(reading), "r-paper")).isCloseTo(0.2, within(1e-9));
        assertThat(watts(build, Demand.of(reading.refreshing(Optional.of(10.0))), "r-paper"))
                .isCloseTo(0.2 + 10 * 1.2 / 60, within(1e-9));
        assertThat(watts(build, Demand.of(reading.refreshing(Optional.of(500.0))), "r-paper"))
                .isCloseTo(0.2 + 30 * 1.2 / 60, within(1e-9));
    }

    @Test
    public void aPageTurnedLessOftenLastsLonger() {
        Part paper = part("paper", Family.SCREEN, 1, 1, 1, 1, load(0.2, 2, 5), new Facet.Refreshes(exact(1.2), 60));
        Build build = chain(rung("pack", rung("paper")), 25, PACK, paper);
        double last = Double.POSITIVE_INFINITY;
        for (double perMinute : new double[] {1, 5, 20, 60}) {
            UseProfile profile = new UseProfile(
                    "read", List.of(new Step("read", Mode.BUSY, 5, 0).refreshing(Optional.of(perMinute))));
            double hours = Discharge.run(network(build), profile).hours();
            assertThat(hours).isLessThan(last);
            last = hours;
        }
    }

    private static Build up(Part converter, boolean switched) {
        Rung behind = rung("up", rung("board"));
        return chain(
                rung(
                        "pack",
                        switched
                                ? Rung.of("sw", new Rung.Contact(Rung.ContactKind.SWITCH, exact(0.01), 5), behind)
                                : behind),
                25,
                PACK,
                converter,
                part("board", Family.SINGLE_BOARD, 1, 1, 1, 1, load(4, 4.7, 5.4)));
    }

    private static Part stepUp(Facet... more) {
        Part plain =
                part("up", Family.CONVERTER, 1, 1, 1, 1, converter(ConverterKind.STEP_UP, 5.1, 0.04, 0.05, 0.05, 5, 0));
        Part changed = plain;
        for (Facet f : more) {
            changed = changed.withFacet(f);
        }
        return changed;
    }

    private static double days(Build build) {
        return PowerEngine.evaluate(build).chains().getFirst().offDays();
    }

    /** 6 Ah over what is drawn when off, and two percent a month. */
    private static double daysAt(double amps) {
        return 1 / (amps / 6 + 0.02 / 730) / 24;
    }

    @Test
    public void daysOnTheShelfAreChargeOverWhatIsDrawnAndLost() {
        assertThat(days(up(stepUp(), false))).isCloseTo(daysAt(0.04 / (3.72 - 0.05)), within(0.3));
        assertThat(days(up(stepUp(new Facet.SwitchesOff(exact(0.0037))), false)))
                .isCloseTo(daysAt(0.0037 / 3.72), within(2.0));
        assertThat(days(up(stepUp(), true))).isCloseTo(daysAt(0), within(1e-6));
    }

    @Test
    public void aSwitchedOffMachineShowsNoCurrentBehindItsSwitch() {
        OperatingPoint off = network(up(stepUp(), true)).solve(0.5, Demand.of(Mode.OFF));
        assertThat(off.amps()).isZero();
        assertThat(off.rung("r-board")).isEmpty();
        assertThat(off.rung("sw").orElseThrow().voltsIn()).isCloseTo(3.72, within(1e-9));
    }

    @Test
    public void aGaugeInTheWayTakesItsShareAndPassesTheRest() {
        Part gauge = part("gauge", Family.CHARGER, 1, 1, 1, 1, new Facet.ShowsLevel(true, exact(0.02)));
        Build build = chain(rung("pack", rung("gauge", rung("board"))), 25, PACK, gauge, board(Family.X86_BOARD));
        OperatingPoint.RungState state =
                network(build).solve(0.8, Demand.of(Mode.BUSY)).rung("r-gauge").orElseThrow();
        assertThat(state.voltsIn() - state.voltsOut()).isCloseTo(0.02 * state.ampsIn(), within(1e-9));
        assertThat(state.heatW()).isCloseTo(0.02 * state.ampsIn() * state.ampsIn(), within(1e-9));
    }

    @Test
    public void aCapacitorLiesAcrossItsRailAndTakesNothing() {
        Rung capacitor = Rung.of("cap", new Rung.Capacitor(exact(1)));
        Build with = chain(rung("pack", rung("board"), capacitor), 25, PACK, board(Family.X86_BOARD));
        Build without = chain(rung("pack", rung("board")), 25, PACK, board(Family.X86_BOARD));
        assertThat(network(with).solve(0.5, Demand.of(Mode.BUSY)).amps())
                .isEqualTo(network(without).solve(0.5, Demand.of(Mode.BUSY)).amps());
    }

    @Test
    public void theGapFormulaAndItsInverseAgree() {
        double farads = Sizing.holdUpFarads(8, 0.4, 5, 4.5);
        assertThat(farads).isCloseTo(2 * 8 * 0.4 / (25 - 20.25), within(1e-12));
        assertThat(Sizing.afterGapV(farads, 8, 0.4, 5)).isCloseTo(4.5, within(1e-12));
        assertThat(Sizing.holdUpFarads(8, 0.4, 4.4, 4.5)).isInfinite();
        assertThat(Sizing.usualFarads(1.2)).isEqualTo(1.5);
    }

    @Test
    public void fusesAndGaugesComeInTheirUsualSizes() {
        assertThat(Sizing.fuse(1.7, 2.0)).isEqualTo(3);
        assertThat(Sizing.fuse(1.7, 3.4)).isEqualTo(4);
        assertThat(Sizing.fuse(60, 10)).isEqualTo(80);
        // 2 A with a quarter on top is 2.5 A: AWG 22 bears 3.5 A inside a case, AWG 24 bears 1.75 A.
        assertThat(Sizing.gauge(2, 100, 1)).hasValue(22);
        // A metre of it would lose 0.21 V: for 0.1 V it takes AWG 18.
        assertThat(Sizing.gauge(2, 1000, 0.1)).hasValue(18);
        assertThat(Sizing.gauge(200, 1000, 0.1)).isEmpty();
    }

    @Test
    public void aStepUpAtItsLimitGivesWhatItsPowerBalanceLeaves() {
        Facet.Converts c = converter(ConverterKind.STEP_UP, 5.1, 0.05, 0.05, 0.06, 4, 0);
        assertThat(Sizing.stepUpMostWatts(c, 3.7)).isCloseTo(3.7 * 4 - 0.05 - 0.05 * 4 - 0.06 * 16, within(1e-9));
        Facet.Converts down = converter(ConverterKind.STEP_DOWN, 5.1, 0.1, 0.08, 0.03, 5, 0.4);
        assertThat(Sizing.lossWatts(down, 14, 2)).isCloseTo(0.1 + 0.16 + 0.12, within(1e-9));
        Facet.Converts linear = converter(ConverterKind.LINEAR, 3.3, 0, 0, 0, 1, 0.5);
        assertThat(Sizing.lossWatts(linear, 5, 0.5)).isCloseTo(0.85, within(1e-9));
    }
}
