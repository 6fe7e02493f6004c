package boldsatchel.revise;

import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;

/**
 * What is otherwise in one build than in another, as people ask for it.
 *
 * @param verdicts whose figure or state is another, in words
 * @param figures all else that is another, figure by figure; parts that came and went among them
 */
public record Changes(List<String> verdicts, List<Difference> figures) {

    /** Copies the lists. */
    public Changes {
        verdicts = List.copyOf(verdicts);
        figures = List.copyOf(figures);
    }

    /** Between two builds that were judged. */
    public static Changes between(Evaluation before, Evaluation now) {
        List<String> verdicts = new ArrayList<>();
        for (Verdict verdict : now.verdicts()) {
            before.verdicts().stream()
                    .filter(v -> v.kind().equals(verdict.kind()))
                    .findFirst()
                    .filter(v -> !v.state().equals(verdict.state()) || !told(v).equals(told(verdict)))
                    .ifPresent(v -> verdicts.add(verdict.kind().title() + ": " + told(v) + ", "
                            + v.state().words() + " → " + told(verdict) + ", "
                            + verdict.state().words()));
        }
        return new Changes(verdicts, Differences.between(Revisions.bare(before.build()), Revisions.bare(now.build())));
    }

    private static String told(Verdict verdict) {
        return verdict.kind().format(verdict.value());
    }
}
