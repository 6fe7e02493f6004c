package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.quantity.Units;

/** A part alone: from above, from the front and from the right, with its sockets and main dimensions. */
public final class PartDrawing {

    private static final double MARGIN = 12;
    private static final double BETWEEN = 10;

    private PartDrawing() {}

    /** Draws a part. */
    public static Drawing of(Part part) {
        Box b = part.body().bounds();
        double text = Math.max(2.4, Math.max(b.dx() + b.dy(), b.dy() + b.dz()) / 30);
        double height = b.dy() + b.dz() + BETWEEN + 2 * MARGIN;
        double sideX = b.dx() + BETWEEN;
        double width = sideX + b.dy() + 2 * MARGIN;
        Sketch s = new Sketch(-MARGIN, b.dz() + BETWEEN + b.dy() + MARGIN);
        double planLow = b.dz() + BETWEEN;
        FamilyStyle style = FamilyStyle.of(part.family());
        for (Box solid : part.body().solidBoxes()) {
            block(s, solid.x(), planLow + solid.y(), solid.dx(), solid.dy(), style);
            block(s, solid.x(), solid.z(), solid.dx(), solid.dz(), style);
            block(s, sideX + solid.y(), solid.z(), solid.dy(), solid.dz(), style);
        }
        part.facet(Facet.ShowsPicture.class)
                .ifPresent(p -> s.frame(
                        p.picture().x(),
                        planLow + p.picture().y(),
                        p.picture().dx(),
                        p.picture().dy(),
                        Sketch.NARROW,
                        true,
                        Ink.SOFT,
                        ""));
        for (Port port : part.body().ports()) {
            double half = port.connector().plugWidthMm() / 2;
            if (port.face() == Face.FRONT || port.face() == Face.BACK) {
                double y = planLow + (port.face() == Face.FRONT ? 0 : b.dy());
                s.line(port.at().x() - half, y, port.at().x() + half, y, 1.2, false, Ink.ACCENT, "");
            } else if (port.face() == Face.LEFT || port.face() == Face.RIGHT) {
                double x = port.face() == Face.LEFT ? 0 : b.dx();
                s.line(
                        x,
                        planLow + port.at().y() - half,
                        x,
                        planLow + port.at().y() + half,
                        1.2,
                        false,
                        Ink.ACCENT,
                        "");
            }
        }
        double above = planLow + b.dy() + 3;
        s.dimension(0, above, b.dx(), above, Units.format(b.dx(), 1, "mm"), text, Ink.SOFT);
        s.dimension(b.dx() + 3, planLow, b.dx() + 3, planLow + b.dy(), Units.format(b.dy(), 1, ""), text, Ink.SOFT);
        double beside = sideX + b.dy() + 2;
        s.text(beside, b.dz() / 2 - text / 3, text, Align.LEFT, false, Ink.SOFT, Units.format(b.dz(), 1, ""), "");
        return s.done(part.name(), width + text * 3, height);
    }

    private static void block(Sketch s, double x, double y, double w, double h, FamilyStyle style) {
        s.fill(x, y, w, h, style.tint(), 1, "");
        if (style.spacingMm() > 0) {
            s.hatch(x, y, w, h, style.degrees(), style.spacingMm(), 0.15, Ink.FAINT, "");
        }
        s.frame(x, y, w, h, 0.35, false, Ink.INK, "");
    }
}
