package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.Step;
import boldsatchel.plan.Loosenings;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;

/** The order is read, and a part is got at, with keys. */
public class AssembleStageTest extends WindowHarness {

    private String words(String of) {
        return onFx(() -> robot.lookup(of + " .label").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .collect(Collectors.joining("\n")));
    }

    private void down() {
        robot.type(KeyCode.DOWN);
        settle();
    }

    private List<Step> steps() {
        return evaluation().of(AssemblyResult.class).plan().get().steps();
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
        robot.type(KeyCode.HOME);
        settle();
        int hold = (int) steps().stream().takeWhile(s -> !s.isHold()).count();
        for (int i = 0; i < hold; i++) {
            down();
        }
        assertThat(words("#step-details")).contains("Hold point: not done yet");
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

    private double minutes() {
        return evaluation()
                .of(AssemblyResult.class)
                .worst(AssemblyResult.Wanted.BATTERY)
                .orElseThrow()
                .minutes();
    }
}
