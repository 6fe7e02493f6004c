package boldsatchel.verdict;

import boldsatchel.engine.Engine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Answers the builder's questions from what an engine worked out, and says what is wrong. Judges are listed in the module's declaration
 * ({@code provides boldsatchel.verdict.Judge with …}); whatever is listed there is in the verdict strip, the command line's report and
 * the book.
 *
 * @param <R> what its engine works out
 */
public interface Judge<R> {

    /** The engine it judges by. */
    Engine<R> engine();

    /** The sections it reads beside the engine's result. */
    Set<Section> reads();

    /** The questions it answers; most answer none of their own and only tell what is wrong. */
    default List<Verdict.Kind> kinds() {
        return List.of();
    }

    /** A question, its own or another judge's, that is not to be called fine while a finding of this one says stop. */
    default Optional<Verdict.Kind> bearsOn() {
        return Optional.empty();
    }

    /** Judges. */
    Judgement judge(Build build, R result);

    /** Nobody's judge: for an engine that only others need. */
    static <R> Judge<R> silent(Engine<R> engine) {
        return new Judge<>() {
            @Override
            public Engine<R> engine() {
                return engine;
            }

            @Override
            public Set<Section> reads() {
                return Set.of();
            }

            @Override
            public Judgement judge(Build build, R result) {
                return new Judgement(List.of(), List.of());
            }
        };
    }
}
