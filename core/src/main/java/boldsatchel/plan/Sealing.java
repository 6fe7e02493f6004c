package boldsatchel.plan;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.fit.FitResult;
import boldsatchel.heat.Sustained;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.Points;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;

/**
 * A machine sealed and open, side by side: what keeping water out costs.
 *
 * @param sealed without any vent
 * @param open with the vents it has, or where it has none with the two that do most
 */
public record Sealing(Side sealed, Side open) {

    /**
     * One of both.
     *
     * @param words how it is then
     * @param edit that makes it so; absent for how it is now
     * @param marginK least distance to a limit, K
     * @param sustained what can go on for ever in the profile that verdicts are about; absent without a source of power
     */
    public record Side(String words, Optional<Edit> edit, double marginK, Optional<Sustained> sustained) {}

    /** Of a build as it is evaluated; nothing without a tray that stands. */
    public static Optional<Sealing> of(Evaluation now) {
        Build build = now.build();
        Optional<Shell> tray = build.casing().standing();
        boolean vented =
                build.casing().shells().stream().anyMatch(s -> !s.vents().isEmpty());
        if (tray.isEmpty()) {
            return Optional.empty();
        }
        if (vented) {
            Edit shut = new Edit("close all vents", Sealing::shut);
            return Optional.of(new Sealing(
                    side("all vents closed", Optional.of(shut), now), side("as it is", Optional.empty(), now)));
        }
        return Reliefs.vents(now, tray.get())
                .map(vents -> new Sealing(
                        side("as it is", Optional.empty(), now), side(vents.words(), Optional.of(vents.edit()), now)));
    }

    private static Build shut(Build build) {
        Build shut = build;
        for (Shell tray : build.casing().shells()) {
            shut = CaseEdits.vents("", tray, List.of()).change().apply(shut);
        }
        return shut;
    }

    private static Side side(String words, Optional<Edit> edit, Evaluation now) {
        Evaluation then =
                edit.map(e -> Evaluator.evaluate(e.change().apply(now.build()))).orElse(now);
        UseProfile profile = then.build().brief().profile();
        return new Side(
                words,
                edit,
                Relief.margin(then),
                Sustained.of(then.build(), then.of(FitResult.class), then.of(Points.class), profile, false));
    }

    /** What is given up by sealing it, W that can go on for ever; nothing where nobody can say. */
    public Optional<Double> givenUpW() {
        return open.sustained.flatMap(o -> sealed.sustained.map(s -> o.watts() - s.watts()));
    }
}
