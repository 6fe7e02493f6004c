package boldsatchel.desktop.bench;

import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.bench.Meter;
import boldsatchel.bench.PackFit;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.instruments.Asking;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HookUpDrawing;
import boldsatchel.edit.BenchEdits;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One test of one part: purpose, cautions, steps, what is read beside what is planned, and what it does to the plan. */
final class TestPane extends VBox {

    /** Between two readings of a USB meter, s. */
    private static final double SELDOM_S = 0.5;

    private final Desk desk;
    private final Supplier<LocalDate> today;
    private final Supplier<Optional<Path>> askForLog;
    private final Map<String, Draft> drafts = new HashMap<>();

    private final Label title = Ui.label("", "bench-title");
    private final ComboBox<Part> parts = Ui.choice("bench-part", Part::name);
    private final Label takes = Ui.label("", "soft");
    private final Label purpose = Ui.words("");
    private final VBox cautions = new VBox(3);
    private final VBox steps = new VBox(3);
    private final DrawingView hookUp = new DrawingView().atMost(3.4);
    private final TitledPane stepsPane = new TitledPane("Cautions and steps", new VBox(6, cautions, hookUp, steps));
    private final GridPane readings = new GridPane();
    private final TextField instrument = new TextField();
    private final ComboBox<Meter> meters = Ui.choice("bench-meter", Meter::words);
    private final HBox goodTo = new HBox(8, Ui.label("which is"), meters);
    private final TextField address = new TextField();
    private final HBox atAddress;
    private final TextField notes = new TextField();
    private final UnitField celsius;
    private final Button log;
    private final Button record;
    private final Button takeOver;
    private final LoadBox load;
    private final Label hint = Ui.words("", "soft");
    private final Label effect = Ui.words("");
    private final VBox done = new VBox(3);
    private final LogPane logPane;
    private final Latest trying = Latest.following();
    private final Latest asking = Latest.following();
    private final Consumer<String> photos;
    private final Runnable changed;

    private Optional<BenchTest> test = Optional.empty();
    private boolean filling;

    /**
     * A pane.
     *
     * @param today the day it is
     * @param askForLog asks for the file of a log
     * @param photos asks for a photo of what is named and keeps it
     * @param changed told when what the list of tests says may be another
     */
    TestPane(
            Desk desk,
            Supplier<LocalDate> today,
            Supplier<Optional<Path>> askForLog,
            Consumer<String> photos,
            Runnable changed) {
        super(8);
        this.desk = desk;
        this.today = today;
        this.askForLog = askForLog;
        this.photos = photos;
        this.changed = changed;
        getStyleClass().add("bench-test");
        celsius = UnitField.required("bench-celsius", Quantity.TEMPERATURE, c -> {
                    draft().ifPresent(d -> d.at(c));
                    show();
                })
                .wide(6);
        log = Ui.button(
                "import-log", "Import log …", "Take the readings out of a file that a logger wrote", this::importLog);
        record = Ui.button("put-down", "Put down", "Keep these readings in the journal of the build", this::putDown);
        takeOver = Ui.button(
                "take-over",
                "Take over into the plan",
                "Put what was measured in place of the plan's figures, in one step that can be undone",
                this::takeOver);
        logPane = new LogPane(desk, this::discharge, this::fitted);
        load = new LoadBox(logPane, this::discharge, changed);
        meters.getItems().setAll(Meter.ALL);
        meters.setAccessibleText("How good the meter is");
        meters.setOnAction(e -> {
            if (!filling) {
                draft().ifPresent(d -> d.countedAs(meters.getValue()));
                logPane.fitAgain();
            }
        });
        parts.setAccessibleText("Part that is tested");
        parts.setMaxWidth(300);
        parts.setOnAction(e -> {
            if (!filling) {
                logPane.clear();
                show();
            }
        });
        instrument.setId("bench-instrument");
        instrument.setPromptText("which meter");
        instrument.setPrefColumnCount(16);
        Ui.whenWritten(
                instrument,
                () -> draft().ifPresent(d -> d.with(instrument.getText().strip())));
        address.setId("bench-address");
        address.setPromptText("127.0.0.1:5026");
        address.setTooltip(new Tooltip("Host and port, or a serial port and its speed: /dev/ttyUSB0 9600"));
        address.setPrefColumnCount(12);
        address.textProperty().subscribe(t -> show());
        notes.setId("bench-notes");
        notes.setPromptText("what was odd, which program, which cable");
        HBox.setHgrow(notes, Priority.ALWAYS);
        Ui.whenWritten(
                notes, () -> draft().ifPresent(d -> d.noting(notes.getText().strip())));
        readings.setId("bench-readings");
        readings.setHgap(14);
        readings.setVgap(5);
        hookUp.setId("hook-up");
        stepsPane.setId("bench-steps");
        stepsPane.setAnimated(false);
        hint.setId("bench-hint");
        effect.setId("bench-effect");
        done.setId("bench-done");
        HBox head = new HBox(10, title, Ui.spring(), parts);
        head.setAlignment(Pos.CENTER_LEFT);
        atAddress = new HBox(8, fixed("at"), address);
        atAddress.setAlignment(Pos.CENTER_LEFT);
        FlowPane with = new FlowPane(8, 5, fixed("Read with"), instrument, atAddress, fixed("on a bench at"), celsius);
        HBox noting = new HBox(8, fixed("Notes"), notes);
        noting.setAlignment(Pos.CENTER_LEFT);
        goodTo.setAlignment(Pos.CENTER_LEFT);
        HBox buttons = new HBox(
                8,
                log,
                record,
                takeOver,
                Ui.button(
                        "bench-photo",
                        "Add a photo …",
                        "Copied beside the build file, named after this test",
                        this::photo));
        buttons.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        head, takes, purpose, stepsPane, load, readings, with, goodTo, noting, buttons, hint, effect,
                        logPane, done);
    }

    void choose(BenchTest chosen) {
        if (test.filter(chosen::equals).isEmpty()) {
            test = Optional.of(chosen);
            stepsPane.setExpanded(true);
            logPane.clear();
            show();
        }
    }

    private Optional<Part> part() {
        return Optional.ofNullable(parts.getValue());
    }

    private Optional<Draft> draft() {
        return test.flatMap(t -> part().map(p -> drafts.computeIfAbsent(t.id() + "/" + p.id(), k -> new Draft())));
    }

    private Evaluation evaluation() {
        return desk.session().evaluation().get();
    }

    void show() {
        test.ifPresent(this::show);
    }

    private void show(BenchTest shown) {
        filling = true;
        title.setText(shown.title());
        takes.setText("Takes " + BenchStage.minutes(shown.minutes()) + " · needs " + String.join(", ", shown.needs()));
        purpose.setText(shown.purpose() + part().map(p -> blind(shown, p)).orElse(""));
        cautions.getChildren()
                .setAll(shown.cautions().stream().map(TestPane::caution).toList());
        Ui.offer(parts, BenchTests.parts(desk.session().shown(), shown), Part::id);
        showHookUp(part().flatMap(p -> HookUpDrawing.of(shown, p)));
        filling = false;
        log.setVisible(shown.log());
        log.setManaged(shown.log());
        load.setVisible(shown.log());
        load.setManaged(shown.log());
        goodTo.setVisible(shown.log());
        goodTo.setManaged(shown.log());
        atAddress.setVisible(!shown.log());
        atAddress.setManaged(!shown.log());
        draft().ifPresent(d -> {
            showSteps(shown, d);
            instrument.setText(d.instrument());
            notes.setText(d.words());
            filling = true;
            meters.setValue(d.meter());
            filling = false;
            celsius.show(d.celsius());
            showReadings(shown, d);
            showWhatNext(shown, d);
        });
        showDone(shown);
    }

    /** Whether a peak as short as planned can be seen at all by what reads so seldom. */
    private static String blind(BenchTest test, Part part) {
        return part.facet(Facet.DrawsPower.class)
                .map(d -> d.startSeconds().value())
                .filter(s -> test.readings().contains("DrawsPower.startW") && s < 2 * SELDOM_S)
                .map(
                        s -> " By plan it lasts " + Units.format(Quantity.SHORT_TIME, s)
                                + ": a meter that reads twice a second does not see all of it, and its figure is the least that it can be.")
                .orElse("");
    }

    private static Node caution(String words) {
        HBox row = new HBox(6, StateMark.of(State.WATCH, 11), Ui.words(words));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void showHookUp(Optional<Drawing> drawing) {
        hookUp.setVisible(drawing.isPresent());
        hookUp.setManaged(drawing.isPresent());
        drawing.ifPresent(d -> {
            hookUp.prefHeightProperty().bind(widthProperty().multiply(d.heightMm() / d.widthMm()));
            hookUp.minHeightProperty().bind(hookUp.prefHeightProperty());
            hookUp.show(d, desk.dark().get());
        });
    }

    private void showSteps(BenchTest shown, Draft draft) {
        steps.getChildren().clear();
        for (int i = 0; i < shown.steps().size(); i++) {
            int at = i;
            BenchTest.Step step = shown.steps().get(i);
            CheckBox box = new CheckBox((i + 1) + "  " + (step.hold() ? "Hold: " : "") + step.words());
            box.setId("step-" + i);
            box.setWrapText(true);
            box.setMinHeight(Region.USE_PREF_SIZE);
            box.getStyleClass().add(step.hold() ? "hold-point" : "bench-step");
            box.setSelected(draft.isTicked(i));
            box.setOnAction(e -> {
                draft.tick(at, box.isSelected());
                showWhatNext(shown, draft);
            });
            steps.getChildren().add(box);
        }
    }

    private Measurand.Known known(Draft draft) {
        Evaluation e = evaluation();
        return Measurand.Known.of(e.build(), e.results(), draft.celsius());
    }

    private void showReadings(BenchTest shown, Draft draft) {
        readings.getChildren().clear();
        List<String> heads = List.of("", "planned", "read", "±");
        for (int i = 0; i < heads.size(); i++) {
            Label head = fixed(heads.get(i));
            head.getStyleClass().add("soft");
            readings.add(head, i, 0);
        }
        for (Measurand m : shown.measurands()) {
            Optional<Expectation> expected = part().flatMap(p -> m.expected(p, known(draft)));
            UnitField value = UnitField.optional(id("read-", m), m.quantity(), v -> {
                        draft.read(m.id(), v);
                        show();
                    })
                    .prompt(m.quantity().example())
                    .wide(8);
            value.show(draft.figure(m.id()).map(Figure::value));
            UnitField doubt = UnitField.optional(id("doubt-", m), m.quantity(), v -> {
                        draft.doubt(m.id(), v);
                        show();
                    })
                    .prompt("2 %")
                    .wide(8);
            doubt.show(draft.doubt(m.id()));
            Label name = fixed(m.label());
            name.setLabelFor(value);
            int row = readings.getRowCount();
            readings.addRow(
                    row,
                    name,
                    fixed(expected.map(e -> Units.format(m.quantity(), e.value()))
                            .orElse("not known yet")),
                    value,
                    doubt);
            if (Asking.isPossible(m)) {
                Button read = Ui.button(id("ask-", m), "Read", "Ask the instrument for it", () -> ask(m, draft));
                read.getStyleClass().add("small");
                read.setDisable(address.getText().isBlank());
                readings.add(read, 4, row);
            }
            HBox below = new HBox(14, Ui.label(expected.map(e -> between(m, e)).orElse(""), "soft"));
            says(m, draft.figure(m.id()), expected).ifPresent(below.getChildren()::add);
            readings.add(below, 1, row + 1, 4, 1);
        }
    }

    /** Names of what is measured have points in them, names of fields have none. */
    private static String id(String what, Measurand m) {
        return what + m.id().replace('.', '-');
    }

    /** Asks the instrument; its answer goes to the test that it was asked for. */
    private void ask(Measurand what, Draft draft) {
        String at = address.getText();
        String part = part().map(Part::id).orElse("");
        say(hint, "Asking " + at + " …");
        asking.ask(() -> Asking.of(at, part, what), a -> {
            a.read().ifPresent(f -> draft.read(what.id(), rounded(f)));
            show();
            if (!a.wrong().isEmpty()) {
                say(hint, a.wrong());
            }
            changed.run();
        });
    }

    private void photo() {
        test.ifPresent(t -> part().ifPresent(p -> photos.accept(t.title() + ", " + p.name())));
    }

    private static Label fixed(String text) {
        Label label = Ui.label(text);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    private static String between(Measurand m, Expectation e) {
        return e.high() > e.low() ? Units.format(e.low()) + " to " + Units.format(m.quantity(), e.high()) : "";
    }

    private static Optional<Label> says(Measurand m, Optional<Figure> read, Optional<Expectation> expected) {
        if (read.isEmpty() || expected.isEmpty()) {
            return Optional.empty();
        }
        double off = read.get().value() / expected.get().value() - 1;
        boolean differs = expected.get().differs(read.get());
        String by = Double.isFinite(off) && Math.abs(off) >= 0.005
                ? Math.round(100 * Math.abs(off)) + " % " + (off < 0 ? "less" : "more")
                : "the same";
        Label label = Ui.label(differs ? by + ": not as planned" : by + ": as planned");
        label.setId(id("says-", m));
        label.setGraphic(StateMark.of(differs ? State.WATCH : State.FINE, 11));
        return Optional.of(label);
    }

    private void showWhatNext(BenchTest shown, Draft draft) {
        boolean held = draft.mayGoOn(shown);
        load.mayRun(held);
        record.setDisable(draft.isEmpty() || !held);
        hint.setText(
                !held
                        ? "Tick every “Hold” once you have looked at it; then the readings can be put down."
                        : draft.isEmpty()
                                ? shown.log() ? "Import the log, or type what you read." : "Type what you read."
                                : "");
        Optional<Edit> edit =
                last().flatMap(t -> BenchEdits.takeOver(evaluation().build(), t));
        takeOver.setDisable(edit.isEmpty());
        say(hint, hint.getText());
        say(effect, "");
        Evaluation now = evaluation();
        edit.ifPresent(e -> trying.ask(
                () -> now.changesTo(Evaluator.evaluate(e.change().apply(now.build()))),
                words -> say(
                        effect,
                        words.isEmpty() ? "Taken over, it changes no verdict." : "Taken over: " + words + ".")));
    }

    /** A line that says nothing takes no room. */
    private static void say(Label line, String words) {
        line.setText(words);
        line.setVisible(!words.isEmpty());
        line.setManaged(!words.isEmpty());
    }

    /** The last time that this was tested. */
    private Optional<Journal.Tested> last() {
        List<Journal.Tested> tests = tests();
        return tests.isEmpty() ? Optional.empty() : Optional.of(tests.getLast());
    }

    private List<Journal.Tested> tests() {
        return evaluation().build().journal().tests().stream()
                .filter(t -> test.filter(x -> x.id().equals(t.test())).isPresent()
                        && part().filter(p -> p.id().equals(t.part())).isPresent())
                .toList();
    }

    private void showDone(BenchTest shown) {
        done.getChildren().clear();
        BenchResult result = evaluation().of(BenchResult.class);
        for (Journal.Tested tested : tests()) {
            String words = result.compared().stream()
                    .filter(c -> c.test().equals(tested))
                    .map(c ->
                            c.measurand().map(Measurand::label).orElse(c.taken().what()) + " "
                                    + c.measurand()
                                            .map(m -> Units.format(
                                                    m.quantity(), c.taken().value()))
                                            .orElse(Units.format(
                                                    c.taken().value().value())))
                    .collect(Collectors.joining(", "));
            String when = tested.on().map(LocalDate::toString).orElse("some day");
            String with = tested.instrument().isEmpty() ? "" : ", read with " + tested.instrument();
            Button out = Ui.button(
                    "forget-test",
                    "Take out",
                    "Take this test out of the journal",
                    () -> desk.session().does(BenchEdits.forget(shown.title(), tested)));
            Label line =
                    Ui.words(when + ": " + words + with + "." + (tested.words().isBlank() ? "" : " " + tested.words()));
            HBox row = new HBox(8, line, Ui.spring(), out);
            row.setAlignment(Pos.CENTER_LEFT);
            done.getChildren().add(row);
        }
        if (!done.getChildren().isEmpty()) {
            done.getChildren().addFirst(Ui.label("Done so far", "soft"));
        }
    }

    private void putDown() {
        test.ifPresent(t -> part().ifPresent(p -> draft().ifPresent(d -> {
            d.with(instrument.getText().strip());
            d.noting(notes.getText().strip());
            desk.session().does(BenchEdits.record(t.title(), d.done(t, p.id(), today.get())));
            drafts.remove(t.id() + "/" + p.id());
        })));
    }

    private void takeOver() {
        last().flatMap(t -> BenchEdits.takeOver(desk.session().build(), t))
                .ifPresent(e -> desk.session().does(e));
    }

    void end() {
        load.end();
    }

    void importLog() {
        askForLog.get().ifPresent(this::importLog);
    }

    void importLog(Path file) {
        logPane.read(file);
    }

    private Optional<Discharge> discharge() {
        return part().flatMap(p -> p.facet(Facet.Cells.class).flatMap(c -> draft().map(d -> new Discharge(p, c, d))));
    }

    /** Whether a test of some parts was begun and not put down, or runs; empty where it was not. */
    String underWay(BenchTest asked) {
        if (load.discharging().isPresent() && asked.log()) {
            return "running";
        }
        return drafts.entrySet().stream()
                        .anyMatch(d -> d.getKey().startsWith(asked.id() + "/")
                                && !d.getValue().isEmpty())
                ? "read, not put down yet"
                : "";
    }

    private void fitted(Discharge of, PackFit.Result fit) {
        of.draft().read("pack.chargeAh", rounded(fit.chargeAh()));
        of.draft().read("pack.ohms", rounded(fit.ohms()));
        of.draft().read("pack.cellOhms", rounded(fit.cellOhms()));
        if (draft().filter(d -> d == of.draft()).isPresent()) {
            // What has been done makes room for what came of it.
            stepsPane.setExpanded(test.filter(of.draft()::mayGoOn).isEmpty());
            show();
        }
        changed.run();
    }

    /** A doubt has two digits, and what it is about as many places (JCGM 100:2008, 7.2.6). */
    private static Figure rounded(Figure figure) {
        if (figure.plusMinus() == 0) {
            return figure;
        }
        int places = 1 - (int) Math.floor(Math.log10(figure.plusMinus()));
        return new Figure(places(figure.value(), places), places(figure.plusMinus(), places), figure.basis());
    }

    private static double places(double value, int places) {
        return BigDecimal.valueOf(value).setScale(places, RoundingMode.HALF_UP).doubleValue();
    }
}
