package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import boldsatchel.desktop.document.OwnFaults;
import boldsatchel.edit.Edits;
import boldsatchel.edit.HuntEdits;
import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.hunt.Symptom;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.standins.HiddenFault;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import javafx.scene.Parent;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** Hunts for faults in the window. */
public class HuntsTest extends WindowHarness {

    private static final int MOST_CHECKS = 30;
    private final Knowledge knowledge = Knowledge.shipped();

    private boolean isThere(String id) {
        return robot.lookup("#" + id).tryQuery().isPresent();
    }

    private void look(String symptom, String part) {
        press("#bench-find");
        onFx(() -> {
            ComboBox<Symptom> symptoms = robot.lookup("#hunt-symptom").queryComboBox();
            symptoms.setValue(knowledge.symptom(symptom).orElseThrow());
            ComboBox<Part> parts = robot.lookup("#hunt-part").queryComboBox();
            parts.setValue(build().part(part).orElseThrow());
            return 0;
        });
        settle();
    }

    private String standing() {
        return robot.lookup("#hunt-standing").<Parent>query().lookupAll(".label").stream()
                .map(l -> ((Label) l).getText())
                .collect(Collectors.joining(" "));
    }

    private Journal.Hunted hunted() {
        return build().journal().hunts().getLast();
    }

    /** A machine with a planted fault answers what the window asks, as a builder would with a meter in hand. */
    @Test
    public void aPlantedFaultIsFoundAndWrittenDown() throws Exception {
        show("harbour-watch");
        open("bench");
        Part screen = Hunt.subjects(build(), knowledge.symptom("picture-drops").orElseThrow())
                .getFirst();
        look("picture-drops", screen.id());
        press("#hunt-begin");
        Hunt hunt = Hunt.begin(
                knowledge, evaluation(), knowledge.symptom("picture-drops").orElseThrow(), screen);
        Cause planted = knowledge.cause("picture-cable-long").orElseThrow();
        HiddenFault fault = new HiddenFault(evaluation(), hunt, planted, 7);
        for (int n = 0; n < MOST_CHECKS && !standing().contains("Nearly sure"); n++) {
            ComboBox<Belief.Next> shown = robot.lookup("#hunt-check").queryComboBox();
            var next = shown.getValue();
            int times = (int) hunted().clues().stream()
                    .filter(c -> c.check().equals(next.check().id()))
                    .count();
            Journal.Clue clue = fault.answer(next.check(), next.place(), times);
            if (clue.value().isPresent()) {
                inSight("#hunt-value");
                write("#hunt-value", String.valueOf(clue.value().get().value()));
            } else {
                press("#hunt-answer-" + clue.outcome());
            }
        }
        assertThat(standing()).contains("Nearly sure").contains(planted.title());
        int checks = hunted().clues().size();
        press("#hunt-found");
        assertThat(hunted().culprit()).isEqualTo(planted.id());
        assertThat(standing()).contains("It was: " + planted.title());
        undo();
        assertThat(hunted().culprit()).isEmpty();
        undo();
        assertThat(hunted().clues()).hasSize(checks - 1);
    }

    private void undo() {
        onFx(() -> {
            app().desk().session().undo();
            return 0;
        });
        settle();
    }

    @Test
    public void practiceHidesAFaultSaysWhatItWasAndWritesNothingDown() throws Exception {
        show("orchard-ledger");
        open("bench");
        look("screen-dark", "panel");
        press("#hunt-practise");
        for (int n = 0; n < MOST_CHECKS && !isThere("hunt-found"); n++) {
            press("#hunt-do");
        }
        press("#hunt-found");
        assertThat(standing()).containsPattern("Right: |It is: ");
        assertThat(robot.lookup("#hunt-clues").<Parent>query().lookupAll(".label").stream()
                        .map(l -> ((Label) l).getText()))
                .anyMatch(t -> t.contains("doubt"));
        assertThat(build().journal().hunts()).isEmpty();
    }

    @Test
    public void aCheckThatCannotBeDoneIsLeftOutAndATimeThatIsUpCallsTheFallback() throws Exception {
        show("orchard-ledger");
        open("bench");
        look("hot", "mainboard");
        press("#hunt-begin");
        ComboBox<Belief.Next> shown = robot.lookup("#hunt-check").queryComboBox();
        String first = shown.getValue().check().id();
        press("#hunt-skip");
        assertThat(hunted().clues()).containsExactly(Journal.Clue.skipped(first));
        ComboBox<Belief.Next> now = robot.lookup("#hunt-check").queryComboBox();
        assertThat(now.getItems()).noneMatch(n -> n.check().id().equals(first));
        onFx(() -> {
            app().desk()
                    .session()
                    .does(HuntEdits.change(
                            "set",
                            hunted().id(),
                            h -> h.boxed(1, "a slower board")
                                    .and(new Journal.Clue("task-list", "quiet", Optional.empty(), ""))));
            return 0;
        });
        settle();
        assertThat(standing()).contains("time for it is up").contains("a slower board");
    }

    @Test
    public void helpIsAskedForWithoutPathsNotesAndPrices() throws Exception {
        show("cave-survey");
        Path folder = Files.createTempDirectory("help");
        onFx(() -> {
            app().desk().session().does(Edits.notes("my own business at /home/somebody"));
            app().desk()
                    .session()
                    .does(HuntEdits.begin(new Journal.Hunted(
                            "hunt-1",
                            Optional.empty(),
                            "restarts",
                            "board",
                            0,
                            "",
                            List.of(new Journal.Clue("wiggle", "changes", Optional.empty(), "near the hinge")),
                            "",
                            "")));
            app().frame().files().help(folder, build().journal().hunts().getLast());
            return 0;
        });
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> Files.exists(folder.resolve("help.json")) && Files.exists(folder.resolve("help.pdf")));
        String json = Files.readString(folder.resolve("help.json"));
        assertThat(json)
                .contains(
                        "It restarts by itself",
                        "Move plugs and wires while it runs: it comes or goes",
                        "near the hinge")
                .contains("\"judgement\"", "\"left\"")
                .doesNotContain("my own business")
                .doesNotContain("/home/");
        assertThat(Files.size(folder.resolve("help.pdf"))).isGreaterThan(10_000);
    }

    @Test
    public void anOwnFileOfFaultsIsTakenInAndAWrongOneSaysWhere() throws Exception {
        Path file = Files.createTempDirectory("own").resolve("mine.faults.json");
        Files.writeString(
                file,
                "{\"causes\": [{\"id\": \"ants\", \"title\": \"Ants in the board\", \"rate\": 1, \"shows\": {\"restarts\": 0.9},"
                        + " \"cures\": [\"Move the tent.\"]}]}");
        assertThat(OwnFaults.read(file).cause("ants")).isPresent();
        Files.writeString(file, "{\"causes\": [{\"id\": \"ants\", \"shows\": {\"restart\": 0.9}}]}");
        assertThat(catchThrowable(() -> OwnFaults.read(file)))
                .hasMessageContaining("mine.faults.json")
                .hasMessageContaining("causes, entry 1 (ants)")
                .hasMessageContaining("“restart”, which is no symptom");
    }
}
