package boldsatchel.desktop.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.shelf.Library;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class BuildStoreTest {

    private Path folder = Path.of(".");

    @BeforeMethod
    public void folder() throws IOException {
        folder = Files.createTempDirectory("satchel-store");
    }

    @AfterMethod(alwaysRun = true)
    public void cleanUp() throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        }
    }

    private static BuildFormat.Document named(String name) {
        Build build = Library.demo("cave-survey").orElseThrow();
        return new BuildFormat.Document(Edits.rename(name).change().apply(build), Extras.NONE);
    }

    private Path file() {
        return folder.resolve("x.satchel.json");
    }

    @Test
    public void whatIsSavedComesBackEqual() throws Exception {
        BuildStore.save(file(), named("one"), Optional.empty(), false);
        assertThat(BuildStore.open(file()).document().build())
                .isEqualTo(named("one").build());
    }

    @Test
    public void theFileBeforeIsKeptAsABackup() throws Exception {
        String first = BuildStore.save(file(), named("one"), Optional.empty(), false);
        BuildStore.save(file(), named("two"), Optional.of(first), false);
        assertThat(BuildStore.open(BuildStore.backup(file())).document().build().name())
                .isEqualTo("one");
        assertThat(BuildStore.open(file()).document().build().name()).isEqualTo("two");
        try (Stream<Path> all = Files.list(folder)) {
            assertThat(all).hasSize(2);
        }
    }

    @Test
    public void aFileThatChangedOnDiskIsNotOverwrittenUnlessToldTo() throws Exception {
        String first = BuildStore.save(file(), named("one"), Optional.empty(), false);
        Files.writeString(file(), BuildFormat.write(named("by somebody else")));
        assertThatThrownBy(() -> BuildStore.save(file(), named("two"), Optional.of(first), false))
                .isInstanceOf(BuildStore.ChangedOnDiskException.class)
                .hasMessageContaining("changed on disk");
        assertThat(BuildStore.open(file()).document().build().name()).isEqualTo("by somebody else");
        BuildStore.save(file(), named("two"), Optional.of(first), true);
        assertThat(BuildStore.open(file()).document().build().name()).isEqualTo("two");
    }

    @Test
    public void aMissingFileIsSaidToBeMissing() {
        assertThatThrownBy(() -> BuildStore.open(folder.resolve("nothing.satchel.json")))
                .hasMessageContaining("no such file");
    }

    @Test
    public void aBinaryFileIsSaidToBeNoText() throws IOException {
        Files.write(file(), new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1});
        assertThatThrownBy(() -> BuildStore.open(file())).hasMessageContaining("no text file");
    }

    @Test
    public void aFolderThatCannotBeWrittenLosesNothing() throws IOException {
        Path inTheWay = folder.resolve("file");
        Files.writeString(inTheWay, "x");
        assertThatThrownBy(() ->
                        BuildStore.save(inTheWay.resolve("x.satchel.json"), named("one"), Optional.empty(), false))
                .isInstanceOf(BuildStore.StoreException.class)
                .hasMessageContaining("nothing was lost");
    }

    @Test
    public void aFileKeepsItsModeAndALinkStaysALink() throws Exception {
        Path real = folder.resolve("real.satchel.json");
        BuildStore.save(real, named("one"), Optional.empty(), false);
        Set<PosixFilePermission> mode = PosixFilePermissions.fromString("rw-rw-r--");
        Files.setPosixFilePermissions(real, mode);
        Files.createSymbolicLink(file(), real);
        BuildStore.save(file(), named("two"), Optional.empty(), true);
        assertThat(Files.isSymbolicLink(file())).isTrue();
        assertThat(Files.getPosixFilePermissions(real)).isEqualTo(mode);
        assertThat(BuildStore.open(real).document().build().name()).isEqualTo("two");
    }

    @Test
    public void aReadOnlyFileIsNotReplacedThroughItsFolder() throws Exception {
        BuildStore.save(file(), named("one"), Optional.empty(), false);
        Files.setPosixFilePermissions(file(), PosixFilePermissions.fromString("r--r--r--"));
        assertThatThrownBy(() -> BuildStore.save(file(), named("two"), Optional.empty(), true))
                .isInstanceOf(BuildStore.StoreException.class)
                .hasMessageContaining("read-only");
        assertThat(BuildStore.open(file()).document().build().name()).isEqualTo("one");
    }

    @Test
    public void bytesThatAreNoTextCanBeOverwrittenAndAreKeptAsTheBackup() throws Exception {
        byte[] bytes = {(byte) 0xff, 0, (byte) 0xfe, 7};
        Files.write(file(), bytes);
        assertThatThrownBy(() -> BuildStore.save(file(), named("mine"), Optional.empty(), false))
                .isInstanceOf(BuildStore.ChangedOnDiskException.class);
        BuildStore.save(file(), named("mine"), Optional.empty(), true);
        assertThat(BuildStore.open(file()).document().build().name()).isEqualTo("mine");
        assertThat(Files.readAllBytes(BuildStore.backup(file()))).isEqualTo(bytes);
    }

    @Test
    public void whatAKilledSaverLeftIsClearedByTheNextSave() throws Exception {
        Path unfinished = folder.resolve("x.satchel.json.4711.new");
        Path ofAnother = folder.resolve("y.satchel.json.4711.new");
        Files.writeString(unfinished, "{ cut");
        Files.writeString(ofAnother, "{ cut");
        BuildStore.save(file(), named("one"), Optional.empty(), false);
        assertThat(unfinished).doesNotExist();
        assertThat(ofAnother).exists();
    }

    /** Of many that save over the same file they read, one wins each time and all others are told. */
    @Test
    public void ofTwoSaversAtOnceTheSecondIsTold() throws Exception {
        for (int round = 0; round < 20; round++) {
            String known = BuildStore.save(file(), named("round " + round), Optional.empty(), true);
            AtomicInteger won = new AtomicInteger();
            AtomicInteger told = new AtomicInteger();
            List<Thread> savers = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                String name = "saver " + i;
                savers.add(Thread.ofPlatform().start(() -> {
                    try {
                        BuildStore.save(file(), named(name), Optional.of(known), false);
                        won.incrementAndGet();
                    } catch (BuildStore.ChangedOnDiskException e) {
                        told.incrementAndGet();
                    } catch (BuildStore.StoreException e) {
                        throw new IllegalStateException(e);
                    }
                }));
            }
            for (Thread saver : savers) {
                saver.join();
            }
            assertThat(won).hasValue(1);
            assertThat(told).hasValue(3);
        }
    }

    /** Saves two builds in turn until it is killed, or for a minute; says so once it has begun. */
    public static final class Saver {
        public static void main(String[] args) throws Exception {
            Path file = Path.of(args[0]);
            BuildFormat.Document[] documents = {named("old"), named("new")};
            byte[] begun = "begun\n".getBytes(StandardCharsets.UTF_8);
            long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
            for (int i = 0; System.nanoTime() < end; i++) {
                BuildStore.save(file, documents[i % 2], Optional.empty(), true);
                if (i == 1) {
                    System.err.write(begun);
                    System.err.flush();
                }
            }
        }
    }

    private static final int ROUNDS = 30;

    /** Adds a line to the notes of a file again and again, reading it anew whenever somebody else was first. */
    public static final class Racer {
        public static void main(String[] args) throws Exception {
            Path file = Path.of(args[0]);
            System.setProperty(
                    AppFolders.STATE_PROPERTY, file.resolveSibling("state").toString());
            for (int i = 0; i < ROUNDS; ) {
                BuildStore.Opened opened = BuildStore.open(file);
                Build build = opened.document().build();
                Build more =
                        Edits.notes(build.journal().notes() + "line\n").change().apply(build);
                try {
                    BuildStore.save(
                            file, new BuildFormat.Document(more, Extras.NONE), Optional.of(opened.text()), false);
                    i++;
                } catch (BuildStore.ChangedOnDiskException e) {
                    // The other one was first: its line is read, and this one is added to it.
                }
            }
        }
    }

    @Test
    public void ofTwoProgramsThatSaveAtOnceNeitherLosesALine() throws Exception {
        Path file = folder.resolve("raced" + BuildStore.ENDING);
        BuildStore.save(file, named("raced"), Optional.empty(), false);
        List<Process> racers = List.of(java(Racer.class, file.toString()), java(Racer.class, file.toString()));
        for (Process racer : racers) {
            assertThat(racer.waitFor()).isZero();
        }
        assertThat(BuildStore.open(file).document().build().journal().notes().lines())
                .hasSize(2 * ROUNDS);
    }

    /** {@code -Dboldsatchel.kills=2000} kills more. */
    private static final int KILLS = Integer.getInteger("boldsatchel.kills", 24);

    private static final int AT_ONCE = 2;

    @Test
    public void killedWhileSavingTheFileIsAlwaysTheOldOrTheNewOneWhole() throws Exception {
        String old = BuildFormat.write(named("old"));
        String fresh = BuildFormat.write(named("new"));
        Random random = new Random(7);
        for (int kills = 0; kills < KILLS; kills += AT_ONCE) {
            List<Path> files = new ArrayList<>();
            List<Process> savers = new ArrayList<>();
            for (int i = 0; i < AT_ONCE; i++) {
                files.add(folder.resolve("saver-" + i + ".satchel.json"));
                savers.add(java(Saver.class, files.getLast().toString()));
            }
            for (Process saver : savers) {
                assertThat(saver.getErrorStream().read()).isEqualTo('b');
            }
            for (Process saver : savers) {
                TimeUnit.MICROSECONDS.sleep(random.nextInt(3000));
                saver.destroyForcibly().waitFor();
            }
            for (Path file : files) {
                assertThat(Files.readString(file)).isIn(old, fresh);
                assertThat(Files.readString(BuildStore.backup(file))).isIn(old, fresh);
            }
        }
        try (Stream<Path> all = Files.list(folder)) {
            // What a kill leaves beside the file is unfinished and named so; it never takes the file's place.
            assertThat(all.filter(p ->
                            !p.toString().endsWith(".json") && !p.toString().endsWith(".bak")))
                    .allMatch(p -> p.toString().endsWith(".new"));
        }
    }

    /** Runs a class of these tests in a program of its own. */
    static Process java(Class<?> main, String argument) throws IOException {
        return new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-cp",
                        classPath(),
                        main.getName(),
                        argument))
                .start();
    }

    private static String classPath() {
        return System.getProperty("jdk.module.path", "")
                + java.io.File.pathSeparator
                + System.getProperty("java.class.path")
                + java.io.File.pathSeparator
                + Path.of("target", "classes")
                + java.io.File.pathSeparator
                + Path.of("target", "test-classes");
    }
}
