package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.ChainEdits.Piece;
import boldsatchel.edit.ChainEdits.Place;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Rung;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/**
 * The ladder that a chain is built on. Pieces are dragged onto a rung, clicked or called from a menu; rungs are dragged to others. What
 * cannot be is said in words under the ladder while the mouse still holds it.
 */
final class LadderEditor extends VBox {

    private static final double DRAG_STARTS = 5;
    private static final PseudoClass REFUSED = PseudoClass.getPseudoClass("refused");

    private final Desk desk;
    private final DrawingView ladder = new DrawingView().atMost(4.4).asTallAsItIs();
    private final Pane over = new Pane();
    private final Rectangle target = new Rectangle();
    private final Line between = new Line();
    private final Label carried = Ui.label("", "carried");
    private final FlowPane chips = new FlowPane(5, 5);
    private final MenuButton add = new MenuButton("Add");
    private final ComboBox<Place> place = Ui.choice("put-where", Place.values(), Place.BELOW, Place::words);
    private final Label hint = Ui.words("", "soft");
    private Optional<String> picked = Optional.empty();
    private Optional<Point2D> pressed = Optional.empty();
    private Optional<Rung> root = Optional.empty();

    LadderEditor(Desk desk) {
        super(5);
        this.desk = desk;
        add.setId("hang");
        add.setMinWidth(USE_PREF_SIZE);
        hint.setId("ladder-hint");
        target.getStyleClass().add("drop-target");
        between.getStyleClass().add("drop-between");
        over.setMouseTransparent(true);
        over.getChildren().addAll(target, between, carried);
        ladder.setId("ladder");
        ladder.setFocusTraversable(true);
        ladder.setOnMousePressed(this::press);
        ladder.setOnMouseDragged(this::dragRung);
        ladder.setOnMouseReleased(this::dropRung);
        ladder.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        add.setOnShowing(e -> {
            // A submenu that opens is heard of here too.
            if (!add.isShowing()) {
                fillMenu();
            }
        });
        // A menu without items does not open; the library is read when it is first asked for.
        add.getItems().add(new MenuItem("…"));
        place.setPrefWidth(104);
        place.setMinWidth(104);
        HBox.setHgrow(chips, Priority.ALWAYS);
        chips.setId("chips");
        chips.setPrefWrapLength(600);
        HBox tools = new HBox(8, add, place, chips);
        ScrollPane ground = Ui.scroll(new StackPane(ladder, over));
        ground.setFocusTraversable(false);
        ground.getStyleClass().add("ladder-ground");
        VBox.setVgrow(ground, Priority.ALWAYS);
        getChildren().addAll(tools, ground, hint);
        restHint();
        clearDrop();
    }

    /** Shows a drawn chain. */
    void show(Rung chainRoot, Drawing drawing) {
        root = Optional.of(chainRoot);
        ladder.show(drawing, desk.dark().get());
        fillChips();
    }

    /** Shows that there is no chain yet. */
    void showEmpty() {
        root = Optional.empty();
        ladder.show(
                new Drawing("No chain yet", 220, 40, 0, 0, List.of()),
                desk.dark().get());
        fillChips();
        hint.setText(
                "Nothing gives power yet. Press Enter or “Add” and take a battery, a power bank or a mains adapter: the"
                        + " chain begins with it. Or let a chain be suggested for the loads you have.");
    }

    DrawingView view() {
        return ladder;
    }

    private Build build() {
        return desk.session().build();
    }

    private void restHint() {
        hint.setText(
                "Drag pieces and rungs, or click a piece to add it at the selected rung. Keys: Enter, Delete, Alt ↑ ↓, Ctrl X V.");
    }

    /** Does what was tried, or says why not; what was added and can feed others is selected, so that a row grows by adding. */
    void attempt(Attempt attempt) {
        Set<String> before = build().rungs().map(Rung::id).collect(Collectors.toSet());
        attempt.allowed().ifPresent(e -> {
            desk.session().does(e);
            hint.setText("Done: " + e.name() + ". Ctrl Z undoes it.");
            build().rungs()
                    .filter(r -> !before.contains(r.id()) && canFeed(r))
                    .findFirst()
                    .ifPresent(r -> desk.session().selection().set(r.id()));
        });
        attempt.refusal().ifPresent(hint::setText);
        hint.pseudoClassStateChanged(REFUSED, attempt.refusal().isPresent());
    }

    private boolean canFeed(Rung rung) {
        return switch (rung.stage()) {
            case Rung.OfPart of ->
                build().part(of.part())
                        .filter(p -> p.givesPower()
                                || p.facet(Facet.Converts.class).isPresent()
                                || p.facet(Facet.ShowsLevel.class).isPresent())
                        .isPresent();
            case Rung.Capacitor c -> false;
            case Rung.Charging c -> false;
            default -> true;
        };
    }

    /** Puts a piece at the selected rung, at the end of the row when none is selected. */
    void put(Piece piece) {
        Optional<String> at = selected()
                .map(Rung::id)
                .or(() -> root.map(r -> r.row().getLast().id()));
        attempt(ChainEdits.put(build(), piece, at, place.getValue()));
    }

    private Optional<Rung> selected() {
        String id = desk.session().selection().get();
        return build().rung(id).or(() -> build().wiring().rungOf(id));
    }

    private void fillChips() {
        List<Piece> pieces = Kit.atHand(build());
        List<String> names = pieces.stream().map(Piece::name).toList();
        if (names.equals(chips.getUserData())) {
            return;
        }
        chips.setUserData(names);
        chips.getChildren().clear();
        for (Piece piece : pieces) {
            boolean part = piece.stage() instanceof Rung.OfPart;
            Label chip = Ui.label(piece.name(), "chip", part ? "chip-part" : "chip-rung");
            chip.setId("chip-" + piece.name().replaceAll("[^A-Za-z0-9]+", "-"));
            chip.setMaxWidth(190);
            chip.setOnMousePressed(e -> pressed = Optional.of(new Point2D(e.getSceneX(), e.getSceneY())));
            chip.setOnMouseDragged(e -> carry(e, piece.name(), at -> ChainEdits.put(build(), piece, at, placeAt(e))));
            chip.setOnMouseReleased(e -> {
                boolean moved = moved(e);
                clearDrop();
                if (moved) {
                    attempt(ChainEdits.put(build(), piece, rungAt(e), placeAt(e)));
                } else {
                    put(piece);
                }
                pressed = Optional.empty();
            });
            chips.getChildren().add(chip);
        }
    }

    private boolean moved(MouseEvent e) {
        return pressed.filter(p -> p.distance(e.getSceneX(), e.getSceneY()) > DRAG_STARTS)
                .isPresent();
    }

    private Point2D local(MouseEvent e) {
        return ladder.sceneToLocal(e.getSceneX(), e.getSceneY());
    }

    /** A row is hit over its whole width and height, not only on its marks. */
    private Optional<String> rungAt(MouseEvent e) {
        Point2D at = local(e);
        double y = ladder.toFrame(at.getX(), at.getY()).getY();
        return ladder.contains(at) ? root.flatMap(r -> PowerDrawings.rungAt(r, y)) : Optional.empty();
    }

    private Place placeAt(MouseEvent e) {
        Point2D at = local(e);
        return PowerDrawings.isUpperEdge(ladder.toFrame(at.getX(), at.getY()).getY()) ? Place.ABOVE : Place.BELOW;
    }

    /** Shows what would happen if the mouse were let go here. */
    private void carry(MouseEvent e, String name, Function<Optional<String>, Attempt> tried) {
        if (!moved(e)) {
            return;
        }
        Point2D inPane = over.sceneToLocal(e.getSceneX(), e.getSceneY());
        Optional<String> at = rungAt(e);
        Attempt attempt = tried.apply(at);
        boolean refused = attempt.refusal().isPresent();
        carried.setText(name);
        carried.relocate(inPane.getX() + 14, inPane.getY() + 8);
        carried.setVisible(true);
        Point2D frame = ladder.toFrame(local(e).getX(), local(e).getY());
        Point2D edge = ladder.fromFrame(0, PowerDrawings.upperEdge(frame.getY()));
        Point2D next = ladder.fromFrame(0, PowerDrawings.upperEdge(frame.getY() - PowerDrawings.ROW));
        boolean above = placeAt(e) == Place.ABOVE;
        target.setVisible(at.isPresent() && !above);
        between.setVisible(at.isPresent() && above);
        target.setX(4);
        target.setY(edge.getY());
        target.setWidth(Math.max(0, ladder.getWidth() - 8));
        target.setHeight(Math.max(0, next.getY() - edge.getY()));
        between.setStartX(4);
        between.setEndX(ladder.getWidth() - 4);
        between.setStartY(edge.getY());
        between.setEndY(edge.getY());
        target.pseudoClassStateChanged(REFUSED, refused);
        between.pseudoClassStateChanged(REFUSED, refused);
        carried.pseudoClassStateChanged(REFUSED, refused);
        hint.pseudoClassStateChanged(REFUSED, refused);
        hint.setText(attempt.refusal()
                .orElseGet(() -> "Let go to " + attempt.allowed().orElseThrow().name()
                        + at.flatMap(build()::rung)
                                .map(r -> (above ? " above " : " below ") + r.name(build()))
                                .orElse("")
                        + "."));
    }

    private void clearDrop() {
        target.setVisible(false);
        between.setVisible(false);
        carried.setVisible(false);
    }

    private void press(MouseEvent e) {
        ladder.requestFocus();
        pressed = Optional.of(new Point2D(e.getSceneX(), e.getSceneY()));
        Optional<String> hit = rungAt(e);
        picked = hit;
        hit.ifPresent(desk.session().selection()::set);
    }

    private void dragRung(MouseEvent e) {
        picked.flatMap(build()::rung).ifPresent(rung -> carry(e, rung.name(build()), at -> moveTo(rung.id(), at)));
    }

    private Attempt moveTo(String rung, Optional<String> at) {
        return at.filter(to -> !to.equals(rung))
                .map(to -> ChainEdits.move(build(), rung, to))
                .orElseGet(() -> new Attempt.Refused("Let go on another rung to move it there."));
    }

    private void dropRung(MouseEvent e) {
        if (moved(e)) {
            picked.ifPresent(rung -> attempt(moveTo(rung, rungAt(e))));
        }
        picked = Optional.empty();
        pressed = Optional.empty();
        clearDrop();
    }

    private void fillMenu() {
        add.getItems().clear();
        Kit.loose(build()).forEach(p -> add.getItems().add(item(p)));
        if (!add.getItems().isEmpty()) {
            add.getItems().add(new SeparatorMenuItem());
        }
        ChainEdits.usual().forEach(p -> add.getItems().add(item(p)));
        add.getItems().add(new SeparatorMenuItem());
        for (Family family : Kit.ON_SHELF) {
            Menu menu = new Menu("from the shelf: " + family.words());
            Kit.shelf(desk.library(), family).forEach(p -> menu.getItems().add(item(p)));
            add.getItems().add(menu);
        }
    }

    private MenuItem item(Piece piece) {
        MenuItem item = new MenuItem(piece.name());
        item.setOnAction(e -> {
            put(piece);
            ladder.requestFocus();
        });
        return item;
    }

    void remove() {
        attempt(selected()
                .map(r -> ChainEdits.remove(build(), r.id()))
                .orElseGet(() -> new Attempt.Refused("Select a rung first.")));
    }

    private void key(KeyEvent e) {
        List<Rung> rungs = root.map(r -> r.walk().toList()).orElse(List.of());
        Optional<Rung> at = selected();
        int index = at.map(r -> rungs.stream().map(Rung::id).toList().indexOf(r.id()))
                .orElse(-1);
        boolean handled = true;
        if (e.isAltDown() && e.getCode() == KeyCode.UP) {
            at.ifPresent(r -> attempt(ChainEdits.raise(build(), r.id())));
        } else if (e.isAltDown() && e.getCode() == KeyCode.DOWN) {
            at.ifPresent(r -> attempt(ChainEdits.lower(build(), r.id())));
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.X) {
            picked = at.map(Rung::id);
            at.ifPresent(r -> hint.setText("Select where " + r.name(build()) + " should hang and press Ctrl V."));
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.V) {
            picked.ifPresent(rung -> attempt(moveTo(rung, at.map(Rung::id))));
        } else if (e.getCode() == KeyCode.DELETE) {
            remove();
        } else if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.INSERT) {
            add.show();
        } else if (e.getCode() == KeyCode.DOWN && index + 1 < rungs.size()) {
            desk.session().selection().set(rungs.get(index + 1).id());
        } else if (e.getCode() == KeyCode.UP && index > 0) {
            desk.session().selection().set(rungs.get(index - 1).id());
        } else {
            handled = false;
        }
        if (handled) {
            e.consume();
        }
    }
}
