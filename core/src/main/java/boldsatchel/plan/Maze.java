package boldsatchel.plan;

import boldsatchel.cables.Girth;
import boldsatchel.fit.Obstacle;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;

/**
 * Finds a way for a cable through a tray, along the axes: as short as can be, with few bends far enough apart, beside cables that are there
 * already. Cells of a grid are gone through from the first end (A*: Hart, Nilsson and Raphael, IEEE Trans. Systems Science and Cybernetics 4,
 * 1968, 100); a state is a cell, the direction it was entered in, how wide it lies and how far back the last bend is. What is in the way is
 * gone through only where there is no way round. Not to be shared by threads.
 */
final class Maze {

    private static final int MOST_CELLS = 16_000;
    private static final double LEAST_CELL_MM = 2;
    private static final int MOST_STATES = 2_000_000;
    /** Asked so often whether to stop, in states. */
    private static final int OFTEN = 1024;

    /** A bend is avoided by a detour of so much, mm. */
    private static final double BEND_MM = 12;
    /** Something flat folded over itself, or arriving on its edge. */
    private static final double FOLD_MM = 80;
    /** Turning round on the spot. */
    private static final double BACK_MM = 200;
    /** For each cell that a bend is too near to the last one. */
    private static final double TIGHT_MM = 15;
    /** For each cell in something solid, as often its size. */
    private static final double THROUGH = 40;
    /** For each cell in room that must stay free. */
    private static final double ZONE = 3;
    /** For each cell where another cable runs. */
    private static final double BESIDE = 0.6;

    private static final double CLEAR_MM = 0.3;
    private static final int MOST_BACK = 8;
    private static final int SIDES = 6;

    /**
     * An end of a way.
     *
     * @param at in the tray's frame
     * @param axis along which it leaves, where a plug says so
     * @param up whether it leaves towards higher numbers
     * @param wide axis along which something flat is wide there
     */
    record Gate(Vec at, Optional<Integer> axis, boolean up, Optional<Integer> wide) {
        static Gate open(Vec at) {
            return new Gate(at, Optional.empty(), true, Optional.empty());
        }
    }

    private final Shell shell;
    private final boolean flat;
    private final int back;
    private final double cell;
    private final Vec origin;
    private final int[] count = new int[3];
    /** What it costs to come to a cell, for each axis along which something flat may be wide there. */
    private final float[][] cost;

    private final int cells;
    private final int goal;
    private final int[] from;
    private final float[] best;
    private final double least;
    private final Gate start;
    private final Gate end;

    /**
     * A tray with what lies in it.
     *
     * @param solid what is solid in it, in any posture
     * @param girth how thick the cable is
     * @param others points of cables that lie there, each pair one leg
     */
    Maze(
            Shell shell,
            List<Placed> inside,
            List<Obstacle> solid,
            Girth girth,
            Gate start,
            Gate end,
            List<Vec[]> others) {
        this.shell = shell;
        this.flat = girth.flat();
        this.start = start;
        this.end = end;
        Box in = shell.cavity();
        cell = Math.max(LEAST_CELL_MM, Math.cbrt(in.volume() / MOST_CELLS));
        // The grid goes through the first end, so that its first leg is straight.
        double[] low = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            double at = start.at().along(axis);
            low[axis] = at - Math.ceil((at - in.low(axis)) / cell) * cell;
            count[axis] = (int) Math.ceil((in.high(axis) - low[axis]) / cell) + 1;
        }
        origin = new Vec(low[0], low[1], low[2]);
        back = Math.clamp((int) Math.ceil(2 * girth.bendMm() / cell), 1, MOST_BACK);
        cells = count[0] * count[1] * count[2];
        cost = new float[flat ? 3 : 1][cells];
        for (int wide = 0; wide < cost.length; wide++) {
            fill(cost[wide], reach(girth, wide), inside, solid, others);
        }
        least = cell * (others.isEmpty() ? 1 : BESIDE);
        goal = cell(end.at());
        int states = cells * SIDES * (flat ? 3 : 1) * (back + 1);
        from = new int[states];
        best = new float[states];
        Arrays.fill(from, -1);
        Arrays.fill(best, Float.POSITIVE_INFINITY);
    }

    /** How far a cable reaches from its middle along each axis. */
    private static Vec reach(Girth girth, int wide) {
        double thin = girth.thickMm() / 2 + CLEAR_MM;
        Vec all = new Vec(thin, thin, thin);
        return girth.flat() ? all.plus(Vec.on(wide, (girth.wideMm() - girth.thickMm()) / 2)) : all;
    }

    private void fill(float[] of, Vec reach, List<Placed> inside, List<Obstacle> solid, List<Vec[]> others) {
        Arrays.fill(of, (float) cell);
        float through = (float) (cell * THROUGH);
        for (Vec[] leg : others) {
            Vec way = leg[1].minus(leg[0]);
            int steps = Math.max(1, (int) Math.ceil(way.length() / cell));
            for (int i = 0; i <= steps; i++) {
                of[cell(leg[0].plus(way.times((double) i / steps)))] = (float) (cell * BESIDE);
            }
        }
        for (Placed p : inside) {
            for (Zone zone : p.zones()) {
                each(zone.box(), Vec.ZERO, i -> of[i] = Math.max(of[i], (float) (cell * ZONE)));
            }
        }
        Box in = shell.cavity();
        for (int i = 0; i < cells; i++) {
            Vec at = middle(i);
            for (int axis = 0; axis < 3; axis++) {
                double off = reach.along(axis) - CLEAR_MM;
                if (at.along(axis) < in.low(axis) + off || at.along(axis) > in.high(axis) - off) {
                    of[i] = through;
                }
            }
        }
        Vec corner = reach.times(-1);
        for (Obstacle thing : solid) {
            List<Convex> pieces = thing.pieces();
            each(thing.bounds(), reach, i -> {
                if (of[i] != through && (thing.isBox() || isIn(middle(i), corner, reach, pieces))) {
                    of[i] = through;
                }
            });
        }
    }

    private static boolean isIn(Vec at, Vec low, Vec high, List<Convex> pieces) {
        Convex around = Convex.of(Box.between(at.plus(low), at.plus(high)).corners());
        return pieces.stream().anyMatch(c -> Separation.between(around, c) < 0);
    }

    /** Does something with each cell whose middle is in a box, or near it. */
    private void each(Box box, Vec near, IntConsumer action) {
        int[] a = new int[3];
        int[] b = new int[3];
        for (int axis = 0; axis < 3; axis++) {
            a[axis] = Math.max(0, (int) Math.ceil((box.low(axis) - near.along(axis) - origin.along(axis)) / cell));
            b[axis] = Math.min(
                    count[axis] - 1, (int) Math.floor((box.high(axis) + near.along(axis) - origin.along(axis)) / cell));
        }
        for (int z = a[2]; z <= b[2]; z++) {
            for (int y = a[1]; y <= b[1]; y++) {
                for (int x = a[0]; x <= b[0]; x++) {
                    action.accept(index(x, y, z));
                }
            }
        }
    }

    private int index(int x, int y, int z) {
        return x + count[0] * (y + count[1] * z);
    }

    private int along(int index, int axis) {
        return switch (axis) {
            case 0 -> index % count[0];
            case 1 -> index / count[0] % count[1];
            default -> index / count[0] / count[1];
        };
    }

    private int cell(Vec at) {
        int[] i = new int[3];
        for (int axis = 0; axis < 3; axis++) {
            i[axis] = Math.clamp((long) Math.rint((at.along(axis) - origin.along(axis)) / cell), 0, count[axis] - 1);
        }
        return index(i[0], i[1], i[2]);
    }

    private Vec middle(int index) {
        return origin.plus(new Vec(along(index, 0), along(index, 1), along(index, 2)).times(cell));
    }

    private int state(int at, int side, int wide, int since) {
        return ((at * SIDES + side) * (flat ? 3 : 1) + (flat ? wide : 0)) * (back + 1) + since;
    }

    /**
     * The bends between both ends, in order; nothing where none was found within the budget.
     *
     * @param stop asked now and then; none is found once that is so
     */
    Optional<List<Vec>> bends(BooleanSupplier stop) {
        PriorityQueue<long[]> open = new PriorityQueue<>((a, b) -> Long.compare(a[0], b[0]));
        int first = cell(start.at());
        for (int side = 0; side < SIDES; side++) {
            boolean leaves =
                    start.axis().isEmpty() || (start.axis().get() == side / 2 && start.up() == (side % 2 == 1));
            int wide = start.wide().orElse(side / 2 == 2 ? 0 : 2);
            if (leaves && wide != side / 2) {
                int state = state(first, side, wide, start.axis().isPresent() ? back : half());
                best[state] = 0;
                open.add(entry(0, first, state));
            }
        }
        int done = 0;
        while (!open.isEmpty() && done++ < MOST_STATES && !(done % OFTEN == 0 && stop.getAsBoolean())) {
            long[] next = open.remove();
            int state = (int) next[1];
            float known = best[state];
            int at = state / ((back + 1) * (flat ? 3 : 1) * SIDES);
            if (next[0] > key(known, at)) {
                continue;
            }
            if (at == goal) {
                return Optional.of(corners(state));
            }
            step(state, at, known, open);
        }
        return Optional.empty();
    }

    private void step(int state, int at, float known, PriorityQueue<long[]> open) {
        int since = state % (back + 1);
        int wide = flat ? state / (back + 1) % 3 : 0;
        int side = state / ((back + 1) * (flat ? 3 : 1)) % SIDES;
        for (int turn = 0; turn < SIDES; turn++) {
            int axis = turn / 2;
            int to = along(at, axis) + (turn % 2 == 1 ? 1 : -1);
            if (turn == (side ^ 1) || to < 0 || to >= count[axis]) {
                continue;
            }
            boolean bends = turn != side;
            boolean folds = bends && flat && axis == wide;
            int newWide = folds ? side / 2 : wide;
            boolean atPlug = known == 0 && start.axis().isPresent();
            int newSince = Math.min(back, (bends ? atPlug ? half() : 0 : since) + 1);
            int next = at + (turn % 2 == 1 ? 1 : -1) * (axis == 0 ? 1 : axis == 1 ? count[0] : count[0] * count[1]);
            double price = known + cost[flat ? newWide : 0][next];
            if (bends) {
                price += BEND_MM + (folds ? FOLD_MM : 0) + (atPlug ? 0 : TIGHT_MM * (back - since));
            }
            if (next == goal) {
                price += arrival(turn, newWide) + TIGHT_MM * Math.max(0, half() - newSince);
            }
            int reached = state(next, turn, newWide, newSince);
            if (price < best[reached]) {
                best[reached] = (float) price;
                from[reached] = state;
                open.add(entry(best[reached], next, reached));
            }
        }
    }

    /** A bend beside an end needs half the way that two bends need between them. */
    private int half() {
        return back / 2;
    }

    /** What it costs to go into the socket from a side. */
    private double arrival(int side, int wide) {
        double price = 0;
        if (end.axis().isPresent()) {
            int into = 2 * end.axis().get() + (end.up() ? 0 : 1);
            price += side == into ? 0 : side == (into ^ 1) ? BACK_MM : BEND_MM;
            boolean folds = flat && side / 2 != into / 2 && into / 2 == wide;
            int arrives = folds ? side / 2 : wide;
            price += folds ? FOLD_MM : 0;
            price += flat && end.wide().filter(w -> w != arrives).isPresent() ? FOLD_MM : 0;
        }
        return price;
    }

    private long key(float price, int at) {
        double left = 0;
        for (int axis = 0; axis < 3; axis++) {
            left += Math.abs(along(at, axis) - along(goal, axis)) * least;
        }
        return (long) ((price + left) * 1000);
    }

    private long[] entry(float price, int at, int state) {
        return new long[] {key(price, at), state};
    }

    /** Points where the way turns, moved from the grid so that it ends where the end is. */
    private List<Vec> corners(int last) {
        List<Vec> points = new ArrayList<>();
        for (int state = last; state >= 0; state = from[state]) {
            points.add(middle(state / ((back + 1) * (flat ? 3 : 1) * SIDES)));
        }
        Collections.reverse(points);
        List<Vec> corners = new ArrayList<>(List.of(points.getFirst()));
        for (int i = 1; i + 1 < points.size(); i++) {
            Vec before = points.get(i).minus(points.get(i - 1));
            Vec after = points.get(i + 1).minus(points.get(i));
            if (Math.abs(before.dot(after)) < cell * cell / 2) {
                corners.add(points.get(i));
            }
        }
        corners.add(points.getLast());
        for (int axis = 0; axis < 3; axis++) {
            Vec by = Vec.on(axis, end.at().along(axis) - points.getLast().along(axis));
            for (int i = stretched(corners, axis) + 1; i < corners.size(); i++) {
                corners.set(i, corners.get(i).plus(by));
            }
        }
        return List.copyOf(corners.subList(1, corners.size() - 1));
    }

    /** The leg that takes up what an end is beside the grid: the last one along that axis, or else the longest. */
    private static int stretched(List<Vec> corners, int axis) {
        int longest = 0;
        for (int i = corners.size() - 2; i >= 0; i--) {
            Vec leg = corners.get(i + 1).minus(corners.get(i));
            if (Math.abs(leg.along(axis)) > 1e-6) {
                return i;
            }
            longest = leg.length()
                            > corners.get(longest + 1)
                                    .minus(corners.get(longest))
                                    .length()
                    ? i
                    : longest;
        }
        return longest;
    }
}
