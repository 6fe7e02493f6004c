package boldsatchel.fit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

/** What hits what on the way between postures, by hand and against small steps. */
public class SweepTest {

    private static Part solid(String id, Solid solid) {
        Box b = solid.bounds();
        Part block = Samples.part(id, Family.MECHANICS, b.dx(), b.dy(), b.dz(), 10);
        Body body = block.body();
        return block.withBody(new Body(
                body.widthMm(),
                body.depthMm(),
                body.heightMm(),
                List.of(solid.moved(Vec.ZERO.minus(b.lowCorner()))),
                List.of(),
                List.of(),
                Optional.empty()));
    }

    private static Shell tray(String id, double w, double d, double h) {
        return Samples.tray(id, w, d, h, exact(1), Material.PLASTIC, true);
    }

    private static Posture open(String name, String joint, double amount) {
        return new Posture(name, Posture.Held.HANDS, true, List.of(new Posture.Setting(joint, amount)));
    }

    private static Posture shut() {
        return new Posture("closed", Posture.Held.HANDS, false, List.of());
    }

    private static Build build(Casing casing, List<Part> parts, List<Placement> placements) {
        return Build.empty("sweep").with(casing).with(new Parts(parts)).with(new Layout(placements));
    }

    private static Placement at(String part, String shell, double x, double y, double z) {
        return new Placement(part, shell, new Vec(x, y, z), Orientation.AS_DRAWN, Set.of());
    }

    /** A lid on a base, its axis at the outer edge of both back walls, where nothing hits. */
    private static Casing clamshell(double opens, double used) {
        return clamshell(12, opens, used);
    }

    private static Casing clamshell(double deep, double opens, double used) {
        Joint hinge = Joint.lid("base", "lid", new Vec(0, 101, 30), new Vec(0, -1, deep), opens, exact(1));
        return Casing.of(List.of(tray("base", 200, 100, 30), tray("lid", 200, 100, deep)), exact(0))
                .withJoint(hinge)
                .withPostures(List.of(shut(), open("open", "hinge", used)));
    }

    @Test
    public void aLidWithItsAxisAtTheOuterEdgeOpensFreely() {
        FitResult fit = FitEngine.evaluate(build(clamshell(180, 175), List.of(), List.of()));
        assertThat(fit.hits()).isEmpty();
        assertThat(fit.clashes()).isEmpty();
    }

    /** With its axis half a millimetre inside, the upper edge of the base's wall stands in the way of the lid that lies back. */
    @Test
    public void anAxisInsideTheWallScrapes() {
        Casing casing = clamshell(180, 175);
        Joint hinge = Joint.lid("base", "lid", new Vec(0, 100.5, 30), new Vec(0, -0.5, 12), 180, exact(1));
        FitResult fit = FitEngine.evaluate(build(casing.withJoint(hinge), List.of(), List.of()));
        assertThat(fit.hits()).singleElement().satisfies(h -> {
            assertThat(h.a()).isEqualTo("lid");
            assertThat(h.b()).isEqualTo("base");
            assertThat(h.depthMm()).isBetween(0.3, 1.0);
        });
        assertThat(fit.tightest().orElseThrow().nominal()).isNegative();
    }

    /**
     * By hand, about the axis: a bar in the lid, 38 to 42 mm before it and 4 mm high, swings up against a post of which the front face is 35 mm
     * before it and which is 17 mm higher. The bar's upper inner edge, √(38² + 4²) = 38.21 mm out and 6.01° up, comes to that face where cos =
     * 35/38.21: at 23.65°, so after 17.64°, and 15.3 mm up, below the post's end.
     */
    @Test
    public void whatSwingsAgainstAPostIsFoundWhereItTouches() {
        Casing casing = clamshell(20, 170, 100);
        Part bar = solid("bar", new Box(0, 0, 0, 200, 4, 4));
        Part post = solid("post", new Box(0, 0, 0, 10, 5, 47));
        Build build =
                build(casing, List.of(bar, post), List.of(at("bar", "lid", 0, 37, 16), at("post", "base", 50, 66, 0)));
        FitResult fit = FitEngine.evaluate(build);
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.hits()).singleElement().satisfies(h -> {
            assertThat(h.a()).isEqualTo("bar");
            assertThat(h.b()).isEqualTo("post");
            assertThat(h.from()).isEqualTo("closed");
            assertThat(h.to()).isEqualTo("open");
            assertThat(h.amount()).isCloseTo(17.64, within(0.15));
        });
        assertThat(fit.nearest().orElseThrow().where().posture()).isEqualTo("closed to open");
        Build lower = build.with(solid("post", new Box(0, 0, 0, 10, 5, 44)));
        assertThat(FitEngine.evaluate(lower).hits())
                .as("14 mm high it is out of the way")
                .isEmpty();
    }

    /** A drawer comes out to the front and meets a post that stands before the machine's other tray. */
    @Test
    public void aDrawerHitsWhatStandsInItsWay() {
        Shell base = tray("base", 200, 100, 60);
        Shell drawer = tray("drawer", 80, 60, 20);
        Joint slide = new Joint(
                "slide",
                "Drawer",
                "base",
                "drawer",
                new Vec(20, 30, 2),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Sliding(new Vec(0, -2, 0), 50, exact(3)));
        Casing casing = Casing.of(List.of(base, drawer), exact(0))
                .withJoint(slide)
                .withPostures(List.of(shut(), open("out", "slide", 25)));
        Part post = solid("post", Cylinder.upright(new Vec(5, 5, 0), 5, 30));
        FitResult fit = FitEngine.evaluate(build(casing, List.of(post), List.of(at("post", "base", 50, 5, 0))));
        // Its front wall is 1 mm thick and begins at 29 mm; the post ends at 15 mm.
        assertThat(fit.hits())
                .filteredOn(h -> h.b().equals("post"))
                .singleElement()
                .satisfies(h -> assertThat(h.amount()).isCloseTo(14, within(0.15)));
        // At 25 mm its wall is at 4 mm: 10 mm of post would be inside, or in its own tray, and its way out is forwards.
        assertThat(fit.clashes()).anyMatch(c -> c.where().posture().equals("out"));
    }

    /** A leg that swings down under the table is told, on the way and in the posture. */
    @Test
    public void whatReachesBelowTheTableIsTold() {
        Joint hinge = Joint.lid("base", "lid", new Vec(0, 101, 30), new Vec(0, -1, 12), 300, exact(1));
        Casing casing = Casing.of(List.of(tray("base", 200, 100, 30), tray("lid", 200, 100, 12)), exact(0))
                .withJoint(hinge)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture("back", Posture.Held.TABLE, true, List.of(new Posture.Setting("hinge", 220)))));
        FitResult fit = FitEngine.evaluate(build(casing, List.of(), List.of()));
        assertThat(fit.below()).singleElement().satisfies(b -> {
            assertThat(b.subject()).isEqualTo("lid");
            // The far edge of the lid, 102 mm from the axis, which is 31 mm over the table, and its floor behind it.
            assertThat(b.byMm()).isGreaterThan(102 * Math.sin(Math.toRadians(40)) - 31);
        });
        assertThat(fit.hits()).anyMatch(h -> h.b().equals(FitResult.TABLE));
        FitResult higher =
                FitEngine.evaluate(build(casing.withFeet(Optional.of(new Casing.Feet(5, 60))), List.of(), List.of()));
        assertThat(higher.below()).isEmpty();
    }

    /** Random lids with random things in both halves, moved in quarter degrees: what meets is found, and nothing else. */
    @Test
    public void everyHitIsFoundThatSmallStepsFind() {
        int hits = 0;
        for (int seed = 0; seed < 120; seed++) {
            Random random = new Random(seed);
            Casing casing = clamshell(25, 170, 60 + 100 * random.nextDouble());
            List<Part> parts = new ArrayList<>();
            List<Placement> placements = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                Box box = new Box(0, 0, 0, 60, 5 + 15 * random.nextDouble(), 35 + 15 * random.nextDouble());
                boolean square = random.nextBoolean();
                parts.add(solid("p" + i, square ? box : new Cylinder(Axis.ALL.get(random.nextInt(3)), box)));
                placements.add(at("p" + i, "base", 10 + 100 * random.nextDouble(), 20 + 55 * random.nextDouble(), 0));
            }
            // In the lid close before one of them, where they may meet on the way.
            for (int i = 4; i < 6; i++) {
                double front = placements.get(random.nextInt(4)).at().y();
                double deep = 3 + 12 * random.nextDouble();
                Box box = new Box(0, 0, 0, 120, deep, 3 + 3 * random.nextDouble());
                parts.add(solid("p" + i, random.nextBoolean() ? box : new Cylinder(Axis.X, box)));
                placements.add(
                        at("p" + i, "lid", 20, 100 - front + 3 * random.nextDouble(), 10 + 12 * random.nextDouble()));
            }
            Build build = build(casing, parts, placements);
            FitResult fit = FitEngine.evaluate(build);
            for (int i = 0; i < 4; i++) {
                for (int j = 4; j < 6; j++) {
                    hits += check(build, fit, "p" + j, "p" + i);
                }
            }
        }
        assertThat(hits).isGreaterThan(15);
    }

    /** One pair in steps of a quarter of a degree; 1 where they hit. */
    private static int check(Build build, FitResult fit, String moving, String still) {
        Placed a = fit.placed(moving).orElseThrow();
        Placed b = fit.placed(still).orElseThrow();
        Joint hinge = build.casing().lid().orElseThrow();
        double end = build.casing().inUse().amount(hinge);
        double first = Double.NaN;
        double deepest = 0;
        double atStart = 0;
        for (double angle = 0; angle <= end; angle += 0.25) {
            double depth = -apart(a, hinge.pose(angle), b);
            atStart = angle == 0 ? depth : atStart;
            first = Double.isNaN(first) && depth > 0.05 ? angle : first;
            deepest = Math.max(deepest, depth);
        }
        Optional<FitResult.Hit> hit = fit.hits().stream()
                .filter(h -> h.a().equals(moving) && h.b().equals(still))
                .findFirst();
        if (atStart > FitEngine.CONTACT_MM) {
            return 0;
        }
        if (deepest > 0.2) {
            assertThat(hit).as("%s %s %s", moving, still, deepest).isPresent();
            double at = hit.orElseThrow().amount();
            assertThat(at).isLessThan(first + 0.25);
            assertThat(apart(a, hinge.pose(at), b)).as("just in one another").isBetween(-0.3, 0.0);
            assertThat(hit.orElseThrow().depthMm()).isCloseTo(deepest, within(0.5));
            return 1;
        }
        if (deepest <= 0) {
            assertThat(hit).as("%s %s", moving, still).isEmpty();
        }
        return 0;
    }

    private static double apart(Placed moving, Pose pose, Placed still) {
        return Shape.of(moving.solids(), pose)
                .to(Shape.of(still.solids(), Pose.NONE))
                .mm();
    }
}
