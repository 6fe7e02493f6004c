package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static boldsatchel.Samples.sink;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.course.Course;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

/** Several sources on one rail, against solutions on paper. */
public class JoinedSourcesTest {

    private static final Demand BUSY = Demand.of(Mode.BUSY);
    private static final double KNEE = 0.3;
    private static final double DIODE_OHMS = 0.04;

    private static Part cell(String id, double ah, double ohms) {
        return part(id, Family.BATTERY, 20, 70, 20, 50, cells(Chemistry.LI_ION, 1, 1, ah, ohms, 0, 2.8));
    }

    private static Part bank(String id, double volts, double amps, double ohms) {
        return part(
                id,
                Family.BATTERY,
                60,
                100,
                20,
                230,
                new Facet.PowerBank(exact(37), exact(0.87), volts, amps, exact(ohms), 0));
    }

    private static Part adapter(double volts, double amps) {
        return part("adapter", Family.CHARGER, 40, 40, 30, 60, new Facet.Adapter(volts, amps, exact(0.05)));
    }

    private static Build joined(boolean diodes, Part load, Part... sources) {
        List<Rung> rows = new ArrayList<>();
        for (Part s : sources) {
            rows.add(
                    diodes
                            ? rung(s.id(), Rung.of("d-" + s.id(), new Rung.Diode(exact(KNEE), exact(DIODE_OHMS), 10)))
                            : rung(s.id()));
        }
        List<Part> parts = new ArrayList<>(List.of(sources));
        parts.add(load);
        return chain(Rung.of("joint", new Rung.Join(rows), rung(load.id())), 25, parts.toArray(Part[]::new));
    }

    private static Network network(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
    }

    private static double amps(OperatingPoint point, String source) {
        return point.rung("r-" + source).orElseThrow().ampsOut();
    }

    @Test
    public void diodesShareByTheVoltagesAndResistancesOfUnequalCells() {
        Build build = joined(true, sink(2), cell("a", 3, 0.05), cell("b", 3, 0.05));
        OperatingPoint point = network(build).solve(List.of(0.8, 0.7), BUSY);
        // Two sources E − V = (R + Rd)·I + knee, with I₁ + I₂ = 2 A: the difference is (E₁ − E₂) / (R + Rd).
        double difference = (3.99 - 3.90) / (0.05 + DIODE_OHMS);
        assertThat(amps(point, "a") - amps(point, "b")).isCloseTo(difference, within(1e-9));
        assertThat(amps(point, "a") + amps(point, "b")).isCloseTo(2, within(1e-9));
        double first = (2 + difference) / 2;
        assertThat(point.terminalVolts()).isCloseTo(3.99 - KNEE - first * (0.05 + DIODE_OHMS), within(1e-9));
    }

    @Test
    public void aFarLowerCellIsBlockedAndGivesNothing() {
        Build build = joined(true, sink(0.5), cell("a", 3, 0.05), cell("b", 3, 0.05));
        OperatingPoint point = network(build).solve(List.of(1.0, 0.2), BUSY);
        assertThat(amps(point, "b")).isZero();
        assertThat(amps(point, "a")).isCloseTo(0.5, within(1e-9));
        assertThat(point.terminalVolts()).isCloseTo(4.18 - KNEE - 0.5 * 0.09, within(1e-9));
    }

    @Test
    public void withoutDiodesTheFullerCellChargesTheEmptier() {
        Build build = joined(false, sink(0), cell("a", 3, 0.05), cell("b", 3, 0.05));
        OperatingPoint point = network(build).solve(List.of(0.9, 0.5), BUSY);
        assertThat(amps(point, "a")).isCloseTo((4.08 - 3.72) / 0.1, within(1e-6));
        assertThat(amps(point, "b")).isCloseTo(-(4.08 - 3.72) / 0.1, within(1e-6));
    }

    @Test
    public void aSupplyInItsCurrentLimitLeavesTheRestToTheBattery() {
        Build build = joined(
                true,
                part("board", Family.X86_BOARD, 1, 1, 1, 1, load(40, 10, 20)),
                bank("bank", 19, 1.5, 0.02),
                part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 2, 3, 0.035, 0.02, 3)));
        OperatingPoint point = network(build).solve(1, BUSY);
        assertThat(amps(point, "bank")).isCloseTo(1.5, within(1e-9));
        double left = amps(point, "pack");
        assertThat((1.5 + left) * point.terminalVolts()).isCloseTo(40, within(1e-6));
        assertThat(point.breaches()).isEmpty();
    }

    @Test
    public void pluggedInTheAdapterCarriesTheMachineAndThePackRests() {
        Build build = joined(
                true,
                part("board", Family.X86_BOARD, 1, 1, 1, 1, load(15, 10, 20)),
                adapter(19, 3),
                part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 2, 3, 0.035, 0.02, 3)));
        Rung root = build.wiring().chain().getFirst();
        OperatingPoint plugged =
                Network.plugged(build, root, Reading.NOMINAL).orElseThrow().solve(0.5, BUSY);
        assertThat(amps(plugged, "pack")).isZero();
        OperatingPoint alone = network(build).solve(0.5, BUSY);
        assertThat(alone.rung("r-adapter")).isEmpty();
        assertThat(amps(alone, "pack")).isGreaterThan(1);
    }

    /**
     * Unequal cells on one rail without diodes even out: with a rest voltage that rises by b from empty to full, the difference of their
     * levels falls off with the rate b·(1/Q₁ + 1/Q₂) / (R₁ + R₂).
     */
    @Test
    public void withoutDiodesUnequalCellsEvenOutExponentially() {
        Network network = network(joined(false, sink(0), cell("a", 3, 0.05), cell("b", 1.5, 0.15)));
        double[] levels = {0.98, 0.92};
        double hours = 0.05;
        new Course(0, 1, 40).go(network.drain(BUSY, 40), levels, hours, (spent, from, before, to, after) -> {});
        // From 90 % on a cell's rest voltage goes from 4.08 to 4.18 V.
        double rate = 1 * (1 / 3.0 + 1 / 1.5) / (0.05 + 0.15);
        assertThat(levels[0] - levels[1]).isCloseTo(0.06 * Math.exp(-rate * hours), within(2e-5));
        assertThat(3 * levels[0] + 1.5 * levels[1]).isCloseTo(3 * 0.98 + 1.5 * 0.92, within(1e-5));
    }

    @Test
    public void equalSourcesLastTogetherAsOnePackOfTwiceTheCells() {
        Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(2, 2, 5));
        Build two = joined(true, board, cell("a", 3, 0.05), cell("b", 3, 0.05));
        Part both = part("both", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 1, 2, 3, 0.05, 0, 2.8));
        // Two diodes side by side are one of half the resistance.
        Build one = chain(
                rung("both", Rung.of("d", new Rung.Diode(exact(KNEE), exact(DIODE_OHMS / 2), 10), rung("board"))),
                25,
                both,
                board);
        double together = PowerEngine.evaluate(two).chains().getFirst().run().hours();
        double asOne = PowerEngine.evaluate(one).chains().getFirst().run().hours();
        assertThat(together).isCloseTo(asOne, Percentage.withPercentage(0.5));
    }

    @Test
    public void aSmallerCellIsTakenOutAndTheOthersGoOn() {
        Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(2, 2, 5));
        Build build = joined(true, board, cell("a", 3, 0.05), cell("b", 1, 0.15));
        PowerResult.ChainResult chain = PowerEngine.evaluate(build).chains().getFirst();
        assertThat(chain.run().end().kind()).isIn(Breach.Kind.CELL_CUTOFF, Breach.Kind.EMPTY, Breach.Kind.BELOW_WINDOW);
        List<Double> last = chain.run().samples().getLast().levels();
        assertThat(last.getFirst()).isLessThan(0.1);
        assertThat(chain.withoutOne().orElseThrow()).isLessThan(chain.run().hours());
    }

    @Test
    public void twoBanksGiveTwiceTheEnergyOfOne() {
        Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(5, 3, 6));
        Build build = joined(true, board, bank("a", 5, 3, 0.05), bank("b", 5, 3, 0.05));
        PowerResult.ChainResult chain = PowerEngine.evaluate(build).chains().getFirst();
        // Each bank gives 37 Wh · 0.87 at 5 V; the load gets what the diode leaves of it.
        double rail = chain.half().terminalVolts();
        assertThat(chain.run().hours()).isCloseTo(2 * 37 * 0.87 / (5 * 5 / rail), Percentage.withPercentage(0.5));
        assertThat(chain.withoutOne().orElseThrow()).isCloseTo(chain.run().hours() / 2, Percentage.withPercentage(2));
    }

    @Test
    public void aMachineOnMainsOnlyGoesOnForEver() {
        Build build = chain(
                rung("adapter", rung("board")),
                25,
                adapter(19, 3),
                part("board", Family.X86_BOARD, 1, 1, 1, 1, load(15, 10, 20)));
        PowerResult.ChainResult chain = PowerEngine.evaluate(build).chains().getFirst();
        assertThat(chain.run().hours()).isInfinite();
        assertThat(chain.offDays()).isInfinite();
    }
}
