package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.standins.SampleLog;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PipedReader;
import java.io.PipedWriter;
import java.io.PrintWriter;
import java.io.RandomAccessFile;
import java.io.StringWriter;
import java.io.Writer;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
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
        Files.writeString(file, BuildFormat.write(new BuildFormat.Document(Build.empty("sound"), Extras.NONE)));
        assertThat(run("check", file.toString()).code()).isZero();
        Files.delete(file);
    }

    /** Proposals are files that can be judged; those of an earlier search are written over only where that is said. */
    @Test
    public void proposalsAreBuildFiles() throws IOException {
        Path folder = Files.createTempDirectory("proposals");
        String[] args = {
            "arrange",
            "demo:harbour-watch",
            "--tray",
            "all",
            "--wish",
            "in-line,cables",
            "--rounds",
            "150",
            "--json",
            "--to",
            folder.toString()
        };
        Ran ran = run(args);
        assertThat(ran.code()).isZero();
        assertThat(ran.out())
                .contains("\"asItIs\"", "\"proposals\"", "\"moved\"", "\"file\"", "proposal-01.satchel.json")
                .contains("\"in-line\"", "\"cables\"", "\"lid\"");
        assertThat(folder.resolve("proposal-01-lid.svg")).exists();
        Ran judged = run("check", folder.resolve("proposal-01.satchel.json").toString());
        assertThat(judged.out()).contains("Packs").doesNotContain("fit.lid-clash");
        Ran again = run(args);
        assertThat(again.code()).isEqualTo(2);
        assertThat(again.err()).contains("there already");
    }

    /** What goes in on no account is said with the reason, and exits one. */
    @Test
    public void whereNothingGoesInTheReasonIsPrinted() throws IOException {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Part large = build.part("hub").orElseThrow();
        Build without = build.with(
                        large.withBody(Body.block(Figure.measured(400), Figure.measured(30), Figure.measured(10))))
                .with(build.layout().without("hub"));
        Path file = Files.createTempFile("large", ".satchel.json");
        Files.writeString(file, BuildFormat.write(new BuildFormat.Document(without, Extras.NONE)));
        Ran ran = run("arrange", file.toString(), "--tray", "base", "--rounds", "20");
        assertThat(ran.code()).isEqualTo(1);
        assertThat(ran.out()).contains(large.name() + " is too large for Case");
        Ran room = run("arrange", file.toString(), "--tray", "base", "--rounds", "40", "--make-room", "--json");
        assertThat(room.code()).isZero();
        assertThat(room.out()).contains("\"change\": \"" + large.name() + " → ");
        Ran more = run("arrange", file.toString(), "--tray", "base", "--rounds", "20", "--more", "hub-4");
        assertThat(more.code()).isEqualTo(1);
        Files.delete(file);
    }

    @DataProvider
    Object[][] bad() {
        return new Object[][] {
            {new String[] {"check", "nowhere.satchel.json"}, "no such file"},
            {new String[] {"check", "demo:nothing"}, "Choose one of cave-survey"},
            {new String[] {"check"}, "Missing required parameter"},
            {new String[] {"check", ""}, "No file was named"},
            {new String[] {"export", "demo:cave-survey"}, "--to"},
            {new String[] {"fly"}, "fly"},
            {new String[] {"check", "demo:cave-survey", "--jsn"}, "--jsn"},
            {new String[] {"export", "demo:cave-survey", "--to", "/dev/null/x"}, "cannot be written"},
            {new String[] {"export", "demo:cave-survey", "--to", ""}, "name of a folder"},
            {new String[] {"check", "/dev/null"}, "a folder or a device"},
            {new String[] {"check", "target"}, "a folder or a device"},
            {new String[] {"demo", "--shot", "target"}, "no name for a picture"},
            {
                new String[] {"import", "nowhere.csv", "--as", "discharge", "--build", "demo:cave-survey"},
                "cannot be read"
            },
            {
                new String[] {"import", "pom.xml", "--as", "discharge", "--build", "demo:cave-survey"},
                "No line of this file"
            },
            {new String[] {"import", "pom.xml", "--as", "song", "--build", "demo:cave-survey"}, "--as discharge"},
            {
                new String[] {"import", "pom.xml", "--as", "discharge", "--of", "board", "--build", "demo:cave-survey"},
                "no pack “board”"
            },
            {new String[] {"bench-standins", "--speed", "0"}, "--speed"},
            {new String[] {"bench-standins", "--port", "70000"}, "--port"},
            {new String[] {"demo", "elsewhere"}, "Choose one of cave-survey"},
            {new String[] {"arrange", "demo:cave-survey", "--tray", "box"}, "There are: slab"},
            {new String[] {"arrange", "demo:cave-survey", "--seconds", "0"}, "--seconds is more than 0"},
            {new String[] {"arrange", "demo:cave-survey", "--threads", "0"}, "--threads is 1 to 64"},
            {new String[] {"arrange", "demo:cave-survey", "--wish", "cables,nothing"}, "It knows: cables, hands"},
            {new String[] {"arrange", "demo:cave-survey", "--step", "0"}, "--step is 0.1 to 50"},
            {new String[] {"arrange", "demo:cave-survey", "--rounds", "0"}, "--rounds is 1 or more"},
            {new String[] {"arrange", "demo:cave-survey", "--to", ""}, "name of a folder"},
            {new String[] {"arrange", "demo:cave-survey", "--more", "nothing"}, "There is no part “nothing”"},
            {new String[] {"arrange", "demo:cave-survey", "--more", "hub-4", "--make-room"}, "ask one of them"},
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
    public void aFileLargerThanAnyBuildIsRefusedUnread() throws IOException {
        Path file = Files.createTempFile("large", ".satchel.json");
        try (RandomAccessFile large = new RandomAccessFile(file.toFile(), "rw")) {
            large.setLength(20_000_000);
        }
        Ran ran = run("check", file.toString());
        assertThat(ran.code()).isEqualTo(2);
        assertThat(ran.err()).contains("larger than any build file (over 16 MB)");
        Files.delete(file);
    }

    @Test
    public void aJudgementThatCannotBeWrittenIsTold() {
        StringWriter err = new StringWriter();
        Writer full = new Writer() {
            @Override
            public void write(char[] letters, int from, int count) throws IOException {
                throw new IOException("No space left on device");
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        };
        String[] args = {"check", "demo:cave-survey"};
        assertThat(Main.run(args, new PrintWriter(full, true), new PrintWriter(err, true)))
                .isEqualTo(2);
        assertThat(err.toString()).contains("Is the disk full?");
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
        assertThat(folder.resolve("book.pdf")).isNotEmptyFile();
        assertThat(folder.resolve("parts.csv")).isNotEmptyFile();
        // All of it is in the archive too, and that is a build.
        Path archive = folder.resolve("harbour-watch-deck.satchel.zip");
        assertThat(run("check", archive.toString()).out())
                .isEqualTo(run("check", "demo:harbour-watch").out());
        Files.writeString(folder.resolve("broken.satchel.zip"), "no archive");
        Ran broken = run("check", folder.resolve("broken.satchel.zip").toString());
        assertThat(broken.code()).isEqualTo(2);
        assertThat(broken.err()).contains("broken.satchel.zip").contains("Choose an archive");
        Files.writeString(folder.resolve("parts.csv"), "mine");
        Ran again = run("export", "demo:harbour-watch", "--to", folder.toString());
        assertThat(again.code()).isEqualTo(2);
        assertThat(again.err()).contains("parts.csv").contains("--replace");
        assertThat(folder.resolve("parts.csv")).hasContent("mine");
        assertThat(run("export", "demo:harbour-watch", "--replace", "--to", folder.toString())
                        .code())
                .isZero();
        assertThat(Files.readString(folder.resolve("parts.csv"))).startsWith("id,name");
    }

    @Test
    public void aLogIsSetBesideThePlan() throws IOException {
        Path log = Files.createTempFile("discharge", ".csv");
        Files.writeString(log, SampleLog.discharge(Library.demo("cave-survey").orElseThrow(), "battery", 4, 10));
        Ran ran = run("import", log.toString(), "--as", "discharge", "--build", "demo:cave-survey");
        assertThat(ran.err()).isEmpty();
        assertThat(ran.code()).isZero();
        assertThat(ran.out()).contains("charge from full to empty", "planned 6.8 Ah", "as planned", "moments");
        Files.delete(log);
    }

    @Test
    public void theStandInsRunUntilTheyAreEnded() throws Exception {
        PipedReader out = new PipedReader();
        PrintWriter into = new PrintWriter(new PipedWriter(out), true);
        int[] code = {-1};
        Thread bench = new Thread(() -> code[0] =
                Main.run(new String[] {"bench-standins", "--port", "0"}, into, new PrintWriter(Writer.nullWriter())));
        bench.start();
        BufferedReader lines = new BufferedReader(out);
        String load = String.valueOf(lines.readLine());
        assertThat(load).startsWith("electronic load");
        int port = Integer.parseInt(load.substring(load.lastIndexOf(':') + 1));
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port)) {
            socket.getOutputStream().write("*IDN?\n".getBytes(StandardCharsets.US_ASCII));
            assertThat(new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))
                            .readLine())
                    .startsWith("BENCH STAND-IN,LOAD");
        }
        bench.interrupt();
        bench.join();
        assertThat(code[0]).isZero();
    }

    @Test
    public void helpNamesEveryCommand() {
        assertThat(run("--help").out())
                .contains(
                        "demo", "open", "check", "export", "import", "bench-standins", "screenshots", "test", "bench");
        assertThat(run().out()).contains("COMMAND");
    }
}
