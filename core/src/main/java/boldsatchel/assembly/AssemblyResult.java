package boldsatchel.assembly;

import boldsatchel.engine.Lazy;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How the machine goes together and comes apart again.
 *
 * @param out what is taken out, off or opened, one after the other; read backwards it is the order of building
 * @param circles pieces that keep each other in for ever: the machine cannot be put together as it is planned
 * @param cutShort whether so much lies in one another's way that not every way out was looked at; circles are not told then
 * @param wayOut the cheapest changes to the plan that undo all circles; nothing where there are none, or none was found
 * @param fast wires between parts that do not come apart
 * @param reaches what it takes to have a battery, card, drive or fan in hand
 * @param recall what the engine remembers; says nothing
 */
public record AssemblyResult(
        List<Removal> out,
        List<Circle> circles,
        boolean cutShort,
        Lazy<Optional<WayOut>> wayOut,
        List<Fast> fast,
        List<Reach> reaches,
        Recall recall) {

    /** Nothing is put together. */
    public static final AssemblyResult NOTHING = new AssemblyResult(
            List.of(), List.of(), false, Lazy.known(Optional.empty()), List.of(), List.of(), Recall.NONE);

    /** Copies the lists. */
    public AssemblyResult {
        out = List.copyOf(out);
        circles = List.copyOf(circles);
        fast = List.copyOf(fast);
        reaches = List.copyOf(reaches);
    }

    /**
     * Pieces that keep each other in. Each would come out if any one of the others were gone; one alone is kept in by its tray.
     *
     * @param pieces its members
     */
    public record Circle(List<Piece> pieces) {
        /** Copies the list. */
        public Circle {
            pieces = List.copyOf(pieces);
        }
    }

    /**
     * Changes to the plan that let everything out.
     *
     * @param changes all of them are needed
     * @param proven whether no cheaper ones would do
     */
    public record WayOut(List<Loosening> changes, boolean proven) {
        /** Copies the list. */
        public WayOut {
            changes = List.copyOf(changes);
        }

        /** What they cost, minutes. */
        public double minutes() {
            return changes.stream().mapToDouble(c -> c.kind().minutes()).sum();
        }
    }

    /**
     * Wires without a plug.
     *
     * @param lead id of the wires
     * @param one id of a part
     * @param other id of the other
     */
    public record Fast(String lead, String one, String other) {}

    /** What wears out or is swapped. */
    public enum Wanted {
        /** Cells. */
        BATTERY("battery"),
        /** A memory card or drive. */
        DRIVE("drive"),
        /** A fan. */
        FAN("fan");

        private final String words;

        Wanted(String words) {
            this.words = words;
        }

        /** As written in a sentence: steps to the … */
        public String words() {
            return words;
        }

        /** What a part is of these, if it is one. */
        static Optional<Wanted> of(Part part) {
            if (part.isSource()) {
                return Optional.of(BATTERY);
            }
            if (part.family() == Family.DRIVE) {
                return Optional.of(DRIVE);
            }
            return part.facet(Facet.MovesAir.class).map(f -> FAN);
        }
    }

    /**
     * What it takes to have a part in hand.
     *
     * @param part its id
     * @param wanted what it is of what wears out or is swapped, if it is one
     * @param steps least ones, in their order; empty where it never comes out of the finished machine
     * @param minutes out and back in: usual times, a guess
     * @param least whether there are surely no fewer steps
     * @param unsoldered wires without a plug that hold it even then
     */
    public record Reach(
            String part,
            Optional<Wanted> wanted,
            List<Removal> steps,
            double minutes,
            boolean least,
            List<String> unsoldered) {
        /** Copies the lists. */
        public Reach {
            steps = List.copyOf(steps);
            unsoldered = List.copyOf(unsoldered);
        }

        /** Whether it never comes out. */
        public boolean isShut() {
            return steps.isEmpty();
        }
    }

    /** The part of a kind that takes most to be reached: one that never comes out before all others. */
    public Optional<Reach> worst(Wanted wanted) {
        return reaches.stream()
                .filter(r -> r.wanted().filter(wanted::equals).isPresent())
                .max(Comparator.comparing(Reach::isShut)
                        .thenComparingInt(r -> r.steps().size())
                        .thenComparingDouble(Reach::minutes));
    }
}
