package boldsatchel.fit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.Samples;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

/** Where things meet: by hand, and looked at again in heaps, demos and machines thrown together. */
public class PlacesTest {

    private static final Offset<Double> ROUND = within(2 * Separation.EXACT_MM);

    private static Placement at(String part, String shell, double x, double y, double z) {
        return new Placement(part, shell, new Vec(x, y, z), Orientation.AS_DRAWN, Set.of());
    }

    private static Build build(Casing casing, List<Placement> placements, double[]... sizes) {
        return Build.empty("places")
                .with(casing)
                .with(new Parts(IntStream.range(0, sizes.length)
                        .mapToObj(i -> Samples.part(
                                placements.get(i).part(), Family.MECHANICS, sizes[i][0], sizes[i][1], sizes[i][2], 10))
                        .toList()))
                .with(new Layout(placements));
    }

    private static Shell tray(String id, double w, double d, double h) {
        return Samples.tray(id, w, d, h, exact(2), Material.PLASTIC, true);
    }

    private static Places.Place tightest(Build build) {
        FitResult fit = FitEngine.evaluate(build);
        return new Places(build, fit).of(fit.nearest().orElseThrow()).orElseThrow();
    }

    /** Two boxes 3 mm apart, beside one another from y = 14 to 20 and z = 5 to 8. */
    @Test
    public void aGapIsInTheMiddleOfWhatFacesEachOther() {
        Build build = build(
                Casing.of(List.of(tray("tray", 100, 60, 30)), exact(0)),
                List.of(at("left", "tray", 10, 10, 5), at("right", "tray", 33, 14, 4)),
                new double[] {20, 10, 10},
                new double[] {20, 30, 4});
        assertThat(tightest(build)).isEqualTo(new Places.Place("tray", new Vec(30, 17, 6.5), new Vec(33, 17, 6.5)));
    }

    /** One 2 mm in the other, and one through the left wall by 4 mm. */
    @Test
    public void whatIsInTheSamePlaceHasOnePointAndAWallWhatIsBeyondIt() {
        Build build = build(
                Casing.of(List.of(tray("tray", 100, 60, 30)), exact(0)),
                List.of(at("left", "tray", 10, 10, 5), at("right", "tray", 28, 14, 4)),
                new double[] {20, 10, 10},
                new double[] {20, 30, 4});
        assertThat(tightest(build)).isEqualTo(new Places.Place("tray", new Vec(29, 17, 6.5), new Vec(29, 17, 6.5)));
        Build through = build(
                Casing.of(List.of(tray("tray", 100, 60, 30)), exact(0)),
                List.of(at("left", "tray", -4, 10, 5)),
                new double[] {20, 10, 10});
        assertThat(tightest(through)).isEqualTo(new Places.Place("tray", new Vec(-4, 15, 10), new Vec(0, 15, 10)));
    }

    /**
     * A block over the front of a drawer, from y = 50 on, comes when it is 6 mm out to a post that ends at 44.
     */
    @Test
    public void whatHitsOnTheWayHasThePlaceWhereItFirstDoes() {
        Joint slide = new Joint(
                "slide",
                "Drawer",
                "base",
                "drawer",
                new Vec(20, 50, 5),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Sliding(new Vec(0, -1, 0), 50, exact(3)));
        Casing casing = Casing.of(List.of(tray("base", 200, 120, 60), tray("drawer", 80, 60, 20)), exact(0))
                .withJoint(slide)
                .withPostures(List.of(
                        new Posture("shut", Posture.Held.HANDS, false, List.of()),
                        new Posture("out", Posture.Held.HANDS, true, List.of(new Posture.Setting("slide", 40)))));
        Build build = build(
                casing,
                List.of(at("block", "drawer", 10, 0, 25), at("post", "base", 40, 20, 0)),
                new double[] {30, 10, 10},
                new double[] {10, 24, 50});
        FitResult fit = FitEngine.evaluate(build);
        FitResult.Hit hit = fit.hits().stream()
                .filter(h -> h.a().equals("block"))
                .findFirst()
                .orElseThrow();
        assertThat(hit.amount()).isCloseTo(6, within(0.05));
        Places.Place place = new Places(build, fit).of(hit).orElseThrow();
        assertThat(place.tray()).isEqualTo("base");
        assertThat(place.onA().y()).isCloseTo(44, within(0.05));
        assertThat(place.onA().x()).isBetween(40.0, 50.0);
        assertThat(place.onA().z()).isBetween(30.0, 40.0);
    }

    @Test
    public void inHeapsEachPlaceIsOfBothAndAsFarAsTold() {
        int met = 0;
        for (int seed = 0; seed < 120; seed++) {
            Build build = RandomPackingTest.heap(new Random(seed), 40, 4, seed % 2 == 0 ? 14 : 50);
            met += eachIsOfBoth(build);
        }
        assertThat(met).isGreaterThan(5_000);
    }

    @Test
    public void inMachinesEachPlaceIsOfBothAndAsFarAsTold() {
        int met = Stream.concat(
                        Library.DEMOS.stream().map(demo -> Library.demo(demo).orElseThrow()),
                        IntStream.range(0, 300).mapToObj(RandomBuilds::joined))
                .mapToInt(PlacesTest::eachIsOfBoth)
                .sum();
        assertThat(met).isGreaterThan(1_000);
    }

    /** Looks at every meeting of a build; how many there are. */
    private static int eachIsOfBoth(Build build) {
        FitResult fit = FitEngine.evaluate(build);
        Places places = new Places(build, fit);
        for (FitResult.Meeting meeting : fit.meetings()) {
            Places.Place place = places.of(meeting).orElseThrow();
            String what = build.name() + " " + meeting;
            double apart = place.onA().minus(place.onB()).length();
            switch (meeting) {
                case FitResult.Gap g -> {
                    assertThat(apart).as(what).isCloseTo(g.gapMm(), within(FitEngine.CONTACT_MM));
                    isOf(build, fit, g.a(), g.where(), place.onA());
                    isOf(build, fit, g.b(), g.where(), place.onB());
                }
                case FitResult.Clash c -> {
                    assertThat(apart).as(what).isCloseTo(0, ROUND);
                    isOf(build, fit, c.a(), c.where(), place.onA());
                    isOf(build, fit, c.b(), c.where(), place.onB());
                }
                case FitResult.Outside o -> {
                    assertThat(apart).as(what).isCloseTo(o.byMm(), ROUND);
                    isOf(build, fit, o.part(), o.where(), place.onA());
                }
                case FitResult.Below b -> {
                    assertThat(apart).as(what).isCloseTo(b.byMm(), ROUND);
                    assertThat(place.onB().z()).isCloseTo(build.casing().tableZ(), ROUND);
                }
                case FitResult.Hit h -> assertThat(apart).as(what).isLessThan(0.2);
            }
        }
        return fit.meetings().size();
    }

    /** A point is on a part or in it, or on what of a tray can be hit. */
    private static void isOf(Build build, FitResult fit, String id, FitResult.Where where, Vec point) {
        Optional<Placed> part = fit.placed(id);
        Shell shell = part.map(Placed::shell).orElseGet(() -> build.shell(id).orElseThrow());
        Pose pose = build.casing().looks().stream()
                .filter(p -> p.name().equals(where.posture()))
                .findFirst()
                .map(p -> build.casing().pose(shell.id(), p))
                .orElse(Pose.NONE);
        Vec there = pose.back().apply(point);
        List<Solid> solids = part.map(Placed::solids)
                .orElseGet(
                        () -> Stream.<Solid>concat(Trays.solidsWithFloor(shell).stream(), Trays.walls(shell).stream())
                                .toList());
        Convex dot = Convex.of(List.of(there));
        double off = solids.stream()
                .flatMap(s -> s.pieces().stream())
                .mapToDouble(piece -> Separation.between(dot, piece))
                .min()
                .orElseThrow();
        // The wall is where the room ends, openings and all.
        boolean onWall = part.isEmpty()
                && Face.ALL.stream()
                        .anyMatch(f ->
                                Math.abs(there.along(f.axis()) - shell.cavity().end(f)) < 1e-9);
        assertThat(onWall || off < FitEngine.CONTACT_MM)
                .as(id + " " + there + " " + off)
                .isTrue();
    }

    /** A lid stands straight up. */
    @Test
    public void theFrameOfAPostureIsThatOfTheTrayThatStands() {
        Joint hinge = Joint.lid("base", "lid", new Vec(0, 101, 30), new Vec(0, -1, 12), 180, exact(1));
        Casing casing = Casing.of(List.of(tray("base", 200, 100, 30), tray("lid", 200, 100, 12)), exact(0))
                .withJoint(hinge)
                .withPostures(List.of(
                        new Posture("shut", Posture.Held.HANDS, false, List.of()),
                        new Posture("up", Posture.Held.HANDS, true, List.of(new Posture.Setting("hinge", 90)))));
        Build build = build(
                casing,
                List.of(at("post", "base", 50, 85, 20), at("bar", "lid", 40, 20, 0)),
                new double[] {10, 5, 60},
                new double[] {60, 20, 10});
        FitResult fit = FitEngine.evaluate(build);
        Places places = new Places(build, fit);
        FitResult.Meeting up = fit.meetings().stream()
                .filter(m -> m.where().posture().equals("up"))
                .filter(m -> Set.of(m.a(), m.b()).equals(Set.of("post", "bar")))
                .findFirst()
                .orElseThrow();
        Places.Place place = places.of(up).orElseThrow();
        // About the axis at y = 101 and z = 30 the bar, 2 to 12 mm before it and 21 to 41 along the lid, has come to
        // stand up behind the post.
        assertThat(place.tray()).isEqualTo("base");
        Vec onPost = up.a().equals("post") ? place.onA() : place.onB();
        Vec onBar = up.a().equals("post") ? place.onB() : place.onA();
        assertThat(up.mm()).isCloseTo(13, ROUND);
        assertThat(onPost.y()).isCloseTo(90, ROUND);
        assertThat(onBar.y()).isCloseTo(103, ROUND);
        assertThat(onBar.z()).isCloseTo(onPost.z(), ROUND).isBetween(51 - 1e-6, 71 + 1e-6);
        assertThat(onBar.x()).isCloseTo(onPost.x(), ROUND).isBetween(50 - 1e-6, 60 + 1e-6);
    }
}
