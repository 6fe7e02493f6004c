package boldsatchel.revise;

import java.util.List;

/**
 * One thing that two builds do not have alike.
 *
 * @param path to it through the build file: names of fields, and of elements of lists their id, part or name, or else their place
 * @param words the same for people
 * @param before what it was; empty where it is new
 * @param now what it is; empty where it is gone
 */
public record Difference(List<String> path, List<String> words, String before, String now) {

    /** What stands where there was nothing before. */
    public static final String NONE = "";

    /** Copies the lists. */
    public Difference {
        path = List.copyOf(path);
        words = List.copyOf(words);
    }

    /** Where it is, for people. */
    public String where() {
        return String.join(" › ", words);
    }
}
