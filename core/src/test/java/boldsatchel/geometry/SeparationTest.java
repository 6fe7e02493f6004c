package boldsatchel.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** How far bodies are apart, against closed forms and against many points. */
public class SeparationTest {

    private static Box box(Random random, double spread) {
        return new Box(
                spread * random.nextDouble(),
                spread * random.nextDouble(),
                spread * random.nextDouble(),
                1 + 30 * random.nextDouble(),
                1 + 30 * random.nextDouble(),
                1 + 30 * random.nextDouble());
    }

    private static double apart(Solid a, Solid b) {
        return Separation.between(a.pieces(), b.pieces());
    }

    @Test
    public void boxesAreAsFarApartOrAsDeepAsTheirCornersSay() {
        Random random = new Random(1);
        for (int i = 0; i < 4000; i++) {
            Box a = box(random, 40);
            Box b = box(random, 40);
            assertThat(apart(a, b)).as("%s %s", a, b).isCloseTo(a.signedDistance(b), within(1e-4));
        }
    }

    @Test
    public void boxesThatTouchOrShareASideOrLieInOneAnotherHaveAnAnswer() {
        Box a = new Box(0, 0, 0, 10, 20, 30);
        for (Box b : List.of(
                new Box(10, 0, 0, 5, 20, 30),
                new Box(10, 20, 30, 5, 5, 5),
                new Box(0, 0, 30, 10, 20, 1),
                new Box(2, 2, 2, 1, 1, 1),
                new Box(0, 0, 0, 10, 20, 30),
                new Box(0, 0, 0, 10, 20, 0),
                new Box(-5, -5, 12, 40, 40, 1),
                new Box(4, 5, 6, 0, 0, 0))) {
            assertThat(apart(a, b)).as("%s", b).isCloseTo(a.signedDistance(b), within(1e-4));
            assertThat(apart(b, a)).as("%s", b).isCloseTo(a.signedDistance(b), within(1e-4));
        }
    }

    /** Turned and moved together, nothing comes nearer. */
    @Test
    public void aPoseOfBothChangesNothing() {
        Random random = new Random(2);
        for (int i = 0; i < 500; i++) {
            Box a = box(random, 50);
            Box b = box(random, 50);
            Pose pose = Pose.about(
                            new Vec(3, 4, 5),
                            new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()),
                            360 * random.nextDouble())
                    .within(Pose.moved(new Vec(7, -3, 2)));
            double posed = Separation.between(
                    a.pieces().getFirst().posed(pose), b.pieces().getFirst().posed(pose));
            assertThat(posed).as("%s %s", a, b).isCloseTo(a.signedDistance(b), within(1e-3));
        }
    }

    @Test
    public void cylindersSideBySideAreApartAsTheirCirclesAre() {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            double r = 1 + 10 * random.nextDouble();
            double q = 1 + 10 * random.nextDouble();
            Vec there = new Vec(40 * random.nextDouble() - 20, 40 * random.nextDouble() - 20, 0);
            Cylinder a = Cylinder.upright(Vec.ZERO, r, 65);
            Cylinder b = Cylinder.upright(there, q, 65);
            double wanted = there.length() - r - q;
            // In one another they part sideways or, where that is longer, along their axis.
            assertThat(apart(a, b)).isCloseTo(Math.max(wanted, -65), within(5e-4));
        }
    }

    @Test
    public void aCylinderLiesOnABoxWithItsRoundSide() {
        Cylinder cell = new Cylinder(Axis.X, new Box(0, 0, 10, 65, 18, 18));
        assertThat(apart(cell, new Box(0, 0, 0, 65, 18, 10))).isCloseTo(0, within(1e-4));
        // Beside it the box around it would already touch; the round has room in the corner.
        Box corner = new Box(0, 18, 28, 65, 5, 5);
        assertThat(cell.bounds().signedDistance(corner)).isCloseTo(0, within(1e-9));
        assertThat(apart(cell, corner)).isCloseTo(9 * Math.sqrt(2) - 9, within(1e-3));
        assertThat(apart(cell, new Box(70, 0, 10, 5, 18, 18))).isCloseTo(5, within(1e-4));
    }

    /** Against the nearest of many points of both surfaces, which can only be further. */
    @Test
    public void nothingIsNearerThanTheNearestPointsSay() {
        Random random = new Random(4);
        for (int i = 0; i < 60; i++) {
            Convex a = posed(random, new Cylinder(Axis.Z, box(random, 10)));
            Convex b = posed(random, box(random, 60));
            double apart = Separation.between(a, b);
            if (apart < 1) {
                continue;
            }
            Separation.Near near = Separation.near(a, b);
            assertThat(near.mm()).isCloseTo(apart, within(1e-6));
            assertThat(near.onA().minus(near.onB()).length()).isCloseTo(apart, within(1e-3));
            // The plane across the way between both has one on either side: so nothing of them is nearer.
            Vec way = near.onB().minus(near.onA());
            double[] furthest = new double[3];
            a.furthest(way.x(), way.y(), way.z(), furthest);
            double reach = new Vec(furthest[0], furthest[1], furthest[2]).dot(way) / way.length();
            b.furthest(-way.x(), -way.y(), -way.z(), furthest);
            double begins = new Vec(furthest[0], furthest[1], furthest[2]).dot(way) / way.length();
            assertThat(begins - reach).isCloseTo(apart, within(1e-3));
        }
    }

    private static Convex posed(Random random, Solid solid) {
        Pose pose = Pose.about(
                Vec.ZERO,
                new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()),
                360 * random.nextDouble());
        return solid.pieces().getFirst().posed(pose);
    }

    /** The way out is enough: moved by it along some direction, they no longer meet; and none of many directions is shorter. */
    @Test
    public void theDepthIsTheShortestWayOut() {
        Random random = new Random(5);
        int looked = 0;
        while (looked < 40) {
            Convex a = posed(random, new Cylinder(Axis.Y, box(random, 10)));
            Convex b = posed(random, box(random, 10));
            double depth = -Separation.between(a, b);
            if (depth < 0.1) {
                continue;
            }
            looked++;
            double shortest = Double.POSITIVE_INFINITY;
            for (int k = 0; k < 4000; k++) {
                Vec way = new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
                shortest = Math.min(shortest, overlapAlong(a, b, way.times(1 / way.length())));
            }
            assertThat(depth).isBetween(0.9 * shortest - 0.3, shortest + 1e-3);
        }
    }

    private static double overlapAlong(Convex a, Convex b, Vec way) {
        double[] at = new double[3];
        a.furthest(way.x(), way.y(), way.z(), at);
        double reach = new Vec(at[0], at[1], at[2]).dot(way);
        b.furthest(-way.x(), -way.y(), -way.z(), at);
        return reach - new Vec(at[0], at[1], at[2]).dot(way);
    }

    /** An L of plywood: a block in its notch is free, though the box around the L holds it. */
    @Test
    public void anOutlineLeavesItsNotchFree() {
        Prism ell = new Prism(
                Axis.Z,
                List.of(
                        new Flat(0, 0),
                        new Flat(60, 0),
                        new Flat(60, 20),
                        new Flat(20, 20),
                        new Flat(20, 60),
                        new Flat(0, 60)),
                0,
                4);
        assertThat(ell.volume()).isCloseTo((60 * 20 + 20 * 40) * 4, within(1e-9));
        assertThat(ell.bounds()).isEqualTo(new Box(0, 0, 0, 60, 60, 4));
        assertThat(ell.signedDistance(new Box(23, 24, 0, 30, 30, 4))).isCloseTo(3, within(1e-4));
        assertThat(ell.signedDistance(new Box(15, 15, 1, 30, 30, 1))).isCloseTo(-2, within(1e-4));
        assertThat(over(ell, 40, 40)).isEmpty();
        assertThat(over(ell, 10, 40)).containsExactly(0, 4);
        // Along its edge a line goes in and out of both legs.
        assertThat(ell.crossed(new Vec(-10, 50, 1), new Vec(5, 0, 0))).containsExactly(2, 6);
        assertThat(ell.crossed(new Vec(55, -10, 2), new Vec(-1, 1, 0))).containsExactly(10, 30, 35, 55);
    }

    /** Stars have many notches: their pieces fill them exactly, and a point is in one of them just where it is in the star. */
    @Test
    public void piecesOfAnOutlineAreTheOutline() {
        Random random = new Random(6);
        for (int n = 0; n < 40; n++) {
            List<Flat> star = new ArrayList<>();
            int corners = 5 + random.nextInt(40);
            for (int i = 0; i < corners; i++) {
                double angle = 2 * Math.PI * i / corners;
                double radius = 10 + 30 * random.nextDouble();
                star.add(new Flat(radius * Math.cos(angle), radius * Math.sin(angle)));
            }
            assertThat(Outlines.isSimple(star)).isTrue();
            List<List<Flat>> pieces = Outlines.convex(star);
            assertThat(pieces.stream().mapToDouble(Outlines::area).sum()).isCloseTo(Outlines.area(star), within(1e-6));
            assertThat(pieces.size()).isLessThan(corners - 1);
            for (int i = 0; i < 50; i++) {
                double x = 80 * random.nextDouble() - 40;
                double y = 80 * random.nextDouble() - 40;
                assertThat(pieces.stream().anyMatch(p -> Outlines.holds(p, x, y)))
                        .isEqualTo(Outlines.holds(star, x, y));
            }
        }
    }

    @Test
    public void turnsAndStretchesKeepWhatTheyShould() {
        Random random = new Random(7);
        List<Solid> solids = List.of(
                new Box(1, 2, 3, 10, 20, 30),
                new Cylinder(Axis.Y, new Box(1, 2, 3, 10, 20, 30)),
                new Prism(Axis.X, List.of(new Flat(0, 0), new Flat(9, 1), new Flat(3, 8)), 2, 5));
        for (Solid solid : solids) {
            for (Face up : Face.ALL) {
                for (int turns = 0; turns < 4; turns++) {
                    Orientation orientation = new Orientation(up, turns);
                    Pose pose = Pose.square(orientation, Vec.ZERO);
                    Solid turned = solid.posed(pose);
                    Box bounds = turned.bounds();
                    assertThat(bounds).isEqualTo(orientation.turn(solid.bounds()));
                    assertThat(turned.volume()).isCloseTo(solid.volume(), within(1e-9));
                    Solid other = new Box(40 * random.nextDouble(), 30, -20, 5, 6, 7);
                    assertThat(turned.signedDistance(other.posed(pose)))
                            .isCloseTo(solid.signedDistance(other), within(2e-3));
                    Box wanted = new Box(-3, 4, 5, 7, 11, 13);
                    Box fitted = turned.fitting(wanted).bounds();
                    assertThat(fitted.lowCorner().minus(wanted.lowCorner()).length())
                            .isLessThan(1e-9);
                    assertThat(fitted.highCorner().minus(wanted.highCorner()).length())
                            .isLessThan(1e-9);
                }
            }
        }
    }

    @Test
    public void posesGoThereAndBack() {
        Random random = new Random(8);
        for (int i = 0; i < 200; i++) {
            Orientation orientation = new Orientation(Face.ALL.get(random.nextInt(6)), random.nextInt(4));
            Vec p = new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
            Pose square = Pose.square(orientation, new Vec(5, 6, 7));
            assertThat(square.isSquare()).isTrue();
            assertThat(square.apply(p)
                            .minus(orientation.turn(p).plus(new Vec(5, 6, 7)))
                            .length())
                    .isLessThan(1e-12);
            Pose leaning = square.within(Pose.about(new Vec(1, 2, 3), new Vec(1, 1, 0), 33));
            assertThat(leaning.isSquare()).isFalse();
            assertThat(leaning.back().apply(leaning.apply(p)).minus(p).length()).isLessThan(1e-12);
            Box box = box(random, 20);
            Box around = leaning.around(box);
            Box exact = Convex.of(box.corners().stream().map(leaning::apply).toList())
                    .bounds();
            assertThat(around.lowCorner().minus(exact.lowCorner()).length()).isLessThan(1e-9);
        }
        assertThat(Pose.about(Vec.ZERO, new Vec(0, 0, 2), 90).apply(new Vec(1, 0, 0)))
                .isEqualTo(new Vec(0, 1, 0));
    }

    /** What stands above a point is what a line straight up meets, whatever way the solid lies. */
    @Test
    public void aCoreIsDrilledThroughWhatIsThere() {
        Cylinder lying = new Cylinder(Axis.X, new Box(0, 0, 0, 65, 18, 18));
        assertThat(over(lying, 30, 9)).containsExactly(0, 18);
        assertThat(over(lying, 30, 0)[0]).isCloseTo(9, within(1e-9));
        assertThat(over(lying, 66, 9)).isEmpty();
        assertThat(over(Cylinder.upright(new Vec(9, 9, 0), 9, 65), 1, 1)).isEmpty();
        Prism wedge = new Prism(Axis.Y, List.of(new Flat(0, 0), new Flat(10, 0), new Flat(10, 5)), 0, 20);
        assertThat(over(wedge, 4, 10)).containsExactly(0, 2);
        assertThat(over(wedge, 4, 21)).isEmpty();
    }

    private static double[] over(Solid solid, double x, double y) {
        return solid.crossed(new Vec(x, y, 0), new Vec(0, 0, 1));
    }

    /** A line is inside just where a point of it touches the solid. */
    @Test
    public void aLineIsInsideWhereItsPointsAre() {
        Random random = new Random(9);
        List<Solid> solids = List.of(
                new Box(1, 2, 3, 10, 20, 30),
                new Cylinder(Axis.Y, new Box(1, 2, 3, 10, 20, 30)),
                new Prism(Axis.X, List.of(new Flat(0, 0), new Flat(20, 0), new Flat(8, 8), new Flat(0, 30)), 2, 15));
        int inside = 0;
        for (int i = 0; i < 600; i++) {
            Solid solid = solids.get(i % 3);
            Vec from = new Vec(20 * random.nextDouble() - 4, 20 * random.nextDouble(), 20 * random.nextDouble());
            Vec way = new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
            double[] crossed = solid.crossed(from, way);
            for (double t = -8; t < 8; t += 0.37) {
                boolean within = false;
                for (int k = 0; k < crossed.length; k += 2) {
                    within |= t >= crossed[k] && t <= crossed[k + 1];
                }
                Vec at = from.plus(way.times(t));
                double apart = solid.signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0));
                inside += within ? 1 : 0;
                if (Math.abs(apart) > 1e-3) {
                    assertThat(within).as("%s at %s", solid, at).isEqualTo(apart < 0);
                }
            }
        }
        assertThat(inside).isGreaterThan(1000);
    }

    /** A body that turns a little comes nearer by a little at most: no step of the search ever loses its way. */
    @Test
    public void distancesDoNotJump() {
        Random random = new Random(10);
        for (int k = 0; k < 300; k++) {
            Convex bar = new Box(20 * random.nextDouble(), 60, 40, 120, 8.6, 3.3)
                    .pieces()
                    .getFirst();
            Convex other = new Cylinder(
                            Axis.ALL.get(random.nextInt(3)), new Box(102 * random.nextDouble(), 68.7, 0, 60, 9.1, 46.4))
                    .pieces()
                    .getFirst();
            double last = Double.NaN;
            for (double angle = 0; angle < 15; angle += 0.1) {
                Pose pose = Pose.about(new Vec(0, 101, 30), new Vec(-1, 0, 0), angle);
                double now = Separation.between(bar.posed(pose), other);
                if (!Double.isNaN(last)) {
                    // Nothing of the bar is further than 50 mm from the axis.
                    assertThat(Math.abs(now - last)).isLessThan(50 * Math.toRadians(0.1) + 1e-3);
                }
                last = now;
            }
        }
    }
}
