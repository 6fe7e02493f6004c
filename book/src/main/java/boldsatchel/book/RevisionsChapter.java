package boldsatchel.book;

import boldsatchel.book.Block.Row;
import boldsatchel.book.Block.Tone;
import boldsatchel.book.Block.Words;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.revise.Changes;
import boldsatchel.revise.Revisions;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What the build was called when, and what changed from one to the next. */
final class RevisionsChapter {

    /** Of more revisions than this, what changed is told of the last ones only. */
    private static final int MOST = 5;
    /** So many differences are told. */
    private static final int MOST_ROWS = 60;

    private RevisionsChapter() {}

    static Chapter revisions(Chapters.Source source) {
        Build build = source.evaluation().build();
        List<Journal.Revision> revisions = build.journal().revisions();
        List<Block> blocks = new ArrayList<>();
        if (revisions.isEmpty()) {
            return new Chapter("Revisions", blocks);
        }
        blocks.add(new Block.Rows(
                List.of("revision", "on", "what is new"),
                List.of(24, 26, 116),
                Set.of(),
                revisions.stream()
                        .map(r -> new Row(List.of(
                                r.name(), r.on().map(LocalDate::toString).orElse(""), r.words())))
                        .toList()));
        int first = Math.max(0, revisions.size() - MOST);
        Optional<Evaluation> before = Optional.empty();
        String name = "";
        for (Journal.Revision revision : revisions.subList(first, revisions.size())) {
            Optional<Evaluation> now = judged(revision, blocks);
            if (before.isPresent() && now.isPresent()) {
                changes("From " + name + " to " + revision.name(), before.get(), now.get(), blocks);
            }
            before = now;
            name = revision.name();
        }
        if (before.isPresent() && source.standing().current().isEmpty()) {
            changes("From " + name + " to this draft", before.get(), source.evaluation(), blocks);
        }
        return new Chapter("Revisions", blocks);
    }

    private static Optional<Evaluation> judged(Journal.Revision revision, List<Block> into) {
        try {
            return Optional.of(Evaluator.evaluate(Revisions.read(revision)));
        } catch (FormatException e) {
            into.add(new Words(
                    "Revision " + revision.name() + " cannot be read any more: " + e.getMessage(), Tone.STRONG));
            return Optional.empty();
        }
    }

    private static void changes(String title, Evaluation before, Evaluation now, List<Block> into) {
        Changes changes = Changes.between(before, now);
        into.add(new Block.Heading(title));
        changes.verdicts().forEach(v -> into.add(new Words("· " + v, Tone.PLAIN)));
        List<String> redrawn = Book.redrawn(before, now);
        if (!redrawn.isEmpty()) {
            into.add(new Words("Drawings that are otherwise: " + String.join("; ", redrawn) + ".", Tone.PLAIN));
        }
        if (changes.figures().isEmpty()) {
            into.add(new Words("Nothing was changed.", Tone.PLAIN));
            return;
        }
        into.add(new Block.Rows(
                List.of("where", "before", "now"),
                List.of(80, 43, 43),
                Set.of(),
                changes.figures().stream()
                        .limit(MOST_ROWS)
                        .map(d -> new Row(List.of(d.where(), or(d.before(), "not there"), or(d.now(), "gone"))))
                        .toList()));
        if (changes.figures().size() > MOST_ROWS) {
            into.add(new Words("and " + (changes.figures().size() - MOST_ROWS) + " more.", Tone.SOFT));
        }
    }

    private static String or(String words, String otherwise) {
        return words.isEmpty() ? otherwise : words;
    }
}
