package boldsatchel.power;

import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the power engine found.
 *
 * @param chains one result a chain
 * @param unfed ids of parts that draw power and hang on no chain
 * @param hours run time of the brief's profile: the shortest of the chains; zero without any
 * @param cliff that it stops at once although it should not, or runs although it should not; of the chain where that is likeliest
 * @param charges one result a charger and store
 * @param cells how warm the cells are in the brief's first profile
 */
public record PowerResult(
        List<ChainResult> chains,
        List<String> unfed,
        Spread hours,
        Optional<Cliff> cliff,
        List<Charge.Result> charges,
        CellTemperatures cells) {

    /**
     * One chain.
     *
     * @param source id of its first rung
     * @param points operating point of each demand of the brief's profile, half full
     * @param full working, at full charge
     * @param half working, half full
     * @param low working, nearly empty: at a twentieth
     * @param starting starting up at full charge
     * @param noLoad asleep at full charge
     * @param cells how warm they are in the runs
     * @param run of the brief's profile
     * @param otherRuns the brief's other profiles, by name
     * @param offDays days until flat, switched off on the shelf; infinite for mains
     * @param withoutOne of several joined sources: hours when the one that is missed most has failed
     * @param startsDownTo least state of charge it starts from; nothing when it does not start at all
     */
    public record ChainResult(
            String source,
            List<OperatingPoint> points,
            OperatingPoint full,
            OperatingPoint half,
            OperatingPoint low,
            OperatingPoint starting,
            OperatingPoint noLoad,
            CellTemperatures cells,
            Discharge run,
            Map<String, Profiled> otherRuns,
            Optional<Double> startsDownTo,
            double offDays,
            Optional<Double> withoutOne) {

        /** The point with the most power among the profile's. */
        public OperatingPoint busiest() {
            return points.stream()
                    .reduce((a, b) -> b.collapsed() || b.watts() > a.watts() ? b : a)
                    .orElseThrow();
        }
    }

    /**
     * How a profile that is not judged ends.
     *
     * @param hours until the end
     * @param end what ends it
     */
    public record Profiled(double hours, Breach end) {}

    /** The chain that ends first. */
    public Optional<ChainResult> shortest() {
        return chains.stream().reduce((a, b) -> b.run().hours() < a.run().hours() ? b : a);
    }
}
