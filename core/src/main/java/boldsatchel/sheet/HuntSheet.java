package boldsatchel.sheet;

import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Hunt;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A hunt for somebody who is asked to help and does not know the machine. */
public final class HuntSheet {

    private static final int MOST_LEFT = 12;

    private HuntSheet() {}

    /** What is seen, what was tried, who is suspected, what is left, what was measured. */
    public static List<Table> of(Evaluation evaluation, Hunt hunt, Journal.Hunted hunted) {
        Belief belief = hunt.after(hunted.clues(), hunted.boxMinutes());
        List<Table> tables = new ArrayList<>(
                List.of(seen(evaluation, hunt, hunted), tried(hunt, hunted), suspects(belief), left(belief)));
        Table read = read(evaluation);
        if (!read.rows().isEmpty()) {
            tables.add(read);
        }
        return tables;
    }

    private static Table seen(Evaluation evaluation, Hunt hunt, Journal.Hunted hunted) {
        List<List<String>> rows = new ArrayList<>(List.of(
                List.of("What is seen", hunt.symptom().title()),
                List.of("On", hunt.subject().name()),
                List.of("Since", hunted.on().map(LocalDate::toString).orElse("not said")),
                List.of("Machine", evaluation.build().brief().purpose())));
        if (!hunted.words().isBlank()) {
            rows.add(List.of("Notes", hunted.words()));
        }
        for (Part part : evaluation.build().parts().list()) {
            rows.add(List.of(part.family().words(), part.name()));
        }
        return new Table("seen", "What is wrong", "", List.of("", ""), List.of(1, 3), rows);
    }

    private static Table tried(Hunt hunt, Journal.Hunted hunted) {
        List<List<String>> rows = new ArrayList<>();
        for (Journal.Clue clue : hunted.clues()) {
            rows.add(List.of(hunt.words(clue), clue.words()));
        }
        return new Table(
                "tried",
                "What was checked",
                rows.isEmpty() ? "Nothing yet." : "In this order.",
                List.of("check", "notes"),
                List.of(3, 1),
                rows);
    }

    private static Table suspects(Belief belief) {
        return new Table(
                "suspects",
                "What it may be",
                "Weighed by how often each is met, by how near this machine's own numbers stand to it, and by what was checked.",
                List.of("share", "suspect", "of this machine"),
                List.of(1, 4, 4),
                belief.suspects().stream()
                        .filter(w -> w.weight() >= 0.005)
                        .map(w -> List.of(
                                Units.format(100 * w.weight(), 0, "%"),
                                w.cause().title(),
                                w.why()))
                        .toList());
    }

    private static Table left(Belief belief) {
        return new Table(
                "left",
                "What was not checked yet",
                "The first one tells most for its minutes.",
                List.of("check", "minutes", "needs", "as planned"),
                List.of(5, 1, 3, 2),
                belief.next().stream()
                        .limit(MOST_LEFT)
                        .map(n -> List.of(
                                n.check().title(),
                                Units.format(n.check().minutes()),
                                String.join(", ", n.check().needs()),
                                n.expected()))
                        .toList());
    }

    private static Table read(Evaluation evaluation) {
        List<List<String>> rows = new ArrayList<>();
        for (BenchResult.Compared c : evaluation.of(BenchResult.class).compared()) {
            Optional<Measurand> what = c.measurand();
            rows.add(List.of(
                    evaluation
                            .build()
                            .part(c.test().part())
                            .map(Part::name)
                            .orElse(c.test().part()),
                    BenchTests.test(c.test().test())
                            .map(t -> t.title())
                            .orElse(c.test().test()),
                    what.map(Measurand::label).orElse(c.taken().what()),
                    what.map(m -> Units.format(m.quantity(), c.taken().value()))
                            .orElse(Units.format(c.taken().value().value())),
                    what.flatMap(m -> c.expected().map(Expectation::value).map(v -> Units.format(m.quantity(), v)))
                            .orElse("")));
        }
        return new Table(
                "read",
                "What was measured on the bench",
                "",
                List.of("part", "test", "what", "read", "planned"),
                List.of(3, 3, 3, 2, 2),
                rows);
    }
}
