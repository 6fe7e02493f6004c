package boldsatchel.hunt;

import java.util.List;

/**
 * Something that can be looked at, read or exchanged to tell causes apart.
 *
 * @param id stable name
 * @param title for people
 * @param kind of check
 * @param at what a part must be that it is done to, see {@link Trait}; {@link #SUBJECT} for the part that is in trouble
 * @param minutes it takes
 * @param needs instruments and spare parts
 * @param how it is done
 * @param reads name of what is read, see {@link boldsatchel.bench.Measurand}; empty unless it is a reading
 * @param outcomes that it can have; those of a reading are bands round what the plan expects
 */
public record Check(
        String id,
        String title,
        Kind kind,
        String at,
        double minutes,
        List<String> needs,
        String how,
        String reads,
        List<Outcome> outcomes) {

    /** The part that is in trouble. */
    public static final String SUBJECT = "subject";

    /** Kinds of check. */
    public enum Kind {
        /** Somebody looks, or answers a question. */
        LOOK,
        /** A number is read. */
        READ,
        /** A part is exchanged for one that is known to be good, or something is left out. */
        SWAP
    }

    /**
     * What can come out.
     *
     * @param id stable name
     * @param words for people
     * @param usual how often it comes out where no cause says otherwise, 0 to 1
     */
    public record Outcome(String id, String words, double usual) {}

    /** Copies the lists. */
    public Check {
        needs = List.copyOf(needs);
        outcomes = List.copyOf(outcomes);
    }

    /** Whether something live is touched, clipped to or exchanged for it. */
    public boolean needsCare() {
        return kind != Kind.LOOK || !needs.isEmpty();
    }

    /** Place of an outcome; -1 for one that it does not have. */
    public int place(String outcome) {
        for (int i = 0; i < outcomes.size(); i++) {
            if (outcomes.get(i).id().equals(outcome)) {
                return i;
            }
        }
        return -1;
    }
}
