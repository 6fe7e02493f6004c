package boldsatchel.power;

import java.util.List;
import java.util.Optional;

/**
 * How the chains of a build work before it has warmed up.
 *
 * @param chains one a first rung with a source
 * @param charges one result a charger and store
 * @param warmths where the power goes as heat: first the brief's first profile, then each other use
 */
public record Points(List<Chain> chains, List<Charge.Result> charges, List<Warmth> warmths) {

    /** Copies the lists. */
    public Points {
        chains = List.copyOf(chains);
        charges = List.copyOf(charges);
        warmths = List.copyOf(warmths);
    }

    /**
     * One chain with its cells as they begin.
     *
     * @param source id of its first rung
     * @param points operating point of each demand of the brief's profile, half full
     * @param full working, at full charge
     * @param half working, half full
     * @param low working, nearly empty: at a twentieth
     * @param starting starting up at full charge
     * @param noLoad asleep at full charge
     * @param startsDownTo least state of charge it starts from; nothing when it does not start at all
     * @param begins whether no step of the brief's profile stops it when it is full
     */
    public record Chain(
            String source,
            List<OperatingPoint> points,
            OperatingPoint full,
            OperatingPoint half,
            OperatingPoint low,
            OperatingPoint starting,
            OperatingPoint noLoad,
            Optional<Double> startsDownTo,
            boolean begins) {}
}
