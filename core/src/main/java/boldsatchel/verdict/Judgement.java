package boldsatchel.verdict;

import java.util.List;

/**
 * What one judge says.
 *
 * @param verdicts one a question
 * @param findings in any order
 */
public record Judgement(List<Verdict> verdicts, List<Finding> findings) {

    /** Copies the lists. */
    public Judgement {
        verdicts = List.copyOf(verdicts);
        findings = List.copyOf(findings);
    }
}
