package boldsatchel.machine;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.tray;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.drawing.CaseDrawing;
import boldsatchel.drawing.PartDrawing;
import boldsatchel.edit.Alterations;
import boldsatchel.edit.CaseEdits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.plan.BlankCase;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Spread;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Guesses;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Parts and cases of one's own: what lies on a part, what was done to it, and trays that are more than a plain box. */
public class OwnShapesTest {

    private static Shell with(Shell shell, String field, Object value) {
        return Form.of(Shell.class).field(field).with(shell, value);
    }

    private static final Shell TRAY = box(200, 100, 40, 2, Material.PLASTIC);

    private static double massG(Shell shell) {
        return BalanceEngine.evaluate(Build.empty("x").with(Casing.NONE.withShells(List.of(shell))))
                .massG()
                .nominal();
    }

    @Test
    public void aThickerFloorWeighsAndStandsLower() {
        Shell thick = with(TRAY, "floorMm", Optional.of(exact(5)));
        double outer = 204.0 * 104 * (40 + 5 + 2);
        assertThat(massG(thick)).isCloseTo((outer - 200.0 * 100 * 40) * 1.1e-3, within(1e-6));
        assertThat(thick.outside().z()).isEqualTo(-5);
        assertThat(thick.wall(Face.BOTTOM).value()).isEqualTo(5);
        assertThat(thick.wall(Face.TOP).value()).isEqualTo(2);
    }

    @Test
    public void anOwnMaterialCountsInMassAndHeat() {
        Substance heavy = new Substance("lead", 11_340, 35, 0.3, 0.5, 0.13, true);
        Shell own = with(TRAY, "ownMaterial", Optional.of(heavy));
        assertThat(massG(own) / massG(TRAY)).isCloseTo(11_340 / 1100.0, within(1e-9));
        assertThat(own.substance().metal()).isTrue();
    }

    @Test
    public void aTaperAndABossAreInTheWay() {
        Shell tapered = with(TRAY, "taperMm", 6.0);
        Part low = block("low", 190, 50, 5);
        FitResult onFloor = FitEngine.evaluate(packed(tapered, List.of(low), List.of(new Vec(5, 25, 0))));
        assertThat(onFloor.clashes())
                .as("it reaches a millimetre into either side, square to a wall of 40 mm that leans by 6")
                .hasSize(2)
                .allSatisfy(c -> assertThat(c.depthMm()).isCloseTo(40 / Math.hypot(6, 40), within(1e-9)));
        FitResult higher = FitEngine.evaluate(packed(tapered, List.of(low), List.of(new Vec(5, 25, 30))));
        assertThat(higher.clashes()).isEmpty();
        Shell bossed = with(TRAY, "bosses", List.of(new Boss(100, 50, 8, 6, ScrewThread.M3)));
        assertThat(FitEngine.evaluate(packed(bossed, List.of(low), List.of(new Vec(5, 25, 0))))
                        .clashes())
                .hasSize(1);
        assertThat(massG(bossed) - massG(TRAY)).isCloseTo(Math.PI * 9 * 8 * 1.1e-3, within(1e-6));
        assertThatThrownBy(() -> with(TRAY, "taperMm", 50.0)).hasMessageContaining("taper");
    }

    @Test
    public void theInsideIsAsDoubtfulAsItIsSaid() {
        Shell doubtful = with(TRAY, "widthMm", new Figure(200, 2, Basis.MEASURED));
        Build build = packed(doubtful, List.of(block("a", 195, 100, 40)), List.of(new Vec(0, 0, 0)));
        var range =
                Evaluator.evaluate(build).verdict(Verdict.Kind.PACKS).working().range();
        assertThat(range.nominal()).isCloseTo(5, within(1e-9));
        assertThat(range.blame().getFirst().input().field()).isEqualTo("widthMm");
        assertThat(range.high() - range.low()).isCloseTo(2 * Spread.SIGMAS_TO_95, within(0.01));
    }

    @Test
    public void aVentOfAKindHasItsUsualShareUnlessSaid() {
        Box slit = new Box(10, 0, 5, 50, 0, 10);
        assertThat(new Vent("v", Face.FRONT, slit, Vent.Kind.HOLES, 0).areaMm2())
                .isCloseTo(0.35 * 500, within(1e-9));
        assertThat(new Vent("v", Face.FRONT, slit, Vent.Kind.HOLES, 0.6).areaMm2())
                .isCloseTo(300, within(1e-9));
    }

    @DataProvider
    Object[][] features() {
        return new Object[][] {
            {Feature.Kind.SOCKET}, {Feature.Kind.HOLE}, {Feature.Kind.BUTTON}, {Feature.Kind.ROOM}, {Feature.Kind.SOLID}
        };
    }

    @Test(dataProvider = "features")
    public void whatLiesOnAPartIsAddedMovedScaledAndTakenOff(Feature.Kind kind) {
        Body plain = block("a", 80, 60, 10).body();
        Body one = Feature.added(plain, kind, Face.TOP, new Vec(20, 30, 10));
        Feature last = new Feature(kind, Feature.count(one, kind) - 1);
        assertThat(Feature.of(last.id())).contains(last);
        Vec to = last.at(one).plus(new Vec(3, -4, 0));
        Body moved = last.moved(one, to);
        assertThat(last.at(moved)).isEqualTo(to);
        Body wider = moved.resized(exact(160), exact(60), exact(10));
        assertThat(last.at(wider).x()).isCloseTo(2 * to.x(), within(1e-9));
        assertThat(Feature.count(last.removed(moved), kind)).isEqualTo(last.index());
        Part part = block("a", 80, 60, 10).withBody(one);
        assertThat(PartDrawing.of(part, last.id()).marks().size())
                .isGreaterThan(PartDrawing.of(block("a", 80, 60, 10)).marks().size());
    }

    @Test
    public void fourHolesLieInTheCorners() {
        Body holed = Feature.fourHoles(block("a", 80, 60, 10).body(), ScrewThread.M3, 4);
        assertThat(holed.holes())
                .extracting(h -> h.at().x() + "/" + h.at().y())
                .containsExactly("4.0/4.0", "4.0/56.0", "76.0/4.0", "76.0/56.0");
        assertThat(holed.holes().getFirst().diameterMm()).isEqualTo(3.4);
        assertThatThrownBy(() -> Feature.fourHoles(holed, ScrewThread.M3, 30)).hasMessageContaining("four holes");
    }

    /** A point of the drawing is on the view it lies in, and near an edge of the plan on that side. */
    @Test
    public void aPointOfTheDrawingIsAPlaceOnThePart() {
        Part part = block("a", 80, 60, 10);
        double plan = 10 + 10;
        var edge = PartDrawing.pointed(part, 2, plan + 30).orElseThrow();
        assertThat(edge.face(part.body())).isEqualTo(Face.LEFT);
        assertThat(edge.on(Face.LEFT, part.body())).isEqualTo(new Vec(0, 30, 5));
        var middle = PartDrawing.pointed(part, 40, plan + 30).orElseThrow();
        assertThat(middle.face(part.body())).isEqualTo(Face.TOP);
        assertThat(middle.at()).isEqualTo(new Vec(40, 30, 10));
        assertThat(PartDrawing.pointed(part, 40, 5).orElseThrow().face(part.body()))
                .isEqualTo(Face.FRONT);
        assertThat(PartDrawing.pointed(part, 80 + 10 + 20, 5).orElseThrow().at())
                .isEqualTo(new Vec(80, 20, 5));
        assertThat(PartDrawing.pointed(part, -30, 5)).isEmpty();
        assertThat(PartDrawing.view(part, -30, 5)).isEqualTo(PartDrawing.View.FRONT);
        assertThat(PartDrawing.view(part, 100, -5)).isEqualTo(PartDrawing.View.SIDE);
        assertThat(PartDrawing.view(part, 90, 40)).isEqualTo(PartDrawing.View.PLAN);
    }

    @Test
    public void whatWasDoneToAPartIsKeptAndPutBack() {
        Part whole = block("a", 80, 60, 10);
        Build build = Build.empty("x").with(new Parts(List.of(whole)));
        Build bare = Alterations.alter(whole, Alteration.Kind.SHELL_OFF, "", Optional.empty())
                .change()
                .apply(build);
        Part after = bare.part("a").orElseThrow();
        assertThat(after.massG().value()).isCloseTo(0.75 * whole.massG().value(), within(1e-9));
        assertThat(after.body().widthMm().value()).isEqualTo(76);
        assertThat(Alterations.putBack(after).orElseThrow().change().apply(bare))
                .isEqualTo(build);
        Part cut = Alterations.alter(after, Alteration.Kind.CABLE_CUT, "lead shortened", Optional.empty())
                .change()
                .apply(bare)
                .part("a")
                .orElseThrow();
        assertThat(cut.alterations()).extracting(Alteration::name).containsExactly("shell off", "lead shortened");
        assertThat(Alterations.putBack(cut)).as("a lead that is cut stays cut").isEmpty();
    }

    @DataProvider
    Object[][] skins() {
        return new Object[][] {
            {Alteration.Kind.COATED, 80.2, 60.2, 10.2, 12_400 * 0.1},
            {Alteration.Kind.SLEEVED, 81.2, 61.2, 11.2, 12_400 * 0.6},
            {Alteration.Kind.COVERED, 80, 60, 10.15, 4_800 * 0.15},
        };
    }

    /** A skin is as thick on both sides, weighs 1.2 g/cm³ by the faces it lies on, and what was just wide enough clashes then. */
    @Test(dataProvider = "skins")
    public void aSkinHasAThickness(Alteration.Kind kind, double wide, double deep, double high, double mm3) {
        Part bare = block("a", 80, 60, 10);
        Shell shell = tray("tray", 80.1, 60.1, 10.1, exact(2), Material.PLASTIC, false);
        Build build = Build.empty("x")
                .with(Casing.of(List.of(shell), exact(0)))
                .with(bare)
                .with(new Placement("a", "tray", Vec.ZERO, Orientation.AS_DRAWN, Set.of()));
        assertThat(FitEngine.evaluate(build).outside()).isEmpty();
        Build skinned =
                Alterations.alter(bare, kind, "", Optional.empty()).change().apply(build);
        Part after = skinned.part("a").orElseThrow();
        assertThat(after.body().widthMm().value()).isCloseTo(wide, within(1e-9));
        assertThat(after.body().depthMm().value()).isCloseTo(deep, within(1e-9));
        assertThat(after.body().heightMm().value()).isCloseTo(high, within(1e-9));
        assertThat(after.massG().value() - bare.massG().value()).isCloseTo(mm3 * 1.2e-3, within(1e-9));
        assertThat(FitEngine.evaluate(skinned).outside()).hasSize(1);
    }

    @Test
    public void everyBlankCaseHoldsAPartAndCanBeJudged() {
        for (BlankCase blank : BlankCase.values()) {
            Build build = CaseEdits.take(blank.blank()).change().apply(Build.empty("x"));
            assertThat(Evaluator.evaluate(build).verdicts()).isNotEmpty();
            assertThat(CaseDrawing.of(build.casing().shells().getFirst()).marks())
                    .isNotEmpty();
            Build more = CaseEdits.another(build.casing().shells().getFirst())
                    .change()
                    .apply(build);
            assertThat(more.casing().shells()).hasSize(build.casing().shells().size() + 1);
            Shell added = more.casing().shells().getLast();
            assertThat(CaseEdits.remove(added).change().apply(more)).isEqualTo(build);
            assertThat(CaseEdits.hinge(more, added).isPresent())
                    .isEqualTo(build.casing().lid().isEmpty());
        }
        assertThat(BlankCase.FOUND_BOX.blank().shells().getFirst().widthMm().basis())
                .isEqualTo(Basis.GUESS);
    }

    @Test
    public void theGuessThatMattersMostIsTheOneThatMovesAnAnswerFarthest() {
        Part sure = block("sure", 50, 50, 10).weighing(new Figure(100, 1, Basis.MEASURED));
        Part small = block("small", 50, 50, 10).weighing(new Figure(50, 15, Basis.GUESS));
        Part large = block("large", 50, 50, 10).weighing(new Figure(400, 120, Basis.GUESS));
        Build build = packed(
                TRAY, List.of(sure, small, large), List.of(new Vec(5, 5, 0), new Vec(70, 5, 0), new Vec(140, 5, 0)));
        Guesses first = Guesses.greatest(Evaluator.evaluate(build)).orElseThrow();
        assertThat(first.input().owner()).isEqualTo("large");
        assertThat(first.words()).contains("large, mass");
        assertThat(Guesses.greatest(Evaluator.evaluate(packed(TRAY, List.of(sure), List.of(new Vec(5, 5, 0))))))
                .isEmpty();
    }

    /** A floor of its own counts where heat goes through it. */
    @Test
    public void heatGoesThroughTheFloorThatThereIs() {
        Build build = Library.demo("cave-survey").orElseThrow();
        Shell tray = build.casing().standing().orElseThrow();
        Build thick = build.with(build.casing().withShell(with(tray, "floorMm", Optional.of(exact(20)))));
        assertThat(Evaluator.evaluate(thick).verdict(Verdict.Kind.KEEPS_COOL).value())
                .isNotCloseTo(
                        Evaluator.evaluate(build)
                                .verdict(Verdict.Kind.KEEPS_COOL)
                                .value(),
                        within(0.3));
    }
}
