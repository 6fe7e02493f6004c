package boldsatchel.power;

import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * A number of the model that remembers which inputs it was made of and how it moves with each: what a reverse sweep needs, at no cost to
 * the solver.
 *
 * @param value as read
 * @param slopes how it moves with its inputs
 */
record Num(double value, List<Slope> slopes) {

    /**
     * How a number moves with an input.
     *
     * @param by change for a change of one in the input's unit
     */
    record Slope(Input input, double by) {}

    /** Takes what moves numbers, and by how much. */
    interface Sink {
        void add(Input input, double by);
    }

    /** A number that is no input. */
    static Num exact(double value) {
        return new Num(value, List.of());
    }

    /** An input as it was read. */
    static Num of(Input input, double value) {
        return new Num(value, List.of(new Slope(input, 1)));
    }

    /** A number worked out from inputs by something that is not linear: its slopes are taken over a standard deviation of each. */
    static Num of(Reading reading, ToDoubleFunction<Reading> result) {
        Reading.Recorder recorder = new Reading.Recorder();
        double nominal = result.applyAsDouble(recorder);
        List<Slope> slopes = new ArrayList<>();
        for (Input input : recorder.inputs()) {
            double sigma = input.figure().sigma();
            if (sigma > 0) {
                slopes.add(new Slope(input, (result.applyAsDouble(Reading.shifted(input, sigma)) - nominal) / sigma));
            }
        }
        return new Num(result.applyAsDouble(reading), slopes);
    }

    Num plus(Num other) {
        return combined(other, 1, 1, value + other.value);
    }

    Num times(double factor) {
        return new Num(
                value * factor,
                slopes.stream().map(s -> new Slope(s.input(), s.by() * factor)).toList());
    }

    Num times(Num other) {
        return combined(other, other.value, value, value * other.value);
    }

    private Num combined(Num other, double ours, double theirs, double result) {
        List<Slope> both = new ArrayList<>(slopes.size() + other.slopes.size());
        slopes.forEach(s -> both.add(new Slope(s.input(), s.by() * ours)));
        other.slopes.forEach(s -> both.add(new Slope(s.input(), s.by() * theirs)));
        return new Num(result, both);
    }

    /** Tells how something moves with the inputs that moves with this number. */
    void tell(double weight, Sink sink) {
        for (Slope slope : slopes) {
            sink.add(slope.input(), weight * slope.by());
        }
    }
}
