package boldsatchel.arrange;

import boldsatchel.machine.Build;
import boldsatchel.verdict.Evaluation;

/**
 * An arrangement that was found, judged by all engines.
 *
 * @param evaluation of the build as it would be
 * @param merit what is to be said for and against it
 */
public record Proposal(Evaluation evaluation, Merit merit) {

    /** One, judged. */
    static Proposal of(Evaluation evaluation) {
        return new Proposal(evaluation, Merit.of(evaluation));
    }

    /** The build as it would be. */
    public Build build() {
        return evaluation.build();
    }
}
