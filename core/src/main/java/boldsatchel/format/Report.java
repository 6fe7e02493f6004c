package boldsatchel.format;

import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The judgement of a build as JSON, for other programs. */
public final class Report {

    private Report() {}

    /** One JSON object with {@code build}, {@code verdicts} and {@code findings}. */
    public static String json(Evaluation evaluation) {
        ObjectNode root = BuildMapper.MAPPER.createObjectNode();
        root.put("build", evaluation.build().name());
        ArrayNode verdicts = root.putArray("verdicts");
        evaluation.verdicts().forEach(v -> verdict(verdicts.addObject(), v, evaluation));
        ArrayNode findings = root.putArray("findings");
        evaluation.findings().forEach(f -> finding(findings.addObject(), f));
        return BuildMapper.MAPPER.writeValueAsString(root);
    }

    private static void verdict(ObjectNode node, Verdict v, Evaluation evaluation) {
        boolean money = v.kind() == Verdict.Kind.COSTS;
        node.put("id", v.kind().id());
        node.put("state", v.state().words());
        number(node, "value", v.value());
        node.put(
                "unit", money ? evaluation.build().brief().currency() : v.kind().unit());
        number(node, "limit", v.limit().orElse(Double.NaN));
        number(node, "low", v.low());
        number(node, "high", v.high());
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
        f.remedies().forEach(remedies::add);
    }

    /** JSON has no infinity; what is unknown or endless is null. */
    private static void number(ObjectNode node, String name, double value) {
        if (Double.isFinite(value)) {
            node.put(name, Math.round(value * 1e4) / 1e4);
        } else {
            node.putNull(name);
        }
    }
}
