package boldsatchel.report;

import boldsatchel.arrange.Aim;
import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.Wish;
import boldsatchel.format.BuildFormat;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Proposals for an arrangement as JSON. */
public final class ArrangeReport {

    private ArrangeReport() {}

    /**
     * One JSON object.
     *
     * @param now the build as it is
     * @param wish what was looked for
     * @param why there is none, in words; empty where there are some
     * @param files that the proposals were written to, in their order; none where they were not
     */
    public static String json(Evaluation now, Wish wish, List<Proposal> proposals, String why, List<String> files) {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("build", now.build().name());
        root.put("tray", wish.trays().getFirst());
        ArrayNode trays = root.putArray("trays");
        wish.trays().forEach(trays::add);
        judged(root.putObject("asItIs"), now, wish);
        root.put("why", why);
        ArrayNode all = root.putArray("proposals");
        for (int i = 0; i < proposals.size(); i++) {
            ObjectNode node = all.addObject();
            Evaluation evaluation = proposals.get(i).evaluation();
            node.put("change", proposals.get(i).change().words());
            judged(node, evaluation, wish);
            ArrayNode moved = node.putArray("moved");
            moved(now.build(), evaluation.build(), moved);
            if (i < files.size()) {
                node.put("file", files.get(i));
            }
        }
        return BuildFormat.text(root);
    }

    private static void judged(ObjectNode node, Evaluation evaluation, Wish wish) {
        Report.verdicts(node.putArray("verdicts"), evaluation);
        Report.findings(node.putArray("findings"), evaluation);
        inside(node, evaluation, wish.trays().getFirst());
        ArrayNode trays = node.putArray("trays");
        for (String tray : wish.trays()) {
            inside(trays.addObject().put("id", tray), evaluation, tray);
        }
        node.put("outsideMm3", evaluation.build().casing().outsideMm3());
        ObjectNode wished = node.putObject("wished");
        for (Aim aim : Aim.ALL) {
            double value = aim.reading().of().applyAsDouble(evaluation);
            if (wish.aims().contains(aim) && !Double.isNaN(value)) {
                wished.put(aim.id(), value);
            }
        }
    }

    private static void inside(ObjectNode node, Evaluation evaluation, String tray) {
        Box inside = evaluation.build().shell(tray).orElseThrow().cavity();
        Report.vec(node, "insideMm", inside.dx(), inside.dy(), inside.dz());
    }

    private static void moved(Build was, Build is, ArrayNode moved) {
        for (Placement placement : is.layout().placements()) {
            if (was.placement(placement.part()).filter(placement::equals).isEmpty()) {
                ObjectNode node = moved.addObject();
                node.put("part", placement.part());
                node.put("shell", placement.shell());
                Report.vec(
                        node,
                        "atMm",
                        placement.at().x(),
                        placement.at().y(),
                        placement.at().z());
                node.put("turned", placement.orientation().words());
            }
        }
    }
}
