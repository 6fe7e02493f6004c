package boldsatchel.build;

import java.util.List;

/**
 * A cycle of use that repeats until the energy is gone.
 *
 * @param name for people
 * @param steps in their order, at least one
 */
public record UseProfile(String name, List<Step> steps) {

    /**
     * One step.
     *
     * @param name what is done
     * @param mode of all loads
     * @param minutes how long, more than zero
     * @param brightness of backlights, 0 to 1
     */
    public record Step(String name, Mode mode, double minutes, double brightness) {
        /** Refuses steps that take no time. */
        public Step {
            if (!(minutes > 0)) {
                throw new IllegalArgumentException("a step of a use profile lasts more than zero minutes");
            }
            if (!(brightness >= 0 && brightness <= 1)) {
                throw new IllegalArgumentException("brightness goes from 0 to 1");
            }
        }
    }

    /** Copies the list. */
    public UseProfile {
        if (steps.isEmpty()) {
            throw new IllegalArgumentException("a use profile needs at least one step");
        }
        steps = List.copyOf(steps);
    }

    /** Working all the time at full brightness. */
    public static UseProfile always(Mode mode) {
        return new UseProfile("always " + mode.words(), List.of(new Step(mode.words(), mode, 60, 1)));
    }

    /** Length of one cycle, minutes. */
    public double minutes() {
        return steps.stream().mapToDouble(Step::minutes).sum();
    }
}
