package boldsatchel.fit;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

public class FitEngineTest {

    private static final Shell BOX = box(200, 100, 40, 2, Material.PLASTIC);

    private static FitResult fit(List<Part> parts, Vec... at) {
        return FitEngine.evaluate(packed(BOX, parts, List.of(at)));
    }

    private static Part with(Part part, List<? extends Solid> solids, List<Zone> zones, List<Port> ports) {
        Body b = part.body();
        return part.withBody(
                new Body(b.widthMm(), b.depthMm(), b.heightMm(), List.copyOf(solids), zones, ports, Optional.empty()));
    }

    @Test
    public void partsInTheSamePlaceClashByTheLeastMoveThatFreesThem() {
        FitResult fit =
                fit(List.of(block("a", 50, 50, 20), block("b", 50, 50, 20)), new Vec(10, 10, 0), new Vec(57, 12, 5));
        assertThat(fit.clashes()).hasSize(1);
        assertThat(fit.clashes().getFirst().depthMm()).isCloseTo(3, within(1e-9));
        assertThat(fit.clashes().getFirst().overlap()).isEqualTo(new Box(57, 12, 5, 3, 48, 15));
        assertThat(fit.tightest().orElseThrow().nominal()).isCloseTo(-3, within(1e-9));
    }

    @Test
    public void apartTheyHaveAStraightGap() {
        FitResult fit =
                fit(List.of(block("a", 50, 50, 20), block("b", 50, 20, 20)), new Vec(10, 10, 0), new Vec(63, 64, 0));
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.gaps().getFirst().gapMm()).isCloseTo(5, within(1e-9));
    }

    @Test
    public void theRangeOfAGapComesFromTheSizesAlongIt() {
        Part loose =
                block("a", 50, 50, 20).withBody(Body.block(new Figure(50, 1, Basis.DATA_SHEET), exact(50), exact(20)));
        FitResult fit = fit(List.of(loose, block("b", 50, 50, 20)), new Vec(10, 10, 0), new Vec(62, 10, 0));
        assertThat(fit.tightest().orElseThrow().nominal()).isCloseTo(2, within(1e-9));
        assertThat(fit.tightest().orElseThrow().low()).isCloseTo(2 - 1.6449 * 0.5, within(1e-9));
        assertThat(fit.tightest().orElseThrow().blame()).hasSize(1);
    }

    @Test
    public void aHollowPartLetsAnotherInsideItsBoundsWithoutAClash() {
        Part board = with(
                block("board", 100, 60, 20),
                List.of(new Box(0, 0, 0, 100, 60, 2), new Box(80, 0, 2, 20, 60, 18)),
                List.of(),
                List.of());
        FitResult fit = fit(List.of(board, block("chip", 30, 30, 8)), new Vec(10, 10, 0), new Vec(20, 20, 4));
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.gaps().getFirst().gapMm()).isCloseTo(2, within(1e-9));
    }

    @Test
    public void partsMeantToTouchAreNoGap() {
        Build build = packed(
                BOX,
                List.of(block("a", 50, 50, 10), block("b", 50, 50, 10)),
                List.of(new Vec(0, 0, 0), new Vec(0, 0, 10)));
        assertThat(FitEngine.evaluate(build).gaps())
                .filteredOn(g -> g.b().equals("b"))
                .hasSize(1);
        Placement touching = new Placement("b", "box", new Vec(0, 0, 10), Orientation.AS_DRAWN, Set.of("a"));
        assertThat(FitEngine.evaluate(build.with(touching)).gaps())
                .filteredOn(g -> g.b().equals("b"))
                .isEmpty();
    }

    @Test
    public void theSpaceToAWallIsAGapAndContactIsNone() {
        FitResult fit = fit(List.of(block("a", 50, 50, 10)), new Vec(0.2, 30, 0));
        assertThat(fit.gaps()).singleElement().satisfies(g -> {
            assertThat(g.b()).isEqualTo("box");
            assertThat(g.gapMm()).isCloseTo(0.2, within(1e-9));
        });
        assertThat(fit.tightest().orElseThrow().nominal()).isCloseTo(0.2, within(1e-9));
        assertThat(fit(List.of(block("a", 50, 50, 10)), new Vec(0, 30, 0)).gaps())
                .isEmpty();
    }

    @Test
    public void aPartThroughAWallIsOutside() {
        FitResult fit = fit(List.of(block("a", 50, 50, 20)), new Vec(153, 10, 0));
        assertThat(fit.outside()).hasSize(1);
        assertThat(fit.outside().getFirst().byMm()).isCloseTo(3, within(1e-9));
        assertThat(fit.tightest().orElseThrow().nominal()).isCloseTo(-3, within(1e-9));
    }

    @Test
    public void anOpenTopLetsPartsRise() {
        Shell open = boldsatchel.Samples.tray("box", 200, 100, 40, exact(2), Material.PLASTIC, true);
        assertThat(FitEngine.evaluate(packed(open, List.of(block("a", 50, 50, 50)), List.of(new Vec(0, 0, 0))))
                        .outside())
                .isEmpty();
        assertThat(fit(List.of(block("a", 50, 50, 50)), new Vec(0, 0, 0)).outside())
                .hasSize(1);
    }

    @Test
    public void ribsOfTheShellAreSolid() {
        Shell ribbed = Form.of(Shell.class)
                .field("ribs")
                .with(box(200, 100, 40, 2, Material.PLASTIC), List.of(new Box(0, 0, 0, 8, 8, 40)));
        FitResult fit = FitEngine.evaluate(packed(ribbed, List.of(block("a", 50, 50, 20)), List.of(new Vec(5, 2, 0))));
        assertThat(fit.clashes().getFirst().b()).isEqualTo("box");
        assertThat(fit.clashes().getFirst().depthMm()).isCloseTo(3, within(1e-9));
    }

    @Test
    public void zonesMustStayFreeButMayOverlapEachOther() {
        Zone air = new Zone(Zone.Kind.AIR, new Box(0, 0, 10, 50, 50, 6));
        Part warm = with(block("warm", 50, 50, 10), List.of(), List.of(air), List.of());
        Part other = with(block("other", 50, 50, 10), List.of(), List.of(air), List.of());
        FitResult below = fit(List.of(warm, block("lid", 50, 50, 5)), new Vec(0, 0, 0), new Vec(0, 0, 12));
        assertThat(below.intrusions()).hasSize(1);
        assertThat(below.intrusions().getFirst().kind()).isEqualTo(Zone.Kind.AIR);
        assertThat(below.intrusions().getFirst().depthMm()).isCloseTo(4, within(1e-9));
        assertThat(fit(List.of(warm, other), new Vec(0, 0, 0), new Vec(55, 0, 0))
                        .intrusions())
                .isEmpty();
    }

    private static Part withPort(Port.Use use) {
        Port port = new Port("HDMI", Connector.HDMI, Face.RIGHT, new Vec(50, 25, 8), use);
        return with(block("board", 50, 50, 16), List.of(), List.of(), List.of(port));
    }

    @Test
    public void aStraightPlugNeedsRoomThatARightAngleOneDoesNot() {
        Part wall = block("wall", 10, 50, 30);
        FitResult straight =
                fit(List.of(withPort(Port.Use.INSIDE_STRAIGHT), wall), new Vec(0, 0, 0), new Vec(80, 0, 0));
        assertThat(straight.intrusions().getFirst().kind()).isEqualTo(Zone.Kind.PLUG);
        FitResult angled = fit(List.of(withPort(Port.Use.INSIDE_ANGLED), wall), new Vec(0, 0, 0), new Vec(80, 0, 0));
        assertThat(angled.intrusions()).isEmpty();
    }

    @Test
    public void aPlugMustEndBeforeTheWall() {
        FitResult fit = fit(List.of(withPort(Port.Use.INSIDE_STRAIGHT)), new Vec(120, 0, 0));
        assertThat(fit.intrusions().getFirst().by()).isEqualTo("box");
        assertThat(fit.intrusions().getFirst().depthMm()).isCloseTo(15, within(1e-9));
    }

    @Test
    public void aSocketForTheOutsideMustReachItsWall() {
        assertThat(fit(List.of(withPort(Port.Use.OUTSIDE)), new Vec(149, 0, 0)).stranded())
                .isEmpty();
        FitResult far = fit(List.of(withPort(Port.Use.OUTSIDE)), new Vec(100, 0, 0));
        assertThat(far.stranded().getFirst().byMm()).isCloseTo(50, within(1e-9));
    }

    @Test
    public void aSocketTurnsWithItsPart() {
        Build build = packed(BOX, List.of(withPort(Port.Use.OUTSIDE)), List.of(new Vec(75, 50, 0)))
                .with(new Placement("board", "box", new Vec(75, 50, 0), new Orientation(Face.TOP, 1), Set.of()));
        assertThat(FitEngine.evaluate(build).stranded()).isEmpty();
    }

    @Test
    public void aPartBeforeAVentCoversIt() {
        Shell vented = boldsatchel.Samples.tray(
                "box",
                200,
                100,
                40,
                exact(2),
                Material.PLASTIC,
                false,
                new Vent("side", Face.LEFT, new Box(0, 20, 5, 0, 40, 20), 0.6));
        Part fan =
                boldsatchel.Samples.part("fan", Family.COOLING, 10, 40, 20, 5, new Facet.MovesAir(exact(1), exact(20)));
        assertThat(FitEngine.evaluate(packed(vented, List.of(block("a", 20, 40, 20)), List.of(new Vec(1, 20, 5))))
                        .covered())
                .hasSize(1);
        assertThat(FitEngine.evaluate(packed(vented, List.of(block("a", 20, 40, 20)), List.of(new Vec(10, 20, 5))))
                        .covered())
                .isEmpty();
        assertThat(FitEngine.evaluate(packed(vented, List.of(fan), List.of(new Vec(1, 20, 5))))
                        .covered())
                .isEmpty();
    }

    private static Build hinged(double lidPartZ, double basePartHeight) {
        Shell base = boldsatchel.Samples.tray("base", 200, 100, 20, exact(2), Material.PLASTIC, true);
        Shell lid = boldsatchel.Samples.tray("lid", 200, 100, 10, exact(2), Material.PLASTIC, true);
        return Build.empty("hinged")
                .with(Casing.NONE
                        .withShells(List.of(base, lid))
                        .withLid(Joint.lid("base", "lid", new Vec(0, 102, 20), new Vec(0, -2, 10), 140, exact(1)), 110))
                .with(new Parts(List.of(block("keys", 100, 50, basePartHeight), block("screen", 180, 80, 4))))
                .with(new Layout(List.of(
                        new Placement("keys", "base", new Vec(50, 25, 0), Orientation.AS_DRAWN, Set.of()),
                        new Placement("screen", "lid", new Vec(10, 10, lidPartZ), Orientation.AS_DRAWN, Set.of()))));
    }

    @Test
    public void withTheLidClosedPartsOfBothHalvesAreCompared() {
        FitResult clear = FitEngine.evaluate(hinged(2, 22));
        assertThat(clear.clashes()).isEmpty();
        assertThat(clear.gaps().getFirst().gapMm()).isCloseTo(2, within(1e-9));
        FitResult clash = FitEngine.evaluate(hinged(2, 27));
        assertThat(clash.clashes().getFirst().where()).isEqualTo(new FitResult.Where("closed"));
        assertThat(clash.clashes().getFirst().depthMm()).isCloseTo(3, within(1e-9));
    }

    /** A battery that may swell to 31 mm, under a screen at 24 mm and a lid's floor at 30 mm. */
    @Test
    public void withTheLidClosedTheRoomToSwellIsKeptToo() {
        Build build = hinged(2, 20);
        Part keys = with(
                block("keys", 100, 50, 20),
                List.of(),
                List.of(new Zone(Zone.Kind.SWELL, new Box(0, 0, 20, 100, 50, 11))),
                List.of());
        FitResult fit = FitEngine.evaluate(build.with(keys));
        assertThat(fit.intrusions())
                .filteredOn(i -> i.by().equals("screen"))
                .singleElement()
                .satisfies(i -> {
                    assertThat(i.kind()).isEqualTo(Zone.Kind.SWELL);
                    // The room ends at 31 mm, the screen begins at 24 mm.
                    assertThat(i.depthMm()).isCloseTo(7, within(1e-9));
                });
        assertThat(fit.intrusions())
                .filteredOn(i -> i.by().equals("lid"))
                .singleElement()
                .satisfies(i -> assertThat(i.depthMm()).isCloseTo(1, within(1e-9)));
        assertThat(FitEngine.evaluate(build).intrusions()).isEmpty();
    }

    /** Keys 5 mm above the base reach from 50 to 150; the walls of a lid 80 mm wide stand on them. */
    @Test
    public void theRimOfANarrowerLidStandsOnWhatRisesAboveTheBase() {
        Build build = hinged(2, 25);
        build = build.with(build.parts().without("screen"))
                .with(new Layout(List.of(build.layout().placements().getFirst())));
        assertThat(FitEngine.evaluate(build).clashes()).isEmpty();
        Shell lid = build.shell("lid").orElseThrow();
        FitResult narrow = FitEngine.evaluate(build.with(build.casing().withShell(lid.withInside(80, 100, 10))));
        assertThat(narrow.clashes()).isNotEmpty().allSatisfy(c -> {
            assertThat(c.a()).isEqualTo("keys");
            assertThat(c.b()).isEqualTo("lid");
            assertThat(c.where()).isEqualTo(new FitResult.Where("closed"));
        });
        assertThat(FitEngine.evaluate(build.with(build.casing().withShell(lid.withInside(200, 60, 10))))
                        .clashes())
                .as("a shorter lid")
                .isNotEmpty();
    }

    @Test
    public void aPartTallerThanBothHalvesHitsTheLidsFloor() {
        Build build = hinged(2, 31);
        build = build.with(new Parts(List.of(build.parts().list().getFirst())))
                .with(new Layout(List.of(build.layout().placements().getFirst())));
        assertThat(FitEngine.evaluate(build).clashes().getFirst().b()).isEqualTo("lid");
    }

    @Test
    public void loosePartsAreOnTheTable() {
        Build build = packed(BOX, List.of(block("a", 5, 5, 5)), List.of(new Vec(0, 0, 0)))
                .with(new Parts(List.of(block("a", 5, 5, 5), block("b", 5, 5, 5))));
        assertThat(FitEngine.evaluate(build).onTheTable()).containsExactly("b");
    }

    @Test
    public void whatStaysOutsideAsksForNoPlace() {
        Part adapter = block("a", 5, 5, 5).withFacet(new Facet.Adapter(19, 3, Figure.measured(0.05)));
        Build build = packed(BOX, List.of(), List.of()).with(new Parts(List.of(adapter, block("b", 5, 5, 5))));
        assertThat(build.loose()).extracting(Part::id).containsExactly("b");
        assertThat(FitEngine.evaluate(build).onTheTable()).containsExactly("b");
    }

    @Test
    public void signedDistanceIsSymmetricAndChangesSignAtContact() {
        Box a = new Box(0, 0, 0, 10, 10, 10);
        for (double x = -15; x <= 15; x += 2.5) {
            Box b = a.moved(new Vec(x, 3, -2));
            assertThat(a.signedDistance(b)).isEqualTo(b.signedDistance(a));
        }
        assertThat(a.signedDistance(a.moved(new Vec(10, 0, 0)))).isZero();
        assertThat(a.signedDistance(a.moved(new Vec(13, 14, 0)))).isCloseTo(5, within(1e-9));
    }

    @Test
    public void aDraggedPartSnapsToWallsAndToTheWantedGap() {
        Build build = packed(
                BOX,
                List.of(block("a", 50, 50, 10), block("b", 50, 50, 10)),
                List.of(new Vec(0, 0, 0), new Vec(100, 0, 0)));
        FitResult fit = FitEngine.evaluate(build);
        assertThat(Snap.near(build, fit, "b", new Vec(149.2, 0.7, 0))).isEqualTo(new Vec(150, 0, 0));
        Vec beside = Snap.near(build, fit, "b", new Vec(51.4, 0, 0));
        assertThat(beside.x()).isCloseTo(50.8, within(1e-9));
        assertThat(Snap.near(build, fit, "b", new Vec(70.3, 20.1, 8.2))).isEqualTo(new Vec(70.5, 20, 8));
    }

    @Test
    public void aCoreSampleNamesEveryLayerAndGap() {
        Build build = packed(
                BOX,
                List.of(block("a", 50, 50, 10), block("b", 50, 50, 10)),
                List.of(new Vec(0, 0, 0), new Vec(0, 0, 13)));
        Stack stack = Stack.at(build, FitEngine.evaluate(build), "box", Posture.CLOSED, 25, 25);
        assertThat(stack.layers())
                .extracting(Stack.Layer::name)
                .containsExactly("box floor", "a", "", "b", "", "box top");
        assertThat(stack.layers())
                .extracting(Stack.Layer::thicknessMm)
                .containsExactly(2.0, 10.0, 3.0, 10.0, 17.0, 2.0);
        assertThat(stack.likelyMm()).isLessThanOrEqualTo(stack.worstCaseMm());
    }

    /** A board with a chip on it is one part of one height: its ±0.3 mm count once, beside ±0.1 mm of each wall. */
    @Test
    public void aPartsMeasureCountsOnceHoweverManySolidsAreDrilled() {
        Part board = with(
                block("board", 100, 60, 20),
                List.of(new Box(0, 0, 0, 100, 60, 2), new Box(10, 10, 2, 20, 20, 6), new Box(0, 0, 15, 100, 60, 5)),
                List.of(),
                List.of());
        Body body =
                board.body().resized(exact(100), exact(60), new Figure(20, 0.3, boldsatchel.quantity.Basis.MEASURED));
        Shell walled = boldsatchel.Samples.tray(
                "box", 200, 100, 40, new Figure(2, 0.1, boldsatchel.quantity.Basis.MEASURED), Material.PLASTIC, false);
        Build build = packed(walled, List.of(board.withBody(body)), List.of(new Vec(0, 0, 0)));
        Stack stack = Stack.at(build, FitEngine.evaluate(build), "box", Posture.CLOSED, 15, 15);
        assertThat(stack.layers()).filteredOn(l -> l.name().equals("board")).hasSize(3);
        assertThat(stack.worstCaseMm()).isCloseTo(0.5, within(1e-9));
        assertThat(stack.likelyMm()).isCloseTo(Math.sqrt(0.3 * 0.3 + 2 * 0.1 * 0.1), within(1e-9));
    }

    @Test
    public void aCoreSampleThroughAClosedLidShowsAnOverlapAsNegative() {
        Build build = hinged(2, 27);
        Stack stack = Stack.at(build, FitEngine.evaluate(build), "base", Posture.CLOSED, 100, 50);
        assertThat(stack.layers()).anySatisfy(l -> {
            assertThat(l.isGap()).isTrue();
            assertThat(l.thicknessMm()).isCloseTo(-3, within(1e-9));
        });
    }
}
