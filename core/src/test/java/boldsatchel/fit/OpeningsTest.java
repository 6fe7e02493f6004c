package boldsatchel.fit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Openings: what they let through, what they leave of a wall, and that they stay with their sockets. */
public final class OpeningsTest {

    private static Shell tray(double wall) {
        return Samples.tray("base", 200, 100, 30, exact(wall), Material.PLASTIC, true);
    }

    /** A board whose USB-C socket is in the middle of its left side, against the left wall. */
    private static Build board(double wall, Opening... openings) {
        Port port = new Port("out", Connector.USB_C, Face.LEFT, new Vec(0, 20, 4), Port.Use.OUTSIDE);
        Body body = new Body(exact(60), exact(40), exact(8), List.of(), List.of(), List.of(port), Optional.empty());
        Part board = Samples.part("board", Family.HUB, 60, 40, 8, 30).withBody(body);
        return Build.empty("o")
                .with(Casing.of(List.of(tray(wall).withOpenings(List.of(openings))), exact(0)))
                .with(board)
                .with(new Placement("board", "base", new Vec(0, 30, 6), Orientation.AS_DRAWN, Set.of()));
    }

    private static Opening hole(double y, double z, double wide, double high) {
        return new Opening("hole", Face.LEFT, new Vec(0, y, z), wide, high, false, Optional.empty());
    }

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .map(Finding::code)
                .filter(c -> c.startsWith("fit."))
                .toList();
    }

    private static Build first(Build build, String code) {
        Finding finding = Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
        assertThat(finding.severity()).isNotEqualTo(Severity.NOTE);
        return finding.remedies().getFirst().edit().orElseThrow().change().apply(build);
    }

    @Test
    public void aSocketThroughAWallWithoutAnOpeningGetsOneByOneClick() {
        Build closed = board(2);
        assertThat(codes(closed)).containsExactly("fit.no-opening");
        Build cut = first(closed, "fit.no-opening");
        assertThat(codes(cut)).isEmpty();
        Opening made = cut.shell("base").orElseThrow().openings().getFirst();
        assertThat(made.at()).isEqualTo(new Vec(0, 50, 10));
        assertThat(made.wideMm())
                .as("the handle of a plug and half a millimetre")
                .isEqualTo(13);
        assertThat(made.highMm()).isEqualTo(8);
    }

    @DataProvider
    Object[][] holes() {
        return new Object[][] {
            // wall, hole: across, up, wide, high; lacks
            {2.0, hole(50, 10, 13, 8), -0.5},
            {2.0, hole(51, 10, 13, 8), 0.5},
            {2.0, hole(50, 12, 13, 8), 1.5},
            {2.0, hole(50, 10, 9, 3.2), 1.9},
            {0.8, hole(50, 10, 9, 3.2), -0.25},
            {0.8, hole(50.5, 10, 9, 3.2), 0.25},
            {
                2.0,
                new Opening("bore", Face.LEFT, new Vec(0, 50, 10), 14, 14, true, Optional.empty()),
                Math.hypot(6, 3.5) - 7
            },
        };
    }

    /** Behind 2 mm of wall the handle of 12 × 7 mm must go in, behind 0.8 mm the metal of 8.5 × 2.7 mm. */
    @Test(dataProvider = "holes")
    public void anOpeningMustLetThePlugIn(double wall, Opening hole, double lacks) {
        Build build = board(wall, hole);
        FitResult.Mouth mouth = FitEngine.evaluate(build).mouths().getFirst();
        assertThat(mouth.behindMm()).isCloseTo(wall, within(1e-9));
        assertThat(mouth.lacksMm()).isCloseTo(lacks, within(1e-9));
        if (lacks > 0) {
            assertThat(codes(build)).containsExactly("fit.opening-off");
            Build mended = first(build, "fit.opening-off");
            assertThat(codes(mended)).isEmpty();
        } else {
            assertThat(codes(build)).isEmpty();
        }
    }

    /** One that moves with its socket is where it is, whatever was done to the part; a found one stays. */
    @Test
    public void anOpeningMovesWithItsSocket() {
        Build cut = first(board(2), "fit.no-opening");
        Part board = cut.part("board").orElseThrow();
        Build moved = Edits.move(board, new Vec(0, 45, 3)).change().apply(cut);
        assertThat(moved.shell("base").orElseThrow().openings().getFirst().at()).isEqualTo(new Vec(0, 65, 7));
        assertThat(codes(moved)).isEmpty();
        Build turned = Edits.turn(board, Orientation::turned).change().apply(cut);
        Opening after = turned.shell("base").orElseThrow().openings().getFirst();
        assertThat(after.wall())
                .isEqualTo(turned.placement("board").orElseThrow().orientation().turn(Face.LEFT));
        Build out = Edits.unplace(board).change().apply(moved);
        assertThat(out.shell("base").orElseThrow().openings())
                .isEqualTo(moved.shell("base").orElseThrow().openings());
        Build same = Edits.move(board, new Vec(10, 30, 6)).change().apply(board(2, hole(50, 10, 13, 8)));
        assertThat(same.casing()).isSameAs(same.with(same.layout()).casing());
    }

    @Test
    public void whatIsLeftOfAWallIsTold() {
        Build narrow = board(2, hole(50, 10, 13, 8), hole(64, 10, 10, 8));
        FitResult.Web web = FitEngine.evaluate(narrow).webs().getFirst();
        assertThat(web.mm()).isCloseTo(64 - 5 - 56.5, within(1e-9));
        assertThat(web.wantedMm()).isEqualTo(4);
        assertThat(codes(narrow)).containsExactly("fit.web");
        assertThat(codes(board(2, hole(50, 10, 13, 8), hole(66, 10, 10, 8)))).isEmpty();
        assertThat(codes(board(2, hole(50, 10, 13, 8), hole(90, 24, 10, 8)))).containsExactly("fit.web");
    }

    /** A drawer that comes out through a whole wall hits it; through an opening as large as it is it does not. */
    @Test
    public void aDrawerComesThroughAnOpening() {
        Shell drawer = Samples.tray("drawer", 100, 60, 12, exact(1), Material.PLASTIC, true);
        Joint slide = new Joint(
                "slide",
                "Slide",
                "base",
                "drawer",
                new Vec(50, 10, 2),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Sliding(new Vec(0, -1, 0), 50, exact(2)));
        Casing casing = Casing.of(List.of(tray(2), drawer), exact(0))
                .withJoint(slide)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture("out", Posture.Held.HANDS, true, List.of(new Posture.Setting("slide", 50)))));
        Build whole = Build.empty("d").with(casing);
        assertThat(codes(whole)).contains("fit.sweep");
        Opening opening =
                new Opening("for the drawer", Face.FRONT, new Vec(100, 0, 7.5), 104, 15, false, Optional.empty());
        Build open = whole.with(casing.withShell(tray(2).withOpenings(List.of(opening))));
        assertThat(codes(open)).isEmpty();
        Opening tight = new Opening("tight", Face.FRONT, new Vec(100, 0, 7.5), 101, 15, false, Optional.empty());
        assertThat(codes(whole.with(casing.withShell(tray(2).withOpenings(List.of(tight))))))
                .contains("fit.sweep");
    }

    /** What looks through an opening is not through the wall. */
    @Test
    public void aSocketMayStandOutThroughItsOpening() {
        Part nose = Samples.part("nose", Family.MECHANICS, 20, 10, 6, 5);
        Placement out = new Placement("nose", "base", new Vec(-3, 45, 7), Orientation.AS_DRAWN, Set.of());
        Build through = board(2, hole(50, 10, 13, 8)).with(nose).with(out);
        assertThat(FitEngine.evaluate(through).outside()).isEmpty();
        assertThat(FitEngine.evaluate(board(2, hole(50, 10, 9, 8)).with(nose).with(out))
                        .outside())
                .singleElement()
                .satisfies(o -> assertThat(o.byMm()).isCloseTo(3, within(1e-9)));
    }

    /** What is left of a box and what was taken out of it are the whole, and share nothing, by 20,000 points. */
    @Test
    public void aBoxWithoutAnotherIsTheRest() {
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            Box box = random(random);
            Box hole = random(random);
            List<Box> left = box.without(hole);
            for (int n = 0; n < 100; n++) {
                Vec at = new Vec(20 * random.nextDouble(), 20 * random.nextDouble(), 20 * random.nextDouble());
                long in = Stream.of(left)
                        .flatMap(List::stream)
                        .filter(b -> holds(b, at))
                        .count();
                assertThat(in).isEqualTo(holds(box, at) && !holds(hole, at) ? 1 : 0);
            }
        }
    }

    private static Box random(Random r) {
        return Box.between(
                new Vec(20 * r.nextDouble(), 20 * r.nextDouble(), 20 * r.nextDouble()),
                new Vec(20 * r.nextDouble(), 20 * r.nextDouble(), 20 * r.nextDouble()));
    }

    private static boolean holds(Box box, Vec at) {
        return at.x() > box.low(0)
                && at.x() < box.high(0)
                && at.y() > box.low(1)
                && at.y() < box.high(1)
                && at.z() > box.low(2)
                && at.z() < box.high(2);
    }

    /** Each plug has a body and something that goes into its socket, but for what is soldered or screwed. */
    @Test
    public void everyPlugHasItsSizes() {
        assertThat(Connector.values()).hasSizeGreaterThan(30);
        for (Connector c : Connector.values()) {
            assertThat(c.mouthWidthMm()).as(c.words()).isPositive();
            assertThat(c.roomMm(Port.Use.INSIDE_ANGLED)).isLessThanOrEqualTo(c.roomMm(Port.Use.INSIDE_STRAIGHT));
        }
        assertThat(Stream.of(Connector.values()).map(Connector::words)).doesNotHaveDuplicates();
    }
}
