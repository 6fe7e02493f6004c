package boldsatchel.plan;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Two vents for a tray that gets too warm: slots low in one wall, a grille high in another, where no part stands before them. */
public final class Airing {

    private static final List<Face> UPRIGHT = List.of(Face.BACK, Face.FRONT, Face.LEFT, Face.RIGHT);

    private Airing() {}

    /**
     * Vents that help.
     *
     * @param words where they are
     * @param edit that cuts them
     */
    public record Vents(String words, Edit edit) {}

    /** The two that keep a build coolest; nothing when none do it good, or parts stand before all walls. */
    public static Optional<Vents> of(Build build, Shell tray) {
        Optional<Vents> best = Optional.empty();
        double most = margin(Evaluator.evaluate(build));
        for (Face low : UPRIGHT) {
            for (Face high : UPRIGHT.stream().filter(f -> f != low).toList()) {
                List<Vent> both = new ArrayList<>(tray.vents());
                both.add(Vent.usual("air in", low, tray.cavity(), false, Vent.Kind.SLOTS));
                both.add(Vent.usual("air out", high, tray.cavity(), true, Vent.Kind.GRILLE));
                Edit edit = CaseEdits.vents("cut two vents into " + tray.name(), tray, both);
                Evaluation open = Evaluator.evaluate(edit.change().apply(build));
                if (margin(open) > most
                        && open.findings().stream().noneMatch(f -> f.code().equals("fit.vent-covered"))) {
                    best = Optional.of(new Vents(
                            "low in the " + low.words() + " wall, high in the " + high.words() + " wall", edit));
                    most = margin(open);
                }
            }
        }
        return best;
    }

    private static double margin(Evaluation evaluation) {
        double value = evaluation.verdict(Verdict.Kind.KEEPS_COOL).value();
        return Double.isNaN(value) ? Double.POSITIVE_INFINITY : value;
    }
}
