package boldsatchel.verdict;

import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import java.util.List;

/**
 * All that is computed about a build.
 *
 * @param build what was judged
 * @param results one an engine
 * @param verdicts in the order in which builders ask
 * @param findings gravest first
 */
public record Evaluation(Build build, Results results, List<Verdict> verdicts, List<Finding> findings) {

    /** Copies the lists. */
    public Evaluation {
        verdicts = List.copyOf(verdicts);
        findings = List.copyOf(findings);
    }

    /** What an engine worked out. */
    public <R> R of(Class<R> kind) {
        return results.of(kind);
    }

    /** The answer to a question. */
    public Verdict verdict(Verdict.Kind kind) {
        return verdicts.stream()
                .filter(v -> v.kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("nobody answers “" + kind.title() + "”"));
    }

    /** Whether anything says stop. */
    public boolean stops() {
        return verdicts.stream().anyMatch(v -> v.state() == State.STOP)
                || findings.stream().anyMatch(f -> f.severity() == Severity.STOP);
    }
}
