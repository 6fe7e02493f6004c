package boldsatchel.desktop.assemble;

import boldsatchel.assembly.Day;
import boldsatchel.verdict.State;

/** How hold points are marked. */
final class Holds {

    private Holds() {}

    static State state(Day.Proof proof) {
        return switch (proof) {
            case OPEN -> State.WATCH;
            case DIFFERS -> State.STOP;
            case PASSED -> State.FINE;
        };
    }
}
