package boldsatchel.bench;

import boldsatchel.quantity.Figure;

/**
 * What the plan expects of a reading.
 *
 * @param value best estimate, in the stored unit of what is measured
 * @param low within this and {@code high} 95 times in a hundred
 * @param high see {@code low}
 * @param from where it comes from, for people
 */
public record Expectation(double value, double low, double high, String from) {

    /** A figure of the plan. */
    static Expectation of(Figure figure) {
        return around(figure.value(), figure.plusMinus(), figure.basis().words());
    }

    static Expectation around(double value, double off, String from) {
        return new Expectation(value, value - off, value + off, from);
    }

    /** Whether all of it is a number; a run that comes to no end has none. */
    public boolean isFinite() {
        return Double.isFinite(value) && Double.isFinite(low) && Double.isFinite(high);
    }

    /** Whether a reading is further off than the doubts of both allow together (JCGM 100:2008, 5.1.2: by quadrature). */
    public boolean differs(Figure read) {
        double side = read.value() < value ? value - low : high - value;
        return Math.abs(read.value() - value) > Math.hypot(side, read.plusMinus());
    }
}
