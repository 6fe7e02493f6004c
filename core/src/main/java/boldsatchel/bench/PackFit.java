package boldsatchel.bench;

import boldsatchel.log.Log;
import boldsatchel.machine.Facet;
import boldsatchel.power.CellCurve;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.math3.exception.MathIllegalStateException;
import org.apache.commons.math3.fitting.leastsquares.LeastSquaresBuilder;
import org.apache.commons.math3.fitting.leastsquares.LeastSquaresOptimizer;
import org.apache.commons.math3.fitting.leastsquares.LevenbergMarquardtOptimizer;
import org.apache.commons.math3.fitting.leastsquares.MultivariateJacobianFunction;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.DiagonalMatrix;
import org.apache.commons.math3.linear.RealMatrix;
import org.apache.commons.math3.linear.SingularMatrixException;
import org.apache.commons.math3.util.Pair;

/**
 * Capacity and resistance of a pack out of the log of a discharge, with their uncertainty. Non-linear least squares (Levenberg and
 * Marquardt) of the voltage at the terminals, V = N·U(s) − I·R(s) with s = s₀ − ∫I·dt/Q and the rest voltage U of the chemistry; the errors
 * that the meter may have (gain and offset of both readings) and how full the pack was at first are unknowns too, each held by what its
 * maker says. So what a meter reads wrong all the time widens the range as it should, however many readings there are (Gelman, Bayesian
 * Data Analysis, ch. 14: prior information as additional data).
 */
public final class PackFit {

    /** As many moments are fitted; of a log with more, neighbours are taken together as long as the load is not switched. */
    private static final int MOST_MOMENTS = 2000;

    /** Fewer say too little. */
    private static final int LEAST_MOMENTS = 20;

    /** A pack charged to the end of its charge is so full, one standard deviation. */
    private static final double FULL_SIGMA = 0.003;

    /** A load draws at least this share of the most that the log shows. */
    private static final double LOADED_SHARE = 0.2;

    /** Residuals so many times the noise come of another rest-voltage curve. */
    private static final double SHAPE_IS_OFF = 2;

    /** A change by this share of the most is a load switched on or off. */
    private static final double SWITCHED_SHARE = 0.1;

    private static final double LEAST_SHARE_SIGMA = 1e-3;
    private static final double SECONDS = 3600;
    private static final int MOST_STEPS = 200;
    private static final int UNKNOWNS = 8;
    private static final double STEP = 1e-6;
    /** Least noise of a reading in volts that is believed: half a millivolt of resolution. */
    private static final double LEAST_NOISE_V = 1.5e-4;

    private static final double TO_SIGMA = 1.4826 / Math.sqrt(2);

    private final Facet.Cells cells;
    private final Meter meter;
    private final double warmth;
    /** Of the resistance as warm as it is, the cells' by plan, and how sure the plan is of it. */
    private final double cellShare;

    private final double cellShareSigma;
    private final double began;
    private final double[] hours;
    private final double[] volts;
    private final double[] amps;
    private final double[] drawnAh;
    private final double[] counts;
    private final double noise;

    /**
     * What a discharge tells.
     *
     * @param chargeAh of the whole pack, from full to empty at the temperature of the test
     * @param ohms of the whole pack as warm as it was in the test, from 30 % full up
     * @param cellOhms of one cell at 25 °C: what remains without that of the pack, whose share stands on the plan and on the last third
     * @param beganAt state of charge at the first moment, 0 to 1
     * @param endedAt at the last
     * @param noiseV of a single reading, one standard deviation
     * @param residualV root mean square of what the fit leaves, for a single reading
     * @param fitted moments, with what was read and what the fit says
     * @param notes in words, each a sentence: what to be careful about
     */
    public record Result(
            Figure chargeAh,
            Figure ohms,
            Figure cellOhms,
            double beganAt,
            double endedAt,
            double noiseV,
            double residualV,
            List<Fitted> fitted,
            List<String> notes) {
        /** Copies the lists. */
        public Result {
            fitted = List.copyOf(fitted);
            notes = List.copyOf(notes);
        }
    }

    /**
     * A moment.
     *
     * @param hours since the log began
     * @param volts as read
     * @param model as fitted, with the meter's errors in it
     * @param amps as read
     */
    public record Fitted(double hours, double volts, double model, double amps) {}

    private PackFit(Facet.Cells cells, double celsius, Meter meter, Discharged log) {
        this.cells = cells;
        this.meter = meter;
        warmth = CellCurve.resistanceFactor(1, celsius);
        double cell = cells.cellOhms().value() * cells.series() / cells.parallel() * warmth;
        double pack = cells.packOhms().value();
        cellShare = cell + pack > 0 ? cell / (cell + pack) : 1;
        cellShareSigma = cell > 0 && pack > 0
                ? cellShare
                        * (1 - cellShare)
                        * Math.hypot(
                                cells.cellOhms().sigma() / cells.cellOhms().value(),
                                cells.packOhms().sigma() / pack)
                : LEAST_SHARE_SIGMA;
        began = log.began;
        hours = log.hours;
        volts = log.volts;
        amps = log.amps;
        drawnAh = log.drawnAh;
        counts = log.counts;
        noise = log.noise;
    }

    /**
     * Fits a discharge.
     *
     * @param log with volts and amps, drawn from the pack in either sign
     * @param cells what the pack is by plan
     * @param celsius how warm it was
     * @param meter what read it
     * @throws BenchFault where the log tells too little
     */
    public static Result of(Log log, Facet.Cells cells, double celsius, Meter meter) throws BenchFault {
        return new PackFit(cells, celsius, meter, Discharged.in(log)).fit();
    }

    /** The part of a log from the first moment under load to the last, and what was drawn up to each. */
    private static final class Discharged {
        private final double began;
        private final double[] hours;
        private final double[] volts;
        private final double[] amps;
        private final double[] drawnAh;

        /** How many readings each stands for. */
        private final double[] counts;

        private final double noise;

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

    private int size() {
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

    private double model(double[] p, int k) {
        double truly = (amps[k] - p[6]) / (1 + p[5]);
        double drawn = (drawnAh[k] - p[6] * hours[k]) / (1 + p[5]);
        double level = p[2] - drawn / p[0];
        double ohms = p[1] * (p[7] * CellCurve.resistanceFactor(Math.clamp(level, 0, 1), 25) + 1 - p[7]);
        return (1 + p[4]) * (cells.series() * rest(level) - truly * ohms) + p[3];
    }

    /** Rest voltage; straight on beyond empty and full, so that a search finds back. */
    private double rest(double level) {
        double inside = Math.clamp(level, 0, 1);
        double beyond = level - inside;
        double at = CellCurve.restVolts(cells.chemistry(), inside);
        double near = beyond < 0 ? 0.02 : 0.98;
        double slope = Math.abs(at - CellCurve.restVolts(cells.chemistry(), near)) / 0.02;
        return at + beyond * slope;
    }

    private double[] sigmas() {
        return new double[] {
            Double.POSITIVE_INFINITY,
            Double.POSITIVE_INFINITY,
            FULL_SIGMA,
            meter.voltsOffset() / 2,
            meter.voltsShare() / 2,
            meter.ampsShare() / 2,
            meter.ampsOffset() / 2,
            cellShareSigma
        };
    }

    private Result fit() throws BenchFault {
        double plannedAh =
                cells.capacityAh().value() * cells.parallel() * cells.health().value();
        double[] start = {
            Math.max(plannedAh, drawnAh[size() - 1]), Math.max(1e-4, startOhms()), 1, 0, 0, 0, 0, cellShare
        };
        LeastSquaresOptimizer.Optimum best = solve(start);
        double[] p = best.getPoint().toArray();
        double residual = residual(p);
        RealMatrix covariance = covariance(best);
        double widen = widening(p);
        List<String> notes = new ArrayList<>();
        double ended = p[2] - (drawnAh[size() - 1] - p[6] * hours[size() - 1]) / (1 + p[5]) / p[0];
        Figure charge = measured(p[0], widen * Math.sqrt(covariance.getEntry(0, 0)));
        Figure ohms = measured(p[1], widen * Math.sqrt(covariance.getEntry(1, 1)));
        double perCell = p[7] / warmth * cells.parallel() / cells.series();
        double share = cells.parallel() / warmth / cells.series();
        double cellSigma = share
                * Math.sqrt(Math.max(
                        0,
                        p[7] * p[7] * covariance.getEntry(1, 1)
                                + p[1] * p[1] * covariance.getEntry(7, 7)
                                + 2 * p[1] * p[7] * covariance.getEntry(1, 7)));
        Figure cellOhms = measured(p[1] * perCell, widen * cellSigma);
        if (!(p[0] > 0) || !(p[1] > 0) || !(charge.plusMinus() < p[0])) {
            throw new BenchFault(
                    "This log fits no pack of " + cells.series()
                            + " cells in a row: its volts do not fall as theirs do. Are the columns the right ones, and is it the right pack?");
        }
        if (ended > LEFT_OVER) {
            notes.add("It ended with about " + Math.round(100 * ended)
                    + " % left: the capacity stands on the shape of the curve. Run it down to its cut-off to be sure.");
        }
        if (residual > SHAPE_IS_OFF * noise) {
            notes.add(
                    "The volts differ from the usual curve of this chemistry by more than the meter's noise; the ranges are wider for it.");
        }
        List<Fitted> fitted = new ArrayList<>(size());
        for (int k = 0; k < size(); k++) {
            fitted.add(new Fitted(began + hours[k], volts[k], model(p, k), amps[k]));
        }
        return new Result(charge, ohms, cellOhms, p[2], ended, noise, residual, fitted, notes);
    }

    /** More than this left is no discharge to the end. */
    private static final double LEFT_OVER = 0.15;

    private static Figure measured(double value, double sigma) {
        return Double.isFinite(value) && Double.isFinite(sigma)
                ? new Figure(value, 2 * sigma, Basis.MEASURED)
                : new Figure(0, 0, Basis.MEASURED);
    }

    private double startOhms() {
        double planned = cells.cellOhms().value() * cells.series() / cells.parallel() * warmth
                + cells.packOhms().value();
        return planned > 0 ? planned : 0.01;
    }

    private LeastSquaresOptimizer.Optimum solve(double[] start) throws BenchFault {
        double[] sigmas = sigmas();
        int n = size();
        double[] target = new double[n + UNKNOWNS];
        double[] weight = new double[n + UNKNOWNS];
        for (int i = 0; i < n; i++) {
            target[i] = volts[i];
            weight[i] = counts[i] / (noise * noise);
        }
        for (int j = 0; j < UNKNOWNS; j++) {
            target[n + j] = start[j];
            weight[n + j] = Double.isInfinite(sigmas[j]) ? 0 : 1 / (sigmas[j] * sigmas[j]);
        }
        MultivariateJacobianFunction function = point -> {
            double[] p = point.toArray();
            double[] value = new double[n + UNKNOWNS];
            double[][] slopes = new double[n + UNKNOWNS][UNKNOWNS];
            for (int i = 0; i < n; i++) {
                value[i] = model(p, i);
            }
            for (int j = 0; j < UNKNOWNS; j++) {
                double step = STEP * Math.max(j < 3 ? Math.abs(p[j]) : 1, 1e-3);
                double[] more = p.clone();
                double[] less = p.clone();
                more[j] += step;
                less[j] -= step;
                for (int i = 0; i < n; i++) {
                    slopes[i][j] = (model(more, i) - model(less, i)) / (2 * step);
                }
                value[n + j] = p[j];
                slopes[n + j][j] = 1;
            }
            return Pair.create(new ArrayRealVector(value, false), new Array2DRowRealMatrix(slopes, false));
        };
        try {
            return new LevenbergMarquardtOptimizer()
                    .optimize(new LeastSquaresBuilder()
                            .start(start)
                            .model(function)
                            .target(target)
                            .weight(new DiagonalMatrix(weight))
                            .maxEvaluations(MOST_STEPS)
                            .maxIterations(MOST_STEPS)
                            .parameterValidator(PackFit::possible)
                            .build());
        } catch (MathIllegalStateException e) {
            throw new BenchFault(
                    "This log fits no discharge of such a pack: the fit comes to no end. Is it the right pack?");
        }
    }

    /** Capacity and resistance stay above nothing while they are looked for. */
    private static org.apache.commons.math3.linear.RealVector possible(org.apache.commons.math3.linear.RealVector p) {
        p.setEntry(0, Math.clamp(p.getEntry(0), 1e-3, 1e5));
        p.setEntry(1, Math.clamp(p.getEntry(1), 1e-6, 1e3));
        p.setEntry(2, Math.clamp(p.getEntry(2), 0, 1.2));
        p.setEntry(7, Math.clamp(p.getEntry(7), 0, 1));
        return p;
    }

    private static RealMatrix covariance(LeastSquaresOptimizer.Optimum best) throws BenchFault {
        try {
            return best.getCovariances(1e-14);
        } catch (SingularMatrixException e) {
            throw new BenchFault(
                    "This log does not tell capacity and resistance apart: the load never changed and the pack was not run down.");
        }
    }

    private double residual(double[] p) {
        double sum = 0;
        for (int k = 0; k < size(); k++) {
            double off = Math.sqrt(counts[k]) * (volts[k] - model(p, k));
            sum += off * off;
        }
        return Math.sqrt(sum / size());
    }

    /** Residuals that are larger than the noise, or go together, say less than as many that are not (Bartlett 1946, for first order). */
    private double widening(double[] p) {
        double sum = 0;
        double lag = 0;
        double before = 0;
        for (int k = 0; k < size(); k++) {
            double off = Math.sqrt(counts[k]) * (volts[k] - model(p, k));
            sum += off * off;
            lag += off * before;
            before = off;
        }
        double together = Math.clamp(lag / sum, 0, 0.999);
        double larger = Math.max(1, sum / size() / (noise * noise));
        return larger > SHAPE_IS_OFF ? Math.sqrt(larger * (1 + together) / (1 - together)) : Math.sqrt(larger);
    }
}
