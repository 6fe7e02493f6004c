package boldsatchel.geometry;

import java.util.Optional;

/**
 * Two boxes that look at one another along an axis.
 *
 * @param axis along which
 * @param gapMm between them; nothing where they reach into one another
 * @param sharedMm2 of each that looks at the other; nothing where they do not
 */
public record Facing(int axis, double gapMm, double sharedMm2) {

    /** Along one axis, whether they look at one another or not. */
    public static Facing along(int axis, Box one, Box two) {
        double across = -one.gapAlong((axis + 1) % 3, two);
        double along = -one.gapAlong((axis + 2) % 3, two);
        return new Facing(axis, Math.max(0, one.gapAlong(axis, two)), across > 0 && along > 0 ? across * along : 0);
    }

    /** Along the axis on which they are apart; nothing where they do not look at one another. */
    public static Optional<Facing> of(Box one, Box two) {
        for (int axis = 0; axis < 3; axis++) {
            Facing facing = along(axis, one, two);
            if (one.gapAlong(axis, two) >= 0 && facing.sharedMm2 > 0) {
                return Optional.of(facing);
            }
        }
        return Optional.empty();
    }

    /** Whether they look at one another from nearer than that. */
    public boolean within(double mm) {
        return sharedMm2 > 0 && gapMm < mm;
    }
}
