package boldsatchel.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCombination;

/** Everything that can be done by name. */
public final class Commands {

    private final List<Command> all = new ArrayList<>();

    /**
     * One command.
     *
     * @param name in words, starting with a verb
     * @param keys that call it, if any do
     * @param fieldsToo whether the keys mean this while a field is being written too
     * @param action what it does
     */
    public record Command(String name, Optional<KeyCombination> keys, boolean fieldsToo, Runnable action) {}

    private final Runnable later;
    private boolean complete;

    /**
     * No commands yet.
     *
     * @param later adds those that are only needed when somebody searches
     */
    public Commands(Runnable later) {
        this.later = later;
    }

    /** Adds a command without keys. */
    public void add(String name, Runnable action) {
        all.add(new Command(name, Optional.empty(), true, action));
    }

    /** Adds a command with keys, written as {@code Shortcut+S}. */
    public void add(String name, String keys, Runnable action) {
        all.add(new Command(name, Optional.of(KeyCombination.valueOf(keys)), true, action));
    }

    /** Adds a command whose keys belong to the field while one is being written, as undo does. */
    public void addOutsideFields(String name, String keys, Runnable action) {
        all.add(new Command(name, Optional.of(KeyCombination.valueOf(keys)), false, action));
    }

    /** All commands. */
    public List<Command> all() {
        return List.copyOf(all);
    }

    /** Commands whose name holds every word. */
    public List<Command> search(String words) {
        if (!complete) {
            complete = true;
            later.run();
        }
        List<Command> found = new ArrayList<>(all);
        for (String word : words.toLowerCase(java.util.Locale.ROOT).split("\\s+")) {
            found.removeIf(c -> !c.name().toLowerCase(java.util.Locale.ROOT).contains(word));
        }
        return found;
    }
}
