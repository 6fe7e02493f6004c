package boldsatchel.heat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The ways that heat takes from where it is set free to the surroundings.
 *
 * @param sources what is set free where, or shines on it
 * @param flows from one place to another, each pair once, the way the heat goes
 */
public record HeatWays(List<Source> sources, List<Flow> flows) {

    /** Copies the lists. */
    public HeatWays {
        sources = List.copyOf(sources);
        flows = List.copyOf(flows);
    }

    /**
     * Heat that comes from outside the network.
     *
     * @param at where
     * @param watts how much
     */
    public record Source(HeatPlace at, double watts) {}

    /**
     * Heat that goes from one place to another.
     *
     * @param from where
     * @param to where
     * @param watts how much, more than nothing
     */
    public record Flow(HeatPlace from, HeatPlace to, double watts) {}

    private record Pair(HeatPlace a, HeatPlace b) {}

    /** Adds up what crosses a network between places. */
    static HeatWays of(List<HeatPlace> places, List<HeatNetwork.Crossing> crossings, double[] watts) {
        Map<Pair, Double> sums = new LinkedHashMap<>();
        for (HeatNetwork.Crossing crossing : crossings) {
            HeatPlace from = places.get(crossing.from());
            HeatPlace to = places.get(crossing.to());
            if (!from.equals(to)) {
                double crosses = crossing.watts();
                Pair back = new Pair(to, from);
                if (sums.containsKey(back)) {
                    sums.merge(back, -crosses, Double::sum);
                } else {
                    sums.merge(new Pair(from, to), crosses, Double::sum);
                }
            }
        }
        List<Flow> flows = new ArrayList<>();
        sums.forEach((pair, sum) -> {
            if (sum != 0) {
                flows.add(sum > 0 ? new Flow(pair.a, pair.b, sum) : new Flow(pair.b, pair.a, -sum));
            }
        });
        Map<HeatPlace, Double> put = new LinkedHashMap<>();
        for (int i = 1; i < watts.length; i++) {
            if (watts[i] != 0) {
                put.merge(places.get(i), watts[i], Double::sum);
            }
        }
        return new HeatWays(
                put.entrySet().stream()
                        .map(e -> new Source(e.getKey(), e.getValue()))
                        .toList(),
                flows);
    }
}
