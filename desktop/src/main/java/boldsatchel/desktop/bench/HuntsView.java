package boldsatchel.desktop.bench;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.edit.HuntEdits;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.hunt.Symptom;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Hunts for faults: those that were begun beside the one on show, and how a new one begins. */
final class HuntsView extends HBox {

    private static final double LIST_WIDTH = 236;

    private final Desk desk;
    private final Supplier<Knowledge> read;
    private final Supplier<LocalDate> today;
    private final Latest reading = Latest.only();
    private Knowledge knowledge = new Knowledge(List.of(), List.of(), List.of());
    private final ListView<Journal.Hunted> hunts = new ListView<>();
    private final ComboBox<Symptom> symptoms = Ui.choice("hunt-symptom", Symptom::title);
    private final ComboBox<Part> parts = Ui.choice("hunt-part", Part::name);
    private final Button begin;
    private final Button practise;
    private final Label nothing = Ui.words(
            "Choose what you see and on which part. Suspects are weighed by this build's own numbers, and the check that tells most for its"
                    + " minutes comes first. How often a fault is met is a guess of people who mend such machines.",
            "soft");
    private final HuntPane pane;
    private boolean filling;
    private long practised;

    /**
     * The hunts of the open build.
     *
     * @param read reads what is known of faults; takes its time
     * @param today the day it is
     * @param help puts together what helpers need of a hunt
     */
    HuntsView(Desk desk, Supplier<Knowledge> read, Supplier<LocalDate> today, Consumer<Journal.Hunted> help) {
        super(10);
        this.desk = desk;
        this.read = read;
        this.today = today;
        pane = new HuntPane(desk, () -> knowledge, help);
        setId("hunts");
        begin = Ui.button("hunt-begin", "Begin", "Begin a hunt, written down in the build", this::begin);
        practise = Ui.button(
                "hunt-practise",
                "Practise",
                "Find a fault that is hidden in a machine that is not there; nothing is written down",
                this::practise);
        hunts.setId("hunt-list");
        hunts.setAccessibleText("Hunts");
        hunts.setCellFactory(l -> new Row());
        hunts.setPlaceholder(Ui.words("No hunt yet.", "soft"));
        hunts.getSelectionModel().selectedItemProperty().subscribe(h -> {
            if (!filling && h != null) {
                pane.show(Chase.written(desk.session(), h.id()));
                showWhat();
            }
        });
        VBox.setVgrow(hunts, Priority.ALWAYS);
        VBox left = new VBox(hunts);
        left.setMinWidth(LIST_WIDTH);
        left.setPrefWidth(LIST_WIDTH);
        left.setMaxWidth(LIST_WIDTH);
        symptoms.setAccessibleText("What you see");
        symptoms.setPromptText("what you see");
        symptoms.setPrefWidth(380);
        symptoms.setOnAction(e -> showParts());
        parts.setAccessibleText("On which part");
        parts.setPrefWidth(210);
        FlowPane row = new FlowPane(8, 6, symptoms, parts, begin, practise);
        VBox right = new VBox(10, row, nothing, pane);
        right.getStyleClass().add("bench-test");
        ScrollPane scroll = Ui.scroll(right);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(left, scroll);
        showParts();
    }

    private void showParts() {
        Optional<Symptom> symptom = Optional.ofNullable(symptoms.getValue());
        List<Part> there =
                symptom.map(s -> Hunt.subjects(desk.session().shown(), s)).orElse(List.of());
        Ui.offer(parts, there, Part::id);
        begin.setDisable(there.isEmpty());
        practise.setDisable(there.isEmpty());
    }

    /** Shows the build as it is now. */
    void show() {
        if (knowledge.symptoms().isEmpty()) {
            reading.ask(read, k -> {
                knowledge = k;
                show();
            });
            return;
        }
        Build build = desk.session().shown();
        List<Symptom> possible = Hunt.possible(knowledge, build);
        if (!symptoms.getItems().equals(possible)) {
            symptoms.getItems().setAll(possible);
        }
        showParts();
        if (pane.hunted().isEmpty()) {
            build.journal().hunts().stream()
                    .filter(h -> h.culprit().isEmpty())
                    .reduce((a, b) -> b)
                    .ifPresent(h -> pane.choose(Chase.written(desk.session(), h.id())));
        }
        filling = true;
        Optional<String> chosen = pane.hunted().map(Journal.Hunted::id);
        if (!hunts.getItems().equals(build.journal().hunts())) {
            hunts.getItems().setAll(build.journal().hunts());
        }
        hunts.getItems().stream()
                .filter(h -> chosen.equals(Optional.of(h.id())))
                .findFirst()
                .ifPresentOrElse(
                        h -> hunts.getSelectionModel().select(h),
                        () -> hunts.getSelectionModel().clearSelection());
        filling = false;
        pane.show();
        showWhat();
    }

    private void showWhat() {
        boolean none = pane.hunted().isEmpty();
        nothing.setVisible(none);
        nothing.setManaged(none);
    }

    private Optional<Journal.Hunted> wanted(String id) {
        return Optional.ofNullable(symptoms.getValue())
                .flatMap(s -> Optional.ofNullable(parts.getValue())
                        .map(p -> new Journal.Hunted(
                                id, Optional.of(today.get()), s.id(), p.id(), 0, "", List.of(), "", "")));
    }

    private void begin() {
        wanted(HuntEdits.freeId(desk.session().build())).ifPresent(h -> {
            pane.show(Chase.written(desk.session(), h.id()));
            desk.session().does(HuntEdits.begin(h));
        });
    }

    private void practise() {
        wanted("practice").ifPresent(h -> {
            hunts.getSelectionModel().clearSelection();
            practised++;
            pane.show(Chase.practice(h, practised, pane::show));
            showWhat();
        });
    }

    /** A hunt, and how it stands. */
    private final class Row extends ListCell<Journal.Hunted> {
        Row() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Journal.Hunted hunt, boolean empty) {
            super.updateItem(hunt, empty);
            if (empty || hunt == null) {
                setText(null);
                setGraphic(null);
                return;
            }
            String title = knowledge.symptom(hunt.symptom()).map(Symptom::title).orElse(hunt.symptom());
            String part =
                    desk.session().shown().part(hunt.part()).map(Part::name).orElse(hunt.part());
            String how = hunt.culprit().isEmpty()
                    ? HuntPane.counted(
                            hunt.clues().stream().filter(Journal.Clue::says).count())
                    : "it was: "
                            + knowledge.cause(hunt.culprit()).map(Cause::title).orElse(hunt.culprit());
            setGraphic(new VBox(Ui.words(title), Ui.words(part + " · " + how, "soft")));
            setAccessibleText(title + ", " + part + ", " + how);
        }
    }
}
