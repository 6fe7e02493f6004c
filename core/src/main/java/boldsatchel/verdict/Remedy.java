package boldsatchel.verdict;

import boldsatchel.edit.Attempt;
import boldsatchel.edit.Edit;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Something that could be done about a finding.
 *
 * @param words what, starting with a verb
 * @param edit that does it, where the program can
 */
public record Remedy(String words, Optional<Edit> edit) {

    /** Two remedies are the same when they say the same: functions cannot be compared, and one build always gives one for one. */
    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Remedy r && words.equals(r.words) && edit.isPresent() == r.edit.isPresent();
    }

    @Override
    public int hashCode() {
        return words.hashCode();
    }

    /** Only words: the builder's hands or head are needed. */
    public static Remedy advice(String words) {
        return new Remedy(words, Optional.empty());
    }

    /** An edit. */
    public static Remedy by(String words, Edit edit) {
        return new Remedy(words, Optional.of(edit));
    }

    /** An edit of the chain; only words where the chain does not allow it. */
    public static Remedy by(String words, Attempt attempt) {
        return new Remedy(words, attempt.allowed());
    }
}
