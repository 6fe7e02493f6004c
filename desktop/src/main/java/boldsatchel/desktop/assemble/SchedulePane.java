package boldsatchel.desktop.assemble;

import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Schedule;
import boldsatchel.cables.CablesResult;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.ScheduleDrawing;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.verdict.Evaluation;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** When what can be done: the post, the work and the waits on one line of time. */
final class SchedulePane extends VBox {

    private static final int MOST_NAMED = 4;

    private final Desk desk;
    private final Supplier<LocalDate> today;
    private final ComboBox<Double> hours = Ui.choice(
            "schedule-hours",
            h -> h < 1 ? "half an hour a day" : h == 1 ? "1 hour a day" : Math.round(h) + " hours a day");
    private final Label finish = Ui.words("", "step-title");
    private final Label held = Ui.words("");
    private final Label now = Ui.words("");
    private final DrawingView drawing = new DrawingView();
    private final ScrollPane scroll;
    private final Latest looking = Latest.following();

    private record Shown(Schedule schedule, Drawing drawing) {}

    SchedulePane(Desk desk, Supplier<LocalDate> today) {
        super(8);
        this.desk = desk;
        this.today = today;
        hours.getItems().setAll(0.5, 1.0, 2.0, 4.0, 8.0);
        hours.setValue(2.0);
        hours.setAccessibleText("Hours of work a day");
        hours.setOnAction(e -> look());
        finish.setId("schedule-finish");
        held.setId("schedule-held");
        now.setId("schedule-now");
        drawing.setId("schedule");
        HBox top = new HBox(10, finish, Ui.spring(), hours);
        top.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(finish, Priority.ALWAYS);
        scroll = Ui.scroll(drawing);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().setAll(top, held, now, scroll);
        scroll.widthProperty().addListener((o, was, is) -> look());
        desk.keepShowing(this, this::look);
    }

    private void look() {
        double width = scroll.getWidth() - 24;
        if (getScene() == null || width < 100) {
            return;
        }
        Evaluation evaluation = desk.session().evaluation().get();
        double aDay = hours.getValue();
        LocalDate day = today.get();
        looking.ask(() -> shown(evaluation, day, aDay, width), this::show);
    }

    private static Shown shown(Evaluation evaluation, LocalDate day, double aDay, double width) {
        Build build = evaluation.build();
        Schedule schedule = Schedule.of(
                build,
                evaluation.of(PlanResult.class).plan().get(),
                evaluation.of(CablesResult.class).leads(),
                build.journal().done().stream().map(Journal.Ticked::step).collect(Collectors.toSet()),
                day,
                aDay);
        return new Shown(schedule, ScheduleDrawing.of(build, schedule, Room.window(width, 400)));
    }

    private void show(Shown shown) {
        Schedule schedule = shown.schedule();
        boolean any = !schedule.slots().isEmpty();
        finish.setText(any ? "Earliest finish: " + date(schedule.finish()) : "Nothing is left to do.");
        held.setText(schedule.held().isEmpty() ? "" : "Held up by " + String.join("; ", schedule.held()) + ".");
        Ui.present(held, !schedule.held().isEmpty());
        List<String> today = schedule.slots().stream()
                .filter(Schedule.Slot::isNow)
                .map(s -> s.step().words())
                .toList();
        now.setText(
                today.isEmpty()
                        ? "Nothing can be done today."
                        : "Can be done today: "
                                + String.join("; ", today.subList(0, Math.min(MOST_NAMED, today.size())))
                                + (today.size() > MOST_NAMED ? " and " + (today.size() - MOST_NAMED) + " more." : "."));
        Ui.present(now, any);
        drawing.setPrefSize(shown.drawing().widthMm(), shown.drawing().heightMm());
        drawing.setMinSize(shown.drawing().widthMm(), shown.drawing().heightMm());
        drawing.show(shown.drawing(), desk.dark().get());
    }

    private static String date(LocalDate day) {
        return day.getDayOfWeek().getDisplayName(TextStyle.SHORT, Locale.ENGLISH) + " " + day.getDayOfMonth() + " "
                + day.getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH) + " " + day.getYear();
    }
}
