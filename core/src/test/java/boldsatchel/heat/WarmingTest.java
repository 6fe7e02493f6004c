package boldsatchel.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.function.IntPredicate;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Networks through time, against closed forms, conservation and the steady state. */
public class WarmingTest {

    private static final int CASES = 500;

    /** Goes on for a time; steps are halved as often as is said. */
    static Warming gone(HeatNetwork network, double[] startC, double[] watts, double seconds, int halved) {
        Warming warming = new Warming(startC, network.capacities());
        Elimination.Factors answers = network.factors();
        double left = seconds;
        while (left > 0) {
            Warming.Step step = warming.tried(network, answers, watts, left);
            for (int i = 1; i < 1 << halved; i++) {
                warming.take(warming.exactly(network, answers, watts, step.seconds / (1 << halved)));
            }
            warming.take(warming.exactly(network, answers, watts, step.seconds / (1 << halved)));
            left -= step.seconds;
            left = left < 1e-9 ? 0 : left;
        }
        return warming;
    }

    private static double[] at(HeatNetwork network, double celsius) {
        double[] start = new double[network.size()];
        Arrays.fill(start, celsius);
        start[0] = network.ambientC();
        return start;
    }

    /** A lump of 100 J/K behind 5 K/W that nothing heats: T − Tₐ falls as e^(−t/500 s) (Incropera and DeWitt, 5.1). */
    @Test
    public void aLumpCoolsAsItsExponentialSays() {
        HeatNetwork network = new HeatNetwork(20);
        int node = network.node("lump", 0, 100);
        network.link(new Link.Fixed(node, 0, 0.2));
        for (double seconds : new double[] {10, 100, 500, 2000}) {
            double celsius =
                    gone(network, at(network, 80), new double[2], seconds, 0).celsius()[node];
            assertThat(celsius).isCloseTo(20 + 60 * Math.exp(-seconds / 500), within(0.1));
        }
    }

    /** A thick wall with a constant flux into its face: the face rises by 2q·√(t/(π·k·ρ·c)) (Incropera and DeWitt, 5.7). */
    @Test
    public void aBurstWarmsAThickWallWithTheRootOfTime() {
        double k = 0.2;
        double rhoC = 1.9e6;
        double flux = 400;
        HeatNetwork network = new HeatNetwork(20);
        double cell = 0.05e-3;
        int face = network.node("face", 0, rhoC * cell / 2);
        int before = face;
        for (int i = 0; i < 400; i++) {
            int next = network.node("wall", 0, rhoC * cell);
            network.link(new Link.Fixed(before, next, k / cell));
            before = next;
        }
        network.link(new Link.Fixed(before, 0, k / cell));
        double[] watts = new double[network.size()];
        watts[face] = flux;
        for (double seconds : new double[] {10, 60, 180}) {
            double rise = gone(network, at(network, 20), watts, seconds, 0).celsius()[face] - 20;
            assertThat(rise)
                    .isCloseTo(2 * flux * Math.sqrt(seconds / (Math.PI * k * rhoC)), Percentage.withPercentage(1.5));
        }
    }

    @DataProvider
    Object[][] cases() {
        Object[][] cases = new Object[5][];
        for (int i = 0; i < cases.length; i++) {
            cases[i] = new Object[] {i};
        }
        return cases;
    }

    /** Nodes by chance, some without capacity, linked by all kinds of ways, as in a case. */
    private static HeatNetwork byChance(Random random) {
        HeatNetwork network = new HeatNetwork(random.nextDouble(-10, 40));
        int nodes = 3 + random.nextInt(25);
        IntPredicate empty = i -> random.nextInt(6) == 0;
        for (int i = 1; i <= nodes; i++) {
            network.node("n" + i, 0, empty.test(i) ? 0 : Math.exp(random.nextDouble(-2, 6)));
            int other = random.nextInt(i);
            network.link(way(random, i, other, other == 0 ? 3 : 2));
            if (random.nextBoolean()) {
                int another = random.nextInt(i);
                network.link(
                        another > 0 && random.nextBoolean()
                                ? new Link.Facing(i, another, 0.004, 0.8)
                                : way(random, i, another, another == 0 ? 5 : 2));
            }
        }
        return network;
    }

    /** One of the first kinds; what only radiates, or is air that leaves by vents, is nowhere in a case. */
    private static Link way(Random random, int from, int to, int kinds) {
        double area = Math.exp(random.nextDouble(-7, -3));
        return switch (random.nextInt(kinds)) {
            case 0 -> new Link.Fixed(from, to, Math.exp(random.nextDouble(-5, 1)));
            case 1 -> Link.Convection.of(from, to, area, Air.VERTICAL, 0.1, random.nextBoolean() ? 9 : 0, 5);
            case 2 -> Link.Outside.of(from, area, Air.FACING_UP, 0.1, 0.9);
            case 3 -> new Link.Facing(from, to, area, 0.8);
            default ->
                new Link.Chimney(
                        from,
                        to,
                        random.nextDouble(1e-5, 3e-4),
                        random.nextDouble(0.005, 0.05),
                        random.nextDouble(1e4));
        };
    }

    private static double[] heatByChance(Random random, int size) {
        double[] watts = new double[size];
        for (int i = 1; i < size; i++) {
            watts[i] = random.nextInt(3) == 0 ? random.nextDouble(0, 4) : 0;
        }
        return watts;
    }

    /** What is put in is taken up or given off, and after long the steady state is reached. */
    @Test(dataProvider = "cases")
    public void heatIsTakenUpOrGivenOffAndSettlesWhereItShould(int seed) {
        for (int i = 0; i < CASES / 5; i++) {
            Random random = new Random(seed * 1000L + i);
            HeatNetwork network = byChance(random);
            double[] start = at(network, random.nextDouble(-20, 60));
            double[] watts = heatByChance(random, network.size());
            Warming warming = gone(network, start, watts, random.nextDouble(60, 7200), 0);
            double storedJ = 0;
            double movedJ = warming.putInJ() + Math.abs(warming.givenOffJ());
            for (int node = 1; node < start.length; node++) {
                storedJ += network.capacity(node) * (warming.celsius()[node] - start[node]);
                movedJ += network.capacity(node) * Math.abs(warming.celsius()[node] - start[node]);
            }
            assertThat(storedJ + warming.givenOffJ())
                    .as("seed %d, case %d", seed, i)
                    .isCloseTo(warming.putInJ(), within(1e-3 * movedJ));
            double[] steady = network.settle(watts).celsius();
            double[] last = gone(network, start, watts, 3e6, 0).celsius();
            for (int node = 1; node < start.length; node++) {
                assertThat(last[node]).as("seed %d, case %d", seed, i).isCloseTo(steady[node], within(0.1));
            }
        }
    }

    @Test(dataProvider = "cases")
    public void halvedStepsChangeNothing(int seed) {
        for (int i = 0; i < CASES / 5; i++) {
            Random random = new Random(seed * 1000L + i);
            HeatNetwork network = byChance(random);
            double[] start = at(network, random.nextDouble(-20, 60));
            double[] watts = heatByChance(random, network.size());
            double seconds = random.nextDouble(10, 7200);
            double[] once = gone(network, start, watts, seconds, 0).celsius();
            double[] halved = gone(network, start, watts, seconds, 1).celsius();
            for (int node = 1; node < start.length; node++) {
                assertThat(once[node]).as("seed %d, case %d", seed, i).isCloseTo(halved[node], within(0.1));
            }
        }
    }
}
