package boldsatchel.hands;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Key;
import boldsatchel.machine.Link;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.User;
import boldsatchel.plan.Sitting;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Hands and eyes by figures worked by hand: a slab of 200 × 100 × 20 mm inside, walls of 2 mm, that weighs what is said. */
public final class HandsTest {

    private static final double G = 9.80665;

    private static Shell tray(String id, double grams) {
        return Form.of(Shell.class)
                .field("weighedG")
                .with(Samples.tray(id, 200, 100, 20, exact(2), Material.PLASTIC, true), Optional.of(exact(grams)));
    }

    private static Build held(Posture posture, double grams) {
        Casing casing = Casing.of(List.of(tray("slab", grams)), exact(0)).withPostures(List.of(posture));
        return Build.empty("h").with(casing);
    }

    private static Posture in(Posture.Held held) {
        return new Posture("so", held, true, List.of());
    }

    private static Part part(String id, Family family, Body body, List<Facet> facets) {
        return new Part(id, id, family, "", exact(0), exact(0), Part.Standing.OWNED, body, facets);
    }

    private static Part screen(String id, int px) {
        Body body = Body.block(exact(100), exact(60), exact(4));
        return part(
                id,
                Family.SCREEN,
                body,
                List.of(new Facet.ShowsPicture(px, px * 60 / 100, new Box(0, 0, 0, 100, 60, 4), 60, 24)));
    }

    private static Build with(Build build, Part part, String tray, Vec at) {
        return build.with(part).with(new Placement(part.id(), tray, at, Orientation.AS_DRAWN, Set.of()));
    }

    private static HandsResult.InPosture look(Build build) {
        return HandsEngine.evaluate(build, BalanceEngine.evaluate(build))
                .postures()
                .getFirst();
    }

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .map(Finding::code)
                .filter(c -> c.startsWith("hands"))
                .toList();
    }

    /** 2 kg held 45 mm from the front of 104: each wrist bears 9.81 N at 7 mm, each elbow half the weight at a forearm of 0.204 · 1.7 m. */
    @Test
    public void twoHandsBearItByMomentsWorkedByHand() {
        HandsResult.InPosture in = look(held(in(Posture.Held.HANDS), 2000));
        assertThat(in.loads().getFirst().momentNm()).isCloseTo(G * 0.007, within(1e-9));
        assertThat(in.loads().getLast().momentNm()).isCloseTo(G * 0.204 * 1.7 + 2.1, within(1e-9));
        assertThat(in.loads().getFirst().minutes()).isInfinite();
        Build far = held(in(Posture.Held.HANDS).heldAt(new Vec(202, -2, 10)), 2000);
        assertThat(look(far).loads().getFirst().momentNm()).isCloseTo(G * 0.052, within(1e-9));
    }

    /** Rohmert's table: a half of the strength lasts about a minute, a quarter about four, all of it six seconds. */
    @Test
    public void whatIsHeldStillTires() {
        assertThat(Effort.minutes(0.1)).isInfinite();
        assertThat(Effort.minutes(0.25)).isCloseTo(3.7, within(0.2));
        assertThat(Effort.minutes(0.5)).isCloseTo(1.1, within(0.05));
        assertThat(Effort.minutes(1)).isCloseTo(0.1, within(1e-9));
        assertThat(Effort.minutes(1.5)).isZero();
        double before = Double.POSITIVE_INFINITY;
        for (double f = 0.16; f < 1.2; f += 0.01) {
            assertThat(Effort.minutes(f)).isLessThanOrEqualTo(before);
            before = Effort.minutes(f);
        }
        assertThat(codes(held(in(Posture.Held.HANDS), 5000))).contains("hands.tires");
        assertThat(codes(held(in(Posture.Held.HANDS), 900))).isEmpty();
        Build lap = remedied(held(in(Posture.Held.HANDS), 5000), "hands.tires");
        assertThat(codes(lap)).doesNotContain("hands.tires");
        assertThat(lap.casing().inUse().held()).isEqualTo(Posture.Held.LAP);
        Build arm = remedied(held(in(Posture.Held.ARM), 5000), "hands.tires");
        assertThat(arm.casing().inUse().held()).isEqualTo(Posture.Held.WORN);
    }

    /** A wrist of 6 N·m bears 1 N·m for long: 1.5 kg a hand's length before the grips is too much, beside them it is nothing. */
    @Test
    public void whatPullsTheWristsIsHeldBesideItsWeight() {
        Build far = held(in(Posture.Held.HANDS).heldAt(new Vec(202, -230, 10)), 1500);
        assertThat(look(far).loads().getFirst().momentNm()).isCloseTo(0.75 * G * 0.28, within(1e-9));
        assertThat(codes(far)).contains("hands.tires");
        Build beside = remedied(far, "hands.tires");
        assertThat(codes(beside)).isEmpty();
        assertThat(look(beside).loads().getFirst().momentNm()).isCloseTo(0, within(1e-9));
    }

    /** Eyes 0.314 of 1700 mm over the table; a screen 26 mm up and 250 mm before them to the front edge. */
    @Test
    public void theEyesLookDownAtWhatLiesOnATable() {
        Build build = with(held(in(Posture.Held.TABLE), 500), screen("screen", 1000), "slab", new Vec(50, 20, 20));
        HandsResult.Sight sight = look(build).sights().getFirst();
        double up = 0.314 * 1700 - 26;
        double along = 50 + 2 + 250;
        double away = Math.hypot(up, along);
        assertThat(sight.eyesMm()).isCloseTo(away, within(1e-6));
        assertThat(sight.belowDeg()).isCloseTo(Math.toDegrees(Math.atan2(up, along)), within(1e-6));
        assertThat(sight.obliqueDeg()).isCloseTo(90 - sight.belowDeg(), within(1e-6));
        assertThat(sight.rollDeg()).isCloseTo(0, within(1e-9));
        double letter = 60 * Math.toDegrees(2 * Math.atan(0.1 * 11 * up / away / 2 / away));
        assertThat(sight.capitalsArcmin()).isCloseTo(letter, within(1e-6));
        assertThat(codes(build)).contains("hands.screen-low");
        Build back = remedied(build, "hands.screen-low");
        assertThat(codes(back)).doesNotContain("hands.screen-low");
        assertThat(back.brief().user().orElseThrow().eyesMm()).contains(Math.ceil(up * Math.sqrt(2) / 10) * 10);
    }

    /** Who types sits as far off as arms reach; a tall lid is opened less. */
    @Test
    public void aLowScreenIsSatBackFromOrOpenedLess() {
        Build small = typedOn(100, 120);
        assertThat(codes(small)).contains("hands.screen-low");
        Build back = remedied(small, "hands.screen-low");
        assertThat(codes(back)).doesNotContain("hands.screen-low");
        double eyes = back.brief().user().orElseThrow().eyesMm().orElseThrow();
        assertThat(eyes).isBetween(600.0, (0.378 - 0.05) * 1700 * Math.sqrt(2));
        Build tall = typedOn(560, 100);
        HandsResult.Sight sight = look(tall).sights().getFirst();
        Sitting.Turned turned = Sitting.higher(tall, tall.casing().inUse(), "screen", sight.belowDeg() - 1)
                .orElseThrow();
        assertThat(turned.deg()).isNotEqualTo(100);
        assertThat(Sitting.higher(tall, tall.casing().inUse(), "screen", 0)).isEmpty();
    }

    private static Build typedOn(double lidMm, double deg) {
        Shell lid = Samples.tray("lid", 200, lidMm, 20, exact(2), Material.PLASTIC, true);
        Joint hinge = Joint.lid("slab", "lid", new Vec(0, 102, 20), Vec.ZERO, 180, exact(9));
        Casing casing = Casing.of(List.of(tray("slab", 5000), lid), exact(0))
                .withJoints(List.of(hinge))
                .withPostures(List.of(in(Posture.Held.TABLE).with(hinge.id(), deg)));
        Build build =
                with(Build.empty("l").with(casing), screen("screen", 800), "lid", new Vec(50, lidMm / 2 - 30, 16));
        return with(build, keyboard(8), "slab", new Vec(10, 50, 12));
    }

    /** Dots of 0.125 beside 0.2 mm are drawn at one and a half, which leaves 1.07 of 1.6 between them. */
    @Test
    public void screensOfUnequalDotsAreDrawnAlike() {
        Build two = with(
                with(held(in(Posture.Held.HANDS), 500), screen("fine", 800), "slab", new Vec(0, 20, 20)),
                screen("coarse", 500),
                "slab",
                new Vec(100, 20, 20));
        assertThat(look(two).unequal()).isCloseTo(1.6, within(0.01));
        assertThat(codes(two)).contains("hands.screens-unequal");
        Build alike = remedied(two, "hands.screens-unequal");
        assertThat(codes(alike)).doesNotContain("hands.screens-unequal");
        assertThat(alike.part("fine")
                        .orElseThrow()
                        .facet(Facet.ShowsPicture.class)
                        .orElseThrow()
                        .scale())
                .contains(1.5);
        assertThat(look(alike).unequal()).isCloseTo(1.6 / 1.5, within(0.01));
        assertThat(look(alike).sights().getFirst().capitalsArcmin())
                .isCloseTo(1.5 * look(two).sights().getFirst().capitalsArcmin(), within(1e-3));
    }

    @Test
    public void lettersTooSmallAreTakenLarger() {
        Build small = with(held(in(Posture.Held.HANDS), 500), screen("screen", 1600), "slab", new Vec(50, 20, 20));
        assertThat(codes(small)).containsExactly("hands.letters-small");
        Build mended = remedied(small, "hands.letters-small");
        assertThat(codes(mended)).isEmpty();
        assertThat(mended.brief().user().orElseThrow().capitalsPx()).isEqualTo(38);
        assertThat(look(mended).sights().getFirst().capitalsArcmin()).isBetween(20.0, 21.0);
        Build near = small.with(small.brief().withUser(User.USUAL.seeing(200)));
        assertThat(look(near).sights().getFirst().capitalsArcmin()).isCloseTo(11.8, within(0.05));
    }

    private static Build remedied(Build build, String code) {
        Finding finding = Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
        return finding.remedies().stream()
                .map(Remedy::edit)
                .flatMap(Optional::stream)
                .findFirst()
                .orElseThrow()
                .change()
                .apply(build);
    }

    /** A wing on an upright hinge of a lid that leans back by 30°: its level side rises by sin 30° · sin of what it is turned. */
    @Test
    public void aWingOnALeaningScreenIsRolled() {
        Joint lid = Joint.lid("slab", "lid", new Vec(0, 102, 20), Vec.ZERO, 170, exact(2));
        Joint wing = new Joint(
                "wing",
                "Wing",
                "lid",
                "wing",
                new Vec(200, 0, 0),
                Vec.ZERO,
                Orientation.AS_DRAWN,
                new Joint.Hinged(new Vec(0, 1, 0), 90, exact(1), List.of()));
        Posture open = new Posture("open", Posture.Held.TABLE, true, List.of(new Posture.Setting("wing", 40)));
        Casing casing = Casing.of(List.of(tray("slab", 900), tray("lid", 300), tray("wing", 200)), exact(0))
                .withJoints(List.of(lid, wing))
                .withPostures(List.of(open.with(lid.id(), 120)));
        Build build = with(Build.empty("w").with(casing), screen("side", 800), "wing", new Vec(20, 20, 0));
        HandsResult.Sight side = look(build).sights().getFirst();
        double wanted = Math.toDegrees(Math.asin(Math.sin(Math.toRadians(30)) * Math.sin(Math.toRadians(40))));
        assertThat(side.rollDeg()).isCloseTo(wanted, within(0.01));
        assertThat(codes(build)).contains("hands.screen-rolled");
        Casing flat = casing.withPostures(List.of(open.with(lid.id(), 120).with("wing", 0)));
        assertThat(codes(build.with(flat))).doesNotContain("hands.screen-rolled");
        Build level = remedied(build, "hands.screen-rolled");
        assertThat(codes(level)).doesNotContain("hands.screen-rolled");
        assertThat(look(level).sights().getFirst().rollDeg()).isLessThanOrEqualTo(3);
    }

    private static Part keyboard(double highMm) {
        return part("keys", Family.KEYBOARD, Body.block(exact(180), exact(40), exact(highMm)), List.of());
    }

    /** Keys 42 mm over the table bend the wrists by atan(42 / 120); behind a palm rest they are 20 mm over it. */
    @Test
    public void highKeysBendTheWrists() {
        Build high = with(held(in(Posture.Held.TABLE), 900), keyboard(40), "slab", new Vec(10, 5, 0));
        assertThat(look(high).typings().getFirst().wristDeg())
                .isCloseTo(Math.toDegrees(Math.atan(42.0 / 120)), within(1e-6));
        assertThat(codes(high)).containsExactly("hands.keys-high");
        Build behind = with(held(in(Posture.Held.TABLE), 900), keyboard(40), "slab", new Vec(10, 59, 0));
        assertThat(look(behind).typings().getFirst().riseMm()).isCloseTo(20, within(1e-9));
        assertThat(codes(behind)).isEmpty();
        Build rested = remedied(high, "hands.keys-high");
        assertThat(codes(rested)).isEmpty();
        double mm = rested.brief().user().orElseThrow().palmsMm().orElseThrow();
        assertThat(look(rested).typings().getFirst().wristDeg())
                .isCloseTo(Math.toDegrees(Math.atan((42 - mm) / 120)), within(1e-6))
                .isBetween(9.0, 10.0);
    }

    /** Bare plastic holds 0.25 of weight and stroke: 3 N · tan 20° push 130 g over the table, 200 g stay. */
    @Test
    public void aLightKeyboardWalks() {
        double ofBalance = (3 * Math.tan(Math.toRadians(20)) / 0.25 - 3) / G * 1000;
        Build light = with(held(in(Posture.Held.TABLE), ofBalance - 10), keyboard(20), "slab", new Vec(10, 5, 0));
        assertThat(codes(light)).contains("hands.walks");
        Build heavier = with(held(in(Posture.Held.TABLE), ofBalance + 10), keyboard(20), "slab", new Vec(10, 5, 0));
        assertThat(codes(heavier)).doesNotContain("hands.walks");
        Casing.Feet inside = new Casing.Feet(48, 3);
        Build narrow = light.with(light.casing().withFeet(Optional.of(inside)));
        assertThat(codes(narrow)).contains("hands.typing-tips").doesNotContain("hands.walks");
        assertThat(codes(remedied(light, "hands.walks"))).doesNotContain("hands.walks");
        Build wide = remedied(narrow, "hands.typing-tips");
        assertThat(codes(wide)).doesNotContain("hands.typing-tips");
        assertThat(wide.casing().feet()).contains(new Casing.Feet(8, 3));
        Build apart = Build.empty("h")
                .with(Casing.of(List.of(tray("slab", 900), tray("tray", 60)), exact(0))
                        .withPostures(List.of(in(Posture.Held.TABLE))));
        Build beside = with(apart, keyboard(20), "tray", new Vec(10, 30, 0));
        assertThat(codes(beside)).contains("hands.walks");
        assertThat(codes(remedied(beside, "hands.walks"))).doesNotContain("hands.walks");
    }

    @Test
    public void thumbsReachWhatIsNearTheGrips() {
        Body one = new Body(
                exact(10),
                exact(10),
                exact(4),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(new Key("fire", Face.TOP, new Vec(5, 5, 4), 6, 4, 0.5)),
                Optional.empty());
        Posture hands = in(Posture.Held.HANDS);
        Build far = with(held(hands, 500), part("pad", Family.CONTROL, one, List.of()), "slab", new Vec(170, 90, 16));
        double beyond = Math.sqrt(27 * 27 + 52 * 52 + 11 * 11) - 0.045 * 1700;
        assertThat(look(far).reaches())
                .singleElement()
                .satisfies(r -> assertThat(r.beyondMm()).isCloseTo(beyond, within(1e-6)));
        Build low = with(
                held(hands.heldAt(new Vec(202, -2, 10)), 500),
                part("pad", Family.CONTROL, one, List.of()),
                "slab",
                new Vec(170, 90, 16));
        assertThat(codes(low)).containsExactly("hands.out-of-reach");
        assertThat(codes(remedied(low, "hands.out-of-reach"))).isEmpty();
    }

    /** A handle over the left end: the middle is 102 mm aside and 10 mm below the top. */
    @Test
    public void whatHangsCrookedIsHungOverItsWeight() {
        Build crooked = held(in(Posture.Held.HANDLE).heldAt(new Vec(-2, 50, 60)), 800);
        Vec centre = BalanceEngine.evaluate(crooked).centre();
        assertThat(look(crooked).hangsDeg().orElseThrow())
                .isCloseTo(Math.toDegrees(Math.atan2(102, 60 - centre.z())), within(1e-6));
        assertThat(codes(crooked)).containsExactly("hands.hangs-crooked");
        assertThat(codes(remedied(crooked, "hands.hangs-crooked"))).isEmpty();
    }

    @DataProvider
    Object[][] unsaid() {
        return new Object[][] {{Posture.Held.HANDLE}, {Posture.Held.HEAD}};
    }

    @Test(dataProvider = "unsaid")
    public void whereItIsHeldMustBeSaid(Posture.Held held) {
        assertThat(codes(held(in(held), 300))).containsExactly("hands.hold-unknown");
    }

    /** 900 g with their middle 60 mm before the forehead pull the neck with 0.9 · g · 0.16. */
    @Test
    public void aHeavyHeadIsTold() {
        Build build = held(in(Posture.Held.HEAD), 900);
        Vec centre = BalanceEngine.evaluate(build).centre();
        Build worn = held(in(Posture.Held.HEAD).heldAt(centre.plus(new Vec(0, 0, -60))), 900);
        assertThat(look(worn).loads().getFirst().momentNm()).isCloseTo(0.9 * G * 0.16, within(1e-9));
        assertThat(codes(worn)).containsExactly("hands.head-heavy");
        Build light = held(in(Posture.Held.HEAD).heldAt(centre.plus(new Vec(0, 0, -60))), 400);
        assertThat(codes(light)).isEmpty();
        Build nearer = remedied(build(worn, 700), "hands.head-heavy");
        assertThat(codes(nearer)).doesNotContain("hands.head-heavy");
        double off = look(nearer).loads().getFirst().momentNm() / 0.7 / G;
        assertThat(off).as("beside the nearest side").isBetween(0.1, 0.115);
        Part cells = Samples.part("cells", Family.BATTERY, 40, 20, 10, 600);
        Build heavy = with(build(worn, 300), cells, "slab", new Vec(50, 40, 5));
        assertThat(codes(heavy)).contains("hands.head-heavy");
        Build belt = remedied(heavy, "hands.head-heavy");
        assertThat(codes(belt)).doesNotContain("hands.head-heavy");
        assertThat(belt.placement("cells")).isEmpty();
    }

    /** The same case in the same postures, of another mass. */
    private static Build build(Build like, double grams) {
        return like.with(like.casing().withShell(tray("slab", grams)));
    }

    /** A panel of 60 pictures a minute shows a letter up to a second late, one of 600 a tenth; without keys nobody types. */
    @Test
    public void typingOnASlowPanelIsTold() {
        Build slow = with(
                held(in(Posture.Held.TABLE), 500),
                screen("screen", 1000).withFacet(new Facet.Refreshes(exact(1), 60)),
                "slab",
                new Vec(50, 20, 20));
        assertThat(codes(slow)).doesNotContain("hands.typing-lag");
        Build types = slow.with(Samples.part("keys", Family.KEYBOARD, 80, 30, 8, 100));
        assertThat(codes(types)).contains("hands.typing-lag");
        assertThat(Evaluator.evaluate(types).findings())
                .anyMatch(f -> f.message().contains("after up to 1 s; beyond 0.2 s"));
        assertThat(codes(remedied(types, "hands.typing-lag"))).doesNotContain("hands.typing-lag");
        Part quick = screen("screen", 1000).withFacet(new Facet.Refreshes(exact(1), 600));
        assertThat(codes(types.with(quick))).doesNotContain("hands.typing-lag");
    }

    /** Pieces that lie beside are put there and plugged in; a machine in one piece is only opened. */
    @Test
    public void settingUpIsCounted() {
        Build whole = held(in(Posture.Held.TABLE), 500);
        assertThat(HandsEngine.evaluate(whole, BalanceEngine.evaluate(whole))
                        .setUp()
                        .steps())
                .isEmpty();
        Part keys = Samples.part("keys", Family.KEYBOARD, 80, 30, 8, 100, new Facet.StaysBeside());
        Build pieces = whole.with(keys)
                .with(whole.wiring()
                        .withLinks(List.of(new Link("l", Link.End.of("keys", "a"), Link.End.of("board", "b")))));
        SetUp setUp =
                HandsEngine.evaluate(pieces, BalanceEngine.evaluate(pieces)).setUp();
        assertThat(setUp.steps()).extracting(SetUp.Step::words).containsExactly("put keys beside it", "plug keys in");
        assertThat(setUp.seconds()).isEqualTo(14);
        assertThat(codes(pieces)).contains("hands.set-up");
        assertThat(codes(whole)).doesNotContain("hands.set-up");
        Build inside = remedied(pieces, "hands.set-up");
        assertThat(codes(inside)).doesNotContain("hands.set-up");
        assertThat(inside.placement("keys")).isPresent();
        Build beside = whole.with(Casing.of(List.of(tray("slab", 500), tray("wing", 100)), exact(0))
                .withPostures(List.of(in(Posture.Held.TABLE))));
        assertThat(codes(beside)).contains("hands.set-up");
        Build joined = remedied(beside, "hands.set-up");
        assertThat(codes(joined)).doesNotContain("hands.set-up");
        assertThat(joined.casing().carrying("wing")).isPresent();
        Build laptop = Library.demo("orchard-ledger").orElseThrow();
        assertThat(HandsEngine.evaluate(laptop, BalanceEngine.evaluate(laptop))
                        .setUp()
                        .steps())
                .hasSize(1);
    }

    /** A lid that stands upright before eyes far above it is opened further. */
    @Test
    public void aScreenTurnedAsideIsOpenedToTheEyes() {
        Casing trays = Casing.of(List.of(tray("slab", 500), tray("lid", 100)), exact(0));
        Joint hinge = Joint.lidAtBack(
                "slab",
                trays.shells().getFirst().cavity(),
                "lid",
                trays.shells().getLast().cavity());
        Casing hinged = trays.withLid(hinge, 85);
        Build shut = with(Build.empty("h").with(hinged), screen("screen", 1000), "lid", new Vec(50, 20, 16));
        assertThat(codes(shut)).contains("hands.screen-aside");
        assertThat(codes(remedied(shut, "hands.screen-aside"))).doesNotContain("hands.screen-aside");
    }
}
