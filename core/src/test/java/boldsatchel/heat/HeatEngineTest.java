package boldsatchel.heat;

import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.engine.Lazy;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Label;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Predicate;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class HeatEngineTest {

    private static Build warm(double watts, boolean onTable) {
        Part bank = boldsatchel.Samples.bank(new Facet.PowerBank(exact(37), exact(1), 5, 6, exact(0.01), 0));
        Part board = part(
                "board",
                Family.SINGLE_BOARD,
                80,
                50,
                10,
                50,
                load(watts, 4, 6),
                new Facet.Thermal(85, Optional.of(exact(6)), Optional.of(exact(2))));
        Build build = boldsatchel.Samples.packed(
                box(195, 115, 30, 2.5, Material.PLASTIC),
                List.of(bank, board),
                List.of(new Vec(10, 10, 8), new Vec(100, 10, 8)));
        return build.withChain(List.of(boldsatchel.Samples.rung("bank", boldsatchel.Samples.rung("board"))))
                .with(build.brief().withSurroundings(new Brief.Surroundings(25, 25, false, onTable)));
    }

    private static double board(Build build) {
        return Evaluator.evaluate(build)
                .of(HeatResult.class)
                .part("board")
                .orElseThrow()
                .celsius();
    }

    @Test
    public void moreWattsAreWarmer() {
        double last = 25;
        for (double watts : new double[] {1, 2, 4, 8, 16}) {
            double now = board(warm(watts, false));
            assertThat(now).isGreaterThan(last);
            last = now;
        }
    }

    @Test
    public void aTableBelowMakesItWarmer() {
        assertThat(board(warm(8, true))).isGreaterThan(board(warm(8, false)));
    }

    @Test
    public void surroundingsShiftEverythingByAboutAsMuch() {
        Build cool = warm(8, false);
        Build hot = cool.with(cool.brief().withSurroundings(new Brief.Surroundings(40, 25, false, false)));
        assertThat(board(hot) - board(cool)).isBetween(13.0, 15.0);
    }

    @Test
    public void aPadToTheWallCoolsThePart() {
        Build build = warm(8, false);
        Build padded = build.with(new Cooling(List.of(new HeatPath("board", Face.BOTTOM, exact(2), "pad"))));
        assertThat(board(padded)).isLessThan(board(build) - 5);
    }

    @Test
    public void nothingOnMeansNothingWarm() {
        Build build = warm(0, false);
        assertThat(board(build)).isCloseTo(25, within(0.1));
    }

    @Test
    public void inTheHandsTheTouchLimitIsLower() {
        Build build = warm(8, false);
        Build held = build.with(build.brief().withSurroundings(new Brief.Surroundings(25, 25, true, false)));
        assertThat(wallLimit(held)).isEqualTo(48);
        assertThat(wallLimit(build)).isEqualTo(60);
        assertThat(wallLimit(build.with(Casing.NONE.withShells(
                        List.of(build.casing().shells().getFirst().withMaterial(Material.ALUMINIUM_PAINTED))))))
                .isEqualTo(51);
    }

    private static double wallLimit(Build build) {
        return Evaluator.evaluate(build).of(HeatResult.class).spots().stream()
                .filter(s -> s.wall().isPresent())
                .findFirst()
                .orElseThrow()
                .limitC();
    }

    @Test
    public void theRangeOfTheMarginAgreesWithMovingTheInputItself() {
        Build doubtful = warm(8, false);
        Part board = doubtful.part("board").orElseThrow();
        Facet.DrawsPower d = board.facet(Facet.DrawsPower.class).orElseThrow();
        Facet unsure = boldsatchel.Samples.busy(d, Figure.dataSheet(8));
        Evaluation evaluation = Evaluator.evaluate(doubtful.with(board.withFacet(unsure)));
        double nominal = evaluation.of(HeatResult.class).margin().orElseThrow().nominal();
        double moved = 85 - board(warm(8.4, false));
        var blame = evaluation.of(HeatResult.class).margin().orElseThrow().blame().stream()
                .filter(b -> b.input().what().equals("busy power"))
                .findFirst()
                .orElseThrow();
        double sigma = (evaluation.of(HeatResult.class).margin().orElseThrow().high() - nominal) / 1.6449;
        assertThat(Math.sqrt(blame.share()) * sigma).isCloseTo(nominal - moved, Percentage.withPercentage(3));
    }

    @Test
    public void anUnlinkedNodeIsSaidToBeUnlinked() {
        HeatNetwork network = new HeatNetwork(20);
        network.node(5);
        assertThatThrownBy(network::solve).hasMessageContaining("linked to nothing");
    }

    @Test
    public void twoConductancesInARowDivideTheDifference() {
        HeatNetwork network = new HeatNetwork(20);
        int a = network.node(6);
        int b = network.node(0);
        network.link(new Link.Fixed(a, b, 2));
        network.link(new Link.Fixed(b, 0, 3));
        double[] t = network.solve();
        assertThat(t[b]).isCloseTo(22, within(1e-6));
        assertThat(t[a]).isCloseTo(25, within(1e-6));
        assertThat(moves(network, a, new Effects.Warmed(Doubted.WATTS, a, 0, 1, 2)))
                .isCloseTo(2 * (0.5 + 1 / 3.0), within(1e-6));
    }

    private record Doubted(@Label("watts") Figure watts) {
        static final Input WATTS = new Input("x", "x", Doubted.class, "watts", Figure.guess(1));
        static final Input CONVECTION = new Input("y", "y", Doubted.class, "watts", Figure.guess(1));
    }

    @Test
    public void anInputMovesATemperatureAsSolvingAnewWouldSay() {
        double[] t = row(2).solve();
        HeatNetwork network = row(2);
        Link link = new Link.Fixed(1, 2, 2);
        network.moves(Doubted.WATTS, link, Lazy.known(new Link.Fixed(1, 2, 2.002)));
        assertThat(moves(network, 1)).isCloseTo(row(2.002).solve()[1] - t[1], Percentage.withPercentage(0.2));
    }

    /** What the doubted watts do to a node, K. */
    private static double moves(HeatNetwork network, int node, Effects.Warmed... warmed) {
        Inputs inputs = new Inputs();
        Effects effects =
                new Effects(inputs, network, network.settle(network.heat()), Doubted.CONVECTION, List.of(warmed));
        return effects.on(node, 1, 1, Cycle.Echo.NONE)[inputs.place(Doubted.WATTS)];
    }

    private static HeatNetwork row(double wattsPerK) {
        HeatNetwork network = new HeatNetwork(20);
        int a = network.node(6);
        int b = network.node(0);
        network.link(new Link.Fixed(a, b, wattsPerK));
        network.link(Link.Convection.of(b, 0, 0.05, Air.VERTICAL, 0.1, 0, 5));
        return network;
    }

    @DataProvider
    Object[][] links() {
        return new Object[][] {
            {new Link.Fixed(1, 0, 3)},
            {Link.Convection.of(1, 0, 0.02, Air.FACING_UP, 0.1, 0, 5)},
            {Link.Convection.of(1, 0, 0.02, Air.FACING_UP, 0.1, 30, 5)},
            {Link.Outside.of(1, 0.02, Air.FACING_UP, 0.1, 0.9)},
            {new Link.Chimney(1, 0, 4e-4, 0.03, 0)},
            {new Link.Chimney(1, 0, 4e-4, 0.03, 2000)}
        };
    }

    @Test(dataProvider = "links")
    public void theSlopeOfALinkIsThatOfItsHeat(Link link) {
        double by = 1e-4;
        double rise = (link.watts(48 + by, 25) - link.watts(48 - by, 25)) / (2 * by);
        Link.Flow flow = new Link.Flow();
        link.cross(48, 25, flow);
        assertThat(flow.slope).isCloseTo(rise, Percentage.withPercentage(0.01));
    }

    @Test
    public void radiationAndConvectionLeaveAsMuchAsIsPutIn() {
        HeatNetwork network = new HeatNetwork(25);
        int plate = network.node(10);
        network.link(Link.Outside.of(plate, 0.02, Air.VERTICAL, 0.1, 0.9));
        double[] t = network.solve();
        assertThat(flow(network, t, l -> true)).isCloseTo(10, within(1e-6));
        assertThat(t[plate]).isGreaterThan(25);
    }

    /** Small parts with a million watts, large ones with none, openings of any size: what goes in goes out. */
    @Test
    public void heatOfAnySizeSettles() {
        Random random = new Random(8);
        for (int k = 0; k < 500; k++) {
            HeatNetwork network = new HeatNetwork(random.nextInt(-40, 60));
            int air = network.node(0);
            network.link(
                    new Link.Chimney(air, 0, Math.pow(10, random.nextDouble(-7, -2)), 0.03, random.nextDouble(1e4)));
            network.link(Link.Convection.of(air, 0, Math.pow(10, random.nextDouble(-3, 0)), Air.VERTICAL, 0.1, 0, 0));
            for (int i = 0; i < 6; i++) {
                int part = network.node(Math.pow(10, random.nextDouble(-4, 6)));
                double area = Math.pow(10, random.nextDouble(-4, -1));
                double forced = random.nextBoolean() ? 0 : random.nextDouble(0, 40);
                network.link(Link.Convection.of(part, air, area, Air.FACING_UP, 0.05, forced, 5));
                network.link(new Link.Outside(part, area, 0, 0.9));
            }
            double[] t = network.solve();
            assertThat(flow(network, t, l -> l.to() == 0))
                    .as("network " + k)
                    .isCloseTo(network.heatIn(), Percentage.withPercentage(0.01));
        }
    }

    @Test
    public void wireHeatWarmsTheAir() {
        Build build = warm(8, false);
        Build wired = build.withChain(List.of(Rung.of(
                "r-bank",
                new Rung.OfPart("bank"),
                Rung.of("w", new Rung.Wire(30, 300), boldsatchel.Samples.rung("board")))));
        assertThat(Evaluator.evaluate(wired)
                        .of(HeatResult.class)
                        .shells()
                        .getFirst()
                        .airC())
                .isGreaterThan(Evaluator.evaluate(build)
                        .of(HeatResult.class)
                        .shells()
                        .getFirst()
                        .airC());
    }

    /** Heat flowing over the links that a test accepts, W. */
    private static double flow(HeatNetwork network, double[] celsius, Predicate<Link> which) {
        return network.links().stream()
                .filter(which)
                .mapToDouble(l -> l.watts(celsius[l.from()], celsius[l.to()]))
                .sum();
    }
}
