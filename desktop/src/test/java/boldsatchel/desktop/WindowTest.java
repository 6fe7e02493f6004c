package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import boldsatchel.drawing.Ink;
import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Form;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** The real window, driven with mouse and keys. */
public class WindowTest extends WindowHarness {

    @Test
    public void replacingTheBatteryChangesLastsByWhatTheEngineSays() {
        open("shelf");
        onFx(() -> {
            TableView<Part> table = robot.lookup("#build-parts").query();
            table.getSelectionModel().select(build().part("battery").orElseThrow());
            return 0;
        });
        robot.clickOn("#shelf-search").write("4S1P");
        settle();
        Part small = app().desk().library().part("pack-4s1p").orElseThrow();
        Build expected = Edits.replacePart(build().part("battery").orElseThrow(), small)
                .change()
                .apply(build());
        robot.clickOn("#shelf-replace");
        settle();
        assertThat(build()).isEqualTo(expected);
        double hours = Evaluator.evaluate(expected).verdict(Verdict.Kind.LASTS).value();
        assertThat(text("#verdict-lasts")).isEqualTo(Verdict.Kind.LASTS.format(hours));
        assertThat(evaluation().verdict(Verdict.Kind.LASTS).state()).isEqualTo(State.STOP);
    }

    @Test
    public void draggingAPartIntoAnotherShowsTheClashAndUndoTakesItBack() {
        open("pack");
        Build before = build();
        Vec battery = before.placement("battery").orElseThrow().at();
        // Over the roof's edge of the screen nothing else lies on the battery at its front right corner.
        Point2D from = onScreen("#plan", battery.x() + 66, battery.y() + 4);
        Point2D to = onScreen("#plan", battery.x() + 66 - 40, battery.y() + 4);
        drag(from, to);
        assertThat(build().placement("battery").orElseThrow().at().x()).isLessThan(battery.x() - 30);
        assertThat(codes()).contains("fit.clash");
        assertThat(evaluation().verdict(Verdict.Kind.PACKS).state()).isEqualTo(State.STOP);
        assertThat(robot.lookup("#plan").queryAs(DrawingView.class).drawing().marks())
                .anyMatch(m ->
                        m instanceof boldsatchel.drawing.Mark.Text t && t.text().startsWith("clash"));
        assertThat(text("#undo")).startsWith("Undo: move 4S2P pack");
        robot.clickOn("#undo");
        settle();
        assertThat(build()).isEqualTo(before);
        assertThat(codes()).doesNotContain("fit.clash");
        robot.clickOn("#redo");
        settle();
        assertThat(codes()).contains("fit.clash");
    }

    @Test
    public void whatHelpsIsLookedForWhenADragIsLetGo() {
        open("pack");
        Vec battery = build().placement("battery").orElseThrow().at();
        Point2D from = onScreen("#plan", battery.x() + 66, battery.y() + 4);
        Point2D to = onScreen("#plan", battery.x() + 66 - 40, battery.y() + 4);
        robot.clickOn(from);
        press("#tab-findings");
        robot.moveTo(from).press(MouseButton.PRIMARY).moveTo(to);
        settle();
        int messages = robot.lookup(".finding-message").queryAll().size();
        boolean waits = robot.lookup("#help-later").query().isVisible();
        int early = robot.lookup(".finding-remedy").queryAll().size();
        robot.release(MouseButton.PRIMARY);
        settle();
        Build let = build();
        assertThat(codes()).contains("fit.clash");
        assertThat(messages).isEqualTo(evaluation().findings().size());
        assertThat(waits).isTrue();
        assertThat(early).isZero();
        assertHelped();
        // Arrow keys are no hand that holds it.
        robot.type(KeyCode.LEFT);
        settle();
        assertThat(build()).isNotEqualTo(let);
        assertHelped();
    }

    private void assertHelped() {
        assertThat(robot.lookup("#help-later").query().isVisible()).isFalse();
        assertThat(robot.lookup(".finding-remedy").queryAll())
                .hasSize(evaluation().findings().stream()
                        .mapToInt(f -> f.remedies().size())
                        .sum());
    }

    @Test
    public void anEditChangesOnlyTheNodesOfWhatItMovedAndUndoGivesTheSamePicture() {
        open("pack");
        DrawingView plan = robot.lookup("#plan").query();
        Part battery = build().part("battery").orElseThrow();
        List<String> before = nodesOf(plan, n -> true);
        List<String> others = nodesOf(plan, n -> !"battery".equals(n.getUserData()));
        onFx(() -> {
            session().does(Edits.move(battery, at -> at.plus(new Vec(-1.5, 0, 0))));
            return 0;
        });
        List<String> after = nodesOf(plan, n -> true);
        assertThat(after).isNotEqualTo(before);
        assertThat(after.stream().filter(others::contains).count()).isGreaterThan(others.size() * 8 / 10);
        onFx(() -> {
            session().undo();
            return 0;
        });
        // Drawn from nothing the same build looks the same.
        DrawingView fresh = onFx(() -> {
            DrawingView view = new DrawingView().atMost(plan.scale());
            view.resize(plan.getWidth(), plan.getHeight());
            view.show(plan.drawing(), false);
            return view;
        });
        assertThat(shapes(plan)).isEqualTo(shapes(fresh));
        assertThat(sheet(plan))
                .as("labels of gaps in the colour of what is to be watched")
                .anyMatch(
                        n -> n instanceof Text t && Color.web(Ink.WATCH.light()).equals(t.getFill()));
    }

    /** The nodes of a drawing, each by its identity and look. */
    private static List<String> nodesOf(DrawingView view, Predicate<Node> which) {
        return sheet(view).stream()
                .filter(which)
                .map(n -> System.identityHashCode(n) + " " + n)
                .toList();
    }

    private static List<String> shapes(DrawingView view) {
        return sheet(view).stream()
                .map(n -> look(n) + n.getUserData() + n.isVisible() + n.getStyle())
                .toList();
    }

    /** How a node looks, without which one it is. */
    private static String look(Node node) {
        return switch (node) {
            case Text t -> t.getText() + t.getX() + t.getY() + t.getFont();
            case Group bars -> bars.getChildren().toString();
            default -> node.toString();
        };
    }

    private static List<Node> sheet(DrawingView view) {
        return List.copyOf(((Pane) view.getChildrenUnmodifiable().getFirst()).getChildren());
    }

    @Test
    public void inchesAreTakenInALengthFieldAndNonsenseIsAnsweredInWords() {
        open("brief");
        write("#limit-widthMm", "5 in");
        assertThat(build().brief().limits().widthMm()).contains(127.0);
        assertThat(robot.lookup("#limit-widthMm").queryAs(TextField.class).getText())
                .isEqualTo("127 mm");
        assertThat(codes()).contains("fit.size");
        write("#limit-depthMm", "5 W");
        assertThat(build().brief().limits().depthMm()).contains(165.0);
        assertThat(robot.lookup(".field-error").queryAllAs(Label.class))
                .anyMatch(l -> l.isVisible() && l.getText().contains("no unit for this field"));
    }

    @Test
    public void aLimitLeftEmptyIsNoLimit() {
        open("brief");
        robot.doubleClickOn("#limit-hours");
        robot.press(KeyCode.CONTROL, KeyCode.A).release(KeyCode.A, KeyCode.CONTROL);
        robot.type(KeyCode.DELETE).type(KeyCode.ENTER);
        settle();
        assertThat(build().brief().limits().hours()).isEmpty();
        assertThat(evaluation().verdict(Verdict.Kind.LASTS).limit()).isEmpty();
    }

    @Test
    public void savedAndReopenedTheBuildIsEqual() throws Exception {
        Path file = folder.resolve("saved.satchel.json");
        onFx(() -> {
            session().does(Edits.rename("Renamed"));
            app().frame().files().saveTo(file, false);
            return 0;
        });
        assertThat(text("#save-state")).isEqualTo("saved in saved.satchel.json");
        Build saved = build();
        show("harbour-watch");
        onFx(() -> {
            app().frame().files().open(file);
            return 0;
        });
        settle();
        assertThat(build()).isEqualTo(saved);
        onFx(() -> {
            session().does(Edits.rename("Again"));
            return 0;
        });
        keys(KeyCode.CONTROL, KeyCode.S);
        assertThat(BuildStore.open(file).document().build().name()).isEqualTo("Again");
    }

    @Test
    public void aBrokenFileIsToldAndTheOpenBuildStays() throws IOException {
        Path file = folder.resolve("broken.satchel.json");
        Files.writeString(
                file,
                BuildFormat.write(new BuildFormat.Document(build(), Extras.NONE))
                        .replaceFirst("\"quarterTurns\": 0", "\"quarterTurns\": \"?\""));
        Build before = build();
        onFx(() -> {
            app().frame().files().open(file);
            return 0;
        });
        settle();
        assertThat(text("#message-text"))
                .contains("broken.satchel.json")
                .contains("line ")
                .contains("quarterTurns")
                .contains("integer");
        assertThat(build()).isEqualTo(before);
        robot.clickOn("#message-close");
        settle();
        assertThat(robot.lookup("#messages").query().isVisible()).isFalse();
    }

    @Test
    public void aFileChangedOnDiskIsOnlyOverwrittenWhenToldTo() throws Exception {
        Path file = folder.resolve("shared.satchel.json");
        onFx(() -> {
            app().frame().files().saveTo(file, true);
            session().does(Edits.rename("Mine"));
            return 0;
        });
        Files.writeString(file, Files.readString(file).replace("Cave survey handheld", "Theirs"));
        keys(KeyCode.CONTROL, KeyCode.S);
        assertThat(text("#message-text")).contains("changed on disk");
        assertThat(BuildStore.open(file).document().build().name()).isEqualTo("Theirs");
        robot.clickOn("#message-yes");
        settle();
        assertThat(BuildStore.open(file).document().build().name()).isEqualTo("Mine");
    }

    @Test
    public void exportingFromTheBookWritesTheFilesAndSaysSo() throws Exception {
        open("book");
        assertThat(robot.lookup("#page").queryAs(DrawingView.class).lookupAll("Text"))
                .anyMatch(n -> n instanceof Text t && t.getText().equals("Cave survey handheld"));
        robot.clickOn("#page-on");
        settle();
        Path to = folder.resolve("book");
        onFx(() -> {
            app().frame().files().export(to);
            return 0;
        });
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> Files.exists(to.resolve("parts.csv"))
                        && text("#message-text").startsWith("Wrote"));
        assertThat(to.resolve("book.pdf")).isNotEmptyFile();
        assertThat(Files.readString(to.resolve("plan-of-slab.svg"))).contains("data-subject=\"battery\"");
        assertThat(Files.readAllLines(to.resolve("parts.csv")))
                .hasSize(build().parts().list().size() + 1);
    }

    @Test
    public void arrowKeysMoveTheSelectedPartAndOneUndoTakesTheWholeWalkBack() {
        open("pack");
        select("antenna");
        Vec before = build().placement("antenna").orElseThrow().at();
        focus("#plan");
        robot.type(KeyCode.LEFT).type(KeyCode.LEFT).type(KeyCode.UP);
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        settle();
        Vec after = build().placement("antenna").orElseThrow().at();
        assertThat(after.x() - before.x()).isCloseTo(-1, within(1e-9));
        assertThat(after.y() - before.y()).isCloseTo(0.5 - 5, within(1e-9));
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build().placement("antenna").orElseThrow().at()).isEqualTo(before);
    }

    @Test
    public void aTypedPositionPutsThePartThere() {
        open("pack");
        select("speakers");
        write("#pack-x", "3 in");
        assertThat(build().placement("speakers").orElseThrow().at().x()).isCloseTo(76.2, within(1e-9));
        robot.clickOn("#turn");
        settle();
        assertThat(build().placement("speakers").orElseThrow().orientation().quarterTurns())
                .isEqualTo(1);
        robot.clickOn("#unplace");
        settle();
        assertThat(codes()).contains("fit.on-the-table");
    }

    @Test
    public void theCommandSearchFindsByAnyWordAndDoesIt() {
        command("add blower 40");
        assertThat(build().part("blower-40")).isPresent();
        command("undo");
        assertThat(build().part("blower-40")).isEmpty();
        command("open demo harbour");
        assertThat(build().name()).isEqualTo("Harbour watch deck");
        command("dark");
        assertThat(app().desk().dark().get()).isTrue();
    }

    @Test
    public void everyStageCanBeReachedByKey() {
        List<String> probes = List.of(
                "#limit-hours",
                "#library",
                "#ladder",
                "#harness",
                "#bench-tests",
                "#plan",
                "#arrange-look",
                "#heat-facts",
                "#steps",
                "#page");
        for (int i = 0; i < probes.size(); i++) {
            KeyCode digit = KeyCode.getKeyCode(String.valueOf((i + 1) % 10));
            robot.press(KeyCode.ALT, digit).release(digit, KeyCode.ALT);
            settle();
            assertThat(robot.lookup(probes.get(i)).tryQuery()).as(probes.get(i)).isPresent();
        }
    }

    @Test
    public void aVerdictOpensItsWorkingWithTheInputsToBlame() {
        robot.clickOn("#card-lasts");
        settle();
        assertThat(robot.lookup(".step-what").queryAllAs(Label.class))
                .extracting(Label::getText)
                .contains("Mean current");
        assertThat(robot.lookup(".side-content .label").queryAllAs(Label.class))
                .anyMatch(l -> l.getText().startsWith("cell capacity of 4S2P pack"));
    }

    /** Each tab, and each part, is come back to where it was read; what is new begins at its top. */
    @Test
    public void theSidePanelIsComeBackToWhereItWasRead() {
        select("battery");
        ScrollPane panel = robot.lookup(".side-panel .scroll-pane").queryAs(ScrollPane.class);
        onFx(() -> {
            panel.setVvalue(0.8);
            return 0;
        });
        press("#tab-findings");
        assertThat(panel.getVvalue()).isZero();
        press("#tab-details");
        assertThat(panel.getVvalue()).isEqualTo(0.8);
        select("screen");
        assertThat(panel.getVvalue()).isZero();
        select("battery");
        assertThat(panel.getVvalue()).isEqualTo(0.8);
    }

    @Test
    public void theLadderSelectsARungAndAWireCanBeMadeThicker() {
        open("power");
        select("screen-wire");
        write("#wire-gauge", "AWG 18");
        assertThat(build().rung("screen-wire").orElseThrow().stage())
                .isEqualTo(new Rung.Wire(18, 160, Optional.of(Rung.Finish.USUAL)));
        write("#wire-gauge", "thick");
        assertThat(robot.lookup(".field-error").queryAllAs(Label.class))
                .anyMatch(l -> l.getText().contains("no wire gauge"));
        long rungs = build().rungs().count();
        focus("#ladder");
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(build().rungs().count()).isEqualTo(rungs - 1);
        assertThat(build().rungs().map(Rung::id)).contains("r-screen");
    }

    @Test
    public void figuresOfAPartAreEditedWithUnitsAndTrust() {
        open("shelf");
        select("battery");
        write("#part-massG", "1 lb");
        assertThat(build().part("battery").orElseThrow().massG().value()).isCloseTo(453.59237, within(1e-6));
        assertThat(text("#undo")).startsWith("Undo: change mass of 4S2P");
    }

    @Test
    public void searchingTheShelfNarrowsItAndEnterAdds() {
        open("shelf");
        robot.clickOn("#shelf-search").write("trackball");
        settle();
        ListView<Part> list = robot.lookup("#library").query();
        assertThat(list.getItems()).hasSize(1);
        robot.type(KeyCode.ENTER);
        settle();
        assertThat(build().part("trackball")).isPresent();
        assertThat(codes()).contains("power.unfed", "fit.on-the-table");
    }

    @Test
    public void theLidSliderChangesTheAngleOfUseInOneUndoableStep() throws Exception {
        show("orchard-ledger");
        open("pack");
        choose("#posture", "in use");
        focus("#joint-hinge");
        robot.type(KeyCode.LEFT);
        settle();
        assertThat(opened()).isLessThan(115);
        robot.clickOn("#undo");
        settle();
        assertThat(opened()).isEqualTo(115);
    }

    private double opened() {
        return build().casing().inUse().settings().getFirst().amount();
    }

    @Test
    public void workThatWasNotSavedIsOfferedAfterAKill() throws Exception {
        leave("Nearly lost", "harbour-watch");
        assertThat(left()).anyMatch(t -> t.contains("“Nearly lost” was not saved"));
        robot.clickOn("#recovered-take");
        settle();
        assertThat(build().name()).isEqualTo("Nearly lost");
        assertThat(session().isChanged()).isTrue();
        assertThat(left()).isEmpty();
        // It is this window's own work now, and offered to no other.
        assertThat(Recovery.left()).isEmpty();
        show("harbour-watch");
        assertThat(Recovery.left()).extracting(Recovery.Kept::name).containsExactly("Nearly lost");
    }

    @Test
    public void workThatIsPutOffIsOfferedAgainAndOtherMessagesDoNotTakeItsPlace() throws Exception {
        leave("Put off", "harbour-watch");
        onFx(() -> {
            app().frame().complain("Something else", "happened");
            return 0;
        });
        assertThat(left()).hasSize(1);
        robot.clickOn("#recovered-later");
        settle();
        assertThat(left()).isEmpty();
        onFx(() -> {
            session().does(Edits.rename("Saved meanwhile"));
            app().frame().files().saveTo(folder.resolve("meanwhile.satchel.json"), true);
            app().frame().offerRecovered();
            return 0;
        });
        assertThat(left()).anyMatch(t -> t.contains("“Put off”"));
        robot.clickOn("#recovered-away");
        settle();
        assertThat(left()).isEmpty();
        assertThat(Recovery.left()).isEmpty();
    }

    @Test
    public void goingOnWithLeftWorkAsksForTheUnsavedWorkHereAndLosesNeither() throws Exception {
        leave("Left behind", "harbour-watch");
        onFx(() -> {
            session().does(Edits.rename("Here and unsaved"));
            return 0;
        });
        robot.clickOn("#recovered-take");
        settle();
        assertThat(build().name()).isEqualTo("Here and unsaved");
        robot.clickOn("#message-yes");
        settle();
        assertThat(build().name()).isEqualTo("Left behind");
        assertThat(Recovery.left()).extracting(Recovery.Kept::name).containsExactly("Here and unsaved");
    }

    /** Leaves unsaved work as a kill would, and shows another window that offers it. */
    private void leave(String name, String next) throws Exception {
        onFx(() -> {
            session().does(Edits.rename(name));
            return 0;
        });
        show(next);
        onFx(() -> {
            app().frame().offerRecovered();
            return 0;
        });
    }

    private List<String> left() {
        return robot.lookup("#recovered").query().lookupAll(".label").stream()
                .map(n -> ((Label) n).getText())
                .toList();
    }

    /** The stage is made as small as it can be; asking for less does not make it smaller. */
    @Test
    public void aVerdictThatChangesKeepsItsCardAndItsFocus() {
        Node card = robot.lookup("#card-carries").query();
        focus("#card-carries");
        String before = text("#verdict-carries");
        onFx(() -> {
            session().does(Edits.removePart(build().parts().list().getFirst()));
            return 0;
        });
        assertThat(text("#verdict-carries")).isNotEqualTo(before);
        assertThat(robot.lookup("#card-carries").<Node>query()).isSameAs(card);
        assertThat(card.isFocused()).isTrue();
        assertThat(card.getStyleClass()).contains(state(Verdict.Kind.CARRIES).words());
    }

    @Test
    public void nothingIsClippedAtTheSmallestWindow() {
        Stage window = onFx(() -> (Stage) app().scene().getWindow());
        double[] least = onFx(() -> {
            window.setWidth(window.getMinWidth());
            window.setHeight(window.getMinHeight());
            return new double[] {window.getMinWidth(), window.getMinHeight()};
        });
        assertThat(least).containsExactly(1180, 720);
        try {
            for (String stage : List.of("brief", "shelf", "power", "pack", "cool", "book")) {
                open(stage);
                for (Node node : robot.lookup(".button").queryAll()) {
                    if (node instanceof Labeled button
                            && button.isVisible()
                            && node.getScene() != null
                            && !button.getText().isEmpty()
                            && !isScrolled(node)) {
                        Bounds b = onFx(() -> node.localToScene(node.getBoundsInLocal()));
                        assertThat(b.getMaxX())
                                .as(stage + ": " + button.getText())
                                .isLessThanOrEqualTo(least[0] + 0.5);
                        assertThat(b.getMaxY())
                                .as(stage + ": " + button.getText())
                                .isLessThanOrEqualTo(least[1] + 0.5);
                    }
                }
            }
        } finally {
            onFx(() -> {
                window.setWidth(1280);
                window.setHeight(800);
                return 0;
            });
        }
    }

    /** What scrolls may reach beyond the window. */
    private static boolean isScrolled(Node node) {
        for (Node up = node; up != null; up = up.getParent()) {
            if (up instanceof ScrollPane) {
                return true;
            }
        }
        return false;
    }

    @Test
    public void aNewBuildSaysSoEverywhereAndBeginsAtTheSheet() {
        open("power");
        keys(KeyCode.CONTROL, KeyCode.N);
        Stage stage = onFx(() -> (Stage) app().scene().getWindow());
        assertThat(stage.getTitle()).isEqualTo("New build – Bold Satchel");
        assertThat(text("#save-state")).isEqualTo("new, in no file");
        assertThat(robot.lookup("#begin-name").tryQuery()).isPresent();
        assertThat(robot.lookup("#ladder").tryQuery()).isEmpty();
    }

    /** An edit counts at once; its judgement comes from beside the window. */
    @Test
    public void anEditIsNotJudgedOnTheWindowsThread() {
        boolean judgedMeanwhile = onFx(() -> {
            session().does(Edits.rename("Quick"));
            return session().shown().equals(session().build());
        });
        assertThat(judgedMeanwhile).isFalse();
        assertThat(session().shown()).isEqualTo(session().build());
        assertThat(evaluation().build().name()).isEqualTo("Quick");
    }

    /** Of a row of quick edits the last one is on show in the end, whatever order they were worked out in. */
    @Test
    public void theLatestOfManyEditsWins() {
        onFx(() -> {
            for (int i = 0; i < 200; i++) {
                session().drags(Edits.notes("note " + i));
                session().does(Edits.rename("Build " + i));
            }
            return 0;
        });
        assertThat(evaluation().build()).isEqualTo(session().build());
        assertThat(evaluation().build().name()).isEqualTo("Build 199");
    }

    @Test
    public void aFormKeepsTheFocusWhileItsBuildChanges() {
        open("brief");
        TextField hours = robot.lookup("#limit-hours").query();
        write("#limit-hours", "6 h");
        assertThat(build().brief().limits().hours()).contains(6.0);
        for (int i = 0; i < 5; i++) {
            double wanted = 4 + i;
            onFx(() -> {
                session()
                        .does(Edits.brief(
                                "limit",
                                b -> b.withLimits(Form.of(Brief.Limits.class)
                                        .field("hours")
                                        .with(b.limits(), Optional.of(wanted)))));
                return 0;
            });
        }
        assertThat(robot.lookup("#limit-hours").<TextField>query()).isSameAs(hours);
        assertThat(hours.getText()).isEqualTo("8 h");
        assertThat(onFx(() -> app().scene().getFocusOwner())).isSameAs(hours);
    }

    @Test
    public void whatIsDoneWhileSuppliesAreComparedIsKeptWhenOneIsTaken() throws Exception {
        open("power");
        robot.clickOn("#compare-supplies");
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> robot.lookup("#take-bank").tryQuery().isPresent());
        onFx(() -> {
            session().does(Edits.rename("Meanwhile"));
            robot.lookup("#take-bank").<Button>query().fire();
            return 0;
        });
        assertThat(build().name()).isEqualTo("Meanwhile");
        assertThat(build().part("battery")).isEmpty();
    }

    @Test
    public void theTitleMarksUnsavedWork() {
        onFx(() -> {
            session().does(Edits.rename("Title"));
            return 0;
        });
        Stage stage = onFx(() -> (Stage) app().scene().getWindow());
        assertThat(stage.getTitle()).isEqualTo("• Title – Bold Satchel");
    }
}
