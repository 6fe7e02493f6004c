package boldsatchel.engine;

import java.util.Objects;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Something that is worked out when somebody first looks, and then kept. Equal to another when what they hold is equal. Safe on any
 * thread: two that look at once wait for one another.
 *
 * @param <T> what it holds
 */
public final class Lazy<T> {
    private @Nullable Supplier<? extends T> working;
    private volatile @Nullable T value;

    private Lazy(@Nullable Supplier<? extends T> working, @Nullable T value) {
        this.working = working;
        this.value = value;
    }

    /** Works out when asked. */
    public static <T> Lazy<T> of(Supplier<? extends T> working) {
        return new Lazy<>(working, null);
    }

    /** Known already. */
    public static <T> Lazy<T> known(T value) {
        return new Lazy<>(null, value);
    }

    /** What it holds. */
    public T get() {
        T known = value;
        return known != null ? known : work();
    }

    /** Who comes second finds it done. */
    private synchronized T work() {
        T known = value;
        if (known == null) {
            known = Objects.requireNonNull(working).get();
            value = known;
            working = null;
        }
        return known;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Lazy<?> l && get().equals(l.get());
    }

    @Override
    public int hashCode() {
        return get().hashCode();
    }

    @Override
    public String toString() {
        return get().toString();
    }
}
