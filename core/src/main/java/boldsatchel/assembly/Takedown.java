package boldsatchel.assembly;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Port;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * How a machine comes apart. A state is the set of pieces that are still there; taking one away never bars another, so that whatever is free
 * stays free, and what is left when nothing is free any more is the same whichever is taken first; only what is opened can be in the way of what it was
 * not in before. Read backwards it is how the machine goes together.
 *
 * <p>What moves: a part with all that rides on it as one body, straight out along an axis of its tray, or after one move aside
 * where nothing else would let it out ({@link Scene}); a card alone the way it leaves its slot; all that soldered wires hold together in one go, one after the other; covers,
 * hinges and slides, and trays with what is in them. Before a part leaves, a driver has to get at its screws, and fingers at the plug of
 * each lead that is too short to be unplugged in hand. For one thread.
 */
final class Takedown {

    /** A driver with its bit is so thick, mm: a quarter-inch hexagon over its corners (ISO 1173), with a little room. */
    static final double DRIVER_MM = 8;

    private static final double FAR_STEP_MM = 100;

    /** So many pairs of solids are looked at for ways that are not straight. */
    private static final long MOST_LOOKS = 400_000;

    private final Build build;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final Map<Integer, Ties.Rider> plugged;
    private final Ties ties;
    private final List<Loosening> loosened;
    private final boolean kept;
    private final Inside inside;
    private final Budget budget;
    private final List<Move> moves = new ArrayList<>();
    private final Map<BitSet, Scene> scenes;
    /** That was looked at last. */
    private @Nullable Scene at;
    /** Each part with all that rides on it, while all of it is there. */
    private final List<List<Integer>> loads;

    /** What each part rides on; less than zero for nothing. */
    private final int[] hosts;
    /** What each joint carries. */
    private final Map<Joint, BitSet> hung;

    private final boolean same;

    /**
     * Something that can be done.
     *
     * @param first place of its subject among the pieces; no two have the same
     * @param takes pieces that are gone afterwards
     */
    record Move(Removal.Kind kind, String subject, int first, BitSet takes) {}

    private Takedown(Build build, CablesResult cables, List<Loosening> loosened) {
        this.build = build;
        this.placed = Placed.all(build);
        this.loosened = loosened;
        this.kept = false;
        this.pieces = new Pieces(build, placed, loosened);
        this.plugged = Ties.plugged(build, placed);
        this.ties = Ties.of(build, placed, cables, loosened, plugged);
        this.inside = new Inside(build.casing(), placed, pieces, far(build, placed));
        this.scenes = new HashMap<>();
        this.budget = new Budget(MOST_LOOKS);
        this.hosts = IntStream.range(0, placed.size())
                .map(part -> Optional.ofNullable(ties.riders().get(part))
                        .map(Ties.Rider::host)
                        .orElse(-1))
                .toArray();
        this.loads = loads();
        this.hung = new HashMap<>();
        build.casing().joints().forEach(j -> hung.put(j, hungOn(j)));
        this.same = true;
        findMoves();
    }

    private Takedown(Takedown before) {
        this.build = before.build;
        this.placed = before.placed;
        this.loosened = before.loosened;
        this.kept = true;
        this.pieces = before.pieces;
        this.plugged = before.plugged;
        this.ties = before.ties;
        this.inside = before.inside;
        this.scenes = before.scenes;
        this.budget = before.budget;
        this.hosts = before.hosts;
        this.loads = before.loads;
        this.hung = before.hung;
        this.same = before.same;
        this.moves.addAll(before.moves);
    }

    private Takedown(
            Takedown before, Build build, List<Placed> placed, Scene.Moved moved, Map<Integer, Ties.Rider> plugged) {
        this.build = build;
        this.placed = placed;
        this.loosened = before.loosened;
        this.kept = before.kept;
        this.pieces = before.pieces;
        this.plugged = plugged;
        this.ties = before.ties;
        this.inside = new Inside(before.inside, build.casing(), placed, moved);
        this.scenes = new HashMap<>();
        this.budget = new Budget(MOST_LOOKS);
        this.hosts = before.hosts;
        this.loads = before.loads;
        this.hung = before.hung;
        this.moves.addAll(before.moves);
        boolean all = true;
        for (Map.Entry<BitSet, Scene> known : before.scenes.entrySet()) {
            Scene.After after = known.getValue().after(inside, moved, budget);
            scenes.put(known.getKey(), after.scene());
            all &= after.same();
        }
        this.same = all;
    }

    /**
     * The machine after some parts moved in their trays. All that was asked of the old one is known of the new one.
     *
     * @param recut ids of trays whose openings lie elsewhere
     * @return nothing where more changed than places, or something moved so far that other rooms count
     */
    @SuppressWarnings("ReferenceEquality") // An edit shares what it did not change.
    Optional<Takedown> after(Build newBuild, CablesResult cables, Set<String> recut) {
        List<Placed> now = Placed.all(newBuild);
        BitSet moved = new BitSet();
        boolean alike = now.size() == placed.size();
        boolean turned = false;
        for (int i = 0; alike && i < now.size(); i++) {
            Placed is = now.get(i);
            Placed was = placed.get(i);
            alike = is.part() == was.part()
                    && is.shell().id().equals(was.shell().id())
                    && is.placement().fixing().equals(was.placement().fixing());
            moved.set(i, is.placement() != was.placement());
            turned |= !is.placement().orientation().equals(was.placement().orientation());
        }
        if (!alike || far(newBuild, now) > inside.far()) {
            return Optional.empty();
        }
        Map<Integer, Ties.Rider> plugs = turned ? Ties.plugged(newBuild, now) : plugged;
        return Ties.of(newBuild, now, cables, loosened, plugs).equals(ties)
                ? Optional.of(new Takedown(this, newBuild, now, moved(moved, recut), plugs))
                : Optional.empty();
    }

    private Scene.Moved moved(BitSet parts, Set<String> recut) {
        BitSet all = (BitSet) parts.clone();
        for (String tray : recut) {
            index(Piece.Kind.TRAY, tray).ifPresent(all::set);
            index(Piece.Kind.COVER, tray).ifPresent(all::set);
        }
        return new Scene.Moved(all, recut);
    }

    /** Whether all that was asked before parts moved still holds. */
    boolean isSame() {
        return same;
    }

    /**
     * As it is put together: glue holds nothing yet.
     *
     * @param loosened what is changed of the plan
     */
    static Takedown of(Build build, CablesResult cables, List<Loosening> loosened) {
        return new Takedown(build, cables, loosened);
    }

    /** As it is taken apart once it is finished: what is glued stays. What is known of what is in whose way is shared. */
    Takedown finished() {
        return new Takedown(this);
    }

    private static double far(Build build, List<Placed> placed) {
        double far = 0;
        for (var shell : build.casing().shells()) {
            Box out = shell.outside();
            far += out.dx() + out.dy() + out.dz();
        }
        double most = 0;
        for (Placed p : placed) {
            Box b = p.bounds();
            most = Math.max(most, b.dx() + b.dy() + b.dz() + b.lowCorner().length());
        }
        // In whole decimetres: a small move does not change it.
        return Math.ceil((2 * (far + most) + 1) / FAR_STEP_MM) * FAR_STEP_MM;
    }

    private void findMoves() {
        Joined joined = new Joined(placed.size());
        ties.riders().forEach((rider, of) -> joined.join(rider, of.host()));
        ties.soldered().forEach(s -> joined.join(s.one(), s.other()));
        BitSet all = whole();
        for (List<Integer> unit : joined.sets()) {
            int first = unit.stream()
                    .filter(p -> !ties.riders().containsKey(p))
                    .findFirst()
                    .orElseThrow();
            moves.add(new Move(Removal.Kind.PARTS, placed.get(first).id(), first, set(unit)));
        }
        for (int part : ties.riders().keySet().stream().sorted().toList()) {
            BitSet alone = set(withRiders(part, all));
            if (ties.soldered().stream().noneMatch(s -> alone.get(s.one()) != alone.get(s.other()))) {
                moves.add(new Move(Removal.Kind.RIDER, placed.get(part).id(), part, alone));
            }
        }
        for (int i = placed.size(); i < pieces.all().size(); i++) {
            Piece piece = pieces.all().get(i);
            Removal.Kind kind = switch (piece.kind()) {
                case COVER -> Removal.Kind.COVER;
                case SHUT -> Removal.Kind.OPEN;
                case TRAY -> Removal.Kind.TRAY;
                case PART -> throw new IllegalStateException("parts come first");
            };
            moves.add(new Move(kind, piece.id(), i, set(List.of(i))));
        }
    }

    private List<List<Integer>> loads() {
        BitSet all = new BitSet();
        all.set(0, placed.size());
        List<List<Integer>> loads = new ArrayList<>();
        for (int part = 0; part < placed.size(); part++) {
            loads.add(List.copyOf(riding(part, all)));
        }
        return loads;
    }

    /** A part and all that is there of what rides on it. */
    private List<Integer> withRiders(int host, BitSet present) {
        List<Integer> load = loads.get(host);
        for (int part : load) {
            if (!present.get(part)) {
                return riding(host, present);
            }
        }
        return load;
    }

    private List<Integer> riding(int host, BitSet present) {
        List<Integer> group = new ArrayList<>(List.of(host));
        for (int i = 0; i < group.size(); i++) {
            int at = group.get(i);
            ties.riders().forEach((rider, of) -> {
                if (of.host() == at && present.get(rider)) {
                    group.add(rider);
                }
            });
        }
        return group;
    }

    private static BitSet set(List<Integer> members) {
        BitSet set = new BitSet();
        members.forEach(set::set);
        return set;
    }

    /** What can be done at all. */
    List<Move> moves() {
        return moves;
    }

    /** The move that something was taken out by. */
    Move move(Removal removal) {
        return moves.stream()
                .filter(m -> m.kind() == removal.kind() && isOf(m, removal))
                .findFirst()
                .orElseThrow();
    }

    private boolean isOf(Move move, Removal removal) {
        return removal.kind() == Removal.Kind.PARTS
                ? index(removal.subject()).filter(move.takes()::get).isPresent()
                : move.subject().equals(removal.subject());
    }

    /** All pieces, the parts in the order they are placed first. */
    List<Piece> pieces() {
        return pieces.all();
    }

    /** Place of a part among the pieces. */
    Optional<Integer> index(String part) {
        return index(Piece.Kind.PART, part);
    }

    /** Place of a piece among all. */
    Optional<Integer> index(Piece.Kind kind, String id) {
        return pieces.index(kind, id);
    }

    Casing casing() {
        return build.casing();
    }

    /** Whether some ways that are not straight were not looked at. */
    boolean isCutShort() {
        return budget.isSpent();
    }

    Ties ties() {
        return ties;
    }

    List<Placed> placed() {
        return placed;
    }

    /** Everything there. */
    BitSet whole() {
        BitSet all = new BitSet();
        all.set(0, pieces.all().size());
        return all;
    }

    /** What is in whose way in a state. */
    Scene scene(BitSet present) {
        if (at != null && at.isOf(present)) {
            return at;
        }
        BitSet joints = (BitSet) pieces.joints().clone();
        joints.and(present);
        Scene found = scenes.computeIfAbsent(joints, state -> new Scene(inside, state, budget));
        at = found;
        return found;
    }

    /** Does something, if it can be done and takes anything, whatever has to be slid. */
    Optional<Removal> tried(Move move, BitSet present) {
        return tried(move, present, false).or(() -> tried(move, present, true));
    }

    /**
     * Does something, if it can be done and takes anything.
     *
     * @param sliding whether parts are slid out from under others too, not only where nothing but a move aside ever lets them out
     */
    Optional<Removal> tried(Move move, BitSet present, boolean sliding) {
        if (!move.takes().intersects(present)) {
            return Optional.empty();
        }
        return switch (move.kind()) {
            case PARTS -> parts(move, present, sliding);
            case RIDER -> rider(move, present);
            case COVER -> isCoverFree(move.subject(), present) ? plain(move) : Optional.empty();
            case OPEN -> plain(move);
            case TRAY -> isTrayFree(move.subject(), present) ? plain(move) : Optional.empty();
        };
    }

    private static Optional<Removal> plain(Move move) {
        return Optional.of(new Removal(move.kind(), move.subject(), List.of()));
    }

    private Optional<Removal> parts(Move move, BitSet present, boolean sliding) {
        BitSet unit = move.takes();
        if (!areLeadsFree(unit, present)) {
            return Optional.empty();
        }
        List<List<Integer>> left = new ArrayList<>();
        for (int part = unit.nextSetBit(0); part >= 0; part = unit.nextSetBit(part + 1)) {
            if (present.get(part) && !isCarried(part, present)) {
                left.add(withRiders(part, present));
            }
        }
        BitSet still = left.size() > 1 ? (BitSet) present.clone() : present;
        List<Removal.Group> gone = new ArrayList<>();
        boolean any = true;
        while (any && !left.isEmpty()) {
            any = false;
            for (int i = 0; i < left.size() && !any; i++) {
                Optional<Way> way = way(left.get(i), still, sliding);
                if (way.isPresent()) {
                    List<Integer> group = left.remove(i);
                    gone.add(group(group, way.get()));
                    if (!left.isEmpty()) {
                        group.forEach(still::clear);
                    }
                    any = true;
                }
            }
        }
        return left.isEmpty()
                ? Optional.of(new Removal(move.kind(), gone.getFirst().parts().getFirst(), gone))
                : Optional.empty();
    }

    private boolean isCarried(int part, BitSet present) {
        return hosts[part] >= 0 && present.get(hosts[part]);
    }

    private Optional<Removal> rider(Move move, BitSet present) {
        int rider = move.first();
        List<Integer> group = withRiders(rider, present);
        Ties.Rider rides = ties.rider(rider);
        if (!present.get(rider) || !present.get(rides.host())) {
            return Optional.empty();
        }
        BitSet set = set(group);
        Face away = rides.away();
        return isReleased(rider, present)
                        && areLeadsFree(set, present)
                        && isStraight(group, away, present, set, scene(present))
                ? Optional.of(new Removal(move.kind(), move.subject(), List.of(group(group, Way.straight(away)))))
                : Optional.empty();
    }

    private Removal.Group group(List<Integer> group, Way way) {
        return new Removal.Group(group.stream().map(i -> placed.get(i).id()).toList(), way);
    }

    private Optional<Way> way(List<Integer> group, BitSet present, boolean sliding) {
        BitSet set = set(group);
        // What rides is held to what carries it, and leaves with that.
        if (hosts[group.getFirst()] < 0 && !isReleased(group.getFirst(), present)) {
            return Optional.empty();
        }
        Scene scene = scene(present);
        for (Face way : Way.SIDES) {
            if (isStraight(group, way, present, set, scene)) {
                return Optional.of(Way.straight(way));
            }
        }
        return sliding || isBarred(group, scene) ? scene.bent(set, present) : Optional.empty();
    }

    /** Whether no straight way of a part with all that rides on it is ever free, whatever else is out. */
    boolean isBarred(int part, Scene scene) {
        return isBarred(loads.get(part), scene);
    }

    /** Whether no straight way is ever free, whatever else is out. */
    private static boolean isBarred(List<Integer> group, Scene scene) {
        for (Face way : Face.ALL) {
            if (isOpen(group, way, scene)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isOpen(List<Integer> group, Face way, Scene scene) {
        for (int part : group) {
            if (scene.isBarred(part, way)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isStraight(List<Integer> group, Face way, BitSet present, BitSet own, Scene scene) {
        for (int part : group) {
            if (!scene.isFree(part, way, present, own)) {
                return false;
            }
        }
        return true;
    }

    /** Whether what holds a part can be undone: no glue that has set, and a driver gets at every screw. */
    private boolean isReleased(int part, BitSet present) {
        Placed p = placed.get(part);
        Optional<Fixing.By> by = p.placement().fixing().map(Fixing::by);
        if (by.filter(b -> b == Fixing.By.GLUE).isPresent()) {
            return !kept || loosened.contains(Loosening.of(Loosening.Kind.NO_GLUE, p.id()));
        }
        if (by.filter(b -> b == Fixing.By.SCREWS).isEmpty()
                || loosened.contains(Loosening.of(Loosening.Kind.CLIPS, p.id()))) {
            return true;
        }
        return scene(present).isReached(part, present);
    }

    /** A driver over each screw of a part, where it begins. */
    static List<Box> heads(Placed part) {
        List<Box> heads = new ArrayList<>();
        for (Hole hole : part.part().body().holes()) {
            boolean down = part.placement().orientation().turn(hole.face()).axis() == Face.TOP.axis();
            if (down && !hole.tapped()) {
                Vec at = part.placement().place(hole.at(), part.part().body().bounds());
                double z = part.placement().orientation().turn(hole.face()) == Face.TOP
                        ? at.z()
                        : part.bounds().high(2);
                heads.add(new Box(at.x() - DRIVER_MM / 2, at.y() - DRIVER_MM / 2, z, DRIVER_MM, DRIVER_MM, 0));
            }
        }
        return heads;
    }

    /** Whether each short lead from what leaves to what stays can be unplugged at one of its ends. */
    private boolean areLeadsFree(BitSet leaving, BitSet present) {
        for (Ties.Tight lead : ties.tight()) {
            boolean one = leaving.get(lead.one());
            boolean other = leaving.get(lead.other());
            boolean parts = one != other && present.get(lead.one()) && present.get(lead.other());
            if (parts
                    && !isPlugFree(lead.one(), lead.onePort(), present)
                    && !isPlugFree(lead.other(), lead.otherPort(), present)) {
                return false;
            }
        }
        return true;
    }

    /** Whether a hand gets at a plug, from some side; where nobody says where it is, it does. */
    private boolean isPlugFree(int part, Optional<Port> port, BitSet present) {
        return port.isEmpty() || scene(present).isGripped(part, port.get(), present);
    }

    private boolean isCoverFree(String tray, BitSet present) {
        int cover = pieces.index(Piece.Kind.COVER, tray).orElseThrow();
        return build.shell(tray).isPresent() && scene(present).isLoose(cover, present);
    }

    /**
     * Whether a tray comes off: opened if it can be, not glued, no lead over its joint that cannot be unplugged while it is on and is too short
     * to lay it beside the case.
     */
    private boolean isTrayFree(String tray, BitSet present) {
        Joint joint = build.casing().carrying(tray).orElseThrow();
        boolean shut =
                pieces.index(Piece.Kind.SHUT, joint.id()).map(present::get).orElse(false);
        boolean glued = kept
                && joint.way() instanceof Joint.Held h
                && h.by() == Joint.Held.By.GLUE
                && !loosened.contains(Loosening.of(Loosening.Kind.NO_GLUE, joint.id()));
        if (shut || glued) {
            return false;
        }
        BitSet hung = hung(joint);
        boolean wired = ties.soldered().stream()
                .anyMatch(s ->
                        present.get(s.one()) && present.get(s.other()) && hung.get(s.one()) != hung.get(s.other()));
        return !wired
                && areLeadsFree(hung, present)
                && (!(joint.way() instanceof Joint.Held) || leaves(joint, hung, present));
    }

    /** What a joint carries: a tray, all that is in it, and what hangs on it. */
    BitSet hung(Joint joint) {
        return hung.getOrDefault(joint, new BitSet());
    }

    private BitSet hungOn(Joint joint) {
        BitSet on = new BitSet();
        for (int i = 0; i < pieces.all().size(); i++) {
            Piece piece = pieces.all().get(i);
            boolean is = switch (piece.kind()) {
                case PART -> build.casing().path(placed.get(i).shell().id()).contains(joint);
                case COVER, TRAY -> build.casing().path(piece.id()).contains(joint);
                case SHUT -> false;
            };
            on.set(i, is);
        }
        return on;
    }

    /** Whether a tray that is held leaves the one it is on, with all that is in it and hangs on it. */
    private boolean leaves(Joint joint, BitSet hung, BitSet present) {
        return build.shell(joint.on())
                .map(on -> scene(present).comesOff(on, hung, present))
                .orElse(true);
    }

    /** Joints that a lead leads over. */
    List<Joint> jointsUnder(Lead lead) {
        Optional<Integer> one = index(lead.one().part());
        Optional<Integer> other = index(lead.other().part());
        return one.isEmpty() || other.isEmpty()
                ? List.of()
                : build.casing()
                        .between(
                                placed.get(one.get()).shell().id(),
                                placed.get(other.get()).shell().id());
    }

    /**
     * Takes all that comes out, one after the other; of what is free the one that ranks highest goes first. Since what is opened can be in the
     * way of others, joints are opened as late as can be where less stays in then.
     *
     * @param present what is there; afterwards what is left
     * @param ranks of all moves, in their order
     */
    List<Removal> takeAll(BitSet present, double[] ranks) {
        List<Move> ranked = IntStream.range(0, moves.size())
                .boxed()
                .sorted((a, b) -> Double.compare(ranks[b], ranks[a]))
                .map(moves::get)
                .collect(Collectors.toCollection(ArrayList::new));
        BitSet left = (BitSet) present.clone();
        List<Removal> done = takeAll(left, ranked, List.of());
        List<Move> opening =
                ranked.stream().filter(m -> m.kind() == Removal.Kind.OPEN).toList();
        if (!left.isEmpty() && !opening.isEmpty()) {
            BitSet leftLate = (BitSet) present.clone();
            ranked.removeAll(opening);
            List<Removal> late = takeAll(leftLate, ranked, opening);
            if (leftLate.cardinality() < left.cardinality()) {
                left = leftLate;
                done = late;
            }
        }
        present.and(left);
        return done;
    }

    /** Takes all that comes out, whatever first. */
    List<Removal> takeAll(BitSet present) {
        return takeAll(present, new double[moves.size()]);
    }

    /**
     * @param late moves that are made only when none of the others can be
     */
    private List<Removal> takeAll(BitSet present, List<Move> ranked, List<Move> late) {
        List<Removal> done = new ArrayList<>();
        while (takesOne(ranked, present, false, done)
                || takesOne(ranked, present, true, done)
                || takesOne(late, present, false, done)) {
            // Goes on until nothing is free.
        }
        return done;
    }

    private boolean takesOne(List<Move> ranked, BitSet present, boolean sliding, List<Removal> done) {
        for (Move move : ranked) {
            Optional<Removal> removal = tried(move, present, sliding);
            if (removal.isPresent()) {
                done.add(removal.get());
                present.andNot(move.takes());
                return true;
            }
        }
        return false;
    }
}
