package boldsatchel.desktop.pack;

import boldsatchel.arrange.Arranger;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Puts what lies on the table into the tray on show: one part, or all for which places are found. */
final class PlaceMenu extends HBox {

    private final Desk desk;
    private final Supplier<Optional<Shell>> shell;
    private final MenuButton menu = new MenuButton("Place");
    private final Searching searching;
    private List<Object> shown = List.of();

    /** A menu for the tray that is on show. */
    PlaceMenu(Desk desk, Supplier<Optional<Shell>> shell) {
        super(6);
        this.desk = desk;
        this.shell = shell;
        menu.setId("place");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        searching = new Searching(desk, "place", "Looking for places …");
        getChildren().setAll(menu, searching);
    }

    /** Shows what lies on the table. */
    void show(Build build) {
        List<Part> loose = build.loose();
        boolean cased = !build.casing().shells().isEmpty();
        List<Object> now = List.of(loose, cased);
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        menu.setText(loose.isEmpty() ? "All placed" : "Place one of " + loose.size());
        menu.setDisable(loose.isEmpty() || !cased);
        List<MenuItem> items = new ArrayList<>();
        if (loose.size() > 1) {
            MenuItem all = new MenuItem("All for which there are places");
            all.setId("place-all");
            all.setOnAction(e -> shell.get().ifPresent(s -> searching.search(stop -> Arranger.place(s, stop))));
            items.add(all);
        }
        for (Part part : loose) {
            MenuItem item = new MenuItem(part.name());
            item.setOnAction(e -> shell.get().ifPresent(s -> {
                desk.session().does(Edits.place(part, s));
                desk.session().selection().set(part.id());
            }));
            items.add(item);
        }
        menu.getItems().setAll(items);
    }
}
