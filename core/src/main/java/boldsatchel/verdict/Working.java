package boldsatchel.verdict;

import boldsatchel.quantity.Spread;
import java.util.List;

/**
 * How a number came about, so that it can be checked with a pocket calculator.
 *
 * @param steps from inputs to the result
 * @param range how the inputs' trust spreads to the result, and which input is to blame
 * @param method page of the manual that explains it
 */
public record Working(List<Step> steps, Spread range, String method) {

    /** Nothing was worked out. */
    public static final Working NONE = new Working(List.of(), Spread.exact(Double.NaN), "");

    /**
     * One line of arithmetic.
     *
     * @param what is computed
     * @param formula in symbols
     * @param numbers the formula with numbers put in
     * @param result with its unit
     */
    public record Step(String what, String formula, String numbers, String result) {}

    /** Copies the list. */
    public Working {
        steps = List.copyOf(steps);
    }
}
