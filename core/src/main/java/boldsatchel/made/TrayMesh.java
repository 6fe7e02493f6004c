package boldsatchel.made;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Layered;
import boldsatchel.geometry.Outlines;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A tray as it is printed: its body with ribs, bosses and holes, in pieces where it has seams; the cover of one that is closed on top; its pegs. */
final class TrayMesh {

    /** Sides of the polygon for a round opening or a boss. */
    private static final int ROUND_SIDES = 48;
    /** Holes up to this, mm, as those of a vent, are round with fewer sides. */
    private static final double SMALL_MM = 6;

    private static final int AIR_SIDES = 16;
    /** Sides of the polygon for the hole of a pin. */
    private static final int PIN_SIDES = 12;
    /** Straight pieces of each rounded corner. */
    private static final int CORNER_PIECES = 16;
    /** A pin that joins two pieces goes so deep into each, mm. */
    private static final double PIN_DEEP_MM = 6;
    /** About a pin so much is left in floor and wall on each side, mm; a guess. */
    private static final double PIN_AROUND_MM = 0.6;
    /** Pins thinner than this are none, mm. */
    private static final double LEAST_PIN_MM = 1;
    /** Pins thicker than this are not needed, mm. */
    private static final double MOST_PIN_MM = 3;
    /** Pins stand about so far apart, mm; a guess. */
    private static final double PIN_EVERY_MM = 60;
    /** A pin's hole is so much wider than it, mm; a guess. */
    private static final double PIN_PLAY_MM = 0.1;
    /** Between a peg and its opening on each side, mm; a guess. */
    private static final double PEG_PLAY_MM = 0.3;
    /** The rim that keeps a peg from falling out: so much wider on each side, and so thick, mm; a guess. */
    private static final double PEG_RIM_MM = 1.2;

    /** A boss that ends no further below the cover takes its screws, mm; a guess. */
    private static final double REACHES_MM = 0.5;

    private final Shell shell;
    private final double w;
    private final double d;
    private final double h;
    private final double wall;
    private final double floor;

    private TrayMesh(Shell shell) {
        this.shell = shell;
        w = shell.widthMm().value();
        d = shell.depthMm().value();
        h = shell.heightMm().value();
        wall = shell.wallMm().value();
        floor = shell.floor().value();
    }

    /** All pieces of a tray; none where its walls have no thickness. */
    static List<Printed> pieces(Shell shell) {
        TrayMesh tray = new TrayMesh(shell);
        List<Printed> pieces = new ArrayList<>();
        if (tray.wall > 0 && tray.floor > 0) {
            pieces.addAll(tray.parted(tray.body(), tray.bodyNotes(), shell.name()));
            if (!shell.openTop()) {
                pieces.addAll(tray.parted(tray.cover(), tray.coverNotes(), shell.name() + ", cover"));
            }
        }
        for (Opening opening : shell.openings()) {
            opening.made().ifPresent(peg -> pieces.add(peg(opening, peg)));
        }
        return pieces;
    }

    private List<Printed> parted(Layered body, List<String> notes, String name) {
        List<Box> boxes = shell.pieces();
        List<Printed> parted = new ArrayList<>();
        for (int i = 0; i < boxes.size(); i++) {
            String piece = boxes.size() == 1 ? name : name + ", piece " + (i + 1) + " of " + boxes.size();
            parted.add(Printed.of(piece, body.mesh(boxes.get(i)), notes));
        }
        return parted;
    }

    private List<String> bodyNotes() {
        List<String> notes = new ArrayList<>();
        if (!shell.seams().isEmpty()) {
            double pin = pinMm(Math.min(floor, wall));
            notes.add(
                    pin >= LEAST_PIN_MM
                            ? "Joined at the seam with pins of round wire or filament, " + Units.format(pin, 1, "mm")
                                    + " thick and " + Units.format(2 * PIN_DEEP_MM - 1, 0, "mm") + " long, and glue."
                            : "Floor and walls are too thin for pins at the seam: glue it, with a strip over it inside.");
        }
        if (shell.bosses().stream().anyMatch(b -> bore(b).isPresent())) {
            notes.add(
                    "Bores of the bosses are those of a tap (diameter less pitch): tap them, or let a screw for plastic cut its own way.");
        }
        if (shell.taperMm() > 0) {
            notes.add("The walls are thicker at the floor, by the taper; outside it stands straight.");
        }
        return notes;
    }

    private List<String> coverNotes() {
        return screwed().isEmpty()
                ? List.of(
                        "Nothing says how it is held: no boss reaches up to it. Glue it, or give the tray bosses as high as its inside.")
                : List.of("Held by screws in the bosses that reach up to it.");
    }

    private Layered body() {
        Layered body = new Layered();
        body.add(-floor, h, rim(shell.outerCornerMm(), wall));
        List<Flat> inside = rim(shell.innerCornerMm(), 0);
        double narrow = Math.min(w, d) / 2 - shell.taperMm();
        body.cut(0, h, rim(Math.min(shell.innerCornerMm(), narrow), -shell.taperMm()), inside);
        body.loose();
        for (Box rib : shell.ribs()) {
            body.add(rib.low(2), rib.high(2), Outlines.rounded(rib, 0));
        }
        for (Boss boss : shell.bosses()) {
            body.add(0, boss.heightMm(), circle(boss, boss.diameterMm() / 2, false));
        }
        for (Boss boss : shell.bosses()) {
            bore(boss).ifPresent(bore -> body.cut(0, boss.heightMm(), circle(boss, bore / 2, true)));
        }
        Cutout.all(shell).forEach(c -> hole(body, c));
        shell.seams().forEach(s -> pins(body, s));
        return body;
    }

    private List<Flat> rim(double corner, double around) {
        return Outlines.rounded(new Box(-around, -around, 0, w + 2 * around, d + 2 * around, 0), corner, CORNER_PIECES);
    }

    private static List<Flat> circle(Boss boss, double radius, boolean around) {
        return Outlines.circle(new Flat(boss.xMm(), boss.yMm()), radius, ROUND_SIDES, around);
    }

    /** What a tap for its thread wants, mm; nothing where the post is too thin for it. */
    static Optional<Double> bore(Boss boss) {
        return Optional.of(boss.thread().tapMm()).filter(b -> b < boss.diameterMm() - 1);
    }

    private void hole(Layered body, Cutout hole) {
        List<Flat> outline = outline(hole);
        double deep = shell.taperMm();
        switch (hole.wall()) {
            case BOTTOM -> body.cut(-floor, 0, outline);
            case LEFT -> body.cutAlong(0, -wall, deep, outline);
            case RIGHT -> body.cutAlong(0, w - deep, w + wall, outline);
            case FRONT -> body.cutAlong(1, -wall, deep, outline);
            case BACK -> body.cutAlong(1, d - deep, d + wall, outline);
            case TOP -> {
                // That one is in the cover.
            }
        }
    }

    private static List<Flat> outline(Cutout hole) {
        return hole.outline(hole.wideMm() <= SMALL_MM ? AIR_SIDES : ROUND_SIDES);
    }

    private Layered cover() {
        Layered cover = new Layered();
        cover.add(h, h + wall, rim(shell.outerCornerMm(), wall)).loose();
        for (Cutout hole : Cutout.all(shell)) {
            if (hole.wall() == Face.TOP) {
                cover.cut(h, h + wall, outline(hole));
            }
        }
        for (Boss boss : screwed()) {
            cover.cut(h, h + wall, circle(boss, boss.thread().clearanceMm() / 2, true));
        }
        return cover;
    }

    /** Bosses that reach up to the cover. */
    private List<Boss> screwed() {
        return shell.bosses().stream()
                .filter(b -> b.heightMm() >= h - REACHES_MM)
                .toList();
    }

    private static double pinMm(double thick) {
        return Math.min(MOST_PIN_MM, thick - 2 * PIN_AROUND_MM);
    }

    /** Holes for pins across a seam, in the middle of floor and walls, where nothing else is cut. */
    private void pins(Layered body, Seam seam) {
        int axis = seam.way().axis();
        double size = axis == 0 ? d : w;
        double from = seam.atMm() - PIN_DEEP_MM;
        double to = seam.atMm() + PIN_DEEP_MM;
        double pin = pinMm(Math.min(floor, wall));
        if (pin < LEAST_PIN_MM) {
            return;
        }
        double radius = (pin + PIN_PLAY_MM) / 2;
        int count = (int) Math.max(2, Math.ceil(size / PIN_EVERY_MM));
        for (int i = 0; i < count; i++) {
            Flat at = new Flat(size * (i + 0.5) / count, -floor / 2);
            pin(body, axis, from, to, at, radius);
        }
        for (double across : List.of(-wall / 2, size + wall / 2)) {
            pin(body, axis, from, to, new Flat(across, h / 2), radius);
        }
    }

    private void pin(Layered body, int axis, double from, double to, Flat at, double radius) {
        Box taken = axis == 0
                ? new Box(from, at.across() - radius, at.up() - radius, to - from, 2 * radius, 2 * radius)
                : new Box(at.across() - radius, from, at.up() - radius, 2 * radius, to - from, 2 * radius);
        boolean free = shell.openings().stream().noneMatch(o -> o.through(shell).signedDistance(taken) < 1)
                && shell.vents().stream().noneMatch(v -> v.box().signedDistance(taken) < Math.max(wall, floor) + 1);
        if (free) {
            body.cutAlong(axis, from, to, Outlines.circle(at, radius, PIN_SIDES, true));
        }
    }

    /** A peg stands on its rim. */
    private static Printed peg(Opening opening, Peg peg) {
        Cutout hole = Cutout.of(opening);
        Cutout shaft = sized(hole, -2 * PEG_PLAY_MM);
        Cutout rim = sized(hole, 2 * PEG_RIM_MM);
        Layered body = new Layered()
                .add(0, Math.min(PEG_RIM_MM, peg.lengthMm()), rim.outline(ROUND_SIDES))
                .add(0, peg.lengthMm(), shaft.outline(ROUND_SIDES));
        List<String> notes = new ArrayList<>();
        notes.add("Its rim lies inside, against the wall.");
        if (peg.lever() != 1) {
            notes.add("The lever is not drawn: its length is that of peg and lever together.");
        }
        return Printed.of("Peg of " + opening.name(), body.mesh(), notes);
    }

    private static Cutout sized(Cutout hole, double by) {
        return new Cutout(
                hole.name(),
                hole.wall(),
                hole.middle(),
                Math.max(0.5, hole.wideMm() + by),
                Math.max(0.5, hole.highMm() + by),
                hole.round());
    }
}
