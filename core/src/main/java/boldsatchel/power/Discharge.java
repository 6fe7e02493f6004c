package boldsatchel.power;

import boldsatchel.machine.UseProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A run from full to the first thing that ends it. For each step of the profile the current is tabulated over the state of
 * charge; time follows from dt = Q·ds/I(s), whose integral is tabulated too, so that walking through the cycle is exact for the
 * table and costs next to nothing however short the steps are.
 *
 * @param hours until the end; infinite when nothing is drawn
 * @param end what ends it
 * @param endLevel state of charge left
 * @param samples along the way, from full to the end
 * @param meanWatts mean power out of the terminals
 */
public record Discharge(double hours, Breach end, double endLevel, List<Sample> samples, double meanWatts) {

    /** Intervals of the table; a multiple of 20, so that no kink of a rest-voltage curve falls inside one. */
    static final int FINE = 100;

    /** Intervals for the many runs behind a range. */
    static final int COARSE = 8;

    static final int MOST_SAMPLES = 240;
    /** Share of the charge an hour below which nothing is drawn at all; keeps the table finite. */
    private static final double LEAST_PER_HOUR = 1e-12;

    static final double FOREVER_HOURS = 24 * 365.0;

    /**
     * One moment.
     *
     * @param hours since the start
     * @param level state of charge; the mean of joined sources
     * @param volts at the terminals, or at the rail of joined sources
     * @param amps from the terminals
     * @param levels of each source; −1 − level for one that was taken out with a level left
     * @param step of the profile
     */
    public record Sample(double hours, double level, double volts, double amps, List<Double> levels, int step) {
        /** A moment of a single source. */
        public Sample(double hours, double level, double volts, double amps) {
            this(hours, level, volts, amps, List.of(level), 0);
        }

        /** Copies the list. */
        public Sample {
            levels = List.copyOf(levels);
        }
    }

    /** Copies the list. */
    public Discharge {
        samples = List.copyOf(samples);
    }

    /** Runs a profile down. */
    public static Discharge run(Network network, UseProfile profile) {
        return run(network, profile, FINE, Optional.empty());
    }

    /** Runs a profile down in few steps: for comparing many runs with one another. */
    public static Discharge coarse(Network network, UseProfile profile) {
        return run(network, profile, COARSE, Optional.empty());
    }

    /** Hears of every piece of a run, so that what happens in it can be added up. */
    @FunctionalInterface
    interface Witness {
        /**
         * A piece.
         *
         * @param circuit what is on
         * @param levels of each source in the middle of the piece
         * @param hours that it lasts
         */
        void piece(Network.Circuit circuit, double[] levels, double hours);
    }

    static Discharge run(Network network, UseProfile profile, int intervals, Optional<Witness> witness) {
        return network.supply().isJoined()
                ? new JointRun(network, profile, intervals, witness).run()
                : alone(network, profile, intervals, witness);
    }

    private static Discharge alone(Network network, UseProfile profile, int intervals, Optional<Witness> witness) {
        List<Table> tables = tables(network, profile, intervals);
        List<Sample> samples = new ArrayList<>();
        double level = 1;
        double hours = 0;
        double wattHours = 0;
        double sampleEvery = 1.0 / MOST_SAMPLES;
        double sampledAt = 1 + sampleEvery;
        boolean lasting = tables.size() == 1;
        for (int k = 0; ; k = (k + 1) % tables.size()) {
            Table table = tables.get(k);
            if (level <= table.endLevel) {
                return finished(table, hours, level, samples, wattHours, k);
            }
            boolean sampled = !lasting && sampledAt - level >= sampleEvery;
            if (sampled || samples.isEmpty()) {
                table.sampleInto(samples, hours, level, lasting, k);
                sampledAt = level;
            }
            double stepHours = profile.steps().get(k).minutes() / 60;
            double nextLevel = lasting ? table.endLevel : Math.max(table.endLevel, table.levelAfter(level, stepHours));
            boolean wholeStep = !lasting && nextLevel > table.endLevel;
            double spent = wholeStep ? stepHours : table.hoursBetween(level, nextLevel);
            if (!(hours + spent < FOREVER_HOURS)) {
                return forever(network, level, samples);
            }
            wattHours += table.meanWatts(level, nextLevel) * spent;
            if (witness.isPresent()) {
                table.tell(witness.get(), level, nextLevel);
            }
            hours += spent;
            level = nextLevel;
            if (sampled) {
                samples.add(table.sample(hours, level, k));
            }
            if (nextLevel <= table.endLevel) {
                return finished(table, hours, level, samples, wattHours, k);
            }
        }
    }

    static Discharge forever(Network network, double level, List<Sample> samples) {
        return new Discharge(
                Double.POSITIVE_INFINITY, new Breach(Breach.Kind.EMPTY, network.root(), 0, 0), level, samples, 0);
    }

    private static Discharge finished(
            Table table, double hours, double level, List<Sample> samples, double wattHours, int step) {
        samples.add(table.sample(hours, level, step));
        return new Discharge(hours, table.end, level, samples, hours == 0 ? 0 : wattHours / hours);
    }

    private static List<Table> tables(Network network, UseProfile profile, int intervals) {
        List<Table> tables = new ArrayList<>();
        for (UseProfile.Step step : profile.steps()) {
            Demand demand = Demand.of(step);
            Table same = tables.stream()
                    .filter(t -> t.circuit.demand().equals(demand))
                    .findFirst()
                    .orElse(null);
            tables.add(same != null ? same : new Table(network, demand, intervals));
        }
        return tables;
    }

    /** Current of one demand over the state of charge, down to where something stops it. */
    private static final class Table {
        private final Network.Circuit circuit;
        private final int intervals;
        private final double[] amps;
        private final double[] volts;
        /** Hours from full to each grid point. */
        private final double[] hoursFromFull;

        private double endLevel;
        private Breach end;

        Table(Network network, Demand demand, int intervals) {
            this.circuit = network.at(demand);
            this.intervals = intervals;
            this.amps = new double[intervals + 1];
            this.volts = new double[intervals + 1];
            this.hoursFromFull = new double[intervals + 1];
            this.end = new Breach(Breach.Kind.EMPTY, network.root(), 0, 0);
            this.endLevel = 0;
            fill();
        }

        private double levelAt(int i) {
            return 1 - (double) i / intervals;
        }

        private void fill() {
            for (int i = 0; i <= intervals; i++) {
                Network.Terminals point = circuit.terminals(levelAt(i));
                if (point.stop().isPresent()) {
                    if (i == 0) {
                        endLevel = 1;
                        end = point.stop().get();
                        put(0, point);
                    } else {
                        locateEnd(levelAt(i), levelAt(i - 1), point.stop().get());
                        put(i, circuit.terminals(endLevel));
                    }
                    for (int j = i + 1; j <= intervals; j++) {
                        amps[j] = amps[i];
                        volts[j] = volts[i];
                        hoursFromFull[j] = hoursFromFull[i];
                    }
                    return;
                }
                put(i, point);
            }
        }

        private void put(int i, Network.Terminals point) {
            amps[i] = point.amps();
            volts[i] = point.volts();
            if (i > 0) {
                double width = Math.min(1.0 / intervals, levelAt(i - 1) - Math.max(endLevel, levelAt(i)));
                double full = (1 / hoursAt(i - 1) + 1 / hoursAt(i)) / 2;
                hoursFromFull[i] = hoursFromFull[i - 1] + width / Math.max(full, LEAST_PER_HOUR);
            }
        }

        private double hoursAt(int i) {
            return circuit.supply().branches().getFirst().store().hoursAt(volts[i], amps[i]);
        }

        /** Halves the interval until the level at which the run stops is known to a thousandth of it. */
        private void locateEnd(double stopped, double running, Breach breach) {
            double low = stopped;
            double high = running;
            Breach found = breach;
            while (high - low > 1e-3 / intervals) {
                double middle = (low + high) / 2;
                var stop = circuit.terminals(middle).stop();
                if (stop.isPresent()) {
                    low = middle;
                    found = stop.get();
                } else {
                    high = middle;
                }
            }
            endLevel = high;
            end = found;
        }

        private double position(double level) {
            return (1 - level) * intervals;
        }

        private double hoursFromFull(double level) {
            double at = position(level);
            int i = Math.min((int) at, intervals - 1);
            double left = levelAt(i);
            double right = Math.max(levelAt(i + 1), endLevel);
            if (left <= right) {
                return hoursFromFull[i];
            }
            return hoursFromFull[i] + (hoursFromFull[i + 1] - hoursFromFull[i]) * (left - level) / (left - right);
        }

        double hoursBetween(double from, double to) {
            return hoursFromFull(to) - hoursFromFull(from);
        }

        double levelAfter(double from, double hours) {
            double wanted = hoursFromFull(from) + hours;
            if (!(hoursFromFull[intervals] > wanted)) {
                return endLevel;
            }
            int found = java.util.Arrays.binarySearch(hoursFromFull, wanted);
            int i = found >= 0 ? found : -found - 2;
            if (i >= intervals || hoursFromFull[i + 1] == hoursFromFull[i]) {
                return Math.max(endLevel, levelAt(i));
            }
            double share = (wanted - hoursFromFull[i]) / (hoursFromFull[i + 1] - hoursFromFull[i]);
            double right = Math.max(levelAt(i + 1), endLevel);
            return levelAt(i) + share * (right - levelAt(i));
        }

        private double interpolate(double[] of, double level) {
            double at = position(level);
            int i = Math.min((int) at, intervals - 1);
            return of[i] + (of[i + 1] - of[i]) * (at - i);
        }

        double meanWatts(double from, double to) {
            double middle = (from + to) / 2;
            return interpolate(volts, middle) * interpolate(amps, middle);
        }

        /** Tells of the way from one level to another, bin by bin. */
        void tell(Witness witness, double from, double to) {
            double at = from;
            while (at > to) {
                int i = Math.min((int) (position(at) + 1e-9), intervals - 1);
                double next = Math.max(to, levelAt(i + 1));
                if (next >= at) {
                    next = to;
                }
                witness.piece(circuit, new double[] {(at + next) / 2}, hoursBetween(at, next));
                at = next;
            }
        }

        Sample sample(double hours, double level, int step) {
            return new Sample(hours, level, interpolate(volts, level), interpolate(amps, level), List.of(level), step);
        }

        void sampleInto(List<Sample> samples, double hours, double level, boolean whole, int step) {
            if (!whole) {
                samples.add(sample(hours, level, step));
                return;
            }
            for (int i = 0; i <= intervals && levelAt(i) > endLevel; i++) {
                samples.add(sample(hours + hoursFromFull[i], levelAt(i), step));
            }
        }
    }
}
