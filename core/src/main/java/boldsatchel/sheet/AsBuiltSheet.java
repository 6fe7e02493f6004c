package boldsatchel.sheet;

import java.time.LocalDate;
import java.util.List;

/** Where the thing is otherwise than planned: which bodge is in it, what it can still show, which revision mends it. */
final class AsBuiltSheet {

    static final String ID = "as-built";
    static final String TITLE = "As built";

    private AsBuiltSheet() {}

    static Table of(Sheets.Source source) {
        return new Table(
                ID,
                TITLE,
                "Where it is otherwise than in the drawings of this book.",
                List.of("on", "where", "what is otherwise", "makes do", "can still be tried", "mended by"),
                List.of(14, 18, 28, 22, 22, 14),
                source.build().journal().asBuilt().stream()
                        .map(d -> List.of(
                                d.on().map(LocalDate::toString).orElse(""),
                                d.where(),
                                d.what(),
                                d.bodge(),
                                d.stillTests(),
                                d.mendedBy()))
                        .toList());
    }
}
