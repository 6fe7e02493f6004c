package boldsatchel.heat;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

public class AirNetworkTest {

    private static final Percentage TIGHT = Percentage.withPercentage(0.001);

    private static FanCurve line(double freeLs, double shutOffPa) {
        return FanCurve.of(new Facet.MovesAir(exact(freeLs), exact(shutOffPa)), freeLs, shutOffPa);
    }

    private static AirNetwork.Orifice hole(double mm2) {
        return new AirNetwork.Orifice(mm2 * 1e-6, 0);
    }

    private static AirNetwork.Duct blows(int vent, FanCurve... fans) {
        return new AirNetwork.Duct(vent, true, FanCurve.beside(List.of(fans)), 0);
    }

    private static AirNetwork.Duct draws(int vent, FanCurve... fans) {
        return new AirNetwork.Duct(vent, false, FanCurve.beside(List.of(fans)), 0);
    }

    private static double through(List<AirNetwork.Orifice> holes, AirNetwork.Duct... ducts) {
        AirNetwork.Flows flows = new AirNetwork(holes, List.of(ducts)).solve();
        assertThat(flows.outM3s().stream().mapToDouble(q -> q).sum()).isCloseTo(0, within(1e-9));
        return flows.throughM3s();
    }

    /** Where the line p·(1 − Q/Q₀) is the parabola ρ/2·(Q/(Cd·A))²: the root of a square, m³/s. */
    private static double fanFlow(double freeM3s, double shutOffPa, double areaM2) {
        double a = Air.DENSITY / 2 / Math.pow(Air.DISCHARGE * areaM2, 2);
        double b = shutOffPa / freeM3s;
        return (-b + Math.sqrt(b * b + 4 * a * shutOffPa)) / (2 * a);
    }

    /** The line meets the parabola: 20 Pa less 20/1.5 for each L/s against 1.16/2·(Q/(0.6·A))². */
    @Test
    public void aFanRunsWhereItsLineMeetsTheOpenings() {
        List<AirNetwork.Orifice> holes = List.of(hole(400), hole(600));
        assertThat(through(holes, blows(0, line(1.5, 20)))).isCloseTo(0.80e-3, Percentage.withPercentage(1));
        assertThat(through(holes, blows(0, line(1.5, 20))))
                .isCloseTo(fanFlow(1.5e-3, 20, Air.inRow(400e-6, 600e-6)), TIGHT)
                .isCloseTo(through(holes, draws(0, line(1.5, 20))), TIGHT);
    }

    /** Side by side flows add at one pressure; one behind the other pressures add at one flow. */
    @Test
    public void twoFansAddTheirFlowsOrTheirPressures() {
        double inRow = Air.inRow(400e-6, 600e-6);
        List<AirNetwork.Orifice> holes = List.of(hole(400), hole(600));
        assertThat(through(holes, blows(0, line(1.5, 20), line(1.5, 20)))).isCloseTo(fanFlow(3e-3, 20, inRow), TIGHT);
        assertThat(through(holes, blows(0, line(1.5, 20)), draws(1, line(1.5, 20))))
                .isCloseTo(fanFlow(1.5e-3, 40, inRow), TIGHT);
        // Unlike ones: at 8 Pa the weak one gives 1·(1 − 8/10) and the strong 2·(1 − 8/40) L/s, 1.8 in all.
        double area = 1.8e-3 / 0.6 / Math.sqrt(2 * 8 / 1.16);
        assertThat(through(List.of(hole(area * 1e6), hole(1e6)), blows(0, line(1, 10), line(2, 40))))
                .isCloseTo(1.8e-3, Percentage.withPercentage(0.01));
    }

    /** A weak fan before a strong one on the same way out of the room stops, and holds nothing up elsewhere. */
    @Test
    public void aFanThatIsTooWeakGivesNothing() {
        List<AirNetwork.Orifice> holes = List.of(hole(400), hole(400), hole(100));
        double alone = through(List.of(hole(400), hole(100)), blows(0, line(3, 200)));
        assertThat(through(holes, blows(0, line(3, 200)), blows(1, line(1, 2)))).isCloseTo(alone, TIGHT);
        assertThat(through(List.of(hole(400)), blows(0, line(3, 200)))).isZero();
        for (FanCurve nothing : new FanCurve[] {line(3, 0), line(0, 200)}) {
            assertThat(through(List.of(hole(400), hole(400)), blows(0, nothing)))
                    .isZero();
            assertThat(through(List.of(hole(400), hole(100)), blows(0, nothing, line(3, 200))))
                    .isCloseTo(alone, TIGHT);
        }
    }

    /** 10 Pa at 0.5 m/s, and the edge of a hole of 400 mm²: by hand the root of a square. */
    @Test
    public void aFilterTakesPressureInProportion() {
        AirNetwork.Orifice filtered = new AirNetwork.Orifice(400e-6, 20 / 400e-6);
        double edge = 0.6 * 400e-6;
        double q = 0.12e-3;
        double pa = 1.16 / 2 * Math.pow(q / edge, 2) + 20 * q / 400e-6;
        assertThat(filtered.flowM3s(pa)).isCloseTo(q, TIGHT);
        assertThat(filtered.flowM3s(-pa)).isCloseTo(-q, TIGHT);
    }

    /** Of a stack 0.1 m high, 30 K warmer in 25 °C, through two holes of 500 mm²: 0.6·354 mm²·√(2·9.81·0.1·30/298). */
    @Test
    public void warmthDrivesAStack() {
        Link.Chimney stack = new Link.Chimney(1, 0, Air.inRow(500e-6, 500e-6), 0.1, 0);
        assertThat(stack.watts(55, 25)).isCloseTo(0.0943e-3 * 1.16 * 1007 * 30, Percentage.withPercentage(0.3));
        double filter = 5e3;
        double q = stack.watts(55, 25) / 30 / Air.carried(1);
        double pa = Air.DENSITY * 9.80665 * 0.1 * 30 / 298.15;
        double filtered = new Link.Chimney(1, 0, stack.areaM2(), 0.1, filter).watts(55, 25) / 30 / Air.carried(1);
        assertThat(filter * filtered + Air.DENSITY / 2 * Math.pow(filtered / 0.6 / stack.areaM2(), 2))
                .isCloseTo(pa, TIGHT);
        assertThat(filtered).isLessThan(q);
    }

    @Test
    public void aCurveGoesThroughItsPoints() {
        Facet.MovesAir fan = new Facet.MovesAir(
                exact(2),
                exact(50),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(new Facet.MovesAir.Point(0.5, 30), new Facet.MovesAir.Point(1.6, 10)));
        FanCurve curve = FanCurve.of(fan, 2, 50);
        assertThat(curve.flowM3s(0)).isCloseTo(2e-3, TIGHT);
        assertThat(curve.flowM3s(10)).isCloseTo(1.6e-3, TIGHT);
        assertThat(curve.flowM3s(20)).isCloseTo(1.05e-3, TIGHT);
        assertThat(curve.flowM3s(40)).isCloseTo(0.25e-3, TIGHT);
        assertThat(curve.flowM3s(60)).isZero();
        assertThat(FanCurve.of(fan, 4, 100).flowM3s(40)).isCloseTo(2.1e-3, TIGHT);
    }

    /** Holes, fans and leaks of any size: what comes in goes out, and no fan moves more than it can. */
    @Test
    public void airOfAnyNetworkBalances() {
        Random random = new Random(5);
        for (int k = 0; k < 300; k++) {
            List<AirNetwork.Orifice> holes = new ArrayList<>();
            List<AirNetwork.Duct> ducts = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                double filter = random.nextBoolean() ? 0 : random.nextDouble(1e5);
                holes.add(new AirNetwork.Orifice(Math.pow(10, random.nextDouble(-7, -2)), filter));
                if (random.nextBoolean()) {
                    FanCurve fan = line(random.nextDouble(0.01, 20), random.nextDouble(1, 500));
                    double leak = random.nextInt(3) == 0 ? 0 : random.nextInt(3) == 0 ? 1e-12 : random.nextDouble(1e-3);
                    ducts.add(new AirNetwork.Duct(i, random.nextBoolean(), fan, leak));
                }
            }
            AirNetwork.Flows flows = new AirNetwork(holes, ducts).solve();
            double in =
                    flows.outM3s().stream().mapToDouble(q -> Math.max(0, -q)).sum();
            assertThat(flows.throughM3s()).as("network " + k).isCloseTo(in, within(1e-8 + 1e-5 * in));
            if (ducts.isEmpty()) {
                assertThat(in).isZero();
            }
        }
    }

    private static final Shell TRAY = Samples.tray(
            "tray",
            200,
            100,
            40,
            exact(2),
            Material.PLASTIC,
            false,
            new Vent("out", Face.BACK, new Box(10, 100, 5, 30, 0, 30), 1),
            new Vent("in", Face.FRONT, new Box(10, 0, 5, 120, 0, 30), 1));

    private static Optional<Openings.Driven> driven(
            Shell tray, double gapMm, Optional<Face> draws, Optional<Face> blows) {
        return driven(tray, gapMm, new Facet.MovesAir(exact(2), exact(20), Optional.empty(), draws, blows, List.of()));
    }

    private static Optional<Openings.Driven> driven(Shell tray, double gapMm, Facet.MovesAir moves) {
        Part fan = Samples.part("fan", Family.COOLING, 30, 10, 30, 20, moves);
        Placement at = new Placement("fan", tray.id(), new Vec(10, 90 - gapMm, 5), Orientation.AS_DRAWN, Set.of());
        return new Openings(tray, List.of(Placed.of(fan, at, tray)), Double.POSITIVE_INFINITY, p -> true).driven();
    }

    /** At its vent it drives what it can, either way; further off more and more goes round; where it looks at no vent it drives none. */
    @Test
    public void aFanDrivesTheVentThatItLooksAt() {
        Optional<Face> back = Optional.of(Face.BACK);
        double unsaid = driven(TRAY, 1, Optional.empty(), Optional.empty())
                .orElseThrow()
                .throughM3s();
        Openings.Driven near = driven(TRAY, 1, Optional.empty(), back).orElseThrow();
        assertThat(near.throughM3s()).isCloseTo(unsaid, Percentage.withPercentage(1));
        assertThat(near.outM3s().getFirst()).isPositive();
        assertThat(driven(TRAY, 1, back, Optional.empty())
                        .orElseThrow()
                        .outM3s()
                        .getFirst())
                .isCloseTo(-near.throughM3s(), Percentage.withPercentage(1));
        // The jet of a fan of 30 mm mixes over 150 mm; a fan a hand's breadth off still hits its vent, half beside it
        // does not.
        double beside = driven(
                        TRAY.withVents(List.of(
                                new Vent("out", Face.BACK, new Box(30, 100, 5, 30, 0, 30), 1),
                                TRAY.vents().getLast())),
                        20,
                        Optional.empty(),
                        back)
                .orElseThrow()
                .throughM3s();
        assertThat(beside).isBetween(0.05 * near.throughM3s(), 0.6 * near.throughM3s());
        assertThat(driven(TRAY, 1, Optional.of(Face.TOP), Optional.of(Face.LEFT)))
                .isEmpty();
    }

    /**
     * A duct lets nothing escape: from 60 mm away, with friction 0.05 · 60 / 30 = 0.1 heads of the speed in it, the flow is as by hand; round a corner
     * it takes 2.4 heads more, and leads to the next vent.
     */
    @Test
    public void aDuctLeadsAirToAVent() {
        Facet.MovesAir moves = new Facet.MovesAir(
                exact(2), exact(20), Optional.empty(), Optional.empty(), Optional.of(Face.BACK), List.of());
        Shell half = TRAY.withVents(List.of(
                new Vent("out", Face.BACK, new Box(30, 100, 5, 30, 0, 30), 1),
                TRAY.vents().getLast()));
        double loose = driven(half, 60, moves).orElseThrow().throughM3s();
        double ducted = driven(half, 60, moves.withDuct()).orElseThrow().throughM3s();
        assertThat(ducted).isGreaterThan(3 * loose);
        double in = TRAY.vents().getLast().extentMm2() * 1e-6;
        double heads = 1.16 / 2 * (1 / (0.36 * 900e-6 * 900e-6) + 1 / (0.36 * in * in) + 0.1 / (900e-6 * 900e-6));
        assertThat(20 * (1 - ducted / 2e-3)).isCloseTo(heads * ducted * ducted, Percentage.withPercentage(0.1));
        Facet.MovesAir left = new Facet.MovesAir(
                exact(2), exact(20), Optional.empty(), Optional.empty(), Optional.of(Face.LEFT), List.of());
        Openings.Driven round = driven(TRAY, 40, left.withDuct()).orElseThrow();
        assertThat(round.throughM3s()).isLessThan(ducted).isGreaterThan(0.5 * ducted);
        assertThat(round.outM3s().getFirst()).isPositive();
    }

    /** Of an inlet the half sphere at 40 mm is 10053 mm², and an outlet of 900 mm² takes 8.2 % of both. */
    @Test
    public void whatGoesOutBesideTheInletComesInAgain() {
        Shell beside = TRAY.withVents(
                List.of(TRAY.vents().getFirst(), new Vent("in", Face.BACK, new Box(50, 100, 5, 30, 0, 30), 1)));
        Openings.Driven driven =
                driven(beside, 1, Optional.empty(), Optional.of(Face.BACK)).orElseThrow();
        assertThat(driven.again()).isCloseTo(900 / (900 + 2 * Math.PI * 1600), TIGHT);
        assertThat(driven.freshM3s()).isCloseTo(driven.throughM3s() * (1 - driven.again()), TIGHT);
        assertThat(driven(TRAY, 1, Optional.empty(), Optional.of(Face.BACK))
                        .orElseThrow()
                        .again())
                .isZero();
    }
}
