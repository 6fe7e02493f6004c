package boldsatchel.engine;

import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import java.util.Set;

/**
 * Works something out about a build. Pure: the same sections and results give the same result, on any thread. It runs again only when a
 * section it reads, or a result it needs, is another object than last time.
 *
 * @param <R> what it works out
 */
public interface Engine<R> {

    /** What it is about, as said in a sentence: {@code the power chain}. */
    String about();

    /** What it works out; results are found by their kind. */
    Class<R> result();

    /** The sections it reads. */
    Set<Section> reads();

    /** The kinds of result it needs: where one has no answer, it has none either. */
    default Set<Class<?>> needs() {
        return Set.of();
    }

    /** The kinds of result it asks for and goes on without: where one has no answer, {@link #nothing} of its engine stands for it. */
    default Set<Class<?>> asks() {
        return Set.of();
    }

    /**
     * Whether a result that is equal to the last one is that one, so that what needs it is not worked out again. Comparing looks at all of
     * a result; it is worth it where one is rounded.
     */
    default boolean keepsEqual() {
        return false;
    }

    /**
     * Works.
     *
     * @param results those it needs
     * @throws CannotAnswer with the reason in words; whatever else is thrown is told as an error of the program
     */
    R work(Build build, Results results);

    /**
     * What it said last.
     *
     * @param result the last one
     * @param before the build it was said of
     */
    record Last<R>(R result, Build before) {
        /** Whether a section is still the object it was then. */
        @SuppressWarnings("ReferenceEquality") // An edit shares what it did not change.
        public boolean isSame(Build now, Section section) {
            return section.of(before) == section.of(now);
        }
    }

    /**
     * Works again after a change. What it said last may save it work and never shows: the answer is the one that {@link #work} gives.
     *
     * @param results those it needs
     * @param last what it said last
     * @throws CannotAnswer as {@link #work} does
     */
    default R again(Build build, Results results, Last<R> last) {
        return work(build, results);
    }

    /** What is known where it cannot answer: nothing. */
    R nothing();
}
