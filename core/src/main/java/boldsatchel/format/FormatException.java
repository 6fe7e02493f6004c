package boldsatchel.format;

import java.util.List;

/** A file that cannot be read. Every problem says where, what was expected and what to do. */
public final class FormatException extends Exception {
    private static final long serialVersionUID = 1;

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
        super(String.join("\n", problems.stream().map(Problem::words).toList()));
        this.problems = List.copyOf(problems);
    }

    /** All that is wrong. */
    public List<Problem> problems() {
        return problems;
    }
}
