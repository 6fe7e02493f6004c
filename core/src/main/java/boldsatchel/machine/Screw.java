package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;

/**
 * A machine screw.
 *
 * @param thread it has
 * @param lengthMm below its head
 */
public record Screw(
        @Label(value = "thread", absent = 1) ScrewThread thread,

        @Label(value = "long", in = Quantity.LENGTH, absent = 6, least = 1, most = 100)
        double lengthMm) {

    /** Lengths that can be bought, mm (ISO 4762 and ISO 7045). */
    public static final List<Integer> LENGTHS = List.of(3, 4, 5, 6, 8, 10, 12, 14, 16, 20, 25, 30, 35, 40, 50);

    /** As it is asked for in a shop. */
    public String words() {
        return thread.words() + " × " + Math.round(lengthMm);
    }
}
