package boldsatchel.heat;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.HeatPath;
import java.util.Optional;

/** What heat pipes carry. */
public final class HeatPipes {

    /** How high the wick of a heat pipe lifts water: 2σ/(ρ·g·r) with pores of about 40 µm at 60 °C; a guess. */
    private static final double LIFTS_MM = 340;

    private HeatPipes() {}

    /**
     * What a pipe carries at most, W; without a bound where nobody said. Its wick has to lift the water from the wall up to the part, against what its
     * pores hold (Young and Laplace): of what it carries lying, it loses that share of the height. A machine in hands or on a body is held any way up.
     */
    public static double mostW(HeatPath path, Placed part, Brief.Surroundings around) {
        double away = Math.abs(part.shell().cavity().end(path.wall())
                - part.bounds().centre().along(path.wall().axis()));
        return lifted(path.mostW(), around.touchesSkin() || path.wall() == Face.BOTTOM ? away : 0);
    }

    /** The same of one to another part. */
    static double mostW(HeatBridge bridge, Placed part, Placed to, Brief.Surroundings around) {
        Vec away = part.bounds().centre().minus(to.bounds().centre());
        return lifted(bridge.mostW(), around.touchesSkin() ? away.length() : Math.max(0, away.z()));
    }

    private static double lifted(Optional<Double> lyingW, double upMm) {
        return lyingW.map(w -> w * Math.clamp(1 - upMm / LIFTS_MM, 0, 1)).orElse(Double.POSITIVE_INFINITY);
    }
}
