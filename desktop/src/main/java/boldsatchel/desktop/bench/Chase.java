package boldsatchel.desktop.bench;

import boldsatchel.desktop.desk.Session;
import boldsatchel.edit.HuntEdits;
import boldsatchel.hunt.Hunt;
import boldsatchel.machine.Journal;
import boldsatchel.standins.HiddenFault;
import boldsatchel.verdict.Evaluation;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** A hunt on show: one that is written down in the build, or practice, which nobody writes down. */
interface Chase {

    /** As it stands; nothing when it has been taken out. */
    Optional<Journal.Hunted> hunted();

    /** Changes it. */
    void does(String name, UnaryOperator<Journal.Hunted> change);

    /** Whether it is practice. */
    default boolean isPractice() {
        return false;
    }

    /** What stands in for the machine, in practice. */
    default Optional<HiddenFault> fault(Evaluation evaluation, Hunt hunt) {
        return Optional.empty();
    }

    /** One of the build's journal. */
    static Chase written(Session session, String id) {
        return new Chase() {
            @Override
            public Optional<Journal.Hunted> hunted() {
                return session.build().journal().hunts().stream()
                        .filter(h -> h.id().equals(id))
                        .findFirst();
            }

            @Override
            public void does(String name, UnaryOperator<Journal.Hunted> change) {
                session.does(HuntEdits.change(name, id, change));
            }
        };
    }

    /**
     * Practice.
     *
     * @param begun what is looked for
     * @param seed of the fault that is hidden
     * @param changed told when it goes on
     */
    static Chase practice(Journal.Hunted begun, long seed, Runnable changed) {
        return new Chase() {
            private Journal.Hunted now = begun;
            private Optional<HiddenFault> hidden = Optional.empty();

            @Override
            public Optional<Journal.Hunted> hunted() {
                return Optional.of(now);
            }

            @Override
            public void does(String name, UnaryOperator<Journal.Hunted> change) {
                now = change.apply(now);
                changed.run();
            }

            @Override
            public boolean isPractice() {
                return true;
            }

            @Override
            public Optional<HiddenFault> fault(Evaluation evaluation, Hunt hunt) {
                if (hidden.isEmpty()) {
                    hidden = HiddenFault.drawn(evaluation, hunt, seed);
                }
                return hidden;
            }
        };
    }
}
