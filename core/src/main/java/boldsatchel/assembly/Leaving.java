package boldsatchel.assembly;

import boldsatchel.geometry.Face;
import java.util.List;

/** To which sides things leave a tray. */
final class Leaving {

    /** All, the open top first: what comes in from above is the easiest to put in. */
    static final List<Face> SIDES = List.of(Face.TOP, Face.FRONT, Face.BACK, Face.LEFT, Face.RIGHT, Face.BOTTOM);

    private Leaving() {}
}
