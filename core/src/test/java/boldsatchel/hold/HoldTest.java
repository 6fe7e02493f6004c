package boldsatchel.hold;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
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
import java.util.List;
import java.util.Optional;
import java.util.Set;
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
        Build mended =
                finding.remedies().getFirst().edit().orElseThrow().change().apply(troubled);
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
        Build said = unsaid.remedies().getFirst().edit().orElseThrow().change().apply(build);
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
        assertThat(findings(covered(open, Joint.Held.By.SCREWS, false))).isEmpty();
        assertThat(findings(covered(open, Joint.Held.By.GLUE, true))).isEmpty();
    }

    private static Build covered(Build build, Joint.Held.By by, boolean hatch) {
        Casing casing = Casing.of(List.of(tray("base"), tray("cover"), tray("hatch")), exact(0))
                .withJoint(on("cover", by));
        return build.with(hatch ? casing.withJoint(on("hatch", Joint.Held.By.LATCHES)) : casing);
    }

    private static Joint on(String id, Joint.Held.By by) {
        return new Joint(id, id, "base", id, new Vec(0, 0, 60), Vec.ZERO, Orientation.AS_DRAWN, new Joint.Held(by, 4));
    }
}
