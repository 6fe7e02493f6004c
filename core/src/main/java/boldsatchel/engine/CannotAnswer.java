package boldsatchel.engine;

import boldsatchel.course.NoEnd;
import java.util.List;
import java.util.function.Supplier;

/** Why an engine cannot answer, in words, and which parts, rungs or shells it was at. */
public final class CannotAnswer extends RuntimeException {

    private static final long serialVersionUID = 1;

    private final transient List<String> subjects;

    /**
     * An engine cannot answer.
     *
     * @param why ends no sentence: {@code the temperatures do not settle}
     * @param subjects ids of what it was at
     */
    public CannotAnswer(String why, List<String> subjects) {
        super(why);
        this.subjects = List.copyOf(subjects);
    }

    /** Ids of what the engine was at. */
    public List<String> subjects() {
        return subjects;
    }

    /**
     * Works at something; where the work comes to no end, it is said what it was at.
     *
     * @throws CannotAnswer in place of {@link NoEnd}
     */
    public static <T> T at(List<String> subjects, Supplier<T> work) {
        try {
            return work.get();
        } catch (NoEnd e) {
            throw new CannotAnswer(String.valueOf(e.getMessage()), subjects);
        }
    }
}
