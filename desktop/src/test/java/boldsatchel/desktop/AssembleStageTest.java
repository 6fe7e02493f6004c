package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.AppFolders;
import boldsatchel.edit.AssemblyEdits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Journal;
import boldsatchel.plan.Loosenings;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Verdict;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.testng.annotations.Test;

/** The order is read, and a part is got at, with keys. */
public class AssembleStageTest extends WindowHarness {

    private String words(String of) {
        return onFx(() -> robot.lookup(of + " .label").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .collect(Collectors.joining("\n")));
    }

    private void down() {
        type(KeyCode.DOWN);
    }

    private List<Step> steps() {
        return evaluation().of(PlanResult.class).plan().get().steps();
    }

    @Test
    public void stepsAreReadOneAfterTheOtherWithReasonsAndHoldPoints() throws Exception {
        show("cave-survey");
        open("assemble");
        ListView<?> list = robot.lookup("#steps").queryListView();
        assertThat(list.getItems()).hasSize(steps().size());
        assertThat(text("#assembly-facts")).startsWith(steps().size() + " steps");
        assertThat(text("#steps-unwired")).contains("charger board");
        focus("#steps");
        for (int i = 0; i + 1 < steps().size(); i++) {
            assertThat(words("#step-details"))
                    .contains((i + 1) + ". " + steps().get(i).words());
            down();
        }
        type(KeyCode.HOME);
        int hold = (int) steps().stream().takeWhile(s -> !s.isHold()).count();
        for (int i = 0; i < hold; i++) {
            down();
        }
        assertThat(words("#step-details")).contains("Hold point: not done yet");
    }

    private List<String> ids() {
        return steps().stream().map(Step::id).toList();
    }

    /** With keys and with buttons; what cannot be moved says why, and what was moved is put back. */
    @Test
    public void aStepIsMovedAsFarAsNothingForbidsIt() throws Exception {
        show("cave-survey");
        open("assemble");
        List<String> before = ids();
        focus("#steps");
        type(KeyCode.HOME);
        keys(KeyCode.ALT, KeyCode.UP);
        assertThat(text("#step-stays")).isEqualTo("It is the first step.");
        List<String> bounds = evaluation().of(PlanResult.class).plan().get().bounds();
        int free = (int) bounds.stream().takeWhile(b -> !b.isEmpty()).count();
        int bound = (int) bounds.stream().takeWhile(String::isEmpty).count();
        for (int i = 0; i < bound; i++) {
            down();
        }
        press("#step-later");
        assertThat(text("#step-stays")).isEqualTo(bounds.get(bound));
        assertThat(ids()).isEqualTo(before);
        focus("#steps");
        type(KeyCode.HOME);
        for (int i = 0; i < free; i++) {
            down();
        }
        keys(KeyCode.ALT, KeyCode.DOWN);
        List<String> swapped = new ArrayList<>(before);
        Collections.swap(swapped, free, free + 1);
        assertThat(ids()).isEqualTo(swapped);
        assertThat(words("#step-details")).contains((free + 2) + ". ");
        press("#step-earlier");
        assertThat(ids()).isEqualTo(before);
        press("#undo");
        assertThat(ids()).isEqualTo(swapped);
        press("#step-back");
        assertThat(ids()).isEqualTo(before);
        assertThat(build().journal().moved()).isEmpty();
        onFx(() -> {
            session().does(AssemblyEdits.move("gone", new Journal.Moved("LAY:gone", "")));
            return 0;
        });
        settle();
        assertThat(words("#steps-refused")).contains("no such step");
        press("#refused-back");
        assertThat(build().journal().moved()).isEmpty();
    }

    @Test
    public void theWayToTheBatteryIsAskedForAndAPlugMakesItQuicker() throws Exception {
        show("cave-survey");
        open("assemble");
        press("#tab-how-do-i-get-at-…");
        ComboBox<?> parts = robot.lookup("#reach-part").queryComboBox();
        assertThat(parts.getValue()).isEqualTo("battery");
        assertThat(text("#reach-facts")).startsWith("The least there is: 4 steps out");
        assertThat(words("#reach-steps")).contains("Take the cover off Slab", "Unsolder the wire AWG 18");
        double before = minutes();
        onFx(() -> {
            session().does(Loosenings.connector(build(), "main-wire").allowed().orElseThrow());
            return 0;
        });
        settle();
        assertThat(minutes()).isLessThan(before);
        assertThat(words("#reach-steps")).doesNotContain("Unsolder");
        select("speakers");
        command("how do I get at the selected part");
        assertThat(text("#reach-facts")).startsWith("The least there is: 3 steps out");
        assertThat(evaluation().verdict(Verdict.Kind.MENDS).value()).isEqualTo(4);
    }

    private Step shown() {
        String words = text("#day-step");
        return steps().stream()
                .filter(s -> words.endsWith(s.words()))
                .findFirst()
                .orElseThrow();
    }

    private List<String> done() {
        return build().journal().done().stream().map(Journal.Ticked::step).toList();
    }

    private void type(KeyCode... keys) {
        robot.type(keys);
        settle();
    }

    /** With one hand on the keys: steps, a wrong turn, a note, and a hold point that does not let go. */
    @Test
    public void aDayIsWorkedThroughWithKeys() throws Exception {
        show("cave-survey");
        open("assemble");
        press("#tab-assembly-day");
        assertThat(text("#day-progress")).startsWith("Step 1 of " + steps().size());
        type(KeyCode.ENTER);
        type(KeyCode.SPACE);
        assertThat(done()).containsExactly(steps().get(0).id(), steps().get(1).id());
        type(KeyCode.BACK_SPACE);
        assertThat(done()).hasSize(1);
        type(KeyCode.N);
        robot.write("two passes with the fine file");
        type(KeyCode.ENTER);
        type(KeyCode.ENTER);
        assertThat(build().journal().done().getLast().words()).isEqualTo("two passes with the fine file");
        type(KeyCode.D);
        robot.write("slot filed 1 mm too wide");
        type(KeyCode.ENTER);
        assertThat(build().journal().asBuilt()).singleElement().satisfies(d -> {
            assertThat(d.what()).isEqualTo("slot filed 1 mm too wide");
            assertThat(d.where()).isEqualTo(shown().words());
        });
        for (int i = 0; i < steps().size() && !shown().isHold(); i++) {
            type(KeyCode.ENTER);
        }
        Step hold = shown();
        type(KeyCode.ENTER);
        assertThat(done()).doesNotContain(hold.id());
        assertThat(text("#day-refused")).contains("readings");
        type(KeyCode.RIGHT);
        type(KeyCode.ENTER);
        assertThat(text("#day-refused")).contains("has to pass before");
        type(KeyCode.LEFT);
        write("#day-pack-fullV", "11 V");
        assertThat(words("#day")).contains("not as planned");
        press("#day-anyway");
        assertThat(done()).contains(hold.id());
        assertThat(build().journal().asBuilt()).hasSize(2);
        assertThat(build().journal().tests()).extracting(Journal.Tested::test).containsExactly("pack-volts");
        press("#undo");
        assertThat(done()).doesNotContain(hold.id());
    }

    /** A program that ticks some steps and waits to be killed. */
    public static final class Worker {
        public static void main(String[] args) throws Exception {
            BuildFormat.Document document =
                    new BuildFormat.Document(Library.demo("cave-survey").orElseThrow(), Extras.NONE);
            Platform.startup(() -> {
                App app = new App(document, Session.Origin.DEMO);
                app.show(new Stage());
                // What goes wrong ends it, so that nobody waits for it.
                Thread.currentThread()
                        .setUncaughtExceptionHandler(
                                (t, e) -> Runtime.getRuntime().halt(1));
                app.frame().open("Assemble");
                Shots.afterWork(app.scene(), () -> {
                    ((ToggleButton) app.scene().lookup("#tab-assembly-day")).setSelected(true);
                    Shots.afterWork(app.scene(), () -> work(app));
                });
            });
        }

        private static void work(App app) {
            for (int i = 0; i < TICKS; i++) {
                ((Button) app.scene().lookup("#day-done")).fire();
            }
            System.out.write("ticked\n".getBytes(StandardCharsets.UTF_8), 0, 7);
            System.out.flush();
        }
    }

    private static final int TICKS = 5;

    @Test
    public void aDayThatIsKilledGoesOnAtTheLastTick() throws Exception {
        String before = System.getProperty(AppFolders.STATE_PROPERTY, "");
        Path state = Files.createTempDirectory("satchel-day");
        System.setProperty(AppFolders.STATE_PROPERTY, state.toString());
        try {
            Process worker = WholeProgram.of(state, Worker.class)
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            assertThat(worker.inputReader().readLine()).isEqualTo("ticked");
            worker.destroyForcibly().waitFor();
            onFx(() -> {
                app().frame().offerRecovered();
                return 0;
            });
            robot.clickOn("#recovered-take");
            settle();
            open("assemble");
            press("#tab-assembly-day");
            assertThat(done()).hasSize(TICKS);
            assertThat(text("#day-progress")).startsWith("Step " + (TICKS + 1) + " of");
        } finally {
            System.setProperty(AppFolders.STATE_PROPERTY, before);
        }
    }

    private double minutes() {
        return evaluation()
                .of(AssemblyResult.class)
                .worst(AssemblyResult.Wanted.BATTERY)
                .orElseThrow()
                .minutes();
    }
}
