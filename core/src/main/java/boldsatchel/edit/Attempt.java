package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.ChainRules;
import java.util.Optional;

/** Something tried on a build: an edit, or the reason why it cannot be. */
public sealed interface Attempt {

    /**
     * It can be done.
     *
     * @param edit that does it
     */
    record Allowed(Edit edit) implements Attempt {}

    /**
     * It cannot be.
     *
     * @param why in words, with what could be done instead
     */
    record Refused(String why) implements Attempt {}

    /** The edit, if it can be done. */
    default Optional<Edit> allowed() {
        return this instanceof Allowed a ? Optional.of(a.edit()) : Optional.empty();
    }

    /** A build with it done, or as it was where it cannot be. */
    default Build applied(Build build) {
        return allowed().map(e -> e.change().apply(build)).orElse(build);
    }

    /** The reason, if it cannot. */
    default Optional<String> refusal() {
        return this instanceof Refused r ? Optional.of(r.why()) : Optional.empty();
    }

    /** Allows an edit of a chain when what it makes of a build breaks no rule of chains that was not broken before. */
    static Attempt on(Build build, Edit edit) {
        Optional<String> before = ChainRules.refusal(build);
        return ChainRules.refusal(edit.change().apply(build))
                .filter(why -> !before.equals(Optional.of(why)))
                .<Attempt>map(Refused::new)
                .orElseGet(() -> new Allowed(edit));
    }
}
