package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.abilities.Abilities;
import boldsatchel.abilities.PowerState;
import boldsatchel.machine.Build;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the machine does for its user in a report. */
final class AbilitiesReport {

    private AbilitiesReport() {}

    static void write(ObjectNode at, Build build, Abilities abilities) {
        ArrayNode gaps = at.putArray("gaps");
        abilities.gaps(build).forEach(g -> {
            ObjectNode node = gaps.addObject();
            node.put("kind", word(g.kind()));
            ArrayNode parts = node.putArray("parts");
            g.subjects().forEach(parts::add);
            g.function().ifPresent(f -> node.put("function", word(f)));
            node.put("words", g.words());
            number(node, "is", g.is());
            number(node, "may", g.may());
        });
        ArrayNode sounds = at.putArray("sounds");
        abilities.sounds().forEach(s -> {
            ObjectNode node = sounds.addObject();
            node.put("speaker", s.speaker());
            node.put("amplifier", s.amplifier());
            node.put("source", s.source());
            node.put("channels", s.channels());
            number(node, "watts", s.watts());
            number(node, "decibels", s.decibels());
        });
        ArrayNode states = at.putArray("powerStates");
        PowerState.all(build).forEach(s -> {
            ObjectNode node = states.addObject();
            node.put("part", s.part());
            node.put("asleep", s.asleep());
            node.put("off", s.off());
            s.by().ifPresent(by -> node.put("takenAwayBy", by));
        });
    }
}
