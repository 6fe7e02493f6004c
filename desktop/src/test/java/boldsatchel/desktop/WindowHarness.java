package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.AppFolders;
import boldsatchel.desktop.document.Recovery;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Platform;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;

/** A real window with the cave-survey demo, fresh for every test, and hands to work it with. */
abstract class WindowHarness {

    /** An event and the layout after it, and what those set off. */
    private static final int ROUNDS = 2;

    final WindowRobot robot = new WindowRobot();
    Path folder = Path.of(".");
    private Optional<App> shown = Optional.empty();

    @BeforeClass
    public void start() throws Exception {
        // A test that kept or threw away unsaved work in the user's own folder would harm whoever runs it.
        assertThat(AppFolders.state().toAbsolutePath())
                .startsWithRaw(Path.of("target").toAbsolutePath());
        folder = Files.createTempDirectory("satchel-window");
        FxToolkit.registerPrimaryStage();
        // Between two tests there is no window; the toolkit must live on.
        Platform.setImplicitExit(false);
    }

    @BeforeMethod
    public void fresh() throws Exception {
        show("cave-survey");
        for (Recovery.Kept kept : Recovery.left()) {
            kept.throwAway();
        }
    }

    void show(String demo) throws Exception {
        show(Library.demo(demo).orElseThrow());
    }

    void show(Build build) throws Exception {
        FxToolkit.setupStage(stage -> {
            shown.ifPresent(App::close);
            App app = new App(new BuildFormat.Document(build, Extras.NONE), Session.Origin.DEMO);
            shown = Optional.of(app);
            app.show(stage);
            stage.setX(0);
            stage.setY(0);
        });
        settle();
    }

    /** Waits until the window has dealt with all events and nothing is worked out beside it any more. */
    static void settle() {
        try {
            WaitForAsyncUtils.waitForFxEvents(ROUNDS);
            while (Latest.isAnyAtWork()) {
                WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> !Latest.isAnyAtWork());
                WaitForAsyncUtils.waitForFxEvents(ROUNDS);
            }
        } catch (TimeoutException e) {
            throw new AssertionError("work beside the window does not end", e);
        }
    }

    <T> T onFx(Callable<T> job) {
        try {
            T result = WaitForAsyncUtils.asyncFx(job).get(20, TimeUnit.SECONDS);
            settle();
            return result;
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    App app() {
        return shown.orElseThrow();
    }

    Session session() {
        return app().desk().session();
    }

    Build build() {
        return session().build();
    }

    Evaluation evaluation() {
        return session().evaluation().get();
    }

    State state(Verdict.Kind kind) {
        return evaluation().verdict(kind).state();
    }

    List<String> codes() {
        return evaluation().findings().stream().map(Finding::code).toList();
    }

    void open(String stage) {
        robot.clickOn("#stage-" + stage);
        settle();
    }

    /** Brings the first node that a query finds into sight, as the wheel would. */
    Node inSight(String query) {
        Node node = robot.lookup(query).queryAll().iterator().next();
        onFx(() -> {
            Node at = node;
            while (at != null && !(at instanceof ScrollPane)) {
                at = at.getParent();
            }
            if (at instanceof ScrollPane pane) {
                Node content = pane.getContent();
                double top = content.sceneToLocal(node.localToScene(0, 0)).getY();
                double room = content.getLayoutBounds().getHeight()
                        - pane.getViewportBounds().getHeight();
                pane.setVvalue(room > 0 ? Math.clamp((top - 40) / room, 0, 1) : 0);
            }
            return 0;
        });
        return node;
    }

    /** Clicks a button, brought into sight first. */
    void press(String button) {
        inSight(button);
        robot.clickOn(button);
        settle();
    }

    /** Chooses in a list. */
    <T> void choose(String combo, T value) {
        onFx(() -> {
            ComboBox<T> box = robot.lookup(combo).query();
            box.setValue(value);
            return 0;
        });
    }

    /** Takes an item of a menu. */
    void fire(String menu, String item) {
        onFx(() -> {
            MenuItem found = robot.lookup(menu).<MenuButton>query().getItems().stream()
                    .filter(i -> i.getText().equals(item))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(item));
            found.fire();
            return 0;
        });
    }

    void select(String id) {
        onFx(() -> {
            session().selection().set(id);
            return 0;
        });
    }

    void focus(String query) {
        onFx(() -> {
            robot.lookup(query).query().requestFocus();
            return 0;
        });
    }

    String text(String query) {
        return robot.lookup(query).<Labeled>query().getText();
    }

    /** Finds a command by words of its name, and does it. */
    void command(String words) {
        keys(KeyCode.CONTROL, KeyCode.K);
        robot.write(words);
        settle();
        robot.type(KeyCode.ENTER);
        settle();
    }

    void keys(KeyCode modifier, KeyCode key) {
        robot.press(modifier, key).release(key, modifier);
        settle();
    }

    /** Replaces what a field says and accepts it. */
    void write(String field, String text) {
        robot.doubleClickOn(field);
        keys(KeyCode.CONTROL, KeyCode.A);
        robot.write(text);
        robot.type(KeyCode.ENTER);
        settle();
    }

    Point2D onScreen(String view, double x, double y) {
        DrawingView drawing = robot.lookup(view).query();
        return onFx(() -> drawing.localToScreen(drawing.fromFrame(x, y)));
    }

    void drag(Point2D from, Point2D to) {
        robot.moveTo(from).press(MouseButton.PRIMARY);
        robot.moveTo(from.midpoint(to)).moveTo(to).release(MouseButton.PRIMARY);
        settle();
    }
}
