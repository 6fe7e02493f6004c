package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.cost.CostEngine;
import boldsatchel.cost.CostResult;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Spread;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/** Costs. */
public final class CostJudge implements Judge<CostResult> {

    private static final String METHOD = "cost";

    /** All codes of ISO 4217 that are in use. */
    private static final Set<String> CODES = Currency.getAvailableCurrencies().stream()
            .map(Currency::getCurrencyCode)
            .collect(Collectors.toUnmodifiableSet());

    /** A judge; all are alike. */
    public CostJudge() {}

    @Override
    public Engine<CostResult> engine() {
        return new CostEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.MONEY);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.COSTS);
    }

    @Override
    public Judgement judge(Build build, CostResult result) {
        return new Judgement(List.of(costs(build, result)), findings(build, result));
    }

    private static Verdict costs(Build build, CostResult cost) {
        OptionalDouble limit =
                build.brief().limits().money().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Spread all = cost.all();
        return new Verdict(
                Verdict.Kind.COSTS,
                Verdict.against(
                        all.nominal(),
                        all.low(),
                        all.high(),
                        limit,
                        false,
                        build.brief().limits().isWish(Brief.Limit.MONEY)),
                all.nominal(),
                limit,
                all.low(),
                all.high(),
                Lazy.of(() -> sentence(build.brief().currency() + " ", cost)),
                Lazy.of(() -> new Working(steps(cost), all, METHOD)));
    }

    private static String sentence(String currency, CostResult cost) {
        return "Spent: " + currency + money(cost.spent()) + "; still to be spent: " + currency + money(cost.toBuy())
                + "; owned or salvaged: " + currency + money(cost.owned()) + "."
                + (cost.unrated().isEmpty() ? "" : " Not in it: " + String.join(", ", cost.unrated()) + ".");
    }

    private static List<Working.Step> steps(CostResult cost) {
        List<Working.Step> steps = new ArrayList<>();
        for (CostResult.State state : CostResult.State.values()) {
            boolean owned = state == CostResult.State.OWNED;
            cost.items().stream()
                    .filter(i -> i.state() == state && !owned)
                    .forEach(i -> steps.add(step(i.what() + ", " + i.sort(), i.amount())));
        }
        steps.add(step("Spent", cost.spent()));
        steps.add(step("Still to be spent", cost.toBuy()));
        steps.add(new Working.Step(
                "Owned or salvaged, not counted",
                "",
                cost.items().stream()
                        .filter(i -> i.state() == CostResult.State.OWNED)
                        .map(CostResult.Item::what)
                        .limit(4)
                        .reduce((a, b) -> a + ", " + b)
                        .orElse("nothing"),
                money(cost.owned())));
        return steps;
    }

    private static Working.Step step(String what, double price) {
        return new Working.Step(what, "", "", money(price));
    }

    private static String money(double value) {
        return BigDecimal.valueOf(value).setScale(2, RoundingMode.HALF_UP).toPlainString();
    }

    private static List<Finding> findings(Build build, CostResult cost) {
        Sheet sheet = new Sheet(new CostTelling(build, cost));
        Brief.Limits limits = build.brief().limits();
        limits.money()
                .filter(limit -> cost.all().nominal() > limit)
                .ifPresent(limit -> sheet.add(
                        "cost.over",
                        limits.isWish(Brief.Limit.MONEY) ? Severity.WATCH : Severity.STOP,
                        List.of(),
                        numbers("all", cost.all().nominal(), "spent", cost.spent(), "limit", limit)));
        if (!cost.unrated().isEmpty()) {
            sheet.add(
                    "cost.no-rate",
                    Severity.WATCH,
                    List.of(),
                    numbers("count", cost.unrated().size()));
        }
        if (!isCode(build.brief().currency())) {
            sheet.add("cost.currency", Severity.NOTE, List.of(), Map.of());
        }
        build.parts().list().stream()
                .filter(p -> p.standing() == Part.Standing.WRONG)
                .forEach(p -> sheet.add(
                        "cost.wrong-one",
                        Severity.WATCH,
                        List.of(p.id()),
                        numbers("price", p.price().value())));
        return sheet.findings();
    }

    private static boolean isCode(String currency) {
        return CODES.contains(currency);
    }

    /** Tells of money. */
    private record CostTelling(Build build, CostResult cost) implements Telling {
        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "cost.over" ->
                    "Spent and still to be spent: " + money(f.number("all")) + "; the brief allows " + f.n("limit")
                            + ".";
                case "cost.no-rate" ->
                    "Left out of the sum, because nobody said what the currency is worth: "
                            + String.join(", ", cost.unrated()) + ".";
                case "cost.currency" ->
                    "Money is written in “" + build.brief().currency() + "”, which is no currency code.";
                case "cost.wrong-one" ->
                    "The wrong one came for " + Words.name(build, f.first())
                            + ": its price is counted as spent and as still to be spent.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return List.of(Remedy.advice(
                    switch (f.code()) {
                        case "cost.over" -> "Look for parts to salvage, the dearest first; what is spent stays spent";
                        case "cost.no-rate" -> "Say what one of it is worth, under “Rates of exchange” in the ledger";
                        case "cost.currency" -> "Write the three letters of its ISO code, such as EUR, in the brief";
                        case "cost.wrong-one" ->
                            "Send it back and enter what returns as “sent back”, or keep it as a spare; then set the part to “to buy”";
                        default -> throw Telling.unknown(f);
                    }));
        }
    }
}
