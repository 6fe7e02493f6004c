package boldsatchel.power;

import java.util.Optional;

/** Current of one demand over the state of charge of a single source, down to where something stops it: asked often, solved once. */
final class DischargeTable implements Drain {
    /** The end of a run is located to this share of an interval. */
    private static final double CLOSE_SHARE = 1e-4;

    /** Rates that differ by less than this share are one. */
    private static final double STRAIGHT = 1e-6;

    private final Network.Circuit circuit;
    private final int intervals;
    private final double[] amps;
    private final double[] volts;
    private final double[] perHour;

    /** Hours of this demand from full to each line; filled when somebody first asks. */
    private double[] hoursTo = {};

    private double endLevel;
    private Optional<Breach> end;

    DischargeTable(Network network, Demand demand, int intervals) {
        this.circuit = network.at(demand);
        this.intervals = intervals;
        this.amps = new double[intervals + 1];
        this.volts = new double[intervals + 1];
        this.perHour = new double[intervals + 1];
        this.end = Optional.of(new Breach(Breach.Kind.EMPTY, network.root(), 0, 0));
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
                    end = point.stop();
                    put(0, point);
                } else {
                    Crossing crossing = Crossing.between(
                            circuit, levelAt(i), point.stop().get(), levelAt(i - 1), CLOSE_SHARE / intervals);
                    endLevel = crossing.level();
                    end = Optional.of(crossing.breach());
                    beyond(i, circuit.terminals(endLevel));
                }
                return;
            }
            put(i, point);
        }
    }

    private void put(int i, Network.Terminals point) {
        amps[i] = point.amps();
        volts[i] = point.volts();
        perHour[i] = 1 / circuit.supply().branches().getFirst().store().hoursAt(amps[i]);
    }

    /** Draws the line from the last point on through the end, so that it holds up to there. */
    private void beyond(int i, Network.Terminals atEnd) {
        put(i, atEnd);
        double share = (levelAt(i - 1) - endLevel) * intervals;
        if (share > 0) {
            amps[i] = amps[i - 1] + (amps[i] - amps[i - 1]) / share;
            volts[i] = volts[i - 1] + (volts[i] - volts[i - 1]) / share;
            perHour[i] = perHour[i - 1] + (perHour[i] - perHour[i - 1]) / share;
        }
    }

    @Override
    public Network.Circuit circuit() {
        return circuit;
    }

    @Override
    public Seen at(double[] levels, double[] rates) {
        double level = levels[0];
        double at = (1 - level) * intervals;
        int i = Math.clamp((int) at, 0, intervals - 1);
        double share = at - i;
        rates[0] = -between(perHour, i, share);
        return new Seen(
                between(volts, i, share), between(amps, i, share), level <= endLevel ? end : Optional.empty(), 0);
    }

    /** Hours of this demand alone from full to a level. */
    double hoursTo(double level) {
        if (hoursTo.length == 0) {
            addUp();
        }
        double at = (1 - level) * intervals;
        int i = Math.clamp((int) at, 0, intervals - 1);
        double rate = between(perHour, i, at - i);
        return hoursTo[i] + (at - i) / intervals * perRate(perHour[i], rate);
    }

    /** Level after some hours of this demand alone, from full; zero where that is beyond the table. */
    double levelAfter(double hours) {
        if (hoursTo.length == 0) {
            addUp();
        }
        int i = 0;
        while (i < intervals && hoursTo[i + 1] <= hours) {
            i++;
        }
        if (i == intervals || Double.isNaN(hoursTo[i + 1])) {
            return 0;
        }
        double bends = (perHour[i + 1] - perHour[i]) * intervals;
        double left = hours - hoursTo[i];
        double down =
                Math.abs(bends * left) < STRAIGHT ? perHour[i] * left : perHour[i] * Math.expm1(bends * left) / bends;
        return levelAt(i) - down;
    }

    /** The level at which it ends. */
    double endLevel() {
        return endLevel;
    }

    private void addUp() {
        double[] sum = new double[intervals + 1];
        for (int i = 0; i < intervals; i++) {
            sum[i + 1] = sum[i] + perRate(perHour[i], perHour[i + 1]) / intervals;
        }
        hoursTo = sum;
    }

    /** Mean of one over a rate that goes from one value to another in a straight line. */
    private static double perRate(double from, double to) {
        return Math.abs(to - from) < STRAIGHT * from ? 2 / (from + to) : Math.log(to / from) / (to - from);
    }

    private static double between(double[] of, int i, double share) {
        return of[i] + (of[i + 1] - of[i]) * share;
    }
}
