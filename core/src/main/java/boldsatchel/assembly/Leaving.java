package boldsatchel.assembly;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Swept;
import boldsatchel.geometry.Vec;
import java.util.List;

/**
 * What is in the way of what leaves to a side. What leaves its tray moves along an axis of it until it is clear of all; so what is in its way
 * is what lies in the room it sweeps over. Two things that are in one place by mistake are in each other's way but on the shortest way out of
 * one another. Costs a comparison of boxes, and distances of convex bodies only where the boxes meet and one of them is no box.
 */
final class Leaving {

    private Leaving() {}

    /**
     * Adds to which sides something is in the way of a part.
     *
     * @param far beyond this nothing lies, mm
     */
    static void block(Placed mover, Lumps.Heap heap, double far, Blocked into) {
        if (axes(mover.bounds(), heap.bounds()) != 0) {
            heap.lumps().forEach(lump -> block(mover, lump, far, into));
        }
    }

    private static void block(Placed mover, Lumps.Lump lump, double far, Blocked into) {
        int axes = axes(mover.bounds(), lump.bounds());
        for (Face way : axes == 0 ? List.<Face>of() : Face.ALL) {
            if (isAlong(axes, way)
                    && exit(mover.bounds(), lump.bounds(), way) > FitEngine.CONTACT_MM
                    && !into.has(lump.piece(), way)
                    && isMetLeaving(mover, lump, way, far)) {
                into.set(lump.piece(), way);
            }
        }
    }

    /** Whether something is in the way of a part to a side. */
    static boolean isBy(Placed mover, Lumps.Heap heap, Face way, double far) {
        if (isAhead(mover.bounds(), heap.bounds(), way)) {
            for (Lumps.Lump lump : heap.lumps()) {
                if (isAhead(mover.bounds(), lump.bounds(), way) && isMetLeaving(mover, lump, way, far)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether something ahead is met by a part that leaves to a side. */
    private static boolean isMetLeaving(Placed mover, Lumps.Lump lump, Face way, double far) {
        return isMet(mover, Vec.ZERO, way, far, lump)
                && !(isIn(mover, lump)
                        && exit(mover.bounds(), lump.bounds(), way)
                                <= leastExit(mover.bounds(), lump.bounds()) + FitEngine.CONTACT_MM);
    }

    /** Whether something is met by a box that is moved to a side without end. */
    static boolean isAhead(Box mover, Box other, Face way) {
        return isAlong(axes(mover, other), way) && exit(mover, other, way) > FitEngine.CONTACT_MM;
    }

    /** Axes along which a box may run into another, a bit for each: all where they are in one place, one where they lie one behind the other. */
    private static int axes(Box mover, Box other) {
        int apart = 0;
        for (int axis = 0; axis < 3; axis++) {
            double shared = Math.min(mover.high(axis), other.high(axis)) - Math.max(mover.low(axis), other.low(axis));
            if (shared <= FitEngine.CONTACT_MM) {
                apart |= 1 << axis;
            }
        }
        return apart == 0 ? 0b111 : Integer.bitCount(apart) == 1 ? apart : 0;
    }

    private static boolean isAlong(int axes, Face way) {
        return (axes >> way.axis() & 1) != 0;
    }

    private static boolean isIn(Placed mover, Lumps.Lump lump) {
        return isMet(mover, Vec.ZERO, Face.TOP, 0, lump);
    }

    static boolean isMet(Placed mover, Vec from, Face way, double mm, Lumps.Lump lump) {
        if (!new Swept(mover.bounds().moved(from), way, mm).reaches(lump.bounds(), FitEngine.CONTACT_MM)) {
            return false;
        }
        for (Solid solid : mover.solids()) {
            if (lump.isMet(new Swept(solid.moved(from), way, mm))) {
                return true;
            }
        }
        return false;
    }

    /** How far one box has to go to a side to be out of another. */
    static double exit(Box mover, Box other, Face way) {
        return way.sign() > 0
                ? other.high(way.axis()) - mover.low(way.axis())
                : mover.high(way.axis()) - other.low(way.axis());
    }

    private static double leastExit(Box mover, Box other) {
        double least = Double.POSITIVE_INFINITY;
        for (Face way : Face.ALL) {
            least = Math.min(least, exit(mover, other, way));
        }
        return least;
    }
}
