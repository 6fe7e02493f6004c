package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.cost.CostEngine;
import boldsatchel.cost.CostResult;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
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
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/** Costs. */
public final class CostJudge implements Judge<CostResult> {

    private static final String METHOD = "cost";

    /** A judge; all are alike. */
    public CostJudge() {}

    @Override
    public Engine<CostResult> engine() {
        return new CostEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING);
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
        Spread spend = cost.toSpend();
        return new Verdict(
                Verdict.Kind.COSTS,
                Verdict.against(spend.nominal(), spend.low(), spend.high(), limit, false),
                spend.nominal(),
                limit,
                spend.low(),
                spend.high(),
                "Still to be spent: " + build.brief().currency() + " " + money(spend.nominal())
                        + "; owned or salvaged: " + build.brief().currency() + " " + money(cost.inHand()) + ".",
                Lazy.of(() -> new Working(steps(build, cost), spend, METHOD)));
    }

    private static List<Working.Step> steps(Build build, CostResult cost) {
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
        return steps;
    }

    private static Working.Step step(String what, double price) {
        return new Working.Step(what, "", "", money(price));
    }

    private static String money(double value) {
        return BigDecimal.valueOf(value).setScale(2, RoundingMode.HALF_UP).toPlainString();
    }

    private static List<Finding> findings(Build build, CostResult cost) {
        Sheet sheet = new Sheet(new OverTelling());
        build.brief()
                .limits()
                .money()
                .filter(limit -> cost.toSpend().nominal() > limit)
                .ifPresent(limit -> sheet.add(
                        "cost.over",
                        Severity.STOP,
                        List.of(),
                        numbers("toSpend", cost.toSpend().nominal(), "limit", limit)));
        return sheet.findings();
    }

    /** Tells of too much money. */
    private record OverTelling() implements Telling {
        @Override
        public String sentence(Noted f) {
            return "Still to be spent: " + money(f.number("toSpend")) + "; the brief allows " + f.n("limit") + ".";
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return List.of(Remedy.advice("Look for parts to salvage, the dearest first"));
        }
    }
}
