package boldsatchel.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class SweptTest {

    private static final int STEPS = 400;

    /** An outline that is a triangle, thick along x. */
    private static Solid wedge(double at) {
        return new Prism(Axis.X, List.of(new Flat(at, at), new Flat(at + 9, at), new Flat(at, at + 6)), at, 5);
    }

    /** Whatever the shape and the side: it is met where some place on its way is in it, and not where none is. */
    @Test
    public void whatIsInTheWayIsWhatIsMetInSomePlaceOnIt() {
        Random random = new Random(7);
        int met = 0;
        for (int i = 0; i < 300; i++) {
            Solid mover = shape(random);
            Solid other = shape(random);
            Face way = Face.ALL.get(random.nextInt(6));
            double mm = 5 + 20 * random.nextDouble();
            double deepest = 0;
            for (int step = 0; step <= STEPS; step++) {
                Solid there = mover.moved(Vec.on(way.axis(), way.sign() * mm * step / STEPS));
                deepest = Math.max(deepest, -there.signedDistance(other));
            }
            boolean says = new Swept(mover, way, mm).meets(other, 0.01);
            // Between two steps nothing deeper than one of them is passed over.
            if (deepest > 0.02) {
                assertThat(says).as("%s %s %s", mover, way, other).isTrue();
                met++;
            } else if (deepest == 0) {
                assertThat(new Swept(mover, way, mm).meets(other, mm / STEPS))
                        .as("%s %s %s", mover, way, other)
                        .isFalse();
            }
        }
        assertThat(met).isBetween(30, 270);
    }

    /** What tells in front whether bodies have to be looked at says what the boxes about them say. */
    @Test
    public void theBoxAboutItReachesAnotherAsDeepAsTheirDistanceSays() {
        Random random = new Random(11);
        int reached = 0;
        for (int i = 0; i < 3000; i++) {
            Swept swept =
                    new Swept(shape(random), Face.ALL.get(random.nextInt(6)), random.nextInt(3) * random.nextDouble());
            // Thin ones lie inside others without being deep in them.
            Box thin = new Box(0, 0, 0, 6, 6, random.nextInt(2) * 6.0)
                    .moved(shape(random).bounds().lowCorner());
            double deeper = random.nextInt(2) * random.nextDouble();
            boolean says = swept.reaches(thin, deeper);
            assertThat(says).as("%s %s", swept, thin).isEqualTo(swept.bounds().signedDistance(thin) < -deeper);
            reached += says ? 1 : 0;
        }
        assertThat(reached).isBetween(100, 2900);
    }

    private static Solid shape(Random random) {
        double at = 20 * random.nextDouble();
        Vec by = new Vec(20 * random.nextDouble(), 20 * random.nextDouble(), 20 * random.nextDouble());
        Box box =
                new Box(0, 0, 0, 2 + 6 * random.nextDouble(), 2 + 6 * random.nextDouble(), 2 + 6 * random.nextDouble());
        return switch (random.nextInt(3)) {
            case 0 -> box.moved(by);
            case 1 -> new Cylinder(Axis.ALL.get(random.nextInt(3)), box).moved(by);
            default -> wedge(at);
        };
    }
}
