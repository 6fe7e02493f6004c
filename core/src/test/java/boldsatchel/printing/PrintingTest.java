package boldsatchel.printing;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Trays as they come off a printer: each trouble in a build that has it, gone after its first remedy, and in a sound twin that has not. */
public final class PrintingTest {

    private static final List<String> CODES = List.of("means.bed", "print.seam", "print.tight", "print.gauge");

    private static final FitResult NOTHING_LIES = new FitEngine().nothing();

    /** 300 × 100 × 30 outside, to be printed. */
    private static Shell tray() {
        return Samples.tray("tray", 296, 96, 28, exact(2), Material.PLASTIC, true);
    }

    private static Opening hole(String name, double x, double wide) {
        return new Opening(name, Face.FRONT, new Vec(x, 0, 10), wide, 5, false, Optional.empty());
    }

    private static Shell bossed(Shell shell, double... x) {
        return Form.of(Shell.class)
                .field("bosses")
                .with(
                        shell,
                        IntStream.range(0, x.length)
                                .mapToObj(i -> new Boss(x[i], 50, 5, 6, ScrewThread.M3))
                                .toList());
    }

    private static Shell seamed(Shell shell, double... at) {
        return shell.withSeams(IntStream.range(0, at.length)
                .mapToObj(i -> new Seam(Seam.Way.LEFT_RIGHT, at[i]))
                .toList());
    }

    private static Build build(double bedMm, Optional<Figure> off, Shell shell) {
        Brief.Bed bed = new Brief.Bed(bedMm, bedMm, bedMm / 2);
        Brief.Workshop tools =
                new Brief.Workshop(true, true, true, true, true, Optional.of(bed), off, Optional.empty());
        Build empty = Build.empty("printed");
        Brief brief = Form.of(Brief.class).field("workshop").with(empty.brief(), Optional.of(tools));
        return empty.with(brief).with(Casing.of(List.of(shell), exact(0)));
    }

    /** A board at the front wall with a round power socket, and an opening before it that leaves so much on each side. */
    private static Build socketed(double room, Optional<Figure> off) {
        Part part = Samples.socketed(Samples.part("board", Family.HUB, 40, 30, 10, 30), exact(0.9), exact(0.1));
        Part board =
                part.withBody(part.body().using(part.body().ports().getFirst().id(), Port.Use.OUTSIDE));
        Shell shell = tray();
        Build laid = build(400, off, shell)
                .with(board)
                .with(new Placement("board", "tray", new Vec(256, 30, 6), Orientation.AS_DRAWN, Set.of()));
        Opening cut = Opening.of(
                shell,
                board,
                board.body().ports().getFirst(),
                laid.placement("board").orElseThrow());
        return laid.with(laid.casing().withShell(shell.withOpenings(List.of(cut.widened(2 * room - 1)))));
    }

    private static List<Finding> findings(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> CODES.contains(f.code()))
                .toList();
    }

    private static Optional<Figure> off(double mm) {
        return Optional.of(exact(mm));
    }

    @DataProvider
    Object[][] troubles() {
        Optional<Figure> known = off(0.1);
        return new Object[][] {
            {"means.bed", build(220, known, tray()), build(300, known, tray()), "300 mm, where 220 mm"},
            {
                "print.seam",
                build(220, known, seamed(bossed(tray(), 150), 148)),
                build(220, known, seamed(tray(), 148)),
                "a boss"
            },
            {
                "print.seam",
                build(220, known, seamed(tray().withOpenings(List.of(hole("slot", 148, 20))), 148)),
                build(220, known, seamed(tray().withOpenings(List.of(hole("slot", 60, 20))), 148)),
                "“slot”"
            },
            {"print.tight", socketed(0.1, off(0.4)), socketed(0.1, off(0.1)), "0.1 mm on its narrowest side, and 0.2 mm"
            },
            {
                "print.gauge",
                build(300, Optional.empty(), bossed(tray(), 50)),
                build(300, known, bossed(tray(), 50)),
                "1 boss"
            },
        };
    }

    @Test(dataProvider = "troubles")
    public void eachTroubleIsToldAndMended(String code, Build troubled, Build sound, String words) {
        Finding finding = findings(troubled).getFirst();
        assertThat(finding.code()).isEqualTo(code);
        assertThat(finding.message()).contains(words);
        Build mended = Findings.remedied(finding, troubled);
        assertThat(findings(mended)).as(finding.remedies().getFirst().words()).isEmpty();
        assertThat(findings(sound)).isEmpty();
    }

    /** What serves nothing and takes no screw needs no gauge piece; what is made already neither. */
    @Test
    public void aGaugePieceIsAskedForOnlyWhereSomethingHasToFit() {
        assertThat(findings(build(300, Optional.empty(), tray().withOpenings(List.of(hole("slot", 60, 20))))))
                .isEmpty();
        Shell made = Form.of(Shell.class).field("standing").with(bossed(tray(), 50), Part.Standing.OWNED);
        assertThat(findings(build(300, Optional.empty(), made))).isEmpty();
        Build asked = build(300, Optional.empty(), bossed(tray(), 50, 90));
        assertThat(findings(asked).getFirst().message()).contains("2 bosses have to fit");
        Build own =
                asked.with(asked.journal().withTasks(List.of(new Journal.Task("My own Gauge Piece", Set.of(), true))));
        assertThat(findings(own)).isEmpty();
    }

    /** 300 mm over a bed of 120 are three pieces of 100; of 55 no four do, and nothing is offered but advice. */
    @Test
    public void aTrayIsMadeOfAsFewPiecesAsTheBedTakes() {
        Build wide = build(120, off(0.1), tray());
        Build parted = Findings.remedied(findings(wide).getFirst(), wide);
        List<Box> pieces = parted.casing().shells().getFirst().pieces();
        assertThat(pieces).hasSize(3).allSatisfy(p -> assertThat(p.dx()).isCloseTo(100, within(1e-9)));
        assertThat(pieces.stream().mapToDouble(Box::volume).sum())
                .isCloseTo(tray().outside().volume(), within(1e-6));
        Finding none = findings(build(20, off(0.1), tray())).getFirst();
        assertThat(none.remedies().getFirst().edit()).isEmpty();
        Finding piece = findings(build(120, off(0.1), seamed(tray(), 148))).getFirst();
        assertThat(piece.message()).startsWith("A piece of tray is larger");
    }

    /** Against trying every tenth of a millimetre: the place offered is clear, and none is nearer. */
    @Test
    public void theNearestClearPlaceIsFound() {
        Random random = new Random(5);
        for (int i = 0; i < 100; i++) {
            Shell shell = bossed(
                            tray(), random.nextDouble(10, 280), random.nextDouble(10, 280), random.nextDouble(10, 280))
                    .withOpenings(List.of(hole("slot", random.nextDouble(30, 260), random.nextDouble(4, 60))))
                    .withVents(List.of(
                            new Vent("vent", Face.BACK, new Box(random.nextDouble(10, 200), 96, 5, 40, 0, 8), 0.5)));
            double at = random.nextDouble(10, 280);
            double nearest = Double.POSITIVE_INFINITY;
            for (double x = PrintingEngine.LAP_MM; x <= 296 - PrintingEngine.LAP_MM; x += 0.1) {
                if (isClear(shell, x)) {
                    nearest = Math.min(nearest, Math.abs(x - at));
                }
            }
            double found = PrintingEngine.clear(shell, new Seam(Seam.Way.LEFT_RIGHT, at))
                    .orElseThrow();
            assertThat(isClear(shell, found + 1e-6) || isClear(shell, found - 1e-6))
                    .isTrue();
            assertThat(Math.abs(found - at)).isCloseTo(nearest, within(0.11));
        }
    }

    private static boolean isClear(Shell shell, double x) {
        Build build = build(300, off(0.1), seamed(shell, x));
        return PrintingEngine.evaluate(build, NOTHING_LIES).crossed().isEmpty();
    }

    /** A seam square to a wall runs through what is in it; along a wall it meets nothing of it. */
    @Test
    public void aSeamMeetsOnlyWhatItRunsThrough() {
        Shell slotted = tray().withOpenings(List.of(hole("slot", 60, 20)));
        Shell across = slotted.withSeams(List.of(new Seam(Seam.Way.FRONT_BACK, 48)));
        assertThat(findings(build(300, off(0.1), across))).isEmpty();
        assertThat(across.pieces()).hasSize(2);
        assertThat(slotted.withSeams(List.of(new Seam(Seam.Way.LEFT_RIGHT, 500)))
                        .pieces())
                .hasSize(1);
    }
}
