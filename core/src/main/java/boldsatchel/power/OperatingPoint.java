package boldsatchel.power;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Volts, amps and heat of every rung at one state of charge and demand.
 *
 * @param level state of charge, 0 to 1
 * @param demand of the loads
 * @param terminalVolts of the source; not a number on a collapse
 * @param amps from the source; not a number on a collapse
 * @param rungs what each rung does, from the source down
 * @param breaches limits that do not hold
 */
public record OperatingPoint(
        double level,
        Demand demand,
        double terminalVolts,
        double amps,
        Map<String, RungState> rungs,
        List<Breach> breaches) {

    /**
     * One rung.
     *
     * @param voltsIn at its input
     * @param voltsOut at its output
     * @param ampsIn into it
     * @param ampsOut out of it; 0 for a load
     * @param heatW that stays in it
     * @param sourceW all that it gives as a source, its own losses included; 0 for what is none
     * @param storedW what it puts into cells as a charger; 0 for what is none
     * @param storeHeatW what warms these cells meanwhile
     */
    public record RungState(
            double voltsIn,
            double voltsOut,
            double ampsIn,
            double ampsOut,
            double heatW,
            double sourceW,
            double storedW,
            double storeHeatW) {

        private RungState giving(double watts) {
            return new RungState(voltsIn, voltsOut, ampsIn, ampsOut, heatW, watts, storedW, storeHeatW);
        }

        private RungState storing(double watts, double heat) {
            return new RungState(voltsIn, voltsOut, ampsIn, ampsOut, heatW, sourceW, watts, heat);
        }
    }

    /** Nothing flows: a chain without a source. */
    public static OperatingPoint none(Demand demand) {
        return new OperatingPoint(0, demand, 0, 0, Map.of(), List.of());
    }

    /** What a rung does there; nothing on a collapse. */
    public Optional<RungState> rung(String id) {
        return Optional.ofNullable(rungs.get(id));
    }

    /** Whether no voltage satisfies the loads. */
    public boolean collapsed() {
        return Double.isNaN(amps);
    }

    /** The first breach that stops the machine. */
    public Optional<Breach> stop() {
        return breaches.stream().filter(b -> b.kind().endsRun()).findFirst();
    }

    /** Power out of the terminals, W. */
    public double watts() {
        return terminalVolts * amps;
    }

    /** Gathers what the network reports. */
    static final class Collector implements Node.Observer {
        private final Map<String, RungState> rungs = new LinkedHashMap<>();
        private final List<Breach> breaches = new ArrayList<>();

        @Override
        public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {
            rungs.put(id, new RungState(voltsIn, voltsOut, ampsIn, ampsOut, heatW, 0, 0, 0));
        }

        @Override
        public void gives(String id, double watts) {
            rungs.computeIfPresent(id, (i, state) -> state.giving(watts));
        }

        @Override
        public void stores(String id, double storedW, double storeHeatW) {
            rungs.computeIfPresent(id, (i, state) -> state.storing(storedW, storeHeatW));
        }

        @Override
        public void limit(Breach.Kind kind, String id, double value, double limit) {
            if (kind.margin(value, limit) < 0) {
                breaches.add(new Breach(kind, id, value, limit));
            }
        }

        OperatingPoint done(double level, Demand demand, double volts, double amps) {
            return new OperatingPoint(
                    level, demand, volts, amps, java.util.Collections.unmodifiableMap(rungs), List.copyOf(breaches));
        }
    }
}
