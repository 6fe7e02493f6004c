package boldsatchel.power;

import boldsatchel.machine.UseProfile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A run from several joined sources, each with a state of charge of its own. The levels are stepped by the midpoint rule (Hairer,
 * Nørsett, Wanner, Solving Ordinary Differential Equations I, II.1), a step taking no source further than one interval. A
 * cycle that is short against a step is run many times over at once, with its mean current. A source that ends while others go on is
 * taken out; the run ends when a limit of the machine or the last source ends it.
 */
final class JointRun {

    /** A source with less left than this is empty. */
    private static final double EMPTY = 1e-9;

    /** Turns of whole cycles or single ones; a run of two sources over a day in minutes takes some hundreds. */
    private static final int MOST_TURNS = 20_000;

    private final Network network;
    private final UseProfile profile;
    private final List<Network.Circuit> circuits;
    private final double[] stepHours;
    private final int intervals;
    private final Optional<Discharge.Witness> witness;
    private final List<Discharge.Sample> samples = new ArrayList<>();
    private final double[] levels;
    private double hours;
    private double wattHours;
    private boolean sampling;
    private double sampledAt = Double.POSITIVE_INFINITY;

    JointRun(Network network, UseProfile profile, int intervals, Optional<Discharge.Witness> witness) {
        this.network = network;
        this.profile = profile;
        this.circuits =
                profile.steps().stream().map(s -> network.at(Demand.of(s))).toList();
        this.stepHours =
                profile.steps().stream().mapToDouble(s -> s.minutes() / 60).toArray();
        this.intervals = intervals;
        this.witness = witness;
        this.levels = network.supply().levels(1);
    }

    Discharge run() {
        double cycle = profile.minutes() / 60;
        for (int turn = 0; turn < MOST_TURNS; turn++) {
            double[] mean = new double[levels.length];
            for (int k = 0; k < circuits.size(); k++) {
                Network.Terminals at = circuits.get(k).terminals(levels);
                Optional<Breach> end = end(at);
                if (end.isPresent()) {
                    return finished(at, end.get(), k);
                }
                add(mean, rates(at.flow()), stepHours[k] / cycle);
            }
            double quick = longest(mean);
            if (hours + quick > Discharge.FOREVER_HOURS) {
                return Discharge.forever(network, meanLevel(), samples);
            }
            if (quick > cycle || circuits.size() == 1) {
                double span = circuits.size() == 1 ? quick : Math.floor(quick / cycle) * cycle;
                cycles(span);
            } else {
                for (int k = 0; k < circuits.size(); k++) {
                    double left = stepHours[k];
                    while (left > 1e-12) {
                        Network.Terminals at = circuits.get(k).terminals(levels);
                        Optional<Breach> end = end(at);
                        if (end.isPresent()) {
                            return finished(at, end.get(), k);
                        }
                        double span = Math.min(left, longest(rates(at.flow())));
                        left -= piece(k, span);
                    }
                }
            }
        }
        throw new IllegalStateException("the run of the joined sources of “" + network.root() + "” comes to no end in "
                + MOST_TURNS + " turns");
    }

    /** What ends the run here: a limit of the machine, or that nothing is left in any source. */
    private Optional<Breach> end(Network.Terminals at) {
        boolean empty = Arrays.stream(levels).allMatch(l -> l < EMPTY);
        return at.stop()
                .or(() -> empty ? Optional.of(new Breach(Breach.Kind.EMPTY, network.root(), 0, 0)) : Optional.empty());
    }

    /** Runs whole cycles at their mean current; where that would run past the end, fewer. */
    private void cycles(double span) {
        double tried = span;
        for (int i = 0; i < 8; i++) {
            double[] after = levels.clone();
            for (int k = 0; k < circuits.size(); k++) {
                after = after(k, tried, stepHours[k] / (profile.minutes() / 60), after);
            }
            double[] seen = after.clone();
            boolean stops =
                    circuits.stream().anyMatch(c -> c.terminals(seen).stop().isPresent());
            if (!stops || tried < span * 0.01) {
                break;
            }
            tried /= 2;
        }
        for (int k = 0; k < circuits.size(); k++) {
            piece(k, tried * stepHours[k] / (profile.minutes() / 60));
        }
    }

    /** Goes on with one demand, no longer than until a source is empty; returns how long, h. */
    private double piece(int k, double wanted) {
        Network.Circuit circuit = circuits.get(k);
        double[] middle = middle(k, wanted, levels);
        Network.Terminals at = circuit.terminals(middle);
        double[] rates = rates(at.flow());
        double span = wanted;
        for (int i = 0; i < rates.length; i++) {
            if (!Supply.isOut(middle[i]) && rates[i] > 0) {
                span = Math.min(span, levels[i] / rates[i]);
            }
        }
        double lasting = Math.max(span, wanted * 1e-6);
        sample(k, at);
        witness.ifPresent(w -> w.piece(circuit, middle, lasting));
        wattHours += at.volts() * at.amps() * lasting;
        hours += lasting;
        move(levels, middle, rates, lasting);
        return lasting;
    }

    private double[] after(int k, double span, double share, double[] from) {
        double[] middle = middle(k, span * share, from);
        double[] to = from.clone();
        move(to, middle, rates(circuits.get(k).terminals(middle).flow()), span * share);
        return to;
    }

    private double[] middle(int k, double span, double[] from) {
        double[] middle = from.clone();
        Network.Terminals at = circuits.get(k).terminals(middle);
        move(middle, middle, rates(at.flow()), span / 2);
        return middle;
    }

    private static void move(double[] levels, double[] seen, double[] rates, double span) {
        for (int i = 0; i < levels.length; i++) {
            if (Supply.isOut(seen[i])) {
                levels[i] = Supply.isOut(levels[i]) ? levels[i] : Supply.out(levels[i]);
            } else if (rates.length > 0) {
                levels[i] = Math.clamp(levels[i] - rates[i] * span, 0, 1);
            }
        }
    }

    /** Share of its charge each source loses an hour. */
    private double[] rates(Supply.Flow flow) {
        double[] rates = new double[flow.amps().length];
        for (int i = 0; i < rates.length; i++) {
            Store store = network.supply().branches().get(i).store();
            rates[i] = flow.amps()[i] == 0
                    ? 0
                    : Math.copySign(1 / store.hoursAt(Math.abs(flow.amps()[i])), flow.amps()[i]);
        }
        return rates;
    }

    /** Hours until the quickest source has gone one interval, or the first is empty. */
    private double longest(double[] rates) {
        double longest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < rates.length; i++) {
            if (!Supply.isOut(levels[i]) && rates[i] != 0) {
                longest = Math.min(longest, 1.0 / intervals / Math.abs(rates[i]));
                if (rates[i] > 0) {
                    longest = Math.min(longest, Math.max(levels[i], 1e-4) / rates[i]);
                }
            }
        }
        return longest;
    }

    private static void add(double[] sum, double[] more, double weight) {
        for (int i = 0; i < more.length; i++) {
            sum[i] += more[i] * weight;
        }
    }

    private double meanLevel() {
        return Arrays.stream(levels).filter(l -> !Supply.isOut(l)).average().orElse(0);
    }

    private void sample(int k, Network.Terminals at) {
        Discharge.Sample now = now(k, at);
        if (k == 0) {
            sampling = Math.abs(sampledAt - now.level()) >= 1.0 / Discharge.MOST_SAMPLES;
        }
        if (sampling) {
            sampledAt = now.level();
            samples.add(now);
        }
    }

    private Discharge.Sample now(int k, Network.Terminals at) {
        double mean = Arrays.stream(levels).map(Supply::left).average().orElse(0);
        List<Double> each = Arrays.stream(levels).boxed().toList();
        return new Discharge.Sample(hours, mean, at.volts(), at.amps(), each, k);
    }

    private Discharge finished(Network.Terminals at, Breach end, int k) {
        Discharge.Sample last = now(k, at);
        samples.add(last);
        return new Discharge(hours, end, last.level(), samples, hours == 0 ? 0 : wattHours / hours);
    }
}
