package boldsatchel.book;

import java.util.List;

/**
 * A chapter of the book.
 *
 * @param title for people
 * @param blocks in it; one without any is left out
 */
record Chapter(String title, List<Block> blocks) {
    Chapter {
        blocks = List.copyOf(blocks);
    }
}
