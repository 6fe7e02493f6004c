package boldsatchel.made;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;

/**
 * A tray that is cut from sheet: of metal that bends, one blank with its four sides and, where it is closed, a cover; of anything else, floor, sides and
 * cover, butted and glued.
 */
final class Panels {

    /** Thicker sheet is not bent at a bench, mm; a guess. */
    private static final double MOST_BENT_MM = 3;
    /** Where the neutral line lies in what is bent, as a share of the thickness, for a radius of about it (Machinery's Handbook, K factor). */
    private static final double NEUTRAL = 0.44;
    /** Straight pieces of each rounded corner. */
    private static final int CORNER_PIECES = 16;

    private final Shell shell;
    private final List<Cutout> holes;
    private final double w;
    private final double d;
    private final double h;
    private final double thick;
    private final double floor;

    private Panels(Shell shell, List<Cutout> holes) {
        this.shell = shell;
        this.holes = holes;
        w = shell.widthMm().value();
        d = shell.depthMm().value();
        h = shell.heightMm().value();
        thick = shell.wallMm().value();
        floor = shell.floor().value();
    }

    /**
     * All panels of a tray.
     *
     * @param holes in its walls
     */
    static List<Panel> of(Shell shell, List<Cutout> holes) {
        Panels panels = new Panels(shell, holes);
        List<Panel> all = new ArrayList<>();
        if (panels.isBent()) {
            all.add(panels.blank());
        } else {
            all.addAll(panels.butted());
        }
        if (!shell.openTop()) {
            all.add(panels.panel(
                    "cover", Face.TOP, panels.thick, panels.plate(), panels.thick, panels.thick, List.of()));
        }
        return all;
    }

    private boolean isBent() {
        double radius = thick;
        return shell.substance().metal()
                && thick <= MOST_BENT_MM
                && floor == thick
                && shell.taperMm() == 0
                && h > radius
                && Math.min(w, d) > 2 * radius;
    }

    /** Floor and cover: as large as the tray is outside, its corners round. */
    private List<Flat> plate() {
        return Outlines.rounded(
                new Box(0, 0, 0, w + 2 * thick, d + 2 * thick, 0), shell.outerCornerMm(), CORNER_PIECES);
    }

    private List<Panel> butted() {
        List<String> notes =
                List.of("Butted and glued on the floor: front and back run through, the sides stand between them.");
        double wide = w + 2 * thick;
        List<Panel> all = new ArrayList<>();
        all.add(panel("floor", Face.BOTTOM, floor, plate(), thick, thick, cornerNotes()));
        all.add(panel("front", Face.FRONT, thick, rectangle(wide, h), thick, 0, notes));
        all.add(panel("back", Face.BACK, thick, rectangle(wide, h), thick, 0, notes));
        all.add(panel("left", Face.LEFT, thick, rectangle(d, h), 0, 0, notes));
        all.add(panel("right", Face.RIGHT, thick, rectangle(d, h), 0, 0, notes));
        return all;
    }

    private List<String> cornerNotes() {
        return shell.outerCornerMm() > 0
                ? List.of("The upright edges are rounded by " + Units.format(shell.outerCornerMm(), 1, "mm")
                        + ": file them when it is glued; from outside, since the sides are drawn square.")
                : List.of();
    }

    private static List<Flat> rectangle(double wide, double high) {
        return List.of(new Flat(0, 0), new Flat(wide, 0), new Flat(wide, high), new Flat(0, high));
    }

    /**
     * A panel that is one wall.
     *
     * @param right the tray's frame begins so far to the right in it
     * @param up the tray's frame begins so far up in it
     */
    private Panel panel(
            String name, Face wall, double thickMm, List<Flat> outline, double right, double up, List<String> notes) {
        List<Panel.Hole> in = new ArrayList<>();
        for (Cutout hole : holes) {
            if (hole.wall() == wall) {
                in.add(new Panel.Hole(
                        hole.name(), hole.middle().plus(right, up), hole.wideMm(), hole.highMm(), hole.round()));
            }
        }
        return new Panel(shell.name() + ", " + name, shell.substance().words(), thickMm, outline, in, List.of(), notes);
    }

    /** Floor and sides in one: what bends takes π/2·(radius + K·thickness) of the sheet. */
    private Panel blank() {
        double radius = thick;
        double bend = Math.PI / 2 * (radius + NEUTRAL * thick);
        double side = h - radius;
        double x0 = side + bend;
        double x1 = x0 + w - 2 * radius;
        double y1 = x0 + d - 2 * radius;
        double xEnd = x1 + x0;
        double yEnd = y1 + x0;
        List<Flat> outline = List.of(
                new Flat(x0, 0), new Flat(x1, 0),
                new Flat(x1, x0), new Flat(xEnd, x0),
                new Flat(xEnd, y1), new Flat(x1, y1),
                new Flat(x1, yEnd), new Flat(x0, yEnd),
                new Flat(x0, y1), new Flat(0, y1),
                new Flat(0, x0), new Flat(x0, x0));
        double left = x0 - bend / 2;
        double right = x1 + bend / 2;
        double back = y1 + bend / 2;
        List<Panel.Bend> bends = List.of(
                new Panel.Bend(new Flat(left, x0), new Flat(left, y1)),
                new Panel.Bend(new Flat(right, x0), new Flat(right, y1)),
                new Panel.Bend(new Flat(x0, left), new Flat(x1, left)),
                new Panel.Bend(new Flat(x0, back), new Flat(x1, back)));
        List<Panel.Hole> in = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        notes.add("Bent up on all four sides, radius inside " + Units.format(radius, 1, "mm")
                + "; the blank reckons with a neutral line at " + Units.format(NEUTRAL * 100, 0, "%")
                + " of the thickness, a usual figure: who bends it knows theirs.");
        notes.add("The four upright corners stay open by the radius: close them with glue, solder or a corner piece.");
        for (Cutout hole : holes) {
            double x = hole.middle().across();
            double y = hole.middle().up();
            boolean upright = hole.wall().axis() != 2;
            if (hole.wall() == Face.TOP) {
                continue;
            }
            if (upright && y - hole.highMm() / 2 < radius) {
                notes.add("“" + hole.name() + "” reaches into the bend: cut it after bending.");
            }
            Flat at = switch (hole.wall()) {
                case LEFT -> new Flat(h - y, x - radius + x0);
                case RIGHT -> new Flat(xEnd - h + y, x - radius + x0);
                case FRONT -> new Flat(x - radius + x0, h - y);
                case BACK -> new Flat(x - radius + x0, yEnd - h + y);
                case BOTTOM, TOP -> new Flat(x - radius + x0, y - radius + x0);
            };
            boolean turned = hole.wall().axis() == 0;
            in.add(new Panel.Hole(
                    hole.name(),
                    at,
                    turned ? hole.highMm() : hole.wideMm(),
                    turned ? hole.wideMm() : hole.highMm(),
                    hole.round()));
        }
        return new Panel(
                shell.name() + ", blank",
                shell.substance().words(),
                thick,
                outline,
                in,
                bends,
                notes.stream().distinct().toList());
    }
}
