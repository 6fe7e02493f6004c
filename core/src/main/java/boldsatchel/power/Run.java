package boldsatchel.power;

import boldsatchel.course.Course;
import boldsatchel.course.NoEnd;
import boldsatchel.machine.UseProfile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A run of a profile from full to the first thing that ends it, for one source or several joined ones. Steps of the profile follow one
 * another until the energy is gone; cycles that are short against what a store holds are run many times over at once, with their mean
 * current (averaging of fast oscillations: Sanders and Verhulst, Averaging Methods in Nonlinear Dynamical Systems, ch. 2), so that
 * a cycle of seconds costs no more than one of hours. A joined source that ends while others go on is taken out; the run ends when a
 * limit of the machine or the last source ends it.
 */
final class Run {
    /** Cycles are run at once when so many of them fit between two lines of the grid. */
    private static final double FEW_CYCLES = 8;
    /** Cycles run step by step: some hundreds, as shorter ones are run at once. */
    private static final int MOST_TURNS = 20_000;

    private final Network network;
    private final List<Drain> drains;
    private final double[] stepHours;
    private final double cycleHours;
    private final int intervals;
    private final Course course;
    private final Optional<Discharge.Witness> witness;
    private final List<Discharge.Sample> samples = new ArrayList<>();
    private final double[] levels;
    private double hours;
    private double wattHours;
    private boolean sampling;
    private double sampledAt = Double.POSITIVE_INFINITY;

    Run(Network network, UseProfile profile, int intervals, Optional<Discharge.Witness> witness) {
        this.network = network;
        this.drains = profile.steps().stream()
                .map(Demand::of)
                .map(d -> network.drain(d, intervals))
                .toList();
        this.stepHours =
                profile.steps().stream().mapToDouble(s -> s.minutes() / 60).toArray();
        this.cycleHours = profile.minutes() / 60;
        this.intervals = intervals;
        this.course = new Course(0, 1, intervals);
        this.witness = witness;
        this.levels = network.supply().levels(1);
    }

    Discharge run() {
        for (int turn = 0; hours < Discharge.FOREVER_HOURS; turn++) {
            if (turn == MOST_TURNS) {
                throw new NoEnd("the run of “" + network.root() + "” comes to no end in " + MOST_TURNS + " cycles");
            }
            manyCycles();
            for (int k = 0; k < drains.size(); k++) {
                Optional<Discharge> ended = step(k);
                if (ended.isPresent()) {
                    return ended.get();
                }
            }
        }
        return Discharge.forever(network, meanLevel(), samples);
    }

    /** One step of the profile; the only one lasts as long as there is energy. */
    private Optional<Discharge> step(int k) {
        Drain drain = drains.get(k);
        double most = drains.size() == 1 ? Discharge.FOREVER_HOURS - hours : stepHours[k];
        begin(k, drain);
        Course.Leg<Drain.Seen> leg = course.go(drain, levels, most, (spent, from, before, to, after) -> {
            tell(drain, from, to, spent);
            wattHours += (before.watts() + after.watts()) / 2 * spent;
            hours += spent;
            if (sampling) {
                samples.add(sample(hours, to, after, k));
            }
        });
        return leg.last().stop().map(end -> finished(leg.last(), end, k));
    }

    /** Thins the samples out: the cycles between are alike. */
    private void begin(int k, Drain drain) {
        double mean = left(levels);
        if (k == 0) {
            sampling = drains.size() == 1 || Math.abs(sampledAt - mean) >= 1.0 / Discharge.MOST_SAMPLES;
        }
        if (sampling) {
            sampledAt = mean;
            samples.add(sample(hours, levels, drain.at(levels, new double[levels.length]), k));
        }
    }

    /** Whole cycles up to the next line of the grid, or to just before something stops one of their steps. */
    private void manyCycles() {
        if (drains.size() == 1) {
            return;
        }
        Mean mean = new Mean();
        double[] rates = new double[levels.length];
        while (!mean.at(levels, rates).stops()) {
            double quickest = Arrays.stream(rates).map(Math::abs).max().orElse(0);
            double cycles = Math.floor(1 / quickest / intervals / cycleHours);
            double left = Math.floor((Discharge.FOREVER_HOURS - hours) / cycleHours);
            if (!(cycles >= FEW_CYCLES && left >= 1)) {
                return;
            }
            double most = Math.min(cycles, left) * cycleHours;
            if (course.go(mean, levels, most, mean::moved).last().stops()) {
                return;
            }
        }
    }

    /** All steps of a cycle at once, each with its share of the time. */
    private final class Mean implements Course.Motion<Mean.Seen> {

        /** What each step sees. */
        record Seen(List<Drain.Seen> each) implements Course.Sight {
            @Override
            public boolean stops() {
                return each.stream().anyMatch(Drain.Seen::stops);
            }

            @Override
            public int mode() {
                return each.getLast().out();
            }
        }

        @Override
        public Seen at(double[] at, double[] perHour) {
            List<Drain.Seen> each = new ArrayList<>();
            double[] rates = new double[at.length];
            Arrays.fill(perHour, 0);
            for (int k = 0; k < drains.size(); k++) {
                each.add(drains.get(k).at(at, rates));
                for (int i = 0; i < at.length; i++) {
                    perHour[i] = Supply.isOut(at[i]) ? 0 : perHour[i] + rates[i] * stepHours[k] / cycleHours;
                }
            }
            return new Seen(each);
        }

        void moved(double spent, double[] from, Seen before, double[] to, Seen after) {
            for (int k = 0; k < drains.size(); k++) {
                double share = stepHours[k] / cycleHours;
                tell(drains.get(k), from, to, spent * share);
                wattHours += (before.each().get(k).watts() + after.each().get(k).watts()) / 2 * spent * share;
                samples.add(sample(
                        hours + spent * k / drains.size(), from, before.each().get(k), k));
            }
            hours += spent;
        }
    }

    private void tell(Drain drain, double[] from, double[] to, double spent) {
        if (witness.isPresent()) {
            double[] middle = from.clone();
            for (int i = 0; i < middle.length; i++) {
                middle[i] = Supply.isOut(from[i]) ? from[i] : (from[i] + Supply.left(to[i])) / 2;
            }
            witness.get().piece(drain.circuit(), middle, spent);
        }
    }

    private double meanLevel() {
        return Arrays.stream(levels).filter(l -> !Supply.isOut(l)).average().orElse(0);
    }

    private static double left(double[] levels) {
        double sum = 0;
        for (double level : levels) {
            sum += Supply.left(level);
        }
        return sum / levels.length;
    }

    private static Discharge.Sample sample(double hours, double[] levels, Drain.Seen seen, int k) {
        List<Double> each = levels.length == 1
                ? List.of(levels[0])
                : Arrays.stream(levels).boxed().toList();
        return new Discharge.Sample(hours, left(levels), seen.volts(), seen.amps(), each, k);
    }

    private Discharge finished(Drain.Seen at, Breach end, int k) {
        Discharge.Sample last = sample(hours, levels, at, k);
        samples.add(last);
        return new Discharge(hours, end, last.level(), samples, hours == 0 ? 0 : wattHours / hours);
    }
}
