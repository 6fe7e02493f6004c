package boldsatchel.heat;

import static boldsatchel.Samples.bank;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.power.PointsEngine;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;

/** Fans that start and stop with the warmth of a board: what is told of them for ever against runs through time. */
public class SwitchedTest {

    private static final Facet.MovesAir FAN = new Facet.MovesAir(
            exact(2), exact(20), Optional.empty(), Optional.empty(), Optional.of(Face.BACK), List.of());

    private static Build build(Facet.MovesAir fan, double boardW, double driveLimitC, UseProfile.Step... steps) {
        Shell tray = box(260, 120, 40, 2, Material.PLASTIC);
        double back = tray.cavity().dy();
        Part bank = bank(new Facet.PowerBank(exact(370), exact(0.87), 5, 20, exact(0.001), 0));
        Part board = part(
                "board",
                Family.X86_BOARD,
                80,
                60,
                10,
                60,
                load(boardW, 4, 6),
                new Facet.Thermal(150, Optional.of(exact(3)), Optional.of(exact(1.5))));
        Part drive = part(
                "drive",
                Family.DRIVE,
                60,
                20,
                5,
                10,
                load(2, 4, 6),
                new Facet.Thermal(driveLimitC, Optional.of(exact(8)), Optional.of(exact(5))));
        Build packed = packed(
                        tray.withVents(List.of(
                                new Vent("out", Face.BACK, new Box(10, back, 5, 30, 0, 30), Vent.Kind.OPEN, 0),
                                new Vent("in", Face.FRONT, new Box(150, 0, 2, 60, 0, 10), Vent.Kind.OPEN, 0))),
                        List.of(part("fan", Family.COOLING, 30, 10, 30, 20, fan), bank, board, drive),
                        List.of(
                                new Vec(10, back - 11, 5),
                                new Vec(190, 40, 8),
                                new Vec(90, 40, 8),
                                new Vec(90, 10, 10)))
                .withChain(List.of(rung("bank", rung("board"), rung("drive"))));
        return packed.with(packed.brief().withProfiles(List.of(new UseProfile("day", List.of(steps)))));
    }

    private static UseProfile.Step step(Mode mode, double minutes) {
        return new UseProfile.Step(mode.name(), mode, minutes, 0.5, Optional.empty(), Optional.empty(), false);
    }

    private static Build busy(Facet.MovesAir fan) {
        return build(fan, 15, 150, step(Mode.BUSY, 60));
    }

    private static HeatResult.Use use(Build build) {
        return HeatEngine.evaluate(build, FitEngine.evaluate(build), PointsEngine.evaluate(build))
                .uses()
                .getFirst();
    }

    private static double celsius(HeatResult.Use use, String part) {
        return use.spots().stream()
                .filter(s -> s.subject().equals(part))
                .findFirst()
                .orElseThrow()
                .celsius();
    }

    private static HeatRun run(Build build) {
        return HeatRun.of(
                        build,
                        FitEngine.evaluate(build),
                        PointsEngine.evaluate(build),
                        build.brief().profile(),
                        false)
                .orElseThrow();
    }

    private static int spot(HeatRun run, String part) {
        return run.spots().stream().map(s -> s.place().subject()).toList().indexOf(part);
    }

    /** One that never gets its board so far up to stop again runs for ever, one whose board never gets so warm stands. */
    @Test
    public void aFanThatNeverStopsOrNeverStartsIsOneThatRunsOrStands() {
        HeatResult.Use always = use(busy(FAN));
        HeatResult.Use soon = use(busy(FAN.switched(30, 28)));
        assertThat(celsius(soon, "drive")).isEqualTo(celsius(always, "drive"));
        assertThat(soon.waiting()).isEmpty();
        HeatResult.Use never = use(busy(FAN.switched(200, 190)));
        assertThat(never.waiting().orElseThrow().byTurns()).isFalse();
        assertThat(celsius(never, "board")).isGreaterThan(celsius(always, "board") + 15);
        assertThat(never.shells().getFirst().fan()).isFalse();
        assertThat(run(busy(FAN.switched(200, 190))).highestC(0))
                .isCloseTo(never.spots().getFirst().celsius(), within(1.0));
    }

    /** By turns the board stays between both temperatures, the fan first starts when it gets to the upper, and all heat is accounted for. */
    @Test
    public void byTurnsTheBoardStaysBetweenStartAndStop() {
        Build build = busy(FAN.switched(70, 64));
        assertThat(use(build).waiting().orElseThrow().byTurns()).isTrue();
        HeatRun run = run(build);
        int board = spot(run, "board");
        HeatRun.Event starts = run.events().stream()
                .filter(e -> e.kind() == HeatRun.Kind.FAN)
                .findFirst()
                .orElseThrow();
        assertThat(starts.spot()).isEqualTo(board);
        assertThat(run.highestC(board)).isCloseTo(70, within(0.1));
        List<HeatRun.Moment> after =
                run.moments().stream().filter(m -> m.hours() > starts.hours()).toList();
        assertThat(after.stream().mapToDouble(m -> m.celsius().get(board)).min().orElseThrow())
                .isCloseTo(64, within(0.1));
        assertThat(run.heat().storedJ() + run.heat().givenOffJ())
                .isCloseTo(run.heat().putInJ(), Percentage.withPercentage(0.1));
        assertThat(use(build).ways().get().flows().stream()
                        .filter(f -> f.to().equals(HeatPlace.SURROUNDINGS))
                        .mapToDouble(HeatWays.Flow::watts)
                        .sum())
                .isCloseTo(use(build).heatW(), Percentage.withPercentage(0.1));
    }

    /**
     * Whatever is asked of it and whenever the fan starts and stops, nothing on the way gets warmer than told for ever; where it runs for ever,
     * only before it started.
     */
    @Test
    public void nothingGetsWarmerThanTold() {
        Random random = new Random(7);
        int byTurns = 0;
        for (int k = 0; k < 40; k++) {
            double onC = random.nextDouble(35, 110);
            Build build = build(
                    FAN.switched(onC, onC - random.nextDouble(0, 20)),
                    random.nextDouble(5, 25),
                    150,
                    step(Mode.BUSY, random.nextDouble(3, 60)),
                    step(random.nextBoolean() ? Mode.IDLE : Mode.BUSY, random.nextDouble(3, 60)));
            HeatResult.Use told = use(build);
            HeatRun run = run(build);
            byTurns += told.waiting().filter(HeatResult.Waiting::byTurns).isPresent() ? 1 : 0;
            double started = told.waiting().isPresent()
                    ? -1
                    : run.events().stream()
                            .filter(e -> e.kind() == HeatRun.Kind.FAN)
                            .mapToDouble(HeatRun.Event::hours)
                            .findFirst()
                            .orElseThrow();
            for (int spot = 0; spot < told.spots().size(); spot++) {
                int i = spot;
                assertThat(run.moments().stream()
                                .filter(m -> m.hours() > started + 0.5)
                                .mapToDouble(m -> m.celsius().get(i))
                                .max()
                                .orElse(0))
                        .as("machine %d, %s", k, told.spots().get(i).name())
                        .isLessThan(told.spots().get(i).celsius() + 1);
            }
        }
        assertThat(byTurns).isBetween(8, 32);
    }

    /** A drive cooks while the fan waits for the board; with the fan always on it does not. */
    @Test
    public void aFanThatWaitsForTheWrongPartIsSeen() {
        Findings.hold(
                "heat.fan-waits",
                build(FAN.switched(120, 100), 12, 62, step(Mode.BUSY, 60)),
                Double.NaN,
                build(FAN.switched(40, 35), 12, 62, step(Mode.BUSY, 60)),
                true);
    }

    /** What can go on for ever counts with the fan that starts; a burst begins with one that stands. */
    @Test
    public void whatGoesOnForEverCountsTheFan() {
        double always = sustainedW(FAN);
        assertThat(sustainedW(FAN.switched(50, 40))).isCloseTo(always, Percentage.withPercentage(0.5));
        assertThat(sustainedW(FAN.switched(200, 190))).isLessThan(0.92 * always);
    }

    private static double sustainedW(Facet.MovesAir fan) {
        Build build = build(fan, 30, 60, step(Mode.BUSY, 60));
        return Sustained.of(
                        build,
                        FitEngine.evaluate(build),
                        PointsEngine.evaluate(build),
                        build.brief().profile(),
                        false)
                .orElseThrow()
                .watts();
    }
}
