package boldsatchel.made;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Holes of vents, and panels, by chance: folded up and put together again they are the tray they were made for. */
public final class PanelsTest {

    /** Share of the thickness, from the inside, at which bent metal neither stretches nor shrinks. */
    private static final double NEUTRAL = 0.44;

    @DataProvider
    static Object[][] seeds() {
        return IntStream.range(0, 10).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    private static Vent vent(Random random, Face wall) {
        double wide = 4 + random.nextInt(90) + random.nextDouble();
        double high = 4 + random.nextInt(60) + random.nextDouble();
        double share = random.nextInt(4) == 0 ? 0 : 0.05 + 0.95 * random.nextDouble();
        Vec low = Vec.on(Opening.across(wall), random.nextInt(20)).plus(Vec.on(Opening.up(wall), random.nextInt(20)));
        Vec size = Vec.on(Opening.across(wall), wide).plus(Vec.on(Opening.up(wall), high));
        Box extent = new Box(low.x(), low.y(), low.z(), size.x(), size.y(), size.z());
        return new Vent("v", wall, extent, Vent.Kind.values()[random.nextInt(Vent.Kind.values().length)], share, 0);
    }

    /** Whatever a vent is made as: its holes leave open what it is said to, lie in it, and not in one another. */
    @Test(dataProvider = "seeds")
    public void holesOfAVentLeaveOpenWhatItIsSaidTo(int some) {
        for (int seed = some * 40; seed < some * 40 + 40; seed++) {
            Random random = new Random(seed);
            Vent vent = vent(random, Face.ALL.get(random.nextInt(6)));
            List<Cutout> holes = Cutout.of(vent);
            String which = "seed " + seed + ", " + vent;
            double open = holes.stream()
                    .mapToDouble(h -> h.wideMm() * h.highMm() * (h.round() ? Math.PI / 4 : 1))
                    .sum();
            assertThat(open).as(which).isEqualTo(vent.areaMm2(), within(1e-6 * vent.areaMm2()));
            double left = vent.box().low(Opening.across(vent.wall()));
            double low = vent.box().low(Opening.up(vent.wall()));
            for (int i = 0; i < holes.size(); i++) {
                Cutout hole = holes.get(i);
                assertThat(hole.wall()).isEqualTo(vent.wall());
                assertThat(hole.middle().across() - hole.wideMm() / 2).as(which).isGreaterThan(left - 1e-9);
                assertThat(hole.middle().up() - hole.highMm() / 2).as(which).isGreaterThan(low - 1e-9);
                assertThat(hole.middle().across() + hole.wideMm() / 2)
                        .as(which)
                        .isLessThan(left + vent.box().size(Opening.across(vent.wall())) + 1e-9);
                assertThat(hole.middle().up() + hole.highMm() / 2)
                        .as(which)
                        .isLessThan(low + vent.box().size(Opening.up(vent.wall())) + 1e-9);
                for (Cutout other : holes.subList(0, i)) {
                    assertThat(apart(hole, other)).as(which).isGreaterThan(-1e-9);
                }
            }
        }
    }

    /** Space between the rectangles around two holes; negative where they are in one another. */
    private static double apart(Cutout one, Cutout other) {
        return Math.max(
                Math.abs(one.middle().across() - other.middle().across()) - (one.wideMm() + other.wideMm()) / 2,
                Math.abs(one.middle().up() - other.middle().up()) - (one.highMm() + other.highMm()) / 2);
    }

    private static Shell shell(Random random, Material material, double most) {
        double thick = 0.5 + random.nextInt((int) (2 * most)) / 2.0;
        Shell plain = Shell.plain(
                "t",
                "Tray",
                new Box(0, 0, 0, 40 + random.nextInt(150), 30 + random.nextInt(100), 12 + random.nextInt(40)),
                Figure.planned(thick),
                material,
                Shell.Making.CUT,
                random.nextBoolean());
        List<Opening> openings = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            Face wall = Face.ALL.get(random.nextInt(plain.openTop() ? 5 : 6));
            if (wall == Face.TOP && plain.openTop()) {
                continue;
            }
            Box room = plain.cavity();
            Vec at = Vec.on(Opening.across(wall), 4 + random.nextDouble() * (room.size(Opening.across(wall)) - 8))
                    .plus(Vec.on(Opening.up(wall), 4 + random.nextDouble() * (room.size(Opening.up(wall)) - 8)));
            boolean round = random.nextBoolean();
            double wide = 1 + random.nextInt(6);
            openings.add(new Opening(
                    "hole " + i, wall, at, wide, round ? wide : 1 + random.nextInt(6), round, Optional.empty()));
        }
        return plain.withOpenings(openings);
    }

    /** Where a point along the middle of a blank's width ends once its sides are bent up: along the inside of the tray, and up. */
    private static Flat folded(double along, double bend, double flat, double length) {
        double radius = bend / (Math.PI / 2) / (1 + NEUTRAL);
        double begin = flat + bend;
        double end = length - flat - bend;
        if (along < begin - bend) {
            return new Flat(0, radius + (begin - bend - along));
        }
        if (along > end + bend) {
            return new Flat(end - begin + 2 * radius, radius + (along - end - bend));
        }
        return new Flat(along - begin + radius, 0);
    }

    /** A blank is bent up: its edges come to the rim, and each hole to where it belongs in its wall. */
    @Test(dataProvider = "seeds")
    public void aBlankThatIsFoldedUpIsTheTray(int some) {
        for (int seed = some * 20; seed < some * 20 + 20; seed++) {
            Random random = new Random(seed);
            Shell shell = shell(random, Material.ALUMINIUM_BARE, 3);
            List<Cutout> cut = Cutout.all(shell);
            List<Panel> panels = Panels.of(shell, cut);
            String which = "seed " + seed;
            assertThat(panels).as(which).hasSize(shell.openTop() ? 1 : 2);
            Panel blank = panels.getFirst();
            double t = shell.wallMm().value();
            double h = shell.heightMm().value();
            double bend = Math.PI / 2 * (t + NEUTRAL * t);
            double flat = h - t;
            assertThat(blank.bends()).as(which).hasSize(4);
            assertThat(folded(0, bend, flat, blank.wideMm()).up()).as(which).isEqualTo(h, within(1e-9));
            Flat right = folded(blank.wideMm(), bend, flat, blank.wideMm());
            assertThat(right.across()).as(which).isEqualTo(shell.widthMm().value(), within(1e-9));
            assertThat(folded(blank.highMm(), bend, flat, blank.highMm()).across())
                    .as(which)
                    .isEqualTo(shell.depthMm().value(), within(1e-9));
            List<Cutout> in = cut.stream().filter(c -> c.wall() != Face.TOP).toList();
            assertThat(blank.holes()).as(which).hasSameSizeAs(in);
            for (int i = 0; i < in.size(); i++) {
                folds(in.get(i), blank.holes().get(i), blank, bend, flat, which);
            }
        }
    }

    private static void folds(Cutout planned, Panel.Hole made, Panel blank, double bend, double flat, String which) {
        boolean side = planned.wall().axis() == 0;
        double beside = side ? made.middle().up() : made.middle().across();
        double out = side ? made.middle().across() : made.middle().up();
        double length = side ? blank.wideMm() : blank.highMm();
        double other = side ? blank.highMm() : blank.wideMm();
        double along = folded(beside, bend, flat, other).across();
        Flat up = folded(out, bend, flat, length);
        if (planned.wall() == Face.BOTTOM) {
            assertThat(along).as(which + planned).isEqualTo(planned.middle().across(), within(1e-9));
            assertThat(up.across())
                    .as(which + planned)
                    .isEqualTo(planned.middle().up(), within(1e-9));
            return;
        }
        double radius = bend / (Math.PI / 2) / (1 + NEUTRAL);
        if (planned.middle().up() <= radius) {
            assertThat(blank.notes()).as(which + planned).anyMatch(n -> n.contains(planned.name()));
            return;
        }
        assertThat(along).as(which + planned).isEqualTo(planned.middle().across(), within(1e-9));
        assertThat(up.up()).as(which + planned).isEqualTo(planned.middle().up(), within(1e-9));
        boolean far = planned.wall().sign() > 0;
        assertThat(up.across() > 0).as(which + planned).isEqualTo(far);
        assertThat(side ? made.highMm() : made.wideMm()).isEqualTo(planned.wideMm());
        assertThat(side ? made.wideMm() : made.highMm()).isEqualTo(planned.highMm());
    }

    /** Where a butted panel stands: its low corner, and the ways along it and up it. */
    private static Box standing(Panel panel, Shell shell) {
        double t = shell.wallMm().value();
        double w = shell.widthMm().value();
        double d = shell.depthMm().value();
        double h = shell.heightMm().value();
        return switch (panel.name().substring(panel.name().lastIndexOf(' ') + 1)) {
            case "floor" -> new Box(-t, -t, -t, panel.wideMm(), panel.highMm(), panel.thickMm());
            case "cover" -> new Box(-t, -t, h, panel.wideMm(), panel.highMm(), panel.thickMm());
            case "front" -> new Box(-t, -t, 0, panel.wideMm(), panel.thickMm(), panel.highMm());
            case "back" -> new Box(-t, d, 0, panel.wideMm(), panel.thickMm(), panel.highMm());
            case "left" -> new Box(-t, 0, 0, panel.thickMm(), panel.wideMm(), panel.highMm());
            case "right" -> new Box(w, 0, 0, panel.thickMm(), panel.wideMm(), panel.highMm());
            default -> throw new AssertionError(panel.name());
        };
    }

    /** Floor, sides and cover stand beside one another, fill the tray's walls, and have their holes where the tray has them. */
    @Test(dataProvider = "seeds")
    public void panelsThatAreButtedAreTheTray(int some) {
        for (int seed = some * 20; seed < some * 20 + 20; seed++) {
            Random random = new Random(seed);
            Shell shell = shell(random, Material.PLYWOOD, 8);
            List<Cutout> cut = Cutout.all(shell);
            List<Panel> panels = Panels.of(shell, cut);
            String which = "seed " + seed;
            assertThat(panels).as(which).hasSize(shell.openTop() ? 5 : 6);
            List<Box> standing = panels.stream().map(p -> standing(p, shell)).toList();
            double mm3 = 0;
            for (int i = 0; i < standing.size(); i++) {
                Box one = standing.get(i);
                mm3 += one.volume();
                assertThat(one.signedDistance(shell.cavity())).as(which).isGreaterThan(-1e-9);
                for (Box other : standing.subList(0, i)) {
                    assertThat(one.signedDistance(other)).as(which).isGreaterThan(-1e-9);
                }
            }
            assertThat(mm3)
                    .as(which)
                    .isEqualTo(shell.outside().volume() - shell.cavity().volume(), within(1e-6 * mm3));
            assertThat(panels.stream().mapToInt(p -> p.holes().size()).sum())
                    .as(which)
                    .isEqualTo(cut.size());
            for (int i = 0; i < panels.size(); i++) {
                for (Panel.Hole hole : panels.get(i).holes()) {
                    Cutout planned = cut.stream()
                            .filter(c -> c.name().equals(hole.name()))
                            .findFirst()
                            .orElseThrow();
                    Box panel = standing.get(i);
                    double across = panel.low(Opening.across(planned.wall()))
                            + hole.middle().across();
                    double up = panel.low(Opening.up(planned.wall()))
                            + hole.middle().up();
                    assertThat(across).as(which).isEqualTo(planned.middle().across(), within(1e-9));
                    assertThat(up).as(which).isEqualTo(planned.middle().up(), within(1e-9));
                }
            }
        }
    }
}
