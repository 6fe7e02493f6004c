package boldsatchel.heat;

import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.tray;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.engine.Lazy;
import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Brief.Surroundings.About;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.power.Points;
import boldsatchel.power.Warmth;
import java.util.List;
import java.util.Map;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A box of 200 × 120 × 35 mm outside, free on all sides at 25 °C, worked out independently; held within 2 %. */
public class HeatReferenceTest {

    private static final Percentage TWO_PERCENT = Percentage.withPercentage(2);

    private static HeatResult heat(Shell shell, double watts, Part... parts) {
        return heat(About.FREE, shell, watts, parts);
    }

    private static HeatResult heat(About about, Shell shell, double watts, Part... parts) {
        Build build = boldsatchel.Samples.packed(
                        shell, List.of(parts), java.util.Collections.nCopies(parts.length, new Vec(20, 20, 10)))
                .with(Brief.empty().withSurroundings(new Brief.Surroundings(25, 25, false, false, 0, false, about)));
        // All heat goes straight into the air, as wire heat does.
        Warmth.Step step = new Warmth.Step(
                UseProfile.always(Mode.BUSY).steps().getFirst(), watts, 0, Map.of(), watts, Lazy.known(List.of()));
        Points points = new Points(List.of(), List.of(), List.of(new Warmth("always", false, List.of(step))));
        return HeatEngine.evaluate(build, FitEngine.evaluate(build), points);
    }

    private static Shell outside(double wall, Material material, Vent... vents) {
        return tray("box", 200 - 2 * wall, 120 - 2 * wall, 35 - 2 * wall, exact(wall), material, false, vents);
    }

    @DataProvider
    Object[][] sealed() {
        return new Object[][] {
            {2.5, Material.PLASTIC, 8, 51.1, 36.8},
            {2.5, Material.PLASTIC, 15, 70.7, 45.4},
            {2.0, Material.ALUMINIUM_BARE, 8, 60.0, Double.NaN},
            {2.0, Material.ALUMINIUM_PAINTED, 8, 49.6, Double.NaN}
        };
    }

    @Test(dataProvider = "sealed")
    public void aSealedBoxSettlesWhereWallsGiveOffWhatIsPutIn(
            double wall, Material material, double watts, double airC, double wallC) {
        HeatResult.ShellAir air = heat(outside(wall, material), watts).shells().getFirst();
        assertThat(air.airC()).isCloseTo(airC, TWO_PERCENT);
        if (!Double.isNaN(wallC)) {
            assertThat(air.wallMeanC()).isCloseTo(wallC, TWO_PERCENT);
        }
    }

    /** In a bag all faces are behind 0.1 m²K/W and 9 W/m²K, vents or none; in a stack those above and below give off nothing. */
    @Test
    public void aBagKeepsWarmAndAStackAlmost() {
        double area = 2 * (0.2 * 0.12 + 0.2 * 0.035 + 0.12 * 0.035);
        Shell sealed = outside(2, Material.ALUMINIUM_PAINTED);
        HeatResult.ShellAir bag = heat(About.BAG, sealed, 8).shells().getFirst();
        assertThat(bag.wallMeanC()).isCloseTo(25 + 8 / area * (0.1 + 1 / 9.0), TWO_PERCENT);
        Shell vented = outside(2, Material.ALUMINIUM_PAINTED, vent("low", -1, 400), vent("high", 29, 400));
        assertThat(heat(About.BAG, vented, 8).shells().getFirst().airC()).isEqualTo(bag.airC());
        double stack = heat(About.STACK, sealed, 8).shells().getFirst().airC();
        assertThat(stack).isGreaterThan(heat(sealed, 8).shells().getFirst().airC() + 10);
    }

    /** On a lap the floor gives off nothing, as on a table, but is touched; vents in it are shut. */
    @Test
    public void aLapCoversTheFloorAndFeelsIt() {
        Vent low = new Vent("low", Face.BOTTOM, new Box(20, 20, 0, 40, 40, 0), 1);
        Vent high = new Vent("high", Face.TOP, new Box(120, 20, 31, 40, 40, 0), 1);
        Shell vented = outside(2, Material.PLASTIC, low, high);
        HeatResult free = heat(About.FREE, vented, 15);
        HeatResult lap = heat(About.LAP, vented, 15);
        assertThat(free.shells().getFirst().flowLs()).isPositive();
        assertThat(lap.shells().getFirst().flowLs()).isZero();
        HeatResult.Spot floor = floor(lap);
        assertThat(floor.limitC()).isEqualTo(48);
        assertThat(floor.celsius()).isGreaterThan(floor(free).celsius() + 3);
    }

    private static HeatResult.Spot floor(HeatResult heat) {
        return heat.spots().stream()
                .filter(s -> s.wall().filter(Face.BOTTOM::equals).isPresent())
                .findFirst()
                .orElseThrow();
    }

    private static Vent vent(String name, double z, double areaMm2) {
        return new Vent(name, Face.LEFT, new Box(0, 10, z, 0, areaMm2 / 2, 2), 1);
    }

    @Test
    public void twoVentsOneAboveTheOtherLetWarmAirOut() {
        Shell shell = outside(2.5, Material.PLASTIC, vent("low", -1, 400), vent("high", 29, 400));
        HeatResult.ShellAir air = heat(shell, 15).shells().getFirst();
        assertThat(air.airC()).isCloseTo(64.7, TWO_PERCENT);
        assertThat(air.ventW()).isCloseTo(2.2, Percentage.withPercentage(3));
    }

    @Test
    public void aFanMovesWhatItsLineAndTheOpeningsAllow() {
        Part fan = part("fan", Family.COOLING, 30, 30, 10, 20, new Facet.MovesAir(exact(1.5), exact(20)));
        Shell shell = outside(
                2.5,
                Material.PLASTIC,
                vent("out", 10, 400),
                new Vent("in", Face.RIGHT, new Box(195, 10, 10, 0, 60, 10), 1));
        HeatResult.ShellAir air = heat(shell, 15, fan).shells().getFirst();
        assertThat(air.flowLs()).isCloseTo(0.80, TWO_PERCENT);
        // The independent figure leaves convection inside as without a fan; moving air can only help.
        assertThat(air.airC()).isBetween(36.0, 37.3 * 1.02);
    }
}
