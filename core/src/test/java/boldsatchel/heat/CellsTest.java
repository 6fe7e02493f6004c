package boldsatchel.heat;

import static boldsatchel.Samples.box;
import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.Edits;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

/** One temperature of the cells for run time and heat. */
public class CellsTest {

    private static Build build(double celsius, double watts, double cellOhms) {
        Part pack = part(
                "pack", Family.BATTERY, 75, 40, 20, 250, cells(Facet.Chemistry.LI_ION, 4, 1, 3, cellOhms, 0.02, 2.9));
        Part board = part(
                "board",
                Family.X86_BOARD,
                80,
                50,
                10,
                90,
                load(watts, 9, 18),
                new Facet.Thermal(150, Optional.empty(), Optional.empty()));
        return packed(
                        box(194, 114, 29, 2.5, Material.PLASTIC),
                        List.of(pack, board),
                        List.of(new Vec(5, 5, 8), new Vec(100, 30, 10)))
                .withChain(List.of(rung("pack", rung("board"))))
                .with(Brief.empty().withSurroundings(new Brief.Surroundings(celsius, celsius, false, false)));
    }

    private static double hours(Evaluation evaluation) {
        return evaluation.of(PowerResult.class).hours().nominal();
    }

    private static double packC(Evaluation evaluation) {
        return evaluation.of(HeatResult.class).uses().getFirst().spots().stream()
                .filter(s -> s.subject().equals("pack"))
                .findFirst()
                .orElseThrow()
                .meanC();
    }

    /** In air of 0 °C the machine keeps its cells warm: it runs as with cells that are so warm from the start. */
    @Test
    public void aRunIsAtTheTemperatureThatHeatGivesTheCells() {
        Evaluation evaluation = Evaluator.evaluate(build(0, 15, 0.03));
        double warm = packC(evaluation);
        assertThat(warm).isBetween(15.0, 40.0);
        double same = PowerEngine.evaluate(build(warm, 15, 0.03)).hours().nominal();
        assertThat(hours(evaluation)).isCloseTo(same, Percentage.withPercentage(0.5));
        double cold = PowerEngine.evaluate(build(0, 15, 0.03)).hours().nominal();
        assertThat(hours(evaluation)).isGreaterThan(1.04 * cold);
        assertThat(evaluation.of(CellTemperatures.class).of("pack")).isCloseTo(warm, within(0.25));
        assertThat(evaluation.verdict(Verdict.Kind.LASTS).sentence())
                .contains("; cells at "
                        + Math.round(evaluation.of(CellTemperatures.class).of("pack")) + " °C.");
    }

    /** 15 W through 4 · 0.25 Ω, seven times that at −20 °C: it collapses at once and puts no heat in. */
    @Test
    public void whatDoesNotBeginColdIsNotWarmedIntoRunning() {
        Evaluation evaluation = Evaluator.evaluate(build(-20, 15, 0.25));
        assertThat(packC(evaluation)).isCloseTo(-20, within(1e-6));
        assertThat(hours(evaluation)).isZero();
        assertThat(PowerEngine.evaluate(build(20, 15, 0.25)).hours().nominal()).isPositive();
    }

    /** Without a case nothing warms them. */
    @Test
    public void cellsThatNothingWarmsStayAsTheyBegin() {
        Build bare = boldsatchel.Samples.chain(
                rung("pack", rung("board")),
                3,
                build(3, 15, 0.03).parts().list().toArray(Part[]::new));
        assertThat(Evaluator.evaluate(bare).of(CellTemperatures.class))
                .isEqualTo(new CellTemperatures(3, java.util.Map.of()));
    }

    /** A temperature to half a kelvin stays the same for most moves, and so does the whole run. */
    @Test
    public void aMoveThatLeavesTheCellsAsWarmRunsNoChainAgain() {
        Build before = build(10, 15, 0.03);
        Part board = before.part("board").orElseThrow();
        Build after = Edits.move(board, new Vec(100.5, 30, 10)).change().apply(before);
        Evaluator evaluator = new Evaluator();
        PowerResult first = evaluator.judge(before).of(PowerResult.class);
        Evaluation moved = evaluator.judge(after);
        assertThat(moved.of(HeatResult.class))
                .isNotEqualTo(Evaluator.evaluate(before).of(HeatResult.class));
        assertThat(moved.of(PowerResult.class)).isSameAs(first);
    }
}
