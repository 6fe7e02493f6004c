package boldsatchel.quantity;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
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

    /** Keeps a list that nobody can change. */
    public Spread {
        blame = blame instanceof Shares ? blame : List.copyOf(blame);
    }

    /** The inputs that have an effect, sorted when somebody first looks: a drag asks for the range alone. */
    private static final class Shares extends AbstractList<Blame> {
        private final Inputs inputs;
        private final double[] effects;
        private final double variance;
        private List<Blame> sorted = List.of();
        private boolean looked;

        Shares(Inputs inputs, double[] effects, double variance) {
            this.inputs = inputs;
            this.effects = effects;
            this.variance = variance;
        }

        private synchronized List<Blame> sorted() {
            if (!looked) {
                List<Blame> shares = new ArrayList<>(effects.length);
                for (int i = 0; i < effects.length; i++) {
                    if (Double.isFinite(effects[i]) && effects[i] != 0) {
                        shares.add(new Blame(inputs.at(i), effects[i] * effects[i] / variance));
                    }
                }
                shares.sort((a, b) -> Double.compare(b.share, a.share));
                sorted = shares;
                looked = true;
            }
            return sorted;
        }

        @Override
        public Blame get(int index) {
            return sorted().get(index);
        }

        @Override
        public int size() {
            return sorted().size();
        }
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

    /** One of several results of which the least counts. */
    public static final class Candidate {
        private final double nominal;
        private final double mean;
        private final double[] effects;

        /**
         * A result.
         *
         * @param nominal at the best estimates
         * @param effects by place of the input, change of it when that is moved by one standard deviation; those beyond its end change
         *     nothing; kept as it is
         */
        public Candidate(double nominal, double[] effects) {
            this(nominal, nominal, effects);
        }

        private Candidate(double nominal, double mean, double[] effects) {
            this.nominal = nominal;
            this.mean = mean;
            this.effects = effects;
        }

        /** At the best estimates. */
        public double nominal() {
            return nominal;
        }

        /** Square of its standard deviation. */
        public double variance() {
            return together(effects, effects);
        }

        /** What is least when this is most. */
        private Candidate mirrored() {
            double[] turned = new double[effects.length];
            for (int i = 0; i < turned.length; i++) {
                turned[i] = -effects[i];
            }
            return new Candidate(-nominal, -mean, turned);
        }
    }

    /**
     * The range of the least of several results that share their inputs. It is nowhere beyond the range of any of them, for the least is
     * never more than each.
     *
     * @param inputs whose places the candidates' effects have
     * @param candidates at least one
     */
    public static Spread least(Inputs inputs, List<Candidate> candidates) {
        Least least = new Least(inputs, candidates);
        double half = SIGMAS_TO_95 * Math.sqrt(least.variance);
        double low = least.mean - half;
        double high = least.mean + half;
        for (Candidate candidate : candidates) {
            double its = SIGMAS_TO_95 * Math.sqrt(candidate.variance());
            low = Math.min(low, candidate.mean - its);
            high = Math.min(high, candidate.mean + its);
        }
        return new Spread(
                Math.min(least.nominal, low),
                least.nominal,
                Math.max(least.nominal, high),
                ofEffects(0, inputs, least.effects).blame());
    }

    /** The greatest of several results that share their inputs, as one that varies with them alike. */
    public static Candidate greatest(Inputs inputs, List<Candidate> candidates) {
        Least least =
                new Least(inputs, candidates.stream().map(Candidate::mirrored).toList());
        double sum = together(least.effects, least.effects);
        double scale = sum > 0 ? -Math.sqrt(least.variance / sum) : 0;
        double[] effects = new double[least.effects.length];
        for (int i = 0; i < effects.length; i++) {
            effects[i] = least.effects[i] * scale;
        }
        return new Candidate(-least.nominal, -least.mean, effects);
    }

    /**
     * The least of several results. The least of two that vary as normal distributions has a mean
     * and a variance in closed form, and follows each input as often as the one that follows it is the least; that is taken for a normal
     * distribution again and held against the next (Clark, Operations Research 9, 1961, 145).
     */
    private static final class Least {
        private final double nominal;
        private double mean;
        private double variance;
        private final double[] effects;

        Least(Inputs inputs, List<Candidate> candidates) {
            List<Candidate> sorted = new ArrayList<>(candidates);
            sorted.sort(Comparator.comparingDouble(Candidate::nominal));
            Candidate first = sorted.getFirst();
            nominal = first.nominal;
            mean = first.mean;
            variance = first.variance();
            effects = Arrays.copyOf(first.effects, inputs.size());
            for (int i = 1; i < sorted.size(); i++) {
                holdAgainst(sorted.get(i));
            }
        }

        private void holdAgainst(Candidate next) {
            double other = next.variance();
            double apart = variance + other - 2 * together(effects, next.effects);
            if (!(apart > ALIKE * (variance + other))) {
                return;
            }
            double root = Math.sqrt(apart);
            double alpha = (next.mean - mean) / root;
            double first = below(alpha);
            double second = 1 - first;
            double density = root * Math.exp(-alpha * alpha / 2) / Math.sqrt(2 * Math.PI);
            double least = mean * first + next.mean * second - density;
            double square = (mean * mean + variance) * first
                    + (next.mean * next.mean + other) * second
                    - (mean + next.mean) * density;
            for (int i = 0; i < effects.length; i++) {
                effects[i] = effects[i] * first + (i < next.effects.length ? next.effects[i] * second : 0);
            }
            mean = least;
            variance = Math.max(0, square - least * least);
        }
    }

    /** Share of a normal distribution that lies below so many standard deviations from its mean. */
    public static double below(double sigmas) {
        return (1 + Erf.erf(sigmas / Math.sqrt(2))) / 2;
    }

    private static double together(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < Math.min(a.length, b.length); i++) {
            double product = a[i] * b[i];
            sum += Double.isFinite(product) ? product : 0;
        }
        return sum;
    }

    /**
     * Adds effects in quadrature.
     *
     * @param effects change of the result when an input is moved by one standard deviation
     */
    public static Spread ofEffects(double nominal, Map<Input, Double> effects) {
        Inputs inputs = new Inputs();
        double[] byPlace = new double[effects.size()];
        effects.forEach((input, effect) -> byPlace[inputs.place(input)] = effect);
        return ofEffects(nominal, inputs, byPlace);
    }

    /**
     * Adds effects in quadrature.
     *
     * @param effects by place of the input, change of the result when that is moved by one standard deviation; kept as it is
     */
    public static Spread ofEffects(double nominal, Inputs inputs, double[] effects) {
        double variance = together(effects, effects);
        double half = SIGMAS_TO_95 * Math.sqrt(variance);
        return new Spread(nominal - half, nominal, nominal + half, new Shares(inputs, effects, variance));
    }
}
