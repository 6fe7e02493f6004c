package boldsatchel.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.Samples;
import boldsatchel.engine.Lazy;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Demand;
import boldsatchel.power.Points;
import boldsatchel.power.PointsEngine;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.Running;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Runs of whole machines through time: against the engines that know no time, and against conservation. */
public class OutingTest {

    private static Build demo(String name) {
        return Library.demo(name).orElseThrow();
    }

    private static HeatRun run(Build build, UseProfile profile, boolean plugged) {
        return HeatRun.of(build, FitEngine.evaluate(build), PointsEngine.evaluate(build), profile, plugged)
                .orElseThrow();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void heatIsTakenUpOrGivenOffOverWholeRuns(String name) {
        Build build = demo(name);
        for (UseProfile profile : build.brief().profiles()) {
            for (boolean plugged : new boolean[] {false, true}) {
                HeatRun run = run(build, profile, plugged);
                HeatRun.Balance heat = run.heat();
                assertThat(run.end().isEmpty()).isEqualTo(plugged);
                assertThat(heat.storedJ() + heat.givenOffJ())
                        .as("%s, plugged in: %s", profile.name(), plugged)
                        .isCloseTo(heat.putInJ(), Percentage.withPercentage(0.1));
            }
        }
    }

    /** Machines by chance, on their cells or plugged in: all that is put in is taken up or given off over whole runs. */
    @Test
    public void heatOfAnyMachineIsTakenUpOrGivenOff() {
        long followed = IntStream.range(0, 500)
                .parallel()
                .filter(seed -> {
                    Build build = RandomBuilds.of(seed);
                    Optional<HeatRun> run = HeatRun.of(
                            build,
                            FitEngine.evaluate(build),
                            PointsEngine.evaluate(build),
                            build.brief().profile(),
                            seed % 2 == 0);
                    run.map(HeatRun::heat)
                            .ifPresent(heat -> assertThat(heat.storedJ() + heat.givenOffJ())
                                    .as("seed " + seed)
                                    .isCloseTo(
                                            heat.putInJ(),
                                            within(1e-3 * (Math.abs(heat.putInJ()) + Math.abs(heat.givenOffJ())))));
                    return run.filter(r -> r.hours() > 0).isPresent();
                })
                .count();
        assertThat(followed).isEqualTo(500);
    }

    /** What goes on for ever in a machine ends where the steady state says. */
    @Test
    public void whatGoesOnForLongSettlesWhereTheSteadyStateIs() {
        List<Build> builds =
                new ArrayList<>(Library.DEMOS.stream().map(OutingTest::demo).toList());
        IntStream.range(0, 60).mapToObj(RandomBuilds::of).forEach(builds::add);
        for (Build build : builds) {
            for (Warmth warmth : PointsEngine.evaluate(build).warmths()) {
                for (Warmth.Step step : warmth.steps()) {
                    HeatModel model = new HeatModel(
                            build,
                            FitEngine.evaluate(build).placed(),
                            step.byPart().keySet(),
                            step.use().closed(),
                            Set.of());
                    double[] watts = model.watts(step);
                    double[] start = new double[watts.length];
                    Arrays.fill(start, build.brief().surroundings().packC());
                    start[0] = build.brief().surroundings().ambientC();
                    double[] last = WarmingTest.gone(model.network, start, watts, 3e6, 0)
                            .celsius();
                    double[] steady = model.network.settle(watts).celsius();
                    for (int node = 1; node < last.length; node++) {
                        assertThat(last[node])
                                .as(build.name() + ", node " + node)
                                .isCloseTo(steady[node], within(0.1));
                    }
                }
            }
        }
    }

    /** Where no board slows down it lasts as long as the power chain says, and gets as warm as the swing does. */
    @Test
    public void aRunAgreesWithEnginesThatKnowNoTime() {
        for (String name : new String[] {"orchard-ledger", "harbour-watch"}) {
            Build build = demo(name);
            Points points = PointsEngine.evaluate(build);
            HeatResult steady = HeatEngine.evaluate(build, FitEngine.evaluate(build), points);
            CellTemperatures cells = CellsEngine.evaluate(build, steady);
            HeatRun run = run(build, build.brief().profile(), false);
            assertThat(run.work()).isEqualTo(1);
            assertThat(run.hours())
                    .isCloseTo(
                            PowerEngine.evaluate(build, points, cells)
                                    .chains()
                                    .getFirst()
                                    .run()
                                    .hours(),
                            Percentage.withPercentage(1));
            HeatResult.Use use = steady.uses().getFirst();
            for (int i = 0; i < use.spots().size(); i++) {
                assertThat(run.highestC(i))
                        .as(use.spots().get(i).name())
                        .isCloseTo(use.spots().get(i).celsius(), within(1.5));
            }
        }
    }

    /** A board at its limit stays there, does less, and the charge lasts longer for it. */
    @Test
    public void aBoardAtItsLimitDoesLess() {
        Build build = demo("cave-survey");
        UseProfile profile = build.brief().profiles().getLast();
        HeatRun run = run(build, profile, false);
        int board = run.spots().stream().map(s -> s.place().subject()).toList().indexOf("board");
        assertThat(run.highestC(board)).isCloseTo(run.spots().get(board).limitC(), within(0.1));
        assertThat(run.work()).isBetween(0.3, 0.7);
        assertThat(run.moments()).allSatisfy(m -> assertThat(m.work()).isBetween(0.0, 1.0));
        List<HeatRun.Kind> kinds =
                run.events().stream().map(HeatRun.Event::kind).toList();
        assertThat(kinds).contains(HeatRun.Kind.SLOWS).endsWith(HeatRun.Kind.END);
        Build bears = build.with(build.part("board")
                .orElseThrow()
                .withFacet(new Facet.Thermal(
                        200,
                        build.part("board")
                                .orElseThrow()
                                .facet(Facet.Thermal.class)
                                .flatMap(Facet.Thermal::stillKW),
                        java.util.Optional.empty())));
        HeatRun hot = run(bears, profile, false);
        assertThat(hot.work()).isEqualTo(1);
        assertThat(hot.hours()).isLessThan(0.8 * run.hours());
        assertThat(hot.highestC(board)).isGreaterThan(run.spots().get(board).limitC() + 20);
    }

    /** With the work that can go on for ever, and no more, the first limit is just held in the steady state. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void whatGoesOnForEverJustHoldsTheFirstLimit(String name) {
        Build build = demo(name);
        FitResult fit = FitEngine.evaluate(build);
        Points points = PointsEngine.evaluate(build);
        for (UseProfile profile : build.brief().profiles()) {
            Sustained s = Sustained.of(build, fit, points, profile, false).orElseThrow();
            Running running = Running.full(build);
            Running.Moment most = running.at(Demand.of(s.step()))
                    .towards(
                            running.at(Demand.of(s.step().in(Mode.IDLE).running(java.util.Optional.empty()))),
                            s.work());
            assertThat(most.heatW()).isCloseTo(s.watts(), within(1e-6));
            Warmth.Step step =
                    new Warmth.Step(s.step(), most.heatW(), 0, most.byPart(), most.wiresW(), Lazy.known(List.of()));
            HeatResult held = HeatEngine.evaluate(
                    build, fit, new Points(List.of(), List.of(), List.of(new Warmth("held", false, List.of(step)))));
            double least = held.uses().getFirst().spots().stream()
                    .mapToDouble(HeatResult.Spot::marginK)
                    .min()
                    .orElseThrow();
            assertThat(least).isCloseTo(0, within(0.1));
            assertThat(s.burstSeconds()).isGreaterThan(30);
            assertThat(Double.isInfinite(s.burstSeconds())).isEqualTo(s.work() >= 1);
        }
    }

    /** What comes into a place goes out of it, and all that is set free arrives at the surroundings. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void theWaysOfTheHeatAddUp(String name) {
        Build build = demo(name);
        for (HeatResult.Use use : HeatEngine.evaluate(build, FitEngine.evaluate(build), PointsEngine.evaluate(build))
                .uses()) {
            HeatWays ways = use.ways().get();
            Map<HeatPlace, Double> left = new java.util.HashMap<>();
            ways.sources().forEach(s -> left.merge(s.at(), s.watts(), Double::sum));
            for (HeatWays.Flow flow : ways.flows()) {
                assertThat(flow.watts()).isPositive();
                left.merge(flow.from(), -flow.watts(), Double::sum);
                left.merge(flow.to(), flow.watts(), Double::sum);
            }
            double all =
                    ways.sources().stream().mapToDouble(HeatWays.Source::watts).sum();
            assertThat(all).isCloseTo(use.heatW() + use.sunW(), within(1e-6));
            left.forEach((place, watts) -> assertThat(watts)
                    .as("%s", place)
                    .isCloseTo(place.kind() == HeatPlace.Kind.SURROUNDINGS ? all : 0, within(1e-3 * all)));
        }
    }

    @DataProvider
    Object[][] boards() {
        return new Object[][] {{"x86-thin"}, {"x86-blower"}, {"x86-wide"}};
    }

    private static Part board(String id) {
        return Library.shipped().parts().stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** A board on standoffs with 30 mm of room around it, in plastic. */
    private static Build slab(Part board, boolean vented) {
        Box b = board.body().bounds();
        Shell plain = Shell.plain(
                "slab",
                "Slab",
                new Box(0, 0, 0, b.dx() + 60, b.dy() + 60, b.dz() + 20),
                Figure.planned(2.4),
                Material.PETG,
                Shell.Making.PRINTED,
                false);
        Shell slab = vented
                ? plain.withVents(List.of(
                        Vent.usual("in", Face.BACK, plain.cavity(), false, Vent.Kind.SLOTS),
                        Vent.usual("out", Face.FRONT, plain.cavity(), true, Vent.Kind.GRILLE)))
                : plain;
        Build empty = Build.empty("slab");
        return empty.with(empty.casing().withShells(List.of(slab)))
                .with(empty.parts().and(board))
                .with(new Placement(board.id(), "slab", new Vec(30, 30, 5), Orientation.AS_DRAWN, Set.of()))
                .with(Brief.empty().withSurroundings(new Brief.Surroundings(25, 25, false, false)));
    }

    private static double busyW(Part board) {
        return board.facet(Facet.DrawsPower.class).orElseThrow().busyW().value();
    }

    private static double marginK(Part board, boolean vented) {
        Build build = slab(board, vented);
        Warmth.Step step = new Warmth.Step(
                UseProfile.always(Mode.BUSY).steps().getFirst(),
                busyW(board),
                0,
                Map.of(board.id(), busyW(board)),
                0,
                Lazy.known(List.of()));
        Points points = new Points(List.of(), List.of(), List.of(new Warmth("always", false, List.of(step))));
        return HeatEngine.evaluate(build, FitEngine.evaluate(build), points)
                .margin()
                .orElseThrow()
                .nominal();
    }

    /** The same networks in a circuit simulator, in the steady state and on the way there: slab.csv says how that was made. */
    @Test
    public void aCircuitSimulatorFindsTheSameTemperatures() throws IOException {
        List<String> rows;
        try (InputStream in = Objects.requireNonNull(OutingTest.class.getResourceAsStream("slab.csv"))) {
            rows = new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
        Part board = board("x86-thin");
        for (boolean vented : new boolean[] {false, true}) {
            Build build = slab(board, vented);
            HeatModel model =
                    new HeatModel(build, FitEngine.evaluate(build).placed(), Set.of(board.id()), false, Set.of());
            double[] watts = model.watts(Map.of(board.id(), busyW(board)), 0);
            List<double[]> found =
                    new ArrayList<>(List.of(model.network.settle(watts).celsius()));
            double[] cold = new double[model.network.size()];
            Arrays.fill(cold, 25);
            for (double seconds : new double[] {120, 600, 3600}) {
                found.add(
                        WarmingTest.gone(model.network, cold, watts, seconds, 0).celsius());
            }
            List<String> here = rows.stream()
                    .filter(r -> r.startsWith(vented ? "vented," : "sealed,"))
                    .toList();
            assertThat(here).hasSize(model.network.size() - 1);
            for (String row : here) {
                String[] cells = row.split(",", -1);
                for (int i = 0; i < found.size(); i++) {
                    assertThat(found.get(i)[Integer.parseInt(cells[1])])
                            .as(row)
                            .isCloseTo(Double.parseDouble(cells[2 + i]), within(0.1));
                }
            }
        }
    }

    /** A stock board with its own blower in an enlarged slab is kept cool by two usual vents, and not in a sealed one. */
    @Test(dataProvider = "boards")
    public void twoUsualVentsSaveABoardWithABlower(String id) {
        assertThat(marginK(board(id), true)).isGreaterThan(5);
        assertThat(marginK(board(id), false)).isLessThan(-5);
        assertThat(keepsCool(board(id), true)).isNotEqualTo(State.STOP);
        assertThat(keepsCool(board(id), false)).isEqualTo(State.STOP);
    }

    /** Neither of two boards gets beyond its limit, also where the heavier one gets there while the lighter one is held at its own. */
    @Test
    public void ofTwoBoardsNeitherGetsBeyondItsLimit() {
        Part bank = Samples.bank(
                        new Facet.PowerBank(Samples.exact(500), Samples.exact(0.9), 5, 40, Samples.exact(1e-3), 0))
                .withFacet(new Facet.StaysBeside());
        for (double limitC = 52; limitC < 60; limitC += 1) {
            List<Part> boards = List.of(twin("one", 10, 84), twin("two", 230, limitC));
            Build packed = Samples.packed(
                    Samples.box(260, 120, 40, 2, Material.PLASTIC),
                    boards,
                    List.of(new Vec(10, 20, 8), new Vec(140, 20, 8)));
            Build build = packed.with(packed.parts().and(bank))
                    .with(packed.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))))
                    .withChain(List.of(Samples.rung("bank", Samples.rung("one"), Samples.rung("two"))));
            HeatRun run = run(build, build.brief().profile(), false);
            assertThat(run.work()).isLessThan(1);
            for (int i = 0; i < run.spots().size(); i++) {
                if (run.spots().get(i).place().kind() == HeatPlace.Kind.PART) {
                    assertThat(run.highestC(i))
                            .as(
                                    "%s, the other's limit %.1f °C",
                                    run.spots().get(i).name(), limitC)
                            .isLessThan(run.spots().get(i).limitC() + 0.1);
                }
            }
        }
    }

    /** Waits at next to nothing, so that whatever its limit is it can be held there. */
    private static Part twin(String id, double grams, double limitC) {
        Facet.DrawsPower busy = Samples.load(14, 4, 6);
        Facet.DrawsPower draws = new Facet.DrawsPower(
                busy.lowV(),
                busy.nominalV(),
                busy.highV(),
                busy.kind(),
                busy.offW(),
                Samples.exact(0.1),
                Samples.exact(0.2),
                busy.busyW(),
                busy.startW(),
                busy.startSeconds(),
                busy.backlightW());
        return Samples.part(
                id,
                Family.X86_BOARD,
                80,
                60,
                10,
                grams,
                draws,
                new Facet.Thermal(limitC, Optional.of(Samples.exact(2.4)), Optional.empty()));
    }

    /** The verdict on the same, busy for ever, fed from beside it by a chain. */
    private static State keepsCool(Part board, boolean vented) {
        double volts = board.facet(Facet.DrawsPower.class).orElseThrow().nominalV();
        Part bank = Samples.bank(
                        new Facet.PowerBank(Samples.exact(1000), Samples.exact(0.9), volts, 20, Samples.exact(1e-3), 0))
                .withFacet(new Facet.StaysBeside());
        Build slab = slab(board, vented);
        Build fed = slab.with(new Parts(List.of(board, bank)))
                .with(slab.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))))
                .withChain(List.of(Samples.rung("bank", Samples.rung(board.id()))));
        return Evaluator.evaluate(fed).verdict(Verdict.Kind.KEEPS_COOL).state();
    }
}
