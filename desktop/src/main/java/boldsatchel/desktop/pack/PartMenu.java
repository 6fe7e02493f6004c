package boldsatchel.desktop.pack;

import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.Edit;
import boldsatchel.edit.PlaceEdits;
import boldsatchel.format.FormatException;
import boldsatchel.format.LibraryFormat;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.Region;

/** What can be done to the selected part beside dragging it; knows which one was selected before it, and what is hidden. */
final class PartMenu {

    /** Longer texts are no part. */
    private static final int MOST_LETTERS = 2_000_000;

    private final Desk desk;
    private final Runnable changed;
    private final MenuButton button = new MenuButton("More …");
    private final Set<String> hidden = new HashSet<>();
    private String before = "";
    private String said = "";
    private boolean grid;
    private int opened;

    PartMenu(Desk desk, Runnable changed) {
        this.desk = desk;
        this.changed = changed;
        button.setId("part-more");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.getItems().add(new MenuItem());
        button.setOnShowing(e -> fill());
        desk.session().selection().addListener((o, was, is) -> {
            if (!was.isEmpty() && !was.equals(is)) {
                before = was;
            }
            said = "";
        });
    }

    MenuButton button() {
        return button;
    }

    /** Ids of parts that are left out of the views; what is no part of the build any more, or of another build, is forgotten. */
    Set<String> hidden() {
        if (opened != desk.session().opened()) {
            opened = desk.session().opened();
            hidden.clear();
        }
        hidden.removeIf(id -> desk.session().shown().part(id).isEmpty());
        return hidden;
    }

    /** What was said last, and that something is hidden, which nobody should have to remember. */
    String told() {
        int count = hidden().size();
        String last = said.isEmpty() ? "" : said + " ";
        return count == 0
                ? last
                : last + count + (count == 1 ? " part is" : " parts are") + " hidden; Shift H shows all again.";
    }

    /** The part that was selected before the one that is now. */
    Optional<Part> before() {
        return desk.session().shown().part(before);
    }

    private Optional<Part> part() {
        return desk.session().selectedPart();
    }

    private boolean isLocked() {
        return part().flatMap(p -> desk.session().shown().placement(p.id()))
                .filter(Placement::locked)
                .isPresent();
    }

    void mirror() {
        part().ifPresent(p -> desk.session().does(PlaceEdits.mirrored(p, Axis.X)));
    }

    void lock() {
        part().ifPresent(p -> desk.session().does(PlaceEdits.lock(p, !isLocked())));
    }

    void copy() {
        part().ifPresent(p -> desk.session().does(PlaceEdits.copy(p)));
    }

    /** Whether the part is in a group. */
    private boolean isGrouped() {
        return part().flatMap(p -> desk.session().shown().placement(p.id()))
                .filter(p -> p.group().isPresent())
                .isPresent();
    }

    /** Groups the part with the one that was selected before it, or takes it out of its group. */
    void group() {
        part().ifPresent(p -> {
            if (isGrouped()) {
                desk.session().does(PlaceEdits.apart(p));
            } else {
                partner(p).ifPresent(b -> desk.session().does(PlaceEdits.together(p, b)));
            }
        });
    }

    /** The part that was selected before, where it lies in the same tray. */
    private Optional<Part> partner(Part part) {
        Build build = desk.session().shown();
        Optional<String> tray = build.placement(part.id()).map(Placement::shell);
        return before().filter(b -> !b.id().equals(part.id())
                && tray.isPresent()
                && build.placement(b.id()).map(Placement::shell).equals(tray));
    }

    /** Whether lines are drawn behind the parts. */
    boolean grid() {
        return grid;
    }

    void toggleGrid() {
        grid = !grid;
        changed.run();
    }

    /** Puts the part on the clipboard, as a parts library of one. */
    void take() {
        part().ifPresent(p -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(LibraryFormat.write(new LibraryFormat.Contents(List.of(p), List.of())));
            Clipboard.getSystemClipboard().setContent(content);
            say(
                    p.name()
                            + " is on the clipboard; Ctrl V puts another of it into the tray on show, here or in another window.");
        });
    }

    /** Puts what is on the clipboard into a tray. */
    void paste(Optional<Shell> tray) {
        String text =
                Optional.ofNullable(Clipboard.getSystemClipboard().getString()).orElse("");
        if (text.length() > MOST_LETTERS || !text.contains(LibraryFormat.FORMAT)) {
            say("There is no part on the clipboard: select one and press Ctrl C.");
            return;
        }
        try {
            for (Part p : LibraryFormat.read(text).parts()) {
                String id = desk.session().build().freeId(p.id());
                desk.session().does(PlaceEdits.paste(p, tray));
                desk.session().selection().set(id);
            }
        } catch (FormatException e) {
            say("What is on the clipboard cannot be read: " + e.getMessage());
        }
    }

    private void say(String words) {
        said = words;
        changed.run();
    }

    void hide() {
        part().ifPresent(p -> hidden.add(p.id()));
        desk.session().selection().set("");
        changed.run();
    }

    void showAll() {
        hidden.clear();
        changed.run();
    }

    private void fill() {
        button.getItems().clear();
        part().ifPresent(p -> {
            Menu against = new Menu("Put …");
            Face.ALL.forEach(f -> item(against, "against the " + f.words(), PlaceEdits.against(p, f)));
            item(against, "in the middle, left to right", PlaceEdits.centred(p, Axis.X));
            item(against, "in the middle, front to back", PlaceEdits.centred(p, Axis.Y));
            item(against, "midway between its neighbours, left to right", PlaceEdits.between(p, Axis.X));
            item(against, "midway between its neighbours, front to back", PlaceEdits.between(p, Axis.Y));
            button.getItems().add(against);
            before().filter(b -> !b.id().equals(p.id())).ifPresent(b -> {
                Menu line = new Menu("Line up with " + b.name());
                Face.ALL.forEach(f -> item(line, f.words(), PlaceEdits.inLine(p, b, f)));
                item(line, "middles, left to right", PlaceEdits.middles(p, b, Axis.X));
                item(line, "middles, front to back", PlaceEdits.middles(p, b, Axis.Y));
                button.getItems().add(line);
            });
            if (isGrouped()) {
                item("Take it out of its group (G)", this::group);
            } else {
                partner(p).ifPresent(b -> item("Group with " + b.name() + " (G)", this::group));
            }
            item("To the other side (M)", this::mirror);
            item("Duplicate (D)", this::copy);
            item("Copy (Ctrl C)", this::take);
            item(isLocked() ? "Unlock (L)" : "Lock in its place (L)", this::lock);
            button.getItems().add(new SeparatorMenuItem());
            item("Hide in the views (H)", this::hide);
        });
        item(grid ? "Leave the grid away (Shift G)" : "Show a grid of 10 mm (Shift G)", this::toggleGrid);
        if (!hidden.isEmpty()) {
            item("Show all that is hidden (Shift H)", this::showAll);
        }
    }

    private void item(String words, Runnable action) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> action.run());
        button.getItems().add(item);
    }

    private void item(Menu menu, String words, Edit edit) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> desk.session().does(edit));
        menu.getItems().add(item);
    }
}
