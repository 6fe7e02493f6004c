package boldsatchel.desktop.frame;

import boldsatchel.book.Archive;
import boldsatchel.book.HelpBundle;
import boldsatchel.book.Tables;
import boldsatchel.cost.Waiting;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.Archives;
import boldsatchel.desktop.document.BookStore;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.OwnFaults;
import boldsatchel.desktop.document.OwnShelf;
import boldsatchel.desktop.document.Pictures;
import boldsatchel.desktop.document.Recents;
import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Drawn;
import boldsatchel.format.DrawnFile;
import boldsatchel.format.Extras;
import boldsatchel.format.FormatException;
import boldsatchel.format.LibraryFormat;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.revise.Revisions;
import boldsatchel.revise.Standing;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.concurrent.Task;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** New, open, save and export, with what can go wrong said in words. */
public final class Files {

    private static final Logger LOG = LoggerFactory.getLogger(Files.class);

    private final Desk desk;
    private final Messages messages;
    private final Latest reading = Latest.following();

    Files(Desk desk, Messages messages) {
        this.desk = desk;
        this.messages = messages;
    }

    private static FileChooser chooser(String title) {
        return chooser(title, "Bold Satchel builds", BuildStore.ENDING);
    }

    private static FileChooser libraryChooser(String title) {
        return chooser(title, "Bold Satchel libraries", LibraryFormat.ENDING);
    }

    private static FileChooser chooser(String title, String what, String ending) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(what, "*" + ending));
        return chooser;
    }

    /** Starts with nothing; the brief comes first. */
    void fresh(Runnable then) {
        unlessUnsaved(() -> {
            desk.session()
                    .replaceBy(new BuildFormat.Document(Build.empty("New build"), Extras.NONE), Session.Origin.NEW);
            then.run();
        });
    }

    /** Opens a demo. */
    void demo(Build demo) {
        unlessUnsaved(() -> desk.session().replaceBy(new BuildFormat.Document(demo, Extras.NONE), Session.Origin.DEMO));
    }

    void choose(Window window) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Open a build");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter(
                        "Builds and archives of builds", "*" + BuildStore.ENDING, "*" + Archive.ENDING));
        Optional.ofNullable(chooser.showOpenDialog(window)).ifPresent(f -> open(f.toPath()));
    }

    /** Opens a file, or says why not; the open build stays then. */
    public void open(Path file) {
        unlessUnsaved(() -> {
            try {
                Path lies = Archives.isArchive(file) ? Archives.unpack(file) : file;
                BuildStore.Opened opened = BuildStore.open(lies);
                desk.session().replaceBy(opened, lies);
                Recents.remember(lies);
                messages.tell((lies.equals(file) ? "Opened " : "Unpacked and opened ") + lies.getFileName() + "."
                        + due(opened.document().build()));
            } catch (BuildStore.StoreException e) {
                LOG.info("open failed: {}", e.getMessage());
                messages.complain("This build cannot be opened", e.getMessage());
            }
        });
    }

    /** What the day has brought: orders that are late, and choices whose time is up. */
    private static String due(Build build) {
        Waiting waiting = Waiting.of(build, Frame.today());
        String late = waiting.orders().stream()
                .filter(a -> a.daysLate() > 0)
                .map(a -> " " + a.part().name() + " is late.")
                .collect(Collectors.joining());
        return late
                + waiting.up().stream()
                        .map(d -> " Time is up for “" + d.what() + "”.")
                        .collect(Collectors.joining());
    }

    /** What logs are called, mostly. */
    private static final List<String> LOGS = List.of(".csv", ".tsv", ".txt", ".log");

    /** Whether a file is a log, by its name. */
    static boolean isLog(Path file) {
        String name = file.toString().toLowerCase(Locale.ROOT);
        return LOGS.stream().anyMatch(name::endsWith);
    }

    /** Asks for a log. */
    static Optional<Path> chooseLog(Window window) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Import a log");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(
                                "Logs", LOGS.stream().map(e -> "*" + e).toList()),
                        new FileChooser.ExtensionFilter("All files", "*"));
        return Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath);
    }

    /**
     * Asks for a picture and puts it beside the build.
     *
     * @param words what it shows; may be empty
     */
    void choosePicture(Window window, String words) {
        if (desk.session().file().isEmpty()) {
            messages.complain(
                    "Save the build first", "Pictures lie in a folder beside its file, and it has no file yet.");
            return;
        }
        FileChooser chooser = new FileChooser();
        chooser.setTitle(words.isEmpty() ? "Add a reference picture" : "Add a photo: " + words);
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter(
                        "Pictures", Pictures.ENDINGS.stream().map(e -> "*" + e).toList()));
        Optional.ofNullable(chooser.showOpenDialog(window)).ifPresent(f -> addPicture(f.toPath(), words));
    }

    /** Copies a picture beside the build's file and puts it on the list, or says why not. */
    public void addPicture(Path picture, String words) {
        desk.session().file().ifPresent(build -> {
            try {
                String name = Pictures.add(build, picture);
                desk.session().does(Edits.journal("add a picture", j -> j.and(new Journal.Picture(name, words))));
            } catch (BuildStore.StoreException e) {
                messages.complain("The picture cannot be added", e.getMessage());
            }
        });
    }

    /** Opens the first build, or takes in the first library, among files let go over the window; says what they should be otherwise. */
    public void dropped(List<Path> dropped) {
        Optional<Path> build = ending(dropped, BuildStore.ENDING).or(() -> ending(dropped, Archive.ENDING));
        Optional<Path> library = ending(dropped, LibraryFormat.ENDING);
        if (build.isPresent()) {
            open(build.get());
        } else if (library.isPresent()) {
            takeIn(library.get());
        } else if (dropped.stream().anyMatch(f -> DrawnFile.isDrawn(f.toString()))) {
            dropped.stream()
                    .filter(f -> DrawnFile.isDrawn(f.toString()))
                    .findFirst()
                    .ifPresent(this::takeShape);
        } else {
            messages.complain(
                    "This is no build",
                    "Let go of a file whose name ends in " + BuildStore.ENDING + ", a library ending in "
                            + LibraryFormat.ENDING + ", or the shape of the selected part ("
                            + String.join(", ", DrawnFile.ENDINGS) + ").");
        }
    }

    void chooseShape(Window window) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Take the shape of the selected part from");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter(
                        "Drawings and meshes",
                        DrawnFile.ENDINGS.stream().map(e -> "*" + e).toList()));
        Optional.ofNullable(chooser.showOpenDialog(window)).ifPresent(f -> takeShape(f.toPath()));
    }

    /** What came of reading a shape: it, or why not. */
    private record Read(Optional<Drawn> drawn, String why) {}

    /** Gives the selected part the shape that a file has, or says why not. */
    public void takeShape(Path file) {
        Optional<Part> part = desk.session().selectedPart();
        if (part.isEmpty()) {
            messages.complain("Select a part first", "The shape in " + file.getFileName() + " becomes that of a part.");
            return;
        }
        reading.ask(() -> read(file), read -> {
            read.drawn()
                    .ifPresentOrElse(
                            d -> {
                                desk.session()
                                        .does(Edits.changePart(
                                                "shape", part.get(), p -> p.withBody(d.shaped(p.body()))));
                                messages.tell(part.get().name() + " has the shape in " + file.getFileName() + ".");
                            },
                            () -> messages.complain("This shape cannot be read", read.why()));
        });
    }

    private static Read read(Path file) {
        try {
            if (java.nio.file.Files.size(file) > DrawnFile.MOST_BYTES) {
                return new Read(Optional.empty(), "It is too large; thin it out first.");
            }
            String name = String.valueOf(file.getFileName());
            return new Read(Optional.of(DrawnFile.read(name, java.nio.file.Files.readAllBytes(file))), "");
        } catch (FormatException e) {
            return new Read(Optional.empty(), file.getFileName() + ": " + e.getMessage() + ".");
        } catch (IOException e) {
            return new Read(Optional.empty(), file + " cannot be read: " + e.getMessage());
        }
    }

    private static Optional<Path> ending(List<Path> files, String ending) {
        return files.stream().filter(f -> f.toString().endsWith(ending)).findFirst();
    }

    /** Does something that takes another build in place of this one; asks first where there is unsaved work. */
    public void unlessUnsaved(Runnable action) {
        if (desk.session().isChanged()) {
            messages.ask(
                    "There are unsaved changes to " + desk.session().build().name() + ".",
                    "Go on without saving",
                    action,
                    "Stay here",
                    () -> {});
        } else {
            action.run();
        }
    }

    void save(Window window) {
        Optional<Path> file = desk.session().file();
        if (file.isPresent()) {
            saveTo(file.get(), false);
        } else {
            saveAs(window);
        }
    }

    void saveAs(Window window) {
        Optional.ofNullable(chooser("Save the build").showSaveDialog(window)).ifPresent(f -> {
            String name = f.getName().endsWith(BuildStore.ENDING) ? f.getName() : f.getName() + BuildStore.ENDING;
            saveTo(f.toPath().resolveSibling(name), true);
        });
    }

    /** Saves to a file, or says why not. */
    public void saveTo(Path file, boolean overwrite) {
        try {
            Optional<Path> before = desk.session().file().filter(f -> !f.equals(file));
            desk.session().saveTo(file, overwrite);
            Recents.remember(file);
            messages.tell("Saved " + file.getFileName() + ".");
            before.ifPresent(from -> carryPictures(from, file));
        } catch (BuildStore.ChangedOnDiskException e) {
            messages.ask(e.getMessage(), "Overwrite it", () -> saveTo(file, true), "Leave it as it is", () -> {});
        } catch (BuildStore.StoreException e) {
            LOG.warn("save failed", e);
            messages.complain("The build could not be saved", e.getMessage());
        }
    }

    private void carryPictures(Path from, Path to) {
        try {
            Pictures.carry(from, to, desk.session().build().journal().pictures());
        } catch (BuildStore.StoreException e) {
            messages.complain("The build is saved, but a picture could not be taken along", e.getMessage());
        }
    }

    /** Puts a part on the user's own shelf. */
    public void keep(Part part) {
        try {
            Part kept = OwnShelf.keep(part);
            desk.forgetLibrary();
            messages.tell("“" + kept.name() + "” is on your own shelf, in " + OwnShelf.file() + ".");
        } catch (BuildStore.StoreException e) {
            messages.complain("It could not be kept", e.getMessage());
        }
    }

    /** Puts a case on the user's own shelf. */
    public void keep(Case kept) {
        try {
            OwnShelf.keep(kept);
            desk.forgetLibrary();
            messages.tell("“" + kept.name() + "” is on your own shelf, in " + OwnShelf.file() + ".");
        } catch (BuildStore.StoreException e) {
            messages.complain("It could not be kept", e.getMessage());
        }
    }

    /** Takes a library file in, or says why not. */
    public void takeIn(Path library) {
        try {
            int count = OwnShelf.takeIn(library);
            desk.forgetLibrary();
            messages.tell(count + " came onto your own shelf from " + library.getFileName() + ".");
        } catch (BuildStore.StoreException e) {
            messages.complain("This library cannot be taken in", e.getMessage());
        }
    }

    /** Writes the user's own shelf to a library file, or says why not. */
    public void exportShelf(Path to) {
        try {
            OwnShelf.export(to);
            messages.tell("Your own shelf is in " + to.getFileName() + ".");
        } catch (BuildStore.StoreException e) {
            messages.complain("Your own shelf could not be written", e.getMessage());
        }
    }

    void chooseTakeIn(Window window) {
        Optional.ofNullable(libraryChooser("Take in a library").showOpenDialog(window))
                .ifPresent(f -> takeIn(f.toPath()));
    }

    void chooseExportShelf(Window window) {
        Optional.ofNullable(libraryChooser("Export your own shelf").showSaveDialog(window))
                .ifPresent(f -> exportShelf(
                        f.getName().endsWith(LibraryFormat.ENDING)
                                ? f.toPath()
                                : f.toPath().resolveSibling(f.getName() + LibraryFormat.ENDING)));
    }

    /** Asks for a folder and exports the book there. */
    public void chooseExport(Window window) {
        chooseFolder(window, "Export the build book to").ifPresent(this::export);
    }

    /** Asks for a folder and puts one table there, to be printed. */
    public void choosePrint(Window window, Table table) {
        chooseFolder(window, "Put “" + table.title() + "” to print in").ifPresent(f -> print(f, table));
    }

    /** Asks where what helpers need of a hunt is put, and puts it there. */
    public void chooseHelp(Window window, Journal.Hunted hunted) {
        chooseFolder(window, "Put what helpers need in").ifPresent(f -> help(f, hunted));
    }

    /** Puts what helpers need of a hunt into a folder. */
    public void help(Path folder, Journal.Hunted hunted) {
        Build build = desk.session().build();
        export(folder, "Putting it together", () -> {
            Evaluation evaluation = Evaluator.evaluate(build);
            Knowledge knowledge = OwnFaults.load().knowledge();
            return knowledge
                    .symptom(hunted.symptom())
                    .flatMap(s -> build.part(hunted.part())
                            .map(p -> HelpBundle.files(evaluation, Hunt.begin(knowledge, evaluation, s, p), hunted)))
                    .orElse(Map.of());
        });
    }

    private static Optional<Path> chooseFolder(Window window, String title) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(title);
        return Optional.ofNullable(chooser.showDialog(window)).map(File::toPath);
    }

    /** Exports the book to a folder; the window stays alive meanwhile, and it can be cancelled. */
    public void export(Path folder) {
        BuildFormat.Document document = desk.session().document();
        Optional<Path> file = desk.session().file();
        export(folder, "Making the book", () -> Archives.book(document, Evaluator.evaluate(document.build()), file));
    }

    /** Asks for a folder and publishes the revision there. */
    void choosePublish(Window window) {
        chooseFolder(window, "Publish to").ifPresent(this::publish);
    }

    /** Puts the archive of the revision that is open into a folder; refuses what is not tested, with what is missing. */
    public void publish(Path folder) {
        BuildFormat.Document document = desk.session().document();
        Optional<Path> file = desk.session().file();
        export(folder, "Making the archive", () -> {
            Evaluation evaluation = Evaluator.evaluate(document.build());
            Standing standing = Revisions.standing(evaluation);
            if (!standing.isTested()) {
                throw new IllegalStateException(
                        "Only what is tested is published. Missing: " + String.join("; ", standing.lacks()) + ".");
            }
            return Archives.published(
                    document, evaluation, file, standing.current().orElseThrow().name());
        });
    }

    /** Puts one table into a folder: pages to print, drawings and values. */
    public void print(Path folder, Table table) {
        Build build = desk.session().build();
        export(folder, "Making the pages", () -> Tables.files(build, table));
    }

    private void export(Path folder, String what, Callable<Map<String, byte[]>> make) {
        Task<Map<String, byte[]>> making = new Task<>() {
            @Override
            protected Map<String, byte[]> call() throws Exception {
                updateMessage(what);
                return make.call();
            }
        };
        run(making, folder, files -> {
            List<String> taken = BookStore.taken(folder, files.keySet());
            if (taken.isEmpty()) {
                write(folder, files);
            } else {
                messages.ask(
                        folder + " has " + String.join(", ", taken) + " already.",
                        taken.size() == 1 ? "Replace it" : "Replace them",
                        () -> write(folder, files),
                        "Leave all as it is",
                        () -> {});
            }
        });
    }

    private void write(Path folder, Map<String, byte[]> files) {
        Task<Integer> writing = new Task<>() {
            @Override
            protected Integer call() throws BuildStore.StoreException {
                return BookStore.write(folder, files, (name, done) -> {
                            updateMessage("Writing " + name);
                            updateProgress(done, files.size());
                            return !isCancelled();
                        })
                        .size();
            }
        };
        run(writing, folder, n -> messages.tell("Wrote " + n + " files to " + folder + "."));
    }

    private <T> void run(Task<T> task, Path folder, Consumer<T> then) {
        task.setOnSucceeded(e -> then.accept(task.getValue()));
        task.setOnFailed(e -> {
            LOG.warn("export to {} failed", folder, task.getException());
            messages.complain(
                    "The export could not be written",
                    String.valueOf(task.getException().getMessage()));
        });
        messages.working(task);
        Thread.ofVirtual().name("export").start(task);
    }
}
