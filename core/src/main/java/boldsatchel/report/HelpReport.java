package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.format.BuildFormat;
import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Hunt;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Money;
import boldsatchel.quantity.Figure;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A hunt as JSON, for somebody who is asked to help and for their programs. */
public final class HelpReport {

    private static final String FORMAT = "bold-satchel-help";

    private HelpReport() {}

    /** The build without what is nobody's business: notes, decisions, tasks, pictures and money; of its hunts this one only. */
    public static Build bare(Build build, Journal.Hunted hunted) {
        return build.with(Journal.NONE
                        .withTests(build.journal().tests())
                        .withHunts(List.of(hunted))
                        .withAsBuilt(build.journal().asBuilt()))
                .with(Money.NONE);
    }

    /** What is seen, tried and suspected, what was not checked yet, the judgement of the build, and the build. */
    public static String json(Evaluation evaluation, Hunt hunt, Journal.Hunted hunted) {
        Belief belief = hunt.after(hunted.clues(), hunted.boxMinutes());
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("format", FORMAT);
        root.put("version", 1);
        root.put("symptom", hunt.symptom().title());
        root.put("part", hunt.subject().id());
        ArrayNode checked = root.putArray("checked");
        hunted.clues().forEach(c -> checked(checked.addObject(), hunt, c));
        ArrayNode suspects = root.putArray("suspects");
        belief.suspects().forEach(w -> {
            ObjectNode node = suspects.addObject();
            node.put("cause", w.cause().id());
            node.put("title", w.cause().title());
            number(node, "weight", w.weight());
            node.put("why", w.why());
        });
        ArrayNode left = root.putArray("left");
        belief.next().forEach(n -> {
            ObjectNode node = left.addObject();
            node.put("check", n.check().id());
            node.put("title", n.check().title());
            number(node, "bits", n.bits());
            number(node, "minutes", n.check().minutes());
            node.put("planned", n.expected());
        });
        root.set("judgement", Report.node(evaluation));
        root.set("build", BuildFormat.node(bare(evaluation.build(), hunted)));
        return BuildFormat.text(root);
    }

    private static void checked(ObjectNode node, Hunt hunt, Journal.Clue clue) {
        node.put("check", clue.check());
        node.put("said", hunt.words(clue));
        node.put("outcome", clue.outcome());
        number(node, "value", clue.value().map(Figure::value).orElse(Double.NaN));
        number(node, "plusMinus", clue.value().map(Figure::plusMinus).orElse(Double.NaN));
        node.put("notes", clue.words());
    }
}
