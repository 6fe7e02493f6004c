package boldsatchel.build;

import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * One rung of the power chain and all that it feeds. The first rung of a chain is a source; loads end it.
 *
 * @param id unique in the build
 * @param stage what it is
 * @param feeds the rungs behind it
 */
public record Rung(String id, Stage stage, List<Rung> feeds) {

    /** What a rung is. */
    public sealed interface Stage {}

    /**
     * A part of the build: source, converter or load, by its facets.
     *
     * @param part its id
     */
    public record OfPart(String part) implements Stage {}

    /**
     * A pair of copper wires.
     *
     * @param awg gauge number, 0 to 40
     * @param lengthMm one way
     */
    public record Wire(int awg, double lengthMm) implements Stage {}

    /** What a contact is. */
    public enum ContactKind {
        /** Fuse. */
        FUSE("fuse"),
        /** Switch. */
        SWITCH("switch"),
        /** Plug and socket. */
        CONNECTOR("connector"),
        /** Protection board: ends the discharge and trips on over-current. */
        PROTECTION("protection");

        private final String words;

        ContactKind(String words) {
            this.words = words;
        }

        /** As written in a sentence. */
        public String words() {
            return words;
        }
    }

    /**
     * Something current passes through with a little loss.
     *
     * @param kind what it is
     * @param ohms its resistance
     * @param ratedA the most current it is made for
     */
    public record Contact(ContactKind kind, Figure ohms, double ratedA) implements Stage {}

    /**
     * A diode.
     *
     * @param kneeV voltage lost at any current
     * @param ohms and what is lost with current
     * @param ratedA the most current it is made for
     */
    public record Diode(Figure kneeV, Figure ohms, double ratedA) implements Stage {}

    /** Copies the list. */
    public Rung {
        feeds = List.copyOf(feeds);
    }

    /** A rung that ends the chain. */
    public static Rung of(String id, Stage stage, Rung... feeds) {
        return new Rung(id, stage, List.of(feeds));
    }

    /** This rung and all below it. */
    public Stream<Rung> walk() {
        return Stream.concat(Stream.of(this), feeds.stream().flatMap(Rung::walk));
    }

    /** The part it is, if it is one. */
    public Optional<String> part() {
        return stage instanceof OfPart of ? Optional.of(of.part()) : Optional.empty();
    }

    /** The same chain with every rung passed through a change, leaves first. */
    public Rung map(UnaryOperator<Rung> change) {
        return change.apply(
                new Rung(id, stage, feeds.stream().map(f -> f.map(change)).toList()));
    }
}
