package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Passage;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Whether sockets that are used through a wall have an opening there that lets a plug in, and what openings leave of their walls. */
final class Mouths {

    /** Less than this between two openings, or to the edge of a wall, breaks when handled, mm; a guess. */
    private static final double LEAST_WEB_MM = 3;
    /** So many wall thicknesses are wanted too: of plastic and wood, and of metal; guesses. */
    private static final double WEB_WALLS = 2;

    private static final double WEB_WALLS_METAL = 1;

    private Mouths() {}

    /** A socket that reaches its wall, and what lets a plug in to it. */
    static FitResult.Mouth of(Shell shell, Placed placed, Port port) {
        Passage passage = Passage.of(shell, placed.part(), port, placed.placement());
        Optional<Opening> best = Optional.empty();
        double least = Double.POSITIVE_INFINITY;
        for (Opening opening : shell.openings()) {
            if (opening.wall() == passage.wall()) {
                double lacks = opening.lacksMm(passage);
                boolean own = opening.isFor(placed.id(), port.id());
                boolean near = lacks < Math.max(passage.wideMm(), passage.highMm());
                if ((own || near) && lacks < least) {
                    least = lacks;
                    best = Optional.of(opening);
                }
            }
        }
        return new FitResult.Mouth(
                placed.id(), port, best.map(Opening::name), passage.behindMm(), best.isPresent() ? least : Double.NaN);
    }

    /** What is left between openings, and between them and the edges of their walls, where that is little. */
    static List<FitResult.Web> webs(Shell shell) {
        List<FitResult.Web> webs = new ArrayList<>();
        List<Opening> all = shell.openings();
        for (int i = 0; i < all.size(); i++) {
            Opening a = all.get(i);
            Box hole = a.through(shell);
            double walls = shell.substance().metal() ? WEB_WALLS_METAL : WEB_WALLS;
            double wanted = Math.max(LEAST_WEB_MM, walls * shell.wall(a.wall()).value());
            double edge = toEdge(hole, a.wall(), shell);
            if (edge < wanted) {
                webs.add(new FitResult.Web(shell.id(), a.name(), "", edge, wanted));
            }
            for (int j = i + 1; j < all.size(); j++) {
                Opening b = all.get(j);
                double between = hole.signedDistance(b.through(shell));
                if (a.wall() == b.wall() && between < wanted) {
                    webs.add(new FitResult.Web(shell.id(), a.name(), b.name(), Math.max(0, between), wanted));
                }
            }
        }
        return webs;
    }

    /** To the nearest free edge of a wall: a corner where two walls meet holds, the rim of an open tray does not. */
    private static double toEdge(Box hole, Face wall, Shell shell) {
        Box cavity = shell.cavity();
        if (wall.axis() == Face.TOP.axis()) {
            return Double.POSITIVE_INFINITY;
        }
        return shell.openTop() ? Math.max(0, cavity.high(2) - hole.high(2)) : Double.POSITIVE_INFINITY;
    }
}
