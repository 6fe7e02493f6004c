package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.heat.HeatResult;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind <em>Keeps cool</em>. */
final class HeatReport {

    private HeatReport() {}

    static void write(ObjectNode node, HeatResult heat) {
        ArrayNode uses = node.putArray("uses");
        heat.uses().forEach(u -> use(uses.addObject(), u));
        heat.gravest().ifPresent(u -> node.put("gravest", heat.uses().indexOf(u)));
        heat.hottest().ifPresent(s -> node.put("hottest", s.name()));
        ArrayNode loose = node.putArray("notPlaced");
        heat.loose().forEach(loose::add);
    }

    private static void use(ObjectNode node, HeatResult.Use use) {
        node.put("profile", use.profile());
        node.put("pluggedIn", use.when().pluggedIn());
        node.put("lidClosed", use.when().closed());
        number(node, "minutes", use.minutes());
        number(node, "heatW", use.heatW());
        number(node, "sunW", use.sunW());
        ArrayNode parts = node.putArray("parts");
        ArrayNode walls = node.putArray("walls");
        for (HeatResult.Spot spot : use.spots()) {
            boolean part = spot.kind() == HeatResult.Kind.PART;
            ObjectNode at = (part ? parts : walls).addObject();
            at.put(part ? "part" : "shell", spot.subject());
            spot.wall().ifPresent(w -> at.put("wall", w.words()));
            at.put("name", spot.name());
            number(at, "peakC", spot.celsius());
            number(at, "meanC", spot.meanC());
            number(at, "limitC", spot.limitC());
            if (part) {
                number(at, "watts", spot.heatW());
            }
        }
        ArrayNode airs = node.putArray("air");
        for (HeatResult.ShellAir air : use.shells()) {
            ObjectNode at = airs.addObject();
            at.put("shell", air.shell());
            number(at, "meanC", air.airC());
            number(at, "wallsMeanC", air.wallMeanC());
            number(at, "flowLs", air.flowLs());
            number(at, "carriedW", air.ventW());
        }
    }
}
