package boldsatchel.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.balance.BalanceResult;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Points;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What must hold for any build at all. */
public class InvariantsTest {

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 60).mapToObj(i -> new Object[] {(long) i}).toArray(Object[][]::new);
    }

    private static Network network(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
    }

    @Test(dataProvider = "seeds")
    public void whatLeavesTheCellsArrivesInLoadsAndLosses(long seed) {
        Build build = RandomBuilds.of(seed);
        for (double level : new double[] {1, 0.6, 0.2}) {
            for (Mode mode : List.of(Mode.BUSY, Mode.IDLE, Mode.SLEEP)) {
                OperatingPoint point = network(build).solve(level, Demand.of(mode));
                if (point.collapsed()) {
                    continue;
                }
                double drawn = 4 * CellCurve.restVolts(Facet.Chemistry.LI_ION, level) * point.amps();
                double spent = point.rungs().values().stream()
                        .mapToDouble(OperatingPoint.RungState::heatW)
                        .sum();
                assertThat(spent).isCloseTo(drawn, Percentage.withPercentage(1e-4));
            }
        }
    }

    @Test(dataProvider = "seeds")
    public void overAWholeRunTheChargeSpentIsTheChargeTaken(long seed) {
        Build build = RandomBuilds.of(seed);
        build = build.with(build.brief().withProfiles(List.of(UseProfile.always(Mode.BUSY))));
        Discharge run = Discharge.run(network(build), build.brief().profile());
        if (run.hours() == 0) {
            return;
        }
        Facet.Cells cells =
                build.parts().list().getFirst().facet(Facet.Cells.class).orElseThrow();
        double taken = cells.capacityAh().value() * cells.parallel() * (1 - run.endLevel());
        double spent = 0;
        for (int i = 1; i < run.samples().size(); i++) {
            Discharge.Sample a = run.samples().get(i - 1);
            Discharge.Sample b = run.samples().get(i);
            spent += (a.amps() + b.amps()) / 2 * (b.hours() - a.hours());
        }
        assertThat(spent).isCloseTo(taken, Percentage.withPercentage(0.1));
    }

    @Test(dataProvider = "seeds")
    public void moreWattsNeverLastLonger(long seed) {
        Build build = RandomBuilds.of(seed);
        double before = PowerEngine.evaluate(build).hours().nominal();
        for (Part part : build.parts().list()) {
            if (part.facet(Facet.DrawsPower.class).isPresent()) {
                Facet.DrawsPower d = part.facet(Facet.DrawsPower.class).get();
                Facet more = boldsatchel.Samples.drawing(
                        d,
                        d.idleW().withValue(d.idleW().value() * 1.2),
                        d.busyW().withValue(d.busyW().value() * 1.2));
                double after = PowerEngine.evaluate(build.with(part.withFacet(more)))
                        .hours()
                        .nominal();
                assertThat(after).isLessThanOrEqualTo(before + 1e-6);
            }
        }
    }

    @Test(dataProvider = "seeds")
    public void movingAPartAwayNeverMakesAClashWithIt(long seed) {
        Build build = RandomBuilds.of(seed);
        Part part = build.parts().list().getFirst();
        Placement at = build.placement(part.id()).orElseThrow();
        List<String> before = clashesOf(build, part.id());
        Build away = build.with(at.at(at.at().plus(new Vec(2000, 0, 0))));
        assertThat(clashesOf(away, part.id())).isEmpty();
        assertThat(before).allSatisfy(id -> assertThat(id).isNotEqualTo(part.id()));
    }

    private static List<String> clashesOf(Build build, String id) {
        return FitEngine.evaluate(build).clashes().stream()
                .filter(c -> c.a().equals(id) || c.b().equals(id))
                .map(c -> c.a().equals(id) ? c.b() : c.a())
                .toList();
    }

    /** A quarter turn of everything about the vertical: the shell's width and depth change places. */
    private static Build turned(Build build) {
        Shell shell = build.casing().shells().getFirst();
        Build turned = build.with(Casing.NONE.withShells(List.of(shell.withInside(
                /* width= */ shell.depthMm().value(),
                /* depth= */ shell.widthMm().value(),
                shell.heightMm().value()))));
        for (Placement p : build.layout().placements()) {
            Part part = build.part(p.part()).orElseThrow();
            var placed = p.place(part.body().bounds(), part.body().bounds());
            Orientation orientation = p.orientation().turned();
            Vec at = new Vec(shell.depthMm().value() - placed.high(1), placed.x(), placed.z());
            turned = turned.with(new Placement(p.part(), p.shell(), at, orientation, p.touches()));
        }
        return turned;
    }

    @Test(dataProvider = "seeds")
    public void turningAWholeBuildChangesNeitherMassNorGaps(long seed) {
        Build build = RandomBuilds.of(seed);
        Evaluation before = Evaluator.evaluate(build);
        Evaluation after = Evaluator.evaluate(turned(build));
        assertThat(after.of(BalanceResult.class).massG().nominal())
                .isCloseTo(before.of(BalanceResult.class).massG().nominal(), within(1e-6));
        assertThat(gaps(after.of(FitResult.class)))
                .usingElementComparator((a, b) -> Math.abs(a - b) < 1e-6 ? 0 : Double.compare(a, b))
                .isEqualTo(gaps(before.of(FitResult.class)));
        assertThat(after.of(FitResult.class).clashes())
                .hasSameSizeAs(before.of(FitResult.class).clashes());
    }

    private static List<Double> gaps(FitResult fit) {
        return fit.gaps().stream().map(FitResult.Gap::gapMm).sorted().toList();
    }

    @Test(dataProvider = "seeds")
    public void evaluatingTwiceGivesEqualResults(long seed) {
        assertThat(Evaluator.evaluate(RandomBuilds.of(seed)).saysTheSame(Evaluator.evaluate(RandomBuilds.of(seed))))
                .isTrue();
    }

    @Test(dataProvider = "seeds")
    public void heatPutInIsThePowerDrawn(long seed) {
        heatIsWhatComesInLessWhatIsStored(Evaluator.evaluate(RandomBuilds.of(seed)), seed);
        heatIsWhatComesInLessWhatIsStored(Evaluator.evaluate(RandomBuilds.joined(seed)), seed);
        heatIsWhatComesInLessWhatIsStored(Evaluator.evaluate(RandomBuilds.plugged(seed)), seed);
        Evaluation charged = Evaluator.evaluate(RandomBuilds.charged(seed));
        heatIsWhatComesInLessWhatIsStored(charged, seed);
        Warmth plugged = charged.of(Points.class).warmths().getLast();
        assertThat(plugged.pluggedIn()).isTrue();
        assertThat(plugged.steps()).allSatisfy(s -> assertThat(s.storedW()).isBetween(0.2 * 4 * 3, 0.95 * s.inW()));
    }

    private static void heatIsWhatComesInLessWhatIsStored(Evaluation evaluation, long seed) {
        List<Warmth> warmths = evaluation.of(Points.class).warmths();
        List<HeatResult.Use> uses = evaluation.of(HeatResult.class).uses();
        assertThat(uses).hasSameSizeAs(warmths);
        for (int i = 0; i < uses.size(); i++) {
            Warmth warmth = warmths.get(i);
            double outside = evaluation.build().parts().list().stream()
                    .filter(Part::staysOutside)
                    .mapToDouble(p -> warmth.meanByPart().getOrDefault(p.id(), 0.0))
                    .sum();
            assertThat(uses.get(i).heatW()).isCloseTo(warmth.meanW() - outside, Percentage.withPercentage(1e-6));
            for (Warmth.Step step : warmth.steps()) {
                assertThat(step.heatW())
                        .as("first law, seed " + seed)
                        .isCloseTo(step.inW() - step.storedW(), within(1e-6 * Math.max(1, step.inW())));
            }
        }
    }

    /** What is worked out only when somebody looks must not have been the one to tell of. */
    @Test(dataProvider = "seeds")
    public void noUseIsGraverAnywhereThanTheOneThatIsTold(long seed) {
        Stream.of(RandomBuilds.of(seed), RandomBuilds.charged(seed))
                .flatMap(b -> Stream.of(
                        b, b.with(b.brief().withProfiles(calmAndBusy(b.brief().profiles())))))
                .map(b -> Evaluator.evaluate(b).of(HeatResult.class))
                .forEach(heat -> {
                    for (HeatResult.Use use : heat.uses()) {
                        for (int i = 0; i < use.spots().size(); i++) {
                            assertThat(use.spots().get(i).marginK())
                                    .as(use.when() + ", " + use.spots().get(i).name() + ", seed " + seed)
                                    .isGreaterThanOrEqualTo(
                                            heat.worst().get(i).spot().marginK() - 1e-3);
                        }
                    }
                });
    }

    /** Profiles that put in less than others at any time, and such that now put in more and now less. */
    private static List<UseProfile> calmAndBusy(List<UseProfile> profiles) {
        List<UseProfile> all = new ArrayList<>(profiles);
        all.add(new UseProfile("calm", List.of(step(Mode.IDLE, 20, 0.2), step(Mode.SLEEP, 40, 0.2))));
        all.add(new UseProfile("always busy", List.of(step(Mode.BUSY, 60, 0.7))));
        all.add(new UseProfile("bright and busy", List.of(step(Mode.BUSY, 5, 1), step(Mode.IDLE, 30, 1))));
        return all;
    }

    private static UseProfile.Step step(Mode mode, double minutes, double brightness) {
        return new UseProfile.Step(mode.words(), mode, minutes, brightness);
    }

    @Test(dataProvider = "seeds")
    public void everyVerdictSaysWhatItsNumbersAllow(long seed) {
        double factor = List.of(0.5, 0.98, 1.02, 2.0).get((int) (seed % 4));
        Evaluation evaluation = Evaluator.evaluate(limited(Evaluator.evaluate(RandomBuilds.of(seed)), factor));
        assertThat(evaluation.verdicts())
                .extracting(v -> v.kind().id())
                .containsExactly("packs", "lasts", "keeps-cool", "carries", "stands", "connects", "mends", "costs");
        for (Verdict v : evaluation.verdicts()) {
            assertThat(v.state())
                    .as(v.kind().id() + " " + v)
                    .isIn(stuck(evaluation, v) ? List.of(State.STOP) : allowed(v));
            assertThat(Double.compare(v.working().range().nominal(), v.value()))
                    .as(v.kind().id())
                    .isZero();
        }
    }

    /** What cannot be put together is not mended either, whatever number there is. */
    private static boolean stuck(Evaluation evaluation, Verdict v) {
        return v.kind().equals(Verdict.Kind.MENDS)
                && evaluation.findings().stream()
                        .anyMatch(f ->
                                f.code().equals("assembly.circle") || f.code().equals("assembly.trapped"));
    }

    /** The same build with hours, mass and money wanted at so many times what it has. */
    private static Build limited(Evaluation evaluation, double factor) {
        Brief brief = evaluation.build().brief();
        Brief.Limits limits = new Brief.Limits(
                wanted(evaluation, Verdict.Kind.LASTS, factor),
                wanted(evaluation, Verdict.Kind.CARRIES, factor),
                wanted(evaluation, Verdict.Kind.COSTS, factor),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                brief.limits().gapMm(),
                brief.limits().tipMarginDeg(),
                brief.limits().heatMarginK(),
                Optional.empty(),
                Optional.empty(),
                java.util.Set.of());
        return evaluation.build().with(brief.withLimits(limits));
    }

    private static Optional<Double> wanted(Evaluation evaluation, Verdict.Kind kind, double factor) {
        double value = evaluation.verdict(kind).value();
        return Double.isFinite(value) ? Optional.of(value * factor) : Optional.empty();
    }

    /** What the numbers of a verdict allow it to say: beyond its limit it may not be fine, well within it may not stop. */
    private static List<State> allowed(Verdict v) {
        if (v.limit().isEmpty() || Double.isNaN(v.value())) {
            return List.of(State.FINE, State.WATCH);
        }
        double limit = v.limit().getAsDouble();
        double worst = v.kind().moreIsBetter() ? v.low() - limit : limit - v.high();
        double by = v.kind().moreIsBetter() ? v.value() - limit : limit - v.value();
        return by < 0
                ? List.of(State.WATCH, State.STOP)
                : worst >= 0 ? List.of(State.FINE) : List.of(State.FINE, State.WATCH);
    }
}
