package boldsatchel.edit;

import boldsatchel.machine.Build;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A build with all it has been and may become again. Immutable, and cheap: builds share what did not change.
 *
 * @param past done steps, oldest first
 * @param present the build now
 * @param future undone steps, next to redo last
 */
public record History(List<Step> past, Build present, List<Step> future) {

    private static final int LONGEST = 1000;

    /**
     * One step.
     *
     * @param name of the edit
     * @param build on the other side of it: before it for the past, after it for the future
     */
    public record Step(String name, Build build) {}

    /** Copies the lists. */
    public History {
        past = List.copyOf(past);
        future = List.copyOf(future);
    }

    /** A build without a past. */
    public static History of(Build build) {
        return new History(List.of(), build, List.of());
    }

    /** Does an edit; one that changes nothing leaves no trace. */
    public History after(Edit edit) {
        Build next = edit.change().apply(present);
        if (next.equals(present)) {
            return this;
        }
        List<Step> longer = new ArrayList<>(past.subList(past.size() < LONGEST ? 0 : 1, past.size()));
        longer.add(new Step(edit.name(), present));
        return new History(longer, next, List.of());
    }

    /** Does an edit as one with the last, if that has the same name: the steps of one drag are one thing to undo. */
    public History merged(Edit edit) {
        if (past.isEmpty() || !past.getLast().name().equals(edit.name())) {
            return after(edit);
        }
        return new History(past, edit.change().apply(present), List.of());
    }

    /** As if the last step had not been done. */
    public History givenUp() {
        return past.isEmpty()
                ? this
                : new History(past.subList(0, past.size() - 1), past.getLast().build(), List.of());
    }

    /** What undo would undo. */
    public Optional<String> undoName() {
        return past.isEmpty() ? Optional.empty() : Optional.of(past.getLast().name());
    }

    /** What redo would do again. */
    public Optional<String> redoName() {
        return future.isEmpty()
                ? Optional.empty()
                : Optional.of(future.getLast().name());
    }

    /** One step back; the same when there is none. */
    public History undone() {
        if (past.isEmpty()) {
            return this;
        }
        Step last = past.getLast();
        List<Step> more = new ArrayList<>(future);
        more.add(new Step(last.name(), present));
        return new History(past.subList(0, past.size() - 1), last.build(), more);
    }

    /** One step forward; the same when there is none. */
    public History redone() {
        if (future.isEmpty()) {
            return this;
        }
        Step next = future.getLast();
        List<Step> more = new ArrayList<>(past);
        more.add(new Step(next.name(), present));
        return new History(more, next.build(), future.subList(0, future.size() - 1));
    }
}
