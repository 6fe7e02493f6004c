package boldsatchel.edit;

import boldsatchel.machine.Build;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * Something a builder does to a build.
 *
 * @param name as shown beside undo, starting with a verb: {@code move the battery}
 * @param change from the build before to the build after
 */
public record Edit(String name, UnaryOperator<Build> change) {

    /** An edit that takes its time to work out: what it makes of a build is kept, so that trying it and then doing it is one work. */
    public static Edit searched(String name, UnaryOperator<Build> search) {
        return new Edit(name, new Kept(search));
    }

    /** What a change last made of which build; safe on any thread. */
    private static final class Kept implements UnaryOperator<Build> {
        private final UnaryOperator<Build> search;
        private @Nullable Build of;
        private @Nullable Build found;

        Kept(UnaryOperator<Build> search) {
            this.search = search;
        }

        @Override
        @SuppressWarnings("ReferenceEquality") // A build is immutable: the same object is the same question.
        public synchronized Build apply(Build build) {
            Build known = found;
            if (known == null || of != build) {
                known = search.apply(build);
                of = build;
                found = known;
            }
            return known;
        }
    }
}
