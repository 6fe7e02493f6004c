package boldsatchel.quantity;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;

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

    /** Standard deviations from the mean to the 5th and the 95th percentile of a normal distribution. */
    public static final double SIGMAS_TO_95 = 1.6449;

    /**
     * One input's part of the range.
     *
     * @param input the input
     * @param share of the variance, 0 to 1
     */
    public record Blame(Reading.Input input, double share) {}

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

    private static double effect(Figure figure, double base, ToDoubleFunction<Reading> result) {
        double sigma = figure.sigma();
        return sigma == 0 ? 0 : result.applyAsDouble(Reading.shifted(figure, sigma)) - base;
    }

    /** Propagates with a nominal result and inputs that are already known, and perhaps a coarser calculation. */
    public static Spread around(double nominal, List<Reading.Input> inputs, ToDoubleFunction<Reading> result) {
        double base = result.applyAsDouble(Reading.NOMINAL);
        // Each input is a calculation of its own: they share the processor's cores.
        double[] effects = inputs.parallelStream()
                .mapToDouble(input -> effect(input.figure(), base, result))
                .toArray();
        double variance = 0;
        List<Blame> parts = new ArrayList<>();
        for (int i = 0; i < effects.length; i++) {
            if (Double.isFinite(effects[i]) && effects[i] != 0) {
                variance += effects[i] * effects[i];
                parts.add(new Blame(inputs.get(i), effects[i] * effects[i]));
            }
        }
        double total = variance;
        double half = SIGMAS_TO_95 * Math.sqrt(variance);
        List<Blame> shares = parts.stream()
                .map(part -> new Blame(part.input(), part.share() / total))
                .sorted(Comparator.comparingDouble(Blame::share).reversed())
                .toList();
        return new Spread(nominal - half, nominal, nominal + half, shares);
    }
}
