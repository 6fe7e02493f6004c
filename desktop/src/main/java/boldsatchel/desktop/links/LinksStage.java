package boldsatchel.desktop.links;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.StateMark;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.HarnessDrawing;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.LinkEdits;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;

/** What is plugged into what: the harness as on a board, and under it every need with what meets it. */
public final class LinksStage implements WorkStage {

    private static final PseudoClass REFUSED = PseudoClass.getPseudoClass("refused");
    private static final double LEAST_DRAG = 4;
    /** Larger than to scale, px/mm, nothing is drawn. */
    private static final double MOST_SCALE = 4.2;

    private static final int MOST_INSTEAD = 12;
    private static final double LEAST_GROUND = 160;
    private static final double AROUND = 24;

    private final Desk desk;
    private final VBox content = new VBox(6);
    private final DrawingView board = new DrawingView().atMost(MOST_SCALE);
    private final StackPane ground = new StackPane();
    private final Line carried = new Line();
    private final ListView<Need> needs = new ListView<>();
    private final ComboBox<Link.End> into = Ui.choice("plug-into", this::socketName);
    private final Button unplug = Ui.button("unplug", "Unplug", "Unplug what meets it; the cable stays", this::unplug);
    private final Button leave =
            Ui.button("leave-open", "Leave open", "Leave this need open on purpose", this::leaveOpen);
    private final Button instead =
            Ui.button("instead", "Instead …", "What else off the shelf would talk in its place", this::instead);
    private final Label facts = Ui.label("", "soft");
    private final Label hint = Ui.words("", "soft");
    private final Latest planning = Latest.only();
    private final SheetPane sheet;
    private final ComboBox<Optional<String>> views;
    private Optional<Point2D> pressed = Optional.empty();
    private Optional<Link.End> from = Optional.empty();
    private boolean filling;

    /**
     * The stage on a desk.
     *
     * @param print puts a table where it can be printed from
     */
    public LinksStage(Desk desk, Consumer<Table> print) {
        this.desk = desk;
        sheet = new SheetPane(desk, print);
        views = Ui.choice("links-view", v -> v.map(Sheets::title).orElse("Harness"));
        content.getStyleClass().add("stage");
        facts.setId("links-facts");
        hint.setId("links-hint");
        HBox tools = new HBox(
                8,
                Ui.button(
                        "connect",
                        "Connect for me",
                        "Find cables, hubs and adapters for all that is still open",
                        this::connect),
                facts,
                Ui.spring(),
                views);
        tools.setAlignment(Pos.CENTER_LEFT);
        board.setId("harness");
        board.setFocusTraversable(true);
        board.setOnMousePressed(this::press);
        board.setOnMouseDragged(this::drag);
        board.setOnMouseReleased(this::drop);
        carried.getStyleClass().add("drop-between");
        carried.setVisible(false);
        Pane over = new Pane(carried);
        over.setMouseTransparent(true);
        ground.getChildren().addAll(board, over);
        ground.getStyleClass().add("ladder-ground");
        ground.setMinHeight(LEAST_GROUND);
        ground.widthProperty().addListener((o, was, is) -> fit());
        VBox.setVgrow(needs, Priority.ALWAYS);
        needs.setId("needs");
        needs.setMinHeight(120);
        needs.setPrefHeight(216);
        needs.setAccessibleText("Needs and what meets them");
        needs.setCellFactory(l -> new Row());
        needs.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> showChoices());
        needs.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        into.setPrefWidth(300);
        into.setAccessibleText("Plug the selected need into");
        into.setOnAction(e -> plugInto());
        HBox chosen = new HBox(8, Ui.label("plug into"), into, unplug, leave, instead);
        chosen.setAlignment(Pos.CENTER_LEFT);
        VBox harness = new VBox(6, ground, needs, chosen, hint);
        VBox.setVgrow(harness, Priority.ALWAYS);
        VBox.setVgrow(sheet, Priority.ALWAYS);
        content.getChildren().addAll(tools, harness);
        views.setAccessibleText("Harness or a table to print");
        views.getItems().add(Optional.empty());
        Sheets.WIRED.forEach(id -> views.getItems().add(Optional.of(id)));
        views.setValue(Optional.empty());
        views.setOnAction(e -> {
            content.getChildren().set(1, views.getValue().isPresent() ? sheet : harness);
            views.getValue().ifPresent(sheet::choose);
        });
        restHint();
        desk.keepShowing(content, this::drawn, this::show);
    }

    @Override
    public String title() {
        return "Links";
    }

    @Override
    public String purpose() {
        return "what talks to what";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public void addCommands(Commands commands) {
        commands.add("Connect for me: cables, hubs and adapters for all that is open", this::connect);
    }

    @Override
    public State standing(Evaluation evaluation) {
        return evaluation.verdict(Verdict.Kind.CONNECTS).state();
    }

    private Build build() {
        return desk.session().build();
    }

    private LinksResult links() {
        return desk.session().evaluation().get().of(LinksResult.class);
    }

    private Drawing drawn(Evaluation evaluation) {
        return HarnessDrawing.board(
                evaluation.build(),
                evaluation.of(LinksResult.class),
                desk.session().selection().get());
    }

    private void show(Drawing drawing) {
        filling = true;
        board.show(drawing, desk.dark().get());
        fit();
        List<Need> all = links().needs();
        int at = needs.getSelectionModel().getSelectedIndex();
        if (!needs.getItems().equals(all)) {
            needs.getItems().setAll(all);
            if (!all.isEmpty()) {
                needs.getSelectionModel().select(Math.clamp(at, 0, all.size() - 1));
            }
        }
        facts.setText(
                desk.session().evaluation().get().verdict(Verdict.Kind.CONNECTS).sentence());
        filling = false;
        showChoices();
    }

    /** As high as the harness is at the width there is; the list has the rest. */
    private void fit() {
        Drawing drawing = board.drawing();
        double scale = Math.min(MOST_SCALE, (ground.getWidth() - AROUND) / drawing.widthMm());
        double height = Math.max(LEAST_GROUND, drawing.heightMm() * scale + AROUND);
        ground.setPrefHeight(height);
        ground.setMaxHeight(height);
    }

    private void restHint() {
        say("Drag from socket to socket, or choose a need below and where to plug it in. Delete unplugs it.", false);
    }

    private void say(String words, boolean refused) {
        hint.setText(words);
        hint.pseudoClassStateChanged(REFUSED, refused);
    }

    private String partName(String id) {
        return build().part(id).map(Part::name).orElse(id);
    }

    private String socketName(Link.End end) {
        return "“" + port(end).map(Port::words).orElse(end.port()) + "” of " + partName(end.part());
    }

    private Optional<Port> port(Link.End end) {
        return build().part(end.part()).flatMap(p -> p.port(end.port()));
    }

    /** A name without what is only detail. */
    private String shortName(String id) {
        String name = partName(id);
        int comma = name.indexOf(", ");
        return comma < 0 ? name : name.substring(0, comma);
    }

    /** Where a need is met from, or why it is not. */
    private String whence(Need need) {
        return switch (need.why()) {
            case MET -> {
                Link.End giver = need.route().orElseThrow().giver();
                yield port(giver).map(Port::words).orElse(giver.port()) + " of " + shortName(giver.part());
            }
            case UNPLUGGED ->
                need.pluggable()
                        ? "open: nothing is plugged in"
                        : need.givers() == 0 ? "open: nothing here gives it" : "open: no socket is left";
            case NO_DATA -> "open: what is plugged in carries none";
            case LEADS_NOWHERE -> "open: its cable leads nowhere";
            case WAIVED -> "left open on purpose";
        };
    }

    /** By which cables and hubs, and how fast. */
    private String by(Need need) {
        return need.route()
                .map(r -> {
                    String way = r.through().isEmpty()
                            ? "directly"
                            : r.through().stream().map(this::shortName).collect(Collectors.joining(", "));
                    String rate = switch (r.taken().signal().kind()) {
                        case USB, PCIE, SATA, CARD, ETHERNET ->
                            " · " + rate(r.bitsPerSecond()) + (need.slow() ? ", slow" : "");
                        default -> "";
                    };
                    return way + rate;
                })
                .orElse("");
    }

    private static String rate(double bitsPerSecond) {
        return bitsPerSecond < 1e9
                ? Units.format(bitsPerSecond / 1e6, 0, "Mbit/s")
                : Units.format(bitsPerSecond / 1e9, 1, "Gbit/s");
    }

    private static State state(Need need) {
        return need.open() && !need.pluggable() ? State.STOP : need.open() || need.slow() ? State.WATCH : State.FINE;
    }

    /** A row of the list. */
    private final class Row extends ListCell<Need> {
        Row() {
            // As wide as the list, so that it is never moved sideways.
            setPrefWidth(0);
        }

        private static Label column(String text, double width) {
            Label label = Ui.label(text);
            label.setMinWidth(60);
            label.setPrefWidth(width);
            return label;
        }

        @Override
        protected void updateItem(Need need, boolean empty) {
            super.updateItem(need, empty);
            if (empty || need == null) {
                setText(null);
                setGraphic(null);
                return;
            }
            HBox box = new HBox(
                    8,
                    StateMark.of(state(need), 11),
                    column(shortName(need.part()) + ", " + need.duty(), 240),
                    column(whence(need), 210),
                    column(by(need), 320));
            box.setAlignment(Pos.CENTER_LEFT);
            setGraphic(box);
            setAccessibleText(state(need).words() + ", " + partName(need.part()) + ", " + need.duty() + ", "
                    + whence(need) + ", " + by(need));
        }
    }

    private Optional<Need> chosen() {
        return Optional.ofNullable(needs.getSelectionModel().getSelectedItem());
    }

    private void showChoices() {
        if (filling) {
            return;
        }
        filling = true;
        Optional<Need> need = chosen();
        into.getItems().setAll(need.map(n -> LinkPlanner.givers(build(), n)).orElse(List.of()));
        into.setValue(
                need.flatMap(Need::route).map(r -> r.hops().getFirst().giver()).orElse(null));
        into.setDisable(into.getItems().isEmpty());
        instead.setDisable(need.isEmpty());
        unplug.setDisable(need.flatMap(Need::route).isEmpty());
        leave.setDisable(need.isEmpty() || need.get().why() == Need.Why.MET);
        leave.setText(need.filter(n -> n.why() == Need.Why.WAIVED).isPresent() ? "Ask again" : "Leave open");
        filling = false;
    }

    private void plugInto() {
        if (filling || into.getValue() == null) {
            return;
        }
        Link.End giver = into.getValue();
        chosen().ifPresent(need -> attempt((build, shelf) -> LinkPlanner.plug(build, need, giver, shelf)));
    }

    /** Looks beside the window for what can be done, then does it, or says why not. */
    private void attempt(BiFunction<Build, List<Part>, Attempt> what) {
        Build now = build();
        List<Part> shelf = desk.library().parts();
        planning.ask(() -> what.apply(now, shelf), this::attempt);
    }

    private void attempt(Attempt attempt) {
        attempt.allowed().ifPresent(e -> {
            desk.session().does(e);
            say("Done: " + e.name() + ". Ctrl Z undoes it.", false);
        });
        attempt.refusal().ifPresent(why -> {
            say(why, true);
            showChoices();
        });
    }

    private void unplug() {
        chosen().flatMap(Need::route).ifPresent(r -> {
            Link.End taker = r.hops().getFirst().taker();
            build().part(taker.part())
                    .ifPresent(p -> p.port(taker.port())
                            .ifPresent(q -> attempt(new Attempt.Allowed(LinkPlanner.unplug(p, q)))));
        });
    }

    private void leaveOpen() {
        chosen().ifPresent(n -> build().part(n.part())
                .ifPresent(
                        p -> attempt(new Attempt.Allowed(LinkEdits.waive(p, n.duty(), n.why() != Need.Why.WAIVED)))));
    }

    /** Looks for what could stand in for the part of the chosen need, and offers it. */
    private void instead() {
        Optional<Part> part = chosen().flatMap(n -> build().part(n.part()));
        Build now = build();
        List<Part> shelf = desk.library().parts();
        part.ifPresent(p -> {
            say("Looking over the shelf …", false);
            planning.ask(
                    () -> LinkPlanner.substitutes(now, p, shelf)
                            .limit(MOST_INSTEAD)
                            .toList(),
                    found -> offer(p, found, shelf));
        });
    }

    private void offer(Part part, List<Part> found, List<Part> shelf) {
        if (found.isEmpty()) {
            say("Nothing else on the shelf would talk in the place of " + part.name() + ".", true);
            return;
        }
        say(
                "Any of these would talk in the place of " + part.name() + ". Size and volts are judged once it is in.",
                false);
        ContextMenu menu = new ContextMenu();
        menu.setId("instead-menu");
        for (Part by : found) {
            MenuItem item = new MenuItem(by.name() + " · " + limits(by));
            item.setOnAction(e -> attempt(new Attempt.Allowed(LinkPlanner.swap(part, by, shelf))));
            menu.getItems().add(item);
        }
        menu.show(instead, Side.TOP, 0, 0);
    }

    /** What else has to fit: size, and the volts that it works from. */
    private static String limits(Part part) {
        String size = Units.format(part.body().widthMm().value(), 0, "") + " × "
                + Units.format(part.body().depthMm().value(), 0, "") + " × "
                + Units.format(part.body().heightMm().value(), 0, "mm");
        return size
                + part.facet(Facet.DrawsPower.class)
                        .map(d -> ", " + Units.format(d.lowV()) + " to " + Units.format(d.highV(), 1, "V"))
                        .orElse("");
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.DELETE) {
            unplug();
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER) {
            into.requestFocus();
            into.show();
            e.consume();
        }
    }

    private void connect() {
        Build now = build();
        List<Part> shelf = desk.library().parts();
        say("Looking for cables …", false);
        planning.ask(() -> LinkPlanner.connect(now, shelf), plan -> {
            plan.edit().ifPresent(desk.session()::does);
            String stuck = plan.stuck().stream()
                    .map(set -> set.stream().map(this::partName).collect(Collectors.joining(" and ")))
                    .collect(Collectors.joining("; "));
            if (!plan.whole()) {
                say(
                        (plan.edit().isPresent() ? "The rest is connected. " : "")
                                + (plan.proved() ? "Cannot be connected" : "No way was found to connect")
                                + (plan.stuck().getFirst().size() > 1 ? " together: " : ": ") + stuck
                                + ". The findings say what would help.",
                        true);
            } else {
                say(
                        plan.edit().isEmpty()
                                ? "Nothing is open: all that needs something has it."
                                : String.join(" ", plan.reasons()) + " Ctrl Z undoes it.",
                        false);
            }
        });
    }

    private Optional<Link.End> socketAt(MouseEvent e) {
        return board.subjectAt(e.getX(), e.getY()).flatMap(HarnessDrawing::socket);
    }

    private void press(MouseEvent e) {
        board.requestFocus();
        pressed = Optional.of(new Point2D(e.getX(), e.getY()));
        from = socketAt(e);
    }

    private void drag(MouseEvent e) {
        if (from.isEmpty() || pressed.isEmpty() || pressed.get().distance(e.getX(), e.getY()) < LEAST_DRAG) {
            return;
        }
        carried.setStartX(pressed.get().getX());
        carried.setStartY(pressed.get().getY());
        carried.setEndX(e.getX());
        carried.setEndY(e.getY());
        carried.setVisible(true);
        say(
                socketAt(e)
                        .filter(to -> !from.equals(Optional.of(to)))
                        .map(to -> "Plug " + socketName(from.get()) + " into " + socketName(to))
                        .orElse("Drag it to a socket."),
                false);
    }

    private void drop(MouseEvent e) {
        boolean moved = carried.isVisible();
        carried.setVisible(false);
        Optional<Link.End> to = socketAt(e);
        if (moved && from.isPresent()) {
            to.filter(t -> !from.equals(Optional.of(t)))
                    .ifPresentOrElse(
                            t -> {
                                Link.End start = from.get();
                                attempt((build, shelf) -> LinkPlanner.join(build, start, t, shelf));
                            },
                            this::restHint);
        } else {
            String subject = board.subjectAt(e.getX(), e.getY()).orElse("");
            String part = HarnessDrawing.socket(subject).map(Link.End::part).orElse(subject);
            desk.session().selection().set(part);
            needs.getItems().stream()
                    .filter(n -> n.part().equals(part))
                    .findFirst()
                    .ifPresent(n -> needs.getSelectionModel().select(n));
        }
        from = Optional.empty();
        pressed = Optional.empty();
    }
}
