package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.assembly.AssemblyResult.Reach;
import boldsatchel.bench.BenchTests;
import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Loosenings;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class AssemblyTest {

    /** A closed box of 100 by 60 by 40 mm inside with plates of 80 by 40 by 4 mm on one another, lowest first. */
    private static Build stack(boolean open, String... ids) {
        Shell tray = Shell.plain(
                "tray",
                "Tray",
                new Box(0, 0, 0, 100, 60, 40),
                Figure.planned(2),
                Material.ABS,
                Shell.Making.PRINTED,
                open);
        List<Part> parts = new ArrayList<>();
        List<Placement> places = new ArrayList<>();
        for (int i = 0; i < ids.length; i++) {
            Family family = ids[i].equals("pack") ? Family.DRIVE : Family.HUB;
            parts.add(Samples.part(ids[i], family, 80, 40, 4, 50));
            places.add(new Placement(ids[i], "tray", new Vec(10, 10, 2 + 6 * i), Orientation.AS_DRAWN, Set.of()));
        }
        return Build.empty("stack")
                .with(new Parts(parts))
                .with(Casing.of(List.of(tray), Figure.planned(0)))
                .with(new Layout(places));
    }

    private static Build wired(Build build, String one, String other, double mm) {
        List<Rung> chain = new ArrayList<>(build.wiring().chain());
        chain.add(Rung.of(
                "r-" + one,
                new Rung.OfPart(one),
                Rung.of(
                        "w-" + one + "-" + other,
                        new Rung.Wire(22, mm),
                        Rung.of("e-" + other, new Rung.OfPart(other)))));
        return build.withChain(chain);
    }

    private static Reach reach(Build build, String part) {
        return AssemblyEngine.reach(build, part).orElseThrow();
    }

    private static Build held(Build build, String part, Fixing.By by) {
        return build.with(build.placement(part).orElseThrow().held(Optional.of(Fixing.by(by))));
    }

    @Test
    public void whatLiesBelowOthersIsReachedThroughThem() {
        assertThat(reach(stack(true, "pack", "b", "c"), "pack").steps()).hasSize(3);
        assertThat(reach(stack(true, "pack", "b", "c"), "c").steps()).hasSize(1);
        assertThat(reach(stack(false, "pack", "b", "c"), "pack").steps()).hasSize(4);
        assertThat(reach(stack(false, "pack", "b", "c"), "pack").least()).isTrue();
    }

    /** Cover: 1 min and four screws of half a minute; three plates of a minute, the clips of one 0.3 min; all of it twice. */
    @Test
    public void timesAreThoseOfTheTrade() {
        Build build = held(stack(false, "pack", "b", "c"), "b", Fixing.By.CLIPS);
        assertThat(reach(build, "pack").minutes()).isCloseTo(2 * (3 + 1 + 1.3 + 1), within(1e-9));
    }

    @Test
    public void whatIsGluedIsBuiltInAndNeverComesOut() {
        Build glued = held(stack(true, "pack", "b", "c"), "b", Fixing.By.GLUE);
        AssemblyResult result = AssemblyEngine.evaluate(glued);
        assertThat(result.circles()).isEmpty();
        assertThat(result.out()).hasSize(3);
        assertThat(reach(glued, "pack").isShut()).isTrue();
        assertThat(reach(glued, "c").isShut()).isFalse();
    }

    /** Short wires hold the lowest and the highest together, and something lies between: no order does. A plug is the way out. */
    @Test
    public void shortWiresRoundSomethingAreACircleWithAWayOut() {
        Build build = wired(stack(true, "a", "b", "c"), "a", "c", 40);
        AssemblyResult result = AssemblyEngine.evaluate(build);
        assertThat(result.circles())
                .singleElement()
                .satisfies(c -> assertThat(c.pieces()).extracting(Piece::id).containsExactly("a", "b", "c"));
        AssemblyResult.WayOut way = result.wayOut().get().orElseThrow();
        assertThat(way.proven()).isTrue();
        assertThat(way.changes()).containsExactly(Loosening.of(Loosening.Kind.CONNECTOR, "w-a-c"));
        Build mended =
                Loosenings.all(build, way.changes()).orElseThrow().change().apply(build);
        assertThat(AssemblyEngine.evaluate(mended).circles()).isEmpty();
        assertThat(AssemblyEngine.evaluate(wired(stack(true, "a", "b", "c"), "a", "c", 200))
                        .circles())
                .as("wires long enough to lay the one beside the case")
                .isEmpty();
        Verdict mends = Evaluator.evaluate(build).verdict(Verdict.Kind.MENDS);
        assertThat(mends.state()).isEqualTo(State.STOP);
        assertThat(Evaluator.evaluate(build).findings())
                .extracting(Finding::code)
                .contains("assembly.circle");
    }

    @Test
    public void aRibOverAPartTrapsItAndLeavingItOutIsTheWayOut() {
        Build plain = stack(true, "a");
        Shell tray = Form.of(Shell.class)
                .field("ribs")
                .with(plain.shell("tray").orElseThrow(), List.of(new Box(0, 0, 10, 100, 60, 2)));
        Build build = plain.with(plain.casing().withShell(tray));
        AssemblyResult result = AssemblyEngine.evaluate(build);
        assertThat(result.circles()).hasSize(1);
        assertThat(result.wayOut().get().orElseThrow().changes())
                .containsExactly(new Loosening(Loosening.Kind.NO_RIB, "tray", 0));
        assertThat(Evaluator.evaluate(build).findings())
                .extracting(Finding::code)
                .contains("assembly.trapped");
    }

    /** Many blocks under a rib as large as the tray: all ways aside are too many to look at, and nothing is called a circle. */
    @Test
    public void whereThereIsTooMuchToLookAtNothingIsCalledACircle() {
        Shell tray = Form.of(Shell.class)
                .field("ribs")
                .with(stack(true).shell("tray").orElseThrow(), List.of(new Box(0, 0, 30, 100, 60, 2)));
        List<Part> parts = new ArrayList<>();
        List<Placement> places = new ArrayList<>();
        for (int i = 0; i < 160; i++) {
            Family family = i == 0 ? Family.DRIVE : Family.HUB;
            parts.add(Samples.part("b" + i, family, 4, 4, 3, 5));
            Vec at = new Vec(1 + 4.8 * (i % 20), 1 + 6.6 * Math.floorDiv(i, 20), 0.5 + 4 * (i % 7));
            places.add(new Placement("b" + i, "tray", at, Orientation.AS_DRAWN, Set.of()));
        }
        Build build = Build.empty("many")
                .with(new Parts(parts))
                .with(Casing.of(List.of(tray), Figure.planned(0)))
                .with(new Layout(places));
        AssemblyResult result = AssemblyEngine.evaluate(build);
        assertThat(result.cutShort()).isTrue();
        assertThat(result.circles()).isEmpty();
        Verdict mends = Evaluator.evaluate(build).verdict(Verdict.Kind.MENDS);
        assertThat(mends.state()).isNotEqualTo(State.FINE);
        assertThat(mends.sentence()).contains("Not every way out was looked at");
        assertThat(Evaluator.evaluate(build).findings())
                .extracting(Finding::code)
                .contains("assembly.cut-short")
                .doesNotContain("assembly.circle", "assembly.trapped");
    }

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 12).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    /** Every set of changes is tried, and none that lets all out is cheaper than the one that was found. */
    @Test(dataProvider = "seeds")
    public void noSetOfChangesIsCheaperThanTheWayOut(int some) {
        for (int seed = some * 25; seed < some * 25 + 25; seed++) {
            Build build = seed % 2 == 0 ? ThrownTogether.tray(seed) : ThrownTogether.lidded(seed);
            CablesResult cables = CablesEngine.evaluate(build);
            Takedown planned = Takedown.of(build, cables, List.of());
            BitSet stuck = planned.whole();
            planned.takeAll(stuck);
            List<Loosening> possible = Circles.possible(build, cables, planned, stuck, false);
            if (stuck.isEmpty() || possible.size() > 7) {
                continue;
            }
            double least = Double.POSITIVE_INFINITY;
            for (int set = 0; set < 1 << possible.size(); set++) {
                List<Loosening> changes = new ArrayList<>();
                for (int i = 0; i < possible.size(); i++) {
                    if ((set & 1 << i) != 0) {
                        changes.add(possible.get(i));
                    }
                }
                Takedown changed = Takedown.of(build, cables, changes);
                BitSet left = changed.whole();
                changed.takeAll(left);
                if (left.isEmpty()) {
                    least = Math.min(
                            least,
                            changes.stream()
                                    .mapToDouble(c -> c.kind().minutes())
                                    .sum());
                }
            }
            Optional<AssemblyResult.WayOut> found =
                    Circles.cheapest(possible, changes -> Takedown.of(build, cables, changes));
            assertThat(found.map(AssemblyResult.WayOut::minutes).orElse(Double.POSITIVE_INFINITY))
                    .as("seed %s", seed)
                    .isEqualTo(least);
        }
    }

    /** Level by level through all sets of moves, whatever they bear on: the part leaves in no fewer steps than were found. */
    @Test(dataProvider = "seeds")
    public void noWayToAPartHasFewerSteps(int some) {
        for (int seed = some * 25; seed < some * 25 + 25; seed++) {
            Build build = seed % 2 == 0 ? ThrownTogether.tray(seed) : ThrownTogether.lidded(seed);
            Takedown takedown = Takedown.of(build, CablesEngine.evaluate(build), List.of());
            Map<BitSet, Integer> depth = new HashMap<>(Map.of(takedown.whole(), 0));
            List<BitSet> level = List.of(takedown.whole());
            for (int steps = 1; !level.isEmpty(); steps++) {
                List<BitSet> next = new ArrayList<>();
                for (BitSet at : level) {
                    for (Takedown.Move move : takedown.moves()) {
                        if (takedown.tried(move, at, false).isPresent()) {
                            BitSet left = (BitSet) at.clone();
                            left.andNot(move.takes());
                            if (depth.putIfAbsent(left, steps) == null) {
                                next.add(left);
                            }
                        }
                    }
                }
                level = next;
            }
            Reaching reaching = new Reaching(takedown, r -> 1);
            for (int part = 0; part < takedown.placed().size(); part++) {
                int target = part;
                int least = depth.entrySet().stream()
                        .filter(e -> !e.getKey().get(target))
                        .mapToInt(Map.Entry::getValue)
                        .min()
                        .orElse(0);
                int found = reaching.of(part).map(f -> f.steps().size()).orElse(0);
                assertThat(found).as("seed %s, part %s", seed, part).isEqualTo(least);
            }
        }
    }

    @Test
    public void theTradeKnowsEveryJobAndFixingAndItsRulesDoNotRunInARing() {
        Trade trade = Trade.known();
        assertThat(trade.jobs()).extracting(Trade.Work::job).containsExactlyInAnyOrder(Job.values());
        assertThat(trade.fixings()).extracting(Trade.Held::by).containsExactlyInAnyOrder(Fixing.By.values());
        assertThat(trade.proofs()).allMatch(p -> BenchTests.test(p.test()).isPresent());
        assertThat(trade.rules()).extracting(Trade.Rule::id).doesNotHaveDuplicates();
        assertThat(trade.rules()).allSatisfy(r -> assertThat(r.because()).isNotBlank());
        for (Trait from : Trait.values()) {
            assertThat(after(trade, from, new ArrayList<>()))
                    .as("after %s", from)
                    .doesNotContain(from);
        }
    }

    private static List<Trait> after(Trade trade, Trait from, List<Trait> found) {
        trade.rules().stream()
                .filter(r -> r.first() == from && !found.contains(r.then()))
                .map(Trade.Rule::then)
                .forEach(t -> {
                    found.add(t);
                    after(trade, t, found);
                });
        return found;
    }

    /** Whoever changes an order sees what it does to the demos, and reads it. */
    @Test
    public void theOrdersOfTheDemosAreThoseInTheManual() throws IOException {
        StringBuilder text = new StringBuilder(
                "# The orders of the demos\n\nWritten by the tests; how they come about: [assembly](assembly.md).\n");
        for (String demo : Library.DEMOS) {
            Build build = Library.demo(demo).orElseThrow();
            Plan plan = PlanEngine.evaluate(build);
            text.append("\n## ").append(build.name()).append("\n");
            Step.Phase phase = null;
            int number = 1;
            for (Step step : plan.steps()) {
                text.append(step.phase() == phase ? "" : "\n**" + step.phase().words() + "**\n\n");
                phase = step.phase();
                text.append(number++)
                        .append(". ")
                        .append(step.words())
                        .append(step.isHold() ? " (hold point)" : "")
                        .append(step.reasons().isEmpty() ? "" : ": here, since " + String.join("; ", step.reasons()))
                        .append("\n");
            }
            for (Plan.Broken broken : plan.broken()) {
                text.append("\nNot kept: *")
                        .append(broken.rule().id())
                        .append("*, since ")
                        .append(broken.rule().because())
                        .append(".\n");
            }
        }
        Path shipped = Path.of("../docs/method/assembly-orders.md");
        if (System.getProperty("boldsatchel.write") != null) {
            Files.writeString(shipped, text);
        }
        assertThat(Files.readString(shipped)).isEqualTo(text.toString());
    }

    /** Whatever is said of a step holds in the row: what it keeps is kept, and what it breaks is told. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void stepsOfADemoKeepTheRulesOrSayWhichTheyBreak(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        AssemblyResult result = AssemblyEngine.evaluate(build);
        Plan plan = PlanEngine.evaluate(build);
        List<Step> steps = plan.steps();
        assertThat(steps).extracting(Step::id).doesNotHaveDuplicates();
        List<String> laid = steps.stream()
                .flatMap(s -> s.groups().stream())
                .flatMap(g -> g.parts().stream())
                .toList();
        assertThat(laid)
                .containsExactlyInAnyOrderElementsOf(build.layout().placements().stream()
                        .map(Placement::part)
                        .toList());
        for (Trade.Rule rule : Trade.known().rules()) {
            if (rule.inOneTray()) {
                continue;
            }
            for (int i = 0; i < steps.size(); i++) {
                for (int j = i + 1; j < steps.size(); j++) {
                    boolean wrong = steps.get(i).traits().contains(rule.then())
                            && !steps.get(i).traits().contains(rule.first())
                            && steps.get(j).traits().contains(rule.first());
                    String early = steps.get(i).id();
                    assertThat(wrong
                                    && plan.broken().stream()
                                            .noneMatch(b -> b.rule().equals(rule)
                                                    && b.early().equals(early)))
                            .as(
                                    "%s: %s before %s",
                                    rule.id(), early, steps.get(j).id())
                            .isFalse();
                }
            }
        }
        assertThat(result.circles()).isEmpty();
        assertThat(Arrays.stream(Step.Phase.values()))
                .allMatch(p -> steps.stream().anyMatch(s -> s.phase() == p));
        assertThat(steps.getLast().job()).isEqualTo(Job.PEEL);
    }
}
