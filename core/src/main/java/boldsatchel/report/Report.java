package boldsatchel.report;

import boldsatchel.abilities.Abilities;
import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.PlanResult;
import boldsatchel.balance.BalanceResult;
import boldsatchel.bench.BenchResult;
import boldsatchel.cables.CablesResult;
import boldsatchel.cost.CostResult;
import boldsatchel.fit.FitResult;
import boldsatchel.format.BuildFormat;
import boldsatchel.hands.HandsResult;
import boldsatchel.hold.HoldResult;
import boldsatchel.links.LinksResult;
import boldsatchel.power.Points;
import boldsatchel.power.PowerResult;
import boldsatchel.printing.PrintingResult;
import boldsatchel.reach.ReachResult;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import java.util.Locale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The judgement of a build as JSON, for other programs. */
public final class Report {

    private Report() {}

    /** One JSON object: the verdicts, the findings, and the numbers that stand behind them, as exact as they were worked out. */
    public static String json(Evaluation evaluation) {
        return BuildFormat.text(node(evaluation));
    }

    static ObjectNode node(Evaluation evaluation) {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("build", evaluation.build().name());
        verdicts(root.putArray("verdicts"), evaluation);
        findings(root.putArray("findings"), evaluation);
        PowerReport.write(
                root.putObject("power"),
                evaluation.build(),
                evaluation.of(PowerResult.class),
                evaluation.of(Points.class));
        HeatReport.write(root.putObject("heat"), evaluation);
        BalanceReport.write(root.putObject("balance"), evaluation.of(BalanceResult.class));
        HandsReport.write(root.putArray("hands"), evaluation.of(HandsResult.class));
        HandsReport.write(
                root.putObject("setUp"), evaluation.of(HandsResult.class).setUp());
        HoldReport.write(root.putObject("hold"), evaluation.of(HoldResult.class));
        CablesReport.write(root.putObject("cables"), evaluation.of(CablesResult.class));
        ReachReport.write(root.putObject("reach"), evaluation.of(ReachResult.class));
        PrintingReport.write(root.putObject("printing"), evaluation.of(PrintingResult.class));
        FitReport.write(root.putObject("fit"), evaluation.build(), evaluation.of(FitResult.class));
        LinksReport.write(root.putObject("links"), evaluation.build(), evaluation.of(LinksResult.class));
        AbilitiesReport.write(root.putObject("abilities"), evaluation.build(), evaluation.of(Abilities.class));
        MoneyReport.write(root.putObject("money"), evaluation.build(), evaluation.of(CostResult.class));
        BenchReport.write(root.putObject("bench"), evaluation.of(BenchResult.class));
        AssemblyResult assembly = evaluation.of(AssemblyResult.class);
        AssemblyReport.mends(root.putArray("mends"), assembly);
        AssemblyReport.write(
                root.putObject("assembly"),
                assembly,
                evaluation.of(PlanResult.class).plan().get());
        return root;
    }

    static void verdicts(ArrayNode verdicts, Evaluation evaluation) {
        evaluation.verdicts().forEach(v -> verdict(verdicts.addObject(), v, evaluation));
    }

    static void findings(ArrayNode findings, Evaluation evaluation) {
        evaluation.findings().forEach(f -> finding(findings.addObject(), f));
    }

    private static void verdict(ObjectNode node, Verdict v, Evaluation evaluation) {
        boolean money = v.kind().equals(Verdict.Kind.COSTS);
        node.put("id", v.kind().id());
        node.put("state", v.state().words());
        number(node, "value", v.value());
        node.put(
                "unit", money ? evaluation.build().brief().currency() : v.kind().unit());
        number(node, "limit", v.limit().orElse(Double.NaN));
        number(node, "low", v.low());
        number(node, "high", v.high());
        node.put("sentence", v.sentence());
    }

    private static void finding(ObjectNode node, Finding f) {
        node.put("code", f.code());
        node.put("severity", f.severity().words());
        ArrayNode subjects = node.putArray("subjects");
        f.subjects().forEach(subjects::add);
        node.put("message", f.message());
        ObjectNode numbers = node.putObject("numbers");
        f.numbers().forEach((name, value) -> number(numbers, name, value));
        ArrayNode remedies = node.putArray("remedies");
        f.remedies().forEach(r -> remedies.add(r.words()));
    }

    /** A word of a fixed list as files write it. */
    static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** JSON has no infinity; what is unknown or endless is null. */
    static void number(ObjectNode node, String name, double value) {
        if (Double.isFinite(value)) {
            node.put(name, value);
        } else {
            node.putNull(name);
        }
    }

    /** A point or a size, mm. */
    static void vec(ObjectNode node, String name, double x, double y, double z) {
        node.putArray(name).add(x).add(y).add(z);
    }
}
