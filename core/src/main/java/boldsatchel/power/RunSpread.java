package boldsatchel.power;

import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The range of a run time. A single source lasts T = ∫ ds / J(s), J the share of its charge that the profile takes an hour. One reverse
 * sweep at a few levels tells how J moves with every input at once, and the end of the run moves by −(∂g/∂p)/(∂g/∂s), g the margin of the
 * limit that ends it (sensitivity with a moving end: Bryson and Ho, Applied Optimal Control, 2.7). That costs a handful of solutions,
 * however many inputs there are. Joined sources have a state each: their run is tried again, coarsely, with each input moved.
 */
final class RunSpread {
    /** Middles of intervals at which J is sensed; the ranges are good to a hundredth. */
    private static final int LEVELS = 8;

    private static final double MINUTES_PER_HOUR = 60;
    /** Cycles shorter than this share of half the range leave no stairs in it. */
    private static final double SMOOTH_SHARE = 0.1;
    /** A charge smaller than this share of the best estimate is not run down again. */
    private static final double LEAST_CHARGE = 0.05;
    /** Step in level for the slope of the margin at the end. */
    private static final double LEVEL_STEP = 1e-4;

    private final Build build;
    private final CellTemperatures cells;
    private final Network network;
    private final UseProfile profile;
    private final Discharge run;
    /** What the profile asks for, by its share of the time: equal demands are solved once. */
    private final Map<Demand, Double> shares = new LinkedHashMap<>();

    private final Inputs inputs = new Inputs();
    /** How the hours move with each input, for one of its unit. */
    private final Inputs.Effects slopes = inputs.new Effects();

    private RunSpread(Build build, CellTemperatures cells, Network network, Discharge run) {
        this.build = build;
        this.cells = cells;
        this.network = network;
        this.profile = build.brief().profile();
        this.run = run;
        for (UseProfile.Step step : profile.steps()) {
            shares.merge(Demand.of(step), step.minutes() / profile.minutes(), Double::sum);
        }
    }

    /**
     * The range of the profile's run.
     *
     * @param cells how warm they are in it
     * @param run of the profile
     * @param inputs all that were read for it
     */
    static Spread of(Build build, CellTemperatures cells, Network network, Discharge run, List<Input> inputs) {
        RunSpread spread = new RunSpread(build, cells, network, run);
        double hours = spread.run.hours();
        if (!Double.isFinite(hours) || hours == 0) {
            return Spread.exact(hours);
        }
        if (network.supply().isJoined()) {
            return Spread.around(hours, inputs, spread::coarse);
        }
        spread.along();
        spread.charge();
        spread.end();
        return spread.around(hours);
    }

    private Spread around(double hours) {
        double[] effects = slopes.byPlace();
        for (int i = 0; i < effects.length; i++) {
            effects[i] *= inputs.at(i).figure().sigma();
        }
        return inSteps(Spread.ofEffects(hours, inputs, effects));
    }

    /**
     * A cycle that changes between light and heavy lets runs end with a heavy step much more often than between: its few hours lie on
     * stairs. A charge that is larger by a factor makes a run as much longer as a cycle that is shorter by it.
     */
    private Spread inSteps(Spread smooth) {
        double half = smooth.high() - smooth.nominal();
        if (shares.size() == 1 || profile.minutes() / MINUTES_PER_HOUR < SMOOTH_SHARE * half) {
            return smooth;
        }
        return new Spread(
                Math.min(smooth.nominal(), onStairs(smooth.low())),
                smooth.nominal(),
                Math.max(smooth.nominal(), onStairs(smooth.high())),
                smooth.blame());
    }

    /** Where on the stairs a run ends that would be so long without them. */
    private double onStairs(double smooth) {
        double longer = smooth / run.hours();
        if (!(longer > LEAST_CHARGE)) {
            return smooth;
        }
        double hours = 0;
        double level = 1;
        while (hours < Discharge.FOREVER_HOURS) {
            for (UseProfile.Step step : profile.steps()) {
                DischargeTable table = network.table(Demand.of(step), Discharge.FINE);
                double begins = table.hoursTo(level);
                double lasts = step.minutes() / MINUTES_PER_HOUR / longer;
                double after = level > table.endLevel() ? table.levelAfter(begins + lasts) : level;
                if (!(after > table.endLevel())) {
                    return longer * (hours + Math.max(0, table.hoursTo(table.endLevel()) - begins));
                }
                level = after;
                hours += lasts;
            }
        }
        return smooth;
    }

    private double coarse(Reading reading) {
        return again(reading).map(n -> Discharge.coarse(n, profile).hours()).orElse(0.0);
    }

    private Optional<Network> again(Reading reading) {
        return build.rung(network.root()).flatMap(root -> Network.of(build, root, reading, cells));
    }

    private void add(Input input, double by) {
        slopes.add(input, by);
    }

    private Store store() {
        return network.supply().branches().getFirst().store();
    }

    private record At(Network.Circuit circuit, Network.Terminals terminals, double share) {}

    /** The profile's demands at a level. */
    private List<At> at(double level) {
        List<At> steps = new ArrayList<>();
        shares.forEach((demand, share) -> {
            Network.Circuit circuit = network.at(demand);
            steps.add(new At(circuit, circuit.terminals(level), share));
        });
        return steps;
    }

    /** Share of the charge taken an hour. */
    private double perHour(List<At> steps) {
        double sum = 0;
        for (At step : steps) {
            sum += step.share() * step.terminals().amps();
        }
        return sum / store().charge().value();
    }

    /** −∫ J′ / J² ds: what the currents do. */
    private void along() {
        double width = (1 - run.endLevel()) / LEVELS;
        for (int i = 0; i < LEVELS; i++) {
            double level = 1 - (i + 0.5) * width;
            List<At> steps = at(level);
            double perHour = perHour(steps);
            if (!(perHour > 0)) {
                continue;
            }
            double weight = -width / (perHour * perHour) / store().charge().value();
            for (At step : steps) {
                step.circuit().sense(level, step.terminals(), weight * step.share(), this::add);
            }
        }
    }

    /** T grows with the charge. */
    private void charge() {
        Num charge = store().charge();
        charge.tell(run.hours() / charge.value(), this::add);
    }

    /** −s′/J at the end: how far the end moves, and how long that lasts. */
    private void end() {
        double level = run.endLevel();
        Breach end = run.end();
        if (level <= LEVEL_STEP || end.kind() == Breach.Kind.EMPTY) {
            return;
        }
        Optional<Network.Circuit> ending = shares.keySet().stream()
                .map(network::at)
                .filter(c -> Math.abs(c.margin(end, level)) == leastMargin(end, level))
                .findFirst();
        ending.ifPresent(circuit -> {
            double slope = (circuit.margin(end, level + LEVEL_STEP) - circuit.margin(end, level)) / LEVEL_STEP;
            double perHour = perHour(at(level));
            if (!(Math.abs(slope) > 0) || !(perHour > 0)) {
                return;
            }
            double worth = 1 / slope / perHour;
            if (end.kind() == Breach.Kind.CELL_CUTOFF) {
                cutOff(circuit, level, worth);
                return;
            }
            double base = circuit.margin(end, level);
            for (int i = 0; i < inputs.size(); i++) {
                Input input = inputs.at(i);
                double sigma = input.figure().sigma();
                if (sigma > 0) {
                    double moved = again(Reading.shifted(input, sigma))
                            .map(n -> n.at(circuit.demand()).margin(end, level))
                            .orElse(base);
                    if (Double.isFinite(moved)) {
                        add(input, (moved - base) / sigma * worth);
                    }
                }
            }
        });
    }

    /** The margin of a cut-off is the terminal voltage E − R·I, whose motion the sweep tells: −R·I′ − I·R′. */
    private void cutOff(Network.Circuit circuit, double level, double worth) {
        Network.Terminals at = circuit.terminals(level);
        circuit.sense(level, at, -store().ohms(level) * worth, this::add);
        store().tellOhms(level, -at.amps() * worth, this::add);
    }

    private double leastMargin(Breach end, double level) {
        return shares.keySet().stream()
                .mapToDouble(demand -> Math.abs(network.at(demand).margin(end, level)))
                .filter(Double::isFinite)
                .min()
                .orElse(Double.NaN);
    }
}
