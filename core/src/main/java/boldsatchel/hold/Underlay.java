package boldsatchel.hold;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * What bears a keyboard from below. Whatever touches its underside does, as wide as the box around it, and each screw; between two that bear
 * it is borne too. A key beyond all of them bends the keyboard, or tips it, when it is struck.
 */
final class Underlay {

    /** From the edge to the middle of the outermost key: half of the three quarters of an inch that keys are usually apart. */
    private static final double KEY_MM = 9.5;
    /** On a small keyboard keys are smaller: no more than this share of a side. */
    private static final double KEY_SHARE = 0.1;
    /** As near as this it is felt to touch, mm; a guess. */
    private static final double TOUCHES_MM = 0.3;
    /** A keyboard bears so much of itself, mm; a guess. */
    private static final double MAY_MM = 5;

    private final Placed keyboard;
    private final Face under;
    private final int across;
    private final int up;
    private final List<Flat> bears = new ArrayList<>();

    private Underlay(Placed keyboard) {
        this.keyboard = keyboard;
        this.under = keyboard.placement().orientation().turn(Face.BOTTOM);
        this.across = under.axis() == 0 ? 1 : 0;
        this.up = under.axis() == 2 ? 1 : 2;
    }

    /**
     * The corners of a keyboard that lie hollow; none where all are borne.
     *
     * @param inTray all that lies in its tray, itself among it
     * @param screws holes of its that a screw holds
     */
    static List<HoldResult.Hollow> under(Placed keyboard, List<Placed> inTray, List<Hole> screws) {
        Underlay underlay = new Underlay(keyboard);
        underlay.floor(keyboard.shell());
        for (Placed other : inTray) {
            if (!other.id().equals(keyboard.id())) {
                underlay.touches(other.solids());
            }
        }
        underlay.touches(keyboard.shell().solids());
        Box whole = keyboard.part().body().bounds();
        screws.forEach(
                h -> underlay.bears.add(underlay.flat(keyboard.placement().place(h.at(), whole))));
        return underlay.hollow();
    }

    /** Whether how something is held leaves it to what is under it to bear it: clips and neighbours hold it along its edges. */
    static boolean isAskedOf(Fixing.By by) {
        return by != Fixing.By.CLIPS && by != Fixing.By.WEDGE;
    }

    private Flat flat(Vec at) {
        return new Flat(at.along(across), at.along(up));
    }

    private void floor(Shell shell) {
        if (under == Face.TOP && shell.openTop()) {
            return;
        }
        for (Solid own : keyboard.solids()) {
            if (Math.abs(shell.cavity().end(under) - own.bounds().end(under)) <= TOUCHES_MM) {
                add(own.bounds(), own.bounds());
            }
        }
    }

    private void touches(List<? extends Solid> others) {
        for (Solid own : keyboard.solids()) {
            Box mine = own.bounds();
            for (Solid other : others) {
                Box its = other.bounds();
                boolean there = mine.gapAlong(across, its) < 0 && mine.gapAlong(up, its) < 0;
                if (there && Math.abs(its.end(under.opposite()) - mine.end(under)) <= TOUCHES_MM) {
                    add(mine, its);
                }
            }
        }
    }

    /** The corners of what two boxes share, seen from above. */
    private void add(Box mine, Box its) {
        double left = Math.max(mine.low(across), its.low(across));
        double right = Math.min(mine.high(across), its.high(across));
        double low = Math.max(mine.low(up), its.low(up));
        double high = Math.min(mine.high(up), its.high(up));
        bears.addAll(List.of(new Flat(left, low), new Flat(right, low), new Flat(right, high), new Flat(left, high)));
    }

    private List<HoldResult.Hollow> hollow() {
        Box box = keyboard.bounds();
        List<Vec> corners = new ArrayList<>();
        double most = 0;
        for (int corner = 0; corner < 4; corner++) {
            Vec key = Vec.on(under.axis(), box.end(under))
                    .with(across, key(box, across, corner % 2 == 1))
                    .with(up, key(box, up, corner > 1));
            double over = Outlines.fromHull(bears, flat(key));
            if (over > MAY_MM) {
                corners.add(key);
                most = Math.max(most, over);
            }
        }
        return corners.isEmpty() ? List.of() : List.of(new HoldResult.Hollow(keyboard.id(), corners, most));
    }

    /** Where the outermost key is along an axis. */
    private static double key(Box box, int axis, boolean far) {
        double in = Math.min(KEY_MM, KEY_SHARE * box.size(axis));
        return far ? box.high(axis) - in : box.low(axis) + in;
    }
}
