package boldsatchel.assembly;

import boldsatchel.bench.BenchResult;
import boldsatchel.machine.Journal;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How far the work has come.
 *
 * @param plan the work
 * @param ticked steps that are done, in the order in which they were; those that are no step of the plan any more are kept
 * @param bench what was measured
 */
public record Day(Plan plan, List<Journal.Ticked> ticked, BenchResult bench) {

    /** How a test of the bench stands. */
    public enum Proof {
        /** It was not done. */
        OPEN,
        /** What was read is not as planned. */
        DIFFERS,
        /** What was read is as planned. */
        PASSED
    }

    /** Copies the list. */
    public Day {
        ticked = List.copyOf(ticked);
    }

    /** Whether a step is done. */
    public boolean isDone(Step step) {
        return ticked.stream().anyMatch(t -> t.step().equals(step.id()));
    }

    /** The first step that is not done. */
    public Optional<Step> next() {
        return plan.steps().stream().filter(s -> !isDone(s)).findFirst();
    }

    /** How many steps of the plan are done. */
    public long count() {
        return plan.steps().stream().filter(this::isDone).count();
    }

    /** Work that is left, minutes, at usual times. */
    public double leftMinutes() {
        return plan.steps().stream()
                .filter(s -> !isDone(s))
                .mapToDouble(Step::minutes)
                .sum();
    }

    /**
     * How the test of a hold point stands: by the last reading of each thing that it reads, whatever other tests read of it later; open for a
     * step that is none.
     */
    public Proof proof(Step step) {
        Map<List<String>, BenchResult.Compared> read = new HashMap<>();
        for (BenchResult.Compared c : bench.compared()) {
            if (step.test().filter(c.test().test()::equals).isPresent()
                    && step.subjects().contains(c.test().part())) {
                read.put(List.of(c.test().part(), c.taken().what()), c);
            }
        }
        if (read.isEmpty()) {
            return Proof.OPEN;
        }
        return read.values().stream().anyMatch(BenchResult.Compared::differs) ? Proof.DIFFERS : Proof.PASSED;
    }

    /**
     * The first step that keeps another one from being done: a hold point that rules want before it, since it stands before it and is not
     * done. A hold point keeps itself back while it has not passed.
     */
    public Optional<Step> heldBy(Step step) {
        for (Step before : plan.steps()) {
            if (before.equals(step)) {
                return step.isHold() && proof(step) != Proof.PASSED ? Optional.of(step) : Optional.empty();
            }
            if (before.isHold() && !isDone(before)) {
                return Optional.of(before);
            }
        }
        return Optional.empty();
    }

    /** Steps that were done and that the plan has no more. */
    public List<Journal.Ticked> strangers() {
        Set<String> known = new HashSet<>();
        plan.steps().forEach(s -> known.add(s.id()));
        return ticked.stream().filter(t -> !known.contains(t.step())).toList();
    }
}
