package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.OwnShelf;
import boldsatchel.format.LibraryFormat;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Efficiencies;
import boldsatchel.quantity.Basis;
import boldsatchel.shelf.Library;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;

/** From nothing to a judged machine, in the real window. */
public class StartTest extends WindowHarness {

    private void sheet() throws Exception {
        show(Build.empty("New build"));
        onFx(() -> {
            app().frame().begin();
            return 0;
        });
    }

    private void judged() {
        assertThat(evaluation().verdicts())
                .isNotEmpty()
                .allSatisfy(v -> assertThat(v.value()).as(v.kind().title()).isFinite());
        assertThat(build().loose()).isEmpty();
    }

    private void pick(String box, String item) {
        robot.clickOn(box);
        settle();
        robot.clickOn(item);
        settle();
    }

    @Test
    public void aMachineIsBegunWithTheMouse() throws Exception {
        sheet();
        pick("#begin-kind", "clamshell, screen in the lid");
        pick("#begin-board", "Palm x86 board, 10 W class");
        pick("#begin-screen", "7-inch touch screen, 1024×600");
        pick("#begin-input", "Thumb keyboard, USB");
        write("#begin-hours", "4 h");
        robot.clickOn("#begin");
        settle();
        judged();
        assertThat(build().brief().limits().hours()).contains(4.0);
        assertThat(build().casing().lid()).isPresent();
        assertThat(robot.lookup("#plan").tryQuery()).isPresent();
        // The keyboard hangs on a socket of its board.
        assertThat(build().rungs().map(Rung::stage)).contains(new Rung.Socket("board", "USB-A 1"));
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build()).isEqualTo(Build.empty("New build"));
    }

    @Test
    public void aMachineIsBegunWithTheKeysAlone() throws Exception {
        show(Build.empty("New build"));
        keys(KeyCode.CONTROL, KeyCode.N);
        assertThat(robot.lookup("#begin-name").<TextField>query().isFocused()).isTrue();
        keys(KeyCode.CONTROL, KeyCode.A);
        robot.write("Keys only");
        robot.type(KeyCode.TAB, 2).type(KeyCode.DOWN);
        robot.type(KeyCode.TAB, 2).type(KeyCode.DOWN);
        settle();
        // The measures of the screen, then input, battery and hours.
        robot.type(KeyCode.TAB, 4);
        robot.write("3 h");
        robot.type(KeyCode.TAB);
        assertThat(robot.lookup("#begin").<Button>query().isFocused()).isTrue();
        robot.type(KeyCode.SPACE);
        settle();
        judged();
        assertThat(build().brief().limits().hours()).contains(3.0);
        assertThat(build().name()).isEqualTo("Keys only");
        assertThat(build().parts().list().stream().filter(p -> p.family().computes()))
                .hasSize(1);
    }

    @Test
    public void whatIsMeasuredIsMeasuredAndTheRestAGuess() throws Exception {
        sheet();
        pick("#begin-board", "Mini PC board, 15 W class");
        robot.clickOn("#begin-board-measured");
        settle();
        write("#begin-board-width", "98 mm");
        write("#begin-board-watts", "13 W");
        robot.clickOn("#begin");
        settle();
        Part board = build().part("board").orElseThrow();
        assertThat(board.body().widthMm().value()).isEqualTo(98);
        assertThat(board.body().widthMm().basis()).isEqualTo(Basis.MEASURED);
        assertThat(board.body().depthMm().basis()).isEqualTo(Basis.GUESS);
    }

    @Test
    public void whatWasSavedLastIsOnTheSheetAndInTheBar() throws Exception {
        Path file = folder.resolve("kept" + BuildStore.ENDING);
        Files.deleteIfExists(file);
        onFx(() -> {
            app().frame().files().saveTo(file, true);
            return 0;
        });
        sheet();
        assertThat(robot.lookup("#recent-0").<Button>query().getAccessibleText())
                .isEqualTo("Cave survey handheld");
        robot.clickOn("#recent-0");
        settle();
        assertThat(session().file()).contains(file);
        assertThat(build().name()).isEqualTo("Cave survey handheld");
    }

    @Test
    public void aFileLetGoOverTheWindowOpens() throws Exception {
        Path file = folder.resolve("dropped" + BuildStore.ENDING);
        Files.deleteIfExists(file);
        onFx(() -> {
            app().frame().files().saveTo(file, true);
            return 0;
        });
        show("harbour-watch");
        onFx(() -> {
            app().frame().files().dropped(List.of(folder.resolve("photo.jpg"), file));
            return 0;
        });
        assertThat(session().file()).contains(file);
        onFx(() -> {
            app().frame().files().dropped(List.of(folder.resolve("photo.jpg")));
            return 0;
        });
        assertThat(text("#message-text")).contains(BuildStore.ENDING);
        assertThat(session().file()).contains(file);
    }

    /** What hangs on a socket is moved to another one of the same part. */
    @Test
    public void aPlugChangesItsSocket() throws Exception {
        sheet();
        pick("#begin-board", "Palm x86 board, 10 W class");
        pick("#begin-input", "Thumb keyboard, USB");
        robot.clickOn("#begin");
        settle();
        open("power");
        Rung socket = build().rungs()
                .filter(r -> r.stage() instanceof Rung.Socket)
                .findFirst()
                .orElseThrow();
        select(socket.id());
        onFx(() -> {
            robot.lookup("#plugged-into").<ComboBox<String>>query().setValue("USB-C");
            return 0;
        });
        assertThat(build().rung(socket.id()).orElseThrow().stage()).isEqualTo(new Rung.Socket("board", "USB-C"));
        assertThat(codes()).doesNotContain("power.no-socket", "power.socket-current");
    }

    /** A board of one's own from a caliper, kept on the shelf, exported, and taken in again equal. */
    @Test
    public void aPartOfOnesOwnComesBackFromTheShelf() throws Exception {
        Files.deleteIfExists(OwnShelf.file());
        open("shelf");
        onFx(() -> {
            robot.lookup("#shelf-new").<MenuButton>query().getItems().getFirst().fire();
            return 0;
        });
        assertThat(session().selection().get()).isEqualTo("own-x86-board");
        inSight("#body-widthMm");
        write("#body-widthMm", "123 mm");
        assertThat(build().part("own-x86-board").orElseThrow().body().widthMm().value())
                .isEqualTo(123);
        robot.clickOn("#shelf-keep");
        settle();
        Part kept = app().desk().library().part("own-new-x86-board").orElseThrow();
        assertThat(kept.body().widthMm().value()).isEqualTo(123);
        Path file = folder.resolve("mine" + LibraryFormat.ENDING);
        Files.deleteIfExists(file);
        onFx(() -> {
            app().frame().files().exportShelf(file);
            return 0;
        });
        Files.delete(OwnShelf.file());
        onFx(() -> {
            app().frame().files().takeIn(file);
            return 0;
        });
        assertThat(OwnShelf.load().contents().parts()).containsExactly(kept);
        Files.deleteIfExists(OwnShelf.file());
    }

    @Test
    public void aBadShelfIsSaidAndNotWrittenOver() throws Exception {
        String bad = "{\n \"format\": \"bold-satchel-library\",\n \"version\": 2,\n \"parts\": [7]\n}\n";
        Files.createDirectories(OwnShelf.file().getParent());
        Files.writeString(OwnShelf.file(), bad);
        try {
            show("cave-survey");
            open("shelf");
            assertThat(text("#message-text")).contains("line 4", "parts[0]");
            assertThat(app().desk().library().parts()).hasSizeGreaterThan(120);
            select("board");
            robot.clickOn("#shelf-keep");
            settle();
            assertThat(text("#message-text")).contains("not written over");
            assertThat(Files.readString(OwnShelf.file())).isEqualTo(bad);
        } finally {
            Files.deleteIfExists(OwnShelf.file());
        }
    }

    @Test
    public void aDuplicateIsAPartByItself() {
        open("shelf");
        select("board");
        robot.clickOn("#shelf-duplicate");
        settle();
        assertThat(build().part("board-2")).isPresent();
        assertThat(build().parts().list())
                .hasSize(
                        Library.demo("cave-survey").orElseThrow().parts().list().size() + 1);
    }

    @Test
    public void aConverterTakesItsLossesFromItsEfficiencies() {
        open("shelf");
        select("converter");
        inSight("#efficiency-in-0");
        String[][] points = {{"14 V", "0.3 A", "88 %"}, {"14 V", "2 A", "94 %"}, {"14 V", "5 A", "91 %"}};
        for (int i = 0; i < points.length; i++) {
            write("#efficiency-in-" + i, points[i][0]);
            write("#efficiency-out-" + i, points[i][1]);
            write("#efficiency-share-" + i, points[i][2]);
        }
        robot.clickOn("#efficiency-fit");
        settle();
        Facet.Converts fitted = build().part("converter")
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        assertThat(Efficiencies.at(fitted, 14, 2)).isCloseTo(0.94, within(0.005));
        assertThat(Efficiencies.at(fitted, 14, 5)).isCloseTo(0.91, within(0.005));
    }
}
