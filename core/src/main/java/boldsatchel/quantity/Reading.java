package boldsatchel.quantity;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * How an engine turns figures into plain numbers. Every engine reads its inputs through one of these, so that the same code gives the best
 * estimate, a shifted evaluation for the range, and the list of inputs for the working.
 */
@FunctionalInterface
public interface Reading {

    /** Best estimates. */
    Reading NOMINAL = input -> input.figure().value();

    /** The number to calculate with. */
    double of(Input input);

    /** Best estimates but for one input, which is moved by an amount in its own unit. */
    static Reading shifted(Input shifted, double amount) {
        return input -> input.equals(shifted)
                ? input.figure().value() + amount
                : input.figure().value();
    }

    /** Remembers what was read. */
    final class Recorder implements Reading {
        private final Set<Input> seen = new LinkedHashSet<>();

        /** Starts empty. */
        public Recorder() {}

        @Override
        public double of(Input input) {
            seen.add(input);
            return input.figure().value();
        }

        /** Each input once, in the order of first use. */
        public List<Input> inputs() {
            return List.copyOf(seen);
        }
    }
}
