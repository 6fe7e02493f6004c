package boldsatchel.assembly;

import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.json.JsonMapper;

/**
 * What those who build such machines know, from {@code trade.json}: how long jobs take, what they need, what is done before what and why,
 * and what has to be proven when. Times are usual ones for somebody who does it for the second time: guesses.
 *
 * @param jobs one a {@link Job}
 * @param fixings one a {@link Fixing.By}
 * @param rules what comes before what
 * @param proofs tests that must have passed before work goes on
 */
public record Trade(List<Work> jobs, List<Held> fixings, List<Rule> rules, List<Proof> proofs) {

    private static final Trade ALL = read();

    /**
     * A job.
     *
     * @param words what is done; {@code {what}} stands for what it is done to
     * @param minutes of work, whatever there is to do
     * @param each minutes more for each of what there are several of
     * @param waitMinutes that it has to be left alone after
     * @param tools needed
     * @param takes what is used up
     */
    public record Work(
            Job job,
            String words,
            double minutes,
            double each,
            double waitMinutes,
            List<String> tools,
            List<String> takes,
            List<String> cautions) {}

    /** What holding a part takes, as of a {@link Work}; {@code each} is for each screw. */
    public record Held(
            Fixing.By by, double minutes, double each, double waitMinutes, List<String> tools, List<String> takes) {}

    /**
     * What comes before what.
     *
     * @param id for good
     * @param inOneTray whether it is about steps in the same tray only
     * @param because the reason, as the end of a sentence
     */
    public record Rule(String id, Trait first, Trait then, boolean inOneTray, String because) {}

    /**
     * A test that work waits for.
     *
     * @param test its name among the tests there are
     * @param trait when it is done
     * @param families of the parts it is done to
     */
    public record Proof(String test, Trait trait, Set<Family> families) {}

    private static Trade read() {
        try (InputStream in = Trade.class.getResourceAsStream("trade.json")) {
            return new JsonMapper().readValue(in, Trade.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** All that is known. */
    public static Trade known() {
        return ALL;
    }

    /** What is known of a job. */
    public Work work(Job job) {
        return jobs.stream().filter(w -> w.job() == job).findFirst().orElseThrow();
    }

    /** What holding a part by something takes; that of nothing where nobody said. */
    public Held held(Optional<Fixing> fixing) {
        Fixing.By by = fixing.map(Fixing::by).orElse(Fixing.By.NOTHING);
        return fixings.stream().filter(h -> h.by() == by).findFirst().orElseThrow();
    }
}
