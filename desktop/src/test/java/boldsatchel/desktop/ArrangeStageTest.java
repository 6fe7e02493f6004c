package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.TradeDrawing;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** Proposals are looked for, compared, taken over and undone, by mouse. */
public class ArrangeStageTest extends WindowHarness {

    private static void until(BooleanSupplier condition) {
        try {
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, condition::getAsBoolean);
        } catch (TimeoutException e) {
            throw new AssertionError("does not happen", e);
        }
    }

    private Collection<Node> cards() {
        return robot.lookup(".proposal").queryAll();
    }

    private boolean isThere(String button) {
        return robot.lookup(button).queryAs(Button.class).isVisible();
    }

    /** Looks until some are found, and says that it is enough. */
    private void look() {
        robot.clickOn("#arrange-look");
        until(() -> cards().size() > 1);
        robot.clickOn("#arrange-enough");
        until(() -> isThere("#arrange-look"));
        settle();
    }

    private void lock(String... parts) {
        for (String part : parts) {
            fire("#arrange-locks", build().part(part).orElseThrow().name());
        }
    }

    @Test
    public void oneIsTakenOverAndUndoneAndTheRestIsArrangedAgainBesideWhatIsLocked() throws Exception {
        show("harbour-watch");
        open("arrange");
        Build before = build();
        assertThat(codes()).contains("fit.lid-clash");
        look();
        assertThat(build()).isEqualTo(before);
        robot.clickOn("#proposal-1");
        settle();
        assertThat(robot.lookup("proposal 1").queryAll()).isNotEmpty();
        press("#arrange-take");
        assertThat(codes()).doesNotContain("fit.lid-clash");
        assertThat(build().layout()).isNotEqualTo(before.layout());
        press("#undo");
        assertThat(build()).isEqualTo(before);

        lock("keyboard", "battery");
        assertThat(robot.lookup("#arrange-locks").queryAs(MenuButton.class).getText())
                .startsWith("2 of");
        List<Placement> locked =
                build().layout().placements().stream().filter(Placement::locked).toList();
        Build held = build();
        look();
        press("#arrange-take");
        assertThat(build().layout()).isNotEqualTo(held.layout());
        assertThat(build().layout().placements()).containsAll(locked);
        assertThat(codes()).doesNotContain("fit.lid-clash");
        press("#undo");
        assertThat(build()).isEqualTo(held);
    }

    @Test
    public void aSearchIsCancelledAndNothingIsChanged() throws Exception {
        show("harbour-watch");
        open("arrange");
        Build before = build();
        robot.clickOn("#arrange-look");
        until(() -> cards().size() > 1);
        robot.clickOn("#arrange-cancel");
        assertThat(isThere("#arrange-look")).isTrue();
        settle();
        assertThat(cards()).isEmpty();
        assertThat(isThere("#arrange-enough")).isFalse();
        assertThat(build()).isEqualTo(before);
    }

    @Test
    public void aDotIsClickedOnAndWhatIsNoLongerTrueIsRefused() throws Exception {
        show("harbour-watch");
        open("arrange");
        look();
        DrawingView trade = robot.lookup("#trade").query();
        String second = TradeDrawing.subject(1);
        Mark.Text number = trade.drawing().marks().stream()
                .filter(m -> m.subject().equals(second))
                .filter(Mark.Text.class::isInstance)
                .map(Mark.Text.class::cast)
                .findFirst()
                .orElseThrow();
        robot.clickOn(onScreen(
                "#trade",
                number.at().x() - trade.drawing().originX(),
                trade.drawing().originY() - number.at().y() + 1));
        settle();
        assertThat(text("#arrange-take")).isEqualTo("Take over proposal 2");

        Build changed = onFx(() -> {
            session().does(Edits.removePart(build().part("amplifier").orElseThrow()));
            return build();
        });
        press("#arrange-take");
        assertThat(build()).isEqualTo(changed);
        assertThat(robot.lookup("#arrange-problem").queryAs(Label.class).getText())
                .contains("look again");
    }

    @Test
    public void whereAllIsLockedThatIsSaid() throws Exception {
        show("harbour-watch");
        open("arrange");
        for (Placement at : build().layout().placements()) {
            if (at.shell().equals("base")) {
                lock(at.part());
            }
        }
        press("#arrange-look");
        assertThat(cards()).isEmpty();
        assertThat(robot.lookup("#arrange-problem").queryAs(Label.class).getText())
                .contains("locked");
    }
}
