package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.vec;

import boldsatchel.balance.BalanceResult;
import boldsatchel.geometry.Vec;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind <em>Carries</em> and <em>Stands</em>. */
final class BalanceReport {

    private BalanceReport() {}

    static void write(ObjectNode node, BalanceResult balance) {
        number(node, "massG", balance.massG().nominal());
        ArrayNode items = node.putArray("items");
        balance.items().forEach(i -> {
            ObjectNode item = items.addObject();
            item.put("name", i.name());
            number(item, "massG", i.massG());
        });
        Vec centre = balance.centre();
        vec(node, "centreMm", centre.x(), centre.y(), centre.z());
        ArrayNode support = node.putArray("supportMm");
        balance.support().forEach(c -> support.addArray().add(c.x()).add(c.y()).add(c.z()));
        ArrayNode margins = node.putArray("margins");
        balance.sweep().forEach(m -> {
            ObjectNode margin = margins.addObject();
            margin.put("joint", m.joint());
            number(margin, "amount", m.amount());
            number(margin, "marginDeg", m.marginDeg());
        });
        ObjectNode worst = node.putObject("worst");
        worst.put("posture", balance.worst().posture().name());
        worst.put("joint", balance.worst().joint());
        number(worst, "amount", balance.worst().amount());
        number(worst, "marginDeg", balance.worst().marginDeg());
        ArrayNode postures = node.putArray("postures");
        balance.postures().forEach(p -> {
            ObjectNode posture = postures.addObject();
            posture.put("name", p.posture().name());
            posture.put("carriedBy", p.posture().held().words());
            vec(posture, "centreMm", p.centre().x(), p.centre().y(), p.centre().z());
            number(posture, "marginDeg", p.marginDeg());
            number(posture, "pushN", p.pushN().orElse(Double.NaN));
        });
        ArrayNode joints = node.putArray("hinges");
        balance.joints().forEach(j -> {
            ObjectNode joint = joints.addObject();
            joint.put("joint", j.joint());
            number(joint, "torqueNm", j.torqueNm());
            ArrayNode sags = joint.putArray("sags");
            j.sags().forEach(sags::add);
            joint.put("lifts", j.lifts());
        });
        number(node, "counterweightG", balance.counterweightG().orElse(Double.NaN));
    }
}
