package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.cost.CostResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** Costs. */
final class CostJudge {

    private static final String METHOD = "cost";

    private CostJudge() {}

    static Verdict costs(Build build, CostResult cost) {
        OptionalDouble limit =
                build.brief().limits().money().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Spread spend = cost.toSpend();
        List<Working.Step> steps = new ArrayList<>();
        build.parts().list().stream()
                .filter(p -> p.standing().costs())
                .forEach(p -> steps.add(
                        step(p.name() + ", " + p.standing().words(), p.price().value())));
        build.casing().shells().stream()
                .filter(s -> s.price().value() > 0)
                .forEach(s -> steps.add(step(s.name(), s.price().value())));
        steps.add(new Working.Step(
                "Owned or salvaged, not counted",
                "",
                build.parts().list().stream()
                        .filter(p -> !p.standing().costs())
                        .map(Part::name)
                        .limit(4)
                        .reduce((a, b) -> a + ", " + b)
                        .orElse("nothing"),
                money(cost.inHand())));
        return new Verdict(
                Verdict.Kind.COSTS,
                Verdict.against(spend.nominal(), spend.low(), spend.high(), limit, false),
                spend.nominal(),
                limit,
                spend.low(),
                spend.high(),
                "Still to be spent: " + build.brief().currency() + " " + money(spend.nominal())
                        + "; owned or salvaged: " + build.brief().currency() + " " + money(cost.inHand()) + ".",
                new Working(steps, spend, METHOD));
    }

    private static Working.Step step(String what, double price) {
        return new Working.Step(what, "", "", money(price));
    }

    private static String money(double value) {
        return String.format(java.util.Locale.ROOT, "%.2f", value);
    }

    static List<Finding> findings(Build build, CostResult cost) {
        Words.Sheet sheet = new Words.Sheet();
        build.brief()
                .limits()
                .money()
                .filter(limit -> cost.toSpend().nominal() > limit)
                .ifPresent(limit -> sheet.add(
                        "cost.over",
                        Severity.STOP,
                        List.of(),
                        "Still to be spent: " + money(cost.toSpend().nominal()) + "; the brief allows " + n(limit)
                                + ".",
                        numbers("toSpend", cost.toSpend().nominal(), "limit", limit),
                        "Look for parts to salvage, the dearest first"));
        return sheet.findings();
    }
}
