package boldsatchel.reach;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Key;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Aside;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Buttons and pictures behind walls: each trouble in a build that has it, gone after its first remedy, and in a sound twin that has not. */
public final class ReachTest {

    /** 100 × 60 × 30 inside, walls 2 mm, closed. */
    private static Shell tray(Opening... openings) {
        return Samples.tray("tray", 100, 60, 30, exact(2), Material.PLASTIC, false)
                .withOpenings(List.of(openings));
    }

    private static Key key(String name, double x) {
        return new Key(name, Face.FRONT, new Vec(x, 0, 3), 6, 4, 0.5);
    }

    private static Build board(double behind, Key key, Opening... openings) {
        return Build.empty("reach")
                .with(Casing.of(List.of(tray(openings)), exact(0)))
                .with(Samples.keyed(key))
                .with(new Placement("board", "tray", new Vec(20, behind - 2, 5), Orientation.AS_DRAWN, Set.of()));
    }

    private static Opening hole(double wide, double high) {
        return new Opening("hole", Face.FRONT, new Vec(30, 0, 8), wide, high, false, Optional.empty());
    }

    private static Build screen(double z, boolean resistive, Opening... openings) {
        Facet.ShowsPicture shows = new Facet.ShowsPicture(800, 480, new Box(5, 5, 4, 50, 30, 0), 60, 24);
        Part part = Samples.part("screen", Family.SCREEN, 60, 40, 4, 50, shows, new Facet.Touches(0, 0, resistive));
        return Build.empty("reach")
                .with(Casing.of(List.of(tray(openings)), exact(0)))
                .with(part)
                .with(new Placement("screen", "tray", new Vec(10, 10, z), Orientation.AS_DRAWN, Set.of()));
    }

    private static Opening window(double wide, double high) {
        return new Opening("window", Face.TOP, new Vec(40, 30, 30), wide, high, false, Optional.empty());
    }

    private static List<Finding> found(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .toList();
    }

    @DataProvider
    public Object[][] troubles() {
        Key ok = key("power", 10);
        return new Object[][] {
            {"reach.shut", board(10, ok), board(2, ok, hole(7, 5)), List.of("“power”", "10 mm behind the front wall")},
            {
                "reach.deep",
                board(10, ok, hole(7, 5)),
                board(3, ok, hole(7, 5)).with(Casing.of(List.of(tray(hole(16, 16))), exact(0))),
                List.of("10 mm deep", "pressed down to 1 mm", "peg of 11.5 mm")
            },
            {"reach.no-window", screen(20, false), screen(20, false, window(52, 32)), List.of("closed top wall")},
            {
                "reach.window-small",
                screen(20, false, window(44, 32)),
                screen(20, false, window(52, 32)),
                List.of("hides up to 3 mm")
            },
            {
                "reach.pressed",
                screen(25.8, true, window(44, 32)),
                screen(25, true, window(44, 32)),
                List.of("feels pressure", "0.2 mm off it", "under 0.5 mm")
            },
            {
                "reach.light",
                screen(20, false, window(66, 32)),
                screen(20, false, window(58, 32)),
                List.of("goes 3 mm beyond the screen")
            },
            {
                "reach.light-aslant",
                screen(23.5, false, window(56, 36)),
                screen(24, false, window(56, 36)),
                List.of("2.5 mm behind the wall", "hides only 2 mm")
            },
            {
                "reach.hole-idle",
                board(2, ok, served("power"), served("volume")),
                board(2, ok, served("power")),
                List.of("“volume of board”", "serves nothing any more")
            },
        };
    }

    private static Opening served(String key) {
        return new Opening(
                key + " of board",
                Face.FRONT,
                new Vec(30, 0, 8),
                7,
                5,
                false,
                Optional.of(new Opening.Serves("board", key, true)));
    }

    @Test(dataProvider = "troubles")
    public void eachTroubleIsToldAndGoneAfterItsFirstRemedy(String code, Build ill, Build sound, List<String> words) {
        Finding finding = found(ill, code).getFirst();
        assertThat(finding.message()).contains(words);
        Build mended = Findings.remedied(finding, ill);
        assertThat(found(mended, code)).isEmpty();
        assertThat(found(sound, code)).isEmpty();
    }

    /** A hole cut for a button goes where the button goes, and serves it; moved to another tray it is left over. */
    @Test
    public void holesAndWindowsFollowWhatTheyServe() {
        Build build = board(10, key("power", 10));
        Build cut = Findings.remedied(found(build, "reach.shut").getFirst(), build);
        Opening hole = cut.shell("tray").orElseThrow().openings().getFirst();
        assertThat(hole.peg()).isTrue();
        assertThat(hole.at().x()).isEqualTo(30, within(1e-9));
        Build moved = Edits.move(cut.part("board").orElseThrow(), new Vec(50, 8, 12))
                .change()
                .apply(cut);
        assertThat(moved.shell("tray").orElseThrow().openings().getFirst().at()).isEqualTo(new Vec(60, 8, 15));
        assertThat(Evaluator.evaluate(moved).findings()).noneMatch(f -> f.code().startsWith("reach."));
        Build screen = screen(20, false);
        Build seen = Findings.remedied(found(screen, "reach.no-window").getFirst(), screen);
        Opening window = seen.shell("tray").orElseThrow().openings().getFirst();
        assertThat(window.wideMm()).isEqualTo(51, within(1e-9));
        assertThat(window.highMm()).isEqualTo(31, within(1e-9));
        Build gone = Edits.unplace(seen.part("screen").orElseThrow()).change().apply(seen);
        assertThat(found(gone, "reach.hole-idle")).hasSize(1);
    }

    /** Turned to the right, what was wide stands upright in the wall. */
    @Test
    public void aTurnedButtonIsLookedForWhereItIs() {
        Part part = Samples.keyed(key("power", 10));
        Orientation turned = Orientation.AS_DRAWN.turned();
        Build build =
                board(2, key("power", 10)).with(new Placement("board", "tray", new Vec(80, 10, 5), turned, Set.of()));
        ReachResult.Access access = ReachEngine.evaluate(build).all().getFirst();
        Box lies = new Placement("board", "tray", new Vec(80, 10, 5), turned, Set.of())
                .place(part.body().bounds(), part.body().bounds());
        assertThat(access.wall()).isIn("right", "left");
        assertThat(access.behindMm())
                .isEqualTo(access.wall().equals("right") ? 102 - lies.high(0) : lies.x() + 2, within(1e-9));
    }

    @Test
    public void whatLiesBeforeAButtonIsTold() {
        Build build = board(22, key("power", 10), hole(16, 16))
                .with(Samples.part("block", Family.HUB, 10, 10, 10, 5))
                .with(new Placement("block", "tray", new Vec(25, 5, 4), Orientation.AS_DRAWN, Set.of()));
        assertThat(found(build, "reach.covered").getFirst().message())
                .isEqualTo("block lies before the button “power” of board.");
        Build aside = Findings.remedied(found(build, "reach.covered").getFirst(), build);
        assertThat(found(aside, "reach.covered")).isEmpty();
        assertThat(FitEngine.evaluate(aside).clashes()).isEmpty();
        Build full = build.with(
                Casing.of(List.of(Samples.tray("tray", 100, 43, 30, exact(2), Material.PLASTIC, false)), exact(0)));
        assertThat(aside.placement("block")).isNotEqualTo(build.placement("block"));
        assertThat(Aside.from(full.with(full.placement("block").orElseThrow().locked(true)), "block", "board", "power"))
                .as("what is locked stays")
                .isEmpty();
        assertThat(found(
                        build.with(new Placement("block", "tray", new Vec(40, 5, 4), Orientation.AS_DRAWN, Set.of())),
                        "reach.covered"))
                .isEmpty();
    }

    @Test
    public void buttonsOfUnequalHeightAreTold() {
        Key deep = new Key("volume", Face.FRONT, new Vec(30, 0.9, 3), 6, 4, 0.5);
        Build build = board(2, key("power", 10))
                .with(Samples.keyed(key("power", 10), deep))
                .with(Casing.of(
                        List.of(tray(
                                hole(7, 5),
                                new Opening("other", Face.FRONT, new Vec(50, 0, 8), 7, 5, false, Optional.empty()))),
                        exact(0)));
        Finding uneven = found(build, "reach.uneven").getFirst();
        assertThat(uneven.message()).contains("“volume”", "0.9 mm deeper than “power”");
        assertThat(found(Findings.remedied(uneven, build), "reach.uneven")).isEmpty();
    }

    /** What a window takes out of the wall weighs nothing: 52 × 32 × 2 mm of a plastic of 1.2 g/cm³ or so. */
    @Test
    public void openingsWeighNothing() {
        Build whole = screen(20, false);
        Build cut = screen(20, false, window(52, 32));
        double density = whole.shell("tray").orElseThrow().substance().densityKgM3() * 1e-6;
        assertThat(BalanceEngine.evaluate(whole).massG().nominal()
                        - BalanceEngine.evaluate(cut).massG().nominal())
                .isEqualTo(52 * 32 * 2 * density, within(1e-9));
    }
}
