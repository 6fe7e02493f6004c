package boldsatchel.hunt;

import boldsatchel.bench.Expectation;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.commons.math3.distribution.NormalDistribution;

/**
 * What a check would say under each suspect: the chance of each of its outcomes, or, of a reading, of each interval between the limits
 * that any suspect sets.
 */
final class Odds {

    /** Somebody looks wrong, writes wrong, or the fault comes and goes: a share of all answers is any of them. */
    private static final double SLIP = 0.02;

    private static final double CHEAP_METER_SHARE = 0.005;
    private static final double LEAST_VALUE = 1e-6;
    private static final double MOST_READINGS = 0.8;

    private final Check check;
    private final Part place;
    private final Optional<Plan> plan;
    /** By suspect and outcome or interval. */
    private final double[][] chances;

    private final double[] edges;

    /**
     * What the plan says of a reading.
     *
     * @param expected by the plan
     * @param quantity what is read
     */
    record Plan(Expectation expected, Quantity quantity) {}

    /**
     * A part of what may be read.
     *
     * @param weight how often, 0 to 1
     * @param range from where to where
     */
    record Likely(double weight, Band.Range range) {}

    private Odds(Check check, Part place, Optional<Plan> plan, double[][] chances, double[] edges) {
        this.check = check;
        this.place = place;
        this.plan = plan;
        this.chances = chances;
        this.edges = edges;
    }

    /** Of a look or an exchange: by suspect, the chance of each outcome. */
    static Odds ofOutcomes(Check check, Part place, double[][] outcomes) {
        return new Odds(check, place, Optional.empty(), outcomes, new double[0]);
    }

    /** Of a reading: by suspect, where it lies. */
    static Odds ofReading(Check check, Part place, Plan plan, List<List<Likely>> bySuspect) {
        TreeSet<Double> limits = new TreeSet<>();
        bySuspect.forEach(parts -> parts.forEach(p -> {
            limits.add(p.range().low());
            limits.add(p.range().high());
        }));
        double[] edges = limits.stream().mapToDouble(d -> d).toArray();
        double[][] chances = new double[bySuspect.size()][edges.length - 1];
        for (int s = 0; s < chances.length; s++) {
            for (Likely part : bySuspect.get(s)) {
                double width = part.range().high() - part.range().low();
                for (int b = 0; b < chances[s].length; b++) {
                    if (edges[b] >= part.range().low()
                            && edges[b + 1] <= part.range().high()) {
                        chances[s][b] += part.weight() * (edges[b + 1] - edges[b]) / width;
                    }
                }
            }
        }
        return new Odds(check, place, Optional.of(plan), chances, edges);
    }

    Check check() {
        return check;
    }

    Part place() {
        return place;
    }

    /** What the plan says, of a reading. */
    Optional<Plan> plan() {
        return plan;
    }

    /** How many outcomes or intervals it has. */
    int size() {
        return chances[0].length;
    }

    /** How often an outcome is truly so under a suspect, or a reading in an interval. */
    double chance(int suspect, int outcome) {
        return chances[suspect][outcome];
    }

    /** From where to where an interval of a reading goes. */
    Band.Range interval(int place) {
        return new Band.Range(edges[place], edges[place + 1]);
    }

    /**
     * How well what this check said goes with a suspect, on a scale of the check's own; 1 for all where it said nothing. Looking again
     * finds a slip, it does not change what is there: the answers go together with each outcome, not each by itself. Of readings the last
     * one counts.
     *
     * @param said by this check, the first one first
     */
    double likelihood(int suspect, List<Journal.Clue> said) {
        if (plan.isPresent()) {
            return said.reversed().stream()
                    .flatMap(c -> c.value().stream())
                    .findFirst()
                    .map(read -> density(suspect, read))
                    .orElse(1.0);
        }
        double sum = 0;
        for (int o = 0; o < size(); o++) {
            sum += chances[suspect][o] * slips(o, said);
        }
        return sum;
    }

    /** How often an outcome that is truly so is seen as it was. */
    private double slips(int truly, List<Journal.Clue> said) {
        double product = 1;
        for (Journal.Clue clue : said) {
            int seen = check.place(clue.outcome());
            if (seen >= 0) {
                product *= slip(seen, truly);
            }
        }
        return product;
    }

    private double slip(int seen, int truly) {
        return SLIP / size() + (seen == truly ? 1 - SLIP : 0);
    }

    /**
     * How often each outcome, or a reading in each interval, would come out next under a suspect.
     *
     * @param said by this check before
     */
    double[] next(int suspect, List<Journal.Clue> said) {
        double[] next = new double[size()];
        double before = plan.isPresent() ? 1 : likelihood(suspect, said);
        for (int seen = 0; seen < next.length; seen++) {
            if (plan.isPresent()) {
                next[seen] = (1 - SLIP) * chances[suspect][seen] + SLIP * share(seen);
            } else {
                for (int o = 0; o < next.length; o++) {
                    next[seen] += chances[suspect][o] * slips(o, said) * slip(seen, o) / before;
                }
            }
        }
        return next;
    }

    private double share(int interval) {
        return (edges[interval + 1] - edges[interval]) / (edges[edges.length - 1] - edges[0]);
    }

    /** Density about a reading, with its doubt; a reading beyond all that was thought of counts as the outermost. */
    private double density(int suspect, Figure read) {
        double all = edges[edges.length - 1] - edges[0];
        double at = Math.clamp(read.value(), edges[0], edges[edges.length - 1]);
        double sigma = Math.max(read.plusMinus() / 2, CHEAP_METER_SHARE * Math.max(LEAST_VALUE, Math.abs(at)));
        NormalDistribution doubt = new NormalDistribution(at, sigma);
        double density = SLIP / all;
        for (int b = 0; b < size(); b++) {
            density += (1 - SLIP)
                    * doubt.probability(edges[b], edges[b + 1])
                    * chances[suspect][b]
                    / (edges[b + 1] - edges[b]);
        }
        return density;
    }

    /** What it would say under a suspect, in words. */
    String forecast(int suspect) {
        if (plan.isPresent()) {
            return interval(suspect, plan.get().quantity());
        }
        int likeliest = 0;
        for (int o = 1; o < size(); o++) {
            likeliest = chance(suspect, o) > chance(suspect, likeliest) ? o : likeliest;
        }
        return check.outcomes().get(likeliest).words() + ", " + Units.format(100 * chance(suspect, likeliest), 0, "%");
    }

    /** The smallest run of intervals about the likeliest that holds four of five readings. */
    private String interval(int suspect, Quantity quantity) {
        int from = 0;
        for (int b = 1; b < size(); b++) {
            from = perUnit(suspect, b) > perUnit(suspect, from) ? b : from;
        }
        int to = from;
        double held = chance(suspect, from);
        while (held < MOST_READINGS && (from > 0 || to + 1 < size())) {
            double below = from > 0 ? chance(suspect, from - 1) : -1;
            double above = to + 1 < size() ? chance(suspect, to + 1) : -1;
            if (above < below) {
                from--;
                held += below;
            } else {
                to++;
                held += above;
            }
        }
        return Units.format(quantity, Math.max(0, interval(from).low())) + " to "
                + Units.format(quantity, interval(to).high());
    }

    private double perUnit(int suspect, int interval) {
        Band.Range range = interval(interval);
        return chance(suspect, interval) / (range.high() - range.low());
    }
}
