package boldsatchel.assembly;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.cables.CablesEngine;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Link;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lids that are held on a tray, face down: what leads over to them, and what is closed when. */
public class LidTest {

    private static final double W = 120;
    private static final double D = 80;

    private static Shell tray(String id, double high, boolean open) {
        return Samples.tray(id, W, D, high, exact(2), Material.PLASTIC, open);
    }

    private static Joint held(Joint.Held.By by) {
        return new Joint(
                "screws",
                "Screws",
                "base",
                "lid",
                new Vec(0, D, 30),
                new Vec(0, 0, 12),
                new Orientation(Face.BOTTOM, 0),
                new Joint.Held(by, 4));
    }

    private static Part board(String id) {
        Port socket = new Port("s", Connector.SMALL_PLUG, Face.RIGHT, new Vec(30, 10, 4), Port.Use.INSIDE_STRAIGHT);
        return Samples.part(id, Family.HUB, 30, 20, 8, 20)
                .withBody(new Body(
                        exact(30), exact(20), exact(8), List.of(), List.of(), List.of(socket), Optional.empty()));
    }

    /** A board in a base, and one in the lid that is over it. */
    private static Build shut(Joint.Held.By by) {
        return Build.empty("lid")
                .with(Casing.of(List.of(tray("base", 30, true), tray("lid", 12, true)), exact(0))
                        .withJoint(held(by)))
                .with(board("low"))
                .with(board("high"))
                .with(new Placement("low", "base", new Vec(20, 20, 0), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("high", "lid", new Vec(20, 20, 0), Orientation.AS_DRAWN, Set.of()));
    }

    private static Build soldered(Build build, double mm) {
        return build.withChain(List.of(Rung.of(
                "root",
                new Rung.OfPart("low"),
                Rung.of("wires", new Rung.Wire(24, mm), Rung.of("end", new Rung.OfPart("high"))))));
    }

    private static Build led(Build build, double mm) {
        Part cable = Samples.cable("lead", mm, false, 4, 0);
        Build with = build.with(cable);
        with = with.with(with.layout().with(new Laid("lead", List.of())));
        return with.with(with.wiring()
                .withLinks(List.of(
                        new Link("l1", Link.End.of("low", "s"), Link.End.of("lead", "a")),
                        new Link("l2", Link.End.of("lead", "b"), Link.End.of("high", "s")))));
    }

    @DataProvider
    Object[][] holding() {
        return new Object[][] {{Joint.Held.By.SCREWS}, {Joint.Held.By.MAGNETS}, {Joint.Held.By.LATCHES}};
    }

    /** As one opens a book: from the board up to the rim, over it, and down to the other board beside. */
    @Test(dataProvider = "holding")
    public void wiresThatReachBesideTheCaseLetTheLidOffAndShorterOnesDoNot(Joint.Held.By by) {
        assertThat(AssemblyEngine.evaluate(shut(by)).circles()).isEmpty();
        assertThat(AssemblyEngine.evaluate(soldered(shut(by), 300)).circles()).isEmpty();
        AssemblyResult tied = AssemblyEngine.evaluate(soldered(shut(by), 60));
        assertThat(tied.circles())
                .singleElement()
                .satisfies(c -> assertThat(c.pieces())
                        .containsExactlyInAnyOrder(
                                new Piece(Piece.Kind.PART, "low"),
                                new Piece(Piece.Kind.PART, "high"),
                                new Piece(Piece.Kind.TRAY, "lid")));
        AssemblyResult.WayOut way = tied.wayOut().get().orElseThrow();
        assertThat(way.changes()).containsExactly(Loosening.of(Loosening.Kind.CONNECTOR, "wires"));
        assertThat(Evaluator.evaluate(soldered(shut(by), 60)).findings())
                .extracting(Finding::code)
                .contains("assembly.circle");
    }

    /** A lead that is just long enough when it is closed cannot be plugged in: no hand gets in while it is on, and it does not come off. */
    @Test
    public void aLeadThatIsTooShortToOpenTheLidIsACircle() {
        Build build = shut(Joint.Held.By.SCREWS);
        double closed = CablesEngine.evaluate(led(build, 400))
                .laying("lead")
                .orElseThrow()
                .lengthMm();
        assertThat(AssemblyEngine.evaluate(led(build, closed + Ties.SPARE_MM + 1))
                        .circles())
                .isEmpty();
        AssemblyResult tight = AssemblyEngine.evaluate(led(build, closed + Ties.SPARE_MM - 1));
        assertThat(tight.circles()).hasSize(1);
        assertThat(tight.wayOut().get().orElseThrow().changes())
                .containsExactly(Loosening.of(Loosening.Kind.LONGER_LEAD, "lead"));
    }

    @Test
    public void whatLeadsToALidIsPluggedInBeforeItCloses() {
        Plan plan = PlanEngine.evaluate(led(shut(Joint.Held.By.SCREWS), 400));
        List<Job> jobs = plan.steps().stream().map(Step::job).toList();
        assertThat(jobs).contains(Job.PLUG, Job.HANG);
        assertThat(jobs.indexOf(Job.PLUG)).isLessThan(jobs.indexOf(Job.HANG));
        Step hang = plan.steps().get(jobs.indexOf(Job.HANG));
        assertThat(hang.phase()).isEqualTo(Step.Phase.CLOSED);
        assertThat(hang.cautions()).anyMatch(c -> c.contains("pinched"));
        Plan plain = PlanEngine.evaluate(shut(Joint.Held.By.SCREWS));
        assertThat(plain.steps())
                .filteredOn(s -> s.job() == Job.HANG)
                .singleElement()
                .satisfies(s -> assertThat(s.cautions()).noneMatch(c -> c.contains("pinched")));
    }

    /** Under a cover nothing goes in: a small closed box with a board in it hangs in the base before what lies over it does. */
    @Test
    public void aBoxInTheCaseIsClosedBeforeWhatLiesOverIt() {
        Shell box = Samples.tray("lid", 40, 40, 12, exact(2), Material.PLASTIC, false);
        Joint hung = new Joint(
                "screws",
                "Screws",
                "base",
                "lid",
                new Vec(10, 10, 2),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Held(Joint.Held.By.SCREWS, 4));
        Build build = Build.empty("box")
                .with(Casing.of(List.of(tray("base", 30, false), box), exact(0)).withJoint(hung))
                .with(board("high"))
                .with(board("low"))
                .with(new Placement("high", "base", new Vec(15, 15, 18), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("low", "lid", new Vec(2, 2, 0), Orientation.AS_DRAWN, Set.of()));
        AssemblyResult result = AssemblyEngine.evaluate(build);
        assertThat(result.circles()).isEmpty();
        List<Step> steps = PlanEngine.evaluate(build).steps();
        assertThat(steps)
                .filteredOn(s -> s.phase() != Step.Phase.TABLE)
                .extracting(Step::id)
                .containsExactly("LAY:low", "HANG:lid", "COVER:lid", "LAY:high", "COVER:base");
        assertThat(steps)
                .filteredOn(s -> s.phase() == Step.Phase.CLOSED)
                .extracting(Step::id)
                .containsExactly("COVER:base");
    }

    /** What is glued stays shut once it is finished, and nothing behind it is reached. */
    @Test
    public void behindAGluedLidNothingIsReached() {
        Build glued = shut(Joint.Held.By.GLUE);
        assertThat(AssemblyEngine.evaluate(glued).circles()).isEmpty();
        assertThat(AssemblyEngine.reach(glued, "low").orElseThrow().isShut()).isTrue();
        assertThat(AssemblyEngine.reach(shut(Joint.Held.By.SCREWS), "low")
                        .orElseThrow()
                        .steps())
                .hasSize(2);
        assertThat(PlanEngine.evaluate(glued).steps())
                .filteredOn(s -> s.job() == Job.HANG)
                .singleElement()
                .satisfies(s -> assertThat(s.waitMinutes()).isPositive());
    }
}
