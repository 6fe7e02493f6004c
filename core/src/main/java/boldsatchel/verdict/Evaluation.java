package boldsatchel.verdict;

import boldsatchel.balance.BalanceResult;
import boldsatchel.cost.CostResult;
import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.power.PowerResult;
import java.util.List;

/**
 * All that is computed about a build.
 *
 * @param build what was judged
 * @param power of the power engine
 * @param fit of the fit engine
 * @param balance of the balance engine
 * @param heat of the heat engine
 * @param cost of the cost engine
 * @param verdicts in the order of {@link Verdict.Kind}
 * @param findings gravest first
 */
public record Evaluation(
        Build build,
        PowerResult power,
        FitResult fit,
        BalanceResult balance,
        HeatResult heat,
        CostResult cost,
        List<Verdict> verdicts,
        List<Finding> findings) {

    /** Copies the lists. */
    public Evaluation {
        verdicts = List.copyOf(verdicts);
        findings = List.copyOf(findings);
    }

    /** The answer to a question. */
    public Verdict verdict(Verdict.Kind kind) {
        return verdicts.get(kind.ordinal());
    }

    /** Whether anything says stop. */
    public boolean stops() {
        return verdicts.stream().anyMatch(v -> v.state() == State.STOP)
                || findings.stream().anyMatch(f -> f.severity() == Severity.STOP);
    }
}
