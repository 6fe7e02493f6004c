package boldsatchel.hunt;

import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Where a hunt stands after some clues.
 *
 * @param suspects the likeliest first
 * @param next checks that tell most for their minutes, the best first
 * @param standing what to do now
 * @param minutes that the checks so far took
 */
public record Belief(List<Weighed> suspects, List<Next> next, Standing standing, double minutes) {

    /** A clue that makes a suspect so many times likelier, or less likely, is worth a word. */
    private static final double STRONG = 2.5;
    // Of a check, bits.
    private static final double HALF = 0.9;
    private static final double GOOD_DEAL = 0.4;
    private static final double SOMETHING = 0.12;

    /** What to do now. */
    public enum Standing {
        /** Another check tells more. */
        GOES_ON,
        /** One suspect is nearly sure. */
        FOUND,
        /** No check that can be done tells any more. */
        NOTHING_LEFT,
        /** The time that it may take is up. */
        TIME_IS_UP
    }

    /**
     * A suspect.
     *
     * @param cause what it is
     * @param weight how likely beside the others, 0 to 1
     * @param why what of this build speaks for it before anything is checked; empty where nothing does
     * @param spoke how much each clue made it likelier or less likely than the others together, in the order of the clues
     */
    public record Weighed(Cause cause, double weight, String why, List<Spoke> spoke) {
        /** Copies the list. */
        public Weighed {
            spoke = List.copyOf(spoke);
        }

        /** The clue that speaks most for it, if it is worth a word. */
        public Optional<Journal.Clue> mostFor() {
            return spoke.stream()
                    .max(Comparator.comparingDouble(Spoke::factor))
                    .filter(s -> s.factor() > STRONG)
                    .map(Spoke::clue);
        }

        /** The clue that speaks most against it, if it is worth a word. */
        public Optional<Journal.Clue> mostAgainst() {
            return spoke.stream()
                    .min(Comparator.comparingDouble(Spoke::factor))
                    .filter(s -> s.factor() < 1 / STRONG)
                    .map(Spoke::clue);
        }
    }

    /**
     * What a clue did to a suspect.
     *
     * @param clue which
     * @param factor how many times likelier it made it, beside all others
     */
    public record Spoke(Journal.Clue clue, double factor) {}

    /**
     * A check that could be done next.
     *
     * @param check which
     * @param place part that it is done to
     * @param bits that it is expected to tell
     * @param expected by the plan, in words; empty unless it is a reading
     */
    public record Next(Check check, Part place, double bits, String expected) {
        /** How much it tells, in words: one bit halves the suspects. */
        public String tells() {
            if (bits > HALF) {
                return "halves the suspects or better";
            }
            return bits > GOOD_DEAL ? "tells a good deal" : bits > SOMETHING ? "tells something" : "tells little";
        }
    }

    /** Copies the lists. */
    public Belief {
        suspects = List.copyOf(suspects);
        next = List.copyOf(next);
    }

    /** The likeliest. */
    public Weighed foremost() {
        return suspects.getFirst();
    }

    /** The check that is best done next. */
    public Optional<Next> best() {
        return next.stream().findFirst();
    }

    /** Doubt that is left, bits: 0 when one is certain. */
    public double bits() {
        return Hunt.entropy(suspects.stream().mapToDouble(Weighed::weight).toArray());
    }
}
