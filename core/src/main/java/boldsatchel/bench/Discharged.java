package boldsatchel.bench;

import boldsatchel.log.Log;
import boldsatchel.quantity.Quantity;
import java.util.Arrays;

/** The part of a log from the first moment under load to the last, and what was drawn up to each. */
final class Discharged {

    /** As many moments are kept; of a log with more, neighbours are taken together as long as the load is not switched. */
    private static final int MOST_MOMENTS = 2000;

    /** Fewer say too little. */
    private static final int LEAST_MOMENTS = 20;

    /** A load draws at least this share of the most that the log shows. */
    private static final double LOADED_SHARE = 0.2;

    /** A change by this share of the most is a load switched on or off. */
    private static final double SWITCHED_SHARE = 0.1;

    private static final double SECONDS = 3600;
    /** Least noise of a reading in volts that is believed: half a millivolt of resolution. */
    private static final double LEAST_NOISE_V = 1.5e-4;

    private static final double TO_SIGMA = 1.4826 / Math.sqrt(2);

    /** Hours of the log before it. */
    final double began;

    /** Since it began. */
    final double[] hours;

    final double[] volts;
    final double[] amps;
    /** Up to each moment, from the first. */
    final double[] drawnAh;

    /** How many readings each stands for. */
    final double[] counts;

    /** Of a single reading in volts, one standard deviation. */
    final double noise;

    private Discharged(
            double began,
            double[] hours,
            double[] volts,
            double[] amps,
            double[] drawnAh,
            double[] counts,
            double noise) {
        this.counts = counts;
        this.noise = noise;
        this.began = began;
        this.hours = hours;
        this.volts = volts;
        this.amps = amps;
        this.drawnAh = drawnAh;
    }

    static Discharged in(Log log) throws BenchFault {
        Log.Channel u = log.of(Quantity.VOLTAGE)
                .orElseThrow(() -> new BenchFault("This log has no voltage. Say which column holds it."));
        Log.Channel i = log.of(Quantity.CURRENT)
                .orElseThrow(() -> new BenchFault("This log has no current. Say which column holds it."));
        int[] read = new int[log.size()];
        int count = 0;
        double sum = 0;
        double most = 0;
        for (int m = 0; m < log.size(); m++) {
            if (!Double.isNaN(u.at(m)) && !Double.isNaN(i.at(m))) {
                read[count++] = m;
                sum += i.at(m);
                most = Math.max(most, Math.abs(i.at(m)));
            }
        }
        double sign = sum < 0 ? -1 : 1;
        int first = 0;
        while (first < count && sign * i.at(read[first]) < LOADED_SHARE * most) {
            first++;
        }
        int last = count - 1;
        while (last > first && sign * i.at(read[last]) < LOADED_SHARE * most) {
            last--;
        }
        if (last - first < LEAST_MOMENTS || most == 0) {
            throw new BenchFault("Only " + Math.max(0, last - first + 1)
                    + " moments of this log are under load; a discharge needs " + LEAST_MOMENTS
                    + ". Is it the log of a discharge, with volts and amps side by side?");
        }
        int n = last - first + 1;
        double[] h = new double[n];
        double[] v = new double[n];
        double[] a = new double[n];
        double[] ah = new double[n];
        for (int k = 0; k < n; k++) {
            int m = read[first + k];
            h[k] = (log.second(m) - log.second(read[first])) / SECONDS;
            v[k] = u.at(m);
            a[k] = sign * i.at(m);
            ah[k] = k == 0 ? 0 : ah[k - 1] + between(a[k - 1], a[k], most) * (h[k] - h[k - 1]);
        }
        return together(log.second(read[first]) / SECONDS, h, v, a, ah, most);
    }

    private static Discharged together(double began, double[] h, double[] v, double[] a, double[] ah, double most) {
        int wide = (h.length + MOST_MOMENTS - 1) / MOST_MOMENTS;
        double[][] means = new double[5][h.length];
        int blocks = 0;
        for (int k = 0; k < h.length; blocks++) {
            int end = k + 1;
            while (end < h.length && end - k < wide && Math.abs(a[end] - a[k]) <= SWITCHED_SHARE * most) {
                end++;
            }
            means[0][blocks] = Arrays.stream(h, k, end).average().orElseThrow();
            means[1][blocks] = Arrays.stream(v, k, end).average().orElseThrow();
            means[2][blocks] = Arrays.stream(a, k, end).average().orElseThrow();
            means[3][blocks] = Arrays.stream(ah, k, end).average().orElseThrow();
            means[4][blocks] = end - k;
            k = end;
        }
        for (int i = 0; i < means.length; i++) {
            means[i] = Arrays.copyOf(means[i], blocks);
        }
        return new Discharged(began, means[0], means[1], means[2], means[3], means[4], noise(v));
    }

    /** Mean current between two moments; a load that is switched is so right after it was read. */
    private static double between(double before, double after, double most) {
        return Math.abs(after - before) > SWITCHED_SHARE * most ? after : (before + after) / 2;
    }

    int size() {
        return hours.length;
    }

    /** Noise of a single reading: half of the neighbours differ by less than it does on the median. */
    private static double noise(double[] volts) {
        double[] apart = new double[volts.length - 1];
        for (int k = 1; k < volts.length; k++) {
            apart[k - 1] = Math.abs(volts[k] - volts[k - 1]);
        }
        Arrays.sort(apart);
        return Math.max(LEAST_NOISE_V, TO_SIGMA * apart[apart.length / 2]);
    }
}
