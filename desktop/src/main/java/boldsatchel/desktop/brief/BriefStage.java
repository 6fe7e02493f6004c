package boldsatchel.desktop.brief;

import boldsatchel.cost.Waiting;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Mode;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What the machine is for and what it is judged against. */
public final class BriefStage implements WorkStage {

    private final Desk desk;
    private final HBox columns = new HBox(24);
    private final RecordForm limits;
    private final RecordForm surroundings;
    private final RecordForm means;
    private final RecordForm decisions;
    private final Label reminder = Ui.words("", "field-error");
    private final PicturesPane pictures;
    private final Supplier<LocalDate> today;
    private final TextArea purpose;
    private final TextArea notes;
    private final VBox profiles = new VBox(8);
    private final List<Consumer<Evaluation>> feeds = new ArrayList<>();
    private final List<Consumer<Map<String, PowerResult.Profiled>>> lasting = new ArrayList<>();
    private final Latest running = Latest.following();
    private Optional<List<UseProfile>> shown = Optional.empty();

    /**
     * The stage on a desk.
     *
     * @param today the day that a time box is up on
     * @param addPicture asks for a reference picture and adds it
     */
    public BriefStage(Desk desk, Supplier<LocalDate> today, Runnable addPicture) {
        this.desk = desk;
        this.today = today;
        columns.getStyleClass().add("stage");
        limits = new RecordForm(
                        "limit",
                        Brief.Limits.class,
                        (what, f) -> change(
                                "change the limit “" + what + "”",
                                b -> b.withLimits((Brief.Limits) f.apply(b.limits()))))
                // Which of them are wishes is ticked beside each.
                .only(f -> !f.name().equals("wishes"))
                .beside(this::fed)
                .empty("no limit")
                .in(brief().currency());
        surroundings = new RecordForm(
                "where",
                Brief.Surroundings.class,
                (what, f) -> change(
                        "change where it is used: " + what,
                        b -> b.withSurroundings((Brief.Surroundings) f.apply(b.surroundings()))));
        means = new RecordForm(
                        "brief",
                        Brief.class,
                        (what, f) -> change("change what is at hand: " + what, b -> (Brief) f.apply(b)))
                .only(f -> MEANS.contains(f.name()));
        decisions = new RecordForm(
                        "journal",
                        Journal.class,
                        (what, f) ->
                                desk.session().does(Edits.journal("change the " + what, j -> (Journal) f.apply(j))))
                .only(f -> f.name().equals("decisions"));
        reminder.setId("time-up");
        pictures = new PicturesPane(desk, addPicture);
        purpose = area(
                "purpose",
                "Must run this one old program; must last a shift outdoors …",
                () -> brief().purpose(),
                text -> change("change the purpose", b -> b.withPurpose(text)));
        notes = area(
                "notes",
                "What was tried, what to remember …",
                () -> desk.session().shown().journal().notes(),
                text -> desk.session().does(Edits.notes(text)));
        VBox left = new VBox(
                8,
                Ui.label("What is it for?", "section"),
                purpose,
                Ui.label("Limits", "section"),
                limits,
                Ui.label("Where it is used", "section"),
                surroundings,
                Ui.label("Money, tools and programs", "section"),
                means,
                Ui.label("Notes", "section"),
                notes);
        left.setMinWidth(378);
        left.setPrefWidth(380);
        VBox right = new VBox(
                12,
                profiles,
                new VBox(
                        6,
                        Ui.label("What was decided, and why", "section"),
                        Ui.words(
                                "For a risky choice: the day by which it must have worked, and what is done if it has not.",
                                "soft"),
                        reminder,
                        decisions),
                pictures);
        HBox.setHgrow(right, Priority.ALWAYS);
        columns.getChildren().setAll(left, right);
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
        return desk.session().shown().brief();
    }

    /** Forms stay where they are and change in place; only the profiles are laid out anew when one of them changed. */
    private void show() {
        Evaluation evaluation = desk.session().evaluation().get();
        limits.show(brief().limits());
        surroundings.show(brief().surroundings());
        means.show(brief());
        Journal journal = desk.session().shown().journal();
        decisions.show(journal);
        List<String> up = Waiting.of(desk.session().shown(), today.get()).up().stream()
                .map(d -> "Time is up: " + d.what() + (d.fallback().isBlank() ? "" : ". If not: " + d.fallback()))
                .toList();
        reminder.setText(String.join("\n", up));
        reminder.setVisible(!up.isEmpty());
        reminder.setManaged(!up.isEmpty());
        pictures.show();
        showText(purpose, brief().purpose());
        showText(notes, evaluation.build().journal().notes());
        feeds.forEach(f -> f.accept(evaluation));
        if (!shown.equals(Optional.of(brief().profiles()))) {
            shown = Optional.of(brief().profiles());
            showProfiles();
        }
        running.ask(
                () -> evaluation
                        .of(PowerResult.class)
                        .shortest()
                        .map(PowerResult.ChainResult::otherRuns)
                        .orElse(Map.of()),
                runs -> lasting.forEach(l -> l.accept(runs)));
    }

    private static void showText(TextArea area, String text) {
        if (!area.isFocused() && !area.getText().equals(text)) {
            area.setText(text);
        }
    }

    private void showProfiles() {
        lasting.clear();
        profiles.getChildren()
                .setAll(
                        Ui.label("How it is used", "section"),
                        Ui.words(
                                "Lasts is about the first profile; Keeps cool judges each of them. A profile repeats until the energy is gone.",
                                "soft"));
        for (int i = 0; i < brief().profiles().size(); i++) {
            profiles.getChildren().add(profile(i));
        }
        profiles.getChildren()
                .add(Ui.button("add-profile", "Add a profile", "Add another way of use", this::addProfile));
    }

    private void change(String name, UnaryOperator<Brief> change) {
        desk.session().does(Edits.brief(name, change));
    }

    private TextArea area(String id, String prompt, Supplier<String> now, Consumer<String> accept) {
        TextArea area = new TextArea();
        area.setId(id);
        area.setWrapText(true);
        area.setPrefRowCount(3);
        area.setPromptText(prompt);
        area.focusedProperty().addListener((o, was, is) -> {
            if (!is && !area.getText().equals(now.get())) {
                accept.accept(area.getText());
            }
        });
        return area;
    }

    private static final Map<String, Verdict.Kind> FEEDS = Map.of(
            "hours", Verdict.Kind.LASTS,
            "massG", Verdict.Kind.CARRIES,
            "money", Verdict.Kind.COSTS,
            "widthMm", Verdict.Kind.PACKS,
            "depthMm", Verdict.Kind.PACKS,
            "heightMm", Verdict.Kind.PACKS,
            "gapMm", Verdict.Kind.PACKS,
            "tipMarginDeg", Verdict.Kind.STANDS,
            "heatMarginK", Verdict.Kind.KEEPS_COOL);

    /** A limit shows the verdict it feeds, with its state now. */
    private Optional<Node> fed(Form.Field limit) {
        return Optional.ofNullable(FEEDS.get(limit.name())).map(kind -> {
            HBox verdict = new HBox(5);
            verdict.setAlignment(Pos.CENTER_LEFT);
            verdict.setMinWidth(88);
            feeds.add(e -> verdict.getChildren()
                    .setAll(StateMark.of(e.verdict(kind).state(), 10), Ui.label(kind.title(), "soft")));
            return wish(limit.name())
                    .<Node>map(w -> {
                        HBox both = new HBox(6, w, verdict);
                        both.setAlignment(Pos.CENTER_LEFT);
                        return both;
                    })
                    .orElse(verdict);
        });
    }

    /** Whether a limit is a wish only: missing it is worth knowing, and stops nothing. */
    private Optional<CheckBox> wish(String field) {
        return Arrays.stream(Brief.Limit.values())
                .filter(l -> l.field().equals(field))
                .findFirst()
                .map(l -> {
                    CheckBox wish = new CheckBox("wish");
                    wish.setId("wish-" + field);
                    wish.setMinWidth(Region.USE_PREF_SIZE);
                    wish.setTooltip(new Tooltip("Only wished for: missing it is said, and stops nothing"));
                    wish.setOnAction(e -> {
                        boolean is = wish.isSelected();
                        change(
                                "change what is only wished for",
                                b -> b.withLimits(b.limits().wishing(l, is)));
                    });
                    feeds.add(e -> wish.setSelected(brief().limits().isWish(l)));
                    return wish;
                });
    }

    private static final Set<String> MEANS = Set.of("currency", "workshop", "software", "user");

    private VBox profile(int index) {
        UseProfile profile = brief().profiles().get(index);
        TextField name = new TextField(profile.name());
        name.setPrefColumnCount(13);
        name.setId("profile-" + index);
        Runnable rename = () -> {
            if (!name.getText().equals(profile.name())) {
                changeProfile(index, profile.name(), p -> new UseProfile(name.getText(), p.steps()));
            }
        };
        Ui.whenWritten(name, rename);
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
                                    "Make this the profile that Lasts is about",
                                    () -> moveFirst(index)),
                            Ui.button(
                                    "remove-profile-" + index,
                                    "Remove",
                                    "Remove this profile",
                                    () -> removeProfile(index)));
        }
        GridPane steps = Ui.form();
        steps.setHgap(5);
        steps.addRow(
                0,
                Ui.label("what is done", "soft"),
                Ui.label("all parts are", "soft"),
                Ui.label("for", "soft"),
                Ui.label("screen", "soft"));
        if (hinged()) {
            Label shut = Ui.label("shut", "soft");
            shut.setMinWidth(Region.USE_PREF_SIZE);
            steps.add(shut, 4, 0);
        }
        for (int k = 0; k < profile.steps().size(); k++) {
            step(steps, index, profile, k);
        }
        Button add = Ui.button(
                "add-step-" + index, "Add a step", "Add a step to this profile", () -> addStep(index, profile));
        Label lasts = Ui.label("", "soft");
        lasting.add(runs -> lasts.setText(Optional.ofNullable(runs.get(profile.name()))
                .map(r -> "lasts " + Verdict.Kind.LASTS.format(r.hours()))
                .orElse("")));
        HBox foot = new HBox(12, add, lasts);
        foot.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(6, head, steps, foot);
        box.getStyleClass().add("card");
        return box;
    }

    private void addStep(int index, UseProfile profile) {
        UseProfile.Step next = new UseProfile.Step("next", Mode.IDLE, 10, 0.5);
        changeProfile(index, profile.name(), p -> p.and(next));
    }

    private void step(GridPane grid, int index, UseProfile profile, int k) {
        UseProfile.Step step = profile.steps().get(k);
        TextField name = new TextField(step.name());
        name.setPrefColumnCount(10);
        name.focusedProperty().addListener((o, was, is) -> {
            if (!is && !name.getText().equals(step.name())) {
                changeStep(index, profile, k, s -> s.named(name.getText()));
            }
        });
        Mode[] modes = {Mode.OFF, Mode.SLEEP, Mode.IDLE, Mode.BUSY};
        ComboBox<Mode> mode = Ui.choice("mode-" + index + "-" + k, modes, step.mode(), Mode::words);
        mode.setMinWidth(86);
        mode.setOnAction(e -> {
            Mode chosen = mode.getValue();
            changeStep(index, profile, k, s -> s.in(chosen));
        });
        UnitField minutes = UnitField.required(
                        "minutes-" + index + "-" + k,
                        Quantity.MINUTES,
                        v -> changeStep(index, profile, k, s -> s.lasting(v)))
                .wide(6);
        minutes.show(step.minutes());
        UnitField brightness = UnitField.required(
                        "brightness-" + index + "-" + k,
                        Quantity.SHARE,
                        v -> changeStep(index, profile, k, s -> s.at(v)))
                .wide(5);
        brightness.show(step.brightness());
        // Where room is short, the words give way and not the numbers.
        name.setMinWidth(60);
        minutes.setMinWidth(62);
        brightness.setMinWidth(58);
        int row = grid.getRowCount();
        grid.addRow(row, name, mode, minutes, brightness);
        if (hinged()) {
            grid.add(closed(index, profile, k), 4, row);
        }
        if (profile.steps().size() > 1) {
            grid.add(
                    Ui.button(
                            "remove-step-" + index + "-" + k,
                            "×",
                            "Remove this step",
                            () -> changeProfile(index, profile.name(), p -> p.without(k))),
                    5,
                    row);
        }
    }

    private boolean hinged() {
        return desk.session().build().casing().lid().isPresent();
    }

    /** Whether a step runs with the lid closed: only where there is a lid. */
    private CheckBox closed(int index, UseProfile profile, int k) {
        CheckBox closed = new CheckBox();
        closed.setId("closed-" + index + "-" + k);
        closed.setTooltip(new Tooltip("It runs with the lid closed"));
        closed.setAccessibleText("runs with the lid closed");
        closed.setSelected(profile.steps().get(k).closed());
        closed.setOnAction(e -> {
            boolean is = closed.isSelected();
            changeStep(index, profile, k, s -> s.closed(is));
        });
        return closed;
    }

    private void changeProfiles(String name, UnaryOperator<List<UseProfile>> change) {
        change(name, b -> b.withProfiles(change.apply(new ArrayList<>(b.profiles()))));
    }

    /** Changes a profile as it is then: of two quick edits neither is lost. */
    private void changeProfile(int index, String name, UnaryOperator<UseProfile> change) {
        changeProfiles("change the profile " + name, list -> {
            if (index < list.size()) {
                list.set(index, change.apply(list.get(index)));
            }
            return list;
        });
    }

    private void changeStep(int index, UseProfile shownAs, int k, UnaryOperator<UseProfile.Step> change) {
        changeProfile(index, shownAs.name(), p -> p.changed(k, change));
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
