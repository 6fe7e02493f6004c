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
    /** Of one part so many moves aside are tried for each side it may leave by. */
    private static final int MOST_ASIDES = 60;

    private final Casing casing;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final BitSet state;
    private final double far;
    private final Map<String, List<Lump>> seen = new HashMap<>();
    private final Map<String, List<Heap>> heaps = new HashMap<>();
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
     */
    Scene(Casing casing, List<Placed> placed, Pieces pieces, BitSet state, double far) {
        this.casing = casing;
        this.placed = placed;
        this.pieces = pieces;
        this.state = state;
        this.far = far;
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
        Blocked known = drivers[part];
        if (known == null) {
            known = Blocked.none();
            Placed p = placed.get(part);
            for (Box head : Takedown.heads(p)) {
                Swept swept = new Swept(head, Face.TOP, far);
                for (Lump lump : lumps(p.shell())) {
                    if (lump.piece() != part && lump.isMet(swept)) {
                        known.set(lump.piece(), Face.TOP);
                    }
                }
            }
            drivers[part] = known;
        }
        return !known.has(FIXED, Face.TOP)
                && !known.by().get(Face.TOP.ordinal()).intersects(present);
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

    /** Whether a box, swept to a side, meets nothing that is present but what is spared. */
    boolean isClear(Shell tray, Box box, Face way, BitSet present, BitSet spared) {
        Swept swept = new Swept(box, way, far);
        for (Lump lump : lumps(tray)) {
            if (isThere(lump, present, spared) && lump.isMet(swept)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isThere(Lump lump, BitSet present, BitSet spared) {
        return lump.piece() == FIXED || (present.get(lump.piece()) && !spared.get(lump.piece()));
    }

    /** The least way by which parts that move as one leave when they may be moved aside first; nothing where they cannot. */
    Optional<Way> bent(List<Integer> group, BitSet present, BitSet spared) {
        List<Lump> there = new ArrayList<>();
        for (Lump lump : lumps(placed.get(group.getFirst()).shell())) {
            if (isThere(lump, present, spared)) {
                there.add(lump);
            }
        }
        for (Face out : Leaving.SIDES) {
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

    private static boolean isFree(List<Placed> movers, List<Lump> there, Vec from, Face way, double mm) {
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

    /** Whether what hangs on a tray leaves it straight to one of some sides; what it is in one place with by mistake is not asked. */
    boolean comesOff(Shell on, BitSet hung, BitSet present, List<Face> sides) {
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
        return sides.stream().anyMatch(way -> movers.stream().allMatch(m -> leaves(m, way, others)));
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
