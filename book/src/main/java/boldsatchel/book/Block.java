package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.verdict.State;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A piece of the book, whatever it is written on. A new kind is one more here; whoever writes books must know it. */
sealed interface Block {

    /** The name of the whole, once. */
    record Title(String words) implements Block {}

    /** A heading within a chapter. */
    record Heading(String words) implements Block {}

    /** How words are meant. */
    enum Tone {
        /** To be read. */
        PLAIN,
        /** Beside the matter. */
        SOFT,
        /** Not to be missed. */
        STRONG
    }

    /**
     * A paragraph.
     *
     * @param state it tells of, if it tells of one
     * @param indent whether it belongs to the one before it
     */
    record Words(String text, Tone tone, Optional<State> state, boolean indent) implements Block {
        Words(String text, Tone tone) {
            this(text, tone, Optional.empty(), false);
        }

        /** One that belongs to the one before it. */
        static Words under(String text, Tone tone) {
            return new Words(text, tone, Optional.empty(), true);
        }
    }

    /**
     * A table.
     *
     * @param columns their heads
     * @param shares of the width that they take
     * @param numbers columns that are set to the right
     */
    record Rows(List<String> columns, List<Integer> shares, Set<Integer> numbers, List<Row> rows) implements Block {
        /** Copies the lists. */
        public Rows {
            columns = List.copyOf(columns);
            shares = List.copyOf(shares);
            numbers = Set.copyOf(numbers);
            rows = List.copyOf(rows);
        }
    }

    /**
     * A row.
     *
     * @param state it tells of, if it tells of one
     */
    record Row(Optional<State> state, List<String> cells) {
        /** Copies the lists. */
        public Row {
            cells = List.copyOf(cells);
        }

        Row(List<String> cells) {
            this(Optional.empty(), cells);
        }
    }

    /** A drawing over the whole width. */
    record Picture(Drawing drawing) implements Block {}

    /** A small drawing with words beside it. */
    record Beside(Optional<Drawing> drawing, List<Words> words) implements Block {
        /** Copies the lists. */
        public Beside {
            words = List.copyOf(words);
        }
    }

    /** Something that is folded away where that can be: its name, and what is in it. */
    record Folded(String name, List<Words> words) implements Block {
        /** Copies the lists. */
        public Folded {
            words = List.copyOf(words);
        }
    }
}
