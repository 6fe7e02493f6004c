package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What of a tray parts can hit, and how far they are from it. */
public final class Trays {

    private Trays() {}

    /** The least space between the solids of a part and the inside of a wall that they do not touch, mm; infinite when it touches or passes all. */
    static double toWall(List<Solid> solids, Shell shell) {
        return toWall(solids, shell, apart(solids, shell));
    }

    /** The walls that a part is apart from: neither touches nor passes. */
    static Set<Face> apart(List<Solid> solids, Shell shell) {
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
    static double toWall(List<Solid> solids, Shell shell, Set<Face> walls) {
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

    private static Box around(List<Solid> solids) {
        Box all = solids.getFirst().bounds();
        for (int i = 1; i < solids.size(); i++) {
            all = all.around(solids.get(i).bounds());
        }
        return all;
    }

    /** The side walls, whose upper edges are the rim, and the top where there is one. */
    static List<Box> walls(Shell shell) {
        List<Box> walls = new ArrayList<>(sides(shell));
        walls.addAll(cover(shell));
        return walls;
    }

    /** The side walls, their openings cut out. */
    public static List<Box> sides(Shell shell) {
        double wall = Math.max(FitEngine.CONTACT_MM, shell.wallMm().value());
        double w = shell.widthMm().value();
        double d = shell.depthMm().value();
        double h = shell.heightMm().value();
        List<Box> walls = new ArrayList<>(List.of(
                new Box(-wall, -wall, 0, wall, d + 2 * wall, h),
                new Box(w, -wall, 0, wall, d + 2 * wall, h),
                new Box(0, -wall, 0, w, wall, h),
                new Box(0, d, 0, w, wall, h)));
        return Opening.cut(walls, shell);
    }

    /** The cover of a tray that is closed on top, its openings cut out; empty for one that is open. */
    public static List<Box> cover(Shell shell) {
        if (shell.openTop()) {
            return List.of();
        }
        double wall = Math.max(FitEngine.CONTACT_MM, shell.wallMm().value());
        double w = shell.widthMm().value();
        double d = shell.depthMm().value();
        return Opening.cut(
                List.of(new Box(-wall, -wall, shell.heightMm().value(), w + 2 * wall, d + 2 * wall, wall)), shell);
    }

    /** Ribs and the floor plate: what a part of another tray can hit from above. */
    public static List<Solid> solidsWithFloor(Shell shell) {
        List<Solid> solids = new ArrayList<>(shell.solids());
        solids.addAll(Opening.cut(List.of(floor(shell)), shell));
        return solids;
    }

    /** The floor plate, with what is under the walls. */
    static Box floor(Shell shell) {
        double thick = shell.floor().value();
        Box outside = shell.outside();
        return new Box(outside.x(), outside.y(), -thick, outside.dx(), outside.dy(), thick);
    }

    /** Whether a solid stands out of its tray, over the rim or through a wall. */
    static boolean standsOut(Solid solid, Shell shell) {
        Box bounds = solid.bounds();
        Box outside = shell.outside();
        for (Face face : Face.ALL) {
            if (face.sign() * (bounds.end(face) - outside.end(face)) > FitEngine.CONTACT_MM) {
                return true;
            }
        }
        return false;
    }

    /** How far a part is through the walls of its shell; parts may rise through an open top. */
    static double outsideBy(List<Solid> solids, Shell shell) {
        double most = 0;
        Box cavity = shell.cavity();
        for (Solid solid : solids) {
            Box bounds = solid.bounds();
            for (Face face : Face.ALL) {
                if (face == Face.TOP && shell.openTop()) {
                    continue;
                }
                double beyond = face.sign() * (bounds.end(face) - cavity.end(face));
                if (beyond > most && !looksThrough(bounds, face, shell)) {
                    most = beyond;
                }
            }
        }
        return most;
    }

    /** Whether a solid goes through a wall where there is an opening for it. */
    private static boolean looksThrough(Box bounds, Face face, Shell shell) {
        for (Opening opening : shell.openings()) {
            if (opening.wall() == face) {
                Box hole = opening.through(shell);
                boolean within = true;
                for (int axis = 0; axis < 3; axis++) {
                    within &= axis == face.axis()
                            || (bounds.low(axis) >= hole.low(axis) - FitEngine.CONTACT_MM
                                    && bounds.high(axis) <= hole.high(axis) + FitEngine.CONTACT_MM);
                }
                if (within) {
                    return true;
                }
            }
        }
        return false;
    }
}
