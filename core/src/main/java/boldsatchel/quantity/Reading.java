package boldsatchel.quantity;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * How an engine turns figures into plain numbers. Every engine reads its inputs through one of these, so that the same
 * code gives the best estimate, a shifted evaluation for the range, and the list of inputs for the working.
 *
 * <p>Figures are told apart by identity: two parts that share one figure share its error too, as two samples of one
 * data-sheet line do.
 */
@FunctionalInterface
public interface Reading {

    /** Best estimates. */
    Reading NOMINAL = (subject, what, figure) -> figure.value();

    /**
     * The number to calculate with.
     *
     * @param subject whose figure it is, for people
     * @param what which of its figures, for people
     * @param figure the figure
     */
    double of(String subject, String what, Figure figure);

    /** Best estimates but for one figure, which is moved by an amount in its own unit. */
    @SuppressWarnings("ReferenceEquality") // Two equal figures of two parts are two errors, not one.
    static Reading shifted(Figure shifted, double amount) {
        return (subject, what, figure) -> figure == shifted ? figure.value() + amount : figure.value();
    }

    /** Remembers what was read. */
    final class Recorder implements Reading {
        private final Set<Figure> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        private final List<Input> inputs = new ArrayList<>();

        /** Starts empty. */
        public Recorder() {}

        @Override
        public double of(String subject, String what, Figure figure) {
            if (seen.add(figure)) {
                inputs.add(new Input(subject, what, figure));
            }
            return figure.value();
        }

        /** Each figure once, in the order of first use. */
        public List<Input> inputs() {
            return List.copyOf(inputs);
        }
    }

    /**
     * A figure that went into a result.
     *
     * @param subject whose figure it is
     * @param what which of its figures
     * @param figure the figure
     */
    record Input(String subject, String what, Figure figure) {}
}
