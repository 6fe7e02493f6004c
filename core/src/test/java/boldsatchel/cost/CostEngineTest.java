package boldsatchel.cost;

import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Spread;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Money: what is still to be spent, and what was had already. */
public class CostEngineTest {

    private static Part priced(String id, Figure price, Part.Standing standing) {
        Part part = part(id, Family.DRIVE, 10, 10, 5, 20).priced(price);
        return Form.of(Part.class).field("standing").with(part, standing);
    }

    private static Build of(Part... parts) {
        return Build.empty("money").with(new Parts(List.of(parts)));
    }

    private static Build limited(Build build, double money) {
        return build.with(build.brief()
                .withLimits(Form.of(boldsatchel.machine.Brief.Limits.class)
                        .field("money")
                        .with(build.brief().limits(), Optional.of(money))));
    }

    @DataProvider
    Object[][] standings() {
        return new Object[][] {
            {Part.Standing.TO_BUY, 30.0, 0.0},
            {Part.Standing.ORDERED, 30.0, 0.0},
            {Part.Standing.OWNED, 0.0, 30.0},
            {Part.Standing.SALVAGED, 0.0, 30.0}
        };
    }

    @Test(dataProvider = "standings")
    public void onlyWhatIsStillToBeHadCosts(Part.Standing standing, double spent, double inHand) {
        CostResult cost = CostEngine.evaluate(of(priced("a", exact(30), standing)));
        assertThat(cost.all().nominal()).isEqualTo(spent);
        assertThat(cost.owned()).isEqualTo(inHand);
    }

    @Test
    public void theCaseIsPaidForToo() {
        Build build = of(priced("a", exact(30), Part.Standing.TO_BUY));
        Build cased = build.with(Casing.NONE.withShells(List.of(Form.of(boldsatchel.machine.Shell.class)
                .field("price")
                .with(box(100, 50, 20, 2, Material.PLASTIC), exact(12)))));
        assertThat(CostEngine.evaluate(cased).all().nominal()).isEqualTo(42);
    }

    @Test
    public void guessedPricesSpreadByTheRootOfTheirSquares() {
        CostResult cost = CostEngine.evaluate(of(
                priced("a", Figure.guess(100), Part.Standing.TO_BUY),
                priced("b", Figure.guess(200), Part.Standing.ORDERED),
                priced("c", Figure.guess(900), Part.Standing.OWNED)));
        // A guess is ±30 %, two standard deviations.
        double sigma = Math.hypot(15, 30);
        assertThat(cost.all().high() - 300).isCloseTo(Spread.SIGMAS_TO_95 * sigma, within(1e-9));
        assertThat(cost.all().blame()).extracting(b -> b.input().owner()).containsExactly("b", "a");
        assertThat(cost.all().blame().getFirst().input().what()).isEqualTo("price");
    }

    @Test
    public void aLimitIsKeptInDoubtOrBroken() {
        Build build = of(priced("a", new Figure(100, 20, boldsatchel.quantity.Basis.GUESS), Part.Standing.TO_BUY));
        assertThat(state(build)).isEqualTo(State.FINE);
        assertThat(state(limited(build, 130))).isEqualTo(State.FINE);
        assertThat(state(limited(build, 110))).as("the range reaches 116").isEqualTo(State.WATCH);
        assertThat(state(limited(build, 90))).isEqualTo(State.STOP);
        assertThat(Evaluator.evaluate(limited(build, 90)).findings())
                .filteredOn(f -> f.code().equals("cost.over"))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.message()).isEqualTo("Spent and still to be spent: 100.00; the brief allows 90.");
                    assertThat(f.numbers()).containsEntry("all", 100.0).containsEntry("limit", 90.0);
                    assertThat(f.remedies()).isNotEmpty();
                });
    }

    private static State state(Build build) {
        return Evaluator.evaluate(build).verdict(Verdict.Kind.COSTS).state();
    }

    @Test
    public void theWorkingNamesEachThingThatCosts() {
        Build build =
                of(priced("dear", exact(30), Part.Standing.TO_BUY), priced("mine", exact(900), Part.Standing.OWNED));
        assertThat(Evaluator.evaluate(build)
                        .verdict(Verdict.Kind.COSTS)
                        .working()
                        .steps())
                .extracting(s -> s.what() + " " + s.result())
                .containsExactly(
                        "dear, to buy 30.00",
                        "Spent 0.00",
                        "Still to be spent 30.00",
                        "Owned or salvaged, not counted 900.00");
    }
}
