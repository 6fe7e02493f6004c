package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HeatMap;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.WaysDrawing;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Where the heat goes: the case tinted by temperature, and under it what becomes of it over time and which way it takes. */
public final class CoolStage implements WorkStage {

    private static final double LOWER_HEIGHT = 250;

    private final Desk desk;
    private final VBox content = new VBox(6);
    private final ComboBox<HeatResult.When> uses = Ui.choice("heat-use", CoolStage::words);
    private final ComboBox<Tray> trays = Ui.choice("heat-tray", Tray::name);
    private final Label shownAt = Ui.label("", "soft");
    private final Label facts = Ui.words("");
    private final ViewPane view;
    private final OverTimePane overTime;
    private final HelpPane help;
    private final DrawingView ways = new DrawingView().atMost(4.4);
    private final StackPane lower = new StackPane();
    private final ToggleGroup tabs = new ToggleGroup();
    private final Label empty = Ui.words(
            "There is no case yet, or nothing in it warms. Take a case on the Shelf and place parts in Pack; then heat is worked out here.",
            "soft");
    private final VBox shown = new VBox(6);
    private final Latest working = Latest.following();
    private Optional<Followed> followed = Optional.empty();
    private boolean filling;

    private record Tray(String id, String name) {}

    /** What was worked out for a use, and what is drawn of it. */
    private record Picture(Followed followed, Drawing tinted, Drawing ways) {}

    /** The stage on a desk. */
    public CoolStage(Desk desk) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        view = new ViewPane(Ui.choice("heat-view", PackView::words), PackView.PLAN, this::show);
        overTime = new OverTimePane(desk, this::show);
        help = new HelpPane(desk);
        uses.setPrefWidth(260);
        uses.setTooltip(
                new Tooltip("The use that is looked at: a profile, with the lid open or closed, or plugged in"));
        uses.setOnAction(e -> {
            overTime.forget();
            show();
        });
        trays.setPrefWidth(130);
        trays.setOnAction(e -> show());
        ways.setId("heat-ways");
        facts.setId("heat-facts");
        shownAt.setId("heat-shown-at");
        HBox top = new HBox(8, Ui.label("Use", "field-name"), uses, trays, shownAt);
        top.setAlignment(Pos.CENTER_LEFT);
        view.drawing()
                .addEventHandler(
                        MouseEvent.MOUSE_PRESSED,
                        e -> desk.session()
                                .selection()
                                .set(view.drawing()
                                        .subjectAt(e.getX(), e.getY())
                                        .orElse("")));
        VBox.setVgrow(view, Priority.ALWAYS);
        lower.setMinHeight(LOWER_HEIGHT);
        lower.setMaxHeight(LOWER_HEIGHT);
        HBox bar = new HBox(tab("Over time", overTime), tab("Way of the heat", ways), tab("What would help", help));
        bar.getStyleClass().add("side-tabs");
        bar.setAlignment(Pos.CENTER_LEFT);
        tabs.selectedToggleProperty().addListener((o, was, is) -> {
            if (is == null) {
                tabs.selectToggle(was);
            } else {
                lower.getChildren().setAll((Node) is.getUserData());
                showHelp();
            }
        });
        tabs.selectToggle(tabs.getToggles().getFirst());
        shown.getChildren().setAll(top, view, facts, bar, lower);
        VBox.setVgrow(shown, Priority.ALWAYS);
        content.getChildren().setAll(empty, shown);
        desk.keepShowing(content, this::show);
    }

    private ToggleButton tab(String name, Node pane) {
        ToggleButton button = new ToggleButton(name);
        button.setId("tab-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
        button.setToggleGroup(tabs);
        button.setUserData(pane);
        button.getStyleClass().add("side-tab");
        return button;
    }

    @Override
    public String title() {
        return "Cool";
    }

    @Override
    public String purpose() {
        return "where the heat goes";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public State standing(Evaluation evaluation) {
        boolean stops = evaluation.findings().stream()
                .anyMatch(f -> f.code().startsWith("heat.") && f.severity() == Severity.STOP);
        return stops ? State.STOP : evaluation.verdict(Verdict.Kind.KEEPS_COOL).state();
    }

    private static String words(HeatResult.When when) {
        return when.profile() + (when.closed() ? ", lid closed" : "") + (when.pluggedIn() ? ", plugged in" : "");
    }

    private void show() {
        if (filling) {
            return;
        }
        Evaluation evaluation = desk.session().evaluation().get();
        HeatResult heat = evaluation.of(HeatResult.class);
        boolean any = !heat.uses().isEmpty();
        Ui.present(empty, !any);
        Ui.present(shown, any);
        if (!any) {
            return;
        }
        fill(evaluation.build(), heat);
        showHelp();
        HeatResult.Use use = heat.use(uses.getValue());
        String tray = trays.getValue().id();
        Optional<Followed> known = followed.filter(f -> f.isOf(evaluation, use));
        Optional<Double> hours = overTime.hours();
        PackDrawings.Look look = new PackDrawings.Look(
                view.view(),
                tray,
                posture(evaluation.build(), use),
                view.depth(),
                desk.session().selection().get(),
                true);
        Room room = view.room();
        working.ask(
                () -> {
                    Followed now = known.orElseGet(() -> Followed.of(evaluation, use));
                    Optional<HeatRun.Moment> moment =
                            hours.flatMap(h -> now.run().map(r -> r.at(h)));
                    HeatMap map = moment.flatMap(m -> now.run().map(r -> HeatMap.of(r, m)))
                            .orElseGet(() -> HeatMap.of(use));
                    return new Picture(
                            now,
                            PackDrawings.of(evaluation, look.tinted(map)).in(room),
                            WaysDrawing.of(evaluation.build(), use.ways().get(), HeatMap.of(use)));
                },
                this::show);
    }

    /** Worked out only while it is looked at. */
    private void showHelp() {
        if (lower.getChildren().contains(help)) {
            help.show(desk.session().evaluation().get());
        }
    }

    private void show(Picture picture) {
        boolean dark = desk.dark().get();
        followed = Optional.of(picture.followed());
        view.show(picture.tinted(), dark);
        ways.show(picture.ways(), dark);
        overTime.show(picture.followed());
        facts.setText(picture.followed().sentence());
        shownAt.setText(overTime.moment()
                .map(m -> "shown as it is " + Units.duration(m.hours()) + " after the start")
                .orElse("shown at its warmest, gone on for as long as it takes"));
    }

    /** A machine is looked at as it is used: open where it has a lid and that is open. */
    private static Posture posture(Build build, HeatResult.Use use) {
        return build.casing().looks().stream()
                .filter(p -> use.when().closed() == p.equals(Posture.CLOSED))
                .findFirst()
                .orElse(Posture.CLOSED);
    }

    private void fill(Build build, HeatResult heat) {
        filling = true;
        List<HeatResult.When> now =
                heat.uses().stream().map(HeatResult.Use::when).toList();
        if (!uses.getItems().equals(now)) {
            Optional<HeatResult.When> chosen =
                    Optional.ofNullable(uses.getValue()).filter(now::contains);
            uses.getItems().setAll(now);
            uses.setValue(chosen.or(heat::when).orElse(now.getFirst()));
        }
        List<Tray> all = build.casing().shells().stream()
                .map((Shell s) -> new Tray(s.id(), s.name()))
                .toList();
        if (!Set.copyOf(trays.getItems()).equals(Set.copyOf(all))) {
            Optional<Tray> chosen = Optional.ofNullable(trays.getValue()).filter(all::contains);
            trays.getItems().setAll(all);
            trays.setValue(chosen.orElse(all.getFirst()));
        }
        Ui.present(trays, all.size() > 1);
        filling = false;
    }
}
