package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.machine.Opening;
import boldsatchel.reach.ReachResult;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What fingers and eyes get at. */
final class ReachReport {

    private ReachReport() {}

    static void write(ObjectNode node, ReachResult reach) {
        ArrayNode all = node.putArray("behindWalls");
        reach.all().forEach(a -> {
            ObjectNode one = all.addObject();
            one.put("part", a.part());
            one.put("what", a.what());
            one.put("kind", word(a.kind()));
            one.put("tray", a.shell().id());
            one.put("wall", a.wall());
            number(one, "behindMm", a.behindMm());
            one.put("open", a.open());
            one.put("opening", a.opening().map(Opening::name).orElse(null));
            number(one, "lacksMm", a.lacksMm());
            number(one, "pastMm", a.kind() == ReachResult.Kind.PICTURE ? a.pastMm() : Double.NaN);
            one.put("covered", a.covered().orElse(null));
            one.put("peg", a.opening().filter(Opening::peg).isPresent());
            a.press().ifPresent(press -> {
                ObjectNode made = one.putObject("press");
                number(made, "proudMm", press.proudMm());
                number(made, "strokeMm", press.strokeMm());
                number(made, "goesMm", press.goesMm());
                number(made, "untilSolidMm", press.untilSolidMm());
                number(made, "springN", press.downN());
            });
            number(one, "pegMm", a.kind() == ReachResult.Kind.BUTTON ? a.pegMm() : Double.NaN);
        });
        ArrayNode idle = node.putArray("idleOpenings");
        reach.idle().forEach(i -> {
            ObjectNode one = idle.addObject();
            one.put("tray", i.shell());
            one.put("opening", i.opening().name());
        });
    }
}
