package boldsatchel.arrange;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Bundle;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** The lines in plan that parts are flush with: sides and middles of others, the walls and the middle of their tray. */
final class Lines {

    /** Nearer than this two sides look flush, mm. A guess. */
    private static final double FLUSH_MM = 0.5;

    private Lines() {}

    /** How many sides, each part having one from left to right and one from front to back, are flush with nothing; what moves as one counts as one part. */
    static int outOf(Build build) {
        int out = 0;
        for (Shell shell : build.casing().shells()) {
            List<Box> boxes = new ArrayList<>();
            boxes.add(shell.cavity());
            Bundle.in(build, shell).forEach(b -> boxes.add(b.bounds()));
            for (int i = 1; i < boxes.size(); i++) {
                for (int axis = 0; axis < 2; axis++) {
                    out += isFlush(boxes, i, axis) ? 0 : 1;
                }
            }
        }
        return out;
    }

    private static boolean isFlush(List<Box> boxes, int which, int axis) {
        Box box = boxes.get(which);
        for (int k = 0; k < boxes.size(); k++) {
            Box other = boxes.get(k);
            boolean isBeside = Math.abs(box.low(axis) - other.low(axis)) < FLUSH_MM
                    || Math.abs(box.high(axis) - other.high(axis)) < FLUSH_MM
                    || Math.abs(middle(box, axis) - middle(other, axis)) < FLUSH_MM;
            if (k != which && isBeside) {
                return true;
            }
        }
        return false;
    }

    private static double middle(Box box, int axis) {
        return box.centre().along(axis);
    }

    /** Where an item begins along an axis, mm, that is flush there with one of the others or with its tray, chosen by chance. */
    static double chosen(Packed packed, int item, int axis, SplittableRandom random) {
        int others = packed.count();
        int which = random.nextInt(others + 1);
        boolean isOne = which < others
                && packed.lying(which).tray() == packed.lying(item).tray();
        double[] at = isOne ? packed.at(which) : null;
        double low = at == null ? 0 : at[axis];
        double size =
                at == null ? packed.tray(item).size(axis) : packed.lying(which).sizeMm(axis);
        double mine = packed.lying(item).sizeMm(axis);
        // Beginning with it, ending with it, or with its middle there; of a tray mostly the middle, as its walls are
        // where parts go first anyway.
        int how = random.nextInt(3);
        return how == 0 && at != null ? low : how == 1 && at != null ? low + size - mine : low + (size - mine) / 2;
    }
}
