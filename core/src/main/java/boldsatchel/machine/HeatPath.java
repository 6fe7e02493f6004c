package boldsatchel.machine;

import boldsatchel.geometry.Face;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Optional;

/**
 * A way for heat from a part to a wall: pad, spreader or heat pipe.
 *
 * @param part id of the part
 * @param wall the wall of its shell
 * @param ohmsKW thermal resistance, K/W
 * @param note what it is
 * @param areaMm2 over which it meets the wall: of a spreader more than the part, of a heat pipe's foot less; as the part where nothing is said
 * @param mostW of a heat pipe what it carries at most, lying; without a bound where nothing is said
 */
public record HeatPath(
        @Label(value = "part", needed = true) String part,
        @Label("wall") Face wall,

        @Label(value = "thermal resistance", in = Quantity.THERMAL_RESISTANCE, absent = 1)
        Figure ohmsKW,

        @Label("note") String note,

        @Label(value = "spreads over", in = Quantity.AREA) Optional<Double> areaMm2,

        @Label(value = "carries at most, if a pipe", in = Quantity.POWER)
        Optional<Double> mostW) {

    /** A way that carries whatever comes. */
    public HeatPath(String part, Face wall, Figure ohmsKW, String note, Optional<Double> areaMm2) {
        this(part, wall, ohmsKW, note, areaMm2, Optional.empty());
    }

    /** A way that meets the wall over as much as the part faces it with. */
    public HeatPath(String part, Face wall, Figure ohmsKW, String note) {
        this(part, wall, ohmsKW, note, Optional.empty());
    }

    /** Its resistance as an input of a result. */
    public Input input() {
        return new Input(part, note, HeatPath.class, "ohmsKW", ohmsKW);
    }

    /** Two of it beside one another. */
    public HeatPath twice() {
        return new HeatPath(
                part, wall, ohmsKW.withValue(ohmsKW.value() / 2), note, areaMm2.map(a -> 2 * a), mostW.map(w -> 2 * w));
    }
}
