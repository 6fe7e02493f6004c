package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What of a tray parts can hit, and how far they are from it. */
final class Trays {

    private Trays() {}

    /** The least space between the solids of a part and the inside of a wall that they do not touch, mm; infinite when it touches or passes all. */
    static double toWall(List<Box> solids, Shell shell) {
        return toWall(solids, shell, apart(solids, shell));
    }

    /** The walls that a part is apart from: neither touches nor passes. */
    static Set<Face> apart(List<Box> solids, Shell shell) {
        Set<Face> apart = EnumSet.noneOf(Face.class);
        Box all = around(solids);
        Box cavity = shell.cavity();
        for (Face face : Face.ALL) {
            boolean open = face == Face.TOP && shell.openTop();
            if (!open && space(all, cavity, face) >= FitEngine.CONTACT_MM) {
                apart.add(face);
            }
        }
        return apart;
    }

    /** The least space to some of the walls, mm; negative where they are passed. */
    static double toWall(List<Box> solids, Shell shell, Set<Face> walls) {
        Box all = around(solids);
        Box cavity = shell.cavity();
        double least = Double.POSITIVE_INFINITY;
        for (Face face : walls) {
            least = Math.min(least, space(all, cavity, face));
        }
        return least;
    }

    private static double space(Box all, Box cavity, Face face) {
        return face.sign() * (cavity.end(face) - all.end(face));
    }

    private static Box around(List<Box> solids) {
        Box all = solids.getFirst();
        for (int i = 1; i < solids.size(); i++) {
            all = all.around(solids.get(i));
        }
        return all;
    }

    /** The side walls, whose upper edges are the rim. */
    static List<Box> rim(Shell shell) {
        double wall = Math.max(FitEngine.CONTACT_MM, shell.wallMm().value());
        double w = shell.widthMm().value();
        double d = shell.depthMm().value();
        double h = shell.heightMm().value();
        return List.of(
                new Box(-wall, -wall, 0, wall, d + 2 * wall, h),
                new Box(w, -wall, 0, wall, d + 2 * wall, h),
                new Box(0, -wall, 0, w, wall, h),
                new Box(0, d, 0, w, wall, h));
    }

    /** Ribs and the floor plate: what a part of the other half can hit. */
    static List<Box> solidsWithFloor(Shell shell) {
        List<Box> solids = new ArrayList<>(shell.solids());
        solids.add(floor(shell));
        return solids;
    }

    /** The floor plate. */
    static Box floor(Shell shell) {
        double thick = shell.floor().value();
        return new Box(0, 0, -thick, shell.widthMm().value(), shell.depthMm().value(), thick);
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
