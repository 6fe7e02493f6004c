package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.OwnShelf;
import boldsatchel.desktop.document.Pictures;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Processor;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Basis;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** Parts and cases of one's own, what was done to them and what they cost, in the real window. */
public class OwnThingsTest extends WindowHarness {

    private void menu(String button, int item) {
        onFx(() -> {
            robot.lookup(button).<MenuButton>query().getItems().get(item).fire();
            return 0;
        });
    }

    private void menu(String button, String text) {
        onFx(() -> {
            robot.lookup(button).<MenuButton>query().getItems().stream()
                    .filter(i -> text.equals(i.getText()))
                    .findFirst()
                    .map(MenuItem.class::cast)
                    .orElseThrow()
                    .fire();
            return 0;
        });
    }

    private void day(String field, LocalDate day) {
        onFx(() -> {
            robot.lookup(field).<DatePicker>query().setValue(day);
            return 0;
        });
    }

    private Part part(String id) {
        return build().part(id).orElseThrow();
    }

    private Point2D onDrawing(double x, double y) {
        return onScreen("#sheet-drawing", x, y);
    }

    /** A board from typed measures: six sockets by pointing at its edges, four holes as a pattern, one thing moved each way there is. */
    @Test
    public void aBoardOfOnesOwnIsDrawnWithSocketsAndHoles() throws Exception {
        show(Build.empty("own"));
        open("shelf");
        menu("#shelf-new", 0);
        String id = session().selection().get();
        for (String[] size : new String[][] {{"widthMm", "110 mm"}, {"depthMm", "80 mm"}, {"heightMm", "18 mm"}}) {
            inSight("#body-" + size[0]);
            write("#body-" + size[0], size[1]);
            inSight("#body-" + size[0] + "-basis");
            onFx(() -> {
                robot.lookup("#body-" + size[0] + "-basis")
                        .<ComboBox<Basis>>query()
                        .setValue(Basis.MEASURED);
                return 0;
            });
        }
        assertThat(part(id).sizes())
                .allSatisfy(s -> assertThat(s.figure().basis()).isEqualTo(Basis.MEASURED));
        robot.clickOn("#shelf-view-sheet");
        settle();
        int before = part(id).body().ports().size();
        double plan = 18 + 10;
        double[][] edges = {{20, plan}, {60, plan}, {95, plan}, {110, plan + 40}, {0, plan + 40}, {55, plan + 80}};
        for (double[] edge : edges) {
            robot.clickOn("#sheet-socket");
            settle();
            robot.clickOn(onDrawing(edge[0], edge[1]));
            settle();
        }
        List<Port> ports = part(id).body().ports();
        assertThat(ports).hasSize(before + 6);
        assertThat(ports.subList(before, before + 6))
                .extracting(Port::face)
                .containsExactly(Face.FRONT, Face.FRONT, Face.FRONT, Face.RIGHT, Face.LEFT, Face.BACK);
        assertThat(ports.get(before).at().x()).isCloseTo(20, within(0.6));
        assertThat(ports.get(before).at().y()).isZero();

        write("#sheet-inset", "4 mm");
        robot.clickOn("#sheet-four-holes");
        settle();
        assertThat(part(id).body().holes()).hasSize(4);
        assertThat(part(id).body().holes().getLast().at().x()).isCloseTo(106, within(1e-9));

        // The last hole: dragged, then nudged, then put by a number.
        Point2D hole = onDrawing(106, plan + 76);
        drag(hole, onDrawing(100, plan + 70));
        assertThat(part(id).body().holes().getLast().at().x()).isCloseTo(100, within(0.6));
        double dragged = part(id).body().holes().getLast().at().x();
        robot.type(KeyCode.RIGHT);
        settle();
        assertThat(part(id).body().holes().getLast().at().x()).isCloseTo(dragged + 0.5, within(1e-9));
        write("#sheet-x", "104 mm");
        assertThat(part(id).body().holes().getLast().at().x()).isEqualTo(104);
        robot.clickOn("#sheet-drawing");
        focus("#sheet-drawing");
        Body whole = part(id).body();
        robot.clickOn(
                onDrawing(104, plan + part(id).body().holes().getLast().at().y()));
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(part(id).body().holes()).hasSize(3);
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(part(id).body()).isEqualTo(whole);
    }

    /** A button, a room and a solid are put on by pointing too; a drawing says where each is. */
    @Test
    public void buttonsRoomsAndSolidsArePointedAt() throws Exception {
        open("shelf");
        select("battery");
        robot.clickOn("#shelf-view-sheet");
        settle();
        Box b = part("battery").body().bounds();
        double plan = b.dz() + 10 + b.dy() / 2;
        for (String tool : List.of("#sheet-button", "#sheet-room", "#sheet-solid")) {
            robot.clickOn(tool);
            settle();
            robot.clickOn(onDrawing(b.dx() / 2, plan));
            settle();
        }
        Body body = part("battery").body();
        assertThat(body.keys()).singleElement().satisfies(k -> {
            assertThat(k.face()).isEqualTo(Face.TOP);
            assertThat(k.at().x()).isCloseTo(b.dx() / 2, within(0.6));
        });
        assertThat(body.zones()).hasSize(1);
        assertThat(body.zones().getFirst().box().z()).isCloseTo(b.dz(), within(1e-9));
        // What was solid all through stays so beside the new solid.
        assertThat(body.solids()).hasSize(2).contains(b);
        assertThat(robot.lookup("#sheet-drawing").<DrawingView>query().drawing().marks())
                .isNotEmpty();
    }

    /** A found box of one's own, by its inside, with ribs, a boss, a taper and a vent, kept on the own shelf. */
    @Test
    public void aFoundBoxIsEnteredAsItIs() throws Exception {
        Files.deleteIfExists(OwnShelf.file());
        show(Build.empty("tin"));
        open("shelf");
        menu("#case-new", "found box");
        assertThat(build().casing().shells()).singleElement().satisfies(s -> {
            assertThat(s.making()).isEqualTo(Shell.Making.FOUND);
            assertThat(s.widthMm().basis()).isEqualTo(Basis.GUESS);
        });
        inSight("#shell-widthMm");
        write("#shell-widthMm", "188 mm");
        onFx(() -> {
            robot.lookup("#shell-widthMm-basis").<ComboBox<Basis>>query().setValue(Basis.MEASURED);
            return 0;
        });
        press("#shell-floorMm-say");
        inSight("#shell-floorMm");
        write("#shell-floorMm", "1.5 mm");
        press("#shell-ribs-add");
        inSight("#shell-ribs-0-dx");
        write("#shell-ribs-0-dx", "4 mm");
        inSight("#shell-ribs-0-dy");
        write("#shell-ribs-0-dy", "80 mm");
        inSight("#shell-ribs-0-dz");
        write("#shell-ribs-0-dz", "20 mm");
        inSight("#shell-taperMm");
        write("#shell-taperMm", "3 mm");
        press("#shell-bosses-add");
        press("#shell-vents-add");
        inSight("#shell-vents-0-kind");
        onFx(() -> {
            robot.lookup("#shell-vents-0-kind").<ComboBox<Vent.Kind>>query().setValue(Vent.Kind.GRILLE);
            return 0;
        });
        inSight("#shell-vents-0-box-dy");
        write("#shell-vents-0-box-dy", "60 mm");
        inSight("#shell-vents-0-box-dz");
        write("#shell-vents-0-box-dz", "10 mm");
        Shell box = build().casing().shells().getFirst();
        assertThat(box.cavity().dx()).isEqualTo(188);
        assertThat(box.widthMm().basis()).isEqualTo(Basis.MEASURED);
        assertThat(box.floor().value()).isEqualTo(1.5);
        assertThat(box.ribs()).containsExactly(new Box(0, 0, 0, 4, 80, 20));
        assertThat(box.bosses()).hasSize(1);
        assertThat(box.taperMm()).isEqualTo(3);
        assertThat(box.vents()).singleElement().satisfies(v -> {
            assertThat(v.kind()).isEqualTo(Vent.Kind.GRILLE);
            assertThat(v.areaMm2()).isCloseTo(0.6 * 600, within(1e-6));
        });
        menu("#tray-vent", "back, high");
        assertThat(build().casing().shells().getFirst().vents().getLast().wall())
                .isEqualTo(Face.BACK);
        keys(KeyCode.CONTROL, KeyCode.Z);
        robot.clickOn("#case-keep");
        settle();
        assertThat(OwnShelf.load().contents().cases())
                .singleElement()
                .satisfies(c -> assertThat(c.shells()).containsExactly(box));
        Files.deleteIfExists(OwnShelf.file());
    }

    /** A screen fed by a board's socket is judged by the socket's 5 V, not by the pack; a tray comes, is hinged, and goes. */
    @Test
    public void aScreenOnABoardsSocketIsJudgedByIt() throws Exception {
        show(Build.empty("New build"));
        onFx(() -> {
            app().frame().begin();
            return 0;
        });
        for (String[] pick : new String[][] {
            {"#begin-board", "Palm x86 board, 10 W class"}, {"#begin-screen", "5-inch touch screen, 800×480"}
        }) {
            robot.clickOn(pick[0]);
            settle();
            robot.clickOn(pick[1]);
            settle();
        }
        assertThat(text("#begin-guess")).startsWith("Measure first");
        robot.clickOn("#begin");
        settle();
        assertThat(build().rungs().map(Rung::stage)).anyMatch(s -> s instanceof Rung.Socket);
        assertThat(evaluation().findings())
                .filteredOn(f -> f.severity() == Severity.STOP && f.code().startsWith("power."))
                .isEmpty();
        open("shelf");
        select("slab");
        press("#tray-add");
        assertThat(build().casing().shells()).hasSize(2);
        select("tray-2");
        fire("#tray-join", "Hinge it as a lid");
        assertThat(build().casing().lid()).isPresent();
        assertThat(build().casing().inUse().settings()).hasSize(1);
        select("tray-2");
        press("#tray-remove");
        assertThat(build().casing().shells()).hasSize(1);
        assertThat(build().casing().joints()).isEmpty();
        assertThat(build().casing().inUse().settings()).isEmpty();
    }

    @Test
    public void whatIsDoneToAPartIsKeptWithItsFiguresBeforeAndCanBePutBack() {
        open("shelf");
        select("board");
        Part before = part("board");
        int sockets = before.body().ports().size();
        menu("#alter", "sleeved in heat shrink");
        assertThat(part("board").body().widthMm().value())
                .isCloseTo(before.body().widthMm().value() + 1.2, within(1e-9));
        press("#alteration-back");
        menu("#alter", "shell off");
        Part bare = part("board");
        assertThat(bare.body().widthMm().value())
                .isLessThan(before.body().widthMm().value());
        assertThat(bare.massG().basis()).isEqualTo(Basis.GUESS);
        assertThat(bare.alterations()).singleElement().satisfies(a -> {
            assertThat(a.before()).isEqualTo(before.body());
            assertThat(a.beforeG()).isEqualTo(before.massG());
            assertThat(a.reversible()).isTrue();
        });
        menu("#alter", "socket off: " + before.body().ports().getFirst().name());
        assertThat(part("board").body().ports()).hasSize(sockets - 1);
        assertThat(robot.lookup("#alteration-back").tryQuery())
                .as("a socket cannot be put back")
                .isEmpty();
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(part("board")).isEqualTo(bare);
        press("#alteration-back");
        assertThat(part("board")).isEqualTo(before);
    }

    @Test
    public void anOrderThatIsLateIsSaidAndItsMoneyIsSpent() {
        LocalDate today = LocalDate.now(ZoneId.systemDefault());
        open("shelf");
        select("screen");
        robot.clickOn("#shelf-view-money");
        settle();
        assertThat(text("#sum-0")).isEqualTo("EUR 0.00");
        day("#order-on", today.minusDays(20));
        day("#order-due", today.minusDays(4));
        write("#order-from", "a small shop");
        press("#order");
        assertThat(part("screen").standing()).isEqualTo(Part.Standing.ORDERED);
        assertThat(robot.lookup("#awaited-screen").lookup(".label").queryAllAs(javafx.scene.control.Label.class))
                .anySatisfy(l -> assertThat(l.getText()).contains("20 days", "4 days late"));
        assertThat(text("#sum-0")).isEqualTo("EUR 58.00");
        // A task waits for it, and can be done when it is here.
        write("#task-new", "Cut the window");
        menu("#task-waits-0", "7-inch touch screen, 1024×600");
        assertThat(build().journal().tasks().getFirst().waitsFor()).containsExactly("screen");
        select("screen");
        press("#order-arrived");
        assertThat(part("screen").standing()).isEqualTo(Part.Standing.BOUGHT);
        assertThat(robot.lookup("#awaited-screen").tryQuery()).isEmpty();
        press("#money-entries-add");
        inSight("#money-entries-0-amount");
        write("#money-entries-0-amount", "24");
        robot.clickOn("#money-entries-0-paid");
        settle();
        assertThat(text("#sum-0")).isEqualTo("EUR 82.00");
        assertThat(evaluation().verdict(Verdict.Kind.COSTS).value()).isCloseTo(431, within(1e-6));
    }

    @Test
    public void ofTwoCandidatesOneIsKept() {
        open("shelf");
        select("screen");
        robot.clickOn("#shelf-search").write("8-inch touch");
        settle();
        robot.clickOn("#shelf-consider");
        settle();
        double before = evaluation().verdict(Verdict.Kind.COSTS).value();
        assertThat(build().money().candidates()).hasSize(1);
        robot.clickOn("#shelf-view-money");
        settle();
        press("#keep-touch-8");
        assertThat(part("screen").name()).startsWith("8-inch");
        assertThat(build().money().candidates().getFirst().part().name()).startsWith("7-inch");
        assertThat(evaluation().verdict(Verdict.Kind.COSTS).value()).isCloseTo(before, within(1e-6));
        assertThat(build().rungs().flatMap(r -> r.parts().stream())).contains("screen");
    }

    /** Tools, programs, a wish, a choice with a time box, and a picture beside the file. */
    @Test
    public void theBriefHoldsToolsProgramsWishesAndPictures() throws Exception {
        open("brief");
        press("#brief-workshop-say");
        assertThat(codes()).contains("means.no-printer");
        press("#brief-workshop-bed-say");
        assertThat(codes()).doesNotContain("means.no-printer");
        inSight("#brief-workshop-bed-heightMm");
        write("#brief-workshop-bed-heightMm", "200 mm");
        assertThat(codes()).contains("means.bed");
        press("#try-means-bed-0");
        press("#take");
        assertThat(codes()).doesNotContain("means.bed");
        assertThat(build().casing().shells()).anyMatch(s -> s.pieces().size() > 1);
        press("#undo");
        assertThat(codes()).contains("means.bed");
        press("#brief-software-programs-add");
        inSight("#brief-software-programs-0-madeFor");
        onFx(() -> {
            robot.lookup("#brief-software-programs-0-madeFor")
                    .<ComboBox<Processor>>query()
                    .setValue(Processor.ARM_64);
            return 0;
        });
        assertThat(codes()).contains("does.emulated");
        onFx(() -> {
            session()
                    .does(boldsatchel.edit.Edits.changePart(
                            "processor", part("board"), p -> p.without(Facet.Computes.class)));
            return 0;
        });
        assertThat(codes()).contains("does.unknown-processor");

        inSight("#limit-hours");
        write("#limit-hours", "20 h");
        assertThat(state(Verdict.Kind.LASTS)).isEqualTo(State.STOP);
        robot.clickOn("#wish-hours");
        settle();
        assertThat(state(Verdict.Kind.LASTS)).isEqualTo(State.WATCH);
        assertThat(robot.lookup("#wish-hours").<CheckBox>query().isSelected()).isTrue();

        press("#journal-decisions-add");
        inSight("#journal-decisions-0-what");
        write("#journal-decisions-0-what", "solder the radio");
        day("#journal-decisions-0-until", LocalDate.now(ZoneId.systemDefault()).minusDays(1));
        assertThat(text("#time-up")).contains("Time is up", "solder the radio");

        Path file = folder.resolve("pictured" + BuildStore.ENDING);
        Path picture = folder.resolve("sketch.png");
        ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), "png", picture.toFile());
        Files.deleteIfExists(file);
        onFx(() -> {
            app().frame().files().saveTo(file, true);
            app().frame().files().addPicture(picture, "");
            app().frame().files().saveTo(file, true);
            return 0;
        });
        assertThat(build().journal().pictures()).singleElement().satisfies(p -> {
            assertThat(p.file()).isEqualTo("sketch.png");
            assertThat(Pictures.file(file, p)).isPresent();
        });
        assertThat(Files.readString(file)).doesNotContain("base64").contains("sketch.png");
        Path elsewhere = folder.resolve("carried" + BuildStore.ENDING);
        Files.deleteIfExists(elsewhere);
        onFx(() -> {
            app().frame().files().saveTo(elsewhere, true);
            return 0;
        });
        assertThat(Pictures.file(elsewhere, build().journal().pictures().getFirst()))
                .isPresent();
        onFx(() -> {
            app().frame().files().addPicture(file, "");
            return 0;
        });
        assertThat(text("#message-text")).contains("no picture", ".png");
        // What the day has brought is said when the build is opened.
        onFx(() -> {
            app().frame().files().open(file);
            return 0;
        });
        assertThat(text("#message-text")).contains("Time is up", "solder the radio");
    }
}
