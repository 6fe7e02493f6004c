package boldsatchel.arrange;

import boldsatchel.geometry.Face;
import boldsatchel.stow.Item;
import boldsatchel.stow.Lying;
import boldsatchel.stow.Room;
import boldsatchel.stow.Stowing;
import boldsatchel.stow.Stowing.Order;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.IntFunction;

/** Takes some items out of their trays and puts them in again otherwise, by chance: in another order, from another corner, turned; walls may come nearer. Not to be shared by threads. */
final class Packer {

    /** Where the parts do not go in else walls may go as far away as that many times where they are. */
    private static final double MOST_TIMES = 1.5;

    private static final int MOST_STEP_MM = 6;
    /** Less than this of a step is rounding. */
    private static final double TINY = 1e-9;

    private static final double LEAST_SIZE_MM = 5;
    /** How often one or two are taken out, and how often many, else about a quarter. */
    private static final double FEW = 0.6;

    private static final double MANY = 0.1;
    private static final double QUARTER = 0.25;
    /** How often walls come nearer before something is put in, and how often they go away again. */
    private static final double SIZED = 0.5;

    private static final double WIDER = 0.2;
    private static final double LARGEST_FIRST = 0.4;
    /** How often what warms is put on standoffs, what may lie on its side is tried so, all ways are compared, what is looked at is put as high as it goes. */
    private static final double STANDING = 0.7;

    private static final double TUMBLED = 0.2;
    private static final double COMPARED = 0.5;
    private static final double HIGH = 0.9;
    /** How often height counts before all else. */
    private static final double LEVEL = 0.7;
    /** How often something is put where it was, of several trays. */
    private static final double AT_HOME = 0.7;
    /** How often parts are moved into line, where that is wished for, and how many at most. */
    private static final double LINED = 0.3;

    private static final int MOST_LINED = 4;

    /**
     * Walls that may be elsewhere; then the gap is left to them too.
     *
     * @param asItIs the trays as they are
     * @param trays numbers of those whose walls may
     * @param along those of them whose outline goes along with one before, as a lid's does: only their height is their own
     * @param mayGrow whether they may go farther away than they are
     * @param stepMm of what sizes are whole multiples
     */
    record Walls(Frame asItIs, List<Integer> trays, Set<Integer> along, boolean mayGrow, double stepMm) {
        private double widest(int tray, int axis) {
            double is = asItIs.trays().get(tray).size(axis);
            return mayGrow ? stepMm * Math.floor(MOST_TIMES * is / stepMm) : is;
        }

        /** The trays with their walls so far away; nothing where something that is locked would not stay. */
        private Optional<Frame> sized(IntFunction<double[]> sizes) {
            Frame sized = asItIs;
            for (int tray : trays) {
                double[] size = sizes.apply(tray);
                Frame.Tray is = sized.trays().get(tray);
                double width = along.contains(tray) ? is.size(0) : size[0];
                double depth = along.contains(tray) ? is.size(1) : size[1];
                boolean isSo = is.size(0) == width && is.size(1) == depth && is.size(2) == size[2];
                sized = isSo ? sized : sized.sized(tray, new double[] {width, depth, size[2]});
            }
            return Optional.of(sized).filter(asItIs::isLockedLike);
        }
    }

    private final List<Item> items;
    private final double gapMm;
    private final FrontOrder front;
    private final Optional<Walls> walls;
    private final boolean lines;
    private final SplittableRandom random;

    /**
     * One that packs a tray.
     *
     * @param lines whether parts are moved into line as well
     */
    Packer(
            List<Item> items,
            double gapMm,
            FrontOrder front,
            Optional<Walls> walls,
            boolean lines,
            SplittableRandom random) {
        this.items = items;
        this.gapMm = gapMm;
        this.front = front;
        this.walls = walls;
        this.lines = lines;
        this.random = random;
    }

    /** Some taken out and put in again; what has no place is put in first. Nothing where the walls cannot come nearer so. */
    Optional<Packed> changed(Packed from) {
        if (lines && random.nextDouble() < LINED) {
            return Optional.of(lined(from));
        }
        List<Integer> out = new ArrayList<>();
        Optional<Packed> sized = walls.isPresent() && random.nextDouble() < SIZED
                ? sized(from, walls.get(), out)
                : Optional.of(from.copy());
        return sized.map(packed -> {
            takeOut(packed, out);
            fill(packed, out, random.nextDouble() < LARGEST_FIRST);
            return packed;
        });
    }

    /** In as wide trays as may be. */
    Packed widest(Packed from) {
        return walls.flatMap(w -> w.sized(t -> new double[] {w.widest(t, 0), w.widest(t, 1), w.widest(t, 2)}))
                .map(from::in)
                .orElse(from);
    }

    /** What has no place put in beside what has one. */
    Packed completed(Packed from) {
        List<Integer> out = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            if (from.at(i) == null) {
                out.add(i);
            }
        }
        Packed completed = from.copy();
        if (!out.isEmpty()) {
            fill(completed, out, true);
        }
        return completed;
    }

    /** All taken out and put in again. */
    Packed anew(Packed from) {
        Packed anew = from.copy();
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            all.add(i);
            anew.takeOut(i);
        }
        fill(anew, all, random.nextBoolean());
        return anew;
    }

    private void takeOut(Packed packed, List<Integer> out) {
        double how = random.nextDouble();
        double share = how < FEW ? random.nextDouble() / items.size() : how < 1 - MANY ? QUARTER : random.nextDouble();
        int one = random.nextInt(items.size());
        for (int i = 0; i < items.size(); i++) {
            boolean goes = i == one || packed.at(i) == null || random.nextDouble() < share;
            if (goes && !out.contains(i)) {
                out.add(i);
            }
        }
        out.forEach(packed::takeOut);
    }

    /** Puts items in, in an order by chance or the largest first, those that have to be at a wall before the others. */
    private void fill(Packed packed, List<Integer> out, boolean largestFirst) {
        double[] key = new double[items.size()];
        for (int i : out) {
            double turn = largestFirst ? 1 / (1 + items.get(i).volume()) : random.nextDouble();
            key[i] = items.get(i).ways().getFirst().isAtWall() ? turn - 1 : turn;
        }
        List<Integer> order = new ArrayList<>(out);
        order.sort((a, b) -> Double.compare(key[a], key[b]));
        Stowage stowage = stowage(packed);
        for (int i : order) {
            put(packed, i, stowage);
        }
    }

    private Stowage stowage(Packed packed) {
        return new Stowage(packed, gapMm, walls.isPresent() ? gapMm : 0);
    }

    /**
     * How something is put in.
     *
     * @param standing whether what warms is tried off floor and walls first
     * @param compared whether all ways are tried for the very first place, else the first that has one does
     * @param tumbled whether it is tried on its sides too
     */
    private record How(Order order, boolean standing, boolean compared, boolean tumbled) {}

    /** In the first place that there is from some corner; of several trays in the one that it is in mostly, and in the next where it has no place. */
    private void put(Packed packed, int i, Stowage stowage) {
        Item item = items.get(i);
        How how = new How(
                order(item.ways().getFirst().facesUp()),
                random.nextDouble() < STANDING,
                random.nextDouble() < COMPARED,
                random.nextDouble() < TUMBLED);
        int trays = item.spans().size();
        int from = trays > 1 ? tray(item, packed.way(i)) : 0;
        boolean isIn = false;
        for (int k = 0; k < trays && !isIn; k++) {
            isIn = put(packed, i, stowage, how, item.spans().get((from + k) % trays));
        }
    }

    /** Mostly where it lies, or lay last. */
    private int tray(Item item, int way) {
        int is = 0;
        while (!item.spans().get(is).has(way)) {
            is++;
        }
        return random.nextDouble() < AT_HOME ? is : random.nextInt(item.spans().size());
    }

    /** Into one tray, turned as comes first, or as it takes for the very first place; says whether it has one. */
    private boolean put(Packed packed, int i, Stowage stowage, How how, Item.Span span) {
        List<Lying> ways = items.get(i).ways();
        int count = how.tumbled ? span.all() : span.flat();
        int known = span.has(packed.way(i)) ? packed.way(i) - span.first() : 0;
        int first = how.compared ? known : random.nextInt(count);
        Stowing stowing = stowage.in(ways.get(span.first()).tray());
        double[] best = null;
        int bestWay = 0;
        for (int pass = 0; pass < 2 && best == null; pass++) {
            for (int k = 0; k < count && (best == null || how.compared); k++) {
                int way = span.first() + (first + k) % count;
                double[] at = stowing.first(
                        ways.get(way),
                        how.order,
                        how.standing && pass == 0,
                        front.least(i, packed),
                        front.most(i, packed));
                if (at != null && (best == null || how.order.isBefore(at, best))) {
                    best = at;
                    bestWay = way;
                }
            }
        }
        if (best != null) {
            packed.put(i, bestWay, best);
            stowage.put(ways.get(bestWay), best);
        }
        return best != null;
    }

    /** From below mostly, from above what is looked at. */
    private Order order(boolean facesUp) {
        List<Integer> axes = new ArrayList<>(random.nextBoolean() ? List.of(0, 1) : List.of(1, 0));
        axes.add(random.nextDouble() < LEVEL ? 0 : 1 + random.nextInt(2), 2);
        boolean fromAbove = random.nextDouble() < (facesUp ? HIGH : 1 - HIGH);
        return new Order(axes, List.of(random.nextBoolean(), random.nextBoolean(), fromAbove));
    }

    /** Some moved sideways until they are flush with something, where there is room. */
    private Packed lined(Packed from) {
        Packed lined = from.copy();
        for (int more = random.nextInt(MOST_LINED); more >= 0; more--) {
            int i = random.nextInt(items.size());
            int axis = random.nextInt(2);
            double[] at = lined.at(i);
            if (at != null && !lined.lying(i).isAtWall(axis)) {
                lined.takeOut(i);
                double[] to = at.clone();
                to[axis] = Lines.chosen(lined, i, axis, random);
                Lying lying = lined.lying(i);
                boolean isFree =
                        stowage(lined).in(lying.tray()).isFree(lying, to, front.least(i, lined), front.most(i, lined));
                lined.put(i, lined.way(i), isFree ? to : at);
            }
        }
        return lined;
    }

    /** The far wall of a tray along one axis elsewhere, by whole steps, and what is in its way or has to be at it taken out, in a lid that goes with it as well. */
    private Optional<Packed> sized(Packed from, Walls wall, List<Integer> out) {
        int tray = wall.trays()
                .get(wall.trays().size() > 1 ? random.nextInt(wall.trays().size()) : 0);
        Frame.Tray was = from.frame().trays().get(tray);
        int axis = wall.along().contains(tray) ? 2 : random.nextInt(3);
        int most = Math.max(1, (int) (MOST_STEP_MM / wall.stepMm()));
        int steps = (random.nextDouble() < WIDER ? 1 : -1) * (1 + random.nextInt(most));
        double[] size = was.sizes();
        size[axis] = wall.stepMm() * Math.floor(size[axis] / wall.stepMm() + steps + TINY);
        boolean isFixedThere =
                was.fixed().stream().anyMatch(r -> r.kind() == Room.Kind.BODY && r.high(axis) > size[axis]);
        if (size[axis] < LEAST_SIZE_MM || size[axis] > wall.widest(tray, axis) || isFixedThere) {
            return Optional.empty();
        }
        return wall.sized(t -> t == tray ? size : from.frame().trays().get(t).sizes())
                .map(from::in)
                .map(sized -> {
                    for (int i = 0; i < items.size(); i++) {
                        double[] at = sized.at(i);
                        if (at != null && isPushed(sized.lying(i), at, from.tray(i), sized.tray(i))) {
                            out.add(i);
                        }
                    }
                    return sized;
                });
    }

    /** Whether a wall that is elsewhere is in its way, or is one that it has to be at. */
    private boolean isPushed(Lying lying, double[] at, Frame.Tray was, Frame.Tray is) {
        boolean isPushed = false;
        for (int axis = 0; axis < 3; axis++) {
            double off = axis == 2 ? 0 : gapMm;
            boolean isBeyond = at[axis] + lying.high(axis) + off > is.size(axis);
            boolean isAt = lying.isAtWall(Face.of(axis, 1));
            isPushed |= was.size(axis) != is.size(axis) && (isBeyond || isAt);
        }
        return isPushed;
    }
}
