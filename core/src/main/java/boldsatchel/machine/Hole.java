package boldsatchel.machine;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;

/**
 * A mounting hole of a part.
 *
 * @param thread the screw that goes with it
 * @param tapped whether the thread is cut in the part; the screw passes through otherwise
 * @param face it is bored from
 * @param at middle of its mouth in the part's frame
 */
public record Hole(
        @Label(value = "screw", absent = 1) ScrewThread thread,
        @Label("has the thread itself") boolean tapped,
        @Label(value = "bored from the", absent = 5) Face face,
        @Label("middle of its mouth") Vec at) {

    /** Its diameter, mm. */
    public double diameterMm() {
        return tapped ? thread.diameterMm() : thread.clearanceMm();
    }

    /** The same hole elsewhere. */
    public Hole at(Vec newAt) {
        return new Hole(thread, tapped, face, newAt);
    }
}
