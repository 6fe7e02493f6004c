package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.machine.Build;
import boldsatchel.plan.Supplies;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.concurrent.Task;
import javafx.concurrent.Worker;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Ways to feed the same loads, side by side; one click takes one over. */
final class ComparePane extends VBox {

    private static final String[] HEADS = {
        "", "runs", "mass", "room", "to buy", "charges", "lost", "seen by", "largest", ""
    };

    private final Desk desk;
    private final Runnable back;
    private final Set<Supplies.School> wanted = EnumSet.allOf(Supplies.School.class);
    private final FlowPane choices = new FlowPane(10, 4);
    private final ProgressBar progress = new ProgressBar();
    private final GridPane table = new GridPane();
    private List<Supplies.Option> options = List.of();
    private Optional<Task<List<Supplies.Option>>> running = Optional.empty();

    ComparePane(Desk desk, Runnable back) {
        super(10);
        this.desk = desk;
        this.back = back;
        setId("compare");
        progress.setId("compare-progress");
        table.setHgap(9);
        table.setVgap(7);
        table.setId("supplies");
        for (int i = 0; i < HEADS.length; i++) {
            ColumnConstraints c = new ColumnConstraints();
            if (i == 0) {
                c.setHgrow(Priority.ALWAYS);
                c.setMinWidth(168);
            } else {
                c.setHalignment(i < 7 || i == 8 ? HPos.RIGHT : HPos.LEFT);
                c.setMinWidth(Region.USE_PREF_SIZE);
            }
            table.getColumnConstraints().add(c);
        }
        for (Supplies.School school : Supplies.School.values()) {
            CheckBox box = new CheckBox(school.words());
            box.setId("school-" + school.name().toLowerCase(java.util.Locale.ROOT));
            box.setSelected(true);
            box.setOnAction(e -> {
                if (box.isSelected()) {
                    wanted.add(school);
                } else {
                    wanted.remove(school);
                }
                fill();
            });
            choices.getChildren().add(box);
        }
        HBox head = new HBox(
                10,
                Ui.label("Ways to feed the same loads", "panel-title"),
                progress,
                Ui.spring(),
                Ui.button("compare-back", "Back to the chain", "Leave everything as it is (Escape)", this::leave));
        head.setAlignment(Pos.CENTER_LEFT);
        setOnKeyPressed(e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.ESCAPE) {
                leave();
            }
        });
        var scroll = Ui.scroll(table);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        head,
                        Ui.words(
                                "Each way is planned with parts off the shelf and reckoned like any chain; figures are as good as the"
                                        + " shelf's.",
                                "soft"),
                        choices,
                        scroll);
    }

    private void leave() {
        running.ifPresent(Task::cancel);
        back.run();
    }

    /** Reckons all ways for the build, in the background. */
    void reckon() {
        running.ifPresent(Task::cancel);
        Build build = desk.session().build();
        options = List.of();
        Task<List<Supplies.Option>> task = new Task<>() {
            @Override
            protected List<Supplies.Option> call() {
                List<Supplies.Option> found = new ArrayList<>();
                Supplies.School[] schools = Supplies.School.values();
                for (int i = 0; i < schools.length && !isCancelled(); i++) {
                    Supplies.reckon(build, schools[i]).ifPresent(found::add);
                    updateProgress(i + 1, schools.length);
                }
                return found;
            }
        };
        progress.progressProperty().bind(task.progressProperty());
        progress.visibleProperty().bind(task.runningProperty());
        task.setOnSucceeded(e -> {
            options = task.getValue();
            fill();
        });
        running = Optional.of(task);
        fill();
        Thread.ofVirtual().start(task);
    }

    private void fill() {
        table.getChildren().clear();
        if (options.isEmpty()) {
            boolean done =
                    running.filter(t -> t.getState() != Worker.State.SUCCEEDED).isEmpty();
            table.add(
                    Ui.words(
                            done
                                    ? "Add a board or a screen on the Shelf first: there is nothing to feed yet."
                                    : "Reckoning…",
                            "soft"),
                    0,
                    0);
            return;
        }
        Label[] heads =
                java.util.Arrays.stream(HEADS).map(h -> Ui.label(h, "soft")).toArray(Label[]::new);
        table.addRow(0, heads);
        double best = options.stream()
                .mapToDouble(Supplies.Option::hours)
                .filter(Double::isFinite)
                .max()
                .orElse(0);
        for (Supplies.Option o : options) {
            if (wanted.contains(o.school())) {
                row(o, best);
            }
        }
    }

    private void row(Supplies.Option o, double best) {
        boolean present = o.school() == Supplies.School.PRESENT;
        VBox name = new VBox(
                Ui.words(o.school().words(), present ? "soft" : "step-what"),
                Ui.words(o.school().skills(), "skills"));
        name.setAlignment(Pos.CENTER_LEFT);
        Label hours = Ui.label(
                Double.isInfinite(o.hours())
                        ? "on mains"
                        : o.hours() == 0 ? "does not run" : Units.format(o.hours(), 1, "h"),
                o.hours() == best ? "step-result" : "plain");
        hours.setTooltip(new javafx.scene.control.Tooltip("ends because " + o.end()));
        String charge = o.chargeHours().isEmpty()
                ? "–"
                : Double.isInfinite(o.chargeHours().getAsDouble())
                        ? "never"
                        : Units.format(o.chargeHours().getAsDouble(), 1, "h");
        int row = table.getRowCount();
        table.addRow(
                row,
                name,
                hours,
                Ui.label(Units.format(o.massG(), 0, "g")),
                Ui.label(Units.format(o.volumeCm3(), 0, "cm³")),
                Ui.label(
                        Units.format(o.cost(), 0, desk.session().build().brief().currency())),
                Ui.label(charge),
                Ui.label(Units.format(o.lossW(), 1, "W")),
                Ui.label(o.seen()),
                Ui.label(o.carriage()));
        if (!present) {
            table.add(
                    Ui.button(
                            "take-" + o.school().name().toLowerCase(java.util.Locale.ROOT),
                            "Take over",
                            "Feed this build that way; one step, which can be undone. " + String.join(" ", o.reasons()),
                            () -> {
                                desk.session().does(o.edit());
                                leave();
                            }),
                    HEADS.length - 1,
                    row);
        }
    }
}
