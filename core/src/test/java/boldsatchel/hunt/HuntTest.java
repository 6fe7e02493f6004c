package boldsatchel.hunt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;

/** Hunts, by hand and by what ships. */
public class HuntTest {

    private static final String SMALL = """
            {"symptoms": [{"id": "odd", "title": "It is odd", "on": "DrawsPower"}],
             "checks": [
               {"id": "look", "title": "Look", "kind": "LOOK", "minutes": 2, "how": "Look.", "outcomes": [
                 {"id": "no", "words": "no", "usual": 0.9}, {"id": "yes", "words": "yes", "usual": 0.1}]},
               {"id": "slow", "title": "Wait", "kind": "LOOK", "minutes": 500, "how": "Wait.", "outcomes": [
                 {"id": "no", "words": "no", "usual": 0.9}, {"id": "yes", "words": "yes", "usual": 0.1}]}],
             "causes": [
               {"id": "a", "title": "A", "rate": 3, "shows": {"odd": 0.5}, "answers": {"look": {"yes": 0.8}, "slow": {"yes": 0.8}},
                "cures": ["Mend A."]},
               {"id": "b", "title": "B", "rate": 1, "shows": {"odd": 0.5}, "cures": ["Mend B."]}]}
            """;

    private final Knowledge shipped = Knowledge.shipped();
    private final Build demo = Library.demo("orchard-ledger").orElseThrow();

    private static Journal.Clue clue(String check, String outcome) {
        return new Journal.Clue(check, outcome, Optional.empty(), "");
    }

    private static Journal.Clue read(String check, double value) {
        return new Journal.Clue(check, "", Optional.of(new Figure(value, 0.02, Basis.MEASURED)), "");
    }

    private static double weight(Belief belief, String cause) {
        return belief.suspects().stream()
                .filter(w -> w.cause().id().equals(cause))
                .mapToDouble(Belief.Weighed::weight)
                .findFirst()
                .orElse(0);
    }

    private Hunt hunt(Knowledge knowledge, Build build, String symptom, String part) {
        return Hunt.begin(
                knowledge,
                Evaluator.evaluate(build),
                knowledge.symptom(symptom).orElseThrow(),
                build.part(part).orElseThrow());
    }

    @Test
    public void cluesWeighByBayesAndLookingAgainFindsASlip() throws HuntFault {
        Knowledge small = shipped.and(SMALL);
        Hunt hunt = hunt(small, demo, "odd", "mainboard");
        // Priors 3 : 1 of 97 %, and 3 % for what is in no list; an answer is any of the two in 2 % of all cases.
        double a = 0.97 * 0.75;
        double b = 0.97 * 0.25;
        assertThat(weight(hunt.after(List.of(), 0), "a")).isCloseTo(a, within(1e-12));
        double yesA = 0.8 * 0.99 + 0.2 * 0.01;
        double yesUsual = 0.1 * 0.99 + 0.9 * 0.01;
        Belief once = hunt.after(List.of(clue("look", "yes")), 0);
        assertThat(weight(once, "a")).isCloseTo(a * yesA / (a * yesA + (b + 0.03) * yesUsual), within(1e-12));
        assertThat(once.minutes()).isEqualTo(2);
        double twiceA = 0.8 * 0.99 * 0.99 + 0.2 * 0.01 * 0.01;
        double twiceUsual = 0.1 * 0.99 * 0.99 + 0.9 * 0.01 * 0.01;
        Belief twice = hunt.after(List.of(clue("look", "yes"), clue("look", "yes")), 0);
        assertThat(weight(twice, "a")).isCloseTo(a * twiceA / (a * twiceA + (b + 0.03) * twiceUsual), within(1e-12));
        // The same answer again says next to nothing, another one takes it back.
        assertThat(weight(twice, "a") - weight(once, "a")).isBetween(0.0, 0.02);
        assertThat(weight(hunt.after(List.of(clue("look", "yes"), clue("look", "no")), 0), "a"))
                .isBetween(weight(hunt.after(List.of(clue("look", "no")), 0), "a"), weight(once, "a"));
    }

    @Test
    public void theShorterOfTwoChecksThatTellTheSameComesFirstAndWhatCannotBeDoneIsLeftOut() throws HuntFault {
        Hunt hunt = hunt(shipped.and(SMALL), demo, "odd", "mainboard");
        assertThat(hunt.after(List.of(), 0).best().orElseThrow().check().id()).isEqualTo("look");
        Belief without = hunt.after(List.of(Journal.Clue.skipped("look")), 0);
        assertThat(without.next()).noneMatch(n -> n.check().id().equals("look"));
        assertThat(without.minutes()).isZero();
        assertThat(hunt.after(List.of(clue("look", "no")), 1).standing()).isEqualTo(Belief.Standing.TIME_IS_UP);
    }

    /** A converter that the start leaves 3 % of its amps is suspected of it; one with room to spare is not. */
    @Test
    public void aSuspectIsAsLikelyAsThisBuildIsNearToIt() {
        Part converter = demo.part("converter").orElseThrow();
        double before = 0;
        for (double room : new double[] {4, 0.5, 0.03, -0.1}) {
            Build build = demo.with(limited(converter, room));
            Hunt hunt = hunt(shipped, build, "half-boots", "blower");
            double now = weight(hunt.after(List.of(), 0), "supply-start");
            assertThat(now).as("%s left", room).isGreaterThan(before - 0.01);
            before = now;
            if (room == 0.03) {
                assertThat(hunt.after(List.of(), 0).suspects())
                        .anyMatch(w ->
                                w.cause().id().equals("supply-start") && w.why().contains("3 % left"));
            }
        }
        assertThat(before).isGreaterThan(0.4);
    }

    private Part limited(Part converter, double room) {
        double amps = Evaluator.evaluate(demo).of(boldsatchel.power.Points.class).chains().stream()
                .flatMap(c -> demo.rungs()
                        .filter(r -> r.part().filter("converter"::equals).isPresent())
                        .flatMap(r -> c.starting().rung(r.id()).stream()))
                .mapToDouble(r -> r.ampsOut())
                .max()
                .orElseThrow();
        Facet.Converts converts = converter.facet(Facet.Converts.class).orElseThrow();
        return converter.withFacet(Form.of(Facet.Converts.class)
                .field("limitA")
                .with(converts, amps / (1 - room / (1 + Math.abs(room)))));
    }

    @Test
    public void aReadingSpeaksForTheCauseWhoseNumbersItHas() {
        Hunt hunt = hunt(shipped, demo, "half-boots", "mainboard");
        Belief none = hunt.after(List.of(), 0);
        double planned = hunt.place(shipped.check("far-busy").orElseThrow())
                .facet(Facet.DrawsPower.class)
                .orElseThrow()
                .nominalV();
        Belief low = hunt.after(List.of(read("far-busy", 0.8 * planned)), 0);
        assertThat(weight(low, "joint-weak")).isGreaterThan(2 * weight(none, "joint-weak"));
        Belief nothing = hunt.after(List.of(read("far-busy", 0)), 0);
        assertThat(weight(nothing, "joint-weak")).isLessThan(weight(none, "joint-weak"));
        // Far beyond anything that was thought of it still is a number.
        assertThat(hunt.after(List.of(read("far-busy", 1e6)), 0).suspects().stream()
                        .mapToDouble(Belief.Weighed::weight)
                        .sum())
                .isCloseTo(1, within(1e-9));
    }

    @Test
    public void whatShipsIsLargeEnoughAndTellsAllCausesOfASymptomApart() {
        assertThat(shipped.symptoms()).hasSizeGreaterThanOrEqualTo(30);
        assertThat(shipped.causes()).hasSizeGreaterThanOrEqualTo(90);
        assertThat(shipped.checks()).hasSizeGreaterThanOrEqualTo(70);
        List<String> alike = new ArrayList<>();
        for (Symptom s : shipped.symptoms()) {
            List<Cause> causes =
                    shipped.causes().stream().filter(c -> c.showsAs(s) > 0).toList();
            assertThat(causes).as(s.id()).hasSizeGreaterThanOrEqualTo(2);
            for (Cause a : causes) {
                for (Cause b : causes) {
                    if (a.id().compareTo(b.id()) < 0 && apart(a, b) < 0.5) {
                        alike.add(s.id() + ": " + a.id() + ", " + b.id());
                    }
                }
            }
        }
        assertThat(alike).isEmpty();
        shipped.causes().forEach(c -> assertThat(c.cures()).as(c.id()).isNotEmpty());
    }

    /** The largest difference that any check makes between two causes: total variation. What they do to figures tells as well. */
    private double apart(Cause a, Cause b) {
        if (!a.harm().equals(b.harm())) {
            return 1;
        }
        return shipped.checks().stream()
                .mapToDouble(k -> {
                    double[] of = a.chances(k);
                    double[] other = b.chances(k);
                    double sum = 0;
                    for (int o = 0; o < of.length; o++) {
                        sum += Math.abs(of[o] - other[o]) / 2;
                    }
                    return sum;
                })
                .max()
                .orElse(0);
    }

    @Test
    public void everyHuntOfADemoCanBeginAndSaysWhatWouldBeSeen() {
        for (Symptom s : Hunt.possible(shipped, demo)) {
            Part subject = Hunt.subjects(demo, s).getFirst();
            Hunt hunt = hunt(shipped, demo, s.id(), subject.id());
            Belief belief = hunt.after(List.of(), 0);
            assertThat(belief.suspects()).as(s.id()).hasSizeGreaterThan(1);
            assertThat(belief.suspects().stream()
                            .mapToDouble(Belief.Weighed::weight)
                            .sum())
                    .isCloseTo(1, within(1e-9));
            for (Belief.Next n : belief.next()) {
                assertThat(hunt.forecast(n.check(), belief).values())
                        .as("%s %s", s.id(), n.check().id())
                        .allMatch(w -> !w.isBlank() && !w.contains("NaN"));
            }
        }
    }

    /** Machines that nobody would build: every hunt begins, and no clue makes nonsense of it. */
    @Test
    public void everyHuntOfAnyBuildKeepsItsHead() {
        for (int seed = 0; seed < 40; seed++) {
            Build build = RandomBuilds.of(seed);
            Evaluation evaluation = Evaluator.evaluate(build);
            Random random = new Random(seed);
            List<Symptom> possible = Hunt.possible(shipped, build);
            for (int n = 0; n < Math.min(4, possible.size()); n++) {
                Symptom symptom = possible.get(random.nextInt(possible.size()));
                Hunt hunt = Hunt.begin(
                        shipped,
                        evaluation,
                        symptom,
                        Hunt.subjects(build, symptom).getFirst());
                List<Journal.Clue> clues = new ArrayList<>();
                for (Belief belief = hunt.after(clues, 0);
                        !belief.next().isEmpty() && clues.size() < 12;
                        belief = hunt.after(clues, 0)) {
                    Check check = belief.next()
                            .get(random.nextInt(belief.next().size()))
                            .check();
                    clues.add(
                            check.kind() == Check.Kind.READ
                                    ? read(check.id(), 40 * random.nextDouble())
                                    : clue(
                                            check.id(),
                                            check.outcomes().getLast().id()));
                }
                assertThat(hunt.after(clues, 0).suspects())
                        .as("seed %s, %s", seed, symptom.id())
                        .allMatch(w -> w.weight() >= 0 && w.weight() <= 1);
            }
        }
    }

    @Test
    public void aFileOfOnesOwnAddsToWhatShips() throws HuntFault {
        Knowledge mine = shipped.and("""
                {"causes": [{"id": "ants", "title": "Ants in the board", "rate": 1, "on": ["Computes"], "near": ["finding:fit.gap"],
                  "shows": {"restarts": 0.9}, "answers": {"look-ants": {"yes": 0.97}}, "cures": ["Move the tent."]}],
                 "checks": [{"id": "look-ants", "title": "Ants?", "kind": "LOOK", "minutes": 1, "needs": ["lamp"], "how": "Look.",
                  "outcomes": [{"id": "no", "words": "none", "usual": 0.99}, {"id": "yes", "words": "ants", "usual": 0.01}]}]}
                """);
        Hunt hunt = hunt(mine, demo, "restarts", "mainboard");
        Belief belief = hunt.after(List.of(clue("look-ants", "yes")), 0);
        assertThat(belief.foremost().cause().id()).isEqualTo("ants");
    }

    @Test
    public void aFileThatIsWrongSaysWhereAndWhat() {
        assertThatThrownBy(() -> shipped.and("{\"causes\": ["))
                .isInstanceOf(HuntFault.class)
                .hasMessageContaining("no JSON");
        assertThatThrownBy(() -> shipped.and("[]")).hasMessageContaining("lists symptoms, checks and causes");
        assertThatThrownBy(() -> shipped.and("""
                        {"symptom": [], "checks": [{"id": "x", "title": "X", "kind": "LOK", "minutes": -1, "how": "?"}],
                         "causes": [{"id": "y", "rate": "often", "shows": {"nowhere": 2}, "answers": {"wiggle": {"up": 0.9}},
                                     "near": ["cliff"], "alters": "NOTHING", "on": ["Sings"]}]}
                        """))
                .isInstanceOf(HuntFault.class)
                .hasMessageContaining("“symptom” is not one of the lists")
                .hasMessageContaining("checks, entry 1 (x)")
                .hasMessageContaining("LOOK, READ, SWAP")
                .hasMessageContaining("“minutes” must be a number from 0.1");
    }
}
