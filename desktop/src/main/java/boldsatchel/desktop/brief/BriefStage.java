package boldsatchel.desktop.brief;

import boldsatchel.power.PowerResult;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Mode;
import boldsatchel.machine.UseProfile;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.frame.WorkStage;
import boldsatchel.edit.Edits;
import boldsatchel.quantity.Quantity;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the machine is for and what it is judged against. */
public final class BriefStage implements WorkStage {

    private final Desk desk;
    private final HBox columns = new HBox(24);
    private Optional<Brief> shown = Optional.empty();

    /** The stage on a desk. */
    public BriefStage(Desk desk) {
        this.desk = desk;
        columns.getStyleClass().add("stage");
        desk.keepShowing(columns, this::show);
    }

    @Override
    public String title() {
        return "Brief";
    }

    @Override
    public String purpose() {
        return "purpose, limits, use";
    }

    @Override
    public Node content() {
        return Ui.scroll(columns);
    }

    /** A brief stands when it says enough to be judged against. */
    @Override
    public State standing(Evaluation evaluation) {
        Brief brief = evaluation.build().brief();
        boolean enough = brief.limits().hours().isPresent()
                && brief.limits().massG().isPresent()
                && !brief.purpose().isBlank();
        return enough ? State.FINE : State.WATCH;
    }

    private Brief brief() {
        return desk.session().build().brief();
    }

    private void show() {
        Evaluation evaluation = desk.session().evaluation().get();
        if (shown.equals(Optional.of(evaluation.build().brief()))
                && !columns.getChildren().isEmpty()) {
            return;
        }
        shown = Optional.of(evaluation.build().brief());
        VBox left = new VBox(
                8,
                Ui.label("What is it for?", "section"),
                purposeArea(),
                Ui.label("Hard limits", "section"),
                limits(),
                Ui.label("Where it is used", "section"),
                surroundings());
        left.setMinWidth(350);
        left.setPrefWidth(360);
        VBox right = new VBox(
                8,
                Ui.label("How it is used", "section"),
                Ui.words(
                        "The first profile is the one the verdicts are about. A profile repeats until the energy is gone.",
                        "soft"));
        for (int i = 0; i < brief().profiles().size(); i++) {
            right.getChildren().add(profile(i));
        }
        right.getChildren().add(Ui.button("add-profile", "Add a profile", "Add another way of use", this::addProfile));
        HBox.setHgrow(right, Priority.ALWAYS);
        columns.getChildren().setAll(left, right);
    }

    private void change(String name, UnaryOperator<Brief> change) {
        desk.session().does(Edits.brief(name, change));
    }

    private TextArea purposeArea() {
        TextArea area = new TextArea(brief().purpose());
        area.setId("purpose");
        area.setWrapText(true);
        area.setPrefRowCount(3);
        area.setPromptText("Must run this one old program; must last a shift outdoors …");
        area.focusedProperty().addListener((o, was, is) -> {
            if (!is && !area.getText().equals(brief().purpose())) {
                change(
                        "change the purpose",
                        b -> new Brief(area.getText(), b.currency(), b.limits(), b.surroundings(), b.profiles()));
            }
        });
        return area;
    }

    private GridPane limits() {
        GridPane form = Ui.form();
        optional(
                form,
                "Runs at least",
                "limit-hours",
                Quantity.TIME,
                Brief.Limits::hours,
                Verdict.Kind.LASTS,
                (l, v) -> limits(l, v, l.massG(), l.money(), l.widthMm(), l.depthMm(), l.heightMm()));
        optional(
                form,
                "Weighs at most",
                "limit-mass",
                Quantity.MASS,
                Brief.Limits::massG,
                Verdict.Kind.CARRIES,
                (l, v) -> limits(l, l.hours(), v, l.money(), l.widthMm(), l.depthMm(), l.heightMm()));
        optional(
                form,
                "Costs at most, " + brief().currency(),
                "limit-money",
                Quantity.MONEY,
                Brief.Limits::money,
                Verdict.Kind.COSTS,
                (l, v) -> limits(l, l.hours(), l.massG(), v, l.widthMm(), l.depthMm(), l.heightMm()));
        optional(
                form,
                "Width at most",
                "limit-width",
                Quantity.LENGTH,
                Brief.Limits::widthMm,
                Verdict.Kind.PACKS,
                (l, v) -> limits(l, l.hours(), l.massG(), l.money(), v, l.depthMm(), l.heightMm()));
        optional(
                form,
                "Depth at most",
                "limit-depth",
                Quantity.LENGTH,
                Brief.Limits::depthMm,
                Verdict.Kind.PACKS,
                (l, v) -> limits(l, l.hours(), l.massG(), l.money(), l.widthMm(), v, l.heightMm()));
        optional(
                form,
                "Height closed at most",
                "limit-height",
                Quantity.LENGTH,
                Brief.Limits::heightMm,
                Verdict.Kind.PACKS,
                (l, v) -> limits(l, l.hours(), l.massG(), l.money(), l.widthMm(), l.depthMm(), v));
        required(
                form,
                "Gap between parts",
                "limit-gap",
                Quantity.LENGTH,
                brief().limits().gapMm(),
                Verdict.Kind.PACKS,
                (l, v) -> margins(l, v, l.tipMarginDeg(), l.heatMarginK()));
        required(
                form,
                "Bears a tilt of",
                "limit-tip",
                Quantity.ANGLE,
                brief().limits().tipMarginDeg(),
                Verdict.Kind.STANDS,
                (l, v) -> margins(l, l.gapMm(), v, l.heatMarginK()));
        required(
                form,
                "Stays below limits by",
                "limit-heat",
                Quantity.TEMPERATURE_DIFFERENCE,
                brief().limits().heatMarginK(),
                Verdict.Kind.KEEPS_COOL,
                (l, v) -> margins(l, l.gapMm(), l.tipMarginDeg(), v));
        return form;
    }

    private static Brief.Limits limits(
            Brief.Limits l,
            Optional<Double> hours,
            Optional<Double> mass,
            Optional<Double> money,
            Optional<Double> w,
            Optional<Double> d,
            Optional<Double> h) {
        return new Brief.Limits(hours, mass, money, w, d, h, l.gapMm(), l.tipMarginDeg(), l.heatMarginK());
    }

    private static Brief.Limits margins(Brief.Limits l, double gap, double tip, double heat) {
        return new Brief.Limits(
                l.hours(), l.massG(), l.money(), l.widthMm(), l.depthMm(), l.heightMm(), gap, tip, heat);
    }

    private interface SetLimit<T> {
        Brief.Limits set(Brief.Limits limits, T value);
    }

    private void optional(
            GridPane form,
            String name,
            String id,
            Quantity quantity,
            Function<Brief.Limits, Optional<Double>> get,
            Verdict.Kind feeds,
            SetLimit<Optional<Double>> set) {
        UnitField field = UnitField.optional(
                        id,
                        quantity,
                        v -> change("change the limit “" + name + "”", b -> b.withLimits(set.set(b.limits(), v))))
                .wide(7);
        field.show(get.apply(brief().limits()));
        row(form, name, field, feeds);
    }

    private void required(
            GridPane form,
            String name,
            String id,
            Quantity quantity,
            double value,
            Verdict.Kind feeds,
            SetLimit<Double> set) {
        UnitField field = UnitField.required(
                        id,
                        quantity,
                        v -> change("change the limit “" + name + "”", b -> b.withLimits(set.set(b.limits(), v))))
                .wide(7);
        field.show(value);
        row(form, name, field, feeds);
    }

    /** A limit, and the verdict it feeds with its state now. */
    private void row(GridPane form, String name, Node field, Verdict.Kind feeds) {
        HBox verdict = new HBox(5);
        verdict.setAlignment(Pos.CENTER_LEFT);
        desk.session()
                .evaluation()
                .subscribe(e -> verdict.getChildren()
                        .setAll(StateMark.of(e.verdict(feeds).state(), 10), Ui.label(feeds.title(), "soft")));
        int row = form.getRowCount();
        form.addRow(row, Ui.label(name, "field-name"), field, verdict);
    }

    private GridPane surroundings() {
        Brief.Surroundings now = brief().surroundings();
        GridPane form = Ui.form();
        Ui.row(
                form,
                "Air around it",
                temperature(
                        "ambient",
                        now.ambientC(),
                        (s, v) -> new Brief.Surroundings(v, s.packC(), s.inHands(), s.onTable())));
        Ui.row(
                form,
                "Cells at first",
                temperature(
                        "pack-temperature",
                        now.packC(),
                        (s, v) -> new Brief.Surroundings(s.ambientC(), v, s.inHands(), s.onTable())));
        CheckBox hands = new CheckBox("held in the hands for minutes");
        hands.setId("in-hands");
        hands.setSelected(now.inHands());
        hands.setOnAction(e -> change(
                "change where it is held",
                b -> b.withSurroundings(new Brief.Surroundings(
                        b.surroundings().ambientC(),
                        b.surroundings().packC(),
                        hands.isSelected(),
                        b.surroundings().onTable()))));
        CheckBox table = new CheckBox("stands on a table");
        table.setSelected(now.onTable());
        table.setOnAction(e -> change(
                "change where it stands",
                b -> b.withSurroundings(new Brief.Surroundings(
                        b.surroundings().ambientC(),
                        b.surroundings().packC(),
                        b.surroundings().inHands(),
                        table.isSelected()))));
        Ui.row(form, "", hands);
        Ui.row(form, "", table);
        return form;
    }

    private interface SetTemperature {
        Brief.Surroundings set(Brief.Surroundings surroundings, double celsius);
    }

    private UnitField temperature(String id, double value, SetTemperature set) {
        UnitField field = UnitField.required(
                        id,
                        Quantity.TEMPERATURE,
                        v -> change("change a temperature", b -> b.withSurroundings(set.set(b.surroundings(), v))))
                .wide(7);
        field.show(value);
        return field;
    }

    private VBox profile(int index) {
        UseProfile profile = brief().profiles().get(index);
        TextField name = new TextField(profile.name());
        name.setPrefColumnCount(13);
        name.setId("profile-" + index);
        Runnable rename = () -> {
            if (!name.getText().equals(profile.name())) {
                changeProfile(index, new UseProfile(name.getText(), profile.steps()));
            }
        };
        name.setOnAction(e -> rename.run());
        name.focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                rename.run();
            }
        });
        HBox head = new HBox(8, name);
        head.setAlignment(Pos.CENTER_LEFT);
        if (index == 0) {
            head.getChildren().add(Ui.label("judged", "badge"));
        } else {
            head.getChildren()
                    .addAll(
                            Ui.spring(),
                            Ui.button(
                                    "first-profile-" + index,
                                    "Judge by this",
                                    "Make this the profile the verdicts are about",
                                    () -> moveFirst(index)),
                            Ui.button(
                                    "remove-profile-" + index,
                                    "Remove",
                                    "Remove this profile",
                                    () -> removeProfile(index)));
        }
        GridPane steps = Ui.form();
        steps.addRow(
                0,
                Ui.label("what is done", "soft"),
                Ui.label("all parts are", "soft"),
                Ui.label("for", "soft"),
                Ui.label("screen", "soft"));
        for (int k = 0; k < profile.steps().size(); k++) {
            step(steps, index, profile, k);
        }
        Button add = Ui.button(
                "add-step-" + index, "Add a step", "Add a step to this profile", () -> addStep(index, profile));
        HBox foot = new HBox(12, add, Ui.label(lasting(profile), "soft"));
        foot.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(6, head, steps, foot);
        box.getStyleClass().add("card");
        return box;
    }

    private void addStep(int index, UseProfile profile) {
        UseProfile.Step next = new UseProfile.Step("next", Mode.IDLE, 10, 0.5);
        changeProfile(index, with(profile, profile.steps().size(), next));
    }

    /** How long a profile that is not judged would last. */
    private String lasting(UseProfile profile) {
        return desk.session()
                .evaluation()
                .get()
                .of(PowerResult.class)
                .shortest()
                .flatMap(c -> Optional.ofNullable(c.otherRuns().get(profile.name())))
                .map(r -> "lasts " + Verdict.Kind.LASTS.format(r.hours()))
                .orElse("");
    }

    private void step(GridPane grid, int index, UseProfile profile, int k) {
        UseProfile.Step step = profile.steps().get(k);
        TextField name = new TextField(step.name());
        name.setPrefColumnCount(10);
        name.focusedProperty().addListener((o, was, is) -> {
            if (!is && !name.getText().equals(step.name())) {
                changeProfile(index, profile.with(k, step.named(name.getText())));
            }
        });
        Mode[] modes = {Mode.OFF, Mode.SLEEP, Mode.IDLE, Mode.BUSY};
        ComboBox<Mode> mode = Ui.choice("mode-" + index + "-" + k, modes, step.mode(), Mode::words);
        mode.setMinWidth(86);
        mode.setOnAction(e -> changeProfile(index, profile.with(k, step.in(mode.getValue()))));
        UnitField minutes = UnitField.required(
                        "minutes-" + index + "-" + k,
                        Quantity.MINUTES,
                        v -> changeProfile(index, profile.with(k, step.lasting(v))))
                .wide(6);
        minutes.show(step.minutes());
        UnitField brightness = UnitField.required(
                        "brightness-" + index + "-" + k,
                        Quantity.SHARE,
                        v -> changeProfile(index, profile.with(k, step.at(v))))
                .wide(5);
        brightness.show(step.brightness());
        int row = grid.getRowCount();
        grid.addRow(row, name, mode, minutes, brightness);
        if (profile.steps().size() > 1) {
            grid.add(
                    Ui.button(
                            "remove-step-" + index + "-" + k,
                            "×",
                            "Remove this step",
                            () -> changeProfile(index, without(profile, k))),
                    4,
                    row);
        }
    }

    private static UseProfile with(UseProfile profile, int k, UseProfile.Step step) {
        List<UseProfile.Step> steps = new ArrayList<>(profile.steps());
        if (k < steps.size()) {
            steps.set(k, step);
        } else {
            steps.add(step);
        }
        return new UseProfile(profile.name(), steps);
    }

    private static UseProfile without(UseProfile profile, int k) {
        List<UseProfile.Step> steps = new ArrayList<>(profile.steps());
        steps.remove(k);
        return new UseProfile(profile.name(), steps);
    }

    private void changeProfiles(String name, UnaryOperator<List<UseProfile>> change) {
        change(name, b -> b.withProfiles(change.apply(new ArrayList<>(b.profiles()))));
    }

    private void changeProfile(int index, UseProfile profile) {
        changeProfiles("change the profile " + profile.name(), list -> {
            list.set(index, profile);
            return list;
        });
    }

    private void addProfile() {
        changeProfiles("add a profile", list -> {
            list.add(new UseProfile("new profile", UseProfile.always(Mode.IDLE).steps()));
            return list;
        });
    }

    private void removeProfile(int index) {
        changeProfiles("remove a profile", list -> {
            list.remove(index);
            return list;
        });
    }

    private void moveFirst(int index) {
        changeProfiles("judge by another profile", list -> {
            list.addFirst(list.remove(index));
            return list;
        });
    }
}
