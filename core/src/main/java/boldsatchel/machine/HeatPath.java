package boldsatchel.machine;

import boldsatchel.geometry.Face;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * A way for heat from a part to a wall: pad, spreader or heat pipe.
 *
 * @param part id of the part
 * @param wall the wall of its shell
 * @param ohmsKW thermal resistance, K/W
 * @param note what it is
 */
public record HeatPath(
        @Label(value = "part", needed = true) String part,
        @Label("wall") Face wall,

        @Label(value = "thermal resistance", in = Quantity.THERMAL_RESISTANCE, absent = 1)
        Figure ohmsKW,

        @Label("note") String note) {

    /** Its resistance as an input of a result. */
    public Input input() {
        return new Input(part, note, HeatPath.class, "ohmsKW", ohmsKW);
    }
}
