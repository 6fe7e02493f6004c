package boldsatchel.desktop.bench;

import boldsatchel.bench.Measurand;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.UnitField;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.instruments.Asking;
import boldsatchel.edit.HuntEdits;
import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Check;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.hunt.Symptom;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import boldsatchel.standins.HiddenFault;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One hunt: what to check next, who is suspected and why, what was found so far. */
final class HuntPane extends VBox {

    private static final String CARE =
            "Battery off before anything is clipped on, unplugged or exchanged. What the makers of cells and board say stands above this.";
    private static final double WIDEST_BAR = 90;
    private static final int SHOWN = 6;
    private static final double SHOWN_SHARE = 0.01;

    private final Desk desk;
    private final Supplier<Knowledge> knowledge;
    private final Consumer<Journal.Hunted> help;
    private final Label title = Ui.words("", "bench-title");
    private final Label spent = Ui.words("", "soft");
    private final UnitField box;
    private final TextField fallback = new TextField();
    private final HBox boxRow;
    private final HBox standing = new HBox(8);
    private final VBox next = new VBox(6);
    private final GridPane suspects = new GridPane();
    private final VBox clues = new VBox(3);
    private final Latest reckoning = Latest.only();
    private final Latest asking = Latest.only();
    private String address = "";
    private Optional<Chase> chase = Optional.empty();
    private Optional<Prepared> prepared = Optional.empty();
    private Optional<String> chosen = Optional.empty();

    /** A hunt as far as the build goes, so that it is not prepared again for every clue. */
    private record Prepared(Build build, String symptom, String part, Hunt hunt) {
        boolean isFor(Build other, Journal.Hunted hunted) {
            return build.equals(other) && symptom.equals(hunted.symptom()) && part.equals(hunted.part());
        }
    }

    HuntPane(Desk desk, Supplier<Knowledge> knowledge, Consumer<Journal.Hunted> help) {
        super(10);
        this.desk = desk;
        this.knowledge = knowledge;
        this.help = help;
        box = UnitField.optional("hunt-box", Quantity.MINUTES, m -> box(m.orElse(0.0), fallback.getText()))
                .prompt("no end")
                .wide(7);
        fallback.setId("hunt-fallback");
        fallback.setPromptText("what is done instead");
        HBox.setHgrow(fallback, Priority.ALWAYS);
        Ui.whenWritten(
                fallback,
                () -> hunted().ifPresent(
                                h -> box(h.boxMinutes(), fallback.getText().strip())));
        boxRow = new HBox(8, Ui.label("Time for it"), box, Ui.label("then"), fallback);
        boxRow.setAlignment(Pos.CENTER_LEFT);
        standing.setAlignment(Pos.CENTER_LEFT);
        standing.setId("hunt-standing");
        next.setId("hunt-next");
        next.getStyleClass().add("next-check");
        suspects.setId("hunt-suspects");
        suspects.setHgap(10);
        suspects.setVgap(3);
        ColumnConstraints share = new ColumnConstraints();
        share.setHalignment(HPos.RIGHT);
        share.setMinWidth(Region.USE_PREF_SIZE);
        ColumnConstraints words = new ColumnConstraints();
        words.setHgrow(Priority.ALWAYS);
        ColumnConstraints bar = new ColumnConstraints(WIDEST_BAR);
        suspects.getColumnConstraints().addAll(bar, share, words);
        clues.setId("hunt-clues");
        getChildren().addAll(title, spent, boxRow, standing, next, suspects, clues);
        setVisible(false);
        setManaged(false);
    }

    /** The hunt on show. */
    Optional<Journal.Hunted> hunted() {
        return chase.flatMap(Chase::hunted);
    }

    /** Takes a hunt; it is shown when all is. */
    void choose(Chase newChase) {
        chase = Optional.of(newChase);
        chosen = Optional.empty();
    }

    void show(Chase newChase) {
        choose(newChase);
        show();
    }

    static String counted(long checks) {
        return checks == 0 ? "nothing checked yet" : checks == 1 ? "1 check" : checks + " checks";
    }

    private void box(double minutes, String instead) {
        chase.ifPresent(c -> hunted().ifPresent(h -> {
            if (h.boxMinutes() != minutes || !h.fallback().equals(instead)) {
                c.does("set the time for a hunt", now -> now.boxed(minutes, instead));
            }
        }));
    }

    void show() {
        Optional<Journal.Hunted> hunted = hunted();
        setVisible(hunted.isPresent());
        setManaged(hunted.isPresent());
        hunted.ifPresent(this::show);
    }

    private void show(Journal.Hunted hunted) {
        Evaluation evaluation = desk.session().evaluation().get();
        Build build = evaluation.build().with(Journal.NONE);
        Optional<Symptom> symptom = knowledge.get().symptom(hunted.symptom());
        Optional<Part> part = build.part(hunted.part());
        title.setText((isPractice() ? "Practice: " : "")
                + symptom.map(Symptom::title).orElse(hunted.symptom()) + " · "
                + part.map(Part::name).orElse(hunted.part()));
        box.show(hunted.boxMinutes() > 0 ? Optional.of(hunted.boxMinutes()) : Optional.empty());
        fallback.setText(hunted.fallback());
        boxRow.setVisible(!isPractice());
        boxRow.setManaged(!isPractice());
        if (symptom.isEmpty() || part.isEmpty()) {
            stand(
                    State.WATCH,
                    symptom.isEmpty()
                            ? "This symptom is in none of the lists that are known here."
                            : "This part is no longer in the build.");
            next.setVisible(false);
            next.setManaged(false);
            clues.getChildren().clear();
            suspects.getChildren().clear();
            return;
        }
        Optional<Prepared> before = prepared.filter(p -> p.isFor(build, hunted));
        if (before.isEmpty()) {
            stand(State.WATCH, "Weighing the suspects …");
        }
        Knowledge known = knowledge.get();
        Optional<Chase> on = chase;
        reckoning.ask(
                () -> {
                    Prepared now = before.orElseGet(() -> new Prepared(
                            build,
                            hunted.symptom(),
                            hunted.part(),
                            Hunt.begin(known, evaluation, symptom.get(), part.get())));
                    return reckoned(hunted, now, on.flatMap(c -> c.fault(evaluation, now.hunt())));
                },
                r -> {
                    prepared = Optional.of(r.prepared());
                    show(r);
                });
    }

    /** What is shown of a hunt: the belief now, and what each clue was worth. */
    private record Reckoned(
            Journal.Hunted hunted,
            Prepared prepared,
            Belief belief,
            List<Double> worths,
            Optional<HiddenFault> fault) {}

    private static Reckoned reckoned(Journal.Hunted hunted, Prepared prepared, Optional<HiddenFault> fault) {
        List<Journal.Clue> said = hunted.clues();
        return new Reckoned(
                hunted,
                prepared,
                prepared.hunt().after(said, hunted.boxMinutes()),
                prepared.hunt().worths(said),
                fault);
    }

    private boolean isPractice() {
        return chase.filter(Chase::isPractice).isPresent();
    }

    private void stand(State state, String words, Node... more) {
        Label label = Ui.words(words);
        HBox.setHgrow(label, Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        standing.getChildren().setAll(StateMark.of(state, 12), label);
        standing.getChildren().addAll(more);
    }

    private void show(Reckoned r) {
        Journal.Hunted hunted = r.hunted();
        spent.setText(counted(hunted.clues().stream().filter(Journal.Clue::says).count()) + ", "
                + minutes(r.belief().minutes())
                + (hunted.boxMinutes() > 0 ? " of " + minutes(hunted.boxMinutes()) : ""));
        showStanding(r);
        showNext(r);
        showSuspects(r.prepared().hunt(), r.belief());
        showClues(r);
    }

    private static String minutes(double minutes) {
        if (minutes < 120) {
            return Units.format(minutes, 0, "min");
        }
        return minutes < 2880 ? Units.format(minutes / 60, 0, "h") : Units.format(minutes / 1440, 0, "days");
    }

    private void showStanding(Reckoned r) {
        Journal.Hunted hunted = r.hunted();
        Belief belief = r.belief();
        Belief.Weighed first = belief.foremost();
        if (!hunted.culprit().isEmpty()) {
            stand(State.FINE, ended(r), again());
            return;
        }
        Button ask = Ui.button(
                "hunt-help",
                "Ask for help …",
                "Put together circuit, readings and what was tried, for somebody who does not know the machine",
                () -> help.accept(hunted));
        switch (belief.standing()) {
            case FOUND ->
                stand(
                        State.FINE,
                        "Nearly sure, " + percent(first.weight()) + ": "
                                + first.cause().title() + ". "
                                + String.join(" ", first.cause().cures()),
                        was(first.cause()));
            case NOTHING_LEFT ->
                stand(
                        State.WATCH,
                        "No check that can be done tells more. Likeliest, " + percent(first.weight()) + ": "
                                + first.cause().title() + ".",
                        was(first.cause()),
                        ask);
            case TIME_IS_UP ->
                stand(
                        State.WATCH,
                        "The time for it is up. "
                                + (hunted.fallback().isBlank()
                                        ? "What is done instead?"
                                        : "Instead: " + hunted.fallback() + "."),
                        ask);
            case GOES_ON ->
                stand(
                        State.WATCH,
                        "Not found yet. Likeliest, " + percent(first.weight()) + ": "
                                + first.cause().title() + ".",
                        ask);
        }
        if (isPractice()) {
            ask.setDisable(true);
        }
    }

    private Button was(Cause cause) {
        return Ui.button(
                "hunt-found",
                isPractice() ? "I say it is this" : "It was this",
                "End the hunt with this",
                () -> chase.ifPresent(c -> c.does("end a hunt", h -> h.ended(cause.id()))));
    }

    private Button again() {
        return Ui.button(
                "hunt-again",
                "Go on",
                "Go on with the hunt",
                () -> chase.ifPresent(c -> c.does("go on with a hunt", h -> h.ended(""))));
    }

    private String ended(Reckoned r) {
        String culprit = r.hunted().culprit();
        Optional<Cause> said = knowledge.get().cause(culprit);
        String words = said.map(Cause::title).orElse(culprit);
        if (!isPractice()) {
            return "It was: " + words + ". "
                    + said.map(s -> String.join(" ", s.cures())).orElse("");
        }
        return r.fault()
                .map(f -> (f.cause().id().equals(culprit)
                                ? "Right: " + words
                                : "No. It is: " + f.cause().title())
                        + ". Beside each check stands what it was worth.")
                .orElse(words);
    }

    private static String percent(double share) {
        return share > 0.995 ? "over 99 %" : Units.format(100 * share, 0, "%");
    }

    private void showNext(Reckoned r) {
        Belief belief = r.belief();
        Hunt hunt = r.prepared().hunt();
        next.getChildren().clear();
        boolean over = !r.hunted().culprit().isEmpty() || belief.next().isEmpty();
        next.setVisible(!over);
        next.setManaged(!over);
        if (over) {
            return;
        }
        Belief.Next shown = belief.next().stream()
                .filter(n -> chosen.equals(Optional.of(n.check().id())))
                .findFirst()
                .orElse(belief.next().getFirst());
        Check check = shown.check();
        ComboBox<Belief.Next> others = Ui.choice("hunt-check", n -> n.check().title());
        others.getItems().setAll(belief.next());
        others.setValue(shown);
        others.setMaxWidth(Double.MAX_VALUE);
        others.setAccessibleText("Check to do next");
        HBox.setHgrow(others, Priority.ALWAYS);
        others.setOnAction(e -> {
            chosen = Optional.of(others.getValue().check().id());
            show();
        });
        Label heading = Ui.label("Check next", "section");
        heading.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(8, heading, others);
        head.setAlignment(Pos.CENTER_LEFT);
        List<String> facts = new ArrayList<>(List.of(minutes(check.minutes())));
        if (!check.needs().isEmpty()) {
            facts.add("needs " + String.join(", ", check.needs()));
        }
        if (!shown.place().equals(hunt.subject())) {
            facts.add("at " + shown.place().name());
        }
        facts.add(shown.tells());
        next.getChildren().addAll(head, Ui.words(String.join(" · ", facts), "soft"), Ui.words(check.how()));
        if (check.needsCare()) {
            HBox care = new HBox(6, StateMark.of(State.WATCH, 11), Ui.words(CARE, "soft"));
            care.setAlignment(Pos.CENTER_LEFT);
            next.getChildren().add(care);
        }
        next.getChildren().add(forecast(hunt, belief, shown));
        next.getChildren().add(answers(r, shown));
    }

    /** What would be seen, by suspect. */
    private static Node forecast(Hunt hunt, Belief belief, Belief.Next shown) {
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(2);
        if (!shown.expected().isEmpty()) {
            grid.addRow(0, Ui.label("as planned", "soft"), Ui.label(shown.expected()));
        }
        hunt.forecast(shown.check(), belief)
                .forEach((cause, words) -> grid.addRow(grid.getRowCount(), Ui.words(cause, "soft"), Ui.words(words)));
        ColumnConstraints first = new ColumnConstraints();
        first.setPercentWidth(58);
        ColumnConstraints second = new ColumnConstraints();
        second.setPercentWidth(42);
        grid.getColumnConstraints().addAll(first, second);
        grid.setId("hunt-forecast");
        return grid;
    }

    private Node answers(Reckoned r, Belief.Next shown) {
        Check check = shown.check();
        FlowPane row = new FlowPane(8, 6);
        Button skip = Ui.button(
                "hunt-skip",
                "Cannot be done",
                "Leave this check out of this hunt",
                () -> clue("leave a check out", Journal.Clue.skipped(check.id())));
        if (isPractice()) {
            row.getChildren()
                    .add(Ui.button(
                            "hunt-do",
                            "Do it",
                            "Let the machine that is not there answer",
                            () -> r.fault()
                                    .ifPresent(f -> clue("check", f.answer(check, shown.place(), times(check))))));
        } else if (check.kind() == Check.Kind.READ) {
            Quantity quantity = Measurand.of(check.reads()).orElseThrow().quantity();
            UnitField value = UnitField.optional(
                            "hunt-value",
                            quantity,
                            v -> v.ifPresent(read -> clue(
                                    "put down a reading",
                                    new Journal.Clue(check.id(), "", Optional.of(Figure.measured(read)), ""))))
                    .prompt(quantity.example())
                    .wide(9);
            Label read = Ui.label("read");
            read.setLabelFor(value);
            HBox field = new HBox(8, read, value);
            field.setAlignment(Pos.CENTER_LEFT);
            row.getChildren().add(field);
            Measurand what = Measurand.of(check.reads()).orElseThrow();
            if (Asking.isPossible(what)) {
                row.getChildren().add(asked(what, shown));
            }
        } else {
            for (Check.Outcome outcome : check.outcomes()) {
                row.getChildren()
                        .add(Ui.button(
                                "hunt-answer-" + outcome.id(),
                                capital(outcome.words()),
                                check.title() + ": " + outcome.words(),
                                () -> clue(
                                        "put down what was seen",
                                        new Journal.Clue(check.id(), outcome.id(), Optional.empty(), ""))));
            }
        }
        row.getChildren().add(skip);
        return row;
    }

    /** The same off an instrument. */
    private Node asked(Measurand what, Belief.Next shown) {
        TextField at = new TextField(address);
        at.setId("hunt-address");
        at.setPromptText("127.0.0.1:5026");
        at.setPrefColumnCount(11);
        at.textProperty().subscribe(t -> address = t);
        Label label = Ui.label("or at");
        label.setLabelFor(at);
        Button ask = Ui.button("hunt-ask", "Read", "Ask the instrument at this address", () -> {
            String typed = address;
            Optional<Chase> on = chase;
            asking.ask(() -> Asking.of(typed, shown.place().id(), what), a -> {
                a.read()
                        .ifPresent(f -> on.ifPresent(c -> c.does(
                                "put down a reading",
                                h -> h.and(new Journal.Clue(shown.check().id(), "", Optional.of(f), "")))));
                if (!a.wrong().isEmpty()) {
                    stand(State.WATCH, a.wrong());
                }
            });
        });
        HBox row = new HBox(8, label, at, ask);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private int times(Check check) {
        return hunted().map(h -> (int) h.clues().stream()
                        .filter(c -> c.check().equals(check.id()))
                        .count())
                .orElse(0);
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private void clue(String name, Journal.Clue clue) {
        chosen = Optional.empty();
        chase.ifPresent(c -> c.does(name, h -> h.and(clue)));
    }

    private void showSuspects(Hunt hunt, Belief belief) {
        suspects.getChildren().clear();
        double rest = 0;
        int others = 0;
        for (Belief.Weighed w : belief.suspects()) {
            if (suspects.getRowCount() >= SHOWN || w.weight() < SHOWN_SHARE) {
                rest += w.weight();
                others++;
                continue;
            }
            Region bar = new Region();
            bar.getStyleClass().add("share-bar");
            bar.setMinSize(Math.max(1, WIDEST_BAR * w.weight()), 10);
            bar.setMaxSize(Math.max(1, WIDEST_BAR * w.weight()), 10);
            VBox words = new VBox(Ui.words(w.cause().title()));
            if (!w.why().isEmpty()) {
                words.getChildren().add(Ui.words(w.why(), "soft"));
            }
            String spoke = spoke(hunt, w);
            if (!spoke.isEmpty()) {
                words.getChildren().add(Ui.words(spoke, "soft"));
            }
            Label share = Ui.label(percent(w.weight()));
            suspects.addRow(suspects.getRowCount(), bar, share, words);
            for (Node n : List.of(bar, share, words)) {
                GridPane.setValignment(n, VPos.TOP);
            }
            GridPane.setMargin(bar, new javafx.geometry.Insets(4, 0, 0, 0));
        }
        if (others > 0) {
            int row = suspects.getRowCount();
            suspects.add(Ui.label(percent(rest), "soft"), 1, row);
            suspects.add(Ui.label(others == 1 ? "one other" : others + " others", "soft"), 2, row);
        }
    }

    /** Which clue speaks most for a suspect, and which against it. */
    private static String spoke(Hunt hunt, Belief.Weighed suspect) {
        List<String> words = new ArrayList<>();
        suspect.mostFor().ifPresent(c -> words.add("For it: " + hunt.words(c) + "."));
        suspect.mostAgainst().ifPresent(c -> words.add("Against it: " + hunt.words(c) + "."));
        return String.join(" ", words);
    }

    private void showClues(Reckoned r) {
        Journal.Hunted hunted = r.hunted();
        clues.getChildren().clear();
        List<Journal.Clue> said = hunted.clues();
        for (int i = 0; i < said.size(); i++) {
            int at = i;
            Label words = Ui.words(r.prepared().hunt().words(said.get(i)));
            Label worth = Ui.label(said.get(i).says() ? worth(r.worths().get(i)) : "left out", "soft");
            worth.setMinWidth(Region.USE_PREF_SIZE);
            Button out = Ui.button(
                    "hunt-out-" + i,
                    "Take out",
                    "Weigh without it",
                    () -> chase.ifPresent(c -> c.does("take out a clue", h -> h.without(at))));
            out.getStyleClass().add("small");
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(Double.MAX_VALUE);
            HBox row = new HBox(8, words, worth, out);
            row.setAlignment(Pos.CENTER_LEFT);
            clues.getChildren().add(row);
        }
        if (!said.isEmpty()) {
            clues.getChildren().addFirst(Ui.label("Checked so far", "soft"));
        }
        if (!isPractice()) {
            HBox row = new HBox(
                    Ui.spring(),
                    Ui.button(
                            "hunt-forget",
                            "Take this hunt out",
                            "Take it out of the journal",
                            () -> desk.session().does(HuntEdits.forget(hunted.id()))));
            clues.getChildren().add(row);
        }
    }

    /** How much of the doubt before it a clue took away, or added. */
    private static String worth(double share) {
        return Math.abs(share) < 0.005
                ? "no less doubt"
                : Units.format(100 * Math.abs(share), 0, "%") + (share > 0 ? " less doubt" : " more doubt");
    }
}
