package boldsatchel.bench;

import boldsatchel.machine.Journal;
import java.util.List;
import java.util.Optional;

/**
 * What was measured, beside what the plan says.
 *
 * @param compared every reading of every test, in the order in which they were taken; the last one of a thing counts
 */
public record BenchResult(List<Compared> compared) {

    /**
     * A reading.
     *
     * @param test that it was taken in
     * @param taken what was read
     * @param measurand what it measures; nothing for a name that this program does not know
     * @param expected by the plan; nothing where it does not say
     * @param latest whether none of the same thing was taken after it
     */
    public record Compared(
            Journal.Tested test,
            Journal.Taken taken,
            Optional<Measurand> measurand,
            Optional<Expectation> expected,
            boolean latest) {
        /** Whether it is further off than both doubts allow. */
        public boolean differs() {
            return expected.filter(e -> e.differs(taken.value())).isPresent();
        }
    }

    /** Copies the list. */
    public BenchResult {
        compared = List.copyOf(compared);
    }

    /** The last reading of something, if there is one. */
    public Optional<Compared> latest(String part, String what) {
        return compared.stream()
                .filter(c -> c.latest()
                        && c.test().part().equals(part)
                        && c.taken().what().equals(what))
                .findFirst();
    }
}
