package boldsatchel.engine;

import java.util.Map;

/**
 * What engines worked out, by its kind.
 *
 * @param byKind one result a kind
 */
public record Results(Map<Class<?>, Object> byKind) {

    /** Copies the map. */
    public Results {
        byKind = Map.copyOf(byKind);
    }

    /**
     * The result of a kind.
     *
     * @throws IllegalArgumentException when no engine works that out
     */
    public <R> R of(Class<R> kind) {
        Object result = byKind.get(kind);
        if (result == null) {
            throw new IllegalArgumentException("no engine works out a " + kind.getSimpleName());
        }
        return kind.cast(result);
    }
}
