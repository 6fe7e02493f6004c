package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.PaintOrder;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Side;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.geometry.Viewpoint;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is painted over what, against rays from the eye. */
public class SceneTest {

    private static final int RAYS = 10_000;
    /** A ray this near to an edge may see either side of it, mm: round things are painted with 32 sides. */
    private static final double EDGE_MM = 0.3;

    @DataProvider
    Object[][] looks() {
        List<Object[]> all = new ArrayList<>();
        for (String demo : Library.DEMOS) {
            for (PackView view : PackView.values()) {
                for (boolean used : new boolean[] {false, true}) {
                    all.add(new Object[] {demo, view, used});
                }
            }
        }
        return all.toArray(Object[][]::new);
    }

    @Test(dataProvider = "looks")
    public void whatIsPaintedLastIsWhatARayMeetsFirst(String demo, PackView view, boolean used) {
        Build build = Library.demo(demo).orElseThrow();
        Evaluation evaluation = Evaluator.evaluate(build);
        Posture posture = used ? build.casing().inUse() : Posture.CLOSED;
        PackDrawings.Look look = new PackDrawings.Look(
                view, build.casing().standing().orElseThrow().id(), posture);
        List<PaintOrder.Item<Scene.Thing>> items =
                ScenePainter.order(PackDrawings.scene(evaluation, look), view.from());
        check(
                items.stream()
                        .map(i -> new PaintOrder.Item<>(i.of().subject(), i.solid(), i.pose()))
                        .toList(),
                view.from(),
                1);
        assertThat(items.size()).isGreaterThan(8);
    }

    /** A section through the middle shows what is behind it, and nothing before it. */
    @Test
    public void whatIsBeforeACutIsGone() {
        Build build = Library.demo("cave-survey").orElseThrow();
        PackDrawings.Look look =
                new PackDrawings.Look(PackView.FRONT, "slab", Posture.CLOSED, OptionalDouble.of(0.5), "", false);
        Scene scene = PackDrawings.scene(Evaluator.evaluate(build), look);
        Box all = scene.extent();
        double plane = build.shell("slab").orElseThrow().outside().centre().y();
        assertThat(all.y()).isCloseTo(plane, org.assertj.core.api.Assertions.within(1e-6));
        assertThat(scene.things().stream().map(Scene.Thing::subject))
                .contains("board", "battery")
                .doesNotContain("charger");
        assertThat(scene.things())
                .filteredOn(t -> t.subject().equals("battery"))
                .allSatisfy(t -> assertThat(t.cut()).isPresent());
    }

    /** What is hidden is in no view, lifted apart neither, and takes nothing else with it. */
    @Test
    public void whatIsHiddenIsInNoView() {
        Evaluation evaluation = Evaluator.evaluate(Library.demo("cave-survey").orElseThrow());
        for (PackView view : PackView.values()) {
            Set<String> all = subjects(evaluation, view, Set.of());
            Set<String> left = subjects(evaluation, view, Set.of("screen"));
            assertThat(all).contains("screen");
            assertThat(left)
                    .containsAll(all.stream().filter(s -> !s.equals("screen")).toList());
            assertThat(left).doesNotContain("screen");
        }
    }

    private static Set<String> subjects(Evaluation evaluation, PackView view, Set<String> hidden) {
        PackDrawings.Look look = new PackDrawings.Look(
                view,
                "slab",
                Posture.CLOSED,
                OptionalDouble.empty(),
                "",
                false,
                hidden,
                Optional.empty(),
                false,
                Optional.empty());
        return PackDrawings.scene(evaluation, look).things().stream()
                .map(Scene.Thing::subject)
                .collect(Collectors.toSet());
    }

    /** Where two hands hold it the plan says how far thumbs reach; on a table, and in other views, it does not. */
    @Test
    public void thumbsAreDrawnWhereHandsHold() {
        Evaluation evaluation = Evaluator.evaluate(Library.demo("cave-survey").orElseThrow());
        for (Posture posture : evaluation.build().casing().postures()) {
            for (PackView view : PackView.values()) {
                boolean drawn = PackDrawings.of(evaluation, new PackDrawings.Look(view, "slab", posture))
                        .in(Room.window(700, 500))
                        .marks()
                        .stream()
                        .anyMatch(m -> m instanceof Mark.Text t && t.text().equals("reach of the thumbs"));
                assertThat(drawn)
                        .as(view + " " + posture.name())
                        .isEqualTo(view == PackView.PLAN && posture.held() == Posture.Held.HANDS);
            }
        }
    }

    /** The selected part has its sizes on its edges, in every square view. */
    @Test
    public void theSelectedPartHasItsSizes() {
        Evaluation evaluation = Evaluator.evaluate(Library.demo("cave-survey").orElseThrow());
        PackDrawings.Look look =
                new PackDrawings.Look(PackView.PLAN, "slab", Posture.CLOSED, OptionalDouble.empty(), "battery", false);
        List<String> words = PackDrawings.of(evaluation, look).in(Room.window(900, 700)).marks().stream()
                .filter(Mark.Text.class::isInstance)
                .map(m -> ((Mark.Text) m).text())
                .toList();
        Box box = evaluation.of(FitResult.class).placed("battery").orElseThrow().bounds();
        assertThat(words).contains(Units.format(box.dx(), 1, ""), Units.format(box.dy(), 1, ""));
    }

    /** Three bars that each lie over the next, in a ring: no order of whole bars is right, so one is cut. */
    @Test
    public void aRingOfBarsIsCutOpen() {
        List<PaintOrder.Item<String>> bars = List.of(
                item("a", new Box(-20, -6, 2, 40, 4, 4)),
                item("b", new Box(2, -20, -6, 4, 40, 4)),
                item("c", new Box(-6, 2, -20, 4, 4, 40)));
        Viewpoint from = Viewpoint.aside(135, 35);
        List<PaintOrder.Item<String>> order = PaintOrder.of(bars, from);
        assertThat(order).hasSizeGreaterThan(3);
        check(order, from, 1);
    }

    @Test
    public void heapsOfThingsThatDoNotMeetArePaintedRight() {
        for (int seed = 0; seed < 25; seed++) {
            Random random = new Random(seed);
            List<PaintOrder.Item<String>> heap = new ArrayList<>();
            List<Solid> solids = new ArrayList<>();
            while (heap.size() < 40) {
                Box box = new Box(
                        100 * random.nextDouble(),
                        100 * random.nextDouble(),
                        100 * random.nextDouble(),
                        2 + 40 * random.nextDouble(),
                        2 + 40 * random.nextDouble(),
                        2 + 40 * random.nextDouble());
                Solid solid = random.nextInt(4) > 0 ? box : new Cylinder(Axis.ALL.get(random.nextInt(3)), box);
                if (solids.stream().allMatch(s -> s.bounds().signedDistance(solid.bounds()) > 0.01)) {
                    solids.add(solid);
                    heap.add(item("s" + heap.size(), solid));
                }
            }
            Viewpoint from = Viewpoint.aside(360 * random.nextDouble(), 10 + 70 * random.nextDouble());
            check(PaintOrder.of(heap, from), from, 10);
        }
    }

    private static PaintOrder.Item<String> item(String name, Solid solid) {
        return new PaintOrder.Item<>(name, solid, Pose.NONE);
    }

    private static void check(List<PaintOrder.Item<String>> order, Viewpoint from, int part) {
        double[] extent = {1e9, 1e9, -1e9, -1e9};
        List<List<List<Flat>>> sides = new ArrayList<>();
        for (PaintOrder.Item<String> item : order) {
            List<List<Flat>> seen = new ArrayList<>();
            for (Side side : Side.of(item.solid(), item.pose())) {
                if (side.faces(from)) {
                    seen.add(side.corners().stream().map(from::at).toList());
                }
            }
            for (List<Flat> side : seen) {
                for (Flat corner : side) {
                    extent[0] = Math.min(extent[0], corner.across());
                    extent[1] = Math.min(extent[1], corner.up());
                    extent[2] = Math.max(extent[2], corner.across());
                    extent[3] = Math.max(extent[3], corner.up());
                }
            }
            sides.add(seen);
        }
        Random random = new Random(7);
        int met = 0;
        for (int i = 0; i < RAYS / part; i++) {
            double u = extent[0] + (extent[2] - extent[0]) * random.nextDouble();
            double v = extent[1] + (extent[3] - extent[1]) * random.nextDouble();
            String painted = painted(order, sides, u, v);
            String seen = seen(order, from, u, v);
            met += seen.isEmpty() ? 0 : 1;
            if (!painted.equals(seen)) {
                boolean edge = false;
                for (int k = 0; k < 8; k++) {
                    double angle = Math.PI * k / 4;
                    edge |= seen(order, from, u + EDGE_MM * Math.cos(angle), v + EDGE_MM * Math.sin(angle))
                            .equals(painted);
                }
                assertThat(edge)
                        .as("at %.2f, %.2f “%s” is painted and “%s” is seen", u, v, painted, seen)
                        .isTrue();
            }
        }
        assertThat(met).isGreaterThan(RAYS / part / 10);
    }

    private static String painted(
            List<PaintOrder.Item<String>> order, List<List<List<Flat>>> sides, double u, double v) {
        for (int i = order.size() - 1; i >= 0; i--) {
            for (List<Flat> side : sides.get(i)) {
                if (Outlines.holds(side, u, v)) {
                    return order.get(i).of();
                }
            }
        }
        return "";
    }

    private static String seen(List<PaintOrder.Item<String>> order, Viewpoint from, double u, double v) {
        Vec start = from.right()
                .times(u)
                .plus(from.up().times(v))
                .plus(from.toward().times(5000));
        double first = Double.POSITIVE_INFINITY;
        String seen = "";
        for (PaintOrder.Item<String> item : order) {
            Pose back = item.pose().back();
            double[] crossed = item.solid()
                    .crossed(back.apply(start), back.direction(from.toward().times(-1)));
            if (crossed.length > 0 && crossed[0] < first - 1e-7) {
                first = crossed[0];
                seen = item.of();
            }
        }
        return seen;
    }
}
