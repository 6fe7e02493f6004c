package boldsatchel.stow;

import boldsatchel.geometry.Face;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is taken of a tray, and where something more would go: of all places clear of the rest the one that is first along one axis, of these the first along the next, and so on
 * (bottom-left rule of packing: Baker, Coffman and Rivest, SIAM J. Comput. 9, 1980, 846). Such a place touches a wall or the gap of what lies there along each axis, so only these
 * are tried: along the first two axes one after another, along the third straight through what blocks. Plain numbers and no objects, as it is asked a hundred thousand times a
 * second. Not to be shared by threads.
 */
public final class Stowing {

    private static final double TINY_MM = 1e-6;
    /** Rooms and pairs at first; more are made as they come. */
    private static final int START = 64;

    private static final double[] AS_IT_IS = new double[3];

    /**
     * Which place is first.
     *
     * @param axes the one that counts most before the others
     * @param fromHigh by axis, whether the far wall is where it begins
     */
    public record Order(List<Integer> axes, List<Boolean> fromHigh) {
        /** Whether one place comes before another. */
        public boolean isBefore(double[] a, double[] b) {
            for (int axis : axes) {
                if (Math.abs(a[axis] - b[axis]) > TINY_MM) {
                    return fromHigh.get(axis) ? a[axis] > b[axis] : a[axis] < b[axis];
                }
            }
            return false;
        }
    }

    private final double[] size;
    private final double gapMm;
    private final double wallMm;
    /** What is taken: by axis where it begins and ends, mm, and what it is for. */
    private final double[][] takenLow = new double[3][START];

    private final double[][] takenHigh = new double[3][START];
    private Room.Kind[] takenFor = new Room.Kind[START];
    private int taken;
    /** By axis the places between which a room of what is put in would meet one that is taken, mm. */
    private final double[][] after = new double[3][START];

    private final double[][] before = new double[3][START];
    /** Such pairs that meet: all, those beside a place along the first axis, and of these those beside one along the second. */
    private int[] all = new int[START];

    private int[] beside = new int[START];
    private int[] between = new int[START];
    private double[] firsts = new double[START];
    private double[] seconds = new double[START];

    /**
     * An empty tray.
     *
     * @param size inside, mm
     * @param gapMm wanted between parts
     * @param wallMm wanted to side walls that nothing has to be at
     */
    public Stowing(double[] size, double gapMm, double wallMm) {
        this.size = size.clone();
        this.gapMm = gapMm;
        this.wallMm = wallMm;
    }

    /** Something is there. */
    public void put(Room room) {
        put(room, AS_IT_IS);
    }

    /** A bundle lies there. */
    public void put(Lying lying, double[] at) {
        for (Room room : lying.rooms) {
            put(room, at);
        }
    }

    private void put(Room room, double[] by) {
        if (taken == takenFor.length) {
            takenFor = Arrays.copyOf(takenFor, 2 * taken);
            for (int axis = 0; axis < 3; axis++) {
                takenLow[axis] = Arrays.copyOf(takenLow[axis], 2 * taken);
                takenHigh[axis] = Arrays.copyOf(takenHigh[axis], 2 * taken);
            }
        }
        for (int axis = 0; axis < 3; axis++) {
            takenLow[axis][taken] = room.low[axis] + by[axis];
            takenHigh[axis][taken] = room.high[axis] + by[axis];
        }
        takenFor[taken++] = room.kind;
    }

    /** Finds the pairs of a room of what is put in and one that is taken that meet somewhere between the ends; says how many. */
    private int pair(Lying lying, double[] from, double[] to) {
        int pairs = 0;
        for (Room mine : lying.rooms) {
            if (pairs + taken > all.length) {
                grow(2 * (pairs + taken));
            }
            for (int k = 0; k < taken; k++) {
                double apart = Room.apart(mine.kind, takenFor[k], gapMm);
                boolean meets = apart >= 0;
                for (int axis = 0; axis < 3 && meets; axis++) {
                    after[axis][pairs] = takenHigh[axis][k] + apart - mine.low[axis];
                    before[axis][pairs] = takenLow[axis][k] - apart - mine.high[axis];
                    meets = after[axis][pairs] > from[axis] && before[axis][pairs] < to[axis];
                }
                if (meets) {
                    all[pairs] = pairs;
                    pairs++;
                }
            }
        }
        return pairs;
    }

    private void grow(int room) {
        for (int axis = 0; axis < 3; axis++) {
            after[axis] = Arrays.copyOf(after[axis], room);
            before[axis] = Arrays.copyOf(before[axis], room);
        }
        all = Arrays.copyOf(all, room);
        beside = new int[room];
        between = new int[room];
        firsts = new double[room + 1];
        seconds = new double[room + 1];
    }

    /**
     * The least place along an axis: at its wall where it has to be at one, near both where it has to be at both.
     *
     * @param off walls where it has to be at none
     * @param stand off the one that it has to be at
     */
    private double least(Lying lying, int axis, double off, double stand) {
        double low = -lying.atWall[Face.of(axis, -1).ordinal()];
        double high = size[axis] - lying.atWall[Face.of(axis, 1).ordinal()];
        if (Double.isNaN(high)) {
            return Double.isNaN(low) ? off - lying.low[axis] : low + stand;
        }
        return Double.isNaN(low) ? high - stand : Math.max(low, high - lying.mayMm[axis]);
    }

    private double most(Lying lying, int axis, double off, double stand) {
        double low = -lying.atWall[Face.of(axis, -1).ordinal()];
        double high = size[axis] - lying.atWall[Face.of(axis, 1).ordinal()];
        if (Double.isNaN(low)) {
            return Double.isNaN(high) ? size[axis] - off - lying.high[axis] : high - stand;
        }
        return Double.isNaN(high) ? low + stand : Math.min(high, low + lying.mayMm[axis]);
    }

    /**
     * The first place; nothing where there is none.
     *
     * @param standing whether what warms is to stand off floor and walls
     */
    public double @Nullable [] first(Lying lying, Order order, boolean standing) {
        return first(lying, order, standing, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    }

    /**
     * The first place between others from the front to the back.
     *
     * @param front where it may begin, mm
     * @param back where it ends at most, mm
     */
    public double @Nullable [] first(Lying lying, Order order, boolean standing, double front, double back) {
        double[] from = new double[3];
        double[] to = new double[3];
        if (!ends(lying, standing, front, back, from, to)) {
            return null;
        }
        int one = order.axes().get(0);
        int two = order.axes().get(1);
        int three = order.axes().get(2);
        boolean oneFromHigh = order.fromHigh().get(one);
        boolean twoFromHigh = order.fromHigh().get(two);
        boolean threeFromHigh = order.fromHigh().get(three);
        int pairs = pair(lying, from, to);
        int places = places(firsts, all, pairs, one, from[one], to[one], oneFromHigh);
        for (int i = 0; i < places; i++) {
            int besides = blocking(beside, all, pairs, one, firsts[i]);
            int more = places(seconds, beside, besides, two, from[two], to[two], twoFromHigh);
            for (int j = 0; j < more; j++) {
                int betweens = blocking(between, beside, besides, two, seconds[j]);
                double third = through(betweens, three, from[three], to[three], threeFromHigh);
                if (!Double.isNaN(third)) {
                    double[] at = new double[3];
                    at[one] = firsts[i];
                    at[two] = seconds[j];
                    at[three] = third;
                    return at;
                }
            }
        }
        return null;
    }

    /** Between which low corners it may lie at all; says whether there are such. */
    private boolean ends(Lying lying, boolean standing, double front, double back, double[] from, double[] to) {
        for (int axis = 0; axis < 3; axis++) {
            boolean isOff = lying.isWarm && standing;
            double off = isOff ? axis == 2 ? FreePlace.STANDOFF_MM : FreePlace.REACH_MM : axis == 2 ? 0 : wallMm;
            double stand = isOff && axis < 2 ? lying.mayMm[axis] : 0;
            from[axis] = least(lying, axis, off, stand);
            to[axis] = most(lying, axis, axis == 2 ? 0 : off, stand);
            for (Lying.Kept kept : lying.kept) {
                if (kept.axis() == axis) {
                    from[axis] = Math.max(from[axis], kept.least(size[axis]));
                    to[axis] = Math.min(to[axis], kept.most(size[axis]));
                }
            }
            if (axis == 1) {
                from[axis] = Math.max(from[axis], front);
                to[axis] = Math.min(to[axis], back - lying.sizeMm[1]);
            }
            if (axis == 2) {
                from[axis] = Math.max(from[axis], size[axis] - lying.depth.most());
                to[axis] = Math.max(to[axis], size[axis] - lying.depth.least());
            }
            if (from[axis] > to[axis] + TINY_MM) {
                return false;
            }
        }
        return true;
    }

    /**
     * Whether a place is clear of the rest and where it may lie at all.
     *
     * @param front where it may begin, mm
     * @param back where it ends at most, mm
     */
    public boolean isFree(Lying lying, double[] at, double front, double back) {
        double[] from = new double[3];
        double[] to = new double[3];
        boolean isInside = ends(lying, false, front, back, from, to);
        for (int axis = 0; axis < 3; axis++) {
            isInside &= at[axis] > from[axis] - TINY_MM && at[axis] < to[axis] + TINY_MM;
            from[axis] = at[axis] + TINY_MM;
            to[axis] = at[axis] - TINY_MM;
        }
        return isInside && pair(lying, from, to) == 0;
    }

    private boolean blocks(int pair, int axis, double at) {
        return at > before[axis][pair] + TINY_MM && at < after[axis][pair] - TINY_MM;
    }

    /** Those of some pairs that meet where that place is along an axis; says how many. */
    private int blocking(int[] blocking, int[] some, int count, int axis, double at) {
        int found = 0;
        for (int i = 0; i < count; i++) {
            if (blocks(some[i], axis, at)) {
                blocking[found++] = some[i];
            }
        }
        return found;
    }

    /** At the wall, and behind each thing that is there, the first before the others; says how many. */
    private int places(double[] places, int[] some, int count, int axis, double from, double to, boolean fromHigh) {
        int found = 0;
        places[found++] = fromHigh ? -to : from;
        for (int i = 0; i < count; i++) {
            double at = fromHigh ? before[axis][some[i]] : after[axis][some[i]];
            if (at > from - TINY_MM && at < to + TINY_MM) {
                places[found++] = fromHigh ? -at : at;
            }
        }
        Arrays.sort(places, 0, found);
        int kept = 0;
        for (int i = 0; i < found; i++) {
            if (kept == 0 || places[i] > places[kept - 1] + TINY_MM) {
                places[kept++] = places[i];
            }
        }
        for (int i = 0; i < kept && fromHigh; i++) {
            places[i] = -places[i];
        }
        return kept;
    }

    /** The first place along the last axis that nothing between blocks; not a number where there is none. */
    private double through(int betweens, int axis, double from, double to, boolean fromHigh) {
        double at = fromHigh ? to : from;
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int i = 0; i < betweens; i++) {
                if (blocks(between[i], axis, at)) {
                    at = fromHigh ? before[axis][between[i]] : after[axis][between[i]];
                    moved = true;
                }
            }
            if (at < from - TINY_MM || at > to + TINY_MM) {
                return Double.NaN;
            }
        }
        return at;
    }
}
