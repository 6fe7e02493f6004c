package boldsatchel.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.testng.annotations.Test;

/** What would help against heat does what is said of it. */
public class ReliefsTest {

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void eachDoesWhatIsSaidAndTheBestComesFirst(String name) {
        Evaluation now = Evaluator.evaluate(Library.demo(name).orElseThrow());
        double before = now.verdict(Verdict.Kind.KEEPS_COOL).value();
        List<Relief> reliefs = Reliefs.of(now, Library.shipped().parts(), () -> false);
        assertThat(reliefs).hasSizeGreaterThan(3);
        assertThat(reliefs).isSortedAccordingTo(Comparator.comparingDouble((Relief r) -> -r.marginK()));
        for (Relief relief : reliefs) {
            double then = Evaluator.evaluate(relief.edit().change().apply(now.build()))
                    .verdict(Verdict.Kind.KEEPS_COOL)
                    .value();
            assertThat(then).as(relief.words()).isCloseTo(relief.marginK(), within(1e-6));
            assertThat(then - before).as(relief.words()).isCloseTo(relief.gainK(), within(1e-6));
            assertThat(relief.gainK()).isPositive();
        }
    }

    /** Where a wall has a place at which a fan is in nothing's way, plugs included, it goes there. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void noFanMakesAnythingElseStop(String name) {
        Evaluation now = Evaluator.evaluate(Library.demo(name).orElseThrow());
        assertThat(Reliefs.of(now, Library.shipped().parts(), () -> false))
                .filteredOn(r -> r.words().startsWith("Add "))
                .noneMatch(Relief::stops);
    }

    @Test
    public void whatIsGivenUpIsSaid() {
        Evaluation now = Evaluator.evaluate(Library.demo("cave-survey").orElseThrow());
        List<String> prices = new ArrayList<>();
        Reliefs.of(now, Library.shipped().parts(), () -> false).forEach(r -> prices.addAll(r.price()));
        assertThat(prices).contains("lets water and dust in", "it works more slowly", "has to be fed");
        assertThat(prices).anyMatch(p -> p.startsWith("+EUR ")).anyMatch(p -> p.endsWith(" g"));
    }

    @Test
    public void aSearchThatIsGivenUpEndsWithWhatItHas() {
        Evaluation now = Evaluator.evaluate(Library.demo("cave-survey").orElseThrow());
        assertThat(Reliefs.of(now, Library.shipped().parts(), () -> true)).isEmpty();
    }

    /** The slab is sealed, and gives watts up for it; the laptop has vents, and closing them costs. */
    @Test
    public void sealingCosts() {
        Sealing slab = Sealing.of(Evaluator.evaluate(Library.demo("cave-survey").orElseThrow()))
                .orElseThrow();
        assertThat(slab.sealed().edit()).isEmpty();
        assertThat(slab.open().edit()).isPresent();
        assertThat(slab.givenUpW().orElseThrow()).isBetween(0.1, 20.0);
        Sealing laptop = Sealing.of(
                        Evaluator.evaluate(Library.demo("orchard-ledger").orElseThrow()))
                .orElseThrow();
        assertThat(laptop.open().edit()).isEmpty();
        assertThat(laptop.sealed().marginK()).isLessThan(laptop.open().marginK() - 5);
        assertThat(laptop.givenUpW().orElseThrow()).isGreaterThan(1);
    }
}
