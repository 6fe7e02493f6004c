package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Mistakes on the command line that show only once there is a window, or none can be. */
public class WholeProgramTest {

    private record Ran(int code, String out, String err) {}

    private static Ran run(boolean display, String... arguments) throws IOException, InterruptedException {
        Path state = Files.createTempDirectory("satchel-program");
        ProcessBuilder program = WholeProgram.of(state, Main.class, arguments);
        if (!display) {
            program.environment().remove("DISPLAY");
            program.environment().remove("WAYLAND_DISPLAY");
        }
        Path err = state.resolve("err");
        Process process = program.redirectError(err.toFile()).start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ran(process.waitFor(), out, Files.readString(err));
    }

    @DataProvider
    Object[][] mistakes() {
        return new Object[][] {
            {true, new String[] {"demo", "--stage", "Nonsense"}, "There is no stage “Nonsense”. Choose one of Brief"},
            {true, new String[] {"demo", "--shot", "/proc/no/window.png"}, "/proc/no/window.png"},
            {false, new String[] {"demo"}, "display"},
            {false, new String[] {"demo", "--shot", "target/never.png"}, "display"},
        };
    }

    @Test(dataProvider = "mistakes")
    public void aMistakeIsOneClearLineAndExitsTwo(boolean display, String[] arguments, String words) throws Exception {
        Ran ran = run(display, arguments);
        assertThat(ran.err()).contains(words).doesNotContain("Exception", "\tat ");
        assertThat(ran.err().strip().lines()).hasSize(1);
        assertThat(ran.code()).isEqualTo(2);
        assertThat(Path.of("target", "never.png")).doesNotExist();
    }

    @Test
    public void aPictureOfTheWindowIsTakenAndTheProgramEnds() throws Exception {
        Path picture = Files.createTempDirectory("satchel-picture").resolve("window.png");
        Ran ran = run(true, "demo", "harbour-watch", "--stage", "Power", "--shot", picture.toString());
        assertThat(ran.err()).isBlank();
        assertThat(ran.code()).isZero();
        assertThat(Files.size(picture)).isGreaterThan(20_000);
    }
}
