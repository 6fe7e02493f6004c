package boldsatchel.cost;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.Edits;
import boldsatchel.edit.Purchases;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.machine.Part.Standing;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Spread;
import boldsatchel.report.Report;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The ledger against sums by hand, orders against the calendar. */
public class LedgerTest {

    private static final LocalDate DAY = LocalDate.of(2026, 3, 20);

    private static Part part(String id, double price, Standing standing) {
        return block(id, 10, 10, 10).priced(exact(price)).standing(standing, Purchase.NONE);
    }

    private static Build of(Part... parts) {
        return Build.empty("ledger").with(new Parts(List.of(parts)));
    }

    private static Money.Entry entry(String what, Money.Kind kind, double amount, String currency, boolean paid) {
        return new Money.Entry(what, kind, exact(amount), currency, paid, Optional.empty());
    }

    private static Build whole() {
        Build build = of(
                part("a", 100, Standing.TO_BUY),
                part("b", 40, Standing.ORDERED),
                part("c", 7, Standing.BOUGHT),
                part("d", 20, Standing.WRONG),
                part("e", 55, Standing.OWNED),
                part("f", 5, Standing.SALVAGED));
        return build.with(new Money(
                List.of(
                        entry("iron", Money.Kind.TOOL, 30, "", true),
                        entry("filament", Money.Kind.CONSUMABLE, 24, "", false),
                        entry("sent back", Money.Kind.REFUND, 9, "", true),
                        entry("post", Money.Kind.SHIPPING, 10, "USD", true),
                        entry("duty", Money.Kind.OTHER, 3, "SEK", true)),
                List.of(new Money.Candidate(part("g", 12, Standing.BOUGHT), "a")),
                List.of(new Money.Rate("USD", new Figure(0.9, 0.02, Basis.MEASURED), Optional.of(DAY)))));
    }

    @Test
    public void theSumsAreThoseByHand() {
        CostResult cost = CostEngine.evaluate(whole());
        // 40 + 7 + 20 for parts, 12 for the candidate, 30 − 9 + 10 · 0.9 beside; the right one for d is still to be
        // bought.
        assertThat(cost.spent()).isCloseTo(40 + 7 + 20 + 12 + 30 - 9 + 9, within(1e-9));
        assertThat(cost.toBuy()).isCloseTo(100 + 20 + 24, within(1e-9));
        assertThat(cost.owned()).isCloseTo(60, within(1e-9));
        assertThat(cost.all().nominal()).isCloseTo(cost.spent() + cost.toBuy(), within(1e-9));
        assertThat(cost.unrated()).containsExactly("duty (SEK)");
        // All is exact but the rate: 10 dollars at ± 0.02.
        assertThat(cost.all().high() - cost.all().nominal()).isCloseTo(Spread.SIGMAS_TO_95 * 10 * 0.01, within(1e-9));
    }

    @Test
    public void theReportHasTheLedgerByState() throws Exception {
        JsonNode money = JsonMapper.shared()
                .readTree(Report.json(Evaluator.evaluate(whole())))
                .path("money");
        assertThat(money.path("currency").asString()).isEqualTo("EUR");
        assertThat(money.path("spent").asDouble()).isCloseTo(109, within(1e-9));
        assertThat(money.path("toBuy").asDouble()).isCloseTo(144, within(1e-9));
        assertThat(money.path("owned").asDouble()).isCloseTo(60, within(1e-9));
        JsonNode by = money.path("byState");
        assertThat(by.path("to-buy").asDouble()).isCloseTo(120, within(1e-9));
        assertThat(by.path("bought").asDouble()).isCloseTo(19, within(1e-9));
        assertThat(by.path("wrong").asDouble()).isCloseTo(20, within(1e-9));
        assertThat(money.path("other").path("refund").asDouble()).isCloseTo(-9, within(1e-9));
        assertThat(money.path("leftOut").get(0).asString()).contains("SEK");
    }

    @Test
    public void whatIsLeftOutAndWhatCameWrongIsSaid() {
        assertThat(Evaluator.evaluate(whole()).findings())
                .extracting(Finding::code)
                .contains("cost.no-rate", "cost.wrong-one")
                .doesNotContain("cost.currency");
        Build odd = whole().with(new boldsatchel.machine.Brief(
                "",
                "pebbles",
                whole().brief().limits(),
                whole().brief().surroundings(),
                whole().brief().profiles()));
        assertThat(Evaluator.evaluate(odd).findings()).extracting(Finding::code).contains("cost.currency");
    }

    @Test
    public void anOfferTakenCountsInTheCurrencyOfTheBrief() {
        Purchase.Quote quote = new Purchase.Quote("far shop", new Figure(50, 1, Basis.DATA_SHEET), 8, "USD", 12);
        Build build = of(part("a", 100, Standing.TO_BUY));
        assertThatThrownBy(() -> Purchases.take(build.part("a").orElseThrow(), quote)
                        .change()
                        .apply(build))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("USD");
        Build rated = build.with(
                new Money(List.of(), List.of(), List.of(new Money.Rate("USD", exact(0.9), Optional.of(DAY)))));
        Build taken =
                Purchases.take(rated.part("a").orElseThrow(), quote).change().apply(rated);
        assertThat(taken.part("a").orElseThrow().price().value()).isCloseTo(45, within(1e-9));
        assertThat(taken.part("a").orElseThrow().price().plusMinus()).isCloseTo(0.9, within(1e-9));
        assertThat(CostEngine.evaluate(taken).toBuy()).isCloseTo(45 + 7.2, within(1e-9));
    }

    @Test
    public void keepingACandidateChangesPlacesAndLosesNoMoney() {
        Build build = whole();
        Build kept =
                Purchases.keep(build.money().candidates().getFirst()).change().apply(build);
        assertThat(kept.part("a").orElseThrow().name()).isEqualTo("g");
        assertThat(kept.money().candidates()).singleElement().satisfies(c -> {
            assertThat(c.part().name()).isEqualTo("a");
            assertThat(c.insteadOf()).isEqualTo("a");
        });
        assertThat(CostEngine.evaluate(kept).all().nominal())
                .isCloseTo(CostEngine.evaluate(build).all().nominal(), within(1e-9));
        Build given =
                Purchases.giveUp(build.money().candidates().getFirst()).change().apply(build);
        assertThat(CostEngine.evaluate(given).spent())
                .isCloseTo(CostEngine.evaluate(build).spent(), within(1e-9));
        assertThat(given.money().entries().getLast().kind()).isEqualTo(Money.Kind.REJECT);
    }

    /** What was paid for a part stays spent when the part goes, or another takes its place. */
    @Test
    public void moneySpentStaysSpent() {
        Build build = whole();
        double spent = CostEngine.evaluate(build).spent();
        Part bought = build.part("c").orElseThrow();
        Build without = Edits.removePart(bought).change().apply(build);
        assertThat(CostEngine.evaluate(without).spent()).isCloseTo(spent, within(1e-9));
        Build other = Edits.replacePart(bought, part("h", 30, Standing.TO_BUY))
                .change()
                .apply(build);
        assertThat(CostEngine.evaluate(other).spent()).isCloseTo(spent, within(1e-9));
        assertThat(CostEngine.evaluate(other).toBuy())
                .isCloseTo(CostEngine.evaluate(build).toBuy() + 30, within(1e-9));
        Build owned = Edits.removePart(build.part("e").orElseThrow()).change().apply(build);
        assertThat(owned.money()).isEqualTo(build.money());
    }

    @Test
    public void anOrderIsUnderwayDueAndLate() {
        Build build = of(part("a", 10, Standing.TO_BUY));
        Part a = build.part("a").orElseThrow();
        Build ordered = Purchases.order(
                        a, new Purchase.Order("shop", Optional.of(DAY), Optional.of(DAY.plusDays(7)), Optional.empty()))
                .change()
                .apply(build);
        assertThat(words(ordered, 0)).isEqualTo("in the post for 0 days, due in 7 days");
        assertThat(words(ordered, 7)).isEqualTo("in the post for 7 days, due today");
        assertThat(words(ordered, 8)).isEqualTo("in the post for 8 days, 1 day late");
        Part on = ordered.part("a").orElseThrow();
        Build here = Purchases.arrived(on, DAY.plusDays(9)).change().apply(ordered);
        assertThat(Waiting.of(here, DAY.plusDays(20)).orders()).isEmpty();
        Build wrong = Purchases.wrongOne(on, DAY.plusDays(9)).change().apply(ordered);
        assertThat(CostEngine.evaluate(wrong).all().nominal()).isCloseTo(20, within(1e-9));
    }

    private static String words(Build build, int days) {
        return Waiting.of(build, DAY.plusDays(days)).orders().getFirst().words();
    }

    @Test
    public void whatWaitsForNothingCanBeDoneNow() {
        Build build = of(part("a", 10, Standing.ORDERED), part("b", 10, Standing.OWNED));
        List<Journal.Task> tasks = new ArrayList<>();
        tasks.add(new Journal.Task("wait", Set.of("a", "b"), false));
        tasks.add(new Journal.Task("go", Set.of("b"), false));
        tasks.add(new Journal.Task("over", Set.of(), true));
        Build busy = Edits.journal("tasks", j -> j.withTasks(tasks)).change().apply(build);
        assertThat(Waiting.of(busy, DAY).jobs())
                .filteredOn(j -> !j.what().startsWith("M"))
                .extracting(j -> j.what() + " " + j.waitsFor())
                .containsExactly("go []", "wait [a]");
    }

    @Test
    public void aTimeBoxIsUpTheDayAfter() {
        Journal.Decision risky =
                new Journal.Decision(Optional.of(DAY), "own driver", "cheaper", Optional.of(DAY), "buy one", false);
        assertThat(risky.isUp(DAY)).isFalse();
        assertThat(risky.isUp(DAY.plusDays(1))).isTrue();
    }
}
