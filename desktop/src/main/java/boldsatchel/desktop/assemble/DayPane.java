package boldsatchel.desktop.assemble;

import boldsatchel.assembly.Day;
import boldsatchel.assembly.Plan;
import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.edit.AssemblyEdits;
import boldsatchel.edit.BenchEdits;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/**
 * The day of the assembly: one step at a time, large enough to be read from an arm's length, with one hand on the keys. Each tick is kept at
 * once, so that a program that is killed goes on where it was.
 */
final class DayPane extends HBox {

    private static final long NANOS = 1_000_000_000L;
    private static final double MARK = 16;
    private static final double PICTURE_WIDTH = 330;
    private final Desk desk;
    private final Supplier<LocalDate> today;
    private final Consumer<String> photos;
    private final LongSupplier nanos;
    private final Label where = Ui.label("", "day-where");
    private final Label timer = Ui.label("", "day-timer");
    private final DoubleProperty done = new SimpleDoubleProperty();
    private final Label title = Ui.words("", "day-title");
    private final VBox about = new VBox(6);
    private final GridPane readings = Ui.form();
    private final Label refused = Ui.words("", "day-refused");
    private final TextField note = new TextField();
    private final TextField otherwise = new TextField();
    private final Button tick = Ui.button("day-done", "Done", "This step is done (Enter or the space bar)", this::tick);
    private final Button anyway = Ui.button(
            "day-anyway",
            "Go on all the same",
            "Not as planned: it is put down as a difference, and the step is done",
            this::anyway);
    private final Button back = Ui.button(
            "day-back", "Take the last one back", "The last step is not done after all (Backspace)", this::back);
    private final Timeline second = new Timeline(new KeyFrame(Duration.seconds(1), e -> showTime()));
    private final StepPicture picture;
    private Worked now;
    /** The step that is looked at, where it is not the next one. */
    private Optional<String> looking = Optional.empty();

    private Optional<String> timed = Optional.empty();
    private long since;

    /**
     * What is on show.
     *
     * @param known what readings are expected by
     */
    private record Worked(Evaluation evaluation, Plan plan, Measurand.Known known) {}

    /**
     * @param today the day
     * @param photos asks for a photo of what is named and keeps it
     * @param nanos a clock
     */
    DayPane(Desk desk, Supplier<LocalDate> today, Consumer<String> photos, LongSupplier nanos) {
        super(14);
        this.desk = desk;
        this.today = today;
        this.photos = photos;
        Evaluation first = desk.session().evaluation().get();
        now = new Worked(first, Plan.NONE, Measurand.Known.of(first.build(), first.results(), BenchTest.USUAL_C));
        this.nanos = nanos;
        setId("day");
        setFocusTraversable(true);
        Ui.ownKeys(this);
        title.setId("day-step");
        where.setId("day-progress");
        refused.setId("day-refused");
        timer.setId("day-timer");
        readings.setId("day-readings");
        Region come = new Region();
        come.getStyleClass().add("day-come");
        HBox bar = new HBox(come);
        bar.getStyleClass().add("day-bar");
        come.prefWidthProperty().bind(bar.widthProperty().multiply(done));
        note.setId("day-note");
        note.setPromptText("what is worth remembering of this step");
        note.setOnAction(e -> requestFocus());
        otherwise.setId("day-otherwise");
        otherwise.setPromptText("what is otherwise than planned; Enter puts it down as built");
        otherwise.setOnAction(e -> otherwise());
        second.setCycleCount(Animation.INDEFINITE);
        HBox top = new HBox(12, where, Ui.spring(), timer);
        top.setAlignment(Pos.CENTER_LEFT);
        FlowPane buttons = new FlowPane(
                8,
                8,
                tick,
                anyway,
                back,
                Ui.button("day-earlier", "←", "Look at the step before", () -> look(-1)),
                Ui.button("day-later", "→", "Look at the step after", () -> look(1)),
                Ui.button("day-time", "Time it", "Start and stop the clock of this step (T)", this::time),
                Ui.button("day-photo", "Photo …", "A photo of this step (P)", this::photo));
        tick.getStyleClass().add("day-tick");
        GridPane fields = Ui.form();
        Ui.row(fields, "Note (N)", note);
        Ui.row(fields, "Otherwise (D)", otherwise);
        GridPane.setHgrow(note, Priority.ALWAYS);
        GridPane.setHgrow(otherwise, Priority.ALWAYS);
        VBox work = new VBox(
                10,
                top,
                bar,
                title,
                about,
                readings,
                refused,
                buttons,
                fields,
                Ui.words(
                        "Enter or space: done. Backspace: take back. ← →: look. N: note. D: otherwise. T: time. P: photo."
                                + " Every tick is kept at once.",
                        "soft"));
        work.getStyleClass().add("day");
        ScrollPane words = Ui.scroll(work);
        HBox.setHgrow(words, Priority.ALWAYS);
        picture = new StepPicture(desk, "day-view", false);
        picture.setMinWidth(PICTURE_WIDTH);
        picture.setMaxWidth(PICTURE_WIDTH);
        getChildren().setAll(words, picture);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        desk.keepShowing(this, DayPane::worked, this::show);
        // Its keys work as soon as it is there.
        sceneProperty().addListener((o, was, is) -> Platform.runLater(this::requestFocus));
    }

    private static Worked worked(Evaluation e) {
        return new Worked(
                e, e.of(PlanResult.class).plan().get(), Measurand.Known.of(e.build(), e.results(), BenchTest.USUAL_C));
    }

    private void show(Worked worked) {
        now = worked;
        show();
    }

    private Day day() {
        return new Day(
                now.plan(),
                desk.session().build().journal().done(),
                now.evaluation().of(BenchResult.class));
    }

    private Optional<Step> shown(Day day) {
        return looking.flatMap(id -> day.plan().steps().stream()
                        .filter(s -> s.id().equals(id))
                        .findFirst())
                .or(day::next);
    }

    private void show() {
        Day day = day();
        int all = day.plan().steps().size();
        Optional<Step> step = shown(day);
        done.set(all == 0 ? 0 : (double) day.count() / all);
        back.setDisable(day.ticked().isEmpty());
        refused.setText("");
        about.getChildren().clear();
        readings.getChildren().clear();
        Ui.present(anyway, false);
        tick.setDisable(step.isEmpty());
        if (step.isEmpty()) {
            where.setText(all == 0 ? "" : "All " + all + " steps done");
            title.setText(
                    all == 0
                            ? "Nothing to put together yet: place parts in Pack."
                            : "It is together. What was otherwise stands in the Bench under As built, and goes into the book.");
            return;
        }
        int place = day.plan().steps().indexOf(step.get()) + 1;
        picture.show(now.evaluation(), day.plan(), place - 1);
        where.setText("Step " + place + " of " + all + " · " + day.count() + " done · about "
                + Units.format(day.leftMinutes() / 60, 1, "h") + " of work left");
        title.setText((day.isDone(step.get()) ? "✓ " : "") + step.get().words());
        tell(day, step.get());
        showTime();
    }

    private void tell(Day day, Step step) {
        step.cautions().forEach(c -> about.getChildren().add(Ui.words(c, "step-caution", "day-words")));
        if (!step.tools().isEmpty()) {
            about.getChildren().add(Ui.words("With: " + String.join(", ", step.tools()), "day-words"));
        }
        if (step.waitMinutes() > 0) {
            about.getChildren()
                    .add(Ui.words("Then wait " + Units.format(step.waitMinutes() / 60, 1, "h") + ".", "day-words"));
        }
        if (step.isHold()) {
            hold(day, step);
        }
        if (!day.strangers().isEmpty()) {
            about.getChildren()
                    .add(Ui.words(
                            day.strangers().size()
                                    + " of the steps that were done are in the plan no more; they stay in the journal.",
                            "soft"));
        }
    }

    private void hold(Day day, Step step) {
        Day.Proof proof = day.proof(step);
        String words = switch (proof) {
            case OPEN -> "Hold point. Nothing goes on before it has passed: write down what you read.";
            case DIFFERS -> "Hold point: not as planned. Find out why before anything goes on.";
            case PASSED -> "Hold point: passed.";
        };
        HBox line = new HBox(8, StateMark.of(Holds.state(proof), MARK), Ui.words(words, "day-words"));
        line.setAlignment(Pos.CENTER_LEFT);
        about.getChildren().add(line);
        Ui.present(anyway, proof == Day.Proof.DIFFERS);
        test(step).ifPresent(t -> build(step).ifPresent(p -> read(t, p)));
    }

    private static Optional<BenchTest> test(Step step) {
        return step.test().flatMap(BenchTests::test);
    }

    private Optional<Part> build(Step step) {
        return desk.session().build().part(step.subjects().getFirst());
    }

    /** A field for each reading; what is written there is a test that was done. */
    private void read(BenchTest test, Part part) {
        for (Measurand m : test.measurands()) {
            Optional<Expectation> expected = m.expected(part, now.known());
            UnitField field = UnitField.optional(
                            "day-" + m.id().replace('.', '-'),
                            m.quantity(),
                            v -> v.ifPresent(value -> put(test, part, m, value)))
                    .prompt(m.quantity().example())
                    .wide(9);
            now.evaluation()
                    .of(BenchResult.class)
                    .latest(part.id(), m.id())
                    .filter(c -> c.test().test().equals(test.id()))
                    .ifPresent(c -> field.show(Optional.of(c.taken().value().value())));
            int row = readings.getRowCount();
            readings.addRow(
                    row,
                    Ui.label(m.label(), "day-words"),
                    field,
                    Ui.label(
                            expected.map(x -> "planned " + Units.format(m.quantity(), x.value()))
                                    .orElse("no plan for it"),
                            "soft"));
        }
    }

    private void put(BenchTest test, Part part, Measurand m, double value) {
        Journal.Taken reading = new Journal.Taken(m.id(), Figure.measured(value));
        does(() -> desk.session()
                .does(BenchEdits.reading(
                        desk.session().build(), test, part.id(), reading, today.get(), note.getText())));
    }

    /** Does something and keeps it at once: nothing that was ticked is lost to a kill. */
    private void does(Runnable edit) {
        edit.run();
        show();
        try {
            desk.session().keepForRecovery();
        } catch (BuildStore.StoreException e) {
            refused.setText(e.getMessage());
        }
    }

    private void tick() {
        Day day = day();
        shown(day).ifPresent(step -> {
            Optional<Step> held = day.heldBy(step);
            if (held.isPresent()) {
                refused.setText(
                        held.get().equals(step)
                                ? "Not yet: write the readings down first."
                                : "Not yet: “" + held.get().words() + "” has to pass before.");
            } else {
                finished(step);
            }
        });
    }

    private void finished(Step step) {
        Optional<Double> minutes =
                timed.filter(step.id()::equals).map(t -> (nanos.getAsLong() - since) / (60.0 * NANOS));
        Journal.Ticked ticked = new Journal.Ticked(
                step.id(), Optional.of(today.get()), minutes, note.getText().strip());
        stopTime();
        note.clear();
        looking = Optional.empty();
        does(() -> desk.session().does(AssemblyEdits.tick(step.words(), ticked)));
        requestFocus();
    }

    private void anyway() {
        shown(day()).ifPresent(step -> {
            desk.session()
                    .does(AssemblyEdits.differs(
                            differs(step, "The readings are not as planned; went on all the same.")));
            finished(step);
        });
    }

    private Journal.Differs differs(Step step, String what) {
        return new Journal.Differs(Optional.of(today.get()), step.words(), what, "", "", "");
    }

    private void otherwise() {
        String what = otherwise.getText().strip();
        if (!what.isEmpty()) {
            shown(day()).ifPresent(step -> does(() -> desk.session().does(AssemblyEdits.differs(differs(step, what)))));
            otherwise.clear();
            refused.setText("Put down as built: " + what);
        }
        requestFocus();
    }

    private void back() {
        List<Journal.Ticked> ticked = desk.session().build().journal().done();
        if (!ticked.isEmpty()) {
            String last = ticked.getLast().step();
            String words = now.plan().words(last);
            looking = Optional.empty();
            does(() -> desk.session().does(AssemblyEdits.untick(words, last)));
        }
    }

    private void look(int by) {
        Day day = day();
        shown(day).ifPresent(step -> {
            int at = day.plan().steps().indexOf(step) + by;
            if (at >= 0 && at < day.plan().steps().size()) {
                looking = Optional.of(day.plan().steps().get(at).id());
                show();
            }
        });
    }

    private void time() {
        Optional<String> step = shown(day()).map(Step::id);
        if (timed.isPresent() && timed.equals(step)) {
            stopTime();
        } else {
            timed = step;
            since = nanos.getAsLong();
            second.playFromStart();
        }
        showTime();
    }

    private void stopTime() {
        timed = Optional.empty();
        second.stop();
        showTime();
    }

    private void showTime() {
        long s = timed.isPresent() ? (nanos.getAsLong() - since) / NANOS : 0;
        timer.setText(timed.isPresent() ? String.format(Locale.ROOT, "%d:%02d", s / 60, s % 60) : "");
    }

    private void photo() {
        shown(day()).ifPresent(s -> photos.accept(s.words()));
    }

    /** Once the letter that leads there is over: it is not to be written there. */
    private static void into(TextField field) {
        Platform.runLater(field::requestFocus);
    }

    private void key(KeyEvent e) {
        boolean presses =
                e.getTarget() instanceof Button && (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE);
        if (presses || e.getTarget() instanceof TextField || e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        Optional<Runnable> action = switch (e.getCode()) {
            case ENTER, SPACE -> Optional.of(this::tick);
            case BACK_SPACE -> Optional.of(this::back);
            case LEFT -> Optional.of(() -> look(-1));
            case RIGHT -> Optional.of(() -> look(1));
            case N -> Optional.of(() -> into(note));
            case D -> Optional.of(() -> into(otherwise));
            case T -> Optional.of(this::time);
            case P -> Optional.of(this::photo);
            default -> Optional.empty();
        };
        action.ifPresent(a -> {
            a.run();
            e.consume();
        });
    }
}
