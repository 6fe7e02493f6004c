package boldsatchel.power;

import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * That a full chain stops at once although it should not, or the other way round: a power bank that is about to take its load for
 * nothing, a protection about to trip. No range of hours shows it.
 *
 * @param chance that it stops at once, 0 to 1
 * @param limit which would be passed
 */
public record Cliff(double chance, Breach limit) {

    /** A limit of a current farther away than this share of itself is not passed by doubts as they are. */
    private static final double NEAR_AMPS = 0.35;
    /** The same of a voltage, by what is lost of it on the way: that is all that is in doubt of it. */
    private static final double NEAR_LOSSES = 1.5;
    /** Chances smaller than this, or as near to certainty, are none. */
    private static final double LEAST = 0.002;

    /** A range leaves out as much below it. */
    private static final double IN_RANGE = 0.05;

    /** A limit of one step of a profile. */
    private record At(Demand demand, Breach limit) {
        double margin() {
            return limit.kind().margin(limit.value(), limit.limit());
        }
    }

    /** Gathers the limits that are near in a step. */
    private static final class Nearby implements Node.Observer {
        private final Demand demand;
        private final List<At> found;
        /** What holds voltages: the source, and each converter's output. */
        private final List<Double> rails = new ArrayList<>();

        Nearby(Demand demand, List<At> found) {
            this.demand = demand;
            this.found = found;
        }

        @Override
        public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {
            if (rails.isEmpty()) {
                rails.add(voltsIn);
            }
        }

        @Override
        public boolean looksBehind(Node.Converter converter) {
            rails.add(converter.outV());
            return true;
        }

        @Override
        public void limit(Breach.Kind kind, String id, double value, double limit) {
            At at = new At(demand, new Breach(kind, id, value, limit));
            double near = kind.ofVolts() ? NEAR_LOSSES * lost(value) : NEAR_AMPS * Math.abs(limit);
            if (kind.endsRun() && Math.abs(at.margin()) < near) {
                found.add(at);
            }
        }

        private double lost(double volts) {
            double least = Double.POSITIVE_INFINITY;
            for (double rail : rails) {
                least = rail >= volts ? Math.min(least, rail - volts) : least;
            }
            return Double.isFinite(least) ? least : 0;
        }
    }

    /**
     * The likeliest of a chain; nothing where all limits are far away.
     *
     * @param profile the machine is used by
     * @param network at the best estimates
     * @param inputs that were read for it
     * @param again the network with other figures
     */
    static Optional<Cliff> of(
            UseProfile profile, Network network, List<Input> inputs, Function<Reading, Optional<Network>> again) {
        List<At> near = new ArrayList<>();
        for (Demand demand :
                (Iterable<Demand>) profile.steps().stream().map(Demand::of).distinct()::iterator) {
            network.at(demand).tell(1, new Nearby(demand, near));
        }
        if (near.isEmpty()) {
            return Optional.empty();
        }
        Map<At, Double> variances = new LinkedHashMap<>();
        for (Input input : inputs) {
            double sigma = input.figure().sigma();
            if (sigma > 0) {
                again.apply(Reading.shifted(input, sigma))
                        .ifPresent(moved -> near.forEach(at -> {
                            double by = moved.at(at.demand()).margin(at.limit(), 1) - at.margin();
                            variances.merge(at, Double.isFinite(by) ? by * by : 0, Double::sum);
                        }));
            }
        }
        return variances.entrySet().stream()
                .flatMap(e -> chance(e.getKey(), e.getValue()))
                .max(Comparator.comparingDouble(Cliff::chance));
    }

    private static Stream<Cliff> chance(At at, double variance) {
        if (!(variance > 0)) {
            return Stream.of();
        }
        double chance = Spread.below(-at.margin() / Math.sqrt(variance));
        return chance < LEAST || chance > 1 - LEAST ? Stream.of() : Stream.of(new Cliff(chance, at.limit()));
    }

    /** A range of hours in which the machine may stop at once: where that is likely enough, it begins with nothing. */
    Spread in(Spread hours) {
        return chance < IN_RANGE ? hours : new Spread(0, hours.nominal(), hours.high(), hours.blame());
    }
}
