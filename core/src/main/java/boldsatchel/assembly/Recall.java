package boldsatchel.assembly;

import boldsatchel.cables.Lead;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What the engine remembers of its last answer to be quicker the next time. It says nothing of the answer: all are equal. */
public final class Recall {

    /** Nothing. */
    static final Recall NONE = new Recall(Optional.empty(), List.of(), new double[0]);

    private final Optional<Takedown> building;
    private final List<Lead> leads;
    private final double[] ranks;

    private Recall(Optional<Takedown> building, List<Lead> leads, double[] ranks) {
        this.building = building;
        this.leads = leads;
        this.ranks = ranks;
    }

    /**
     * What there is to remember.
     *
     * @param building the machine as it is put together, asked all that was to be known
     * @param ranks of its moves, in their order
     */
    static Recall of(Takedown building, List<Lead> leads, double[] ranks) {
        return new Recall(Optional.of(building), leads, ranks);
    }

    /** The machine as it was put together. */
    Optional<Takedown> building() {
        return building;
    }

    /** Whether the answer is the same with other leads and ranks. */
    boolean isSame(List<Lead> newLeads, double[] newRanks) {
        return leads.equals(newLeads) && Arrays.equals(ranks, newRanks);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Recall;
    }

    @Override
    public int hashCode() {
        return 0;
    }
}
