package boldsatchel.hold;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Magnet;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Screw;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Form;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What holds parts: each trouble in a build that has it, gone after its first remedy, and in a sound twin that has not. */
public final class HoldTest {

    /** Floor 3 mm, two bosses of 5 mm for M3. */
    private static Shell tray(String id) {
        Shell plain = Samples.tray(id, 200, 100, 30, exact(3), Material.PLASTIC, true);
        return Form.of(Shell.class)
                .field("bosses")
                .with(plain, List.of(new Boss(15, 35, 5, 7, ScrewThread.M3), new Boss(65, 35, 5, 7, ScrewThread.M3)));
    }

    private static Part board(double grams) {
        List<Hole> holes = List.of(hole(5), hole(55));
        Body body = new Body(
                exact(60), exact(40), exact(1.6), List.of(), List.of(), List.of(), holes, List.of(), Optional.empty());
        return Samples.part("board", Family.HUB, 60, 40, 1.6, grams).withBody(body);
    }

    private static Hole hole(double x) {
        return new Hole(ScrewThread.M3, false, Face.TOP, new Vec(x, 5, 1.6));
    }

    private static Build held(Part part, Vec at, Fixing fixing) {
        return Build.empty("h")
                .with(Casing.of(List.of(tray("base")), exact(0)))
                .with(part)
                .with(new Placement(part.id(), "base", at, Orientation.AS_DRAWN, Set.of()).held(Optional.of(fixing)));
    }

    private static Build screwed(double x, double length) {
        Screw screw = new Screw(ScrewThread.M3, length);
        return held(board(40), new Vec(x, 30, 5), new Fixing(Fixing.By.SCREWS, Optional.of(screw)));
    }

    private static Part block(String id, Family family, double grams) {
        return Samples.part(id, family, 40, 20, 10, grams);
    }

    private static Build block(Family family, double grams, Fixing.By by) {
        return held(block("it", family, grams), new Vec(100, 20, 0), Fixing.by(by));
    }

    /** A keyboard of 180 × 80 mm, 15 mm over the floor, its left edge at 10, glued to ribs that begin at these places and are 10 mm wide. */
    private static Build typed(Fixing.By by, double... ribs) {
        Shell shell = Samples.tray("base", 200, 100, 30, exact(2), Material.PLASTIC, true);
        List<Solid> all = DoubleStream.of(ribs)
                .<Solid>mapToObj(x -> new Box(x - 5, 5, 0, 10, 85, 15))
                .toList();
        return Build.empty("typed")
                .with(Casing.of(List.of(Form.of(Shell.class).field("ribs").with(shell, all)), exact(0)))
                .with(Samples.part("keys", Family.KEYBOARD, 180, 80, 8, 200))
                .with(new Placement("keys", "base", new Vec(10, 8, 15), Orientation.AS_DRAWN, Set.of())
                        .held(Optional.of(Fixing.by(by))));
    }

    /**
     * By hand: ribs from 45 to 55 and from 145 to 155 mm bear it; the middles of its outermost keys are at 10 + 9.5 and at 190 − 9.5 mm, 25.5 mm
     * beyond on either side, all four of them.
     */
    @Test
    public void keysBeyondWhatBearsThemLieHollow() {
        Build build = typed(Fixing.By.GLUE, 50, 150);
        HoldResult.Hollow hollow = HoldEngine.evaluate(build).hollow().getFirst();
        assertThat(hollow.corners()).hasSize(4).contains(new Vec(19.5, 16, 15), new Vec(180.5, 80, 15));
        assertThat(hollow.overMm()).isCloseTo(25.5, within(1e-9));
        assertThat(findings(build).getFirst().message())
                .startsWith("4 corners of keys lie hollow")
                .contains("25.5 mm");
        assertThat(HoldEngine.evaluate(typed(Fixing.By.GLUE, 50, 180))
                        .hollow()
                        .getFirst()
                        .corners())
                .as("the right is borne")
                .hasSize(2);
        assertThat(findings(typed(Fixing.By.STRAP)).getFirst().message()).startsWith("Nothing bears keys");
        Build mended = Findings.remedied(findings(build).getFirst(), build);
        assertThat(mended.shell("base").orElseThrow().bosses())
                .hasSize(4)
                .allSatisfy(b -> assertThat(b.heightMm()).isEqualTo(15));
        assertThat(FitEngine.evaluate(mended).clashes()).isEmpty();
    }

    private static List<Finding> findings(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().startsWith("hold."))
                .toList();
    }

    @DataProvider
    Object[][] troubles() {
        return new Object[][] {
            {"hold.nothing", block(Family.HUB, 30, Fixing.By.NOTHING), block(Family.HUB, 30, Fixing.By.WEDGE)},
            {"hold.hole-off", screwed(10.5, 8), screwed(10.1, 8)},
            {"hold.screw-short", screwed(10, 5), screwed(10, 8)},
            {"hold.screw-through", screwed(10, 10), screwed(10, 8)},
            // 800 mm² bear 145 g.
            {"hold.tape-weak", block(Family.HUB, 150, Fixing.By.TAPE), block(Family.HUB, 140, Fixing.By.TAPE)},
            {"hold.glued-in", block(Family.DRIVE, 30, Fixing.By.GLUE), block(Family.HUB, 30, Fixing.By.GLUE)},
            {"hold.keys-hollow", typed(Fixing.By.GLUE, 50, 150), typed(Fixing.By.GLUE, 20, 180)},
            {"hold.keys-hollow", typed(Fixing.By.STRAP), typed(Fixing.By.CLIPS)},
            {
                "hold.no-boss",
                held(board(40), new Vec(100, 30, 5), Fixing.by(Fixing.By.SCREWS)),
                held(board(40), new Vec(10, 30, 5), Fixing.by(Fixing.By.SCREWS))
            },
        };
    }

    @Test(dataProvider = "troubles")
    public void eachTroubleIsToldAndMended(String code, Build troubled, Build sound) {
        Finding finding = findings(troubled).getFirst();
        assertThat(finding.code()).isEqualTo(code);
        assertThat(finding.severity()).isNotEqualTo(Severity.NOTE);
        assertThat(finding.message()).isNotBlank();
        Build mended = Findings.remedied(finding, troubled);
        assertThat(findings(mended)).as(finding.remedies().getFirst().words()).isEmpty();
        assertThat(findings(sound)).isEmpty();
    }

    /** M3 × 6 through 1.6 mm: 4.4 mm of thread in a boss of 5 and a floor of 3. */
    @Test
    public void theThreadThatHoldsIsWorkedOut() {
        HoldResult.Screwed hole = HoldEngine.evaluate(screwed(10, 6)).holes().getFirst();
        assertThat(hole.clampedMm()).isCloseTo(1.6, within(1e-9));
        assertThat(hole.engagedMm()).isCloseTo(4.4, within(1e-9));
        assertThat(hole.wantedMm()).isCloseTo(4.5, within(1e-9));
        assertThat(hole.throughMm()).isCloseTo(-3.6, within(1e-9));
        assertThat(HoldEngine.evaluate(screwed(10, 10)).holes().getFirst().throughMm())
                .isCloseTo(0.4, within(1e-9));
        assertThat(HoldEngine.evaluate(screwed(10.5, 6)).holes().getFirst().asideMm())
                .isCloseTo(0.5, within(1e-9));
    }

    @Test
    public void whatNobodySaidIsSaidOnceAndTakenAsUsual() {
        Placement board = new Placement("board", "base", new Vec(10, 30, 5), Orientation.AS_DRAWN, Set.of());
        Placement pack = new Placement("pack", "base", new Vec(100, 30, 0), Orientation.AS_DRAWN, Set.of());
        Placement ear = new Placement("ear", "base", new Vec(100, 70, 0), Orientation.AS_DRAWN, Set.of());
        Build build = Build.empty("u")
                .with(Casing.of(List.of(tray("base")), exact(0)))
                .with(board(40))
                .with(block("pack", Family.BATTERY, 200))
                .with(block("ear", Family.RADIO, 5))
                .with(board)
                .with(pack)
                .with(ear);
        Finding unsaid = findings(build).getFirst();
        assertThat(unsaid.code()).isEqualTo("hold.unsaid");
        assertThat(unsaid.severity()).isEqualTo(Severity.NOTE);
        assertThat(unsaid.subjects()).containsExactly("board", "pack", "ear");
        Build said = Findings.remedied(unsaid, build);
        assertThat(said.layout().placements())
                .extracting(p -> p.fixing().orElseThrow().by())
                .containsExactly(Fixing.By.SCREWS, Fixing.By.STRAP, Fixing.By.TAPE);
        assertThat(findings(said)).isEmpty();
    }

    /** A cover glued on a tray with a pack is told; with a hatch beside it, or held by screws, it is not. */
    @Test
    public void glueThatClosesAWayIsTold() {
        Build open = block(Family.BATTERY, 100, Fixing.By.STRAP);
        Build glued = covered(open, Joint.Held.By.GLUE, false);
        assertThat(findings(glued)).singleElement().satisfies(f -> {
            assertThat(f.code()).isEqualTo("hold.glue-closes");
            assertThat(f.subjects()).containsExactly("it");
        });
        assertThat(findings(covered(open, Joint.Held.By.SCREWS, false)))
                .extracting(Finding::code)
                .doesNotContain("hold.glue-closes");
        assertThat(findings(covered(open, Joint.Held.By.GLUE, true))).isEmpty();
        Finding first = findings(glued).getFirst();
        assertThat(findings(Findings.remedied(first, glued)))
                .extracting(Finding::code)
                .doesNotContain("hold.glue-closes");
    }

    private static Build covered(Build build, Joint.Held.By by, boolean hatch) {
        Casing casing = Casing.of(List.of(tray("base"), tray("cover"), tray("hatch")), exact(0))
                .withJoint(on("cover", by));
        return build.with(hatch ? casing.withJoint(on("hatch", Joint.Held.By.LATCHES)) : casing);
    }

    private static Joint on(String id, Joint.Held.By by) {
        return new Joint(id, id, "base", id, new Vec(0, 0, 60), Vec.ZERO, Orientation.AS_DRAWN, new Joint.Held(by, 4));
    }

    /** A lid of 15 mm face down on a tray of 30, both with floors of 3 mm, and a boss so high in the tray that takes a screw so long. */
    private static Build screwedOn(double bossHigh, double screw) {
        Shell base = Samples.tray("base", 200, 100, 30, exact(2), Material.PLASTIC, true);
        Shell lid = Samples.tray("lid", 200, 100, 15, exact(2), Material.PLASTIC, true);
        Shell posted =
                Form.of(Shell.class).field("bosses").with(base, List.of(new Boss(10, 10, bossHigh, 7, ScrewThread.M3)));
        Joint joint = new Joint(
                "screws",
                "Screws",
                "base",
                "lid",
                new Vec(0, 100, 30),
                new Vec(0, 0, 15),
                new Orientation(Face.BOTTOM, 0),
                Joint.Held.screws(4, new Screw(ScrewThread.M3, screw)));
        return Build.empty("s")
                .with(Casing.of(List.of(bossHigh > 0 ? posted : base, lid), exact(0))
                        .withJoint(joint));
    }

    /** The lid's floor lies from 45 to 47 mm over that of the tray: a boss of 45 mm leaves 2 mm to be clamped, one of 42 leaves 5. */
    @Test
    public void screwsBetweenTraysHoldAsPartsScrewsDo() {
        HoldResult.Screwed screwed =
                HoldEngine.evaluate(screwedOn(42, 12)).holes().getFirst();
        assertThat(screwed.clampedMm()).isCloseTo(5, within(1e-9));
        assertThat(screwed.engagedMm()).isCloseTo(7, within(1e-9));
        assertThat(findings(screwedOn(42, 12))).isEmpty();
        Build brief = screwedOn(42, 8);
        Finding small = findings(brief).getFirst();
        assertThat(small.code()).isEqualTo("hold.screw-short");
        assertThat(small.message()).contains("The screws of lid hold in 3 mm");
        assertThat(findings(Findings.remedied(small, brief))).isEmpty();
        Build none = screwedOn(0, 12);
        Finding unheld = findings(none).getFirst();
        assertThat(unheld.code()).isEqualTo("hold.tray-no-boss");
        Build held = Findings.remedied(unheld, none);
        assertThat(findings(held)).isEmpty();
        assertThat(held.shell("base").orElseThrow().bosses())
                .extracting(Boss::heightMm)
                .containsExactly(45.0, 45.0, 45.0, 45.0);
        assertThat(((Joint.Held) held.casing().joints().getFirst().way()).screw())
                .contains(new Screw(ScrewThread.M3, 8));
        assertThat(FitEngine.evaluate(held).clashes()).isEmpty();
        Build full = none.with(Samples.block("in", 199, 99, 20))
                .with(new Placement("in", "base", new Vec(0.5, 0.5, 0), Orientation.AS_DRAWN, Set.of()));
        assertThat(findings(full).stream()
                        .filter(f -> f.code().equals("hold.tray-no-boss"))
                        .flatMap(f -> f.remedies().stream())
                        .filter(r -> r.edit().isPresent()))
                .as("no corner has room in the tray; from below into the lid they would go through the same")
                .isEmpty();
    }

    private static Build onMagnets(Optional<Magnet> magnet, int count, double grams) {
        Shell cover = Form.of(Shell.class).field("weighedG").with(tray("cover"), Optional.of(exact(grams)));
        Joint joint = on("cover", Joint.Held.By.MAGNETS)
                .with(new Joint.Held(Joint.Held.By.MAGNETS, count, magnet, Optional.empty()));
        return Build.empty("m")
                .with(Casing.of(List.of(tray("base"), cover), exact(0)).withJoint(joint));
    }

    /** A cover that falls off is told and gets more magnets, or larger ones; of magnets that nobody described that is said. */
    @Test
    public void whatMagnetsDoNotHoldIsTold() {
        Optional<Magnet> usual = Optional.of(Magnet.USUAL);
        double each = Pull.newtons(Magnet.USUAL);
        double bears = 4 * each / 3 / 9.80665 * 1e3;
        assertThat(findings(onMagnets(usual, 4, bears - 1))).isEmpty();
        Build heavy = onMagnets(usual, 4, bears + 1);
        Finding weak = findings(heavy).getFirst();
        assertThat(weak.code()).isEqualTo("hold.magnets-weak");
        Build more = Findings.remedied(weak, heavy);
        assertThat(findings(more)).isEmpty();
        assertThat(more.casing().joints().getFirst().way()).isEqualTo(Joint.Held.magnets(5, Magnet.USUAL));
        Build far = onMagnets(Optional.of(new Magnet(8, 3, 2, false)), 4, 900);
        Finding larger = findings(far).getFirst();
        assertThat(findings(Findings.remedied(larger, far)))
                .as(larger.remedies().getFirst().words())
                .isEmpty();
        Build unsaid = onMagnets(Optional.empty(), 4, 100);
        Finding note = findings(unsaid).getFirst();
        assertThat(note.code()).isEqualTo("hold.magnets-unsaid");
        assertThat(findings(Findings.remedied(note, unsaid))).isEmpty();
    }

    @DataProvider
    Object[][] magnets() {
        return new Object[][] {{8.0, 3.0, 1.0}, {8.0, 3.0, 3.0}, {10.0, 2.0, 1.5}, {5.0, 10.0, 2.0}};
    }

    /** Against Coulomb's law between the patches that four discs of magnetic charge are cut into. */
    @Test(dataProvider = "magnets")
    public void thePullIsThatOfChargesOnTheEnds(double diameter, double thick, double gap) {
        double pull = 0;
        for (double[] pair : new double[][] {{gap, 1}, {gap + 2 * thick, 1}, {gap + thick, -2}}) {
            pull += pair[1] * patches(diameter / 2, pair[0]);
        }
        double newtons = Pull.REMANENCE_T * Pull.REMANENCE_T / (4 * Math.PI * 4e-7 * Math.PI) * pull * 1e-6;
        Magnet magnet = new Magnet(diameter, thick, gap, false);
        assertThat(Pull.newtons(magnet)).isCloseTo(newtons, within(0.01 * newtons));
        assertThat(Pull.newtons(new Magnet(diameter, thick, gap / 2, true)))
                .isCloseTo(Pull.newtons(magnet), within(1e-9));
    }

    /** Sum over the patches of two discs of the area of both times z over the cube of their distance, mm². */
    private static double patches(double radius, double z) {
        double step = radius / 30;
        List<double[]> patches = new ArrayList<>();
        for (double x = -radius + step / 2; x < radius; x += step) {
            for (double y = -radius + step / 2; y < radius; y += step) {
                if (x * x + y * y <= radius * radius) {
                    patches.add(new double[] {x, y});
                }
            }
        }
        double patch = Math.PI * radius * radius / patches.size();
        double sum = 0;
        for (double[] a : patches) {
            for (double[] b : patches) {
                double square = (a[0] - b[0]) * (a[0] - b[0]) + (a[1] - b[1]) * (a[1] - b[1]) + z * z;
                sum += z / (square * Math.sqrt(square));
            }
        }
        return sum * patch * patch;
    }

    /** Long magnets that touch pull with B²A/2μ₀, and twice as far apart with less. */
    @Test
    public void whatTouchesPullsByTheFieldPressure() {
        double area = Math.PI * 4 * 4 * 1e-6;
        double pressure = 1.2 * 1.2 * area / (2 * 4e-7 * Math.PI);
        assertThat(Pull.newtons(new Magnet(8, 400, 0, false))).isCloseTo(pressure, within(0.01 * pressure));
        double before = Double.POSITIVE_INFINITY;
        for (double gap = 0; gap < 20; gap += 0.5) {
            double pull = Pull.newtons(new Magnet(8, 3, gap, false));
            assertThat(pull).isPositive().isLessThan(before);
            before = pull;
        }
    }
}
