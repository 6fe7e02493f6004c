package boldsatchel.bench;

import boldsatchel.log.Log;
import boldsatchel.machine.Facet;
import boldsatchel.power.CellCurve;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
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

    /** A pack charged to the end of its charge is so full, one standard deviation. */
    private static final double FULL_SIGMA = 0.003;

    /** Residuals so many times the noise come of another rest-voltage curve. */
    private static final double SHAPE_IS_OFF = 2;

    /** More than this left is no discharge to the end. */
    private static final double LEFT_OVER = 0.15;

    private static final double LEAST_SHARE_SIGMA = 1e-3;
    private static final int MOST_STEPS = 200;
    // Places of what is looked for: charge of the pack, its resistance, how full it was at first, errors of the meter,
    // the cells' share.
    private static final int CHARGE = 0;
    private static final int OHMS = 1;
    private static final int FULL = 2;
    private static final int VOLTS_OFFSET = 3;
    private static final int VOLTS_GAIN = 4;
    private static final int AMPS_GAIN = 5;
    private static final int AMPS_OFFSET = 6;
    private static final int CELLS = 7;
    private static final int UNKNOWNS = 8;

    private static final double STEP = 1e-6;
    private final Facet.Cells cells;
    private final Meter meter;
    private final double warmth;
    /** Of the resistance as warm as it is, the cells' by plan, and how sure the plan is of it. */
    private final double cellShare;

    private final double cellShareSigma;
    private final Discharged log;

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
        this.log = log;
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

    private double model(double[] p, int k) {
        double truly = (log.amps[k] - p[AMPS_OFFSET]) / (1 + p[AMPS_GAIN]);
        double drawn = (log.drawnAh[k] - p[AMPS_OFFSET] * log.hours[k]) / (1 + p[AMPS_GAIN]);
        double level = p[FULL] - drawn / p[CHARGE];
        double ohms = p[OHMS] * (p[CELLS] * CellCurve.resistanceFactor(Math.clamp(level, 0, 1), 25) + 1 - p[CELLS]);
        return (1 + p[VOLTS_GAIN]) * (cells.series() * rest(level) - truly * ohms) + p[VOLTS_OFFSET];
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
            Math.max(plannedAh, log.drawnAh[log.size() - 1]), Math.max(1e-4, startOhms()), 1, 0, 0, 0, 0, cellShare
        };
        LeastSquaresOptimizer.Optimum best = solve(start);
        double[] p = best.getPoint().toArray();
        double residual = residual(p);
        RealMatrix covariance = covariance(best);
        double widen = widening(p);
        List<String> notes = new ArrayList<>();
        double ended = p[FULL]
                - (log.drawnAh[log.size() - 1] - p[AMPS_OFFSET] * log.hours[log.size() - 1])
                        / (1 + p[AMPS_GAIN])
                        / p[CHARGE];
        Figure charge = measured(p[CHARGE], widen * Math.sqrt(covariance.getEntry(CHARGE, CHARGE)));
        Figure ohms = measured(p[OHMS], widen * Math.sqrt(covariance.getEntry(OHMS, OHMS)));
        double perCell = p[CELLS] / warmth * cells.parallel() / cells.series();
        double share = cells.parallel() / warmth / cells.series();
        double cellSigma = share
                * Math.sqrt(Math.max(
                        0,
                        p[CELLS] * p[CELLS] * covariance.getEntry(OHMS, OHMS)
                                + p[OHMS] * p[OHMS] * covariance.getEntry(CELLS, CELLS)
                                + 2 * p[OHMS] * p[CELLS] * covariance.getEntry(OHMS, CELLS)));
        Figure cellOhms = measured(p[OHMS] * perCell, widen * cellSigma);
        if (!(p[CHARGE] > 0) || !(p[OHMS] > 0) || !(charge.plusMinus() < p[CHARGE])) {
            throw new BenchFault(
                    "This log fits no pack of " + cells.series()
                            + " cells in a row: its volts do not fall as theirs do. Are the columns the right ones, and is it the right pack?");
        }
        if (ended > LEFT_OVER) {
            notes.add("It ended with about " + Math.round(100 * ended)
                    + " % left: the capacity stands on the shape of the curve. Run it down to its cut-off to be sure.");
        }
        if (residual > SHAPE_IS_OFF * log.noise) {
            notes.add(
                    "The volts differ from the usual curve of this chemistry by more than the meter's noise; the ranges are wider for it.");
        }
        List<Fitted> fitted = new ArrayList<>(log.size());
        for (int k = 0; k < log.size(); k++) {
            fitted.add(new Fitted(log.began + log.hours[k], log.volts[k], model(p, k), log.amps[k]));
        }
        return new Result(charge, ohms, cellOhms, p[FULL], ended, log.noise, residual, fitted, notes);
    }

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
        int n = log.size();
        double[] target = new double[n + UNKNOWNS];
        double[] weight = new double[n + UNKNOWNS];
        for (int i = 0; i < n; i++) {
            target[i] = log.volts[i];
            weight[i] = log.counts[i] / (log.noise * log.noise);
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
                double step = STEP * Math.max(j <= FULL ? Math.abs(p[j]) : 1, 1e-3);
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
        p.setEntry(CHARGE, Math.clamp(p.getEntry(CHARGE), 1e-3, 1e5));
        p.setEntry(OHMS, Math.clamp(p.getEntry(OHMS), 1e-6, 1e3));
        p.setEntry(FULL, Math.clamp(p.getEntry(FULL), 0, 1.2));
        p.setEntry(CELLS, Math.clamp(p.getEntry(CELLS), 0, 1));
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
        for (int k = 0; k < log.size(); k++) {
            double off = Math.sqrt(log.counts[k]) * (log.volts[k] - model(p, k));
            sum += off * off;
        }
        return Math.sqrt(sum / log.size());
    }

    /** Residuals that are larger than the noise, or go together, say less than as many that are not (Bartlett 1946, for first order). */
    private double widening(double[] p) {
        double sum = 0;
        double lag = 0;
        double before = 0;
        for (int k = 0; k < log.size(); k++) {
            double off = Math.sqrt(log.counts[k]) * (log.volts[k] - model(p, k));
            sum += off * off;
            lag += off * before;
            before = off;
        }
        double together = Math.clamp(lag / sum, 0, 0.999);
        double larger = Math.max(1, sum / log.size() / (log.noise * log.noise));
        return larger > SHAPE_IS_OFF ? Math.sqrt(larger * (1 + together) / (1 - together)) : Math.sqrt(larger);
    }
}
