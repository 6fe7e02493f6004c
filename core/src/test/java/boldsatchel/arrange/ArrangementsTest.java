package boldsatchel.arrange;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Starter;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** Arrangements that are proposed are sound by the engines and by brute force, keep what is locked and joined, and none is beaten. */
public final class ArrangementsTest {

    private static final int ROUNDS = 700;

    private static Build demo(String name) {
        return Library.demo(name).orElseThrow();
    }

    private static List<Proposal> find(Build build, Wish wish) {
        return Arrangements.find(build, wish, Onlooker.NONE);
    }

    private static void isSound(Build build) {
        assertThat(build.loose()).isEmpty();
        FitResult fit = FitEngine.evaluate(build);
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.outside()).isEmpty();
        assertThat(fit.intrusions()).isEmpty();
    }

    private static double value(Proposal proposal, Verdict.Kind kind) {
        return proposal.evaluation().verdict(kind).value();
    }

    /** A lid that meets a raised part closes by arrangement alone; nothing is left to say, what is in a slot stays in it, and fixings stay said. */
    @Test
    public void aLidThatHitsClosesByArrangement() {
        Build build = demo("harbour-watch");
        List<Proposal> found = find(build, new Wish("base", Optional.empty(), 1, 2, ROUNDS));
        assertThat(found).isNotEmpty();
        assertThat(found.getFirst().evaluation().stops()).isFalse();
        for (Proposal proposal : found) {
            Build done = proposal.build();
            isSound(done);
            assertThat(done.casing()).isEqualTo(build.casing());
            assertThat(value(proposal, Verdict.Kind.PACKS)).isGreaterThan(0);
            assertThat(apart(done, "board", "card")).isEqualTo(apart(build, "board", "card"));
            for (Placement was : build.layout().placements()) {
                Placement is = done.placement(was.part()).orElseThrow();
                assertThat(is.touches()).isEqualTo(was.touches());
                assertThat(is.fixing()).isEqualTo(was.fixing());
                assertThat(is.shell()).isEqualTo(was.shell());
            }
            assertThat(found).noneMatch(other -> other.merit().beats(proposal.merit()));
        }
    }

    /** Distance between the middles of two parts, whichever way both are turned. */
    private static double apart(Build build, String a, String b) {
        Vec between = bounds(build, a).centre().minus(bounds(build, b).centre());
        return Math.rint(1e6 * between.length()) / 1e6;
    }

    private static Box bounds(Build build, String id) {
        Placement at = build.placement(id).orElseThrow();
        return Placed.of(
                        build.part(id).orElseThrow(),
                        at,
                        build.shell(at.shell()).orElseThrow())
                .bounds();
    }

    /** A laptop that tips over with its lid open stands by arrangement alone: its battery comes to the front, the track pad stays before the keys, the blower at its vent. */
    @Test
    public void aLaptopStopsTippingByArrangement() {
        Build build = demo("orchard-ledger");
        Evaluation now = Evaluator.evaluate(build);
        assertThat(now.verdict(Verdict.Kind.STANDS).value()).isNegative();
        AtomicBoolean enough = new AtomicBoolean();
        List<Proposal> found =
                Arrangements.find(build, new Wish("base", Optional.empty(), 1, 2, 8 * ROUNDS), new Onlooker() {
                    @Override
                    public void found(List<Proposal> proposals) {
                        if (proposals.stream().anyMatch(p -> value(p, Verdict.Kind.STANDS) > 0)) {
                            enough.set(true);
                        }
                    }

                    @Override
                    public boolean isEnough() {
                        return enough.get();
                    }
                });
        Proposal stands = found.stream()
                .filter(p -> value(p, Verdict.Kind.STANDS) > 0)
                .findFirst()
                .orElseThrow();
        assertThat(found)
                .allMatch(p -> bounds(p.build(), "pad").high(1)
                        <= bounds(p.build(), "keyboard").low(1));
        for (Proposal proposal : found) {
            // The blower stays before two thirds of the outlet, which is from y 62 to 100 mm in the wall on the right.
            Box blower = bounds(proposal.build(), "blower");
            assertThat(306 - blower.high(0)).isBetween(0.0, 6.0);
            assertThat(Math.min(100, blower.high(1)) - Math.max(62, blower.y())).isGreaterThan(25);
        }
        isSound(stands.build());
        assertThat(bounds(stands.build(), "battery").centre().y())
                .isLessThan(bounds(build, "battery").centre().y());
    }

    /** Walls that nobody made yet come nearer by a twelfth of the volume at least; a box that was found stays as it is. */
    @Test
    public void aCaseIsMadeSmaller() {
        Build build = demo("cave-survey");
        build = build.with(new Layout(build.layout().placements()));
        double most = 0.92 * build.casing().outsideMm3();
        List<Proposal> found = find(build, new Wish("slab", Optional.of(1.0), 1, 2, ROUNDS));
        found.forEach(p -> isSound(p.build()));
        assertThat(found).anyMatch(p -> p.build().casing().outsideMm3() < most);
        double[] was = inside(build);
        List<Proposal> coarse = find(build, new Wish("slab", Optional.of(5.0), 1, 2, ROUNDS / 2));
        assertThat(coarse).anyMatch(p -> inside(p.build())[0] < was[0]);
        for (Proposal proposal : coarse) {
            for (int axis = 0; axis < 3; axis++) {
                double is = inside(proposal.build())[axis];
                assertThat(is == was[axis] || is % 5 == 0).isTrue();
            }
        }
        Build box = demo("harbour-watch");
        assertThat(find(box, new Wish("base", Optional.of(1.0), 1, 1, 200)))
                .allMatch(p -> p.build().casing().equals(box.casing()));
    }

    private static double[] inside(Build build) {
        Box cavity = build.shell("slab").orElseThrow().cavity();
        return new double[] {cavity.dx(), cavity.dy(), cavity.dz()};
    }

    /** What is locked stays where it is, a group moves as one, and of the same seed, threads and rounds the same is found. */
    @Test
    public void whatIsLockedStaysAndAGroupMovesAsOne() {
        Build build = demo("harbour-watch");
        Build held = build;
        for (String id : List.of("keyboard", "battery")) {
            held = held.with(held.placement(id).orElseThrow().locked(true));
        }
        for (String id : List.of("hub", "amplifier")) {
            held = held.with(held.placement(id).orElseThrow().grouped(Optional.of("pair")));
        }
        Wish wish = new Wish("base", Optional.empty(), 7, 2, ROUNDS);
        List<Proposal> found = find(held, wish);
        assertThat(found).isNotEmpty();
        for (Proposal proposal : found) {
            for (Placement was : held.layout().placements()) {
                Optional<Placement> is = proposal.build().placement(was.part());
                assertThat(!was.locked() || is.equals(Optional.of(was))).isTrue();
            }
            assertThat(apart(proposal.build(), "hub", "amplifier")).isEqualTo(apart(held, "hub", "amplifier"));
        }
        assertThat(layouts(find(held, wish))).isEqualTo(layouts(found));
        assertThat(layouts(find(held, new Wish("base", Optional.empty(), 8, 2, ROUNDS))))
                .isNotEqualTo(layouts(found));
    }

    private static List<Object> layouts(List<Proposal> found) {
        return found.stream().<Object>map(p -> p.build().layout()).toList();
    }

    /** Of several trays parts go from one to another, but what is looked at, has to be at a wall or is locked; what lies in one is not in the way of the other once closed. */
    @Test
    public void partsGoFromOneTrayToAnother() {
        Build demo = demo("harbour-watch");
        Build build = demo.with(demo.placement("hub").orElseThrow().locked(true));
        Wish wish = new Wish(List.of("base", "lid"), Optional.empty(), Set.of(), 3, 2, ROUNDS);
        List<Proposal> found = find(build, wish);
        int gone = 0;
        for (Proposal proposal : found) {
            Build done = proposal.build();
            isSound(done);
            assertThat(value(proposal, Verdict.Kind.PACKS)).isGreaterThan(0);
            assertThat(done.placement("hub")).isEqualTo(build.placement("hub"));
            for (String stays : List.of("keyboard", "ball", "screen", "socket")) {
                assertThat(done.placement(stays).map(Placement::shell))
                        .isEqualTo(build.placement(stays).map(Placement::shell));
            }
            assertThat(apart(done, "board", "card")).isEqualTo(apart(build, "board", "card"));
            assertThat(proposal.takenOver("take over", build).applied(build)).isEqualTo(done);
            gone += done.placement("amplifier")
                            .filter(p -> p.shell().equals("lid"))
                            .isPresent()
                    ? 1
                    : 0;
        }
        assertThat(gone).isPositive();
        assertThat(layouts(find(build, wish))).isEqualTo(layouts(found));
    }

    /** Walls of a tray take those of its lid along; what is locked stays where it is in both, and what is found can be taken over. */
    @Test
    public void whatIsLockedInALidStaysWhereWallsMove() {
        List<Part> parts = Stream.of("x86-palm", "touch-7", "kb-thumb", "pack-4s2p")
                .map(id -> Picks.shelf().part(id).orElseThrow())
                .toList();
        Build begun = Starter.begin(
                new Starter.Wish("begun", Starter.Kind.CLAMSHELL, parts, Optional.of(4.0), Optional.empty()));
        Placement screen = begun.placement("screen").orElseThrow();
        Placement board = begun.placement("board").orElseThrow();
        assertThat(screen.shell()).isEqualTo("lid");
        Build build = begun.with(screen.locked(true)).with(board.locked(true));
        boolean isSmaller = false;
        for (List<String> trays : List.of(List.of("base"), List.of("base", "lid"))) {
            for (int seed = 0; seed < 6; seed++) {
                Wish wish = new Wish(trays, Optional.of(1.0), Set.of(), seed, 1, 60);
                for (Proposal proposal : find(build, wish)) {
                    isSound(proposal.build());
                    assertThat(proposal.build().placement("screen")).contains(screen.locked(true));
                    assertThat(proposal.build().placement("board")).contains(board.locked(true));
                    assertThat(proposal.takenOver("take over", build).applied(build))
                            .isEqualTo(proposal.build());
                    isSmaller |= proposal.build().casing().outsideMm3()
                            < build.casing().outsideMm3() - 1;
                }
            }
        }
        assertThat(isSmaller).isTrue();
    }

    /** What has no room in one tray finds it in the other. */
    @Test
    public void whatHasNoRoomInOneTrayGoesIntoTheOther() {
        Build build = demo("harbour-watch");
        build = build.with(build.layout()
                .moved("ball", build.placement("ball").orElseThrow().at().minus(new Vec(0, 0, 6))));
        for (Placement at : build.layout().placements()) {
            build = build.with(at.locked(true));
        }
        build = build.with(build.parts().and(block("plate", 200, 120, 14)));
        assertThat(find(build, new Wish("base", Optional.empty(), 1, 1, 100))).isEmpty();
        List<Proposal> found = find(build, new Wish(List.of("base", "lid"), Optional.empty(), Set.of(), 1, 1, 100));
        assertThat(found)
                .isNotEmpty()
                .allMatch(
                        p -> p.build().placement("plate").orElseThrow().shell().equals("lid"));
        found.forEach(p -> isSound(p.build()));
    }

    /** Cables that were laid are laid again where their ends are. */
    @Test
    public void laidCablesAreLaidAgain() {
        Build build = demo("cave-survey");
        List<Proposal> found = find(build, new Wish("slab", Optional.empty(), 1, 2, 300));
        assertThat(found).isNotEmpty();
        for (Proposal proposal : found) {
            assertThat(proposal.build().layout().cables().stream().map(c -> c.what()))
                    .containsExactlyInAnyOrderElementsOf(
                            build.layout().cables().stream().map(c -> c.what()).toList());
        }
    }

    /** Enough ends it with what was found until then, cancelled with nothing; where all is locked there is nothing to look for. */
    @Test
    public void itEndsWhenItIsTold() {
        Build build = demo("harbour-watch");
        AtomicLong rounds = new AtomicLong();
        List<Integer> live = new ArrayList<>();
        Onlooker enough = new Onlooker() {
            @Override
            public void tried(long tried, long most) {
                rounds.set(tried);
            }

            @Override
            public void found(List<Proposal> proposals) {
                live.add(proposals.size());
            }

            @Override
            public boolean isEnough() {
                return rounds.get() > 300;
            }
        };
        assertThat(Arrangements.find(build, new Wish("base", Optional.empty(), 1, 2, 1_000_000), enough))
                .isNotEmpty();
        assertThat(rounds.get()).isBetween(301L, 303L);
        assertThat(live).isNotEmpty();
        Onlooker cancelled = new Onlooker() {
            @Override
            public boolean isCancelled() {
                return true;
            }
        };
        assertThat(Arrangements.find(build, new Wish("base", Optional.empty(), 1, 2, 1_000_000), cancelled))
                .isEmpty();
        for (Placement at : build.layout().placements()) {
            build = build.with(at.locked(true));
        }
        assertThat(find(build, new Wish("base", Optional.empty(), 1, 2, ROUNDS)))
                .isEmpty();
    }

    private static Build onTheTable(Shell tray, Part... parts) {
        Build build = packed(tray, List.of(parts), Collections.nCopies(parts.length, Vec.ZERO));
        for (Part part : parts) {
            build = build.with(build.layout().without(part.id()));
        }
        return build;
    }

    /** Where nothing goes in that is proved, and said; a case that may grow takes it. */
    @Test
    public void whatCannotGoInIsProvedAndALargerCaseTakesIt() {
        Shell tray = Samples.tray("tray", 100, 60, 20, exact(2), Material.PLASTIC, false);
        Wish fixed = new Wish("tray", Optional.empty(), 1, 1, 300);
        Wish sized = new Wish("tray", Optional.of(1.0), 1, 1, 300);
        Build large = onTheTable(tray, block("plank", 110, 10, 10));
        Build two = onTheTable(tray, block("one", 55, 58, 12), block("other", 58, 55, 11));
        Build many = onTheTable(
                tray,
                block("a", 48, 58, 19),
                block("b", 44, 40, 19),
                block("c", 30, 30, 18),
                block("d", 30, 30, 18),
                block("e", 25, 20, 18));
        assertThat(Arrangements.whyNone(large, Change.NONE, fixed)).contains("too large", "100 mm × 60 mm × 20 mm");
        assertThat(Arrangements.whyNone(two, Change.NONE, fixed)).contains("no room beside");
        assertThat(Arrangements.whyNone(many, Change.NONE, fixed)).contains("between them the parts take");
        for (Build build : List.of(large, two, many)) {
            assertThat(find(build, fixed)).isEmpty();
            List<Proposal> found = find(build, sized);
            assertThat(found).isNotEmpty();
            found.forEach(p -> isSound(p.build()));
            assertThat(Arrangements.whyNone(build, Change.NONE, sized)).doesNotContain("too large");
        }
    }

    /** A thousand trays of blocks by chance, one of them locked, two that touch, one that is looked at: every proposal is sound by the engine and by brute force. */
    @Test
    public void aThousandProblemsAreSolvedSoundly() {
        int proposals = 0;
        for (int seed = 0; seed < 1000; seed++) {
            Build build = problem(new Random(seed));
            Shell tray = build.shell("tray").orElseThrow();
            for (Proposal proposal :
                    find(build, new Wish("tray", seed % 2 == 1 ? Optional.of(1.0) : Optional.empty(), seed, 1, 5))) {
                proposals++;
                Build done = proposal.build();
                isSound(done);
                assertThat(done.placement("block0")).isEqualTo(build.placement("block0"));
                assertThat(apart(done, "block1", "block2")).isEqualTo(apart(build, "block1", "block2"));
                assertThat(done.placement("keys").orElseThrow().orientation()).isEqualTo(Orientation.AS_DRAWN);
                isSoundByForce(done, done.shell(tray.id()).orElseThrow());
            }
        }
        assertThat(proposals).isGreaterThan(1000);
    }

    private static Build problem(Random random) {
        int count = 4 + random.nextInt(8);
        List<Part> parts = new ArrayList<>();
        List<Vec> at = new ArrayList<>();
        parts.add(block("block0", 10 + random.nextInt(20), 10 + random.nextInt(20), 4 + random.nextInt(10)));
        at.add(new Vec(random.nextInt(50), random.nextInt(40), 0));
        parts.add(block("block1", 20, 15, 5));
        at.add(new Vec(90, 60, 0));
        parts.add(block("block2", 12, 15, 5));
        at.add(new Vec(90 + 20, 60, 0));
        parts.add(part("keys", Family.KEYBOARD, 20 + random.nextInt(20), 15, 6, 20));
        at.add(Vec.ZERO);
        for (int i = 4; i < count; i++) {
            parts.add(block("block" + i, 5 + random.nextInt(40), 5 + random.nextInt(30), 3 + random.nextInt(15)));
            at.add(Vec.ZERO);
        }
        Shell tray = Samples.tray("tray", 130, 90, 28, exact(2), Material.PLASTIC, true);
        Build build = packed(tray, parts, at);
        build = build.with(build.placement("block0").orElseThrow().locked(true));
        build = build.with(build.placement("block1").orElseThrow().touching("block2", true));
        for (Part loose : parts.subList(3, count)) {
            build = build.with(build.layout().without(loose.id()));
        }
        return build;
    }

    private static void isSoundByForce(Build build, Shell tray) {
        double gap = build.brief().limits().gapMm() - 1e-6;
        List<String> ids =
                build.layout().placements().stream().map(Placement::part).toList();
        for (String one : ids) {
            Box a = bounds(build, one);
            for (int axis = 0; axis < 3; axis++) {
                assertThat(a.low(axis)).isGreaterThan(-1e-6);
                assertThat(a.high(axis)).isLessThan(tray.cavity().high(axis) + 1e-6);
            }
            for (String other : ids) {
                Box b = bounds(build, other);
                boolean joined = one.matches("block[12]") && other.matches("block[12]");
                if (!one.equals(other) && !joined) {
                    boolean apart = false;
                    for (int axis = 0; axis < 3; axis++) {
                        apart |= a.gapAlong(axis, b) >= gap;
                    }
                    assertThat(apart).as(one + " and " + other).isTrue();
                }
                boolean isOver = one.equals("keys")
                        && b.low(2) >= a.high(2)
                        && a.gapAlong(0, b) < -1e-6
                        && a.gapAlong(1, b) < -1e-6;
                assertThat(isOver).as(other + " over the keys").isFalse();
            }
        }
    }

    /** What is found beats the build as it is in something that is read, or it is no proposal. */
    @Test
    public void noProposalIsBeatenByTheBuildAsItIs() {
        Build build = demo("orchard-ledger");
        Evaluation was = Evaluator.evaluate(build);
        Merit now = Merit.of(was, was, Reading.all(was, Set.of()));
        for (Proposal proposal : find(build, new Wish("base", Optional.empty(), 3, 1, 400))) {
            assertThat(now.beats(proposal.merit())).isFalse();
            assertThat(now.readsLike(proposal.merit())).isFalse();
            long stops = proposal.evaluation().findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .count();
            int read = proposal.readings().indexOf(Reading.STOPS);
            assertThat(proposal.merit().values().get(read)).isEqualTo((double) stops);
        }
    }
}
