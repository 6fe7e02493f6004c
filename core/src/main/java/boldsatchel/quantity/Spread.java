package boldsatchel.quantity;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.apache.commons.math3.special.Erf;

/**
 * The range a result inherits from its inputs, and which input is to blame for how much of it. First-order propagation
 * of independent uncertainties: each input is moved by one standard deviation in turn and the effects are added in
 * quadrature (JCGM 100:2008, 5.1). One evaluation an input, so a drag stays live; it is exact for linear results and
 * good to second order in the inputs' spreads for the rest.
 *
 * @param low 5 % of the values lie below
 * @param nominal at the best estimates
 * @param high 5 % of the values lie above
 * @param blame inputs by their share of the variance, largest first
 */
public record Spread(double low, double nominal, double high, List<Blame> blame) {

    /** A result that is so many standard deviations from the least may be the least. */
    public static final double REACH = 2.5;

    /** Standard deviations from the mean to the 5th and the 95th percentile of a normal distribution. */
    public static final double SIGMAS_TO_95 = 1.6449;

    /** Results whose difference varies less than this share of themselves are the same one, of which the lesser counts. */
    private static final double ALIKE = 1e-9;

    /**
     * One input's part of the range.
     *
     * @param input the input
     * @param share of the variance, 0 to 1
     */
    public record Blame(Input input, double share) {}

    /** Copies the list. */
    public Spread {
        blame = List.copyOf(blame);
    }

    /** A result that is known exactly. */
    public static Spread exact(double value) {
        return new Spread(value, value, value, List.of());
    }

    /**
     * Propagates.
     *
     * @param result the calculation; it must read its inputs through the reading it is given
     */
    public static Spread of(ToDoubleFunction<Reading> result) {
        Reading.Recorder recorder = new Reading.Recorder();
        double nominal = result.applyAsDouble(recorder);
        return around(nominal, recorder.inputs(), result);
    }

    /** Propagates with a nominal result and inputs that are already known, and perhaps a coarser calculation: one calculation an input. */
    public static Spread around(double nominal, List<Input> inputs, ToDoubleFunction<Reading> result) {
        double base = result.applyAsDouble(Reading.NOMINAL);
        Map<Input, Double> effects = new LinkedHashMap<>();
        for (Input input : inputs) {
            double sigma = input.figure().sigma();
            if (sigma > 0) {
                effects.put(input, result.applyAsDouble(Reading.shifted(input, sigma)) - base);
            }
        }
        return ofEffects(nominal, effects);
    }

    /**
     * The range of a result whose slopes are known.
     *
     * @param slopes change of the result with each input, per the input's unit
     */
    public static Spread linear(double nominal, Map<Input, Double> slopes) {
        Map<Input, Double> effects = new LinkedHashMap<>();
        slopes.forEach(
                (input, slope) -> effects.put(input, slope * input.figure().sigma()));
        return ofEffects(nominal, effects);
    }

    /**
     * One of several results of which the least counts.
     *
     * @param nominal at the best estimates
     * @param effects change of it when an input is moved by one standard deviation
     */
    public record Candidate(double nominal, Map<Input, Double> effects) {
        /** Square of its standard deviation. */
        public double variance() {
            return square(effects);
        }
    }

    /**
     * The range of the least of several results that share their inputs. The least of two that vary as normal distributions has a mean
     * and a variance in closed form, and follows each input as often as the one that follows it is the least; that is taken for a normal
     * distribution again and held against the next (Clark, Operations Research 9, 1961, 145).
     *
     * @param candidates at least one
     */
    public static Spread least(List<Candidate> candidates) {
        List<Candidate> sorted = new ArrayList<>(candidates);
        sorted.sort(Comparator.comparingDouble(Candidate::nominal));
        double mean = sorted.getFirst().nominal();
        double variance = sorted.getFirst().variance();
        Map<Input, Double> effects = new LinkedHashMap<>(sorted.getFirst().effects());
        for (Candidate next : sorted.subList(1, sorted.size())) {
            double other = next.variance();
            double apart = variance + other - 2 * together(effects, next.effects());
            if (!(apart > ALIKE * (variance + other))) {
                continue;
            }
            double root = Math.sqrt(apart);
            double alpha = (next.nominal() - mean) / root;
            double first = below(alpha);
            double second = 1 - first;
            double density = root * Math.exp(-alpha * alpha / 2) / Math.sqrt(2 * Math.PI);
            double least = mean * first + next.nominal() * second - density;
            double square = (mean * mean + variance) * first
                    + (next.nominal() * next.nominal() + other) * second
                    - (mean + next.nominal()) * density;
            effects.replaceAll((input, effect) -> effect * first);
            next.effects().forEach((input, effect) -> effects.merge(input, effect * second, Double::sum));
            mean = least;
            variance = Math.max(0, square - least * least);
        }
        double half = SIGMAS_TO_95 * Math.sqrt(variance);
        double nominal = sorted.getFirst().nominal();
        return new Spread(
                Math.min(nominal, mean - half),
                nominal,
                Math.max(nominal, mean + half),
                ofEffects(0, effects).blame());
    }

    /** Share of a normal distribution that lies below so many standard deviations from its mean. */
    public static double below(double sigmas) {
        return (1 + Erf.erf(sigmas / Math.sqrt(2))) / 2;
    }

    private static double together(Map<Input, Double> a, Map<Input, Double> b) {
        double sum = 0;
        for (Map.Entry<Input, Double> one : a.entrySet()) {
            Double other = b.get(one.getKey());
            double product = other == null ? 0 : one.getValue() * other;
            sum += Double.isFinite(product) ? product : 0;
        }
        return sum;
    }

    private static double square(Map<Input, Double> effects) {
        double sum = 0;
        for (double effect : effects.values()) {
            sum += Double.isFinite(effect) ? effect * effect : 0;
        }
        return sum;
    }

    /**
     * Adds effects in quadrature.
     *
     * @param effects change of the result when an input is moved by one standard deviation
     */
    public static Spread ofEffects(double nominal, Map<Input, Double> effects) {
        double variance = square(effects);
        double half = SIGMAS_TO_95 * Math.sqrt(variance);
        List<Blame> shares = new ArrayList<>(effects.size());
        for (Map.Entry<Input, Double> one : effects.entrySet()) {
            double effect = one.getValue();
            if (Double.isFinite(effect) && effect != 0) {
                shares.add(new Blame(one.getKey(), effect * effect / variance));
            }
        }
        shares.sort((a, b) -> Double.compare(b.share, a.share));
        return new Spread(nominal - half, nominal, nominal + half, shares);
    }
}
