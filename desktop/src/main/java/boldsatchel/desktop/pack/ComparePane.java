package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.fit.Change;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.quantity.Units;
import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** Another version laid over the packing on show: what lies otherwise, by how much, and what was noted. */
final class ComparePane extends Region {

    private final Desk desk;
    private final Runnable changed;
    private final MenuButton button = new MenuButton("Compare");
    private final VBox rows = new VBox(6);
    private final ScrollPane scroll = Ui.scroll(rows);
    private final Latest opening = Latest.only();
    private Optional<Build> against = Optional.empty();
    private String called = "";

    ComparePane(Desk desk, Runnable changed) {
        this.desk = desk;
        this.changed = changed;
        setId("compare-pane");
        setPrefWidth(250);
        setMinWidth(250);
        getChildren().add(scroll);
        button.setId("compare");
        button.setMinWidth(Region.USE_PREF_SIZE);
        item(
                "With how it was saved or opened",
                () -> with(Optional.of(desk.session().saved()), "as it was saved or opened"));
        item("With another file …", this::choose);
        item("With nothing", () -> with(Optional.empty(), ""));
    }

    private void item(String words, Runnable action) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> action.run());
        button.getItems().add(item);
    }

    MenuButton button() {
        return button;
    }

    /** The version that is laid over. */
    Optional<Build> against() {
        return against;
    }

    private void with(Optional<Build> other, String name) {
        against = other;
        called = name;
        changed.run();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Compare with another file");
        Optional<File> file = Optional.ofNullable(
                chooser.showOpenDialog(getScene() == null ? null : getScene().getWindow()));
        file.ifPresent(f -> opening.ask(() -> opened(f), this::take));
    }

    private record Opened(Optional<Build> build, String name, String problem) {}

    private static Opened opened(File file) {
        try {
            return new Opened(
                    Optional.of(BuildStore.open(file.toPath()).document().build()), file.getName(), "");
        } catch (BuildStore.StoreException e) {
            return new Opened(Optional.empty(), file.getName(), String.valueOf(e.getMessage()));
        }
    }

    private void take(Opened opened) {
        if (opened.build().isPresent()) {
            with(opened.build(), opened.name());
        } else {
            setVisible(true);
            setManaged(true);
            rows.getChildren().setAll(Ui.words(opened.problem(), "problem"));
        }
    }

    /** Shows what lies otherwise now. */
    void show(Build now) {
        setVisible(against.isPresent());
        setManaged(against.isPresent());
        against.ifPresent(before -> {
            List<Node> entries = new ArrayList<>();
            entries.add(Ui.label("Compared with “" + before.variant() + "”", "section"));
            entries.add(Ui.words(called + "; broken outlines are how it lay there", "soft"));
            List<Change> changes = Change.between(before, now);
            for (Change change : changes) {
                Label name = Ui.words(change.name(), "panel-title");
                name.setOnMouseClicked(e -> desk.session().selection().set(change.part()));
                entries.add(new VBox(1, name, Ui.words(told(change), "body")));
            }
            if (changes.isEmpty()) {
                entries.add(Ui.words("Everything lies as it lay.", "body"));
            }
            if (!now.journal().notes().isBlank()) {
                entries.add(Ui.label("Why: the notes", "section"));
                entries.add(Ui.words(now.journal().notes(), "body"));
            }
            rows.getChildren().setAll(entries);
        });
    }

    private static String told(Change change) {
        List<String> told = new ArrayList<>();
        if (change.before().isEmpty()) {
            told.add("is new here");
        } else if (change.now().isEmpty()) {
            told.add("is not packed any more");
        } else if (change.by().isEmpty()) {
            told.add("lies in another tray");
        } else if (change.isMoved()) {
            Vec by = change.by().get();
            told.add("moved by " + Units.format(by.length(), 1, "mm") + " (x " + signed(by.x()) + ", y "
                    + signed(by.y()) + ", z " + signed(by.z()) + ")");
        }
        if (change.isTurned()) {
            told.add("turned");
        }
        if (change.isReshaped()) {
            told.add("has another shape");
        }
        return told.isEmpty() ? "differs" : String.join("; ", told);
    }

    private static String signed(double mm) {
        return (mm > 0 ? "+" : "") + Units.format(mm, 1, "");
    }

    @Override
    protected void layoutChildren() {
        scroll.resizeRelocate(0, 0, getWidth(), getHeight());
    }
}
