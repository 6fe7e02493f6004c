package boldsatchel.desktop;

import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.AppFolders;
import boldsatchel.desktop.document.Archives;
import boldsatchel.desktop.document.BookStore;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recents;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.report.Report;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** The command line. Every error is one clear line and an exit code that is not zero. */
@Command(
        name = "satchel",
        description = "Plans, calculates and judges the building of portable computers.",
        mixinStandardHelpOptions = true,
        version = "Bold Satchel 0.1.0",
        synopsisSubcommandLabel = "COMMAND",
        subcommands = {
            Main.Demo.class,
            Main.Open.class,
            Main.Check.class,
            Main.Export.class,
            ArrangeCommand.class,
            BenchCommands.Import.class,
            BenchCommands.StandIns.class,
            Main.Screenshots.class
        },
        footer = {"", "The launcher also knows: test (run all tests), bench (measure speed)."})
public final class Main implements Callable<Integer> {

    static final int STOPPED = 1;
    private static final int BAD = 2;

    @Spec
    @SuppressWarnings("NullAway.Init") // Set by picocli before any command runs.
    private CommandSpec spec;

    /** Called by picocli. */
    Main() {}

    /** The program. */
    public static void main(String[] args) {
        System.setProperty(
                "boldsatchel.log", AppFolders.state().resolve("satchel.log").toString());
        System.exit(run(
                args,
                new PrintWriter(System.out, true, java.nio.charset.StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, java.nio.charset.StandardCharsets.UTF_8)));
    }

    /** Runs a command line; the exit code. */
    static int run(String[] args, PrintWriter out, PrintWriter err) {
        return new CommandLine(new Main())
                .setCaseInsensitiveEnumValuesAllowed(true)
                .setOut(out)
                .setErr(err)
                .setExecutionExceptionHandler((e, line, parsed) -> {
                    line.getErr().println(e instanceof UserException ? e.getMessage() : ownError(e));
                    return BAD;
                })
                .setParameterExceptionHandler((e, parsed) -> {
                    e.getCommandLine().getErr().println("satchel: " + e.getMessage() + ". Try: satchel --help");
                    return BAD;
                })
                .execute(args);
    }

    private static String ownError(Exception e) {
        LoggerFactory.getLogger(Main.class).error("a command failed", e);
        return "satchel: an error of this program, not of your file; what happened stands in "
                + AppFolders.state().resolve("satchel.log") + ".";
    }

    @Override
    public Integer call() {
        spec.commandLine().usage(spec.commandLine().getOut());
        return 0;
    }

    /** Something the user can mend; the message is the line to print. */
    static final class UserException extends Exception {
        private static final long serialVersionUID = 1;

        UserException(String message) {
            super(message);
        }
    }

    /** A file's document, or that of a demo written as {@code demo:NAME}. */
    static BuildFormat.Document document(String source) throws UserException {
        if (source.startsWith("demo:")) {
            return demo(source.substring("demo:".length())).get();
        }
        Path file = Path.of(source);
        if (Archives.isArchive(file)) {
            try {
                return Archives.read(file);
            } catch (BuildStore.StoreException e) {
                throw new UserException(e.getMessage());
            }
        }
        return opened(file).document();
    }

    private static BuildStore.Opened opened(Path file) throws UserException {
        if (file.toString().isBlank()) {
            throw new UserException("No file was named. Give one ending in " + BuildStore.ENDING + ".");
        }
        try {
            return BuildStore.open(file);
        } catch (BuildStore.StoreException e) {
            throw new UserException(e.getMessage());
        }
    }

    /** A build file: an archive is unpacked beside itself first. */
    private static Path unpacked(Path file) throws UserException {
        try {
            return Archives.isArchive(file) ? Archives.unpack(file) : file;
        } catch (BuildStore.StoreException e) {
            throw new UserException(e.getMessage());
        }
    }

    /** A demo, yet to be read. */
    private static Supplier<BuildFormat.Document> demo(String name) throws UserException {
        if (!Library.DEMOS.contains(name)) {
            throw new UserException(
                    "There is no demo “" + name + "”. Choose one of " + String.join(", ", Library.DEMOS) + ".");
        }
        return () -> new BuildFormat.Document(Library.demo(name).orElseThrow(), Extras.NONE);
    }

    /** What the window commands share. */
    static final class WindowOptions {
        @Option(names = "--shot", paramLabel = "FILE", description = "take a PNG of the window and end")
        @SuppressWarnings("NullAway.Init")
        Optional<Path> shot;

        @Option(
                names = "--stage",
                paramLabel = "STAGE",
                description = "open at Brief, Shelf, Power, Links, Bench, Pack or Book",
                defaultValue = "Pack")
        @SuppressWarnings("NullAway.Init")
        String stage;

        @Option(names = "--dark", description = "dark look")
        boolean dark;

        /** Called by picocli. */
        WindowOptions() {}

        /** Refuses what cannot be before a window is opened. */
        void check() throws UserException {
            if (shot.filter(to -> to.toString().isBlank() || Files.isDirectory(to))
                    .isPresent()) {
                throw new UserException("“" + shot.get() + "” is no name for a picture. Give a file ending in .png.");
            }
        }
    }

    private static int window(
            Supplier<BuildFormat.Document> reading, Session.Origin origin, Consumer<App> atFirst, WindowOptions options)
            throws UserException {
        options.check();
        // Read while the toolkit starts.
        CompletableFuture<BuildFormat.Document> document = CompletableFuture.supplyAsync(reading);
        long started = ProcessHandle.current()
                .info()
                .startInstant()
                .map(i -> i.toEpochMilli())
                .orElse(System.currentTimeMillis());
        Optional<String> problem = Launcher.launch(stage -> {
            App app = new App(document.join(), origin);
            app.desk().dark().set(options.dark);
            if (!app.frame().open(options.stage)) {
                Launcher.endsWith("There is no stage “" + options.stage + "”. Choose one of "
                        + String.join(", ", app.frame().stageTitles()) + ".");
                return;
            }
            atFirst.accept(app);
            if (options.shot.isEmpty()) {
                app.frame().offerRecovered();
            } else {
                Launcher.takesPictures();
            }
            app.show(stage);
            Shots.afterFirstFrame(() -> LoggerFactory.getLogger(Main.class)
                    .info("window up after {} ms", System.currentTimeMillis() - started));
            options.shot.ifPresent(to -> Shots.afterWork(app.scene(), () -> Shots.takeAndEnd(app.scene(), to)));
        });
        return ended(problem);
    }

    /** Writes files into a folder, over those of the same names only where that was said. */
    static List<Path> written(Path folder, Map<String, byte[]> files, boolean replace) throws UserException {
        mayWrite(folder, files.keySet(), replace);
        try {
            return BookStore.write(folder, files, (name, done) -> true);
        } catch (BuildStore.StoreException e) {
            throw new UserException(e.getMessage());
        }
    }

    /** Whether files of some names may be written into a folder; says why not. */
    static void mayWrite(Path folder, Set<String> names, boolean replace) throws UserException {
        if (folder.toString().isBlank()) {
            throw new UserException("--to needs the name of a folder.");
        }
        List<String> taken = BookStore.taken(folder, names);
        if (!taken.isEmpty() && !replace) {
            throw new UserException(folder + ": " + String.join(", ", taken)
                    + (taken.size() == 1 ? " is" : " are")
                    + " there already. Choose another folder, or say --replace.");
        }
    }

    private static int ended(Optional<String> problem) throws UserException {
        if (problem.isPresent()) {
            throw new UserException(problem.get());
        }
        return 0;
    }

    @Command(name = "demo", description = "Opens a demo build.", mixinStandardHelpOptions = true)
    static final class Demo implements Callable<Integer> {
        @Parameters(
                arity = "0..1",
                paramLabel = "NAME",
                description = "cave-survey, orchard-ledger or harbour-watch",
                defaultValue = "orchard-ledger")
        @SuppressWarnings("NullAway.Init")
        private String name;

        @CommandLine.Mixin
        private final WindowOptions options = new WindowOptions();

        @Override
        public Integer call() throws UserException {
            return window(demo(name), Session.Origin.DEMO, app -> {}, options);
        }
    }

    @Command(
            name = "open",
            description = "Opens a build file, or the start sheet when none is named.",
            mixinStandardHelpOptions = true)
    static final class Open implements Callable<Integer> {
        @Parameters(
                arity = "0..1",
                paramLabel = "FILE",
                description = "a file ending in .satchel.json, or an archive ending in .satchel.zip")
        @SuppressWarnings("NullAway.Init")
        private Optional<Path> file;

        @CommandLine.Mixin
        private final WindowOptions options = new WindowOptions();

        @Override
        public Integer call() throws UserException {
            if (file.isEmpty()) {
                return window(
                        () -> new BuildFormat.Document(Build.empty("New build"), Extras.NONE),
                        Session.Origin.NEW,
                        app -> app.frame().begin(),
                        options);
            }
            options.check();
            Path lies = unpacked(file.get());
            BuildStore.Opened opened = opened(lies);
            return window(
                    opened::document,
                    Session.Origin.NEW,
                    app -> {
                        app.desk().session().replaceBy(opened, lies);
                        Recents.remember(lies);
                    },
                    options);
        }
    }

    @Command(
            name = "check",
            description = "Judges a build; exits 0 when nothing says stop, 1 otherwise, 2 on a bad file.",
            mixinStandardHelpOptions = true)
    static final class Check implements Callable<Integer> {
        @Parameters(paramLabel = "FILE|demo:NAME", description = "a build file or a demo")
        @SuppressWarnings("NullAway.Init")
        private String source;

        @Option(names = "--json", description = "print one JSON object")
        private boolean json;

        @Spec
        @SuppressWarnings("NullAway.Init")
        private CommandSpec spec;

        @Override
        public Integer call() throws UserException {
            Evaluation evaluation = Evaluator.evaluate(document(source).build());
            PrintWriter out = spec.commandLine().getOut();
            if (json) {
                out.println(Report.json(evaluation));
            } else {
                out.println(evaluation.build().name());
                for (Verdict v : evaluation.verdicts()) {
                    out.printf(
                            "  %-11s %-5s %10s  %s%n",
                            v.kind().title(), v.state().words(), v.kind().format(v.value()), v.sentence());
                }
                for (Finding f : evaluation.findings()) {
                    out.printf("  %s %s: %s%n", f.severity().words(), f.code(), f.message());
                }
            }
            if (out.checkError()) {
                throw new UserException("The judgement cannot be written where it should go. Is the disk full?");
            }
            return evaluation.stops() ? STOPPED : 0;
        }
    }

    @Command(
            name = "export",
            description = "Writes the book, drawings, lists, pieces to make and an archive of all.",
            mixinStandardHelpOptions = true)
    static final class Export implements Callable<Integer> {
        @Parameters(paramLabel = "FILE|demo:NAME", description = "a build file or a demo")
        @SuppressWarnings("NullAway.Init")
        private String source;

        @Option(
                names = "--to",
                required = true,
                paramLabel = "DIR",
                description = "folder to write to; made if missing")
        @SuppressWarnings("NullAway.Init")
        private Path folder;

        @Option(names = "--replace", description = "write over files of the same names")
        private boolean replace;

        @Spec
        @SuppressWarnings("NullAway.Init")
        private CommandSpec spec;

        @Override
        public Integer call() throws UserException {
            BuildFormat.Document document = document(source);
            Optional<Path> lies = Optional.of(source)
                    .filter(s -> !s.startsWith("demo:"))
                    .map(Path::of)
                    .filter(f -> !Archives.isArchive(f));
            Map<String, byte[]> files;
            try {
                files = Archives.book(document, Evaluator.evaluate(document.build()), lies);
            } catch (BuildStore.StoreException e) {
                throw new UserException(e.getMessage());
            }
            written(folder, files, replace)
                    .forEach(file -> spec.commandLine().getOut().println(file));
            return 0;
        }
    }

    @Command(name = "screenshots", description = "Takes the pictures of the manual.", mixinStandardHelpOptions = true)
    static final class Screenshots implements Callable<Integer> {
        @Option(
                names = "--to",
                paramLabel = "DIR",
                description = "folder to write to",
                defaultValue = "docs/screenshots")
        @SuppressWarnings("NullAway.Init")
        private Path folder;

        @Option(names = "--only", paramLabel = "FILE", description = "this one only: bench.png", defaultValue = "")
        @SuppressWarnings("NullAway.Init")
        private String only;

        @Override
        public Integer call() throws UserException {
            return ended(Launcher.launch(stage -> {
                Launcher.takesPictures();
                Shots.manual(stage, folder, only);
            }));
        }
    }
}
