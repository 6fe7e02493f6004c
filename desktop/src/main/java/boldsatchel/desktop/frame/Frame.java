package boldsatchel.desktop.frame;

import boldsatchel.desktop.arrange.ArrangeStage;
import boldsatchel.desktop.assemble.AssembleStage;
import boldsatchel.desktop.begin.StartSheet;
import boldsatchel.desktop.bench.BenchStage;
import boldsatchel.desktop.book.BookStage;
import boldsatchel.desktop.brief.BriefStage;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.cool.CoolStage;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.desktop.document.OwnFaults;
import boldsatchel.desktop.document.Recents;
import boldsatchel.desktop.links.LinksStage;
import boldsatchel.desktop.pack.PackStage;
import boldsatchel.desktop.power.PowerStage;
import boldsatchel.desktop.shelf.ShelfStage;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edits;
import boldsatchel.hunt.Knowledge;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Part;
import boldsatchel.shelf.Library;
import java.io.File;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The window's frame: top bar, strap of stages, the stage, the side panel, the verdict strip. */
public final class Frame extends StackPane {

    /** Width of the build's name that is left where the bar is full. */
    private static final double LEAST_NAME = 90;

    private static final PseudoClass DARK = PseudoClass.getPseudoClass("dark");

    private final Desk desk;
    private final Messages messages = new Messages();
    private final Files files;
    private final RecoveredBar recovered;
    private final Commands commands = new Commands(this::libraryCommands);
    private final CommandSearch search = new CommandSearch(commands);
    private final BorderPane layout = new BorderPane();
    private final SidePanel side;
    private final List<WorkStage> stages;
    /** Where a machine is first looked at. */
    private final WorkStage pack;

    private final BenchStage bench;

    private final StageStrap strap;
    private final StartSheet sheet;

    /** Frames a desk. */
    public Frame(Desk desk) {
        this.desk = desk;
        this.files = new Files(desk, messages);
        this.side = new SidePanel(desk);
        this.recovered = new RecoveredBar(desk.session(), files, messages);
        this.pack = new PackStage(desk);
        this.bench = new BenchStage(
                desk,
                Frame::today,
                () -> Files.chooseLog(getScene().getWindow()),
                words -> files.choosePicture(getScene().getWindow(), words),
                this::faults,
                h -> files.chooseHelp(getScene().getWindow(), h));
        // Where stages are listed: a new stage is one package and one line here.
        this.stages = List.of(
                new BriefStage(
                        desk, Frame::today, () -> files.choosePicture(getScene().getWindow(), "")),
                new ShelfStage(desk, new OwnWays(), Frame::today),
                new PowerStage(desk),
                new LinksStage(desk, t -> files.choosePrint(getScene().getWindow(), t)),
                bench,
                pack,
                new ArrangeStage(desk),
                new CoolStage(desk),
                new AssembleStage(
                        desk,
                        Frame::today,
                        words -> files.choosePicture(getScene().getWindow(), words)),
                new BookStage(
                        desk,
                        Frame::today,
                        () -> files.chooseExport(getScene().getWindow()),
                        () -> files.choosePublish(getScene().getWindow())));
        this.strap = new StageStrap(desk, stages, this::open);
        this.sheet = new StartSheet(desk, new Ways());
        getStyleClass().add("frame");
        setId("frame");
        layout.setTop(new VBox(topBar(), recovered, messages));
        layout.setLeft(strap);
        layout.setRight(side);
        layout.setBottom(new VerdictStrip(desk));
        getChildren().addAll(layout, search);
        desk.dark().subscribe(dark -> pseudoClassStateChanged(DARK, dark));
        commands();
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        open(pack);
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        setOnDragDropped(e -> {
            dropped(e.getDragboard().getFiles().stream().map(File::toPath).toList());
            e.setDropCompleted(true);
            e.consume();
        });
    }

    /** The window goes. */
    public void end() {
        bench.end();
    }

    /** Takes files that were let go of on the window: a log goes to the bench. */
    public void dropped(List<Path> dropped) {
        Optional<Path> log = dropped.stream().filter(Files::isLog).findFirst();
        if (log.isPresent()) {
            open(bench);
            bench.importLog(log.get());
        } else {
            files.dropped(dropped);
        }
    }

    /** The user's own shelf, by way of files. */
    private final class OwnWays implements ShelfStage.Own {
        @Override
        public void keep(Part part) {
            files.keep(part);
        }

        @Override
        public void keep(Case kept) {
            files.keep(kept);
        }

        @Override
        public void takeIn() {
            files.chooseTakeIn(getScene().getWindow());
        }

        @Override
        public void export() {
            files.chooseExportShelf(getScene().getWindow());
        }
    }

    /** What is known of faults; read beside the window. */
    private Knowledge faults() {
        OwnFaults.Loaded loaded = OwnFaults.load();
        loaded.problem()
                .ifPresent(p -> Platform.runLater(() -> messages.complain("Your own list of faults is left out", p)));
        return loaded.knowledge();
    }

    /** What the start sheet leads to. */
    private final class Ways implements StartSheet.Ways {
        @Override
        public void open(Path file) {
            files.open(file);
            leaveSheet();
        }

        @Override
        public void choose() {
            files.choose(getScene().getWindow());
            leaveSheet();
        }

        @Override
        public void demo(Build demo) {
            files.demo(demo);
            leaveSheet();
        }

        @Override
        public void begun() {
            Frame.this.open(pack);
        }

        @Override
        public void byHand() {
            Frame.this.open(stages.getFirst());
        }
    }

    /** Shows the sheet that every machine begins at. */
    public void begin() {
        strap.select(Optional.empty());
        layout.setCenter(sheet);
        layout.setRight(null);
        sheet.show();
    }

    private void leaveSheet() {
        if (!desk.session().build().equals(Build.empty(desk.session().build().name()))) {
            open(pack);
        }
    }

    /** Opens a stage by its title; says whether there is one. */
    public boolean open(String title) {
        Optional<WorkStage> stage =
                stages.stream().filter(s -> s.title().equalsIgnoreCase(title)).findFirst();
        stage.ifPresent(this::open);
        return stage.isPresent();
    }

    /** Titles of the stages, in their order. */
    public List<String> stageTitles() {
        return stages.stream().map(WorkStage::title).toList();
    }

    private void open(WorkStage stage) {
        strap.select(Optional.of(stage));
        layout.setRight(side);
        layout.setCenter(stage.content());
    }

    /** Opening, saving and exporting. */
    public Files files() {
        return files;
    }

    private HBox topBar() {
        Label name = Ui.label("", "build-name");
        Label variant = Ui.label("", "soft");
        name.setMinWidth(LEAST_NAME);
        Label saved = Ui.label("", "save-state");
        saved.setId("save-state");
        Button undo = Ui.button(
                "undo",
                "Undo",
                "Undo the last step (Ctrl Z)",
                () -> desk.session().undo());
        Button redo = Ui.button(
                "redo",
                "Redo",
                "Do the undone step again (Ctrl Shift Z)",
                () -> desk.session().redo());
        desk.session().history().subscribe(h -> {
            name.setText(h.present().name());
            variant.setText(h.present().variant());
            Optional<String> back = h.undoName();
            Optional<String> forth = h.redoName();
            undo.setText(back.map(n -> "Undo: " + shortened(n)).orElse("Undo"));
            undo.setDisable(back.isEmpty());
            redo.setText(forth.map(n -> "Redo: " + shortened(n)).orElse("Redo"));
            redo.setDisable(forth.isEmpty());
        });
        desk.session()
                .standing()
                .subscribe(standing -> saved.setText(
                        standing.changed()
                                ? "not saved"
                                : standing.file()
                                        .map(f -> "saved in " + f.getFileName())
                                        .orElse(standing.origin().words())));
        Button fresh = Ui.button("new", "New", "Begin another machine (Ctrl N)", () -> files.fresh(this::begin));
        Button open = Ui.button(
                "open",
                "Open",
                "Open a build file (Ctrl O)",
                () -> files.choose(getScene().getWindow()));
        MenuButton recent = new MenuButton("Recent");
        recent.setId("recent");
        recent.setMinWidth(USE_PREF_SIZE);
        recent.setOnShowing(e -> fillRecents(recent));
        // A menu without items does not open; the list is read when it is first asked for.
        recent.getItems().add(new MenuItem("…"));
        Button save = Ui.button(
                "save",
                "Save",
                "Save the build (Ctrl S)",
                () -> files.save(getScene().getWindow()));
        Button saveAs = Ui.button(
                "save-as",
                "Save as",
                "Save the build under another name (Ctrl Shift S)",
                () -> files.saveAs(getScene().getWindow()));
        Button export = Ui.button(
                "export",
                "Export",
                "Export the build book (Ctrl E)",
                () -> files.chooseExport(getScene().getWindow()));
        Button find = Ui.button("find", "Find  Ctrl K", "Everything that can be done, by name", search::open);
        Button look = Ui.button("look", "Dark", "Light or dark look", this::toggleLook);
        desk.dark().subscribe(dark -> look.setText(dark ? "Light" : "Dark"));
        HBox bar = new HBox(
                6,
                fresh,
                open,
                recent,
                save,
                saveAs,
                export,
                name,
                variant,
                Ui.spring(),
                undo,
                redo,
                find,
                saved,
                look);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("top-bar");
        return bar;
    }

    private void fillRecents(MenuButton recent) {
        recent.getItems().clear();
        for (Path file : Recents.all()) {
            MenuItem item = new MenuItem(String.valueOf(file.getFileName()));
            item.setOnAction(e -> files.open(file));
            recent.getItems().add(item);
        }
        if (recent.getItems().isEmpty()) {
            MenuItem none = new MenuItem("nothing was opened or saved yet");
            none.setDisable(true);
            recent.getItems().add(none);
        }
    }

    private void toggleLook() {
        desk.dark().set(!desk.dark().get());
    }

    private static String shortened(String name) {
        return name.length() > 24 ? name.substring(0, 23).strip() + "…" : name;
    }

    private void commands() {
        commands.addOutsideFields("Undo", "Shortcut+Z", () -> desk.session().undo());
        commands.addOutsideFields(
                "Redo", "Shortcut+Shift+Z", () -> desk.session().redo());
        commands.add("Show unsaved work that was left", this::offerRecovered);
        commands.add(
                "Take the shape of the selected part from a drawing or mesh: DXF, SVG, STL, OBJ",
                () -> files.chooseShape(getScene().getWindow()));
        commands.add("Save the build", "Shortcut+S", () -> files.save(getScene().getWindow()));
        commands.add(
                "Save the build under another name",
                "Shortcut+Shift+S",
                () -> files.saveAs(getScene().getWindow()));
        commands.add("Open a build", "Shortcut+O", () -> files.choose(getScene().getWindow()));
        commands.add("Start a new build", "Shortcut+N", () -> files.fresh(this::begin));
        commands.add(
                "Export the build book",
                "Shortcut+E",
                () -> files.chooseExport(getScene().getWindow()));
        commands.add("Find a command", "Shortcut+K", search::open);
        commands.add("Change between light and dark", this::toggleLook);
        for (int i = 0; i < stages.size(); i++) {
            WorkStage stage = stages.get(i);
            commands.add(
                    "Go to " + stage.title() + ": " + stage.purpose(), "Alt+" + StageStrap.key(i), () -> open(stage));
        }
        for (String demo : Library.DEMOS) {
            commands.add(
                    "Open the demo " + demo.replace('-', ' '),
                    () -> Library.demo(demo).ifPresent(files::demo));
        }
    }

    /** What the library adds to the commands; asked for when the search opens. */
    private void libraryCommands() {
        desk.library()
                .parts()
                .forEach(p -> commands.add(
                        "Add " + p.name() + " (" + p.family().words() + ")",
                        () -> desk.session().does(Edits.addPart(p))));
        desk.library()
                .cases()
                .forEach(c -> commands.add(
                        "Take the case " + c.name(), () -> desk.session().does(CaseEdits.take(c))));
        stages.forEach(s -> s.addCommands(commands));
    }

    private void key(KeyEvent e) {
        if (search.isVisible()) {
            return;
        }
        Node at = getScene().getFocusOwner();
        boolean writing = at instanceof TextInputControl || Ui.hasOwnKeys(at);
        for (Commands.Command command : commands.all()) {
            if (command.keys().filter(k -> k.match(e)).isPresent() && (command.fieldsToo() || !writing)) {
                command.action().run();
                e.consume();
                return;
            }
        }
    }

    /** Offers what windows that are gone left behind. */
    public void offerRecovered() {
        recovered.offer();
    }

    /** Says what went wrong beside the window; stays until it is dismissed. */
    public void complain(String title, String words) {
        messages.complain(title, words);
    }

    static LocalDate today() {
        return LocalDate.now(ZoneId.systemDefault());
    }
}
