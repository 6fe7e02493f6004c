package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.fit.Stack;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Units;

/** The stack at a point like a drilled core: every layer and gap with its thickness, and what the tolerances add up to. */
public final class CoreSample {

    private static final double WIDTH = 26;
    private static final double LABEL = 3.6;
    private static final double TALL = 78;

    private CoreSample() {}

    /** How much larger layers are drawn than they are; those too thin to be named are drawn larger still. */
    public static double scale(Stack stack) {
        double total = stack.layers().stream()
                .mapToDouble(l -> Math.max(0, l.thicknessMm()))
                .sum();
        return total <= 0 ? 1 : TALL / total;
    }

    /** Draws a stack; layers keep their proportions, but none is drawn too thin to be named. */
    public static Drawing of(Build build, Stack stack, double x, double y) {
        double scale = scale(stack);
        double least = LABEL * 1.25;
        double height = stack.layers().stream()
                .mapToDouble(l -> Math.max(least, l.thicknessMm() * scale))
                .sum();
        Sketch s = new Sketch(-4, height + 12);
        s.text(
                0,
                height + 6,
                LABEL,
                Align.LEFT,
                true,
                Ink.INK,
                "Core at x " + Units.format(x, 1, "") + ", y " + Units.format(y, 1, "mm"),
                "");
        double at = 0;
        for (Stack.Layer layer : stack.layers()) {
            double thick = Math.max(least, layer.thicknessMm() * scale);
            layer(s, build, layer, at, thick);
            at += thick;
        }
        s.text(
                0,
                -6,
                LABEL,
                Align.LEFT,
                false,
                Ink.SOFT,
                "tolerances: worst ±" + Units.format(stack.worstCaseMm(), 2, "") + ", likely ±"
                        + Units.format(stack.likelyMm(), 2, "mm"),
                "");
        return s.done("Core sample", 120, height + 22);
    }

    private static void layer(Sketch s, Build build, Stack.Layer layer, double at, double thick) {
        String part = layer.part().orElse("");
        boolean overlap = layer.isGap() && layer.thicknessMm() < 0;
        Ink tint = layer.isGap()
                ? (overlap ? Ink.STOP : Ink.PAPER)
                : layer.part()
                        .flatMap(build::part)
                        .map(Part::family)
                        .map(f -> FamilyStyle.of(f).tint())
                        .orElse(Ink.WALL);
        s.fill(0, at, WIDTH, thick, tint, overlap ? 0.6 : 1, part);
        if (!layer.isGap()) {
            s.frame(0, at, WIDTH, thick, Sketch.NARROW, false, Ink.INK, part);
        }
        String name = overlap ? "clash" : layer.isGap() ? "gap" : layer.name();
        Ink ink = overlap ? Ink.STOP : layer.isGap() ? Ink.SOFT : Ink.INK;
        double middle = at + thick / 2 - LABEL * 0.35;
        s.text(WIDTH + 14, middle, LABEL, Align.RIGHT, overlap, ink, Units.format(layer.thicknessMm(), 1, ""), part);
        s.fitted(WIDTH + 17, middle, LABEL, 74, Align.LEFT, overlap, ink, name, part);
    }
}
