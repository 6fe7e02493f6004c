package boldsatchel.power;

import boldsatchel.engine.Lazy;
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
     * @param begun the chain with its cells as they begin
     * @param cells how warm they are in the runs
     * @param run of the brief's profile
     * @param others the brief's other profiles, by name, run when somebody looks; one whose run comes to no end is not among them
     * @param offDays days until flat, switched off on the shelf; infinite for mains
     * @param withoutOne of several joined sources: hours when the one that is missed most has failed
     */
    public record ChainResult(
            Points.Chain begun,
            CellTemperatures cells,
            Discharge run,
            Lazy<Map<String, Profiled>> others,
            double offDays,
            Optional<Double> withoutOne) {

        /** Id of its first rung. */
        public String source() {
            return begun.source();
        }

        /** The brief's other profiles, by name; takes as long as running them the first time it is asked. */
        public Map<String, Profiled> otherRuns() {
            return others.get();
        }

        /** Operating point of each demand of the brief's profile, half full. */
        public List<OperatingPoint> points() {
            return begun.points();
        }

        /** Working, at full charge. */
        public OperatingPoint full() {
            return begun.full();
        }

        /** Working, half full. */
        public OperatingPoint half() {
            return begun.half();
        }

        /** Working, nearly empty: at a twentieth. */
        public OperatingPoint low() {
            return begun.low();
        }

        /** Starting up at full charge. */
        public OperatingPoint starting() {
            return begun.starting();
        }

        /** Asleep at full charge. */
        public OperatingPoint noLoad() {
            return begun.noLoad();
        }

        /** Least state of charge it starts from; nothing when it does not start at all. */
        public Optional<Double> startsDownTo() {
            return begun.startsDownTo();
        }

        /** The point with the most power among the profile's. */
        public OperatingPoint busiest() {
            return points().stream()
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
