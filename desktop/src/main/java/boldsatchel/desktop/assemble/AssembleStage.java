package boldsatchel.desktop.assemble;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.time.LocalDate;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** In what order it goes together, and how to get at what is in it. */
public final class AssembleStage implements WorkStage {

    private final VBox content = new VBox(8);
    private final ToggleButton doing;
    private final ToggleButton reaching;
    private final ReachPane reach;

    /**
     * The stage on a desk.
     *
     * @param today the day
     * @param photos asks for a photo of what is named and keeps it
     */
    public AssembleStage(Desk desk, Supplier<LocalDate> today, Consumer<String> photos) {
        content.getStyleClass().add("stage");
        StepsPane steps = new StepsPane(desk);
        reach = new ReachPane(desk);
        ToggleGroup tabs = new ToggleGroup();
        ToggleButton stepping = Ui.tab("Step by step", steps, tabs);
        DayPane day = new DayPane(desk, today, photos, System::nanoTime);
        doing = Ui.tab("Assembly day", day, tabs);
        reaching = Ui.tab("How do I get at …", reach, tabs);
        ToggleButton planning = Ui.tab("Schedule", new SchedulePane(desk, today), tabs);
        HBox bar = new HBox(stepping, doing, planning, reaching, Ui.spring(), steps.facts());
        bar.getStyleClass().add("side-tabs");
        bar.setAlignment(Pos.CENTER_LEFT);
        StackPane pane = new StackPane();
        VBox.setVgrow(pane, Priority.ALWAYS);
        Ui.keepShowing(tabs, pane, () -> {});
        content.getChildren().setAll(bar, pane);
    }

    @Override
    public String title() {
        return "Assemble";
    }

    @Override
    public String purpose() {
        return "in what order, and back";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public void addCommands(Commands commands) {
        commands.add("Assemble: go on with the assembly day", () -> doing.setSelected(true));
        commands.add("Assemble: how do I get at the selected part", () -> {
            reaching.setSelected(true);
            reach.askForSelected();
        });
    }

    @Override
    public State standing(Evaluation evaluation) {
        return evaluation.verdict(Verdict.Kind.MENDS).state();
    }
}
