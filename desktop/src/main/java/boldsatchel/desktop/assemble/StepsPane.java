package boldsatchel.desktop.assemble;

import boldsatchel.assembly.AtHand;
import boldsatchel.assembly.Day;
import boldsatchel.assembly.Plan;
import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.assembly.Wording;
import boldsatchel.bench.BenchResult;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.AssemblyEdits;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The work, step by step: the steps in a list, what the case looks like then, and why the step stands where it does. */
final class StepsPane extends HBox {

    private static final double LIST_WIDTH = 336;
    private static final double DETAILS_HEIGHT = 214;
    private static final double NUMBER_WIDTH = 26;
    private static final double TIME_WIDTH = 62;
    private static final double MARK = 11;
    /** Of moves that are not followed so many are told at once. */
    private static final int MOST_REFUSED = 3;

    private final Desk desk;
    private final ListView<Row> list = new ListView<>();
    private final StepPicture picture;
    private final VBox details = new VBox(5);
    private final Label facts = Ui.label("", "soft");
    private final Label unwired = Ui.words("", "soft");
    private final VBox refused = new VBox(4);
    /** Why the step that is chosen does not move. */
    private final Label stays = Ui.words("", "soft");

    private boolean filling;

    /**
     * A line of the list.
     *
     * @param number from 1
     * @param opens what begins with it; empty where it goes on
     * @param byHand whether it was moved
     */
    private record Row(int number, Step step, String opens, Optional<State> proven, boolean byHand) {}

    private record Worked(Evaluation evaluation, Plan plan, List<Row> rows) {}

    private Optional<Worked> shown = Optional.empty();

    StepsPane(Desk desk) {
        super(10);
        this.desk = desk;
        picture = new StepPicture(desk, "step-view", true);
        facts.setId("assembly-facts");
        details.setId("step-details");
        list.setId("steps");
        list.setAccessibleText("Steps of the work in their order");
        list.setMinWidth(LIST_WIDTH);
        list.setPrefWidth(LIST_WIDTH);
        list.setMaxWidth(LIST_WIDTH);
        list.setCellFactory(l -> new Cell());
        list.setPlaceholder(Ui.words(
                "Nothing to put together yet: take a case on the Shelf, place parts in Pack, and the steps come by themselves.",
                "soft"));
        list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> chosen());
        ScrollPane words = Ui.scroll(details);
        words.setMinHeight(DETAILS_HEIGHT);
        words.setMaxHeight(DETAILS_HEIGHT);
        VBox right = new VBox(6, picture, words);
        VBox.setVgrow(picture, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        VBox left = new VBox(6, list, refused, unwired);
        refused.setId("steps-refused");
        stays.setId("step-stays");
        list.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        VBox.setVgrow(list, Priority.ALWAYS);
        unwired.setId("steps-unwired");
        left.setMaxWidth(LIST_WIDTH);
        getChildren().setAll(left, right);
        desk.keepShowing(this, StepsPane::worked, this::show);
    }

    /** How much work it is, for the bar above. */
    Node facts() {
        return facts;
    }

    private static Worked worked(Evaluation evaluation) {
        Plan plan = evaluation.of(PlanResult.class).plan().get();
        Day day = new Day(plan, evaluation.build().journal().done(), evaluation.of(BenchResult.class));
        List<Row> rows = new ArrayList<>();
        String part = "";
        for (Step step : plan.steps()) {
            String now = step.phase().words();
            rows.add(new Row(
                    rows.size() + 1,
                    step,
                    now.equals(part) ? "" : now,
                    step.test().map(t -> Holds.state(day.proof(step))),
                    plan.byHand().contains(step.id())));
            part = now;
        }
        return new Worked(evaluation, plan, rows);
    }

    private void show(Worked worked) {
        filling = true;
        Optional<String> at = Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                .map(r -> r.step().id());
        shown = Optional.of(worked);
        list.getItems().setAll(worked.rows());
        int place = 0;
        for (Row row : worked.rows()) {
            if (at.filter(row.step().id()::equals).isPresent()) {
                place = row.number() - 1;
            }
        }
        if (!worked.rows().isEmpty()) {
            list.getSelectionModel().select(place);
            list.scrollTo(Math.max(0, place - 2));
        }
        facts.setText(
                worked.rows().isEmpty()
                        ? ""
                        : worked.rows().size() + " steps, about "
                                + hours(worked.plan().minutes()) + " of work at usual times");
        refused.getChildren()
                .setAll(worked.plan().refused().stream()
                        .limit(MOST_REFUSED)
                        .map(this::refused)
                        .toList());
        Ui.present(refused, !refused.getChildren().isEmpty());
        List<String> none = worked.plan().unwired();
        unwired.setText(
                none.isEmpty()
                        ? ""
                        : "Nothing is planned to lead to "
                                + Wording.names(worked.evaluation().build(), none)
                                + ": wires there are in no step yet. Say them in Power or Links.");
        Ui.present(unwired, !none.isEmpty());
        filling = false;
        chosen();
    }

    private static String hours(double minutes) {
        return minutes < 90 ? Units.format(minutes, 0, "min") : Units.format(minutes / 60, 1, "h");
    }

    private void chosen() {
        if (filling) {
            return;
        }
        details.getChildren().clear();
        stays.setText("");
        Optional.ofNullable(list.getSelectionModel().getSelectedItem()).ifPresent(this::tell);
        draw();
    }

    private void tell(Row row) {
        Step step = row.step();
        details.getChildren().add(Ui.words(row.number() + ". " + step.words(), "step-title"));
        shown.ifPresent(w -> details.getChildren().add(moving(w.plan(), step)));
        row.proven().ifPresent(s -> details.getChildren().add(hold(s)));
        step.cautions().forEach(c -> details.getChildren().add(Ui.words(c, "step-caution")));
        if (!step.reasons().isEmpty()) {
            line("Here, since", String.join("; ", step.reasons()));
        }
        line("Time", time(step));
        line("Tools", String.join(", ", step.tools()));
        shown.ifPresent(w -> line(
                "Not at hand",
                String.join(", ", AtHand.missing(w.evaluation().build().brief().workshop(), step))));
        line("Used up", String.join(", ", step.takes()));
        shown.ifPresent(w -> w.plan().broken().stream()
                .filter(b -> b.early().equals(step.id()))
                .forEach(b -> line("Too early", early(w.plan(), b))));
    }

    private static String early(Plan plan, Plan.Broken broken) {
        return "“" + plan.words(broken.late()) + "” should come before it, since "
                + broken.rule().because()
                + (broken.isBy(plan.byHand()) ? ". It was moved by hand." : ". As it is planned it cannot.");
    }

    /** What moves a step, and what was said the last time it could not be. */
    private Node moving(Plan plan, Step step) {
        Button earlier = Ui.button(
                "step-earlier", "Earlier", "Do it before the step above (Alt+Up)", () -> move(plan, step, -1));
        Button later =
                Ui.button("step-later", "Later", "Do it after the step below (Alt+Down)", () -> move(plan, step, 1));
        Button back = Ui.button(
                "step-back",
                "Put back",
                "Where it came by itself",
                () -> desk.session().does(AssemblyEdits.putBack(step.words(), step.id())));
        Ui.present(back, plan.byHand().contains(step.id()));
        HBox line = new HBox(6, earlier, later, back, stays);
        HBox.setHgrow(stays, Priority.ALWAYS);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    /**
     * Moves a step by one place, or says what keeps it where it is.
     *
     * @param by -1 for earlier, 1 for later
     */
    private void move(Plan plan, Step step, int by) {
        String bound = plan.bound(step.id(), by);
        if (bound.isEmpty()) {
            desk.session().does(AssemblyEdits.move(step.words(), plan.move(step.id(), by)));
        } else {
            stays.setText(bound);
        }
    }

    private void key(KeyEvent e) {
        boolean up = e.getCode() == KeyCode.UP;
        if (e.isAltDown() && (up || e.getCode() == KeyCode.DOWN)) {
            e.consume();
            Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                    .ifPresent(r -> shown.ifPresent(w -> move(w.plan(), r.step(), up ? -1 : 1)));
        }
    }

    /** Moves that were made and that the plan, as it is now, does not follow. */
    private Node refused(Plan.Refused refused) {
        String id = refused.moved().step();
        String words = shown.flatMap(w -> w.plan().step(id)).map(Step::brief).orElse(id);
        Button back = Ui.button(
                "refused-back",
                "Forget it",
                "It stays where it comes by itself",
                () -> desk.session().does(AssemblyEdits.putBack(words, id)));
        Label label = Ui.words("“" + words + "” was moved by hand and cannot stand there: " + refused.why());
        HBox.setHgrow(label, Priority.ALWAYS);
        return new HBox(6, label, back);
    }

    private Node hold(State state) {
        String words = switch (state) {
            case FINE -> "Hold point: passed on the Bench.";
            case STOP ->
                "Hold point: the readings on the Bench are not as planned. Nothing goes on before that is settled.";
            case WATCH -> "Hold point: not done yet. Do it on the Bench; nothing goes on before it has passed.";
        };
        HBox line = new HBox(6, StateMark.of(state, MARK), Ui.words(words));
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private static String time(Step step) {
        String work = step.minutes() > 0 ? Units.format(step.minutes(), 0, "min") : "";
        String wait = step.waitMinutes() > 0 ? "then wait " + hours(step.waitMinutes()) : "";
        return work.isEmpty() ? wait : wait.isEmpty() ? work : work + ", " + wait;
    }

    private void line(String name, String words) {
        if (!words.isEmpty()) {
            Label label = Ui.label(name, "soft");
            label.setMinWidth(USE_PREF_SIZE);
            Label value = Ui.words(words);
            HBox.setHgrow(value, Priority.ALWAYS);
            details.getChildren().add(new HBox(8, label, value));
        }
    }

    private void draw() {
        Optional<Row> row = Optional.ofNullable(list.getSelectionModel().getSelectedItem());
        if (filling || row.isEmpty() || shown.isEmpty()) {
            return;
        }
        picture.show(shown.get().evaluation(), shown.get().plan(), row.get().number() - 1);
    }

    /** A line of the list: number, words, time; a hold point with its mark. */
    private static final class Cell extends ListCell<Row> {
        @Override
        protected void updateItem(Row row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            setGraphic(empty || row == null ? null : graphic(row));
            setAccessibleText(
                    empty || row == null
                            ? null
                            : row.number() + ". " + row.step().words()
                                    + row.proven()
                                            .map(s -> ", hold point, " + s.words())
                                            .orElse("")
                                    + (row.byHand() ? ", moved by hand" : ""));
        }

        private Node graphic(Row row) {
            Label number = Ui.label(String.valueOf(row.number()), "step-number");
            number.setMinWidth(NUMBER_WIDTH);
            number.setAlignment(Pos.TOP_RIGHT);
            Label words = Ui.words(row.step().words());
            words.setPrefWidth(LIST_WIDTH - NUMBER_WIDTH - TIME_WIDTH - 56);
            HBox.setHgrow(words, Priority.ALWAYS);
            VBox right = new VBox(2);
            right.setAlignment(Pos.TOP_RIGHT);
            right.setMinWidth(TIME_WIDTH);
            right.getChildren().add(Ui.label(Units.format(row.step().minutes(), 0, "min"), "soft"));
            if (row.step().waitMinutes() > 0) {
                right.getChildren().add(Ui.label("+ " + hours(row.step().waitMinutes()), "soft"));
            }
            row.proven().ifPresent(s -> {
                HBox mark = new HBox(4, StateMark.of(s, MARK), Ui.label("hold", "soft"));
                mark.setAlignment(Pos.CENTER_RIGHT);
                right.getChildren().add(mark);
            });
            if (row.byHand()) {
                right.getChildren().add(Ui.label("moved", "soft"));
            }
            HBox line = new HBox(8, number, words, right);
            return row.opens().isEmpty() ? line : new VBox(4, Ui.label(row.opens(), "step-phase"), line);
        }
    }
}
