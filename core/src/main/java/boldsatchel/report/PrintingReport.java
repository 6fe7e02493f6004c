package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.printing.PrintingResult;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What comes of printing trays. */
final class PrintingReport {

    private PrintingReport() {}

    static void write(ObjectNode node, PrintingResult printing) {
        ArrayNode crossed = node.putArray("seamsThrough");
        printing.crossed().forEach(c -> {
            ObjectNode one = crossed.addObject();
            one.put("tray", c.shell());
            one.put("seam", c.seam());
            one.put("what", c.what());
            number(one, "clearMm", c.clearMm().orElse(Double.NaN));
        });
        ArrayNode ungauged = node.putArray("withoutGauge");
        printing.ungauged().forEach(u -> {
            ObjectNode one = ungauged.addObject();
            one.put("tray", u.shell());
            one.put("openings", u.openings());
            one.put("bosses", u.bosses());
        });
        ArrayNode tight = node.putArray("tightOpenings");
        printing.tight().forEach(t -> {
            ObjectNode one = tight.addObject();
            one.put("tray", t.shell());
            one.put("opening", t.opening());
            one.put("part", t.part());
            one.put("socket", t.port());
            number(one, "roomMm", t.roomMm());
            number(one, "lostMm", t.lostMm());
        });
    }
}
