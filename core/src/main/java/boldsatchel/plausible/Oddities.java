package boldsatchel.plausible;

import java.util.List;

/**
 * The figures of a build that are worth a second look.
 *
 * @param list in the order of the build
 */
public record Oddities(List<Odd> list) {

    /** Copies the list. */
    public Oddities {
        list = List.copyOf(list);
    }
}
