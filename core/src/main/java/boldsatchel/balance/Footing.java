package boldsatchel.balance;

import boldsatchel.quantity.Input;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a machine stands on, and what it would stand on with each measure of its base off by a standard deviation. */
public final class Footing {

    /** Standing on nothing. */
    static final Footing NONE = new Footing(Optional.empty(), Map.of());

    private final Optional<Support> support;
    private final Map<Input, Support> others;

    Footing(Optional<Support> support, Map<Input, Support> others) {
        this.support = support;
        this.others = others;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Footing f && support.equals(f.support) && others.equals(f.others);
    }

    @Override
    public int hashCode() {
        return support.hashCode();
    }

    Optional<Support> support() {
        return support;
    }

    Map<Input, Support> others() {
        return others;
    }
}
