package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A cycle of use that repeats until the energy is gone.
 *
 * @param name for people
 * @param steps in their order, at least one
 */
public record UseProfile(
        @Label("name") String name,
        @Label(value = "steps", absent = 1) List<Step> steps) {

    /**
     * One step.
     *
     * @param name what is done
     * @param mode of all loads
     * @param minutes how long, more than zero
     * @param brightness of backlights, 0 to 1
     * @param refreshesPerMinute of paper-like panels; absent for none
     * @param program what the computer runs, which says better than the mode what its board draws
     * @param closed whether the lid is closed meanwhile
     */
    public record Step(
            @Label("what is done") String name,
            @Label(value = "all parts are", absent = 3) Mode mode,

            @Label(value = "for", in = Quantity.MINUTES, absent = 60)
            double minutes,

            @Label(value = "screen", in = Quantity.SHARE, absent = 1)
            double brightness,

            @Label("refreshes a minute") Optional<Double> refreshesPerMinute,
            @Label("program") Optional<Program> program,
            @Label("with the lid closed") boolean closed) {
        /** Refuses steps that take no time. */
        public Step {
            if (!(minutes > 0)) {
                throw new IllegalArgumentException("a step of a use profile lasts more than zero minutes");
            }
            if (!(brightness >= 0 && brightness <= 1)) {
                throw new IllegalArgumentException("brightness goes from 0 to 1");
            }
            if (refreshesPerMinute.filter(r -> !(r >= 0)).isPresent()) {
                throw new IllegalArgumentException("refreshes a minute are zero or more");
            }
        }

        /** A step without a program and without refreshes. */
        public Step(String name, Mode mode, double minutes, double brightness) {
            this(name, mode, minutes, brightness, Optional.empty(), Optional.empty(), false);
        }

        /** The same step under another name. */
        public Step named(String newName) {
            return new Step(newName, mode, minutes, brightness, refreshesPerMinute, program, closed);
        }

        /** The same step in another mode. */
        public Step in(Mode newMode) {
            return new Step(name, newMode, minutes, brightness, refreshesPerMinute, program, closed);
        }

        /** The same step for another time. */
        public Step lasting(double newMinutes) {
            return new Step(name, mode, newMinutes, brightness, refreshesPerMinute, program, closed);
        }

        /** The same step at another brightness. */
        public Step at(double newBrightness) {
            return new Step(name, mode, minutes, newBrightness, refreshesPerMinute, program, closed);
        }

        /** The same step with other refreshes. */
        public Step refreshing(Optional<Double> perMinute) {
            return new Step(name, mode, minutes, brightness, perMinute, program, closed);
        }

        /** The same step with the lid closed, or not. */
        public Step closed(boolean is) {
            return new Step(name, mode, minutes, brightness, refreshesPerMinute, program, is);
        }

        /** The same step with another program. */
        public Step running(Optional<Program> newProgram) {
            return new Step(name, mode, minutes, brightness, refreshesPerMinute, newProgram, closed);
        }
    }

    /**
     * A program as a load on the board it runs on.
     *
     * @param name for people
     * @param framesPerSecond pictures it draws; 0 when that says nothing
     * @param processor load, 0 to 1
     * @param graphics load, 0 to 1
     * @param watts of the whole board, if they were read; estimated from the loads otherwise
     */
    public record Program(
            @Label("name") String name,
            @Label("frames a second") double framesPerSecond,

            @Label(value = "processor load", in = Quantity.SHARE)
            double processor,

            @Label(value = "graphics load", in = Quantity.SHARE)
            double graphics,

            @Label(value = "board power", in = Quantity.POWER)
            Optional<Figure> watts) {
        /** Share of the way from idle to busy that the processor alone makes; a guess, as boards differ. */
        public static final double PROCESSOR_SHARE = 0.7;

        /** Refuses loads beyond all there is. */
        public Program {
            if (!(processor >= 0 && processor <= 1) || !(graphics >= 0 && graphics <= 1)) {
                throw new IllegalArgumentException("processor and graphics loads go from 0 to 100 %");
            }
            if (!(framesPerSecond >= 0)) {
                throw new IllegalArgumentException("frames a second are zero or more");
            }
        }

        /** How far from idle (0) to busy (1) it takes a board. */
        public double effort() {
            return PROCESSOR_SHARE * processor + (1 - PROCESSOR_SHARE) * graphics;
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

    /** The same profile with one step changed. */
    public UseProfile with(int index, Step step) {
        List<Step> changed = new ArrayList<>(steps);
        changed.set(index, step);
        return new UseProfile(name, changed);
    }

    /** The same profile with one step changed; as it is when there is no such step. */
    public UseProfile changed(int index, UnaryOperator<Step> change) {
        return index < steps.size() ? with(index, change.apply(steps.get(index))) : this;
    }

    /** The same profile with one more step. */
    public UseProfile and(Step step) {
        List<Step> more = new ArrayList<>(steps);
        more.add(step);
        return new UseProfile(name, more);
    }

    /** The same profile without a step; as it is when there is no such step, or no other. */
    public UseProfile without(int index) {
        if (index >= steps.size() || steps.size() == 1) {
            return this;
        }
        List<Step> fewer = new ArrayList<>(steps);
        fewer.remove(index);
        return new UseProfile(name, fewer);
    }

    /** The same profile with every brightness multiplied, to whole percents. */
    public UseProfile dimmed(double factor) {
        return new UseProfile(
                name,
                steps.stream()
                        .map(s -> s.at(Math.round(s.brightness() * factor * 100) / 100.0))
                        .toList());
    }

    /** Length of one cycle, minutes. */
    public double minutes() {
        double sum = 0;
        for (Step step : steps) {
            sum += step.minutes();
        }
        return sum;
    }
}
