package boldsatchel.verdict;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.cost.CostEngine;
import boldsatchel.cost.CostResult;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatEngine;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Judges a build: runs the engines, then lets a judge for each answer its questions. Pure: the same build gives the same
 * evaluation, on any thread.
 */
public final class Evaluator {

    private Evaluator() {}

    /** Judges a build. */
    public static Evaluation evaluate(Build build) {
        PowerResult power = PowerEngine.evaluate(build);
        FitResult fit = FitEngine.evaluate(build);
        BalanceResult balance = BalanceEngine.evaluate(build);
        HeatResult heat = HeatEngine.evaluate(build, fit, power);
        CostResult cost = CostEngine.evaluate(build);

        List<Verdict> verdicts = new ArrayList<>(List.of(
                FitJudge.packs(build, fit),
                PowerJudge.lasts(build, power),
                HeatJudge.keepsCool(build, heat),
                BalanceJudge.carries(build, balance),
                BalanceJudge.stands(build, balance),
                CostJudge.costs(build, cost)));
        verdicts.sort(Comparator.comparing(Verdict::kind));

        List<Finding> findings = new ArrayList<>();
        findings.addAll(PowerJudge.findings(build, power));
        findings.addAll(FitJudge.findings(build, fit));
        findings.addAll(BalanceJudge.findings(build, balance));
        findings.addAll(HeatJudge.findings(build, heat));
        findings.addAll(CostJudge.findings(build, cost));
        findings.sort(Comparator.comparing(Finding::severity));
        return new Evaluation(build, power, fit, balance, heat, cost, verdicts, findings);
    }
}
