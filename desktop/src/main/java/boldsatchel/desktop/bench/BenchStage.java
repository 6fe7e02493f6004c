package boldsatchel.desktop.bench;

import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.edit.Edits;
import boldsatchel.hunt.Knowledge;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The bench: which tests there are for this build, how they are done, what they said. */
public final class BenchStage implements WorkStage {

    private static final double LIST_WIDTH = 236;
    private static final double FORM_WIDTH = 560;

    private final Desk desk;
    private final VBox content = new VBox(8);
    private final ToggleGroup views = new ToggleGroup();
    private final ToggleButton measure = view("bench-measure", "Measure");
    private final ToggleButton find = view("bench-find", "Find a fault");
    private final ToggleButton built = view("bench-built", "As built");
    private final HuntsView hunts;
    private final RecordForm asBuilt;
    private final ListView<BenchTest> tests = new ListView<>();
    private final TestPane pane;

    /**
     * The stage on a desk.
     *
     * @param today the day it is
     * @param askForLog asks for the file of a log
     * @param photos asks for a photo of what is named and keeps it
     * @param knowledge what is known of faults
     * @param help puts together what helpers need of a hunt
     */
    public BenchStage(
            Desk desk,
            Supplier<LocalDate> today,
            Supplier<Optional<Path>> askForLog,
            Consumer<String> photos,
            Supplier<Knowledge> knowledge,
            Consumer<Journal.Hunted> help) {
        this.desk = desk;
        pane = new TestPane(desk, today, askForLog, photos, tests::refresh);
        content.getStyleClass().add("stage");
        tests.setId("bench-tests");
        tests.setAccessibleText("Tests");
        tests.setMinWidth(LIST_WIDTH);
        tests.setPrefWidth(LIST_WIDTH);
        tests.setMaxWidth(LIST_WIDTH);
        tests.setCellFactory(l -> new Row());
        tests.getSelectionModel()
                .selectedItemProperty()
                .subscribe(t -> Optional.ofNullable(t).ifPresent(pane::choose));
        ScrollPane scroll = Ui.scroll(pane);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        hunts = new HuntsView(desk, knowledge, today, help);
        asBuilt = new RecordForm(
                        "as-built",
                        Journal.class,
                        (what, f) ->
                                desk.session().does(Edits.journal("change the " + what, j -> (Journal) f.apply(j))))
                .only(f -> f.name().equals("asBuilt"));
        asBuilt.setMaxWidth(FORM_WIDTH);
        VBox differences = new VBox(
                10,
                Ui.words(
                        "Where the thing on the table is otherwise than planned: what makes do for now, what can still be tried with it,"
                                + " and which revision mends it. It goes into the book.",
                        "soft"),
                asBuilt);
        differences.getStyleClass().add("bench-test");
        HBox choice = new HBox(measure, find, built);
        choice.getStyleClass().add("switch");
        HBox measuring = new HBox(10, tests, scroll);
        ScrollPane building = Ui.scroll(differences);
        StackPane panes = new StackPane(measuring, hunts, building);
        VBox.setVgrow(panes, Priority.ALWAYS);
        shownBy(measure, measuring);
        shownBy(find, hunts);
        shownBy(built, building);
        content.getChildren().addAll(choice, panes);
        views.selectToggle(measure);
        desk.keepShowing(content, this::show);
    }

    private ToggleButton view(String id, String text) {
        ToggleButton button = new ToggleButton(text);
        button.setId(id);
        button.setToggleGroup(views);
        button.setOnAction(e -> {
            views.selectToggle(button);
            show();
        });
        return button;
    }

    private static void shownBy(ToggleButton button, Node pane) {
        pane.visibleProperty().bind(button.selectedProperty());
        pane.managedProperty().bind(button.selectedProperty());
    }

    @Override
    public String title() {
        return "Bench";
    }

    @Override
    public String purpose() {
        return "measure, prove, find faults";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public void addCommands(Commands commands) {
        commands.add("Import the log of a discharge", pane::importLog);
        commands.add("Find a fault", () -> views.selectToggle(find));
    }

    /** Fine is what was measured and is as planned; nothing measured proves nothing. */
    @Override
    public State standing(Evaluation evaluation) {
        List<BenchResult.Compared> compared = evaluation.of(BenchResult.class).compared();
        return compared.isEmpty() || compared.stream().anyMatch(c -> c.latest() && c.differs())
                ? State.WATCH
                : State.FINE;
    }

    /** Reads the log of a discharge of the pack that is there. */
    public void importLog(Path file) {
        views.selectToggle(measure);
        BenchTests.all().stream()
                .filter(BenchTest::log)
                .findFirst()
                .ifPresent(t -> tests.getSelectionModel().select(t));
        pane.importLog(file);
    }

    /** The window goes: what runs on the bench is switched off. */
    public void end() {
        pane.end();
    }

    private void show() {
        asBuilt.show(desk.session().shown().journal());
        if (find.isSelected()) {
            hunts.show();
            return;
        }
        Build build = desk.session().shown();
        List<BenchTest> there = BenchTests.all().stream()
                .filter(t -> !BenchTests.parts(build, t).isEmpty())
                .toList();
        if (!tests.getItems().equals(there)) {
            tests.getItems().setAll(there);
        } else {
            tests.refresh();
        }
        if (tests.getSelectionModel().isEmpty() && !there.isEmpty()) {
            tests.getSelectionModel().selectFirst();
        }
        pane.show();
    }

    /** A test, with how many of its parts it was done to. */
    private final class Row extends ListCell<BenchTest> {
        Row() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(BenchTest test, boolean empty) {
            super.updateItem(test, empty);
            if (empty || test == null) {
                setText(null);
                setGraphic(null);
                return;
            }
            List<Part> parts = BenchTests.parts(desk.session().shown(), test);
            BenchResult result = desk.session().evaluation().get().of(BenchResult.class);
            long done = parts.stream().filter(p -> isDone(result, test, p)).count();
            boolean differs = result.compared().stream()
                    .anyMatch(c -> c.latest() && c.differs() && c.test().test().equals(test.id()));
            String how = differs
                    ? "not as planned"
                    : done == 0
                            ? "not done yet"
                            : done == parts.size() ? "done" : done + " of " + parts.size() + " done";
            String underWay = pane.underWay(test);
            Label title = Ui.label(test.title());
            Label soft = Ui.label((underWay.isEmpty() ? how : underWay) + " · " + minutes(test.minutes()), "soft");
            VBox words = new VBox(title, soft);
            HBox.setHgrow(words, Priority.ALWAYS);
            HBox row = new HBox(8, words);
            if (done > 0) {
                row.getChildren().addFirst(StateMark.of(differs ? State.WATCH : State.FINE, 11));
            }
            row.setAlignment(Pos.CENTER_LEFT);
            setGraphic(row);
            setAccessibleText(test.title() + ", " + how);
        }

        private static boolean isDone(BenchResult result, BenchTest test, Part part) {
            return result.compared().stream()
                    .anyMatch(c ->
                            c.test().test().equals(test.id()) && c.test().part().equals(part.id()));
        }
    }

    static String minutes(int minutes) {
        return minutes < 90 ? minutes + " min" : Math.round(minutes / 60.0) + " h";
    }
}
