package boldsatchel.desktop.desk;

import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Recovery;
import boldsatchel.edit.Edit;
import boldsatchel.edit.History;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.nio.file.Path;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The one open build: edits go in, evaluations come out. An edit counts at once ({@link #build}, {@link #history}); its evaluation is worked
 * out beside the window and comes a moment later. Views listen to {@link #evaluation()}, show the build that it is of
 * ({@link #shown}), and call {@link #does}; there is no other way from one to the other.
 */
public final class Session {

    private static final Logger LOG = LoggerFactory.getLogger(Session.class);

    private final ReadOnlyObjectWrapper<Evaluation> evaluation;
    private final ReadOnlyObjectWrapper<Standing> standing;
    private final ReadOnlyObjectWrapper<History> history;
    private final StringProperty selection = new SimpleStringProperty("");
    private final Evaluator evaluator = new Evaluator();
    private final Latest judging = Latest.following();
    private final Recovery recovery = new Recovery();
    private Extras extras;
    private Origin origin;
    private Optional<Path> file = Optional.empty();
    private Optional<String> knownText = Optional.empty();
    private int opened;
    private Build saved;
    private boolean dragging;

    /** Where a build that stands in no file came from. */
    public enum Origin {
        /** A demo. */
        DEMO("demo, in no file"),
        /** Begun here. */
        NEW("new, in no file"),
        /** A file. */
        FILE("in a file"),
        /** A run that did not end in order. */
        RECOVERED("recovered, in no file");

        private final String words;

        Origin(String words) {
            this.words = words;
        }

        /** As shown. */
        public String words() {
            return words;
        }
    }

    /**
     * How the build stands on disk.
     *
     * @param name of the build
     * @param changed whether there is work that is in no file
     * @param file where it was saved last
     * @param origin where it came from
     */
    public record Standing(String name, boolean changed, Optional<Path> file, Origin origin) {}

    /** Opens a build that stands in no file. */
    public Session(BuildFormat.Document document, Origin origin) {
        this.origin = origin;
        history = new ReadOnlyObjectWrapper<>(History.of(document.build()));
        extras = document.extras();
        saved = document.build();
        evaluation = new ReadOnlyObjectWrapper<>(evaluator.notYet(document.build()));
        standing = new ReadOnlyObjectWrapper<>(new Standing(document.build().name(), false, file, origin));
        evaluate();
    }

    private void evaluate() {
        Build build = build();
        judging.ask(() -> evaluator.judge(build), evaluation::set);
    }

    /** The build as a file has it, with what this version does not know. */
    public BuildFormat.Document document() {
        return new BuildFormat.Document(build(), extras);
    }

    /** The evaluation; follows every edit. */
    public ReadOnlyObjectProperty<Evaluation> evaluation() {
        return evaluation.getReadOnlyProperty();
    }

    /** Whether the evaluation of the last edit is still being worked out, and takes its time. */
    public ReadOnlyBooleanProperty pending() {
        return judging.pending();
    }

    /** How the build stands on disk. */
    public ReadOnlyObjectProperty<Standing> standing() {
        return standing.getReadOnlyProperty();
    }

    private void restate() {
        standing.set(new Standing(build().name(), isChanged(), file, origin));
    }

    /** Id of the selected part, rung or shell; empty for none. */
    public StringProperty selection() {
        return selection;
    }

    /** The build now: what an edit is done to. */
    public Build build() {
        return history.get().present();
    }

    /** The build that is judged and on show; the build now but for a moment after an edit. */
    public Build shown() {
        return evaluation.get().build();
    }

    /** The selected part of the build on show, also when its rung is selected. */
    public Optional<Part> selectedPart() {
        String id = selection.get();
        return shown().part(id).or(() -> shown().rung(id).flatMap(shown()::partOf));
    }

    /** Past and future. */
    public ReadOnlyObjectProperty<History> history() {
        return history.getReadOnlyProperty();
    }

    /** Does an edit. */
    public void does(Edit edit) {
        dragging = false;
        take(history.get().after(edit));
    }

    /** Does one of many small edits of a drag; together they are one step to undo. */
    public void drags(Edit edit) {
        take(dragging ? history.get().merged(edit) : history.get().after(edit));
        dragging = true;
    }

    /** Whether what was done last was a step of a drag that has not ended. */
    public boolean isDragging() {
        return dragging;
    }

    /** Ends a drag. */
    public void dropped() {
        dragging = false;
    }

    /** Ends a drag as if it had not been. */
    public void givesUp() {
        if (dragging) {
            dragging = false;
            take(history.get().givenUp());
        }
    }

    /** Undoes the last step. */
    public void undo() {
        dragging = false;
        take(history.get().undone());
    }

    /** Does the last undone step again. */
    public void redo() {
        dragging = false;
        take(history.get().redone());
    }

    private void take(History next) {
        Build before = build();
        history.set(next);
        if (!next.present().equals(before)) {
            evaluate();
            restate();
        }
    }

    /** Takes another build in place of this one; the past goes. */
    public void replaceBy(BuildFormat.Document document, Origin from) {
        replaceBy(document, from, Optional.empty(), Optional.empty());
    }

    /** Takes the build of a file in place of this one; the past goes. */
    public void replaceBy(BuildStore.Opened opened, Path from) {
        replaceBy(opened.document(), Origin.FILE, Optional.of(from), Optional.of(opened.text()));
    }

    private void replaceBy(BuildFormat.Document document, Origin from, Optional<Path> path, Optional<String> text) {
        leave();
        history.set(History.of(document.build()));
        extras = document.extras();
        origin = from;
        file = path;
        knownText = text;
        saved = from == Origin.RECOVERED ? Build.empty("") : document.build();
        opened++;
        selection.set("");
        evaluate();
        restate();
    }

    /** Where it is saved. */
    public Optional<Path> file() {
        return file;
    }

    /** How many builds have taken one another's place: what a view remembers of one is nothing to the next. */
    public int opened() {
        return opened;
    }

    /** As it was saved last, or opened where it was not saved since. */
    public Build saved() {
        return saved;
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
        knownText = Optional.of(BuildStore.save(to, document(), known, overwrite));
        file = Optional.of(to);
        origin = Origin.FILE;
        saved = build();
        recovery.forget();
        restate();
    }

    /**
     * Keeps a copy of unsaved work; forgets it where there is none.
     *
     * @throws BuildStore.StoreException when no copy can be kept
     */
    public void keepForRecovery() throws BuildStore.StoreException {
        if (isChanged()) {
            recovery.keep(build(), extras);
        } else {
            recovery.forget();
        }
    }

    /** Leaves a copy of unsaved work for later; as far as one can be kept. */
    private void leave() {
        try {
            keepForRecovery();
        } catch (BuildStore.StoreException e) {
            LOG.warn("unsaved work is left without a copy", e);
        }
        recovery.release();
    }

    /** Ends what still runs for it; unsaved work is left for later. */
    public void end() {
        judging.end();
        leave();
    }
}
