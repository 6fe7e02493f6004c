package boldsatchel.desktop.shelf;

import boldsatchel.cost.CostResult;
import boldsatchel.cost.Waiting;
import boldsatchel.desktop.controls.DateField;
import boldsatchel.desktop.controls.RecordForm;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Purchases;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Money;
import boldsatchel.machine.Part;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Guesses;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The ledger, what is in the post, and what can be done meanwhile. */
final class MoneyPane extends VBox {

    private final Desk desk;
    private final Supplier<LocalDate> today;
    private final GridPane sums = Ui.form();
    private final VBox buying = new VBox(6);
    private final VBox orders = new VBox(4);
    private final VBox jobs = new VBox(4);
    private final VBox candidates = new VBox(4);
    private final RecordForm money;
    private final Label first = Ui.words("");
    private final Latest guessing = Latest.following();
    private Optional<List<Object>> shown = Optional.empty();

    MoneyPane(Desk desk, Supplier<LocalDate> today) {
        super(8);
        this.desk = desk;
        this.today = today;
        money = new RecordForm(
                        "money",
                        Money.class,
                        (what, f) -> does(Purchases.money("change money: " + what, m -> (Money) f.apply(m))))
                .only(f -> !f.name().equals("candidates"));
        TextField task = new TextField();
        task.setId("task-new");
        task.setPromptText("Something to be done …");
        HBox.setHgrow(task, Priority.ALWAYS);
        Runnable add = () -> {
            String what = task.getText().strip();
            if (!what.isEmpty()) {
                task.clear();
                tasks("add a task", all -> all.add(new Journal.Task(what, Set.of(), false)));
            }
        };
        task.setOnAction(e -> add.run());
        getChildren()
                .addAll(
                        sums,
                        buying,
                        Ui.label("In the post", "section"),
                        orders,
                        Ui.label("What can be done", "section"),
                        first,
                        jobs,
                        new HBox(6, task, Ui.button("task-add", "Add", "Add it to what is to be done", add)),
                        candidates,
                        Ui.label("Beside the parts", "section"),
                        money);
    }

    private void does(Edit edit) {
        desk.session().does(edit);
    }

    /** Shows the build as it is now, on this day. */
    void show() {
        Evaluation evaluation = desk.session().evaluation().get();
        Build build = evaluation.build();
        LocalDate day = today.get();
        money.in(build.brief().currency()).show(build.money());
        List<Object> now = List.of(
                evaluation.of(CostResult.class),
                build.parts(),
                build.money(),
                build.journal(),
                build.brief(),
                build.layout(),
                build.wiring(),
                desk.session().selection().get(),
                day);
        if (shown.equals(Optional.of(now))) {
            return;
        }
        shown = Optional.of(now);
        showSums(evaluation);
        Waiting waiting = Waiting.of(build, day);
        orders.getChildren().setAll(orders(waiting));
        Set<String> own =
                build.journal().tasks().stream().map(Journal.Task::what).collect(Collectors.toSet());
        jobs.getChildren()
                .setAll(waiting.jobs().stream()
                        .filter(j -> !own.contains(j.what()))
                        .map(this::job)
                        .toList());
        jobs.getChildren().addAll(tasks(build, waiting));
        guessing.ask(() -> Guesses.most(evaluation, 2), guesses -> {
            first.setText("Measure first, it matters most: "
                    + guesses.stream().map(Guesses::words).collect(Collectors.joining("; then ")) + ".");
            first.setVisible(!guesses.isEmpty());
            first.setManaged(!guesses.isEmpty());
        });
        showBuying(day);
        showCandidates(build);
    }

    private void showSums(Evaluation evaluation) {
        Build build = evaluation.build();
        CostResult cost = evaluation.of(CostResult.class);
        String in = build.brief().currency();
        sums.getChildren().clear();
        sum("Spent", cost.spent(), in);
        sum("Still to be spent", cost.toBuy(), in);
        sum("Together", cost.all().nominal(), in);
        State state = evaluation.verdict(Verdict.Kind.COSTS).state();
        Node limit = build.brief()
                .limits()
                .money()
                .<Node>map(l -> new HBox(
                        6, StateMark.of(state, 10), Ui.label("of " + in + " " + amount(l) + " in the brief", "soft")))
                .orElse(Ui.label("no limit in the brief", "soft"));
        sums.add(limit, 0, sums.getRowCount(), 2, 1);
        sum("Owned, its worth", cost.owned(), in);
        if (!cost.unrated().isEmpty()) {
            sums.add(
                    Ui.words("Not in it, no rate: " + String.join(", ", cost.unrated()), "field-error"),
                    0,
                    sums.getRowCount(),
                    3,
                    1);
        }
    }

    private void sum(String what, double amount, String in) {
        Label value = Ui.label(in + " " + amount(amount), "number");
        value.setMinWidth(USE_PREF_SIZE);
        value.setId("sum-" + sums.getRowCount());
        sums.addRow(sums.getRowCount(), Ui.label(what), value);
    }

    private static String amount(double value) {
        return String.format(java.util.Locale.ROOT, "%.2f", value);
    }

    private List<Node> orders(Waiting waiting) {
        List<Node> rows = new ArrayList<>();
        for (Waiting.Awaited a : waiting.orders()) {
            HBox row = new HBox(
                    6,
                    StateMark.of(a.daysLate() > 0 ? State.WATCH : State.FINE, 10),
                    Ui.words(a.part().name() + ": " + a.words()));
            row.setAlignment(Pos.TOP_LEFT);
            row.setId("awaited-" + a.part().id());
            rows.add(row);
        }
        if (rows.isEmpty()) {
            rows.add(Ui.words("Nothing is on its way. Select a part on the left to order it.", "soft"));
        }
        return rows;
    }

    private Node job(Waiting.Job job) {
        String text = job.now() ? job.what() : job.what() + ": waits for " + job.waits();
        Label when = Ui.label(job.now() ? "now" : "later", "badge");
        when.setMinWidth(USE_PREF_SIZE);
        return new HBox(6, when, Ui.words(text, job.now() ? "plain" : "soft"));
    }

    /** The builder's own tasks, to be ticked off and tied to what they wait for. */
    private List<Node> tasks(Build build, Waiting waiting) {
        List<Node> rows = new ArrayList<>();
        List<Journal.Task> all = build.journal().tasks();
        for (int i = 0; i < all.size(); i++) {
            int index = i;
            Journal.Task task = all.get(i);
            CheckBox done = new CheckBox(task.what());
            done.setId("task-" + i);
            done.setSelected(task.done());
            done.setOnAction(e -> {
                boolean is = done.isSelected();
                tasks(
                        "tick off “" + task.what() + "”",
                        list -> list.set(index, new Journal.Task(task.what(), task.waitsFor(), is)));
            });
            MenuButton waits = new MenuButton("waits for …");
            waits.setId("task-waits-" + i);
            for (Part part : build.parts().list()) {
                CheckMenuItem item = new CheckMenuItem(part.name());
                item.setSelected(task.waitsFor().contains(part.id()));
                item.setOnAction(e -> {
                    Set<String> ids = new HashSet<>(task.waitsFor());
                    if (!ids.remove(part.id())) {
                        ids.add(part.id());
                    }
                    tasks(
                            "say what “" + task.what() + "” waits for",
                            list -> list.set(index, new Journal.Task(task.what(), ids, task.done())));
                });
                waits.getItems().add(item);
            }
            Node remove = Ui.button(
                    "task-remove-" + i,
                    "×",
                    "Take this task off the list",
                    () -> tasks("remove a task", list -> list.remove(index)));
            HBox row = new HBox(6, done, Ui.spring(), waits, remove);
            row.setAlignment(Pos.CENTER_LEFT);
            rows.add(row);
            waiting.jobs().stream()
                    .filter(j -> j.what().equals(task.what()) && !j.now())
                    .findFirst()
                    .ifPresent(j -> rows.add(Ui.words("later: waits for " + j.waits(), "soft")));
        }
        return rows;
    }

    private void tasks(String name, java.util.function.Consumer<List<Journal.Task>> change) {
        does(Edits.journal(name, j -> {
            List<Journal.Task> all = new ArrayList<>(j.tasks());
            change.accept(all);
            return j.withTasks(all);
        }));
    }

    /** What can be done about the selected part. */
    private void showBuying(LocalDate day) {
        buying.getChildren().clear();
        desk.session().selectedPart().ifPresent(part -> {
            buying.getChildren()
                    .add(Ui.label(part.name() + ", " + part.standing().words(), "section"));
            for (Purchase.Quote quote : part.purchase().quotes()) {
                buying.getChildren().add(quote(part, quote));
            }
            if (part.purchase().quotes().isEmpty()) {
                buying.getChildren()
                        .add(Ui.words("Offers of several sellers are entered in the panel on the right.", "soft"));
            }
            if (part.standing() == Part.Standing.ORDERED) {
                buying.getChildren()
                        .add(new HBox(
                                6,
                                Ui.button(
                                        "order-arrived",
                                        "It is here",
                                        "It came today",
                                        () -> does(Purchases.arrived(part, day))),
                                Ui.button(
                                        "order-wrong",
                                        "The wrong one came",
                                        "It is paid, and still to be bought",
                                        () -> does(Purchases.wrongOne(part, day)))));
            } else if (!part.standing().here()) {
                buying.getChildren().add(ordering(part, day));
            }
        });
    }

    private Node quote(Part part, Purchase.Quote quote) {
        String in = quote.currency().isBlank() ? desk.session().shown().brief().currency() : quote.currency();
        String text = quote.from() + ": " + in + " " + amount(quote.price().value())
                + (quote.shipping() > 0 ? " and " + amount(quote.shipping()) + " shipping" : "") + ", "
                + quote.days() + " days";
        Label said = Ui.words(text);
        HBox row = new HBox(
                6,
                said,
                Ui.spring(),
                Ui.button("take-" + quote.from(), "Take it", "Its price and shipping count from now on", () -> {
                    try {
                        does(Purchases.take(part, quote));
                    } catch (IllegalArgumentException e) {
                        said.setText(text + ". Not yet: " + e.getMessage() + ".");
                    }
                }));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Node ordering(Part part, LocalDate day) {
        TextField from = new TextField(
                part.purchase().quotes().isEmpty()
                        ? ""
                        : part.purchase().quotes().getFirst().from());
        from.setId("order-from");
        from.setPromptText("from whom");
        from.setPrefColumnCount(8);
        LocalDate[] days = {
            day,
            day.plusDays(part.purchase().quotes().stream()
                    .mapToInt(Purchase.Quote::days)
                    .min()
                    .orElse(7))
        };
        DateField on = new DateField("order-on", d -> days[0] = d.orElse(day));
        DateField due = new DateField("order-due", d -> days[1] = d.orElse(days[1]));
        on.show(Optional.of(days[0]));
        due.show(Optional.of(days[1]));
        GridPane form = Ui.form();
        Ui.row(form, "ordered from", from);
        Ui.row(form, "on", on);
        Ui.row(form, "promised for", due);
        return new VBox(
                6,
                form,
                Ui.button(
                        "order",
                        "It is ordered",
                        "Ordered and paid: its price counts as spent",
                        () -> does(Purchases.order(
                                part,
                                new Purchase.Order(
                                        from.getText().strip(),
                                        Optional.of(days[0]),
                                        Optional.of(days[1]),
                                        Optional.empty())))));
    }

    private void showCandidates(Build build) {
        candidates.getChildren().clear();
        List<Money.Candidate> all = build.money().candidates();
        if (all.isEmpty()) {
            return;
        }
        candidates.getChildren().add(Ui.label("Candidates, of which one is kept", "section"));
        for (Money.Candidate candidate : all) {
            String instead = build.part(candidate.insteadOf()).map(Part::name).orElse("a part that is gone");
            String price = build.brief().currency() + " "
                    + Units.format(candidate.part().price().value(), 2, "");
            Label words = Ui.words(candidate.part().name() + " for " + instead + ", "
                    + candidate.part().standing().words() + ", " + price);
            HBox row = new HBox(
                    6,
                    words,
                    Ui.spring(),
                    Ui.button(
                            "keep-" + candidate.part().id(),
                            "Keep this one",
                            "It takes the place of the other",
                            () -> does(Purchases.keep(candidate))),
                    Ui.button(
                            "give-up-" + candidate.part().id(),
                            "Give it up",
                            "What it has cost stays spent",
                            () -> does(Purchases.giveUp(candidate))));
            row.setAlignment(Pos.CENTER_LEFT);
            candidates.getChildren().add(row);
        }
    }
}
