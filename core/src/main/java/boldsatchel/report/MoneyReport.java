package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.cost.CostResult;
import boldsatchel.machine.Build;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import tools.jackson.databind.node.ObjectNode;

/** The ledger in a report. */
final class MoneyReport {

    private MoneyReport() {}

    static void write(ObjectNode at, Build build, CostResult cost) {
        at.put("currency", build.brief().currency());
        number(at, "spent", cost.spent());
        number(at, "toBuy", cost.toBuy());
        number(at, "owned", cost.owned());
        sums(at.putObject("byState"), cost, CostResult.Item::part);
        sums(at.putObject("other"), cost, CostResult.Item::other);
        var left = at.putArray("leftOut");
        cost.unrated().forEach(left::add);
    }

    private static void sums(
            ObjectNode at, CostResult cost, Function<CostResult.Item, ? extends Optional<? extends Enum<?>>> sort) {
        Map<Enum<?>, Double> sums = new LinkedHashMap<>();
        cost.items().forEach(i -> sort.apply(i).ifPresent(s -> sums.merge(s, i.amount(), Double::sum)));
        sums.forEach((s, sum) -> number(at, Report.word(s), sum));
    }
}
