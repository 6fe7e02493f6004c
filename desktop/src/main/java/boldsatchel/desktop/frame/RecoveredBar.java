package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Unsaved work that was left behind, a row each: taken, put off or thrown away by name. Other messages do not take its place. */
final class RecoveredBar extends VBox {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("d MMMM, HH:mm").withZone(ZoneId.systemDefault());

    private static final int MOST_ROWS = 3;

    private final Session session;
    private final Files files;
    private final Messages messages;
    private final Latest reading = Latest.only();
    /** What was put off until it is asked for again. */
    private final Set<Path> later = new HashSet<>();

    RecoveredBar(Session session, Files files, Messages messages) {
        this.session = session;
        this.files = files;
        this.messages = messages;
        setId("recovered");
        getStyleClass().add("messages");
        setSpacing(6);
        setVisible(false);
        setManaged(false);
    }

    /** Looks for what was left, and shows it, what was put off as well. */
    void offer() {
        later.clear();
        refresh();
    }

    /** Unsaved work and what it is called. */
    private record Offer(Recovery.Kept kept, String name) {}

    /** The copies are read beside the window: there may be many, on a slow disk. */
    private void refresh() {
        Set<Path> putOff = Set.copyOf(later);
        reading.ask(
                () -> Recovery.left().stream()
                        .filter(k -> !putOff.contains(k.file()))
                        .map(k -> new Offer(k, k.name()))
                        .toList(),
                this::show);
    }

    private void show(List<Offer> offers) {
        getChildren().setAll(offers.stream().limit(MOST_ROWS).map(this::row).toList());
        if (offers.size() > MOST_ROWS) {
            getChildren()
                    .add(Ui.label("and " + (offers.size() - MOST_ROWS) + " more, shown as these are answered", "soft"));
        }
        setVisible(!offers.isEmpty());
        setManaged(isVisible());
    }

    private HBox row(Offer offer) {
        Recovery.Kept kept = offer.kept();
        String name = offer.name();
        HBox row = new HBox(
                12,
                Ui.words("“" + name + "” was not saved on " + WHEN.format(kept.at()) + "."),
                Ui.spring(),
                Ui.button(
                        "recovered-take",
                        "Go on with it",
                        "Open “" + name + "”; save it where you like",
                        () -> take(kept)),
                Ui.button("recovered-later", "Later", "Keep “" + name + "”; it is offered again", () -> {
                    later.add(kept.file());
                    refresh();
                }),
                Ui.button(
                        "recovered-away",
                        "Throw it away",
                        "Remove the unsaved work on “" + name + "” for good",
                        () -> throwAway(kept)));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void take(Recovery.Kept kept) {
        files.unlessUnsaved(() -> {
            try {
                session.replaceBy(kept.open(), Session.Origin.RECOVERED);
                session.keepForRecovery();
                kept.throwAway();
                refresh();
            } catch (BuildStore.StoreException e) {
                messages.complain("This work cannot be opened", e.getMessage() + " It stays where it is.");
            }
        });
    }

    private void throwAway(Recovery.Kept kept) {
        try {
            kept.throwAway();
            refresh();
        } catch (BuildStore.StoreException e) {
            messages.complain("This work cannot be thrown away", e.getMessage());
        }
    }
}
