package boldsatchel.hunt;

import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * From a symptom to the culprit. Suspects are weighed by how often they are met and show so, times what this build's own numbers say of
 * them ({@link Nearness}); every clue weighs them anew by Bayes' rule; the next check is the one that is expected to take most doubt away
 * (Shannon's information, as Lindley, On a measure of the information provided by an experiment, 1956) for its minutes and its parts. One
 * thing is taken to be wrong at a time; what is not in the list keeps a place of its own among the suspects.
 */
public final class Hunt {

    /** Share that is kept for what is not in the list. */
    private static final double OTHER_SHARE = 0.03;

    private static final double FOUND = 0.97;
    private static final String CURE = "cure:";
    private static final double CURE_MINUTES = 20;
    private static final double CURES = 0.97;
    private static final double CURED_BY_CHANCE = 0.02;
    private static final int MOST_TIMES = 3;
    private static final double LEAST_BITS = 0.02;
    private static final double MOVE_MINUTES = 2;
    private static final double PART_MINUTES = 3;
    /** How warm it is where things are measured, °C. */
    static final double ROOM_C = 25;

    private static final int SHOWN = 3;

    private final Symptom symptom;
    private final Part subject;
    private final List<Suspect> suspects;
    private final Map<String, Odds> odds;

    private Hunt(Symptom symptom, Part subject, List<Suspect> suspects, Map<String, Odds> odds) {
        this.symptom = symptom;
        this.subject = subject;
        this.suspects = suspects;
        this.odds = odds;
    }

    /** Symptoms that something in a build can have. */
    public static List<Symptom> possible(Knowledge knowledge, Build build) {
        return knowledge.symptoms().stream()
                .filter(s -> !subjects(build, s).isEmpty())
                .toList();
    }

    /** Parts that a symptom can be seen on. */
    public static List<Part> subjects(Build build, Symptom symptom) {
        Trait trait = Trait.of(symptom.on()).orElseThrow();
        return build.parts().list().stream().filter(p -> trait.of(build, p)).toList();
    }

    /**
     * Gathers suspects and works out what each check would say under each; takes some tens of milliseconds.
     *
     * @param evaluation of the build as planned
     * @param subject the part that is in trouble
     */
    public static Hunt begin(Knowledge knowledge, Evaluation evaluation, Symptom symptom, Part subject) {
        Build build = evaluation.build();
        List<Suspect> suspects = suspects(knowledge, evaluation, symptom, subject);
        Map<String, Odds> odds = new LinkedHashMap<>();
        Readings readings = new Readings(evaluation, subject, suspects);
        for (Check check : knowledge.checks()) {
            Places.of(build, subject, check.at())
                    .flatMap(place -> check.kind() == Check.Kind.READ
                            ? readings.odds(check, place)
                            : Optional.of(outcomes(check, place, suspects)))
                    .filter(o -> tells(o, suspects.size()))
                    .ifPresent(o -> odds.put(check.id(), o));
        }
        for (int s = 0; s < suspects.size() - 1; s++) {
            Check cure = cure(suspects.get(s).cause());
            odds.put(cure.id(), cured(cure, subject, s, suspects.size()));
        }
        return new Hunt(symptom, subject, suspects, odds);
    }

    /** What mends a cause is a check as well, and the last word. */
    private static Check cure(Cause cause) {
        return new Check(
                CURE + cause.id(),
                "Mend it as if it were: " + cause.title(),
                Check.Kind.SWAP,
                Check.SUBJECT,
                CURE_MINUTES,
                List.of(),
                String.join(" ", cause.cures()),
                "",
                List.of(
                        new Check.Outcome("same", "as before", 1 - CURED_BY_CHANCE),
                        new Check.Outcome("cured", "it is gone", CURED_BY_CHANCE)));
    }

    private static Odds cured(Check cure, Part subject, int suspect, int suspects) {
        double[][] chances = new double[suspects][];
        for (int s = 0; s < suspects; s++) {
            double cured = s == suspect ? CURES : CURED_BY_CHANCE;
            chances[s] = new double[] {1 - cured, cured};
        }
        return Odds.ofOutcomes(cure, subject, chances);
    }

    private static List<Suspect> suspects(Knowledge knowledge, Evaluation evaluation, Symptom symptom, Part subject) {
        List<Suspect> suspects = new ArrayList<>();
        double sum = 0;
        for (Cause cause : knowledge.causes()) {
            double shows = cause.showsAs(symptom);
            if (shows > 0 && isPossible(cause, evaluation.build(), subject)) {
                Nearness near = Nearness.of(cause.near(), evaluation, subject);
                double weight = cause.rate() * shows * near.factor();
                suspects.add(new Suspect(cause, weight, near.words()));
                sum += weight;
            }
        }
        double all = sum;
        List<Suspect> shared = new ArrayList<>(suspects.stream()
                .map(s -> new Suspect(s.cause(), (1 - OTHER_SHARE) * s.prior() / all, s.why()))
                .toList());
        shared.add(new Suspect(Cause.OTHER, shared.isEmpty() ? 1 : OTHER_SHARE, ""));
        return shared;
    }

    private static boolean isPossible(Cause cause, Build build, Part subject) {
        return cause.on().stream().allMatch(t -> Trait.of(t).orElseThrow().isFor(build, subject));
    }

    private static Odds outcomes(Check check, Part place, List<Suspect> suspects) {
        double[][] chances = new double[suspects.size()][];
        for (int s = 0; s < chances.length; s++) {
            chances[s] = suspects.get(s).cause().chances(check);
        }
        return Odds.ofOutcomes(check, place, chances);
    }

    private static boolean tells(Odds odds, int suspects) {
        for (int s = 1; s < suspects; s++) {
            for (int o = 0; o < odds.size(); o++) {
                if (odds.chance(s, o) != odds.chance(0, o)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** What is wrong. */
    public Symptom symptom() {
        return symptom;
    }

    /** The part that is in trouble. */
    public Part subject() {
        return subject;
    }

    /** Checks that tell these suspects apart, the shortest first: what somebody without a plan would go through. */
    public List<Check> checklist() {
        return odds.values().stream()
                .map(Odds::check)
                .sorted(Comparator.comparingDouble(Check::minutes))
                .toList();
    }

    /** What a clue says, in words. */
    public String words(Journal.Clue clue) {
        Optional<Odds> asked = Optional.ofNullable(odds.get(clue.check()));
        String title = asked.map(o -> o.check().title()).orElse(clue.check());
        String said = clue.value()
                .map(v -> asked.flatMap(Odds::plan)
                        .map(p -> Units.format(p.quantity(), v))
                        .orElse(Units.format(v.value())))
                .or(() -> asked.map(Odds::check)
                        .filter(c -> c.place(clue.outcome()) >= 0)
                        .map(c -> c.outcomes().get(c.place(clue.outcome())).words()))
                .orElse(clue.outcome().isEmpty() ? "cannot be done" : clue.outcome());
        return title + ": " + said + (asked.isPresent() ? "" : " (tells nothing here)");
    }

    /** Share of the doubt before it that each clue took away, in their order; negative where one added to it. */
    public List<Double> worths(List<Journal.Clue> clues) {
        List<Double> worths = new ArrayList<>();
        double before = after(List.of(), 0).bits();
        for (int i = 1; i <= clues.size(); i++) {
            double now = after(clues.subList(0, i), 0).bits();
            worths.add(before > 0 ? (before - now) / before : 0);
            before = now;
        }
        return worths;
    }

    /** Part that a check of this hunt is done to; the subject for one that tells nothing in it. */
    public Part place(Check check) {
        return Optional.ofNullable(odds.get(check.id())).map(Odds::place).orElse(subject);
    }

    /**
     * Weighs the suspects.
     *
     * @param clues that came in, and checks that cannot be done
     * @param boxMinutes as long as it may take; 0 for no end
     */
    public Belief after(List<Journal.Clue> clues, double boxMinutes) {
        double[] weights = suspects.stream().mapToDouble(Suspect::prior).toArray();
        List<double[]> factors = new ArrayList<>();
        double minutes = 0;
        for (int c = 0; c < clues.size(); c++) {
            Journal.Clue clue = clues.get(c);
            List<Journal.Clue> before = said(clues.subList(0, c), clue.check());
            List<Journal.Clue> now = said(clues.subList(0, c + 1), clue.check());
            Optional<Odds> asked = Optional.ofNullable(odds.get(clue.check()));
            double[] likelihoods = new double[weights.length];
            for (int s = 0; s < weights.length; s++) {
                int suspect = s;
                likelihoods[s] = asked.map(o -> o.likelihood(suspect, now) / o.likelihood(suspect, before))
                        .orElse(1.0);
            }
            factors.add(against(likelihoods, weights));
            weights = shared(likelihoods, weights);
            minutes += clue.says() ? asked.map(o -> o.check().minutes()).orElse(0.0) : 0;
        }
        List<Belief.Weighed> weighed = weighed(clues, weights, factors);
        List<Belief.Next> next = next(clues, weights);
        return new Belief(weighed, next, standing(weighed.getFirst(), next, minutes, boxMinutes), minutes);
    }

    private static Belief.Standing standing(
            Belief.Weighed first, List<Belief.Next> next, double minutes, double boxMinutes) {
        if (first.weight() >= FOUND) {
            return Belief.Standing.FOUND;
        }
        if (next.isEmpty()) {
            return Belief.Standing.NOTHING_LEFT;
        }
        return boxMinutes > 0 && minutes >= boxMinutes ? Belief.Standing.TIME_IS_UP : Belief.Standing.GOES_ON;
    }

    private static double[] shared(double[] likelihoods, double[] weights) {
        double[] then = new double[weights.length];
        double sum = 0;
        for (int s = 0; s < then.length; s++) {
            then[s] = likelihoods[s] * weights[s];
            sum += then[s];
        }
        for (int s = 0; s < then.length; s++) {
            then[s] = sum > 0 ? then[s] / sum : weights[s];
        }
        return then;
    }

    /** How much likelier what came out is under each suspect than under all others together. */
    private static double[] against(double[] likelihoods, double[] weights) {
        double sum = 0;
        for (int s = 0; s < weights.length; s++) {
            sum += likelihoods[s] * weights[s];
        }
        double[] factors = new double[weights.length];
        for (int s = 0; s < weights.length; s++) {
            double others = (sum - likelihoods[s] * weights[s]) / Math.max(1e-12, 1 - weights[s]);
            factors[s] = others > 0 ? likelihoods[s] / others : 1;
        }
        return factors;
    }

    private List<Belief.Weighed> weighed(List<Journal.Clue> clues, double[] weights, List<double[]> factors) {
        List<Belief.Weighed> weighed = new ArrayList<>();
        for (int s = 0; s < weights.length; s++) {
            List<Belief.Spoke> spoke = new ArrayList<>();
            for (int c = 0; c < clues.size(); c++) {
                spoke.add(new Belief.Spoke(clues.get(c), factors.get(c)[s]));
            }
            weighed.add(new Belief.Weighed(
                    suspects.get(s).cause(), weights[s], suspects.get(s).why(), spoke));
        }
        weighed.sort(Comparator.comparingDouble(Belief.Weighed::weight).reversed());
        return weighed;
    }

    private List<Belief.Next> next(List<Journal.Clue> clues, double[] weights) {
        List<Belief.Next> next = new ArrayList<>();
        for (Odds o : odds.values()) {
            List<Journal.Clue> said = said(clues, o.check().id());
            boolean skipped =
                    clues.stream().anyMatch(c -> c.check().equals(o.check().id()) && !c.says());
            if (!skipped && said.size() < (o.plan().isPresent() ? 1 : MOST_TIMES)) {
                double bits = information(o, said, weights);
                if (bits > LEAST_BITS) {
                    next.add(new Belief.Next(o.check(), o.place(), bits, expected(o)));
                }
            }
        }
        next.sort(Comparator.comparingDouble(n -> -n.bits() / cost(n.check())));
        return next;
    }

    private static List<Journal.Clue> said(List<Journal.Clue> clues, String check) {
        return clues.stream().filter(c -> c.check().equals(check) && c.says()).toList();
    }

    private static String expected(Odds odds) {
        return odds.plan()
                .map(p -> Units.format(p.quantity(), p.expected().low()) + " to "
                        + Units.format(p.quantity(), p.expected().high()))
                .orElse("");
    }

    /** Minutes with the way to it and to its parts. */
    private static double cost(Check check) {
        return check.minutes() + MOVE_MINUTES + PART_MINUTES * check.needs().size();
    }

    /** Doubt that a check is expected to take away, bits. */
    private static double information(Odds odds, List<Journal.Clue> said, double[] weights) {
        double[][] next = new double[weights.length][];
        for (int s = 0; s < weights.length; s++) {
            next[s] = odds.next(s, said);
        }
        double left = 0;
        for (int o = 0; o < odds.size(); o++) {
            double[] then = new double[weights.length];
            double chance = 0;
            for (int s = 0; s < weights.length; s++) {
                then[s] = weights[s] * next[s][o];
                chance += then[s];
            }
            if (chance > 0) {
                for (int s = 0; s < then.length; s++) {
                    then[s] /= chance;
                }
                left += chance * entropy(then);
            }
        }
        return Math.max(0, entropy(weights) - left);
    }

    static double entropy(double[] weights) {
        double bits = 0;
        for (double w : weights) {
            if (w > 0) {
                bits -= w * Math.log(w) / Math.log(2);
            }
        }
        return bits;
    }

    /**
     * How often each outcome of a look or an exchange truly comes out under a suspect.
     *
     * @throws IllegalArgumentException where the check tells nothing in this hunt, or the cause is no suspect
     */
    public double[] chances(Check check, Cause cause) {
        Odds asked = odds.get(check.id());
        if (asked == null) {
            throw new IllegalArgumentException(check.id() + " tells nothing here");
        }
        int suspect = place(cause);
        double[] chances = new double[asked.size()];
        for (int o = 0; o < chances.length; o++) {
            chances[o] = asked.chance(suspect, o);
        }
        return chances;
    }

    /**
     * What a check would say under each of the foremost suspects, in words.
     *
     * @return by the title of the cause, in the order of the suspects
     */
    public Map<String, String> forecast(Check check, Belief belief) {
        Map<String, String> said = new LinkedHashMap<>();
        Optional.ofNullable(odds.get(check.id()))
                .ifPresent(o -> belief.suspects().stream()
                        .limit(SHOWN)
                        .forEach(w -> said.put(w.cause().title(), o.forecast(place(w.cause())))));
        return said;
    }

    private int place(Cause cause) {
        for (int s = 0; s < suspects.size(); s++) {
            if (suspects.get(s).cause().equals(cause)) {
                return s;
            }
        }
        throw new IllegalArgumentException(cause.id() + " is no suspect");
    }
}
