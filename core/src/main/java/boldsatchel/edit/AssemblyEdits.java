package boldsatchel.edit;

import boldsatchel.machine.Journal;
import java.util.ArrayList;
import java.util.List;

/** What is put down on the day a machine is put together. */
public final class AssemblyEdits {

    private AssemblyEdits() {}

    /**
     * A step is done; one that was done already is done anew.
     *
     * @param words of the step
     */
    public static Edit tick(String words, Journal.Ticked ticked) {
        return Edits.journal("tick “" + words + "”", j -> {
            List<Journal.Ticked> now = without(j, ticked.step());
            now.add(ticked);
            return j.withDone(now);
        });
    }

    /**
     * A step is not done after all.
     *
     * @param words of the step
     */
    public static Edit untick(String words, String step) {
        return Edits.journal("take back “" + words + "”", j -> j.withDone(without(j, step)));
    }

    /**
     * A step comes elsewhere in the row.
     *
     * @param words of the step
     */
    public static Edit move(String words, Journal.Moved moved) {
        return Edits.journal("move “" + words + "”", j -> {
            List<Journal.Moved> now = new ArrayList<>(j.moved());
            now.add(moved);
            return j.withMoved(now);
        });
    }

    /**
     * A step comes where it came by itself.
     *
     * @param words of the step
     */
    public static Edit putBack(String words, String step) {
        return Edits.journal("put back “" + words + "”", j -> {
            List<Journal.Moved> left = new ArrayList<>(j.moved());
            left.removeIf(m -> m.step().equals(step));
            return j.withMoved(left);
        });
    }

    /** Something is otherwise than planned. */
    public static Edit differs(Journal.Differs differs) {
        return Edits.journal("put down what is otherwise", j -> j.and(differs));
    }

    private static List<Journal.Ticked> without(Journal journal, String step) {
        List<Journal.Ticked> left = new ArrayList<>(journal.done());
        left.removeIf(t -> t.step().equals(step));
        return left;
    }
}
