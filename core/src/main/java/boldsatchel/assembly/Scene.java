package boldsatchel.assembly;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Swept;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;

/**
 * What is in whose way while the joints of the case stand in one way: which are closed, and which trays are off ({@link Leaving}). Each pair of
 * pieces is looked at once. For one thread.
 */
final class Scene {

    private static final int NONE = -2;
    /** Of one part so many moves aside are tried for each side it may leave by. */
    private static final int MOST_ASIDES = 60;

    private final Inside inside;
    private final Casing casing;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final double far;
    private final Budget budget;
    private final Lumps lumps;
    private final Map<Spot, Blocked> swept = new HashMap<>();
    private final Map<Bend, Optional<Way>> bent = new HashMap<>();
    private final Map<Integer, Blocked> covers = new HashMap<>();
    private final Map<Hung, Map<Integer, Blocked>> around = new HashMap<>();
    private final @Nullable Blocked[] blocked;
    /** Of it what other trays block. */
    private final @Nullable Blocked[] beside;

    private final @Nullable Blocked[] drivers;

    /**
     * Something of a part that has to be reached.
     *
     * @param screw which one; less than zero for a plug
     * @param port id of the plug
     */
    private record Spot(int part, int screw, String port) {
        boolean isScrew() {
            return screw >= 0;
        }

        /** From which sides it may be reached. */
        List<Face> ways() {
            return isScrew() ? List.of(Face.TOP) : Face.ALL;
        }
    }

    /**
     * Parts that move as one and may be moved aside.
     *
     * @param spared they
     * @param present what is there
     */
    private record Bend(BitSet spared, BitSet present) {}

    /**
     * What hangs on a tray.
     *
     * @param on id of the tray
     * @param hung pieces
     */
    private record Hung(String on, BitSet hung) {}

    /**
     * @param state pieces that are still there; of those only joints and trays count here
     * @param budget of looks at ways that are not straight
     */
    Scene(Inside inside, BitSet state, Budget budget) {
        this(inside, budget, new Lumps(inside, state));
    }

    private Scene(Inside inside, Budget budget, Lumps lumps) {
        this.inside = inside;
        this.casing = inside.casing();
        this.placed = inside.placed();
        this.pieces = inside.pieces();
        this.far = inside.far();
        this.budget = budget;
        this.lumps = lumps;
        this.blocked = new Blocked[placed.size()];
        this.beside = new Blocked[placed.size()];
        this.drivers = new Blocked[placed.size()];
    }

    /**
     * A scene after some parts moved in their trays. Costs a look at the pairs that a moved part is in.
     *
     * @param scene in which all that was asked before can be asked without a look
     * @param same whether every answer is as it was
     */
    record After(Scene scene, boolean same) {}

    /**
     * What is elsewhere than before.
     *
     * @param pieces parts that moved in their trays, trays and covers whose openings did
     * @param recut ids of those trays; what never goes is not what it was where there are any
     */
    record Moved(BitSet pieces, Set<String> recut) {
        private boolean fixed() {
            return !recut.isEmpty();
        }

        boolean is(int piece) {
            return piece == Lumps.FIXED ? fixed() : pieces.get(piece);
        }

        boolean concerns(BitSet some) {
            return fixed() || some.intersects(pieces);
        }

        /**
         * What is in the way of something that stayed, whose ways are tried past what moved.
         *
         * @return what was known, where that is still so
         */
        Blocked looked(
                List<Lumps.Heap> heaps, Blocked known, List<Face> ways, BiPredicate<Lumps.Heap, Face> isInTheWay) {
            boolean own = fixed();
            Blocked now = own ? known.unfixed() : known;
            for (Lumps.Heap heap : heaps) {
                if (is(heap.piece())) {
                    for (Face way : ways) {
                        boolean is = isInTheWay.test(heap, way);
                        // What never goes may be in several heaps; none of it counted before.
                        if (is != now.has(heap.piece(), way) && (is || heap.piece() != Lumps.FIXED)) {
                            now = own ? now : known.copy();
                            own = true;
                            now.set(heap.piece(), way, is);
                        }
                    }
                }
            }
            return own && now.equals(known) ? known : now;
        }
    }

    /**
     * Brings up to date what is known.
     *
     * @param now how the parts lie now
     */
    @SuppressWarnings("ReferenceEquality") // What did not change is the same.
    After after(Inside now, Moved moved, Budget fresh) {
        Scene next = new Scene(now, fresh, new Lumps(lumps, now, moved));
        boolean same = true;
        for (int part = 0; part < blocked.length; part++) {
            Blocked known = blocked[part];
            if (known != null) {
                Blocked looked = next.look(part, this, known, moved);
                next.blocked[part] = looked;
                same &= looked == known || looked.equals(known);
            }
        }
        for (Map.Entry<Spot, Blocked> known : swept.entrySet()) {
            Spot spot = known.getKey();
            if (!moved.is(spot.part())) {
                next.swept.put(spot, next.looked(spot, known.getValue(), moved));
            }
            same &= spot.isScrew() || next.swept(spot).equals(known.getValue());
        }
        for (int part = 0; part < drivers.length; part++) {
            Blocked known = drivers[part];
            if (known != null) {
                boolean stays = !moved.is(part) && hasSameDrivers(part, next);
                next.drivers[part] = stays ? known : next.driver(part);
                same &= stays || next.driver(part).equals(known);
            }
        }
        for (Map.Entry<Integer, Blocked> known : covers.entrySet()) {
            same &= next.over(known.getKey()).equals(known.getValue());
        }
        for (Map.Entry<Hung, Map<Integer, Blocked>> known : around.entrySet()) {
            same &= next.around(known.getKey()).equals(known.getValue());
        }
        for (Map.Entry<Bend, Optional<Way>> known : bent.entrySet()) {
            Bend bend = known.getKey();
            if (moved.concerns(bend.spared()) || moved.concerns(bend.present())) {
                same &= next.bent(bend).equals(known.getValue());
            } else {
                next.bent.put(bend, known.getValue());
            }
        }
        return new After(next, same);
    }

    /** Whether the joints stand that way in a state. */
    boolean isOf(BitSet present) {
        BitSet joints = pieces.joints();
        for (int i = joints.nextSetBit(0); i >= 0; i = joints.nextSetBit(i + 1)) {
            if (present.get(i) != lumps.state().get(i)) {
                return false;
            }
        }
        return true;
    }

    /** What is in the way of a part to a side. */
    BitSet blockers(int part, Face way) {
        return blocked(part).by().get(way.ordinal());
    }

    /** Whether nothing that is there keeps a part from leaving to a side, what leaves with it spared. */
    boolean isFree(int part, Face way, BitSet present, BitSet spared) {
        return blocked(part).isFree(way, present, spared);
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
            int screws = Takedown.heads(placed.get(part)).size();
            for (int i = 0; i < screws; i++) {
                known.add(swept(new Spot(part, i, "")));
            }
            drivers[part] = known;
        }
        return known;
    }

    /** Adds what is in the way of a part to any side that may come free, and over its screws. */
    void gather(int part, BitSet into) {
        Blocked blocked = blocked(part);
        for (Face way : Face.ALL) {
            if (!blocked.fixed().get(way.ordinal())) {
                into.or(blocked.by().get(way.ordinal()));
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
        Blocked own = inside.blocked(part);
        return lumps.isAlone() ? own : own.with(beside(part));
    }

    /** What is in the way of a part after some moved; what was known where that is still so. */
    @SuppressWarnings("ReferenceEquality") // What did not change is the same.
    private Blocked look(int part, Scene before, Blocked known, Moved moved) {
        Placed mover = placed.get(part);
        if (!lumps.isAlone() && !moved.is(part)) {
            beside[part] = moved.looked(
                    lumps.around(mover.shell()),
                    before.beside(part),
                    Face.ALL,
                    (heap, way) -> Leaving.isBy(mover, heap, way, far));
        }
        boolean same = inside.blocked(part) == before.inside.blocked(part)
                && (lumps.isAlone() || beside(part) == before.beside(part));
        return same ? known : look(part);
    }

    /** What of other trays, and in those, is in the way of a part. */
    private Blocked beside(int part) {
        Blocked known = beside[part];
        if (known == null) {
            known = Blocked.none();
            for (Lumps.Heap heap : lumps.around(placed.get(part).shell())) {
                Leaving.block(placed.get(part), heap, far, known);
            }
            beside[part] = known;
        }
        return known;
    }

    /** What is in the way of a hand or a driver at a part that stayed while others moved. */
    private Blocked looked(Spot spot, Blocked known, Moved moved) {
        Box room = room(spot);
        return moved.looked(
                lumps.heaps(placed.get(spot.part()).shell()),
                known,
                spot.ways(),
                (heap, way) -> isInTheWay(spot, room, heap, way));
    }

    @SuppressWarnings("ReferenceEquality") // What did not change is the same.
    private boolean hasSameDrivers(int part, Scene next) {
        int screws = Takedown.heads(placed.get(part)).size();
        for (int i = 0; i < screws; i++) {
            Spot screw = new Spot(part, i, "");
            if (swept(screw) != next.swept(screw)) {
                return false;
            }
        }
        return true;
    }

    /** What is in the way of a screw's driver from above, or of a hand at a plug from each side. */
    private Blocked swept(Spot spot) {
        return swept.computeIfAbsent(spot, s -> {
            Blocked blocked = Blocked.none();
            Box room = room(s);
            for (Lumps.Heap heap : lumps.heaps(placed.get(s.part()).shell())) {
                for (Face way : s.ways()) {
                    if (!blocked.has(heap.piece(), way) && isInTheWay(s, room, heap, way)) {
                        blocked.set(heap.piece(), way);
                    }
                }
            }
            return blocked;
        });
    }

    /** A driver over a screw, where it begins, or the room of a plug. */
    private Box room(Spot spot) {
        Placed of = placed.get(spot.part());
        return spot.isScrew()
                ? Takedown.heads(of).get(spot.screw())
                : plugRoom(of, of.part().port(spot.port()).orElseThrow());
    }

    /** Whether something is met by a box that is moved to a side without end; a screw's own part is not. */
    private boolean isInTheWay(Spot spot, Box room, Lumps.Heap heap, Face way) {
        if ((spot.isScrew() && heap.piece() == spot.part()) || !Leaving.isAhead(room, heap.bounds(), way)) {
            return false;
        }
        Swept swept = new Swept(room, way, far);
        for (Lumps.Lump lump : heap.lumps()) {
            if (Leaving.isAhead(room, lump.bounds(), way) && lump.isMet(swept)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a hand gets at a plug of a part from some side. */
    boolean isGripped(int part, Port port, BitSet present) {
        Blocked blocked = swept(new Spot(part, NONE, port.id()));
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

    private static boolean isThere(Lumps.Lump lump, BitSet present, BitSet spared) {
        return lump.piece() == Lumps.FIXED || (present.get(lump.piece()) && !spared.get(lump.piece()));
    }

    /** The least way by which parts that move as one leave when they may be moved aside first; nothing where they cannot. */
    Optional<Way> bent(BitSet group, BitSet present) {
        return bent(new Bend((BitSet) group.clone(), (BitSet) present.clone()));
    }

    private Optional<Way> bent(Bend bend) {
        return bent.computeIfAbsent(bend, this::bentAnew);
    }

    private Optional<Way> bentAnew(Bend bend) {
        List<Placed> movers = bend.spared().stream().mapToObj(placed::get).toList();
        List<Lumps.Lump> there = new ArrayList<>();
        for (Lumps.Lump lump : lumps.of(movers.getFirst().shell())) {
            if (isThere(lump, bend.present(), bend.spared())) {
                there.add(lump);
            }
        }
        double[] room = new double[Face.ALL.size()];
        for (Face to : Face.ALL) {
            room[to.ordinal()] = roomMm(movers, there, to);
        }
        for (Face out : budget.isSpent() ? List.<Face>of() : Way.SIDES) {
            Optional<Way> way = bent(movers, there, out, room);
            if (way.isPresent()) {
                return way;
            }
        }
        return Optional.empty();
    }

    /**
     * No further than this can parts be moved aside, as boxes among them and in their way tell; what is round or leans may bar them earlier.
     */
    private static double roomMm(List<Placed> movers, List<Lumps.Lump> there, Face to) {
        double room = Double.POSITIVE_INFINITY;
        for (Placed mover : movers) {
            for (Solid solid : mover.solids()) {
                if (solid instanceof Box from) {
                    for (Lumps.Lump lump : there) {
                        if (lump.isBox() && Leaving.isAhead(from, lump.bounds(), to)) {
                            room = Math.min(room, -Leaving.exit(lump.bounds(), from, to) + FitEngine.CONTACT_MM);
                        }
                    }
                }
            }
        }
        return room;
    }

    /**
     * @param room by side, how far aside may be tried at most, mm
     */
    private Optional<Way> bent(List<Placed> movers, List<Lumps.Lump> there, Face out, double[] room) {
        for (Face to : Face.ALL) {
            double most = room[to.ordinal()];
            if (to.axis() == out.axis() || most <= FitEngine.CONTACT_MM) {
                continue;
            }
            int tried = 0;
            for (double mm : asides(movers, there, out, to, most)) {
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

    private boolean isFree(List<Placed> movers, List<Lumps.Lump> there, Vec from, Face way, double mm) {
        if (!budget.spend(movers.size() * there.size())) {
            return false;
        }
        for (Placed mover : movers) {
            for (Lumps.Lump lump : there) {
                if (Leaving.isMet(mover, from, way, mm, lump)) {
                    return false;
                }
            }
        }
        return true;
    }

    /**
     * Moves to a side after which something that was in the way out is not any more, least first.
     *
     * @param most no longer ones are asked for, mm
     */
    private static SortedSet<Double> asides(
            List<Placed> movers, List<Lumps.Lump> there, Face out, Face to, double most) {
        SortedSet<Double> asides = new TreeSet<>();
        for (Placed mover : movers) {
            for (Solid solid : mover.solids()) {
                Box from = solid.bounds();
                for (Lumps.Lump lump : there) {
                    double mm = Leaving.exit(from, lump.bounds(), to);
                    if (mm > FitEngine.CONTACT_MM && mm <= most && isBeside(from, lump.bounds(), out, to)) {
                        asides.add(mm);
                    }
                }
            }
        }
        return asides;
    }

    /** Whether something is in the way out of a box, or comes to be while that is moved aside without end. */
    private static boolean isBeside(Box from, Box other, Face out, Face to) {
        int across = 3 - out.axis() - to.axis();
        return Leaving.exit(from, other, out) > FitEngine.CONTACT_MM
                && from.awayAlong(across, other) < -FitEngine.CONTACT_MM;
    }

    /** Whether what hangs on a tray leaves it straight to some side; what it is in one place with by mistake is not asked. */
    boolean comesOff(Shell on, BitSet hung, BitSet present) {
        Map<Integer, Blocked> movers = around(new Hung(on.id(), hung));
        for (Face way : Way.SIDES) {
            boolean free = true;
            for (Map.Entry<Integer, Blocked> mover : movers.entrySet()) {
                free &= !present.get(mover.getKey()) || mover.getValue().isFree(way, present);
            }
            if (free) {
                return true;
            }
        }
        return false;
    }

    /** Adds what may keep on a tray what hangs on it. */
    void gatherAround(Shell on, BitSet hung, BitSet into) {
        around(new Hung(on.id(), hung)).values().forEach(b -> b.by().forEach(into::or));
    }

    /** What is in the way of each piece that hangs on a tray, of what does not. */
    private Map<Integer, Blocked> around(Hung what) {
        return around.computeIfAbsent(what, w -> {
            Map<Integer, Blocked> found = new HashMap<>();
            List<Lumps.Lump> all = lumps.of(casing.shell(w.on()).orElseThrow());
            for (Lumps.Lump mover : all) {
                if (mover.piece() >= 0 && w.hung().get(mover.piece())) {
                    Blocked blocked = found.computeIfAbsent(mover.piece(), p -> Blocked.none());
                    for (Lumps.Lump lump : all) {
                        if (lump.piece() < 0 || !w.hung().get(lump.piece())) {
                            block(mover, lump, blocked);
                        }
                    }
                }
            }
            return found;
        });
    }

    private void block(Lumps.Lump mover, Lumps.Lump lump, Blocked into) {
        for (Face way : Face.ALL) {
            if (!into.has(lump.piece(), way) && isHeldBy(mover, way, lump)) {
                into.set(lump.piece(), way);
            }
        }
    }

    /** Whether nothing keeps a cover on; what it is in one place with by mistake is not asked. */
    boolean isLoose(int cover, BitSet present) {
        return over(cover).isFree(Face.TOP, present);
    }

    /** Adds what may keep a cover on. */
    void gatherOver(int cover, BitSet into) {
        into.or(over(cover).by().get(Face.TOP.ordinal()));
    }

    private Blocked over(int cover) {
        return covers.computeIfAbsent(cover, c -> {
            Blocked found = Blocked.none();
            List<Lumps.Lump> all =
                    lumps.of(casing.shell(pieces.all().get(c).id()).orElseThrow());
            for (Lumps.Lump mover : all) {
                for (Lumps.Lump lump : all) {
                    if (mover.piece() == c && lump.piece() != c && isHeldBy(mover, Face.TOP, lump)) {
                        found.set(lump.piece(), Face.TOP);
                    }
                }
            }
            return found;
        });
    }

    /** Whether something keeps another thing from leaving; not what leans: it is moved out of the way as it hangs. */
    private boolean isHeldBy(Lumps.Lump mover, Face way, Lumps.Lump other) {
        if (mover.square().isEmpty() || !Leaving.isAhead(mover.bounds(), other.bounds(), way)) {
            return false;
        }
        Solid solid = mover.square().get();
        return other.isMet(new Swept(solid, way, far)) && !other.isMet(new Swept(solid, way, 0));
    }
}
