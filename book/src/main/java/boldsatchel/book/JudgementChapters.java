package boldsatchel.book;

import boldsatchel.book.Block.Row;
import boldsatchel.book.Block.Tone;
import boldsatchel.book.Block.Words;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Mode;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What it is, whether it is enough, and how that was worked out. */
final class JudgementChapters {

    private JudgementChapters() {}

    static Chapter about(Chapters.Source source) {
        Build build = source.evaluation().build();
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Title(build.name()));
        blocks.add(new Words(build.variant() + ". " + build.brief().purpose(), Tone.SOFT));
        Optional<Journal.Revision> revision = source.standing().current();
        String which = revision.map(r -> "Revision " + r.name()
                        + r.on().map(LocalDate::toString).map(d -> ", " + d).orElse("")
                        + (r.words().isEmpty() ? "." : ": " + r.words()))
                .orElse("A draft: it is no named revision.");
        blocks.add(new Words(which, Tone.PLAIN));
        if (source.standing().isTested()) {
            blocks.add(new Words(
                    "Tested: each hold point of its assembly passed.", Tone.STRONG, Optional.of(State.FINE), false));
        } else {
            blocks.add(new Words(
                    "Not tested. Do not take it for more than a plan:", Tone.STRONG, Optional.of(State.WATCH), false));
            source.standing().lacks().forEach(l -> blocks.add(Words.under("· " + l, Tone.PLAIN)));
        }
        source.lifted().ifPresent(d -> blocks.add(new Block.Picture(d)));
        if (!build.brief().profiles().isEmpty()) {
            blocks.add(new Block.Heading("How it is used"));
            build.brief().profiles().forEach(p -> blocks.add(new Words(profile(p), Tone.PLAIN)));
        }
        Journal journal = build.journal();
        if (!journal.credits().isEmpty() || !journal.licence().isBlank()) {
            blocks.add(new Block.Heading("Credits and licence"));
            journal.credits()
                    .forEach(c ->
                            blocks.add(new Words(c.who() + (c.what().isBlank() ? "" : ": " + c.what()), Tone.PLAIN)));
            if (!journal.licence().isBlank()) {
                blocks.add(new Words("This book may be passed on under: " + journal.licence() + ".", Tone.PLAIN));
            }
        }
        return new Chapter("What it is", blocks);
    }

    private static String profile(UseProfile profile) {
        return profile.name() + ": "
                + String.join(
                        "; ",
                        profile.steps().stream()
                                .map(s -> s.name() + ", " + Units.format(s.minutes()) + " min "
                                        + s.mode().words()
                                        + (s.mode() == Mode.OFF || s.mode() == Mode.SLEEP
                                                ? ""
                                                : ", screen " + Math.round(s.brightness() * 100) + " %"))
                                .toList());
    }

    static Chapter judged(Chapters.Source source) {
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Rows(
                List.of("", "value", "limit", "likely range", "in words"),
                List.of(28, 20, 20, 32, 66),
                Set.of(1, 2, 3),
                source.evaluation().verdicts().stream()
                        .map(JudgementChapters::row)
                        .toList()));
        blocks.add(new Block.Heading("What to look at"));
        if (source.evaluation().findings().isEmpty()) {
            blocks.add(new Words("Nothing was found.", Tone.PLAIN));
        }
        for (Finding f : source.evaluation().findings()) {
            blocks.add(new Words(
                    f.severity().words() + " · " + f.message(),
                    f.severity() == Severity.STOP ? Tone.STRONG : Tone.PLAIN));
            f.remedies().forEach(r -> blocks.add(Words.under("→ " + r.words(), Tone.SOFT)));
        }
        blocks.add(new Block.Heading("Cautions"));
        Cautions.of(source.evaluation().build()).forEach(c -> blocks.add(new Words("· " + c, Tone.PLAIN)));
        return new Chapter("Is it enough?", blocks);
    }

    private static Row row(Verdict v) {
        String limit = v.limit().isPresent()
                ? (v.kind().moreIsBetter() ? "≥ " : "≤ ")
                        + v.kind().format(v.limit().getAsDouble())
                : "none";
        return new Row(
                Optional.of(v.state()),
                List.of(
                        v.kind().title() + ": " + v.state().words(),
                        v.kind().format(v.value()),
                        limit,
                        v.kind().format(v.low()) + " to " + v.kind().format(v.high()),
                        v.sentence()));
    }

    static Chapter working(Chapters.Source source) {
        return new Chapter(
                "Working",
                source.evaluation().verdicts().stream()
                        .map(v -> (Block) new Block.Folded(v.kind().title(), worked(v)))
                        .toList());
    }

    private static List<Words> worked(Verdict verdict) {
        List<Words> lines = new ArrayList<>();
        for (Working.Step step : verdict.working().steps()) {
            lines.add(Words.under(
                    step.what()
                            + (step.formula().isEmpty() ? "" : ": " + step.formula())
                            + (step.numbers().isEmpty() ? "" : " = " + step.numbers())
                            + (step.formula().isEmpty() ? ": " : " = ")
                            + step.result(),
                    Tone.PLAIN));
        }
        verdict.working().range().blame().stream()
                .limit(3)
                .forEach(b -> lines.add(Words.under(
                        "doubt: " + Math.round(b.share() * 100) + " % from "
                                + b.input().what() + " of " + b.input().subject() + " ("
                                + b.input().figure().basis().words() + ")",
                        Tone.SOFT)));
        return lines;
    }
}
