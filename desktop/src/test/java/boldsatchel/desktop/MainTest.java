package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.shelf.Library;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MainTest {

    private record Ran(int code, String out, String err) {}

    private static Ran run(String... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int code = Main.run(args, new PrintWriter(out, true), new PrintWriter(err, true));
        return new Ran(code, out.toString(), err.toString());
    }

    @DataProvider
    Object[][] demos() {
        return Library.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void checkingADemoPrintsOneObjectAndExitsOne(String demo) {
        Ran ran = run("check", "demo:" + demo, "--json");
        assertThat(ran.code()).isEqualTo(1);
        assertThat(ran.err()).isEmpty();
        assertThat(ran.out().strip())
                .startsWith("{")
                .endsWith("}")
                .contains("\"verdicts\"", "\"findings\"", "\"severity\": \"stop\"");
    }

    @Test
    public void checkingInWordsNamesEveryQuestion() {
        assertThat(run("check", "demo:orchard-ledger").out())
                .contains("Packs", "Lasts", "Keeps cool", "Carries", "Stands", "Costs", "balance.tips");
    }

    @Test
    public void aSoundBuildExitsZero() throws IOException {
        Path file = Files.createTempFile("sound", ".satchel.json");
        Files.writeString(
                file,
                BuildFormat.write(new BuildFormat.Document(boldsatchel.machine.Build.empty("sound"), Extras.NONE)));
        assertThat(run("check", file.toString()).code()).isZero();
        Files.delete(file);
    }

    @DataProvider
    Object[][] bad() {
        return new Object[][] {
            {new String[] {"check", "nowhere.satchel.json"}, "no such file"},
            {new String[] {"check", "demo:nothing"}, "Choose one of cave-survey"},
            {new String[] {"check"}, "Missing required parameter"},
            {new String[] {"export", "demo:cave-survey"}, "--to"},
            {new String[] {"fly"}, "fly"},
            {new String[] {"check", "demo:cave-survey", "--jsn"}, "--jsn"},
            {new String[] {"export", "demo:cave-survey", "--to", "/dev/null/x"}, "cannot be written"},
        };
    }

    @Test(dataProvider = "bad")
    public void aMistakeIsOneClearLineAndExitsTwo(String[] args, String words) {
        Ran ran = run(args);
        assertThat(ran.code()).isEqualTo(2);
        assertThat(ran.err().strip().lines()).hasSize(1);
        assertThat(ran.err()).contains(words);
    }

    @Test
    public void aBadFileIsToldWithLineAndField() throws IOException {
        Path file = Files.createTempFile("bad", ".satchel.json");
        Files.writeString(
                file,
                BuildFormat.write(new BuildFormat.Document(
                                Library.demo("cave-survey").orElseThrow(), Extras.NONE))
                        .replaceFirst("\"plastic\"", "\"cheese\""));
        Ran ran = run("check", file.toString());
        assertThat(ran.code()).isEqualTo(2);
        assertThat(ran.err()).contains("line ").contains("build.casing.shells[0].material");
        Files.delete(file);
    }

    @Test
    public void exportingWritesEveryFileAndSaysWhich() throws IOException {
        Path folder = Files.createTempDirectory("book").resolve("inside");
        Ran ran = run("export", "demo:harbour-watch", "--to", folder.toString());
        assertThat(ran.code()).isZero();
        assertThat(ran.out().lines()).allSatisfy(l -> assertThat(Path.of(l)).exists());
        assertThat(folder.resolve("build-sheet.pdf")).isNotEmptyFile();
        assertThat(folder.resolve("parts.csv")).isNotEmptyFile();
    }

    @Test
    public void helpNamesEveryCommand() {
        assertThat(run("--help").out()).contains("demo", "open", "check", "export", "screenshots", "test", "bench");
        assertThat(run().out()).contains("COMMAND");
    }
}
