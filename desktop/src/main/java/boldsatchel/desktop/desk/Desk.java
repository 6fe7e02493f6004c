package boldsatchel.desktop.desk;

import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Verdict;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.MouseEvent;

/** What all parts of the window share: the session, the library, the look, and which working is open. */
public final class Desk {

    private final Session session;
    private final Supplier<Library> load;
    private Optional<Library> library = Optional.empty();
    private int revision;
    private final BooleanProperty dark = new SimpleBooleanProperty(false);
    private final ObjectProperty<Optional<Verdict.Kind>> working = new SimpleObjectProperty<>(Optional.empty());
    private final ReadOnlyBooleanWrapper held = new ReadOnlyBooleanWrapper(false);

    /** A desk for a session. */
    public Desk(Session session, Supplier<Library> load) {
        this.session = session;
        this.load = load;
    }

    /** The open build. */
    public Session session() {
        return session;
    }

    /** What can be added; read when it is first asked for, so that the window is up sooner. */
    public Library library() {
        Library loaded = library.orElseGet(load);
        library = Optional.of(loaded);
        return loaded;
    }

    /** Reads the library again when it is next asked for. */
    public void forgetLibrary() {
        library = Optional.empty();
        revision++;
    }

    /** Counts how often the library was read anew. */
    public int libraryRevision() {
        return revision;
    }

    /** Whether the look is dark. */
    public BooleanProperty dark() {
        return dark;
    }

    /** The verdict whose working is open, if one is. */
    public ObjectProperty<Optional<Verdict.Kind>> working() {
        return working;
    }

    /** Whether a button of the mouse is down in the window: what is dragged does not lie still yet. */
    public ReadOnlyBooleanProperty held() {
        return held.getReadOnlyProperty();
    }

    /** Follows the mouse in a window. */
    public void follow(Scene window) {
        window.addEventFilter(
                MouseEvent.ANY,
                e -> held.set(e.isPrimaryButtonDown() || e.isSecondaryButtonDown() || e.isMiddleButtonDown()));
    }

    /**
     * Shows when the view comes into the window, and while it is there again after every edit, selection and change of look. A stage that
     * is not open costs a drag nothing.
     */
    public void keepShowing(Node view, Runnable show) {
        Runnable seen = () -> {
            if (view.getScene() != null) {
                show.run();
            }
        };
        session.evaluation().addListener((o, was, is) -> seen.run());
        session.selection().addListener((o, was, is) -> seen.run());
        dark.addListener((o, was, is) -> seen.run());
        view.sceneProperty().addListener((o, was, is) -> seen.run());
    }

    /**
     * Shows what has to be worked out first. The work is asked for when the view comes into the window, and while it is there again after
     * every evaluation, selection and change of look; it runs beside the window.
     *
     * @param work what to show, from the evaluation on show; must not touch the window
     */
    public <T> Latest keepShowing(Node view, Function<Evaluation, T> work, Consumer<T> show) {
        Latest latest = Latest.following();
        keepShowing(view, () -> {
            Evaluation evaluation = session.evaluation().get();
            latest.ask(() -> work.apply(evaluation), show);
        });
        return latest;
    }
}
