package boldsatchel.heat;

import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.Points;
import java.util.Optional;

/**
 * How much can go on for ever, and how long more can: work between what a step of use asks for and waiting, with all else as it is.
 *
 * @param step the step of the profile that warms most
 * @param watts heat of the whole machine with which the first limit is just held
 * @param askedW heat of the whole machine in that step
 * @param waitingW the same where it only waits; 0 where nobody can say
 * @param work share of what the step asks for beyond waiting that can go on for ever; more than 1 where more could, 0 where not even waiting can
 * @param first which limit is met first; absent without limits
 * @param burstSeconds how long the step can go on after long waiting until a limit is met; infinite where it can for ever, 0 where waiting is too much
 */
public record Sustained(
        UseProfile.Step step,
        double watts,
        double askedW,
        double waitingW,
        double work,
        Optional<HeatRun.Spot> first,
        double burstSeconds) {

    /** More work than this many times what is asked for is not looked for. */
    public static final double MOST_WORK = 8;

    /**
     * Of a profile; nothing without a case, or without a source of power.
     *
     * @param fit where the parts lie
     * @param points what warms them
     * @param pluggedIn whether all supplies are plugged in and chargers charge, as when half full, for ever
     */
    public static Optional<Sustained> of(
            Build build, FitResult fit, Points points, UseProfile profile, boolean pluggedIn) {
        return Outing.of(build, fit, points, pluggedIn).map(outing -> outing.sustained(profile));
    }

    /** Pictures a second that can go on for ever, where the step runs a program that draws them. */
    public Optional<Double> framesPerSecond() {
        return step.program().filter(p -> p.framesPerSecond() > 0).map(p -> p.framesPerSecond() * Math.min(1, work));
    }
}
