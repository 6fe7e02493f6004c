package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;

/**
 * Section: what leads heat away beside air and walls.
 *
 * @param heatPaths pads, sheets and pipes to walls
 * @param bridges pads and pipes from part to part
 */
public record Cooling(
        @Label("pads and pipes to walls") List<HeatPath> heatPaths,
        @Label("pads and pipes between parts") List<HeatBridge> bridges) {

    /** Nothing does. */
    public static final Cooling NONE = new Cooling(List.of());

    /** Copies the lists. */
    public Cooling {
        heatPaths = List.copyOf(heatPaths);
        bridges = List.copyOf(bridges);
    }

    /** Only what leads to walls. */
    public Cooling(List<HeatPath> heatPaths) {
        this(heatPaths, List.of());
    }

    /** The same with other ways to walls. */
    public Cooling withPaths(List<HeatPath> newPaths) {
        return new Cooling(newPaths, bridges);
    }

    /** The same with other ways between parts. */
    public Cooling withBridges(List<HeatBridge> newBridges) {
        return new Cooling(heatPaths, newBridges);
    }

    /** The same without what belongs to a part. */
    public Cooling without(String partId) {
        return new Cooling(
                heatPaths.stream().filter(p -> !p.part().equals(partId)).toList(),
                bridges.stream()
                        .filter(b -> !b.part().equals(partId) && !b.to().equals(partId))
                        .toList());
    }
}
