package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Mode;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.UseProfile.Program;
import boldsatchel.machine.UseProfile.Step;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The judged use profile as a band of time: steps are picked, stretched by their edges, split and taken out. */
final class UsePane extends VBox {

    private static final double LEAST_MINUTES = 0.5;

    private final Desk desk;
    private final DrawingView band = new DrawingView().atMost(4.4);
    private final VBox fields = new VBox(6);
    private int selected;
    private Optional<Integer> stretched = Optional.empty();
    private Optional<UseProfile> shown = Optional.empty();

    UsePane(Desk desk) {
        super(8);
        this.desk = desk;
        band.setId("cycle");
        band.setMinHeight(96);
        band.setPrefHeight(104);
        band.setOnMousePressed(e -> {
            stretched = RunDrawings.edgeAt(
                    profile(), band.toFrame(e.getX(), e.getY()).getX());
            if (stretched.isEmpty()) {
                band.subjectAt(e.getX(), e.getY())
                        .filter(id -> id.startsWith("step-"))
                        .ifPresent(id -> select(Integer.parseInt(id.substring(5))));
            }
        });
        band.setOnMouseDragged(e -> stretched.ifPresent(k -> stretch(
                k,
                RunDrawings.minutesAt(
                        profile(), band.toFrame(e.getX(), e.getY()).getX()))));
        band.setOnMouseReleased(e -> {
            stretched = Optional.empty();
            desk.session().dropped();
        });
        getChildren().addAll(band, fields);
    }

    private UseProfile profile() {
        return desk.session().shown().brief().profile();
    }

    private Step step() {
        return profile().steps().get(selected);
    }

    private void select(int k) {
        selected = k;
        shown = Optional.empty();
        show();
    }

    /** Shows the judged profile. */
    void show() {
        selected = Math.clamp(selected, 0, profile().steps().size() - 1);
        band.show(RunDrawings.cycle(profile(), selected), desk.dark().get());
        if (!shown.equals(Optional.of(profile())) && stretched.isEmpty()) {
            shown = Optional.of(profile());
            fill();
        }
    }

    /** Changes the step as it is then: of two quick edits neither is lost. */
    private void change(String what, UnaryOperator<Step> change) {
        int k = selected;
        desk.session().does(Edits.judgedProfile("change " + what + " of " + step().name(), p -> p.changed(k, change)));
    }

    /** Moves the border between a step and the next; what one gains the other loses. */
    private void stretch(int k, double minutes) {
        UseProfile p = profile();
        double from = p.steps().stream().limit(k).mapToDouble(Step::minutes).sum();
        double both = p.steps().get(k).minutes() + p.steps().get(k + 1).minutes();
        double first = Math.clamp(Math.rint((minutes - from) * 2) / 2, LEAST_MINUTES, both - LEAST_MINUTES);
        desk.session()
                .drags(Edits.judgedProfile(
                        "change how long " + p.steps().get(k).name() + " lasts",
                        q -> q.with(k, q.steps().get(k).lasting(first))
                                .with(k + 1, q.steps().get(k + 1).lasting(both - first))));
    }

    private void fill() {
        Step s = step();
        TextField name = new TextField(s.name());
        name.setId("step-name");
        name.setPrefColumnCount(11);
        name.setOnAction(e -> change("the name", t -> t.named(name.getText())));
        Mode[] modes = {Mode.OFF, Mode.SLEEP, Mode.IDLE, Mode.BUSY};
        ComboBox<Mode> mode = Ui.choice("step-mode", modes, s.mode(), Mode::words);
        mode.setOnAction(e -> {
            Mode chosen = mode.getValue();
            change("the mode", t -> t.in(chosen));
        });
        UnitField minutes = UnitField.required(
                        "step-minutes", Quantity.MINUTES, v -> change("the minutes", t -> t.lasting(v)))
                .wide(5);
        minutes.show(s.minutes());
        UnitField bright = UnitField.required(
                        "step-brightness", Quantity.SHARE, v -> change("the brightness", t -> t.at(v)))
                .wide(4);
        bright.show(s.brightness());
        UnitField refreshes = UnitField.optional(
                        "step-refreshes", Quantity.COUNT, v -> change("the refreshes", t -> t.refreshing(v)))
                .wide(4)
                .prompt("none");
        refreshes.show(s.refreshesPerMinute());
        HBox first = row(
                name,
                mode,
                label("for"),
                minutes,
                label("screen at"),
                bright,
                Ui.spring(),
                Ui.button("split-step", "Split", "Make two steps of half the time each", this::split),
                Ui.button("drop-step", "Take out", "Take this step out of the cycle", this::drop));
        HBox paper = row(label("paper-like panel, refreshes a minute"), refreshes);
        if (s.program().isEmpty()) {
            HBox second = program(s);
            second.getChildren().addAll(Ui.spring(), paper);
            fields.getChildren().setAll(first, second);
        } else {
            fields.getChildren().setAll(first, program(s), paper);
        }
    }

    private static Label label(String words) {
        Label label = Ui.label(words);
        label.setMinWidth(USE_PREF_SIZE);
        return label;
    }

    private static HBox row(javafx.scene.Node... nodes) {
        HBox row = new HBox(6, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** What the computer runs in the step. */
    private HBox program(Step s) {
        if (s.program().isEmpty()) {
            return row(
                    Ui.label("The board draws what its mode says.", "soft"),
                    Ui.button(
                            "add-program",
                            "A program runs",
                            "Say which program runs, and how hard it works the board",
                            () -> change(
                                    "the program",
                                    t -> t.running(
                                            Optional.of(new Program("program", 30, 0.5, 0.2, Optional.empty()))))));
        }
        Program p = s.program().get();
        TextField name = new TextField(p.name());
        name.setId("program-name");
        name.setPrefColumnCount(9);
        name.setOnAction(e -> program("name", name.getText()));
        UnitField frames = UnitField.required("program-frames", Quantity.COUNT, v -> program("framesPerSecond", v))
                .wide(3);
        frames.show(p.framesPerSecond());
        UnitField processor = UnitField.required("program-processor", Quantity.SHARE, v -> program("processor", v))
                .wide(4);
        processor.show(p.processor());
        UnitField graphics = UnitField.required("program-graphics", Quantity.SHARE, v -> program("graphics", v))
                .wide(4);
        graphics.show(p.graphics());
        UnitField watts = UnitField.optional(
                        "program-watts", Quantity.POWER, v -> program("watts", v.map(Figure::measured)))
                .wide(5)
                .prompt("not read");
        watts.show(p.watts().map(Figure::value));
        return row(
                label("runs"),
                name,
                label("frames/s"),
                frames,
                label("processor"),
                processor,
                label("graphics"),
                graphics,
                label(p.watts().isPresent() ? "board, measured" : "board, guessed if not"),
                watts,
                Ui.button(
                        "drop-program",
                        "×",
                        "No program",
                        () -> change("the program", t -> t.running(Optional.empty()))));
    }

    /** Changes one field of the program that runs in the step then. */
    private void program(String field, Object value) {
        change(
                "the program",
                t -> t.running(
                        t.program().map(p -> Form.of(Program.class).field(field).with(p, value))));
    }

    private void split() {
        int k = selected;
        desk.session().does(Edits.judgedProfile("split " + step().name(), p -> {
            List<Step> steps = new ArrayList<>(p.steps());
            Step half = steps.get(k).lasting(steps.get(k).minutes() / 2);
            steps.set(k, half);
            steps.add(k + 1, half.named(half.name() + " 2"));
            return new UseProfile(p.name(), steps);
        }));
    }

    private void drop() {
        int k = selected;
        if (profile().steps().size() > 1) {
            desk.session().does(Edits.judgedProfile("take out " + step().name(), p -> {
                List<Step> steps = new ArrayList<>(p.steps());
                steps.remove(k);
                return new UseProfile(p.name(), steps);
            }));
        }
    }
}
