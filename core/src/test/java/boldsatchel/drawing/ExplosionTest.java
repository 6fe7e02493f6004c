package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.fit.Stack;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import org.testng.annotations.Test;

/** Lifted apart everything is clear of everything, in the order in which it lies; and a core goes through what leans. */
public class ExplosionTest {

    private static Box lifted(Explosion explosion, Placed placed) {
        return placed.bounds().posed(explosion.part(placed).pose());
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void partsAreClearOfOneAnotherAndOfTheirTray(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        FitResult fit = FitEngine.evaluate(build);
        Explosion explosion = Explosion.of(build.casing(), fit);
        for (Placed a : fit.placed()) {
            Shell shell = a.shell();
            Box tray = shell.outside().posed(explosion.tray(shell).pose());
            assertThat(lifted(explosion, a).signedDistance(tray)).as(a.id()).isPositive();
            assertThat(explosion.part(a).by().length()).isPositive();
            for (Placed b : fit.placed()) {
                boolean meant = a.placement().touches().contains(b.id())
                        || b.placement().touches().contains(a.id());
                if (!a.id().equals(b.id()) && !meant) {
                    assertThat(lifted(explosion, a).signedDistance(lifted(explosion, b)))
                            .as("%s %s", a.id(), b.id())
                            .isGreaterThan(-1e-6);
                }
            }
        }
    }

    /** Each is so far out that something of it is seen, and so has a name: what comes out of a lid too. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void everyPartIsSeen(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        Evaluation evaluation = Evaluator.evaluate(build);
        Drawing drawing = PackDrawings.of(
                        evaluation,
                        new PackDrawings.Look(
                                PackView.EXPLODED,
                                build.casing().standing().orElseThrow().id(),
                                Posture.CLOSED))
                .in(Room.window(780, 340));
        assertThat(drawing.marks().stream().filter(m -> m instanceof Mark.Text).map(Mark::subject))
                .containsAll(evaluation.of(FitResult.class).placed().stream()
                        .map(Placed::id)
                        .toList());
    }

    /** What lies on another is lifted further out of the open side of its tray. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void whatIsAboveStaysAbove(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        FitResult fit = FitEngine.evaluate(build);
        Explosion explosion = Explosion.of(build.casing(), fit);
        int over = 0;
        for (Placed a : fit.placed()) {
            for (Placed b : fit.placed()) {
                boolean above = a.shell().id().equals(b.shell().id())
                        && a.bounds().gapAlong(0, b.bounds()) < 0
                        && a.bounds().gapAlong(1, b.bounds()) < 0
                        && a.bounds().z() >= b.bounds().high(2);
                if (above) {
                    over++;
                    assertThat(explosion.part(a).by().length() + a.bounds().z())
                            .isGreaterThan(
                                    explosion.part(b).by().length() + b.bounds().high(2));
                }
            }
        }
        assertThat(over).isPositive();
    }

    @Test
    public void aLidIsLiftedOverAllThatComesOutOfTheBase() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        FitResult fit = FitEngine.evaluate(build);
        Explosion explosion = Explosion.of(build.casing(), fit);
        Shell lid = build.shell("lid").orElseThrow();
        double floor = lid.outside().posed(explosion.tray(lid).pose()).z();
        assertThat(fit.placed())
                .allSatisfy(p -> assertThat(lifted(explosion, p).high(2)).isLessThan(floor));
    }

    /**
     * A lid opened by 115° leans back by 25°: straight up through it a layer is longer by 1/sin 25° than it is thick, and the core of the base
     * beside it does not meet it at all.
     */
    @Test
    public void aCoreThroughALeaningLidIsLongerThanItsLayers() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        FitResult fit = FitEngine.evaluate(build);
        Posture used = build.casing().inUse();
        Vec panel = build.casing()
                .pose("lid", used)
                .apply(fit.placed("panel").orElseThrow().bounds().centre());
        Stack stack = Stack.at(build, fit, "base", used, 150, panel.y());
        List<Stack.Layer> layers = stack.layers().stream()
                .filter(l -> l.part().filter("panel"::equals).isPresent())
                .toList();
        assertThat(layers).singleElement().satisfies(l -> {
            double thick = fit.placed("panel").orElseThrow().bounds().dz();
            assertThat(l.thicknessMm()).isCloseTo(thick / Math.sin(Math.toRadians(25)), within(0.05));
            assertThat(l.lowMm() + l.thicknessMm() / 2).isCloseTo(panel.z(), within(0.05));
        });
        assertThat(Stack.at(build, fit, "base", used, 150, 100).layers())
                .noneMatch(l -> l.part().filter("panel"::equals).isPresent());
        assertThat(Stack.at(build, fit, "base", Posture.CLOSED, 150, 100).layers())
                .anyMatch(l -> l.part().filter("panel"::equals).isPresent());
    }

    /** Letters keep their size however small the room makes what is drawn. */
    @Test
    public void aRoomScalesWhatIsDrawnAndNotWhatIsWritten() {
        Room wide = Room.window(800, 600);
        assertThat(wide.scale(100, 100, 10, 5)).isCloseTo((600 - 5 * 11) / 100.0, within(1e-9));
        assertThat(wide.scale(10, 10, 0, 0)).as("no larger than can be useful").isEqualTo(40);
        assertThat(wide.atMost(2).scale(10, 10, 0, 0)).isEqualTo(2);
        assertThat(Room.window(-5, 0).scale(300, 300, 40, 40)).isPositive();
        assertThat(Room.page(180, 235).scale(60, 60, 0, 0))
                .as("on paper no larger than it is")
                .isEqualTo(1);
    }

    /** In a window the sheet is the room, with what is drawn in its middle; on paper it is no larger than it has to be. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aWindowIsFilledAndAPageIsNot(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        Evaluation evaluation = Evaluator.evaluate(build);
        String standing = build.casing().standing().orElseThrow().id();
        PackDrawings.Picture picture =
                PackDrawings.of(evaluation, new PackDrawings.Look(PackView.FRONT, standing, Posture.CLOSED));
        Room window = Room.window(900, 500);
        Drawing inWindow = picture.in(window.atMost(picture.scale(window) / 2));
        assertThat(inWindow.widthMm() * picture.scale(window) / 2).isCloseTo(900, within(1e-6));
        assertThat(inWindow.heightMm() * picture.scale(window) / 2).isCloseTo(500, within(1e-6));
        Box stands = all(evaluation, standing);
        double middle = inWindow.originX() + stands.centre().x();
        assertThat(middle).isCloseTo(inWindow.widthMm() / 2, within(0.1));
        Room page = Room.page(180, 235);
        assertThat(picture.in(page).widthMm()).isLessThanOrEqualTo(180 / picture.scale(page) + 1e-6);
        assertThat(picture.in(page).heightMm()).isLessThan(235 / picture.scale(page) * 0.9);
    }

    private static Box all(Evaluation evaluation, String standing) {
        return PackDrawings.scene(evaluation, new PackDrawings.Look(PackView.FRONT, standing, Posture.CLOSED))
                .extent();
    }
}
