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

    private double[] all;
    private int count;
    private double[] fresh = new double[SIX * FEW];
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
     * @param shortest rooms that are thinner are of no use any more
     * @param least nor are those that are smaller, mm³
     */
    void take(Box box, double shortest, double least) {
        int kept = 0;
        freshCount = 0;
        for (int i = 0; i < count; i++) {
            if (meets(i, box)) {
                for (int axis = 0; axis < 3; axis++) {
                    beside(i, axis, low(i, axis), box.low(axis), shortest, least);
                    beside(i, axis, box.high(axis), high(i, axis), shortest, least);
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
        for (int axis = 0; axis < 3; axis++) {
            if (box.low(axis) >= high(room, axis) - TINY_MM || box.high(axis) <= low(room, axis) + TINY_MM) {
                return false;
            }
        }
        return true;
    }

    /** What is left of a room between two heights along an axis, where that is of use. */
    private void beside(int room, int axis, double from, double to, double shortest, double least) {
        if (to - from < shortest - TINY_MM || volume(room) / size(room, axis) * (to - from) < least - TINY_MM) {
            return;
        }
        if (fresh.length < SIX * (freshCount + 1)) {
            fresh = Arrays.copyOf(fresh, 2 * fresh.length);
        }
        System.arraycopy(all, SIX * room, fresh, SIX * freshCount, SIX);
        fresh[SIX * freshCount + axis] = from;
        fresh[SIX * freshCount + 3 + axis] = to;
        freshCount++;
    }

    /** Whether a new room is inside one that was kept, or another new one; of two that are the same the first stays. */
    private boolean isInside(int i, int kept) {
        for (int j = 0; j < kept; j++) {
            if (isInside(fresh, i, all, j)) {
                return true;
            }
        }
        for (int j = 0; j < freshCount; j++) {
            if (i != j && isInside(fresh, i, fresh, j) && (j < i || !isInside(fresh, j, fresh, i))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isInside(double[] a, int i, double[] b, int j) {
        for (int axis = 0; axis < 3; axis++) {
            if (a[SIX * i + axis] < b[SIX * j + axis] - TINY_MM
                    || a[SIX * i + 3 + axis] > b[SIX * j + 3 + axis] + TINY_MM) {
                return false;
            }
        }
        return true;
    }

    private void add(int i) {
        if (all.length < SIX * (count + 1)) {
            all = Arrays.copyOf(all, 2 * all.length);
        }
        System.arraycopy(fresh, SIX * i, all, SIX * count++, SIX);
    }
}
