package boldsatchel.fit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Prism;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;

/** Heaps of boxes, cylinders and outlines: nothing that is in the same place is missed, whatever the order and whichever hand. */
public class RandomPackingTest {

    private static final double WIDE = 400;
    private static final Shell TRAY = Samples.tray("tray", WIDE, 300, 80, exact(2), Material.PLASTIC, true);

    private static Solid solid(Random random, double small, double large) {
        Box box = new Box(
                0,
                0,
                0,
                small + (large - small) * random.nextDouble(),
                small + (large - small) * random.nextDouble(),
                small + (large - small) * random.nextDouble());
        return switch (random.nextInt(3)) {
            case 0 -> box;
            case 1 -> new Cylinder(Axis.ALL.get(random.nextInt(3)), box);
            default ->
                new Prism(
                                Axis.ALL.get(random.nextInt(3)),
                                List.of(
                                        new Flat(0, 0),
                                        new Flat(3, 0),
                                        new Flat(3, 1),
                                        new Flat(1, 1),
                                        new Flat(1, 2 + random.nextDouble()),
                                        new Flat(0, 2)),
                                0,
                                1)
                        .fitting(box);
        };
    }

    private static Part part(String id, Solid solid) {
        Box b = solid.bounds();
        Body body = new Body(
                exact(b.dx()), exact(b.dy()), exact(b.dz()), List.of(solid), List.of(), List.of(), Optional.empty());
        return Samples.part(id, Family.MECHANICS, b.dx(), b.dy(), b.dz(), 10).withBody(body);
    }

    static Build heap(Random random, int parts, double small, double large) {
        List<Part> all = new ArrayList<>();
        List<Placement> placements = new ArrayList<>();
        for (int i = 0; i < parts; i++) {
            Part part = part("p" + i, solid(random, small, large));
            Orientation turned =
                    new Orientation(boldsatchel.geometry.Face.ALL.get(random.nextInt(6)), random.nextInt(4));
            all.add(part);
            placements.add(new Placement(
                    part.id(),
                    "tray",
                    new Vec(
                            (WIDE - large) * random.nextDouble(),
                            (300 - large) * random.nextDouble(),
                            (80 - Math.min(80, large)) * random.nextDouble()),
                    turned,
                    Set.of()));
        }
        return Build.empty("heap")
                .with(Casing.of(List.of(TRAY), exact(0)))
                .with(new Parts(all))
                .with(new Layout(placements));
    }

    private static Set<String> pairs(FitResult fit) {
        Set<String> pairs = new TreeSet<>();
        fit.clashes().forEach(c -> pairs.add(new TreeSet<>(Set.of(c.a(), c.b())).toString()));
        return pairs;
    }

    private static boolean holds(Solid solid, Vec at) {
        double[] crossed = solid.crossed(at, new Vec(0, 0, 1));
        for (int i = 0; i < crossed.length; i += 2) {
            if (crossed[i] < -0.02 && crossed[i + 1] > 0.02) {
                return true;
            }
        }
        return false;
    }

    @Test
    public void nothingThatIsInTheSamePlaceIsMissed() {
        int clear = 0;
        int clashing = 0;
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            // Some heaps are so loose that they are clear, others are not.
            Build build = heap(random, 40, 4, seed % 2 == 0 ? 12 : 50);
            FitResult fit = FitEngine.evaluate(build);
            Set<String> found = pairs(fit);
            clear += found.isEmpty() ? 1 : 0;
            List<Placed> placed = fit.placed();
            for (Placed a : placed) {
                for (int n = 0; n < 12; n++) {
                    Box b = a.bounds();
                    Vec at = new Vec(
                            b.x() + b.dx() * random.nextDouble(),
                            b.y() + b.dy() * random.nextDouble(),
                            b.z() + b.dz() * random.nextDouble());
                    if (!holds(a.solids().getFirst(), at)) {
                        continue;
                    }
                    for (Placed other : placed) {
                        if (!other.id().equals(a.id()) && holds(other.solids().getFirst(), at)) {
                            clashing++;
                            assertThat(found).contains(new TreeSet<>(Set.of(a.id(), other.id())).toString());
                        }
                    }
                }
            }
        }
        assertThat(clear).isGreaterThan(20);
        assertThat(clashing).isGreaterThan(1000);
    }

    /** What is told as clashing is so: no less than its depth parts the two. */
    @Test
    public void clashesAreRealAndGapsAreFree() {
        for (int seed = 0; seed < 60; seed++) {
            Build build = heap(new Random(seed), 25, 10, 60);
            FitResult fit = FitEngine.evaluate(build);
            fit.clashes().stream().filter(c -> !c.b().equals("tray")).forEach(c -> {
                Solid a = fit.placed(c.a()).orElseThrow().solids().getFirst();
                Solid b = fit.placed(c.b()).orElseThrow().solids().getFirst();
                for (int axis = 0; axis < 3; axis++) {
                    for (double by : new double[] {-0.98, 0.98}) {
                        assertThat(a.moved(Vec.on(axis, by * (c.depthMm() - 0.02)))
                                        .signedDistance(b))
                                .isLessThan(1e-3);
                    }
                }
            });
            fit.gaps().stream()
                    .filter(g -> !g.b().equals("tray") && g.gapMm() > 0.1)
                    .forEach(g -> {
                        Solid a = fit.placed(g.a()).orElseThrow().solids().getFirst();
                        Solid b = fit.placed(g.b()).orElseThrow().solids().getFirst();
                        assertThat(a.signedDistance(b)).isCloseTo(g.gapMm(), within(1e-9));
                    });
        }
    }

    @Test
    public void theOrderOfPartsAndPlacesChangesNothing() {
        for (int seed = 0; seed < 30; seed++) {
            Build build = heap(new Random(seed), 30, 8, 50);
            List<Part> parts = new ArrayList<>(build.parts().list());
            List<Placement> places = new ArrayList<>(build.layout().placements());
            Collections.shuffle(parts, new Random(seed));
            Collections.shuffle(places, new Random(seed + 1));
            FitResult one = FitEngine.evaluate(build);
            FitResult other = FitEngine.evaluate(build.with(new Parts(parts)).with(new Layout(places)));
            assertThat(pairs(other)).isEqualTo(pairs(one));
            assertThat(other.tightest().orElseThrow().nominal())
                    .isCloseTo(one.tightest().orElseThrow().nominal(), within(1e-6));
            assertThat(other.gaps()).hasSameSizeAs(one.gaps());
        }
    }

    /** The same heap in a mirror has the same clashes as deep, and the same gaps. */
    @Test
    public void aMirrorChangesNothing() {
        for (int seed = 0; seed < 30; seed++) {
            Build build = heap(new Random(seed), 30, 8, 50);
            FitResult fit = FitEngine.evaluate(build);
            List<Part> parts = new ArrayList<>();
            List<Placement> places = new ArrayList<>();
            for (Placed p : fit.placed()) {
                Solid mirrored = mirrored(p.solids().getFirst());
                parts.add(part(
                        p.id(), mirrored.moved(Vec.ZERO.minus(mirrored.bounds().lowCorner()))));
                places.add(
                        new Placement(p.id(), "tray", mirrored.bounds().lowCorner(), Orientation.AS_DRAWN, Set.of()));
            }
            FitResult other = FitEngine.evaluate(build.with(new Parts(parts)).with(new Layout(places)));
            assertThat(pairs(other)).isEqualTo(pairs(fit));
            assertThat(other.tightest().orElseThrow().nominal())
                    .isCloseTo(fit.tightest().orElseThrow().nominal(), within(2e-3));
            assertThat(new HashSet<>(other.outside().stream()
                            .map(FitResult.Outside::part)
                            .toList()))
                    .isEqualTo(new HashSet<>(
                            fit.outside().stream().map(FitResult.Outside::part).toList()));
        }
    }

    private static Solid mirrored(Solid solid) {
        return switch (solid) {
            case Box b -> new Box(WIDE - b.high(0), b.y(), b.z(), b.dx(), b.dy(), b.dz());
            case Cylinder c -> new Cylinder(c.along(), (Box) mirrored(c.box()));
            case Prism p ->
                p.along() == Axis.X
                        ? new Prism(Axis.X, p.outline(), WIDE - p.fromMm() - p.thickMm(), p.thickMm())
                        : new Prism(
                                p.along(),
                                p.outline().stream()
                                        .map(f -> new Flat(WIDE - f.across(), f.up()))
                                        .toList(),
                                p.fromMm(),
                                p.thickMm());
        };
    }
}
