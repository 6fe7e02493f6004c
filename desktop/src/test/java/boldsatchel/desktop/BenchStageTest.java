package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.standins.BenchServer;
import boldsatchel.standins.SampleLog;
import boldsatchel.standins.StandInBench;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** The bench, from the steps of a test to what it does to the plan. */
public class BenchStageTest extends WindowHarness {

    private static final String DISCHARGE = "discharge";

    private void choose(String test) {
        ListView<BenchTest> tests = robot.lookup("#bench-tests").queryListView();
        onFx(() -> {
            tests.getSelectionModel().select(BenchTests.test(test).orElseThrow());
            return 0;
        });
    }

    private void drop(Path log) {
        onFx(() -> {
            app().frame().dropped(List.of(log));
            return 0;
        });
    }

    private Facet.Cells cells() {
        return build().part("battery").flatMap(p -> p.facet(Facet.Cells.class)).orElseThrow();
    }

    private double hours() {
        return evaluation().of(PowerResult.class).shortest().orElseThrow().run().hours();
    }

    private Button button(String id) {
        return robot.lookup("#" + id).queryButton();
    }

    /** A log of a pack that is a third less than its label, with a gap, a word among its numbers and a break in its clock. */
    private Path messyLog() throws Exception {
        Facet.Cells cells = cells();
        Part pack = build().part("battery").orElseThrow();
        Part poor = pack.withFacet(new Facet.Cells(
                cells.chemistry(),
                cells.series(),
                cells.parallel(),
                new Figure(0.67 * cells.capacityAh().value(), 0, Basis.MEASURED),
                cells.nominalV(),
                cells.cellOhms(),
                cells.packOhms(),
                cells.cutoffV(),
                cells.maxDischargeA(),
                cells.tripA(),
                cells.ownCutoff(),
                cells.health()));
        String text = SampleLog.discharge(build().with(build().parts().with(poor)), "battery", 4, 10);
        List<String> lines = new ArrayList<>(text.lines().toList());
        lines.set(100, lines.get(100).replaceFirst(";[0-9,]+;", ";OL;"));
        lines.add(200, "memory full; please wait");
        Path file = Files.createTempDirectory("bench").resolve("log.txt");
        Files.writeString(file, String.join("\n", lines));
        return file;
    }

    @Test
    public void aDischargeGoesFromTheLogToTheVerdictAndBackByUndo() throws Exception {
        show("cave-survey");
        double before = hours();
        drop(messyLog());
        assertThat(text("#log-about")).contains("OL").contains("memory full");
        assertThat(robot.lookup("#log-plot").<DrawingView>query().drawing().marks())
                .isNotEmpty();
        assertThat(text("#says-pack-chargeAh")).contains("less: not as planned");
        assertThat(button("put-down").isDisabled()).as("hold points first").isTrue();
        assertThat(text("#bench-hint")).contains("Hold");
        press("#step-1");
        press("#step-2");
        assertThat(button("put-down").isDisabled()).isFalse();
        press("#put-down");
        Journal.Tested tested = build().journal().tests().getLast();
        assertThat(tested.test()).isEqualTo(DISCHARGE);
        assertThat(tested.readings())
                .extracting(Journal.Taken::what)
                .containsExactly("pack.chargeAh", "pack.ohms", "pack.cellOhms");
        assertThat(evaluation().findings())
                .anyMatch(f -> f.code().equals("bench.differs") && f.subjects().contains("battery"));
        assertThat(hours()).as("the plan is as it was").isEqualTo(before);
        assertThat(text("#bench-effect")).contains("Lasts");
        press("#take-over");
        assertThat(cells().capacityAh().basis()).isEqualTo(Basis.MEASURED);
        assertThat(hours()).isLessThan(0.75 * before);
        assertThat(evaluation().findings()).noneMatch(f -> f.code().equals("bench.differs"));
        assertThat(button("take-over").isDisabled()).isTrue();
        press("#undo");
        assertThat(hours()).isEqualTo(before);
        assertThat(build().journal().tests()).hasSize(1);
    }

    @Test
    public void whatIsTypedIsSetBesideThePlanAndKept() throws Exception {
        show("cave-survey");
        open("bench");
        choose("weigh");
        write("#read-Part-massG", "1 kg");
        assertThat(text("#says-Part-massG")).contains("not as planned");
        press("#put-down");
        Journal.Tested tested = build().journal().tests().getLast();
        assertThat(tested.readings().getFirst().value().value()).isEqualTo(1000);
        assertThat(robot.lookup("#bench-done").queryParent().lookupAll("Label").stream()
                        .map(n -> ((Label) n).getText()))
                .anyMatch(t -> t.contains("mass 1000 ± 20 g"));
        press("#take-over");
        assertThat(build().part(tested.part()).orElseThrow().massG().value()).isEqualTo(1000);
    }

    @Test
    public void aColumnThatWasTakenForSomethingElseIsPutRight() throws Exception {
        show("cave-survey");
        Path file = Files.createTempDirectory("bench").resolve("odd.csv");
        Files.writeString(
                file,
                SampleLog.discharge(build(), "battery", 4, 10).replace("t [s];U [V];I [A]", "t [s];first;second"));
        drop(file);
        assertThat(text("#log-wrong")).contains("No column is taken for a reading");
        pick("#log-column-1", 1);
        assertThat(text("#log-wrong")).contains("no current");
        pick("#log-column-2", 3);
        assertThat(text("#says-pack-chargeAh")).contains("planned");
        Files.writeString(file, "this is no log\nat all\n");
        drop(file);
        assertThat(text("#log-wrong")).contains("No line of this file holds readings");
    }

    @Test
    public void aPackIsDischargedOnTheStandInAndItsCapacityTakenOver() throws Exception {
        show("cave-survey");
        StandInBench bench = new StandInBench(build(), 4, 4000, () -> System.nanoTime() * 1e-9);
        try (BenchServer server = new BenchServer(bench, 0)) {
            open("bench");
            choose(DISCHARGE);
            assertThat(button("run-load").isDisabled()).isTrue();
            press("#step-1");
            press("#step-2");
            write("#load-address", server.addresses().getFirst().address());
            double before = hours();
            press("#run-load");
            WaitForAsyncUtils.waitFor(
                    20, TimeUnit.SECONDS, () -> text("#log-about").contains("moments"));
            server.cut();
            // Whatever is looked at meanwhile, what comes of it goes to the test that it began with.
            choose("weigh");
            ListView<BenchTest> tests = robot.lookup("#bench-tests").queryListView();
            WaitForAsyncUtils.waitFor(
                    60,
                    TimeUnit.SECONDS,
                    () -> tests.lookupAll(".soft").stream()
                            .anyMatch(l -> ((Label) l).getText().contains("read, not put down yet")));
            TextField mass = robot.lookup("#read-Part-massG").query();
            assertThat(mass.getText()).isEmpty();
            choose(DISCHARGE);
            settle();
            assertThat(text("#load-words")).contains("At its cut-off");
            press("#put-down");
            press("#take-over");
            double truth = bench.truth()
                    .part("battery")
                    .flatMap(p -> p.facet(Facet.Cells.class))
                    .map(c -> c.capacityAh().value() * c.health().value())
                    .orElseThrow();
            assertThat(cells().capacityAh().value()).isCloseTo(truth, within(0.03 * truth));
            assertThat(hours()).isNotEqualTo(before);
        }
    }

    @Test
    public void aMeterIsAskedOverItsLine() throws Exception {
        show("cave-survey");
        StandInBench bench = new StandInBench(build(), 4, 1, () -> 0);
        try (BenchServer server = new BenchServer(bench, 0)) {
            open("bench");
            choose("draw");
            assertThat(button("ask-DrawsPower-idleW").isDisabled()).isTrue();
            write("#bench-address", "127.0.0.1:1");
            press("#ask-DrawsPower-idleW");
            assertThat(text("#bench-hint")).contains("Nobody answers");
            ComboBox<Part> parts = robot.lookup("#bench-part").queryComboBox();
            String part = parts.getValue().id();
            write("#bench-address", server.addresses().get(3).address());
            press("#ask-DrawsPower-idleW");
            press("#ask-DrawsPower-busyW");
            press("#put-down");
            Journal.Tested tested = build().journal().tests().getLast();
            Facet.DrawsPower truth = bench.truth()
                    .part(part)
                    .flatMap(p -> p.facet(Facet.DrawsPower.class))
                    .orElseThrow();
            assertThat(tested.readings()).hasSize(2);
            assertThat(tested.readings().getFirst().value().value())
                    .isCloseTo(
                            truth.idleW().value(), within(0.05 * truth.idleW().value()));
            assertThat(tested.readings().getLast().value().value())
                    .isCloseTo(
                            truth.busyW().value(), within(0.05 * truth.busyW().value()));
        }
    }

    @Test
    public void whereItIsOtherwiseThanPlannedIsWrittenDown() throws Exception {
        show("cave-survey");
        open("bench");
        press("#bench-built");
        assertThat(robot.lookup("#as-built-asBuilt-add").tryQuery()).isPresent();
        press("#as-built-asBuilt-add");
        assertThat(build().journal().asBuilt()).hasSize(1);
    }

    @Test
    public void aLoadThatIsNotThereIsToldAndNothingHangs() throws Exception {
        show("cave-survey");
        open("bench");
        choose(DISCHARGE);
        press("#step-1");
        press("#step-2");
        write("#load-address", "127.0.0.1:1");
        press("#run-load");
        WaitForAsyncUtils.waitFor(
                20, TimeUnit.SECONDS, () -> text("#load-words").contains("Nobody answers"));
        assertThat(text("#run-load")).isEqualTo("Run");
    }

    private void pick(String box, int place) {
        ComboBox<?> choice = robot.lookup(box).queryComboBox();
        onFx(() -> {
            choice.getSelectionModel().select(place);
            return 0;
        });
    }
}
