package boldsatchel.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.PointsEngine;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Chains worked out by the program: they run, and the findings have nothing grave to say about them. */
public class PlanTest {

    private static Build demo(String name) {
        return Library.demo(name).orElseThrow();
    }

    private static List<String> stops(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().startsWith("power.") && f.severity() == Severity.STOP)
                .map(Finding::message)
                .toList();
    }

    @DataProvider
    Object[][] ways() {
        List<Object[]> ways = new ArrayList<>();
        for (String demo : Library.DEMOS) {
            for (Supplies.School school : Supplies.School.values()) {
                ways.add(new Object[] {demo, school});
            }
        }
        return ways.toArray(Object[][]::new);
    }

    @Test(dataProvider = "ways")
    public void everySchoolFeedsTheLoadsOfEveryDemo(String demo, Supplies.School school) {
        Build build = demo(demo);
        Supplies.Option option = Supplies.reckon(build, school).orElseThrow();
        assertThat(option.hours()).as(option.end()).isPositive();
        assertThat(stops(option.build())).isEmpty();
        assertThat(PowerEngine.evaluate(option.build()).unfed()).isEmpty();
        assertThat(option.massG()).isNotNegative();
        assertThat(option.lossW()).isPositive();
        for (Part load : ChainPlanner.loads(build)) {
            assertThat(option.build().part(load.id())).as("the loads stay").contains(load);
        }
        Build taken = option.edit().change().apply(build);
        assertThat(Evaluator.evaluate(taken).of(PowerResult.class).hours().nominal())
                .isEqualTo(option.hours());
    }

    @Test
    public void schoolsAreWhatTheySay() {
        Build build = demo("cave-survey");
        assertThat(root(build, Supplies.School.TWO_BANKS).joined()).hasSize(2);
        assertThat(root(build, Supplies.School.PARALLEL_CELLS).joined().size()).isGreaterThan(2);
        assertThat(root(build, Supplies.School.PARALLEL_CELLS)
                        .walk()
                        .filter(r ->
                                r.stage() instanceof Rung.Diode d && d.kneeV().value() > 0))
                .hasSize(root(build, Supplies.School.PARALLEL_CELLS).joined().size());
        assertThat(root(build, Supplies.School.BANK_BRIDGED).walk()).anyMatch(r -> r.stage() instanceof Rung.Capacitor);
        Supplies.Option mains = Supplies.reckon(build, Supplies.School.MAINS).orElseThrow();
        assertThat(mains.hours()).isInfinite();
        assertThat(mains.largestWh()).isZero();
        Supplies.Option swap = Supplies.reckon(build, Supplies.School.HOT_SWAP).orElseThrow();
        assertThat(PowerEngine.evaluate(swap.build())
                        .chains()
                        .getFirst()
                        .withoutOne()
                        .orElseThrow())
                .isPositive();
    }

    private static Rung root(Build build, Supplies.School school) {
        return Supplies.reckon(build, school)
                .orElseThrow()
                .build()
                .wiring()
                .chain()
                .getFirst();
    }

    @Test
    public void powerPathLetsThePackFillWhileTheMachineRuns() {
        var charge = PowerEngine.evaluate(Supplies.reckon(demo("cave-survey"), Supplies.School.POWER_PATH)
                        .orElseThrow()
                        .build())
                .charges()
                .getFirst();
        assertThat(charge.running().hours()).isFinite();
        assertThat(charge.cellsA()).isPositive();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aSuggestedChainGivesReasonsRunsAndHasNothingGrave(String name) {
        Build build = demo(name);
        Suggestion suggestion = Supplies.suggest(build).orElseThrow();
        assertThat(suggestion.reasons()).hasSizeGreaterThan(3);
        Build after = suggestion.edit().change().apply(build);
        assertThat(PowerEngine.evaluate(after).hours().nominal()).isPositive();
        assertThat(stops(after)).isEmpty();
    }

    /** A proposal is a function of the build as it is when it is taken, not a build worked out some time ago. */
    @Test
    public void whatWasDoneMeanwhileIsKeptWhenAProposalIsTaken() {
        Build build = demo("cave-survey");
        Supplies.Option bank = Supplies.reckon(build, Supplies.School.BANK).orElseThrow();
        Suggestion suggestion = Supplies.suggest(build).orElseThrow();
        Build meanwhile = Edits.addPart(Picks.shelf().part("trackball").orElseThrow())
                .change()
                .apply(Edits.rename("Another name").change().apply(build));
        for (Edit proposal : List.of(bank.edit(), suggestion.edit())) {
            Build after = proposal.change().apply(meanwhile);
            assertThat(after.name()).isEqualTo("Another name");
            assertThat(after.part("trackball")).isPresent();
            assertThat(PowerEngine.evaluate(after).hours().nominal()).isPositive();
        }
    }

    @Test
    public void withoutLoadsNothingIsSuggestedAndWithoutASourceAPackIsChosen() {
        assertThat(Supplies.suggest(Build.empty("x"))).isEmpty();
        Build board = Build.empty("x")
                .with(new Parts(List.of(Picks.shelf().part("x86-palm").orElseThrow())));
        Build after = Supplies.suggest(board).orElseThrow().edit().change().apply(board);
        assertThat(after.parts().list())
                .anyMatch(p -> p.facet(Facet.Cells.class).isPresent());
        assertThat(stops(after)).isEmpty();
    }

    private static double hours(Build build, CellTemperatures cells) {
        return PowerEngine.evaluate(build, PointsEngine.evaluate(build), cells)
                .hours()
                .nominal();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void waysToAnotherHourGiveWhatTheySay(String name) {
        Build build = demo(name);
        CellTemperatures cells = Evaluator.evaluate(build).of(CellTemperatures.class);
        double now = hours(build, cells);
        List<HourMore.Way> ways = HourMore.of(build, cells);
        assertThat(ways).isNotEmpty();
        assertThat(ways).anyMatch(HourMore.Way::reaches);
        for (HourMore.Way way : ways) {
            double then = hours(way.edit().change().apply(build), cells);
            assertThat(then - now).as(way.words()).isCloseTo(way.hours(), within(0.01));
            assertThat(way.reaches()).isEqualTo(way.hours() >= 1);
        }
        assertThat(ways.stream().map(HourMore.Way::reaches).toList())
                .isSortedAccordingTo(java.util.Comparator.reverseOrder());
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void theVoltmeterFallsWithTheChargeAndWithTheLoad(String name) {
        Build build = demo(name);
        VoltTable table = VoltTable.of(build, build.wiring().chain().getFirst(), CellTemperatures.begin(build))
                .orElseThrow();
        assertThat(table.rows()).hasSize(11);
        for (int i = 0; i < 11; i++) {
            VoltTable.Row row = table.rows().get(i);
            assertThat(row.level()).isCloseTo(1 - i / 10.0, within(1e-9));
            if (!Double.isNaN(row.busyV())) {
                assertThat(row.busyV()).isLessThan(row.idleV());
                assertThat(row.idleV()).isLessThan(row.restV());
            }
            if (i > 0) {
                assertThat(row.restV()).isLessThan(table.rows().get(i - 1).restV());
            }
        }
        assertThat(table.warnLevel()).isBetween(0.1, 0.5);
    }

    @Test
    public void aConverterIsPickedForItsVoltagesAndGuessedWhereTheShelfHasNone() {
        Part up = Picks.converter(new Picks.Conversion(3, 4.2, 4.75, 5.1, 5.4, 8));
        assertThat(up.facet(Facet.Converts.class).orElseThrow().kind()).isEqualTo(Facet.ConverterKind.STEP_UP);
        Part down = Picks.converter(new Picks.Conversion(12, 16.8, 4.75, 5.1, 5.4, 15));
        assertThat(down.facet(Facet.Converts.class).orElseThrow().kind()).isEqualTo(Facet.ConverterKind.STEP_DOWN);
        Part odd = Picks.converter(new Picks.Conversion(12, 16.8, 7.1, 7.4, 7.6, 15));
        assertThat(odd.name()).contains("to be chosen");
        assertThat(odd.price().basis()).isEqualTo(boldsatchel.quantity.Basis.GUESS);
    }
}
