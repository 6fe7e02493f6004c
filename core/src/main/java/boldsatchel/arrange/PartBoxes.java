package boldsatchel.arrange;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.stow.FreePlace;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;

/**
 * A machine's parts as boxes to be searched places for: beside what lies in the tray already, which stays, turned in plan as it takes, sockets for the outside at their walls,
 * with the gap that is wanted and the rooms that plugs, fingers, air and swelling must have.
 */
final class PartBoxes {

    /** Whole packings that are tried: a second or so for a machine. */
    private static final long MOST_TRIES = 8000;

    private static final int TURNS = 4;

    private PartBoxes() {}

    /** A part as it takes room in one of its turns: its low corner in the piece. */
    private record Turned(Part part, Orientation turned, Vec corner) {}

    /**
     * The build with as many of its loose parts in a tray as the search finds places for.
     *
     * @param seed of all chance
     * @param stop asked between tries; what was found until then counts
     */
    static Build placed(Build build, Shell shell, long seed, BooleanSupplier stop) {
        double gap = build.brief().limits().gapMm();
        List<List<Turned>> lying = new ArrayList<>();
        List<Piece> pieces = new ArrayList<>();
        for (Part part : build.loose()) {
            if (pieces.size() < BoxSearch.MOST_PIECES) {
                List<Turned> ways = new ArrayList<>();
                pieces.add(piece(part, shell, gap, ways));
                lying.add(ways);
            }
        }
        List<Box> taken = new ArrayList<>();
        for (Placed placed : Placed.in(shell, Placed.all(build))) {
            taken.add(withGap(placed.bounds(), gap));
            placed.zones().forEach(z -> taken.add(withGap(z.box(), gap)));
        }
        shell.solids().forEach(s -> taken.add(withGap(s.bounds(), gap)));
        Vec room = new Vec(
                shell.cavity().dx() + gap,
                shell.cavity().dy() + gap,
                shell.cavity().dz() + gap);
        Build found = build;
        for (BoxSearch.Spot spot : new BoxSearch(room, taken, pieces, seed).search(MOST_TRIES, stop)) {
            Turned way = lying.get(spot.piece()).get(spot.turn());
            Vec at = spot.box().lowCorner().plus(way.corner());
            found = found.with(new Placement(way.part().id(), shell.id(), at, way.turned(), Set.of()));
        }
        return found;
    }

    /** The gap lies behind, to the right and above of all, and beyond those walls. */
    private static Box withGap(Box box, double gap) {
        return new Box(box.x(), box.y(), box.z(), box.dx() + gap, box.dy() + gap, box.dz() + gap);
    }

    /** The room that a part takes, turned in plan, what must stay free beside it and standoffs below what warms among it. */
    private static Piece piece(Part part, Shell shell, double gap, List<Turned> ways) {
        List<Piece.Turn> turns = new ArrayList<>();
        Orientation turned = Orientation.AS_DRAWN;
        for (int turn = 0; turn < TURNS; turn++) {
            Placement lies = new Placement(part.id(), shell.id(), Vec.ZERO, turned, Set.of());
            Placed placed = Placed.of(part, lies, shell);
            Set<Face> walls = EnumSet.noneOf(Face.class);
            for (Port port : part.body().ports()) {
                if (port.use() == Port.Use.OUTSIDE) {
                    walls.add(turned.turn(port.face()));
                }
            }
            Box takes = placed.bounds();
            for (var zone : placed.zones()) {
                takes = takes.around(zone.box());
            }
            Box all = FreePlace.isWarm(part) ? standing(placed.bounds(), takes, walls) : takes;
            turns.add(new Piece.Turn(new Vec(all.dx() + gap, all.dy() + gap, all.dz() + gap), walls));
            ways.add(new Turned(part, turned, Vec.ZERO.minus(all.lowCorner())));
            turned = turned.turned();
        }
        return new Piece(turns);
    }

    /** With room for standoffs below, and as much beside it where no socket has to be at the wall. */
    private static Box standing(Box body, Box takes, Set<Face> walls) {
        Box all = takes;
        for (Face face : List.of(Face.LEFT, Face.RIGHT, Face.FRONT, Face.BACK, Face.BOTTOM)) {
            if (!walls.contains(face)) {
                double off = face == Face.BOTTOM ? FreePlace.STANDOFF_MM : FreePlace.REACH_MM;
                all = all.around(body.moved(Vec.on(face.axis(), face.sign() * off)));
            }
        }
        return all;
    }
}
