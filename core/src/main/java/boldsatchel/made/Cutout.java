package boldsatchel.made;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import java.util.ArrayList;
import java.util.List;

/**
 * A hole to be made in a wall, as a rectangle or a circle: an opening, or one of those a vent is made of.
 *
 * @param name of the opening or vent
 * @param wall it is in
 * @param middle along the wall and up it, in the tray's frame: x and z in front and back, y and z at the sides, x and y in floor and cover
 * @param wideMm along the wall
 * @param highMm up the wall
 * @param round whether it is a circle; its sides are alike then
 */
public record Cutout(String name, Face wall, Flat middle, double wideMm, double highMm, boolean round) {

    /** A slot or hole of a vent is about so wide, mm: narrow enough for a finger to stay out and for a printer to bridge. */
    private static final double AIR_MM = 3;
    /** Between the holes of a vent so much is left at least, mm. */
    private static final double BAR_MM = 0.6;
    /** A vent is made of no more holes than that; they are larger then. */
    private static final int MOST_HOLES = 400;

    /** All holes of a tray, openings first. */
    public static List<Cutout> all(Shell shell) {
        List<Cutout> all = new ArrayList<>();
        shell.openings().forEach(o -> all.add(of(o)));
        shell.vents().forEach(v -> all.addAll(of(v)));
        return all;
    }

    /**
     * All holes of a tray that is not printed: what is cut, and what is drilled in its floor.
     *
     * @param placed what lies in the build
     */
    public static List<Cutout> all(Shell shell, List<Placed> placed) {
        List<Cutout> all = new ArrayList<>(all(shell));
        all.addAll(drilled(shell, placed));
        return all;
    }

    /** Holes in the floor of a tray that is not printed: for its bosses, which are bought posts there, and for what is screwed to it. */
    private static List<Cutout> drilled(Shell shell, List<Placed> placed) {
        List<Cutout> holes = new ArrayList<>();
        for (Boss boss : shell.bosses()) {
            double wide = boss.thread().clearanceMm();
            holes.add(new Cutout(
                    boss.thread().words() + " post", Face.BOTTOM, new Flat(boss.xMm(), boss.yMm()), wide, wide, true));
        }
        for (Placed part : Placed.in(shell, placed)) {
            boolean screwed = part.placement()
                    .fixing()
                    .filter(f -> f.by() == Fixing.By.SCREWS)
                    .isPresent();
            for (Hole hole : screwed ? part.part().body().holes() : List.<Hole>of()) {
                Vec at = part.placement().place(hole.at(), part.part().body().bounds());
                boolean upright =
                        part.placement().orientation().turn(hole.face()).axis() == Face.TOP.axis();
                boolean posted = shell.bosses().stream()
                        .anyMatch(b -> Math.hypot(b.xMm() - at.x(), b.yMm() - at.y()) < b.diameterMm() / 2);
                if (upright && !posted) {
                    double wide = hole.thread().clearanceMm();
                    holes.add(new Cutout(
                            hole.thread().words() + " of " + part.part().name(),
                            Face.BOTTOM,
                            new Flat(at.x(), at.y()),
                            wide,
                            wide,
                            true));
                }
            }
        }
        return holes;
    }

    /** That of an opening. */
    static Cutout of(Opening opening) {
        Face wall = opening.wall();
        Flat at =
                new Flat(opening.at().along(Opening.across(wall)), opening.at().along(Opening.up(wall)));
        double least = Math.min(opening.wideMm(), opening.highMm());
        return opening.round()
                ? new Cutout(opening.name(), wall, at, least, least, true)
                : new Cutout(opening.name(), wall, at, opening.wideMm(), opening.highMm(), false);
    }

    /** Those of a vent: together they leave as much open as it is said to. */
    static List<Cutout> of(Vent vent) {
        return switch (vent.kind()) {
            case OPEN -> grid(vent, 1, 1, false);
            case SLOTS -> slots(vent);
            case HOLES -> holes(vent);
            case GRILLE -> {
                int[] count = counts(vent, AIR_MM / Math.sqrt(vent.share()));
                yield grid(vent, count[0], count[1], false);
            }
        };
    }

    /** Slots beside one another, along the shorter side. */
    private static List<Cutout> slots(Vent vent) {
        double wide = wide(vent);
        double high = high(vent);
        double pitch = AIR_MM / vent.share();
        int count = Math.clamp(Math.round(Math.max(wide, high) / pitch), 1, MOST_HOLES);
        return vent.share() >= 1 ? grid(vent, 1, 1, false) : wide >= high ? bars(vent, count, 1) : bars(vent, 1, count);
    }

    private static List<Cutout> bars(Vent vent, int across, int up) {
        double share = vent.share();
        double wide = wide(vent) / across * (across > 1 || up == 1 ? share : 1);
        double high = high(vent) / up * (up > 1 ? share : 1);
        return spread(vent, across, up, wide, high, false);
    }

    /** Round holes; square ones where round ones cannot leave so much open. */
    private static List<Cutout> holes(Vent vent) {
        int[] count = counts(vent, AIR_MM * Math.sqrt(Math.PI / 4 / vent.share()));
        double each = wide(vent) * high(vent) * vent.share() / (count[0] * count[1]);
        double diameter = Math.sqrt(each * 4 / Math.PI);
        boolean fits = diameter <= Math.min(wide(vent) / count[0], high(vent) / count[1]) - BAR_MM;
        return fits
                ? spread(vent, count[0], count[1], diameter, diameter, true)
                : grid(vent, count[0], count[1], false);
    }

    private static int[] counts(Vent vent, double pitch) {
        double most = Math.sqrt(wide(vent) * high(vent) / MOST_HOLES);
        double step = Math.max(pitch, most);
        return new int[] {
            (int) Math.max(1, Math.floor(wide(vent) / step)), (int) Math.max(1, Math.floor(high(vent) / step))
        };
    }

    private static List<Cutout> grid(Vent vent, int across, int up, boolean round) {
        double side = Math.sqrt(Math.min(1, vent.share()));
        return spread(vent, across, up, wide(vent) / across * side, high(vent) / up * side, round);
    }

    private static List<Cutout> spread(Vent vent, int across, int up, double wide, double high, boolean round) {
        double x = vent.box().low(Opening.across(vent.wall()));
        double y = vent.box().low(Opening.up(vent.wall()));
        List<Cutout> all = new ArrayList<>(across * up);
        for (int j = 0; j < up; j++) {
            for (int i = 0; i < across; i++) {
                Flat middle = new Flat(x + wide(vent) * (i + 0.5) / across, y + high(vent) * (j + 0.5) / up);
                all.add(new Cutout(vent.name(), vent.wall(), middle, wide, high, round));
            }
        }
        return all;
    }

    private static double wide(Vent vent) {
        return vent.box().size(Opening.across(vent.wall()));
    }

    private static double high(Vent vent) {
        return vent.box().size(Opening.up(vent.wall()));
    }

    /** Its outline along and up the wall; that of a circle is a polygon around it, so that what fits the circle fits the polygon. */
    public List<Flat> outline(int sides) {
        return round
                ? Outlines.circle(middle, wideMm / 2, sides, true)
                : List.of(
                        middle.plus(-wideMm / 2, -highMm / 2),
                        middle.plus(wideMm / 2, -highMm / 2),
                        middle.plus(wideMm / 2, highMm / 2),
                        middle.plus(-wideMm / 2, highMm / 2));
    }
}
