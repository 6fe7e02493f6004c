package boldsatchel.book;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.AtHand;
import boldsatchel.assembly.Day;
import boldsatchel.assembly.Plan;
import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.assembly.Wording;
import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.book.Block.Row;
import boldsatchel.book.Block.Tone;
import boldsatchel.book.Block.Words;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.StepDrawing;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** How it is put together, what was proven, and what would be done otherwise. */
final class WorkChapters {

    /** The table of what is otherwise than planned. */
    static final String AS_BUILT = "as-built";

    private WorkChapters() {}

    static Chapter assembly(Chapters.Source source) {
        Evaluation evaluation = source.evaluation();
        Plan plan = evaluation.of(PlanResult.class).plan().get();
        List<Block> blocks = new ArrayList<>();
        if (plan.steps().isEmpty()) {
            return new Chapter("Putting it together", blocks);
        }
        blocks.add(new Words(
                plan.steps().size() + " steps, about " + Units.format(plan.minutes() / 60, 1, "h")
                        + " of work at usual times, a guess. Nothing goes on before a hold point has passed.",
                Tone.PLAIN));
        if (!plan.unwired().isEmpty()) {
            blocks.add(new Words(
                    "Nothing is planned to lead to " + Wording.names(evaluation.build(), plan.unwired())
                            + ": wires there are in no step.",
                    Tone.STRONG));
        }
        reaches(evaluation, blocks);
        String phase = "";
        for (int i = 0; i < plan.steps().size(); i++) {
            Step step = plan.steps().get(i);
            if (!step.phase().words().equals(phase)) {
                phase = step.phase().words();
                blocks.add(new Block.Heading(phase));
            }
            Optional<Drawing> drawing =
                    step.groups().isEmpty() ? Optional.empty() : StepDrawing.bare(evaluation, plan, i, PackView.PLAN);
            blocks.add(new Block.Beside(drawing, step(source, plan, i)));
        }
        return new Chapter("Putting it together", blocks);
    }

    private static List<Words> step(Chapters.Source source, Plan plan, int index) {
        Step step = plan.steps().get(index);
        List<Words> words = new ArrayList<>();
        words.add(new Words(index + 1 + ". " + step.words(), Tone.STRONG));
        step.test().flatMap(BenchTests::test).ifPresent(t -> {
            words.add(new Words(
                    "Hold point: nothing goes on before this has passed.",
                    Tone.STRONG,
                    Optional.of(State.WATCH),
                    false));
            words.addAll(expected(source.evaluation(), step, t));
        });
        step.cautions().forEach(c -> words.add(new Words("! " + c, Tone.PLAIN)));
        List<String> needs = new ArrayList<>();
        if (step.minutes() > 0) {
            needs.add(Units.format(step.minutes(), 0, "min"));
        }
        if (step.waitMinutes() > 0) {
            needs.add("then wait " + Units.format(step.waitMinutes(), 0, "min"));
        }
        if (!step.tools().isEmpty()) {
            needs.add("tools: " + String.join(", ", step.tools()));
        }
        if (!step.takes().isEmpty()) {
            needs.add("used up: " + String.join(", ", step.takes()));
        }
        if (!needs.isEmpty()) {
            words.add(new Words(String.join("; ", needs), Tone.SOFT));
        }
        List<String> missing =
                AtHand.missing(source.evaluation().build().brief().workshop(), step);
        if (!missing.isEmpty()) {
            words.add(new Words("Not at hand: " + String.join(", ", missing), Tone.STRONG));
        }
        if (!step.reasons().isEmpty()) {
            words.add(new Words("here, since " + String.join("; ", step.reasons()), Tone.SOFT));
        }
        plan.broken().stream()
                .filter(b -> b.early().equals(step.id()))
                .forEach(b -> words.add(new Words(
                        "Too early, since " + b.rule().because()
                                + (b.isBy(plan.byHand())
                                        ? "; it was moved by hand."
                                        : "; as it is planned it cannot come later."),
                        Tone.PLAIN)));
        return words;
    }

    /** What is to be read, and what the plan expects. */
    private static List<Words> expected(Evaluation evaluation, Step step, BenchTest test) {
        Measurand.Known known = Measurand.Known.of(evaluation.build(), evaluation.results(), BenchTest.USUAL_C);
        List<Words> words = new ArrayList<>();
        for (String subject : step.subjects()) {
            evaluation.build().part(subject).filter(test::fits).ifPresent(part -> {
                for (Measurand m : test.measurands()) {
                    words.add(new Words(
                            m.label() + ": "
                                    + m.expected(part, known)
                                            .filter(Expectation::isFinite)
                                            .map(e -> "planned " + Units.format(m.quantity(), e.value()) + ", "
                                                    + Units.format(m.quantity(), e.low()) + " to "
                                                    + Units.format(m.quantity(), e.high()) + " passes")
                                            .orElse("nothing is planned; write it down")
                                    + "; read ________",
                            Tone.PLAIN));
                }
            });
        }
        return words;
    }

    /** What it takes to have in hand what wears out. */
    private static void reaches(Evaluation evaluation, List<Block> into) {
        Build build = evaluation.build();
        List<Row> rows = evaluation.of(AssemblyResult.class).reaches().stream()
                .map(r -> new Row(List.of(
                        Wording.name(build, r.part()),
                        r.isShut() ? "never comes out of the finished machine" : steps(build, r),
                        r.isShut() ? "" : Units.format(r.minutes(), 0, "min"))))
                .toList();
        if (!rows.isEmpty()) {
            into.add(new Block.Heading("To get at what wears out"));
            into.add(new Block.Rows(List.of("part", "out and back in", "time"), List.of(46, 100, 20), Set.of(2), rows));
        }
    }

    private static String steps(Build build, AssemblyResult.Reach reach) {
        String steps = String.join(
                "; ", reach.steps().stream().map(s -> Wording.out(build, s)).toList());
        return reach.unsoldered().isEmpty()
                ? steps
                : steps + "; " + reach.unsoldered().size() + " wires to unsolder";
    }

    static Chapter tests(Chapters.Source source) {
        Evaluation evaluation = source.evaluation();
        BenchResult bench = evaluation.of(BenchResult.class);
        Plan plan = evaluation.of(PlanResult.class).plan().get();
        Day day = new Day(plan, evaluation.build().journal().done(), bench);
        List<Block> blocks = new ArrayList<>();
        List<Row> holds = plan.steps().stream()
                .filter(Step::isHold)
                .map(s -> new Row(Optional.of(state(day.proof(s))), List.of(s.words(), words(day.proof(s)))))
                .toList();
        if (!holds.isEmpty()) {
            blocks.add(new Block.Heading("Hold points"));
            blocks.add(new Block.Rows(List.of("what must be proven", "stands"), List.of(110, 40), Set.of(), holds));
        }
        List<Row> rows = bench.compared().stream()
                .map(c -> compared(evaluation.build(), c))
                .toList();
        blocks.add(new Block.Heading("Plan against measured"));
        if (rows.isEmpty()) {
            blocks.add(new Words(
                    "Nothing was measured yet: every figure is from a plan, a data sheet or a guess.", Tone.PLAIN));
        } else {
            blocks.add(new Block.Rows(
                    List.of("on", "part", "test", "what", "planned", "measured", ""),
                    List.of(20, 34, 34, 30, 22, 22, 22),
                    Set.of(4, 5),
                    rows));
        }
        return new Chapter("Tests and results", blocks);
    }

    private static State state(Day.Proof proof) {
        return switch (proof) {
            case PASSED -> State.FINE;
            case DIFFERS -> State.STOP;
            case OPEN -> State.WATCH;
        };
    }

    private static String words(Day.Proof proof) {
        return switch (proof) {
            case PASSED -> "passed";
            case DIFFERS -> "not as planned";
            case OPEN -> "not done yet";
        };
    }

    private static Row compared(Build build, BenchResult.Compared c) {
        Quantity quantity = c.measurand().map(Measurand::quantity).orElse(Quantity.COUNT);
        Optional<State> state = c.expected().map(e -> c.differs() ? State.STOP : State.FINE);
        return new Row(
                state,
                List.of(
                        c.test().on().map(LocalDate::toString).orElse(""),
                        Wording.name(build, c.test().part()),
                        BenchTests.test(c.test().test())
                                .map(BenchTest::title)
                                .orElse(c.test().test()),
                        c.measurand().map(Measurand::label).orElse(c.taken().what()),
                        c.expected()
                                .filter(e -> e.isFinite())
                                .map(e -> Units.format(quantity, e.value()))
                                .orElse("none"),
                        Units.format(quantity, c.taken().value()),
                        (c.latest() ? "" : "earlier; ")
                                + state.map(s -> s == State.FINE ? "as planned" : "differs")
                                        .orElse("nothing planned")));
    }

    static Chapter nextTime(Chapters.Source source) {
        Journal journal = source.evaluation().build().journal();
        List<Block> blocks = new ArrayList<>();
        source.tables().stream()
                .filter(t -> t.id().equals(AS_BUILT))
                .forEach(t -> blocks.addAll(PartsChapters.table(t)));
        if (!journal.lessons().isEmpty()) {
            blocks.add(new Block.Heading("To be done otherwise"));
            journal.lessons()
                    .forEach(l -> blocks.add(new Words(
                            "· " + l.what() + (l.why().isBlank() ? "" : ", because " + l.why()), Tone.PLAIN)));
        }
        if (!journal.decisions().isEmpty()) {
            blocks.add(new Block.Heading("Decided on the way"));
            journal.decisions()
                    .forEach(d -> blocks.add(new Words(
                            "· "
                                    + d.on().map(LocalDate::toString)
                                            .map(o -> o + ": ")
                                            .orElse("") + d.what() + (d.why().isBlank() ? "" : ", because " + d.why()),
                            Tone.PLAIN)));
        }
        return new Chapter("As built, and next time", blocks);
    }
}
