package boldsatchel.power;

import boldsatchel.machine.Mode;
import boldsatchel.machine.UseProfile;
import java.util.Optional;

/**
 * What all loads are asked for.
 *
 * @param mode of all loads
 * @param brightness of backlights, 0 to 1
 * @param refreshesPerMinute of paper-like panels
 * @param program what the boards run, if it is known
 */
public record Demand(Mode mode, double brightness, double refreshesPerMinute, Optional<UseProfile.Program> program) {

    /** Nothing known of programs and refreshes. */
    public Demand(Mode mode, double brightness) {
        this(mode, brightness, 0, Optional.empty());
    }

    /** Full brightness. */
    public static Demand of(Mode mode) {
        return new Demand(mode, mode == Mode.OFF || mode == Mode.SLEEP ? 0 : 1);
    }

    /** What a step of a profile asks for. */
    public static Demand of(UseProfile.Step step) {
        return new Demand(
                step.mode(), step.brightness(), step.refreshesPerMinute().orElse(0.0), step.program());
    }
}
