package boldsatchel.assembly;

import boldsatchel.machine.Journal;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The work, step by step.
 *
 * @param steps in their order
 * @param broken rules of the trade that this order does not keep
 * @param unwired ids of parts that want power or signals and that nothing is planned to lead to: their wires are in no step
 * @param bounds of each step but the last why it cannot change places with the next one; empty where it can
 * @param byHand ids of steps that were moved by hand
 * @param refused moves by hand that were not followed
 */
public record Plan(
        List<Step> steps,
        List<Broken> broken,
        List<String> unwired,
        List<String> bounds,
        Set<String> byHand,
        List<Refused> refused) {

    /** No work. */
    public static final Plan NONE = new Plan(List.of(), List.of(), List.of(), List.of(), Set.of(), List.of());

    /** Copies the lists. */
    public Plan {
        steps = List.copyOf(steps);
        broken = List.copyOf(broken);
        unwired = List.copyOf(unwired);
        bounds = List.copyOf(bounds);
        byHand = Set.copyOf(byHand);
        refused = List.copyOf(refused);
    }

    /**
     * A rule that is not kept.
     *
     * @param early id of the step that comes too early
     * @param late id of the first step that should have come before it
     */
    public record Broken(Trade.Rule rule, String early, String late) {
        /** Whether somebody moved one of the two: else what they need leaves no choice. */
        public boolean isBy(Set<String> hand) {
            return hand.contains(early) || hand.contains(late);
        }
    }

    /**
     * A move by hand that was not followed.
     *
     * @param why a sentence
     */
    public record Refused(Journal.Moved moved, String why) {}

    /** Place of a step in the row, if it is in it. */
    public OptionalInt index(String id) {
        return IntStream.range(0, steps.size())
                .filter(i -> steps.get(i).id().equals(id))
                .findFirst();
    }

    /**
     * Why a step of the row does not change places with the one beside it; empty where it can.
     *
     * @param by -1 for the one before it, 1 for the one after it
     */
    public String bound(String id, int by) {
        int at = index(id).orElseThrow();
        if (at + by < 0 || at + by >= steps.size()) {
            return by < 0 ? "It is the first step." : "It is the last step.";
        }
        return bounds.get(Math.min(at, at + by));
    }

    /** The move by which a step of the row changes places with the one beside it. */
    public Journal.Moved move(String id, int by) {
        int before = index(id).orElseThrow() + (by < 0 ? -1 : 2);
        return new Journal.Moved(id, before < steps.size() ? steps.get(before).id() : "");
    }

    /** The step with an id, if it is in the row. */
    public Optional<Step> step(String id) {
        return steps.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** What is done in a step, for people; the id of one that is not in the plan. */
    public String words(String id) {
        return step(id).map(Step::words).orElse(id);
    }

    /** Parts that lie in the case after a step; before any does those that the step is about. */
    public Set<String> inPlace(int index) {
        Set<String> there = new HashSet<>();
        for (Step step : steps.subList(0, index + 1)) {
            step.groups().forEach(g -> there.addAll(g.parts()));
        }
        return there.isEmpty() ? Set.copyOf(steps.get(index).subjects()) : there;
    }

    /** All work, minutes; waiting is not in it. */
    public double minutes() {
        return steps.stream().mapToDouble(Step::minutes).sum();
    }
}
