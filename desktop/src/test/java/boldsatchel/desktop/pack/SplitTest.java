package boldsatchel.desktop.pack;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackDrawings.Picture;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How two pictures share a frame of any shape. */
public class SplitTest {

    @DataProvider
    Object[][] pairs() {
        List<Object[]> all = new ArrayList<>();
        for (String demo : Library.DEMOS) {
            for (PackView first : PackView.values()) {
                for (PackView second : PackView.values()) {
                    all.add(new Object[] {demo, first, second});
                }
            }
        }
        return all.toArray(Object[][]::new);
    }

    private static Picture picture(String demo, PackView view) {
        Build build = Library.demo(demo).orElseThrow();
        Evaluation evaluation = Evaluator.evaluate(build);
        return PackDrawings.of(
                evaluation,
                new PackDrawings.Look(
                        view, build.casing().standing().orElseThrow().id(), Posture.CLOSED));
    }

    /** Pixels of a millimetre in the picture that comes out smaller. */
    private static double smaller(Split split, Picture first, Picture second, double width, double height) {
        double one = split.share();
        return split.beside()
                ? Math.min(
                        first.scale(Room.window(width * one, height)),
                        second.scale(Room.window(width * (1 - one), height)))
                : Math.min(
                        first.scale(Room.window(width, height * one)),
                        second.scale(Room.window(width, height * (1 - one))));
    }

    /** Neither picture gets so small that another way to share would double it; none takes all the room; once shared it stays so. */
    @Test(dataProvider = "pairs")
    public void bothPicturesAreLarge(String demo, PackView one, PackView two) {
        Picture first = picture(demo, one);
        Picture second = picture(demo, two);
        boolean inLine = one.isInLineWith(two);
        for (double[] frame : new double[][] {{800, 570}, {400, 900}, {1500, 500}, {700, 700}, {260, 240}}) {
            Split split = Split.USUAL.fitting(first, second, inLine, frame[0], frame[1]);
            assertThat(split.share()).isBetween(0.3, 0.7 + 1e-9);
            double least = smaller(split, first, second, frame[0], frame[1]);
            for (boolean beside : new boolean[] {true, false}) {
                for (double share = 0.3; share < 0.7; share += 0.05) {
                    assertThat(smaller(new Split(beside, share), first, second, frame[0], frame[1]))
                            .as("%s %s %.0f × %.0f", split, beside, frame[0], frame[1])
                            .isLessThan(least * 1.7);
                }
            }
            assertThat(split.fitting(first, second, inLine, frame[0], frame[1])).isEqualTo(split);
        }
    }

    /** In a wide frame one stands beside the other, in a high one below it. */
    @Test
    public void theShapeOfTheFrameDecides() {
        Picture plan = picture("cave-survey", PackView.PLAN);
        Picture apart = picture("cave-survey", PackView.EXPLODED);
        assertThat(Split.USUAL.fitting(plan, apart, false, 1600, 400).beside()).isTrue();
        assertThat(new Split(true, 0.5).fitting(plan, apart, false, 500, 1200).beside())
                .isFalse();
    }
}
