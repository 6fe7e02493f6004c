package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.vec;

import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.fit.Places;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind <em>Packs</em>. */
final class FitReport {

    private FitReport() {}

    static void write(ObjectNode node, Build build, FitResult fit) {
        Places places = new Places(build, fit);
        ArrayNode placed = node.putArray("placed");
        for (Placed p : fit.placed()) {
            ObjectNode at = placed.addObject();
            at.put("part", p.id());
            at.put("shell", p.shell().id());
            Box b = p.bounds();
            vec(at, "lowMm", b.x(), b.y(), b.z());
            vec(at, "sizeMm", b.dx(), b.dy(), b.dz());
        }
        ArrayNode notPlaced = node.putArray("notPlaced");
        fit.onTheTable().forEach(notPlaced::add);
        ArrayNode clashes = node.putArray("clashes");
        fit.clashes().forEach(c -> {
            ObjectNode at = two(clashes.addObject(), c, places);
            number(at, "depthMm", c.depthMm());
        });
        ArrayNode outside = node.putArray("outside");
        fit.outside().forEach(o -> {
            ObjectNode at = outside.addObject();
            at.put("part", o.part());
            at.put("shell", o.shell().id());
            number(at, "byMm", o.byMm());
            place(at, o, places);
        });
        ArrayNode gaps = node.putArray("gaps");
        fit.gaps().forEach(g -> number(two(gaps.addObject(), g, places), "gapMm", g.gapMm()));
        fit.nearest().ifPresent(n -> number(two(node.putObject("tightest"), n, places), "mm", n.mm()));
        ArrayNode hits = node.putArray("hits");
        fit.hits().forEach(h -> {
            ObjectNode at = hits.addObject();
            at.put("a", h.a());
            at.put("b", h.b());
            at.put("from", h.from());
            at.put("to", h.to());
            at.put("joint", h.joint());
            number(at, "amount", h.amount());
            number(at, "depthMm", h.depthMm());
            place(at, h, places);
        });
        ArrayNode below = node.putArray("belowTable");
        fit.below().forEach(b -> {
            ObjectNode at = below.addObject();
            at.put("of", b.subject());
            at.put("posture", b.posture());
            number(at, "byMm", b.byMm());
            place(at, b, places);
        });
        ArrayNode zones = node.putArray("zones");
        fit.intrusions().forEach(i -> {
            ObjectNode at = zones.addObject();
            at.put("of", i.owner());
            at.put("by", i.by());
            at.put("kind", i.kind().name().toLowerCase(java.util.Locale.ROOT));
            number(at, "depthMm", i.depthMm());
        });
        ArrayNode mouths = node.putArray("sockets");
        fit.mouths().forEach(m -> {
            ObjectNode at = mouths.addObject();
            at.put("part", m.part());
            at.put("socket", m.port().id());
            at.put("opening", m.opening().orElse(null));
            number(at, "behindMm", m.behindMm());
            number(at, "lacksMm", m.lacksMm());
        });
        ArrayNode webs = node.putArray("webs");
        fit.webs().forEach(w -> {
            ObjectNode at = webs.addObject();
            at.put("shell", w.shell());
            at.put("opening", w.opening());
            at.put("other", w.other());
            number(at, "leftMm", w.mm());
            number(at, "wantedMm", w.wantedMm());
        });
        ArrayNode covered = node.putArray("coveredVents");
        fit.covered().forEach(c -> {
            ObjectNode at = covered.addObject();
            at.put("shell", c.shell());
            at.put("vent", c.vent());
            at.put("by", c.by());
            number(at, "gapMm", c.gapMm());
        });
    }

    private static ObjectNode two(ObjectNode at, FitResult.Meeting meeting, Places places) {
        at.put("a", meeting.a());
        at.put("b", meeting.b());
        at.put("posture", meeting.where().posture());
        place(at, meeting, places);
        return at;
    }

    private static void place(ObjectNode at, FitResult.Meeting meeting, Places places) {
        places.of(meeting).ifPresent(p -> {
            ObjectNode place = at.putObject("place");
            place.put("tray", p.tray());
            vec(place, "onAMm", p.onA().x(), p.onA().y(), p.onA().z());
            vec(place, "onBMm", p.onB().x(), p.onB().y(), p.onB().z());
        });
    }
}
