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
            number(margin, "lidDeg", m.angleDeg());
            number(margin, "marginDeg", m.marginDeg());
        });
        number(node, "worstLidDeg", balance.worstAngleDeg());
        number(node, "pushN", balance.pushN().orElse(Double.NaN));
        number(node, "lidTorqueNm", balance.lidTorqueNm());
        number(node, "counterweightG", balance.counterweightG().orElse(Double.NaN));
    }
}
