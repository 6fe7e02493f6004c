package boldsatchel.hunt;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Something that can be wrong.
 *
 * @param id stable name
 * @param title for people
 * @param rate how often it is met on benches, beside the others; 1 is seldom, 4 often
 * @param on what the build must have for it, each a {@link Trait}
 * @param near limits that make it likelier the nearer this build stands to them, each a {@link Nearness}
 * @param harm what it does to the figures of a build, if they can be worked out
 * @param shows by symptom, how often it shows there, 0 to 1
 * @param answers by check and outcome, how often it comes out so, 0 to 1; what is left is shared as usual
 * @param cures what is done about it
 */
public record Cause(
        String id,
        String title,
        double rate,
        List<String> on,
        List<String> near,
        Optional<Harm> harm,
        Map<String, Double> shows,
        Map<String, Map<String, Double>> answers,
        List<String> cures) {

    /** None of those that are known. */
    public static final Cause OTHER = new Cause(
            "other",
            "Something that is not in the list",
            1,
            List.of(),
            List.of(),
            Optional.empty(),
            Map.of(),
            Map.of(),
            List.of("Put together what was seen and tried, and ask somebody."));

    /** Copies the collections. */
    public Cause {
        on = List.copyOf(on);
        near = List.copyOf(near);
        shows = Map.copyOf(shows);
        answers = Map.copyOf(answers);
        cures = List.copyOf(cures);
    }

    /** How often it shows as a symptom, 0 to 1. */
    public double showsAs(Symptom symptom) {
        return shows.getOrDefault(symptom.id(), 0.0);
    }

    /** How often each outcome of a check comes out under it; what it leaves open is shared as usual. */
    public double[] chances(Check check) {
        Map<String, Double> said = answers.getOrDefault(check.id(), Map.of());
        double[] chances = new double[check.outcomes().size()];
        double left = 1 - said.values().stream().mapToDouble(v -> v).sum();
        double usual = check.outcomes().stream()
                .filter(o -> !said.containsKey(o.id()))
                .mapToDouble(Check.Outcome::usual)
                .sum();
        for (int o = 0; o < chances.length; o++) {
            Check.Outcome outcome = check.outcomes().get(o);
            chances[o] = said.containsKey(outcome.id())
                    ? said.get(outcome.id())
                    : usual > 0 ? Math.max(0, left) * outcome.usual() / usual : 0;
        }
        return chances;
    }
}
