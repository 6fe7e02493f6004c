package boldsatchel.log;

import java.util.Arrays;

/**
 * A channel thinned out for drawing: of each column of the picture what came first, the least, the most and what came last, in the order in
 * which they were read. The line through them covers the same pixels as the line through all, so that no peak is lost.
 */
public final class Thinning {

    private static final int PER_COLUMN = 4;

    private final int[] moments;

    private Thinning(int[] moments) {
        this.moments = moments;
    }

    /**
     * Thins a channel out; what has fewer values than the columns have room for stays whole.
     *
     * @param from seconds of the left edge
     * @param to seconds of the right edge
     * @param columns of the picture, at least one
     */
    public static Thinning of(Log log, Log.Channel channel, double from, double to, int columns) {
        if (columns < 1 || !(to >= from)) {
            throw new IllegalArgumentException("a picture has at least one column and goes from left to right");
        }
        int first = log.momentAt(from);
        int last = log.size() == 0 ? -1 : log.momentAt(to);
        int[] kept = new int[Math.min(last - first + 1, PER_COLUMN * (columns + 1))];
        boolean whole = last - first < PER_COLUMN * columns;
        int count = 0;
        int[] column = new int[PER_COLUMN];
        int m = first;
        while (m <= last) {
            int end = whole ? m + 1 : endOfColumn(log, m, last, from, to, columns);
            count = keep(channel, m, end, column, kept, count);
            m = end;
        }
        return new Thinning(Arrays.copyOf(kept, count));
    }

    private static int endOfColumn(Log log, int m, int last, double from, double to, int columns) {
        double wide = (to - from) / columns;
        double column = Math.floor((log.second(m) - from) / wide);
        double edge = from + (column + 1) * wide;
        int end = m + 1;
        while (end <= last && log.second(end) < edge) {
            end++;
        }
        return end;
    }

    private static int keep(Log.Channel channel, int from, int end, int[] column, int[] kept, int count) {
        int first = -1;
        int last = -1;
        int least = -1;
        int most = -1;
        for (int m = from; m < end; m++) {
            double v = channel.at(m);
            if (!Double.isNaN(v)) {
                first = first < 0 ? m : first;
                last = m;
                least = least < 0 || v < channel.at(least) ? m : least;
                most = most < 0 || v > channel.at(most) ? m : most;
            }
        }
        if (first < 0) {
            return count;
        }
        column[0] = first;
        column[1] = Math.min(least, most);
        column[2] = Math.max(least, most);
        column[3] = last;
        int now = count;
        for (int i = 0; i < PER_COLUMN; i++) {
            if ((i == 0 || column[i] > column[i - 1]) && now < kept.length) {
                kept[now++] = column[i];
            }
        }
        return now;
    }

    /** How many moments are left. */
    public int size() {
        return moments.length;
    }

    /** A moment that is left. */
    public int moment(int i) {
        return moments[i];
    }
}
