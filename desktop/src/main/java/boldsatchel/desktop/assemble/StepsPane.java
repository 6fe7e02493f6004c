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
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.StepDrawing;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
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

    private final Desk desk;
    private final ListView<Row> list = new ListView<>();
    private final ViewPane view;
    private final VBox details = new VBox(5);
    private final Label facts = Ui.label("", "soft");
    private final Label unwired = Ui.words("", "soft");
    private final Latest drawing = Latest.following();
    private boolean filling;

    /**
     * A line of the list.
     *
     * @param number from 1
     * @param opens what begins with it; empty where it goes on
     */
    private record Row(int number, Step step, String opens, Optional<State> proven) {}

    private record Worked(Evaluation evaluation, Plan plan, List<Row> rows) {}

    private Optional<Worked> shown = Optional.empty();

    StepsPane(Desk desk) {
        super(10);
        this.desk = desk;
        view = new ViewPane(Ui.choice("step-view", PackView::words), PackView.PLAN, this::draw);
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
        VBox right = new VBox(6, view, words);
        VBox.setVgrow(view, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        VBox left = new VBox(6, list, unwired);
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
                    step.test().map(t -> Holds.state(day.proof(step)))));
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
        Optional.ofNullable(list.getSelectionModel().getSelectedItem()).ifPresent(this::tell);
        draw();
    }

    private void tell(Row row) {
        Step step = row.step();
        details.getChildren().add(Ui.words(row.number() + ". " + step.words(), "step-title"));
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
                .forEach(b -> line(
                        "Too early",
                        "“" + words(w.plan(), b.late()) + "” should come before it, since "
                                + b.rule().because() + ". As it is planned it cannot.")));
    }

    private static String words(Plan plan, String id) {
        return plan.steps().stream()
                .filter(s -> s.id().equals(id))
                .map(Step::words)
                .findFirst()
                .orElse(id);
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
        Worked worked = shown.get();
        int index = row.get().number() - 1;
        PackView as = view.view();
        Room room = view.room();
        drawing.ask(
                () -> StepDrawing.of(worked.evaluation(), worked.plan(), index, as, room),
                found -> found.ifPresent(d -> view.show(d, desk.dark().get())));
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
                                            .orElse(""));
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
            HBox line = new HBox(8, number, words, right);
            return row.opens().isEmpty() ? line : new VBox(4, Ui.label(row.opens(), "step-phase"), line);
        }
    }
}
