package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Unsaved work that was left behind, a row each: taken, put off or thrown away by name. Other messages do not take its place. */
final class RecoveredBar extends VBox {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("d MMMM, HH:mm").withZone(ZoneId.systemDefault());

    private final Session session;
    private final Files files;
    private final Messages messages;

    RecoveredBar(Session session, Files files, Messages messages) {
        this.session = session;
        this.files = files;
        this.messages = messages;
        setId("recovered");
        getStyleClass().add("messages");
        show(List.of());
    }

    /** Looks for what was left, and shows it. */
    void offer() {
        show(Recovery.left());
    }

    private void show(List<Recovery.Kept> kept) {
        getChildren().setAll(kept.stream().map(this::row).toList());
        tidy();
    }

    private void tidy() {
        setVisible(!getChildren().isEmpty());
        setManaged(isVisible());
    }

    private HBox row(Recovery.Kept kept) {
        HBox row = new HBox(12);
        row.setAlignment(Pos.CENTER_LEFT);
        String name = kept.name();
        row.getChildren()
                .addAll(
                        Ui.words("“" + name + "” was not saved on " + WHEN.format(kept.at()) + "."),
                        Ui.spring(),
                        Ui.button(
                                "recovered-take",
                                "Go on with it",
                                "Open it; save it where you like",
                                () -> take(kept, row)),
                        Ui.button("recovered-later", "Later", "Keep it; it is offered again", () -> drop(row)),
                        Ui.button(
                                "recovered-away",
                                "Throw “" + name + "” away",
                                "Remove this unsaved work for good",
                                () -> throwAway(kept, row)));
        return row;
    }

    private void drop(HBox row) {
        getChildren().remove(row);
        tidy();
    }

    private void take(Recovery.Kept kept, HBox row) {
        files.unlessUnsaved(() -> {
            try {
                session.replaceBy(kept.open(), Session.Origin.RECOVERED);
                session.keepForRecovery();
                kept.throwAway();
                drop(row);
            } catch (BuildStore.StoreException e) {
                messages.complain("This work cannot be opened", e.getMessage() + " It stays where it is.");
            }
        });
    }

    private void throwAway(Recovery.Kept kept, HBox row) {
        try {
            kept.throwAway();
            drop(row);
        } catch (BuildStore.StoreException e) {
            messages.complain("This work cannot be thrown away", e.getMessage());
        }
    }
}
