package boldsatchel.power;

import static boldsatchel.Samples.busy;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Draws;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A power bank that takes a small load for nothing: near that, hours have no range that says enough. */
public class CliffTest {

    /** 5 V; the load draws its watts with a standard deviation of 0.02 W; the bank switches off below 0.1 A, 0.5 W. */
    private static Build lamp(double watts) {
        Part bank = boldsatchel.Samples.bank(new Facet.PowerBank(exact(37), exact(0.8), 5, 3, exact(0), 0.1));
        Facet draws = busy(load(watts, 4, 6), new Figure(watts, 0.04, Basis.MEASURED));
        Part lamp = part("lamp", Family.SCREEN, 50, 50, 5, 50, draws);
        return chain(rung("bank", rung("lamp")), 25, bank, lamp);
    }

    /** Chances of a normal distribution beyond −0.5, 1, 1.645 and 4 standard deviations, from tables. */
    @DataProvider
    Object[][] lamps() {
        return new Object[][] {{0.49, 0.6915}, {0.52, 0.1587}, {0.5329, 0.05}, {0.58, 0.0}};
    }

    @Test(dataProvider = "lamps")
    public void theChanceToStopAtOnceIsThatOfTheWatts(double watts, double chance) {
        PowerResult power = PowerEngine.evaluate(lamp(watts));
        assertThat(power.cliff().map(Cliff::chance).orElse(0.0)).isCloseTo(chance, within(0.001));
        power.cliff().ifPresent(c -> assertThat(c.limit().kind()).isEqualTo(Breach.Kind.SHUTS_OFF));
    }

    @Test
    public void drawsStopAsOftenAsIsSaid() {
        Build build = lamp(0.52);
        int stops = 0;
        for (int i = 0; i < 1000; i++) {
            stops += PowerEngine.evaluate(Draws.of(build, i)).hours().nominal() == 0 ? 1 : 0;
        }
        double chance = PowerEngine.evaluate(build).cliff().orElseThrow().chance();
        assertThat(stops / 1000.0).isCloseTo(chance, within(0.035));
    }

    @Test
    public void itIsSaidInWordsAndTheRangeBeginsWithNothing() {
        Verdict near = Evaluator.evaluate(lamp(0.52)).verdict(Verdict.Kind.LASTS);
        assertThat(near.sentence()).contains("In 1 of 6 cases it stops at once").contains("(bank)");
        assertThat(near.low()).isZero();
        Verdict far = Evaluator.evaluate(lamp(0.58)).verdict(Verdict.Kind.LASTS);
        assertThat(far.sentence()).doesNotContain("at once");
        assertThat(far.low()).isGreaterThan(40);
        Verdict beyond = Evaluator.evaluate(lamp(0.49)).verdict(Verdict.Kind.LASTS);
        assertThat(beyond.state()).isEqualTo(State.STOP);
        assertThat(beyond.sentence()).contains("it runs after all in 1 of 3 cases");
    }
}
