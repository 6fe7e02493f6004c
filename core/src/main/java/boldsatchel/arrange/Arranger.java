package boldsatchel.arrange;

import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.FreePlace;
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
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;

/**
 * Finds places in a tray for all parts that lie on the table: beside what lies there already, which stays, turned in plan as it takes, sockets for the outside at their walls,
 * with the gap that is wanted and the rooms that plugs, fingers, air and swelling must have. What the search has no place for is put where there is one free, if there is.
 */
public final class Arranger {

    /** Whole packings that are tried: a second or so for a machine. */
    private static final long MOST_TRIES = 8000;

    private static final long SEED = 1;
    private static final int TURNS = 4;

    private Arranger() {}

    /** Places all that is on the table in a tray, as far as there is room. */
    public static Edit place(Shell shell, BooleanSupplier stop) {
        return Edit.searched("place all in " + shell.name(), b -> placed(b, shell.id(), stop));
    }

    /** The build with as many of its loose parts as were found places for; of two ways that place as many the one in which less is in the way. */
    private static Build placed(Build build, String shellId, BooleanSupplier stop) {
        return build.shell(shellId)
                .map(shell -> {
                    Build one = rest(build, shell);
                    if (one.loose().isEmpty() && wrong(one) <= wrong(build)) {
                        return one;
                    }
                    Build other = rest(searched(build, shell, stop), shell);
                    int more = other.layout().placements().size()
                            - one.layout().placements().size();
                    return more > 0 || (more == 0 && wrong(other) < wrong(one)) ? other : one;
                })
                .orElse(build);
    }

    private static int wrong(Build build) {
        FitResult fit = FitEngine.evaluate(build);
        return fit.clashes().size() + fit.outside().size() + fit.intrusions().size();
    }

    /** Each in its turn where there is room, the largest first. */
    private static Build rest(Build build, Shell shell) {
        List<Part> loose = new ArrayList<>(build.loose());
        loose.sort((a, b) ->
                Double.compare(b.body().bounds().volume(), a.body().bounds().volume()));
        Build placed = build;
        for (Part part : loose) {
            placed = new FreePlace(placed, shell, build.brief().limits().gapMm())
                    .of(part)
                    .map(placed::with)
                    .orElse(placed);
        }
        return placed;
    }

    /** A part as it takes room in one of its turns: its low corner in the piece. */
    private record Lying(Part part, Orientation turned, Vec corner) {}

    private static Build searched(Build build, Shell shell, BooleanSupplier stop) {
        double gap = build.brief().limits().gapMm();
        List<List<Lying>> lying = new ArrayList<>();
        List<Piece> pieces = new ArrayList<>();
        for (Part part : build.loose()) {
            if (pieces.size() < BoxSearch.MOST_PIECES) {
                List<Lying> ways = new ArrayList<>();
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
        for (BoxSearch.Spot spot : new BoxSearch(room, taken, pieces, SEED).search(MOST_TRIES, stop)) {
            Lying way = lying.get(spot.piece()).get(spot.turn());
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
    private static Piece piece(Part part, Shell shell, double gap, List<Lying> ways) {
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
            ways.add(new Lying(part, turned, Vec.ZERO.minus(all.lowCorner())));
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
