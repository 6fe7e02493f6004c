package boldsatchel.power;

import static boldsatchel.Samples.busy;
import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

/** What the engine reads off beyond a single solution: several chains, other profiles, mean heat, ranges. */
public class PowerEngineTest {

    private static Part bank(String id, double wattHours) {
        return part(
                id,
                Family.BATTERY,
                10,
                10,
                10,
                10,
                new Facet.PowerBank(exact(wattHours), exact(1), 5, 5, exact(0.01), 0));
    }

    private static Part load1(String id, double watts) {
        return part(id, Family.SCREEN, 10, 10, 10, 10, load(watts, 4, 6));
    }

    @Test
    public void ofSeveralChainsTheShortestIsTheRunTime() {
        Build build = chain(rung("a", rung("x")), 25, bank("a", 20), bank("b", 10), load1("x", 5), load1("y", 5))
                .withChain(List.of(rung("a", rung("x")), rung("b", rung("y"))));
        PowerResult result = PowerEngine.evaluate(build);
        assertThat(result.chains()).hasSize(2);
        assertThat(result.hours().nominal()).isCloseTo(2, within(0.05));
        assertThat(result.shortest().orElseThrow().source()).isEqualTo("r-b");
    }

    @Test
    public void otherProfilesAreRunToo() {
        Build build = chain(rung("a", rung("x")), 25, bank("a", 20), load1("x", 5));
        UseProfile lazy = new UseProfile("lazy", List.of(new UseProfile.Step("wait", Mode.IDLE, 10, 0)));
        build = build.with(build.brief().withProfiles(List.of(build.brief().profile(), lazy)));
        PowerResult.ChainResult only = PowerEngine.evaluate(build).chains().getFirst();
        assertThat(only.run().hours()).isCloseTo(4, within(0.05));
        assertThat(only.otherRuns())
                .hasEntrySatisfying("lazy", r -> assertThat(r.hours()).isCloseTo(8, within(0.1)));
    }

    @Test
    public void heatIsTheMeanOverTheProfile() {
        Build build = chain(rung("a", rung("x")), 25, bank("a", 20), load1("x", 8));
        UseProfile mixed = new UseProfile(
                "mixed",
                List.of(new UseProfile.Step("work", Mode.BUSY, 15, 0), new UseProfile.Step("wait", Mode.IDLE, 45, 0)));
        build = build.with(build.brief().withProfiles(List.of(mixed)));
        // A quarter of the time 8 W, three quarters 4 W.
        assertThat(PointsEngine.evaluate(build)
                        .warmths()
                        .getFirst()
                        .meanByPart()
                        .get("x"))
                .isCloseTo(5, within(1e-6));
    }

    private static Build doubtful(double capacityAh, double watts) {
        Facet.Cells c = cells(Chemistry.LI_ION, 4, 1, 3.0, 0.035, 0.02, 3.0);
        Facet unsure = new Facet.Cells(
                c.chemistry(),
                4,
                1,
                new Figure(capacityAh, 0.3, Basis.DATA_SHEET),
                c.nominalV(),
                c.cellOhms(),
                c.packOhms(),
                c.cutoffV(),
                20,
                30,
                true,
                c.health());
        Facet draws = busy(load(20, 11, 19), new Figure(watts, 4, Basis.DATA_SHEET));
        return chain(
                rung("pack", rung("board")),
                25,
                part("pack", Family.BATTERY, 1, 1, 1, 1, unsure),
                part("board", Family.X86_BOARD, 1, 1, 1, 1, draws));
    }

    @Test
    public void theRangeAgreesWithSampledInputs() {
        PowerResult result = PowerEngine.evaluate(doubtful(3.0, 20));
        Random random = new Random(11);
        double[] sampled = IntStream.range(0, 800)
                .mapToDouble(i -> PowerEngine.evaluate(
                                doubtful(3.0 + 0.15 * random.nextGaussian(), 20 + 2 * random.nextGaussian()))
                        .hours()
                        .nominal())
                .sorted()
                .toArray();
        // Linear against sampled: the fifth and ninety-fifth of a hundred, within a few percent of the value.
        assertThat(result.hours().low()).isCloseTo(sampled[40], Percentage.withPercentage(5));
        assertThat(result.hours().high()).isCloseTo(sampled[760], Percentage.withPercentage(5));
    }

    @Test
    public void blameFallsOnTheWattsWhenTheyAreTheLeastCertain() {
        PowerResult result = PowerEngine.evaluate(doubtful(3.0, 20));
        assertThat(result.hours().blame().getFirst().input().what()).isEqualTo("busy power");
        assertThat(result.hours().blame().stream().mapToDouble(b -> b.share()).sum())
                .isCloseTo(1, within(1e-9));
    }

    @Test
    public void aColdPackLastsShorterAndAnOldOneToo() {
        double warm = PowerEngine.evaluate(doubtful(3.0, 20)).hours().nominal();
        Build build = doubtful(3.0, 20);
        Build cold = build.with(
                build.brief().withSurroundings(new boldsatchel.machine.Brief.Surroundings(25, -10, false, true)));
        assertThat(PowerEngine.evaluate(cold).hours().nominal()).isLessThan(warm * 0.85);
        assertThat(PowerEngine.evaluate(doubtful(2.4, 20)).hours().nominal())
                .isCloseTo(warm * 0.8, Percentage.withPercentage(1));
    }

    @Test
    public void aBoardThatStartsHarderThanThePackAllowsStartsOnlyWhileItIsFull() {
        Part weak = part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 1, 3.0, 0.12, 0.05, 3.0));
        Part board = part("board", Family.X86_BOARD, 1, 1, 1, 1, load(10, 45, 11, 19));
        double level = PowerEngine.evaluate(chain(rung("pack", rung("board")), 25, weak, board))
                .chains()
                .getFirst()
                .startsDownTo()
                .orElseThrow();
        assertThat(level).isBetween(0.05, 0.95);
    }
}
