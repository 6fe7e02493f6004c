package boldsatchel.balance;

import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.tray;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Form;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

public class BalanceEngineTest {

    private static final double G = 9.80665;

    /** A shell whose outside is a given box: weighed, with walls next to nothing. */
    private static Shell slab(String id, double w, double d, double h, double grams) {
        double wall = 1e-6;
        return Form.of(Shell.class)
                .field("weighedG")
                .with(tray(id, w, d, h, exact(wall), Material.PLASTIC, false), Optional.of(exact(grams)));
    }

    private static Build heavier(List<Shell> shells) {
        Build laptop = laptop(110, 180, 1);
        return laptop.with(laptop.casing().withShells(shells));
    }

    /** Base 240 × 160 × 25 mm of 900 g; lid 240 × 160 × 12 mm of 700 g, hinged along the back top edge. */
    private static Build laptop(double useAngle, double maxAngle, double friction) {
        return Build.empty("laptop")
                .with(Casing.NONE
                        .withShells(List.of(slab("base", 240, 160, 25, 900), slab("lid", 240, 160, 12, 700)))
                        .withLid(
                                Joint.lid(
                                        "base",
                                        "lid",
                                        new Vec(0, 160, 25),
                                        new Vec(0, 0, 12),
                                        maxAngle,
                                        exact(friction)),
                                useAngle));
    }

    /**
     * Worked by hand. About the hinge at (160, 25) the closed lid's centre is at (−80, +6). Opened by 110° it turns to y = −80·cos
     * 110° + 6·sin 110° = 27.362 + 5.638 = 33.000 and z = 80·sin 110° + 6·cos 110° = 75.175 − 2.052 = 73.123, so at (193.000,
     * 98.123). Together with the base's centre (80, 12.5): y = (900·80 + 700·193)/1600 = 129.438, z = (900·12.5 + 700·98.123)/1600 =
     * 49.960. To the back edge 160 − 129.438 = 30.562: margin atan(30.562/49.960) = 31.456°. The lid's top edge, 160 mm from the
     * hinge on its inner face, stands at 25 + 160·sin 110° = 175.351: push 1.6·9.80665·30.562/175.351 = 2.735 N.
     */
    @Test
    public void theReferenceLaptopTipsWhereTheHandWorkingSays() {
        BalanceResult result = BalanceEngine.evaluate(laptop(110, 110, 1));
        assertThat(result.centre().y()).isCloseTo(129.438, within(0.002));
        assertThat(result.centre().z()).isCloseTo(49.960, within(0.002));
        assertThat(result.tipMarginDeg().orElseThrow().nominal()).isCloseTo(31.456, within(0.01));
        assertThat(result.worst().amount()).isEqualTo(110);
        assertThat(result.posture("in use").orElseThrow().pushN().orElseThrow()).isCloseTo(2.735, within(0.005));
    }

    /**
     * On feet 12 mm in and 3 mm high the back edge is at 148: margin atan((148 − 129.438)/(49.960 + 3)) = 19.315°, push
     * 1.6·9.80665·18.562/(175.351 + 3) = 1.633 N.
     */
    @Test
    public void onFeetItTipsSooner() {
        Build laptop = laptop(110, 110, 1);
        BalanceResult result =
                BalanceEngine.evaluate(laptop.with(laptop.casing().withFeet(Optional.of(new Casing.Feet(12, 3)))));
        assertThat(result.tipMarginDeg().orElseThrow().nominal()).isCloseTo(19.315, within(0.01));
        assertThat(result.posture("in use").orElseThrow().pushN().orElseThrow()).isCloseTo(1.633, within(0.003));
    }

    /** Between two steps of the sweep too: at 118° the centre is further back than at 115°. */
    @Test
    public void theGreatestAngleIsAlwaysLookedAt() {
        BalanceResult result = BalanceEngine.evaluate(laptop(110, 118, 1));
        assertThat(result.worst().amount()).isEqualTo(118);
        assertThat(result.tipMarginDeg().orElseThrow().nominal())
                .isCloseTo(
                        BalanceEngine.evaluate(laptop(118, 118, 1))
                                .sweep()
                                .getLast()
                                .marginDeg(),
                        within(1e-9))
                .isLessThan(result.sweep().get(23).marginDeg() - 0.5);
    }

    /** 400 g of screws in the middle of the base, 80 mm from the front and 12.5 mm up: y = (900·80 + 400·80 + 700·193)/2000. */
    @Test
    public void screwsAndWhatIsNotPlacedWeighInTheMiddleOfTheBase() {
        Build laptop = laptop(110, 110, 1);
        Build screws = laptop.with(laptop.casing().withSundries(exact(400)));
        Build part = laptop.with(new Parts(List.of(part("lead", Family.MECHANICS, 20, 20, 10, 400))));
        for (Build build : List.of(screws, part)) {
            Vec centre = BalanceEngine.evaluate(build).centre();
            assertThat(centre.y()).isCloseTo(119.550, within(0.002));
            assertThat(centre.z()).isCloseTo((1300 * 12.5 + 700 * 98.123) / 2000, within(0.002));
        }
    }

    @Test
    public void aUniformSlabTipsAtTheAngleOfItsHalfDepthOverItsHalfHeight() {
        Build build = Build.empty("slab").with(Casing.NONE.withShells(List.of(slab("slab", 200, 100, 40, 500))));
        BalanceResult result = BalanceEngine.evaluate(build);
        assertThat(result.tipMarginDeg().orElseThrow().nominal())
                .isCloseTo(Math.toDegrees(Math.atan2(50, 20)), within(1e-6));
        assertThat(result.counterweightG()).contains(0.0);
        assertThat(result.postures()).allSatisfy(p -> assertThat(p.pushN()).isEmpty());
    }

    @Test
    public void aCentreBeyondTheSupportTipsByItself() {
        // Flat open the lid's centre is 80 mm behind the hinge: y = (900·80 + 700·(160 + 80))/1600 = 150, still inside.
        BalanceResult result = BalanceEngine.evaluate(laptop(180, 180, 1));
        assertThat(result.centre().y()).isCloseTo(150, within(0.002));
        assertThat(result.tipMarginDeg().orElseThrow().nominal()).isPositive();
        Build heavy = heavier(List.of(slab("base", 240, 160, 25, 600), slab("lid", 240, 160, 12, 1500)));
        assertThat(BalanceEngine.evaluate(heavy).tipMarginDeg().orElseThrow().nominal())
                .isNegative();
    }

    @Test
    public void theCounterweightRestoresTheMarginExactly() {
        Build heavy = heavier(List.of(slab("base", 240, 160, 25, 600), slab("lid", 240, 160, 12, 900)));
        BalanceResult before = BalanceEngine.evaluate(heavy);
        double grams = before.counterweightG().orElseThrow();
        assertThat(grams).isPositive();
        Part lead = part("lead", Family.MECHANICS, 20, 20, 10, grams);
        Build mended = heavy.with(new Parts(List.of(lead)))
                .with(new Layout(
                        List.of(new Placement("lead", "base", new Vec(110, 0, 0), Orientation.AS_DRAWN, Set.of()))));
        assertThat(BalanceEngine.evaluate(mended).tipMarginDeg().orElseThrow().nominal())
                .isCloseTo(Brief.empty().limits().tipMarginDeg(), within(0.05));
    }

    @Test
    public void aHingeHoldsWhenItsFrictionMeetsTheLidsTorque() {
        double torque = 0.7 * G * 33.0e-3;
        assertThat(BalanceEngine.evaluate(laptop(110, 130, torque * 1.01))
                        .joints()
                        .getFirst()
                        .sags())
                .isEmpty();
        assertThat(BalanceEngine.evaluate(laptop(110, 130, torque * 0.99))
                        .joints()
                        .getFirst()
                        .sags())
                .containsExactly("in use");
    }

    @Test
    public void aHingeStifferThanTheBaseIsHeavyLiftsIt() {
        double moment = 0.9 * G * 80e-3;
        assertThat(BalanceEngine.evaluate(laptop(110, 130, moment * 1.01))
                        .joints()
                        .getFirst()
                        .lifts())
                .isTrue();
        assertThat(BalanceEngine.evaluate(laptop(110, 130, moment * 0.99))
                        .joints()
                        .getFirst()
                        .lifts())
                .isFalse();
    }

    @Test
    public void massIsEverythingAndItsRangeIsThePartsRange() {
        Part a = part("a", Family.DRIVE, 10, 10, 10, 120);
        Build build = laptop(110, 130, 1).with(new Parts(List.of(a)));
        BalanceResult result = BalanceEngine.evaluate(build);
        assertThat(result.massG().nominal()).isCloseTo(1720, within(1e-9));
        assertThat(result.items().getFirst().name()).isEqualTo("base");
        assertThat(result.items().stream()
                        .mapToDouble(BalanceResult.Item::massG)
                        .sum())
                .isCloseTo(1720, within(1e-9));
    }

    @Test
    public void anUnweighedShellWeighsItsWalls() {
        Shell shell = boldsatchel.Samples.box(100, 50, 20, 2, Material.PLASTIC);
        double volume = 104 * 54 * 24 - 100 * 50 * 20;
        assertThat(BalanceEngine.evaluate(Build.empty("x").with(Casing.NONE.withShells(List.of(shell))))
                        .massG()
                        .nominal())
                .isCloseTo(volume * 1e-3 * 1.1, within(1e-6));
    }

    @Test
    public void withoutACaseThereIsNoMargin() {
        assertThat(BalanceEngine.evaluate(Build.empty("x")).tipMarginDeg()).isEmpty();
    }
}
