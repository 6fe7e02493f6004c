package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;

/**
 * A case on the shelf.
 *
 * @param name for people
 * @param note what it is
 * @param shells its trays
 * @param joints that join them
 * @param postures in which it is looked at
 */
public record Case(
        @Label("name") String name,
        @Label("note") String note,
        @Label("trays") List<Shell> shells,
        @Label("joints") List<Joint> joints,
        @Label("postures") List<Posture> postures) {
    /** Copies the lists. */
    public Case {
        shells = List.copyOf(shells);
        joints = List.copyOf(joints);
        postures = List.copyOf(postures);
    }

    /** One that nothing joins. */
    public static Case plain(String name, String note, List<Shell> shells) {
        return new Case(name, note, shells, List.of(), List.of());
    }
}
