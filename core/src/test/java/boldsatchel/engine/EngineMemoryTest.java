package boldsatchel.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.balance.BalanceResult;
import boldsatchel.cost.CostResult;
import boldsatchel.course.NoEnd;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.power.PowerResult;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.Test;

/** Engines run again only for what changed, and one that cannot answer stops no other. */
public class EngineMemoryTest {

    private record Count(int parts) {}

    private record Twice(int parts) {}

    private static final Verdict.Kind MANY = new Verdict.Kind("many", "Many", "", 0, false, 5);
    private static final Verdict.Kind TWICE = new Verdict.Kind("twice", "Twice", "", 0, false, 6);

    private int works;
    private Optional<RuntimeException> failure = Optional.empty();

    /** Counts parts, and how often it is asked to. */
    private final class Counting implements Judge<Count>, Engine<Count> {
        @Override
        public Engine<Count> engine() {
            return this;
        }

        @Override
        public String about() {
            return "the number of parts";
        }

        @Override
        public Class<Count> result() {
            return Count.class;
        }

        @Override
        public Set<Section> reads() {
            return EnumSet.of(Section.PARTS);
        }

        @Override
        public Count work(Build build, Results results) {
            works++;
            if (failure.isPresent()) {
                throw failure.get();
            }
            return new Count(build.parts().list().size());
        }

        @Override
        public Count nothing() {
            return new Count(-1);
        }

        @Override
        public List<Verdict.Kind> kinds() {
            return List.of(MANY);
        }

        @Override
        public Judgement judge(Build build, Count result) {
            return new Judgement(List.of(fine(MANY, result.parts())), List.of());
        }
    }

    /** Doubles what the other counted. */
    private static final class Doubling implements Judge<Twice>, Engine<Twice> {
        @Override
        public Engine<Twice> engine() {
            return this;
        }

        @Override
        public String about() {
            return "twice the parts";
        }

        @Override
        public Class<Twice> result() {
            return Twice.class;
        }

        @Override
        public Set<Section> reads() {
            return Set.of();
        }

        @Override
        public Set<Class<?>> needs() {
            return Set.of(Count.class);
        }

        @Override
        public Twice work(Build build, Results results) {
            return new Twice(2 * results.of(Count.class).parts());
        }

        @Override
        public Twice nothing() {
            return new Twice(0);
        }

        @Override
        public List<Verdict.Kind> kinds() {
            return List.of(TWICE);
        }

        @Override
        public Judgement judge(Build build, Twice result) {
            return new Judgement(List.of(fine(TWICE, result.parts())), List.of());
        }
    }

    private static Verdict fine(Verdict.Kind kind, double value) {
        return new Verdict(
                kind, State.FINE, value, OptionalDouble.empty(), value, value, "So many.", Lazy.known(Working.NONE));
    }

    private Evaluator two() {
        works = 0;
        failure = Optional.empty();
        return new Evaluator(List.of(new Doubling(), new Counting()));
    }

    private static Build demo() {
        return Library.demo("cave-survey").orElseThrow();
    }

    private static Build moved(Build build) {
        Part part = build.part("battery").orElseThrow();
        return Edits.move(part, at -> at.plus(new boldsatchel.geometry.Vec(1, 0, 0)))
                .change()
                .apply(build);
    }

    @Test
    public void anEngineRunsAgainOnlyWhenASectionItReadsIsAnother() {
        Evaluator evaluator = two();
        evaluator.judge(demo());
        Build build = demo();
        evaluator.judge(build);
        evaluator.judge(moved(build));
        evaluator.judge(Edits.rename("Other").change().apply(build));
        assertThat(works)
                .as("two demos read anew, two edits that change no part")
                .isEqualTo(2);
        evaluator.judge(
                Edits.removePart(build.part("sound").orElseThrow()).change().apply(build));
        assertThat(works).isEqualTo(3);
    }

    @Test
    public void whatIsNeededComesFirstWhateverTheOrderOfTheList() {
        Evaluation evaluation = two().judge(demo());
        assertThat(evaluation.of(Twice.class).parts())
                .isEqualTo(2 * evaluation.of(Count.class).parts());
        assertThat(evaluation.verdicts()).extracting(Verdict::kind).containsExactly(MANY, TWICE);
    }

    @Test
    public void twoThreadsThatShareAFirstJudgementWorkNothingOutTwice() {
        Build build = demo();
        for (int i = 0; i < 2000; i++) {
            Evaluation evaluation = two().judge(build);
            assertThat(works).isEqualTo(1);
            assertThat(evaluation.of(Twice.class).parts())
                    .isEqualTo(2 * build.parts().list().size());
        }
    }

    @Test
    public void movingAPartLeavesPowerAndCostAsTheyAre() {
        Evaluator evaluator = new Evaluator();
        Build build = demo();
        Evaluation before = evaluator.judge(build);
        Evaluation after = evaluator.judge(moved(build));
        assertThat(after.of(PowerResult.class)).isSameAs(before.of(PowerResult.class));
        assertThat(after.of(CostResult.class)).isSameAs(before.of(CostResult.class));
        assertThat(after.of(FitResult.class)).isNotSameAs(before.of(FitResult.class));
        assertThat(after.of(BalanceResult.class)).isNotSameAs(before.of(BalanceResult.class));
        assertThat(after.of(HeatResult.class)).isNotSameAs(before.of(HeatResult.class));
    }

    @Test
    public void anEngineThatCannotAnswerIsAFindingAndWhatNeedsItHasNoAnswerEither() {
        Evaluator evaluator = two();
        failure = Optional.of(new CannotAnswer("the parts run away", List.of()));
        Evaluation evaluation = evaluator.judge(demo());
        assertThat(evaluation.findings()).hasSize(1);
        Finding finding = evaluation.findings().getFirst();
        assertThat(finding.code()).isEqualTo("engine.cannot");
        assertThat(finding.severity()).isEqualTo(Severity.STOP);
        assertThat(finding.message()).contains("the number of parts", "Cave survey handheld", "the parts run away");
        assertThat(evaluation.verdicts()).allSatisfy(v -> {
            assertThat(v.state()).isEqualTo(State.STOP);
            assertThat(v.value()).isNaN();
            assertThat(v.sentence()).startsWith("No answer: ");
        });
        assertThat(evaluation.of(Count.class)).isEqualTo(new Count(-1));
        assertThat(evaluation.of(Twice.class)).isEqualTo(new Twice(0));
        assertThat(evaluation.build()).isEqualTo(demo());
    }

    @Test
    public void itIsSaidWhereAnEngineWasByTheNamesTheBuilderKnows() {
        Evaluator evaluator = two();
        failure = Optional.of(new CannotAnswer("nothing settles", List.of("battery", "r-nowhere")));
        Finding finding = evaluator.judge(demo()).findings().getFirst();
        assertThat(finding.subjects()).containsExactly("battery", "r-nowhere");
        assertThat(finding.message())
                .contains("nothing settles, at “"
                        + demo().part("battery").orElseThrow().name() + "”, “r-nowhere”");
    }

    @Test
    public void anErrorOfTheProgramIsNoClassName() {
        Evaluator evaluator = two();
        failure = Optional.of(new IllegalStateException("class boldsatchel.X is not what was thought"));
        Finding finding = evaluator.judge(demo()).findings().getFirst();
        assertThat(finding.message()).contains("an error of this program").doesNotContain("class", "java.");
    }

    @Test
    public void curesThatCannotBeTriedLeaveTheFinding() {
        Finding finding = Finding.of(
                "x.y",
                Severity.WATCH,
                List.of(),
                Map.of(),
                () -> "It is so.",
                List::of,
                () -> CannotAnswer.at(List.of(), () -> {
                    throw new NoEnd("it comes to no end");
                }));
        assertThat(finding.remedies())
                .singleElement()
                .satisfies(r -> assertThat(r.words()).contains("it comes to no end"));
    }

    @Test
    public void afterAFailureTheNextEditIsJudgedAgain() {
        Evaluator evaluator = two();
        failure = Optional.of(new CannotAnswer("the parts run away", List.of()));
        Build build = demo();
        evaluator.judge(build);
        failure = Optional.empty();
        Evaluation after = evaluator.judge(
                Edits.removePart(build.part("sound").orElseThrow()).change().apply(build));
        assertThat(after.findings()).isEmpty();
        assertThat(after.of(Twice.class).parts())
                .isEqualTo(2 * (build.parts().list().size() - 1));
    }

    @Test
    public void aResultThatNobodyWorksOutIsRefusedBeforeAnythingRuns() {
        assertThatThrownBy(() -> new Evaluator(List.of(new Doubling()))).hasMessageContaining("nobody works out");
    }

    @Test
    public void beforeItIsJudgedABuildSaysThatNothingIsKnown() {
        Evaluation evaluation = new Evaluator().notYet(demo());
        assertThat(evaluation.verdicts()).hasSize(8).allSatisfy(v -> {
            assertThat(v.state()).isEqualTo(State.WATCH);
            assertThat(v.value()).isNaN();
        });
        assertThat(evaluation.of(PowerResult.class).chains()).isEmpty();
        assertThat(evaluation.of(FitResult.class).placed()).isEmpty();
    }
}
