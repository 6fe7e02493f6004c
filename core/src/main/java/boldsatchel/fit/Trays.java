package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/** What of a tray parts can hit, and how far they are from it. */
final class Trays {

    private Trays() {}

    /** The least space between the solids of a part and the inside of a wall that they do not touch, mm; infinite when it touches or passes all. */
    static double toWall(List<Box> solids, Shell shell) {
        double least = Double.POSITIVE_INFINITY;
        Box cavity = shell.cavity();
        Box all = solids.getFirst();
        for (int i = 1; i < solids.size(); i++) {
            all = all.around(solids.get(i));
        }
        for (int axis = 0; axis < 3; axis++) {
            boolean open = axis == Face.TOP.axis() && shell.openTop();
            least = Math.min(least, space(all.low(axis) - cavity.low(axis), false));
            least = Math.min(least, space(cavity.high(axis) - all.high(axis), open));
        }
        return least;
    }

    private static double space(double mm, boolean open) {
        return open || mm < FitEngine.CONTACT_MM ? Double.POSITIVE_INFINITY : mm;
    }

    /** The side walls, whose upper edges are the rim. */
    static List<Box> rim(Shell shell) {
        double wall = Math.max(FitEngine.CONTACT_MM, shell.wallMm().value());
        double w = shell.widthMm();
        double d = shell.depthMm();
        double h = shell.heightMm();
        return List.of(
                new Box(-wall, -wall, 0, wall, d + 2 * wall, h),
                new Box(w, -wall, 0, wall, d + 2 * wall, h),
                new Box(0, -wall, 0, w, wall, h),
                new Box(0, d, 0, w, wall, h));
    }

    /** Ribs and the floor plate: what a part of the other half can hit. */
    static List<Box> solidsWithFloor(Shell shell) {
        List<Box> solids = new ArrayList<>(shell.ribs());
        double wall = shell.wallMm().value();
        solids.add(new Box(0, 0, -wall, shell.widthMm(), shell.depthMm(), wall));
        return solids;
    }

    /** How far a part is through the walls of its shell; parts may rise through an open top. */
    static double outsideBy(List<Box> solids, Shell shell) {
        double most = 0;
        Box cavity = shell.cavity();
        for (Box solid : solids) {
            for (Face face : Face.ALL) {
                if (face == Face.TOP && shell.openTop()) {
                    continue;
                }
                double beyond = face.sign() * (solid.end(face) - cavity.end(face));
                most = Math.max(most, beyond);
            }
        }
        return most;
    }

    /** Boxes of the lid in the base's frame, with the lid closed. */
    static List<Box> closed(Hinge hinge, List<Box> boxes) {
        List<Box> closed = new ArrayList<>(boxes.size());
        for (Box box : boxes) {
            closed.add(hinge.closed(box));
        }
        return closed;
    }
}
