package boldsatchel.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Face;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Where a part warms a wall, against the field of the wall. */
public class SpotTest {

    private static final double AMBIENT = 25;
    private static final double INSIDE = 8;
    private static final double WIDE = 0.2;
    private static final double DEEP = 0.12;
    private static final double LENGTH = (WIDE + DEEP) / 2;

    /** Conductivity, thickness, emissivity, footprint from the left and front with its sides, pad, watts. */
    @DataProvider
    Object[][] plates() {
        return new Object[][] {
            {"plastic 3 mm", 0.2, 3e-3, 0.9, new double[] {0.06, 0.035, 0.08, 0.05}, 0.5, 12.0},
            {"plastic 3 mm, a chip", 0.2, 3e-3, 0.9, new double[] {0.085, 0.045, 0.03, 0.03}, 0.5, 3.0},
            {"plastic 2 mm, a large board", 0.2, 2e-3, 0.9, new double[] {0.04, 0.02, 0.12, 0.08}, 1.0, 12.0},
            {"plastic 3 mm, at the edge", 0.2, 3e-3, 0.9, new double[] {0.01, 0.035, 0.08, 0.05}, 0.5, 8.0},
            {"plastic 3 mm, a weak pad", 0.2, 3e-3, 0.9, new double[] {0.06, 0.035, 0.08, 0.05}, 4.0, 8.0},
            {"painted steel 1 mm", 50.0, 1e-3, 0.9, new double[] {0.06, 0.035, 0.08, 0.05}, 0.5, 12.0},
            {"painted steel 1 mm, a chip", 50.0, 1e-3, 0.9, new double[] {0.085, 0.045, 0.03, 0.03}, 0.5, 12.0},
            {"painted steel 1 mm, in a corner", 50.0, 1e-3, 0.9, new double[] {0, 0, 0.08, 0.05}, 0.5, 12.0},
            {"painted aluminium 3 mm", 160.0, 3e-3, 0.9, new double[] {0.06, 0.035, 0.08, 0.05}, 0.5, 12.0},
            {"bare aluminium 2 mm, a chip", 160.0, 2e-3, 0.1, new double[] {0.085, 0.045, 0.03, 0.03}, 0.2, 12.0},
        };
    }

    @Test(dataProvider = "plates")
    public void aSpotIsAsHotAsTheFieldSays(
            String name, double k, double thick, double emissivity, double[] at, double padKW, double watts) {
        PlateField field = new PlateField(
                WIDE,
                DEEP,
                thick,
                k < 1 ? 3 : 1,
                k,
                emissivity,
                Air.FACING_UP,
                LENGTH,
                INSIDE,
                AMBIENT,
                at,
                padKW,
                watts);
        HeatNetwork network = new HeatNetwork(AMBIENT);
        double area = at[2] * at[3];
        double rest = WIDE * DEEP - area;
        int part = network.node(watts);
        int spotIn = network.node(0);
        int spotOut = network.node(0);
        int wallIn = network.node(0);
        int wallOut = network.node(0);
        Link.Along.Wall wall =
                Link.Along.Wall.of(k, thick, true, Air.natural(Air.FACING_UP, 1, LENGTH), emissivity, AMBIENT);
        Spreading.Footprint print =
                new Spreading.Footprint(at[2], at[3], at[0], WIDE - at[0] - at[2], at[1], DEEP - at[1] - at[3]);
        double feed = 1 / (area * padKW + thick / 2 / k);
        Link.Along along = Link.Along.of(spotOut, wallOut, print, wall, feed);
        network.link(new Link.Fixed(part, spotIn, 1 / padKW));
        network.link(new Link.Fixed(spotIn, spotOut, k * area / thick));
        network.link(along);
        network.link(along.half(spotIn, wallIn));
        network.link(new Link.Fixed(wallIn, wallOut, k * rest / thick));
        network.link(new Link.Fixed(wallIn, 0, INSIDE * rest));
        for (int outer : new int[] {spotOut, wallOut}) {
            double own = outer == spotOut ? area : rest;
            network.link(Link.Outside.of(outer, own, Air.FACING_UP, LENGTH, emissivity));
        }
        double[] t = network.solve();
        double middle = t[spotOut] + along.middleK(t[spotOut], t[wallOut]);
        double rise = field.hottestC() - AMBIENT;
        assertThat(middle - AMBIENT)
                .as(name + ": field " + field.hottestC() + " and " + field.partC())
                .isCloseTo(rise, Percentage.withPercentage(6));
        assertThat(t[part] - AMBIENT)
                .as(name + ", the part")
                .isCloseTo(field.partC() - AMBIENT, Percentage.withPercentage(6));
    }

    /** Lumped as one temperature, as a thick copper plate is, a wall has no spots. */
    @Test
    public void aWallThatConductsWellHasNoSpot() {
        Spreading.Footprint print = new Spreading.Footprint(0.08, 0.05, 0.06, 0.06, 0.035, 0.035);
        double copper = Spreading.way(print, 390 * 0.02, 20, 100).conductance();
        assertThat(1 / copper).isLessThan(0.03);
    }

    /** Thin plastic, a sheet of aluminium, and what stands on a table: as worked out anew for the thicker plate. */
    @Test
    public void aThickerPlateBearsAsMuchMoreAsAnotherWouldSay() {
        Spreading.Footprint print = new Spreading.Footprint(0.06, 0.04, 0.02, 0.1, 0.03, 0.05);
        for (double kt : new double[] {0.2 * 0.003, 0.3 * 0.01, 50 * 0.001, 170 * 0.003}) {
            for (boolean free : new boolean[] {true, false}) {
                for (double feed : new double[] {15, 200, 2000}) {
                    Link.Along known = Link.Along.of(1, 2, print, plate(kt, free), feed);
                    Link.Along anew = Link.Along.of(1, 2, print, plate(1.1 * kt, free), feed);
                    double more = anew.watts(60, 40) / known.watts(60, 40) - 1;
                    assertThat(known.thicker(1.1).watts(60, 40) / known.watts(60, 40) - 1)
                            .isCloseTo(more, within(0.1 * more + 2e-4));
                }
            }
        }
    }

    private static Link.Along.Wall plate(double kt, boolean free) {
        return new Link.Along.Wall(kt, 1e-6, free, 3, 0.9, 25);
    }

    /** Round plate, no loss: between a rim and the mean of the ring about it (Carslaw and Jaeger), and the parabola within. */
    @Test
    public void theNarrowingOfAFlowIsThatOfAnInsulatedRing() {
        Spreading.Footprint print = new Spreading.Footprint(0.04, 0.04, 0.08, 0.08, 0.08, 0.08);
        double rs = print.radius();
        double rp = print.plateRadius();
        double a = rs * rs;
        double b = rp * rp;
        double ring = b * b / Math.pow(b - a, 2) * Math.log(rp / rs) - (3 * b - a) / (4 * (b - a));
        double expected = (ring + 0.25) / (2 * Math.PI * 0.5);
        assertThat(1 / Spreading.way(print, 0.5, 1e-4, 1e-4).conductance())
                .isCloseTo(expected, Percentage.withPercentage(0.1));
        assertThat(1 / Spreading.way(print, 0.5, 3, 1e-4).conductance())
                .as("with a little loss nearly the same")
                .isCloseTo(expected, Percentage.withPercentage(3));
    }

    @Test
    public void twoSquaresSeeOneAnotherAsTablesSay() {
        assertThat(Faces.viewFactor(1, 1)).isCloseTo(0.1998, within(1e-4));
        assertThat(Faces.viewFactor(2, 2)).isCloseTo(0.4153, within(1e-4));
        assertThat(Faces.viewFactor(1e-2, 1e-2)).isCloseTo(1e-4 / Math.PI, Percentage.withPercentage(0.1));
    }

    /** Two plates of aluminium, one warmed all over, both giving off 10 W/m²K: the fins' own equation, with their far ends closed. */
    @Test
    public void platesWarmOneAnotherAroundAnEdge() {
        double k = 160;
        double thick = 1.5e-3;
        double a = 0.1;
        double ma = Math.sqrt(10 / (k * thick)) * a;
        double apart = 1 - Math.tanh(ma) / ma;
        double crosses = k * thick * ma / a * Math.tanh(ma) / 2;
        assertThat(Spreading.aroundEdge(k, 1, a, thick, a, thick))
                .isCloseTo(crosses / apart, Percentage.withPercentage(4));
    }

    /** Conductivity, thickness in mm, and what the field says of the walls below and above, °C. */
    @DataProvider
    Object[][] folded() {
        return new Object[][] {{160, 3, 43.12, 41.14}, {160, 1, 45.30, 39.76}, {50, 1, 50.65, 36.20}};
    }

    /**
     * A box of sheet, 200 × 120 × 35 mm, free all around at 25 °C, 12 W put into 80 × 60 mm of its floor, nothing inside. The field was found once by finite
     * volumes of 5 mm on the unfolded sheet, joined along its twelve edges, each cell giving off by its own temperature.
     */
    @Test(dataProvider = "folded")
    public void wallsOfASheetOfMetalAreAsWarmAsItsFieldSays(double k, double thickMm, double belowC, double aboveC) {
        double[] size = {0.2, 0.12, 0.035};
        HeatNetwork network = new HeatNetwork(25);
        int[] nodes = new int[Face.ALL.size()];
        for (Face face : Face.ALL) {
            double area = size[(face.axis() + 1) % 3] * size[(face.axis() + 2) % 3];
            int node = network.node(face == Face.BOTTOM ? 12 : 0);
            nodes[face.ordinal()] = node;
            double c = face.axis() < 2 ? Air.VERTICAL : face == Face.TOP ? Air.FACING_UP : Air.FACING_DOWN;
            network.link(Link.Outside.of(node, area, c, face.axis() < 2 ? 0.035 : 0.16, 0.9));
        }
        double thick = thickMm * 1e-3;
        for (Face a : Face.ALL) {
            for (Face b : Face.ALL) {
                if (a.axis() < b.axis()) {
                    double edge = size[3 - a.axis() - b.axis()];
                    network.link(new Link.Fixed(
                            nodes[a.ordinal()],
                            nodes[b.ordinal()],
                            Spreading.aroundEdge(k, edge, size[b.axis()], thick, size[a.axis()], thick)));
                }
            }
        }
        double[] t = network.solve();
        assertThat(t[nodes[Face.BOTTOM.ordinal()]]).isBetween(belowC, belowC + 0.07 * (belowC - 25));
        assertThat(t[nodes[Face.TOP.ordinal()]]).isCloseTo(aboveC, within(0.06 * (aboveC - 25)));
    }
}
