package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;

/**
 * Section: what leads heat away beside air and walls.
 *
 * @param heatPaths pads and pipes
 */
public record Cooling(@Label("pads and pipes") List<HeatPath> heatPaths) {

    /** Nothing does. */
    public static final Cooling NONE = new Cooling(List.of());

    /** Copies the list. */
    public Cooling {
        heatPaths = List.copyOf(heatPaths);
    }

    /** The same without what belongs to a part. */
    public Cooling without(String partId) {
        return new Cooling(
                heatPaths.stream().filter(p -> !p.part().equals(partId)).toList());
    }
}
