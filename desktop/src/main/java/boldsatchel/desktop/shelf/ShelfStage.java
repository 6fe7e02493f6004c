package boldsatchel.desktop.shelf;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.PartDrawing;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Purchases;
import boldsatchel.machine.Case;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.plan.BlankCase;
import boldsatchel.plan.Likeness;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The parts of the build beside the library of parts. */
public final class ShelfStage implements WorkStage {

    private final Desk desk;
    private final HBox content = new HBox(18);
    private final TableView<Part> table = new TableView<>();
    private final ListView<Part> list = new ListView<>();
    private final TextField words = new TextField();
    private final ComboBox<Optional<Family>> family =
            Ui.choice("shelf-family", f -> f.map(Family::words).orElse("all families"));
    private final DrawingView drawing = new DrawingView().atMost(3);
    private final VBox about = new VBox(3);
    private final Button add = Ui.button("shelf-add", "Add to the build", "Add the chosen part (Enter)", this::add);
    private final Button replace = Ui.button(
            "shelf-replace",
            "Replace the selected part",
            "Put the chosen part in its place, rung and name",
            this::replace);
    private final Button consider = Ui.button(
            "shelf-consider",
            "Candidate for it",
            "Put the chosen part in the ledger as a candidate for the selected one",
            this::consider);
    private final Button keepCase = Ui.button(
            "case-keep",
            "Keep this case",
            "Put this case on your own shelf, to use it in other builds",
            this::keepCase);
    private final ComboBox<Case> cases = Ui.choice("cases", Case::name);
    private final Latest trying = Latest.only();
    private final Own own;
    private final PartSheet sheet;
    private final MoneyPane money;
    private final ToggleGroup views = new ToggleGroup();
    private final VBox librarySide;
    private final ScrollPane moneySide;
    private final Button keep = Ui.button(
            "shelf-keep",
            "Keep on my shelf",
            "Put the selected part on your own shelf, to use it in other builds",
            this::keep);
    private final Button duplicate =
            Ui.button("shelf-duplicate", "Duplicate", "Another of the same, to be changed by itself", this::duplicate);
    private boolean selecting;
    /** Which revision of the library the list is filled with; none yet. */
    private int offered = -1;

    /** What can be done with the user's own shelf. */
    public interface Own {
        /** Puts a part on it. */
        void keep(Part part);

        /** Puts a case on it. */
        void keep(Case kept);

        /** Takes a library file in. */
        void takeIn();

        /** Writes it to a library file. */
        void export();
    }

    /**
     * The stage on a desk.
     *
     * @param today the day that orders are late on
     */
    public ShelfStage(Desk desk, Own own, Supplier<LocalDate> today) {
        this.desk = desk;
        this.own = own;
        sheet = new PartSheet(desk);
        money = new MoneyPane(desk, today);
        content.getStyleClass().add("stage");
        librarySide = librarySide();
        moneySide = Ui.scroll(money);
        HBox choice = new HBox(
                view("shelf-view-library", "Library", librarySide),
                view("shelf-view-sheet", "Draw the part", sheet),
                view("shelf-view-money", "Money and waiting", moneySide));
        choice.getStyleClass().add("switch");
        StackPane panes = new StackPane(librarySide, sheet, moneySide);
        VBox.setVgrow(panes, Priority.ALWAYS);
        VBox right = new VBox(8, choice, panes);
        right.setPrefWidth(340);
        right.setMinWidth(330);
        // Where something is drawn or reckoned, the list beside it needs no more than the names.
        views.selectedToggleProperty().addListener((o, was, is) -> {
            boolean wide = is != null && !librarySide.equals(is.getUserData());
            table.getColumns().stream().skip(1).forEach(c -> c.setVisible(!wide));
            right.setPrefWidth(wide ? 560 : 340);
        });
        content.getChildren().addAll(buildSide(), right);
        views.selectToggle(views.getToggles().getFirst());
        desk.keepShowing(content, this::show);
    }

    private ToggleButton view(String id, String text, Node pane) {
        ToggleButton button = new ToggleButton(text);
        button.setId(id);
        button.setToggleGroup(views);
        button.setUserData(pane);
        pane.visibleProperty().bind(button.selectedProperty());
        pane.managedProperty().bind(button.selectedProperty());
        button.setOnAction(e -> {
            views.selectToggle(button);
            show();
        });
        return button;
    }

    @Override
    public String title() {
        return "Shelf";
    }

    @Override
    public String purpose() {
        return "parts and their figures";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public State standing(Evaluation evaluation) {
        State costs = evaluation.verdict(Verdict.Kind.COSTS).state();
        State carries = evaluation.verdict(Verdict.Kind.CARRIES).state();
        State worse = costs.compareTo(carries) > 0 ? costs : carries;
        return evaluation.build().parts().list().isEmpty() ? State.WATCH : worse;
    }

    private VBox buildSide() {
        table.setId("build-parts");
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
        table.setPlaceholder(Ui.words(
                "No parts yet. Choose one on the right and add it; a board and a battery are a good start.", "soft"));
        column("In this build", 200, false, Part::name);
        column("mass, g", 70, true, p -> Units.format(p.massG().value(), 0, ""));
        column("price", 54, true, p -> Units.format(p.price().value(), 0, ""));
        column("to be had", 86, false, p -> p.standing().words());
        column(
                "packed in",
                84,
                false,
                p -> desk.session()
                        .shown()
                        .placement(p.id())
                        .flatMap(at -> desk.session().shown().shell(at.shell()))
                        .map(s -> s.name())
                        .orElse("on the table"));
        table.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (!selecting && is != null) {
                desk.session().selection().set(is.id());
            }
        });
        table.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DELETE) {
                remove();
            }
        });
        VBox.setVgrow(table, Priority.ALWAYS);
        Button remove =
                Ui.button("shelf-remove", "Remove from the build", "Take the selected part out (Delete)", this::remove);
        cases.setPromptText("Take another case …");
        cases.setOnAction(e -> Optional.ofNullable(cases.getValue())
                .ifPresent(c -> desk.session().does(CaseEdits.take(c))));
        MenuButton fresh = new MenuButton("New part");
        fresh.setId("shelf-new");
        fresh.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        fresh.setTooltip(
                new Tooltip("A part of your own: it begins as a guess, and every figure of it can be changed"));
        for (Family f : Family.values()) {
            MenuItem item = new MenuItem(f.words());
            item.setOnAction(e -> make(f));
            fresh.getItems().add(item);
        }
        MenuButton freshCase = new MenuButton("New case");
        freshCase.setId("case-new");
        freshCase.setTooltip(new Tooltip("A case of your own, made or found: by its inside measures"));
        for (BlankCase blank : BlankCase.values()) {
            MenuItem item = new MenuItem(blank.words());
            item.setOnAction(e -> make(blank));
            freshCase.getItems().add(item);
        }
        VBox side = new VBox(
                8,
                table,
                new FlowPane(8, 8, fresh, duplicate, keep, remove),
                new FlowPane(8, 8, freshCase, cases, keepCase));
        HBox.setHgrow(side, Priority.ALWAYS);
        return side;
    }

    private void column(String title, double width, boolean number, Function<Part, String> text) {
        TableColumn<Part, String> column = new TableColumn<>(title);
        column.setPrefWidth(width);
        column.setCellValueFactory(c -> new ReadOnlyStringWrapper(text.apply(c.getValue())));
        column.setSortable(false);
        if (number) {
            column.getStyleClass().add("number-column");
        }
        table.getColumns().add(column);
    }

    private VBox librarySide() {
        words.setId("shelf-search");
        words.setPromptText("Search the library");
        words.textProperty().addListener((o, was, is) -> fill());
        words.setOnAction(e -> add());
        family.getItems().add(Optional.empty());
        for (Family f : Family.values()) {
            family.getItems().add(Optional.of(f));
        }
        family.setValue(Optional.empty());
        family.setOnAction(e -> fill());
        list.setId("library");
        list.setCellFactory(v -> Ui.cell(Part::name));
        list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> showChosen());
        list.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                add();
            }
        });
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                add();
            }
        });
        list.setPlaceholder(Ui.words("Nothing on the shelf matches.", "soft"));
        VBox.setVgrow(list, Priority.ALWAYS);
        drawing.setPrefHeight(140);
        drawing.setMinHeight(120);
        drawing.setMaxHeight(150);
        HBox search = new HBox(8, words, family);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox shelf = new HBox(
                8,
                Ui.label("Library", "section"),
                Ui.spring(),
                Ui.button("shelf-take-in", "Take in …", "Put a library file on your own shelf", own::takeIn),
                Ui.button("shelf-export", "Export mine …", "Write your own shelf to a library file", own::export));
        VBox side = new VBox(8, shelf, search, list, drawing, about, new FlowPane(8, 8, add, replace, consider));
        return side;
    }

    private void fill() {
        List<Part> found = desk.library().search(words.getText()).stream()
                .filter(p -> family.getValue().isEmpty() || family.getValue().get() == p.family())
                .toList();
        list.getItems().setAll(found);
        list.getSelectionModel().selectFirst();
    }

    private void show() {
        if (offered != desk.libraryRevision()) {
            offered = desk.libraryRevision();
            cases.getItems().setAll(desk.library().cases());
            fill();
        }
        selecting = true;
        table.getItems().setAll(desk.session().shown().parts().list());
        desk.session()
                .selectedPart()
                .ifPresentOrElse(
                        p -> table.getSelectionModel().select(p),
                        () -> table.getSelectionModel().clearSelection());
        selecting = false;
        if (sheet.isVisible()) {
            sheet.show();
        } else if (moneySide.isVisible()) {
            money.show();
        } else {
            showChosen();
        }
    }

    private Optional<Part> chosen() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    private void showChosen() {
        Optional<Part> selected = desk.session().selectedPart();
        keep.setDisable(selected.isEmpty());
        duplicate.setDisable(selected.isEmpty());
        add.setDisable(chosen().isEmpty());
        replace.setDisable(chosen().isEmpty() || selected.isEmpty());
        consider.setDisable(chosen().isEmpty() || selected.isEmpty());
        about.getChildren().clear();
        chosen().ifPresent(part -> {
            drawing.show(PartDrawing.of(part), desk.dark().get());
            String figures = Units.format(part.massG().value()) + " g · "
                    + desk.session().build().brief().currency() + " "
                    + Units.format(part.price().value()) + " · " + part.family().words();
            about.getChildren().add(Ui.words(part.note().isEmpty() ? figures : figures + ". " + part.note(), "soft"));
            about.getChildren()
                    .add(changes(selected.map(s -> Edits.replacePart(s, part)).orElse(Edits.addPart(part)), selected));
        });
    }

    /** What adding or replacing would do to each verdict, before it is done; worked out beside the window. */
    private Node changes(Edit edit, Optional<Part> selected) {
        Evaluation now = desk.session().evaluation().get();
        String what = selected.map(s -> "In place of " + s.name() + ": ").orElse("Added: ");
        Label label = Ui.words(what + "…", "what-if");
        trying.ask(
                () -> now.changesTo(Evaluator.evaluate(edit.change().apply(now.build()))),
                differences -> label.setText(what + (differences.isEmpty() ? "no verdict changes" : differences)));
        return label;
    }

    private void keep() {
        desk.session().selectedPart().ifPresent(p -> {
            own.keep(p);
            show();
        });
    }

    private void duplicate() {
        desk.session().selectedPart().ifPresent(p -> desk.session().does(Edits.duplicate(p)));
    }

    /** A part to begin with, selected, so that its figures stand beside. */
    private void make(Family of) {
        Part part = Likeness.template(of, desk.library());
        String id = desk.session().build().freeId(part.id());
        desk.session().does(Edits.addPart(part));
        desk.session().selection().set(id);
    }

    /** A case of one's own, its first tray selected, so that its measures stand beside. */
    private void make(BlankCase blank) {
        desk.session().does(CaseEdits.take(blank.blank()));
        desk.session().selection().set(blank.blank().shells().getFirst().id());
    }

    private void keepCase() {
        Casing casing = desk.session().build().casing();
        if (!casing.shells().isEmpty()) {
            String name = "Case of " + desk.session().build().name();
            own.keep(new Case(name, "From a build of your own.", casing.shells(), casing.joints(), casing.postures()));
        }
    }

    private void add() {
        chosen().ifPresent(p -> desk.session().does(Edits.addPart(p)));
    }

    private void replace() {
        chosen().ifPresent(by ->
                desk.session().selectedPart().ifPresent(old -> desk.session().does(Edits.replacePart(old, by))));
    }

    private void consider() {
        chosen().ifPresent(by ->
                desk.session().selectedPart().ifPresent(p -> desk.session().does(Purchases.candidate(p, by))));
    }

    private void remove() {
        desk.session().selectedPart().ifPresent(p -> {
            desk.session().selection().set("");
            desk.session().does(Edits.removePart(p));
        });
    }
}
