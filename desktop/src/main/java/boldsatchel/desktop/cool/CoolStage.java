package boldsatchel.desktop.cool;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HeatMap;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.drawing.WaysDrawing;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.FinEdits;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Reliefs;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Where the heat goes: the case tinted by temperature, and under it what becomes of it over time and which way it takes. */
public final class CoolStage implements WorkStage {

    private static final double LOWER_HEIGHT = 232;

    private final Desk desk;
    private final VBox content = new VBox(6);
    private final ComboBox<HeatResult.When> uses = Ui.choice("heat-use", CoolStage::words);
    private final ComboBox<Tray> trays = Ui.choice("heat-tray", Tray::name);
    private final Label shownAt = Ui.label("", "soft");
    private final Label facts = Ui.words("");
    private final ViewPane view;
    private final OverTimePane overTime;
    private final HelpPane help;
    private final SealingPane sealing;
    private final PutIn putIn;
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
        sealing = new SealingPane(desk);
        putIn = new PutIn(desk, view, this::tray, this::pose);
        uses.setPrefWidth(180);
        uses.setTooltip(
                new Tooltip("The use that is looked at: a profile, with the lid open or closed, or plugged in"));
        uses.setOnAction(e -> {
            overTime.forget();
            show();
        });
        trays.setPrefWidth(88);
        trays.setOnAction(e -> show());
        ways.setId("heat-ways");
        facts.setId("heat-facts");
        shownAt.setId("heat-shown-at");
        // What has no room in a narrow window goes into a second row.
        HBox what = new HBox(8, uses, trays);
        what.setAlignment(Pos.CENTER_LEFT);
        FlowPane top = new FlowPane(8, 6, what, putIn);
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
        HBox bar = new HBox(
                Ui.tab("Over time", overTime, tabs),
                Ui.tab("Way of the heat", ways, tabs),
                Ui.tab("What would help", help, tabs),
                Ui.tab("Sealed or open", sealing, tabs),
                Ui.spring(),
                shownAt);
        bar.getStyleClass().add("side-tabs");
        bar.setAlignment(Pos.CENTER_LEFT);
        Ui.keepShowing(tabs, lower, this::showHelp);
        shown.getChildren().setAll(top, view, facts, bar, lower);
        VBox.setVgrow(shown, Priority.ALWAYS);
        content.getChildren().setAll(empty, shown);
        desk.keepShowing(content, this::show);
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
    public void addCommands(Commands commands) {
        commands.add(
                "Cool: let the selected fan blow the other way",
                () -> selected().flatMap(CoolEdits::otherWay).ifPresent(desk.session()::does));
        commands.add(
                "Cool: lead the heat of the selected part to fins in its tray",
                () -> first(
                        FinEdits::hasFins,
                        (part, fins) -> FinEdits.bridge(desk.session().build(), part, fins, CoolEdits.PIPE_MM)));
        commands.add(
                "Cool: put the selected fins to a fan in their tray",
                () -> first(
                        Reliefs::isFan,
                        (fins, fan) -> FinEdits.toFan(desk.session().build(), fins, fan)));
        for (Face wall : Face.ALL) {
            for (boolean high : wall.axis() == Face.TOP.axis() ? new boolean[] {false} : new boolean[] {false, true}) {
                String where = wall.axis() == Face.TOP.axis() ? "into the " : (high ? "high" : "low") + " in the ";
                commands.add(
                        "Cool: cut a vent " + where + wall.words() + " wall of the tray on show",
                        () -> tray().ifPresent(t -> desk.session().does(CaseEdits.vent(t, wall, high))));
            }
            commands.add(
                    "Cool: put a pad between the selected part and the " + wall.words() + " wall",
                    () -> putIn.pad(wall).ifPresent(desk.session()::does));
        }
    }

    /** Does what can be done with the selected part and the first other one of its tray that it can be done with. */
    private void first(Predicate<Part> other, BiFunction<Placed, Placed, Optional<Edit>> edit) {
        selected()
                .flatMap(part -> Placed.in(
                                part.shell(), Placed.all(desk.session().build()))
                        .stream()
                        .filter(p -> other.test(p.part()))
                        .flatMap(p -> edit.apply(part, p).stream())
                        .findFirst())
                .ifPresent(desk.session()::does);
    }

    /** The selected part where it lies. */
    private Optional<Placed> selected() {
        return Placed.of(desk.session().build(), desk.session().selection().get());
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
        putIn.fill();
        showHelp();
        HeatResult.Use use = heat.use(uses.getValue());
        String tray = trays.getValue().id();
        Optional<Followed> known = followed.filter(f -> f.isOf(evaluation, use));
        Optional<Double> hours = overTime.hours();
        PackDrawings.Look look = new PackDrawings.Look(
                view.view(),
                tray,
                posture(evaluation.build(), use.when()),
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

    private Optional<Shell> tray() {
        return Optional.ofNullable(trays.getValue())
                .flatMap(t -> desk.session().shown().shell(t.id()));
    }

    /** How the tray on show stands in the picture. */
    private Pose pose(Shell tray) {
        Build build = desk.session().shown();
        return view.view() == PackView.PLAN || uses.getValue() == null
                ? Pose.NONE
                : build.casing().pose(tray.id(), posture(build, uses.getValue()));
    }

    /** Worked out only while it is looked at. */
    private void showHelp() {
        Evaluation now = desk.session().evaluation().get();
        if (lower.getChildren().contains(help)) {
            help.show(now);
        } else if (lower.getChildren().contains(sealing)) {
            sealing.show(now);
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
                .map(m -> "shown " + Units.duration(m.hours()) + " after the start")
                .orElse("shown at its warmest"));
    }

    /** A machine is looked at as it is used: open where it has a lid and that is open. */
    private static Posture posture(Build build, HeatResult.When when) {
        return build.casing().looks().stream()
                .filter(p -> when.closed() == p.equals(Posture.CLOSED))
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
