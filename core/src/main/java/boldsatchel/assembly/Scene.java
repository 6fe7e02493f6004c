package boldsatchel.assembly;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.fit.Trays;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Swept;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * What is in whose way while the joints of the case stand in one way: which are closed, and which trays are off. What leaves its tray moves
 * along an axis of it until it is clear of all; so what is in its way is what lies in the room it sweeps over. Two things that are in one
 * place by mistake are in each other's way but on the shortest way out of one another.
 *
 * <p>Costs a comparison of boxes for each pair of pieces and side, once for a pair, and distances of convex bodies only where the boxes meet
 * and one of them is no box. For one thread.
 */
final class Scene {

    private static final int FIXED = -1;
    private static final int NONE = -2;
    /** Of one part so many moves aside are tried for each side it may leave by. */
    private static final int MOST_ASIDES = 60;

    private final Casing casing;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final BitSet state;
    private final double far;
    private final Budget budget;
    private final Map<String, List<Lump>> seen = new HashMap<>();
    private final Map<String, List<Heap>> heaps = new HashMap<>();
    private final Map<Spot, Blocked> swept = new HashMap<>();
    private final Map<List<BitSet>, Optional<Way>> bent = new HashMap<>();
    private final Map<Integer, Blocked> covers = new HashMap<>();
    private final @Nullable Blocked[] blocked;
    private final @Nullable Blocked[] drivers;

    /**
     * Something solid, in the frame of the tray it is looked at from.
     *
     * @param piece that it belongs to, or {@link #FIXED}
     * @param square where it stands square in that frame
     * @param leaning convex pieces of it where it does not
     */
    private record Lump(int piece, Box bounds, Optional<Solid> square, List<Convex> leaning) {
        static Lump of(int piece, Solid solid, Pose pose) {
            if (pose.isSquare()) {
                Solid there = solid.posed(pose);
                return new Lump(piece, there.bounds(), Optional.of(there), List.of());
            }
            List<Convex> leaning =
                    solid.pieces().stream().map(c -> c.posed(pose)).toList();
            return new Lump(piece, pose.around(solid.bounds()), Optional.empty(), leaning);
        }

        boolean isMet(Swept swept) {
            return swept.bounds().signedDistance(bounds) < -FitEngine.CONTACT_MM
                    && (square.isPresent()
                            ? swept.meets(square.get(), FitEngine.CONTACT_MM)
                            : swept.meets(leaning, FitEngine.CONTACT_MM));
        }
    }

    /**
     * What is in the way of a part, side by side.
     *
     * @param by pieces
     * @param fixed sides to which something is that never goes
     */
    private record Blocked(List<BitSet> by, BitSet fixed) {
        static Blocked none() {
            List<BitSet> by = new ArrayList<>(Face.ALL.size());
            Face.ALL.forEach(f -> by.add(new BitSet()));
            return new Blocked(by, new BitSet());
        }

        void add(Blocked other) {
            fixed.or(other.fixed);
            for (Face way : Face.ALL) {
                by.get(way.ordinal()).or(other.by.get(way.ordinal()));
            }
        }

        boolean isFree(Face way, BitSet present) {
            return !fixed.get(way.ordinal()) && !by.get(way.ordinal()).intersects(present);
        }

        boolean has(int piece, Face way) {
            return piece == FIXED
                    ? fixed.get(way.ordinal())
                    : by.get(way.ordinal()).get(piece);
        }

        void set(int piece, Face way) {
            if (piece == FIXED) {
                fixed.set(way.ordinal());
            } else {
                by.get(way.ordinal()).set(piece);
            }
        }
    }

    /** All of a piece, or of what never goes. */
    private record Heap(int piece, Box bounds, List<Lump> lumps) {}

    /**
     * @param state pieces that are still there; of those only joints and trays count here
     * @param far beyond this nothing lies, mm
     * @param budget of looks at ways that are not straight
     */
    Scene(Casing casing, List<Placed> placed, Pieces pieces, BitSet state, double far, Budget budget) {
        this.casing = casing;
        this.placed = placed;
        this.pieces = pieces;
        this.state = state;
        this.far = far;
        this.budget = budget;
        this.blocked = new Blocked[placed.size()];
        this.drivers = new Blocked[placed.size()];
    }

    /** What is in the way of a part to a side. */
    BitSet blockers(int part, Face way) {
        return blocked(part).by().get(way.ordinal());
    }

    /** Whether something that never goes is in the way of a part to a side. */
    boolean isBarred(int part, Face way) {
        return blocked(part).fixed().get(way.ordinal());
    }

    /** Whether a driver gets at all screws of a part. */
    boolean isReached(int part, BitSet present) {
        return driver(part).isFree(Face.TOP, present);
    }

    private Blocked driver(int part) {
        Blocked known = drivers[part];
        if (known == null) {
            known = Blocked.none();
            List<Box> heads = Takedown.heads(placed.get(part));
            for (int i = 0; i < heads.size(); i++) {
                Box head = heads.get(i);
                known.add(swept(new Spot(part, "screw " + i), () -> head, List.of(Face.TOP), part));
            }
            drivers[part] = known;
        }
        return known;
    }

    /** Adds what is in the way of a part to any side that may come free, and over its screws. */
    void gather(int part, BitSet into) {
        for (Face way : Face.ALL) {
            if (!isBarred(part, way)) {
                into.or(blockers(part, way));
            }
        }
        into.or(driver(part).by().get(Face.TOP.ordinal()));
    }

    private Blocked blocked(int part) {
        Blocked known = blocked[part];
        if (known == null) {
            known = look(part);
            blocked[part] = known;
        }
        return known;
    }

    private Blocked look(int part) {
        Placed mover = placed.get(part);
        Blocked blocked = Blocked.none();
        for (Heap heap : heaps(mover.shell())) {
            if (heap.piece() != part) {
                for (Face way : Face.ALL) {
                    if (!blocked.has(heap.piece(), way) && isAhead(mover.bounds(), heap.bounds(), way)) {
                        for (Lump lump : heap.lumps()) {
                            if (isInTheWay(mover, lump, way)) {
                                blocked.set(heap.piece(), way);
                                break;
                            }
                        }
                    }
                }
            }
        }
        return blocked;
    }

    private boolean isInTheWay(Placed mover, Lump lump, Face way) {
        return isAhead(mover.bounds(), lump.bounds(), way)
                && isMet(mover, Vec.ZERO, way, far, lump)
                && !(isIn(mover, lump)
                        && exit(mover.bounds(), lump.bounds(), way)
                                <= leastExit(mover.bounds(), lump.bounds()) + FitEngine.CONTACT_MM);
    }

    /** Whether something is met by a box that is moved to a side without end. */
    private static boolean isAhead(Box mover, Box other, Face way) {
        for (int axis = 0; axis < 3; axis++) {
            double into = axis != way.axis()
                    ? Math.min(mover.high(axis), other.high(axis)) - Math.max(mover.low(axis), other.low(axis))
                    : exit(mover, other, way);
            if (into <= FitEngine.CONTACT_MM) {
                return false;
            }
        }
        return true;
    }

    private static boolean isIn(Placed mover, Lump lump) {
        return isMet(mover, Vec.ZERO, Face.TOP, 0, lump);
    }

    private static boolean isMet(Placed mover, Vec from, Face way, double mm, Lump lump) {
        Box reach = mover.bounds().moved(from);
        reach = reach.around(reach.moved(Vec.on(way.axis(), way.sign() * mm)));
        if (reach.signedDistance(lump.bounds()) >= -FitEngine.CONTACT_MM) {
            return false;
        }
        for (Solid solid : mover.solids()) {
            if (lump.isMet(new Swept(solid.moved(from), way, mm))) {
                return true;
            }
        }
        return false;
    }

    /** How far one box has to go to a side to be out of another. */
    private static double exit(Box mover, Box other, Face way) {
        return way.sign() > 0
                ? other.high(way.axis()) - mover.low(way.axis())
                : mover.high(way.axis()) - other.low(way.axis());
    }

    private static double leastExit(Box mover, Box other) {
        double least = Double.POSITIVE_INFINITY;
        for (Face way : Face.ALL) {
            least = Math.min(least, exit(mover, other, way));
        }
        return least;
    }

    /**
     * Something of a part that has to be reached.
     *
     * @param what its name
     */
    private record Spot(int part, String what) {}

    /** What is in the way of a box in the tray of a part that is moved without end to each side. */
    private Blocked swept(Spot spot, Supplier<Box> where, List<Face> ways, int own) {
        return swept.computeIfAbsent(spot, s -> {
            Blocked blocked = Blocked.none();
            Box box = where.get();
            Shell tray = placed.get(s.part()).shell();
            for (Face way : ways) {
                Swept room = new Swept(box, way, far);
                for (Lump lump : lumps(tray)) {
                    if (lump.piece() != own && isAhead(box, lump.bounds(), way) && lump.isMet(room)) {
                        blocked.set(lump.piece(), way);
                    }
                }
            }
            return blocked;
        });
    }

    /** Whether a hand gets at a plug of a part from some side. */
    boolean isGripped(int part, Port port, BitSet present) {
        Blocked blocked = swept(new Spot(part, port.id()), () -> plugRoom(placed.get(part), port), Face.ALL, NONE);
        for (Face way : Face.ALL) {
            if (blocked.isFree(way, present)) {
                return true;
            }
        }
        return false;
    }

    private static Box plugRoom(Placed part, Port port) {
        Port used = port.connector().roomMm(port.use()) > 0 ? port : port.withUse(Port.Use.INSIDE_ANGLED);
        return part.placement().place(used.plugRoom(), part.part().body().bounds());
    }

    private static boolean isThere(Lump lump, BitSet present, BitSet spared) {
        return lump.piece() == FIXED || (present.get(lump.piece()) && !spared.get(lump.piece()));
    }

    /** The least way by which parts that move as one leave when they may be moved aside first; nothing where they cannot. */
    Optional<Way> bent(List<Integer> group, BitSet present, BitSet spared) {
        return bent.computeIfAbsent(
                List.of((BitSet) spared.clone(), (BitSet) present.clone()), k -> bentAnew(group, present, spared));
    }

    private Optional<Way> bentAnew(List<Integer> group, BitSet present, BitSet spared) {
        List<Lump> there = new ArrayList<>();
        for (Lump lump : lumps(placed.get(group.getFirst()).shell())) {
            if (isThere(lump, present, spared)) {
                there.add(lump);
            }
        }
        for (Face out : budget.isSpent() ? List.<Face>of() : Way.SIDES) {
            Optional<Way> way = bent(group, there, out);
            if (way.isPresent()) {
                return way;
            }
        }
        return Optional.empty();
    }

    private Optional<Way> bent(List<Integer> group, List<Lump> there, Face out) {
        List<Placed> movers = group.stream().map(placed::get).toList();
        for (Face to : Face.ALL) {
            if (to.axis() == out.axis()) {
                continue;
            }
            int tried = 0;
            for (double mm : asides(movers, there, out, to)) {
                Vec by = Vec.on(to.axis(), to.sign() * mm);
                if (!isFree(movers, there, Vec.ZERO, to, mm) || tried++ > MOST_ASIDES) {
                    break;
                }
                if (isFree(movers, there, by, out, far)) {
                    return Optional.of(new Way(Optional.of(new Way.Aside(to, mm)), out));
                }
            }
        }
        return Optional.empty();
    }

    private boolean isFree(List<Placed> movers, List<Lump> there, Vec from, Face way, double mm) {
        if (!budget.spend(movers.size() * there.size())) {
            return false;
        }
        for (Placed mover : movers) {
            for (Lump lump : there) {
                if (isMet(mover, from, way, mm, lump)) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Moves to a side after which something that was in the way out is not any more, least first. */
    private Set<Double> asides(List<Placed> movers, List<Lump> there, Face out, Face to) {
        Set<Double> asides = new TreeSet<>();
        for (Placed mover : movers) {
            for (Solid solid : mover.solids()) {
                Box from = solid.bounds();
                Box column = new Swept(from, out, far).bounds();
                column = column.around(column.moved(Vec.on(to.axis(), to.sign() * far)));
                for (Lump lump : there) {
                    double mm = exit(from, lump.bounds(), to);
                    if (mm > FitEngine.CONTACT_MM && column.signedDistance(lump.bounds()) < -FitEngine.CONTACT_MM) {
                        asides.add(mm);
                    }
                }
            }
        }
        return asides;
    }

    /** Whether what hangs on a tray leaves it straight to some side; what it is in one place with by mistake is not asked. */
    boolean comesOff(Shell on, BitSet hung, BitSet present) {
        List<Lump> movers = new ArrayList<>();
        List<Lump> others = new ArrayList<>();
        for (Lump lump : lumps(on)) {
            if (lump.piece() != FIXED && hung.get(lump.piece())) {
                if (present.get(lump.piece())) {
                    movers.add(lump);
                }
            } else if (isThere(lump, present, hung)) {
                others.add(lump);
            }
        }
        return Way.SIDES.stream().anyMatch(way -> movers.stream().allMatch(m -> leaves(m, way, others)));
    }

    /** Whether nothing keeps a cover on; what it is in one place with by mistake is not asked. */
    boolean isLoose(int cover, Shell tray, BitSet present) {
        return over(cover, tray).isFree(Face.TOP, present);
    }

    /** Adds what may keep a cover on. */
    void gatherOver(int cover, Shell tray, BitSet into) {
        into.or(over(cover, tray).by().get(Face.TOP.ordinal()));
    }

    private Blocked over(int cover, Shell tray) {
        return covers.computeIfAbsent(cover, c -> {
            Blocked found = Blocked.none();
            for (Lump mover : lumps(tray)) {
                for (Lump lump : lumps(tray)) {
                    if (mover.piece() == c
                            && lump.piece() != c
                            && isAhead(mover.bounds(), lump.bounds(), Face.TOP)
                            && !leaves(mover, Face.TOP, List.of(lump))) {
                        found.set(lump.piece(), Face.TOP);
                    }
                }
            }
            return found;
        });
    }

    /** Adds what may keep on a tray what hangs on it. */
    void gatherAround(Shell on, BitSet hung, BitSet into) {
        for (Lump mover : lumps(on)) {
            for (Lump lump : lumps(on)) {
                if (mover.piece() >= 0 && hung.get(mover.piece()) && lump.piece() >= 0 && !hung.get(lump.piece())) {
                    for (Face way : Face.ALL) {
                        if (!leaves(mover, way, List.of(lump))) {
                            into.set(lump.piece());
                        }
                    }
                }
            }
        }
    }

    /** What leans is not asked: it is moved out of the way as it hangs. */
    private boolean leaves(Lump mover, Face way, List<Lump> others) {
        if (mover.square().isEmpty()) {
            return true;
        }
        Swept here = new Swept(mover.square().get(), way, 0);
        Swept gone = new Swept(mover.square().get(), way, far);
        return others.stream().noneMatch(o -> o.isMet(gone) && !o.isMet(here));
    }

    private List<Heap> heaps(Shell tray) {
        return heaps.computeIfAbsent(tray.id(), id -> heaped(lumps(tray)));
    }

    /** Lumps of one piece come one after the other. */
    private static List<Heap> heaped(List<Lump> lumps) {
        List<Heap> heaps = new ArrayList<>();
        int from = 0;
        for (int to = 1; to <= lumps.size(); to++) {
            if (to == lumps.size() || lumps.get(to).piece() != lumps.get(from).piece()) {
                List<Lump> of = lumps.subList(from, to);
                Box bounds = of.getFirst().bounds();
                for (Lump lump : of) {
                    bounds = bounds.around(lump.bounds());
                }
                heaps.add(new Heap(of.getFirst().piece(), bounds, of));
                from = to;
            }
        }
        return heaps;
    }

    /** All that is solid, as a tray has it. */
    private List<Lump> lumps(Shell tray) {
        return seen.computeIfAbsent(tray.id(), id -> lumpsOf(tray));
    }

    private List<Lump> lumpsOf(Shell tray) {
        List<Lump> lumps = new ArrayList<>();
        for (Shell other : casing.shells()) {
            Optional<Pose> pose = other.id().equals(tray.id()) ? Optional.of(Pose.NONE) : pose(other, tray);
            pose.ifPresent(p -> {
                int of = other.id().equals(tray.id())
                        ? FIXED
                        : pieces.index(Piece.Kind.TRAY, other.id()).orElse(FIXED);
                Trays.sides(other).forEach(b -> lumps.add(Lump.of(of, b, p)));
                pieces.solids(other).forEach(s -> lumps.add(Lump.of(of, s, p)));
                pieces.index(Piece.Kind.COVER, other.id())
                        .ifPresent(cover -> Trays.cover(other).forEach(b -> lumps.add(Lump.of(cover, b, p))));
                for (int i = 0; i < placed.size(); i++) {
                    if (placed.get(i).shell().id().equals(other.id())) {
                        for (Solid solid : placed.get(i).solids()) {
                            lumps.add(Lump.of(i, solid, p));
                        }
                    }
                }
            });
        }
        return List.copyOf(lumps);
    }

    /** How one tray lies in the frame of another now; nothing where they do not hang together any more. */
    private Optional<Pose> pose(Shell tray, Shell from) {
        if (!casing.belongs(tray.id()) || !casing.belongs(from.id())) {
            return Optional.empty();
        }
        List<Joint> ofTray = casing.path(tray.id());
        List<Joint> ofFrom = casing.path(from.id());
        Posture posture = Posture.CLOSED;
        for (Joint joint : casing.joints()) {
            boolean between = ofTray.contains(joint) != ofFrom.contains(joint);
            if (between && !isPresent(Piece.Kind.TRAY, joint.carries())) {
                return Optional.empty();
            }
            if (pieces.index(Piece.Kind.SHUT, joint.id()).isPresent() && !isPresent(Piece.Kind.SHUT, joint.id())) {
                posture = posture.with(joint.id(), joint.way().most());
            }
        }
        return Optional.of(casing.pose(tray.id(), posture)
                .within(casing.pose(from.id(), posture).back()));
    }

    private boolean isPresent(Piece.Kind kind, String id) {
        return pieces.index(kind, id).map(state::get).orElse(false);
    }
}
