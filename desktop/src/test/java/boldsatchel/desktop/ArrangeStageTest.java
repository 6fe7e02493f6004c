package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.TradeDrawing;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.quantity.Figure;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
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

    /** All trays together, with two wishes: what is found is read by them as well, and one undo brings all back. */
    @Test
    public void allTraysAreArrangedTogetherWithWishes() throws Exception {
        show("harbour-watch");
        open("arrange");
        Build before = build();
        onFx(() -> {
            robot.lookup("#arrange-tray")
                    .<ComboBox<?>>query()
                    .getSelectionModel()
                    .selectLast();
            return 0;
        });
        fire("#arrange-wishes", "parts in line");
        fire("#arrange-wishes", "short cables");
        MenuButton wishes = robot.lookup("#arrange-wishes").query();
        assertThat(wishes.getText()).isEqualTo("2 wishes");
        onFx(() -> {
            wishes.show();
            wishes.hide();
            return 0;
        });
        assertThat(wishes.getItems().stream().filter(MenuItem::isDisable).map(MenuItem::getText))
                .containsExactly("light in the hands");
        assertThat(robot.lookup("#arrange-locks").queryAs(MenuButton.class).getItems())
                .hasSize(before.layout().placements().size());
        look();
        robot.clickOn("#proposal-1");
        settle();
        assertThat(robot.lookup("Out of line").queryAll()).isNotEmpty();
        assertThat(robot.lookup("Cables, straight").queryAll()).isNotEmpty();
        press("#arrange-take");
        assertThat(build().layout()).isNotEqualTo(before.layout());
        assertThat(codes()).doesNotContain("fit.lid-clash", "fit.clash", "fit.outside");
        press("#undo");
        assertThat(build()).isEqualTo(before);
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

    private void task(int which) {
        onFx(() -> {
            robot.lookup("#arrange-task")
                    .<ComboBox<?>>query()
                    .getSelectionModel()
                    .select(which);
            return 0;
        });
    }

    private Button button(String query) {
        return robot.lookup(query).queryAs(Button.class);
    }

    /** Which single part from the shelf lets the lid close is asked for, taken over with its cables and undone. */
    @Test
    public void roomIsMadeByAnotherPart() throws Exception {
        show("harbour-watch");
        open("arrange");
        Build large = onFx(() -> {
            Part ball = build().part("ball").orElseThrow();
            Figure wide = Figure.measured(80);
            session().does(new Edit("take a large ball", b -> {
                Build with = b.with(ball.withBody(ball.body().resized(wide, wide, Figure.measured(79))));
                for (Placement at : b.layout().placements()) {
                    with = at.part().equals("ball") ? with : with.with(at.locked(true));
                }
                return with;
            }));
            return build();
        });
        task(1);
        robot.clickOn("#arrange-look");
        until(() -> isThere("#arrange-look") && !button("#arrange-look").isDisabled());
        settle();
        assertThat(text("#arrange-told")).contains("of a single part");
        assertThat(cards()).isNotEmpty();
        press("#arrange-take");
        assertThat(build().part("ball").orElseThrow().family()).isEqualTo(Family.POINTER);
        assertThat(build().part("ball").orElseThrow().body().bounds().dz()).isLessThan(40);
        assertThat(codes()).doesNotContain("fit.lid-clash", "fit.outside");
        press("#undo");
        assertThat(build()).isEqualTo(large);
    }

    /** One more part is chosen from the shelf and finds a place; taken over it is in the build, and one undo takes it out. */
    @Test
    public void oneMorePartFindsItsPlace() throws Exception {
        show("orchard-ledger");
        open("arrange");
        Build before = build();
        task(2);
        assertThat(button("#arrange-look").isDisabled()).isTrue();
        onFx(() -> {
            robot.lookup("#arrange-more").<MenuButton>query().getItems().stream()
                    .map(Menu.class::cast)
                    .flatMap(m -> m.getItems().stream())
                    .filter(i -> i.getText().equals("USB hub, bare board, 4 ports"))
                    .findFirst()
                    .orElseThrow()
                    .fire();
            return 0;
        });
        look();
        press("#arrange-take");
        assertThat(build().parts().list().size())
                .isEqualTo(before.parts().list().size() + 1);
        assertThat(build().loose()).isEqualTo(before.loose());
        assertThat(codes()).doesNotContain("fit.clash", "fit.outside");
        press("#undo");
        assertThat(build()).isEqualTo(before);
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
