package boldsatchel.arrange;

import boldsatchel.geometry.Box;
import java.util.Arrays;

/**
 * What is left free of a room: every box that is free and could not be larger, as pieces are put in one after another. A piece cuts each box that it
 * meets into up to six, of which those inside others are left out (difference process: Lai and Chan, Computers and Industrial Engineering 32, 1997, 115).
 * Kept as plain numbers, low and high corner of each, as millions are made. Not to be shared by threads.
 */
final class FreeRooms {

    static final double TINY_MM = 1e-6;
    private static final int SIX = 6;
    private static final int FEW = 24;

    /**
     * What a room must have to be of use: no piece that is still to come is less.
     *
     * @param thin the shortest of its sizes, mm
     * @param middling the one between
     * @param longest the longest
     * @param volume mm³
     */
    record Use(double thin, double middling, double longest, double volume) {
        boolean is(double a, double b, double c) {
            double least = Math.min(a, Math.min(b, c));
            double most = Math.max(a, Math.max(b, c));
            return least >= thin - TINY_MM
                    && most >= longest - TINY_MM
                    && a + b + c - least - most >= middling - TINY_MM
                    && a * b * c >= volume - TINY_MM;
        }
    }

    private double[] all;
    private int count;
    private double[] fresh = new double[SIX * FEW];
    /** Of each new room, which side of the piece it lies against. */
    private int[] sides = new int[FEW];

    private int freshCount;

    /** A room from the origin. */
    FreeRooms(double dx, double dy, double dz) {
        all = new double[SIX * FEW];
        all[3] = dx;
        all[4] = dy;
        all[5] = dz;
        count = 1;
    }

    private FreeRooms(double[] all, int count) {
        this.all = all;
        this.count = count;
    }

    FreeRooms copy() {
        return new FreeRooms(Arrays.copyOf(all, Math.max(count + FEW / 2, FEW) * SIX), count);
    }

    int count() {
        return count;
    }

    double low(int room, int axis) {
        return all[SIX * room + axis];
    }

    double high(int room, int axis) {
        return all[SIX * room + 3 + axis];
    }

    double size(int room, int axis) {
        return all[SIX * room + 3 + axis] - all[SIX * room + axis];
    }

    double volume(int room) {
        return size(room, 0) * size(room, 1) * size(room, 2);
    }

    /** Leaves out a room that takes nothing of what is still to come. */
    void leaveOut(int room) {
        count--;
        System.arraycopy(all, SIX * count, all, SIX * room, SIX);
    }

    /**
     * Takes a box.
     *
     * @param use rooms that are less are of no use any more
     */
    void take(Box box, Use use) {
        int kept = 0;
        freshCount = 0;
        for (int i = 0; i < count; i++) {
            if (meets(i, box)) {
                for (int axis = 0; axis < 3; axis++) {
                    beside(i, axis, low(i, axis), box.low(axis), 2 * axis, use);
                    beside(i, axis, box.high(axis), high(i, axis), 2 * axis + 1, use);
                }
            } else {
                System.arraycopy(all, SIX * i, all, SIX * kept++, SIX);
            }
        }
        count = kept;
        for (int i = 0; i < freshCount; i++) {
            if (!isInside(i, kept)) {
                add(i);
            }
        }
    }

    private boolean meets(int room, Box box) {
        int i = SIX * room;
        return box.x() < all[i + 3] - TINY_MM
                && box.high(0) > all[i] + TINY_MM
                && box.y() < all[i + 4] - TINY_MM
                && box.high(1) > all[i + 1] + TINY_MM
                && box.z() < all[i + 5] - TINY_MM
                && box.high(2) > all[i + 2] + TINY_MM;
    }

    /** What is left of a room between two heights along an axis, where that is of use. */
    private void beside(int room, int axis, double from, double to, int side, Use use) {
        double one = to - from;
        double two = size(room, axis == 0 ? 1 : 0);
        double three = size(room, axis == 2 ? 1 : 2);
        if (!use.is(one, two, three)) {
            return;
        }
        if (fresh.length < SIX * (freshCount + 1)) {
            fresh = Arrays.copyOf(fresh, 2 * fresh.length);
            sides = Arrays.copyOf(sides, 2 * sides.length);
        }
        System.arraycopy(all, SIX * room, fresh, SIX * freshCount, SIX);
        fresh[SIX * freshCount + axis] = from;
        fresh[SIX * freshCount + 3 + axis] = to;
        sides[freshCount] = side;
        freshCount++;
    }

    /**
     * Whether a new room is inside one that was kept, or another new one; of two that are the same the first stays. A new room lies against one side of the piece; what it is
     * inside of cannot go on into the piece, so it ends at the same side: only such are compared.
     */
    private boolean isInside(int i, int kept) {
        int side = sides[i];
        int axis = side / 2;
        int end = side % 2 == 0 ? 3 + axis : axis;
        double at = fresh[SIX * i + end];
        for (int j = 0; j < kept; j++) {
            if (Math.abs(all[SIX * j + end] - at) <= TINY_MM && isInside(fresh, SIX * i, all, SIX * j)) {
                return true;
            }
        }
        for (int j = 0; j < freshCount; j++) {
            if (sides[j] == side
                    && i != j
                    && isInside(fresh, SIX * i, fresh, SIX * j)
                    && (j < i || !isInside(fresh, SIX * j, fresh, SIX * i))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isInside(double[] a, int i, double[] b, int j) {
        return a[i] >= b[j] - TINY_MM
                && a[i + 1] >= b[j + 1] - TINY_MM
                && a[i + 2] >= b[j + 2] - TINY_MM
                && a[i + 3] <= b[j + 3] + TINY_MM
                && a[i + 4] <= b[j + 4] + TINY_MM
                && a[i + 5] <= b[j + 5] + TINY_MM;
    }

    private void add(int i) {
        if (all.length < SIX * (count + 1)) {
            all = Arrays.copyOf(all, 2 * all.length);
        }
        System.arraycopy(fresh, SIX * i, all, SIX * count++, SIX);
    }
}
