package boldsatchel.format;

import java.util.List;

/** A file that cannot be read. Every problem says where, what was expected and what to do. */
public final class FormatException extends Exception {
    private static final long serialVersionUID = 1;
    private static final int MOST_TOLD = 5;

    private final transient List<Problem> problems;

    /**
     * One thing that is wrong.
     *
     * @param line in the file, from 1; 0 when it concerns all of it
     * @param field path of the field; empty when it concerns all of the file
     * @param message what is wrong and what was expected
     */
    public record Problem(int line, String field, String message) {
        /** As one line for people. */
        public String words() {
            String where = line > 0 ? "line " + line + (field.isEmpty() ? "" : ", " + field) + ": " : "";
            return where + message;
        }
    }

    /** From at least one problem. */
    FormatException(List<Problem> problems) {
        super(words(problems));
        this.problems = List.copyOf(problems);
    }

    /** The first of what is wrong, and how much more there is. */
    private static String words(List<Problem> problems) {
        String told = String.join(
                "\n", problems.stream().limit(MOST_TOLD).map(Problem::words).toList());
        int more = problems.size() - MOST_TOLD;
        return more > 0 ? told + "\nand " + more + " more like " + (more == 1 ? "it." : "these.") : told;
    }

    /** All that is wrong. */
    public List<Problem> problems() {
        return problems;
    }
}
