package boldsatchel.assembly;

import boldsatchel.geometry.Face;
import java.util.List;
import java.util.Optional;

/**
 * How something leaves, in the frame of its tray: straight out, or aside first. It goes in by the same way back.
 *
 * @param aside a first move across the way out, where there must be one
 * @param out to which side it leaves
 */
public record Way(Optional<Aside> aside, Face out) {

    /**
     * A move aside.
     *
     * @param to which side
     * @param mm how far
     */
    public record Aside(Face to, double mm) {}

    /** To which sides something may leave, the open top first: what comes in from above is the easiest to put in. */
    static final List<Face> SIDES = List.of(Face.TOP, Face.FRONT, Face.BACK, Face.LEFT, Face.RIGHT, Face.BOTTOM);

    /** Straight out. */
    static Way straight(Face out) {
        return new Way(Optional.empty(), out);
    }
}
