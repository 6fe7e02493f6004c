package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** Searches beside the window for an edit, says so while it does, and can be cancelled; where the build was changed meanwhile, the changed one is searched. */
final class Searching extends HBox {

    private final Desk desk;
    private final HBox running;
    private final Label none = Ui.label("Found nothing better; all is as it was.", "soft");
    private Latest search = Latest.only();
    private AtomicBoolean stop = new AtomicBoolean();

    /**
     * Nothing is searched for yet.
     *
     * @param id prefix of its button's id
     * @param words while it searches
     */
    Searching(Desk desk, String id, String words) {
        super(6);
        this.desk = desk;
        setAlignment(Pos.CENTER_LEFT);
        running = new HBox(
                6, Ui.label(words, "soft"), Ui.button(id + "-cancel", "Cancel", "Leaves all as it is", this::cancel));
        running.setAlignment(Pos.CENTER_LEFT);
        none.setId(id + "-none");
        getChildren().setAll(running, none);
        desk.session().history().addListener((o, was, is) -> Ui.present(none, false));
        is(false);
    }

    /** Searches for something that ends when it is told to stop, and does it. */
    void search(Function<BooleanSupplier, Edit> what) {
        AtomicBoolean told = new AtomicBoolean();
        stop = told;
        search(what.apply(told::get));
    }

    /** Searches, and does what was found. */
    void search(Edit edit) {
        Build build = desk.session().build();
        is(true);
        search.ask(() -> edit.change().apply(build), found -> {
            if (isStill(build)) {
                is(false);
                if (found.equals(build)) {
                    Ui.present(none, true);
                } else {
                    desk.session().does(edit);
                }
            } else {
                search(edit);
            }
        });
    }

    /** An edit shares what it did not change: another object is another question. */
    @SuppressWarnings("ReferenceEquality")
    private boolean isStill(Build build) {
        return desk.session().build() == build;
    }

    private void cancel() {
        stop.set(true);
        search.end();
        search = Latest.only();
        is(false);
    }

    private void is(boolean searching) {
        Ui.present(running, searching);
        Ui.present(none, false);
    }
}
