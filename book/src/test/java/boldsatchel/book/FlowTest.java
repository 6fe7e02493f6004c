package boldsatchel.book;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.verdict.State;
import java.util.List;
import org.testng.annotations.Test;

public class FlowTest {

    private static List<String> words(Drawing page) {
        return page.marks().stream()
                .filter(m -> m instanceof Mark.Text)
                .map(m -> ((Mark.Text) m).text())
                .toList();
    }

    @Test
    public void aFullPageIsTurnedAndNumbered() {
        Flow flow = new Flow("footer");
        for (int i = 0; i < 120; i++) {
            flow.paragraph("line " + i, 4, false, Ink.INK, 0);
        }
        List<Drawing> pages = flow.done();
        assertThat(pages).hasSize(3);
        assertThat(words(pages.getFirst())).contains("line 0", "footer", "page 1");
        assertThat(words(pages.getLast())).contains("line 119", "page 3");
        long lines = pages.stream()
                .flatMap(p -> words(p).stream())
                .filter(w -> w.startsWith("line"))
                .count();
        assertThat(lines).isEqualTo(120);
    }

    @Test
    public void nothingLiesBelowTheFooterOrBesideThePage() {
        Flow flow = new Flow("footer");
        flow.title("A title");
        for (int i = 0; i < 40; i++) {
            flow.heading("Heading " + i);
            flow.row(
                    List.of("a long cell that wraps over several lines in its narrow column", "42"),
                    List.of(Flow.LEFT, Flow.RIGHT),
                    List.of(40.0, 20.0),
                    List.of(Align.LEFT, Align.RIGHT),
                    3,
                    false);
        }
        for (Drawing page : flow.done()) {
            for (Mark mark : page.marks()) {
                if (mark instanceof Mark.Text text) {
                    assertThat(text.at().y()).isBetween(10.0, Flow.HEIGHT - 9);
                    assertThat(text.at().x()).isBetween(Flow.LEFT - 1e-9, Flow.RIGHT + 1e-9);
                }
            }
        }
    }

    @Test
    public void aDrawingTooLargeForThePageIsPutDownAtAUsualScaleThatIsSaid() {
        Flow flow = new Flow("");
        flow.drawing(new Drawing("Large", 320, 200, 0, 0, List.of()));
        flow.drawing(new Drawing("Small", 100, 50, 0, 0, List.of()));
        List<String> said = words(flow.done().getFirst());
        assertThat(said).contains("Large, scale 1 : 2, mm", "Small, scale 1 : 1, mm");
    }

    @Test
    public void statesDifferInShapeNotOnlyInColour() {
        Flow flow = new Flow("");
        for (State state : State.values()) {
            flow.stateMark(state, 20);
        }
        flow.paragraph("x", 3, false, Ink.INK, 0);
        List<List<Mark.Point>> shapes = flow.done().getFirst().marks().stream()
                .filter(m -> m instanceof Mark.Fill)
                .map(m -> ((Mark.Fill) m).points())
                .toList();
        assertThat(shapes).hasSize(3).doesNotHaveDuplicates();
    }

    @Test
    public void anEmptyFlowHasNoPages() {
        assertThat(new Flow("").done()).isEmpty();
    }
}
