package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.hands.HandsResult;
import boldsatchel.hands.SetUp;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How it meets hands and eyes, posture by posture. */
final class HandsReport {

    private HandsReport() {}

    static void write(ArrayNode node, HandsResult hands) {
        hands.postures().forEach(p -> write(node.addObject(), p));
    }

    static void write(ObjectNode node, SetUp setUp) {
        number(node, "seconds", setUp.seconds());
        ArrayNode steps = node.putArray("steps");
        setUp.steps().forEach(s -> steps.add(s.words()));
    }

    private static void write(ObjectNode node, HandsResult.InPosture in) {
        node.put("posture", in.posture().name());
        node.put("carriedBy", in.posture().held().words());
        number(node, "massG", in.massG());
        ArrayNode screens = node.putArray("screens");
        in.sights().forEach(s -> {
            ObjectNode screen = screens.addObject();
            screen.put("part", s.screen());
            number(screen, "eyesMm", s.eyesMm());
            number(screen, "belowDeg", s.belowDeg());
            number(screen, "asideDeg", s.obliqueDeg());
            number(screen, "rollDeg", s.rollDeg());
            number(screen, "capitalsArcmin", s.capitalsArcmin());
            number(screen, "dotArcmin", s.dotArcmin());
        });
        ArrayNode keyboards = node.putArray("keyboards");
        in.typings().forEach(t -> {
            ObjectNode keyboard = keyboards.addObject();
            keyboard.put("part", t.keyboard());
            number(keyboard, "riseMm", t.riseMm());
            number(keyboard, "wristDeg", t.wristDeg());
            number(keyboard, "grips", t.grips());
            keyboard.put("tips", t.tips());
        });
        ArrayNode loads = node.putArray("loads");
        in.loads().forEach(l -> {
            ObjectNode load = loads.addObject();
            load.put("on", word(l.bearer()));
            number(load, "momentNm", l.momentNm());
            number(load, "forLongNm", l.mostNm());
            number(load, "minutes", l.minutes());
        });
        ArrayNode reaches = node.putArray("thumbs");
        in.reaches().forEach(r -> {
            ObjectNode reach = reaches.addObject();
            reach.put("part", r.part());
            reach.put("control", r.control());
            number(reach, "beyondMm", r.beyondMm());
        });
        number(node, "hangsDeg", in.hangsDeg().orElse(Double.NaN));
        node.put("holdKnown", in.isHoldKnown());
    }
}
