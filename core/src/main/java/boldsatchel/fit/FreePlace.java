package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A place for one more part: low, then at the front, then at the left, clear of all that lies in the tray and of the rooms that must stay free.
 * Places in the corners between what lies there are tried (bottom-left rule of packing: Baker, Coffman and Rivest, SIAM J. Comput. 9, 1980,
 * 846); beside n parts that is n³ places, each held against n: some thousand questions for a machine. Not to be shared by threads.
 */
public final class FreePlace {

    /** A socket ends no further before its wall. */
    public static final double REACH_MM = 3;

    private static final double TINY_MM = 1e-6;

    /** Usual standoffs, mm. */
    public static final double STANDOFF_MM = 5;

    private static final int TURNS = 4;

    private final Shell shell;
    private final double gapMm;
    private final List<Box> taken = new ArrayList<>();

    /**
     * Looks at a tray.
     *
     * @param gapMm to leave around what lies there
     */
    public FreePlace(Build build, Shell shell, double gapMm) {
        this.shell = shell;
        this.gapMm = gapMm;
        build.layout().placements().stream()
                .filter(p -> p.shell().equals(shell.id()))
                .forEach(p -> build.part(p.part()).ifPresent(part -> taken.addAll(rooms(part, p))));
        shell.solids().forEach(s -> taken.add(s.bounds()));
    }

    /** The same tray where one more room is to stay free. */
    public FreePlace keeping(Box room) {
        taken.add(room);
        return this;
    }

    /** What a part takes, its free rooms included. */
    private List<Box> rooms(Part part, Placement at) {
        Placed placed = Placed.of(part, at, shell);
        List<Box> rooms = new ArrayList<>(List.of(placed.bounds()));
        placed.zones().forEach(z -> rooms.add(z.box()));
        return rooms;
    }

    /**
     * The place, as the part is drawn or turned in plan, with its sockets for the outside at their walls where that can be; nothing when
     * there is none inside the walls.
     */
    public Optional<Placement> of(Part part) {
        return of(part, true).or(() -> of(part, false));
    }

    private Optional<Placement> of(Part part, boolean atWalls) {
        Optional<Placement> best = Optional.empty();
        Orientation turned = Orientation.AS_DRAWN;
        for (int turn = 0; turn < TURNS; turn++) {
            best = better(part, turned, atWalls, best);
            turned = turned.turned();
        }
        return best;
    }

    /** Whether all its sockets for the outside reach their walls there. */
    public boolean reaches(Part part, Placement at) {
        Box body = Placed.of(part, at, shell).bounds();
        return part.body().ports().stream()
                .filter(p -> p.use() == Port.Use.OUTSIDE)
                .map(p -> at.orientation().turn(p.face()))
                .allMatch(wall -> Math.abs(body.end(wall) - shell.cavity().end(wall)) <= REACH_MM);
    }

    private Optional<Placement> better(Part part, Orientation orientation, boolean atWalls, Optional<Placement> known) {
        Placement tried = new Placement(part.id(), shell.id(), new Vec(0, 0, 0), orientation, Set.of());
        Box size = Placed.of(part, tried, shell).bounds();
        Optional<Placement> best = known;
        double off = isWarm(part) ? STANDOFF_MM : 0;
        for (double z : corners(2, size, off)) {
            for (double y : corners(1, size, Math.min(off, REACH_MM))) {
                for (double x : corners(0, size, Math.min(off, REACH_MM))) {
                    Placement at = tried.at(new Vec(x, y, z));
                    if (best.filter(b -> !before(at.at(), b.at())).isEmpty()
                            && (!atWalls || reaches(part, at))
                            && isFree(part, at)) {
                        best = Optional.of(at);
                    }
                }
            }
        }
        return best;
    }

    private static boolean before(Vec a, Vec b) {
        if (a.z() != b.z()) {
            return a.z() < b.z();
        }
        return a.y() == b.y() ? a.x() < b.x() : a.y() < b.y();
    }

    /** What warms stands on standoffs: a wall it lies on gets as warm as itself. */
    public static boolean isWarm(Part part) {
        return part.facet(Facet.DrawsPower.class).isPresent()
                || part.facet(Facet.Converts.class).isPresent()
                || part.facet(Facet.Charges.class).isPresent();
    }

    /** Beside each wall and behind each thing that lies there. */
    private List<Double> corners(int axis, Box part, double off) {
        double farWall = shell.cavity().size(axis) - part.size(axis) - off;
        List<Double> corners = new ArrayList<>(List.of(off));
        if (axis < 2 && farWall > off) {
            corners.add(farWall);
        }
        taken.forEach(b -> corners.add(Math.max(0, b.high(axis)) + gapMm));
        return corners.stream().distinct().sorted().toList();
    }

    private boolean isFree(Part part, Placement at) {
        for (Box room : rooms(part, at)) {
            for (int axis = 0; axis < 3; axis++) {
                if (room.low(axis) < -TINY_MM
                        || room.high(axis) > shell.cavity().size(axis) + TINY_MM) {
                    return false;
                }
            }
            for (Box other : taken) {
                if (tooNear(room, other)) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean tooNear(Box a, Box b) {
        for (int axis = 0; axis < 3; axis++) {
            if (a.gapAlong(axis, b) > gapMm - TINY_MM) {
                return false;
            }
        }
        return true;
    }
}
