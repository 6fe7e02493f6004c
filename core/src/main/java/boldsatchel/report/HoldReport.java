package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.hold.HoldResult;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What holds the parts. */
final class HoldReport {

    private HoldReport() {}

    static void write(ObjectNode node, HoldResult hold) {
        ids(node, "loose", hold.loose());
        ids(node, "unsaid", hold.unsaid());
        ids(node, "noBoss", hold.unscrewable());
        ids(node, "gluedIn", hold.glued());
        ArrayNode holes = node.putArray("screws");
        hold.holes().forEach(s -> {
            ObjectNode hole = holes.addObject();
            hole.put("part", s.part());
            hole.put("hole", s.hole());
            hole.put("thread", s.thread().words());
            number(hole, "asideMm", s.asideMm());
            number(hole, "mayMm", s.mayMm());
            number(hole, "engagedMm", s.engagedMm());
            number(hole, "wantedMm", s.wantedMm());
            number(hole, "throughMm", s.throughMm());
        });
        ArrayNode tapes = node.putArray("weakTapes");
        hold.tapes().forEach(t -> {
            ObjectNode tape = tapes.addObject();
            tape.put("part", t.part());
            number(tape, "massG", t.massG());
            number(tape, "bearsG", t.bearsG());
        });
        ArrayNode hollow = node.putArray("hollow");
        hold.hollow().forEach(h -> {
            ObjectNode keyboard = hollow.addObject();
            keyboard.put("part", h.part());
            ArrayNode corners = keyboard.putArray("cornersMm");
            h.corners().forEach(c -> corners.addArray().add(c.x()).add(c.y()).add(c.z()));
            number(keyboard, "overMm", h.overMm());
        });
        ArrayNode closed = node.putArray("closedByGlue");
        hold.closed().forEach(c -> {
            ObjectNode joint = closed.addObject();
            joint.put("joint", c.joint());
            ids(joint, "parts", c.parts());
        });
        ArrayNode magnets = node.putArray("magnets");
        hold.magnets().forEach(m -> {
            ObjectNode one = magnets.addObject();
            one.put("joint", m.joint());
            one.put("tray", m.shell());
            one.put("count", m.count());
            number(one, "holdsN", m.holdsN());
            number(one, "wantedN", m.wantedN());
            number(one, "massG", m.massG());
        });
    }

    private static void ids(ObjectNode node, String name, List<String> ids) {
        ArrayNode array = node.putArray(name);
        ids.forEach(array::add);
    }
}
