package boldsatchel.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Peaks of cycles against closed forms and against plain small steps. */
public class CycleTest {

    /** One node of 100 J/K behind 5 K/W: τ = 500 s. Its highest is where the busy part ends. */
    @DataProvider
    Object[][] parts() {
        return new Object[][] {
            {60.0, 180.0}, {300.0, 900.0}, {1200.0, 3600.0}, {3600.0, 10.0}, {36000.0, 36000.0}, {1.0, 3.0}
        };
    }

    @Test(dataProvider = "parts")
    public void oneNodeSwingsAsItsExponentialsSay(double busy, double idle) {
        HeatNetwork network = new HeatNetwork(20);
        int node = network.node("x", 0, 100);
        network.link(new Link.Fixed(node, 0, 0.2));
        List<Cycle.Leg> legs =
                List.of(new Cycle.Leg(busy, new double[] {0, 22}), new Cycle.Leg(idle, new double[] {0, 5}));
        double[] meanW = Cycle.mean(legs);
        HeatNetwork.Steady mean = network.settle(meanW);
        double peak = Cycle.peaks(network, legs, meanW, mean).celsius()[node];
        double a = busy / 500;
        double b = idle / 500;
        double exact = 5 * 5 + 17 * 5 * Math.expm1(-a) / Math.expm1(-(a + b));
        assertThat(peak - 20).isCloseTo(exact, Percentage.withPercentage(1));
    }

    /** A board with a heat sink, air, walls inside and out, natural convection and radiation: 22 W busy and 5 W idle. */
    private static HeatNetwork machine() {
        HeatNetwork network = new HeatNetwork(25);
        int board = network.node("board", 0, 90);
        int air = network.node("air", 0, 5);
        int pack = network.node("pack", 0, 300);
        network.link(Link.Convection.of(board, air, 0.02, Air.VERTICAL, 0.1, 0, 5));
        network.link(Link.Convection.of(pack, air, 0.015, Air.VERTICAL, 0.1, 0, 5));
        network.link(new Link.Facing(board, pack, 0.004, 0.8));
        for (double area : new double[] {0.024, 0.024, 0.022}) {
            int in = network.node("wall", 0, 60 * area / 0.024);
            int out = network.node("wall", 0, 60 * area / 0.024);
            network.link(Link.Convection.of(air, in, area, Air.FACING_UP, 0.15, 0, 5));
            network.link(new Link.Fixed(in, out, 0.2 * area / 2.5e-3));
            network.link(Link.Outside.of(out, area, Air.FACING_UP, 0.15, 0.9));
        }
        return network;
    }

    /** The board's peak with some heat more in one leg, against what its echo and its mean say, as a share of what the same heat does for ever. */
    @Test
    public void anEchoTellsWhatHeatInALegDoesToAPeak() {
        HeatNetwork network = machine();
        double[] unit = new double[network.size()];
        unit[1] = 1;
        for (int leg = 0; leg < 2; leg++) {
            for (int node : new int[] {1, 3}) {
                HeatNetwork.Steady mean = network.settle(Cycle.mean(legs(network, -1, 0)));
                Cycle.Peaks peaks = peaks(network, legs(network, -1, 0));
                double share = legs(network, -1, 0).get(leg).seconds() / 4800;
                double told = share * mean.answers().to(unit)[node]
                        + Cycle.echo(network, legs(network, -1, 0), mean, peaks, 1)
                                .kelvinPerWatt(leg, node);
                double moved = peaks(network, legs(network, leg, node)).celsius()[1] - peaks.celsius()[1];
                assertThat(told * MORE_W)
                        .as("heat at " + node + " in leg " + leg)
                        .isCloseTo(moved, within(0.06 * MORE_W * mean.answers().to(unit)[node]));
            }
        }
    }

    private static final double MORE_W = 0.5;

    /** Twenty minutes busy and an hour idle, with more heat at one node in one leg. */
    private static List<Cycle.Leg> legs(HeatNetwork network, int moreIn, int node) {
        double[][] watts = {network.heat(), network.heat()};
        watts[0][1] = 9;
        watts[1][1] = 5;
        if (moreIn >= 0) {
            watts[moreIn][node] += MORE_W;
        }
        return List.of(new Cycle.Leg(1200, watts[0]), new Cycle.Leg(3600, watts[1]));
    }

    private static Cycle.Peaks peaks(HeatNetwork network, List<Cycle.Leg> legs) {
        double[] meanW = Cycle.mean(legs);
        return Cycle.peaks(network, legs, meanW, network.settle(meanW));
    }

    @DataProvider
    Object[][] cycles() {
        return new Object[][] {{5, 15}, {20, 60}, {60, 180}, {2, 2}, {90, 10}, {10, 240}};
    }

    @Test(dataProvider = "cycles")
    public void aMachinePeaksWhereSmallStepsTakeIt(int busyMinutes, int idleMinutes) {
        HeatNetwork network = machine();
        double[] busy = network.heat();
        double[] idle = network.heat();
        busy[1] = 22;
        busy[3] = 1;
        idle[1] = 5;
        idle[3] = 0.1;
        List<Cycle.Leg> legs =
                List.of(new Cycle.Leg(busyMinutes * 60.0, busy), new Cycle.Leg(idleMinutes * 60.0, idle));
        double[] meanW = Cycle.mean(legs);
        HeatNetwork.Steady mean = network.settle(meanW);
        double[] peaks = Cycle.peaks(network, legs, meanW, mean).celsius();
        double[] stepped = stepped(network, busy, idle, busyMinutes * 60, idleMinutes * 60, mean.celsius());
        for (int i = 1; i < peaks.length; i++) {
            assertThat(peaks[i] - 25)
                    .as("node " + i + " of " + busyMinutes + "/" + idleMinutes)
                    .isCloseTo(stepped[i] - 25, Percentage.withPercentage(3));
        }
        assertThat(peaks[1] - mean.celsius()[1]).isGreaterThan(2);
    }

    /** Explicit steps of a second, as long as it takes to repeat itself; the highest of the last round. */
    private static double[] stepped(
            HeatNetwork network, double[] busy, double[] idle, int busySeconds, int idleSeconds, double[] start) {
        double[] t = start.clone();
        double[] most = start.clone();
        int rounds = Math.max(2, 12 * 3600 / (busySeconds + idleSeconds));
        for (int round = 0; round < rounds; round++) {
            most = t.clone();
            for (int s = 0; s < busySeconds + idleSeconds; s++) {
                double[] r = network.residual(s < busySeconds ? busy : idle, t);
                for (int i = 1; i < t.length; i++) {
                    t[i] += r[i] / network.capacity(i);
                    most[i] = Math.max(most[i], t[i]);
                }
            }
        }
        return most;
    }

    @Test
    public void aCycleOfOnePartDoesNotSwing() {
        HeatNetwork network = machine();
        double[] watts = network.heat();
        watts[1] = 12;
        List<Cycle.Leg> legs = List.of(new Cycle.Leg(600, watts));
        HeatNetwork.Steady mean = network.settle(watts);
        assertThat(Cycle.peaks(network, legs, watts, mean).celsius()).isEqualTo(mean.celsius());
    }
}
