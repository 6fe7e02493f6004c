package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What makes a machine lighter: walls of trays that are made, drawn nearer or thinner. */
public final class Lightening {

    /** Thinner walls of plastic bend under a hand; a guess. */
    private static final double THINNEST_MM = 1.6;

    private static final double STEP_MM = 0.2;

    private Lightening() {}

    /**
     * The least change of one tray after which all is light enough and no more is wrong than before; of several the thickest walls first.
     *
     * @param mostG what it may weigh
     */
    public static Optional<Edit> walls(Build build, double mostG) {
        int before = FreeMove.trouble(build, FitEngine.evaluate(build));
        return build.casing().shells().stream()
                .filter(s -> s.making() != Shell.Making.FOUND && s.weighedG().isEmpty())
                .sorted(Comparator.comparingDouble((Shell s) -> -s.wallMm().value()))
                .flatMap(s -> changes(build, s).stream())
                .filter(e -> {
                    Build lighter = e.change().apply(build);
                    return BalanceEngine.evaluate(lighter).massG().nominal() <= mostG
                            && FreeMove.trouble(lighter, FitEngine.evaluate(lighter)) <= before;
                })
                .findFirst();
    }

    private static List<Edit> changes(Build build, Shell shell) {
        List<Edit> changes = new ArrayList<>();
        if (shell.aroundMm().isEmpty()) {
            changes.add(CaseEdits.follow(shell, build.brief().limits().gapMm()));
        }
        for (double mm = shell.wallMm().value() - STEP_MM; mm >= THINNEST_MM - 1e-9; mm -= STEP_MM) {
            double thin = Math.round(mm * 10) / 10.0;
            changes.add(Edits.casing(
                    "make the walls of " + shell.name() + " " + Units.format(thin, 1, "mm") + " thick",
                    c -> c.shell(shell.id())
                            .map(s -> c.withShell(s.walled(thin)))
                            .orElse(c)));
        }
        return changes;
    }
}
