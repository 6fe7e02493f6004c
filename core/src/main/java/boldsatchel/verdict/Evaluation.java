package boldsatchel.verdict;

import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

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

    /** One is equal to itself only: who listens for a new one would otherwise have every word and remedy of both worked out to compare them. */
    @Override
    public boolean equals(@Nullable Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }

    /** Whether another one says the same, word for word; works out all that was left until somebody looks. */
    public boolean saysTheSame(Evaluation other) {
        return build.equals(other.build)
                && results.equals(other.results)
                && verdicts.equals(other.verdicts)
                && findings.equals(other.findings);
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

    /** Verdicts that read otherwise in another evaluation, as {@code Lasts 5.8 h → 4.1 h}; empty where none does. */
    public String changesTo(Evaluation then) {
        List<String> changes = new ArrayList<>();
        for (Verdict v : verdicts) {
            String now = v.kind().format(v.value());
            String later = v.kind().format(then.verdict(v.kind()).value());
            if (!now.equals(later)) {
                changes.add(v.kind().title() + " " + now + " → " + later);
            }
        }
        return String.join(" · ", changes);
    }

    /** What this one finds and another does not: of another kind, about something else, or less grave there. */
    public List<Finding> beyond(Evaluation other) {
        return findings.stream()
                .filter(f -> other.findings.stream()
                        .noneMatch(o -> o.code().equals(f.code())
                                && o.severity() == f.severity()
                                && o.subjects().equals(f.subjects())))
                .toList();
    }

    /** Whether anything says stop. */
    public boolean stops() {
        return verdicts.stream().anyMatch(v -> v.state() == State.STOP)
                || findings.stream().anyMatch(f -> f.severity() == Severity.STOP);
    }
}
