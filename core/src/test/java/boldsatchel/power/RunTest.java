package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static boldsatchel.Samples.sink;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Reading;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Runs of cycles against the charge they take. */
public class RunTest {

    /** 1 A idle and 2 A busy at any voltage. */
    private static final Part SINK = sink(2);

    private static Part cell(String id, double ah) {
        return part(id, Family.BATTERY, 20, 70, 20, 50, cells(Facet.Chemistry.LI_ION, 1, 1, ah, 0.001, 0, 2.5));
    }

    private static UseProfile cycle(double minutes) {
        return new UseProfile(
                "cycle",
                List.of(
                        new UseProfile.Step("busy", Mode.BUSY, minutes, 1),
                        new UseProfile.Step("idle", Mode.IDLE, 3 * minutes, 1)));
    }

    private static Discharge run(Build build, double minutes) {
        Network network = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
        return Discharge.run(network, cycle(minutes));
    }

    @DataProvider
    public Object[][] minutes() {
        return new Object[][] {{1e-4}, {0.01}, {1}, {7}, {40}};
    }

    /** Busy a quarter of the time at 2 A, idle at 1 A: 1.25 A on average, however long a cycle is. */
    @Test(dataProvider = "minutes")
    public void cyclesOfAnyLengthTakeTheChargeOfTheirMeanCurrent(double minutes) {
        Discharge run = run(chain(rung("a", rung("sink")), 25, cell("a", 3), SINK), minutes);
        double used = 1 - run.endLevel();
        double cycleHours = 4 * minutes / 60;
        assertThat(run.hours()).isCloseTo(3 * used / 1.25, within(0.2 * Math.min(cycleHours, 1) + 1e-6));
        assertThat(run.samples()).hasSizeLessThan(2_000);
        assertThat(run.samples()).isSortedAccordingTo((a, b) -> Double.compare(a.hours(), b.hours()));
    }

    /** Two cells without diodes share a mean current; together they hold the sum of their charges. */
    @Test(dataProvider = "minutes")
    public void joinedCellsRunCyclesOfAnyLengthAndLeaveWhatTheyDidNotGive(double minutes) {
        Build build = chain(
                Rung.of("joint", new Rung.Join(List.of(rung("a"), rung("b"))), rung("sink")),
                25,
                cell("a", 2),
                cell("b", 1),
                SINK);
        Discharge run = run(build, minutes);
        List<Double> left = run.samples().getLast().levels();
        double used = 2 * (1 - Supply.left(left.getFirst())) + (1 - Supply.left(left.getLast()));
        assertThat(run.hours()).isCloseTo(used / 1.25, within(0.2 * Math.min(4 * minutes / 60, 1) + 2e-3));
    }
}
