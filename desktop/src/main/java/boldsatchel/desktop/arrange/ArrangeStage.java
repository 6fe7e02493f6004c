package boldsatchel.desktop.arrange;

import boldsatchel.arrange.Aim;
import boldsatchel.arrange.Arrangements;
import boldsatchel.arrange.Change;
import boldsatchel.arrange.Onlooker;
import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.RoomMaking;
import boldsatchel.arrange.Wish;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.PlaceEdits;
import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Proposals for how the parts of a tray could lie: looked for, compared, one taken over. */
public final class ArrangeStage implements WorkStage {

    private static final double AGAINST = 320;

    private final Desk desk;
    private final int rounds;
    private final VBox content = new VBox(8);
    private final ComboBox<Trays> trays = Ui.choice("arrange-tray", Trays::words);
    private final ComboBox<Walls> walls = Ui.choice("arrange-walls", Walls.values(), Walls.STAY, Walls::words);
    private final ComboBox<Task> task = Ui.choice("arrange-task", Task.values(), Task.AS_THEY_ARE, Task::words);
    private final MenuButton more = new MenuButton();
    private final MenuButton locks = new MenuButton();
    private final MenuButton wishes = new MenuButton();
    private final Set<Aim> wished = new LinkedHashSet<>();
    private final Button look;
    private final Button enough;
    private final Button cancel;
    private final Button take;
    private final Label told = Ui.words("", "soft");
    private final Label problem = Ui.words("", "problem");
    private final FlowPane cards = new FlowPane(8, 8);
    private final AgainstPane against;
    private final Latest pictures = Latest.following();
    private Latest search = Latest.only();
    private List<Proposal> proposals = List.of();
    private int chosen = -1;
    private Optional<Part> another = Optional.empty();
    private int offered = -1;
    private Optional<Looking> looking = Optional.empty();
    private boolean filling;

    /** Whether walls may be elsewhere. */
    private enum Walls {
        STAY("walls stay where they are", Optional.empty()),
        SMALLEST("as small a case as it takes", Optional.of(1.0)),
        BY_FIVES("as small, in steps of 5 mm", Optional.of(5.0)),
        BY_TENS("as small, in steps of 10 mm", Optional.of(10.0));

        private final String words;
        private final Optional<Double> stepMm;

        Walls(String words, Optional<Double> stepMm) {
            this.words = words;
            this.stepMm = stepMm;
        }

        String words() {
            return words;
        }
    }

    /** What is laid. */
    private enum Task {
        AS_THEY_ARE("the parts as they are"),
        MAKE_ROOM("make room: one part turned or replaced"),
        ONE_MORE("one more part from the shelf");

        private final String words;

        Task(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /**
     * What is arranged.
     *
     * @param ids of the trays
     */
    private record Trays(List<String> ids, String words) {}

    /** The stage on a desk. */
    public ArrangeStage(Desk desk) {
        this(desk, Wish.ROUNDS);
    }

    /**
     * One that tries so often.
     *
     * @param rounds on each thread at most
     */
    public ArrangeStage(Desk desk, int rounds) {
        this.desk = desk;
        this.rounds = rounds;
        content.getStyleClass().add("stage");
        locks.setId("arrange-locks");
        locks.setMinWidth(Region.USE_PREF_SIZE);
        look = Ui.button(
                "arrange-look",
                "Look for arrangements",
                "Tries thousands and keeps those that nothing beats",
                this::look);
        enough = Ui.button(
                "arrange-enough",
                "Enough: keep these",
                "Ends the search with what it found",
                () -> looking.ifPresent(Looking::enough));
        cancel = Ui.button("arrange-cancel", "Cancel", "Ends the search and leaves all as it was", this::cancel);
        take = Ui.button(
                "arrange-take", "Take it over", "The parts lie like that then, as one step to undo", this::take);
        told.setId("arrange-told");
        problem.setId("arrange-problem");
        against = new AgainstPane(this::choose);
        trays.setOnAction(e -> {
            if (!filling) {
                refresh();
            }
        });
        more.setId("arrange-more");
        more.setMinWidth(Region.USE_PREF_SIZE);
        task.setOnAction(e -> refresh());
        wishes.setId("arrange-wishes");
        wishes.setMinWidth(Region.USE_PREF_SIZE);
        Aim.ALL.forEach(this::mayWish);
        wishes.setOnShowing(e -> wishable());
        tellWishes();
        FlowPane tools = new FlowPane(8, 6, trays, task, more, walls, locks, wishes, look, enough, cancel);
        tools.setAlignment(Pos.CENTER_LEFT);
        cards.setId("proposals");
        cards.setRowValignment(VPos.TOP);
        ScrollPane left = Ui.scroll(cards);
        HBox.setHgrow(left, Priority.ALWAYS);
        VBox right = new VBox(8, take, against);
        right.setPadding(new Insets(0, 8, 0, 0));
        ScrollPane comparison = Ui.scroll(right);
        comparison.setMinWidth(AGAINST);
        comparison.setPrefWidth(AGAINST);
        comparison.visibleProperty().bind(against.visibleProperty());
        comparison.managedProperty().bind(against.visibleProperty());
        HBox both = new HBox(8, left, comparison);
        VBox.setVgrow(both, Priority.ALWAYS);
        content.getChildren().addAll(tools, told, problem, both);
        against.show(List.of(), -1, false);
        Ui.present(problem, false);
        searching(false);
        desk.keepShowing(content, this::refresh);
    }

    @Override
    public String title() {
        return "Arrange";
    }

    @Override
    public String purpose() {
        return "proposals for how the parts could lie";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public void addCommands(Commands commands) {
        commands.add("Look for arrangements", this::look);
    }

    /** Something to arrange: parts without a place, or in the way of one another. */
    @Override
    public State standing(Evaluation evaluation) {
        FitResult fit = evaluation.of(FitResult.class);
        boolean isPacked = fit.onTheTable().isEmpty()
                && fit.clashes().isEmpty()
                && fit.outside().isEmpty();
        return isPacked ? State.FINE : State.WATCH;
    }

    /** The trays that are arranged; none where there is no case. */
    private List<Shell> arranged() {
        Build build = desk.session().build();
        return Optional.ofNullable(trays.getValue()).stream()
                .flatMap(t -> t.ids().stream())
                .flatMap(id -> build.shell(id).stream())
                .toList();
    }

    private static List<Trays> toArrange(Build build) {
        List<Trays> all = new ArrayList<>();
        build.casing().shells().forEach(s -> all.add(new Trays(List.of(s.id()), s.name())));
        if (all.size() > 1) {
            all.add(new Trays(all.stream().flatMap(t -> t.ids().stream()).toList(), "all trays together"));
        }
        return all;
    }

    private void refresh() {
        Build build = desk.session().build();
        List<Trays> now = toArrange(build);
        if (!now.equals(trays.getItems())) {
            filling = true;
            boolean isNew = trays.getValue() == null;
            Ui.offer(trays, now, t -> String.join(" ", t.ids()));
            if (isNew) {
                Arrangements.fullest(build)
                        .ifPresent(s -> now.stream()
                                .filter(t -> t.ids().equals(List.of(s.id())))
                                .findFirst()
                                .ifPresent(trays::setValue));
            }
            filling = false;
        }
        boolean isMore = task.getValue() == Task.ONE_MORE;
        Ui.present(more, isMore);
        if (isMore) {
            offerMore();
        }
        look.setDisable(arranged().isEmpty() || (isMore && another.isEmpty()));
        walls.setDisable(arranged().stream().allMatch(s -> s.making() == Shell.Making.FOUND));
        lockable(build);
        if (looking.isEmpty()) {
            tell();
        }
        draw();
    }

    /** All that is on the shelf, by family. */
    private void offerMore() {
        if (offered != desk.libraryRevision()) {
            offered = desk.libraryRevision();
            more.getItems().clear();
            for (Family family : Family.values()) {
                Menu menu = new Menu(family.words());
                desk.library().parts().stream()
                        .filter(p -> p.family() == family)
                        .forEach(p -> {
                            MenuItem item = new MenuItem(p.name());
                            item.setOnAction(e -> {
                                another = Optional.of(p);
                                refresh();
                            });
                            menu.getItems().add(item);
                        });
                if (!menu.getItems().isEmpty()) {
                    more.getItems().add(menu);
                }
            }
        }
        more.setText(another.map(Part::name).orElse("Which part?"));
    }

    /** Which parts stay where they are, to be ticked. */
    private void lockable(Build build) {
        List<MenuItem> items = new ArrayList<>();
        int locked = 0;
        for (Placement at : build.layout().placements()) {
            Optional<Part> part = build.part(at.part());
            if (part.isPresent() && arranged().stream().anyMatch(s -> s.id().equals(at.shell()))) {
                CheckMenuItem item = new CheckMenuItem(part.get().name());
                item.setSelected(at.locked());
                item.setOnAction(e -> desk.session().does(PlaceEdits.lock(part.get(), !at.locked())));
                items.add(item);
                locked += at.locked() ? 1 : 0;
            }
        }
        locks.setText(locked == 0 ? "All may move" : locked + " of " + items.size() + " stay");
        locks.setDisable(items.isEmpty());
        if (!locks.isShowing()) {
            locks.getItems().setAll(items);
        }
    }

    private void mayWish(Aim aim) {
        CheckMenuItem item = new CheckMenuItem(aim.words());
        item.setUserData(aim);
        item.setOnAction(e -> {
            if (!wished.remove(aim)) {
                wished.add(aim);
            }
            item.setSelected(wished.contains(aim));
            tellWishes();
        });
        wishes.getItems().add(item);
    }

    /** What there is nothing of to read cannot be wished for, as what nobody holds is not light in the hands. */
    private void wishable() {
        Evaluation evaluation = desk.session().evaluation().get();
        for (MenuItem item : wishes.getItems()) {
            item.setDisable(item.getUserData() instanceof Aim aim && !aim.isOf(evaluation));
        }
    }

    private void tellWishes() {
        wishes.setText(
                switch (wished.size()) {
                    case 0 -> "Wish for more";
                    case 1 -> wished.iterator().next().words();
                    default -> wished.size() + " wishes";
                });
    }

    private void tell() {
        if (trays.getItems().isEmpty()) {
            told.setText("There is no case yet. Take one on the Shelf (“Take another case”).");
        } else if (proposals.isEmpty()) {
            told.setText(
                    switch (task.getValue()) {
                        case AS_THEY_ARE ->
                            "The parts of a tray are laid thousands of times otherwise, each judged by"
                                    + " all engines; what touches or is grouped moves as one, what is locked stays."
                                    + " What is found changes nothing until you take one over.";
                        case MAKE_ROOM ->
                            "Where not everything goes in: each part is tried on another side, and"
                                    + " replaced by smaller ones of its family from the shelf, until all has a place."
                                    + " You see which would do, and what each costs.";
                        case ONE_MORE ->
                            "Where would one more part go? It is laid beside what is there, which moves"
                                    + " aside where it has to; what is locked stays.";
                    });
        }
    }

    private void look() {
        List<String> ids = arranged().stream().map(Shell::id).toList();
        if (looking.isPresent() || ids.isEmpty()) {
            return;
        }
        Build build = desk.session().build();
        Wish wish = new Wish(ids, walls.getValue().stepMm, wished, 1, 2, rounds);
        Looking now = new Looking(this::watch);
        looking = Optional.of(now);
        searching(true);
        watch();
        Task sought = task.getValue();
        Change change =
                another.filter(p -> sought == Task.ONE_MORE).map(Change::more).orElse(Change.NONE);
        List<Part> shelf = sought == Task.MAKE_ROOM ? desk.library().parts() : List.of();
        search.ask(() -> sought(sought, build, change, wish, shelf, now), answer -> {
            looking = Optional.empty();
            searching(false);
            if (now.isCancelled()) {
                refresh();
            } else {
                found(answer);
            }
        });
    }

    /** What a search found, and in words what it is, or why there is nothing. */
    private record Answer(List<Proposal> found, String words) {}

    private static Answer sought(
            Task task, Build build, Change change, Wish wish, List<Part> shelf, Onlooker onlooker) {
        if (task == Task.MAKE_ROOM) {
            List<Proposal> found = RoomMaking.find(build, wish, shelf, onlooker);
            return new Answer(found, found.isEmpty() ? RoomMaking.whyNone(build, wish) : madeRoom(found));
        }
        List<Proposal> found = Arrangements.find(build, change, wish, onlooker);
        return new Answer(found, found.isEmpty() ? Arrangements.whyNone(build, change, wish) : unbeaten(found.size()));
    }

    private static String unbeaten(int found) {
        return found + (found == 1 ? " arrangement" : " arrangements")
                + " that nothing found beats. Cables that were laid are laid again in them.";
    }

    private static String madeRoom(List<Proposal> found) {
        boolean asTheyAre = found.stream().allMatch(p -> p.change().equals(Change.NONE));
        return asTheyAre
                ? "Everything goes in as it is, laid otherwise: no part has to be changed. Look for arrangements of"
                        + " the parts as they are for more."
                : found.size()
                        + (found.size() == 1 ? " change" : " changes")
                        + " of a single part, each of which lets everything go in.";
    }

    private void found(Answer answer) {
        proposals = answer.found();
        boolean isNone = proposals.isEmpty();
        chosen = isNone ? -1 : 0;
        told.setText(isNone ? "" : answer.words());
        problem.setText(isNone ? answer.words() : "");
        Ui.present(problem, isNone);
        draw();
    }

    /** While it searches: how much was tried, and what was found so far. */
    private void watch() {
        looking.ifPresent(l -> {
            Ui.present(problem, false);
            told.setText(String.format(
                    Locale.ROOT,
                    "Tried %,d of %,d · %d found so far; their cables are laid at the end.",
                    l.tried(),
                    l.most(),
                    l.found().size()));
            if (!l.found().equals(proposals)) {
                proposals = l.found();
                chosen = -1;
                draw();
            }
        });
    }

    private void searching(boolean is) {
        Ui.present(look, !is);
        Ui.present(enough, is);
        Ui.present(cancel, is);
        trays.setDisable(is || trays.getItems().size() < 2);
        task.setDisable(is);
        more.setDisable(is);
    }

    /** At once: what is still at work ends by itself, and nobody hears of it. */
    private void cancel() {
        looking.ifPresent(Looking::cancel);
        looking = Optional.empty();
        search.end();
        search = Latest.only();
        searching(false);
        proposals = List.of();
        chosen = -1;
        refresh();
    }

    private void choose(int which) {
        chosen = which;
        mark();
    }

    private void mark() {
        for (int i = 0; i < cards.getChildren().size(); i++) {
            ((ProposalCard) cards.getChildren().get(i)).choose(i == chosen);
        }
        against.show(proposals, chosen, desk.dark().get());
        boolean may = chosen >= 0 && looking.isEmpty();
        Ui.present(take, !proposals.isEmpty());
        take.setDisable(!may);
        take.setText(chosen >= 0 ? "Take over proposal " + (chosen + 1) : "Take it over");
    }

    /** Pictures are worked out beside the window. */
    private void draw() {
        List<Proposal> shown = proposals;
        boolean dark = desk.dark().get();
        pictures.ask(() -> shown.stream().map(ArrangeStage::lifted).toList(), drawn -> {
            List<ProposalCard> made = new ArrayList<>();
            for (int i = 0; i < drawn.size(); i++) {
                int one = i;
                made.add(new ProposalCard(i + 1, shown.get(i), drawn.get(i), dark, () -> choose(one)));
            }
            cards.getChildren().setAll(made);
            mark();
        });
    }

    private static Drawing lifted(Proposal proposal) {
        String standing = proposal.build().casing().standing().map(Shell::id).orElseThrow();
        return PackDrawings.of(
                        proposal.evaluation(), new PackDrawings.Look(PackView.EXPLODED, standing, Posture.CLOSED))
                .bare();
    }

    private void take() {
        if (chosen < 0) {
            return;
        }
        Attempt attempt = proposals
                .get(chosen)
                .takenOver("take over proposal " + (chosen + 1), desk.session().build());
        attempt.allowed().ifPresent(desk.session()::does);
        problem.setText(attempt.refusal().orElse(""));
        Ui.present(problem, attempt.refusal().isPresent());
        attempt.allowed().ifPresent(e -> told.setText("The parts lie so now. Undo brings back how they lay."));
    }
}
