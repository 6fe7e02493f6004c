package boldsatchel.plan;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Places;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Form;
import boldsatchel.verdict.Remedy;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is not as wished in a tray of 200 × 100 × 30 mm, each beside a sound twin, is as wished after one click. */
public final class FitRemediesTest {

    private static final Shell TRAY = Samples.tray("tray", 200, 100, 30, exact(2), Material.PLASTIC, true);

    private static Part with(Part part, List<Zone> zones, List<Port> ports) {
        Body b = part.body();
        return part.withBody(
                new Body(b.widthMm(), b.depthMm(), b.heightMm(), b.solids(), zones, ports, Optional.empty()));
    }

    /** A room of 20 mm to the right of a block at 50, and a block that begins at so much. */
    private static Build room(Zone.Kind kind, double x) {
        Part owner =
                with(block("owner", 50, 40, 10), List.of(new Zone(kind, new Box(50, 10, 0, 20, 20, 10))), List.of());
        return packed(TRAY, List.of(owner, block("by", 30, 40, 10)), List.of(new Vec(10, 10, 0), new Vec(x, 10, 0)));
    }

    private static Build two(double x) {
        return packed(
                TRAY, List.of(block("a", 50, 40, 10), block("b", 50, 40, 10)), List.of(Vec.ZERO, new Vec(x, 0, 0)));
    }

    /** A block with a socket at its left, so far from the left wall. */
    private static Build socketed(double x) {
        Port port = new Port("out", Connector.USB_C, Face.LEFT, new Vec(0, 20, 4), Port.Use.OUTSIDE);
        return packed(
                TRAY, List.of(with(block("board", 60, 40, 8), List.of(), List.of(port))), List.of(new Vec(x, 30, 0)));
    }

    private static Build vented(double x) {
        Vent vent = new Vent("slots", Face.LEFT, new Box(-2, 20, 5, 2, 60, 20), 0.5);
        Shell shell = TRAY.withVents(List.of(vent));
        return packed(shell, List.of(block("a", 50, 40, 20)), List.of(new Vec(x, 30, 0)));
    }

    private static Build holed(double y) {
        List<Opening> holes = List.of(
                new Opening("one", Face.LEFT, new Vec(0, 50, 15), 13, 8, false, Optional.empty()),
                new Opening("two", Face.LEFT, new Vec(0, y, 15), 10, 8, false, Optional.empty()));
        return packed(TRAY.withOpenings(holes), List.of(block("a", 50, 40, 10)), List.of(new Vec(50, 30, 0)));
    }

    /** A lid that folds back below the table by a few millimetres. */
    private static Build folded(double deg) {
        Joint wide = Joint.lid("tray", "lid", new Vec(0, 102, 30), Vec.ZERO, 300, exact(9));
        Shell lid = Samples.tray("lid", 200, 40, 10, exact(2), Material.PLASTIC, true);
        Build build = packed(TRAY, List.of(block("a", 50, 40, 10)), List.of(new Vec(50, 30, 0)));
        return build.with(build.casing()
                .withShells(List.of(TRAY, lid))
                .withJoints(List.of(wide))
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture("back", Posture.Held.TABLE, true, List.of(new Posture.Setting(wide.id(), deg))))));
    }

    /** A tray that is 204 mm wide round two blocks of 50 mm, where so much is wished. */
    private static Build limited(double widthMm) {
        Build build = two(55);
        return build.with(build.brief()
                .withLimits(Form.of(Brief.Limits.class)
                        .field("widthMm")
                        .with(build.brief().limits(), Optional.of(widthMm))));
    }

    /** Keys so wide in the middle of a tray that is 6 mm narrower at the floor, from each side. */
    private static Build tapered(double wide) {
        Shell narrow = Form.of(Shell.class).field("taperMm").with(TRAY, 6.0);
        return packed(narrow, List.of(block("keys", wide, 50, 5)), List.of(new Vec((200 - wide) / 2, 25, 0)));
    }

    /** A board so high, the pins of a header 3 mm long on its underside over a block of 4 mm. */
    private static Build pinned(double z) {
        Body plain = block("board", 60, 40, 4.6).body();
        Part board = block("board", 60, 40, 4.6)
                .withBody(new Body(
                        plain.widthMm(),
                        plain.depthMm(),
                        plain.heightMm(),
                        List.of(new Box(0, 0, 3, 60, 40, 1.6), new Box(20, 10, 0, 20, 5, 3)),
                        List.of(),
                        List.of(),
                        Optional.empty()));
        return packed(
                TRAY, List.of(board, block("behind", 30, 30, 4)), List.of(new Vec(50, 20, z), new Vec(65, 15, 0)));
    }

    /** By hand: beside the pins the board itself lies 2 mm over the block; they are 1 mm in it. */
    @Test
    public void pinsThatStandInWhatIsBehindAreToldWithTheirPlace() {
        FitResult fit = FitEngine.evaluate(pinned(3));
        FitResult.Clash clash = fit.clashes().getFirst();
        assertThat(clash.depthMm()).isCloseTo(1, within(1e-9));
        // They stand from x = 70 to 90 and y = 30 to 35 and the block reaches from 65 to 95 and from 15 to 45.
        assertThat(new Places(pinned(3), fit).of(clash).orElseThrow().onA()).isEqualTo(new Vec(80, 32.5, 3.5));
    }

    /** A straight plug wants 45 mm before a socket and a right-angle one 20; the block begins after 35, and neither may move. */
    @Test
    public void aRightAnglePlugIsTakenWhereAStraightOneHasNoRoom() {
        Port port = new Port("out", Connector.HDMI, Face.RIGHT, new Vec(60, 20, 8), Port.Use.INSIDE_STRAIGHT);
        Part board = with(block("board", 60, 40, 15), List.of(), List.of(port));
        Build build = packed(TRAY, List.of(board, block("by", 30, 60, 20)), List.of(Vec.ZERO, new Vec(95, 0, 0)));
        assertThat(Findings.of(build, "fit.plug-room").orElseThrow().remedies())
                .extracting(Remedy::words)
                .startsWith("Move by 10.0 mm to the right", "Use a right-angle plug for “out”");
        Build held = build.with(build.placement("board").orElseThrow().locked(true))
                .with(build.placement("by").orElseThrow().locked(true));
        Build apart = packed(TRAY, List.of(board, block("by", 30, 60, 20)), List.of(Vec.ZERO, new Vec(106, 0, 0)));
        Findings.hold("fit.plug-room", held, Double.NaN, apart, true);
        Build near = held.with(held.placement("by").orElseThrow().at(new Vec(75, 0, 0)));
        assertThat(Findings.of(near, "fit.plug-room").orElseThrow().remedies())
                .as("15 mm are too few for either")
                .noneMatch(r -> r.edit().isPresent());
    }

    @DataProvider
    Object[][] unwished() {
        return new Object[][] {
            {"fit.plug-room", room(Zone.Kind.PLUG, 75), room(Zone.Kind.PLUG, 82)},
            {"fit.air-room", room(Zone.Kind.AIR, 75), room(Zone.Kind.AIR, 82)},
            {"fit.finger-room", room(Zone.Kind.FINGER, 75), room(Zone.Kind.FINGER, 82)},
            {"fit.swell-room", room(Zone.Kind.SWELL, 75), room(Zone.Kind.SWELL, 82)},
            {"fit.keep-out", room(Zone.Kind.KEEPOUT, 75), room(Zone.Kind.KEEPOUT, 82)},
            {"fit.gap", two(50.4), two(51)},
            {"fit.port-short", socketed(9), socketed(0)},
            {"fit.vent-covered", vented(1), vented(4)},
            {"fit.web", holed(64), holed(68)},
            {"fit.antenna-field", room(Zone.Kind.ANTENNA, 75), room(Zone.Kind.ANTENNA, 82)},
            {"fit.below-table", folded(250), folded(170)},
            {"fit.clash", tapered(190), tapered(186)},
            {"fit.clash", pinned(3), pinned(5)},
        };
    }

    @Test(dataProvider = "unwished")
    public void theFirstRemedyMendsIt(String code, Build build, Build twin) {
        Findings.hold(code, build, Double.NaN, twin, true);
        FitResult after =
                FitEngine.evaluate(Findings.remedied(Findings.of(build, code).orElseThrow(), build));
        assertThat(FreeMove.trouble(build, after)).isLessThan(FreeMove.trouble(build, FitEngine.evaluate(build)));
    }

    /** 50 + 5 + 50 mm of blocks want less than 150 mm. */
    @Test
    public void aCaseThatIsTooLargeIsDrawnRoundItsParts() {
        Findings.hold("fit.size", limited(150), Double.NaN, limited(204), true);
        assertThat(Findings.of(limited(105), "fit.size").orElseThrow().remedies())
                .as("no walls have room there")
                .noneMatch(r -> r.edit().isPresent());
    }

    /** Walls of 3 mm weigh about half as much again as those of 2; what is weighed or found is as heavy as it is. */
    @Test
    public void whatIsTooHeavyGetsThinnerWalls() {
        Shell thick = Samples.tray("tray", 60, 52, 11, exact(3), Material.PLASTIC, true);
        Build build = packed(thick, List.of(block("a", 58, 50, 10)), List.of(new Vec(1, 1, 0)));
        double now = BalanceEngine.evaluate(build).massG().nominal();
        Brief light = build.brief()
                .withLimits(Form.of(Brief.Limits.class)
                        .field("massG")
                        .with(build.brief().limits(), Optional.of(0.8 * now)));
        Findings.hold("balance.too-heavy", build.with(light), Double.NaN, build, true);
        Build mended = Findings.remedied(
                Findings.of(build.with(light), "balance.too-heavy").orElseThrow(), build.with(light));
        assertThat(mended.shell("tray").orElseThrow().wallMm().value()).isBetween(1.6, 2.8);
        Shell found = Form.of(Shell.class).field("making").with(thick, Shell.Making.FOUND);
        Build box = build.with(light).with(build.casing().withShell(found));
        assertThat(Findings.of(box, "balance.too-heavy").orElseThrow().remedies())
                .noneMatch(r -> r.edit().isPresent());
    }

    /** The room begins at 60 and ends at 80: of who begins at 75 and whose it is either may go 5 mm aside; what is locked stays. */
    @Test
    public void theLeastMoveIsTakenOfWhatMayMove() {
        Build build = room(Zone.Kind.PLUG, 75);
        assertThat(Findings.of(build, "fit.plug-room")
                        .orElseThrow()
                        .remedies()
                        .getFirst()
                        .words())
                .isEqualTo("Move owner 5.0 mm to the left");
        Build held = build.with(build.placement("owner").orElseThrow().locked(true));
        assertThat(Findings.of(held, "fit.plug-room")
                        .orElseThrow()
                        .remedies()
                        .getFirst()
                        .words())
                .isEqualTo("Move by 5.0 mm to the right");
    }
}
