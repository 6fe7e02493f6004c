package boldsatchel.desktop.cool;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.heat.Sustained;
import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.Points;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.Optional;

/**
 * A use followed through time, worked out once for an evaluation.
 *
 * @param evaluation it is of
 * @param use that is followed
 * @param run of its profile; nothing where it cannot be followed
 * @param sustained what can go on for ever in it
 * @param why it cannot be followed, in words; empty where it can
 */
record Followed(
        Evaluation evaluation, HeatResult.Use use, Optional<HeatRun> run, Optional<Sustained> sustained, String why) {

    static Followed of(Evaluation evaluation, HeatResult.Use use) {
        Build build = evaluation.build();
        UseProfile profile = build.brief().profiles().stream()
                .filter(p -> p.name().equals(use.profile()))
                .findFirst()
                .orElse(build.brief().profile());
        FitResult fit = evaluation.of(FitResult.class);
        Points points = evaluation.of(Points.class);
        try {
            boolean plugged = use.when().pluggedIn();
            Optional<HeatRun> run = HeatRun.of(build, fit, points, profile, plugged);
            String why = run.isPresent()
                    ? ""
                    : "There is no source of power in the chain yet: build the chain in Power, then the run can be followed.";
            return new Followed(evaluation, use, run, Sustained.of(build, fit, points, profile, plugged), why);
        } catch (CannotAnswer e) {
            return new Followed(
                    evaluation,
                    use,
                    Optional.empty(),
                    Optional.empty(),
                    "It cannot be followed: " + e.getMessage() + ".");
        }
    }

    boolean isOf(Evaluation other, HeatResult.Use otherUse) {
        return evaluation.equals(other) && use.when().equals(otherUse.when());
    }

    /** What can go on for ever, in a sentence; empty where nobody can say. */
    String sentence() {
        return sustained.map(Followed::sentence).orElse("");
    }

    private static String sentence(Sustained s) {
        String step = "“" + s.step().name() + "” sets " + Units.format(s.askedW(), 1, "W") + " free. ";
        String first = s.first()
                .map(f -> "“" + f.name() + "” is the first at its limit")
                .orElse("nothing has a limit");
        if (s.work() >= Sustained.MOST_WORK) {
            return step + "It can go on for ever, and many times as much could.";
        }
        if (s.work() >= 1) {
            return step + "It can go on for ever, and up to " + Units.format(s.watts(), 1, "W") + " could: " + first
                    + " then.";
        }
        if (s.work() <= 0) {
            return step + "Not even waiting, " + Units.format(s.waitingW(), 1, "W") + ", can go on for ever: " + first
                    + ".";
        }
        String frames = s.framesPerSecond()
                .map(f -> ", " + Units.format(f, 0, "pictures a second"))
                .orElse("");
        return step + Units.format(s.watts(), 1, "W") + " can go on for ever, " + Units.format(s.work() * 100, 0, "%")
                + " of the work beyond waiting" + frames + ": " + first + ". After a long rest all of it can go on for "
                + Units.duration(s.burstSeconds() / 3600) + ".";
    }
}
