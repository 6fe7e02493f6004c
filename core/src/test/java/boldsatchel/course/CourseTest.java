package boldsatchel.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** The integrator against closed forms. */
public class CourseTest {

    private static final Course.Listener<Seen> NOBODY = (hours, from, before, to, after) -> {};

    private record Seen(boolean stops, int mode) implements Course.Sight {
        static final Seen NOTHING = new Seen(false, 0);
    }

    @Test
    public void aNumberThatSettlesFollowsItsExponentialExactly() {
        Course.Motion<Seen> settles = (x, rate) -> {
            rate[0] = -3 * (x[0] - 0.2);
            return Seen.NOTHING;
        };
        double[] x = {1};
        assertThat(new Course(0, 1, 10).go(settles, x, 1.7, NOBODY).hours()).isEqualTo(1.7);
        assertThat(x[0]).isCloseTo(0.2 + 0.8 * Math.exp(-3 * 1.7), within(1e-12));
    }

    @Test
    public void aNumberThatSettlesBetweenLinesRestsThereForEver() {
        Random random = new Random(3);
        for (int k = 0; k < 300; k++) {
            // Roots that no number is exactly: what is left of the rate there is never nought.
            double slope = random.nextDouble(0.01, 50);
            double in = slope * random.nextDouble(0.05, 0.95);
            Course.Motion<Seen> settles = (x, rate) -> {
                rate[0] = in - slope * x[0] + Math.pow(in / slope - x[0], 3);
                return Seen.NOTHING;
            };
            double[] x = {k % 2};
            Course.Leg<Seen> leg = new Course(0, 1, 10).go(settles, x, Double.POSITIVE_INFINITY, NOBODY);
            assertThat(leg.hours()).isInfinite();
            assertThat(leg.last().stops()).isFalse();
            assertThat(x[0]).isCloseTo(in / slope, within(1e-7));
        }
    }

    @Test
    public void stepsLandOnTheLinesOfTheGridSoThatABendBetweenThemIsExact() {
        // From 1 to ½ at a rate of 1, then decaying: ½·e^(−2t) from there on.
        Course.Motion<Seen> bent = (x, rate) -> {
            rate[0] = x[0] > 0.5 ? -1 : -2 * x[0];
            return Seen.NOTHING;
        };
        List<Double> seen = new ArrayList<>();
        double[] x = {1};
        new Course(0, 1, 4).go(bent, x, 1.5, (hours, from, before, to, after) -> seen.add(to[0]));
        assertThat(seen.subList(0, 3)).containsExactly(0.75, 0.5, 0.25);
        assertThat(x[0]).isCloseTo(0.5 * Math.exp(-2 * 1), within(1e-12));
    }

    /** Two numbers that settle against one another a thousand times quicker than they fall: sum and difference are exponentials. */
    @Test
    public void stiffPairsStayOnTheirSlowWay() {
        Course.Motion<Seen> pair = (x, rate) -> {
            rate[0] = -100 * (x[0] - x[1]) - 0.1 * x[0];
            rate[1] = -100 * (x[1] - x[0]) - 0.1 * x[1];
            return Seen.NOTHING;
        };
        double[] x = {1, 0.5};
        int[] steps = {0};
        new Course(0, 1, 40).go(pair, x, 5, (hours, from, before, to, after) -> steps[0]++);
        assertThat(x[0] + x[1]).isCloseTo(1.5 * Math.exp(-0.5), within(1e-4));
        assertThat(x[0] - x[1]).isCloseTo(0, within(1e-4));
        assertThat(steps[0]).isLessThan(200);
    }

    @Test
    public void aStopIsFoundWhereItIsAndTheStateLeftJustBefore() {
        Course.Motion<Seen> falls = (x, rate) -> {
            rate[0] = -0.25;
            return new Seen(x[0] < 0.3333, 0);
        };
        double[] x = {1};
        Course.Leg<Seen> leg = new Course(0, 1, 10).go(falls, x, Double.POSITIVE_INFINITY, NOBODY);
        assertThat(leg.last().stops()).isTrue();
        assertThat(x[0]).isBetween(0.3333, 0.33333);
        assertThat(leg.hours()).isCloseTo((1 - 0.3333) / 0.25, within(1e-4));
    }

    @Test
    public void aMotionThatTurnsIntoAnotherIsFollowedFromThereOn() {
        Course.Motion<Seen> turns = (x, rate) -> {
            boolean late = x[0] <= 0.45;
            rate[0] = late ? -0.1 : -1;
            return new Seen(false, late ? 1 : 0);
        };
        double[] x = {1};
        new Course(0, 1, 3).go(turns, x, 1, NOBODY);
        assertThat(x[0]).isCloseTo(0.45 - 0.1 * (1 - 0.55), within(1e-4));
    }

    @Test
    public void whatRestsLetsTheTimePass() {
        Course.Motion<Seen> rests = (x, rate) -> Seen.NOTHING;
        double[] x = {0.4};
        Course course = new Course(0, 1, 10);
        assertThat(course.go(rests, x, 3, NOBODY).hours()).isEqualTo(3);
        assertThat(course.go(rests, x, Double.POSITIVE_INFINITY, NOBODY).hours())
                .isInfinite();
        assertThat(x[0]).isEqualTo(0.4);
    }

    @Test
    public void aRateThatIsNoNumberIsToldRatherThanTakenForRest() {
        Course.Motion<Seen> lost = (x, rate) -> {
            rate[0] = Double.NaN;
            return Seen.NOTHING;
        };
        assertThatThrownBy(() -> new Course(0, 1, 10).go(lost, new double[] {0.9}, 1, NOBODY))
                .isInstanceOf(NoEnd.class)
                .hasMessageContaining("no rate that is a number");
    }

    @Test
    public void aMotionThatFluttersIsGivenUpInWords() {
        Course.Motion<Seen> flutters = (x, rate) -> {
            rate[0] = x[0] > 0.5 ? -1e6 : 1e6;
            return Seen.NOTHING;
        };
        assertThatThrownBy(() -> new Course(0, 1, 10).go(flutters, new double[] {0.9}, 1, NOBODY))
                .isInstanceOf(NoEnd.class)
                .hasMessageContaining("comes to no end");
    }
}
