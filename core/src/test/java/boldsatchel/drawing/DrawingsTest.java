package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.fit.FitResult;
import boldsatchel.fit.Stack;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.plan.Supplies;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.Network;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;

public class DrawingsTest {

    private static Evaluation demo(String name) {
        return Evaluator.evaluate(Library.demo(name).orElseThrow());
    }

    private static List<Drawing> all(Evaluation e) {
        Build build = e.build();
        List<Drawing> all = new ArrayList<>();
        build.casing().shells().forEach(s -> {
            for (PackView view : PackView.values()) {
                all.add(PackDrawings.of(
                                e,
                                new PackDrawings.Look(
                                        view,
                                        s.id(),
                                        build.casing().inUse(),
                                        OptionalDouble.empty(),
                                        build.parts().list().getFirst().id(),
                                        true))
                        .in(Room.window(800, 500)));
            }
        });
        ChainResult chain = e.of(PowerResult.class).chains().getFirst();
        all.add(PowerDrawings.ladder(build, build.wiring().chain().getFirst(), chain.busiest(), ""));
        Network network = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
        all.add(RunDrawings.discharge(
                build,
                chain,
                network,
                Optional.of(5.0),
                Optional.of(chain.run().samples().getFirst())));
        all.add(RunDrawings.cycle(build.brief().profile(), 0));
        all.add(RunDrawings.voltCard(
                "pack",
                VoltTable.of(build, build.wiring().chain().getFirst(), chain.cells())
                        .orElseThrow()));
        e.of(PowerResult.class).charges().forEach(c -> all.add(RunDrawings.charge(c)));
        all.add(CoreSample.of(
                build,
                Stack.at(
                        build,
                        e.of(FitResult.class),
                        build.casing().shells().getFirst().id(),
                        build.casing().inUse(),
                        60,
                        60),
                60,
                60));
        return all;
    }

    private static Drawing of(Evaluation e, PackView view, String shell) {
        return PackDrawings.of(e, new PackDrawings.Look(view, shell, Posture.CLOSED))
                .in(Room.window(700, 500));
    }

    private static List<Mark.Point> points(Mark mark) {
        return switch (mark) {
            case Mark.Line l -> l.points();
            case Mark.Fill f -> f.points();
            case Mark.Text t -> List.of(t.at());
        };
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void everyMarkLiesOnItsSheet(String name) {
        for (Drawing drawing : all(demo(name))) {
            for (Mark mark : drawing.marks()) {
                for (Mark.Point p : points(mark)) {
                    assertThat(p.x()).as(drawing.title() + " " + mark).isBetween(-1.0, drawing.widthMm() + 1);
                    assertThat(p.y()).as(drawing.title() + " " + mark).isBetween(-1.0, drawing.heightMm() + 1);
                }
            }
        }
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void thePlanShowsEveryPartAtItsPlaceAndToScale(String name) {
        Evaluation e = demo(name);
        e.build().casing().shells().forEach(shell -> {
            Drawing plan = of(e, PackView.PLAN, shell.id());
            e.of(FitResult.class).placed().stream()
                    .filter(p -> p.shell().equals(shell))
                    .forEach(p -> {
                        Box solid = p.solids().getFirst().bounds();
                        assertThat(plan.marks()).anySatisfy(mark -> {
                            assertThat(mark).isInstanceOf(Mark.Fill.class);
                            assertThat(mark.subject()).isEqualTo(p.id());
                            double left = points(mark).stream()
                                    .mapToDouble(Mark.Point::x)
                                    .min()
                                    .orElseThrow();
                            double right = points(mark).stream()
                                    .mapToDouble(Mark.Point::x)
                                    .max()
                                    .orElseThrow();
                            double low = points(mark).stream()
                                    .mapToDouble(Mark.Point::y)
                                    .max()
                                    .orElseThrow();
                            assertThat(left - plan.originX()).isCloseTo(solid.x(), within(1e-9));
                            assertThat(plan.originY() - low).isCloseTo(solid.y(), within(1e-9));
                            assertThat(right - left).isCloseTo(solid.dx(), within(1e-9));
                        });
                    });
        });
    }

    @Test
    public void aClashIsHatchedAndItsDepthWritten() {
        Drawing front = of(demo("harbour-watch"), PackView.FRONT, "base");
        assertThat(front.marks())
                .anySatisfy(m -> assertThat(m).isInstanceOfSatisfying(Mark.Text.class, t -> {
                    assertThat(t.text()).isEqualTo("closed: clash 3 mm");
                    assertThat(t.ink()).isEqualTo(Ink.STOP);
                }));
    }

    @Test
    public void theLadderHasARowForEveryRung() {
        Build demo = demo("cave-survey").build();
        Build cells = Supplies.reckon(demo, Supplies.School.PARALLEL_CELLS)
                .orElseThrow()
                .build();
        for (Build build : List.of(demo, cells)) {
            Rung root = build.wiring().chain().getFirst();
            Drawing ladder = PowerDrawings.ladder(
                    build,
                    root,
                    Evaluator.evaluate(build)
                            .of(PowerResult.class)
                            .chains()
                            .getFirst()
                            .busiest(),
                    "");
            root.walk()
                    .forEach(rung -> assertThat(ladder.marks())
                            .anyMatch(m -> m instanceof Mark.Text && m.subject().equals(rung.id())));
            List<String> rows = new ArrayList<>();
            for (double y = -PowerDrawings.ROW / 2;
                    PowerDrawings.rungAt(root, y).isPresent();
                    y -= PowerDrawings.ROW) {
                rows.add(PowerDrawings.rungAt(root, y).orElseThrow());
            }
            assertThat(rows)
                    .containsExactlyInAnyOrderElementsOf(
                            root.walk().map(Rung::id).toList());
            assertThat(rows.indexOf(root.id()))
                    .isEqualTo((int) root.joined().stream().flatMap(Rung::walk).count());
        }
        assertThat(PowerDrawings.isUpperEdge(-PowerDrawings.ROW * 1.1)).isTrue();
        assertThat(PowerDrawings.isUpperEdge(-PowerDrawings.ROW * 1.6)).isFalse();
    }

    @Test
    public void hatchingStaysInsideItsRectangle() {
        Sketch s = new Sketch(0, 100);
        for (double degrees : new double[] {0, 30, 45, 90, 135}) {
            s.hatch(10, 20, 30, 15, degrees, 2, 0.1, Ink.INK, "");
        }
        for (Mark mark : s.done("", 100, 100).marks()) {
            points(mark).forEach(p -> {
                assertThat(p.x()).isBetween(10 - 1e-9, 40 + 1e-9);
                assertThat(100 - p.y()).isBetween(20 - 1e-9, 35 + 1e-9);
            });
        }
        assertThat(s.done("", 100, 100).marks()).hasSizeGreaterThan(40);
    }

    @Test
    public void everyPartOfTheLibraryCanBeDrawn() {
        for (Part part : Library.shipped().parts()) {
            Drawing drawing = PartDrawing.of(part);
            assertThat(drawing.marks()).isNotEmpty();
            assertThat(drawing.widthMm()).isGreaterThan(part.body().widthMm().value());
        }
    }

    @Test
    public void wordsAreLegibleOnTheirGroundInBothLooks() {
        for (Ink ink : List.of(Ink.INK, Ink.SOFT, Ink.ACCENT, Ink.FINE, Ink.WATCH, Ink.STOP)) {
            assertThat(contrast(ink.light(), Ink.PAPER.light()))
                    .as(ink + " light")
                    .isGreaterThan(4.5);
            assertThat(contrast(ink.dark(), Ink.PAPER.dark())).as(ink + " dark").isGreaterThan(4.5);
        }
    }

    /** Ten metres of tray, vent and part: still a drawing of some thousand marks, not of millions. */
    @Test
    public void hatchesAndSlotsHaveAnEnd() {
        Build build = Library.demo("cave-survey").orElseThrow();
        Shell shell = build.casing().shells().getFirst();
        Box slit = new Box(0, 0, 0, 10_000, 1, 10_000);
        Vent vent = new Vent("slit", Face.BACK, slit, 0.5);
        Shell vented =
                Form.of(Shell.class).field("vents").with(shell.withInside(10_000, 10_000, 10_000), List.of(vent));
        Build huge = build.with(build.casing().withShell(vented));
        for (Part part : build.parts().list()) {
            Body grown = part.body();
            for (String side : List.of("widthMm", "depthMm", "heightMm")) {
                grown = Form.of(Body.class).field(side).with(grown, Figure.guess(9_000));
            }
            huge = huge.with(huge.parts().with(part.withBody(grown)));
        }
        for (Drawing drawing : all(Evaluator.evaluate(huge))) {
            assertThat(drawing.marks()).as(drawing.title()).hasSizeLessThan(100_000);
        }
    }

    /** Contrast ratio of WCAG 2.2, 1.4.3. */
    private static double contrast(String a, String b) {
        double x = luminance(a);
        double y = luminance(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    private static double luminance(String hex) {
        double sum = 0;
        double[] weights = {0.2126, 0.7152, 0.0722};
        for (int i = 0; i < 3; i++) {
            double c = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            sum += weights[i] * (c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    @Test
    public void gridStepsAreOneTwoOrFive() {
        assertThat(PowerDrawings.niceStep(0.3)).isEqualTo(0.5);
        assertThat(PowerDrawings.niceStep(1.1)).isEqualTo(2);
        assertThat(PowerDrawings.niceStep(7)).isEqualTo(10);
    }
}
