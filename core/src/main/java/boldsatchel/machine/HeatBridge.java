package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Optional;

/**
 * A way for heat from one part to another: a pad between both, or a heat pipe to fins that stand elsewhere.
 *
 * @param part id of the part
 * @param to id of the part that it leads to
 * @param ohmsKW thermal resistance, K/W
 * @param note what it is
 * @param mostW of a heat pipe what it carries at most, lying; without a bound where nothing is said
 */
public record HeatBridge(
        @Label(value = "part", needed = true) String part,
        @Label(value = "leads to", needed = true) String to,

        @Label(value = "thermal resistance", in = Quantity.THERMAL_RESISTANCE, absent = 1)
        Figure ohmsKW,

        @Label("note") String note,

        @Label(value = "carries at most, if a pipe", in = Quantity.POWER)
        Optional<Double> mostW) {

    /** Whether both of its ends lie in one tray; what goes from tray to tray bends with a hinge, or has nothing to lie in. */
    public boolean isWithin(Layout layout) {
        Optional<String> tray = layout.of(part).map(Placement::shell);
        return tray.isPresent() && tray.equals(layout.of(to).map(Placement::shell));
    }

    /** Its resistance as an input of a result. */
    public Input input() {
        return new Input(part, note, HeatBridge.class, "ohmsKW", ohmsKW);
    }

    /** Two of it beside one another. */
    public HeatBridge twice() {
        return new HeatBridge(part, to, ohmsKW.withValue(ohmsKW.value() / 2), note, mostW.map(w -> 2 * w));
    }
}
