package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.cost.CostResult;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.PowerEngine;
import boldsatchel.quantity.Basis;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TableView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;

/** What each stage lets a builder do, in the real window. */
public class StagesTest extends WindowHarness {

    private UseProfile judged() {
        return build().brief().profile();
    }

    @Test
    public void aProfileIsEditedStepByStep() {
        open("brief");
        robot.clickOn("#add-step-0");
        settle();
        assertThat(judged().steps()).hasSize(3);
        write("#minutes-0-2", "1 h");
        assertThat(judged().steps().getLast().minutes()).isCloseTo(60, within(1e-9));
        double longer = session().evaluation().get().verdict(Verdict.Kind.LASTS).value();
        assertThat(longer)
                .isGreaterThan(PowerEngine.evaluate(Library.demo("cave-survey").orElseThrow())
                        .hours()
                        .nominal());
        robot.clickOn("#remove-step-0-2");
        settle();
        assertThat(judged().steps()).hasSize(2);
    }

    @Test
    public void aStepCanRunWithTheLidClosed() throws Exception {
        open("brief");
        assertThat(robot.lookup("#closed-0-1").tryQuery())
                .as("a slab has no lid")
                .isEmpty();
        show("orchard-ledger");
        open("brief");
        robot.clickOn("#closed-0-1");
        settle();
        assertThat(judged().steps().get(1).closed()).isTrue();
        robot.clickOn("#undo");
        settle();
        assertThat(judged().steps().get(1).closed()).isFalse();
    }

    /** The second edit comes before the first is judged: what is on show is not what is. */
    @Test
    public void ofTwoQuickEditsNeitherIsLost() {
        open("brief");
        onFx(() -> {
            for (List<String> edit : List.of(List.of("#minutes-0-0", "7 min"), List.of("#brightness-0-0", "30 %"))) {
                TextField field = robot.lookup(edit.getFirst()).query();
                field.setText(edit.getLast());
                field.getOnAction().handle(new ActionEvent());
            }
            return 0;
        });
        assertThat(judged().steps().getFirst().minutes()).isEqualTo(7);
        assertThat(judged().steps().getFirst().brightness()).isEqualTo(0.3);
    }

    @Test
    public void anotherProfileCanBeAddedJudgedByAndRemoved() {
        open("brief");
        robot.clickOn("#add-profile");
        settle();
        assertThat(build().brief().profiles()).hasSize(3);
        robot.clickOn("#first-profile-1");
        settle();
        assertThat(judged().name()).isEqualTo("drawing up in camp");
        robot.clickOn("#remove-profile-1");
        settle();
        assertThat(build().brief().profiles())
                .extracting(UseProfile::name)
                .containsExactly("drawing up in camp", "new profile");
    }

    @Test
    public void dimmingTheScreenLastsLonger() {
        open("brief");
        double before = session().evaluation().get().verdict(Verdict.Kind.LASTS).value();
        write("#brightness-0-0", "20 %");
        assertThat(judged().steps().getFirst().brightness()).isCloseTo(0.2, within(1e-9));
        assertThat(session().evaluation().get().verdict(Verdict.Kind.LASTS).value())
                .isGreaterThan(before);
    }

    @Test
    public void whereItIsUsedChangesWhatAHandMayTouch() {
        open("brief");
        robot.clickOn("#where-inHands");
        settle();
        assertThat(build().brief().surroundings().inHands()).isFalse();
        write("#where-ambientC", "35 C");
        assertThat(build().brief().surroundings().ambientC()).isEqualTo(35);
        assertThat(state(Verdict.Kind.KEEPS_COOL)).isEqualTo(State.STOP);
    }

    @Test
    public void theShelfFiltersByFamilyAndShowsWhatASwapWouldChange() {
        open("shelf");
        select("battery");
        choose("#shelf-family", Optional.of(Family.BATTERY));
        ListView<Part> list = robot.lookup("#library").query();
        assertThat(list.getItems()).isNotEmpty().allMatch(p -> p.family() == Family.BATTERY);
        String words = robot.lookup(".what-if").<Labeled>query().getText();
        assertThat(words).startsWith("In place of 4S2P pack").contains("Lasts 5.8 h →");
    }

    @Test
    public void aPartIsRemovedByKeyAndComesBackByUndo() {
        open("shelf");
        onFx(() -> {
            TableView<Part> table = robot.lookup("#build-parts").query();
            table.getSelectionModel().select(build().part("sound").orElseThrow());
            table.requestFocus();
            return 0;
        });
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(build().part("sound")).isEmpty();
        assertThat(build().rungs().map(Rung::id)).doesNotContain("r-sound");
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build()).isEqualTo(Library.demo("cave-survey").orElseThrow());
    }

    @Test
    public void anotherCaseIsTaken() {
        open("shelf");
        Case steel = app().desk().library().cases().stream()
                .filter(c -> c.name().startsWith("Steel"))
                .findFirst()
                .orElseThrow();
        choose("#cases", steel);
        assertThat(build().casing().shells()).isEqualTo(steel.shells());
        assertThat(build().casing().joints()).isEqualTo(steel.joints());
        assertThat(codes()).contains("fit.on-the-table");
    }

    @Test
    public void trustAndStandingOfAPartAreChosen() {
        open("shelf");
        select("battery");
        choose("#body-widthMm-basis", Basis.MEASURED);
        assertThat(build().part("battery").orElseThrow().body().widthMm().basis())
                .isEqualTo(Basis.MEASURED);
        assertThat(build().part("battery").orElseThrow().body().widthMm().plusMinus())
                .isCloseTo(1.52, within(1e-9));
        double before = session().evaluation().get().of(CostResult.class).all().nominal();
        choose("#part-standing", Part.Standing.SALVAGED);
        assertThat(session().evaluation().get().of(CostResult.class).all().nominal())
                .isCloseTo(before - 74, within(1e-6));
    }

    @Test
    public void aStraightPlugThatHasNoRoomIsFoundAndTheAngledOneMendsIt() {
        open("shelf");
        select("board");
        int index = build().part("board").orElseThrow().body().ports().stream()
                .map(Port::name)
                .toList()
                .indexOf("HDMI");
        choose("#port-" + index, Port.Use.INSIDE_STRAIGHT);
        assertThat(codes()).contains("fit.plug-room");
        assertThat(state(Verdict.Kind.PACKS)).isEqualTo(State.STOP);
        choose("#port-" + index, Port.Use.INSIDE_ANGLED);
        assertThat(codes()).doesNotContain("fit.plug-room");
        assertThat(state(Verdict.Kind.PACKS)).isNotEqualTo(State.STOP);
    }

    @Test
    public void theLadderFollowsTheModeAndTheChargeSlider() {
        open("power");
        DrawingView ladder = robot.lookup("#ladder").query();
        var busy = ladder.drawing();
        onFx(() -> {
            robot.lookup("#level").<Slider>query().setValue(0.05);
            return 0;
        });
        assertThat(ladder.drawing()).isNotEqualTo(busy);
        var low = ladder.drawing();
        onFx(() -> {
            ComboBox<?> demand = robot.lookup("#demand").query();
            demand.getSelectionModel().select(demand.getItems().size() - 2);
            return 0;
        });
        assertThat(ladder.drawing()).isNotEqualTo(low);
    }

    @Test
    public void arrowKeysWalkTheLadder() {
        open("power");
        focus("#ladder");
        select("r-battery");
        robot.type(KeyCode.DOWN).type(KeyCode.DOWN);
        settle();
        assertThat(session().selection().get()).isEqualTo("fuse");
        robot.type(KeyCode.UP);
        settle();
        assertThat(session().selection().get()).isEqualTo("protection-board");
    }

    @Test
    public void partsAreReachedTurnedTumbledAndLiftedByKeysAlone() {
        open("pack");
        focus("#plan");
        robot.type(KeyCode.N);
        settle();
        String first = session().selection().get();
        assertThat(build().placement(first)).isPresent();
        Placement before = build().placement(first).orElseThrow();
        robot.type(KeyCode.R).type(KeyCode.T).type(KeyCode.PAGE_DOWN);
        settle();
        Placement after = build().placement(first).orElseThrow();
        assertThat(after.orientation()).isNotEqualTo(before.orientation());
        assertThat(after.at().z()).isCloseTo(before.at().z() - 0.5, within(1e-9));
        robot.type(KeyCode.N);
        settle();
        assertThat(session().selection().get()).isNotEqualTo(first);
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(build().layout().placements()).hasSize(11);
    }

    @Test
    public void aLoosePartIsPlacedFromTheMenu() {
        onFx(() -> {
            session().does(Edits.addPart(Library.shipped().part("trackball").orElseThrow()));
            return 0;
        });
        open("pack");
        fire("#place", "Trackball, 34 mm");
        assertThat(build().placement("trackball")).isPresent();
        assertThat(session().selection().get()).isEqualTo("trackball");
        assertThat(codes()).contains("fit.clash");
    }

    @Test
    public void inTheFrontSectionAPartIsDraggedUpAndDown() {
        open("pack");
        var at = build().placement("battery").orElseThrow().at();
        Point2D from = onScreen("#front", at.x() + 60, at.z() + 6);
        Point2D to = onScreen("#front", at.x() + 60, at.z() + 16);
        drag(from, to);
        var now = build().placement("battery").orElseThrow().at();
        assertThat(now.z()).isCloseTo(at.z() + 10, within(2.0));
        assertThat(now.y()).isEqualTo(at.y());
    }

    @Test
    public void aCoreSampleIsDrilledWhereThePlanIsClicked() {
        open("pack");
        robot.clickOn("#core-sample");
        robot.clickOn(onScreen("#plan", 190, 100));
        settle();
        DrawingView side = robot.lookup("#sample").query();
        assertThat(side.drawing().title()).isEqualTo("Core sample");
        assertThat(side.drawing().marks())
                .anyMatch(m ->
                        m instanceof boldsatchel.drawing.Mark.Text t && t.text().startsWith("4S2P pack"));
        robot.clickOn("#core-sample");
        settle();
        assertThat(side.getParent().isVisible()).isFalse();
    }

    @Test
    public void twoPartsThatAreMeantToTouchAreNoFinding() {
        onFx(() -> {
            Part sound = build().part("sound").orElseThrow();
            session().does(Edits.move(sound, new boldsatchel.geometry.Vec(8, 4, 11.3)));
            return 0;
        });
        assertThat(codes()).contains("fit.gap");
        robot.clickOn(inSight("They are meant to touch"));
        settle();
        assertThat(codes()).doesNotContain("fit.gap");
        assertThat(build().placement("charger").orElseThrow().touches()).containsExactly("sound");
    }

    @Test
    public void aFindingLeadsToItsPart() {
        robot.clickOn("Show it");
        settle();
        assertThat(session().selection().get()).isEqualTo("speakers");
        assertThat(robot.lookup(".panel-title").<Labeled>query().getText()).isEqualTo("Pair of small speakers");
    }

    @Test
    public void aTrayOfTheCaseIsChangedFieldByField() {
        open("pack");
        robot.clickOn("#case-figures");
        settle();
        write("#shell-heightMm", "50 mm");
        choose("#shell-material", Material.ALUMINIUM_PAINTED);
        inSight("#shell-vents-add");
        robot.clickOn("#shell-vents-add");
        settle();
        Shell shell = build().casing().shells().getFirst();
        assertThat(shell.heightMm().value()).isEqualTo(50);
        assertThat(shell.material()).isEqualTo(Material.ALUMINIUM_PAINTED);
        assertThat(shell.vents()).hasSize(1);
        assertThat(codes()).contains("fit.antenna-metal");
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build().casing().shells().getFirst().vents()).isEmpty();
    }

    @Test
    public void aPartIsToldWhatElseItDoes() {
        open("shelf");
        select("speakers");
        fire("#add-facet", "Draws power");
        assertThat(build().part("speakers").orElseThrow().facet(Facet.DrawsPower.class))
                .isPresent();
        assertThat(codes()).contains("power.unfed");
        onFx(() -> {
            robot.lookup("#remove-facet-DrawsPower").<Button>query().fire();
            return 0;
        });
        assertThat(build().part("speakers").orElseThrow().facet(Facet.DrawsPower.class))
                .isEmpty();
    }

    @Test
    public void notesAreKeptInTheJournal() {
        open("brief");
        onFx(() -> {
            TextArea notes = robot.lookup("#notes").query();
            notes.requestFocus();
            notes.setText("The left hinge creaks.");
            robot.lookup("#limit-hours").query().requestFocus();
            return 0;
        });
        assertThat(build().journal().notes()).isEqualTo("The left hinge creaks.");
        assertThat(text("#undo")).isEqualTo("Undo: change the notes");
    }

    @Test
    public void anEmptyBuildSaysWhatToDoFirst() throws Exception {
        show(Build.empty("New build"));
        open("pack");
        assertThat(visibleWords()).anyMatch(w -> w.contains("Take one on the Shelf"));
        open("power");
        assertThat(visibleWords()).anyMatch(w -> w.contains("the chain begins with it"));
        open("shelf");
        assertThat(visibleWords()).anyMatch(w -> w.contains("a board and a battery are a good start"));
        open("book");
        open("brief");
        assertThat(judged().steps().getFirst().mode()).isEqualTo(Mode.BUSY);
    }

    private List<String> visibleWords() {
        return robot.lookup(".label").queryAll().stream()
                .filter(Node::isVisible)
                .map(n -> ((Labeled) n).getText())
                .toList();
    }
}
