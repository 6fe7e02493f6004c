package boldsatchel.hunt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.Edits;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import org.testng.annotations.Test;

/** The nearer a build's own numbers stand to a limit, the likelier what the limit is about. */
public class NearnessTest {

    private final Build demo = Library.demo("cave-survey").orElseThrow();

    private static Nearness of(Build build, String limit, String part) {
        return Nearness.of(
                List.of(limit), Evaluator.evaluate(build), build.part(part).orElseThrow());
    }

    private Build starting(double watts) {
        Part board = demo.part("board").orElseThrow();
        Facet.DrawsPower draws = board.facet(Facet.DrawsPower.class).orElseThrow();
        return demo.with(
                board.withFacet(Form.of(Facet.DrawsPower.class).field("startW").with(draws, Figure.measured(watts))));
    }

    @Test
    public void everyLimitThatAListNamesIsKnown() {
        for (Cause cause : Knowledge.shipped().causes()) {
            assertThat(cause.near()).allMatch(Nearness::isKnown);
        }
        assertThat(Nearness.isKnown("moon-phase")).isFalse();
        assertThat(Nearness.isKnown("finding:anything")).isTrue();
    }

    @Test
    public void whereNothingIsNamedNothingSpeaks() {
        Nearness none = Nearness.of(
                List.of(), Evaluator.evaluate(demo), demo.part("board").orElseThrow());
        assertThat(none).isEqualTo(Nearness.NONE);
        assertThat(none.factor()).isEqualTo(1);
        assertThat(none.words()).isEmpty();
    }

    /** A start that takes more brings the limit nearer, and never further; far from it the cause is less likely than usual. */
    @Test
    public void aHigherStartUpPeakComesNearer() {
        double last = 0;
        for (double watts : new double[] {4, 10, 20, 30, 40, 60, 90}) {
            Nearness now = of(starting(watts), "start-amps", "board");
            assertThat(now.factor()).as("%s W", watts).isGreaterThanOrEqualTo(last - 1e-9);
            last = now.factor();
        }
        assertThat(of(starting(4), "start-amps", "board").factor()).isLessThan(1);
        assertThat(last).as("beyond it, likelier than usual").isGreaterThan(1.5);
        assertThat(of(starting(30), "start-amps", "board").words()).contains("left until");
    }

    /** A part pushed against its neighbour is pressed; one with room is not. */
    @Test
    public void aTightGapIsNear() {
        Part screen = demo.part("screen").orElseThrow();
        Nearness easy = of(demo, "gap", "screen");
        Vec at = demo.placement("screen").orElseThrow().at();
        // The position receiver ends 2 mm before the screen.
        Build tight = Edits.move(screen, new Vec(at.x() - 1.9, at.y(), at.z()))
                .change()
                .apply(demo);
        Nearness near = of(tight, "gap", "screen");
        assertThat(near.factor()).isGreaterThan(easy.factor());
        assertThat(near.words()).contains(screen.name(), "of room");
    }

    /** A finding counts as a limit that is passed; without it the cause is less likely. */
    @Test
    public void aFindingOfItsCodeSpeaksForIt() {
        Nearness found = of(demo, "finding:heat.part", "board");
        assertThat(found.factor()).isEqualTo(10);
        assertThat(found.words()).isNotBlank();
        Nearness none = of(demo, "finding:fit.sweep", "board");
        assertThat(none.factor()).isCloseTo(0.3, within(1e-9));
        assertThat(none.words()).isEmpty();
    }

    @Test
    public void ofSeveralLimitsTheNearestDecides() {
        Nearness both = Nearness.of(
                List.of("finding:fit.sweep", "finding:heat.part"),
                Evaluator.evaluate(demo),
                demo.part("board").orElseThrow());
        assertThat(both).isEqualTo(of(demo, "finding:heat.part", "board"));
    }
}
