package boldsatchel.machine;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * A button, switch or wheel of a part that a finger has to reach.
 *
 * @param name what it is called: power, volume up
 * @param face it is on
 * @param at its middle in the part's frame
 * @param wideMm along the longer side
 * @param highMm along the shorter side
 * @param travelMm how far it is pressed
 */
public record Key(
        @Label("name") String name,
        @Label(value = "on the", absent = 5) Face face,
        @Label("its middle") Vec at,

        @Label(value = "wide", in = Quantity.LENGTH, absent = 6, least = 0.1, most = 500)
        double wideMm,

        @Label(value = "high", in = Quantity.LENGTH, absent = 4, least = 0.1, most = 500)
        double highMm,

        @Label(value = "travel", in = Quantity.LENGTH, absent = 0.5, least = 0, most = 50)
        double travelMm) {

    /** The same button elsewhere. */
    public Key at(Vec newAt) {
        return new Key(name, face, newAt, wideMm, highMm, travelMm);
    }
}
