package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Opening;
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
        Face wall = placed.placement().orientation().turn(port.face());
        Vec mouth = placed.placement().place(port.at(), placed.part().body().bounds());
        double behind = wall.sign() * (shell.outside().end(wall) - mouth.along(wall.axis()));
        Port.Room room = port.room(behind);
        boolean swapped = Opening.isSwapped(port.face(), placed.placement());
        double wide = swapped ? room.highMm() : room.wideMm();
        double high = swapped ? room.wideMm() : room.highMm();
        Optional<Opening> best = Optional.empty();
        double least = Double.POSITIVE_INFINITY;
        for (Opening opening : shell.openings()) {
            if (opening.wall() == wall) {
                double lacks = lacks(opening, mouth, wide, high, room.round());
                boolean own = opening.serves()
                        .filter(s -> s.part().equals(placed.id()) && s.port().equals(port.id()))
                        .isPresent();
                boolean near = lacks < Math.max(wide, high);
                if ((own || near) && lacks < least) {
                    least = lacks;
                    best = Optional.of(opening);
                }
            }
        }
        return new FitResult.Mouth(
                placed.id(), port, best.map(Opening::name), behind, best.isPresent() ? least : Double.NaN);
    }

    /** By how much an opening is too small, or too far aside, for what has to go through; negative for the room that is left. */
    private static double lacks(Opening opening, Vec mouth, double wide, double high, boolean round) {
        double aside = Math.abs(
                mouth.along(Opening.across(opening.wall())) - opening.at().along(Opening.across(opening.wall())));
        double off =
                Math.abs(mouth.along(Opening.up(opening.wall())) - opening.at().along(Opening.up(opening.wall())));
        if (opening.round()) {
            // The farthest corner of what goes through, or its rim, must be inside the circle.
            double radius = Math.min(opening.wideMm(), opening.highMm()) / 2;
            double reach = round ? Math.hypot(aside, off) + wide / 2 : Math.hypot(aside + wide / 2, off + high / 2);
            return reach - radius;
        }
        return Math.max(aside + wide / 2 - opening.wideMm() / 2, off + high / 2 - opening.highMm() / 2);
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
