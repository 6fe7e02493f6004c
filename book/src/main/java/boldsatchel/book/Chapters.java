package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.revise.Revisions;
import boldsatchel.revise.Standing;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What the book is made of. A new chapter is one more line in {@link #ALL}. */
final class Chapters {

    /**
     * What chapters are written from.
     *
     * @param evaluation the build and its judgement
     * @param lifted the build lifted apart, if it has a case
     * @param drawings of it, that one among them
     * @param tables that have anything in them
     * @param standing to its revisions
     */
    record Source(
            Evaluation evaluation,
            Optional<Drawing> lifted,
            List<Drawing> drawings,
            List<Table> tables,
            Standing standing) {

        /** Of a build that was judged. */
        static Source of(Evaluation evaluation) {
            Optional<Drawing> lifted = Book.lifted(evaluation);
            return new Source(
                    evaluation,
                    lifted,
                    Book.drawings(evaluation, lifted),
                    Sheets.all(evaluation),
                    Revisions.standing(evaluation));
        }
    }

    private static final List<Function<Source, Chapter>> ALL = List.of(
            JudgementChapters::about,
            JudgementChapters::judged,
            PartsChapters::drawings,
            PartsChapters::parts,
            PartsChapters::wiring,
            WorkChapters::assembly,
            WorkChapters::tests,
            WorkChapters::nextTime,
            RevisionsChapter::revisions,
            JudgementChapters::working);

    private Chapters() {}

    /** All that have anything in them. */
    static List<Chapter> of(Source source) {
        return ALL.stream()
                .map(c -> c.apply(source))
                .filter(c -> !c.blocks().isEmpty())
                .toList();
    }
}
