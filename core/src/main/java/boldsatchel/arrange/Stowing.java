package boldsatchel.arrange;

import boldsatchel.fit.FreePlace;
import boldsatchel.geometry.Face;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is taken of a tray, and where something more would go: of all places clear of the rest the one that is first along one axis, of these the first along the next, and so on
 * (bottom-left rule of packing: Baker, Coffman and Rivest, SIAM J. Comput. 9, 1980, 846). Such a place touches a wall or the gap of what lies there along each axis, so only these
 * are tried: along the first two axes one after another, along the third straight through what blocks. Some ten microseconds for a machine. Not to be shared by threads.
 */
final class Stowing {

    private static final double TINY_MM = 1e-6;

    /**
     * Which place is first.
     *
     * @param axes the one that counts most before the others
     * @param fromHigh by axis, whether the far wall is where it begins
     */
    record Order(List<Integer> axes, List<Boolean> fromHigh) {
        boolean isBefore(double[] a, double[] b) {
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
    private final List<Room> taken = new ArrayList<>();

    /**
     * An empty tray.
     *
     * @param size inside, mm
     * @param gapMm wanted between parts
     * @param wallMm wanted to side walls that nothing has to be at
     */
    Stowing(double[] size, double gapMm, double wallMm) {
        this.size = size.clone();
        this.gapMm = gapMm;
        this.wallMm = wallMm;
    }

    /** A tray with what has a place in it. */
    static Stowing of(Packed packed, int items, double gapMm, double wallMm) {
        Frame frame = packed.frame();
        double[] size = {frame.size(0), frame.size(1), frame.size(2)};
        Stowing stowing = new Stowing(size, gapMm, wallMm);
        stowing.taken.addAll(frame.fixed());
        for (int i = 0; i < items; i++) {
            double[] at = packed.at(i);
            if (at != null) {
                stowing.put(packed.lying(i), at);
            }
        }
        return stowing;
    }

    /** Something is there. */
    void put(Room room) {
        taken.add(room);
    }

    /** A bundle lies there. */
    void put(Lying lying, double[] at) {
        for (Room room : lying.rooms) {
            taken.add(room.moved(at));
        }
    }

    /** A room of what is put in and one that is taken, whose places along an axis may not come nearer than this. */
    private record Pair(Room mine, Room other, double apart) {
        double after(int axis) {
            return other.high[axis] + apart - mine.low[axis];
        }

        double before(int axis) {
            return other.low[axis] - apart - mine.high[axis];
        }

        boolean blocks(int axis, double at) {
            return at > before(axis) + TINY_MM && at < after(axis) - TINY_MM;
        }
    }

    private List<Pair> pairs(Lying lying) {
        List<Pair> pairs = new ArrayList<>(lying.rooms.length * taken.size());
        for (Room mine : lying.rooms) {
            for (Room other : taken) {
                double apart = mine.apart(other, gapMm);
                if (apart >= 0) {
                    pairs.add(new Pair(mine, other, apart));
                }
            }
        }
        return pairs;
    }

    /** The least place along an axis, at its wall where it has to be. */
    private double least(Lying lying, int axis, double off) {
        double wall = lying.atWall[Face.of(axis, 1).ordinal()];
        if (!Double.isNaN(wall)) {
            return size[axis] - wall;
        }
        boolean atLow = !Double.isNaN(lying.atWall[Face.of(axis, -1).ordinal()]);
        return atLow ? -lying.atWall[Face.of(axis, -1).ordinal()] : off - lying.low[axis];
    }

    private double most(Lying lying, int axis, double off) {
        double wall = lying.atWall[Face.of(axis, -1).ordinal()];
        if (!Double.isNaN(wall)) {
            return -wall;
        }
        boolean atHigh = !Double.isNaN(lying.atWall[Face.of(axis, 1).ordinal()]);
        return atHigh ? size[axis] - lying.atWall[Face.of(axis, 1).ordinal()] : size[axis] - off - lying.high[axis];
    }

    /**
     * The first place; nothing where there is none.
     *
     * @param standing whether what warms is to stand off floor and walls
     */
    double @Nullable [] first(Lying lying, Order order, boolean standing) {
        double[] from = new double[3];
        double[] to = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            double stand = lying.isWarm && standing
                    ? axis == 2 ? FreePlace.STANDOFF_MM : FreePlace.REACH_MM
                    : axis == 2 ? 0 : wallMm;
            from[axis] = least(lying, axis, stand);
            to[axis] = most(lying, axis, axis == 2 ? 0 : stand);
            if (from[axis] > to[axis] + TINY_MM) {
                return null;
            }
        }
        int one = order.axes().get(0);
        int two = order.axes().get(1);
        int three = order.axes().get(2);
        List<Pair> all = pairs(lying);
        for (double a : places(all, one, from, to, order.fromHigh().get(one))) {
            List<Pair> beside = blocking(all, one, a);
            for (double b : places(beside, two, from, to, order.fromHigh().get(two))) {
                double c = through(
                        blocking(beside, two, b),
                        three,
                        from[three],
                        to[three],
                        order.fromHigh().get(three));
                if (!Double.isNaN(c)) {
                    double[] at = new double[3];
                    at[one] = a;
                    at[two] = b;
                    at[three] = c;
                    return at;
                }
            }
        }
        return null;
    }

    private static List<Pair> blocking(List<Pair> pairs, int axis, double at) {
        List<Pair> blocking = new ArrayList<>(pairs.size());
        for (Pair pair : pairs) {
            if (pair.blocks(axis, at)) {
                blocking.add(pair);
            }
        }
        return blocking;
    }

    /** At the wall, and behind each thing that is there, the first before the others. */
    private static double[] places(List<Pair> pairs, int axis, double[] from, double[] to, boolean fromHigh) {
        double[] places = new double[pairs.size() + 1];
        int count = 0;
        places[count++] = fromHigh ? -to[axis] : from[axis];
        for (Pair pair : pairs) {
            double at = fromHigh ? pair.before(axis) : pair.after(axis);
            if (at > from[axis] - TINY_MM && at < to[axis] + TINY_MM) {
                places[count++] = fromHigh ? -at : at;
            }
        }
        Arrays.sort(places, 0, count);
        int kept = 0;
        for (int i = 0; i < count; i++) {
            if (kept == 0 || places[i] > places[kept - 1] + TINY_MM) {
                places[kept++] = places[i];
            }
        }
        double[] sorted = Arrays.copyOf(places, kept);
        if (fromHigh) {
            for (int i = 0; i < kept; i++) {
                sorted[i] = -sorted[i];
            }
        }
        return sorted;
    }

    /** The first place along the last axis that nothing blocks; not a number where there is none. */
    private static double through(List<Pair> pairs, int axis, double from, double to, boolean fromHigh) {
        double at = fromHigh ? to : from;
        boolean moved = true;
        while (moved) {
            moved = false;
            for (Pair pair : pairs) {
                if (pair.blocks(axis, at)) {
                    at = fromHigh ? pair.before(axis) : pair.after(axis);
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
