package boldsatchel.course;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.math.Matrix;

/**
 * Moves a state through time: levels of charge today, whatever else changes slowly tomorrow. Each step asks how the rates change with each
 * number and takes them for straight lines: the exponential Rosenbrock–Euler rule (Hochbruck and Ostermann, Exponential
 * integrators, Acta Numerica 19, 2010, 2.3), with secants for slopes. It is exact where a rate is a straight line, as the current of a
 * cell held at its full voltage is, of second order elsewhere, and stays stable where numbers settle against one another quickly, as
 * joined cells do. Where the rates at the end of a step are not what the lines foretold, the step is halved.
 *
 * <p>No step takes a number beyond the next line of its grid; a single number lands on it, so that the bends of tabulated curves, which
 * lie on such lines, are never stepped over. Where something stops the motion, or turns it into another, within a step, the place is
 * found by halving. A step costs one question a number and one more; a run from full to empty takes as many steps as the grid has
 * lines, for each number that leads. Objects of this class hold no state of a run and are safe on any thread.
 */
public final class Course {

    /** Most steps of one leg: far beyond any grid's lines, so that only a motion that flutters between two lines gets there. */
    private static final int MOST_STEPS = 4_000;
    /** What stops a motion is located to this share of the step. */
    private static final double CLOSE_SHARE = 1e-4;
    /** A number this near a line, in strides, is on it. */
    private static final double ON_LINE = 1e-7;
    /** Rates that were not foretold may move a number by this share of a stride. */
    private static final double SURPRISE_SHARE = 0.01;
    /** Slopes between several numbers are taken over this share of a stride. */
    private static final double SECANT_SHARE = 0.25;

    private static final int MOST_HALVINGS = 12;
    /** A step towards a line that moves by less than this share of it has come to rest. */
    private static final double REST_SHARE = 1e-9;
    /** Longest step of a number that settles before the next line, in the time its first rate would take: to e⁻²⁰ of its way. */
    private static final double MOST_STRETCH = 20;

    /** What was seen at a state. */
    public interface Sight {
        /** Whether the motion ends there. */
        boolean stops();

        /** Tells one kind of motion from another: steps end where it changes. */
        default int mode() {
            return 0;
        }
    }

    /**
     * How a state moves.
     *
     * @param <S> what is seen on the way
     */
    @FunctionalInterface
    public interface Motion<S extends Sight> {
        /**
         * Looks at a state, which it may mark where something changes for good.
         *
         * @param state each number
         * @param perHour takes the rate of each, an hour; not a number where there is none
         */
        S at(double[] state, double[] perHour);
    }

    /**
     * Hears of each step.
     *
     * @param <S> what is seen on the way
     */
    @FunctionalInterface
    public interface Listener<S extends Sight> {
        /**
         * A step was taken.
         *
         * @param hours it took
         * @param from state before; may be kept no longer than the call, as {@code to}
         * @param before what was seen there
         * @param to state after
         * @param after what was seen there
         */
        void moved(double hours, double[] from, S before, double[] to, S after);
    }

    /**
     * A leg of the way.
     *
     * @param hours it took; infinite when nothing moves and no time was set
     * @param last what was seen at its end, or just beyond where something stops the motion
     */
    public record Leg<S extends Sight>(double hours, S last) {}

    private final double least;
    private final double most;
    private final double stride;

    /**
     * A course of numbers of one kind.
     *
     * @param least they can be
     * @param most they can be
     * @param lines of the grid between
     */
    public Course(double least, double most, int lines) {
        this.least = least;
        this.most = most;
        this.stride = (most - least) / lines;
    }

    /**
     * Moves a state until a time has passed or the motion stops.
     *
     * @param state is moved; on a stop it is left at the last place where the motion still goes on
     * @param hours at most; may be infinite
     * @throws NoEnd when the motion comes to no end, or a rate is not a number where nothing stops
     */
    public <S extends Sight> Leg<S> go(Motion<S> motion, double[] state, double hours, Listener<S> listener) {
        Step step = new Step(state.length);
        S here = motion.at(state, step.rates);
        double spent = 0;
        for (int i = 0; i < MOST_STEPS; i++) {
            if (here.stops() || !(spent < hours)) {
                return new Leg<>(spent, here);
            }
            double toLine = step.toLine(state);
            double left = hours - spent;
            if (Double.isInfinite(toLine)) {
                return stays(state, here, left, hours, listener);
            }
            step.slopes(motion, state, toLine, here.mode());
            double whole = Math.min(left, step.stretched(toLine));
            S there = step.takeNoFurther(motion, state, here, whole);
            if (step.taken == whole && whole < left && goesOn(here, there) && step.rests(state)) {
                return stays(state, here, left, hours, listener);
            }
            S found = there;
            if (!goesOn(here, there)) {
                found = step.locate(motion, state, here, there);
                there = step.take(motion, state, step.taken);
            }
            listener.moved(step.taken, state, here, step.to, there);
            spent = step.taken == left ? hours : spent + step.taken;
            step.arrive(state);
            if (found.stops()) {
                return new Leg<>(spent, found);
            }
            here = there;
        }
        throw new NoEnd("what moves here comes to no end in " + MOST_STEPS + " steps");
    }

    /** What moves no more is where it was when the time is over. */
    private static <S extends Sight> Leg<S> stays(
            double[] state, S here, double left, double hours, Listener<S> listener) {
        if (Double.isFinite(left)) {
            listener.moved(left, state, here, state, here);
        }
        return new Leg<>(hours, here);
    }

    /** Whether the motion is still the same there. */
    private static boolean goesOn(Sight here, Sight there) {
        return !there.stops() && there.mode() == here.mode();
    }

    /** Room for one step. */
    private final class Step {
        private final int size;
        final double[] rates;
        final double[] to;
        final double[] ratesThere;
        /** How each rate changes with each number, an hour. */
        private final double[][] slopes;
        /** Hours that it takes. */
        double taken;

        Step(int size) {
            this.size = size;
            rates = new double[size];
            to = new double[size];
            ratesThere = new double[size];
            slopes = new double[size][size];
        }

        /** Hours until the first number is at its next line, at the rates as they are. */
        double toLine(double[] state) {
            double soonest = Double.POSITIVE_INFINITY;
            for (int i = 0; i < size; i++) {
                if (Double.isNaN(rates[i])) {
                    throw new NoEnd("what moves here has no rate that is a number");
                }
                if (rates[i] != 0) {
                    double line = (state[i] - least) / stride;
                    double next = rates[i] > 0 ? Math.floor(line + ON_LINE) + 1 : Math.ceil(line - ON_LINE) - 1;
                    soonest = Math.min(soonest, (next - line) * stride / rates[i]);
                }
            }
            return soonest;
        }

        /** Takes the slopes; none where the motion beside is another, or there is none, or a number is marked. */
        <S extends Sight> void slopes(Motion<S> motion, double[] state, double toLine, int mode) {
            for (int j = 0; j < size; j++) {
                boolean marked = state[j] < least || state[j] > most;
                double reach = size == 1 ? rates[0] * toLine : Math.copySign(SECANT_SHARE * stride, rates[j]);
                System.arraycopy(state, 0, to, 0, size);
                to[j] = marked ? to[j] : moved(to[j], reach);
                double by = to[j] - state[j];
                boolean alike = by != 0 && motion.at(to, ratesThere).mode() == mode;
                for (int i = 0; i < size; i++) {
                    double slope = alike ? (ratesThere[i] - rates[i]) / by : 0;
                    slopes[i][j] = Double.isFinite(slope) ? slope : 0;
                }
            }
        }

        /** Hours until a single number is at its line, its rate being a straight line. */
        double stretched(double hours) {
            double ratio = size == 1 ? 1 + slopes[0][0] * hours : 1;
            return Math.abs(ratio - 1) < 1e-12
                    ? hours
                    : hours * Math.min(MOST_STRETCH, ratio > 0 ? Math.log(ratio) / (ratio - 1) : MOST_STRETCH);
        }

        /** Moves for a time, or for less where the rates are not what was foretold. */
        <S extends Sight> S takeNoFurther(Motion<S> motion, double[] state, S here, double hours) {
            taken = hours;
            S there = take(motion, state, taken);
            for (int k = 0; k < MOST_HALVINGS && goesOn(here, there) && !rests(state) && surprises(state); k++) {
                taken /= 2;
                there = take(motion, state, taken);
            }
            return there;
        }

        /** Whether a whole step moved nothing by what could be seen: the motion draws near to a place and never passes it. */
        boolean rests(double[] from) {
            for (int i = 0; i < size; i++) {
                if (Math.abs(to[i] - from[i]) > REST_SHARE * stride) {
                    return false;
                }
            }
            return true;
        }

        /** Finds how long the motion goes on, a stop left beyond, a turn passed; returns what was seen beyond. */
        <S extends Sight> S locate(Motion<S> motion, double[] state, S here, S beyond) {
            double low = 0;
            double high = taken;
            double close = CLOSE_SHARE * taken;
            S found = beyond;
            while (high - low > close) {
                double middle = (low + high) / 2;
                S seen = take(motion, state, middle);
                if (goesOn(here, seen)) {
                    low = middle;
                } else {
                    high = middle;
                    found = seen;
                }
            }
            taken = found.stops() ? low : high;
            return found;
        }

        /** What was the end of the step is where the state is now. */
        void arrive(double[] state) {
            System.arraycopy(to, 0, state, 0, size);
            System.arraycopy(ratesThere, 0, rates, 0, size);
        }

        /** Moves from a state for a time, and looks. */
        <S extends Sight> S take(Motion<S> motion, double[] from, double hours) {
            if (size == 1) {
                to[0] = moved(from[0], alone(hours));
            } else {
                double[] by = together(hours);
                for (int i = 0; i < size; i++) {
                    to[i] = moved(from[i], by[i]);
                }
            }
            Arrays.fill(ratesThere, 0);
            return motion.at(to, ratesThere);
        }

        /** What h·φ(h·J)·f is for one number, with φ(z) = (eᶻ − 1) / z. */
        private double alone(double hours) {
            double z = slopes[0][0] * hours;
            return rates[0] * hours * (Math.abs(z) < 1e-9 ? 1 : Math.expm1(z) / z);
        }

        /** The same for several, with 1 / φ(z) = 1 − z/2 + z²/12 (Abramowitz and Stegun, 23.1.1), good to z⁴/720 and stable beyond. */
        private double[] together(double hours) {
            double[][] a = new double[size][size];
            double[] b = new double[size];
            for (int i = 0; i < size; i++) {
                b[i] = rates[i] * hours;
                for (int j = 0; j < size; j++) {
                    double square = 0;
                    for (int k = 0; k < size; k++) {
                        square += slopes[i][k] * slopes[k][j];
                    }
                    a[i][j] = (i == j ? 1 : 0) - slopes[i][j] * hours / 2 + square * hours * hours / 12;
                }
            }
            double @Nullable [] by = Matrix.solve(a, b.clone());
            return by == null ? b : by;
        }

        /** Whether the rates at the end of a step are so far from what the slopes foretold that it went astray. */
        private boolean surprises(double[] from) {
            for (int i = 0; i < size; i++) {
                double foretold = rates[i];
                for (int j = 0; j < size; j++) {
                    foretold += slopes[i][j] * (to[j] - from[j]);
                }
                if (Math.abs(ratesThere[i] - foretold) * taken > SURPRISE_SHARE * stride) {
                    return true;
                }
            }
            return false;
        }

        /** A number that does not move is left as it is, marked or not. */
        private double moved(double from, double by) {
            return by == 0 ? from : Math.clamp(from + by, least, most);
        }
    }
}
