package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.Piece;
import boldsatchel.assembly.Plan;
import boldsatchel.assembly.Removal;
import boldsatchel.assembly.Step;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How it goes together, and what it takes to get at what wears out. */
final class AssemblyReport {

    private AssemblyReport() {}

    /** What it takes to have each part in hand that wears out or is swapped. */
    static void mends(ArrayNode mends, AssemblyResult assembly) {
        assembly.reaches().forEach(r -> {
            ObjectNode one = mends.addObject();
            one.put("part", r.part());
            one.put("kind", r.wanted().map(Report::word).orElse(null));
            one.put("comesOut", !r.isShut());
            number(one, "minutes", r.isShut() ? Double.NaN : r.minutes());
            one.put("least", r.least());
            removals(one.putArray("steps"), r.steps());
            texts(one.putArray("unsoldered"), r.unsoldered());
        });
    }

    static void write(ObjectNode node, AssemblyResult assembly, Plan plan) {
        ArrayNode circles = node.putArray("circles");
        assembly.circles().forEach(c -> {
            ArrayNode members = circles.addArray();
            c.pieces().forEach(p -> piece(members.addObject(), p));
        });
        node.put("cutShort", assembly.cutShort());
        ArrayNode out = node.putArray("wayOut");
        assembly.wayOut()
                .get()
                .ifPresent(w -> w.changes().forEach(c -> {
                    ObjectNode one = out.addObject();
                    one.put("change", word(c.kind()));
                    one.put("subject", c.subject());
                    one.put("index", c.index());
                }));
        removals(node.putArray("takedown"), assembly.out());
        number(node, "minutes", plan.minutes());
        ArrayNode steps = node.putArray("steps");
        plan.steps().forEach(s -> step(steps.addObject(), s));
        texts(node.putArray("unwired"), plan.unwired());
        ArrayNode broken = node.putArray("rulesNotKept");
        plan.broken().forEach(b -> {
            ObjectNode one = broken.addObject();
            one.put("rule", b.rule().id());
            one.put("because", b.rule().because());
            one.put("early", b.early());
            one.put("late", b.late());
            one.put("byHand", b.isBy(plan.byHand()));
        });
        texts(node.putArray("movedByHand"), plan.byHand().stream().sorted().toList());
        ArrayNode refused = node.putArray("movesNotFollowed");
        plan.refused().forEach(r -> {
            ObjectNode one = refused.addObject();
            one.put("step", r.moved().step());
            one.put("before", r.moved().before());
            one.put("because", r.why());
        });
    }

    private static void piece(ObjectNode node, Piece piece) {
        node.put("kind", word(piece.kind()));
        node.put("id", piece.id());
    }

    private static void removals(ArrayNode all, List<Removal> removals) {
        removals.forEach(r -> {
            ObjectNode one = all.addObject();
            one.put("kind", word(r.kind()));
            one.put("subject", r.subject());
            groups(one.putArray("groups"), r.groups());
        });
    }

    private static void groups(ArrayNode all, List<Removal.Group> groups) {
        groups.forEach(g -> {
            ObjectNode one = all.addObject();
            texts(one.putArray("parts"), g.parts());
            one.put("out", g.way().out().words());
            g.way().aside().ifPresent(a -> {
                one.put("asideTo", a.to().words());
                one.put("asideMm", a.mm());
            });
        });
    }

    private static void step(ObjectNode node, Step step) {
        node.put("id", step.id());
        node.put("job", word(step.job()));
        node.put("words", step.words());
        texts(node.putArray("subjects"), step.subjects());
        node.put("hold", step.test().orElse(null));
        number(node, "minutes", step.minutes());
        number(node, "waitMinutes", step.waitMinutes());
        texts(node.putArray("tools"), step.tools());
        texts(node.putArray("takes"), step.takes());
        texts(node.putArray("cautions"), step.cautions());
        texts(node.putArray("reasons"), step.reasons());
        groups(node.putArray("groups"), step.groups());
    }

    private static void texts(ArrayNode all, List<String> texts) {
        texts.forEach(all::add);
    }
}
