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

    static final List<Face> UPRIGHT = List.of(Face.BACK, Face.FRONT, Face.LEFT, Face.RIGHT);

    private Airing() {}

    /**
     * Vents that help.
     *
     * @param words where they are
     * @param edit that cuts them
     */
    public record Vents(String words, Edit edit) {}

    /** Every pair of upright walls, one low and one high, beside the vents that the tray has. */
    static List<Vents> pairs(Shell tray) {
        List<Vents> pairs = new ArrayList<>();
        for (Face low : UPRIGHT) {
            for (Face high : UPRIGHT) {
                if (low != high) {
                    List<Vent> both = new ArrayList<>(tray.vents());
                    both.add(Vent.usual("air in", low, tray.cavity(), false, Vent.Kind.SLOTS));
                    both.add(Vent.usual("air out", high, tray.cavity(), true, Vent.Kind.GRILLE));
                    pairs.add(new Vents(
                            "low in the " + low.words() + " wall, high in the " + high.words() + " wall",
                            CaseEdits.vents("cut two vents into " + tray.name(), tray, both)));
                }
            }
        }
        return pairs;
    }

    /** The two that keep a build coolest; nothing when none do it good, or parts stand before all walls. */
    public static Optional<Vents> of(Build build, Shell tray) {
        Optional<Vents> best = Optional.empty();
        Evaluator coolness = Evaluator.answering(Verdict.Kind.KEEPS_COOL);
        double most = Relief.margin(coolness.judge(build));
        for (Vents vents : pairs(tray)) {
            Evaluation open = coolness.judge(vents.edit().change().apply(build));
            if (Relief.margin(open) > most
                    && open.findings().stream().noneMatch(f -> f.code().equals("fit.vent-covered"))) {
                best = Optional.of(vents);
                most = Relief.margin(open);
            }
        }
        return best;
    }
}
