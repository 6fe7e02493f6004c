package boldsatchel.made;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Peg;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;

/** Panels, templates, the gauge piece: sizes against arithmetic by hand. */
public final class MadeTest {

    private static final Figure TWO = Figure.planned(2);

    private static Shell shell(Shell.Making making, Material material, boolean openTop) {
        return Shell.plain("t", "Tray", new Box(0, 0, 0, 100, 60, 20), TWO, material, making, openTop);
    }

    private static Opening hole(Face wall, double x, double y, double z, boolean round) {
        return new Opening("hole", wall, new Vec(x, y, z), 10, round ? 10 : 6, round, Optional.empty());
    }

    private static Build with(Shell shell) {
        Build demo = Library.demo("cave-survey").orElseThrow();
        return demo.with(Layout.NONE).with(demo.casing().withShells(List.of(shell)));
    }

    @Test
    public void aBlankIsAsLongAsItsWallsAndItsBends() {
        Shell shell = shell(Shell.Making.CUT, Material.STEEL_PAINTED, true)
                .withOpenings(List.of(
                        hole(Face.LEFT, 0, 30, 12, false),
                        hole(Face.FRONT, 40, 0, 12, false),
                        hole(Face.BACK, 40, 60, 12, true),
                        hole(Face.BOTTOM, 25, 15, 0, true),
                        hole(Face.RIGHT, 100, 30, 4, false)));
        Panel blank = Made.of(with(shell)).panels().getFirst();
        double bend = Math.PI / 2 * (2 + 0.44 * 2);
        double flat = 20 - 2;
        assertThat(blank.wideMm()).isEqualTo(100 - 4 + 2 * (bend + flat), within(1e-9));
        assertThat(blank.highMm()).isEqualTo(60 - 4 + 2 * (bend + flat), within(1e-9));
        assertThat(blank.bends()).hasSize(4);
        // Upper edges of the walls are the ends of the blank: 20 less 12 from them.
        assertThat(blank.holes().get(0).middle().across()).isEqualTo(8, within(1e-9));
        assertThat(blank.holes().get(0).wideMm()).as("upright in the blank").isEqualTo(6);
        assertThat(blank.holes().get(0).middle().up()).isEqualTo(blank.highMm() / 2, within(1e-9));
        assertThat(blank.holes().get(1).middle().up()).isEqualTo(8, within(1e-9));
        assertThat(blank.holes().get(2).middle().up()).isEqualTo(blank.highMm() - 8, within(1e-9));
        double floor = flat + bend - 2;
        assertThat(blank.holes().get(3).middle()).isEqualTo(new Flat(25 + floor, 15 + floor));
        assertThat(blank.notes()).anyMatch(n -> n.contains("reaches into the bend"));
        // What is lost of the sheet is what bends less than the metal's middle would.
        assertThat(blank.areaMm2())
                .isEqualTo(96 * 56 + 2 * (96 + 56) * (flat + bend) - 3 * 60 - 2 * Math.PI * 25, within(1e-6));
    }

    @Test
    public void plywoodIsButtedAndAddsUpToTheTray() {
        Shell shell = shell(Shell.Making.CUT, Material.PLYWOOD, false)
                .withOpenings(List.of(hole(Face.TOP, 50, 30, 20, false), hole(Face.FRONT, 30, 0, 10, true)));
        List<Panel> panels = Made.of(with(shell)).panels();
        assertThat(panels).hasSize(6);
        double mm3 = panels.stream().mapToDouble(p -> p.areaMm2() * p.thickMm()).sum();
        assertThat(mm3)
                .isEqualTo(shell.outside().volume() - shell.cavity().volume() - 2 * (60 + Math.PI * 25), within(1e-6));
        assertThat(panels.getLast().holes().getFirst().middle()).isEqualTo(new Flat(52, 32));
    }

    @Test
    public void templatesAreSeenFromOutside() {
        Shell shell = shell(Shell.Making.FOUND, Material.STEEL_PAINTED, true)
                .withOpenings(List.of(
                        hole(Face.LEFT, 0, 10, 5, true),
                        hole(Face.RIGHT, 100, 10, 5, true),
                        hole(Face.FRONT, 30, 0, 5, true),
                        hole(Face.BACK, 30, 60, 5, true),
                        hole(Face.BOTTOM, 30, 10, 0, true)));
        shell = Form.of(Shell.class).field("bosses").with(shell, List.of(new Boss(80, 50, 6, 6, ScrewThread.M3)));
        List<Template> templates = Made.of(with(shell)).templates();
        assertThat(templates).hasSize(5);
        for (Template template : templates) {
            Flat first = template.holes().getFirst().middle();
            double wall = 2;
            Flat want = switch (template.name()) {
                case "Tray, left" -> new Flat(64 - 12, 5 + wall);
                case "Tray, right" -> new Flat(12, 5 + wall);
                case "Tray, front" -> new Flat(32, 5 + wall);
                case "Tray, back" -> new Flat(104 - 32, 5 + wall);
                default -> new Flat(104 - 32, 12);
            };
            assertThat(first).as(template.name()).isEqualTo(want);
        }
        Template floor = templates.stream()
                .filter(t -> t.holes().size() == 2)
                .findFirst()
                .orElseThrow();
        assertThat(floor.holes().getLast().wideMm()).isEqualTo(ScrewThread.M3.clearanceMm());
    }

    @Test
    public void theGaugePieceTriesWhatIsTightestAndTellsTheScale() {
        Opening port = new Opening(
                "port",
                Face.LEFT,
                new Vec(0, 20, 8),
                9,
                3.2,
                false,
                Optional.of(new Opening.Serves("charger", "USB-C in", false)));
        Opening wide = new Opening(
                "wide",
                Face.FRONT,
                new Vec(50, 0, 8),
                30,
                12,
                false,
                Optional.of(new Opening.Serves("charger", "DC out", false)));
        Shell shell = shell(Shell.Making.PRINTED, Material.PETG, true).withOpenings(List.of(wide, port));
        shell = Form.of(Shell.class)
                .field("bosses")
                .with(shell, List.of(new Boss(80, 50, 6, 6, ScrewThread.M3), new Boss(20, 50, 6, 6, ScrewThread.M3)));
        Build build = with(shell);
        Printed gauge = Made.of(build).printed().getFirst();
        PrintedTest.assertClosed(gauge.mesh(), "gauge");
        Box size = gauge.mesh().bounds();
        assertThat(size.dx()).isEqualTo(60);
        double plate = 60 * size.dy() * 3;
        double post = Math.PI / 4 * (36 - 2.5 * 2.5) * 8;
        assertThat(gauge.mesh().volumeMm3()).isEqualTo(plate - 3 * (9 * 3.2 + 30 * 12) + post, within(0.005 * plate));
        assertThat(gauge.notes().get(1)).contains("9.0 × 3.2").contains("port");
        // A piece that came out too short makes the next ones longer, and the gauge piece stays.
        Brief.Workshop tools = new Brief.Workshop(
                true, false, false, false, false, Optional.empty(), Optional.empty(), Optional.of(59.4));
        Made scaled =
                Made.of(build.with(Form.of(Brief.class).field("workshop").with(build.brief(), Optional.of(tools))));
        assertThat(scaled.printed().get(0).mesh()).isEqualTo(gauge.mesh());
        assertThat(scaled.printed().get(1).mesh().bounds().dx()).isEqualTo(104 * 60 / 59.4, within(1e-6));
    }

    @Test
    public void aPegGoesThroughItsOpeningAndItsRimDoesNot() {
        Opening button = hole(Face.FRONT, 50, 0, 10, true).with(new Peg(14, 0.2, 1, Optional.empty()));
        Shell shell = shell(Shell.Making.PRINTED, Material.PETG, true).withOpenings(List.of(button));
        Printed peg = Made.of(with(shell)).printed().getLast();
        PrintedTest.assertClosed(peg.mesh(), "peg");
        assertThat(peg.mesh().bounds().dz()).isEqualTo(14);
        Vec middle = new Vec(peg.mesh().bounds().dx() / 2, peg.mesh().bounds().dy() / 2, 0);
        Random random = new Random(1);
        assertThat(PrintedTest.holds(peg.mesh(), middle.plus(new Vec(4.6, 0, 8)), random))
                .isTrue();
        assertThat(PrintedTest.holds(peg.mesh(), middle.plus(new Vec(4.95, 0, 8)), random))
                .isFalse();
        assertThat(PrintedTest.holds(peg.mesh(), middle.plus(new Vec(5.8, 0, 0.5)), random))
                .isTrue();
    }

    /** A cover that is all window leaves nothing to print: it is told at the piece, and nothing else is lost. */
    @Test
    public void whatIsCutAwayWhollyIsToldAndLosesNothing() {
        Opening window = new Opening("window", Face.TOP, new Vec(50, 30, 20), 300, 300, false, Optional.empty());
        Shell shell = shell(Shell.Making.PRINTED, Material.PETG, false).withOpenings(List.of(window));
        List<Printed> printed = Made.of(with(shell)).printed();
        assertThat(printed).hasSize(2);
        assertThat(printed.getFirst().isSound()).isTrue();
        assertThat(printed.getLast().isSound()).isFalse();
        assertThat(printed.getLast().mesh().bounds().volume()).isZero();
    }
}
