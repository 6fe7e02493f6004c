package boldsatchel.drawing;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Units;
import java.util.List;

/** A tray alone: its plan and its front section, with walls, ribs, bosses, vents and seams, each inside measure beside its line. */
public final class CaseDrawing {

    private static final double MARGIN = 14;
    private static final double BETWEEN = 12;

    private CaseDrawing() {}

    /** Draws a tray. */
    public static Drawing of(Shell shell) {
        Box out = shell.outside();
        Box in = shell.cavity();
        double text = Math.max(3, Math.max(out.dx(), out.dy() + out.dz()) / 26);
        double planY = out.dz() + BETWEEN;
        Sketch s = new Sketch(out.x() - MARGIN, planY + out.high(1) + MARGIN);
        section(s, shell, 1, planY);
        section(s, shell, 2, -out.z());
        double above = planY + out.high(1) + 3;
        s.dimension(0, above, in.dx(), above, Units.format(in.dx(), 1, "mm"), text, Ink.SOFT);
        double beside = out.high(0) + 3;
        s.dimension(beside, planY, beside, planY + in.dy(), Units.format(in.dy(), 1, ""), text, Ink.SOFT);
        s.dimension(beside, -out.z(), beside, in.dz() - out.z(), Units.format(in.dz(), 1, ""), text, Ink.SOFT);
        return s.done(
                shell.name() + " from above and from the front",
                out.dx() + 2 * MARGIN + text * 3,
                out.dy() + planY + 2 * MARGIN);
    }

    private static void section(Sketch s, Shell shell, int up, double low) {
        Box out = shell.outside();
        Box in = shell.cavity();
        Box hollow = up == 2 && shell.openTop() ? new Box(0, 0, 0, in.dx(), in.dy(), out.high(2)) : in;
        if (up == 1) {
            s.polygon(points(s, Outlines.rounded(out, shell.outerCornerMm()), low), Ink.WALL, 1, "");
            s.polygon(points(s, Outlines.rounded(in, shell.innerCornerMm()), low), Ink.PAPER, 1, "");
            s.outline(points(s, Outlines.rounded(out, shell.outerCornerMm()), low), 0.35, false, Ink.INK, "");
            s.outline(points(s, Outlines.rounded(in, shell.innerCornerMm()), low), 0.35, false, Ink.INK, "");
        } else {
            fill(s, out, up, low, Ink.WALL, 1);
            fill(s, hollow, up, low, Ink.PAPER, 1);
            s.frame(out.x(), low + out.low(up), out.dx(), out.size(up), 0.35, false, Ink.INK, "");
            s.frame(0, low + in.low(up), in.dx(), in.size(up), 0.35, false, Ink.INK, "");
        }
        for (Box rib : shell.ribs()) {
            solid(s, rib, up, low);
        }
        for (Boss boss : shell.bosses()) {
            solid(s, boss.post(), up, low);
        }
        taper(s, shell, up, low);
        for (Seam seam : shell.seams()) {
            // From the front a seam between front and back is not seen.
            if (seam.way().axis() == 0) {
                s.line(seam.atMm(), low + out.low(up), seam.atMm(), low + out.high(up), 0.5, true, Ink.ACCENT, "");
            } else if (up == 1) {
                s.line(out.x(), low + seam.atMm(), out.high(0), low + seam.atMm(), 0.5, true, Ink.ACCENT, "");
            }
        }
        for (Vent vent : shell.vents()) {
            hole(s, shell, vent.wall(), vent.box(), up, low);
        }
        for (Opening opening : shell.openings()) {
            hole(s, shell, opening.wall(), opening.through(shell), up, low);
        }
    }

    private static List<Mark.Point> points(Sketch s, List<Flat> outline, double low) {
        return outline.stream().map(f -> s.point(f.across(), low + f.up())).toList();
    }

    private static void solid(Sketch s, Box solid, int up, double low) {
        fill(s, solid, up, low, Ink.WALL, 1);
        s.frame(solid.x(), low + solid.low(up), solid.dx(), solid.size(up), 0.2, false, Ink.SOFT, "");
    }

    /** From above the edge of a floor that is narrower, from the front the wedges that make it so. */
    private static void taper(Sketch s, Shell shell, int up, double low) {
        double in = shell.taperMm();
        Box room = shell.cavity();
        if (in == 0) {
            return;
        }
        if (up == 1) {
            s.frame(in, low + in, room.dx() - 2 * in, room.dy() - 2 * in, 0.2, true, Ink.SOFT, "");
            return;
        }
        for (double side : new double[] {0, room.dx()}) {
            double foot = side == 0 ? in : side - in;
            List<Mark.Point> wedge = List.of(s.point(side, low), s.point(foot, low), s.point(side, low + room.dz()));
            s.polygon(wedge, Ink.WALL, 1, "");
            s.outline(wedge, 0.2, false, Ink.SOFT, "");
        }
    }

    private static void fill(Sketch s, Box b, int up, double low, Ink ink, double opacity) {
        s.fill(b.x(), low + b.low(up), b.dx(), b.size(up), ink, opacity, "");
    }

    /** A vent or opening through a wall that is cut, or as a frame on one that is looked at. */
    private static void hole(Sketch s, Shell shell, Face wall, Box b, int up, double low) {
        double thick = shell.wall(wall).value();
        double end = shell.cavity().end(wall);
        if (wall.axis() == 0) {
            double x = wall.sign() < 0 ? end - thick : end;
            s.fill(x, low + b.low(up), thick, b.size(up), Ink.ACCENT, 0.8, "");
        } else if (wall.axis() == up) {
            double y = wall.sign() < 0 ? end - thick : end;
            s.fill(b.x(), low + y, b.dx(), thick, Ink.ACCENT, 0.8, "");
        } else {
            s.frame(b.x(), low + b.low(up), b.dx(), b.size(up), 0.4, true, Ink.ACCENT, "");
        }
    }
}
