package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.cables.Way;
import boldsatchel.machine.Port;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How cables and wires are laid. */
final class CablesReport {

    private CablesReport() {}

    static void write(ObjectNode node, CablesResult cables) {
        ArrayNode leads = node.putArray("leads");
        for (Lead lead : cables.leads()) {
            ObjectNode one = leads.addObject();
            one.put("id", lead.id());
            one.put("name", lead.name());
            one.put("kind", word(lead.kind()));
            end(one.putObject("from"), lead.one());
            end(one.putObject("to"), lead.other());
            number(one, "wideMm", lead.girth().wideMm());
            number(one, "thickMm", lead.girth().thickMm());
            number(one, "bendsToMm", lead.girth().bendMm());
            one.put("guessed", lead.girth().guessed());
            number(one, "ownMm", lead.lengthMm().orElse(Double.NaN));
            cables.laying(lead.id()).ifPresentOrElse(l -> laid(one.putObject("laid"), l), () -> one.putNull("laid"));
        }
        ArrayNode rooms = node.putArray("rooms");
        for (CablesResult.Room room : cables.rooms()) {
            ObjectNode one = rooms.addObject();
            one.put("tray", room.shell());
            number(one, "freeMm3", room.freeMm3());
            number(one, "takenMm3", room.takenMm3());
            number(one, "share", room.share());
            one.put("unknown", room.unknown());
        }
    }

    private static void end(ObjectNode node, Lead.End end) {
        node.put("part", end.part());
        node.put("socket", end.port().map(Port::id).orElse(null));
    }

    private static void laid(ObjectNode node, CablesResult.Laying laying) {
        number(node, "wayMm", laying.lengthMm());
        node.put("posture", laying.posture());
        number(node, "spareMm", laying.spareMm().orElse(Double.NaN));
        ArrayNode points = node.putArray("points");
        for (Way.Knot knot : laying.way().knots()) {
            ObjectNode point = points.addObject();
            point.put("tray", knot.shell());
            number(point, "x", knot.at().x());
            number(point, "y", knot.at().y());
            number(point, "z", knot.at().z());
            point.put("is", word(knot.kind()));
        }
        ArrayNode corners = node.putArray("corners");
        for (Way.Corner corner : laying.corners()) {
            ObjectNode one = corners.addObject();
            one.put("point", corner.knot());
            number(one, "degrees", corner.degrees());
            number(one, "radiusMm", corner.radiusMm());
            one.put("fold", corner.fold());
        }
        ArrayNode meets = node.putArray("meets");
        laying.meetings().forEach(m -> {
            ObjectNode one = meets.addObject();
            one.put("leg", m.leg());
            one.put("by", m.by());
            number(one, "depthMm", m.depthMm());
            one.put("posture", m.posture());
        });
        ArrayNode bundles = node.putArray("bundles");
        laying.bundles().forEach(b -> {
            ObjectNode one = bundles.addObject();
            one.put("leg", b.leg());
            ArrayNode with = one.putArray("with");
            b.with().forEach(with::add);
            number(one, "thickMm", b.mm());
        });
        node.put("arrivesOnEdge", laying.crooked());
        node.put("contactsNeeded", laying.needs().map(Report::word).orElse(null));
        node.put("contacts", laying.lead().ends().map(Report::word).orElse(null));
    }
}
