package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.machine.Build;
import boldsatchel.sheet.ChangesSheet;
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
    private int opened;

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
        return isOn() ? against : Optional.empty();
    }

    private void with(Optional<Build> other, String name) {
        against = other;
        called = name;
        opened = desk.session().opened();
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

    /** Whether it is on show; another build that was opened ends it. */
    boolean isOn() {
        if (opened != desk.session().opened()) {
            opened = desk.session().opened();
            against = Optional.empty();
        }
        return against.isPresent();
    }

    /** Shows what lies otherwise now. */
    void show(List<ChangesSheet.Row> changes, Build now) {
        if (!isOn()) {
            return;
        }
        List<Node> entries = new ArrayList<>();
        entries.add(Ui.label("Compared with “" + against.orElseThrow().variant() + "”", "section"));
        entries.add(Ui.words(called + "; broken outlines are how it lay there", "soft"));
        for (ChangesSheet.Row change : changes) {
            Label name = Ui.words(change.name(), "panel-title");
            name.setOnMouseClicked(e -> desk.session().selection().set(change.part()));
            entries.add(new VBox(1, name, Ui.words(change.how(), "body")));
        }
        if (changes.isEmpty()) {
            entries.add(Ui.words("Everything lies as it lay.", "body"));
        }
        if (!now.journal().notes().isBlank()) {
            entries.add(Ui.label("Why: the notes", "section"));
            entries.add(Ui.words(now.journal().notes(), "body"));
        }
        rows.getChildren().setAll(entries);
    }

    @Override
    protected void layoutChildren() {
        scroll.resizeRelocate(0, 0, getWidth(), getHeight());
    }
}
