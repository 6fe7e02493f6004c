package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import java.util.List;
import java.util.Optional;

/**
 * Where a dragged part comes to rest: against a wall, in line with or at the wanted gap from a neighbour when near enough, otherwise
 * on a half-millimetre grid. Each axis snaps by itself.
 */
public final class Snap {

    /** Near enough to snap, mm. */
    private static final double REACH_MM = 1.5;

    private static final double GRID_MM = 0.5;

    private Snap() {}

    /**
     * The resting place nearest to a wanted one.
     *
     * @param fit of the build as it is
     * @param part id of the dragged part
     * @param wanted low corner in its shell's frame
     * @return a low corner; the wanted one when the part is not placed
     */
    public static Vec near(Build build, FitResult fit, String part, Vec wanted) {
        Optional<Placed> moved = fit.placed(part);
        if (moved.isEmpty()) {
            return wanted;
        }
        double[] at = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            at[axis] = along(axis, build, fit, moved.get(), wanted);
        }
        return new Vec(at[0], at[1], at[2]);
    }

    private static double along(int axis, Build build, FitResult fit, Placed moved, Vec wanted) {
        double want = wanted.along(axis);
        double size = moved.bounds().size(axis);
        Shell shell = moved.shell();
        Nearest nearest = new Nearest(want);
        nearest.offer(0);
        nearest.offer(shell.cavity().size(axis) - size);
        Box there = moved.bounds().moved(difference(wanted, moved.placement()));
        double gap = build.brief().limits().gapMm();
        List<Placement> together = build.layout().together(moved.id());
        for (Placed other : fit.placed()) {
            if (together.contains(other.placement())
                    || !other.shell().equals(shell)
                    || !abreast(axis, there, other.bounds())) {
                continue;
            }
            nearest.offer(other.bounds().high(axis) + gap);
            nearest.offer(other.bounds().low(axis) - gap - size);
        }
        return nearest.found();
    }

    private static Vec difference(Vec wanted, Placement placement) {
        return new Vec(
                wanted.x() - placement.at().x(),
                wanted.y() - placement.at().y(),
                wanted.z() - placement.at().z());
    }

    /** Whether two boxes would meet when one moves along an axis. */
    private static boolean abreast(int axis, Box a, Box b) {
        for (int other = 0; other < 3; other++) {
            if (other != axis && a.gapAlong(other, b) >= 0) {
                return false;
            }
        }
        return true;
    }

    private static final class Nearest {
        private final double want;
        private double best;
        private double distance = REACH_MM;

        Nearest(double want) {
            this.want = want;
            this.best = Math.round(want / GRID_MM) * GRID_MM;
        }

        void offer(double candidate) {
            if (Math.abs(candidate - want) < distance) {
                distance = Math.abs(candidate - want);
                best = candidate;
            }
        }

        double found() {
            return best;
        }
    }
}
