package boldsatchel.made;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Mesh;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Printed pieces: closed surfaces, what they enclose, and holes where they belong. */
public final class PrintedTest {

    /** Nearer to a surface than this a point is not asked: round things are polygons there. */
    private static final double DOUBT_MM = 0.12;

    @DataProvider
    static Object[] demos() {
        return Library.DEMOS.toArray();
    }

    @Test(dataProvider = "demos")
    public void allPiecesOfADemoAreClosedAndAsLargeAsThePlan(String demo) {
        for (Shell shell : Library.demo(demo).orElseThrow().casing().shells()) {
            checked(shell, new Random(7));
        }
    }

    @Test
    public void traysByChanceAreClosedAndSolidWhereThePlanSays() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            checked(tray(random), random);
        }
    }

    private static void checked(Shell shell, Random random) {
        List<Printed> pieces = TrayMesh.pieces(shell);
        assertThat(pieces).isNotEmpty();
        double all = 0;
        for (Printed piece : pieces) {
            assertClosed(piece.mesh(), piece.name() + " " + shell);
            assertThat(piece.isSound()).isTrue();
            assertThat(piece.mesh().bounds().lowCorner().length()).isLessThan(1e-9);
            all += piece.mesh().volumeMm3();
        }
        assertThat(all)
                .as(shell.toString())
                .isCloseTo(volume(shell), org.assertj.core.data.Percentage.withPercentage(0.5));
        for (int i = 0; i < 60; i++) {
            Vec at = point(shell, random);
            Optional<Boolean> planned = isSolid(shell, at);
            if (planned.isPresent()) {
                boolean made = false;
                for (Printed piece : pieces) {
                    made |= holds(piece.mesh(), at.plus(piece.origin()), random);
                }
                assertThat(made).as(at + " of " + shell).isEqualTo(planned.get());
            }
        }
    }

    /** Every side of a triangle goes along just one other, the other way; corners are told by where they are. */
    static void assertClosed(Mesh mesh, String what) {
        record Side(Vec from, Vec to) {}
        Map<Side, Integer> sides = new HashMap<>();
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec[] c = {
                mesh.corners().get(t.a()),
                mesh.corners().get(t.b()),
                mesh.corners().get(t.c())
            };
            for (int i = 0; i < 3; i++) {
                sides.merge(new Side(c[i], c[(i + 1) % 3]), 1, Integer::sum);
            }
        }
        assertThat(sides).as(what).isNotEmpty();
        sides.forEach((side, count) -> {
            assertThat(count).as(side + " of " + what).isEqualTo(1);
            assertThat(sides.getOrDefault(new Side(side.to(), side.from()), 0))
                    .as(side + " of " + what)
                    .isEqualTo(1);
        });
    }

    private static double volume(Shell shell) {
        double mm3 = shell.outside().volume() - shell.cavity().volume() - shell.roundedMm3();
        mm3 += shell.ribs().stream().mapToDouble(Box::volume).sum();
        mm3 += shell.bosses().stream()
                .mapToDouble(b -> b.volumeMm3() * (1 - Math.pow(b.thread().tapMm() / b.diameterMm(), 2)))
                .sum();
        mm3 -= shell.vents().stream()
                .mapToDouble(v -> v.areaMm2() * shell.wall(v.wall()).value())
                .sum();
        mm3 -= shell.openings().stream()
                .mapToDouble(o -> o.areaMm2() * shell.wall(o.wall()).value())
                .sum();
        return mm3;
    }

    private static Vec point(Shell shell, Random random) {
        Box out = shell.outside();
        if (random.nextInt(3) == 0 && !shell.openings().isEmpty()) {
            Box hole = shell.openings()
                    .get(random.nextInt(shell.openings().size()))
                    .through(shell);
            return in(
                    new Box(hole.x() - 2, hole.y() - 2, hole.z() - 2, hole.dx() + 4, hole.dy() + 4, hole.dz() + 4),
                    random);
        }
        if (random.nextInt(2) == 0) {
            // Within a wall.
            Vec any = in(out, random);
            Face face = Face.ALL.get(random.nextInt(Face.ALL.size()));
            double deep = shell.wall(face).value() * random.nextDouble();
            return any.with(face.axis(), shell.cavity().end(face) + face.sign() * deep);
        }
        return in(out, random);
    }

    private static Vec in(Box box, Random random) {
        return new Vec(
                box.x() + random.nextDouble() * box.dx(),
                box.y() + random.nextDouble() * box.dy(),
                box.z() + random.nextDouble() * box.dz());
    }

    /** Whether the plan has something solid there; nothing where a surface, a seam or a pin is too near to say. Vents of many holes are not asked. */
    private static Optional<Boolean> isSolid(Shell shell, Vec at) {
        double cover = shell.openTop() ? 0 : 1;
        for (Seam seam : shell.seams()) {
            if (Math.abs(at.along(seam.way().axis()) - seam.atMm()) < 6.5) {
                return Optional.empty();
            }
        }
        List<Double> edges = new ArrayList<>();
        double out = Math.max(
                rim(shell, at, shell.wallMm().value(), shell.outerCornerMm()),
                Math.max(
                        -shell.floor().value() - at.z(),
                        at.z()
                                - shell.heightMm().value()
                                - cover * shell.wallMm().value()));
        double in = Math.max(
                rim(shell, at, 0, shell.innerCornerMm()),
                Math.max(-at.z(), at.z() - shell.heightMm().value()));
        edges.add(out);
        edges.add(in);
        if (cover == 1) {
            edges.add(at.z() - shell.heightMm().value());
        }
        boolean solid = out < 0 && in > 0;
        for (Box rib : shell.ribs()) {
            double to = rib.signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0));
            edges.add(to);
            solid |= to < 0;
        }
        for (Boss boss : shell.bosses()) {
            double off = Math.hypot(at.x() - boss.xMm(), at.y() - boss.yMm());
            double level = Math.max(-at.z(), at.z() - boss.heightMm());
            double post = Math.max(off - boss.diameterMm() / 2, level);
            double bore = Math.max(off - boss.thread().tapMm() / 2, level);
            edges.add(post);
            edges.add(bore);
            solid = (solid || post < 0) && bore > 0;
        }
        for (Opening opening : shell.openings()) {
            Box hole = opening.through(shell);
            double to = hole.signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0));
            if (opening.round()) {
                int a = Opening.across(opening.wall());
                int u = Opening.up(opening.wall());
                double off = Math.hypot(
                        at.along(a) - opening.at().along(a),
                        at.along(u) - opening.at().along(u));
                int n = opening.wall().axis();
                double through = Math.max(hole.low(n) - at.along(n), at.along(n) - hole.high(n));
                to = Math.max(off - opening.wideMm() / 2, through);
            }
            edges.add(to);
            solid &= to > 0;
        }
        for (Vent vent : shell.vents()) {
            if (vent.box().signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0)) < 4) {
                return Optional.empty();
            }
        }
        return edges.stream().anyMatch(e -> Math.abs(e) < DOUBT_MM) ? Optional.empty() : Optional.of(solid);
    }

    /** How far a point is outside a rectangle with rounded corners about the inside of a tray. */
    private static double rim(Shell shell, Vec at, double around, double corner) {
        double x =
                Math.abs(at.x() - shell.widthMm().value() / 2) - shell.widthMm().value() / 2 - around + corner;
        double y =
                Math.abs(at.y() - shell.depthMm().value() / 2) - shell.depthMm().value() / 2 - around + corner;
        return Math.hypot(Math.max(0, x), Math.max(0, y)) + Math.min(0, Math.max(x, y)) - corner;
    }

    /** Whether a ray from a point goes through the surface an odd number of times (Möller and Trumbore, 1997). */
    static boolean holds(Mesh mesh, Vec from, Random random) {
        Vec way = new Vec(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
        int crossed = 0;
        for (Mesh.Triangle t : mesh.triangles()) {
            Vec a = mesh.corners().get(t.a());
            Vec ab = mesh.corners().get(t.b()).minus(a);
            Vec ac = mesh.corners().get(t.c()).minus(a);
            Vec p = way.cross(ac);
            double det = ab.dot(p);
            if (det == 0) {
                continue;
            }
            double u = from.minus(a).dot(p) / det;
            Vec q = from.minus(a).cross(ab);
            double v = way.dot(q) / det;
            if (u >= 0 && v >= 0 && u + v <= 1 && ac.dot(q) / det > 0) {
                crossed++;
            }
        }
        return crossed % 2 == 1;
    }

    /** Ribs, bosses and holes thrown over one another, on whole millimetres mostly: whatever comes of it encloses something, and hardly ever touches itself. */
    @Test
    public void whatCoincidesByChanceIsMovedByAHair() {
        int pieces = 0;
        int touching = 0;
        for (int seed = 0; seed < 30; seed++) {
            Random random = new Random(seed);
            Shell shell = Shell.plain(
                    "t",
                    "T",
                    new Box(0, 0, 0, 60, 50, 20),
                    Figure.planned(3),
                    Material.PETG,
                    Shell.Making.PRINTED,
                    true);
            List<Box> ribs = new ArrayList<>();
            List<Boss> bosses = new ArrayList<>();
            List<Opening> openings = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                ribs.add(new Box(
                        random.nextInt(55),
                        random.nextInt(45),
                        0,
                        1 + random.nextInt(9),
                        1 + random.nextInt(9),
                        4 + random.nextInt(3)));
                bosses.add(new Boss(random.nextInt(60), random.nextInt(50), 6, 6, ScrewThread.M3));
                Vec at = new Vec(5 + random.nextInt(50), 5 + random.nextInt(40), 4 + random.nextInt(12));
                openings.add(new Opening(
                        "o", Face.ALL.get(random.nextInt(5)), at, 6, 6, random.nextBoolean(), Optional.empty()));
            }
            openings.removeIf(o -> o.wall() == Face.TOP);
            shell = Form.of(Shell.class).field("ribs").with(shell, ribs);
            shell = Form.of(Shell.class).field("bosses").with(shell, bosses).withOpenings(openings);
            if (random.nextInt(3) == 0) {
                shell = Form.of(Shell.class).field("taperMm").with(shell, 4.0);
            }
            for (Printed piece : TrayMesh.pieces(shell)) {
                pieces++;
                touching += piece.isSound() ? 0 : 1;
                assertBalanced(piece.mesh(), "seed " + seed);
            }
        }
        assertThat(touching).isLessThanOrEqualTo(pieces / 20);
    }

    /** Each side is gone along as often one way as the other: what is inside is told from what is outside. */
    private static void assertBalanced(Mesh mesh, String what) {
        Map<List<Integer>, Integer> sides = new HashMap<>();
        for (Mesh.Triangle t : mesh.triangles()) {
            int[] c = {t.a(), t.b(), t.c()};
            for (int i = 0; i < 3; i++) {
                sides.merge(List.of(c[i], c[(i + 1) % 3]), 1, Integer::sum);
            }
        }
        sides.forEach((side, count) ->
                assertThat(sides.getOrDefault(side.reversed(), 0)).as(what).isEqualTo(count));
    }

    private static Shell tray(Random random) {
        double w = 60 + random.nextInt(120);
        double d = 50 + random.nextInt(90);
        double h = 14 + random.nextInt(30);
        Shell shell = Shell.plain(
                "tray",
                "Tray",
                new Box(0, 0, 0, w, d, h),
                Figure.planned(2 + random.nextInt(3)),
                Material.PETG,
                Shell.Making.PRINTED,
                random.nextBoolean());
        if (random.nextBoolean()) {
            shell = Form.of(Shell.class).field("cornerMm").with(shell, Optional.of(1.0 + random.nextInt(9)));
        }
        List<Box> ribs = new ArrayList<>();
        List<Boss> bosses = new ArrayList<>();
        double x = 16;
        while (x < w - 20) {
            if (random.nextBoolean()) {
                ribs.add(new Box(
                        x, 14, 0, 1 + random.nextInt(3), 8 + random.nextInt(12), 3 + random.nextInt((int) h - 4)));
            } else {
                ScrewThread thread = ScrewThread.values()[random.nextInt(3)];
                bosses.add(new Boss(x + 1.37, d - 18.21, 3 + random.nextInt((int) h - 3), thread.tapMm() + 3, thread));
            }
            x += 12 + random.nextInt(10);
        }
        shell = Form.of(Shell.class).field("ribs").with(shell, ribs);
        shell = Form.of(Shell.class).field("bosses").with(shell, bosses);
        List<Opening> openings = new ArrayList<>();
        for (Face face : Face.ALL) {
            if (face != Face.TOP || !shell.openTop()) {
                double along = shell.cavity().size(Opening.across(face)) * 0.3;
                double up = face.axis() == 2 ? 6.3 : h / 2 + random.nextInt(3) - 1;
                double across = along + random.nextInt(6) + 0.17;
                Vec at = Vec.on(Opening.across(face), across).plus(Vec.on(Opening.up(face), up));
                openings.add(new Opening(
                        "hole",
                        face,
                        at,
                        4 + random.nextInt(8),
                        3 + random.nextInt(6),
                        random.nextBoolean(),
                        Optional.empty()));
            }
        }
        openings.replaceAll(o -> o.round()
                ? new Opening(o.name(), o.wall(), o.at(), o.highMm(), o.highMm(), true, Optional.empty())
                : o);
        Face vented = Face.ALL.get(random.nextInt(4));
        int a = Opening.across(vented);
        Vec low = Vec.on(a, shell.cavity().size(a) * 0.55)
                .plus(Vec.on(2, 3))
                .plus(Vec.on(vented.axis(), shell.cavity().end(vented)));
        Vent vent = new Vent(
                "air",
                vented,
                new Box(low.x(), low.y(), low.z(), a == 0 ? 18 : 0, a == 1 ? 18 : 0, h - 7),
                Vent.Kind.values()[random.nextInt(4)],
                0.2 + 0.5 * random.nextDouble());
        shell = shell.withOpenings(openings).withVents(List.of(vent));
        return random.nextInt(3) == 0 ? shell.withSeams(List.of(new Seam(Seam.Way.LEFT_RIGHT, w * 0.9))) : shell;
    }
}
