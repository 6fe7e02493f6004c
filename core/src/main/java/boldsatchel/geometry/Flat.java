package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * A point of an outline.
 *
 * @param across mm
 * @param up mm
 */
public record Flat(
        @Label(value = "across", in = Quantity.LENGTH) double across,
        @Label(value = "up", in = Quantity.LENGTH) double up) {

    /** The same, moved. */
    public Flat plus(double moreAcross, double moreUp) {
        return new Flat(across + moreAcross, up + moreUp);
    }
}
