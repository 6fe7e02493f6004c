package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.AppFolders;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.shelf.Library;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardWatchEventKinds;
import java.nio.file.WatchKey;
import java.nio.file.WatchService;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Two whole programs with a window each on one build, killed in turn: the work of both is offered, and the file is as it was. */
public class KilledWindowsTest extends WindowHarness {

    private static final String KEPT = "kept";

    private String before = "";
    private Path state = Path.of(".");

    @BeforeMethod(dependsOnMethods = "fresh")
    public void ownState() throws IOException {
        before = System.getProperty(AppFolders.STATE_PROPERTY, "");
        state = Files.createTempDirectory("satchel-killed");
        System.setProperty(AppFolders.STATE_PROPERTY, state.toString());
    }

    @AfterMethod(alwaysRun = true)
    public void back() {
        System.setProperty(AppFolders.STATE_PROPERTY, before);
    }

    /** A program that opens a file, does one edit in its window, says when it is kept, and waits to be killed. */
    public static final class Window {
        public static void main(String[] args) throws Exception {
            Path file = Path.of(args[0]);
            Files.createDirectories(AppFolders.state());
            WatchService kept = FileSystems.getDefault().newWatchService();
            AppFolders.state().register(kept, StandardWatchEventKinds.ENTRY_CREATE);
            BuildFormat.Document document = BuildStore.open(file).document();
            Platform.startup(() -> {
                App app = new App(document, Session.Origin.DEMO);
                app.show(new Stage());
                app.desk().session().does(Edits.rename(args[1]));
            });
            while (!isKept(args[1])) {
                WatchKey seen = kept.take();
                seen.pollEvents();
                seen.reset();
            }
            // What the test that started it waits for.
            System.out.write(KEPT.getBytes(StandardCharsets.UTF_8));
            System.out.write('\n');
            System.out.flush();
        }

        private static boolean isKept(String name) throws IOException {
            try (Stream<Path> files = Files.list(AppFolders.state())) {
                for (Path file : files.filter(f -> f.toString().endsWith(BuildStore.ENDING))
                        .toList()) {
                    if (Files.readString(file).contains("\"" + name + "\"")) {
                        return true;
                    }
                }
            }
            return false;
        }
    }

    private Process window(Path file, String name) throws IOException {
        ProcessBuilder program = WholeProgram.of(state, Window.class, file.toString(), name);
        return program.redirectError(ProcessBuilder.Redirect.DISCARD).start();
    }

    private static void awaitKept(Process window) throws IOException {
        BufferedReader said = window.inputReader();
        String line = said.readLine();
        while (line != null && !line.equals(KEPT)) {
            line = said.readLine();
        }
        assertThat(Optional.ofNullable(line)).as("what the window said").contains(KEPT);
    }

    private static List<String> left() {
        return Recovery.left().stream().map(Recovery.Kept::name).sorted().toList();
    }

    @Test
    public void twoWindowsOnOneBuildAreKilledInTurnAndNothingIsLost() throws Exception {
        Path file = folder.resolve("shared" + BuildStore.ENDING);
        BuildStore.save(
                file,
                new BuildFormat.Document(Library.demo("cave-survey").orElseThrow(), Extras.NONE),
                Optional.empty(),
                false);
        byte[] onDisk = Files.readAllBytes(file);
        Process first = window(file, "Mine, unsaved");
        Process second = window(file, "Yours, unsaved");
        try {
            awaitKept(first);
            awaitKept(second);
            assertThat(left()).as("both windows live").isEmpty();
            first.destroyForcibly().waitFor();
            assertThat(left()).containsExactly("Mine, unsaved");
            second.destroyForcibly().waitFor();
            assertThat(left()).containsExactly("Mine, unsaved", "Yours, unsaved");
        } finally {
            first.destroyForcibly();
            second.destroyForcibly();
        }
        assertThat(Files.readAllBytes(file)).isEqualTo(onDisk);
        onFx(() -> {
            app().frame().offerRecovered();
            return 0;
        });
        assertThat(robot.lookup("#recovered-take").queryAll()).hasSize(2);
        robot.clickOn("#recovered-take");
        settle();
        assertThat(build().name()).endsWith(", unsaved");
        assertThat(left()).hasSize(1).doesNotContain(build().name());
    }
}
