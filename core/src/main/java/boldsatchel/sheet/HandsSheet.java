package boldsatchel.sheet;

import boldsatchel.hands.HandsResult;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;

/** How it meets hands and eyes, posture by posture. */
final class HandsSheet {

    static final String ID = "hands";
    static final String TITLE = "Hands and eyes";

    private static final String NOTE =
            "For a body of the height in the brief; bodies differ, and a mock-up of cardboard tells more. Eyes sit upright behind the "
                    + "middle of the keys; wrists lie on what is before the keys; held things are held level.";

    private HandsSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = new ArrayList<>();
        for (HandsResult.InPosture in : source.hands().postures()) {
            for (List<String> row : rows(source, in)) {
                rows.add(List.of(in.posture().name(), row.getFirst(), row.getLast()));
            }
        }
        return new Table(ID, TITLE, NOTE, List.of("posture", "what", "how it is"), List.of(20, 30, 50), rows);
    }

    /** Of one posture. */
    static Table of(Sheets.Source source, String posture) {
        List<List<String>> rows =
                source.hands().posture(posture).map(in -> rows(source, in)).orElse(List.of());
        return new Table(ID, TITLE, NOTE, List.of("what", "how it is"), List.of(35, 65), rows);
    }

    private static List<List<String>> rows(Sheets.Source source, HandsResult.InPosture in) {
        List<List<String>> rows = new ArrayList<>();
        for (HandsResult.Sight s : in.sights()) {
            String down = Double.isNaN(s.belowDeg()) ? "" : ", eyes " + degrees(s.belowDeg()) + " down";
            String roll = s.rollDeg() > 0.5 ? ", turned by " + degrees(s.rollDeg()) : "";
            rows.add(List.of(
                    source.name(s.screen()),
                    Units.format(s.eyesMm(), 0, "mm") + " from the eyes" + down + ", turned " + degrees(s.obliqueDeg())
                            + " from them" + roll + "; capitals "
                            + Units.format(s.capitalsArcmin(), 0, "") + "′"));
        }
        for (HandsResult.Typing t : in.typings()) {
            rows.add(List.of(
                    source.name(t.keyboard()),
                    "keys " + Units.format(t.riseMm(), 0, "mm") + " over the wrists, bent back by "
                            + degrees(t.wristDeg()) + "; "
                            + (t.grips() < 1 ? "walks when typed on" : "stays when typed on")
                            + (t.tips() ? ", tilts at its edge" : "")));
        }
        for (HandsResult.Load l : in.loads()) {
            rows.add(List.of(
                    l.bearer().words(),
                    Units.format(l.momentNm(), 2, "N·m") + ", for long up to " + Units.format(l.mostNm(), 2, "N·m")
                            + (Double.isFinite(l.minutes())
                                    ? "; about " + Units.format(l.minutes(), 0, "min") + " until a rest"
                                    : "")));
        }
        for (HandsResult.Reach r : in.reaches()) {
            rows.add(List.of(
                    r.control().isBlank() ? source.name(r.part()) : r.control(),
                    r.beyondMm() > 0
                            ? Units.format(r.beyondMm(), 0, "mm") + " out of reach of the thumbs"
                            : "within reach of a thumb"));
        }
        in.hangsDeg().ifPresent(deg -> rows.add(List.of("its handle", "hangs " + degrees(deg) + " crooked")));
        if (in.posture().equals(source.build().casing().inUse())
                && !source.hands().setUp().steps().isEmpty()) {
            rows.add(List.of(
                    "setting it up",
                    source.hands().setUp().steps().size() + " steps, some "
                            + Units.format(source.hands().setUp().seconds(), 0, "s") + " by guess"));
        }
        if (!in.isHoldKnown()) {
            rows.add(List.of("where it is held", "not said, so what it asks of the body is not known"));
        }
        return rows;
    }

    private static String degrees(double value) {
        return Units.format(value, 0, "°");
    }
}
