package boldsatchel.machine;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Form;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** Trays that hang on one another, how they lie in a posture, and what that does to the balance. */
public class JointsTest {

    private static final double G = 9.80665;

    private static Shell tray(String id, double w, double d, double h, double grams) {
        return Form.of(Shell.class)
                .field("weighedG")
                .with(Samples.tray(id, w, d, h, exact(1e-6), Material.PLASTIC, true), Optional.of(exact(grams)));
    }

    /** A screen on a lid, and a wing hinged to the right side of the screen about the screen's own upright. */
    private static Casing winged() {
        Joint lid = Joint.lid("base", "lid", new Vec(0, 200, 20), new Vec(0, 0, 10), 180, exact(1));
        Joint wing = new Joint(
                "wing",
                "Wing",
                "lid",
                "wing",
                new Vec(300, 0, 10),
                new Vec(0, 0, 10),
                Orientation.AS_DRAWN,
                new Joint.Hinged(new Vec(0, 1, 0), 180, exact(0.2), List.of(new Joint.Detent(90, 2))));
        return Casing.of(
                        List.of(
                                tray("base", 300, 200, 20, 1000),
                                tray("lid", 300, 200, 10, 500),
                                tray("wing", 150, 200, 10, 200)),
                        exact(0))
                .withJoint(lid)
                .withJoint(wing)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture(
                                "spread",
                                Posture.Held.TABLE,
                                true,
                                List.of(new Posture.Setting("hinge", 90), new Posture.Setting("wing", 90)))));
    }

    @Test
    public void whatHangsOnWhatHangsIsCarriedAlong() {
        Casing casing = winged();
        assertThat(casing.standing().orElseThrow().id()).isEqualTo("base");
        assertThat(casing.path("wing").stream().map(Joint::id)).containsExactly("wing", "hinge");
        assertThat(casing.belongs("wing")).isTrue();
        assertThat(casing.lid().orElseThrow().carries()).isEqualTo("lid");
        // The lid stands upright; the wing's far edge, 150 mm from its axis in the screen's plane, has turned out of
        // it.
        Pose pose = casing.pose("wing", casing.inUse());
        Vec axis = pose.apply(new Vec(0, 100, 10));
        Vec far = pose.apply(new Vec(150, 100, 10));
        assertThat(axis.minus(new Vec(300, 200, 120)).length()).isLessThan(1e-9);
        assertThat(far.minus(axis).length()).isCloseTo(150, within(1e-9));
        assertThat(far.x()).isCloseTo(300, within(1e-9));
        assertThat(Math.abs(far.y() - 200)).isCloseTo(150, within(1e-9));
    }

    @Test
    public void aHingeOnALeaningTrayIsAskedForItsOwnAxis() {
        BalanceResult result = BalanceEngine.evaluate(Build.empty("w").with(winged()));
        BalanceResult.OfJoint wing = result.joint("wing").orElseThrow();
        assertThat(wing.sags()).isEmpty();
        assertThat(wing.torqueNm()).as("about an upright axis nothing falls").isCloseTo(0, within(1e-9));
        // With the screen laid flat the wing's middle, 75 mm out and 5 mm off the axis, would.
        Casing flat = winged().withPosture(winged().inUse().with("hinge", 180));
        assertThat(BalanceEngine.evaluate(Build.empty("w").with(flat))
                        .joint("wing")
                        .orElseThrow()
                        .torqueNm())
                .isCloseTo(0.2 * G * Math.hypot(0.075, 0.005), within(1e-4));
        assertThat(result.posture("spread").orElseThrow().marginDeg()).isNotNaN();
        assertThat(result.massG().nominal()).isCloseTo(1700, within(1e-6));
    }

    @Test
    public void aDetentHoldsWhatFrictionDoesNot() {
        Joint weak = Joint.lid("base", "lid", new Vec(0, 100, 20), new Vec(0, 0, 10), 170, exact(0.05));
        Casing casing = Casing.of(List.of(tray("base", 200, 100, 20, 900), tray("lid", 200, 100, 10, 700)), exact(0))
                .withLid(weak, 120);
        assertThat(BalanceEngine.evaluate(Build.empty("w").with(casing))
                        .joint("hinge")
                        .orElseThrow()
                        .sags())
                .containsExactly("in use");
        Joint.Hinged way = weak.hinge().orElseThrow();
        Joint held = weak.with(
                new Joint.Hinged(way.axis(), way.opensDeg(), way.frictionNm(), List.of(new Joint.Detent(121, 3))));
        assertThat(BalanceEngine.evaluate(Build.empty("w").with(casing.withJoint(held)))
                        .joint("hinge")
                        .orElseThrow()
                        .sags())
                .isEmpty();
        // On its stop it needs no friction.
        Casing stopped = casing.withJoint(weak.with(new Joint.Hinged(way.axis(), 120, way.frictionNm(), List.of())));
        assertThat(BalanceEngine.evaluate(Build.empty("w").with(stopped))
                        .joint("hinge")
                        .orElseThrow()
                        .sags())
                .isEmpty();
    }

    /** A drawer of 600 g drawn out by 60 mm of a base of 900 g: the centre comes forward by 600·60/1500 = 24 mm. */
    @Test
    public void aDrawerMovesTheCentreAndIsSwept() {
        Build build = Build.empty("d")
                .with(Casing.of(List.of(tray("base", 200, 100, 60, 900), tray("drawer", 150, 80, 30, 600)), exact(0)));
        Build joined = CaseEdits.drawer(build, build.shell("drawer").orElseThrow())
                .orElseThrow()
                .change()
                .apply(build);
        assertThat(joined.casing().inUse().name()).isEqualTo("open");
        BalanceResult result = BalanceEngine.evaluate(joined);
        double out = joined.casing().inUse().amount(joined.casing().joints().getFirst());
        assertThat(out).isCloseTo(60, within(1e-9));
        double moved = result.posture("closed").orElseThrow().centre().y()
                - result.posture("open").orElseThrow().centre().y();
        assertThat(moved).isCloseTo(24, within(0.01));
        assertThat(result.worst().marginDeg())
                .isLessThan(result.posture("closed").orElseThrow().marginDeg());
        // Its own wall is in the way: nothing says that there is an opening.
        assertThat(FitEngine.evaluate(joined).hits()).anyMatch(h -> h.a().equals("drawer"));
    }

    @Test
    public void joiningAndTakingOffGoThereAndBack() {
        Build build = Build.empty("d")
                .with(Casing.of(List.of(tray("base", 200, 100, 60, 900), tray("cover", 200, 100, 20, 100)), exact(0)));
        Shell cover = build.shell("cover").orElseThrow();
        assertThat(build.casing().belongs("cover")).isFalse();
        for (Optional<Edit> edit : List.of(
                CaseEdits.screwOn(build, cover), CaseEdits.hinge(build, cover), CaseEdits.drawer(build, cover))) {
            Build joined = edit.orElseThrow().change().apply(build);
            assertThat(joined.casing().belongs("cover")).isTrue();
            assertThat(CaseEdits.drawer(joined, cover)).isEmpty();
            Build apart = CaseEdits.unjoin(joined, cover).orElseThrow().change().apply(joined);
            assertThat(apart.casing().joints()).isEmpty();
            assertThat(apart.casing().postures())
                    .allSatisfy(p -> assertThat(p.settings()).isEmpty());
        }
        assertThat(CaseEdits.screwOn(build.with(build.casing().withShells(List.of(cover))), cover))
                .as("nothing to screw it on")
                .isEmpty();
        Build screwed = CaseEdits.screwOn(build, cover).orElseThrow().change().apply(build);
        Vec floor = screwed.casing().pose("cover", Posture.CLOSED).apply(Vec.ZERO);
        assertThat(floor.z()).isCloseTo(60, within(1e-3));
    }

    /** Where no posture stands nobody asks whether it stands. */
    @Test
    public void aMachineThatIsOnlyHeldNeedNotStand() {
        Casing held = winged().withPostures(List.of(new Posture("in both hands", Posture.Held.HANDS, true, List.of())));
        BalanceResult result = BalanceEngine.evaluate(Build.empty("h").with(held));
        assertThat(result.tipMarginDeg()).isEmpty();
        assertThat(result.counterweightG()).isEmpty();
        assertThat(result.posture("in both hands").orElseThrow().centre().z()).isPositive();
    }

    @Test
    public void everyPostureHasANameOfItsOwn() {
        Posture used = new Posture("used", Posture.Held.TABLE, true, List.of());
        Posture nameless = new Posture("", Posture.Held.TABLE, false, List.of());
        assertThat(winged().withPostures(List.of(used, nameless, used, nameless))
                        .postures())
                .extracting(Posture::name)
                .containsExactly("used", "posture", "used 2", "posture 2");
    }

    @Test
    public void anAmountBeyondAStopIsTheStop() {
        Joint hinge = winged().joint("hinge").orElseThrow();
        Posture wide = Posture.CLOSED.with("hinge", 400);
        assertThat(wide.amount(hinge)).isEqualTo(180);
        assertThat(wide.with("hinge", -5).amount(hinge)).isZero();
        assertThat(wide.isClosed()).isFalse();
    }
}
