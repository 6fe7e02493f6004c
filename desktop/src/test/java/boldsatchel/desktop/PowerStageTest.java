package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.drawing.Mark;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.plan.Supplies;
import boldsatchel.power.PowerResult;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** Chains built, moved, scrubbed, mended and compared in the real window. */
public class PowerStageTest extends WindowHarness {

    private double hours() {
        return evaluation().verdict(Verdict.Kind.LASTS).value();
    }

    private List<String> rungs() {
        return build().rungs().map(Rung::id).toList();
    }

    private String hint() {
        return text("#ladder-hint");
    }

    /** Middle of a rung's name on the ladder. */
    private Point2D rung(String id) {
        DrawingView ladder = robot.lookup("#ladder").query();
        Mark.Fill box = ladder.drawing().marks().stream()
                .filter(m -> m instanceof Mark.Fill f && f.subject().equals(id))
                .map(m -> (Mark.Fill) m)
                .findFirst()
                .orElseThrow(() -> new AssertionError("no rung " + id));
        double x = box.points().stream().mapToDouble(Mark.Point::x).average().orElse(0);
        double y = box.points().stream().mapToDouble(Mark.Point::y).max().orElse(0) - 1.6;
        return onFx(() -> ladder.localToScreen(ladder.fromFrame(
                x - ladder.drawing().originX(), ladder.drawing().originY() - y)));
    }

    private Point2D middle(String query) {
        return onFx(() -> {
            var node = robot.lookup(query).query();
            var box = node.localToScreen(node.getLayoutBounds());
            return new Point2D(box.getCenterX(), box.getCenterY());
        });
    }

    @Test
    public void aWorkingChainIsBuiltFromNothingByTheKeyboardAlone() throws Exception {
        show(Build.empty("bare"));
        keys(KeyCode.ALT, KeyCode.DIGIT3);
        assertThat(hint()).contains("Nothing gives power yet");
        command("chain 4S2P pack");
        assertThat(rungs()).hasSize(1);
        command("chain balancer");
        command("chain fuse");
        command("chain switch");
        command("chain wire");
        command("chain palm x86");
        assertThat(rungs()).hasSize(6);
        assertThat(codes()).doesNotContain("power.no-source", "power.unfed", "power.no-fuse", "power.no-cutoff");
        assertThat(hours()).isGreaterThan(5);
        // The order is changed by Alt and an arrow; a rung goes by Delete; both come back by undo.
        focus("#ladder");
        select("fuse");
        keys(KeyCode.ALT, KeyCode.DOWN);
        assertThat(build().rung("switch").orElseThrow().feeds().getFirst().id()).isEqualTo("fuse");
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(rungs()).hasSize(5);
        keys(KeyCode.CONTROL, KeyCode.Z);
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build().rung("fuse").orElseThrow().feeds().getFirst().id()).isEqualTo("switch");
    }

    @Test
    public void aWorkingChainIsBuiltFromNothingByTheMouse() throws Exception {
        show(Build.empty("bare"));
        open("shelf");
        take(Family.BATTERY, "Power bank, 37 Wh");
        take(Family.SINGLE_BOARD, "ARM card board");
        open("power");
        assertThat(codes()).contains("power.no-source", "power.unfed");
        drag(middle("#chip-ARM-card-board-4-cores"), middle("#ladder"));
        assertThat(hint()).contains("A chain begins with");
        drag(middle("#chip-Power-bank-37-Wh-5-V"), middle("#ladder"));
        assertThat(rungs()).hasSize(1);
        String bank = rungs().getFirst();
        drag(middle("#chip-switch"), rung(bank));
        assertThat(rungs()).containsExactly(bank, "switch");
        drag(middle("#chip-ARM-card-board-4-cores"), rung("switch"));
        assertThat(codes()).doesNotContain("power.no-source", "power.unfed");
        assertThat(hours()).isCloseTo(37 * 0.87 / 6.5, within(0.3));
        // A wire dropped on the upper edge of a rung goes before it.
        String board = build().wiring().rungOf("arm-card").orElseThrow().id();
        drag(middle("#chip-wire"), rung(board).add(0, -9));
        assertThat(rungs()).as(hint()).contains("wire");
        assertThat(build().rung("wire").orElseThrow().feeds().getFirst().id()).isEqualTo(board);
    }

    /** Takes a part off the shelf as a hand would. */
    private void take(Family family, String words) {
        onFx(() -> {
            ComboBox<Optional<Family>> box = robot.lookup("#shelf-family").query();
            box.setValue(Optional.of(family));
            return 0;
        });
        settle();
        robot.clickOn(robot.lookup(".list-cell")
                .match((Node n) -> n instanceof Labeled l
                        && n.isVisible()
                        && l.getText() != null
                        && l.getText().startsWith(words))
                .<Node>query());
        robot.clickOn("#shelf-add");
        settle();
    }

    @Test
    public void whatCannotBeIsRefusedInWordsWhileItIsHeld() {
        open("power");
        Build before = build();
        drag(middle("#chip-fuse"), rung("r-radio"));
        assertThat(hint()).contains("uses power and passes none on");
        assertThat(build()).isEqualTo(before);
        robot.moveTo(rung("r-converter")).press(javafx.scene.input.MouseButton.PRIMARY);
        robot.moveTo(rung("screen-wire"));
        settle();
        assertThat(hint()).contains("cannot hang below itself");
        robot.moveTo(rung("r-converter")).release(javafx.scene.input.MouseButton.PRIMARY);
        settle();
        assertThat(build()).isEqualTo(before);
    }

    @Test
    public void aLoadIsDraggedToAnotherRailAndBack() {
        open("power");
        drag(rung("r-radio"), rung("r-converter").add(0, 2));
        assertThat(build().rung("r-converter").orElseThrow().feeds())
                .extracting(Rung::id)
                .contains("r-radio");
        assertThat(text("#undo")).startsWith("Undo: move M.2 radio");
        focus("#ladder");
        select("r-radio");
        keys(KeyCode.CONTROL, KeyCode.X);
        select("main-wire");
        focus("#ladder");
        keys(KeyCode.CONTROL, KeyCode.V);
        assertThat(build().rung("main-wire").orElseThrow().feeds())
                .extracting(Rung::id)
                .contains("r-radio");
    }

    @Test
    public void theDischargeIsScrubbedAndTheLadderFollows() {
        open("power");
        DrawingView ladder = robot.lookup("#ladder").query();
        Slider level = robot.lookup("#level").query();
        var half = ladder.drawing();
        double end =
                evaluation().of(PowerResult.class).chains().getFirst().run().hours();
        drag(onScreen("#discharge", 20, 20), onScreen("#discharge", 150, 20));
        var late = ladder.drawing();
        assertThat(late).isNotEqualTo(half);
        double low = level.getValue();
        assertThat(low).isLessThan(0.35);
        DrawingView curve = robot.lookup("#discharge").query();
        assertThat(curve.drawing().marks())
                .anyMatch(m -> m instanceof Mark.Text t && t.text().matches("\\d.* h · \\d+ % · .* V · .* A"));
        for (int i = 0; i < 20; i++) {
            robot.type(KeyCode.LEFT);
        }
        settle();
        assertThat(level.getValue()).isGreaterThan(low + 0.2);
        assertThat(end).isPositive();
    }

    @Test
    public void aRemedyIsTriedShowsEveryVerdictIsTakenAndUndone() {
        open("power");
        Build before = build();
        assertThat(codes()).contains("power.level-unseen");
        robot.clickOn(inSight("#try-power-level-unseen-0"));
        settle();
        List<String> words = robot.lookup("#trial .label").queryAll().stream()
                .map(n -> ((Labeled) n).getText())
                .toList();
        for (Verdict v : evaluation().verdicts()) {
            assertThat(words).contains(v.kind().title());
        }
        assertThat(build()).as("nothing is changed by trying").isEqualTo(before);
        robot.clickOn("#take");
        settle();
        assertThat(codes()).doesNotContain("power.level-unseen");
        robot.clickOn("#undo");
        settle();
        assertThat(build()).isEqualTo(before);
        robot.clickOn(inSight("#try-power-level-unseen-0")).clickOn("#leave");
        settle();
        assertThat(robot.lookup("#trial").tryQuery()).isEmpty();
    }

    /** Two unequal sources on one rail pass charge to and fro for hours of their time; the window says so within two seconds of ours. */
    @Test
    public void twoBanksWithoutDiodesShowTheirStopSoon() throws Exception {
        show(Supplies.reckon(build(), Supplies.School.TWO_BANKS).orElseThrow().build());
        List<String> diodes = build().rungs()
                .filter(r -> r.stage() instanceof Rung.Diode)
                .map(Rung::id)
                .toList();
        assertThat(diodes).hasSizeGreaterThanOrEqualTo(2);
        for (String diode : diodes) {
            Platform.runLater(() -> {
                if (ChainEdits.remove(build(), diode) instanceof Attempt.Allowed allowed) {
                    session().does(allowed.edit());
                }
            });
        }
        WaitForAsyncUtils.waitFor(
                2, TimeUnit.SECONDS, () -> session().shown().equals(build()) && codes().contains("power.parallel"));
        settle();
        assertThat(build().rungs().noneMatch(r -> r.stage() instanceof Rung.Diode))
                .isTrue();
    }

    @Test
    public void fourSuppliesAreComparedAndOneIsTakenOver() throws Exception {
        open("power");
        robot.clickOn("#compare-supplies");
        WaitForAsyncUtils.waitFor(
                60,
                TimeUnit.SECONDS,
                () -> robot.lookup("#take-bank").tryQuery().isPresent());
        settle();
        List<Supplies.School> wanted = List.of(
                Supplies.School.BANK,
                Supplies.School.SERIES_PACK,
                Supplies.School.PARALLEL_CELLS,
                Supplies.School.HOT_SWAP);
        onFx(() -> {
            for (Supplies.School s : Supplies.School.values()) {
                CheckBox box = robot.lookup("#school-" + s.name().toLowerCase(java.util.Locale.ROOT))
                        .query();
                if (!wanted.contains(s)) {
                    box.fire();
                }
            }
            return 0;
        });
        assertThat(robot.lookup("#supplies .button").queryAll()).hasSize(4);
        Supplies.Option swap =
                Supplies.reckon(build(), Supplies.School.HOT_SWAP).orElseThrow();
        robot.clickOn("#take-hot_swap");
        settle();
        assertThat(build().wiring().chain().getFirst().joined()).hasSize(2);
        assertThat(hours()).isCloseTo(swap.hours(), within(1e-9));
        assertThat(text("#undo")).startsWith("Undo: feed it by two packs");
        assertThat(robot.lookup("#ladder").tryQuery()).isPresent();
    }

    @Test
    public void aSuggestedChainIsOneUndoableStep() {
        open("power");
        Build before = build();
        robot.clickOn("#suggest");
        settle();
        robot.clickOn("#take");
        settle();
        assertThat(build().wiring().chain()).isNotEqualTo(before.wiring().chain());
        assertThat(evaluation().findings().stream()
                        .filter(f -> f.code().startsWith("power."))
                        .map(f -> f.severity().words()))
                .doesNotContain("stop");
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build()).isEqualTo(before);
    }

    @Test
    public void useIsEditedOnItsBandOfTime() {
        open("power");
        robot.clickOn("#tab-use");
        settle();
        double cycle = build().brief().profile().minutes();
        // The edge between two steps of five minutes lies in the middle of the 212 mm band.
        drag(onScreen("#cycle", 106, 8), onScreen("#cycle", 159, 8));
        assertThat(build().brief().profile().steps().getFirst().minutes()).isCloseTo(7.5, within(0.6));
        assertThat(build().brief().profile().minutes()).isCloseTo(cycle, within(1e-9));
        double busier = hours();
        robot.clickOn("#add-program");
        settle();
        write("#program-processor", "20 %");
        write("#program-graphics", "0 %");
        assertThat(hours()).isGreaterThan(busier);
        robot.clickOn("#split-step");
        settle();
        assertThat(build().brief().profile().steps()).hasSize(3);
        assertThat(build().brief().profile().steps().getFirst().mode()).isEqualTo(Mode.BUSY);
    }

    @Test
    public void everyLowerPaneOpens() {
        open("power");
        for (String tab : List.of("charge", "use", "voltmeter", "another-hour", "discharge")) {
            robot.clickOn("#tab-" + tab);
            settle();
        }
        robot.clickOn("#tab-another-hour").clickOn("#way-0");
        settle();
        robot.clickOn("#take");
        settle();
        assertThat(text("#undo")).startsWith("Undo: ");
    }
}
