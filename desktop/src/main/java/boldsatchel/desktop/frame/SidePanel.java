package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.Details;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.quantity.Spread;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.collections.ObservableList;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The right of the window: what was found, details of what is selected, or how a number came about. */
final class SidePanel extends BorderPane {

    private final Desk desk;
    private final VBox content = new VBox(10);
    private final ScrollPane scroll = Ui.scroll(content);
    private final ToggleGroup tabs = new ToggleGroup();
    private final ToggleButton findings = tab("tab-findings", "Findings");
    private final ToggleButton details = tab("tab-details", "Details");
    private final ToggleButton working = tab("tab-working", "Working");
    private final Details detailsPane;
    private final Latest telling = Latest.following();
    private String trying = "";
    /** What the findings on show say, row by row. */
    private List<Object> told = List.of();
    /** Whether it was asked for with what helps. */
    private boolean helped = true;

    /** How far down each tab, part and verdict was read, as a share. */
    private final Map<List<Object>, Double> places = new HashMap<>();
    /** Tab, part or verdict on show. */
    private List<Object> onShow = List.of();

    private final Label helpLater = Ui.words("What helps comes when you let go.", "soft");
    private final VBox findingsBox = new VBox(12);
    private final VBox findingsPane = new VBox(8, helpLater, findingsBox);

    SidePanel(Desk desk) {
        this.desk = desk;
        this.detailsPane = new Details(desk);
        getStyleClass().add("side-panel");
        content.getStyleClass().add("side-content");
        helpLater.setId("help-later");
        HBox bar = new HBox(findings, details, working);
        bar.getStyleClass().add("side-tabs");
        setTop(bar);
        setCenter(scroll);
        tabs.selectToggle(findings);
        tabs.selectedToggleProperty().addListener((o, was, is) -> {
            if (is == null) {
                tabs.selectToggle(was);
            } else {
                show();
            }
        });
        desk.session().selection().addListener((o, was, is) -> {
            if (Details.has(desk.session().build(), is)) {
                tabs.selectToggle(details);
            }
        });
        desk.working().addListener((o, was, is) -> {
            if (is.isPresent()) {
                tabs.selectToggle(working);
                show();
            }
        });
        desk.held().addListener((o, was, is) -> {
            if (!is && !helped && findings.isSelected()) {
                show();
            }
        });
        desk.keepShowing(this, this::show);
    }

    private ToggleButton tab(String id, String text) {
        ToggleButton button = new ToggleButton(text);
        button.setId(id);
        button.setToggleGroup(tabs);
        button.getStyleClass().add("side-tab");
        return button;
    }

    void select(String tab) {
        tabs.getToggles().stream()
                .filter(t -> ((ToggleButton) t).getText().equals(tab))
                .forEach(tabs::selectToggle);
    }

    private void show() {
        Evaluation evaluation = desk.session().evaluation().get();
        findings.setText("Findings " + evaluation.findings().size());
        if (details.isSelected()) {
            detailsPane.show();
            fill(detailsPane);
        } else if (working.isSelected()) {
            telling.ask(
                    () -> desk.working().get().map(evaluation::verdict).map(SidePanel::workedOut),
                    v -> put(working, workingOf(v)));
        } else {
            // What helps takes many trials, and is another thing at each step of a drag.
            boolean helps = !(desk.held().get() && desk.session().isDragging());
            helped = helps;
            telling.ask(() -> told(evaluation, helps), e -> {
                showFindings(e.findings(), helps);
                put(findings, findingsPane);
            });
        }
    }

    /** Only a finding that says something else is made anew: a drag touches few. */
    private void showFindings(List<Finding> found, boolean helps) {
        List<Object> now = found.stream().map(f -> says(f, helps)).toList();
        ObservableList<Node> rows = findingsBox.getChildren();
        if (found.isEmpty()) {
            rows.setAll(Ui.words("Nothing was found. The verdicts below say how much room is left.", "soft"));
        } else if (now.size() != told.size()) {
            rows.setAll(found.stream().map(f -> finding(f, helps)).toList());
        } else {
            for (int i = 0; i < now.size(); i++) {
                if (!now.get(i).equals(told.get(i))) {
                    rows.set(i, finding(found.get(i), helps));
                }
            }
        }
        told = now;
        helpLater.setVisible(!helps && !found.isEmpty());
        helpLater.setManaged(helpLater.isVisible());
    }

    private Object says(Finding f, boolean helps) {
        List<Object> says = List.of(f.code(), f.severity(), f.subjects(), f.message());
        return helps ? List.of(says, help(f)) : says;
    }

    private Object help(Finding f) {
        return List.of(
                f.remedies().stream().map(Remedy::words).toList(),
                // What is tried is tried on the build as it is.
                trying.startsWith(f.code() + f.subjects())
                        ? List.of(trying, desk.session().shown())
                        : "");
    }

    /** What was told beside the window is shown where it is still wanted. */
    private void put(ToggleButton tab, Node shown) {
        if (tab.isSelected()) {
            fill(shown);
        }
    }

    /** Taking out and putting in the same pane would lay it out and paint it anew at every step of a drag. */
    private void fill(Node shown) {
        double place = scroll.getVvalue();
        if (!content.getChildren().equals(List.of(shown))) {
            content.getChildren().setAll(shown);
        }
        List<Object> now = shownNow();
        if (!now.equals(onShow)) {
            places.put(onShow, place);
            // Laid out later, what is longer would be shown at another share.
            scroll.applyCss();
            scroll.layout();
            scroll.setVvalue(places.getOrDefault(now, 0.0));
            onShow = now;
        }
    }

    private List<Object> shownNow() {
        if (details.isSelected()) {
            return List.of(details, desk.session().selection().get());
        }
        return working.isSelected() ? List.of(working, desk.working().get()) : List.of(findings);
    }

    private static Evaluation told(Evaluation evaluation, boolean helps) {
        evaluation.findings().forEach(f -> {
            f.message();
            if (helps) {
                f.remedies();
                f.working();
            }
        });
        return evaluation;
    }

    private static Verdict workedOut(Verdict verdict) {
        verdict.working();
        return verdict;
    }

    private Node finding(Finding f, boolean helps) {
        State state = switch (f.severity()) {
            case STOP -> State.STOP;
            case WATCH -> State.WATCH;
            case NOTE -> State.FINE;
        };
        HBox head = new HBox(
                6,
                f.severity() == Severity.NOTE ? Ui.label("i", "note-mark") : StateMark.of(state, 12),
                Ui.label(f.severity().words(), "finding-severity"),
                Ui.spring(),
                Ui.label(f.code(), "finding-code"));
        head.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(3, head, Ui.words(f.message(), "finding-message"));
        for (int i = 0; helps && i < f.remedies().size(); i++) {
            box.getChildren().add(remedy(f, i));
        }
        if (helps && !f.working().isEmpty()) {
            box.getChildren().add(workedOut(f));
        }
        box.getStyleClass().add("finding");
        f.subjects().stream()
                .filter(s -> Details.has(desk.session().build(), s))
                .findFirst()
                .ifPresent(subject -> {
                    Button show = new Button("Show it");
                    show.getStyleClass().add("link");
                    show.setOnAction(e -> desk.session().selection().set(subject));
                    box.getChildren().add(show);
                });
        touching(f).ifPresent(box.getChildren()::add);
        return box;
    }

    /** A remedy; one that is an edit can be tried where it stands. */
    private Node remedy(Finding f, int index) {
        Remedy remedy = f.remedies().get(index);
        Label words = Ui.words("→ " + remedy.words(), "finding-remedy");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        if (remedy.edit().isEmpty()) {
            return words;
        }
        String key = f.code() + f.subjects() + index;
        Edit edit = remedy.edit().get();
        if (trying.equals(key)) {
            return new VBox(
                    4,
                    words,
                    new TrialBox(
                            desk.session().evaluation().get(),
                            edit,
                            () -> {
                                trying = "";
                                desk.session().does(edit);
                            },
                            () -> {
                                trying = "";
                                show();
                            }));
        }
        Button tried = Ui.button(
                "try-" + f.code().replace('.', '-') + "-" + index,
                "Try",
                "See what this would do to every verdict before it is taken",
                () -> {
                    trying = key;
                    show();
                });
        tried.getStyleClass().add("small");
        HBox row = new HBox(6, words, tried);
        row.setAlignment(Pos.TOP_LEFT);
        return row;
    }

    /** How a finding's numbers came about, folded away until it is asked for. */
    private static Node workedOut(Finding f) {
        VBox steps = new VBox(6);
        f.working().forEach(s -> steps.getChildren().add(step(s)));
        steps.setVisible(false);
        steps.setManaged(false);
        Button open = new Button("How that is worked out");
        open.getStyleClass().add("link");
        open.setOnAction(e -> {
            steps.setVisible(!steps.isVisible());
            steps.setManaged(steps.isVisible());
        });
        return new VBox(2, open, steps);
    }

    /** A narrow gap between two parts may be meant: saying so is one click. */
    private Optional<Button> touching(Finding f) {
        Build build = desk.session().build();
        boolean twoParts = f.subjects().size() == 2
                && f.subjects().stream().allMatch(id -> build.placement(id).isPresent());
        if (!f.code().equals("fit.gap") || !twoParts) {
            return Optional.empty();
        }
        return build.part(f.subjects().getFirst()).map(part -> {
            Button touch = new Button("They are meant to touch");
            touch.getStyleClass().add("link");
            touch.setOnAction(
                    e -> desk.session().does(Edits.touch(part, f.subjects().getLast(), true)));
            return touch;
        });
    }

    private VBox workingOf(Optional<Verdict> verdict) {
        VBox box = new VBox(10);
        if (verdict.isEmpty()) {
            box.getChildren().add(Ui.words("Choose a verdict below to see how its number came about.", "soft"));
            return box;
        }
        Verdict v = verdict.get();
        HBox head = new HBox(
                8,
                StateMark.of(v.state(), 16),
                Ui.label(v.kind().title(), "panel-title"),
                Ui.spring(),
                Ui.label(v.kind().format(v.value()), "panel-number"));
        head.setAlignment(Pos.CENTER_LEFT);
        box.getChildren().addAll(head, Ui.words(v.sentence()));
        for (Working.Step step : v.working().steps()) {
            box.getChildren().add(step(step));
        }
        box.getChildren().add(trust(v));
        box.getChildren().add(Ui.words("Method: docs/method/" + v.working().method() + ".md", "soft"));
        return box;
    }

    private static Node step(Working.Step step) {
        boolean plain = step.formula().isEmpty() && step.numbers().isEmpty();
        if (plain) {
            Label what = Ui.words(step.what());
            HBox.setHgrow(what, Priority.ALWAYS);
            what.setMaxWidth(Double.MAX_VALUE);
            Label result = Ui.label(step.result(), "step-result");
            result.setMinWidth(USE_PREF_SIZE);
            return new HBox(8, what, result);
        }
        VBox box = new VBox(1, Ui.words(step.what(), "step-what"));
        if (!step.formula().isEmpty()) {
            box.getChildren().add(Ui.words(step.formula(), "step-formula"));
        }
        if (!step.numbers().isEmpty()) {
            box.getChildren().add(Ui.words("= " + step.numbers(), "step-numbers"));
        }
        box.getChildren().add(Ui.words("= " + step.result(), "step-result"));
        return box;
    }

    private static Node trust(Verdict v) {
        Spread range = v.working().range();
        VBox box = new VBox(3, Ui.label("How sure is that?", "section"));
        box.getChildren()
                .add(Ui.words("Nine times in ten between " + v.kind().format(v.low()) + " and "
                        + v.kind().format(v.high()) + "."));
        if (!range.blame().isEmpty()) {
            box.getChildren().add(Ui.words("Measure these first; the share is what each adds to the doubt:", "soft"));
        }
        range.blame().stream().filter(b -> b.share() >= 0.005).limit(5).forEach(b -> {
            Label share = Ui.label(Math.round(b.share() * 100) + " %", "step-result", "share");
            Label input = Ui.words(b.input().what() + " of " + b.input().subject() + " ("
                    + b.input().figure().basis().words() + ")");
            HBox.setHgrow(input, Priority.ALWAYS);
            HBox row = new HBox(8, share, input);
            box.getChildren().add(row);
        });
        return box;
    }
}
