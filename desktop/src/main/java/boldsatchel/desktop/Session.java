package boldsatchel.desktop;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import boldsatchel.edit.Edit;
import boldsatchel.edit.History;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.nio.file.Path;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/**
 * The one open build: edits go in, evaluations come out. Views listen to {@link #evaluation()} and call {@link #does}; there is no
 * other way from one to the other.
 */
public final class Session {

    private final ReadOnlyObjectWrapper<Evaluation> evaluation;
    private final ReadOnlyObjectWrapper<Standing> standing =
            new ReadOnlyObjectWrapper<>(new Standing(false, Optional.empty()));
    private final StringProperty selection = new SimpleStringProperty("");
    private History history;
    private Extras extras;
    private Optional<Path> file = Optional.empty();
    private Optional<String> knownText = Optional.empty();
    private Build saved;
    private boolean dragging;

    /**
     * How the build stands on disk.
     *
     * @param changed whether there is work that is in no file
     * @param file where it was saved last
     */
    public record Standing(boolean changed, Optional<Path> file) {}

    /** Opens a build that stands in no file. */
    public Session(BuildFormat.Document document) {
        history = History.of(document.build());
        extras = document.extras();
        saved = document.build();
        evaluation = new ReadOnlyObjectWrapper<>(Evaluator.evaluate(document.build()));
    }

    /** The build's evaluation; changes with every edit. */
    public ReadOnlyObjectProperty<Evaluation> evaluation() {
        return evaluation.getReadOnlyProperty();
    }

    /** How the build stands on disk. */
    public ReadOnlyObjectProperty<Standing> standing() {
        return standing.getReadOnlyProperty();
    }

    private void restate() {
        standing.set(new Standing(isChanged(), file));
    }

    /** Id of the selected part, rung or shell; empty for none. */
    public StringProperty selection() {
        return selection;
    }

    /** The build now. */
    public Build build() {
        return history.present();
    }

    /** The selected part, also when its rung is selected. */
    public Optional<Part> selectedPart() {
        String id = selection.get();
        return build().part(id)
                .or(() -> build().rungs()
                        .filter(r -> r.id().equals(id))
                        .findFirst()
                        .flatMap(r -> r.part())
                        .flatMap(build()::part));
    }

    /** Past and future. */
    public History history() {
        return history;
    }

    /** Does an edit. */
    public void does(Edit edit) {
        dragging = false;
        show(history.after(edit));
    }

    /** Does one of many small edits of a drag; together they are one step to undo. */
    public void drags(Edit edit) {
        show(dragging ? history.merged(edit) : history.after(edit));
        dragging = true;
    }

    /** Ends a drag. */
    public void dropped() {
        dragging = false;
    }

    /** Undoes the last step. */
    public void undo() {
        dragging = false;
        show(history.undone());
    }

    /** Does the last undone step again. */
    public void redo() {
        dragging = false;
        show(history.redone());
    }

    private void show(History next) {
        if (next.present().equals(history.present())) {
            history = next;
            return;
        }
        history = next;
        evaluation.set(Evaluator.evaluate(next.present()));
        restate();
    }

    /** Takes another build in place of this one; the past goes. */
    public void replaceBy(BuildFormat.Document document, Optional<Path> from, Optional<String> text) {
        history = History.of(document.build());
        extras = document.extras();
        file = from;
        knownText = text;
        saved = document.build();
        selection.set("");
        evaluation.set(Evaluator.evaluate(document.build()));
        restate();
    }

    /** Marks the build as unsaved though it has no past: recovered work. */
    public void unsaved() {
        saved = Build.empty("");
        restate();
    }

    /** Where it is saved. */
    public Optional<Path> file() {
        return file;
    }

    /** Whether there is work that is in no file. */
    public boolean isChanged() {
        return !saved.equals(build());
    }

    /**
     * Saves to a file, which becomes this build's.
     *
     * @param overwrite whether to write over what changed on disk
     */
    public void saveTo(Path to, boolean overwrite) throws BuildStore.StoreException, BuildStore.ChangedOnDiskException {
        Optional<String> known = file.equals(Optional.of(to)) ? knownText : Optional.empty();
        knownText = Optional.of(BuildStore.save(to, new BuildFormat.Document(build(), extras), known, overwrite));
        file = Optional.of(to);
        saved = build();
        Recovery.forget();
        restate();
    }

    /** Keeps a copy of unsaved work. */
    public void keepForRecovery() {
        if (isChanged()) {
            Recovery.keep(build(), extras);
        }
    }
}
