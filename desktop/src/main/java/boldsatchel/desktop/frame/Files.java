package boldsatchel.desktop.frame;

import boldsatchel.book.Book;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.verdict.Evaluator;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
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

    Files(Desk desk, Messages messages) {
        this.desk = desk;
        this.messages = messages;
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Bold Satchel builds", "*" + BuildStore.ENDING));
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
        Optional.ofNullable(chooser("Open a build").showOpenDialog(window)).ifPresent(f -> open(f.toPath()));
    }

    /** Opens a file, or says why not; the open build stays then. */
    public void open(Path file) {
        unlessUnsaved(() -> {
            try {
                BuildStore.Opened opened = BuildStore.open(file);
                desk.session().replaceBy(opened, file);
                messages.tell("Opened " + file.getFileName() + ".");
            } catch (BuildStore.StoreException e) {
                LOG.info("open failed: {}", e.getMessage());
                messages.complain("This build cannot be opened", e.getMessage());
            }
        });
    }

    private void unlessUnsaved(Runnable action) {
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
            desk.session().saveTo(file, overwrite);
            messages.tell("Saved " + file.getFileName() + ".");
        } catch (BuildStore.ChangedOnDiskException e) {
            messages.ask(e.getMessage(), "Overwrite it", () -> saveTo(file, true), "Leave it as it is", () -> {});
        } catch (BuildStore.StoreException e) {
            LOG.warn("save failed", e);
            messages.complain("The build could not be saved", e.getMessage());
        }
    }

    /** Asks for a folder and exports the book there. */
    public void chooseExport(Window window) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Export the build book to");
        Optional.ofNullable(chooser.showDialog(window)).ifPresent(f -> export(f.toPath()));
    }

    /** Exports the book to a folder; the window stays alive meanwhile, and it can be cancelled. */
    public void export(Path folder) {
        Build build = desk.session().build();
        Task<Integer> task = new Task<>() {
            @Override
            protected Integer call() throws IOException {
                Map<String, byte[]> files = Book.files(Evaluator.evaluate(build));
                java.nio.file.Files.createDirectories(folder);
                int done = 0;
                for (Map.Entry<String, byte[]> file : files.entrySet()) {
                    if (isCancelled()) {
                        return done;
                    }
                    updateMessage("Writing " + file.getKey());
                    updateProgress(done, files.size());
                    java.nio.file.Files.write(folder.resolve(file.getKey()), file.getValue());
                    done++;
                }
                return done;
            }
        };
        task.setOnSucceeded(e -> messages.tell("Wrote " + task.getValue() + " files to " + folder + "."));
        task.setOnFailed(e -> {
            LOG.warn("export failed", task.getException());
            messages.complain(
                    "The export could not be written",
                    folder + ": " + task.getException().getMessage() + ". Choose another folder.");
        });
        messages.working(task);
        Thread.ofVirtual().name("export").start(task);
    }
}
