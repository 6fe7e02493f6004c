package boldsatchel.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Spread;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** A build judges the same before and after a file, in every number and range. */
public class RoundTripTest {

    private static Build throughAFile(Build build) throws FormatException {
        return BuildFormat.read(BuildFormat.write(new BuildFormat.Document(build, Extras.NONE)))
                .build();
    }

    private static void judgesTheSame(Build build) throws FormatException {
        Build again = throughAFile(build);
        assertThat(again).isEqualTo(build);
        Evaluation before = Evaluator.evaluate(build);
        Evaluation after = Evaluator.evaluate(again);
        assertThat(after.results()).isEqualTo(before.results());
        for (int i = 0; i < before.verdicts().size(); i++) {
            Verdict was = before.verdicts().get(i);
            Verdict is = after.verdicts().get(i);
            assertThat(List.of(is.state(), is.value(), is.low(), is.high(), is.sentence()))
                    .isEqualTo(List.of(was.state(), was.value(), was.low(), was.high(), was.sentence()));
            assertThat(is.working().range()).isEqualTo(was.working().range());
        }
        assertThat(after.findings())
                .usingElementComparator((a, b) -> a.code().equals(b.code())
                                && a.subjects().equals(b.subjects())
                                && a.numbers().equals(b.numbers())
                        ? 0
                        : 1)
                .isEqualTo(before.findings());
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aDemoJudgesTheSameAfterAFile(String demo) throws FormatException {
        judgesTheSame(Library.demo(demo).orElseThrow());
    }

    @Test
    public void threeHundredRandomBuildsJudgeTheSameAfterAFile() throws FormatException {
        for (long seed = 0; seed < 300; seed++) {
            judgesTheSame(RandomBuilds.doubtful(seed));
        }
    }

    /** Two parts off one shelf entry: what the data sheet says errs together, what was measured errs each by itself. */
    @Test
    public void partsOffOneShelfEntryShareTheErrorOfItsDataSheetAndNoOther() throws FormatException {
        Part entry = Library.shipped().part("trackball").orElseThrow();
        Part sheet = entry.weighing(Figure.dataSheet(100));
        Part measured = entry.weighing(Figure.measured(100));
        // One standard deviation of a data-sheet figure is a twentieth, of a measured one a hundredth.
        assertThat(halfRange(twoOf(sheet))).isCloseTo(Spread.SIGMAS_TO_95 * (5 + 5), within(1e-9));
        assertThat(halfRange(twoOf(measured))).isCloseTo(Spread.SIGMAS_TO_95 * Math.sqrt(2), within(1e-9));
        assertThat(halfRange(throughAFile(twoOf(sheet)))).isEqualTo(halfRange(twoOf(sheet)));
    }

    private static Build twoOf(Part part) {
        Build one = Edits.addPart(part).change().apply(Build.empty("two"));
        return Edits.addPart(part).change().apply(one);
    }

    private static double halfRange(Build build) {
        Verdict carries = Evaluator.evaluate(build).verdict(Verdict.Kind.CARRIES);
        return carries.high() - carries.value();
    }

    /** Remembering is no part of an answer: after any row of edits it is what judging afresh says. */
    @Test
    public void aRememberedEvaluationIsTheFreshOne() {
        Evaluator remembering = new Evaluator();
        for (String demo : Library.DEMOS) {
            Build build = Library.demo(demo).orElseThrow();
            for (int i = 0; i < 12; i++) {
                build = edited(build, i);
                Evaluation remembered = remembering.judge(build);
                assertThat(remembered.build()).isSameAs(build);
                assertThat(remembered.results())
                        .isEqualTo(Evaluator.evaluate(build).results());
                assertThat(messages(remembered)).isEqualTo(messages(Evaluator.evaluate(build)));
            }
        }
    }

    private static List<String> messages(Evaluation evaluation) {
        return evaluation.findings().stream().map(Finding::message).toList();
    }

    private static Build edited(Build build, int i) {
        List<Part> parts = build.parts().list();
        Part part = parts.get(i % parts.size());
        return switch (i % 4) {
            case 0 ->
                Edits.move(part, at -> at.plus(new boldsatchel.geometry.Vec(0.5, 0, 0)))
                        .change()
                        .apply(build);
            case 1 ->
                Edits.changePart(
                                "mass",
                                part,
                                p -> p.weighing(Figure.measured(p.massG().value() + 5)))
                        .change()
                        .apply(build);
            case 2 -> Edits.judgedProfile("dim", p -> p.dimmed(0.9)).change().apply(build);
            default ->
                build.with(new Parts(new ArrayList<>(
                        IntStream.range(0, parts.size()).mapToObj(parts::get).toList())));
        };
    }
}
