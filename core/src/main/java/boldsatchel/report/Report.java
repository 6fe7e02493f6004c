package boldsatchel.report;

import boldsatchel.format.BuildFormat;
import boldsatchel.machine.Build;
import boldsatchel.power.Charge;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The judgement of a build as JSON, for other programs. */
public final class Report {

    private Report() {}

    /** One JSON object with {@code build}, {@code verdicts}, {@code findings} and {@code power}. */
    public static String json(Evaluation evaluation) {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("build", evaluation.build().name());
        ArrayNode verdicts = root.putArray("verdicts");
        evaluation.verdicts().forEach(v -> verdict(verdicts.addObject(), v, evaluation));
        ArrayNode findings = root.putArray("findings");
        evaluation.findings().forEach(f -> finding(findings.addObject(), f));
        power(root.putObject("power"), evaluation.build(), evaluation.of(PowerResult.class));
        return BuildFormat.text(root);
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

    private static void power(ObjectNode node, Build build, PowerResult power) {
        ArrayNode chains = node.putArray("chains");
        power.chains().forEach(c -> chain(chains.addObject(), build, c));
        ArrayNode charges = node.putArray("charges");
        power.charges().forEach(c -> charge(charges.addObject(), c));
    }

    private static void chain(ObjectNode node, Build build, ChainResult chain) {
        node.put("source", chain.source());
        ArrayNode profiles = node.putArray("profiles");
        profile(
                profiles.addObject(),
                build.brief().profile().name(),
                chain.run().hours(),
                chain.run().end());
        chain.otherRuns().forEach((name, run) -> profile(profiles.addObject(), name, run.hours(), run.end()));
        number(node, "startsDownTo", chain.startsDownTo().orElse(Double.NaN));
        number(node, "offDays", chain.offDays());
        chain.withoutOne().ifPresent(hours -> number(node, "hoursWithoutOne", hours));
        ObjectNode rungs = node.putObject("rungs");
        rungs(rungs.putArray("full"), chain.full());
        rungs(rungs.putArray("half"), chain.half());
        rungs(rungs.putArray("nearlyEmpty"), chain.low());
    }

    private static void profile(ObjectNode node, String name, double hours, boldsatchel.power.Breach end) {
        node.put("profile", name);
        number(node, "hours", hours);
        node.put("end", Double.isInfinite(hours) ? "goes on" : end.kind().words());
        node.put("endsAt", end.rung());
    }

    private static void rungs(ArrayNode array, OperatingPoint point) {
        point.rungs().forEach((id, state) -> {
            ObjectNode rung = array.addObject();
            rung.put("rung", id);
            number(rung, "volts", state.voltsOut());
            number(rung, "amps", Math.max(state.ampsIn(), state.ampsOut()));
            number(rung, "watts", state.voltsIn() * state.ampsIn());
            number(rung, "heatW", state.heatW());
        });
    }

    private static void charge(ObjectNode node, Charge.Result charge) {
        node.put("rung", charge.rung());
        node.put("store", charge.store());
        node.put("supply", charge.supply());
        number(node, "hours", charge.off().hours());
        number(node, "hoursRunning", charge.running().hours());
        number(node, "cellsA", charge.cellsA());
        ArrayNode offers = node.putArray("bySupply");
        charge.byOffer().forEach(o -> {
            ObjectNode offer = offers.addObject();
            number(offer, "volts", o.offer().volts());
            number(offer, "amps", o.offer().amps());
            number(offer, "hours", o.hours());
        });
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
