package boldsatchel.heat;

import static boldsatchel.Samples.bank;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.RandomBuilds;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.FinEdits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.plan.Relief;
import boldsatchel.plan.Reliefs;
import boldsatchel.power.Points;
import boldsatchel.power.PointsEngine;
import boldsatchel.power.Warmth;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.LUDecomposition;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Fins by their correlations, heat that air carries on, and heat pipes to fins in a machine. */
public class FinsTest {

    private static final double EXACT = 1e-9;

    /** 21 fins of 0.5 mm on 40 mm: 20 channels of 1.475 mm, 10 mm high, 40 mm long. */
    private static final Facet.Fins FINS = new Facet.Fins(21, 10, 0.5, 40, 40, 200, Face.LEFT);

    private static FinnedSurface surface(Facet.Fins fins) {
        return FinnedSurface.of(fins).orElseThrow();
    }

    /** So little air leaves them as warm as they are. */
    @Test
    public void theyGiveAirNoMoreThanItTakesUp() {
        FinnedSurface fins = surface(FINS);
        assertThat(fins.forcedWK(1e-7)).isCloseTo(Air.carried(1e-7), Percentage.withPercentage(4));
        for (double flow = 1e-6; flow < 1e-2; flow *= 1.5) {
            assertThat(fins.forcedWK(flow)).isLessThan(1.03 * Air.carried(flow));
        }
        assertThat(fins.forcedWK(0)).isZero();
    }

    /**
     * By hand: 1 L/s through 20 · 1.475 mm · 10 mm is 3.39 m/s; Re = 3.39 · 1.475e-3 / 1.7e-5 · 1.475 / 40 = 10.85; developed 3.85, developing
     * 0.664 · 3.294 · 0.892 · √(1 + 3.65 / 3.294) = 2.834; Nu = 2.526 with the third powers of both, h = 46.2 W/m²K on 2 · 20 · 10 · 40 mm²; √(2 · 46.2 / (200 ·
     * 0.5e-3)) · 10 mm = 0.304, tanh over that 0.970.
     */
    @Test
    public void forcedAirThroughThemIsAsByHand() {
        assertThat(surface(FINS).forcedWK(1e-3)).isCloseTo(46.2 * 16e-3 * 0.970, Percentage.withPercentage(0.5));
    }

    /** In narrow upright channels what they give off is what the air that rises takes up: Nu = El / 24; wide ones are plates by themselves. */
    @Test
    public void airRisesInUprightOnes() {
        Link.Flow flow = new Link.Flow();
        Facet.Fins narrow = new Facet.Fins(41, 10, 0.5, 40, 40, 1e6, Face.LEFT);
        double gap = narrow.gapMm() * 1e-3;
        double elenbaas = 9.80665 * 30 / 320 * Math.pow(gap, 4) * 0.71 / (0.04 * 1.7e-5 * 1.7e-5);
        surface(narrow).risen(30, flow);
        assertThat(flow.watts)
                .isCloseTo(elenbaas / 24 * 0.027 / gap * 2 * 40 * 10e-3 * 40e-3 * 30, Percentage.withPercentage(3));
        Facet.Fins wide = new Facet.Fins(3, 10, 0.5, 40, 40, 1e6, Face.LEFT);
        surface(wide).risen(30, flow);
        double plate = Air.natural(Air.VERTICAL, 30, 0.04) * 4 * 10e-3 * 40e-3 * 30;
        assertThat(flow.watts).isCloseTo(plate, Percentage.withPercentage(15));
        double there = flow.slope;
        double before = flow.watts;
        surface(wide).risen(30.01, flow);
        assertThat((flow.watts - before) / 0.01).isCloseTo(there, Percentage.withPercentage(0.1));
    }

    /** Between wide plates the pressure is 12·µ·L·v/s², and half a millilitre a second through one channel is slow enough for that. */
    @Test
    public void theyTakeOfThePressure() {
        AirNetwork.Orifice slow = surface(FINS).resists(1);
        double gap = FINS.gapMm() * 1e-3;
        double speed = 1e-6 / (20 * gap * 10e-3);
        double pa = 12 * 1.7e-5 * 1.16 * 0.04 * speed / (gap * gap);
        assertThat(slow.flowM3s(pa)).isCloseTo(1e-6, Percentage.withPercentage(0.5));
        AirNetwork.Orifice other = new AirNetwork.Orifice(1e-4, 0);
        double through = slow.shareOf(2e-3, other);
        assertThat(through).isBetween(1e-4, 1.9e-3);
        double drives = slow.filter() * through + slow.square() * through * through;
        assertThat(other.flowM3s(drives)).isCloseTo(2e-3 - through, Percentage.withPercentage(0.01));
    }

    /** What leaves with air that goes out warms nothing; what air that comes in takes up warms the room. */
    @Test
    public void whatAirTakesUpGoesOnWithIt() {
        HeatNetwork out = new HeatNetwork(20);
        int fins = out.node(10);
        int room = out.node(4);
        out.link(new Link.Fixed(room, 0, 2));
        out.carries(new Link.Fixed(fins, room, 0.5), 0, 1);
        double[] t = out.solve();
        assertThat(t[room]).isCloseTo(20 + 4 / 2.0, within(EXACT));
        assertThat(t[fins]).isCloseTo(t[room] + 10 / 0.5, within(EXACT));
        HeatNetwork in = new HeatNetwork(20);
        fins = in.node(10);
        room = in.node(4);
        in.link(new Link.Fixed(room, 0, 2));
        in.carries(new Link.Fixed(fins, 0, 0.5), room, 1);
        t = in.solve();
        assertThat(t[fins]).isCloseTo(20 + 10 / 0.5, within(EXACT));
        assertThat(t[room]).isCloseTo(20 + 14 / 2.0, within(EXACT));
    }

    /** Networks by chance with several such ways against a general solver. */
    @Test
    public void aGeneralSolverFindsTheSame() {
        Random random = new Random(7);
        for (int k = 0; k < 200; k++) {
            int n = 4 + random.nextInt(8);
            HeatNetwork network = new HeatNetwork(0);
            double[] watts = new double[n];
            for (int i = 1; i < n; i++) {
                watts[i] = 10 * random.nextDouble();
                network.node(watts[i]);
            }
            double[][] matrix = new double[n][n];
            for (int i = 1; i < n; i++) {
                link(network, matrix, i, random.nextInt(i), 0.1 + random.nextDouble());
            }
            for (int i = 0; i < 3; i++) {
                int from = 1 + random.nextInt(n - 1);
                int end = random.nextInt(n);
                int to = random.nextInt(n);
                double slope = random.nextDouble();
                double share = random.nextDouble();
                if (from != end && from != to && (end == 0 || to == 0)) {
                    add(matrix, from, end, slope);
                    network.carries(new Link.Fixed(from, end, slope), to, share);
                    for (int at : new int[] {from, end}) {
                        matrix[end][at] += (at == from ? 1 : -1) * share * slope;
                        matrix[to][at] -= (at == from ? 1 : -1) * share * slope;
                    }
                }
            }
            double[] found = new LUDecomposition(new Array2DRowRealMatrix(matrix).getSubMatrix(1, n - 1, 1, n - 1))
                    .getSolver()
                    .solve(new ArrayRealVector(watts).getSubVector(1, n - 1))
                    .toArray();
            double[] t = network.solve();
            for (int i = 1; i < n; i++) {
                assertThat(t[i]).as("network %d", k).isCloseTo(found[i - 1], within(1e-6 * (1 + Math.abs(t[i]))));
            }
        }
    }

    private static void link(HeatNetwork network, double[][] matrix, int from, int to, double wattsPerK) {
        network.link(new Link.Fixed(from, to, wattsPerK));
        add(matrix, from, to, wattsPerK);
    }

    private static void add(double[][] matrix, int a, int b, double wattsPerK) {
        matrix[a][a] += wattsPerK;
        matrix[b][b] += wattsPerK;
        matrix[a][b] -= wattsPerK;
        matrix[b][a] -= wattsPerK;
    }

    @DataProvider
    Object[][] builds() {
        return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
    }

    /** In machines by chance the ways of the heat add up, runs lose nothing, and end where the steady state is. */
    @Test(dataProvider = "builds")
    public void heatAddsUp(int seed) {
        Build build = RandomBuilds.finned(seed);
        Points points = PointsEngine.evaluate(build);
        HeatResult heat = HeatEngine.evaluate(build, FitEngine.evaluate(build), points);
        HeatResult.Use use = heat.gravest().orElseThrow();
        HeatWays ways = use.ways().get();
        double given = ways.flows().stream()
                .mapToDouble(f -> (f.to().kind() == HeatPlace.Kind.SURROUNDINGS ? f.watts() : 0)
                        - (f.from().kind() == HeatPlace.Kind.SURROUNDINGS ? f.watts() : 0))
                .sum();
        assertThat(given).isCloseTo(use.heatW(), Percentage.withPercentage(0.1));
        assertThat(use.shells().getFirst().fins())
                .singleElement()
                .satisfies(f -> assertThat(f.flowLs()).isPositive());
        HeatRun run = HeatRun.of(
                        build, FitEngine.evaluate(build), points, build.brief().profile(), false)
                .orElseThrow();
        assertThat(run.heat().storedJ() + run.heat().givenOffJ())
                .isCloseTo(run.heat().putInJ(), Percentage.withPercentage(0.1));
        Warmth.Step step = points.warmths().getFirst().steps().getFirst();
        HeatModel model = new HeatModel(build, Placed.all(build), step.byPart().keySet(), false, Set.of());
        double[] watts = model.watts(step);
        double[] steady = model.network.settle(watts).celsius();
        double[] cold = new double[steady.length];
        Arrays.fill(cold, model.network.ambientC());
        double[] late =
                WarmingTest.gone(model.network, cold, watts, 200 * 3600, 0).celsius();
        for (int i = 1; i < steady.length; i++) {
            assertThat(late[i]).as("node %d of %d", i, seed).isCloseTo(steady[i], within(0.1));
        }
    }

    private static final Facet.MovesAir FAN = new Facet.MovesAir(
            exact(1.5), exact(30), Optional.empty(), Optional.of(Face.LEFT), Optional.of(Face.RIGHT), List.of());

    /** A board, a fan at the right wall and fins somewhere before it, at which heat may arrive. */
    private static Build machine(double finsX, Optional<HeatBridge> pipe) {
        Shell plain = box(200, 120, 35, 2, Material.PLASTIC);
        Shell tray = plain.withVents(List.of(
                new Vent("out", Face.RIGHT, new Box(200, 40, 1, 0, 40, 30), Vent.Kind.GRILLE, 0),
                new Vent("in", Face.LEFT, new Box(0, 20, 10, 0, 80, 10), Vent.Kind.SLOTS, 0)));
        Part board = part(
                "board",
                Family.X86_BOARD,
                70,
                60,
                10,
                90,
                load(15, 4, 6),
                new Facet.Thermal(90, Optional.of(exact(6)), Optional.of(exact(4))));
        Part fan = part("fan", Family.COOLING, 10, 40, 30, 15, FAN);
        Part fins = part("fins", Family.COOLING, 40, 40, 12, 50, FINS);
        Part bank = bank(new Facet.PowerBank(exact(370), exact(0.9), 5, 20, exact(0.001), 0))
                .withFacet(new Facet.StaysBeside());
        Build build = packed(
                tray,
                List.of(board, fan, fins),
                List.of(new Vec(10, 30, 8), new Vec(189.5, 40, 1), new Vec(finsX, 40, 10)));
        return build.with(build.parts().and(bank))
                .with(build.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))))
                .with(new Cooling(List.of(), pipe.stream().toList()))
                .withChain(List.of(rung("bank", rung("board"))));
    }

    private static Optional<HeatBridge> pipe(double mostW) {
        return Optional.of(new HeatBridge("board", "fins", exact(0.5), "pipe", Optional.of(mostW)));
    }

    private static HeatResult heat(Build build) {
        return Evaluator.evaluate(build).of(HeatResult.class);
    }

    /** Tight before the fan they take most of its air and the heat of the board leaves with that; a bit away they take none. */
    @Test
    public void aPipeToFinsAtAFanKeepsABoardCool() {
        double alone = heat(machine(149.5, Optional.empty()))
                .part("board")
                .orElseThrow()
                .celsius();
        HeatResult led = heat(machine(149.5, pipe(40)));
        assertThat(led.part("board").orElseThrow().celsius()).isLessThan(alone - 15);
        HeatResult.ShellAir air = led.shells().getFirst();
        assertThat(air.fins()).singleElement().satisfies(f -> {
            assertThat(f.out()).isTrue();
            assertThat(f.flowLs()).isBetween(0.1, air.flowLs());
            assertThat(f.watts()).isGreaterThan(3);
        });
        assertThat(led.gravest().orElseThrow().ways().get().flows()).anySatisfy(flow -> {
            assertThat(flow.from()).isEqualTo(HeatPlace.part("fins"));
            assertThat(flow.to()).isEqualTo(HeatPlace.SURROUNDINGS);
        });
        Findings.hold("heat.fins-still", machine(120, pipe(40)), Double.NaN, machine(149.5, pipe(40)), true);
    }

    @Test
    public void aPipeToFinsThatCarriesTooMuchIsSeen() {
        Findings.hold("heat.pipe-dry", machine(149.5, pipe(6)), Double.NaN, machine(149.5, pipe(40)), true);
    }

    /** A thicker pipe carries more: of the usual one 25 W, of 8 mm by its ring of wick 25 · 6.8 / 4.8. */
    @Test
    public void aThickerPipeCarriesMore() {
        Build build = machine(100, Optional.empty());
        Placed board = Placed.of(build, "board").orElseThrow();
        Placed fins = Placed.of(build, "fins").orElseThrow();
        for (double mm : CoolEdits.PIPES_MM) {
            HeatBridge pipe = FinEdits.bridge(build, board, fins, mm)
                    .orElseThrow()
                    .change()
                    .apply(build)
                    .cooling()
                    .bridges()
                    .getFirst();
            assertThat(pipe.mostW().orElseThrow()).isCloseTo(25 * (mm - 1.2) / 4.8, within(EXACT));
            assertThat(pipe.ohmsKW().value()).isCloseTo(4.8 / mm, within(EXACT));
        }
    }

    /** Fins larger than their part are told, and count as far as they have room; those of the shelf have. */
    @Test
    public void finsLargerThanTheirPartAreTold() {
        Build build = machine(149.5, pipe(40));
        Part fins = build.part("fins").orElseThrow();
        Build larger =
                build.with(build.parts().with(fins.withFacet(new Facet.Fins(21, 100, 0.5, 400, 40, 200, Face.LEFT))));
        Build full =
                build.with(build.parts().with(fins.withFacet(new Facet.Fins(21, 12, 0.5, 40, 40, 200, Face.LEFT))));
        assertThat(Findings.of(larger, "figure.larger")).isPresent();
        assertThat(Findings.of(full, "figure.larger")).isEmpty();
        assertThat(heat(larger).part("board").orElseThrow().celsius())
                .isCloseTo(heat(full).part("board").orElseThrow().celsius(), within(EXACT));
        for (Part part : Library.shipped().parts()) {
            part.facet(Facet.Fins.class)
                    .ifPresent(f -> assertThat(f.within(part.body().bounds())).isEqualTo(f));
        }
        FinnedSurface whole = surface(FINS);
        assertThat(whole.forcedWK(1e-3, 0.5)).isLessThan(whole.forcedWK(1e-3));
    }

    /** Over a hinge, or to fins that lie nowhere, no heat is counted. */
    @Test
    public void aPipeThatLeadsOutOfItsTrayIsNotCounted() {
        Build within = machine(149.5, pipe(40));
        Build apart = within.with(within.layout().without("fins"));
        Findings.hold("heat.bridge-apart", apart, Double.NaN, within, true);
        Build none = apart.with(Cooling.NONE);
        HeatBridge toNobody = new HeatBridge("nobody", "no one", exact(1), "", Optional.empty());
        Findings.hold(
                "heat.bridge-apart",
                within.with(within.cooling().withBridges(List.of(toNobody))),
                Double.NaN,
                within,
                true);
        assertThat(heat(apart).part("board").orElseThrow().celsius())
                .isEqualTo(heat(none).part("board").orElseThrow().celsius());
    }

    /** Fins before a vent cover it only where they stand across. */
    @Test
    public void airGoesThroughFinsBeforeAVent() {
        Build along = machine(149.5, Optional.empty());
        Build before = along.with(along.layout().placements().stream()
                .filter(p -> p.part().equals("fins"))
                .findFirst()
                .orElseThrow()
                .at(new Vec(1, 40, 9)));
        assertThat(Findings.of(before, "fit.vent-covered")).isEmpty();
        Part turned = before.part("fins").orElseThrow().withFacet(new Facet.Fins(21, 10, 0.5, 40, 40, 200, Face.FRONT));
        Build across = before.with(before.parts().with(turned));
        assertThat(Findings.of(across, "fit.vent-covered")).isPresent();
        assertThat(heat(across).shells().getFirst().flowLs())
                .isLessThan(heat(before).shells().getFirst().flowLs());
    }

    /** Fins of the shelf at the fan that is there, with a pipe to them, are among what helps. */
    @Test
    public void finsOfTheShelfHelp() {
        Build build = machine(60, Optional.empty());
        Build bare = build.with(build.parts().without("fins"));
        Evaluation now = Evaluator.evaluate(bare);
        Part fins = build.part("fins").orElseThrow();
        List<Relief> reliefs = Reliefs.of(now, List.of(fins), () -> false);
        assertThat(reliefs).anySatisfy(r -> {
            assertThat(r.words()).contains("by a heat pipe to fins, tight to fan");
            assertThat(r.gainK()).isGreaterThan(10);
        });
    }
}
