package boldsatchel.desktop.begin;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recents;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.Edit;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.plan.Starter;
import boldsatchel.quantity.Quantity;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Guesses;
import boldsatchel.verdict.Verdict;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where a machine begins: what was worked on last, the demos, and a first build from what somebody has. */
public final class StartSheet extends HBox {

    private static final double LEFT = 316;
    private static final double FORM = 440;
    private static final double CARD_HEIGHT = 76;
    private static final double CARD_DRAWING = 92;
    private static final double CARD_WORDS = 178;

    /** What can be done from here. */
    public interface Ways {
        /** Opens a file. */
        void open(Path file);

        /** Asks for a file to open. */
        void choose();

        /** Opens a demo. */
        void demo(Build demo);

        /** Goes on to the stages when a build has been begun. */
        void begun();

        /** Goes on with nothing, by hand. */
        void byHand();
    }

    private final Desk desk;
    private final Ways ways;
    private final VBox recents = new VBox(6);
    private final VBox demos = new VBox(6);
    private final TextField name = new TextField("My machine");
    private final ComboBox<Starter.Kind> kind =
            Ui.choice("begin-kind", Starter.Kind.values(), Starter.Kind.SLAB, Starter.Kind::words);
    private final List<PieceRow> pieces;
    private final VBox inside = new VBox(3);
    private final DrawingView preview = new DrawingView().atMost(3);
    private final Label none =
            Ui.words("Choose a board, a screen or a keyboard, and the machine is drawn here.", "soft");
    private final GridPane outlook = Ui.form();
    private final Label first = Ui.words("", "soft");
    private final Latest trying = Latest.only();
    private Optional<Double> hours = Optional.empty();
    private Optional<Double> boxWidth = Optional.empty();
    private Optional<Double> boxDepth = Optional.empty();
    private Optional<Double> boxHeight = Optional.empty();
    private boolean filled;

    /** The sheet on a desk. */
    public StartSheet(Desk desk, Ways ways) {
        super(22);
        this.desk = desk;
        this.ways = ways;
        setId("start-sheet");
        getStyleClass().addAll("stage", "start-sheet");
        pieces = List.of(
                new PieceRow("board", "Board", "no board yet", true, this::changed),
                new PieceRow("screen", "Screen", "no screen", true, this::changed),
                new PieceRow("input", "Input", "no keyboard or controls", true, this::changed),
                new PieceRow("battery", "Battery", "whatever suits", false, this::changed));
        VBox left =
                new VBox(8, Ui.label("Go on with", "section"), recents, Ui.label("Look at a demo", "section"), demos);
        ScrollPane known = Ui.scroll(left);
        known.setMinWidth(LEFT);
        known.setMaxWidth(LEFT);
        VBox form = beginning();
        form.setMinWidth(FORM);
        form.setMaxWidth(FORM);
        first.setId("begin-guess");
        VBox drawn = new VBox(8, Ui.label("This is what you would get", "section"), none, preview, outlook, first);
        VBox.setVgrow(preview, Priority.ALWAYS);
        HBox.setHgrow(drawn, Priority.ALWAYS);
        getChildren().addAll(known, form, drawn);
    }

    private VBox beginning() {
        name.setId("begin-name");
        kind.setMaxWidth(Double.MAX_VALUE);
        kind.valueProperty().addListener((o, was, is) -> changed());
        UnitField wanted = UnitField.optional("begin-hours", Quantity.TIME, v -> {
                    hours = v;
                    changed();
                })
                .prompt("no limit")
                .wide(7);
        HBox box = new HBox(
                6,
                measure("begin-box-width", "width", v -> boxWidth = v),
                measure("begin-box-depth", "depth", v -> boxDepth = v),
                measure("begin-box-height", "height", v -> boxHeight = v));
        inside.getChildren().addAll(Ui.label("Inside of the box, if you have measured it", "soft"), box);
        VBox form = new VBox(
                8,
                Ui.label("Begin with what you have", "section"),
                Ui.words(
                        "Say what is there, as far as you know it. You get a build with a power chain, a case of about the right"
                                + " size and first places; every figure can be changed afterwards, and one Undo takes all of it back.",
                        "soft"),
                labelled("Name", name),
                labelled("Machine", kind),
                inside);
        form.getChildren().addAll(pieces);
        form.getChildren().add(labelled("Runs", wanted));
        Button begin = Ui.button("begin", "Begin", "Make this build", this::begin);
        begin.setDefaultButton(true);
        Button hand = Ui.button("begin-empty", "Begin with nothing", "Go to an empty brief and shelf", ways::byHand);
        form.getChildren().add(new HBox(8, begin, hand));
        return form;
    }

    private UnitField measure(String id, String prompt, Consumer<Optional<Double>> accept) {
        UnitField field = UnitField.optional(id, Quantity.LENGTH, v -> {
                    accept.accept(v);
                    changed();
                })
                .prompt(prompt)
                .wide(7);
        field.setMaxWidth(96);
        return field;
    }

    private static HBox labelled(String words, Region field) {
        Label label = Ui.label(words, "field-name");
        label.setLabelFor(field);
        label.setMinWidth(70);
        HBox.setHgrow(field, Priority.ALWAYS);
        HBox row = new HBox(8, label, field);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** Shows what there is to go on with; the library is read when the sheet is first seen. */
    public void show() {
        if (!filled) {
            filled = true;
            offer(0, p -> p.family().computes());
            offer(1, Part::isScreen);
            offer(2, p -> p.family() == Family.KEYBOARD || p.family() == Family.CONTROL);
            offer(3, Part::isSource);
            for (String demo : Library.DEMOS) {
                demos.getChildren().add(card("demo-" + demo, () -> Library.demo(demo), "", ways::demo));
            }
        }
        recents.getChildren().clear();
        List<Path> files = Recents.all();
        for (int i = 0; i < files.size(); i++) {
            Path file = files.get(i);
            recents.getChildren().add(card("recent-" + i, () -> read(file), where(file), build -> ways.open(file)));
        }
        if (files.isEmpty()) {
            recents.getChildren().add(Ui.words("Nothing was saved here yet.", "soft"));
        }
        recents.getChildren()
                .add(Ui.button("start-open", "Open a file …", "Choose a build file (Ctrl O)", ways::choose));
        changed();
        name.requestFocus();
    }

    private void offer(int row, Predicate<Part> which) {
        pieces.get(row).offer(desk.library().parts().stream().filter(which).toList());
    }

    private static String where(Path file) {
        return file.getFileName()
                + (file.getParent() == null ? "" : ", in " + file.getParent().getFileName());
    }

    private static Optional<Build> read(Path file) {
        try {
            return Optional.of(BuildStore.open(file).document().build());
        } catch (BuildStore.StoreException e) {
            return Optional.empty();
        }
    }

    /** A build with a small drawing, both read beside the window. */
    private Button card(String id, Supplier<Optional<Build>> reading, String where, Consumer<Build> open) {
        DrawingView drawing = new DrawingView().atMost(2);
        drawing.setMinSize(CARD_DRAWING, CARD_HEIGHT - 14);
        drawing.setMaxSize(CARD_DRAWING, CARD_HEIGHT - 14);
        Label title = Ui.label("…", "panel-title");
        Label about = Ui.label(where, "soft");
        about.setWrapText(true);
        VBox words = new VBox(1, title, about);
        words.setMaxWidth(CARD_WORDS);
        words.setPrefWidth(CARD_WORDS);
        HBox inner = new HBox(10, drawing, words);
        inner.setAlignment(Pos.CENTER_LEFT);
        inner.setMaxHeight(CARD_HEIGHT - 10);
        inner.setPrefHeight(CARD_HEIGHT - 10);
        Button card = Ui.button(id, "", "Open it", () -> {});
        card.setGraphic(inner);
        card.getStyleClass().add("start-card");
        card.setMinHeight(CARD_HEIGHT);
        card.setMaxHeight(CARD_HEIGHT);
        card.setMaxWidth(Double.MAX_VALUE);
        card.setDisable(true);
        Latest.only().ask(() -> reading.get().map(b -> new Read(b, small(Evaluator.evaluate(b)))), read -> {
            if (read.isEmpty()) {
                title.setText("cannot be opened");
            }
            read.ifPresent(r -> {
                title.setText(r.build().name());
                card.setAccessibleText(r.build().name());
                about.setText(where.isEmpty() ? r.build().brief().purpose() : where);
                r.drawing().ifPresent(d -> drawing.show(d, desk.dark().get()));
                card.setOnAction(e -> open.accept(r.build()));
            });
            card.setDisable(read.isEmpty());
        });
        return card;
    }

    private record Read(Build build, Optional<Drawing> drawing) {}

    /** The plan of the tray that stands. */
    private static Optional<Drawing> small(Evaluation evaluation) {
        return evaluation
                .build()
                .casing()
                .standing()
                .map(s -> PackDrawings.of(evaluation, new PackDrawings.Look(PackView.PLAN, s.id(), Posture.CLOSED))
                        .bare());
    }

    private Starter.Wish wish() {
        Optional<Vec> measured = boxWidth.flatMap(w -> boxDepth.flatMap(d -> boxHeight.map(h -> new Vec(w, d, h))));
        return new Starter.Wish(
                name.getText().isBlank() ? "My machine" : name.getText().strip(),
                kind.getValue(),
                pieces.stream().flatMap(p -> p.part().stream()).toList(),
                hours,
                measured);
    }

    /** Shows what would be begun, before it is. */
    private void changed() {
        if (!filled) {
            return;
        }
        boolean box = kind.getValue() == Starter.Kind.FOUND_BOX;
        inside.setVisible(box);
        inside.setManaged(box);
        Starter.Wish wish = wish();
        if (wish.parts().isEmpty()) {
            seen(false);
            return;
        }
        record Tried(Evaluation evaluation, List<Guesses> guesses) {}
        trying.ask(
                () -> {
                    Evaluation tried = Evaluator.evaluate(Starter.begin(wish));
                    return new Tried(tried, Guesses.most(tried, 2));
                },
                found -> {
                    Evaluation evaluation = found.evaluation();
                    seen(true);
                    first.setText(
                            found.guesses().isEmpty()
                                    ? ""
                                    : "Measure first, it matters most: "
                                            + found.guesses().stream()
                                                    .map(Guesses::words)
                                                    .collect(Collectors.joining("; then "))
                                            + ".");
                    small(evaluation).ifPresent(d -> preview.show(d, desk.dark().get()));
                    outlook.getChildren().clear();
                    evaluation
                            .verdicts()
                            .forEach(v -> verdict(v, evaluation.build().brief().currency()));
                });
    }

    private void seen(boolean is) {
        none.setVisible(!is);
        none.setManaged(!is);
        preview.setVisible(is);
        outlook.setVisible(is);
        first.setVisible(is);
    }

    private void verdict(Verdict v, String currency) {
        String value = (v.kind().equals(Verdict.Kind.COSTS) ? currency + " " : "")
                + v.kind().format(v.value());
        Label number = Ui.label(value, "step-result");
        GridPane.setHalignment(number, HPos.RIGHT);
        outlook.addRow(
                outlook.getRowCount(),
                StateMark.of(v.state(), 10),
                Ui.label(v.kind().title()),
                number,
                Ui.label(v.state().words(), "soft"));
    }

    private void begin() {
        Starter.Wish wish = wish();
        desk.session().does(new Edit("begin “" + wish.name() + "”", b -> Starter.begin(wish)));
        ways.begun();
    }
}
