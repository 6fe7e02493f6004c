package boldsatchel.machine;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

/** Walls that follow what lies in a tray, and edges that are rounded. */
public final class WrapTest {

    private static final Shell TRAY = Samples.tray("tray", 200, 100, 30, exact(2), Material.PLASTIC, true);

    private static Build two() {
        return packed(
                TRAY,
                List.of(block("a", 50, 40, 10), block("b", 30, 30, 20)),
                List.of(new Vec(20, 30, 3), new Vec(100, 20, 0)));
    }

    private static Build wrapped(Build build, double around) {
        return CaseEdits.follow(build.shell("tray").orElseThrow(), around)
                .change()
                .apply(build);
    }

    /** From 20 to 130 and from 20 to 70, and 3 mm on every side; the floor stays, 20 and 3 mm up. */
    @Test
    public void theWallsAreDrawnRoundTheParts() {
        Build build = wrapped(two(), 3);
        assertThat(build.shell("tray").orElseThrow().cavity()).isEqualTo(new Box(0, 0, 0, 116, 56, 23));
        assertThat(build.placement("a").orElseThrow().at()).isEqualTo(new Vec(3, 13, 3));
        assertThat(build.placement("b").orElseThrow().at()).isEqualTo(new Vec(83, 3, 0));
        assertThat(build.with(build.layout())).isEqualTo(build);
        assertThat(build.with(build.layout()).casing()).isSameAs(build.casing());
        Build set = build.with(
                build.casing().withShell(build.shell("tray").orElseThrow().following(Optional.empty())));
        Part a = set.part("a").orElseThrow();
        assertThat(Edits.move(a, new Vec(-9, 0, 0))
                        .change()
                        .apply(set)
                        .shell("tray")
                        .orElseThrow()
                        .cavity())
                .isEqualTo(new Box(0, 0, 0, 116, 56, 23));
    }

    /** A lid face down on a tray, of the same outline: 200 × 100 × 15 mm, with a block from (150, 60) to (170, 80) in it, over (150, 20) to (170, 40) of the tray. */
    private static Build lidded() {
        Joint hinge = Joint.lid("tray", "lid", new Vec(0, 104, 30), new Vec(0, -4, 15), 135, exact(1));
        Shell lid = Samples.tray("lid", 200, 100, 15, exact(2), Material.PLASTIC, true);
        return two().with(Casing.of(List.of(TRAY, lid), exact(0)).withLid(hinge, 100))
                .with(block("c", 20, 20, 5))
                .with(new Placement("c", "lid", new Vec(150, 60, 0), Orientation.AS_DRAWN, Set.of()));
    }

    /** A lid of the same outline goes with the walls, and what hangs in it has its place between them. */
    @Test
    public void aLidGoesWithItsTray() {
        Build build = wrapped(lidded(), 3);
        Box tray = build.shell("tray").orElseThrow().cavity();
        assertThat(tray).isEqualTo(new Box(0, 0, 0, 156, 56, 23));
        assertThat(build.shell("lid").orElseThrow().cavity()).isEqualTo(new Box(0, 0, 0, 156, 56, 15));
        Random random = new Random(3);
        for (int i = 0; i < 100; i++) {
            String id = List.of("a", "b", "c").get(random.nextInt(3));
            Vec to = new Vec(random.nextInt(200) - 50, random.nextInt(100) - 30, 0);
            Vec apart = apart(build, id.equals("a") ? "b" : "a", id.equals("c") ? "b" : "c");
            build = Edits.move(build.part(id).orElseThrow(), to).change().apply(build);
            assertThat(apart(build, id.equals("a") ? "b" : "a", id.equals("c") ? "b" : "c")
                            .minus(apart)
                            .length())
                    .as("parts that did not move are as far from one another as before, across trays too")
                    .isLessThan(1e-6);
            Casing casing = build.casing();
            Box lid = casing.pose("lid", Posture.CLOSED)
                    .around(build.shell("lid").orElseThrow().outside());
            Box base = build.shell("tray").orElseThrow().outside();
            assertThat(lid.x()).isCloseTo(base.x(), within(1e-6));
            assertThat(lid.y()).isCloseTo(base.y(), within(1e-6));
            assertThat(lid.high(0)).isCloseTo(base.high(0), within(1e-6));
            assertThat(lid.high(1)).isCloseTo(base.high(1), within(1e-6));
            assertThat(FitEngine.evaluate(build).outside()).isEmpty();
        }
    }

    private static Vec apart(Build build, String one, String other) {
        Vec apart = middle(build, one).minus(middle(build, other));
        return new Vec(apart.x(), apart.y(), 0);
    }

    private static Vec middle(Build build, String id) {
        Placement lies = build.placement(id).orElseThrow();
        Box bounds = build.part(id).orElseThrow().body().bounds();
        return build.casing()
                .pose(lies.shell(), Posture.CLOSED)
                .apply(lies.place(bounds, bounds).centre());
    }

    /** A part moved out to the left takes the wall along; all others are as far from it as before. */
    @Test
    public void theyGrowAndShrinkWithThem() {
        Build build = wrapped(two(), 3);
        Part a = build.part("a").orElseThrow();
        Build wider = Edits.move(a, new Vec(-7, 13, 3)).change().apply(build);
        assertThat(wider.shell("tray").orElseThrow().cavity().dx()).isCloseTo(126, within(1e-9));
        assertThat(wider.placement("b").orElseThrow().at().x()).isCloseTo(93, within(1e-9));
        Build less = Edits.unplace(a).change().apply(wider);
        assertThat(less.shell("tray").orElseThrow().cavity()).isEqualTo(new Box(0, 0, 0, 36, 36, 23));
        Build none = Edits.unplace(build.part("b").orElseThrow()).change().apply(less);
        assertThat(none.shell("tray").orElseThrow().cavity()).isEqualTo(new Box(0, 0, 0, 36, 36, 23));
        Shell found = Form.of(Shell.class).field("making").with(TRAY, Shell.Making.FOUND);
        Build box = two().with(Casing.NONE.withShells(List.of(found)));
        assertThat(wrapped(box, 3).casing().shells()).containsExactly(found);
    }

    /** What is on a wall goes with it: vents keep their share, the lid its hinge at the back, an opening its socket. */
    @Test
    public void whatIsOnAWallGoesWithIt() {
        Shell shell = TRAY.withVents(List.of(new Vent("v", Face.LEFT, new Box(-2, 25, 10, 2, 50, 15), 0.5)))
                .withSeams(List.of(new Seam(Seam.Way.LEFT_RIGHT, 80)));
        Shell lid = Samples.tray("lid", 200, 100, 10, exact(2), Material.PLASTIC, true);
        Joint hinge = Joint.lid("tray", "lid", new Vec(0, 102, 30), Vec.ZERO, 120, exact(1));
        Port port = new Port("out", Connector.USB_C, Face.RIGHT, new Vec(30, 15, 5), Port.Use.OUTSIDE);
        Part socketed = block("b", 30, 30, 20)
                .withBody(new Body(
                        exact(30), exact(30), exact(20), List.of(), List.of(), List.of(port), Optional.empty()));
        Build build = two().with(socketed)
                .with(Casing.of(List.of(shell, lid), exact(0)).withJoints(List.of(hinge)));
        Build wrapped = wrapped(build, 3);
        Shell after = wrapped.shell("tray").orElseThrow();
        assertThat(after.cavity().dx()).as("the socket lies at its wall").isEqualTo(113);
        assertThat(after.vents().getFirst().box().low(1)).isCloseTo(0.25 * 56, within(1e-9));
        assertThat(after.vents().getFirst().box().dy()).isCloseTo(0.5 * 56, within(1e-9));
        assertThat(after.seams().getFirst().atMm()).isEqualTo(80 - 17);
        assertThat(wrapped.casing().joints().getFirst().at()).isEqualTo(new Vec(0, 58, 23));
        assertThat(FitEngine.evaluate(wrapped).stranded()).isEmpty();
    }

    /** Whatever is moved where, nothing is through a wall, and no wall is further from the nearest part than was said. */
    @Test
    public void nothingIsEverThroughThem() {
        Random random = new Random(7);
        Build build = wrapped(two(), 2);
        for (int i = 0; i < 200; i++) {
            Part part = build.parts().list().get(random.nextInt(2));
            build = Edits.move(
                            part,
                            at -> at.plus(new Vec(
                                    random.nextDouble(-30, 30), random.nextDouble(-30, 30), random.nextDouble(-5, 5))))
                    .change()
                    .apply(build);
            FitResult fit = FitEngine.evaluate(build);
            assertThat(fit.outside()).isEmpty();
            Box all = fit.placed().stream()
                    .map(Placed::bounds)
                    .reduce(Box::around)
                    .orElseThrow();
            Box room = build.shell("tray").orElseThrow().cavity();
            assertThat(all.low(0)).isCloseTo(2, within(1e-6));
            assertThat(room.high(1) - all.high(1)).isCloseTo(2, within(1e-6));
            assertThat(room.high(2) - all.high(2)).isCloseTo(2, within(1e-6));
        }
    }

    /** A part through its wall, and a case too large for the brief: the walls follow, in every demo that has such a tray. */
    @Test
    public void wallsThatFollowAreARemedy() {
        Build through = packed(
                TRAY,
                List.of(block("a", 50, 40, 10), block("b", 198, 20, 10)),
                List.of(new Vec(0, 30, 0), new Vec(5, 0, 0)));
        assertThat(Findings.of(through, "fit.outside").orElseThrow().remedies()).anySatisfy(r -> {
            assertThat(r.words()).isEqualTo("Let the walls of tray follow its parts");
            Build after = r.edit().orElseThrow().change().apply(through);
            assertThat(Findings.of(after, "fit.outside")).isEmpty();
        });
        Build survey = Library.demo("cave-survey").orElseThrow();
        Shell shell = survey.casing().shells().getFirst();
        Build wrapped = CaseEdits.follow(shell, 1).change().apply(survey);
        assertThat(FitEngine.evaluate(wrapped).outside()).isEmpty();
        assertThat(wrapped.casing()).isNotEqualTo(survey.casing());
    }

    /** A corner of a block in a round of 12 mm less 2 of wall: its way to the middle of the round is √2 · 9, one in 1 mm from both walls. */
    @Test
    public void roundedEdgesTakeTheCorners() {
        Shell round = Form.of(Shell.class).field("cornerMm").with(TRAY, Optional.of(12.0));
        Build corner = packed(round, List.of(block("a", 50, 40, 10)), List.of(new Vec(1, 1, 0)));
        double deep = Math.sqrt(2) * 9 - 10;
        FitResult.Clash clash = FitEngine.evaluate(corner).clashes().getFirst();
        assertThat(clash.depthMm()).as("of one convex piece of it").isBetween(deep / 2, deep);
        double free = 10 - 10 / Math.sqrt(2) + 0.1;
        Build clear = packed(round, List.of(block("a", 50, 40, 10)), List.of(new Vec(free, free, 0)));
        assertThat(FitEngine.evaluate(clear).clashes()).isEmpty();
        double sharp = BalanceEngine.evaluate(packed(TRAY, List.of(), List.of()))
                .massG()
                .nominal();
        double less = BalanceEngine.evaluate(packed(round, List.of(), List.of()))
                .massG()
                .nominal();
        double mm3 = (4 - Math.PI) * (144 * 32 - 100 * 30);
        assertThat(sharp - less).isCloseTo(mm3 * 1e-6 * TRAY.substance().densityKgM3(), within(1e-6));
    }

    /** A floor narrower by 10 mm on each side over 30 mm: at 15 mm up it is 5 mm, and a block that begins at 5.1 there does not touch. */
    @Test
    public void aTaperIsAWedge() {
        Shell narrow = Form.of(Shell.class).field("taperMm").with(TRAY, 10.0);
        Build beside = packed(narrow, List.of(block("a", 50, 40, 10)), List.of(new Vec(5.1, 30, 15)));
        assertThat(FitEngine.evaluate(beside).clashes()).isEmpty();
        Build within = packed(narrow, List.of(block("a", 50, 40, 10)), List.of(new Vec(4, 30, 15)));
        double depth = Math.cos(Math.atan2(10, 30));
        assertThat(FitEngine.evaluate(within).clashes().getFirst().depthMm()).isCloseTo(depth, within(1e-6));
    }
}
