package boldsatchel.cables;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.edit.Edits;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Link;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Layings;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Cables where they are laid: lengths, bends, folds, bundles and what is in the way, worked by hand; each trouble beside a sound twin. */
public final class CablesTest {

    private static final Joint HINGE = Joint.lid("tray", "lid", new Vec(0, 102, 30), new Vec(0, -2, 20), 170, exact(2));

    private static Part socketed(String id, Face face, Vec at) {
        Port port = new Port("s", Connector.SMALL_PLUG, face, at, Port.Use.INSIDE_STRAIGHT);
        return Samples.part(id, Family.HUB, 20, 20, 10, 10)
                .withBody(new Body(
                        exact(20), exact(20), exact(10), List.of(), List.of(), List.of(port), Optional.empty()));
    }

    private static Part round(double mm) {
        return Samples.cable("c", mm, false, 4, 0);
    }

    private static Shell tray(String id, double high) {
        return Samples.tray(id, 200, 100, high, exact(2), Material.PLASTIC, true);
    }

    /** From (40, 50, 5), where one plug ends, to (160, 50, 5), where the other does. */
    private static Build build(Part cable) {
        Build build = Build.empty("cables")
                .with(Casing.of(List.of(tray("tray", 40)), exact(0)))
                .with(socketed("left", Face.RIGHT, new Vec(20, 10, 5)))
                .with(socketed("right", Face.LEFT, new Vec(0, 10, 5)))
                .with(cable)
                .with(new Placement("left", "tray", new Vec(10, 40, 0), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("right", "tray", new Vec(170, 40, 0), Orientation.AS_DRAWN, Set.of()));
        return linked(build, cable.id());
    }

    private static Build linked(Build build, String cable) {
        List<Link> links = new ArrayList<>(build.wiring().links());
        links.add(new Link(cable + "-1", Link.End.of("left", "s"), Link.End.of(cable, "a")));
        links.add(new Link(cable + "-2", Link.End.of(cable, "b"), Link.End.of("right", "s")));
        return build.with(build.wiring().withLinks(links));
    }

    private static Build laid(Build build, String what, double... xyz) {
        List<Laid.Bend> bends = new ArrayList<>();
        for (int i = 0; i < xyz.length; i += 3) {
            bends.add(new Laid.Bend("tray", new Vec(xyz[i], xyz[i + 1], xyz[i + 2])));
        }
        return build.with(build.layout().with(new Laid(what, bends)));
    }

    private static Build routed(double mm, double... xyz) {
        return laid(build(round(mm)), "c", xyz);
    }

    /** Round a detour to the back: 10 + 20 + away + 80 + away + 20 + 10 mm. */
    private static Build detour(double mm, double away) {
        return routed(mm, 60, 50, 5, 60, 50 + away, 5, 140, 50 + away, 5, 140, 50, 5);
    }

    /** With a lid from which a block hangs: closed it is from (80, 30, 22) to (120, 70, 60) of the tray. */
    private static Build lidded(Build build, double opened) {
        Joint hinge = Joint.lid("tray", "lid", new Vec(0, 102, 40), new Vec(0, -2, 20), 170, exact(2));
        return build.with(Casing.of(List.of(tray("tray", 40), tray("lid", 20)), exact(0))
                        .withLid(hinge, opened))
                .with(Samples.part("block", Family.HUB, 40, 40, 38, 20))
                .with(new Placement("block", "lid", new Vec(80, 30, 0), Orientation.AS_DRAWN, Set.of()));
    }

    private static Build flat(double... xyz) {
        return laid(build(Samples.cable("c", 220, true, 12, 0.3)), "c", xyz);
    }

    private static CablesResult.Laying laying(Build build) {
        return CablesEngine.evaluate(build).laying("c").orElseThrow();
    }

    private static List<Finding> found(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .toList();
    }

    @Test
    public void lengthAndBendsAreWhatTheyAreByHand() {
        CablesResult.Laying laying = laying(detour(260, 30));
        assertThat(laying.lengthMm()).isEqualTo(200, within(1e-9));
        assertThat(laying.spareMm().orElseThrow()).isEqualTo(60, within(1e-9));
        // Its first end and the plug there, four bends, the other plug and end.
        assertThat(List.of(
                        laying.way().isOfFirst(0),
                        laying.way().isOfFirst(1),
                        laying.way().isOfFirst(6)))
                .containsExactly(true, true, false);
        assertThat(laying.corners()).allMatch(c -> Math.abs(c.degrees() - 90) < 1e-9 && !c.fold());
        // The first leg is all of the first corner's, 20 mm; the second is shared, 15 mm each.
        assertThat(laying.corners().get(0).radiusMm()).isEqualTo(15, within(1e-9));
        assertThat(laying.corners().get(1).radiusMm()).isEqualTo(15, within(1e-9));
        // 45° over legs of 30 mm: a tangent of 30 mm belongs to a radius of 30 / tan 22.5°.
        CablesResult.Laying slanted = laying(routed(200, 70, 50, 5, 100, 80, 5, 130, 50, 5));
        assertThat(slanted.corners().getFirst().radiusMm())
                .isEqualTo(
                        Math.min(
                                30 / Math.tan(Math.toRadians(22.5)),
                                Math.sqrt(1800) / (Math.tan(Math.toRadians(22.5)) + Math.tan(Math.toRadians(45)))),
                        within(1e-9));
    }

    @DataProvider
    public Object[][] troubles() {
        Part battery = Samples.part("battery", Family.BATTERY, 40, 40, 20, 100);
        Build between = laid(build(round(200)), "c")
                .with(battery)
                .with(new Placement("battery", "tray", new Vec(80, 30, 0), Orientation.AS_DRAWN, Set.of()));
        Build straight = laid(build(round(160)), "c");
        return new Object[][] {
            {
                "cable.short",
                Severity.STOP,
                detour(190, 40),
                detour(230, 40),
                List.of("190 mm long", "takes 220 mm", "left", "right")
            },
            {
                "cable.spare",
                Severity.WATCH,
                laid(build(round(320)), "c"),
                laid(build(round(190)), "c"),
                List.of("180 mm longer", "36 mm × 36 mm × 8 mm")
            },
            {
                "cable.bend",
                Severity.WATCH,
                detour(260, 30),
                detour(230, 34),
                List.of("by 90°", "radius of 15 mm", "bears 16 mm")
            },
            {
                "cable.through",
                Severity.STOP,
                between,
                laid(between.with(round(230)), "c", 60, 50, 5, 60, 85, 5, 140, 85, 5, 140, 50, 5),
                List.of("runs through battery, 7 mm deep")
            },
            {
                "cable.through",
                Severity.STOP,
                routed(220, 60, 50, 5, 60, 99.5, 5, 140, 99.5, 5, 140, 50, 5),
                straight,
                List.of("wall, rib or boss of tray", "1.5 mm deep")
            },
            {
                "cable.through",
                Severity.STOP,
                lidded(routed(220, 60, 50, 5, 60, 50, 30, 140, 50, 30, 140, 50, 5), 100),
                lidded(straight, 100),
                List.of("runs through block when closed, 10 mm deep")
            },
            {
                "cable.fold",
                Severity.WATCH,
                flat(60, 50, 5, 60, 80, 5, 140, 80, 5, 140, 50, 5),
                flat(60, 50, 5, 60, 50, 30, 140, 50, 30, 140, 50, 5),
                List.of("turned sideways 4 times")
            },
        };
    }

    @Test(dataProvider = "troubles")
    public void eachTroubleIsToldAndGoneAfterItsFirstRemedy(
            String code, Severity severity, Build ill, Build sound, List<String> words) {
        Finding finding = found(ill, code).getFirst();
        assertThat(finding.severity()).isEqualTo(severity);
        assertThat(finding.subjects().getFirst()).isEqualTo("c");
        assertThat(finding.message()).contains(words);
        Build mended = Findings.remedied(finding, ill);
        assertThat(found(mended, code)).isEmpty();
        assertThat(found(sound, code)).isEmpty();
        assertThat(Evaluator.evaluate(sound).findings()).noneMatch(f -> f.code().startsWith("cable."));
    }

    /** A bent flat cable keeps its width; one fold turns its contacts over, and a quarter turn is a twist. */
    @Test
    public void aFlatCableFoldsWhereItIsTurnedSideways() {
        CablesResult.Laying over = laying(flat(60, 50, 5, 60, 50, 30, 140, 50, 30, 140, 50, 5));
        assertThat(over.folds()).isZero();
        assertThat(over.crooked()).isFalse();
        CablesResult.Laying once = laying(flat(100, 50, 5, 100, 90, 5));
        assertThat(once.folds()).isGreaterThanOrEqualTo(1);
        Build odd = flat(60, 50, 5, 60, 80, 5, 60, 80, 30, 160, 80, 30);
        assertThat(laying(odd).crooked() || laying(odd).folds() > 0).isTrue();
        Finding fold =
                found(flat(60, 50, 5, 60, 80, 5, 60, 80, 20), "cable.fold").getFirst();
        assertThat(fold.message()).contains("folded over itself");
        // A fold is no bend: it needs no radius.
        assertThat(laying(flat(60, 50, 5, 60, 51, 5)).corners().getFirst().fold())
                .isTrue();
        assertThat(laying(flat(60, 50, 5, 60, 50, 7, 140, 50, 7, 140, 50, 5)).tightest())
                .hasValueSatisfying(c -> assertThat(c.radiusMm()).isEqualTo(1, within(1e-9)));
    }

    /** From tray to tray it has to be as long as in the posture in which it has furthest to go; there by the law of the turn. */
    @Test
    public void throughAHingeItsLengthIsThatOfTheWorstPosture() {
        Build build = build(round(300));
        Casing casing =
                Casing.of(List.of(tray("tray", 30), tray("lid", 20)), exact(0)).withLid(HINGE, 100);
        build = build.with(casing)
                .with(new Placement("right", "lid", new Vec(170, 40, 0), Orientation.AS_DRAWN, Set.of()));
        List<Laid.Bend> bends =
                List.of(new Laid.Bend("tray", new Vec(100, 96, 28)), new Laid.Bend("lid", new Vec(100, 6, 15)));
        build = build.with(build.layout().with(new Laid("c", bends)));
        CablesResult.Laying laying = laying(build);
        // In the base's frame, from the axis: (−6, −2) and, closed, (−8, 5), which turns about it by 100°.
        double cos = Math.cos(Math.toRadians(100));
        double sin = Math.sin(Math.toRadians(100));
        double between = Math.hypot(-8 * cos + 5 * sin + 6, 8 * sin + 5 * cos + 2);
        double inBase = 10 + new Vec(100, 96, 28).minus(new Vec(40, 50, 5)).length();
        double inLid = 10 + new Vec(160, 50, 5).minus(new Vec(100, 6, 15)).length();
        assertThat(laying.posture()).isEqualTo("in use");
        assertThat(laying.lengthMm()).isEqualTo(inBase + between + inLid, within(1e-9));
        assertThat(between).isEqualTo(15.258, within(1e-3));
        assertThat(found(build.with(Samples.cable("c", 150, false, 4, 0)), "cable.short")
                        .getFirst()
                        .message())
                .contains("with the machine “in use”");
    }

    @Test
    public void whatRunsTogetherIsABundle() {
        Build two = linked(detour(260, 34).with(Samples.cable("d", 260, false, 3, 0)), "d");
        two = laid(two, "d", 60, 50, 5, 60, 84, 5, 140, 84, 5, 140, 50, 5);
        List<CablesResult.Bundle> bundles = laying(two).bundles();
        assertThat(bundles).isNotEmpty().allMatch(b -> b.with().equals(List.of("d")));
        assertThat(bundles.getFirst().mm()).isEqualTo(1.2 * 5, within(1e-9));
        assertThat(laying(laid(two, "d", 60, 50, 5, 60, 30, 5, 140, 30, 5, 140, 50, 5))
                        .bundles())
                .as("they leave their sockets together for 20 mm, and part")
                .extracting(CablesResult.Bundle::leg)
                .containsExactly(1, 5);
    }

    /** 6 m of 4 mm in 0.78 litres: 16 mm² × 6000 mm of 800,000 − 8,000 mm³. */
    @Test
    public void cablesThatFillTheCaseAreTold() {
        CablesResult.Room room =
                CablesEngine.evaluate(build(round(6000))).rooms().getFirst();
        assertThat(room.freeMm3()).isEqualTo(200 * 100 * 40 - 2 * 20 * 20 * 10, within(1e-6));
        assertThat(room.takenMm3()).isEqualTo(16 * 6000, within(1e-6));
        assertThat(found(build(round(6000)), "cable.room")).isEmpty();
        Finding full = found(build(Samples.cable("c", 6000, false, 8, 0)), "cable.room")
                .getFirst();
        assertThat(full.message()).contains("Cables fill 48 %", "more than 40 %");
        Build here = build(
                Form.of(Part.class).field("standing").with(Samples.cable("c", 6000, false, 8, 0), Part.Standing.OWNED));
        assertThat(found(here, "cable.room").getFirst().remedies().getFirst().edit())
                .as("one that is here is as long as it is")
                .isEmpty();
        Build toBuy = build(Samples.cable("c", 6000, false, 8, 0));
        Build tidy = Findings.remedied(found(toBuy, "cable.room").getFirst(), toBuy);
        assertThat(found(tidy, "cable.room")).isEmpty();
        assertThat(laying(tidy).spareMm().orElseThrow()).isBetween(Layings.SPARE_MM, Layings.SPARE_MM + 10);
    }

    @Test
    public void whatNobodyLaidIsNotCalledFine() {
        Build build = build(round(150));
        Finding unlaid = found(build, "cable.unlaid").getFirst();
        assertThat(unlaid.message()).contains("Of 1 of 1 cables", "is not known");
        Build laid = Findings.remedied(unlaid, build);
        assertThat(found(laid, "cable.unlaid")).isEmpty();
        assertThat(laying(laid).lengthMm()).isEqualTo(140, within(1e-9));
        Build without =
                Edits.unplace(build.part("right").orElseThrow()).change().apply(laid);
        assertThat(found(without, "cable.unlaid")).as("one end is on the table").hasSize(1);
        Build taken = Layings.takeUp("c").change().apply(laid);
        assertThat(taken.layout()).isEqualTo(build.layout());
    }

    /** Wires begin where their parts are nearest, and are as thick as their gauge and insulation. */
    @Test
    public void wiresOfTheChainAreLedToo() {
        Part pack = Samples.part(
                "pack", Family.BATTERY, 20, 20, 10, 50, Samples.cells(Facet.Chemistry.LI_ION, 1, 1, 3, 0.05, 0, 3));
        Part load = Samples.part("load", Family.HUB, 20, 20, 10, 50, Samples.load(2, 3, 5));
        Rung root = Samples.rung("pack", Rung.of("w", new Rung.Wire(20, 60), Samples.rung("load")));
        Build build = Samples.chain(root, 25, pack, load)
                .with(Casing.of(List.of(tray("tray", 40)), exact(0)))
                .with(new Placement("pack", "tray", new Vec(10, 40, 0), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("load", "tray", new Vec(130, 45, 0), Orientation.AS_DRAWN, Set.of()));
        build = laid(build, "w", 60, 52, 5);
        CablesResult.Laying wires = CablesEngine.evaluate(build).laying("w").orElseThrow();
        assertThat(wires.lead().girth().wideMm())
                .isEqualTo(1.2 * Math.sqrt(2) * (Copper.diameterMm(20) + 0.8), within(1e-9));
        assertThat(wires.lengthMm()).isEqualTo(30 + 70, within(1e-9));
        Finding tooShort = found(build, "cable.short").getFirst();
        Build cut = Findings.remedied(tooShort, build);
        assertThat(((Rung.Wire) cut.rung("w").orElseThrow().stage()).lengthMm()).isEqualTo(120);
        assertThat(found(cut, "cable.short")).isEmpty();
    }

    /** Depths against the nearest of many points along the leg. */
    @Test
    public void whatIsInTheWayIsFoundAsByLookingAtManyPoints() {
        Random random = new Random(13);
        int met = 0;
        for (int i = 0; i < 400; i++) {
            Box box = new Box(
                    60 + random.nextInt(40),
                    20 + random.nextInt(30),
                    random.nextInt(10),
                    20,
                    20,
                    5 + random.nextInt(15));
            Part thing = Samples.part("thing", Family.HUB, box.dx(), box.dy(), box.dz(), 10);
            Build build = routed(
                            400, 50, 5 + random.nextInt(90), 2 + random.nextInt(30), 150, 5 + random.nextInt(90), 6)
                    .with(thing)
                    .with(new Placement("thing", "tray", box.lowCorner(), Orientation.AS_DRAWN, Set.of()));
            CablesResult.Laying laying = laying(build);
            double nearest = Double.POSITIVE_INFINITY;
            for (Vec[] leg : laying.way().legsIn("tray")) {
                for (int k = 0; k <= 2000; k++) {
                    Vec at = leg[0].plus(leg[1].minus(leg[0]).times(k / 2000.0));
                    nearest = Math.min(nearest, box.signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0)));
                }
            }
            boolean told = laying.meetings().stream().anyMatch(m -> m.by().equals("thing"));
            if (Math.abs(nearest - 1.7) > 0.1) {
                assertThat(told).as("%s, nearest %s", box, nearest).isEqualTo(nearest < 1.7);
                met += told ? 1 : 0;
            }
        }
        assertThat(met).isBetween(60, 340);
    }

    /** 300 cables under a lid that is opened a little: told where one of many points of a leg is nearer to the block than the cable gives way. */
    @Test
    public void whatALidBringsInIsToldAsSampledPointsTell() {
        Random random = new Random(9);
        Box block = new Box(80, 30, 0, 40, 40, 38);
        int met = 0;
        for (int i = 0; i < 300; i++) {
            Build build = lidded(
                    routed(400, 60, 40 + random.nextInt(50), 5 + random.nextInt(30), 150, random.nextInt(90) + 5, 20),
                    2 + random.nextInt(30));
            CablesResult.Laying laying = laying(build);
            double nearest = Double.POSITIVE_INFINITY;
            for (Posture posture : build.casing().looks()) {
                Pose toLid = build.casing().pose("lid", posture).back();
                for (Vec[] leg : laying.way().legsIn("tray")) {
                    for (int k = 0; k <= 2000; k++) {
                        Vec at = toLid.apply(leg[0].plus(leg[1].minus(leg[0]).times(k / 2000.0)));
                        nearest = Math.min(nearest, block.signedDistance(new Box(at.x(), at.y(), at.z(), 0, 0, 0)));
                    }
                }
            }
            boolean told = laying.meetings().stream().anyMatch(m -> m.by().equals("block"));
            if (Math.abs(nearest - 1.7) > 0.1) {
                assertThat(told).as("case %d, nearest %s", i, nearest).isEqualTo(nearest < 1.7);
                met += told ? 1 : 0;
            }
        }
        assertThat(met).isBetween(40, 260);
    }

    /** Blocks on the floor leave the air above them: a way is found, free of all, bent as wide as it has to be. */
    @Test
    public void aWayIsFoundWhereThereIsOne() {
        Random random = new Random(21);
        for (int i = 0; i < 25; i++) {
            Build build = build(Samples.cable("c", 400, i % 2 == 0, i % 2 == 0 ? 12 : 2, 0.3));
            for (int k = 0; k < 5; k++) {
                Part block =
                        Samples.part("block-" + k, Family.HUB, 10, 5 + random.nextInt(25), 5 + random.nextInt(15), 5);
                Vec at = new Vec(50 + 18.0 * k + random.nextInt(6), random.nextInt(70), 0);
                build = build.with(block).with(new Placement(block.id(), "tray", at, Orientation.AS_DRAWN, Set.of()));
            }
            Build found = Layings.lay("c").change().apply(build);
            CablesResult.Laying laying = laying(found);
            assertThat(laying.meetings()).as("case %d: %s", i, laying.way()).isEmpty();
            assertThat(laying.tightest()).as("case %d: %s", i, laying.way()).isEmpty();
            assertThat(laying.lengthMm()).isLessThan(420);
        }
    }

    /** Laid or laid anew, a cable is never worse than it was; every lead of every demo finds a way. */
    @Test
    public void everyLeadOfEveryDemoIsLaid() {
        for (String demo : Library.DEMOS) {
            Build build = Library.demo(demo).orElseThrow();
            Build laid = Layings.layAll().change().apply(build);
            CablesResult cables = CablesEngine.evaluate(laid);
            assertThat(cables.unlaid()).as(demo).isEmpty();
            for (CablesResult.Laying laying : cables.laid()) {
                CablesResult.Laying anew = CablesEngine.evaluate(
                                Layings.anew(laying.lead().id()).change().apply(laid))
                        .laying(laying.lead().id())
                        .orElseThrow();
                assertThat(anew.meetings().size())
                        .isLessThanOrEqualTo(laying.meetings().size());
                assertThat(laying.way().knots())
                        .allSatisfy(k -> assertThat(laid.shell(k.shell())).isPresent());
            }
        }
    }

    /** What is kept of the last answer never shows. */
    @Test
    public void afterAMoveTheAnswerIsThatOfAFreshLook() {
        Build build =
                Layings.layAll().change().apply(Library.demo("cave-survey").orElseThrow());
        Evaluator evaluator = new Evaluator();
        evaluator.judge(build);
        Random random = new Random(3);
        for (int i = 0; i < 30; i++) {
            List<Placed> placed = Placed.all(build);
            Part part = placed.get(random.nextInt(placed.size())).part();
            Vec by = new Vec(random.nextInt(9) - 4, random.nextInt(9) - 4, random.nextInt(3) - 1);
            build = Edits.move(part, at -> at.plus(by)).change().apply(build);
            Evaluation kept = evaluator.judge(build);
            assertThat(kept.of(CablesResult.class))
                    .isEqualTo(Evaluator.evaluate(build).of(CablesResult.class));
        }
    }

    /** Both ends of a flat cable where contacts look to one side or the other, on a way. */
    private static Build contacts(
            Port.Contacts left, Port.Contacts right, Face opens, Optional<Facet.Joins.Ends> ends, double... xyz) {
        Part cable = Samples.cable("c", 260, true, 12, 0.3);
        Facet.Joins joins = cable.facet(Facet.Joins.class).orElseThrow();
        Build build = build(ends.map(e -> cable.withFacet(joins.with(e))).orElse(cable))
                .with(looking(socketed("left", Face.RIGHT, new Vec(20, 10, 5)), left))
                .with(looking(
                        socketed("right", opens, opens == Face.FRONT ? new Vec(10, 0, 5) : new Vec(0, 10, 5)), right));
        return laid(build, "c", xyz);
    }

    private static Part looking(Part part, Port.Contacts contacts) {
        Body body = part.body();
        Port port = Form.of(Port.class).field("contacts").with(body.ports().getFirst(), Optional.of(contacts));
        return part.withBody(Form.of(Body.class).field("ports").with(body, List.of(port)));
    }

    @DataProvider
    Object[][] sides() {
        double[] straight = {};
        double[] arch = {60, 50, 5, 60, 50, 30, 140, 50, 30, 140, 50, 5};
        double[] four = {60, 50, 5, 60, 80, 5, 140, 80, 5, 140, 50, 5};
        double[] three = {60, 50, 5, 60, 20, 5, 180, 20, 5};
        Facet.Joins.Ends same = Facet.Joins.Ends.SAME;
        Facet.Joins.Ends opposite = Facet.Joins.Ends.OPPOSITE;
        return new Object[][] {
            {Port.Contacts.UP, Port.Contacts.UP, Face.LEFT, straight, same},
            {Port.Contacts.DOWN, Port.Contacts.DOWN, Face.LEFT, straight, same},
            {Port.Contacts.UP, Port.Contacts.DOWN, Face.LEFT, straight, opposite},
            {Port.Contacts.UP, Port.Contacts.UP, Face.LEFT, arch, same},
            {Port.Contacts.DOWN, Port.Contacts.UP, Face.LEFT, arch, opposite},
            {Port.Contacts.UP, Port.Contacts.UP, Face.LEFT, four, same},
            // Three folds turn it over once more than it is turned back.
            {Port.Contacts.UP, Port.Contacts.UP, Face.FRONT, three, opposite},
            {Port.Contacts.UP, Port.Contacts.DOWN, Face.FRONT, three, same},
        };
    }

    /** Which cable is wanted is what a strip of paper shows; the other one is told, and gone when it is exchanged. */
    @Test(dataProvider = "sides")
    public void contactsMeetOnTheRightSide(
            Port.Contacts left, Port.Contacts right, Face opens, double[] way, Facet.Joins.Ends wanted) {
        Build unsaid = contacts(left, right, opens, Optional.empty(), way);
        assertThat(laying(unsaid).needs()).contains(wanted);
        Finding note = found(unsaid, "cable.contacts-unsaid").getFirst();
        assertThat(note.message()).contains("wants its contacts " + wanted.words());
        Build said = Findings.remedied(note, unsaid);
        assertThat(found(said, "cable.contacts-unsaid")).isEmpty();
        assertThat(found(said, "cable.contacts")).isEmpty();
        Facet.Joins.Ends wrong = wanted == Facet.Joins.Ends.SAME ? Facet.Joins.Ends.OPPOSITE : Facet.Joins.Ends.SAME;
        Build turned = contacts(left, right, opens, Optional.of(wrong), way);
        Finding stop = found(turned, "cable.contacts").getFirst();
        assertThat(stop.severity()).isEqualTo(Severity.STOP);
        assertThat(stop.message()).contains("has its contacts " + wrong.words());
        assertThat(found(Findings.remedied(stop, turned), "cable.contacts")).isEmpty();
    }

    /** A cable that is here and cannot be plugged in is spent, and another has to be bought. */
    @Test
    public void aCableBoughtInVainIsSpent() {
        Build wrong = contacts(Port.Contacts.UP, Port.Contacts.DOWN, Face.LEFT, Optional.of(Facet.Joins.Ends.SAME));
        Part owned = Form.of(Part.class)
                .field("price")
                .with(
                        Form.of(Part.class)
                                .field("standing")
                                .with(wrong.part("c").orElseThrow(), Part.Standing.BOUGHT),
                        exact(4));
        Build here = wrong.with(owned);
        Build other =
                Layings.withContacts("c", Facet.Joins.Ends.OPPOSITE).change().apply(here);
        assertThat(other.part("c").orElseThrow().standing()).isEqualTo(Part.Standing.TO_BUY);
        assertThat(other.money().entries()).hasSize(1);
        assertThat(found(other, "cable.contacts")).isEmpty();
        assertThat(Layings.withContacts("left", Facet.Joins.Ends.SAME).change().apply(here))
                .as("no cable")
                .isEqualTo(here);
    }
}
