package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.edit.Alterations;
import boldsatchel.machine.Alteration;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What was done to a bought part, with its figures before, and what can be done to it. */
final class AlterBox extends VBox {

    private final Desk desk;

    AlterBox(Desk desk) {
        super(6);
        this.desk = desk;
    }

    /** Shows a part as it is now. */
    void show(Part part) {
        if (part.equals(getUserData())) {
            return;
        }
        setUserData(part);
        getChildren().setAll(Ui.label("Altered", "section"));
        List<Alteration> done = part.alterations();
        for (int i = 0; i < done.size(); i++) {
            getChildren().add(row(part, done.get(i), i, i == done.size() - 1));
        }
        getChildren().add(menu(part));
        getChildren()
                .add(Ui.words(
                        done.isEmpty()
                                ? "Shell off, socket off, cable cut: its box and mass change, the figures before are kept."
                                : "Box and mass above are those since; measure them. The maker's warranty is mostly gone.",
                        "soft"));
    }

    private Node row(Part part, Alteration alteration, int index, boolean last) {
        String before = "before: " + Units.format(alteration.beforeG().value(), 0, "g") + ", "
                + size(alteration.before().widthMm().value()) + " × "
                + size(alteration.before().depthMm().value()) + " × "
                + size(alteration.before().heightMm().value()) + " mm";
        CheckBox reversible = new CheckBox("can be put back");
        reversible.setId("alteration-reversible-" + index);
        reversible.setSelected(alteration.reversible());
        reversible.setOnAction(e -> {
            boolean is = reversible.isSelected();
            desk.session().does(Alterations.reversible(part, index, is));
        });
        HBox second = new HBox(8, reversible);
        Alterations.putBack(part)
                .filter(edit -> last)
                .ifPresent(edit -> second.getChildren()
                        .addAll(
                                Ui.spring(),
                                Ui.button(
                                        "alteration-back",
                                        "Put it back",
                                        "Box, mass and sockets as they were before",
                                        () -> desk.session().does(edit))));
        return new VBox(2, Ui.words(alteration.name() + "; " + before), second);
    }

    private static String size(double mm) {
        return Units.format(mm);
    }

    private MenuButton menu(Part part) {
        MenuButton menu = new MenuButton("Alter it …");
        menu.setId("alter");
        for (Alteration.Kind kind : Alteration.Kind.values()) {
            if (kind != Alteration.Kind.SOCKET_OFF) {
                menu.getItems().add(item(part, kind, "", Optional.empty()));
            }
        }
        List<Port> ports = part.body().ports();
        for (int i = 0; i < ports.size(); i++) {
            menu.getItems()
                    .add(item(
                            part,
                            Alteration.Kind.SOCKET_OFF,
                            "socket off: " + ports.get(i).name(),
                            Optional.of(i)));
        }
        return menu;
    }

    private MenuItem item(Part part, Alteration.Kind kind, String name, Optional<Integer> socket) {
        MenuItem item = new MenuItem(name.isEmpty() ? kind.words() : name);
        item.setId("alter-" + kind.name().toLowerCase(java.util.Locale.ROOT)
                + socket.map(i -> "-" + i).orElse(""));
        item.setOnAction(e -> desk.session().does(Alterations.alter(part, kind, name, socket)));
        return item;
    }
}
