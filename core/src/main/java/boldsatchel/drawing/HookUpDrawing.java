package boldsatchel.drawing;

import boldsatchel.bench.BenchTest;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.machine.Part;
import java.util.Optional;

/** What is clipped to what in a test: boxes with their terminals, leads marked plus and minus at both ends. */
public final class HookUpDrawing {

    private static final double TEXT = 4;
    private static final double BOX = 50;
    private static final double HIGH = 24;
    private static final double LINE = 6;
    /** Room in a box that its signs take. */
    private static final double SIGNS = 11;

    private static final double APART = 22;
    private static final double PLUS = 17;
    private static final double MINUS = 7;
    private static final double SENSE = 2;
    private static final double LEAD = 0.9;

    private HookUpDrawing() {}

    /** Draws a test of a part; nothing where nothing is connected. */
    public static Optional<Drawing> of(BenchTest test, Part part) {
        String with = test.needs().getFirst();
        return switch (test.hookUp()) {
            case NONE -> Optional.empty();
            case ACROSS -> Optional.of(row(part, "what feeds it", part.name(), "multimeter, DC volts", true));
            case BARE -> Optional.of(bare(part, "multimeter, DC volts"));
            case LOADED -> Optional.of(loaded(part, with));
            case IN_LINE -> Optional.of(row(part, "what feeds it", with, part.name(), false));
            case SUPPLIED -> Optional.of(row(part, with, part.name(), "multimeter, DC volts", false));
        };
    }

    private static Drawing bare(Part part, String with) {
        Sketch s = sketch();
        box(s, 0, part.name(), part.id());
        box(s, 1, with, "");
        leads(s, 0);
        return done(s);
    }

    private static Drawing loaded(Part part, String with) {
        Sketch s = sketch();
        box(s, 0, part.name(), part.id());
        box(s, 1, with, "");
        leads(s, 0);
        double from = BOX + APART * 0.28;
        double to = BOX + APART;
        s.line(from, PLUS, from, PLUS + SENSE, 0.3, false, Ink.SOFT, "");
        s.line(from, PLUS + SENSE, to, PLUS + SENSE, 0.3, true, Ink.SOFT, "");
        s.line(from, MINUS, from, MINUS - SENSE, 0.3, false, Ink.SOFT, "");
        s.line(from, MINUS - SENSE, to, MINUS - SENSE, 0.3, true, Ink.SOFT, "");
        double right = 2 * BOX + APART + 3;
        s.text(right, PLUS - LINE / 2, TEXT, Align.LEFT, false, Ink.SOFT, "dashed: sense wires,", "");
        s.text(right, PLUS - 1.5 * LINE, TEXT, Align.LEFT, false, Ink.SOFT, "from the pack's own plug", "");
        return done(s);
    }

    /** Three in a row; only the last two are wired anew where the first is as it was. */
    private static Drawing row(Part part, String left, String middle, String right, boolean asItWas) {
        Sketch s = sketch();
        box(s, 0, left, "");
        box(s, 1, middle, middle.equals(part.name()) ? part.id() : "");
        box(s, 2, right, right.equals(part.name()) ? part.id() : "");
        if (asItWas) {
            s.line(BOX, PLUS, BOX + APART, PLUS, 0.4, true, Ink.SOFT, "");
            s.line(BOX, MINUS, BOX + APART, MINUS, 0.4, true, Ink.SOFT, "");
            s.text(BOX + APART / 2, HIGH / 2 - 1, TEXT, Align.CENTRE, false, Ink.SOFT, "as it is", "");
        } else {
            leads(s, 0);
        }
        leads(s, 1);
        return done(s);
    }

    private static Sketch sketch() {
        return new Sketch(-2, HIGH + 3);
    }

    private static Drawing done(Sketch s) {
        return s.done("Hook-up", 3 * BOX + 2 * APART + 4, HIGH + 6);
    }

    private static double left(int place) {
        return place * (BOX + APART);
    }

    private static void box(Sketch s, int place, String name, String subject) {
        s.fill(left(place), 0, BOX, HIGH, subject.isEmpty() ? Ink.OTHER : Ink.ENERGY, 0.35, subject);
        s.frame(left(place), 0, BOX, HIGH, Sketch.NARROW, false, Ink.INK, subject);
        // What a name goes on with after its first comma is detail, on a line of its own.
        int comma = name.indexOf(", ");
        double middle = left(place) + BOX / 2;
        double line = HIGH / 2 + (comma < 0 ? -1.2 : 1.4);
        String first = comma < 0 ? name : name.substring(0, comma);
        s.fitted(middle, line, TEXT, BOX - SIGNS, Align.CENTRE, true, Ink.INK, first, subject);
        if (comma >= 0) {
            String rest = name.substring(comma + 2);
            s.fitted(middle, line - LINE, TEXT, BOX - SIGNS, Align.CENTRE, false, Ink.INK, rest, subject);
        }
    }

    private static void leads(Sketch s, int after) {
        double from = left(after) + BOX;
        double to = left(after + 1);
        s.line(from, PLUS, to, PLUS, LEAD, false, Ink.STOP, "");
        s.line(from, MINUS, to, MINUS, LEAD, false, Ink.INK, "");
        for (double y : new double[] {PLUS, MINUS}) {
            String sign = y == PLUS ? "+" : "−";
            s.text(from - 2.5, y - 1.2, TEXT * 1.2, Align.CENTRE, true, Ink.INK, sign, "");
            s.text(to + 2.5, y - 1.2, TEXT * 1.2, Align.CENTRE, true, Ink.INK, sign, "");
        }
    }
}
