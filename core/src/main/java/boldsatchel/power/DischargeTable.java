package boldsatchel.power;

import java.util.Arrays;
import java.util.List;

/** Current of one demand over the state of charge, down to where something stops it. */
final class DischargeTable {
    /** Share of the charge an hour below which nothing is drawn at all; keeps the table finite. */
    private static final double LEAST_PER_HOUR = 1e-12;

    /** The end of a run is located to this share of an interval. */
    private static final double CLOSE_SHARE = 1e-3;

    private final Network.Circuit circuit;
    private final int intervals;
    private final double[] amps;
    private final double[] volts;
    /** Hours from full to each grid point. */
    private final double[] hoursFromFull;

    private double endLevel;
    private Breach end;

    DischargeTable(Network network, Demand demand, int intervals) {
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
        Network.Terminals point = circuit.terminals(1);
        for (int i = 0; i <= intervals; i++) {
            point = i == 0 ? point : circuit.terminalsBelow(point, levelAt(i));
            if (point.stop().isPresent()) {
                if (i == 0) {
                    endLevel = 1;
                    end = point.stop().get();
                    put(0, point);
                } else {
                    Crossing crossing = Crossing.between(
                            circuit, levelAt(i), point.stop().get(), levelAt(i - 1), CLOSE_SHARE / intervals);
                    endLevel = crossing.level();
                    end = crossing.breach();
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
        return circuit.supply().branches().getFirst().store().hoursAt(amps[i]);
    }

    double endLevel() {
        return endLevel;
    }

    Breach end() {
        return end;
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
        int found = Arrays.binarySearch(hoursFromFull, wanted);
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
    void tell(Discharge.Witness witness, double from, double to) {
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

    Discharge.Sample sample(double hours, double level, int step) {
        return new Discharge.Sample(
                hours, level, interpolate(volts, level), interpolate(amps, level), List.of(level), step);
    }

    void sampleInto(List<Discharge.Sample> samples, double hours, double level, boolean whole, int step) {
        if (!whole) {
            samples.add(sample(hours, level, step));
            return;
        }
        for (int i = 0; i <= intervals && levelAt(i) > endLevel; i++) {
            samples.add(sample(hours + hoursFromFull[i], levelAt(i), step));
        }
    }
}
