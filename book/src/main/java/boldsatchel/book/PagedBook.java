package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The book on pages.
 *
 * @param pages A4
 * @param contents titles of chapters and the page on which each begins, from 0
 */
record PagedBook(List<Drawing> pages, Map<String, Integer> contents) {

    /** Lays chapters down, each on a page of its own. */
    static PagedBook of(List<Chapter> chapters, String footer) {
        Flow flow = new Flow(footer);
        Map<String, Integer> contents = new LinkedHashMap<>();
        for (Chapter chapter : chapters) {
            flow.turn();
            contents.put(chapter.title(), flow.turned());
            boolean first = chapter.blocks().getFirst() instanceof Block.Title;
            if (!first) {
                flow.chapter(chapter.title());
            }
            chapter.blocks().forEach(b -> put(flow, b));
        }
        return new PagedBook(flow.done(), contents);
    }

    private static void put(Flow flow, Block block) {
        switch (block) {
            case Block.Title title -> flow.title(title.words());
            case Block.Heading heading -> flow.heading(heading.words());
            case Block.Words words -> words(flow, words);
            case Block.Rows rows -> flow.rows(rows);
            case Block.Picture picture -> flow.drawing(picture.drawing());
            case Block.Beside beside -> flow.beside(beside);
            case Block.Folded folded -> {
                flow.room(20);
                flow.paragraph(folded.name(), 3.6, true, Ink.INK, 0);
                folded.words().forEach(w -> words(flow, w));
                flow.space(2);
            }
        }
    }

    private static void words(Flow flow, Block.Words words) {
        double indent = (words.indent() ? 4 : 0) + (words.state().isPresent() ? 6 : 0);
        words.state().ifPresent(s -> {
            flow.room(8);
            flow.stateMark(s, Flow.LEFT + 2);
        });
        flow.paragraph(
                words.text(),
                Flow.size(words.tone()),
                words.tone() == Block.Tone.STRONG,
                Flow.ink(words.tone()),
                indent);
    }
}
